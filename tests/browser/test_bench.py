"""At the bench: the pad, the prompter, the list of readings, two tablets, every screen size."""

import unittest
from typing import ClassVar

from playwright.sync_api import expect

from tests.browser.case import BrowserCase

TITLE = "Potting bench, morning light"
LEAST_TARGET = 44


class Bench(BrowserCase):
    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        self.open(f"/studies/{self.number}", "text=Sight next")

    def test_a_suggestion_taken_up_ties_the_loose_landmark(self):
        version = self.version()
        self.assertEqual(self.page.get_attribute("[data-landmark=dibber_point]", "data-standing"),
                         "loose")  # fmt: skip
        self.page.get_by_text("Marks", exact=True).click()
        self.page.locator("[data-mark=dibber_point]").get_by_role("button", name="Hold it").click()
        self.page.wait_for_selector("output >> text=which hour?")
        self.page.keyboard.type("4:00")
        self.page.keyboard.press("Enter")
        self.wait_for_version(version + 1)
        self.assertEqual(self.page.get_attribute("[data-landmark=dibber_point]", "data-standing"),
                         "held")  # fmt: skip
        self.page.click("text=Undo")
        self.wait_for_version(version + 2)

    def test_strike_take_up_correct_and_remove(self):
        version = self.version()
        self.page.click("text=Strike >> visible=true")
        self.wait_for_version(version + 1)
        self.assertEqual(self.page.locator("text=Doesn't agree").count(), 0)
        self.page.click("text=Readings")
        row = self.page.locator("[data-reading=s13]")
        self.assertEqual(row.get_attribute("data-state"), "struck")
        row.locator("button").first.click()
        row.get_by_text("Take up").click()
        self.wait_for_version(version + 2)
        row.get_by_text("Correct").click()
        self.page.keyboard.type("1 1/16")
        self.page.keyboard.press("Enter")
        self.wait_for_version(version + 3)
        self.assertNotEqual(row.get_attribute("data-state"), "doubted")
        row.get_by_text("Remove").click()
        self.wait_for_version(version + 4)
        for i in range(4):
            self.page.keyboard.press("Control+z")
            self.wait_for_version(version + 5 + i)
        self.assertEqual(row.get_attribute("data-state"), "doubted")

    def test_a_bad_entry_is_kept_and_told(self):
        version = self.version()
        self.page.keyboard.type("st")
        self.page.keyboard.press("Space")
        self.page.keyboard.type("sk")
        self.page.keyboard.press("Space")
        self.page.keyboard.type("2 1/0")
        self.page.keyboard.press("Enter")
        self.page.wait_for_selector("[role=status] >> text=divides by zero")
        self.assertIn("2", self.page.locator("output").inner_text())
        self.assertEqual(self.version(), version)

    def test_two_tablets_have_the_choice(self):
        # One that isn't told of what the other does, as where the network stutters.
        self.page.route("**/live?*", lambda route: route.abort())
        self.page.reload()
        self.page.wait_for_selector("text=Sight next")
        other = self.new_page()
        other.goto(self.page.url)
        other.wait_for_selector("text=Sight next")
        version = self.version()
        other.click("text=Strike >> visible=true")
        other.wait_for_selector(f"[data-version='{version + 1}']")
        self.take_it()
        self.page.keyboard.type("1 1/4")
        self.page.keyboard.press("Enter")
        self.page.wait_for_selector("text=Changed elsewhere meanwhile")
        self.page.click("text=Make mine on top")
        self.wait_for_version(version + 2)
        # Keys are a dialog's own until it has gone.
        expect(self.page.get_by_role("dialog")).to_have_count(0)
        self.page.keyboard.press("Control+z")
        self.wait_for_version(version + 3)
        self.page.keyboard.press("Control+z")
        self.wait_for_version(version + 4)

    def test_marks_in_millimetres_and_inches(self):
        self.page.click("text=Marks")
        row = self.page.locator("[data-mark=can_foot_r]")
        row.wait_for()
        millimetres = row.inner_text()
        version = self.version()
        self.page.click("text=Inches")
        self.wait_for_version(version + 1)
        self.assertIn(" in", self.page.locator("footer").inner_text())
        self.assertNotIn(" mm", self.page.locator("footer").inner_text())
        self.assertNotEqual(row.inner_text(), millimetres)
        self.assertIn(
            "loose up and down", self.page.locator("[data-mark=dibber_point]").inner_text()
        )
        self.page.click("text=Millimetres")
        self.wait_for_version(version + 2)

    def test_the_unit_s_size_is_chosen_and_given_back(self):
        version = self.version()
        self.page.click("text=Set-up")
        field = self.page.get_by_label("Length of one can on the sheet")
        field.fill("4 in")
        field.press("Enter")
        self.wait_for_version(version + 1)
        self.page.wait_for_selector("text=can = 101.6 mm")
        self.page.click("text=Largest round one that fits")
        self.wait_for_version(version + 2)

    def test_the_keys_are_shown(self):
        self.page.keyboard.press("?")
        dialog = self.page.get_by_role("dialog")
        for words in ("Keep the reading", "Undo", "Take up what is suggested", "Upright"):
            expect(dialog).to_contain_text(words)

    def test_nothing_scrolls_at_the_bench(self):
        height = self.page.evaluate("document.documentElement.scrollHeight")
        self.assertLessEqual(height, 800)


class ByTouch(BrowserCase):
    viewport: ClassVar = {"width": 820, "height": 1180}
    touch = True

    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        self.open(f"/studies/{self.number}", "text=Sight next")

    def test_a_reading_by_touch_alone(self):
        version = self.version()
        box = self.page.locator("svg[role=img]").bounding_box()
        dots = self.page.locator("svg[role=img] circle[data-chosen]")
        for number in (0, 5):
            dot = dots.nth(number)
            x, y = float(dot.get_attribute("cx")), float(dot.get_attribute("cy"))
            self.page.touchscreen.tap(box["x"] + x, box["y"] + y)
            # With another near, it is asked which was meant: the nearest stands first.
            self.page.wait_for_timeout(100)
            which = self.page.get_by_role("group", name="Which one?").get_by_role("button")
            if which.count():
                which.first.tap()
        pad = self.page.get_by_role("region", name="Take a reading")
        for key in ("Across", "1"):
            pad.get_by_role("button", name=key, exact=True).tap()
        pad.get_by_role("button", name="1/8").tap()
        pad.get_by_role("button", name="Keep").tap()
        self.wait_for_version(version + 1)
        self.page.get_by_role("button", name="Undo").tap()
        self.wait_for_version(version + 2)


if __name__ == "__main__":
    unittest.main()
