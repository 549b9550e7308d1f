"""`make pictures` takes the pictures in docs/screenshots again, from the demonstration studies."""

from __future__ import annotations

import os
import sys
import tempfile
from pathlib import Path

from playwright.sync_api import Page, sync_playwright
from tests.browser.case import CHROMIUM, FLAGS, ROOT
from tests.serving import Server

from scripts.made_up_class import teach

FOLDER = ROOT / "docs" / "screenshots"
BENCH = "/studies/2"


def seen(page: Page) -> None:
    """The wall of somebody who has been here before."""
    page.click("text=I see")


def compare(page: Page) -> None:
    """The contradiction looked at again."""
    page.wait_for_timeout(1500)
    page.get_by_role("button", name="Look again").click()


def sitting(page: Page) -> None:
    """The first pose of three on the clock."""
    page.get_by_role("button", name="A long pose").click()
    page.get_by_role("button", name="Begin now").click()
    page.wait_for_selector("[data-left]")
    page.wait_for_timeout(1200)


def new_study(page: Page) -> None:
    """Begun with a kit, its first point pulled."""
    page.get_by_role("button", name="Head, three-quarter").click()
    dot = page.locator("svg g:has(text:text-is('Crown')) circle").bounding_box()
    page.mouse.move(dot["x"] + 4, dot["y"] + 4)
    page.mouse.down()
    page.mouse.move(dot["x"] + 24, dot["y"] + 14, steps=4)
    page.mouse.move(dot["x"] + 44, dot["y"] + 24, steps=4)
    page.mouse.up()


def stick(page: Page) -> None:
    """The thumb set to the can, carried along to the pots, stepped off and read."""
    page.click("text=Take up the stick")
    page.click("text=Set the thumb to 1 can")
    page.click("button:has-text('Across')")
    start = page.locator("[data-end=end] circle").first.bounding_box()
    to = page.locator("circle[data-dot=pot2_l]").bounding_box()
    page.mouse.move(start["x"] + 22, start["y"] + 22)
    page.mouse.down()
    page.mouse.move(to["x"] - 30, to["y"])
    page.mouse.move(to["x"] + to["width"] / 2, to["y"] + to["height"] / 2)
    page.mouse.up()
    page.click("button:has-text('Step')")
    page.click("button:has-text('Read it')")
    page.wait_for_selector("text=/^Reads/")


def station(page: Page) -> None:
    page.locator("img").first.wait_for()
    page.wait_for_timeout(1500)


def made_up_eye(page: Page) -> None:
    """The record of the made-up eye."""
    page.get_by_label("Who draws").select_option("A made-up eye")
    page.wait_for_selector("text=Getting surer")
    page.wait_for_timeout(800)


def straight_under(page: Page) -> None:
    """A trial over a scene, answered."""
    while not page.locator("[data-board] image").count():
        board = page.locator("[data-board]").bounding_box()
        page.mouse.click(board["x"] + board["width"] / 2, board["y"] + board["height"] / 2)
        page.get_by_role("button", name="Next").click()
        page.wait_for_selector("[data-judged]", state="detached")
        page.wait_for_selector("[data-board]")
    page.wait_for_timeout(1500)
    dashed = page.locator("[data-look=faint]").bounding_box()
    page.mouse.click(dashed["x"] + 0.42 * dashed["width"], dashed["y"] + dashed["height"] / 2)
    page.wait_for_selector("[data-judged]")


def negative(page: Page) -> None:
    page.click("label:has-text('Negative shapes')")
    page.wait_for_timeout(1500)


def loaded(page: Page) -> None:
    """The photographs are there."""
    page.wait_for_timeout(2500)


def traced(page: Page) -> None:
    """The can traced all round, and its straight strokes."""
    page.wait_for_timeout(1200)
    board = page.locator("[data-strokes]").bounding_box()
    way = (
        (0.184, 0.319), (0.157, 0.400), (0.178, 0.480), (0.174, 0.658), (0.356, 0.658),
        (0.366, 0.464), (0.373, 0.414), (0.372, 0.384), (0.356, 0.319), (0.184, 0.319),
    )  # fmt: skip
    x, y = board["x"], board["y"]
    for number, (across, down) in enumerate(way):
        page.mouse.move(x + across * board["width"], y + down * board["height"], steps=6)
        if number == 0:
            page.mouse.down()
    page.mouse.up()
    page.wait_for_timeout(800)


SHOWN = """() => [...document.images].every(each => each.complete && each.naturalWidth > 0)
  && [...document.querySelectorAll("svg image")].every(each => each.href.baseVal.startsWith("data:")
    || performance.getEntriesByName(new URL(each.href.baseVal, location.href).href).length > 0)"""
"""Whether every picture on the page is there."""

ALONE = """() => !document.querySelector("[aria-label^='Also here']")"""
"""Whether the page before is known to be gone."""

WIDE, UPRIGHT = (1280, 800), (820, 1180)

PICTURES = (
    ("wall", "/", "[data-waits] >> nth=3", WIDE, seen),
    ("bench", BENCH, "text=Simple here", WIDE, None),
    ("depth", "/studies/3?side=Depth", "text=Where your eye was", WIDE, None),
    ("tone", f"{BENCH}/tone", "[data-question]", WIDE, compare),
    ("new-study", "/new", "[data-kits] button", WIDE, new_study),
    ("tablet", BENCH, "text=Simple here", UPRIGHT, None),
    ("easel", f"{BENCH}?easel=yes", "text=Leave the easel", WIDE, None),
    ("stick", BENCH, "text=Simple here", WIDE, stick),
    ("scenes", "/scenes", "text=Seated figure", WIDE, station),
    ("station", "/studies/3/subject", "text=From above", WIDE, station),
    ("frame", f"{BENCH}/sheet", "text=What is taken in", WIDE, negative),
    ("recipe", f"{BENCH}/draw?at=22", "text=Placed: next", WIDE, None),
    ("school", f"{BENCH}/draw?view=School", "text=What goes wrong", WIDE, None),
    ("check", f"{BENCH}/check", "text=To do, in this order", WIDE, loaded),
    ("strokes", f"{BENCH}/draw?view=Strokes", "text=Trace an edge", WIDE, traced),
    ("practice", "/practice", "text=Every exercise", WIDE, made_up_eye),
    ("drill", "/practice/drill?of=plumb:40", "[data-board]", WIDE, straight_under),
    ("sitting", "/studies/1/sitting", "text=How much time", WIDE, sitting),
    ("lesson", "/lessons/{lesson}/wall", "[data-pupil=Hal] path", WIDE, None),
)


def main() -> None:
    """Take every picture, or those named."""
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        os.environ["ZIRKEL_PASSCODE"] = "48219037"
        server = Server(Path(folder) / "data", True, "--host", "0.0.0.0")
        server.start()
        lesson = ""
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        wanted = sys.argv[1:] or [each[0] for each in PICTURES]
        for name, path, wait, (width, height), act in PICTURES:
            if name not in wanted:
                continue
            page = browser.new_page(
                viewport={"width": width, "height": height}, reduced_motion="reduce"
            )
            if "{lesson}" in path:
                lesson = lesson or teach(server.address)
            page.goto(server.address + path.replace("{lesson}", lesson))
            page.wait_for_selector(wait)
            if act is not None:
                act(page)
            page.wait_for_function(SHOWN)
            page.wait_for_function(ALONE)
            page.wait_for_timeout(500)
            page.screenshot(path=FOLDER / f"{name}.png")
            page.close()
        browser.close()
        server.kill()


if __name__ == "__main__":
    main()
