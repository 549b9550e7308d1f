"""Framing by dragging, choosing a unit, placing on the sheet, the recipe, strokes, every export."""

import csv
import io
import json
import unittest
import urllib.request
from pathlib import Path

from playwright.sync_api import expect

from tests.browser.test_subject import SubjectCase
from zirkel.paper import PAPERS

TITLE = "Potting bench, morning light"


class Framing(SubjectCase):
    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        self.open(f"/studies/{self.number}/sheet", "text=What is taken in")
        self.version_then = self.version()

    def frame(self):
        said = self.page.get_attribute("[data-frame]", "data-frame")
        return [float(each) for each in said.split()]

    def undo(self):
        version = self.version()
        self.page.click("text=Undo")
        self.wait_for_version(version + 1)

    def test_an_edge_is_dragged_and_the_frame_kept(self):
        left, top, right, bottom = self.frame()
        at = self.middle("[aria-label='Left edge of the frame'] circle")
        self.drag(at, (at[0] - 28, at[1]))
        self.page.wait_for_function(
            "then => Number(document.querySelector('[data-frame]').dataset.frame.split(' ')[0])"
            " < then - 0.05",
            arg=left,
        )
        wider = self.frame()
        self.assertEqual(wider[1:], [top, right, bottom])
        self.page.click("text=Use this frame")
        self.wait_for_version(self.version_then + 1)
        self.page.wait_for_selector("text=Take in all landmarks")
        self.assertEqual(self.frame(), wider)
        self.undo()

    def test_from_closer_an_edge_moves_by_less(self):
        def dragged():
            left = self.frame()[0]
            at = self.middle("[aria-label='Left edge of the frame'] circle")
            self.drag(at, (at[0] - 28, at[1]))
            self.page.wait_for_function(
                "then => document.querySelector('[data-frame]').dataset.frame.split(' ')[0]"
                " != then",
                arg=f"{left:.3f}",
            )
            return left - self.frame()[0]

        whole = dragged()
        taken_in = self.page.locator("section", has_text="What is taken in")
        for _ in range(2):
            taken_in.get_by_role("button", name="Look closer").click()
        self.page.wait_for_timeout(200)
        self.page.locator("[aria-label='Left edge of the frame']").scroll_into_view_if_needed()
        self.assertLess(dragged(), whole / 1.5)
        taken_in.get_by_role("button", name="As a whole").click()
        expect(taken_in.get_by_role("button", name="As a whole")).to_have_count(0)

    def test_by_keys_and_in_the_sheet_s_proportion(self):
        self.page.focus("[aria-label='Top edge of the frame']")
        before = self.frame()
        self.page.keyboard.press("Shift+ArrowUp")
        self.page.wait_for_selector("text=Use this frame")
        after = self.frame()
        self.assertAlmostEqual(before[1] - after[1], 0.2, places=2)
        self.page.focus("[aria-label='Proportion of the frame']")
        for key in ("Enter", "ArrowDown", "Enter"):
            self.page.keyboard.press(key)
            self.page.wait_for_timeout(150)
        self.page.wait_for_timeout(200)
        left, top, right, bottom = self.frame()
        self.assertAlmostEqual((right - left) / (bottom - top), 420 / 297, delta=0.01)

    def test_a_unit_is_chosen_and_said_in_inches(self):
        offer = self.page.locator("[aria-label='Lengths for the unit'] button").nth(1)
        length = float(offer.get_attribute("data-unit"))
        offer.click()
        self.wait_for_version(self.version_then + 1)
        self.page.wait_for_selector(f"button[aria-pressed=true][data-unit='{length:g}']")
        self.page.click("text=inches")
        self.wait_for_version(self.version_then + 2)
        self.page.wait_for_selector("[data-unit] >> text=/ in$/")
        self.undo()
        self.undo()

    def test_the_drawing_is_dragged_about_on_the_sheet(self):
        self.page.locator("[aria-label='Lengths for the unit'] button").nth(3).click()
        self.wait_for_version(self.version_then + 1)
        before = self.page.get_attribute("[data-placed]", "data-placed")
        at = self.middle("[aria-label='The drawing on the sheet'] circle")
        self.drag(at, (at[0] - 12, at[1] - 9))
        self.wait_for_version(self.version_then + 2)
        after = self.page.get_attribute("[data-placed]", "data-placed")
        for then, now in zip(before.split(), after.split(), strict=True):
            self.assertLess(float(now), float(then) - 3)
        self.undo()
        self.undo()

    def test_frames_are_kept_and_compared(self):
        self.page.fill("[aria-label='Name of this frame']", "All of it")
        self.page.keyboard.press("Enter")
        self.wait_for_version(self.version_then + 1)
        self.page.wait_for_selector("li >> text=All of it")
        self.page.click("[aria-label='Drop the frame All of it']")
        self.wait_for_version(self.version_then + 2)
        self.undo()
        self.undo()

    def test_negative_shapes_are_shown(self):
        self.page.click("label:has-text('Negative shapes')")
        self.page.wait_for_selector("path > title", state="attached")


