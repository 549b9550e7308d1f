"""Copies of the database: before every migration, once a day while Zirkel is in use, and by hand;
the last seven are kept. And putting one back.

A copy is made by SQLite's own backup, which takes a whole and sound state while others read and
write (SQLite documentation, "Using the SQLite Online Backup API"). Pictures are not in it: their
files are never changed or removed, so what an older database names is still there.
"""

from __future__ import annotations

import fcntl
import os
import re
import sqlite3
import sys
from collections.abc import Iterator
from contextlib import closing, contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from threading import Lock, Thread

from zirkel.errors import BadInput, CannotKeep, NotFound

FOLDER, KEPT = "backups", 7
NAME = re.compile(r"zirkel-(\d{8})-(\d{6})(?:-(\d+))?-([a-z-]+)\.sqlite")
BUSY_S = 10.0

DAILY, BEFORE_MIGRATION, BY_HAND, BEFORE_RESTORE = "daily", "migration", "by-hand", "restore"


@dataclass(frozen=True, slots=True)
class Backup:
    """A copy: its name, when it was made (UTC), why, how large it is in bytes."""

    name: str
    at: datetime
    why: str
    size: int
    path: Path


def backups(data: Path) -> list[Backup]:
    """The copies beside a database, the latest first."""
    found = []
    for path in (data / FOLDER).glob("zirkel-*.sqlite"):
        parts = NAME.fullmatch(path.name)
        if parts is None:
            continue
        try:
            at = datetime.strptime(f"{parts[1]}{parts[2]}", "%Y%m%d%H%M%S").replace(tzinfo=UTC)
            found.append(Backup(path.name, at, parts[4], path.stat().st_size, path))
        except (ValueError, OSError):
            continue
    return sorted(found, key=lambda each: (each.at, each.name), reverse=True)


def back_up(database: Path, why: str, now: datetime | None = None) -> Backup:
    """Copy a database; the last seven copies are kept. A half-made one never stands there."""
    folder = database.parent / FOLDER
    try:
        folder.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise CannotKeep(f"{folder} can't be made ({error.strerror}).") from error
    stamp = f"{now or datetime.now(UTC):%Y%m%d-%H%M%S}"
    path, number = folder / f"zirkel-{stamp}-{why}.sqlite", 1
    while path.exists():
        number += 1
        path = folder / f"zirkel-{stamp}-{number}-{why}.sqlite"
    draft = path.with_suffix(".draft")
    try:
        _copy(database, draft)
        _sync(draft)
        draft.replace(path)
        _sync(folder)
    except (OSError, sqlite3.Error) as error:
        raise CannotKeep(f"The database can't be copied into {folder} ({error}).") from error
    finally:
        draft.unlink(missing_ok=True)
    for old in backups(database.parent)[KEPT:]:
        old.path.unlink(missing_ok=True)
    return next(each for each in backups(database.parent) if each.name == path.name)


def back_up_today(database: Path, now: datetime | None = None) -> Backup | None:
    """The copy of the day, unless there is one of any kind already."""
    today = (now or datetime.now(UTC)).date()
    if any(each.at.date() == today for each in backups(database.parent)):
        return None
    return back_up(database, DAILY, now)


class Daily:
    """Makes the copy of the day at the day's first change, beside what is asked for."""

    def __init__(self, database: Path) -> None:
        self._database, self._day = database, ""
        self._lock = Lock()

    def __call__(self, _study: int, _version: int) -> None:
        """A study has changed."""
        today = f"{datetime.now(UTC):%Y%m%d}"
        with self._lock:
            if today == self._day:
                return
            self._day = today
        Thread(target=self._copy, daemon=True).start()

    def _copy(self) -> None:
        try:
            back_up_today(self._database)
        except CannotKeep as error:
            print(f"No copy was made today. {error}", file=sys.stderr, flush=True)
            self._day = ""


def restore(database: Path, name: str) -> Backup:
    """Put a copy in the database's place, what stood there being copied first; BadInput where it is
    in use or the copy is damaged, NotFound where there is none of that name."""
    found = next((each for each in backups(database.parent) if each.name == name), None)
    if found is None:
        raise NotFound(f"There is no copy called “{name}”: without a name, all are listed.")
    with in_use(database.parent, alone=True):
        _check(found.path)
        beside = database.with_suffix(".restored")
        try:
            # First, as the copy of what stands there may take this one's place among the seven.
            _copy(found.path, beside)
            _sync(beside)
            if database.exists():
                _keep_what_stands(database)
            for rest in ("-wal", "-shm"):
                Path(f"{database}{rest}").unlink(missing_ok=True)
            beside.replace(database)
            _sync(database.parent)
        finally:
            beside.unlink(missing_ok=True)
    return found


@contextmanager
def in_use(data: Path, alone: bool = False) -> Iterator[None]:
    """Hold a data folder while it is used; BadInput where another holds it in a way that excludes
    this. The system lets go of it however the process ends."""
    try:
        data.mkdir(parents=True, exist_ok=True)
        held = (data / "in-use").open("a")
    except OSError as error:
        raise BadInput("data", f"{data} can't be used: {error.strerror}") from error
    with held as file:
        try:
            fcntl.flock(file, (fcntl.LOCK_EX if alone else fcntl.LOCK_SH) | fcntl.LOCK_NB)
        except OSError as error:
            raise BadInput(
                "data",
                f"{data} is in use: stop the Zirkel that serves it first"
                if alone
                else f"{data} is being restored: try again in a moment",
            ) from error
        yield


def _keep_what_stands(database: Path) -> None:
    """Copy it; as it is, where it is no database any more."""
    try:
        back_up(database, BEFORE_RESTORE)
    except CannotKeep:
        database.replace(database.with_suffix(".damaged"))


def _copy(database: Path, to: Path) -> None:
    with (
        closing(sqlite3.connect(database, timeout=BUSY_S)) as source,
        closing(sqlite3.connect(to)) as target,
    ):
        source.backup(target)


def _check(path: Path) -> None:
    """BadInput unless the copy is sound."""
    try:
        with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as copy:
            said = copy.execute("PRAGMA integrity_check").fetchone()
    except sqlite3.DatabaseError as error:
        raise BadInput("backup", f"{path.name} is damaged ({error}): choose another") from error
    if said != ("ok",):
        raise BadInput("backup", f"{path.name} is damaged ({said[0]}): choose another")


def _sync(path: Path) -> None:
    handle = os.open(path, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)
