"""Where the migrations lie, and which is the newest."""

from __future__ import annotations

from pathlib import Path

MIGRATIONS = Path(__file__).parent / "migrations"


def head() -> str:
    """The newest revision of the schema: migrations are named by theirs."""
    return max(each.name[:4] for each in (MIGRATIONS / "versions").glob("0*.py"))
