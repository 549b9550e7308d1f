"""From Enter on a reading to the repainted block-in, in a real browser, at 40 landmarks and 120
readings."""

from __future__ import annotations

import json
import statistics
import tempfile
import urllib.request
from pathlib import Path

from playwright.sync_api import sync_playwright
from tests.browser.case import CHROMIUM, FLAGS
from tests.serving import Server

from bench.speed import network_of, study_of
from zirkel.core.sightings import KINDS
from zirkel.core.simulation.observer import true_value
from zirkel.studyfile.read import write_study

TIMES = 15

STOPWATCH = """() => new Promise(done => {
  const bench = document.querySelector('[data-version]');
  const before = bench.dataset.version;
  const begin = performance.now();
  new MutationObserver((_, watch) => {
    if (bench.dataset.version !== before) {
      watch.disconnect();
      requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - begin)));
    }
  }).observe(bench, {attributes: true});
  window.dispatchEvent(new KeyboardEvent('keydown', {key: 'Enter', bubbles: true}));
})"""


def honest_value(address: str) -> str:
    """What the suggested reading would say of the truth, as typed."""
    with urllib.request.urlopen(address + "/api/v1/studies/1/prompts") as answer:
        prompt = json.load(answer)["sightings"][0]
    truth = network_of(40, 0).truth
    fields = {"along": prompt["along"], "towards": prompt["towards"], "units": 1.0}
    fields = fields if prompt["kind"] == "span" else {}
    fields |= {"degrees": 0.0} if prompt["kind"] == "tilt" else {}
    kind = KINDS[prompt["kind"]]
    asked = kind(id="x", start=prompt["start"], end=prompt["end"], **fields)
    return f"{abs(true_value(asked, truth)):.3f}"


def main() -> None:
    """Print the median and the spread."""
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        server = Server(Path(folder) / "data", demo=False)
        server.start()
        request = urllib.request.Request(
            server.address + "/api/v1/studies/import",
            data=write_study(study_of(40, 0)),
            headers={"Content-Type": "application/json"},
            method="POST",
        )
        urllib.request.urlopen(request).close()
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(server.address + "/studies/1")
        page.wait_for_selector("text=Sight next")
        taken = []
        for _ in range(TIMES):
            page.wait_for_timeout(1800)
            page.keyboard.press("Shift+N")
            page.keyboard.type(honest_value(server.address))
            taken.append(page.evaluate(STOPWATCH))
        browser.close()
        server.kill()
    print(
        f"Enter to repainted block-in: median {statistics.median(taken):.0f} ms, "
        f"from {min(taken):.0f} to {max(taken):.0f} ms over {TIMES} readings."
    )
