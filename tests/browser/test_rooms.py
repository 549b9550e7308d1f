"""Every room by a finger alone, at the easel, and in the order of work."""

import unittest
from typing import ClassVar

from tests.browser.test_subject import SubjectCase

TITLE = "Potting bench, morning light"


class ByTouch(SubjectCase):
    viewport: ClassVar = {"width": 820, "height": 1180}
    touch = True

    def tap(self, selector):
        self.page.locator(selector).first.tap()

    def test_the_stick_is_set_and_read_by_touch_alone(self):
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Take up the stick")
        version = self.version()
        self.tap("text=Take up the stick")
        self.tap("text=Set the thumb to 1 can")
        self.tap("button:has-text('Across')")
        pad = self.page.get_by_role("region", name="Take a reading")
        pad.get_by_role("button", name="To").first.tap()
        x, y = self.dot("pot1_l")
        self.page.touchscreen.tap(x, y)
        self.page.wait_for_selector("[data-end=end][data-on=pot1_l]")
        self.tap("button:has-text('Read it')")
        self.page.wait_for_selector("text=/^Reads Can, rim left to Top pot, rim left/")
        self.tap("section button:has-text('Keep')")
        self.wait_for_version(version + 1)
        self.tap("text=Undo")
        self.wait_for_version(version + 2)

    def test_the_recipe_is_gone_through_by_touch_alone(self):
        self.open(f"/studies/{self.study_id(TITLE)}/draw", "text=Ticked: next")
        for number in range(2, 5):
            self.tap("text=Ticked: next")
            self.page.wait_for_selector(f"text=/^{number} of /")
        self.tap("ol[aria-label] li:nth-child(1) button")
        self.page.wait_for_selector("text=/^1 of /")

    def test_the_truth_is_revealed_by_touch(self):
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Reveal the truth")
        self.tap("text=Reveal the truth")
        self.page.wait_for_selector("[data-truth]", state="attached")
        self.tap("text=Hide the truth")
        self.page.wait_for_selector("[data-truth]", state="detached")


class AtTheEasel(SubjectCase):
    def setUp(self):
        super().setUp()
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Sight next")
        self.page.keyboard.press("Shift+E")
        self.page.wait_for_selector("text=Leave the easel")

    def test_one_value_after_the_other_is_all_it_takes(self):
        version = self.version()
        asked = self.page.inner_text("[aria-live]")
        self.page.wait_for_function(
            "() => !document.querySelector(\"section[aria-label='Take a reading']\")"
            ".innerText.includes('type its letters')"
        )
        self.page.keyboard.type("1")
        self.page.keyboard.press("Enter")
        self.wait_for_version(version + 1)
        self.page.wait_for_function(
            "before => document.querySelector('[aria-live]').innerText !== before", arg=asked
        )
        self.page.wait_for_function(
            "() => !document.querySelector(\"section[aria-label='Take a reading']\")"
            ".innerText.includes('type its letters')"
        )
        self.page.keyboard.press("Control+z")
        self.wait_for_version(version + 2)

    def test_the_large_clock_face_is_turned_where_the_finger_is(self):
        """The hand goes to where it is pressed: straight right of the middle is 3 o'clock."""
        while not self.page.locator("[aria-label='Tilt as an hour']").count():
            asked = self.page.inner_text("[aria-live]")
            self.page.click("text=Another")
            self.page.wait_for_function(
                "before => document.querySelector('[aria-live]').innerText !== before", arg=asked
            )
        face = self.page.locator("[aria-label='Tilt as an hour'] > circle").first.bounding_box()
        self.assertGreater(face["width"], 120)
        at = (face["x"] + 0.88 * face["width"], face["y"] + face["height"] / 2)
        self.page.mouse.click(*at)
        self.page.wait_for_selector("output >> text=3:00")

    def test_nothing_scrolls_and_all_is_large(self):
        for width, height in ((1280, 800), (820, 1180)):
            self.page.set_viewport_size({"width": width, "height": height})
            self.page.wait_for_timeout(200)
            tall = self.page.evaluate("document.documentElement.scrollHeight")
            self.assertLessEqual(tall, height)
        size = self.page.evaluate(
            "parseFloat(getComputedStyle(document.querySelector('[aria-live]')).fontSize)"
        )
        self.assertGreaterEqual(size, 30)

    def test_back_to_the_bench(self):
        self.page.click("text=Leave the easel")
        self.page.wait_for_selector("text=Sight next")


class InOrder(SubjectCase):
    def test_a_study_is_gone_through_from_scene_to_paper_by_keyboard(self):
        """Choose a scene, sight three suggestions with the stick, then on to Draw and Frame."""
        self.open("/scenes", "text=Bottle, box and cone")
        self.page.focus("button:has-text('Bottle, box and cone')")
        self.page.keyboard.press("Enter")
        self.page.wait_for_selector("text=Sight next")
        version = self.version()
        self.page.keyboard.press("Shift+T")
        self.page.keyboard.press("Shift+U")
        asked = self.page.get_by_role("region", name="Sight next").locator("p").first
        for step in range(1, 4):
            before = asked.inner_text()
            self.take_it()
            self.page.wait_for_selector("[data-end=tip][data-on]", state="attached")
            self.page.wait_for_selector("[data-end=end][data-on]", state="attached")
            self.page.keyboard.press("Shift+R")
            self.page.wait_for_selector("text=/^Reads/")
            self.page.keyboard.press("Enter")
            self.wait_for_version(version + step)
            self.page.wait_for_function(
                "before => !document.body.innerText.includes(before)", arg=before
            )
        self.page.locator("nav a:has-text('Draw')").press("Enter")
        self.page.wait_for_selector("text=/^1 of \\d/")
        self.page.locator("nav a:has-text('Frame')").press("Enter")
        self.page.wait_for_selector("text=What is taken in")


if __name__ == "__main__":
    unittest.main()
