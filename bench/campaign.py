"""The campaign: a served Zirkel killed two hundred times under four writers, then asked twenty
thousand things that a fuzzer makes up from its own document, then given three thousand mutated
files through every door.

No answer may be an error of the server's, none may hang, nothing may be traced back in what the
server says, its memory stays near where it began, and after a restart every study can be read.
"""

from __future__ import annotations

import http.client
import io
import json
import os
import random
import sqlite3
import subprocess
import sys
import tempfile
import threading
import time
import urllib.error
import urllib.request
from collections import Counter
from contextlib import closing, suppress
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

import schemathesis
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from tests.pictures.images import drawing, saved
from tests.serving import Server, demonstration
from tests.studyfile.test_poses import MINE
from tests.web.fuzz import ENDLESS, mutated

from zirkel.commands.shelf import pack
from zirkel.kits import ENDING as KIT
from zirkel.kits import FOLDER as KITS
from zirkel.scenes import shipped_file
from zirkel.series import FOLDER as SERIES
from zirkel.store.store import Store

KILLS, WRITERS, REQUESTS, FILES = 200, 4, 20_000, 3_000
PATIENCE_S = 60.0
MOST_ROUNDS = 400
MOST_MORE_MB = 300.0
TITLE = "Wooden mask on a peg"


class BrokenError(Exception):
    """Something that may not happen has happened."""


class Watched(Server):
    """A server whose words are kept, and whose memory can be asked."""

    def launch(self, *options: str, passcode: str | None = None) -> None:
        """Its process, whether it answers already or not."""
        self.words = (self.data.parent / "words.txt").open("ab")
        given = {} if passcode is None else {"ZIRKEL_PASSCODE": passcode}
        self.process = subprocess.Popen(
            [sys.executable, "-m", "zirkel", "serve", "--port", str(self.port), "--data",
             str(self.data), *options],
            stdout=self.words, stderr=self.words, env={**os.environ, **given},
        )  # fmt: skip

    def start(self) -> None:
        self.launch()
        for _ in range(1200):
            with suppress(OSError):
                urllib.request.urlopen(self.address + "/api/v1/door", timeout=1).close()
                return
            time.sleep(0.05)
        raise BrokenError("the server did not start")

    def kill(self) -> None:
        if self.process is not None:
            self.process.kill()
            self.process.wait()
        self.words.close()

    def memory_mb(self) -> float:
        """What it holds of the machine's memory."""
        if self.process is None:
            return 0.0
        said = Path(f"/proc/{self.process.pid}/status").read_text()
        line = next(each for each in said.splitlines() if each.startswith("VmRSS"))
        return float(line.split()[1]) / 1024.0

    def traced(self) -> int:
        """Tracebacks in what it said so far."""
        return (self.data.parent / "words.txt").read_text(errors="replace").count("Traceback")


def send(address: str, method: str, path: str, data: bytes | None, kind: str) -> tuple[int, bytes]:
    """Status and body of an answer; BrokenError where none comes in time."""
    headers = {"Content-Type": kind} if data is not None else {}
    request = urllib.request.Request(f"{address}/api/v1{path}", data, headers, method=method)
    try:
        with urllib.request.urlopen(request, timeout=PATIENCE_S) as answer:
            return answer.status, answer.read()
    except urllib.error.HTTPError as error:
        with error:
            return error.code, error.read()
    except TimeoutError as error:
        raise BrokenError(f"{method} {path} was not answered in {PATIENCE_S:.0f} s") from error


def call(address: str, method: str, path: str, body: Any = None) -> Any:
    """An answer that must be a good one."""
    data = None if body is None else json.dumps(body).encode()
    status, said = send(address, method, path, data, "application/json")
    if status >= 400:
        raise OSError(f"{status} {said[:200]!r}")
    return json.loads(said)


