"""The look: shipped faces, state never by colour alone, focus in sight, motion left out."""

import unittest

from playwright.sync_api import expect

from tests.browser.case import BrowserCase

TITLE = "Potting bench, morning light"

STYLES = """selector => {
  const style = getComputedStyle(document.querySelector(selector));
  return {dash: style.strokeDasharray, stroke: style.stroke, decoration: style.textDecorationLine};
}"""


class Look(BrowserCase):
    def setUp(self):
        super().setUp()
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Simple here")

    def style(self, selector):
        return self.page.evaluate(STYLES, selector)

    def test_both_faces_are_shipped_and_no_third(self):
        self.page.evaluate("document.fonts.ready.then(() => true)")
        loaded = self.page.evaluate(
            "[...document.fonts].filter(each => each.status === 'loaded').map(each => each.family)"
        )
        families = {each.strip('"') for each in loaded}
        self.assertEqual(families, {"Source Sans 3 Variable", "Source Serif 4"})

    def test_standing_differs_in_mark_and_line(self):
        marks = {}
        for standing in ("loose", "held", "proven", "doubt"):
            group = self.page.locator(f"g[data-standing='{standing}']").first
            marks[standing] = group.evaluate(
                "each => [...each.children].map(child => child.tagName).join(' ')"
            )
        self.assertEqual(len(set(marks.values())), 4, marks)
        sure = self.style("path[data-sure='true']")["dash"]
        unsure = self.style("path[data-sure='false']")["dash"]
        self.assertEqual(sure, "none")
        self.assertNotEqual(unsure, "none")

    def test_states_of_readings_are_said_not_only_coloured(self):
        self.page.click("text=Readings")
        self.page.wait_for_selector("[data-state=doubted]")
        for state, words in (
            ("doubted", "look again"),
            ("unchecked", "not checked by anything"),
            ("fits", "agrees"),
        ):
            row = self.page.locator(f"[data-state={state}]").first
            self.assertIn(words, row.inner_text())

    def test_the_doubted_reading_is_drawn_strained_with_what_it_reads(self):
        said = self.page.locator("svg[role=img] text").all_text_contents()
        self.assertTrue(any("cans?" in each for each in said), said)

    def test_focus_is_seen_wherever_it_goes(self):
        unseen = []
        for _ in range(30):
            self.page.keyboard.press("Tab")
            found = self.page.evaluate(
                """() => {
                  const at = document.activeElement;
                  const ring = each => {
                    const style = getComputedStyle(each);
                    return style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) > 0
                      || style.boxShadow !== 'none';
                  };
                  const box = at.closest('label') || at;
                  return [at.tagName, at.innerText || at.ariaLabel, ring(at) || ring(box)];
                }"""
            )
            if not found[2] and found[0] != "BODY":
                unseen.append(found)
        self.assertEqual(unseen, [])

    def test_keys_of_a_group_are_one_stop_and_arrows_go_on_within_it(self):
        stops = self.page.evaluate(
            """() => [...document.querySelectorAll("button, a[href], input, select, [tabindex]")]
              .filter(each => each.tabIndex >= 0 && !each.disabled && each.checkVisibility())
              .length"""
        )
        self.assertLess(stops, 45)
        self.page.get_by_role("button", name="To", exact=False).first.focus()
        key = "() => document.activeElement.innerText.trim()"
        upright = self.page.get_by_role("button", name="Upright", exact=True)
        while self.page.evaluate(key) != "Upright":
            self.page.keyboard.press("Tab")
        self.page.keyboard.press("ArrowRight")
        self.assertEqual(self.page.evaluate(key), "Across")
        self.page.keyboard.press("Space")
        self.assertEqual(upright.get_attribute("aria-pressed"), "false")
        self.page.keyboard.press("Tab")
        self.assertEqual(self.page.evaluate(key), "0")

    def test_on_paper_a_room_is_what_it_shows_without_what_is_pressed(self):
        self.page.emulate_media(media="print")
        for name in ("Undo", "Easel", "Take it", "Keep"):
            expect(self.page.get_by_role("button", name=name).first).to_be_hidden()
        expect(self.page.locator("main")).to_contain_text("Sight next")
        picture = self.page.locator("svg[aria-label^='Subject and sheet']").bounding_box()
        asked = self.page.get_by_role("region", name="Sight next").bounding_box()
        self.assertGreaterEqual(asked["y"], picture["y"] + picture["height"] - 1)

    def test_in_forced_colours_the_sheet_keeps_its_paper(self):
        self.page.emulate_media(forced_colors="active", color_scheme="dark")
        expect(self.page.locator("body")).to_have_css("background-color", "rgb(0, 0, 0)")
        sheet = self.page.locator("svg[aria-label^='Subject and sheet']")
        expect(sheet).to_have_css("background-color", "rgb(168, 159, 144)")

    def test_motion_is_left_out_when_asked(self):
        self.take_it()
        self.page.keyboard.type("1 1/4")
        version = self.version()
        self.page.keyboard.press("Enter")
        self.wait_for_version(version + 1)
        lasting = self.page.evaluate(
            "document.getAnimations().map(each => each.effect.getTiming().duration)"
        )
        self.assertTrue(all(each <= 1 for each in lasting), lasting)
        self.page.keyboard.press("Control+z")
        self.wait_for_version(version + 2)

    def test_fractions_are_set_as_fractions_and_read_as_text(self):
        key = self.page.get_by_role("button", name="3/8")
        self.assertEqual(key.locator("sup").inner_text(), "3")
        self.assertEqual(key.locator("sub").inner_text(), "8")

    def test_a_tilt_is_turned_by_pointer_and_by_keys(self):
        self.page.get_by_role("button", name="Tilt").click()
        face = self.page.get_by_role("slider", name="Tilt as an hour")
        box = face.bounding_box()
        middle = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        self.page.mouse.click(middle[0] + 40, middle[1])
        self.assertEqual(face.get_attribute("aria-valuetext"), "3:00")
        face.focus()
        self.page.keyboard.press("ArrowRight")
        self.assertEqual(face.get_attribute("aria-valuetext"), "3:05")
        self.assertIn("3:05", self.page.locator("output").inner_text())


if __name__ == "__main__":
    unittest.main()
