"""A small study file, and ways to spoil it."""

from __future__ import annotations

import copy
import json
from typing import Any

SMALL: dict[str, Any] = {
    "format": "zirkel-study",
    "version": 1,
    "title": "Potting bench",
    "method": "comparative",
    "sheet": {"width_mm": 297, "height_mm": 420, "margin_mm": 15},
    "unit": {"from": "can_top", "to": "can_foot", "along": "plumb", "name": "can"},
    "landmarks": [
        {"id": "can_top", "name": "Can, top of rim", "tier": 1, "rough": [0.40, 0.22]},
        {"id": "can_foot", "name": "Can, foot", "tier": 1, "rough": [0.41, 0.50]},
        {"id": "pot_rim", "name": "Pot, rim", "tier": 1, "rough": [0.80, 0.20]},
    ],
    "sightings": [
        {"id": "s1", "kind": "span", "from": "can_top", "to": "pot_rim", "along": "level",
         "towards": "right", "units": 1.625, "take": "t1"},
        {"id": "s2", "kind": "level", "from": "can_top", "to": "pot_rim"},
        {"id": "s3", "kind": "drop", "from": "can_top", "to": "can_foot"},
    ],
    "shapes": [{"id": "can", "name": "Can", "outline": ["can_top", "can_foot"], "closed": False}],
}  # fmt: skip


def small(**changes: Any) -> dict[str, Any]:
    """The small study, with top-level fields replaced."""
    return {**copy.deepcopy(SMALL), **changes}


def with_sighting(**fields: Any) -> dict[str, Any]:
    """The small study with one more sighting."""
    document = small()
    document["sightings"].append({"id": "s4", **fields})
    return document


def as_bytes(document: Any) -> bytes:
    """As a file."""
    return json.dumps(document).encode()


BAD_FILES: dict[str, tuple[bytes, str]] = {
    "span of zero": (
        as_bytes(with_sighting(kind="span", **{"from": "can_top"}, to="pot_rim", along="level",
                               units=0)),
        r"sightings\.3\.units.*greater than 0",
    ),
    "fraction over zero": (
        as_bytes(with_sighting(kind="span", **{"from": "can_top"}, to="pot_rim", along="level",
                               units="2 1/0")),
        r"sightings\.3\.units.*2 1/0.*divides by zero",
    ),
    "unknown landmark": (
        as_bytes(with_sighting(kind="drop", **{"from": "can_top"}, to="pot_rimm")),
        r"sightings\.3 \(s4\).*pot_rimm.*did you mean “pot_rim”",
    ),
    "landmark to itself": (
        as_bytes(with_sighting(kind="tilt", **{"from": "can_top"}, to="can_top", degrees=3)),
        r"sightings\.3.*s4.*to itself",
    ),
    "not a number": (as_bytes(small(unit_mm=float("nan"))), r"NaN is not a number"),
    "huge number": (
        as_bytes(with_sighting(kind="drop", **{"from": "can_top"}, to="pot_rim", offset=1e200)),
        r"sightings\.3\.offset.*1e\+200",
    ),
    "beyond all numbers": (b'{"format": "zirkel-study", "version": 1, "unit_mm": 1e999}',
                           r"unit_mm.*ordinary number"),
    "wrong version": (as_bytes(small(version=2)), r"version: must be 1, but is 2"),
    "no version": (b'{"format": "zirkel-study"}', r"version: must be 1, but is None"),
    "another format": (as_bytes(small(format="sketch")), r"format: .*“sketch”"),
    "too large": (b" " * 30_000_000, r"30\.0 MB"),
    "not UTF-8": (b'{"title": "\xff"}', r"not UTF-8"),
    "not JSON": (b'{"format": ', r"not JSON: line 1, column"),
    "a list": (b"[]", r"one JSON object"),
    "nested beyond reason": (b"[" * 100_000, r"not JSON"),
    "unknown kind": (as_bytes(with_sighting(kind="guess")), r"sightings\.3\.kind.*“guess”"),
    "wrong side": (
        as_bytes(with_sighting(kind="span", **{"from": "can_top"}, to="pot_rim", along="level",
                               towards="up", units=1)),
        r"sightings\.3\.towards.*right or left",
    ),
    "two of one name": (
        as_bytes(small(landmarks=[SMALL["landmarks"][0]] * 2, unit=None, sightings=[], shapes=[])),
        r"landmarks\.1\.id: two landmarks are called “can_top”",
    ),
    "unit of one landmark": (
        as_bytes(small(unit={"from": "can_top", "to": "can_top", "along": "plumb"})),
        r"unit: both ends",
    ),
    "margins over all": (
        as_bytes(small(sheet={"width_mm": 100, "height_mm": 100, "margin_mm": 50})),
        r"sheet: the margin leaves no room",
    ),
    "outline of nothing": (
        as_bytes(small(shapes=[{"id": "x", "name": "X", "outline": ["nowhere"]}])),
        r"shapes\.0\.outline: there is no landmark “nowhere”",
    ),
    "missing field": (
        as_bytes(with_sighting(kind="span", **{"from": "can_top"}, to="pot_rim", along="level")),
        r"sightings\.3\.units: is missing",
    ),
}  # fmt: skip
"""What may be wrong with a file, and what the message has to say."""
