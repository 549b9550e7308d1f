"""The time as stored: UTC, without a zone."""

from __future__ import annotations

from datetime import UTC, datetime


def now() -> datetime:
    """This moment."""
    return datetime.now(UTC).replace(tzinfo=None)
