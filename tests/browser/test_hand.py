"""The pad as a hand uses it: nothing half entered lost, nothing assumed, few keys, no doubles; and
the picture looked at closely."""

import json
import re
import threading
import unittest
import urllib.request
from http.server import BaseHTTPRequestHandler, HTTPServer
from typing import ClassVar

from playwright.sync_api import expect

from tests.browser.case import ROOT, BrowserCase

MASK = "Wooden mask on a peg"
BENCH = "Potting bench, morning light"
KEYS = (ROOT / "docs" / "keys.md").read_text()


class HandCase(BrowserCase):
    title: ClassVar = MASK

    def setUp(self):
        super().setUp()
        self.number = self.study_id(self.title)
        self.open(f"/studies/{self.number}", "text=Sight next")
        told = self.asked(f"/api/v1/studies/{self.number}")
        self.letters = {each["id"]: each["letters"] for each in told["landmarks"]}

    def asked(self, path):
        with urllib.request.urlopen(self.server.address + path) as answer:
            return json.load(answer)

    def keys(self, *keys):
        for each in keys:
            self.page.keyboard.press(each)

    def typed(self, text):
        """Keys of which this keyboard has no name, as °."""
        for key in text:
            self.page.evaluate(
                "key => window.dispatchEvent(new KeyboardEvent('keydown', {key}))", key
            )

    def tilt(self, typed):
        """One more tilt, kept as it is typed."""
        version = self.version()
        self.keys("Escape")
        self.pair("brow_top", "chin")
        self.keys("t")
        self.typed(typed)
        self.keys("Enter", "Enter")
        self.wait_for_version(version + 1)

    def pair(self, first, second):
        self.page.keyboard.type(self.letters[first] + self.letters[second])

    def readout(self):
        return " ".join(self.page.inner_text("output").replace("⁄", "/").split())

    def newest(self):
        return self.asked(f"/api/v1/studies/{self.number}")["readings"][-1]


