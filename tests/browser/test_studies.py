"""Making a study and sighting it, by mouse, by keyboard alone and by touch alone."""

import io
import json
import math
import tempfile
import unittest
from pathlib import Path

from PIL import Image

from tests.browser.case import BrowserCase
from tests.files import SMALL

BOATHOUSE = (
    ("Gable", 220, 200),
    ("Eave left", 130, 380),
    ("Eave right", 330, 390),
    ("Foot left", 140, 560),
    ("Door", 240, 560),
)

TEN_READINGS = (
    ("g f", "u", "2 3/4"),
    ("g f", "p", "1/2"),
    ("g e", "u", "1 3/8"),
    ("g e", "a", "3/4"),
    ("g r", "l", "1 1/2"),
    ("g r", "a", "3/4"),
    ("e f", "t", "12:00"),
    ("f d", "l", "0"),
    ("f d", "a", "1/2"),
    ("e r", "s", "1.5"),
)


class MakingAStudy(BrowserCase):
    demo = False
    killed = True

    def test_from_nothing_to_ten_readings_and_a_killed_server(self):
        self.open("/", "text=New study")
        self.page.click("text=New study >> visible=true")
        self._set_up()
        self.page.wait_for_selector("[data-version='1'] [data-landmark=gable]")
        before = self.mark("eave_left")
        for i, (landmarks, kind, value) in enumerate(TEN_READINGS):
            self._take(landmarks, kind, value)
            self.wait_for_version(i + 2)
        after = self.mark("eave_left")
        self.assertGreater(math.dist(before, after), 1.0)
        self.page.wait_for_selector("text=5 of 5 held")
        self.server.kill()
        self.server.start()
        self.page.reload()
        self.wait_for_version(11)
        self.assertEqual(self.mark("eave_left"), after)
        self.page.keyboard.press("Control+z")
        self.wait_for_version(12)
        self.page.keyboard.press("Control+Shift+z")
        self.wait_for_version(13)
        self.assertEqual(self.mark("eave_left"), after)

    def _set_up(self):
        page = self.page
        page.get_by_label("What are you drawing?").fill("Boathouse at noon")
        page.click("text=A4")
        page.click("text=Next: landmarks")
        for name, x, y in BOATHOUSE:
            page.mouse.click(x, y)
            page.get_by_label("What is it called?").fill(name)
            page.keyboard.press("Enter")
            page.wait_for_selector(f"li >> text={name}")
        page.click("text=Next: shapes")
        for _, x, y in BOATHOUSE[:4]:
            page.mouse.click(x, y)
        page.get_by_label("Name of the shape").fill("Boathouse")
        page.click("text=Close it")
        page.click("text=Next: unit")
        page.mouse.click(*BOATHOUSE[1][1:])
        page.mouse.click(*BOATHOUSE[3][1:])
        page.get_by_label("Call it").fill("wall")
        page.click("text=Begin sighting")

    def _take(self, landmarks, kind, value):
        self.page.keyboard.type(landmarks.replace(" ", ""))
        self.page.keyboard.press(kind)
        self.page.keyboard.type(value)
        self.page.keyboard.press("Enter")

    def test_a_study_set_up_by_keyboard_alone(self):
        self.open("/new", "text=What are you drawing")
        page = self.page
        page.keyboard.type("Jetty")
        page.keyboard.press("Enter")
        board = page.get_by_role("application")
        for name, arrow in (("Post", "ArrowLeft"), ("Bollard", "ArrowDown")):
            while not board.evaluate("each => each === document.activeElement"):
                page.keyboard.press("Shift+Tab")
            for _ in range(8):
                page.keyboard.press(arrow)
            page.keyboard.press("Enter")
            page.keyboard.type(name)
            page.keyboard.press("Enter")
        page.wait_for_selector("li >> text=Bollard")
        begin = page.get_by_role("button", name="Begin as it is")
        while not begin.evaluate("each => each === document.activeElement"):
            page.keyboard.press("Tab")
        page.keyboard.press("Enter")
        self.wait_for_version(1)
        self.assertEqual(page.locator("[data-landmark]").count(), 2)

    def test_a_photograph_can_be_tapped_on_from_the_start(self):
        picture = io.BytesIO()
        Image.new("RGB", (800, 400), "#cbb").save(picture, "PNG")
        self.open("/new", "text=What are you drawing")
        page = self.page
        with page.expect_file_chooser() as chosen:
            page.click("text=Tap on a photograph or print")
        chosen.value.set_files(
            {"name": "jetty.png", "mimeType": "image/png", "buffer": picture.getvalue()}
        )
        image = page.locator("[role=application] image")
        image.wait_for()
        page.click("text=Next: landmarks")
        box = image.bounding_box()
        for name, x, y in (("Post", 0.25, 0.5), ("Bollard", 0.75, 0.25)):
            page.mouse.click(box["x"] + x * box["width"], box["y"] + y * box["height"])
            page.get_by_label("What is it called?").fill(name)
            page.keyboard.press("Enter")
            page.wait_for_selector(f"li >> text={name}")
        page.click("text=Begin as it is")
        self.wait_for_version(1)
        study = page.url.rsplit("/", 1)[1].split("?")[0]
        told = page.evaluate("id => fetch(`/api/v1/studies/${id}`).then(r => r.json())", study)
        self.assertEqual(told["subject"]["kind"], "picture")
        for landmark, (x, y) in zip(told["landmarks"], ((200, 200), (600, 100)), strict=True):
            self.assertAlmostEqual(landmark["rough"][0], x, delta=3)
            self.assertAlmostEqual(landmark["rough"][1], y, delta=3)

    def test_a_draft_survives_closing_the_page(self):
        self.open("/new", "text=What are you drawing")
        self.page.get_by_label("What are you drawing?").fill("Half a thought")
        self.page.reload()
        self.page.wait_for_selector("input[value='Half a thought']")
        self.page.evaluate("localStorage.clear()")


