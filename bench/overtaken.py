"""Ten readings through HTTP at 0.7 s, each followed by what the browser asks for, at 120 landmarks
and 500 readings: how long the slowest answer to a reading takes against a single one's."""

from __future__ import annotations

import contextlib
import json
import statistics
import tempfile
import time
import urllib.error
import urllib.request
from pathlib import Path
from threading import Thread
from typing import Any

from tests.networks import RandomNetwork
from tests.serving import Server

from zirkel.studyfile.read import write_study

LANDMARKS, PER, PAUSE = 120, 4, 0.7
READINGS = 10


def ask(address: str, body: bytes | None = None) -> Any:
    """The parsed answer to a request."""
    headers = {"Content-Type": "application/json"} if body else {}
    request = urllib.request.Request(address, data=body, headers=headers)
    with urllib.request.urlopen(request) as answer:
        return json.load(answer)


def looked_for(study: str, version: int) -> None:
    """What the bench asks for after a reading; a 409 where a newer version has overtaken it."""
    for what in ("prompts", "relations", "trust"):
        with contextlib.suppress(urllib.error.HTTPError):
            ask(f"{study}/{what}?version={version}")


def main() -> None:
    """Print the slowest answer against a single one's."""
    network = RandomNetwork(0, n=LANDMARKS, per=PER, kinds="sssttpm", tap=0.15, firm=True)
    study = network.study
    spans = [each for each in study.sightings if each.kind == "span"][: 2 * READINGS]
    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder) / "data", demo=False)
        server.start()
        made = ask(server.address + "/api/v1/studies/import", write_study(study))
        address, version = f"{server.address}/api/v1/studies/{made['id']}", made["version"]
        looked_for(address, version)

        def one(number: int) -> float:
            nonlocal version
            at = spans[number]
            reading = {
                "id": f"again{number}", "kind": "span", "from": at.landmarks[0],
                "to": at.landmarks[1], "along": at.along, "towards": at.towards,  # type: ignore[attr-defined]
                "units": at.value, "take": at.take_name,
            }  # fmt: skip
            body = {"version": version, "change": {"type": "take_sighting", "sighting": reading}}
            begin = time.perf_counter()
            version = ask(address + "/changes", json.dumps(body).encode())["version"]
            return time.perf_counter() - begin

        single = []
        for number in range(READINGS):
            single.append(one(number))
            time.sleep(0.1)
        threads: list[Thread] = []
        quick = []
        for number in range(READINGS, 2 * READINGS):
            begin = time.perf_counter()
            quick.append(one(number))
            threads.append(Thread(target=looked_for, args=(address, version)))
            threads[-1].start()
            time.sleep(max(0.0, PAUSE - (time.perf_counter() - begin)))
        for each in threads:
            each.join()
        server.kill()
    usual = statistics.median(single)
    print(
        f"Ten readings at {PAUSE} s, {LANDMARKS} landmarks, {len(study.sightings)} readings: the "
        f"slowest answer {max(quick) / usual:.1f} times a single one's, the median "
        f"{statistics.median(quick) / usual:.1f} times; {usual * 1e3:.0f} ms alone."
    )


if __name__ == "__main__":
    main()
