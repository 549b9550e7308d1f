"""Depth on the bench: edges tapped as parallel in reality, eye level and fan on the sheet, the
wrong tilt found and sighted again with the stick; ticks in Draw."""

import unittest

from playwright.sync_api import expect

from tests.browser.case import BrowserCase

TITLE = "Boathouse across the water"
ALONG = (("ridge", "ridge_far"), ("eave_r", "eave_far_r"), ("wall_foot_r", "wall_far_r"))
ACROSS = (("door_head_l", "door_head_r"), ("jetty_l", "jetty_r"), ("slip_l", "slip_r"))


class Depth(BrowserCase):
    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)

    def begin(self, name):
        self.page.click("[data-families] >> text=/Say what is parallel|Another family/")
        self.page.get_by_label("Name of the family").fill(name)
        expect(self.page.locator("[data-families] [role=status]")).to_contain_text("Tap an edge")

    def tap(self, start, end):
        version = self.version()
        for each in (start, end):
            self.page.locator(f"[data-dot={each}]").click(force=True)
        self.wait_for_version(version + 1)

    def without_families(self):
        self.open(f"/studies/{self.number}?side=Depth", "[data-depth]")
        for name in ("along the house", "across the gable"):
            self.page.get_by_label(f"Remove {name}", exact=True).click()
            expect(self.page.get_by_label(f"Remove {name}", exact=True)).to_have_count(0)

    def test_two_families_tapped_show_eye_level_fan_and_the_wrong_tilt(self):
        self.without_families()
        told = self.page.locator("[data-depth]")
        expect(told).to_contain_text("No eye level yet")
        expect(self.page.locator("[data-eye-level]")).to_have_count(0)
        self.begin("along")
        for edge in ALONG:
            self.tap(*edge)
        expect(told).to_contain_text("Your eye level lies")
        expect(self.page.locator("[data-fan=along] path")).to_have_count(3)
        self.page.click("[data-families] >> text=Done")
        self.begin("across")
        for edge in ACROSS:
            self.tap(*edge)
        self.page.click("[data-families] >> text=Done")
        expect(told).to_contain_text("Where your eye was")
        expect(self.page.locator("[data-eye-level]")).to_have_count(1)

    def test_the_wrong_tilt_is_sighted_again_with_the_stick_and_settles(self):
        """The stick lies along the eave as it is seen and reads something else; the old reading is
        struck, and the doubt is gone."""
        self.open(f"/studies/{self.number}", "[data-dot=eave_r]")
        expect(self.page.locator("footer")).to_contain_text("2 in doubt")
        self.page.click("text=Sight again")
        self.page.click("text=Take up the stick")
        self.page.click("text=Read it")
        expect(self.page.locator("[data-stick] [role=status]")).to_contain_text("Enter keeps it")
        version = self.version()
        self.page.keyboard.press("Enter")
        self.wait_for_version(version + 1)
        self.page.get_by_role("button", name="Strike").click()
        self.wait_for_version(version + 2)
        expect(self.page.locator("footer")).to_contain_text("21 proven")

    def test_an_edge_tapped_on_its_line_and_chosen_by_keys(self):
        self.without_families()
        self.begin("gable")
        version = self.version()
        a, b = (self.page.locator(f"[data-dot={each}]").bounding_box() for each in
                ("ridge", "ridge_far"))  # fmt: skip
        self.page.mouse.click((a["x"] + b["x"]) / 2 + 3, (a["y"] + b["y"]) / 2 + 3)
        self.wait_for_version(version + 1)
        said = self.page.locator("[data-families]")
        expect(said.get_by_label("Leave out Ridge, near end to Ridge, far end")).to_have_count(1)
        version = self.version()
        self.page.get_by_label("An edge from").select_option("eave_r")
        self.page.get_by_label("to", exact=True).select_option("eave_far_r")
        self.wait_for_version(version + 1)
        expect(self.page.locator("[data-depth]")).to_contain_text("Your eye level lies")

    def test_a_row_a_circle_and_a_shadow(self):
        self.open(f"/studies/{self.number}?side=Depth", "[data-depth]")
        expect(self.page.locator("[data-steps]")).to_contain_text("Jetty posts, 3 of them")
        expect(self.page.locator("[data-row='Jetty posts'] path")).to_have_count(5)
        self.page.click("[data-circles] >> text=A circle")
        version = self.version()
        for each in ("jetty_l", "jetty_r", "pile"):
            self.page.locator(f"[data-dot={each}]").click(force=True)
        self.page.click("text=Keep the circle")
        self.wait_for_version(version + 1)
        expect(self.page.locator("[data-ellipse] circle")).to_have_count(8)
        self.page.click("[data-shadows] >> text=A cast shadow")
        self.page.get_by_label("Top", exact=True).select_option("door_head_l")
        self.page.get_by_label("Foot, straight under it").select_option("door_head_l")
        self.page.get_by_label("Tip of its shadow").select_option("slip_l")
        self.page.click("text=Keep the shadow")
        expect(self.page.locator("[data-depth] [role=alert]")).to_contain_text("stands twice")

    def test_how_deep_a_book_is_seen(self):
        self.open(f"/studies/{self.number}?side=Depth", "[data-depth-sum]")
        said = self.page.locator("[data-depth-sum] [role=status]")
        expect(said).to_contain_text("of its near edge deep, though you know it to be 2/3")
        self.page.get_by_label("Eye over it, cm").fill("0")
        expect(said).to_contain_text("Seen 0 of")

    def test_ticks_of_both_families_in_draw(self):
        self.open(f"/studies/{self.number}/draw", "[data-receding] [data-family] path")
        expect(self.page.locator("[data-eye-level]")).to_have_count(1)
        ticks = self.page.locator("[data-family='along the house'] path").count()
        self.assertGreater(ticks, 2)


if __name__ == "__main__":
    unittest.main()
