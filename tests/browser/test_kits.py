"""From “New study” to the first sighting with a kit: counted and timed, by mouse and by touch; a
kit made of a study and used again."""

import time
import unittest

from playwright.sync_api import expect

from tests.browser.case import BrowserCase

MOST_TAPS, MOST_SECONDS = 12, 20.0


class WithAKit(BrowserCase):
    def begin(self, tap):
        """The steps of somebody who knows what they draw; how many taps and seconds they took."""
        self.open("/new", "[data-kits] button")
        began, taps = time.monotonic(), 0
        for name in ("Head, three-quarter", "Next: landmarks"):
            tap(self.page.get_by_role("button", name=name))
            taps += 1
        for name, dx, dy in (("Crown", 30, 20), ("Chin", -40, -40)):
            self.pull(name, dx, dy)
            taps += 1
        tap(self.page.get_by_role("button", name="Begin as it is"))
        self.page.wait_for_selector("[data-version='1']")
        tap(self.page.get_by_role("button", name="Take it"))
        self.page.keyboard.press("1")
        taps += 3
        self.page.keyboard.press("Enter")
        self.wait_for_version(2)
        return taps, time.monotonic() - began

    def pull(self, name, dx, dy):
        """Drag a landmark and wait until the others have come along."""
        dot = self.page.locator(f"svg g:has(text:text-is('{name}')) circle")
        other = self.page.locator("svg circle").last
        before = other.get_attribute("cy")
        box = dot.bounding_box()
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        self.page.mouse.move(x, y)
        self.page.mouse.down()
        self.page.mouse.move(x + dx / 2, y + dy / 2, steps=3)
        self.page.mouse.move(x + dx, y + dy, steps=3)
        self.page.mouse.up()
        expect(other).not_to_have_attribute("cy", before)

    def test_the_first_sighting_within_twelve_taps_and_twenty_seconds(self):
        taps, seconds = self.begin(lambda button: button.click())
        self.assertLessEqual(taps, MOST_TAPS)
        self.assertLessEqual(seconds, MOST_SECONDS)
        expect(self.page.locator("[data-landmark]")).to_have_count(20)
        self.page.get_by_text("Depth", exact=True).click()
        expect(self.page.locator("[data-heads]")).to_contain_text("6 tell at least")

    def test_every_kit_is_drawn(self):
        self.open("/new", "[data-kits] button")
        drawn = self.page.locator("[data-kits] li:has(b)")
        for each in drawn.all():
            self.assertGreater(each.locator("svg path").count(), 1, each.inner_text())
        self.assertGreaterEqual(drawn.count(), 15)

    def test_what_can_t_be_seen_is_dropped_and_the_rest_begun(self):
        self.open("/new", "[data-kits] button")
        self.page.get_by_role("button", name="Box or book").click()
        dot = self.page.locator("svg g:has(text:text-is('Far corner, top')) circle").bounding_box()
        self.page.mouse.click(dot["x"] + dot["width"] / 2, dot["y"] + dot["height"] / 2)
        self.page.get_by_role("button", name="Not seen: drop it").click()
        self.page.get_by_role("button", name="Begin as it is").click()
        expect(self.page.locator("[data-landmark]")).to_have_count(6)
        self.page.get_by_text("Depth", exact=True).click()
        expect(self.page.locator("[data-families] li")).to_have_count(2)

    def test_a_kit_made_of_a_study_is_used_again(self):
        study = self.study_id("Boathouse across the water")
        self.open(f"/studies/{study}/draw?view=Take+along", "text=A kit of this subject")
        with self.page.expect_download() as kept:
            self.page.click("text=A kit of this subject")
        self.open("/new", "[data-kits] button")
        self.page.set_input_files("input[aria-label='A kit file']", kept.value.path())
        self.page.get_by_role("button", name="Another kit").click()
        own = self.page.locator("[data-kits] button", has_text="Boathouse across the water")
        self.assertGreater(own.locator("path").count(), 21)
        own.click()
        self.page.get_by_role("button", name="Begin as it is").click()
        expect(self.page.locator("[data-landmark]")).to_have_count(21)


class ByTouch(WithAKit):
    touch = True

    def test_the_first_sighting_within_twelve_taps_and_twenty_seconds(self):
        taps, seconds = self.begin(lambda button: button.tap())
        self.assertLessEqual(taps, MOST_TAPS)
        self.assertLessEqual(seconds, MOST_SECONDS)

    test_what_can_t_be_seen_is_dropped_and_the_rest_begun = None
    test_a_kit_made_of_a_study_is_used_again = None


if __name__ == "__main__":
    unittest.main()
