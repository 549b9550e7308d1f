"""What the server is at: every request that takes long, what it is doing, and a way to leave it
off.

A request left off ends at its next step with a problem, before anything is kept: changes are solved
before they are committed.
"""

from __future__ import annotations

import time
from contextlib import ExitStack
from dataclasses import dataclass, field
from itertools import count
from threading import Lock

from flask import Flask, current_app, g, request

from zirkel.core.patience import Listener, heard_by, no_longer_than
from zirkel.errors import Abandoned, NotFound

LONG_S = 1.0
"""What takes less need not be told."""

MOST_S = 10.0
"""Processor seconds that a question may take. A change has no such bound: what was entered is kept,
however long it takes to solve."""


@dataclass(slots=True)
class Work:
    """One request at work: what it was asked for, what it is doing, since when (monotonic)."""

    id: int
    what: str
    started: float = field(default_factory=time.monotonic)
    doing: str = ""
    left: bool = False
    bound: Listener | None = None

    def heard(self, doing: str) -> None:
        """Takes note of a step; Abandoned if the work was left off."""
        self.doing = doing
        if self.left:
            raise Abandoned
        if self.bound is not None:
            self.bound(doing)


class Works:
    """All requests at work in this server."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._numbers = count(1)
        self._running: dict[int, Work] = {}

    def begin(self, what: str, bound: Listener | None = None) -> Work:
        """Enter a request, and what ends it when it is too much."""
        with self._lock:
            work = Work(next(self._numbers), what, bound=bound)
            self._running[work.id] = work
            return work

    def end(self, work: Work) -> None:
        """Strike it off."""
        with self._lock:
            self._running.pop(work.id, None)

    def long(self) -> list[tuple[Work, float]]:
        """Those that have taken long already, with their seconds; the longest first."""
        now = time.monotonic()
        with self._lock:
            found = [(each, now - each.started) for each in self._running.values()]
        return sorted((p for p in found if p[1] >= LONG_S), key=lambda pair: -pair[1])

    def leave(self, number: int) -> None:
        """Have one left off; NotFound if it has ended."""
        with self._lock:
            work = self._running.get(number)
        if work is None:
            raise NotFound("This is done already.")
        work.left = True


def works() -> Works:
    """Those of the running application."""
    found: Works = current_app.extensions["zirkel_works"]
    return found


def watch(app: Flask) -> None:
    """Enter every request while it is answered."""
    app.extensions["zirkel_works"] = Works()

    @app.before_request
    def _begun() -> None:
        view = app.view_functions.get(request.endpoint or "")
        about = (view.__doc__ or "").strip().split("\n")[0].rstrip(".") if view else ""
        bound = no_longer_than(MOST_S) if request.method == "GET" else None
        work = works().begin(about or request.path, bound)
        stack = ExitStack()
        stack.enter_context(heard_by(work.heard))
        g.zirkel_work, g.zirkel_heard = work, stack

    @app.teardown_request
    def _ended(_: BaseException | None) -> None:
        if "zirkel_work" in g:
            works().end(g.pop("zirkel_work"))
            g.pop("zirkel_heard").close()
