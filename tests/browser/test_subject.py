"""Before a simulated subject and a picture: the stick by mouse and by keys, the station,
revealing."""

import re
import unittest

from playwright.sync_api import expect

from tests.browser.case import BrowserCase
from tests.pictures.images import drawing, saved

TITLE = "Potting bench, morning light"


class SubjectCase(BrowserCase):
    def middle(self, selector):
        box = self.page.locator(selector).first.bounding_box()
        return box["x"] + box["width"] / 2, box["y"] + box["height"] / 2

    def drag(self, start, to):
        self.page.mouse.move(*start)
        self.page.mouse.down()
        self.page.mouse.move((start[0] + to[0]) / 2, (start[1] + to[1]) / 2)
        self.page.mouse.move(*to)
        self.page.mouse.up()

    def dot(self, landmark):
        return self.middle(f"circle[data-dot='{landmark}']")


class Looks(SubjectCase):
    def shown(self):
        """Addresses of what is shown of the subject, the fine one last."""
        return self.page.eval_on_selector_all(
            "image[data-fine]", "all => all.map(each => each.getAttribute('href'))"
        )

    def test_one_key_goes_on_to_lines_and_to_half_shut_eyes_and_is_remembered(self):
        self.number = self.study_id(TITLE)
        self.open(f"/studies/{self.number}", "text=Take up the stick")
        first, fine = self.shown()
        self.assertIn("/seen.webp?", fine)
        self.assertEqual(first, f"{fine}&wide=300")
        self.page.click("button:has-text('As seen')")
        expect(self.page.locator("button:has-text('In lines')")).to_be_visible()
        (lines,) = self.shown()
        self.assertIn("/picture.svg?", lines)
        self.page.click("button:has-text('In lines')")
        self.assertTrue(self.shown()[-1].endswith("&squint=true"))
        version = self.version()
        self.open(f"/studies/{self.number}/tone", "text=Flat tones")
        expect(self.page.locator("button:has-text('Squinting')")).to_be_visible()
        self.page.click("button:has-text('Squinting')")
        expect(self.page.locator("button:has-text('As seen')")).to_be_visible()
        self.assertEqual(self.version(), version)

    def test_the_light_is_moved_and_the_tones_read_off_follow(self):
        self.number = self.study_id(TITLE)
        address = f"/api/v1/studies/{self.number}/tones/read"
        before = self.page.request.get(f"{self.server.address}{address}")
        self.open(f"/studies/{self.number}/subject", "text=What the eye sees")
        version = self.version()
        self.page.select_option("label:has-text('Light') select", label="Lamp, low on the right")
        self.wait_for_version(version + 1)
        expect(self.page.locator("img[src*='light=low_right']")).to_be_visible()
        after = self.page.request.get(f"{self.server.address}{address}")
        self.assertNotEqual(before.json()["steps"], after.json()["steps"])
        self.page.get_by_role("button", name="Undo").click()
        self.wait_for_version(version + 2)


