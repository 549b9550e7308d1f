"""The bench on a phone, by touch: the stick over the subject, Keep in reach whatever is said."""

import json
import random
import unittest
from contextlib import suppress
from typing import ClassVar

import numpy as np
from playwright.sync_api import TimeoutError as NoAnswerError
from playwright.sync_api import expect

from tests.browser.case import PAINTED, BrowserCase
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.scenes import shipped_scenes

COVERED = """(button) => {
  const box = button.getBoundingClientRect();
  const top = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2);
  return box.bottom > innerHeight || !(top && (button === top || button.contains(top)));
}"""


ANSWERED = """() => document.querySelector("fieldset[aria-label='Which one?']")
  || !document.querySelector("section[aria-label='Take a reading'] button").innerText
    .includes("its letter")"""
"""Whether a tap on the picture has come to something."""


ON_THE_PICTURE = """([x, y]) => Boolean(document.elementFromPoint(x, y)
  ?.closest("svg[aria-label^='Subject and sheet']"))"""


KEPT = """async () => {
  const kept = [];
  for (const name of await caches.keys()) {
    for (const each of await (await caches.open(name)).keys()) {
      kept.push(new URL(each.url).pathname);
    }
  }
  return kept;
}"""
"""What the service worker keeps."""


class Phone(BrowserCase):
    viewport: ClassVar = {"width": 390, "height": 844}
    touch = True

    def setUp(self):
        super().setUp()
        self.number = self.posted("from-scene", json.dumps({"scene": "wooden_mask"}).encode())
        self.open(f"/studies/{self.number}", "text=Sight next")

    def keep(self):
        return self.page.get_by_role("button", name="Keep")

    def test_a_thumb_between_several_is_asked_which_it_meant(self):
        """Seven pixels off, one standard deviation in each direction: the one that was meant is
        chosen, or among those that are offered."""
        page, drawn = self.page, random.Random(3)
        places = page.evaluate(
            """() => [...document.querySelectorAll("svg [data-standing]")].map(each => {
              const at = each.getBoundingClientRect();
              return [at.x + at.width / 2, at.y + at.height / 2];
            })"""
        )
        names = [
            each.get_attribute("data-landmark") for each in page.locator("[data-landmark]").all()
        ]
        which = page.get_by_role("group", name="Which one?")
        right = tried = 0
        for _ in range(4):
            for name, (left, top) in zip(names, places, strict=True):
                x, y = left + drawn.gauss(0, 7), top + drawn.gauss(0, 7)
                # What stands over the picture is pressed by its own.
                if not page.evaluate(ON_THE_PICTURE, [x, y]):
                    continue
                page.keyboard.press("Escape")
                page.touchscreen.tap(x, y)
                with suppress(NoAnswerError):
                    page.wait_for_function(ANSWERED, timeout=2000)
                tried += 1
                if which.count():
                    offered = which.locator("button").all_inner_texts()
                    which.locator("button").last.tap()
                    expect(which).to_have_count(0)
                else:
                    offered = page.locator("section[aria-label='Take a reading'] button")
                    offered = offered.first.inner_text().splitlines()
                said = page.locator(f"[data-landmark={name}]").inner_text().rsplit(",", 1)[0]
                right += said in offered
        self.assertGreater(tried, 50)
        self.assertGreaterEqual(right / tried, 0.97)

    def test_a_slot_opens_all_names(self):
        page = self.page
        slot = page.get_by_role("region", name="Take a reading").get_by_role("button", name="From")
        slot.tap()
        names = page.get_by_role("region", name="Landmarks by name")
        self.assertEqual(names.get_by_role("listitem").count(), 17)
        page.get_by_role("searchbox").fill("chin")
        for each in names.get_by_role("button").all():
            self.assertGreaterEqual(each.bounding_box()["height"], 44)
        names.get_by_role("listitem").get_by_role("button").first.tap()
        expect(names).to_have_count(0)
        expect(slot).to_contain_text("Chin")

    def test_lying_the_pad_stands_beside_the_pictures_and_nothing_is_out_of_reach(self):
        page = self.page
        page.get_by_role("button", name="Take it").wait_for()
        for width, height in ((844, 390), (840, 525)):
            page.set_viewport_size({"width": width, "height": height})
            page.evaluate(PAINTED)
            for name in ("Take it", "Keep", "Take up the stick", "Look closer"):
                button = page.get_by_role("button", name=name)
                self.assertFalse(button.evaluate(COVERED), (name, width))
            sheet = page.locator("svg[aria-label^='Subject and sheet']").bounding_box()
            pad = page.get_by_role("region", name="Take a reading").bounding_box()
            self.assertLessEqual(sheet["x"] + sheet["width"], pad["x"] + 1)

    def test_it_can_be_put_on_the_home_screen(self):
        asked = self.page.request
        manifest = asked.get(self.server.address + "/zirkel.webmanifest").json()
        self.assertEqual((manifest["name"], manifest["display"]), ("Zirkel", "standalone"))
        for icon in manifest["icons"]:
            answer = asked.get(self.server.address + icon["src"])
            self.assertEqual(answer.headers["content-type"].split(";")[0], icon["type"])
        self.assertEqual(self.page.locator("link[rel=manifest]").count(), 1)
        self.page.keyboard.press("Tab")
        self.page.keyboard.press("Enter")
        self.assertEqual(self.page.evaluate("document.activeElement.tagName"), "MAIN")

    def test_back_leaves_the_easel_and_not_the_study(self):
        page = self.page
        page.get_by_role("button", name="Easel").tap()
        page.wait_for_selector("text=Leave the easel")
        page.go_back()
        page.wait_for_selector("text=Take up the stick")
        page.get_by_role("button", name="Easel").tap()
        page.get_by_role("button", name="Leave the easel").tap()
        page.wait_for_selector("text=Take up the stick")
        self.assertTrue(page.get_by_role("link", name="Zirkel, to the wall").is_visible())
        page.goto(self.server.address + "/no/such/room")
        page.wait_for_selector("text=There is nothing at this address")

    def test_ten_readings_at_the_easel_with_the_network_away_in_the_middle(self):
        """By a thumb that errs by seven pixels, which the steps beside the clock put right."""
        page, thumb = self.page, random.Random(5)
        scene = shipped_scenes()["wooden_mask"]
        seen = seen_landmarks(scene, scene.station)
        truth = truth_in_units(seen, scene.unit)
        had = len(self.bench_of(self.number)["readings"])
        page.get_by_role("button", name="Easel").tap()
        page.wait_for_selector("text=Leave the easel")
        waits = page.locator("[data-unsent=waits]")
        tilts = []
        for number in range(10):
            if number == 4:
                self.context.set_offline(True)
            if number == 7:
                self.assertEqual(waits.count(), 3)
                self.context.set_offline(False)
                expect(waits).to_have_count(0)
            asked = page.locator("[data-asked][data-stale=false]").get_attribute("data-asked")
            kind, start, end, along = asked.split(" ")
            across, down = truth[end] - truth[start]
            if kind == "tilt":
                tilts.append(self.turned(np.degrees(np.arctan2(across, -down)) % 180, thumb))
            else:
                self.counted(kind, along, across, down)
            self.assertFalse(self.keep().evaluate(COVERED))
            self.keep().tap()
            expect(page.locator(f"[data-asked='{asked}']")).to_have_count(0)
        expect(waits).to_have_count(0)
        readings = self.bench_of(self.number)["readings"]
        self.assertEqual(len(readings), had + 10)
        self.assertEqual([each["id"] for each in readings if each["state"] == "doubted"], [])
        self.assertTrue(tilts)
        self.assertLessEqual(max(tilts), 1.5)

    def turned(self, degrees, thumb):
        """The hand of the clock set by a tap and steps; how far it is off then, in degrees."""
        face = self.page.get_by_role("slider", name="Tilt as an hour")
        box = face.bounding_box()
        way, far = np.radians(degrees), 0.33 * box["width"]
        self.page.touchscreen.tap(
            box["x"] + box["width"] / 2 + far * np.sin(way) + thumb.gauss(0, 7),
            box["y"] + box["height"] / 2 - far * np.cos(way) + thumb.gauss(0, 7),
        )

        def off():
            return (degrees - float(face.get_attribute("aria-valuenow")) + 90) % 180 - 90

        while abs(off()) > 1.25:
            before = off()
            name = "A little on" if before > 0 else "A little back"
            self.page.get_by_role("button", name=name).tap()
            self.assertLess(abs(off()), abs(before))
        return abs(off())

    def counted(self, kind, along, across, down):
        """Length or offset in eighths, by its keys, and the side."""
        on = down if kind == "level" or along == "plumb" else across
        length = np.hypot(across, down) if along == "straight" else abs(on)
        whole, eighths = divmod(round(8 * length), 8)
        pad = self.page.get_by_role("region", name="Take a reading")
        if whole or not eighths:
            pad.get_by_role("button", name=str(whole), exact=True).tap()
        if eighths:
            at = ("1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8")[eighths - 1]
            pad.get_by_role("button", name=at).tap()
        if kind in ("drop", "level") or along in ("plumb", "level"):
            names = {"drop": ("right", "left"), "level": ("lower", "higher")}.get(
                kind, ("down", "up") if along == "plumb" else ("right", "left")
            )
            pad.get_by_role("button", name=names[int(on < 0)], exact=True).tap()

    def test_the_stick_is_taken_up_read_and_kept_and_waits_while_nothing_answers(self):
        page, version = self.page, self.version()
        page.get_by_role("button", name="Take it").tap()
        page.get_by_role("button", name="Take up the stick").tap()
        bar = page.locator("div[data-stick=true]").bounding_box()
        for ring in page.locator("[data-end] circle").all():
            box = ring.bounding_box()
            self.assertLess(box["y"] + box["height"], bar["y"] + 1)
            self.assertGreater(box["y"], 0)
        self.assertLessEqual(bar["y"] + bar["height"], 844)
        # Whatever lies in the prompt, the thumb is set along the unit itself.
        page.get_by_role("button", name="Set the thumb").tap()
        page.wait_for_selector("text=The thumb is set")
        page.get_by_role("button", name="Read it").tap()
        page.wait_for_selector("text=Enter keeps it")
        self.assertFalse(self.keep().evaluate(COVERED))
        self.keep().tap()
        self.wait_for_version(version + 1)
        # The server goes away: it is said above, and what is kept waits.
        self.context.route("**/changes", lambda route: route.abort())
        self.context.route("**/live?*", lambda route: route.abort())
        page.get_by_role("button", name="Take it").tap()
        page.get_by_role("button", name="Read it").tap()
        page.wait_for_selector("text=Enter keeps it")
        self.assertFalse(self.keep().evaluate(COVERED))
        self.keep().tap()
        page.wait_for_selector("[data-unsent=waits]")
        self.assertFalse(self.keep().evaluate(COVERED))
        self.context.unroute("**/changes")
        self.context.unroute("**/live?*")


