"""What an artist's drawings do over and over, as their first checks found it."""

from __future__ import annotations

from zirkel.core.practice.drawings import LAST, TRAINED_BY, Habit, habits
from zirkel.core.words.drawings import say_habit
from zirkel.store.store import Store, Stored


def habits_of(store: Store) -> tuple[Habit, ...]:
    """The habits of the last few drawings."""
    found = [store.get_or_broken(number) for number in store.cards.holding("checks", LAST)]
    return habits([e.study.checks[0] for e in found if isinstance(e, Stored) and e.study.checks])


def told(found: tuple[Habit, ...]) -> list[str]:
    """Habits in words."""
    return [said for each in found if (said := say_habit(each)) is not None]


def trained_by(found: tuple[Habit, ...]) -> frozenset[str]:
    """Names of the exercises by which they are practised away."""
    return frozenset(TRAINED_BY[each.kind] for each in found if each.kind in TRAINED_BY)