class Stick(SubjectCase):
    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        self.open(f"/studies/{self.number}", "text=Take up the stick")

    def test_laid_set_carried_stepped_off_and_kept_with_the_mouse(self):
        version = self.version()
        self.page.click("text=Take up the stick")
        self.assertIn("Can, rim left", self.page.get_attribute("[data-end=tip]", "aria-label"))
        self.page.click("text=Set the thumb to 1 can")
        self.page.click("button:has-text('Across')")
        self.drag(self.middle("[data-end=end] circle"), self.dot("pot2_r"))
        self.page.wait_for_selector("[data-end=end][data-on=pot2_r]")
        self.page.click("button:has-text('Step')")
        self.page.click("button:has-text('Step')")
        self.page.click("button:has-text('Read it')")
        self.page.wait_for_selector("text=/Reads Can, rim left to Middle pot, rim right/")
        # The truth: 621 mm of pots and can over a unit of 300 mm, in a scene 2.6 m away.
        said = self.page.inner_text("[aria-label='The reading so far']")
        self.assertRegex(said.replace("\n", " "), r"2.* cans")
        self.page.keyboard.press("Enter")
        self.wait_for_version(version + 1)
        self.page.click("text=Readings")
        last = self.page.locator("[data-reading]").first
        self.assertIn("Middle pot, rim right", last.inner_text())
        self.assertIn(last.get_attribute("data-state"), ("fits", "unchecked"))
        self.page.click("text=Undo")
        self.wait_for_version(version + 2)

    def test_the_whole_stick_is_carried_by_its_body(self):
        self.page.click("text=Take up the stick")
        before = self.middle("[data-end=tip] circle")
        rod = self.page.locator("[data-stick] rect").last.bounding_box()
        start = (rod["x"] + rod["width"] / 2, rod["y"] + rod["height"] / 2)
        self.drag(start, (start[0] + 61, start[1] + 37))
        for _ in range(60):
            # A move is drawn with the next frame, which may take its time.
            after = self.middle("[data-end=tip] circle")
            if abs(after[0] - before[0] - 61) < 8 and abs(after[1] - before[1] - 37) < 8:
                break
            self.page.wait_for_timeout(50)
        self.assertAlmostEqual(after[0] - before[0], 61, delta=8)
        self.assertAlmostEqual(after[1] - before[1], 37, delta=8)

    def test_by_keyboard_alone(self):
        version = self.version()
        self.page.keyboard.press("Shift+T")
        self.page.wait_for_selector("text=Set the thumb to 1 can")
        self.page.keyboard.press("Shift+U")
        self.page.keyboard.press("Escape")
        letters = {
            name: self.page.evaluate(
                """async ([study, id]) => (await (await fetch(`/api/v1/studies/${study}`)).json())
                .landmarks.find((each) => each.id === id).letters""", [self.number, name])
            for name in ("pot1_l", "pot3_r")
        }  # fmt: skip
        for landmark, name in letters.items():
            self.page.keyboard.type(name)
            if not self.page.locator(f"[data-on={landmark}]").count():
                self.page.keyboard.press("Space")
        self.page.wait_for_selector("[data-end=tip][data-on=pot1_l]")
        self.page.wait_for_selector("[data-end=end][data-on=pot3_r]")
        self.page.keyboard.press("Shift+R")
        self.page.wait_for_selector("text=/Reads Top pot, rim left to Bottom pot, rim right/")
        self.page.keyboard.press("Enter")
        self.wait_for_version(version + 1)
        self.page.keyboard.press("Control+z")
        self.wait_for_version(version + 2)

    def test_without_the_thumb_set_it_asks_for_it(self):
        self.page.click("text=Take up the stick")
        self.page.click("button:has-text('Read it')")
        self.page.wait_for_selector("text=/Set the thumb to the unit first/")
        self.page.click("text=Put away")
        self.page.wait_for_selector("text=Take up the stick")

    def test_the_truth_is_revealed_and_hidden_again(self):
        self.open(f"/studies/{self.study_id('Wooden mask on a peg')}", "text=Reveal the truth")
        self.page.keyboard.press("Shift+V")
        self.page.wait_for_selector("text=/The truth lay inside \\d+ of \\d+ areas/")
        said = self.page.inner_text("text=/The truth lay inside/")
        inside, judged = map(int, re.search(r"inside (\d+) of (\d+)", said).groups())
        self.assertEqual(judged, 15)
        self.assertGreater(inside, judged / 2)
        self.assertEqual(self.page.locator("[data-truth]").count(), 17)
        self.page.keyboard.press("Shift+V")
        self.page.wait_for_selector("[data-truth]", state="detached")


