"""The look: shipped faces, state never by colour alone, focus in sight, motion left out."""

import unittest

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
        self.assertEqual(families, {"Source Sans 3 Variable", "Source Serif 4 Variable"})

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
