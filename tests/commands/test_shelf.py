"""The whole shelf as one archive: out and in again, nothing twice, nothing hidden by odd parts."""

import hashlib
import io
import json
import random
import tempfile
import unittest
import zipfile
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path
from typing import ClassVar

from PIL import Image

from tests.files import SMALL, as_bytes
from tests.pictures.images import drawing, saved
from tests.studyfile.test_poses import MINE
from zirkel.commands.lay_out_demo import lay_out_demo
from zirkel.commands.lessons import join_lesson, make_lesson
from zirkel.commands.pictures import take_picture
from zirkel.commands.shelf import LIST, pack, unpack
from zirkel.commands.studies import begin_from_scene
from zirkel.core.practice.trials import Trial
from zirkel.demo.generate import FOLDER
from zirkel.errors import BadInput
from zirkel.scenes import shipped_file
from zirkel.store.practice import ME, KeptTrial
from zirkel.store.store import Store
from zirkel.studyfile.read import read_study, write_study
from zirkel.views.lessons import lesson_wall

AT = datetime(2026, 11, 2, 9, tzinfo=UTC)
TRIALS = [KeptTrial.made(Trial("half", "share", AT.date(), 0.5, 0.48 + k / 100, 3.0, False), AT)
          for k in range(4)]  # fmt: skip


def own_scene():
    document = json.loads(shipped_file("leaf_tile"))
    return json.dumps({**document, "title": "My own tile"}).encode()