class Station(SubjectCase):
    def setUp(self):
        super().setUp()
        self.open("/scenes", "text=Bottle, box and cone")
        self.page.click("button:has-text('Bottle, box and cone')")
        self.page.wait_for_selector("text=Take up the stick")
        self.page.click("nav >> text=Subject")
        self.page.wait_for_selector("text=From above")

    def test_dragged_near_it_warns_and_standing_there_is_kept(self):
        version = self.version()
        eye = self.middle("[aria-label='The eye, from above'] circle")
        self.drag(eye, (eye[0] + 12, eye[1] - 90))
        self.page.wait_for_selector("text=/Far too near/")
        self.page.click("text=Stand here")
        self.wait_for_version(version + 1)
        self.page.click("text=Undo")
        self.wait_for_version(version + 2)
        self.page.wait_for_selector("text=/A good place to stand/")

    def test_moved_by_keys(self):
        before = self.page.get_attribute("[aria-label='The eye, from the side']", "aria-valuetext")
        self.page.focus("[aria-label='The eye, from the side']")
        self.page.keyboard.press("Shift+ArrowUp")
        self.page.wait_for_selector("text=Stand here")
        after = self.page.get_attribute("[aria-label='The eye, from the side']", "aria-valuetext")
        self.assertEqual((before, after), ("0.47 m high", "0.57 m high"))
        self.page.click("text=Back to where I stood")

    def test_a_fault_turned_on_is_named_on_the_bench(self):
        self.page.click("[aria-label='Two eyes are open']")
        self.page.wait_for_selector("[aria-label='Two eyes are open'][aria-checked=true]")
        self.page.click("nav >> text=Bench")
        self.page.wait_for_selector("text=A human hand: Two eyes are open.")

    def test_the_real_reach_is_worked_back(self):
        self.page.click("summary")
        for label, value in (("Its true size", 2000), ("It covered on the stick", 320),
                             ("Then I stepped back", 1000), ("and it covered", 256)):  # fmt: skip
            self.page.fill(f"label:has-text('{label}') input", str(value))
        self.page.click("text=Work it back")
        self.page.wait_for_selector("text=Your reach is 640 mm, give or take 10 mm.")