class Entering(HandCase):
    def test_each_line_of_the_documented_keys(self):
        """Every kind in eight keys or fewer, as the document says."""
        lines = re.findall(r"^\| ([^|]+) \| `([^`]+)` \| (\d+) \| (.+) \|$", KEYS, re.MULTILINE)
        self.assertEqual(len(lines), 16)
        last = iter(("c h", "l h", "i l"))
        for kind, pressed, count, said in lines:
            with self.subTest(kind):
                keys = pressed.split()
                self.assertEqual(len(keys), int(count))
                self.assertLessEqual(len(keys), 8)
                if "." in keys:
                    self.kept([*next(last).split(), "s", "3", "Enter"])
                self.kept(keys)
                self.assertIn(said, self.newest()["said"])

    def kept(self, keys):
        version = self.version()
        self.keys("Escape", *keys)
        self.wait_for_version(version + 1)

    def test_what_no_longer_agrees_is_told_aloud_once(self):
        """A reading far off the others: a live region says which, and nothing before."""
        told = self.page.locator("[data-new-doubts]")
        self.assertEqual(told.inner_text(), "")
        version = self.version()
        self.keys("Escape")
        self.pair("cheek_l", "cheek_r")
        self.keys("a", "3", "Enter")
        self.wait_for_version(version + 1)
        self.page.wait_for_function(
            "() => document.querySelector('[data-new-doubts]').textContent.includes('Sight again')"
        )
        self.assertIn("cheek", told.inner_text().lower())

    def test_eye_first_the_guess_is_kept_before_the_reading(self):
        """By keys alone: what the eye gives, Enter, what the stick gives, Enter; both are kept, and
        how near the eye came is said."""
        self.page.click("text=Set-up")
        self.page.get_by_role("switch").first.click()
        self.page.wait_for_selector("text=By eye first")
        version = self.version()
        self.keys("Escape")
        self.pair("cheek_l", "cheek_r")
        self.keys("a", "2", "Enter")
        self.page.wait_for_selector("text=Your eye has spoken. Now measure it.")
        self.assertEqual(self.version(), version)
        self.keys("2", "h", "Enter")
        self.wait_for_version(version + 1)
        self.page.wait_for_selector("text=/Your eye gave 2 .*: 20 % too little/")
        self.assertIn("2 1/2", self.newest()["said"])
        file = self.asked(f"/api/v1/studies/{self.number}/file")
        (guess,) = file["guesses"]
        self.assertEqual((guess["exercise"], guess["measure"]), ("bench_span", "relative"))
        self.assertEqual((guess["answer"], guess["truth"]), (2.0, 2.5))

    def test_two_is_two_o_clock_and_degrees_have_their_sign(self):
        for typed, degrees in (("2", 60.0), ("130", 45.0), ("1030", 135.0), ("45", 45.0),
                               ("8°", 8.0)):  # fmt: skip
            self.tilt(typed)
            self.assertAlmostEqual(self.newest()["entry"]["degrees"], degrees)

    def test_a_tilt_taken_up_again_means_what_it_meant(self):
        """130 degrees are not half past one, nor 8 degrees eight o'clock."""
        for typed, degrees, shown in (("130°", 130.0, "4:20"), ("8°", 8.0, "8°"),
                                      ("7.5°", 7.5, "12:15"), ("61°", 61.0, "61°")):  # fmt: skip
            self.tilt(typed)
            taken = self.newest()["id"]
            self.page.click("text=Readings")
            self.page.locator(f"[data-reading='{taken}'] button").first.click()
            self.page.get_by_role("button", name="Correct").click()
            self.assertIn(shown, self.readout())
            hand = self.page.get_by_role("slider", name="Tilt as an hour")
            self.assertAlmostEqual(float(hand.get_attribute("aria-valuenow")), degrees)
            self.keys("Enter")
            expect(self.page.locator("output")).to_contain_text("which hour?")
            self.page.wait_for_timeout(300)
            self.assertAlmostEqual(self.newest()["entry"]["degrees"], degrees)
            self.page.click("text=Next >> nth=0")

    def test_no_zero_is_recorded_that_nobody_gave(self):
        version = self.version()
        self.pair("brow_top", "chin")
        self.keys("p")
        self.assertIn("how far?", self.readout())
        self.keys("Enter")
        self.keys("Enter")
        self.page.wait_for_timeout(300)
        self.assertEqual(self.version(), version)
        self.page.click("text=on the plumb")
        self.keys("Enter")
        self.wait_for_version(version + 1)

    def test_enter_twice_keeps_once_and_what_is_typed_meanwhile_is_the_next(self):
        version, count = (
            self.version(),
            len(self.asked(f"/api/v1/studies/{self.number}")["readings"]),
        )
        self.pair("brow_top", "chin")
        self.page.keyboard.type("u1q")
        self.keys("Enter", "Enter")
        self.pair("cheek_l", "cheek_r")
        self.page.keyboard.type("a2")
        self.wait_for_version(version + 1)
        self.assertIn("2 masks", self.readout())
        self.keys("Enter")
        self.wait_for_version(version + 2)
        told = self.asked(f"/api/v1/studies/{self.number}")["readings"]
        self.assertEqual(len(told), count + 2)
        self.assertEqual([each["entry"]["units"] for each in told[-2:]], [1.25, 2.0])

    def test_letters_that_fit_nothing_say_so(self):
        self.page.keyboard.type("zz")
        self.page.wait_for_selector("text=nothing begins with “z”")

    def test_what_is_half_entered_survives(self):
        self.pair("brow_top", "chin")
        self.page.keyboard.type("u1 3/8")
        for how in ("reload", "room", "help", "easel"):
            with self.subTest(how):
                if how == "reload":
                    self.page.reload()
                elif how == "room":
                    self.page.click("nav >> text=Draw")
                    self.page.wait_for_selector("text=Ticked: next")
                    self.page.click("nav >> text=Bench")
                elif how == "help":
                    self.keys("?")
                    self.page.wait_for_selector("text=Marks, words and keys")
                    self.keys("Escape")
                else:
                    self.keys("Shift+E")
                    self.page.wait_for_selector("text=Leave the easel")
                self.page.wait_for_selector("output >> text=masks")
                self.assertRegex(self.readout(), "^1 3/8.*masks")
                self.page.wait_for_selector("section >> text=Brow, highest point")

    def test_what_a_reading_did_is_said_and_goes_when_the_next_begins(self):
        version = self.version()
        self.pair("brow_top", "chin")
        self.page.keyboard.type("u3")
        self.keys("Enter")
        self.wait_for_version(version + 1)
        self.page.wait_for_selector("[role=status] >> text=Sight it again")
        self.page.keyboard.type(self.letters["chin"])
        self.page.wait_for_function("() => !document.body.innerText.includes('Sight it again.')")

    def test_single_letters_can_be_switched_off(self):
        self.keys("?")
        switch = self.page.get_by_label("Single letters are keys")
        switch.click()
        expect(switch).to_have_attribute("aria-checked", "false")
        self.keys("Escape")
        self.page.wait_for_selector("text=Marks, words and keys", state="hidden")
        self.pair("brow_top", "chin")
        self.assertIn("?", self.readout())
        self.page.wait_for_selector("section >> text=tap, or type its letter")