class DrawCase(SubjectCase):
    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)


class Dictated(DrawCase):
    own_window = True

    def test_dictated_large_by_keys_by_a_tap_anywhere_and_by_time(self):
        self.open(f"/studies/{self.number}/draw", "text=Ticked: next")
        self.page.keyboard.press("e")
        self.page.wait_for_selector("[data-dictated='0']")
        self.page.keyboard.press("Space")
        self.page.wait_for_selector("[data-dictated='1']")
        self.page.mouse.click(300, 200)
        self.page.wait_for_selector("[data-dictated='2']")
        self.page.clock.install()
        self.page.click("text=every 10 s")
        self.page.clock.run_for(9_000)
        self.assertEqual(self.page.locator("[data-dictated='2']").count(), 1)
        self.page.clock.run_for(2_000)
        self.page.wait_for_selector("[data-dictated='3']")
        self.page.keyboard.press("Escape")
        self.page.wait_for_selector("text=/^4 of/")


VOICE = """
  window.spoken = [];
  window.SpeechSynthesisUtterance = class { constructor(text) { this.text = text; } };
  Object.defineProperty(window, "speechSynthesis", {value: {
    getVoices: () => VOICES, cancel() {}, addEventListener() {}, removeEventListener() {},
    speak: each => window.spoken.push([each.text, each.rate, each.voice.name]),
  }});
"""
"""A voice of which it is kept what was handed to it."""

FAR = '{lang: "en-GB", localService: false, name: "far"}'
HERE = '{lang: "en-GB", localService: true, name: "here"}'


class Aloud(DrawCase):
    own_window = True

    def test_a_whole_recipe_is_said_by_a_pedal_alone(self):
        self.page.add_init_script(VOICE.replace("VOICES", f"[{FAR}, {HERE}]"))
        self.open(f"/studies/{self.number}/draw?easel=yes", "[data-dictated='0']")
        self.page.get_by_role("button", name="Say it aloud").click()
        with urllib.request.urlopen(
            f"{self.server.address}/api/v1/studies/{self.number}/recipe"
        ) as answer:
            steps = [each["said"] for each in json.load(answer)["dictation"]]
        for number in range(1, len(steps)):
            self.page.keyboard.press("PageDown")
            self.page.wait_for_selector(f"[data-dictated='{number}']")
        spoken = self.page.evaluate("window.spoken")
        self.assertEqual([text for text, _, _ in spoken], steps)
        self.assertEqual({(rate, voice) for _, rate, voice in spoken}, {(1, "here")})
        # What reads the screen is not to say it a second time.
        self.assertEqual(self.page.locator("[aria-live=assertive]").count(), 0)
        self.page.get_by_role("button", name="Slower").click()
        self.page.get_by_role("button", name="Again").click()
        text, rate, _ = self.page.evaluate("window.spoken.at(-1)")
        self.assertEqual((text, rate), (steps[-1], 0.75))
        self.page.get_by_role("button", name="Silent").click()
        self.assertEqual(self.page.locator("[aria-live=assertive]").count(), 1)

    def test_the_easel_asks_aloud_and_understands_what_is_said(self):
        self.page.add_init_script(VOICE.replace("VOICES", f"[{HERE}]"))
        self.open(f"/studies/{self.number}?easel=yes", "[data-asked]")
        asked = self.page.locator("[data-asked]")
        expect(asked).to_have_attribute("data-stale", "false")
        self.page.get_by_role("button", name="Say it aloud").click()
        self.page.wait_for_function("window.spoken.length > 0")
        self.assertEqual(self.page.evaluate("window.spoken.at(-1)[0]"), asked.inner_text())
        before = self.page.evaluate("window.spoken.length")
        self.page.get_by_role("button", name="Another").click()
        self.page.wait_for_function(f"window.spoken.length > {before}")
        self.assertEqual(self.page.evaluate("window.spoken.at(-1)[0]"), asked.inner_text())
        version = self.version()
        tilt = "tilt" in asked.get_attribute("data-asked")
        words = self.page.get_by_label("The value in words")
        words.fill("half past four" if tilt else "two and three eighths")
        self.page.get_by_role("button", name="Keep", exact=False).first.click()
        self.wait_for_version(version + 1)
        kept = self.page.request.get(f"{self.server.address}/api/v1/studies/{self.number}/file")
        last = kept.json()["sightings"][-1]
        value = last.get("degrees", last.get("units", last.get("offset")))
        self.assertAlmostEqual(abs(value), 135.0 if tilt else 2.375)

    def test_where_there_is_no_voice_it_is_said_so(self):
        self.page.add_init_script(VOICE.replace("VOICES", "[]"))
        self.open(f"/studies/{self.number}/draw?easel=yes", "[data-dictated='0']")
        self.page.wait_for_selector("text=no voice to say it aloud")
        self.page.keyboard.press("PageDown")
        self.page.wait_for_selector("[data-dictated='1']")
        self.assertEqual(self.page.evaluate("window.spoken"), [])


