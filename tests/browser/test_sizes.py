"""Every room on every screen, each loaded once and asked everything: nothing runs off, is cut off,
lies over anything else or is too small; nothing for axe in a lit and in a dim room."""

import re
import unittest
from pathlib import Path
from typing import ClassVar, NamedTuple

from playwright.sync_api import expect

from tests.browser.case import PAINTED, ROOT, BrowserCase

TITLE = "Potting bench, morning light"


class Room(NamedTuple):
    """Where it is, what is there once it has loaded, and within what a thumb presses."""

    path: str
    wait: str
    thumb: str = ""


ROOMS = (
    Room("/scenes", "text=Seated figure"),
    Room("/studies/{id}/subject", "text=A human hand"),
    Room("/studies/{id}/sheet", "text=What is taken in"),
    Room("/studies/{id}/draw", "text=Ticked: next", "aside"),
    Room("/studies/{id}/draw?view=School", "text=What goes wrong"),
    Room("/", "[data-waits]"),
    Room("/studies/{id}", "text=Sight next", ":is(section, aside)"),
    Room("/studies/{id}?easel=yes", "text=Leave the easel"),
    Room("/studies/{id}/draw?view=Strokes", "text=Trace an edge"),
    Room("/studies/{id}/draw?view=Take+along", "text=On paper"),
    Room("/studies/{id}?side=Depth", "[data-depth-sum] [role=status]"),
    Room("/studies/{id}?side=Readings", "[data-reading]"),
    Room("/studies/{id}?side=Marks", "tr[data-mark]"),
    Room("/studies/{id}?side=Set-up", "text=Count in another unit"),
    Room("/studies/{id}/check", "text=To do, in this order"),
    Room("/studies/{id}/tone", "[data-question]"),
    Room("/new", "[data-kits] button"),
    Room("/studies/{id}/sitting", "text=How much time is there?"),
    Room("/devices", "text=Devices"),
    Room("/lessons", "text=Give it to the class"),
    Room("/practice", "text=Every exercise"),
    Room("/practice?exercise=place", "h1"),
    Room("/practice/series", "[data-series]"),
    Room("/practice/drill?of=larger_gap:3", "[data-board]"),
    Room("/practice/drill?of=widths:3", "[data-board]"),
    Room("/practice/drill?of=darker:3", "[data-board]"),
    Room("/practice/drill?of=block_in:1", "[data-board]"),
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
AXE = (ROOT / "frontend" / "node_modules" / "axe-core" / "axe.min.js").read_text()
WCAG = ["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"]
SIZES = ((390, 844), (844, 390), (840, 525), (820, 1180), (1180, 820), (1280, 800))

LEGEND = ("loose", "held", "proven", "in doubt", "predicted", "strained", "computed", "guessed")


class Sizes(BrowserCase):
    """A test for each room, made from the list."""

    studies: ClassVar[dict[str, int]] = {}
    """One to look at, by server: nothing here changes it."""

    def setUp(self):
        super().setUp()
        address = self.server.address
        if address not in self.studies:
            self.studies[address] = self.study_id(TITLE)
        self.number = self.studies[address]

    def look(self, room):
        self.open(room.path.format(id=self.number), room.wait)
        for width, height in SIZES:
            self.page.set_viewport_size({"width": width, "height": height})
            self.page.evaluate(PAINTED)
            with self.subTest(size=f"{width}x{height}"):
                wide = self.page.evaluate("document.documentElement.scrollWidth")
                self.assertLessEqual(wide, width)
                self.assertEqual(self.page.evaluate(CUT_OFF), [])
                self.assertEqual(self.page.evaluate(OVERLAPS), [])
                self.assertEqual(self.page.evaluate(SMALL_TYPE, SMALLEST_PX), [])
                self.assertEqual(self.page.evaluate(TARGETS, [LEAST_TARGET_PX, "body"]), [])
                if room.thumb and width > 390:
                    small = self.page.evaluate(TARGETS, [LEAST_THUMB_PX, room.thumb])
                    self.assertEqual(small, [])
        self.page.evaluate(AXE)
        with self.subTest("axe"):
            self.assertEqual(self.violations({"type": "tag", "values": WCAG}), [])
        self.page.emulate_media(color_scheme="dark")
        self.page.evaluate(PAINTED)
        with self.subTest("dim"):
            ground = self.page.evaluate("getComputedStyle(document.body).backgroundColor")
            self.assertLess(max(int(each) for each in re.findall(r"\d+", ground)[:3]), 60)
            self.assertEqual(self.violations(["color-contrast"]), [])
        if room.path.startswith("/studies") and "easel" not in room.path and "?" not in room.path:
            self.legend()

    def violations(self, rules):
        found = self.page.evaluate(
            "runOnly => axe.run({runOnly, resultTypes: ['violations'], selectors: false})", rules
        )
        return [
            f"{each['id']}: {node['html'][:160]}"
            for each in found["violations"]
            for node in each["nodes"][:3]
        ]

    def legend(self):
        """One tap away."""
        self.page.get_by_label("Marks, words and keys").click()
        legend = self.page.get_by_role("list", name="What the marks mean")
        for word in LEGEND:
            expect(legend).to_contain_text(word)
        self.assertEqual(legend.locator("li > svg").count(), legend.locator("li").count())
        expect(self.page.get_by_role("dialog")).to_have_count(1)

    def test_the_measures_find_what_is_wrong(self):
        self.open("/devices", "text=Devices")
        self.page.evaluate("""() => {
          const over = document.createElement("button");
          over.textContent = "In the way";
          over.style.cssText = "position:absolute;left:0;top:0;width:100vw;height:50vh;color:#eee;"
            + "background:#fff;font-size:9px";
          document.querySelector("main").append(over);
        }""")
        self.assertIn("In the way", " ".join(self.page.evaluate(OVERLAPS)))
        self.assertEqual(self.page.evaluate(TARGETS, [4000, "main"])[0][:6], "BUTTON")
        self.assertIn("9.0 px: In the way", self.page.evaluate(SMALL_TYPE, SMALLEST_PX))
        self.page.evaluate(AXE)
        self.assertIn("color-contrast", self.violations(["color-contrast"])[0])


def _look_at(room):
    return lambda self: self.look(room)


for _room in ROOMS:
    _name = re.sub(r"\W+", "_", _room.path.replace("/studies/{id}", "study")).strip("_") or "wall"
    setattr(Sizes, f"test_{_name}", _look_at(_room))


if __name__ == "__main__":
    unittest.main()
