"""The eye's record in the store: kept whole, once, under a name; still there after a kill."""

import os
import signal
import subprocess
import sys
import tempfile
import textwrap
import unittest
from datetime import UTC, datetime, timedelta, timezone
from pathlib import Path

from zirkel.core.practice.trials import Trial, day_of
from zirkel.errors import BadInput, NotFound
from zirkel.store.database import connect, migrate
from zirkel.store.practice import ME, KeptTrial
from zirkel.store.store import Store

ANSWERER = """
import sys
from datetime import UTC, datetime
from pathlib import Path
from zirkel.core.practice.trials import Trial
from zirkel.store.practice import ME, KeptTrial
from zirkel.store.store import Store

store, number = Store.at(Path(sys.argv[1])), 0
while True:
    number += 1
    trial = Trial("half", "share", 0.0, 0.5, 0.5 + number / 1e6)
    store.practice.add(ME, [KeptTrial.made(trial, datetime.now(UTC))], f"token {number:06}")
    print(number, flush=True)
"""
AT = datetime(2026, 11, 2, 9, tzinfo=UTC)


def kept(answer=0.53, at=AT, **extra):
    return KeptTrial.made(Trial("half", "share", day_of(at), 0.5, answer, 3.2), at, extra)


class RecordCase(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "zirkel.sqlite"
        self.store = Store.at(self.path)
        self.addCleanup(self.store.close)
        self.practice = self.store.practice


class Trials(RecordCase):
    def test_kept_whole_and_in_the_order_of_time(self):
        later = kept(0.6, AT + timedelta(days=1), shown={"seed": 4})
        self.practice.add(ME, [later, kept()])
        first, second = self.practice.trials(ME)
        self.assertEqual((first, second), (kept(), later))
        self.assertAlmostEqual(second.trial.day - first.trial.day, 1.0)

    def test_a_time_of_another_zone_is_the_same_moment(self):
        east = AT.astimezone(timezone(timedelta(hours=5)))
        self.assertEqual(kept(at=east).at, kept().at)

    def test_an_answer_sent_again_is_kept_once(self):
        self.assertEqual(self.practice.add(ME, [kept(), kept(0.4)], "token one"), 2)
        self.assertEqual(self.practice.add(ME, [kept(), kept(0.4)], "token one"), 0)
        self.assertEqual(self.practice.add(ME, [kept(), kept(0.4)], "token two"), 2)
        self.assertEqual(len(self.practice.trials(ME)), 4)

    def test_a_file_taken_in_again_adds_nothing_and_alike_ones_count_as_often_as_they_come(self):
        twice = [kept(), kept(), kept(0.1)]
        self.assertEqual(self.practice.add(ME, twice), 3)
        self.assertEqual(self.practice.add(ME, twice), 0)
        self.assertEqual(self.practice.add(ME, [*twice, kept()]), 1)

    def test_each_artist_has_a_record_of_their_own(self):
        rosa = self.practice.name("Rosa", None).id
        self.practice.add(rosa, [kept()])
        self.assertEqual(self.practice.trials(ME), [])

    def test_nothing_acknowledged_is_lost_to_a_kill(self):
        command = [sys.executable, "-c", textwrap.dedent(ANSWERER), str(self.path)]
        with subprocess.Popen(command, stdout=subprocess.PIPE, text=True) as answerer:
            for _ in range(8):
                answerer.stdout.readline()
            os.kill(answerer.pid, signal.SIGKILL)
            rest = answerer.stdout.read()
        told = 8 + len(rest.splitlines())
        found = self.practice.trials(ME)
        self.assertGreaterEqual(len(found), told)
        self.assertLessEqual(len(found), told + 1)


class Artists(RecordCase):
    def test_nobody_needs_a_name_and_a_name_given_later_keeps_the_record(self):
        self.assertEqual([(a.id, a.name) for a in self.practice.artists()], [(ME, "")])
        self.practice.add(ME, [kept()])
        named = self.practice.name(" Rosa  Lind ", ME)
        self.assertEqual((named.id, named.name), (ME, "Rosa Lind"))
        self.assertEqual(len(self.practice.trials(named.id)), 1)
        again = self.practice.name("Rosa L.", ME)
        self.assertEqual([a.name for a in self.practice.artists()], [again.name])

    def test_two_of_one_name_and_none_are_refused(self):
        self.practice.name("Rosa", None)
        for name, said in (("rosa", "is here already"), ("  ", "is empty")):
            with self.assertRaises(BadInput) as caught:
                self.practice.name(name, None)
            self.assertIn(said, str(caught.exception))
        with self.assertRaises(NotFound):
            self.practice.artist("nobody")
        with self.assertRaises(NotFound):
            self.practice.name("Ada", "nobody")

    def test_names_that_make_one_id_get_ids_of_their_own(self):
        ids = {self.practice.name(name, None).id for name in ("Rosa!", "Rosa?", "罗莎", "莎")}
        self.assertEqual(len(ids), 4)


class Migrated(unittest.TestCase):
    def test_a_database_from_before_gets_its_record(self):
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "zirkel.sqlite"
            migrate(path, "0004")
            connect(path).dispose()
            store = Store.at(path)
            store.practice.add(ME, [kept()])
            self.assertEqual(len(store.practice.trials(ME)), 1)
            store.close()


if __name__ == "__main__":
    unittest.main()
