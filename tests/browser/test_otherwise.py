"""The recipe as the artist wants it: another landmark first, by eye, left out, where it fell."""

import json
import re
import unittest
import urllib.request

from playwright.sync_api import expect

from tests.browser.test_subject import SubjectCase

TITLE = "Potting bench, morning light"


class Otherwise(SubjectCase):
    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        # The third landmark of the recipe: two ticks' pairs, the box, then the first two.
        self.open(f"/studies/{self.number}/draw?at=7", "text=Placed: next")
        self.page.get_by_role("button", name="Otherwise").click()

    def room(self):
        with urllib.request.urlopen(
            f"{self.server.address}/api/v1/studies/{self.number}/recipe"
        ) as answer:
            return json.load(answer)

    def done(self, does):
        version = self.version()
        does()
        self.wait_for_version(version + 1)
        return self.room()

    def button(self, name):
        return self.page.get_by_role("button", name=name, exact=True)

    def test_by_eye_left_out_and_put_back(self):
        third = self.room()["placings"][2]["name"]
        room = self.done(self.button("Place it by eye").click)
        self.assertEqual((room["placings"][2]["name"], room["placings"][2]["own"]), (third, "eye"))
        self.page.wait_for_selector("text=By eye, where it looks right")
        self.done(self.button("As the recipe has it").click)
        room = self.done(self.button("Leave it out").click)
        self.assertNotIn(third, [each["name"] for each in room["placings"]])
        self.page.wait_for_selector(f"text=Left out: {third}.")
        room = self.done(self.button("Put it back").click)
        self.assertEqual(room["placings"][2]["name"], third)

    def test_from_where_it_fell_the_rest_is_reckoned(self):
        plan = self.room()["placings"][2]
        left = round(plan["plan_left_mm"] + 7)
        self.page.get_by_label("from the left").fill(str(left))
        self.page.get_by_label("from the top").fill(str(round(plan["plan_top_mm"])))
        room = self.done(self.button("Keep").click)
        self.page.wait_for_selector("text=It stands where it fell")
        self.page.wait_for_selector("text=/It fell [67].* mm too far right/")
        placed = room["placings"][2]
        self.assertEqual(placed["left_mm"], left)
        others = [each for each in room["placings"] if each["landmark"] != plan["landmark"]]
        for each in others:
            off = abs(each["left_mm"] - each["plan_left_mm"])
            self.assertLess(off, max(10.0, each["error_mm"]), each["name"])
        self.page.get_by_label("from the left").fill("9000")
        self.page.get_by_label("from the top").fill("3")
        self.button("Keep").click()
        self.page.wait_for_selector("text=9000 mm is not on the sheet")
        self.assertEqual(self.page.get_by_label("from the left").input_value(), "9000")
        self.done(self.button("As the recipe has it").click)

    def test_another_is_pulled_first(self):
        before = [each["name"] for each in self.room()["placings"]]
        pulled = before[4]
        self.page.get_by_label("Place another first").click()
        room = self.done(self.page.get_by_title(pulled, exact=True).click)
        names = [each["name"] for each in room["placings"]]
        self.assertEqual(names[:3], [*before[:2], pulled])
        self.page.wait_for_selector(f"h2:has-text('{pulled}')")
        room = self.done(self.button("The recipe's own order").click)
        self.assertEqual([each["name"] for each in room["placings"]], before)


class Beside(SubjectCase):
    def test_schools_stand_side_by_side_and_one_is_looked_at(self):
        number = self.study_id(TITLE)
        self.open(f"/studies/{number}/draw?view=School", "text=What goes wrong")
        self.page.get_by_role("button", name="All schools side by side").click()
        rows = self.page.locator("[aria-label=Schools] li")
        expect(rows).to_have_count(8)
        expect(rows.first).to_contain_text("yours")
        moves = {
            row.locator("b").inner_text(): int(re.search(r"(\d+) moves", row.inner_text())[1])
            for row in rows.all()
        }
        # Squares place each landmark by one look.
        self.assertEqual(min(moves, key=moves.get), "Centre cross and grid")
        rows.filter(has_text="Picture plane").get_by_role("button").click()
        self.page.wait_for_selector("text=Only looked at")
        expect(rows).to_have_count(0)


if __name__ == "__main__":
    unittest.main()
