"""What `zirkel tones` and `zirkel depth` print."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from zirkel.core.light import ToneReading
from zirkel.core.tones.overlaps import Layers
from zirkel.core.tones.what_next import NextComparison
from zirkel.core.worked import Worked
from zirkel.studyfile.answers import Answer


class TonesAnswer(Answer):
    """The answer of `zirkel tones`."""

    anchored: bool
    areas: dict[str, dict[str, Any]]
    readings: dict[str, dict[str, Any]]
    doubts: list[dict[str, Any]]
    loose: list[str]
    groups: list[dict[str, Any]]
    families: dict[str, Any]
    next: list[dict[str, Any]]

    @classmethod
    def of(cls, worked: Worked, groups: int) -> TonesAnswer:
        """The answer of `zirkel tones`."""
        found, study = worked.tones, worked.study
        plan = worked.plan_tones(None, groups)
        group_of = {name: each.number for each in plan.flat for name in each.areas}
        kinds = {each.id: each for each in study.tone_readings}
        return cls(
            anchored=found.anchored,
            areas={
                name: {
                    "tone": each.tone, "sd": each.sd, "group": group_of.get(name),
                    "on_sheet": plan.areas.get(name),
                }
                for name, each in found.tones.items()
            },
            readings={
                name: {
                    "seen": _seen(kinds[name]), "expected": each.expected,
                    "standardized": each.standardized,
                }
                for name, each in found.readings.items()
            },
            doubts=[
                {"reading": each.reading, "standardized": each.standardized,
                 "cycle": list(each.cycle)}
                for each in found.doubts
            ],
            loose=list(found.loose),
            groups=[{"tone": each.tone, "areas": list(each.areas)} for each in plan.flat],
            families={
                "boundary": plan.families.boundary,
                "crossing": [asdict(each) for each in plan.families.crossing],
            },
            next=[_compare(each) for each in worked.next_comparisons],
        )  # fmt: skip


def _seen(reading: ToneReading) -> str | float:
    if reading.kind == "step":
        return reading.step or 0.0
    return reading.kind if reading.kind == "alike" else reading.by or "clearly"


def _compare(each: NextComparison) -> dict[str, Any]:
    if each.kind == "step":
        return {"kind": "step", "area": each.first, "gain": each.gain}
    return {
        "kind": each.kind, "first": each.first, "second": each.second, "gain": each.gain
    }  # fmt: skip


class DepthAnswer(Answer):
    """The answer of `zirkel depth`."""

    layers: dict[str, int | None]
    cycles: list[list[str]]

    @classmethod
    def of(cls, found: Layers) -> DepthAnswer:
        """The answer of `zirkel depth`."""
        return cls(layers=dict(found.layers), cycles=[list(each) for each in found.cycles])