@dataclass
class Writer(threading.Thread):
    """Renames one study as fast as it goes; the last version that was acknowledged."""

    address: str
    study: int
    version: int
    acknowledged: int = 0
    done: threading.Event = field(default_factory=threading.Event)

    def __post_init__(self) -> None:
        super().__init__(daemon=True)

    __hash__ = threading.Thread.__hash__

    def run(self) -> None:
        while not self.done.is_set():
            change = {"type": "set_title", "title": f"Version {self.version + 1}"}
            try:
                made = call(self.address, "POST", f"/studies/{self.study}/changes",
                            {"version": self.version, "change": change})  # fmt: skip
            except (OSError, http.client.HTTPException):
                return
            self.version = self.acknowledged = made["version"]


def kills(data: Path) -> str:
    """Kill it over and over while four write; nothing acknowledged may be lost."""
    server = Watched(data, demo=False)
    server.start()
    files = [demonstration(TITLE)] * WRITERS
    studies = [
        json.loads(send(server.address, "POST", "/studies/import", each, "application/json")[1])
        for each in files
    ]
    versions = {each["id"]: each["version"] for each in studies}
    rng, written = random.Random(1), 0
    for _ in range(KILLS):
        writers = [Writer(server.address, study, version) for study, version in versions.items()]
        for each in writers:
            each.start()
        time.sleep(rng.uniform(0.05, 0.7))
        server.kill()
        for each in writers:
            each.done.set()
            each.join(PATIENCE_S)
        server.start()
        for each in writers:
            now = call(server.address, "GET", f"/studies/{each.study}")
            if now["version"] < each.acknowledged:
                raise BrokenError(
                    f"version {each.acknowledged} was acknowledged, {now['version']} kept"
                )
            if now["version"] > 1 and now["title"] != f"Version {now['version']}":
                raise BrokenError(f"version {now['version']} is called {now['title']}")
            written += now["version"] - versions[each.study]
            versions[each.study] = now["version"]
    server.kill()
    with closing(sqlite3.connect(data / "zirkel.sqlite")) as database:
        (sound,) = database.execute("PRAGMA integrity_check").fetchone()
    return f"{KILLS} kills under {WRITERS} writers: {written} changes kept, none lost; {sound}."


def requests(server: Watched) -> str:
    """What a fuzzer makes up from the served document."""
    schema = schemathesis.openapi.from_url(server.address + "/api/v1/openapi.json")
    operations = [
        each.ok() for each in schema.get_all_operations() if each.ok().label not in ENDLESS
    ]
    each_gets = REQUESTS // len(operations) + 1
    counted: Counter[int] = Counter()
    for operation in operations:
        _ask(operation, each_gets, counted, _there(server))
    return f"{counted.total()} requests of {len(operations)} operations: {by_status(counted)}."


def _there(server: Watched) -> dict[str, list[Any]]:
    """What is there to be named in an address: by chance nobody would guess it."""
    if not call(server.address, "GET", "/lessons")["lessons"]:
        call(server.address, "POST", "/lessons", {"scene": "wooden_mask"})
    lessons = call(server.address, "GET", "/lessons")
    kept = call(server.address, "GET", "/studies")
    return {
        "study_id": [each["id"] for each in kept["studies"]],
        "lesson": [each["id"] for each in lessons["lessons"]],
        "name": [each["name"] for each in lessons["scenes"]],
    }


def _ask(operation: Any, times: int, counted: Counter[int], there: dict[str, list[Any]]) -> None:
    @settings(max_examples=times, deadline=None, database=None,
              suppress_health_check=list(HealthCheck))  # fmt: skip
    @given(data=st.data())
    def run(data: Any) -> None:
        asked = data.draw(operation.as_strategy())
        for name, known in there.items():
            if name in (asked.path_parameters or {}) and data.draw(st.integers(0, 4)):
                asked.path_parameters[name] = data.draw(st.sampled_from(known))
        answer = asked.call(timeout=PATIENCE_S)
        counted[answer.status_code] += 1
        if answer.status_code >= 500 and answer.status_code != 503:
            raise BrokenError(
                f"{answer.request.url}: {answer.status_code} {answer.content[:300]!r}"
            )

    # Hypothesis stops early where there is little to vary; then it is asked again, a few times.
    before = counted.total()
    for _ in range(MOST_ROUNDS):
        run()
        if counted.total() - before >= times:
            break


