"""One hand throughout: forty landmarks can be read, pictures can be larger, motion says what
changed and is still for who wishes so, and every kit, exercise, device and set is drawn."""

import json
import unittest
from pathlib import Path

from playwright.sync_api import expect

from tests.browser.case import BrowserCase
from zirkel.core.practice.exercises import EXERCISES

TITLE = "Potting bench, morning light"
OVERLAPS = (Path(__file__).parent / "overlaps.js").read_text()


def crowded(file):
    """The study with forty landmarks: those there are, and more half-way along their outlines."""
    landmarks, made = file["landmarks"], 0
    places = {each["id"]: each["rough"] for each in landmarks}
    for shape in file["shapes"]:
        outline = shape["outline"]
        ends = list(zip(outline, outline[1:] + outline[:1], strict=True))
        for a, b in ends if shape["closed"] else ends[:-1]:
            if len(landmarks) >= 40:
                break
            made += 1
            rough = [(p + q) / 2 for p, q in zip(places[a], places[b], strict=True)]
            landmarks.append({"id": f"half{made}", "name": f"{shape['name']}, half-way {made}",
                              "tier": 2, "rough": rough})  # fmt: skip
            for along in ("level", "plumb"):
                file["sightings"].append({
                    "id": f"h{made}{along}", "kind": "part", "from": a, "to": b,
                    "at": f"half{made}", "along": along, "fraction": 0.5,
                })  # fmt: skip
    return {**file, "title": "Forty landmarks", "checks": [], "drawn": {}}


class Forty(BrowserCase):
    own_server = True

    def setUp(self):
        super().setUp()
        address = f"{self.server.address}/api/v1/studies"
        file = self.page.request.get(f"{address}/{self.study_id(TITLE)}/file").json()
        made = self.page.request.post(address, data=json.dumps(crowded(file)),
                                      headers={"Content-Type": "application/json"})  # fmt: skip
        self.assertEqual(made.status, 201, made.text())
        self.number = made.json()["id"]
        self.open(f"/studies/{self.number}", "text=Sight next")

    def names(self):
        return self.page.locator("svg [data-name]").count()

    def test_names_never_lie_over_one_another_from_afar_and_from_near(self):
        self.assertEqual(self.page.locator("[data-landmark]").count(), 40)
        far = self.names()
        self.assertGreater(far, 8)
        self.assertEqual(self.page.evaluate(OVERLAPS), [])
        self.page.get_by_role("button", name="Look closer").click()
        self.page.get_by_role("button", name="Look closer").click()
        self.page.wait_for_timeout(200)
        self.assertEqual(self.page.evaluate(OVERLAPS), [])
        self.assertGreater(self.names(), far)
        self.page.get_by_role("button", name="As a whole").click()
        self.page.wait_for_timeout(200)
        self.assertEqual(self.names(), far)

    def test_what_is_chosen_is_named_wherever_it_lies(self):
        for each, sides in (("can_dent", ("subject", "sheet")), ("half9", ("sheet",))):
            self.page.locator(f"[data-landmark='{each}']").evaluate("each => each.click()")
            for side in sides:
                expect(self.page.locator(f"svg [data-name='{each} {side}']")).to_have_count(1)

    def test_all_names_are_led_out_to_where_there_is_room(self):
        self.page.get_by_role("button", name="All names").click()
        self.page.wait_for_timeout(200)
        sheet = self.page.locator("svg [data-name$=' sheet']").count()
        self.assertGreaterEqual(sheet, 40)
        leads = self.page.locator("svg path[class*=lead]").count()
        self.assertGreater(leads, 3)

    def test_the_reading_in_doubt_says_its_value_in_the_clear(self):
        said = self.page.locator("svg [data-said]")
        self.assertGreater(said.count(), 0)
        for each in said.all():
            self.assertRegex(each.text_content(), r"\?$")
        self.assertEqual([each for each in self.page.evaluate(OVERLAPS) if "?" in each], [])