class AnEmptyWall(BrowserCase):
    demo = False
    own_server = True

    def test_it_says_what_to_do_first(self):
        self.open("/", "text=Nothing hangs here yet")
        self.page.click("text=New study >> nth=0")
        self.page.wait_for_selector("text=What are you drawing")


class Files(BrowserCase):
    own_server = True

    def test_out_and_in_again(self):
        self.open("/", "text=Wooden mask on a peg")
        with self.page.expect_download() as saved:
            self.page.click("[aria-label='More for Wooden mask on a peg']")
            self.page.click("[aria-label='Save as file: Wooden mask on a peg']")
        path = saved.value.path()
        self.assertEqual(json.loads(Path(path).read_text())["title"], "Wooden mask on a peg")
        self.page.set_input_files("[aria-label='Study file']", path)
        self.page.wait_for_selector("text=17 of 17 held")

    def test_a_bad_file_is_told_what_is_wrong(self):
        self.open("/", "text=Wooden mask on a peg")
        bad = json.loads(json.dumps(SMALL))
        bad["sightings"][0]["units"] = "2 1/0"
        bad["sightings"][1]["to"] = 7
        with tempfile.NamedTemporaryFile("w", suffix=".json") as file:
            json.dump(bad, file)
            file.flush()
            self.page.set_input_files("[aria-label='Study file']", file.name)
            alert = self.page.get_by_role("alert")
            alert.wait_for()
        said = alert.inner_text()
        self.assertIn("sightings.0.units", said)
        self.assertIn("divides by zero", said)
        self.assertIn("sightings.1.to", said)

    def test_taken_down_and_hung_up_again(self):
        self.open("/", "text=Wooden mask on a peg")
        self.page.click("[aria-label='More for Wooden mask on a peg'] >> nth=0")
        self.page.click("[aria-label='Take down: Wooden mask on a peg'] >> nth=0")
        self.page.click("text=Hang it up again >> visible=true")
        self.page.wait_for_selector("h2 >> text=Wooden mask on a peg")

    def test_the_whole_shelf_out_and_in_again(self):
        self.open("/", "[data-waits]")
        self.page.click("summary >> text=The whole shelf")
        with self.page.expect_download() as kept:
            self.page.get_by_role("button", name="Save the whole shelf").click()
        self.assertTrue(kept.value.suggested_filename.endswith(".zirkel.zip"))
        self.page.set_input_files("[aria-label='Shelf']", {
            "name": "shelf.zip", "mimeType": "application/zip",
            "buffer": Path(kept.value.path()).read_bytes(),
        })  # fmt: skip
        self.page.get_by_role("status").filter(has_text="New: 0 studies, 0 pictures").wait_for()
        self.page.set_input_files("[aria-label='Shelf']", {
            "name": "odd.zip", "mimeType": "application/zip", "buffer": b"PK no shelf",
        })  # fmt: skip
        self.page.get_by_role("alert").filter(has_text="no archive of a shelf").wait_for()


if __name__ == "__main__":
    unittest.main()