class Picture(SubjectCase):
    def setUp(self):
        super().setUp()
        self.open("/scenes", "text=Sight a scene")

    def upload(self, name, data):
        self.page.set_input_files(
            "input[aria-label=Picture]", {"name": name, "mimeType": "image/png", "buffer": data}
        )

    def test_laid_under_the_stick_and_a_landmark_set_on_it(self):
        self.upload("print.png", saved(drawing(), "PNG"))
        self.page.wait_for_selector("text=How it is looked at")
        self.page.fill("[aria-label='Name of a new landmark']", "White corner")
        box = self.page.locator("[role=application]").bounding_box()
        at = (box["x"] + box["width"] * 0.25, box["y"] + box["height"] * 0.25)
        self.page.mouse.move(at[0] - 3, at[1])
        self.page.mouse.move(*at)
        self.page.mouse.down()
        self.page.mouse.up()
        self.page.wait_for_selector("[data-landmark=white_corner]")
        rough = self.page.evaluate(
            """async () => (await (await fetch(location.pathname.replace('/studies',
            '/api/v1/studies').replace('/subject', ''))).json()).landmarks[0].rough""")  # fmt: skip
        self.assertAlmostEqual(rough[0], 100, delta=1.0)
        self.assertAlmostEqual(rough[1], 75, delta=1.0)
        self.page.focus("[role=application]")
        self.page.fill("[aria-label='Name of a new landmark']", "By keys")
        self.page.focus("[role=application]")
        self.page.keyboard.press("Shift+ArrowRight")
        self.page.keyboard.press("Enter")
        self.page.wait_for_selector("[data-landmark=by_keys]")

    def test_on_a_turned_picture_dots_lie_where_the_server_has_them(self):
        """The page turns places for pointing, the server for computing: both must agree."""
        self.upload("print.png", saved(drawing(), "PNG"))
        self.page.wait_for_selector("text=How it is looked at")
        box = self.page.locator("[role=application]").bounding_box()
        for name, x, y in (("One", 0.25, 0.25), ("Two", 0.7, 0.4), ("Three", 0.5, 0.9)):
            self.page.fill("[aria-label='Name of a new landmark']", name)
            self.page.mouse.click(box["x"] + x * box["width"], box["y"] + y * box["height"])
            self.page.wait_for_selector(f"[data-landmark={name.lower()}]")
        version = self.version()
        self.page.click("text=Turn to true")
        for x, y in ((0.2, 0.5), (0.8, 0.58)):
            self.page.mouse.click(box["x"] + x * box["width"], box["y"] + y * box["height"])
        self.wait_for_version(version + 1)
        self.page.wait_for_timeout(400)
        bench = self.page.evaluate(
            """async () => (await fetch(location.pathname.replace('/studies',
            '/api/v1/studies').replace('/subject', ''))).json()""")  # fmt: skip
        self.assertGreater(abs(bench["subject"]["picture"]["turn_deg"]), 3.0)
        box = self.page.locator("[role=application]").bounding_box()
        subject = bench["subject"]
        for mark in bench["landmarks"]:
            x, y = self.middle(f"[data-landmark={mark['id']}] circle")
            shown = (x - box["x"]) / box["width"], (y - box["y"]) / box["height"]
            told = (
                (mark["seen_left_mm"] - subject["left_mm"]) / subject["width_mm"],
                (mark["seen_top_mm"] - subject["top_mm"]) / subject["height_mm"],
            )
            self.assertAlmostEqual(shown[0], told[0], places=3)
            self.assertAlmostEqual(shown[1], told[1], places=3)

    def test_from_a_print_measured_to_marks_as_large_as_on_it(self):
        self.upload("print.png", saved(drawing(), "PNG"))
        self.page.wait_for_selector("text=How it is looked at")
        box = self.page.locator("[role=application]").bounding_box()

        def at(x, y):
            self.page.mouse.click(box["x"] + x * box["width"], box["y"] + y * box["height"])

        spots = {"Top": (0.3, 0.1), "Foot": (0.3, 0.9), "Side": (0.8, 0.5)}
        for name, place in spots.items():
            self.page.fill("[aria-label='Name of a new landmark']", name)
            at(*place)
            self.page.wait_for_selector(f"[data-landmark={name.lower()}]")
        self.page.get_by_text("True size", exact=True).click()
        version = self.version()
        # On the landmarks themselves: a tap on one is a point like any other.
        at(*spots["Top"])
        at(*spots["Foot"])
        self.page.wait_for_timeout(400)
        self.assertEqual(self.version(), version)
        self.page.get_by_label("Between the two points").fill("25 cm")
        self.page.get_by_role("button", name="Keep").click()
        self.wait_for_version(version + 1)
        expect(self.page.locator("main")).to_contain_text("its true size is known")
        study = f"{self.server.address}/api/v1" + self.page.evaluate("location.pathname").replace(
            "/subject", ""
        )
        changes = (
            {"type": "set_unit",
             "unit": {"from": "top", "to": "foot", "along": "plumb", "name": "height"}},
            {"type": "read_picture"},
            {"type": "set_method", "method": "sight_size_flat"},
        )  # fmt: skip
        for k, change in enumerate(changes, version + 1):
            made = self.page.request.post(f"{study}/changes", data={"version": k, "change": change})
            self.assertTrue(made.ok, made.text())
        bench = self.page.request.get(study).json()
        self.assertAlmostEqual(bench["sheet"]["unit_mm"], 250.0, delta=0.5)
        marks = {each["id"]: each for each in bench["landmarks"]}
        down = marks["foot"]["from_top_mm"] - marks["top"]["from_top_mm"]
        self.assertAlmostEqual(down, 250.0, delta=1.0)

    def test_a_bad_file_says_why_and_leaves_everything(self):
        self.upload("cut.png", saved(drawing(), "PNG")[:-300])
        self.page.wait_for_selector("text=/cut short or damaged/")
        self.assertTrue(self.page.url.endswith("/scenes"))


if __name__ == "__main__":
    unittest.main()
