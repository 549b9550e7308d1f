"""Opening the SQLite file: pragmas, migrations, sessions."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from sqlalchemy import Engine, create_engine, event, inspect
from sqlalchemy.exc import DatabaseError

from zirkel.errors import BadInput, CannotKeep
from zirkel.store.backups import BEFORE_MIGRATION, back_up
from zirkel.store.revisions import MIGRATIONS, head

BUSY_MS = 10_000

UNKEPT = {
    "disk is full": "The disk is full",
    "readonly database": "The data can only be read here",
    "disk i/o error": "The disk doesn't take what is written",
    "database is locked": "The data is in use elsewhere",
}
"""What SQLite says where something can't be written, and what is said of it here."""


def open_database(path: Path) -> Engine:
    """The engine on a database file, made and brought up to date as needed.

    Write-ahead log with full synchronization: what was committed survives the process being
    killed and the power going. Every transaction that may write takes the write lock at once.
    """
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        migrate(path)
    except CannotKeep as error:
        why = str(error).split(",")[0]
        raise BadInput("data", f"{path} can't be used: {why}.") from error
    except OSError as error:
        raise BadInput("data", f"{path.parent} can't be used: {error.strerror}") from error
    except DatabaseError as error:
        raise BadInput("data", f"{path} {_damage(path, error)}") from error
    return connect(path)


def _damage(path: Path, error: DatabaseError) -> str:
    said = str(error.orig)
    if "unable to open" in said:
        return "can't be opened: may this account write into its folder?"
    return (
        f"is damaged or no database of Zirkel's ({said}): put a copy from before in its place, or "
        "choose another folder with --data"
    )


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

    @event.listens_for(engine, "handle_error")
    def _on_error(context: Any) -> None:
        said = str(context.original_exception).lower()
        for sign, problem in UNKEPT.items():
            if sign in said:
                raise CannotKeep(
                    f"{problem}, so this change was not kept. What was kept before is safe and can "
                    "be read."
                ) from context.original_exception

    @event.listens_for(engine, "begin")
    def _on_begin(connection: Any) -> None:
        kind = "IMMEDIATE" if connection.get_execution_options().get("writes", True) else "DEFERRED"
        connection.exec_driver_sql(f"BEGIN {kind}")

    return engine


def revision(path: Path) -> str | None:
    """The revision at which a database file stands; None for a new one. A file that is no database
    raises DatabaseError."""
    if not path.is_file() or not path.stat().st_size:
        return None
    engine = connect(path)
    try:
        with engine.connect().execution_options(writes=False) as connection:
            if not inspect(connection).has_table("alembic_version"):
                return None
            found = connection.exec_driver_sql("SELECT version_num FROM alembic_version").scalar()
            return None if found is None else str(found)
    finally:
        engine.dispose()


def migrate(path: Path, to: str = "head") -> None:
    """Bring the schema of a database file up (or back) to a revision; BadInput where a newer Zirkel
    wrote it."""
    stands = revision(path)
    if to == "head" and stands == head():
        return
    if stands is not None:
        back_up(path, BEFORE_MIGRATION)
    # Only now: loading what migrates takes longer than opening a database that needs none.
    from alembic import command  # noqa: PLC0415
    from alembic.config import Config  # noqa: PLC0415
    from alembic.util import CommandError  # noqa: PLC0415

    engine = connect(path)
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    try:
        with engine.connect().execution_options(writes=True) as connection, connection.begin():
            config.attributes["connection"] = connection
            command.upgrade(config, to)
    except CommandError as error:
        raise BadInput(
            "data",
            f"{path} was written by a newer Zirkel than this one: use that one, or another folder",
        ) from error
    finally:
        engine.dispose()