class Closer(BrowserCase):
    """Two fingers on a picture look closer and set nothing on it."""

    viewport: ClassVar = {"width": 390, "height": 844}
    touch = True

    def pinch(self, board, apart):
        """Two fingers about the middle, from near to that far apart."""
        box = board.bounding_box()
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        told = self.context.new_cdp_session(self.page)

        def touched(kind, half):
            points = [{"x": x - half, "y": y, "id": 0}, {"x": x + half, "y": y, "id": 1}]
            told.send("Input.dispatchTouchEvent",
                      {"type": kind, "touchPoints": points if half else []})  # fmt: skip

        touched("touchStart", 20)
        for step in range(1, 6):
            touched("touchMove", 20 + (apart / 2 - 20) * step / 5)
        touched("touchEnd", 0)

    def test_tone_and_check_are_looked_at_closely(self):
        number = self.study_id("Potting bench, morning light")
        for room, board in (
            ("tone", "svg[aria-label='The subject with its areas']"),
            ("check", "svg[aria-label^='The drawing']"),
        ):
            with self.subTest(room):
                self.open(f"/studies/{number}/{room}", board)
                self.page.evaluate(PAINTED)
                version, picture = self.version(), self.page.locator(board)
                before = picture.bounding_box()["width"]
                self.pinch(picture.locator(".."), 160)
                self.page.evaluate(PAINTED)
                self.assertGreater(picture.bounding_box()["width"], 2.5 * before)
                scrolled = picture.evaluate("each => each.parentElement.scrollLeft")
                self.assertGreater(scrolled, 0.5 * before)
                self.assertEqual(self.version(), version)
                self.page.get_by_role("button", name="As a whole").tap()
                self.page.evaluate(PAINTED)
                self.assertAlmostEqual(picture.bounding_box()["width"], before, delta=1)


class WithoutItsServer(BrowserCase):
    viewport: ClassVar = {"width": 390, "height": 844}
    killed = True

    def test_it_opens_says_what_it_waits_for_and_goes_on_by_itself(self):
        context = self.browser.new_context(viewport=self.viewport, reduced_motion="reduce")
        self.addCleanup(context.close)
        page = context.new_page()
        number = self.study_id("Wooden mask on a peg")
        page.goto(f"{self.server.address}/studies/{number}")
        page.wait_for_selector("[data-version]")
        page.evaluate("navigator.serviceWorker.ready.then(() => null)")
        page.reload()
        page.wait_for_selector("[data-version]")
        kept = page.evaluate(KEPT)
        self.assertIn("/index.html", kept)
        self.assertGreater(len(kept), 20)
        self.assertEqual([each for each in kept if not each.startswith(("/assets/", "/index"))], [])
        self.server.kill()
        for path in ("/", f"/studies/{number}"):
            page.goto(self.server.address + path)
            page.wait_for_selector("text=does not answer")
            self.assertTrue(page.get_by_role("link", name="Zirkel").first.is_visible())
        self.server.start()
        page.wait_for_selector("[data-version]")


if __name__ == "__main__":
    unittest.main()
