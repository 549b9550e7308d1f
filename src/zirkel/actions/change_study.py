"""Making one change to a study, and walking its history."""

from __future__ import annotations

from zirkel.actions.bench import Bench, bench_of
from zirkel.actions.changes import Change
from zirkel.errors import StaleVersion
from zirkel.store.store import Store


def change_study(
    store: Store, study_id: int, based_on: int, change: Change, token: str | None = None
) -> Bench:
    """Make a change based on a version of the study; StaleVersion if it is not the present one.

    The same token a second time changes nothing, so that a request whose answer was lost can be
    sent again.
    """
    if token is not None and store.has_receipt(study_id, token):
        return bench_of(store.get(study_id))
    before = store.get(study_id)
    if before.version != based_on:
        raise StaleVersion(based_on, before.version)
    after = change.made(before.study)
    label = change.label(before.study, after)
    return bench_of(store.change(study_id, based_on, label, after, token, before.study))


def undo_change(store: Store, study_id: int, based_on: int, token: str | None = None) -> Bench:
    """Take back the last change that stands."""
    return bench_of(store.undo(study_id, based_on, token))


def redo_change(store: Store, study_id: int, based_on: int, token: str | None = None) -> Bench:
    """Bring again the change undone last."""
    return bench_of(store.redo(study_id, based_on, token))
