"""The store on real SQLite files: changes, undo by record, stale versions, migrations."""

import json
import sqlite3
import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy import inspect

from tests import examples
from tests.files import SMALL, as_bytes
from zirkel.core.drawn import Guess
from zirkel.errors import BadInput, NotFound, StaleVersion
from zirkel.store.database import connect, migrate
from zirkel.store.receipts import Receipt
from zirkel.store.store import Store
from zirkel.store.tables import Base
from zirkel.studyfile.read import read_study

STAMP = "2026-11-25 09:00:00.000000"


class StoreCase(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "zirkel.sqlite"
        self.store = Store.at(self.path)
        self.addCleanup(self.store.close)
        self.study = read_study(as_bytes(SMALL))


class Changes(StoreCase):
    def test_what_is_kept_is_what_was_given(self):
        made = self.store.create(self.study)
        self.assertEqual((made.study, made.version, made.undo), (self.study, 1, None))
        self.store.close()
        self.assertEqual(Store.at(self.path).get(made.id).study, self.study)

    def test_undo_and_redo(self):
        study_id = self.store.create(self.study).id
        fewer = replace(self.study, sightings=self.study.sightings[:1])
        renamed = replace(fewer, title="Afternoon")
        self.store.change(study_id, 1, "Remove two", fewer)
        self.store.change(study_id, 2, "Rename", renamed)
        back = self.store.undo(study_id, 3)
        self.assertEqual((back.study, back.undo, back.redo), (fewer, "Remove two", "Rename"))
        back = self.store.undo(study_id, 4)
        self.assertEqual((back.study, back.undo, back.redo), (self.study, None, "Remove two"))
        self.assertEqual(self.store.undo(study_id, 5).version, 5)
        again = self.store.redo(study_id, 5)
        self.assertEqual(self.store.redo(study_id, again.version).study, renamed)

    def test_a_new_change_forgets_what_was_undone(self):
        study_id = self.store.create(self.study).id
        self.store.change(study_id, 1, "One", replace(self.study, title="One"))
        self.store.undo(study_id, 2)
        after = self.store.change(study_id, 3, "Two", replace(self.study, title="Two"))
        self.assertEqual((after.undo, after.redo), ("Two", None))

    def test_undo_is_by_record(self):
        """Undo touches only what the change touched, and the history holds no whole studies."""
        study_id = self.store.create(self.study).id
        self.store.change(study_id, 1, "Rename", replace(self.study, title="Renamed"))
        with sqlite3.connect(self.path) as connection:
            (patches,) = connection.execute("select patches from change").fetchone()
        self.assertNotIn("sightings", patches)
        self.assertNotIn("s1", patches)

    def test_a_stale_version_changes_nothing(self):
        study_id = self.store.create(self.study).id
        self.store.change(study_id, 1, "One", replace(self.study, title="One"))
        with self.assertRaises(StaleVersion) as caught:
            self.store.change(study_id, 1, "Two", replace(self.study, title="Two"))
        self.assertEqual((caught.exception.based_on, caught.exception.current), (1, 2))
        with self.assertRaises(StaleVersion):
            self.store.undo(study_id, 1)
        self.assertEqual(self.store.get(study_id).study.title, "One")

    def test_the_same_token_makes_one_change(self):
        study_id = self.store.create(self.study).id
        for _ in range(2):
            after = self.store.change(
                study_id, 1, "One", replace(self.study, title="One"), Receipt("token-1", "one")
            )
        self.assertEqual(after.version, 2)

    def test_a_landmark_cannot_vanish_under_its_readings(self):
        study_id = self.store.create(self.study).id
        gone = replace(self.study, landmarks=self.study.landmarks[:2])
        with self.assertRaises(BadInput):
            self.store.change(study_id, 1, "Remove", gone)
        self.assertEqual(self.store.get(study_id).study, self.study)

    def test_those_that_hold_records_of_a_kind_and_no_others(self):
        bare = self.store.create(replace(self.study, title="Bare", guesses=())).id
        guess = Guess(
            id="g1", at="2026-11-27T05:00:00+00:00", exercise="bench_span", measure="relative",
            answer=2.0, truth=2.5,
        )  # fmt: skip
        held = self.store.create(replace(self.study, title="Guessed", guesses=(guess,))).id
        self.assertEqual([each.id for each in self.store.all(having="guesses")], [held])
        self.assertEqual({each.id for each in self.store.all()}, {bare, held})
        self.store.delete(held)
        self.assertEqual(self.store.all(having="guesses"), [])

    def test_taken_down_and_hung_up_again(self):
        study_id = self.store.create(self.study).id
        self.store.delete(study_id)
        self.assertEqual(self.store.all(), [])
        with self.assertRaises(NotFound):
            self.store.get(study_id)
        self.store.delete(study_id, deleted=False)
        self.assertEqual(self.store.get(study_id).study, self.study)
        with self.assertRaises(NotFound):
            self.store.delete(99)

    @examples(15)
    @given(
        st.lists(st.sampled_from(["remove", "rename", "strike", "reverse", "shape"]), max_size=6)
    )
    def test_undoing_everything_leads_back(self, moves):
        stored = self.store.create(self.study)
        for move in moves:
            stored = self.store.change(stored.id, stored.version, move, _moved(stored.study, move))
        while stored.undo is not None:
            stored = self.store.undo(stored.id, stored.version)
        self.assertEqual(stored.study, self.study)


def _moved(study, move):
    if move == "remove":
        return replace(study, sightings=study.sightings[1:])
    if move == "rename":
        return replace(study, title=study.title + "!")
    if move == "strike":
        return replace(study, sightings=tuple(replace(s, struck=True) for s in study.sightings))
    if move == "reverse":
        return replace(study, landmarks=study.landmarks[::-1])
    return replace(study, shapes=())


class Schema(StoreCase):
    def test_migrations_lead_to_the_mapped_tables(self):
        with connect(self.path).connect() as connection:
            found = inspect(connection)
            tables = set(found.get_table_names()) - {"alembic_version"}
            self.assertEqual(tables, set(Base.metadata.tables))
            for table in tables:
                columns = {each["name"] for each in found.get_columns(table)}
                self.assertEqual(columns, set(Base.metadata.tables[table].columns.keys()), table)

    def test_migrating_twice_changes_nothing(self):
        study_id = self.store.create(self.study).id
        migrate(self.path)
        self.assertEqual(self.store.get(study_id).study, self.study)

    def test_a_database_of_the_version_before_is_brought_up_with_its_history(self):
        """Landmarks, readings and shapes had tables of their own; frames, families, drawn places
        and adopted relations were kept among the study's own fields, in the history too."""
        path = self.path.parent / "older.sqlite"
        migrate(path, "0002")
        own = {"method": "comparative", "sheet": SMALL["sheet"], "unit": SMALL["unit"]}
        frame = {"name": "Wide", "left": -1.0, "right": 2.0, "top": -1.0, "bottom": 2.0}
        now = {**own, "frames": [frame], "drawn": {"can_top": [10.0, 20.0]}, "mood": "calm"}
        with sqlite3.connect(path) as db:
            db.execute("insert into study values (1, 'Old', ?, 3, null, ?, ?, null)",
                       (json.dumps(now), STAMP, STAMP))  # fmt: skip
            for i, each in enumerate(SMALL["landmarks"]):
                rest = {k: v for k, v in each.items() if k not in ("id", "name", "tier")}
                values = (each["id"], i, each["name"], each["tier"], json.dumps(rest))
                db.execute("insert into landmark values (1, ?, ?, ?, ?, ?)", values)
            for i, each in enumerate(SMALL["sightings"]):
                rest = {k: v for k, v in each.items() if k != "id"}
                db.execute("insert into sighting values (1, ?, ?, ?, null, 0, ?)",
                           (each["id"], i, each["kind"], json.dumps(rest)))  # fmt: skip
            patches = [
                {"table": "study", "key": "", "before": {"title": "Old", **own},
                 "after": {"title": "Old", **now}},
                {"table": "sightings", "key": SMALL["sightings"][0]["id"], "before": None,
                 "after": {**SMALL["sightings"][0], "position": 0}},
            ]  # fmt: skip
            db.execute("insert into change values (1, 1, ?, 'Frame it', ?, 0)",
                       (STAMP, json.dumps(patches)))  # fmt: skip
        store = Store.at(path)
        self.addCleanup(store.close)
        stored = store.get(1)
        self.assertEqual(stored.study.frames[0].name, "Wide")
        self.assertEqual(dict(stored.study.drawn), {"can_top": (10.0, 20.0)})
        self.assertEqual(stored.study.extra, {"mood": "calm"})
        self.assertEqual(len(stored.study.sightings), len(SMALL["sightings"]))
        before = store.undo(1, 3).study
        self.assertEqual((before.frames, dict(before.drawn), before.extra), ((), {}, {}))
        self.assertEqual(before.sightings, stored.study.sightings[1:])
        again = store.redo(1, 4).study
        self.assertEqual(again, stored.study)

    def test_durability_settings(self):
        with connect(self.path).connect() as connection:
            for pragma, value in (("foreign_keys", 1), ("journal_mode", "wal"), ("synchronous", 2)):
                found = connection.exec_driver_sql(f"pragma {pragma}").scalar()
                self.assertEqual(found, value, pragma)


if __name__ == "__main__":
    unittest.main()
