"""Copies of the database: whole while others write, seven at most, before migrations and once a
day; put back after anything."""

import sqlite3
import subprocess
import sys
import tempfile
import threading
import time
import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from pathlib import Path
from unittest import mock

from tests.files import SMALL, as_bytes
from zirkel.errors import BadInput, CannotKeep, NotFound
from zirkel.store.backups import (
    BEFORE_MIGRATION,
    BY_HAND,
    DAILY,
    KEPT,
    Daily,
    back_up,
    back_up_today,
    backups,
    in_use,
    restore,
)
from zirkel.store.database import migrate
from zirkel.store.store import Store
from zirkel.studyfile.read import read_study

STUDY = read_study(as_bytes(SMALL))
DAY = datetime(2026, 11, 2, 9, tzinfo=UTC)


class Copies(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.data = Path(folder.name)
        self.database = self.data / "zirkel.sqlite"
        self.store = Store.at(self.database)
        self.number = self.store.create(STUDY).id

    def tearDown(self):
        self.store.close()

    def title(self, database=None):
        store = Store.at(database or self.database)
        try:
            return store.get(self.number).study.title
        finally:
            store.close()

    def rename(self, title, version=1):
        self.store.change(self.number, version, "Rename", replace(STUDY, title=title))

    def test_a_copy_is_a_database_of_its_own_with_what_was_committed(self):
        self.rename("Before")
        made = back_up(self.database, BY_HAND)
        self.rename("After", 2)
        self.assertEqual(self.title(made.path), "Before")
        self.assertEqual((made.why, made.path.parent.name), (BY_HAND, "backups"))
        self.assertEqual(backups(self.data), [made])

    def test_it_is_whole_while_others_write(self):
        done = threading.Event()

        def write():
            version = 1
            while not done.is_set():
                self.rename(f"Version {version + 1}", version)
                version += 1

        writer = threading.Thread(target=write)
        writer.start()
        try:
            made = [back_up(self.database, BY_HAND) for _ in range(5)]
        finally:
            done.set()
            writer.join()
        for each in made:
            with sqlite3.connect(each.path) as copy:
                self.assertEqual(copy.execute("PRAGMA integrity_check").fetchone(), ("ok",))
                title, version = copy.execute("SELECT title, version FROM study").fetchone()
            copy.close()
            self.assertIn(title, (STUDY.title, f"Version {version}"))

    def test_the_last_seven_are_kept_and_odd_files_left_alone(self):
        (self.data / "backups").mkdir()
        for odd in ("notes.txt", "zirkel-x.sqlite", "zirkel-99999999-999999-by-hand.sqlite"):
            (self.data / "backups" / odd).write_text("mine")
        made = [back_up(self.database, BY_HAND, DAY + timedelta(hours=k)) for k in range(KEPT + 3)]
        self.assertEqual(backups(self.data), made[::-1][:7])
        self.assertTrue((self.data / "backups" / "notes.txt").exists())
        twice = [back_up(self.database, BY_HAND, DAY + timedelta(days=2)) for _ in range(2)]
        self.assertEqual(len({each.name for each in twice}), 2)

    def test_by_hand_and_daily_ones_push_out_only_their_own_sort(self):
        daily = [back_up(self.database, DAILY, DAY + timedelta(days=k)) for k in range(KEPT)]
        for k in range(KEPT + 2):
            back_up(self.database, BY_HAND, DAY + timedelta(days=k, hours=1))
        found = backups(self.data)
        self.assertEqual([each for each in found if each.why == DAILY], daily[::-1])
        self.assertEqual(sum(each.why == BY_HAND for each in found), KEPT)

    def test_a_clock_that_was_wrong_costs_no_copy(self):
        """Seven dated ten years ahead: the new one stands, and they make room one by one."""
        ahead = [
            back_up(self.database, BY_HAND, DAY + timedelta(days=3650 + k)) for k in range(KEPT)
        ]
        for k in range(3):
            made = back_up(self.database, BY_HAND, DAY + timedelta(hours=k))
            self.assertIn(made, backups(self.data))
        left = [each for each in backups(self.data) if each in ahead]
        self.assertEqual(len(left), KEPT - 3)
        self.assertEqual(len(backups(self.data)), KEPT)

    def test_a_damaged_database_pushes_out_no_good_copy(self):
        """Seven mornings in a row."""
        good = [back_up(self.database, DAILY, DAY + timedelta(days=k)) for k in range(KEPT)]
        self.store.close()
        content = bytearray(self.database.read_bytes())
        content[5000:9000] = b"x" * 4000
        self.database.write_bytes(content)
        for k in range(KEPT):
            with self.assertRaisesRegex(CannotKeep, "copies from before stand"):
                back_up(self.database, DAILY, DAY + timedelta(days=30 + k))
        self.assertEqual(backups(self.data), good[::-1])

    def test_once_a_day_at_the_first_change(self):
        self.assertEqual(back_up_today(self.database, DAY).why, DAILY)
        self.assertIsNone(back_up_today(self.database, DAY + timedelta(hours=9)))
        self.assertIsNotNone(back_up_today(self.database, DAY + timedelta(days=1)))
        self.store.heard.append(Daily(self.database))
        self.rename("One")
        self.rename("Two", 2)
        today = datetime.now(UTC).date()
        for _ in range(100):
            found = [each for each in backups(self.data) if each.at.date() == today]
            if found:
                break
            time.sleep(0.05)
        self.assertEqual([each.why for each in found], [DAILY])

    def test_before_a_migration_the_old_state_is_copied_and_not_otherwise(self):
        self.assertEqual(backups(self.data), [])
        old = self.data / "old"
        old.mkdir()
        migrate(old / "zirkel.sqlite", "0004")
        self.assertEqual(backups(old), [])
        Store.at(old / "zirkel.sqlite").close()
        (made,) = backups(old)
        self.assertEqual(made.why, BEFORE_MIGRATION)
        with sqlite3.connect(made.path) as copy:
            found = copy.execute("SELECT version_num FROM alembic_version").fetchone()
        copy.close()
        self.assertEqual(found, ("0004",))
        Store.at(old / "zirkel.sqlite").close()
        self.assertEqual(len(backups(old)), 1)

    def test_where_nothing_can_be_written_it_is_said(self):
        (self.data / "backups").write_text("a file")
        with self.assertRaises(CannotKeep):
            back_up(self.database, BY_HAND)

    def test_restored_it_is_as_it_was_and_what_stood_there_is_a_copy_too(self):
        self.rename("Good")
        made = back_up(self.database, BY_HAND, DAY)
        self.rename("Spoilt", 2)
        self.store.close()
        restored, kept = restore(self.database, made.name)
        self.assertEqual(restored, made)
        self.assertEqual(self.title(), "Good")
        latest = backups(self.data)[0]
        self.assertEqual((latest.why, latest.path), ("restore", kept))
        restore(self.database, latest.name)
        self.assertEqual(self.title(), "Spoilt")

    def test_restored_over_a_damaged_or_a_missing_database(self):
        made = back_up(self.database, BY_HAND, DAY)
        self.store.close()
        self.database.unlink()
        restore(self.database, made.name)
        self.assertEqual(self.title(), STUDY.title)
        self.database.write_bytes(b"not a database " * 500)
        restore(self.database, made.name)
        self.assertEqual(self.title(), STUDY.title)

    def test_the_oldest_of_seven_can_be_restored_though_it_makes_room(self):
        first = back_up(self.database, BY_HAND, DAY)
        self.rename("Later")
        for k in range(1, KEPT):
            back_up(self.database, BY_HAND, DAY + timedelta(hours=k))
        self.store.close()
        restore(self.database, first.name)
        self.assertEqual(self.title(), STUDY.title)

    def test_what_can_t_be_restored_leaves_all_as_it_was(self):
        made = back_up(self.database, BY_HAND, DAY)
        with self.assertRaises(NotFound):
            restore(self.database, "zirkel-20261101-090000-daily.sqlite")
        with self.assertRaises(NotFound):
            restore(self.database, "../zirkel.sqlite")
        with in_use(self.data), self.assertRaisesRegex(BadInput, "in use"):
            restore(self.database, made.name)
        for name, content in (("an empty one", b""), ("another's", self.foreign())):
            with self.subTest(name):
                other = made.path.with_name("zirkel-20261103-090000-by-hand.sqlite")
                other.write_bytes(content)
                with self.assertRaisesRegex(BadInput, "no database of Zirkel's"):
                    restore(self.database, other.name)
        made.path.write_bytes(made.path.read_bytes()[:3000] + b"x" * 5000)
        with self.assertRaisesRegex(BadInput, "damaged"):
            restore(self.database, made.name)
        self.assertEqual(self.title(), STUDY.title)

    def foreign(self):
        """A sound database of something else."""
        path = self.data / "other.sqlite"
        with sqlite3.connect(path) as other:
            other.execute("CREATE TABLE birds (name TEXT)")
        other.close()
        return path.read_bytes()

    def test_where_what_stands_can_t_be_copied_it_is_not_replaced(self):
        """As on a full disk: the next try finds it where it was, and its copies as they were."""
        made = back_up(self.database, BY_HAND, DAY)
        self.rename("Later")
        self.store.close()
        full = CannotKeep("The disk is full.")
        with mock.patch("zirkel.store.backups.back_up", side_effect=full):
            for _ in range(2):
                with self.assertRaises(CannotKeep):
                    restore(self.database, made.name)
        self.assertEqual(self.title(), "Later")

    def test_each_damaged_one_that_is_put_aside_keeps_a_name_of_its_own(self):
        made = back_up(self.database, BY_HAND, DAY)
        self.store.close()
        aside = set()
        for number in range(2):
            self.database.write_bytes(f"not a database {number} ".encode() * 500)
            aside.add(restore(self.database, made.name)[1])
        self.assertEqual(len(aside), 2)
        self.assertTrue(all(each.read_bytes().startswith(b"not a") for each in aside))

    def test_a_copy_in_a_folder_that_can_only_be_read_is_not_damaged(self):
        made = back_up(self.database, BY_HAND, DAY)
        self.store.close()
        made.path.parent.chmod(0o500)
        self.addCleanup(made.path.parent.chmod, 0o700)
        self.database.unlink()
        restore(self.database, made.name)
        self.assertEqual(self.title(), STUDY.title)

    def test_several_may_use_a_folder_and_a_killed_one_holds_it_no_longer(self):
        with in_use(self.data), in_use(self.data):
            pass
        code = (
            "import sys, time; from pathlib import Path; from zirkel.store.backups import in_use\n"
            "with in_use(Path(sys.argv[1])): print('held', flush=True); time.sleep(60)"
        )
        with subprocess.Popen(
            [sys.executable, "-c", code, str(self.data)], stdout=subprocess.PIPE
        ) as other:
            other.stdout.readline()
            with self.assertRaises(BadInput), in_use(self.data, alone=True):
                pass
            other.kill()
        with in_use(self.data, alone=True):
            pass


if __name__ == "__main__":
    unittest.main()
