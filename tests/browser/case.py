"""A real server and a real headless Chromium before it.

A page is dear and a browser context dearer, so each worker has one window for the mouse and one for
fingers, and a test finds its page empty: nothing stored, nothing routed, no second page.
"""

from __future__ import annotations

import json
import tempfile
import unittest
import urllib.request
from functools import cache
from multiprocessing.util import Finalize
from pathlib import Path
from typing import Any, ClassVar

from playwright.sync_api import Browser, BrowserContext, Page, Request, expect, sync_playwright

from tests.serving import Server, Threaded, demonstration

ROOT = Path(__file__).parents[2]
CHROMIUM = "/usr/bin/chromium-headless-shell"
FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-dev-shm-usage",
    "--disable-background-networking",
    "--disable-component-update",
]
LIGHT = "--js-flags=--no-opt --no-maglev --max-lazy --min-semi-space-size=64"
"""A page is looked at for a second: what is run often enough to be made fast costs more than it
saves."""

PATIENCE_MS = 60_000
"""A wait ends when what is waited for is there; on a busy machine that may take long."""

PAINTED = """async () => {
  const frame = () => new Promise(done => requestAnimationFrame(done));
  await document.fonts.ready;
  await frame();
  await frame();
  await new Promise(done => setTimeout(done, 40));
  const ending = document.getAnimations().filter(
    each => each.effect.getComputedTiming().endTime < 2000);
  await Promise.all(ending.map(each => each.finished.catch(() => null)));
}"""
"""Until a change of size has been measured, laid out and drawn."""


@cache
def shared_browser() -> Browser:
    """One Chromium for all tests of this process."""
    playwright = sync_playwright().start()
    expect.set_options(timeout=PATIENCE_MS)
    browser = playwright.chromium.launch(executable_path=CHROMIUM, args=[*FLAGS, LIGHT])
    Finalize(None, playwright.stop, exitpriority=1)
    Finalize(None, browser.close, exitpriority=3)
    return browser


@cache
def shared_server() -> Threaded:
    """One server with the demonstrations for all tests of this process that spoil nothing."""
    folder = tempfile.TemporaryDirectory()
    server = Threaded(Path(folder.name))
    Finalize(None, folder.cleanup, exitpriority=1)
    Finalize(None, server.close, exitpriority=2)
    return server


class Window:
    """A browser context with a page, kept from test to test."""

    def __init__(self, touch: bool) -> None:
        self.context: BrowserContext = shared_browser().new_context(
            has_touch=touch,
            reduced_motion="reduce",
            accept_downloads=True,
            service_workers="block",
        )
        self.troubles: list[str] = []
        self.address = ""
        self.page = self.new_page()

    def new_page(self) -> Page:
        page = self.context.new_page()
        page.set_default_timeout(PATIENCE_MS)
        page.on("pageerror", lambda error: self.troubles.append(str(error)))
        page.on("request", self._local_only)
        return page

    def _local_only(self, request: Request) -> None:
        if not request.url.startswith((self.address, "data:", "blob:")):
            self.troubles.append(f"asks the network for {request.url}")

    def clear(self) -> None:
        """As a browser that was never here, but for what it has cached of the application."""
        for page in self.context.pages:
            if page != self.page:
                page.close()
        self.context.set_offline(False)
        self.page.unroute_all(behavior="ignoreErrors")
        if self.page.url.startswith("http"):
            self.page.evaluate("() => { localStorage.clear(); sessionStorage.clear(); }")
        self.context.clear_cookies()
        self.page.emulate_media(
            media="screen", color_scheme="light", reduced_motion="reduce", forced_colors="none"
        )
        self.page.goto("about:blank")


@cache
def shared_window(touch: bool) -> Window:
    return Window(touch)