class Drawing(DrawCase):
    def test_the_recipe_is_stepped_through_by_keys_and_by_hand(self):
        """Ticks and the box first, then one landmark after the other, then the lines."""
        self.open(f"/studies/{self.number}/draw", "text=Ticked: next")
        count = self.page.locator("[aria-label='The whole recipe in its order'] li").count()
        self.assertIn(f"1 of {count}", self.page.inner_text("main"))
        first = self.page.inner_text("[aria-live]")
        self.page.keyboard.press("ArrowRight")
        self.page.wait_for_selector(f"text=/^2 of {count}/")
        self.assertNotEqual(self.page.inner_text("[aria-live]"), first)
        self.page.click("text=Ticked: next")
        self.page.wait_for_selector(f"text=/^3 of {count}/")
        for step in range(4, 8):
            self.page.keyboard.press("ArrowRight")
            self.page.wait_for_selector(f"text=/^{step} of {count}/")
        expect(self.page.locator("[data-placed]")).to_have_count(2)
        self.page.keyboard.press("End")
        self.page.wait_for_selector(f"text=/^{count} of {count}/")
        expect(self.page.locator("[data-placed]")).to_have_count(24)
        self.assertGreater(self.page.locator("[data-weight=firm]").count(), 3)
        self.page.reload()
        self.page.wait_for_selector(f"text=/^{count} of {count}/")
        self.page.keyboard.press("Home")
        self.page.wait_for_selector(f"text=/^1 of {count}/")

    def test_another_school_is_chosen(self):
        self.open(f"/studies/{self.number}/draw?view=School", "text=What goes wrong")
        version = self.version()
        self.page.focus("[aria-label=School]")
        for key in ("Enter", *["ArrowDown"] * 4, "Enter"):
            self.page.keyboard.press(key)
            self.page.wait_for_timeout(150)
        self.page.get_by_role("button", name="Take it up").click()
        self.wait_for_version(version + 1)
        self.page.wait_for_selector("text=/squares of .* on the sheet/")
        self.page.click("text=Undo")
        self.wait_for_version(version + 2)

    def test_a_traced_edge_becomes_straight_strokes(self):
        self.open(f"/studies/{self.number}/draw?view=Strokes", "[data-strokes]")
        box = self.page.locator("[data-strokes]").bounding_box()
        x, y = box["x"] + box["width"] / 3, box["y"] + box["height"] / 3
        self.page.mouse.move(x, y)
        self.page.mouse.down()
        for i in range(1, 30):
            self.page.mouse.move(x + 5 * i, y + (5 * i if i < 15 else 75))
        self.page.mouse.up()
        self.page.wait_for_selector("[data-strokes='2']")
        for i, (right, down) in enumerate(((0, 0), (90, 0), (90, 90), (0, 90)), start=1):
            self.page.mouse.click(x + right, y + down)
            if i > 1:
                self.page.wait_for_selector(f"[data-strokes='{i - 1}']")

    def test_every_export_is_downloaded(self):
        self.open(f"/studies/{self.number}/draw?view=Take+along", "text=On paper")
        labels = {
            "marks": "Marks sheet",
            "marks-pages": "Marks sheet, in pages",
            "recipe": "Recipe",
            "strips": "Tick strips",
            "viewfinder": "Viewfinder",
            "tilts": "Tilt card",
            "tones": "Plan of tones",
            "grey-card": "Grey card",
            "grid": "Grid for the sheet",
            "grid-pages": "Grid, in pages",
            "plan": "Plan as SVG",
            "recipe-text": "Recipe as text",
            "recipe-html": "Recipe as a web page",
            "tone-picture": "Tones as a picture",
            "marks-table": "Marks as CSV",
            "readings-table": "Readings as CSV",
        }
        self.assertEqual(
            set(labels), set(PAPERS) - {"print-grid", "print-grid-pages", "log", "place"}
        )
        for what, label in labels.items():
            with self.page.expect_download() as caught:
                self.page.click(f"aside button:has(span:text-is('{label}'))")
            path = caught.value.path()
            self.assertIn(f"_{what}.", caught.value.suggested_filename)
            self.assertGreater(Path(path).stat().st_size, 500)
        table = list(csv.reader(io.StringIO(Path(path).read_text())))
        self.assertEqual(len(table), 61)
        with self.page.expect_download() as caught:
            self.page.click("text=The study file")
        self.assertTrue(caught.value.suggested_filename.endswith(".zirkel.json"))


if __name__ == "__main__":
    unittest.main()