class Larger(BrowserCase):
    def setUp(self):
        super().setUp()
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Sight next")

    def wide(self):
        return self.page.locator("svg[aria-label^='Subject and sheet']").bounding_box()["width"]

    def test_pictures_have_the_whole_width_and_what_is_asked_stands_under_them(self):
        before = self.wide()
        self.page.get_by_role("button", name="Take it").wait_for()
        asked = self.page.get_by_role("region", name="Sight next").locator("p").first.inner_text()
        self.page.get_by_role("button", name="Larger").click()
        line = self.page.get_by_role("complementary", name="Sight next")
        expect(line).to_contain_text(asked)
        expect(line).to_contain_text("Doesn't agree")
        expect(line).to_contain_text("of 25 held")
        self.page.wait_for_timeout(300)
        self.assertGreater(self.wide(), 1.25 * before)
        line.get_by_role("button", name="Take it").click()
        pad = self.page.get_by_role("region", name="Take a reading")
        expect(pad).not_to_contain_text("type its letters")
        self.page.reload()
        expect(line).to_contain_text(asked)
        self.page.keyboard.press("Shift+L")
        self.page.wait_for_selector("text=Set-up")
        self.page.wait_for_timeout(300)
        self.assertAlmostEqual(self.wide(), before, delta=2)

    def test_on_a_narrow_screen_the_side_is_there_all_the_same(self):
        self.page.evaluate("localStorage.setItem('bench wide', 'yes')")
        self.page.set_viewport_size({"width": 820, "height": 1180})
        self.page.reload()
        self.page.wait_for_selector("text=Set-up")


class Motion(BrowserCase):
    own_server = True
    WATCH = """() => {
      window.seen = [];
      const look = () => {
        const all = [...document.querySelectorAll("svg ellipse")];
        window.seen.push(all.map(each => each.getAttribute("rx")).join(" "));
        requestAnimationFrame(look);
      };
      look();
    }"""

    def shapes_seen(self, still):
        """How many different pictures of the slack are seen after one reading."""
        self.page.emulate_media(reduced_motion="reduce" if still else "no-preference")
        self.open(f"/studies/{self.study_id(TITLE)}?side=Marks", "tr[data-mark]")
        hold = self.page.locator("[data-mark=dibber_point]").get_by_role("button", name="Hold it")
        hold.wait_for()
        version = int(self.page.locator("[data-version]").get_attribute("data-version"))
        self.page.evaluate(self.WATCH)
        hold.click()
        self.page.keyboard.type("4:00")
        self.page.keyboard.press("Enter")
        self.wait_for_version(version + 1)
        self.page.wait_for_timeout(900)
        return len(set(self.page.evaluate("window.seen")))

    def test_the_drawing_is_seen_to_change_or_is_still(self):
        self.assertLessEqual(self.shapes_seen(still=True), 3)
        self.assertGreater(self.shapes_seen(still=False), 3)

    def test_a_step_of_the_recipe_is_drawn_along_its_line(self):
        self.page.emulate_media(reduced_motion="no-preference")
        self.open(f"/studies/{self.study_id(TITLE)}/draw?at=20", "text=: next")
        self.page.keyboard.press("ArrowRight")
        drawn = self.page.locator("mask path").first
        drawn.wait_for(state="attached")
        running = "each => each.getAnimations().map(one => one.playState)"
        self.assertEqual(drawn.evaluate(running), ["running"])
        self.page.wait_for_timeout(1000)
        offset = drawn.evaluate("each => getComputedStyle(each).strokeDashoffset")
        self.assertEqual(float(offset.removesuffix("px")), 0.0)

    def test_a_mark_goes_where_a_correction_sends_it(self):
        self.page.emulate_media(reduced_motion="no-preference")
        self.open(f"/studies/{self.study_id(TITLE)}/check", "text=To do, in this order")
        mark = self.page.locator("g[data-done] circle").first
        mark.wait_for(state="attached")
        back = mark.evaluate("each => each.style.getPropertyValue('--back-x')")
        self.assertGreater(abs(float(back.removesuffix("px"))), 3.0)
        self.page.wait_for_timeout(2200)
        self.assertEqual(mark.evaluate("each => getComputedStyle(each).opacity"), "0")


