"""Every room on every screen: nothing runs off sideways, and a finger alone is enough."""

import unittest
from pathlib import Path
from typing import ClassVar

from tests.browser.test_subject import SubjectCase

TITLE = "Potting bench, morning light"
ROOMS = (
    ("/scenes", "text=Seated figure"),
    ("/studies/{id}/subject", "text=A human hand"),
    ("/studies/{id}/sheet", "text=What is taken in"),
    ("/studies/{id}/draw", "text=Ticked: next"),
    ("/studies/{id}/draw?view=School", "text=What goes wrong"),
    ("/", "[data-waits]"),
    ("/studies/{id}", "text=Sight next"),
    ("/studies/{id}?easel=yes", "text=Leave the easel"),
    ("/studies/{id}/draw?view=Strokes", "text=Trace an edge"),
    ("/studies/{id}/draw?view=Take+along", "text=On paper"),
    ("/studies/{id}?side=Depth", "[data-depth-sum]"),
    ("/studies/{id}?side=Readings", "[data-reading]"),
    ("/studies/{id}?side=Marks", "tr[data-mark]"),
    ("/studies/{id}?side=Set-up", "text=Count in another unit"),
    ("/studies/{id}/check", "text=To do, in this order"),
    ("/studies/{id}/tone", "[data-question]"),
    ("/new", "[data-kits] button"),
    ("/studies/{id}/sitting", "text=How much time is there?"),
    ("/devices", "text=Devices"),
    ("/lessons", "text=Give it to the class"),
    ("/practice", "text=Every exercise"),
    ("/practice?exercise=place", "h1"),
    ("/practice/series", "[data-series]"),
    ("/practice/drill?of=larger_gap:3", "[data-board]"),
    ("/practice/drill?of=block_in:1", "[data-board]"),
)


CUT_OFF = """() => [...document.querySelectorAll("aside, aside *")]
  .filter(each => getComputedStyle(each).overflowX !== "visible" && each.clientWidth > 2
    && !["INPUT", "SELECT", "TEXTAREA"].includes(each.tagName)
    && !each.closest(".visually-hidden") && each.scrollWidth > each.clientWidth + 1)
  .map(each => `${each.tagName} ${each.className} ${each.scrollWidth} > ${each.clientWidth}`)"""
"""Boxes beside the picture that hold more than they show."""


SMALLEST_PX = 14
SMALL_TYPE = """least => {
  const found = [];
  const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let node = walk.nextNode(); node; node = walk.nextNode()) {
    const said = node.textContent.trim(), box = node.parentElement;
    // The figures of a fraction are parts of one sign.
    if (!said || box.closest("script, style, sup, sub, .visually-hidden")) continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    const { width, height } = range.getBoundingClientRect();
    const style = getComputedStyle(box);
    if (!width || !height || style.visibility === "hidden") continue;
    const scale = box.closest("svg") && box.getScreenCTM ? box.getScreenCTM() : null;
    const size = parseFloat(style.fontSize) * (scale ? Math.hypot(scale.a, scale.b) : 1);
    if (size < least - 0.05) found.push(`${size.toFixed(1)} px: ${said.slice(0, 40)}`);
  }
  return found;
}"""
"""Words that are set smaller than that, as they come out on the screen."""


LEAST_TARGET_PX, LEAST_THUMB_PX = 24, 44
TARGETS = """([least, within]) => [...document.querySelectorAll(
    `${within} :is(button, a[href], input, select, textarea, summary, [role=slider])`)]
  .filter(each => each.checkVisibility() && !each.closest(".visually-hidden, [aria-hidden=true]")
    // Within a sentence a link is as high as its line.
    && !(each.matches("a") && getComputedStyle(each).display === "inline")
    // What is ticked or chosen by its label is as large as that.
    && !["file", "radio", "checkbox"].includes(each.type))
  .map(each => [each, (each.closest(".ant-input-affix-wrapper, .ant-select, "
    + ".ant-input-number-affix-wrapper, .ant-input-number") ?? each).getBoundingClientRect()])
  .filter(([, box]) => box.width > 0 && Math.min(box.width, box.height) < least - 0.5)
  .map(([each, box]) => `${each.tagName} `
    + `${(each.textContent || each.ariaLabel || each.className).slice(0, 24)} `
    + `${box.width.toFixed(0)} by ${box.height.toFixed(0)}`)"""
