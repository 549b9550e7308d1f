"""The fuzzer at length: many requests for every operation, many mutated files, then a restart after
which every study must be readable."""

import random
import tempfile
import unittest
from pathlib import Path

from tests.serving import demonstration
from tests.web.fuzz import ask_everything, mutated

from zirkel.web.app import WebConfig, create_app

EXAMPLES, FILES = 300, 2000
TITLES = ("Potting bench, morning light", "Wooden mask on a peg", "Boathouse across the water")


def main() -> None:
    """Count what was taken and what was refused; anything else stops it."""
    case, rng = unittest.TestCase(), random.Random(1)
    with tempfile.TemporaryDirectory() as folder:
        config = WebConfig(Path(folder) / "zirkel.sqlite", None)
        app = create_app(config)
        client = app.test_client()
        statuses: dict[int, int] = {}
        for number in range(FILES):
            data = mutated(demonstration(TITLES[number % len(TITLES)]), rng)
            answer = client.post("/api/v1/studies/import", data=data,
                                 content_type="application/json")  # fmt: skip
            statuses[answer.status_code] = statuses.get(answer.status_code, 0) + 1
            case.assertLess(answer.status_code, 500, answer.text[:400])
        print(f"{FILES} mutated files: {statuses}")
        ask_everything(case, app, EXAMPLES)
        app.extensions["zirkel_store"].close()
        again = create_app(config)
        wall = again.test_client().get("/api/v1/studies").json
        print(f"after a restart: {len(wall['studies'])} studies, {len(wall['broken'])} unreadable")
        again.extensions["zirkel_store"].close()