class AllDrawn(BrowserCase):
    def test_every_exercise_says_what_it_shows(self):
        self.open("/practice", "text=Every exercise")
        rows = self.page.locator("a[href*='exercise=']")
        self.assertEqual(rows.count(), len(EXERCISES))
        for row in rows.all():
            said = row.get_by_role("img").first.get_attribute("aria-label")
            self.assertRegex(said, r"^[A-Z].{8,}")
        for name in ("half", "roundness"):
            self.open(f"/practice?exercise={name}", "h1")
            expect(self.page.get_by_role("img").first).to_be_visible()

    def test_devices_and_what_they_are_for(self):
        self.open("/devices", "h1")
        for said in ("A laptop on a stool", "A tablet on the ledge of the easel, beside the sheet",
                     "A phone in the hand, as the pad"):  # fmt: skip
            expect(self.page.get_by_role("img", name=said)).to_be_visible()

    def test_a_set_of_poses_is_as_long_as_its_time(self):
        self.open(f"/studies/{self.study_id(TITLE)}/sitting", "text=How much time is there?")
        long, short = (
            self.page.locator(f"button:has-text('{title}') i").evaluate_all(
                "all => all.reduce((sum, each) => sum + each.getBoundingClientRect().width, 0)"
            )
            for title in ("A long pose: twenty minutes", "One pose of ten minutes")
        )
        self.assertAlmostEqual(long / short, 75 / 10, delta=0.3)

    def test_an_edge_traced_is_told_stroke_by_stroke(self):
        self.open(f"/studies/{self.study_id(TITLE)}/draw?view=Strokes", "text=Trace an edge")
        board = self.page.locator("[data-strokes]").bounding_box()
        for number, (x, y) in enumerate(((0.2, 0.3), (0.3, 0.6), (0.5, 0.6))):
            self.page.mouse.move(board["x"] + x * board["width"], board["y"] + y * board["height"],
                                 steps=5)  # fmt: skip
            if number == 0:
                self.page.mouse.down()
        self.page.mouse.up()
        expect(self.page.locator("aside ol li")).to_have_count(2)
        expect(self.page.get_by_role("status")).to_contain_text("2 strokes")
        self.page.get_by_role("button", name="Clear").click()
        expect(self.page.locator("aside ol li")).to_have_count(0)

    def test_an_empty_thumbnail_is_begun_with_a_tap(self):
        self.open("/new", "[data-kits] button")
        self.page.get_by_role("button", name="An empty thumbnail").click()
        board = self.page.get_by_role("application").bounding_box()
        self.page.mouse.click(board["x"] + 200, board["y"] + 200)
        self.page.get_by_label("What is it called?").fill("Post")
        self.page.keyboard.press("Enter")
        self.page.wait_for_selector("li >> text=Post")
        self.page.evaluate("localStorage.clear()")


class TheWall(BrowserCase):
    own_server = True

    def test_the_wall_shows_how_far_each_has_come(self):
        self.open("/", "[data-waits]")
        told = self.page.request.get(f"{self.server.address}/api/v1/studies").json()["studies"]
        for each in told:
            card = self.page.locator(f"li:has(> a[href='/studies/{each['id']}'])")
            expect(card.locator(f"[data-stage={each['stage']}]")).to_have_count(1)
            expect(card.locator("[aria-current=step]")).to_have_count(int(each["stage"] != "done"))


class TheThumb(BrowserCase):
    own_server = True

    def test_it_can_be_set_while_something_else_is_asked(self):
        """The first thing asked of a new scene hangs a plumb: the thumb is set all the same."""
        self.open("/scenes", "text=Seated figure")
        self.page.click("button:has-text('Wooden mask')")
        self.page.wait_for_selector("text=Sight next")
        self.page.get_by_role("button", name="Take it").click()
        self.page.get_by_role("button", name="Take up the stick").click()
        self.page.get_by_role("button", name="Read it").click()
        self.page.wait_for_selector("text=Set the thumb to the unit first")
        self.page.get_by_role("button", name="Set the thumb to 1 mask").click()
        self.page.wait_for_selector("text=The thumb is set to one mask")
        self.page.get_by_role("button", name="Read it").click()
        self.page.wait_for_selector("text=Enter keeps it")

    def test_two_that_are_level_are_read_so_when_their_height_is_asked(self):
        self.open("/scenes", "text=Seated figure")
        self.page.click("button:has-text('Star on a panel')")
        self.page.wait_for_selector("text=Sight next")
        study = self.page.url.rsplit("/", 1)[1]
        told = self.page.request.get(f"{self.server.address}/api/v1/studies/{study}").json()
        by = {each["id"]: each for each in told["landmarks"]}
        a, b = next(
            (p, q) for p in by for q in by
            if p != q and abs(by[p]["seen_top_mm"] - by[q]["seen_top_mm"]) < 0.4
        )  # fmt: skip
        asked = self.page.request.post(
            f"{self.server.address}/api/v1/studies/{study}/stick",
            data={"held": "plumb", "from_landmark": a, "to_landmark": b, "thumb": 100.0,
                  "start": [by[a]["seen_left_mm"], by[a]["seen_top_mm"]],
                  "end": [by[b]["seen_left_mm"], by[b]["seen_top_mm"]]},
        )  # fmt: skip
        self.assertEqual((asked.status, asked.json()["entry"]["kind"]), (200, "level"))
        self.assertIn("no height to count", asked.json()["said"])


if __name__ == "__main__":
    unittest.main()