def files(server: Watched) -> str:
    """Mutated files through every door that takes one."""
    rng, counted = random.Random(2), Counter[int]()
    study = json.loads(
        send(server.address, "POST", "/studies/import", demonstration(TITLE), "application/json")[1]
    )["id"]
    shelf = io.BytesIO()
    with tempfile.TemporaryDirectory() as folder:
        other = Store.at(Path(folder) / "zirkel.sqlite")
        pack(other, shelf)
        other.close()
    table = b"kind,from,to,along,towards,value\nspan,crown,chin,plumb,down,1 3/8\n"
    doors = (
        ("/studies/import", demonstration(TITLE), "application/json"),
        ("/scenes", shipped_file("leaf_tile"), "application/json"),
        ("/kits", next(KITS.glob(f"*{KIT}")).read_bytes(), "application/json"),
        ("/series", next(SERIES.glob("*.json")).read_bytes(), "application/json"),
        ("/poses", json.dumps(MINE).encode(), "application/json"),
        ("/practice/file", b'{"format":"zirkel-practice","version":1,"trials":[]}',
         "application/json"),
        ("/pictures", saved(drawing(), "PNG"), "image/png"),
        ("/pictures", saved(drawing(), "JPEG"), "image/jpeg"),
        ("/shelf", shelf.getvalue(), "application/zip"),
        (f"/studies/{study}/changes", table, "table"),
    )  # fmt: skip
    for number in range(FILES):
        path, data, kind = doors[number % len(doors)]
        change_it = mutated if kind == "application/json" else bytes_changed
        spoilt = change_it(data, rng)
        if kind == "table":
            version = call(server.address, "GET", f"/studies/{study}")["version"]
            change = {"type": "read_table", "table": spoilt.decode("latin-1")}
            spoilt = json.dumps({"version": version, "change": change}).encode()
            kind = "application/json"
        status, said = send(server.address, "POST", path, spoilt, kind)
        counted[status] += 1
        if status >= 500:
            raise BrokenError(f"{path}: {status} {said[:300]!r}")
    return f"{FILES} mutated files through {len(doors)} doors: {by_status(counted)}."


def bytes_changed(data: bytes, rng: random.Random) -> bytes:
    """The bytes with a few of them others, one in five times cut short."""
    changed = bytearray(data[: rng.randrange(1, len(data) + 1)] if rng.random() < 0.2 else data)
    for _ in range(rng.randint(1, 8)):
        changed[rng.randrange(len(changed))] = rng.randrange(256)
    return bytes(changed)


def by_status(counted: Counter[int]) -> str:
    """How many answers of each status there were."""
    return ", ".join(f"{count} with {status}" for status, count in sorted(counted.items()))


def main() -> None:
    """Run all three; anything that may not happen stops it."""
    with tempfile.TemporaryDirectory() as folder:
        data = Path(folder) / "data"
        print(kills(data), flush=True)
        server = Watched(data, demo=False)
        server.start()
        call(server.address, "GET", "/studies")
        began = server.memory_mb()
        for part in (requests, files):
            print(part(server), flush=True)
            more = server.memory_mb() - began
            print(f"Memory: {more:+.0f} MB of {began:.0f} at the start.", flush=True)
            if more > MOST_MORE_MB:
                raise BrokenError(f"it holds {more:.0f} MB more than at the start")
        traced = server.traced()
        server.kill()
        server.start()
        wall = call(server.address, "GET", "/studies")
        while any(each["pending"] for each in wall["studies"]):
            wall = call(server.address, "GET", "/studies")
        for each in wall["studies"]:
            call(server.address, "GET", f"/studies/{each['id']}")
        server.kill()
        print(
            f"After a restart: {len(wall['studies'])} studies read, {len(wall['broken'])} can't "
            f"be; {traced} tracebacks."
        )
        if wall["broken"] or traced:
            raise BrokenError("a study can't be read, or something was traced back")