"""What can be pressed and is smaller than that."""

OVERLAPS = (Path(__file__).parent / "overlaps.js").read_text()
SIZES = ((1280, 800), (1024, 768), (820, 1180), (390, 844))


class Sizes(SubjectCase):
    def test_every_room_at_every_size(self):
        """Nothing runs off, is cut off beside the picture, lies over anything else, is too small to
        be read or to be pressed."""
        number = self.study_id(TITLE)
        for width, height in SIZES:
            self.page.set_viewport_size({"width": width, "height": height})
            for path, wait in ROOMS:
                self.open(path.format(id=number), wait)
                self.page.wait_for_timeout(250)
                with self.subTest(size=f"{width}x{height}", path=path):
                    wide = self.page.evaluate("document.documentElement.scrollWidth")
                    self.assertLessEqual(wide, width)
                    self.assertEqual(self.page.evaluate(CUT_OFF), [])
                    self.assertEqual(self.page.evaluate(OVERLAPS), [])
                    self.assertEqual(self.page.evaluate(SMALL_TYPE, SMALLEST_PX), [])
                    self.assertEqual(self.page.evaluate(TARGETS, [LEAST_TARGET_PX, "body"]), [])

    def test_pad_and_prompter_are_large_enough_for_a_thumb(self):
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Sight next")
        for width, height in SIZES[:3]:
            self.page.set_viewport_size({"width": width, "height": height})
            for hand in ("section", "aside"):
                self.assertEqual(self.page.evaluate(TARGETS, [LEAST_THUMB_PX, hand]), [], width)

    def test_the_measure_finds_what_lies_over_another(self):
        self.open("/devices", "text=Devices")
        self.page.evaluate("""() => {
          const over = document.createElement("button");
          over.textContent = "In the way";
          over.style.cssText = "position:absolute;left:0;top:0;width:100vw;height:50vh";
          document.querySelector("main").append(over);
        }""")
        self.assertIn("In the way", " ".join(self.page.evaluate(OVERLAPS)))
        self.assertEqual(self.page.evaluate(TARGETS, [4000, "main"])[0][:6], "BUTTON")

    def test_buttons_of_the_recipe_are_large_enough_for_a_thumb(self):
        self.open(f"/studies/{self.study_id(TITLE)}/draw", "text=Ticked: next")
        for button in self.page.locator("aside button:visible").all()[:12]:
            box = button.bounding_box()
            self.assertGreaterEqual(min(box["width"], box["height"]), 43.5, button.inner_text())


class ByTouch(SubjectCase):
    viewport: ClassVar = {"width": 820, "height": 1180}
    touch = True

    def tap(self, selector):
        self.page.locator(selector).first.tap()

    def test_the_stick_is_set_and_read_by_touch_alone(self):
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Take up the stick")
        version = self.version()
        self.tap("text=Take up the stick")
        self.tap("text=Set the thumb to 1 can")
        self.tap("button:has-text('Across')")
        self.page.get_by_role("button", name="To").first.tap()
        x, y = self.dot("pot1_l")
        self.page.touchscreen.tap(x, y)
        self.page.wait_for_selector("[data-end=end][data-on=pot1_l]")
        self.tap("button:has-text('Read it')")
        self.page.wait_for_selector("text=/^Reads Can, rim left to Top pot, rim left/")
        self.tap("section button:has-text('Keep')")
        self.wait_for_version(version + 1)
        self.tap("text=Undo")
        self.wait_for_version(version + 2)

    def test_the_recipe_is_gone_through_by_touch_alone(self):
        self.open(f"/studies/{self.study_id(TITLE)}/draw", "text=Ticked: next")
        for number in range(2, 5):
            self.tap("text=Ticked: next")
            self.page.wait_for_selector(f"text=/^{number} of /")
        self.tap("ol[aria-label] li:nth-child(1) button")
        self.page.wait_for_selector("text=/^1 of /")

    def test_the_truth_is_revealed_by_touch(self):
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Reveal the truth")
        self.tap("text=Reveal the truth")
        self.page.wait_for_selector("[data-truth]", state="attached")
        self.tap("text=Hide the truth")
        self.page.wait_for_selector("[data-truth]", state="detached")