class LookingClosely(HandCase):
    title: ClassVar = BENCH

    def painted(self):
        """Waits until what was done last is on the screen."""
        self.page.evaluate(
            "() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))"
        )

    def names(self):
        return self.page.locator("svg [data-name]").evaluate_all(
            "all => all.map(each => { const b = each.getBoundingClientRect();"
            " return [each.textContent, b.left, b.top, b.right, b.bottom]; })"
        )

    def test_shapes_from_afar_landmarks_from_near_and_none_over_another(self):
        afar = [each[0] for each in self.names()]
        self.assertEqual(afar.count("Watering can"), 2)
        self.assertNotIn("Spout, tip", afar)
        box = self.page.locator("svg[aria-label^='Subject and sheet']").bounding_box()
        self.page.mouse.move(box["x"] + 200, box["y"] + 200)
        for _ in range(3):
            self.page.mouse.wheel(0, -120)
        self.page.wait_for_selector("svg [data-name] >> text=Can, rim right", state="attached")
        self.painted()
        near = self.names()
        self.assertGreater(len(near), 5)
        for i, (text, left, top, right, bottom) in enumerate(near):
            for other, x1, y1, x2, y2 in near[i + 1 :]:
                over = left < x2 - 3 and x1 < right - 3 and top < y2 - 5 and y1 < bottom - 5
                self.assertFalse(over, f"{text} lies over {other}")
        self.page.click("text=As a whole")
        self.page.wait_for_selector("svg [data-name] >> text=Watering can", state="attached")

    def test_by_two_fingers(self):
        """A pinch as the browser reports it: two touches that part, then one that drags."""
        box = self.page.locator("svg[aria-label^='Subject and sheet']").bounding_box()
        touch = self.context.new_cdp_session(self.page)
        x, y = box["x"] + box["width"] / 4, box["y"] + box["height"] / 2

        def fingers(kind, *points):
            touch.send(
                "Input.dispatchTouchEvent",
                {"type": kind, "touchPoints": [{"x": x + p, "y": y + q, "id": i}
                                               for i, (p, q) in enumerate(points)]},
            )  # fmt: skip

        fingers("touchStart", (-30, 0), (30, 0))
        for apart in (45, 60, 80, 100):
            fingers("touchMove", (-apart, 0), (apart, 0))
        fingers("touchEnd")
        self.page.wait_for_selector("text=As a whole")
        self.painted()
        before = self.page.locator("[data-dot]").first.bounding_box()
        fingers("touchStart", (0, 0))
        for down in (20, 40, 60):
            fingers("touchMove", (0, down))
        fingers("touchEnd")
        self.page.wait_for_function(
            "from => Math.abs(document.querySelector('[data-dot]')"
            ".getBoundingClientRect().y - from) > 30",
            arg=before["y"],
        )

    def test_by_keys_too(self):
        before = self.page.locator("[data-dot]").first.bounding_box()
        self.keys("+", "+", "Shift+ArrowRight")
        self.page.wait_for_selector("text=As a whole")
        self.page.wait_for_function(
            "from => Math.abs(document.querySelector('[data-dot]')"
            ".getBoundingClientRect().x - from) > 5",
            arg=before["x"],
        )
        self.keys("-", "-", "-")
        self.page.wait_for_selector("text=As a whole", state="hidden")

    def test_a_tap_that_wanders_moves_the_picture_and_chooses_nothing(self):
        self.keys("+", "+", "+")
        self.page.wait_for_selector("text=As a whole")
        self.painted()
        dot = self.page.locator("[data-dot=spout_root]").bounding_box()
        self.page.mouse.move(dot["x"] + 3, dot["y"] + 3)
        self.page.mouse.down()
        self.page.mouse.move(dot["x"] + 60, dot["y"] + 40, steps=4)
        self.page.mouse.up()
        self.page.wait_for_function(
            "from => Math.abs(document.querySelector('[data-dot=spout_root]')"
            ".getBoundingClientRect().x - from - 57) < 8",
            arg=dot["x"],
        )
        self.page.wait_for_selector("section >> text=tap, or type its letter")


class Corrected(BrowserCase):
    def test_what_is_taken_up_and_kept_as_it_is_stays_as_it_was(self):
        """One reading of each kind, direction and side: on the pad it means what it meant."""
        number = self.study_id("Potting bench, morning light")
        address = f"{self.server.address}/api/v1/studies/{number}/file"

        def sightings():
            file = self.page.request.get(address).json()
            return {each["id"]: each for each in file["sightings"]}

        before, seen = sightings(), set()
        self.open(f"/studies/{number}?side=Readings", "[data-reading]")
        for name, each in before.items():
            offset = each.get("offset", 0)
            kind = (each["kind"], each.get("along"), "take" in each, offset > 0, offset < 0)
            if kind in seen or each.get("struck"):
                continue
            seen.add(kind)
            row = self.page.locator(f"[data-reading='{name}']")
            row.locator("button").first.click()
            row.get_by_role("button", name="Correct").click()
            readout = self.page.locator("output")
            expect(readout).to_contain_text("correcting")
            expect(readout).not_to_contain_text("?")
            self.page.keyboard.press("Enter")
            expect(readout).not_to_contain_text("correcting")
        self.page.wait_for_timeout(300)
        self.assertGreater(len(seen), 8)
        self.assertEqual(sightings(), before)


