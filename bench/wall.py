"""The wall with ten studies and with five hundred: from its address to the first cards, in a real
browser; and the start of a killed server until it answers with that wall."""

from __future__ import annotations

import statistics
import tempfile
import time
import urllib.request
from dataclasses import replace
from pathlib import Path

from playwright.sync_api import Browser, sync_playwright
from tests.browser.case import CHROMIUM, FLAGS
from tests.serving import Server

from zirkel.demo.generate import DEMOS
from zirkel.demo.generate import FOLDER as DEMO_FOLDER
from zirkel.store.store import Store
from zirkel.studyfile.read import read_study
from zirkel.views.wall import wall

SIZES = (10, 500)
TIMES = 7

OPENED = """() => new Promise(done => {
  const look = () => document.querySelector('[data-waits]')
    ? requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now())))
    : setTimeout(look, 5);
  look();
})"""


def hang(data: Path, size: int) -> None:
    """So many studies on the wall of that folder, their cards worked out."""
    files = [(DEMO_FOLDER / f"{name}.zirkel.json").read_bytes() for name in DEMOS]
    studies = [read_study(each) for each in files]
    store = Store.at(data / "zirkel.sqlite")
    for number in range(size):
        study = studies[number % len(studies)]
        store.create(replace(study, title=f"{study.title} {number + 1}"))
    while any(each.pending for each in wall(store).studies):
        pass
    store.close()


def opened(browser: Browser, address: str) -> float:
    """Median milliseconds from the address to painted cards, each in a browser that knows
    nothing."""
    taken = []
    for _ in range(TIMES):
        context = browser.new_context(viewport={"width": 1280, "height": 800})
        page = context.new_page()
        page.goto(address)
        taken.append(page.evaluate(OPENED))
        context.close()
    return statistics.median(taken)


def started(server: Server) -> float:
    """Median seconds from the start after a kill until the wall was answered."""
    taken = []
    for _ in range(TIMES):
        server.kill()
        begin = time.monotonic()
        server.start()
        urllib.request.urlopen(server.address + "/api/v1/studies").read()
        taken.append(time.monotonic() - begin)
    return statistics.median(taken)


def main() -> None:
    """Print both, and how the large wall compares with the small one."""
    shown, ready = [], []
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        for size in SIZES:
            data = Path(folder) / str(size)
            hang(data, size)
            server = Server(data, demo=False)
            server.start()
            shown.append(opened(browser, server.address))
            ready.append(started(server))
            server.kill()
        browser.close()
    for size, ms, seconds in zip(SIZES, shown, ready, strict=True):
        print(
            f"{size} studies: cards painted after {ms:.0f} ms; ready {seconds:.2f} s after a kill."
        )
    print(f"The large wall opens in {shown[1] / shown[0]:.2f} times the time of the small one.")
