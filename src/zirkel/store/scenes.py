"""The scenes at hand: those that ship with Zirkel, and those that users added."""

from __future__ import annotations

import hashlib
import os
from contextlib import suppress
from pathlib import Path
from threading import get_ident

from sqlalchemy import Engine, select
from sqlalchemy.orm import Session

from zirkel.core.subject.lamps import LampName
from zirkel.core.subject.scene import Scene
from zirkel.core.values.names import slug
from zirkel.errors import NotFound
from zirkel.scenes import shipped_file, shipped_scenes
from zirkel.store.clock import now
from zirkel.store.tables import SceneRow
from zirkel.studyfile.scene_file import read_scene


class Scenes:
    """Scenes by name; a scene under a name never changes. What each looks like from its own station
    is kept in a folder, to be drawn again only where how scenes are drawn has changed."""

    def __init__(self, engine: Engine, folder: Path) -> None:
        self._engine, self._folder = engine, folder
        self._read: dict[str, Scene] = {}

    def all(self) -> list[Scene]:
        """The shipped scenes, then the added ones."""
        with Session(self._engine.execution_options(writes=False)) as session, session.begin():
            names = list(session.scalars(select(SceneRow.name).order_by(SceneRow.added_at)))
        return [*shipped_scenes().values(), *(self.get(name) for name in names)]

    def added(self) -> dict[str, bytes]:
        """The files of the added scenes by name, the oldest first."""
        with Session(self._engine.execution_options(writes=False)) as session, session.begin():
            rows = session.scalars(select(SceneRow).order_by(SceneRow.added_at, SceneRow.name))
            return {row.name: row.file for row in rows}

    def get(self, name: str) -> Scene:
        """One scene; NotFound if there is none."""
        found = self.find(name)
        if found is None:
            raise NotFound(f"There is no scene “{name}” here: add its scene file first.")
        return found

    def find(self, name: str, light: LampName | None = None) -> Scene | None:
        """One scene in a light of its own or another, None if there is none."""
        if name in shipped_scenes():
            return shipped_scenes()[name].in_light(light)
        if name not in self._read:
            with Session(self._engine.execution_options(writes=False)) as session, session.begin():
                row = session.get(SceneRow, name)
                if row is None:
                    return None
                self._read[name] = read_scene(name, row.file)
        return self._read[name].in_light(light)

    def file(self, name: str) -> bytes:
        """The bytes of a scene's file."""
        self.get(name)
        if name in shipped_scenes():
            return shipped_file(name)
        with Session(self._engine.execution_options(writes=False)) as session, session.begin():
            return session.get_one(SceneRow, name).file

    def drawing(self, name: str, drawn_by: str) -> bytes | None:
        """The drawing kept of a scene, if it was drawn in that way; None without one."""
        try:
            return self._drawing(name, drawn_by).read_bytes()
        except OSError:
            return None

    def keep_drawing(self, name: str, drawn_by: str, drawing: bytes) -> None:
        """Keep it for the next time; where that can't be written it is drawn again."""
        path = self._drawing(name, drawn_by)
        with suppress(OSError):
            self._folder.mkdir(parents=True, exist_ok=True)
            draft = path.with_suffix(f".{os.getpid()}.{get_ident()}.draft")
            draft.write_bytes(drawing)
            draft.replace(path)

    def _drawing(self, name: str, drawn_by: str) -> Path:
        digest = hashlib.sha256(self.file(name)).hexdigest()
        return self._folder / f"{digest[:32]}-{drawn_by[:16]}.svg"

    def add(self, data: bytes) -> Scene:
        """Keep a scene file; BadInput says what is wrong with it. The same file again is the same
        scene, another with the same title gets a name of its own."""
        scene = read_scene("draft", data)
        stem, number = slug(scene.title, "scene"), 1
        with Session(self._engine.execution_options(writes=True)) as session, session.begin():
            while True:
                name = stem if number == 1 else f"{stem}_{number}"
                row = session.get(SceneRow, name)
                if row is not None and row.file == data:
                    break
                if row is None and name not in shipped_scenes():
                    session.add(SceneRow(name=name, title=scene.title, file=data, added_at=now()))
                    break
                number += 1
        return self.get(name)
