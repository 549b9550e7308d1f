"""Codes to be scanned: each lets in whoever has it for a while, and none is the passcode.

One for a device is good once and for ten minutes. One for a lesson is good for all of a class, and
lets in pupils: who comes by it sees the lesson and what they made in it themselves.
"""

from __future__ import annotations

import secrets
import time
from dataclasses import dataclass
from threading import Lock

ONCE_S, LESSON_S = 600.0, 4 * 3600.0
LEFT_S = 300.0
"""A code that is good for less than that is shown to nobody any more."""


@dataclass(frozen=True, slots=True)
class Code:
    """What a code is good for: a lesson's pupils, or one device (None); until when."""

    lesson: str | None
    until: float


class Codes:
    """Those that were shown and are still good. They live as long as the process."""

    def __init__(self) -> None:
        self._known: dict[str, Code] = {}
        self._lock = Lock()

    def shown(self, lesson: str | None = None) -> str:
        """The code to be scanned now, the same until it was used or is nearly over."""
        now = time.monotonic()
        with self._lock:
            self._known = {code: each for code, each in self._known.items() if each.until > now}
            for code, each in self._known.items():
                if each.lesson == lesson and each.until > now + LEFT_S:
                    return code
            made = secrets.token_urlsafe(12)
            self._known[made] = Code(lesson, now + (LESSON_S if lesson else ONCE_S))
            return made

    def taken(self, code: str) -> Code | None:
        """What it is good for, if it is; one for a device is spent by that."""
        with self._lock:
            found = self._known.get(code)
            if found is None or found.until < time.monotonic():
                return None
            if found.lesson is None:
                del self._known[code]
            return found
