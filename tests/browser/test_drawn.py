"""Drawings and marks: every hint of every school and every fault has its drawing with words for who
can't see it; the legend is one tap away; an empty wall shows what to do first."""

import unittest

from playwright.sync_api import expect

from tests.browser.case import BrowserCase
from zirkel.core.schools import SCHOOLS
from zirkel.core.subject.faults import FAULTS

TITLE = "Potting bench, morning light"


class Drawn(BrowserCase):
    def test_every_hint_of_every_school(self):
        number = self.study_id(TITLE)
        for school in SCHOOLS:
            version = self.page.request.get(
                f"{self.server.address}/api/v1/studies/{number}"
            ).json()["version"]
            made = self.page.request.post(
                f"{self.server.address}/api/v1/studies/{number}/changes",
                data={"version": version, "change": {"type": "set_method", "method": school}},
            )
            self.assertTrue(made.ok, school)
            self.open(f"/studies/{number}/draw?view=School", "text=What goes wrong")
            hints = self.page.locator("aside li:has(svg)")
            self.assertGreater(hints.count(), 3, school)
            for each in hints.all():
                said = each.get_by_role("img").get_attribute("aria-label")
                self.assertRegex(said, r"^[A-Z].{8,}", school)
                self.assertGreater(each.locator("svg path, svg circle, svg rect").count(), 0)

    def test_every_fault_of_the_hand_by_its_size(self):
        number = self.study_id("Boathouse across the water")
        self.open(f"/studies/{number}/subject", "text=A human hand")
        faults = self.page.locator("section:has-text('A human hand') li")
        self.assertEqual(faults.count(), len(FAULTS))
        for each in faults.all():
            expect(each.get_by_role("img")).to_have_count(1)
        arm = "section:has-text('A human hand') li:has-text('elbow') svg path"
        before = self.page.locator(arm).last.get_attribute("d")
        self.page.get_by_label("The elbow bends", exact=False).first.click()
        size = self.page.get_by_label("The elbow bends as the take goes on, how much")
        size.fill("60")
        size.press("Enter")
        self.page.wait_for_function(
            "([arm, was]) => [...document.querySelectorAll(arm)].at(-1).getAttribute('d') !== was",
            arg=["section ul li:nth-child(2) svg path", before],
        )


class EmptyWall(BrowserCase):
    demo = False
    own_server = True
    own_window = True

    def test_the_first_three_steps_are_drawn_and_stay_until_something_hangs(self):
        self.page.add_init_script('localStorage.setItem("first visit", "seen")')
        self.open("/", "text=Nothing hangs here yet")
        steps = self.page.get_by_role("region", name="What to do first")
        expect(steps.get_by_role("img")).to_have_count(3)
        expect(steps.get_by_role("button")).to_have_count(1)
        steps.get_by_role("link", name="Sight a scene").click()
        self.page.wait_for_url("**/scenes")


if __name__ == "__main__":
    unittest.main()
