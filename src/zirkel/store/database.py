"""Opening the SQLite file: pragmas, migrations, sessions."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine, event

MIGRATIONS = Path(__file__).parent / "migrations"
BUSY_MS = 10_000


def open_database(path: Path) -> Engine:
    """The engine on a database file, made and brought up to date as needed.

    Write-ahead log with full synchronization: what was committed survives the process being
    killed and the power going. Every transaction that may write takes the write lock at once.
    """
    path.parent.mkdir(parents=True, exist_ok=True)
    migrate(path)
    return connect(path)


def connect(path: Path) -> Engine:
    """The engine alone, without migrations."""
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": BUSY_MS / 1000})

    @event.listens_for(engine, "connect")
    def _on_connect(connection: Any, _record: Any) -> None:
        connection.isolation_level = None
        cursor = connection.cursor()
        for pragma in ("foreign_keys=ON", "journal_mode=WAL", "synchronous=FULL"):
            cursor.execute(f"PRAGMA {pragma}")
        cursor.close()

    @event.listens_for(engine, "begin")
    def _on_begin(connection: Any) -> None:
        kind = "IMMEDIATE" if connection.get_execution_options().get("writes", True) else "DEFERRED"
        connection.exec_driver_sql(f"BEGIN {kind}")

    return engine


def migrate(path: Path, to: str = "head") -> None:
    """Bring the schema of a database file up (or back) to a revision."""
    engine = connect(path)
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.connect().execution_options(writes=True) as connection, connection.begin():
        config.attributes["connection"] = connection
        command.upgrade(config, to)
    engine.dispose()
