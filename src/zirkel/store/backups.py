"""Copies of the database: before every migration and restoring, once a day while Zirkel is in use,
and by hand; of each sort the last seven are kept. And putting one back.

A copy counts once it has been read through: one of a damaged database is none, and takes no other
copy's place.
A copy is made by SQLite's own backup, which takes a whole and sound state while others read and
write (SQLite documentation, "Using the SQLite Online Backup API"). Pictures are not in it: their
files are never changed or removed, so what an older database names is still there.
"""

from __future__ import annotations

import fcntl
import json
import os
import re
import sqlite3
import sys
from collections.abc import Iterator
from contextlib import closing, contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path
from threading import Lock, Thread
from urllib.parse import quote

from zirkel.errors import BadInput, CannotKeep, NotFound
from zirkel.store.revisions import head

FOLDER, KEPT = "backups", 7
AHEAD = timedelta(days=1)
"""A copy dated later than that was made while the clock was wrong: it counts as older than any."""

NAME = re.compile(r"zirkel-(\d{8})-(\d{6})(?:-(\d+))?-([a-z-]+)\.sqlite")
BUSY_S = 10.0

DAILY, BEFORE_MIGRATION, BY_HAND, BEFORE_RESTORE = "daily", "migration", "by-hand", "restore"


class NotACopyError(Exception):
    """What is wrong with a file that was to be a copy of Zirkel's database."""


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
    """Copy a database; of each sort the last seven copies are kept. A half-made one, or one of a
    damaged database, never stands there: CannotKeep."""
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
        _read_through(draft)
        _sync(draft)
        draft.replace(path)
        _sync(folder)
    except NotACopyError as error:
        raise CannotKeep(
            f"The database can't be copied into {folder}: it {error}. The copies from before stand."
        ) from error
    except (OSError, sqlite3.Error) as error:
        raise CannotKeep(f"The database can't be copied into {folder} ({error}).") from error
    finally:
        draft.unlink(missing_ok=True)
    made = next(each for each in backups(database.parent) if each.name == path.name)
    _make_room(database.parent, made)
    return made


def _make_room(data: Path, made: Backup) -> None:
    """Take away the oldest of that sort, never the one just made."""
    ahead = made.at + AHEAD
    alike = [each for each in backups(data) if each.why == made.why and each != made]
    alike.sort(key=lambda each: (each.at > ahead, ahead - each.at))
    for old in alike[KEPT - 1 :]:
        old.path.unlink(missing_ok=True)


def back_up_today(database: Path, now: datetime | None = None) -> Backup | None:
    """The copy of the day, unless there is one already."""
    today = (now or datetime.now(UTC)).date()
    if any(each.at.date() == today and each.why == DAILY for each in backups(database.parent)):
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


def restore(database: Path, name: str) -> tuple[Backup, Path | None]:
    """Put a copy in the database's place, what stood there being copied first: the path of that
    copy, None where nothing stood. BadInput where it is in use, or the copy damaged or none of
    Zirkel's; NotFound where there is none of that name; CannotKeep where what stands can't be
    copied."""
    found = next((each for each in backups(database.parent) if each.name == name), None)
    if found is None:
        raise NotFound(f"There is no copy called “{name}”: without a name, all are listed.")
    with in_use(database.parent, alone=True):
        try:
            _read_through(found.path)
        except NotACopyError as error:
            raise BadInput("backup", f"{found.name} {error}: choose another") from error
        beside = database.with_suffix(".restored")
        try:
            # First, as the copy of what stands there may take this one's place among the seven.
            _copy(found.path, beside)
            _sync(beside)
            kept = _keep_what_stands(database) if database.exists() else None
            for rest in ("-wal", "-shm"):
                Path(f"{database}{rest}").unlink(missing_ok=True)
            beside.replace(database)
            _sync(database.parent)
        except (OSError, sqlite3.Error) as error:
            raise CannotKeep(
                f"{name} can't be put in place ({error}): all is as it was."
            ) from error
        finally:
            beside.unlink(missing_ok=True)
    return found, kept


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


def _keep_what_stands(database: Path) -> Path:
    """Copy it; put aside as it is, under a name of its own, where it is no sound database."""
    try:
        _read_through(database)
    except NotACopyError:
        stamp, number = f"{datetime.now(UTC):%Y%m%d-%H%M%S}", 1
        aside = database.with_name(f"{database.stem}-{stamp}.damaged")
        while aside.exists():
            number += 1
            aside = database.with_name(f"{database.stem}-{stamp}-{number}.damaged")
        database.replace(aside)
        return aside
    return back_up(database, BEFORE_RESTORE).path


def _copy(database: Path, to: Path) -> None:
    with (
        closing(sqlite3.connect(database, timeout=BUSY_S)) as source,
        closing(sqlite3.connect(to)) as target,
    ):
        source.backup(target)


def _read_through(path: Path) -> None:
    """NotACopyError unless it is a sound database of a Zirkel not newer than this, every study of
    which can be read; an OSError or sqlite3.OperationalError where it can't be opened at all."""
    path.open("rb").close()
    try:
        # Nothing is written beside it, as it may lie in a folder that can only be read.
        how = "mode=ro&immutable=1" if path.parent.name == FOLDER else "mode=ro"
        with closing(sqlite3.connect(f"file:{quote(str(path))}?{how}", uri=True)) as copy:
            (said,) = copy.execute("PRAGMA integrity_check").fetchone()
            if said != "ok":
                raise NotACopyError(f"is damaged ({said.splitlines()[0]})")
            (stands,) = copy.execute("SELECT version_num FROM alembic_version").fetchone() or ("",)
            if not stands.isdigit() or stands > head():
                raise NotACopyError("was written by a newer Zirkel than this one")
            for (body,) in copy.execute("SELECT body FROM study"):
                json.loads(body)
    except (sqlite3.DatabaseError, ValueError) as error:
        if any(each in str(error) for each in ("unable to open", "disk I/O", "is full")):
            raise
        raise NotACopyError(f"is damaged or no database of Zirkel's ({error})") from error


def _sync(path: Path) -> None:
    handle = os.open(path, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)
