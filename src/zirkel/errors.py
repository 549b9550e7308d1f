"""The errors that Zirkel raises on purpose, each with words an artist can act on.

Anyone may raise them; only the borders (web, command line) turn them into a reply.
"""

from __future__ import annotations


class ZirkelError(Exception):
    """Something went wrong that the person at the easel can be told about."""


class BadInput(ZirkelError):
    """An entry that cannot be taken as it is.

    `field` is the path to the entry ("sightings.3.units"), `problem` one plain sentence that
    gives the value and the way out.
    """

    def __init__(self, field: str, problem: str, more: tuple[tuple[str, str], ...] = ()) -> None:
        super().__init__(f"{field}: {problem}" if field else problem)
        self.field = field
        self.problem = problem
        self.more = more
        """Further (field, problem) pairs found in the same go."""


class NotFound(ZirkelError):
    """The study, landmark or sighting that was asked for does not exist (any more)."""


class StaleVersion(ZirkelError):
    """A change was based on an older version of the study than the one now stored."""

    def __init__(self, based_on: int, current: int) -> None:
        super().__init__(
            f"This study has been changed elsewhere: your change was based on version {based_on}, "
            f"it is now at version {current}."
        )
        self.based_on = based_on
        self.current = current


class TokenReused(ZirkelError):
    """A change was sent under a token that belongs to another change of this study."""

    def __init__(self) -> None:
        super().__init__(
            "Another change of this study was already made under this token, so this one was not: "
            "send it again under a token of its own."
        )


class Abandoned(ZirkelError):
    """Work that took long was left off by whoever had asked for it."""

    def __init__(self) -> None:
        super().__init__("Left off, as you asked. Nothing was changed.")


class TooMuchWork(ZirkelError):
    """A question that would take longer than anybody waits for its answer."""

    def __init__(self, seconds: float) -> None:
        super().__init__(
            f"This was left after {seconds:.0f} s of work: it is too much at once. Nothing was "
            "changed. Ask for less: a shorter time, fewer landmarks, simpler solids."
        )


class Unreadable(ZirkelError):
    """A study that is kept but can't be read."""

    def __init__(self, title: str, why: str) -> None:
        super().__init__(
            f"“{title}” can't be read: {why}. From the wall you can save its file, or go back in "
            "its history."
        )
        self.why = why


class CannotKeep(ZirkelError):
    """What was sent is sound but can't be written, as on a full disk."""


class Overtaken(ZirkelError):
    """What was asked for a version of a study that is no longer the newest; nobody waits for it."""

    def __init__(self, wanted: int, current: int) -> None:
        super().__init__(f"Asked for version {wanted}; the study is at version {current} by now.")
        self.current = current
