"""Devices that were let in by the passcode, until they are put out."""

from __future__ import annotations

import hashlib
import hmac
import secrets
from dataclasses import dataclass
from datetime import datetime, timedelta

from sqlalchemy import Engine, select
from sqlalchemy.orm import Session

from zirkel.errors import CannotKeep, NotFound
from zirkel.store.clock import now
from zirkel.store.tables import DeviceRow, SecretRow

SIGNING = "cookies"
SEEN_AGAIN = timedelta(minutes=5)
"""When it is written down anew that a device was seen: not at every request."""

MOST = 200


@dataclass(frozen=True, slots=True)
class Device:
    """A device that was let in: for everything, or for a `lesson` alone, as a pupil's."""

    id: str
    name: str
    added_at: datetime
    seen_at: datetime
    lesson: str | None = None


class Devices:
    """Devices in the database. Of what their cookies hold only a hash is kept."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def _session(self, writes: bool) -> Session:
        return Session(self._engine.execution_options(writes=writes))

    def signing_key(self) -> str:
        """What signs the cookies, made when first asked for."""
        with self._session(writes=True) as session, session.begin():
            row = session.get(SecretRow, SIGNING)
            if row is None:
                row = SecretRow(name=SIGNING, value=secrets.token_hex(32))
                session.add(row)
            return row.value

    def add(self, name: str, lesson: str | None = None) -> tuple[Device, str]:
        """Let a device in, for a lesson alone or for everything; the device, and the key that its
        cookie is to hold. Those seen longest ago go when there are too many."""
        key = secrets.token_hex(32)
        with self._session(writes=True) as session, session.begin():
            row = DeviceRow(
                id=secrets.token_hex(8), key=_hash(key), name=name, added_at=now(), seen_at=now(),
                lesson=lesson,
            )  # fmt: skip
            old = session.scalars(
                select(DeviceRow).order_by(DeviceRow.seen_at.desc()).offset(MOST - 1)
            ).all()
            for each in old:
                session.delete(each)
            session.add(row)
            return _device(row), key

    def all(self) -> list[Device]:
        """Every device that was let in, last seen first."""
        with self._session(writes=False) as session, session.begin():
            rows = session.scalars(select(DeviceRow).order_by(DeviceRow.seen_at.desc()))
            return [_device(row) for row in rows]

    def known(self, device: str, key: str) -> Device | None:
        """The device, if it was let in and its key is right; it is seen by that."""
        with self._session(writes=False) as session, session.begin():
            row = session.get(DeviceRow, device)
            if row is None or not hmac.compare_digest(row.key, _hash(key)):
                return None
            found = _device(row)
        if now() - found.seen_at > SEEN_AGAIN:
            self._seen(device)
        return found

    def _seen(self, device: str) -> None:
        try:
            with self._session(writes=True) as session, session.begin():
                row = session.get(DeviceRow, device)
                if row is not None:
                    row.seen_at = now()
        except CannotKeep:
            return

    def put_out(self, device: str) -> None:
        """Let a device in no longer; NotFound where it isn't."""
        with self._session(writes=True) as session, session.begin():
            row = session.get(DeviceRow, device)
            if row is None:
                raise NotFound("This device is not among those let in.")
            session.delete(row)


def _hash(key: str) -> str:
    return hashlib.sha256(key.encode()).hexdigest()


def _device(row: DeviceRow) -> Device:
    return Device(row.id, row.name, row.added_at, row.seen_at, row.lesson)
