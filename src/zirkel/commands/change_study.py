"""Making one change to a study, and walking its history."""

from __future__ import annotations

from zirkel.commands.base import Change
from zirkel.core.lesson.limits import beyond
from zirkel.errors import BadInput, StaleVersion
from zirkel.store.receipts import Receipt
from zirkel.store.store import Store, Stored


def change_study(
    store: Store, study_id: int, based_on: int, change: Change, token: str | None = None
) -> Stored:
    """Make a change based on a version of the study; StaleVersion if it is not the present one.

    What the change makes is solved before it is kept, so that nothing is kept that can't be. The
    same token a second time changes nothing, so that a request whose answer was lost can be sent
    again.
    """
    receipt = Receipt.for_change(token, change)
    if store.has_receipt(study_id, receipt):
        return store.get(study_id)
    before = store.get(study_id)
    if before.version != based_on:
        raise StaleVersion(based_on, before.version)
    fitting = change.before(before)
    made = fitting.made(before.study)
    refused = beyond(before.study, made)
    if refused is not None:
        raise BadInput(*refused)
    after = before.worked.followed_by(made)
    label = fitting.label(before.study, after.study)
    _ = after.plan
    return store.change(study_id, based_on, label, after, receipt, before.study)
