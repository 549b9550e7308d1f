"""Pictures as subjects: prepared files in the data folder, listed in the database."""

from __future__ import annotations

import hashlib
import os
from dataclasses import dataclass
from pathlib import Path

from sqlalchemy import Engine, select
from sqlalchemy.orm import Session

from zirkel.errors import CannotKeep, NotFound
from zirkel.store.clock import now
from zirkel.store.tables import PictureRow


@dataclass(frozen=True, slots=True)
class StoredPicture:
    """A picture on the shelf, in pixels."""

    id: str
    path: Path
    width: int
    height: int


class Pictures:
    """Pictures by the hash of their bytes: the same picture is kept once."""

    def __init__(self, engine: Engine, folder: Path) -> None:
        self._engine = engine
        self._folder = folder

    def add(self, data: bytes, ending: str, width: int, height: int) -> StoredPicture:
        """Keep a prepared picture. Its file is on disk before its row is, so that a row never
        points at nothing."""
        name = hashlib.sha256(data).hexdigest()
        self._folder.mkdir(parents=True, exist_ok=True)
        path = self._folder / f"{name}.{ending}"
        if not path.exists():
            draft = path.with_suffix(f".{os.getpid()}.draft")
            try:
                with draft.open("wb") as file:
                    file.write(data)
                    file.flush()
                    os.fsync(file.fileno())
                draft.replace(path)
            except OSError as error:
                draft.unlink(missing_ok=True)
                raise CannotKeep(
                    f"The picture can't be written ({error.strerror}), so it was not kept."
                ) from error
        with Session(self._engine.execution_options(writes=True)) as session, session.begin():
            if session.get(PictureRow, name) is None:
                session.add(
                    PictureRow(id=name, file=path.name, width=width, height=height, added_at=now())
                )
        return StoredPicture(name, path, width, height)

    def all(self) -> list[StoredPicture]:
        """Every picture that is here, the oldest first."""
        with Session(self._engine.execution_options(writes=False)) as session, session.begin():
            rows = session.scalars(select(PictureRow).order_by(PictureRow.added_at, PictureRow.id))
            found = [
                StoredPicture(row.id, self._folder / row.file, row.width, row.height)
                for row in rows
            ]
        return [each for each in found if each.path.is_file()]

    def get(self, name: str) -> StoredPicture:
        """One picture; NotFound if it isn't here."""
        with Session(self._engine.execution_options(writes=False)) as session, session.begin():
            row = session.get(PictureRow, name)
            if row is None or not (self._folder / row.file).is_file():
                raise NotFound("This picture is not in the data folder: add its file again.")
            return StoredPicture(name, self._folder / row.file, row.width, row.height)
