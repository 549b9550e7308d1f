"""`make pictures` takes the pictures in docs/screenshots again, from the demonstration studies."""

from __future__ import annotations

import tempfile
from pathlib import Path

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


def tilt(page: Page) -> None:
    keys(page, "st sk")
    page.keyboard.press("t")
    page.keyboard.type("1:00")


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


WIDE, UPRIGHT = (1280, 800), (820, 1180)

PICTURES = (
    ("wall", "/", "text=Wooden mask", WIDE, None),
    ("bench", BENCH, "text=Simple here", WIDE, None),
    ("pad", BENCH, "text=Simple here", WIDE, pad),
    ("tilt", BENCH, "text=Simple here", WIDE, tilt),
    ("readings", f"{BENCH}?side=Readings", "text=agrees", WIDE, readings),
    ("marks", f"{BENCH}?side=Marks", "text=from left", WIDE, None),
    ("simple", BENCH, "text=Simple here", WIDE, simple),
    ("new-study", "/new", "text=What are you drawing", WIDE, new_study),
    ("tablet", BENCH, "text=Simple here", UPRIGHT, None),
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
