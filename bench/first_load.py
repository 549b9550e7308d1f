"""What the first load of wall and bench costs a browser that was never here: requests, bytes as
sent, and the longest task with the processor slowed to a quarter."""

from __future__ import annotations

import tempfile
from pathlib import Path

from playwright.sync_api import sync_playwright
from tests.browser.case import CHROMIUM, FLAGS
from tests.serving import Server

SLOWED = 4
ROOMS = (("wall", "/", "[data-stage]"), ("bench", "/studies/1", "text=Sight next"))
WATCHED = """window.tasks = [];
new PerformanceObserver(list => window.tasks.push(...list.getEntries().map(each => each.duration)))
  .observe({type: "longtask", buffered: true});"""
QUIET_MS = 2500


def main() -> None:
    """Print a line for each room."""
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        server = Server(Path(folder) / "data")
        server.start()
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        for name, path, wait in ROOMS:
            context = browser.new_context(service_workers="block")
            page = context.new_page()
            told = context.new_cdp_session(page)
            told.send("Network.enable")
            told.send("Emulation.setCPUThrottlingRate", {"rate": SLOWED})
            sent: list[float] = []
            told.on(
                "Network.loadingFinished", lambda e, sent=sent: sent.append(e["encodedDataLength"])
            )
            page.add_init_script(WATCHED)
            page.goto(server.address + path)
            page.wait_for_selector(wait)
            page.wait_for_timeout(QUIET_MS)
            tasks = page.evaluate("window.tasks")
            print(
                f"{name}: {len(sent)} requests, {sum(sent) / 1000:.0f} kB, longest task "
                f"{max(tasks, default=0) / 1000:.2f} s, {sum(tasks) / 1000:.2f} s of long ones"
            )
            context.close()
        browser.close()
        server.kill()


if __name__ == "__main__":
    main()
