"""A first visit: from an empty wall over the mask to a printed recipe, with the stick on screen.

What the stick reads is what is kept, whatever its tilt and the size the drawing has by then."""

import math
import unittest
from typing import ClassVar

from playwright.sync_api import expect

from tests.browser.case import BrowserCase

MOST_READINGS = 40
"""At seven seconds each they leave a visitor of five minutes time to look at the sheet."""
TILT_STEP, COUNT_STEP, ROUNDED = 1.25, 1 / 32, 1.5
"""Half of what a stick is read to, and how much more a count is rounded where it is large."""


class FirstVisit(BrowserCase):
    demo = False
    own_server = True

    def press(self, button):
        button.tap() if self.touch else button.click()

    def asked(self):
        """Where it stands what is to be sighted."""
        return self.page.get_by_role("region", name="Sight next").locator("p").first

    def steps(self):
        return self.page.get_by_role("region", name="First steps")

    def test_the_mask_is_walked_to_a_printed_recipe(self):
        self.open("/", "text=Nothing hangs here yet")
        self.press(self.page.get_by_role("button", name="Begin with the mask"))
        self.page.wait_for_selector("text=Sight next")
        expect(self.steps()).to_contain_text("Take up the stick")
        self.press(self.page.get_by_role("button", name="Take up the stick"))
        expect(self.steps()).to_contain_text("Set the thumb")
        self.press(self.page.get_by_role("button", name="Set the thumb to 1 mask"))
        expect(self.steps()).to_contain_text("three taps a reading")
        draw = self.steps().get_by_role("link", name="Draw by them")
        readings = 0
        while not draw.count():
            self.one_reading()
            readings += 1
            self.assertLess(readings, MOST_READINGS)
        self.readings = readings
        study = self.told()
        self.assert_read_as_seen(study)
        self.assertEqual(study["doubts"], [])
        self.press(draw)
        self.page.wait_for_selector("text=Ticked: next")
        with self.page.expect_download() as printed:
            self.press(self.steps().get_by_role("link", name="Print the recipe"))
        self.assertTrue(printed.value.path().read_bytes().startswith(b"%PDF"))
        expect(self.steps()).to_have_count(0)

    def one_reading(self):
        version = int(self.page.locator("[data-version]").get_attribute("data-version"))
        asked = self.asked()
        before = asked.inner_text()
        self.press(self.page.get_by_role("button", name="Take it"))
        self.press(self.page.get_by_role("button", name="Read it"))
        self.page.wait_for_selector("[data-stick] >> text=Enter keeps it")
        self.press(self.page.get_by_role("button", name="Keep", exact=False).last)
        self.wait_for_version(version + 1)
        expect(asked).not_to_have_text(before)

    def told(self):
        study = self.page.url.rsplit("/", 1)[1].split("?")[0]
        return self.page.evaluate("id => fetch(`/api/v1/studies/${id}`).then(r => r.json())", study)

    def assert_read_as_seen(self, study):
        """Every reading says what the subject shows, to within what a stick is read to."""
        seen = {each["id"]: (each["seen_left_mm"], each["seen_top_mm"])
                for each in study["landmarks"]}  # fmt: skip
        unit = study["unit"]
        whole = abs(seen[unit["end"]][1] - seen[unit["start"]][1])
        for each in study["readings"]:
            entry = each["entry"]
            (ax, ay), (bx, by) = seen[entry["from"]], seen[entry["to"]]
            across, down = (bx - ax) / whole, (by - ay) / whole
            if entry["kind"] == "tilt":
                off = (entry["degrees"] - math.degrees(math.atan2(across, -down)) + 90) % 180 - 90
                self.assertLess(abs(off), TILT_STEP + 0.1, entry)
                continue
            true = {"drop": across, "level": down}.get(entry["kind"])
            if true is None:
                true = {"plumb": abs(down), "level": abs(across),
                        "straight": math.hypot(across, down)}[entry["along"]]  # fmt: skip
            counted = entry.get("units", entry.get("offset", 0.0))
            self.assertLess(abs(counted - true), 2 * COUNT_STEP + 0.03 * abs(true), entry)


class OnAPhone(FirstVisit):
    """By touch, upright: what is asked and what has been reached stand with the stick."""

    viewport: ClassVar = {"width": 390, "height": 844}
    touch = True

    def asked(self):
        return self.page.locator("[data-stick] p span").first

    def steps(self):
        return self.page.locator("section[aria-label='First steps']")


class OnAPhoneLyingDown(FirstVisit):
    """By touch, with what is asked and the pad beside the pictures."""

    viewport: ClassVar = {"width": 844, "height": 390}
    touch = True


if __name__ == "__main__":
    unittest.main()
