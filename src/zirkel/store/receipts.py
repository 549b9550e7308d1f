"""Receipts: that a change asked for under a token has been made, so that asking again changes
nothing, and that the token can't stand for another change."""

from __future__ import annotations

from dataclasses import dataclass
from hashlib import sha256

from sqlalchemy.orm import Session

from zirkel.errors import TokenReused
from zirkel.store.tables import ReceiptRow


@dataclass(frozen=True, slots=True)
class Receipt:
    """The token of a change, and what was asked for, as a hash."""

    token: str
    of: str

    @classmethod
    def for_change(cls, token: str | None, asked: object) -> Receipt | None:
        """The receipt of what was asked; None without a token."""
        if token is None:
            return None
        text = repr(asked).encode("utf-8", "backslashreplace")
        return cls(token, sha256(text).hexdigest())


def is_known(session: Session, study_id: int, receipt: Receipt | None) -> bool:
    """Whether that change was made already; TokenReused if its token was given to another."""
    row = None if receipt is None else session.get(ReceiptRow, (study_id, receipt.token))
    if row is None or receipt is None:
        return False
    if row.of not in (None, receipt.of):
        raise TokenReused
    return True


def keep(session: Session, study_id: int, receipt: Receipt | None) -> None:
    """Keep the receipt of a change that is being made."""
    if receipt is not None:
        session.add(ReceiptRow(study_id=study_id, token=receipt.token, of=receipt.of))
