"""`make pictures` takes the pictures in docs/screenshots again, from the demonstration studies."""

from __future__ import annotations

import io
import tempfile
from pathlib import Path

from PIL import Image
from playwright.sync_api import Page, sync_playwright
from tests.browser.case import CHROMIUM, FLAGS, ROOT, Server

FOLDER = ROOT / "docs" / "screenshots"
BENCH = "/studies/2"


def keys(page: Page, text: str) -> None:
    """Type at the pad: landmarks by letters with a space after each, then kind and value."""
    for part in text.split(" "):
        page.keyboard.type(part)
        page.keyboard.press("Space")


def pad(page: Page) -> None:
    keys(page, "crl sf")
    page.keyboard.type("2 3/8")


def readings(page: Page) -> None:
    page.locator("[data-reading=s60] button").first.click()


def simple(page: Page) -> None:
    page.keyboard.press("Shift+S")
    page.locator("section[aria-label='Simple here']").scroll_into_view_if_needed()


def new_study(page: Page) -> None:
    page.get_by_label("What are you drawing?").fill("The boathouse, from the jetty")
    page.click("text=Next: landmarks")
    for name, x, y in (
        ("Gable, peak", 260, 200),
        ("Eave, left", 150, 380),
        ("Eave, right", 400, 390),
        ("Wall foot, left", 160, 600),
        ("Wall foot, right", 395, 610),
        ("Jetty, end", 700, 640),
    ):
        page.mouse.click(x, y)
        page.get_by_label("What is it called?").fill(name)
        page.keyboard.press("Enter")
        page.wait_for_selector(f"li >> text={name}")
    page.click("text=Next: shapes")
    for x, y in ((260, 200), (400, 390), (395, 610), (160, 600), (150, 380)):
        page.mouse.click(x, y)
    page.get_by_label("Name of the shape").fill("Boathouse")


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


def reveal(page: Page) -> None:
    page.keyboard.press("Shift+V")
    page.wait_for_selector("text=/The truth lay inside/")


def station(page: Page) -> None:
    page.locator("img").first.wait_for()
    page.wait_for_timeout(1500)


def photograph(page: Page) -> None:
    """A picture made from a scene's own drawing, turned a little, as a photograph would be."""
    page.wait_for_timeout(1500)
    card = page.locator("button:has-text('Bottle, box and cone') img")
    shot = Image.open(io.BytesIO(card.screenshot())).convert("RGB")
    large = shot.resize((shot.width * 4, shot.height * 4), Image.Resampling.LANCZOS)
    out = io.BytesIO()
    large.rotate(2.5, fillcolor=(229, 218, 200)).save(out, "PNG")
    page.set_input_files(
        "input[aria-label=Picture]",
        {"name": "photograph.png", "mimeType": "image/png", "buffer": out.getvalue()},
    )
    page.wait_for_selector("text=How it is looked at")
    box = page.locator("[role=application]").bounding_box()
    for name, x, y in (("Bottle, top left", 0.455, 0.1), ("Box, near corner", 0.285, 0.475)):
        page.get_by_label("Name of a new landmark").fill(name)
        page.mouse.click(box["x"] + x * box["width"], box["y"] + y * box["height"])
        page.wait_for_selector(f"li >> text={name}")
    page.mouse.move(box["x"] + 0.672 * box["width"], box["y"] + 0.405 * box["height"])


def negative(page: Page) -> None:
    page.click("label:has-text('Negative shapes')")
    page.wait_for_timeout(1500)


def strokes(page: Page) -> None:
    """The can's right side, traced."""
    page.wait_for_timeout(1500)
    box = page.locator("[data-strokes]").bounding_box()
    points = ((0.35, 0.27), (0.355, 0.3), (0.372, 0.35), (0.365, 0.42), (0.35, 0.49), (0.35, 0.53),
              (0.355, 0.6), (0.353, 0.62), (0.3, 0.64), (0.24, 0.64), (0.18, 0.625))  # fmt: skip
    for i, (x, y) in enumerate(points):
        page.mouse.move(box["x"] + x * box["width"], box["y"] + y * box["height"], steps=8)
        if i == 0:
            page.mouse.down()
    page.mouse.up()


def loaded(page: Page) -> None:
    """The photographs are there."""
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(800)


def corners(page: Page) -> None:
    """The drawing as it was photographed, with the sheet's corners."""
    page.click("text=Measure again")
    page.click("button:has-text('The corners')")
    loaded(page)


WIDE, UPRIGHT = (1280, 800), (820, 1180)

PICTURES = (
    ("wall", "/", "text=Wooden mask", WIDE, None),
    ("bench", BENCH, "text=Simple here", WIDE, None),
    ("pad", BENCH, "text=Simple here", WIDE, pad),
    ("readings", f"{BENCH}?side=Readings", "text=agrees", WIDE, readings),
    ("simple", BENCH, "text=Simple here", WIDE, simple),
    ("new-study", "/new", "text=What are you drawing", WIDE, new_study),
    ("tablet", BENCH, "text=Simple here", UPRIGHT, None),
    ("easel", f"{BENCH}?easel=yes", "text=Leave the easel", WIDE, None),
    ("stick", BENCH, "text=Simple here", WIDE, stick),
    ("reveal", "/studies/3", "text=Simple here", WIDE, reveal),
    ("scenes", "/scenes", "text=Seated figure", WIDE, station),
    ("station", "/studies/3/subject", "text=From above", WIDE, station),
    ("picture", "/scenes", "text=Seated figure", WIDE, photograph),
    ("frame", f"{BENCH}/sheet", "text=What is taken in", WIDE, negative),
    ("recipe", f"{BENCH}/draw?at=22", "text=Placed: next", WIDE, None),
    ("school", f"{BENCH}/draw?view=School", "text=What goes wrong", WIDE, None),
    ("check", f"{BENCH}/check", "text=To do, in this order", WIDE, loaded),
    ("check-corners", f"{BENCH}/check", "text=To do, in this order", WIDE, corners),
    ("strokes", f"{BENCH}/draw?view=Strokes", "[data-strokes]", WIDE, strokes),
)


def main() -> None:
    """Take every picture."""
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        server = Server(Path(folder) / "data")
        server.start()
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        for name, path, wait, (width, height), act in PICTURES:
            page = browser.new_page(
                viewport={"width": width, "height": height}, reduced_motion="reduce"
            )
            page.goto(server.address + path)
            page.wait_for_selector(wait)
            if act is not None:
                act(page)
            page.wait_for_timeout(500)
            page.screenshot(path=FOLDER / f"{name}.png")
            page.close()
        browser.close()
        server.kill()


if __name__ == "__main__":
    main()
