"""Tone: compared by keys and by touch, the contradiction resolved, areas outlined, the whole in
flat tones and on paper."""

import unittest

from playwright.sync_api import expect

from tests.browser.case import BrowserCase

TITLE = "Potting bench, morning light"


class Tone(BrowserCase):
    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)

    def room(self):
        self.open(f"/studies/{self.number}/tone", "[data-question]")
        return self.page.locator("[data-tone]")

    def test_the_contradiction_is_looked_at_again_and_struck(self):
        room = self.room()
        doubt = self.page.locator("[data-doubt=n28]")
        expect(doubt).to_contain_text("Round in a circle")
        doubt.get_by_role("button", name="Look again").click()
        expect(room.locator("[data-question=darker]")).to_contain_text("Sack, lit side")
        expect(room.locator("[data-asked=true]")).to_have_count(2)
        version = self.version()
        doubt.get_by_role("button", name="Strike").click()
        self.wait_for_version(version + 1)
        expect(doubt).to_have_count(0)
        self.page.click("header >> text=Undo")
        expect(doubt).to_have_count(1)

    def test_comparing_by_keys_alone(self):
        room = self.room()
        room.locator("[data-question]").wait_for()
        if room.locator("[data-question=step]").count():
            self.page.keyboard.press("n")
        before = room.locator("[data-question=darker]").inner_text()
        version = self.version()
        self.page.keyboard.press("2")
        self.wait_for_version(version + 1)
        expect(room.locator("summary")).to_contain_text("31 compared by eye")
        self.assertNotEqual(before, room.locator("[data-question]").inner_text())
        self.page.keyboard.press("Control+z")
        self.page.keyboard.press("?")
        expect(self.page.get_by_role("dialog")).to_contain_text("first much darker")

    def test_flat_tones_and_their_papers(self):
        room = self.room()
        self.page.get_by_text("Flat tones", exact=True).click()
        expect(room.locator("svg[data-flat=true] g[data-area-drawn]")).to_have_count(14)
        self.page.get_by_text("Plan", exact=True).click()
        expect(room.locator("[data-flat]").nth(1)).to_be_visible()
        expect(room.locator("[data-laying] li").last).to_contain_text("Never over the dark")
        expect(room).to_contain_text("ventilation")
        with self.page.expect_download() as kept:
            self.page.get_by_role("button", name="Picture").click()
        self.assertTrue(kept.value.suggested_filename.endswith(".png"))
        self.page.get_by_label("Flat tones", exact=True).last.fill("6")
        expect(room.locator("ol li[data-flat]")).to_have_count(6)

    def test_an_area_is_outlined_by_taps_and_put_in_shadow(self):
        room = self.room()
        self.page.get_by_text("Areas", exact=True).click()
        version = self.version()
        self.page.get_by_role("button", name="An area").click()
        for name in ("can_rim_l", "handle_back", "can_shoulder_l"):
            room.locator(f"[data-dot={name}]").click(force=True)
        self.page.get_by_label("Name of the area").fill("Gap in the handle")
        self.page.get_by_role("button", name="Keep the area").click()
        self.wait_for_version(version + 1)
        gap = room.locator("li", has_text="Gap in the handle")
        gap.get_by_text("Shadow", exact=True).click()
        self.wait_for_version(version + 2)
        expect(gap).to_contain_text("not tied yet")
        self.page.get_by_role("button", name="Read off the subject").click()
        self.wait_for_version(version + 3)
        expect(gap).to_contain_text("step")

    def test_what_stands_in_front(self):
        room = self.room()
        self.page.get_by_text("In front", exact=True).click()
        expect(room).to_contain_text("firmest line")
        self.page.get_by_label("The nearer shape").select_option("pot3")
        self.page.get_by_label("The farther shape").select_option("pot1")
        expect(room).to_contain_text("In a circle")

    def test_what_runs_back_fades_on_the_sheet(self):
        """The boathouse's order from the scene; then its ridge is firm near and light afar."""
        boathouse = self.study_id("Boathouse across the water")
        self.open(f"/studies/{boathouse}/tone", "[data-tone]")
        self.page.get_by_text("In front", exact=True).click()
        self.page.get_by_role("button", name="From the scene").click()
        expect(self.page.locator("[data-tone]")).to_contain_text("What runs back fades")
        self.open(f"/studies/{boathouse}", "[data-fades]")
        stops = self.page.locator("g:has(> [data-fades]) stop").evaluate_all(
            "all => all.map(each => Number(each.getAttribute('stop-opacity')))"
        )
        self.assertGreater(len(stops), 6)
        for near, far in zip(stops[::2], stops[1::2], strict=True):
            self.assertLess(far, near)


class ByTouch(BrowserCase):
    touch = True

    def test_comparing_by_touch_at_the_width_of_a_phone(self):
        self.page.set_viewport_size({"width": 390, "height": 844})
        self.open(f"/studies/{self.study_id(TITLE)}/tone", "[data-question]")
        room = self.page.locator("[data-tone]")
        version = self.version()
        self.page.get_by_label("One area").select_option("bench")
        self.page.get_by_label("The other").select_option("can_light")
        button = self.page.get_by_role("button", name="Alike")
        box = button.bounding_box()
        self.assertGreaterEqual(box["height"], 44)
        self.assertGreaterEqual(box["width"], 40)
        button.tap()
        self.wait_for_version(version + 1)
        expect(room.locator("summary")).to_contain_text("31 compared by eye")


if __name__ == "__main__":
    unittest.main()
