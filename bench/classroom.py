"""A class of thirty, each answering at the pace of an artist, against a single one: how long a
reading takes to be answered."""

from __future__ import annotations

import json
import random
import statistics
import tempfile
import threading
import time
import urllib.request
from pathlib import Path
from typing import Any

from tests.serving import Server

from zirkel.core.simulation.artist import Hand, sight_scene
from zirkel.core.study import Sheet
from zirkel.scenes import shipped_scenes
from zirkel.studyfile.read import write_study

SCENE, PUPILS, READINGS = "wooden_mask", 30, 20
PACE_S = 7.0
"""Seconds from one reading to the next, as in a sitting's plan."""

WALL_S = 4.0
"""How often the wall is asked for meanwhile: it hangs open in front of the class."""


def call(address: str, method: str, path: str, body: Any = None) -> Any:
    """One request and its answer."""
    request = urllib.request.Request(
        f"{address}/api/v1{path}", json.dumps(body).encode() if body is not None else None,
        {"Content-Type": "application/json"}, method=method,
    )  # fmt: skip
    with urllib.request.urlopen(request, timeout=120) as answer:
        return json.load(answer)


def sitting(address: str, lesson: str, number: int, taken: list[float]) -> None:
    """One pupil: joins, then reading by reading, asking what is next after each."""
    rng = random.Random(number)
    scene = shipped_scenes()[SCENE]
    made = sight_scene(
        scene, scene.station, Sheet(210.0, 297.0), number, Hand(per_landmark=READINGS / 17.0)
    )
    study = call(address, "POST", f"/lessons/{lesson}/pupils", {"name": f"Pupil {number}"})
    path, version = f"/studies/{study['study_id']}", 1
    time.sleep(rng.uniform(0.0, PACE_S))
    for each in json.loads(write_study(made))["sightings"][:READINGS]:
        each.pop("at", None)
        began = time.monotonic()
        change = {"type": "take_sighting", "sighting": each}
        answer = call(address, "POST", f"{path}/changes", {"version": version, "change": change})
        taken.append(time.monotonic() - began)
        version = answer["version"]
        call(address, "GET", f"{path}/prompts?version={version}")
        time.sleep(rng.uniform(0.6, 1.4) * PACE_S)


def watching(address: str, lesson: str, over: threading.Event, taken: list[float]) -> None:
    """Who teaches looks at the wall, again and again."""
    while not over.wait(WALL_S):
        began = time.monotonic()
        call(address, "GET", f"/lessons/{lesson}/wall")
        taken.append(time.monotonic() - began)


def room(pupils: int) -> tuple[list[float], list[float]]:
    """Seconds that each reading took, of so many at once, and those of the wall meanwhile."""
    taken: list[float] = []
    wall_taken: list[float] = []
    over = threading.Event()
    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder) / "data", demo=False)
        server.start()
        lesson = call(server.address, "POST", "/lessons", {"scene": SCENE})["id"]
        threads = [
            threading.Thread(target=sitting, args=(server.address, lesson, number, taken))
            for number in range(pupils)
        ]
        teacher = threading.Thread(target=watching, args=(server.address, lesson, over, wall_taken))
        for each in (*threads, teacher):
            each.start()
        for each in threads:
            each.join()
        over.set()
        teacher.join()
        wall = call(server.address, "GET", f"/lessons/{lesson}/wall")
        if len(wall["pupils"]) != pupils or len(taken) != pupils * READINGS:
            raise ValueError("a pupil or a reading is missing")
        server.kill()
    return taken, wall_taken


def main() -> None:
    """Print the medians and how they compare."""
    (alone, _), (together, wall) = room(1), room(PUPILS)
    one, all_ = statistics.median(alone), statistics.median(together)
    late = sorted(together)[int(0.95 * len(together))]
    print(
        f"A reading is answered in {1000 * one:.0f} ms of one alone, in {1000 * all_:.0f} ms of "
        f"{PUPILS} at once (median of {len(together)}; 95 of 100 within {1000 * late:.0f} ms): "
        f"{all_ / one:.2f} times as long. The wall: {1000 * statistics.median(wall):.0f} ms, at "
        f"worst {1000 * max(wall):.0f} ms (asked {len(wall)} times)."
    )
