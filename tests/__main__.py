"""`python -m tests`: every test, shared out one by one over the cores, the longest first.

All tests are loaded once; each worker is a fork that has them. A worker that dies or hangs is told
with the test it was at. How long each took is kept for the next run, which begins with the longest.
"""

from __future__ import annotations

import argparse
import faulthandler
import gc
import json
import multiprocessing
import os
import sys
import time
import unittest
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from multiprocessing import connection
from pathlib import Path
from typing import Any

os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

ROOT = Path(__file__).parents[1]
KEPT = ROOT / ".state" / "seconds.json"
GUESSED = {"browser": 3.0, "cli": 1.0}
"""Seconds of a test that never ran, by its folder, so that the long ones begin early."""

HANGS_S = 600.0
LONGEST = 8


@dataclass(frozen=True, slots=True)
class Ran:
    """One test that has run: its name, seconds, processor seconds, and what was wrong."""

    name: str
    seconds: float
    cpu: float
    trouble: str


class Result(unittest.TestResult):
    """Tells of every test as it ends."""

    def __init__(self, tell: connection.Connection) -> None:
        super().__init__()
        self._tell, self._began, self._cpu, self._trouble = tell, 0.0, 0.0, ""

    def startTest(self, test: unittest.TestCase) -> None:
        super().startTest(test)
        self._began, self._cpu, self._trouble = time.monotonic(), time.process_time(), ""

    def _troubled(self, test: Any, error: Any) -> None:
        self._trouble += f"{test.id()}\n{self._exc_info_to_string(error, test)}\n"

    def addError(self, test: Any, err: Any) -> None:
        self._troubled(test, err)
        if not isinstance(test, unittest.TestCase):
            # A class or module that could not be set up: no test of it begins.
            self._tell.send(Ran(test.id(), 0.0, 0.0, self._trouble))

    addFailure = addError

    def addSubTest(self, test: Any, subtest: Any, err: Any) -> None:
        if err is not None:
            self._troubled(subtest, err)

    def addSkip(self, test: Any, reason: str) -> None:
        self._trouble += f"{test.id()} was skipped: {reason}\n"

    def stopTest(self, test: unittest.TestCase) -> None:
        super().stopTest(test)
        took, cpu = time.monotonic() - self._began, time.process_time() - self._cpu
        self._tell.send(Ran(test.id(), took, cpu, self._trouble))


def each_test(suite: unittest.TestSuite) -> Iterator[unittest.TestCase]:
    for each in suite:
        if isinstance(each, unittest.TestSuite):
            yield from each_test(each)
        else:
            yield each


def room(name: str) -> str:
    """The folder of a test by its name."""
    return name.split(".")[1]


def shared_out(tests: list[unittest.TestCase], known: dict[str, float]) -> list[list[Any]]:
    """What a worker takes at a time: one test, or all of a class that has a set-up of its own and
    doesn't say `shared_out`; the longest first."""
    units: dict[str, list[Any]] = {}
    for test in tests:
        own_set_up = type(test).setUpClass.__func__ is not unittest.TestCase.setUpClass.__func__
        whole = own_set_up and not getattr(test, "shared_out", False)
        units.setdefault(test.id().rsplit(".", 1)[0] if whole else test.id(), []).append(test)

    def seconds(unit: list[Any]) -> float:
        return sum(known.get(t.id(), GUESSED.get(room(t.id()), 0.2)) for t in unit)

    return sorted(units.values(), key=seconds, reverse=True)


def work(units: list[list[Any]], taken: Any, tell: connection.Connection) -> None:
    """Take one after the other until none is left."""
    while True:
        with taken.get_lock():
            at = taken.value
            taken.value += 1
        if at >= len(units):
            break
        tell.send(units[at][0].id())
        faulthandler.dump_traceback_later(HANGS_S, exit=True)
        unittest.TestSuite(units[at]).run(Result(tell))
    faulthandler.cancel_dump_traceback_later()
    tell.send("")


def run(units: list[list[Any]], jobs: int) -> list[Ran]:
    """Run them all; what failed is printed as it fails."""
    forks = multiprocessing.get_context("fork")
    taken = forks.Value("i", 0)
    ran: list[Ran] = []
    at: dict[Any, str] = {}
    workers = []
    for _ in range(jobs):
        hears, tells = forks.Pipe(duplex=False)
        worker = forks.Process(target=work, args=(units, taken, tells))
        worker.start()
        tells.close()
        workers.append(worker)
        at[hears] = "its start"
    while at:
        for hears in connection.wait(list(at)):
            try:
                told = hears.recv()  # type: ignore[union-attr]
            except EOFError:
                worker_at = at.pop(hears)
                if worker_at:
                    ran.append(Ran(worker_at, 0.0, 0.0, f"a worker died at {worker_at}\n"))
                    print(ran[-1].trouble, flush=True)
                continue
            if isinstance(told, str):
                at[hears] = told
                continue
            ran.append(told)
            if len(ran) % 100 == 0:
                print(f"{len(ran)} have run", flush=True)
            if told.trouble:
                print(told.trouble, flush=True)
    for worker in workers:
        worker.join()
    return ran


def summed_up(ran: list[Ran]) -> None:
    """Where the seconds went."""
    rooms, tests = Counter[str](), Counter[str]()
    for each in ran:
        rooms[room(each.name)] += each.seconds
        tests[room(each.name)] += 1
    print("seconds  tests  of")
    for name, seconds in rooms.most_common():
        print(f"{seconds:7.1f}  {tests[name]:5d}  {name}")
    for each in sorted(ran, key=lambda one: -one.seconds)[:LONGEST]:
        print(f"{each.seconds:7.1f}         {each.name}")


def main() -> int:
    options = argparse.ArgumentParser(prog="python -m tests", description=__doc__)
    options.add_argument("names", nargs="*", help="parts of the names of the tests to run")
    # One more than there are: while a page is waited for, another test goes on.
    options.add_argument("--jobs", type=int, default=(os.cpu_count() or 1) + 1)
    chosen = options.parse_args()
    began = time.monotonic()
    found = unittest.defaultTestLoader.discover(str(ROOT / "tests"), top_level_dir=str(ROOT))
    tests = [t for t in each_test(found)
             if not chosen.names or any(n in t.id() for n in chosen.names)]  # fmt: skip
    known = json.loads(KEPT.read_text()) if KEPT.exists() else {}
    units = shared_out(tests, known)
    loaded = time.monotonic() - began
    gc.freeze()
    ran = run(units, max(1, min(chosen.jobs, len(units))))
    KEPT.parent.mkdir(exist_ok=True)
    KEPT.write_text(json.dumps({**known, **{each.name: each.seconds for each in ran}}))
    summed_up(ran)
    failed = sum(bool(each.trouble) for each in ran)
    missing = len(tests) - len({each.name for each in ran} & {t.id() for t in tests})
    if missing:
        print(f"{missing} tests did not run")
    print(f"{time.monotonic() - began:.0f} s, of which {loaded:.0f} to load the tests")
    print(f"{len(ran) - failed} passed, {failed + missing} failed")
    return int(bool(failed or missing or not ran))


if __name__ == "__main__":
    sys.exit(main())