class BrowserCase(unittest.TestCase):
    """A page before a server: the shared one, or one of the class's own where what hangs on the
    wall matters, or one in a process of its own where it is killed."""

    shared_out = True
    demo = True
    own_server = False
    killed = False
    config: ClassVar[dict[str, Any]] = {}
    """How its own server is configured."""
    options: ClassVar[tuple[str, ...]] = ()
    passcode: ClassVar[str | None] = None
    """Options and passcode of the one that is killed."""
    viewport: ClassVar = {"width": 1280, "height": 800}
    touch = False
    own_window = False
    """Whether the test does to the page what can't be taken back: sets its clock."""

    @classmethod
    def setUpClass(cls) -> None:
        cls.browser = shared_browser()
        if not (cls.own_server or cls.killed):
            cls.server = shared_server()
            return
        # What was asked last may still be worked on when nobody waits for it any more.
        folder = tempfile.TemporaryDirectory(ignore_cleanup_errors=True)
        cls.addClassCleanup(folder.cleanup)
        data = Path(folder.name) / "data"
        if cls.killed:
            cls.server = Server(data, cls.demo, *cls.options)
            cls.server.passcode = cls.passcode
            cls.addClassCleanup(cls.server.kill)
            cls.server.start()
        else:
            cls.server = Threaded(data, cls.demo, **cls.config)
            cls.addClassCleanup(cls.server.close)

    def setUp(self) -> None:
        self.window = Window(self.touch) if self.own_window else shared_window(self.touch)
        self.addCleanup(self.window.context.close if self.own_window else self.window.clear)
        self.window.address = self.server.address
        self.troubles = self.window.troubles
        self.troubles.clear()
        self.context, self.page = self.window.context, self.window.page
        self.page.set_viewport_size(self.viewport)

    def new_page(self) -> Page:
        return self.window.new_page()

    def go_on(self, page: Page | None = None) -> None:
        """Past what is enough, to all that could still be sighted."""
        page = page or self.page
        enough = page.locator("[data-enough] button")
        enough.click()
        enough.wait_for(state="detached")

    def take_it(self, page: Page | None = None) -> None:
        """Takes up the suggestion by key, once there is one: it's worked out after the study."""
        page = page or self.page
        asked, enough = "[aria-keyshortcuts='Shift+N']:not([disabled])", "[data-enough] button"
        page.wait_for_selector(f"{asked}, {enough}", state="attached")
        if page.locator(enough).count():
            self.go_on(page)
            page.wait_for_selector(asked, state="attached")
        page.keyboard.press("Shift+N")

    def tearDown(self) -> None:
        self.assertEqual(self.troubles, [])

    def open(self, path: str, wait: str) -> None:
        self.page.goto(self.server.address + path)
        self.page.wait_for_selector(wait)

    def study_id(self, title: str) -> int:
        """A fresh study of that demonstration, this test's own."""
        return self.posted("import", demonstration(title))

    def posted(self, way: str, document: bytes) -> int:
        """The study that this makes, taken `import`ed or begun `from-scene`."""
        address = f"{self.server.address}/api/v1/studies/{way}"
        request = urllib.request.Request(address, document, {"Content-Type": "application/json"})
        with urllib.request.urlopen(request) as answer:
            return int(json.load(answer)["id"])

    def bench_of(self, study: int | str) -> Any:
        """What the bench is told of a study."""
        with urllib.request.urlopen(f"{self.server.address}/api/v1/studies/{study}") as answer:
            return json.load(answer)

    def version(self) -> int:
        return int(self.page.get_attribute("[data-version]", "data-version") or 0)

    def wait_for_version(self, version: int) -> None:
        self.page.wait_for_selector(f"[data-version='{version}']")

    def mark(self, landmark: str) -> tuple[float, float]:
        """Where a landmark is drawn, in millimetres on the sheet."""
        button = self.page.locator(f"[data-landmark='{landmark}']")
        left, top = button.get_attribute("data-left"), button.get_attribute("data-top")
        return float(left or "nan"), float(top or "nan")
