"""The whole shelf as one archive: studies, pictures, added scenes, own files, records of eyes; out,
and in again.

A ZIP file with a list of what is in it (`zirkel-shelf.json`), every part with its SHA-256. What is
in it is read by name out of the list, checked as at every other door, and what is here already is
left as it is: taking an archive in twice adds nothing. The histories of the studies stay behind.
"""

from __future__ import annotations

import hashlib
import json
import struct
import zipfile
import zlib
from collections.abc import Callable, Iterator
from contextlib import suppress
from dataclasses import dataclass, field
from datetime import UTC, datetime
from functools import partial
from pathlib import Path
from typing import Annotated, Any, BinaryIO, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.commands.scenes import add_scene
from zirkel.commands.shelf_lessons import lesson_parts, take_lesson
from zirkel.core.patience import step
from zirkel.core.values.names import slug
from zirkel.errors import BadInput, NotFound, ZirkelError
from zirkel.pictures.prepare import prepared_before
from zirkel.store.practice import ME, KeptTrial
from zirkel.store.store import Store
from zirkel.studyfile.kit_file import read_kit
from zirkel.studyfile.materials_file import read_materials
from zirkel.studyfile.poses_file import read_poses
from zirkel.studyfile.practice_file import read_kept, write_practice
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import MOST_BYTES, parse_json, read_study, write_study
from zirkel.studyfile.series_file import read_series

LIST = "zirkel-shelf.json"
OWN: dict[str, Callable[[bytes], object]] = {
    "kits": read_kit, "series": read_series, "materials": read_materials, "poses": read_poses,
}  # fmt: skip
"""Folders of an artist's own files, and how each is read."""

LONGEST_NAME = 200
"""Of a file, in bytes: disks take little more."""

LARGEST_PART = 60_000_000
MOST_PARTS, MOST_IN_ALL = 20_000, 8_000_000_000

DAMAGED = (
    zipfile.BadZipFile, zlib.error, struct.error, OSError, EOFError, ValueError, RuntimeError,
    NotImplementedError,
)  # fmt: skip
"""What reading a damaged archive comes to."""

Hash = Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]
File = Annotated[str, Field(pattern=r"^[a-z]+/[A-Za-z0-9_.-]+$", max_length=200)]


class Part(BaseModel):
    """A file of the archive: `name` is what it is called on the shelf, where that matters."""

    model_config = ConfigDict(extra="forbid")
    file: File
    sha256: Hash
    name: str = Field(default="", max_length=200)
    down: bool = False


class ShelfList(BaseModel):
    """What is in an archive."""

    model_config = ConfigDict(extra="forbid")
    format: Literal["zirkel-shelf"]
    version: Literal[1]
    made_at: str
    studies: list[Part] = Field(max_length=MOST_PARTS)
    pictures: list[Part] = Field(max_length=MOST_PARTS)
    scenes: list[Part] = Field(max_length=MOST_PARTS)
    own: list[Part] = Field(max_length=MOST_PARTS)
    practice: list[Part] = Field(max_length=MOST_PARTS)
    lessons: list[Part] = Field(default_factory=list, max_length=MOST_PARTS)


class ShelfTaken(BaseModel):
    """What of an archive was new, how many parts were here already, and in words what could not be
    taken; everything else was."""

    studies: int = 0
    pictures: int = 0
    scenes: int = 0
    own: int = 0
    trials: int = 0
    lessons: int = 0
    known: int = 0
    trouble: list[str] = []


