"""Long computations say now and then what they are doing; whoever listens may have them left off.

A loop that may take long calls `step`. Nobody need listen: then it costs a look at a variable. Who
listens (the web, for each request) is told in its own thread, and stops the work by raising.
"""

from __future__ import annotations

import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar

from zirkel.errors import TooMuchWork

Listener = Callable[[str], None]

_LISTENING: ContextVar[Listener | None] = ContextVar("listening", default=None)


def step(doing: str) -> None:
    """Say what is being done; what the listener raises ends the work."""
    listener = _LISTENING.get()
    if listener is not None:
        listener(doing)


@contextmanager
def heard_by(listener: Listener) -> Iterator[None]:
    """Within this, steps are told to the listener."""
    token = _LISTENING.set(listener)
    try:
        yield
    finally:
        _LISTENING.reset(token)


def no_longer_than(seconds: float) -> Listener:
    """A listener that ends the work after so many seconds of this thread's own processor time, as a
    busy machine takes nothing from that; TooMuchWork then."""
    began = time.thread_time()

    def listen(_: str) -> None:
        if time.thread_time() - began > seconds:
            raise TooMuchWork(seconds)

    return listen
