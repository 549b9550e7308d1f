"""Zirkel served for tests: in this process on a copied database, or, where it is to be killed, in a
process of its own."""

from __future__ import annotations

import json
import multiprocessing
import os
import shutil
import signal
import socket
import tempfile
import threading
import time
import unittest
import urllib.request
from datetime import UTC, datetime
from functools import cache
from multiprocessing import connection
from multiprocessing.util import Finalize
from pathlib import Path
from typing import Any

from zirkel.cli.options import PAGES
from zirkel.commands.lay_out_demo import lay_out_demo, lay_out_record
from zirkel.demo.generate import FOLDER as DEMO_FOLDER
from zirkel.demo.made_up_eye import NAME, made_up_record
from zirkel.store.store import Store
from zirkel.web.app import WebConfig, create_app
from zirkel.web.serving import plain_server

PATIENCE_S = 120.0
"""A server on a machine that is busy with something else starts too."""


@cache
def demonstration(title: str) -> bytes:
    """The file of the demonstration with that title."""
    files = [path.read_bytes() for path in DEMO_FOLDER.glob("*.zirkel.json")]
    return next(data for data in files if json.loads(data)["title"] == title)


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


@cache
def _template(demo: bool) -> Path:
    """A folder with a database as a first start leaves it; made once, then copied."""
    folder = Path(tempfile.mkdtemp())
    Finalize(None, shutil.rmtree, (folder, True), exitpriority=1)
    store = Store.at(folder / "zirkel.sqlite")
    if demo:
        lay_out_demo(store, DEMO_FOLDER)
        lay_out_record(store, NAME, lambda: made_up_record(datetime.now(UTC)))
    store.close()
    return folder


def fresh_data(folder: Path, demo: bool = False) -> Path:
    """A database of one's own in that folder, with the demonstrations or empty; its path."""
    shutil.copytree(_template(demo), folder, dirs_exist_ok=True)
    return folder / "zirkel.sqlite"


class ServedCase(unittest.TestCase):
    """The application on a database of the test's own, asked without a network."""

    demo = False

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.database = fresh_data(self.folder, self.demo)
        self.serve()

    def serve(self, **config: Any) -> None:
        """Serve the database, again if it was before."""
        self.app = create_app(WebConfig(self.database, None, **config))
        self.store: Store = self.app.extensions["zirkel_store"]
        self.addCleanup(self.store.close)
        self.client = self.app.test_client()


class Threaded:
    """The application behind its real server, in threads of this process."""

    def __init__(self, data: Path, demo: bool = True, **config: Any) -> None:
        database = fresh_data(data, demo)
        host = config.pop("host", "127.0.0.1")
        self.port = free_port()
        app = create_app(WebConfig(database, PAGES, host, port=self.port, **config))
        self.store: Store = app.extensions["zirkel_store"]
        self._server = plain_server(app, host, self.port)
        self._thread = threading.Thread(target=self._server.run, daemon=True)
        self._thread.start()

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def close(self) -> None:
        """Nobody is answered any more."""
        self._server.trigger.pull_trigger(self._hang_up)
        self._thread.join(PATIENCE_S)
        self.store.close()

    def _hang_up(self) -> None:
        # In the server's own thread: a number of a file that is closed elsewhere may be another's
        # by the time it is looked at here. With nothing left to look at, the thread ends.
        self._server.task_dispatcher.set_thread_count(0)
        for each in list(self._server.active_channels.values()):
            each.handle_close()
        self._server.close()


def _end_with(parent: int) -> None:
    connection.wait([parent])
    os._exit(1)


def _serve(arguments: list[str], passcode: str | None, said: Any) -> None:
    """In a process of its own: `zirkel serve` as typed; what it says goes into the pipe."""
    from zirkel.cli.main import main  # noqa: PLC0415  # in the new process only

    parent = multiprocessing.parent_process()
    threading.Thread(target=_end_with, args=(parent.sentinel,), daemon=True).start()
    if passcode is not None:
        os.environ["ZIRKEL_PASSCODE"] = passcode
    os.dup2(said.fileno() if said else os.open(os.devnull, os.O_WRONLY), 1)
    main(arguments)


@cache
def _processes() -> Any:
    """Where processes come from that have loaded all already, so that they start at once; yet each
    is one of its own, and can be killed."""
    made = multiprocessing.get_context("forkserver")
    made.set_forkserver_preload(["zirkel.cli.serve", "tests.serving"])
    return made


class Server:
    """`zirkel serve` in a process of its own."""

    def __init__(self, data: Path, demo: bool = True, *options: str) -> None:
        self.data, self.port, self.options = data, free_port(), options
        self.passcode: str | None = None
        self.process: Any = None
        if not (data / "zirkel.sqlite").exists():
            fresh_data(data, demo)

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def _launch(self, options: tuple[str, ...], said: Any = None) -> None:
        arguments = ["serve", "--port", str(self.port), "--data", str(self.data), *options]
        self.process = _processes().Process(
            target=_serve, args=(arguments, self.passcode, said), daemon=True
        )
        self.process.start()

    def start(self) -> None:
        self._launch(self.options)
        self.wait(self.address + "/api/v1/door")

    def wait(self, address: str, **how: Any) -> None:
        """Until it answers there."""
        until = time.monotonic() + PATIENCE_S
        while time.monotonic() < until and self.process.is_alive():
            try:
                urllib.request.urlopen(address, timeout=10, **how).close()
                return
            except OSError:
                time.sleep(0.05)
        self.kill()
        raise RuntimeError("the server did not start")

    def said(self, *options: str, until: str) -> str:
        """Start it with these options too; what it says where it was started, up to that line."""
        lines: list[str] = []
        heard, said = multiprocessing.Pipe(duplex=False)
        with heard, os.fdopen(os.dup(heard.fileno())) as told:
            with said:
                self._launch(options, said)
            for line in told:
                lines.append(line)
                if line.startswith(until):
                    break
        return "".join(lines)

    def kill(self) -> None:
        """As a power cut would."""
        if self.process is not None and self.process.is_alive():
            os.kill(self.process.pid, signal.SIGKILL)
            self.process.join()
