"""Edges said to be parallel in reality on the bench; eye level and ticks on the sheet in Draw."""

import unittest

from playwright.sync_api import expect

from tests.browser.case import BrowserCase

TITLE = "Boathouse across the water"


class Families(BrowserCase):
    def setUp(self):
        super().setUp()
        self.id = self.study_id(TITLE)

    def add(self, start, end):
        version = self.version()
        self.page.get_by_label("An edge from").select_option(start)
        self.page.locator("[data-families] select[aria-label=to]").select_option(end)
        self.wait_for_version(version + 1)

    def test_two_edges_give_an_eye_level_and_ticks_to_draw_by(self):
        self.open(f"/studies/{self.id}?side=Set-up", "text=Parallel in reality")
        self.page.get_by_label("Name of the family").fill("side")
        self.add("ridge", "ridge_far")
        told = self.page.locator("[data-families]")
        expect(told).to_contain_text("give it a second edge")
        self.add("eave_r", "eave_far_r")
        expect(told).to_contain_text("Your eye level lies")
        expect(told).to_contain_text("They meet")
        self.add("wall_foot_r", "wall_far_r")
        expect(told.locator("li small")).to_contain_text("Side wall, far foot")
        self.page.click("nav >> text=Draw")
        self.page.wait_for_selector("[data-family=side] path")
        expect(self.page.locator("[data-receding] >> text=eye level")).to_have_count(1)
        self.assertGreater(self.page.locator("[data-family=side] path").count(), 2)
        self.page.go_back()
        self.page.wait_for_selector("text=Parallel in reality")
        self.page.get_by_label("Remove side", exact=True).click()
        expect(self.page.locator("[data-families] li")).to_have_count(0)
        self.page.click("header >> text=Undo")
        expect(self.page.locator("[data-families] li")).to_have_count(1)


if __name__ == "__main__":
    unittest.main()