def pack(store: Store, out: BinaryIO) -> ShelfList:
    """Write the archive of a whole shelf; the list of what is in it."""
    made: dict[str, list[Part]] = {
        each: [] for each in ("studies", "pictures", "scenes", "own", "practice", "lessons")
    }
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:

        def put(kind: str, file: str, data: bytes, **more: Any) -> None:
            step("packing the shelf")
            archive.writestr(file, data)
            part = Part(file=file, sha256=hashlib.sha256(data).hexdigest(), **more)
            made[kind].append(part)

        files: dict[int, str] = {}
        for number, (study_id, document, down) in enumerate(store.shelf(), start=1):
            data = json.dumps(document, ensure_ascii=False, indent=1).encode()
            title = str(document.get("title", ""))
            files[study_id] = f"studies/{number:04}_{slug(title, 'study')}.zirkel.json"
            put("studies", files[study_id], data, name=title[:200], down=down)
        for each in store.pictures.all():
            put("pictures", f"pictures/{each.path.name}", each.path.read_bytes())
        for number, (name, data) in enumerate(store.scenes.added().items(), start=1):
            put("scenes", f"scenes/{number:04}.zirkel-scene.json", data, name=name)
        for folder in OWN:
            for number, path in enumerate(sorted((store.folder / folder).glob("*.json")), start=1):
                put("own", f"{folder}/{number:04}.json", path.read_bytes(), name=path.name)
        for number, who in enumerate(store.practice.artists(), start=1):
            trials = store.practice.trials(who.id)
            if trials:
                kept = ((each.trial, each.at, each.extra) for each in trials)
                put("practice", f"practice/{number:04}.zirkel-practice.json", write_practice(kept),
                    name=who.name)  # fmt: skip
        for number, lesson in enumerate(lesson_parts(store, files), start=1):
            put("lessons", f"lessons/{number:04}.json", lesson.model_dump_json().encode(),
                name=lesson.title)  # fmt: skip
        listed = ShelfList(
            format="zirkel-shelf", version=1,
            made_at=datetime.now(UTC).isoformat(timespec="seconds"), **made,
        )  # fmt: skip
        archive.writestr(LIST, listed.model_dump_json(indent=1))
    return listed


@dataclass
class _Taking:
    """An archive being taken in."""

    store: Store
    archive: zipfile.ZipFile
    told: ShelfTaken = field(default_factory=ShelfTaken)

    def each(self, parts: list[Part]) -> Iterator[tuple[Part, bytes]]:
        """The parts that are whole, one after the other."""
        for part in parts:
            step("taking the shelf in")
            try:
                yield part, self._bytes(part)
            except BadInput as error:
                self.told.trouble.append(f"{part.name or part.file}: {error.problem}")

    def _bytes(self, part: Part) -> bytes:
        try:
            info = self.archive.getinfo(part.file)
            if info.file_size > LARGEST_PART:
                raise BadInput(part.file, f"has {info.file_size / 1e6:.0f} MB, too much for a part")
            with self.archive.open(info) as opened:
                data = opened.read(LARGEST_PART + 1)
        except KeyError as error:
            raise BadInput(part.file, "is not in the archive, though its list names it") from error
        except DAMAGED as error:
            raise BadInput(part.file, f"is damaged ({error})") from error
        if hashlib.sha256(data).hexdigest() != part.sha256:
            raise BadInput(part.file, "is not what the archive's list says: it was changed")
        return data

    def take(self, part: Part, taken: Callable[[], bool], what: str) -> None:
        """Count what was new; what is wrong with it is told, and hides no other part."""
        try:
            if taken():
                setattr(self.told, what, getattr(self.told, what) + 1)
            else:
                self.told.known += 1
        except ZirkelError as error:
            self.told.trouble.append(f"{part.name or part.file}: {error}")


def unpack(store: Store, data: BinaryIO) -> ShelfTaken:
    """Take in what of an archive is not here yet; BadInput where it is no such archive."""
    try:
        archive = zipfile.ZipFile(data)
    except DAMAGED as error:
        raise BadInput("file", f"it is no archive of a shelf ({error})") from error
    with archive:
        listed = _listed(archive)
        taking = _Taking(store, archive)
        renamed = _scenes(taking, listed)
        for part, picture in taking.each(listed.pictures):
            taking.take(part, partial(_picture, store, picture), "pictures")
        known = {_same(document): number for number, document, _ in store.shelf()}
        came: dict[str, int] = {}
        for part, study in taking.each(listed.studies):
            taking.take(part, partial(_study, store, part, study, renamed, known, came), "studies")
        for part, lesson in taking.each(listed.lessons):
            taking.take(part, partial(take_lesson, store, lesson, came, renamed), "lessons")
        for part, own in taking.each(listed.own):
            taking.take(part, partial(_own, store, part, own), "own")
        for part, record in taking.each(listed.practice):
            try:
                taking.told.trials += _record(store, part, record)
            except ZirkelError as error:
                taking.told.trouble.append(f"{part.name or part.file}: {error}")
        return taking.told


