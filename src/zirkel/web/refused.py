"""How often in a row somebody's changes to a study were refused: who is stuck in a lesson."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Mapping
from threading import Lock

from flask import Flask, current_app

MOST_STUDIES = 1000


class Refusals:
    """Counted while the server runs; the oldest are forgotten."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._count: OrderedDict[int, int] = OrderedDict()

    def again(self, study: int) -> None:
        """One more was refused."""
        with self._lock:
            self._count[study] = self._count.pop(study, 0) + 1
            while len(self._count) > MOST_STUDIES:
                self._count.popitem(last=False)

    def none(self, study: int) -> None:
        """One was taken."""
        with self._lock:
            self._count.pop(study, None)

    def all(self) -> Mapping[int, int]:
        """How many in a row, by study."""
        with self._lock:
            return dict(self._count)


def count_refusals(app: Flask) -> None:
    """Begin to count for that application."""
    app.extensions["zirkel_refusals"] = Refusals()


def refusals() -> Refusals:
    """Those of the running application."""
    found: Refusals = current_app.extensions["zirkel_refusals"]
    return found