class ShelfCase(unittest.TestCase):
    def store(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        # Two folders deep, so that what led out of the shelf would still lie within its own.
        shelf = Path(folder.name) / "home" / "shelf"
        shelf.mkdir(parents=True)
        store = Store.at(shelf / "zirkel.sqlite")
        self.addCleanup(store.close)
        return store

    def full(self):
        """A shelf with something of everything on it."""
        store = self.store()
        lay_out_demo(store, FOLDER)
        take_picture(store, saved(drawing(), "JPEG"))
        scene = store.scenes.add(own_scene())
        begin_from_scene(store, scene.name, None)
        down = store.create(replace(read_study(as_bytes(SMALL)), title="Taken down"))
        store.delete(down.id)
        (store.folder / "poses").mkdir()
        (store.folder / "poses" / "mine.zirkel-poses.json").write_text(json.dumps(MINE))
        store.practice.add(ME, TRIALS[:3])
        store.practice.add(store.practice.name("Anna-Made-Up", None).id, TRIALS[1:])
        return store

    def packed(self, store):
        out = io.BytesIO()
        pack(store, out)
        return out.getvalue()

    def files(self, store):
        found = {document["title"]: document for _, document, _ in store.shelf()}
        return found, {document["title"] for _, document, down in store.shelf() if down}


class Lessons(ShelfCase):
    def lessons(self, store):
        return [
            (lesson.id, lesson.title, lesson.closed,
             [(each.name, store.get(each.study_id).study.title)
              for each in store.lessons.pupils(lesson.id)])
            for lesson, _ in store.lessons.all()
        ]  # fmt: skip

    def test_they_go_along_with_their_pupils_and_only_once(self):
        store, other = self.store(), self.store()
        lesson = make_lesson(store, "Tuesday", "wooden_mask").id
        for name in ("Ada", "Bo"):
            join_lesson(store, lesson, name, again=False)
        store.lessons.close(lesson, True)
        make_lesson(store, "Not joined", "leaf_tile")
        data = self.packed(store)
        told = unpack(other, io.BytesIO(data))
        self.assertEqual((told.lessons, told.trouble), (2, []))
        self.assertEqual(self.lessons(other), self.lessons(store))
        self.assertEqual(lesson_wall(other, lesson), self.renumbered(store, other, lesson))
        again = unpack(other, io.BytesIO(data))
        self.assertEqual((again.lessons, again.studies), (0, 0))
        self.assertEqual(self.lessons(other), self.lessons(store))

    def renumbered(self, store, other, lesson):
        """The wall as it was, its studies under the numbers that they have elsewhere."""
        numbers = {each.name: each.study_id for each in other.lessons.pupils(lesson)}
        wall = lesson_wall(store, lesson)
        for each in wall.pupils:
            each.study_id = numbers[each.name]
        return wall

    def test_an_archive_from_before_has_none_and_an_odd_one_hides_nothing(self):
        store, other = self.store(), self.store()
        lesson = make_lesson(store, "Tuesday", "wooden_mask").id
        join_lesson(store, lesson, "Ada", again=False)
        with zipfile.ZipFile(io.BytesIO(self.packed(store))) as archive:
            parts = {name: archive.read(name) for name in archive.namelist()}
        listed = json.loads(parts[LIST])
        own = json.loads(parts["lessons/0001.json"])
        own["pupils"].append({**own["pupils"][0]})
        own["pupils"].append({"name": "Gone", "study": "studies/9999_x.json"})
        for data, said in ((json.dumps(own).encode(), "the study of Gone did not come"),
                           (b'{"id": "x"}', "id"), (b"[", "not JSON")):  # fmt: skip
            with self.subTest(said):
                listed["lessons"][0]["sha256"] = hashlib.sha256(data).hexdigest()
                out = io.BytesIO()
                with zipfile.ZipFile(out, "w") as archive:
                    for name, kept in parts.items():
                        changed = {LIST: json.dumps(listed), "lessons/0001.json": data}
                        archive.writestr(name, changed.get(name, kept))
                told = unpack(other, out)
                self.assertEqual(len(told.trouble), 1)
                self.assertIn(said, told.trouble[0])
        self.assertEqual([name for *_, ((name, _),) in self.lessons(other)], ["Ada"])
        del listed["lessons"]
        parts[LIST] = json.dumps(listed).encode()
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w") as archive:
            for name, kept in parts.items():
                archive.writestr(name, kept)
        self.assertEqual(unpack(self.store(), out).lessons, 0)


class Shelf(ShelfCase):
    whole: ClassVar[list[bytes]] = []
    """The archive of a full shelf, made once."""

    def test_out_and_in_again_it_is_all_there_and_a_second_time_nothing_is_new(self):
        store, other = self.full(), self.store()
        data = self.packed(store)
        told = unpack(other, io.BytesIO(data))
        self.assertEqual(told.trouble, [])
        self.assertEqual(
            (told.studies, told.pictures, told.scenes, told.own, told.trials, told.known),
            (6, 2, 1, 1, 6, 0),
        )
        self.assertEqual(self.files(other), self.files(store))
        for each in store.pictures.all():
            self.assertEqual(other.pictures.get(each.id).path.read_bytes(), each.path.read_bytes())
        self.assertEqual(
            other.practice.trials("anna_made_up"), store.practice.trials("anna_made_up")
        )
        self.assertEqual(other.scenes.added(), store.scenes.added())
        again = unpack(other, io.BytesIO(data))
        self.assertEqual((again.studies, again.pictures, again.own, again.trials), (0, 0, 0, 0))
        self.assertEqual((again.known, again.trouble), (10, []))
        self.assertEqual(self.files(other), self.files(store))

    def test_a_scene_whose_name_is_taken_gets_another_and_its_studies_with_it(self):
        store, other = self.store(), self.store()
        begin_from_scene(store, store.scenes.add(own_scene()).name, None)
        theirs = json.loads(own_scene()) | {"work": "Another work under the same name"}
        other.scenes.add(json.dumps(theirs).encode())
        unpack(other, io.BytesIO(self.packed(store)))
        ((_, document, _),) = other.shelf()
        self.assertEqual(document["subject"]["scene"], "my_own_tile_2")
        self.assertEqual(other.scenes.file("my_own_tile_2"), own_scene())
        self.assertEqual(unpack(other, io.BytesIO(self.packed(store))).studies, 0)

    def test_an_own_file_that_differs_is_left_as_it_is_and_told(self):
        store, other = self.full(), self.store()
        (other.folder / "poses").mkdir()
        mine = other.folder / "poses" / "mine.zirkel-poses.json"
        mine.write_text("{}")
        told = unpack(other, io.BytesIO(self.packed(store)))
        self.assertEqual((told.own, len(told.trouble)), (0, 1))
        self.assertIn("left as it is", told.trouble[0])
        self.assertEqual(mine.read_text(), "{}")

    def spoilt(self, data, change):
        """The archive with its parts changed by a function of their names and bytes."""
        out = io.BytesIO()
        with zipfile.ZipFile(io.BytesIO(data)) as old, zipfile.ZipFile(out, "w") as new:
            for info in old.infolist():
                made = change(info.filename, old.read(info))
                if made is not None:
                    new.writestr(info.filename, made)
        return io.BytesIO(out.getvalue())

    def test_a_part_that_was_changed_or_is_missing_hides_no_other(self):
        data = self.packed(self.full())

        def change(name, part):
            if "wooden_mask" in name:
                return part.replace(b"Wooden", b"Broken")
            return None if "boathouse" in name else part

        other = self.store()
        told = unpack(other, self.spoilt(data, change))
        self.assertEqual((told.studies, len(told.trouble)), (4, 2))
        self.assertIn("it was changed", " ".join(told.trouble))
        self.assertIn("not in the archive", " ".join(told.trouble))

    def test_what_is_no_archive_is_refused_in_a_sentence(self):
        data = self.packed(self.full())
        for odd in (
            b"", b"PK", data[: len(data) // 2], b"{}", saved(drawing(), "PNG"),
            self.spoilt(data, lambda n, p: None if n == LIST else p).getvalue(),
            self.spoilt(data, lambda n, p: b"[]" if n == LIST else p).getvalue(),
            self.spoilt(data, lambda n, p: b"{" if n == LIST else p).getvalue(),
        ):  # fmt: skip
            with self.assertRaises(BadInput):
                unpack(self.store(), io.BytesIO(odd))

    def test_names_that_lead_out_of_the_shelf_are_refused(self):
        def change(name, part):
            if name != LIST:
                return part
            document = json.loads(part)
            document["own"][0]["name"] = "../../out.zirkel-poses.json"
            return json.dumps(document).encode()

        other = self.store()
        told = unpack(other, self.spoilt(self.packed(self.full()), change))
        self.assertEqual((told.own, len(told.trouble)), (0, 1))
        self.assertEqual(list(other.folder.parent.parent.rglob("out*")), [])

    def listed(self, change):
        """An archive whose list and parts were changed by hand, with sums that are right again."""
        if not self.whole:
            self.whole.append(self.packed(self.full()))
        with zipfile.ZipFile(io.BytesIO(self.whole[0])) as old:
            parts = {info.filename: old.read(info) for info in old.infolist()}
        document = json.loads(parts.pop(LIST))
        change(document, parts)
        for kind in ("studies", "pictures", "scenes", "own", "practice"):
            for each in document[kind]:
                each["sha256"] = hashlib.sha256(parts[each["file"]]).hexdigest()
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w") as archive:
            for name, part in {**parts, LIST: json.dumps(document).encode()}.items():
                archive.writestr(name, part)
        return io.BytesIO(out.getvalue())

    def test_every_part_goes_through_the_door_of_its_kind(self):
        huge, cut = io.BytesIO(), saved(drawing(), "PNG")
        Image.new("L", (13_000, 40)).save(huge, "PNG")

        def pictures(data):
            def change(document, parts):
                parts[document["pictures"][0]["file"]] = data

            return change

        def own(data=None, name=None):
            def change(document, parts):
                first = document["own"][0]
                parts[first["file"]] = parts[first["file"]] if data is None else data
                first["name"] = name or first["name"]

            return change

        for change in (
            pictures(huge.getvalue()), pictures(cut[: len(cut) // 2]), pictures(b"GIF89a"),
            own(b"7"), own(b"{}"), own(name="a\nb.json"), own(name="\u6f22" * 190 + ".json"),
            own(name="a\0b.json"),
        ):  # fmt: skip
            other = self.store()
            told = unpack(other, self.listed(change))
            self.assertEqual(len(told.trouble), 1, told.trouble)
            self.assertGreater(told.studies, 0)

    def test_a_study_whose_scene_is_no_name_is_told(self):
        def change(document, parts):
            name = next(each["file"] for each in document["studies"] if "mask" in each["file"])
            study = json.loads(parts[name])
            study["subject"]["scene"] = ["wooden_mask"]
            parts[name] = json.dumps(study).encode()

        told = unpack(self.store(), self.listed(change))
        self.assertEqual(len(told.trouble), 1, told.trouble)

    def test_archives_changed_at_random_never_break_it_and_leave_all_readable(self):
        small = self.store()
        small.create(read_study(as_bytes(SMALL)))
        take_picture(small, saved(drawing(), "PNG"))
        data, rng, other = self.packed(small), random.Random(4), self.store()
        for _ in range(300):
            odd = bytearray(data)
            for _ in range(rng.randint(1, 6)):
                odd[rng.randrange(len(odd))] = rng.randrange(256)
            try:
                unpack(other, io.BytesIO(bytes(odd)))
            except BadInput as error:
                self.assertTrue(str(error))
        for stored in other.all():
            self.assertTrue(write_study(stored.study))


if __name__ == "__main__":
    unittest.main()