class AtTheEasel(SubjectCase):
    def setUp(self):
        super().setUp()
        self.open(f"/studies/{self.study_id(TITLE)}", "text=Sight next")
        self.page.keyboard.press("Shift+E")
        self.page.wait_for_selector("text=Leave the easel")

    def test_one_value_after_the_other_is_all_it_takes(self):
        version = self.version()
        asked = self.page.inner_text("[aria-live]")
        self.page.wait_for_selector("section >> text=Dibber, point")
        self.page.keyboard.type("4:00")
        self.page.keyboard.press("Enter")
        self.wait_for_version(version + 1)
        self.page.wait_for_function(
            "before => document.querySelector('[aria-live]').innerText !== before", arg=asked
        )
        self.page.wait_for_function(
            "() => !document.querySelector(\"section[aria-label='Take a reading']\")"
            ".innerText.includes('type its letters')"
        )
        self.page.keyboard.press("Control+z")
        self.wait_for_version(version + 2)

    def test_the_large_clock_face_is_turned_where_the_finger_is(self):
        """The hand goes to where it is pressed: straight right of the middle is 3 o'clock."""
        while not self.page.locator("[aria-label='Tilt as an hour']").count():
            asked = self.page.inner_text("[aria-live]")
            self.page.click("text=Another")
            self.page.wait_for_function(
                "before => document.querySelector('[aria-live]').innerText !== before", arg=asked
            )
        face = self.page.locator("[aria-label='Tilt as an hour'] > circle").first.bounding_box()
        self.assertGreater(face["width"], 120)
        at = (face["x"] + 0.88 * face["width"], face["y"] + face["height"] / 2)
        self.page.mouse.click(*at)
        self.page.wait_for_selector("output >> text=3:00")

    def test_nothing_scrolls_and_all_is_large(self):
        for width, height in ((1280, 800), (820, 1180)):
            self.page.set_viewport_size({"width": width, "height": height})
            self.page.wait_for_timeout(200)
            tall = self.page.evaluate("document.documentElement.scrollHeight")
            self.assertLessEqual(tall, height)
        size = self.page.evaluate(
            "parseFloat(getComputedStyle(document.querySelector('[aria-live]')).fontSize)"
        )
        self.assertGreaterEqual(size, 30)

    def test_back_to_the_bench(self):
        self.page.click("text=Leave the easel")
        self.page.wait_for_selector("text=Sight next")


class InOrder(SubjectCase):
    def test_a_study_is_gone_through_from_scene_to_paper_by_keyboard(self):
        """Choose a scene, sight three suggestions with the stick, then on to Draw and Frame."""
        self.open("/scenes", "text=Bottle, box and cone")
        self.page.focus("button:has-text('Bottle, box and cone')")
        self.page.keyboard.press("Enter")
        self.page.wait_for_selector("text=Sight next")
        version = self.version()
        self.page.keyboard.press("Shift+T")
        self.page.keyboard.press("Shift+U")
        asked = self.page.get_by_role("region", name="Sight next").locator("p").first
        for step in range(1, 4):
            before = asked.inner_text()
            self.take_it()
            self.page.wait_for_selector("[data-end=tip][data-on]", state="attached")
            self.page.wait_for_selector("[data-end=end][data-on]", state="attached")
            self.page.keyboard.press("Shift+R")
            self.page.wait_for_selector("text=/^Reads/")
            self.page.keyboard.press("Enter")
            self.wait_for_version(version + step)
            self.page.wait_for_function(
                "before => !document.body.innerText.includes(before)", arg=before
            )
        self.page.focus("nav a:has-text('Draw')")
        self.page.keyboard.press("Enter")
        self.page.wait_for_selector("text=/^1 of \\d/")
        self.page.focus("nav a:has-text('Frame')")
        self.page.keyboard.press("Enter")
        self.page.wait_for_selector("text=What is taken in")


if __name__ == "__main__":
    unittest.main()
