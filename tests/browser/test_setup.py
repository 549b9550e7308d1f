"""At the bench, beside the pad: set-up, relations, trust, every kind on the pad, a lost server."""

import re
import unittest

from tests.browser.case import BrowserCase

TITLE = "Wooden mask on a peg"

KINDS = (
    # letters of the landmarks, key of the kind, value, what the list says of it
    ("bh ch", "u", "1", "1 mask down"),
    ("lt rt", "a", "3/4", "3/4 mask right"),
    ("lt ch", "s", "0.9", "straight"),
    ("lt ch", "t", "5:00", "tilt 5:00"),
    ("bh ch", "p", "0", "on the plumb from"),
    ("lt rt", "l", "0", "level with"),
    ("bh ch nt", "d", "2/3", "2/3 of the way"),
    ("lt rt lc rc", "m", "", "equals"),
    ("bh nt ch", "r", "", "carried on, hits"),
    ("lt lc rt rc", "e", "", "leans like"),
    ("ch bh", "o", "", "is lower than"),
    ("rt lt", "i", "", "is further right than"),
)


class SetUp(BrowserCase):
    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        self.open(f"/studies/{self.number}?side=Set-up", "text=Trust in your readings")

    def back_to(self, version, now):
        for i in range(now - version):
            self.page.keyboard.press("Control+z")
            self.wait_for_version(now + 1 + i)

    def leave_fields(self):
        self.page.evaluate("document.activeElement.blur()")

    def test_landmarks_are_added_renamed_and_removed(self):
        page, version = self.page, self.version()
        page.get_by_label("New landmark").fill("Left ear")
        page.get_by_label("New landmark").press("Enter")
        self.wait_for_version(version + 1)
        field = page.get_by_label("Name of Left ear")
        field.fill("Left ear, lobe")
        field.press("Enter")
        self.wait_for_version(version + 2)
        page.get_by_label("Remove Left ear, lobe").click()
        self.wait_for_version(version + 3)
        self.assertEqual(page.locator("[data-landmark=left_ear]").count(), 0)
        self.leave_fields()
        self.back_to(version, version + 3)

    def test_a_used_landmark_asks_before_it_takes_its_readings_along(self):
        page, version = self.page, self.version()
        page.get_by_label("Remove Peg").click()
        page.wait_for_selector("text=readings use Peg")
        page.click("text=Remove with them")
        self.wait_for_version(version + 1)
        self.assertEqual(page.locator("[data-landmark=peg]").count(), 0)
        self.leave_fields()
        self.back_to(version, version + 1)
        self.assertEqual(page.locator("[data-landmark=peg]").count(), 1)

    def test_an_end_of_the_unit_is_not_removed(self):
        page, version = self.page, self.version()
        page.get_by_label("Remove Chin").click()
        page.click("text=Remove with them")
        page.get_by_role("alert").get_by_text("choose another unit first").wait_for()
        self.assertEqual(self.version(), version)

    def test_a_shape_is_joined(self):
        page, version = self.page, self.version()
        for name in ("Left temple", "Right temple", "Chin"):
            page.get_by_label("Join the next landmark").select_option(label=name)
        page.get_by_label("Name of the shape").fill("Triangle")
        page.click("text=Close it")
        self.wait_for_version(version + 1)
        page.get_by_label("Remove shape Triangle").click()
        self.wait_for_version(version + 2)
        self.leave_fields()
        self.back_to(version, version + 2)

    def test_sheet_unit_and_title(self):
        page, version = self.page, self.version()
        page.get_by_role("button", name="A3", exact=True).click()
        self.wait_for_version(version + 1)
        page.wait_for_selector("text=297 × 420 mm")
        page.click("text=Count in another unit")
        page.get_by_label("Unit from").select_option(label="Left temple")
        page.get_by_label("Unit to").select_option(label="Right temple")
        page.get_by_label("Unit along").select_option(label="level")
        page.get_by_label("Name of the unit").fill("width")
        page.click("text=Count in it")
        self.wait_for_version(version + 2)
        page.wait_for_selector("text=width =")
        field = page.get_by_label("Title", exact=True)
        field.fill("Mask at dusk")
        field.press("Enter")
        self.wait_for_version(version + 3)
        page.wait_for_selector("h1 >> text=Mask at dusk")
        self.leave_fields()
        self.back_to(version, version + 3)

    def test_trust_is_set_by_hand(self):
        page, version = self.page, self.version()
        field = page.get_by_label("Factor on the usual error of tilts")
        field.fill("1.5")
        field.press("Enter")
        self.wait_for_version(version + 1)
        page.wait_for_selector("b >> text=±3.0°")
        self.leave_fields()
        self.back_to(version, version + 1)