def _listed(archive: zipfile.ZipFile) -> ShelfList:
    infos = archive.infolist()
    if len(infos) > MOST_PARTS or sum(each.file_size for each in infos) > MOST_IN_ALL:
        raise BadInput("file", "there is more in it than any shelf holds: is it a shelf's archive?")
    try:
        info = archive.getinfo(LIST)
        if info.file_size > MOST_BYTES:
            raise BadInput("file", f"its {LIST} is too large to be one")
        document = parse_json(archive.read(info))
    except KeyError as error:
        raise BadInput("file", f"there is no {LIST} in it: it is no archive of a shelf") from error
    except DAMAGED as error:
        raise BadInput("file", f"its {LIST} can't be read ({error})") from error
    try:
        return ShelfList.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error


def _scenes(taking: _Taking, listed: ShelfList) -> dict[str, str]:
    """Take the scenes in; which of them have another name here."""
    renamed: dict[str, str] = {}
    had = set(taking.store.scenes.added())

    def add(part: Part, data: bytes) -> bool:
        found = add_scene(taking.store, data).name
        if found != part.name:
            renamed[part.name] = found
        return found not in had

    for part, scene in taking.each(listed.scenes):
        taking.take(part, partial(add, part, scene), "scenes")
    return renamed


def _picture(store: Store, data: bytes) -> bool:
    name = hashlib.sha256(data).hexdigest()
    try:
        store.pictures.get(name)
    except NotFound:
        pass
    else:
        return False
    made = prepared_before(data)
    store.pictures.add(data, made.ending, made.width, made.height)
    return True


def _same(document: Any) -> str:
    """The same for studies that say the same, however they are written."""
    plain = json.dumps(document, sort_keys=True).encode()
    with suppress(ZirkelError):
        plain = write_study(read_study(plain))
    return hashlib.sha256(plain).hexdigest()


def _study(
    store: Store, part: Part, data: bytes, renamed: dict[str, str], known: dict[str, int],
    came: dict[str, int],
) -> bool:  # fmt: skip
    """Whether it was new; `came` says under which number each part is here."""
    document = parse_json(data)
    subject = document.get("subject") if isinstance(document, dict) else None
    scene = subject.get("scene") if isinstance(subject, dict) else None
    if isinstance(scene, str) and scene in renamed:
        document["subject"]["scene"] = renamed[scene]
        data = json.dumps(document).encode()
    study = read_study(data)
    same = _same(document)
    if same in known:
        came[part.file] = known[same]
        return False
    made = store.create(study)
    known[same] = came[part.file] = made.id
    if part.down:
        store.delete(made.id)
    return True


def _own(store: Store, part: Part, data: bytes) -> bool:
    """Files under a name that is taken by another stay as they are here."""
    folder, name = part.file.split("/")[0], Path(part.name).name
    if folder not in OWN or name != part.name or not name.endswith(".json") or name[0] == ".":
        raise BadInput("file", "is no own file's name")
    if not name.isprintable() or len(name.encode()) > LONGEST_NAME:
        raise BadInput("file", "has a name that no folder takes: rename it")
    OWN[folder](data)
    path = store.folder / folder / name
    if path.exists():
        if path.read_bytes() != data:
            raise BadInput("file", f"another {name} is in {folder} here, and was left as it is")
        return False
    path.parent.mkdir(parents=True, exist_ok=True)
    beside = path.with_suffix(".new")
    beside.write_bytes(data)
    beside.replace(path)
    return True


def _record(store: Store, part: Part, data: bytes) -> int:
    kept = [KeptTrial.made(trial, at, extra) for trial, at, extra in read_kept(data)]
    if not part.name:
        return store.practice.add(ME, kept)
    known = next((each for each in store.practice.artists() if each.name == part.name), None)
    artist = known or store.practice.name(part.name, None)
    return store.practice.add(artist.id, kept)
