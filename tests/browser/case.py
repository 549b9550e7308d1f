"""A real server on a real database file and a real headless Chromium."""

from __future__ import annotations

import json
import os
import shutil
import signal
import socket
import subprocess
import sys
import tempfile
import time
import unittest
import urllib.request
from collections.abc import Callable
from functools import cache
from multiprocessing.util import Finalize
from pathlib import Path
from typing import ClassVar

from playwright.sync_api import Browser, Page, expect, sync_playwright

from zirkel.demo.generate import FOLDER as DEMO_FOLDER

ROOT = Path(__file__).parents[2]
CHROMIUM = "/usr/bin/chromium"
FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-dev-shm-usage",
    "--disable-background-networking",
    "--disable-component-update",
]


@cache
def demonstration(title: str) -> bytes:
    """The file of the demonstration with that title."""
    files = [path.read_bytes() for path in DEMO_FOLDER.glob("*.zirkel.json")]
    return next(data for data in files if json.loads(data)["title"] == title)


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


class Server:
    """`zirkel serve` in a process of its own."""

    def __init__(self, data: Path, demo: bool = True, *options: str) -> None:
        self.data, self.port, self.demo, self.options = data, free_port(), demo, options
        self.process: subprocess.Popen[bytes] | None = None

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> None:
        command = [sys.executable, "-m", "zirkel", "serve", "--port", str(self.port)]
        command += ["--data", str(self.data), *(["--demo"] if self.demo else []), *self.options]
        if ends_with := shutil.which("setpriv"):
            # However this process ends, the server ends with it.
            command = [ends_with, "--pdeathsig", "KILL", *command]
        self.process = subprocess.Popen(
            command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL
        )
        for _ in range(400):
            try:
                urllib.request.urlopen(self.address + "/api/v1/door", timeout=1).close()
                return
            except OSError:
                time.sleep(0.05)
        raise RuntimeError("the server did not start")

    def said(self, *options: str, until: str) -> str:
        """Start it with these options too; what it says where it was started, up to that line."""
        command = [sys.executable, "-m", "zirkel", "serve", "--port", str(self.port)]
        self.process = subprocess.Popen(
            [*command, "--data", str(self.data), *options], stdout=subprocess.PIPE,
        )  # fmt: skip
        lines: list[str] = []
        while self.process.stdout and (line := self.process.stdout.readline()):
            lines.append(line.decode())
            if lines[-1].startswith(until):
                break
        return "".join(lines)

    def kill(self) -> None:
        """As a power cut would."""
        if self.process and self.process.poll() is None:
            os.kill(self.process.pid, signal.SIGKILL)
            self.process.wait()
            if self.process.stdout:
                self.process.stdout.close()


def at_the_end(tidy: Callable[[], object], priority: int) -> None:
    """Tidy up when this process ends, the highest first, also when it is one of several and is
    told to end."""
    Finalize(None, tidy, exitpriority=priority)
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))


@cache
def shared_browser() -> Browser:
    """One Chromium for all tests of this process."""
    playwright = sync_playwright().start()
    expect.set_options(timeout=30_000)
    browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
    at_the_end(playwright.stop, priority=1)
    at_the_end(browser.close, priority=2)
    return browser


@cache
def shared_server() -> Server:
    """One server with the demonstrations for all tests of this process that spoil nothing."""
    folder = tempfile.mkdtemp()
    server = Server(Path(folder) / "data")
    server.start()
    at_the_end(lambda: shutil.rmtree(folder, ignore_errors=True), priority=1)
    at_the_end(server.kill, priority=2)
    return server


class BrowserCase(unittest.TestCase):
    """A page before a server: the shared one, or one of the class's own where it is killed, or
    where what hangs on the wall matters."""

    demo = True
    own_server = False
    options: ClassVar[tuple[str, ...]] = ()
    """Further options of its own server."""
    viewport: ClassVar = {"width": 1280, "height": 800}
    touch = False

    @classmethod
    def setUpClass(cls) -> None:
        cls.browser = shared_browser()
        if not cls.own_server:
            cls.server = shared_server()
            return
        folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.server = Server(Path(folder.name) / "data", cls.demo, *cls.options)
        cls.server.start()
        cls.addClassCleanup(cls.server.kill)

    def setUp(self) -> None:
        self.context = self.browser.new_context(
            viewport=self.viewport,  # type: ignore[arg-type]
            has_touch=self.touch,
            reduced_motion="reduce",
            accept_downloads=True,
        )
        self.addCleanup(self.context.close)
        self.page = self.new_page()

    def new_page(self) -> Page:
        page = self.context.new_page()
        page.set_default_timeout(30_000)
        self.troubles: list[str] = []
        page.on("pageerror", lambda error: self.troubles.append(str(error)))
        page.on("request", self._local_only)
        return page

    def take_it(self, page: Page | None = None) -> None:
        """Takes up the suggestion by key, once there is one: it's worked out after the study."""
        page = page or self.page
        page.wait_for_selector("[aria-keyshortcuts='Shift+N']", state="attached")
        page.keyboard.press("Shift+N")

    def _local_only(self, request) -> None:
        if not request.url.startswith((self.server.address, "data:", "blob:")):
            self.troubles.append(f"asks the network for {request.url}")

    def tearDown(self) -> None:
        self.assertEqual(self.troubles, [])

    def open(self, path: str, wait: str) -> None:
        self.page.goto(self.server.address + path)
        self.page.wait_for_selector(wait)

    def study_id(self, title: str) -> int:
        """A fresh study of that demonstration, this test's own."""
        address = self.server.address + "/api/v1/studies/import"
        request = urllib.request.Request(
            address, demonstration(title), {"Content-Type": "application/json"}, method="POST"
        )
        with urllib.request.urlopen(request) as answer:
            return int(json.load(answer)["id"])

    def version(self) -> int:
        return int(self.page.get_attribute("[data-version]", "data-version") or 0)

    def wait_for_version(self, version: int) -> None:
        self.page.wait_for_selector(f"[data-version='{version}']")

    def mark(self, landmark: str) -> tuple[float, float]:
        """Where a landmark is drawn, in millimetres on the sheet."""
        button = self.page.locator(f"[data-landmark='{landmark}']")
        left, top = button.get_attribute("data-left"), button.get_attribute("data-top")
        return float(left or "nan"), float(top or "nan")