class Prompter(BrowserCase):
    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        self.open(f"/studies/{self.number}", "text=Simple here")

    def test_relations_are_stepped_through_adopted_and_left_out(self):
        page, version = self.page, self.version()
        section = page.get_by_role("region", name="Simple here")
        first = section.locator("p").inner_text()
        page.keyboard.press("Shift+S")
        second = section.locator("p").inner_text()
        self.assertNotEqual(first, second)
        page.keyboard.press("Shift+D")
        self.wait_for_version(version + 1)
        page.click("text=Marks")
        page.wait_for_selector("text=Drawn by")
        page.get_by_role("button", name="Leave out").click()
        self.wait_for_version(version + 2)
        self.assertEqual(page.locator("text=Drawn by").count(), 0)

    def test_lines_for_the_whole_drawing_come_after_the_relations(self):
        section = self.page.get_by_role("region", name="Simple here")
        for _ in range(25):
            self.page.keyboard.press("Shift+S")
            if "Left cheek, Right cheek" in section.inner_text():
                break
        self.assertIn("Level line through Left cheek, Right cheek", section.inner_text())
        self.page.wait_for_selector("svg [class*=shownRelation] path", state="attached")

    def test_unchecked_readings_are_shown_and_one_would_check_most(self):
        page = self.page
        section = page.get_by_role("region", name="Not checked by anything")
        section.get_by_text("Show them").click()
        page.wait_for_selector("[data-reading]")
        states = page.locator("[data-reading]").evaluate_all(
            "all => all.map(each => each.dataset.state)"
        )
        self.assertEqual(set(states), {"unchecked"})
        page.get_by_text(re.compile(r"^All \d+$")).click()
        self.assertGreater(page.locator("[data-reading]").count(), len(states))

    def test_pointing_at_a_suggestion_draws_its_gain(self):
        page = self.page
        self.assertEqual(page.locator("circle[data-after]").count(), 0)
        self.go_on()
        page.get_by_role("button", name="Take it").wait_for()
        page.mouse.move(5, 5)
        page.get_by_role("region", name="Sight next").hover()
        page.wait_for_selector("circle[data-after]", state="attached")
        rings = page.locator("g:has(> circle[data-after]) > circle").evaluate_all(
            "all => all.map(each => Number(each.getAttribute('r')))"
        )
        self.assertLess(rings[1], rings[0])

    def test_every_kind_is_taken_on_the_pad(self):
        page = self.page
        page.click("text=Readings")
        page.wait_for_selector("[data-reading]")
        letters = self.letters()
        for landmarks, key, value, said in KINDS:
            version = self.version()
            names = [letters[each] for each in landmarks.split()]
            page.keyboard.press("Escape")
            for name in names[:2]:
                page.keyboard.type(name)
                page.keyboard.press("Space")
            page.keyboard.press(key)
            for name in names[2:]:
                page.keyboard.type(name)
                page.keyboard.press("Space")
            page.keyboard.type(value)
            page.keyboard.press("Enter")
            with self.subTest(key=key):
                self.wait_for_version(version + 1)
                newest = page.locator("[data-reading] button span").first.inner_text()
                self.assertIn(said, " ".join(newest.replace("⁄", "/").split()))

    def letters(self):
        """The letters that Zirkel gives to the landmarks that the kinds are tried on."""
        told = self.page.evaluate(
            "id => fetch(`/api/v1/studies/${id}`).then(each => each.json())", self.number
        )
        short = {
            "bh": "brow_top", "ch": "chin", "lt": "temple_l", "rt": "temple_r",
            "lc": "cheek_l", "rc": "cheek_r", "nt": "nose_tip",
        }  # fmt: skip
        by_id = {each["id"]: each["letters"] for each in told["landmarks"]}
        return {mine: by_id[name] for mine, name in short.items()}


class ALostServer(BrowserCase):
    killed = True

    def test_an_entry_waits_for_the_server_to_come_back(self):
        page = self.page
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Simple here")
        version = self.version()
        self.take_it()
        page.keyboard.type("1/4")
        self.server.kill()
        page.keyboard.press("Enter")
        page.wait_for_selector("[role=status] >> text=does not answer")
        page.wait_for_selector("[data-unsent=waits]")
        # Taken back, the last change would be another's: that doesn't wait.
        page.keyboard.press("Control+z")
        page.wait_for_selector("[role=status] >> text=try again in a moment")
        self.server.start()
        self.wait_for_version(version + 1)
        page.wait_for_selector("[data-unsent]", state="detached")


if __name__ == "__main__":
    unittest.main()
