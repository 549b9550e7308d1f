"""Requests made from the API's own document, and files mutated at random: what a fuzzer tries."""

import json
import random
import unittest
from copy import deepcopy

import schemathesis
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

ODD = (None, True, -1, 0, 1e308, 5e-324, 10**30, "", "x" * 3000, "\u0000", "s²", [], {}, [[[]]],
       "1/0", "12:61", -1e-300)  # fmt: skip

ENDLESS = ("GET /api/v1/studies/{study_id}/live", "GET /api/v1/shelf")
"""An event stream, and a file as large as all that hangs there: they have tests of their own."""


def ask_everything(case: unittest.TestCase, app, examples: int) -> None:
    """Every operation with made-up requests: none may break the server, and what is refused is
    told as a problem."""
    schema = schemathesis.openapi.from_wsgi("/api/v1/openapi.json", app)
    for operation in schema.get_all_operations():
        if operation.ok().label not in ENDLESS:
            _ask(case, operation.ok(), examples)


def _ask(case: unittest.TestCase, operation, examples: int) -> None:
    @settings(max_examples=examples, deadline=None, suppress_health_check=list(HealthCheck),
              database=None)  # fmt: skip
    @given(data=st.data())
    def run(data):
        asked = data.draw(operation.as_strategy())
        answer = asked.call()
        case.assertLess(answer.status_code, 500, answer.content[:400])
        if answer.status_code >= 400:
            case.assertIn("problem+json", answer.headers["content-type"][0])

    run()


def mutated(data: bytes, rng: random.Random) -> bytes:
    """A study file with a few of its values, names or bytes replaced."""
    if rng.random() < 0.2:
        cut = bytearray(data)
        for _ in range(rng.randint(1, 4)):
            cut[rng.randrange(len(cut))] = rng.randrange(256)
        return bytes(cut)
    document = json.loads(data)
    for _ in range(rng.randint(1, 3)):
        _spoil(document, rng)
    return json.dumps(document).encode()


def _spoil(part, rng: random.Random) -> None:
    while True:
        keys = list(part) if isinstance(part, dict) else list(range(len(part)))
        if not keys:
            return
        key = rng.choice(keys)
        if isinstance(part[key], dict | list) and part[key] and rng.random() < 0.8:
            part = part[key]
            continue
        if rng.random() < 0.2 and isinstance(part, dict):
            del part[key]
        else:
            part[key] = deepcopy(rng.choice(ODD))
        return
