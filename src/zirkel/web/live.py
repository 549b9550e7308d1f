"""Several devices at one study: who is at which room, what the stick lies on in the other's hand,
and that the study has changed, told to each as it happens.

A device listens by an event stream. What it is told is small; the study itself it asks for as ever.
"""

from __future__ import annotations

import json
from collections.abc import Collection, Iterator
from dataclasses import dataclass, field
from queue import Empty, Full, Queue
from threading import Lock
from typing import Any

from flask import Flask, current_app

from zirkel.web.problems import Problem, Refused

MOST_LISTENERS = 64
"""Each holds a thread of the server's."""

MOST_WAITING = 50
"""What may wait for a device that takes nothing; more is dropped, and it is told all anew."""

BEAT_SECONDS = 2.0
"""How often a quiet stream shows that it is alive: who has gone is known by then."""

UNAVAILABLE = 503


@dataclass(slots=True)
class Listener:
    """A device that listens to a study: by whom it is called, in which room it is."""

    id: str
    study: int
    name: str
    room: str
    pupil: bool = False
    """Whether the device was let in for a lesson alone."""
    waiting: Queue[tuple[str, Any]] = field(default_factory=lambda: Queue(MOST_WAITING))
    replaced: bool = False
    """Whether the same device listens anew: this stream ends, and its thread is free."""

    def tell(self, event: str, said: Any) -> None:
        """What it is to hear next; whoever takes nothing is told all anew once it does."""
        try:
            self.waiting.put_nowait((event, said))
        except Full:
            self._forget()
            self.waiting.put_nowait(("again", {}))

    def end(self) -> None:
        """Have its stream end at once."""
        self.replaced = True
        self._forget()
        self.waiting.put_nowait(("again", {}))

    def _forget(self) -> None:
        while not self.waiting.empty():
            try:
                self.waiting.get_nowait()
            except Empty:
                break


class Live:
    """All that listen to this server."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._listeners: list[Listener] = []

    def join(self, listener: Listener) -> None:
        """Begin to listen; one of the same name in another room has moved there. Refused where too
        many do."""
        with self._lock:
            kept = [each for each in self._listeners if each.id != listener.id]
            replaced = [each for each in self._listeners if each.id == listener.id]
            if len(kept) >= MOST_LISTENERS:
                raise Refused(
                    Problem(
                        title="Too many at once",
                        status=UNAVAILABLE,
                        detail=f"{MOST_LISTENERS} devices listen already: this one asks for what "
                        "is new now and then instead.",
                    )
                )
            self._listeners = [*kept, listener]
        for each in replaced:
            each.end()
        self._tell_who(listener.study)

    def leave(self, listener: Listener) -> None:
        """Listen no longer; the others are told, and the stick is out of its hand."""
        with self._lock:
            gone = listener not in self._listeners
            self._listeners = [each for each in self._listeners if each is not listener]
        if not gone:
            self.tell(listener.study, "stick", {"listener": listener.id, "landmarks": []})
            self._tell_who(listener.study)

    def here(self, study: int) -> list[dict[str, str]]:
        """Who is at a study, and in which room."""
        with self._lock:
            return [
                {"listener": each.id, "name": each.name, "room": each.room}
                for each in self._listeners
                if each.study == study
            ]

    def rooms(self, theirs: Collection[int] = ()) -> dict[int, str]:
        """The room of who listens to each study; of `theirs` only pupils' own devices count, not
        who teaches and looks at it."""
        with self._lock:
            return {
                each.study: each.room
                for each in self._listeners
                if each.pupil or each.study not in theirs
            }

    def tell(self, study: int, event: str, told: Any, but: str | None = None) -> None:
        """Tell all who listen to a study, but one."""
        with self._lock:
            heard = [each for each in self._listeners if each.study == study and each.id != but]
        for each in heard:
            each.tell(event, told)

    def _tell_who(self, study: int) -> None:
        self.tell(study, "here", self.here(study))


def live() -> Live:
    """Those of the running application."""
    found: Live = current_app.extensions["zirkel_live"]
    return found


def stream(told: Live, listener: Listener, version: int) -> Iterator[str]:
    """What a device hears, from which version the study has to the end, as an event stream."""
    yield _said("changed", {"version": version})
    yield _said("here", told.here(listener.study))
    while not listener.replaced:
        try:
            event, said = listener.waiting.get(timeout=BEAT_SECONDS)
        except Empty:
            yield ": here\n\n"
            continue
        yield _said(event, said)


def _said(event: str, told: Any) -> str:
    return f"event: {event}\ndata: {json.dumps(told, ensure_ascii=False)}\n\n"


def connect(app: Flask) -> None:
    """Have the store's changes told to who listens."""
    made = Live()
    app.extensions["zirkel_live"] = made
    app.extensions["zirkel_store"].heard.append(
        lambda study, version: made.tell(study, "changed", {"version": version})
    )