class TheWall(BrowserCase):
    own_server = True

    def test_copied_taken_down_and_hung_up_later(self):
        self.open("/", f"text={MASK}")
        self.page.get_by_label(f"More for {MASK}", exact=True).click()
        self.page.get_by_label(f"Copy: {MASK}").click()
        self.page.wait_for_selector(f"text={MASK}, copy")
        self.page.get_by_label(f"More for {MASK}, copy").click()
        self.page.get_by_label(f"Take down: {MASK}, copy").click()
        self.page.wait_for_selector("text=Taken down (1)")
        self.page.reload()
        self.page.click("text=Taken down (1)")
        self.page.get_by_label(f"Hang it up again: {MASK}, copy").click()
        self.page.wait_for_selector(f"h2 >> text={MASK}, copy")
        self.page.click("text=Words")
        self.page.wait_for_selector("dt >> text=landmark")


class PlacedLater(HandCase):
    def test_a_landmark_added_at_the_easel_is_placed_by_a_tap_and_given_its_tier(self):
        draft = {
            "format": "zirkel-study", "version": 1, "title": "From life",
            "landmarks": [
                {"id": "crown", "name": "Crown", "tier": 1, "rough": [0.5, 0.1]},
                {"id": "chin", "name": "Chin", "tier": 1, "rough": [0.5, 0.6]},
            ],
            "unit": {"from": "crown", "to": "chin", "along": "plumb", "name": "head"},
        }  # fmt: skip
        study = self.posted("import", json.dumps(draft).encode())
        self.open(f"/studies/{study}?side=Set-up", "text=Landmarks")
        version = self.version()
        self.page.get_by_label("New landmark").fill("Elbow")
        self.keys("Enter")
        self.wait_for_version(version + 1)
        self.page.get_by_label("Place Elbow").click()
        self.page.wait_for_selector("text=Tap where it sits")
        chin = self.page.locator("[data-dot=chin]").bounding_box()
        crown = self.page.locator("[data-dot=crown]").bounding_box()
        self.page.mouse.click(chin["x"] + 43, chin["y"] + 3)
        self.wait_for_version(version + 2)
        told = self.asked(f"/api/v1/studies/{study}")["landmarks"][-1]
        scale = 0.5 / (chin["y"] - crown["y"])
        self.assertAlmostEqual(told["rough"][0], 0.5 + 40 * scale, delta=4 * scale)
        self.assertAlmostEqual(told["rough"][1], 0.6, delta=4 * scale)
        self.page.get_by_label("Elbow belongs to").select_option("3")
        self.wait_for_version(version + 3)
        self.assertEqual(self.asked(f"/api/v1/studies/{study}")["landmarks"][-1]["tier"], 3)


class AForeignPage(HandCase):
    def test_it_can_send_but_nothing_is_changed(self):
        """Another page in the same browser tries every way that needs no asking first."""
        target = self.server.address
        change = {"type": "set_title", "title": "Taken over"}
        body = json.dumps(json.dumps({"version": self.version(), "change": change}))
        script = f"""<script>
          const send = (path, kind, body) => fetch("{target}/api/v1/studies/" + path, {{
            method: "POST", mode: "no-cors", body,
            headers: kind ? {{"Content-Type": kind}} : {{}}}});
          const kinds = ["text/plain", "application/x-www-form-urlencoded", ""];
          const tries = kinds.map((kind) => send("{self.number}/changes", kind, {body}));
          tries.push(send("import", "", new Blob(["{{}}"])));
          Promise.allSettled(tries).then(() => document.title = "tried");
        </script>"""

        class Page(BaseHTTPRequestHandler):
            def do_GET(self):
                self.send_response(200)
                self.send_header("Content-Type", "text/html")
                self.end_headers()
                self.wfile.write(script.encode())

            def log_message(self, *_):
                pass

        elsewhere = HTTPServer(("127.0.0.1", 0), Page)
        self.addCleanup(elsewhere.server_close)
        threading.Thread(target=elsewhere.serve_forever, daemon=True).start()
        self.addCleanup(elsewhere.shutdown)
        page = self.context.new_page()
        page.goto(f"http://127.0.0.1:{elsewhere.server_port}/")
        page.wait_for_function("document.title === 'tried'")
        told = self.asked(f"/api/v1/studies/{self.number}")
        self.assertEqual((told["title"], told["version"]), (MASK, 1))


if __name__ == "__main__":
    unittest.main()
