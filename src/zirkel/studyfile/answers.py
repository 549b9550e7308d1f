"""What the commands and the web answer with, filled from the core's records."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import asdict
from typing import Any

from pydantic import BaseModel, ConfigDict, Field

from zirkel.core.check.causes.base import Fault
from zirkel.core.check.correct import Check
from zirkel.core.network.families import Perspective, SeenFamily
from zirkel.core.network.relations import Found, Line, Relation
from zirkel.core.network.solve import Solution
from zirkel.core.network.what_next import Next, Suggestion
from zirkel.core.perspective.ellipses import Rounds, RoundSeen
from zirkel.core.perspective.shadows import Light, lights
from zirkel.core.sheet.plan import Plan
from zirkel.core.sheet.recipe import Construction, Recipe, Step
from zirkel.core.sheet.recipe.dictation import Item
from zirkel.core.study import Study
from zirkel.core.words.base import Words, words_of
from zirkel.core.words.network import because
from zirkel.core.words.recipe import Scene, say_glance, say_item
from zirkel.studyfile.sightings import sighting_to_file


class Answer(BaseModel):
    """Part of an answer, filled by attribute from a core record."""

    model_config = ConfigDict(from_attributes=True, populate_by_name=True)

    def as_printed(self) -> Any:
        """JSON-ready data, with null for what cannot be known."""
        return self.model_dump(mode="json", by_alias=True)


class PlaceAnswer(Answer):
    x: float | None
    y: float | None
    sd_x: float | None
    sd_y: float | None
    corr: float | None


class LooseAnswer(Answer):
    landmark: str
    direction: str | float


class CheckedAnswer(Answer):
    residual: float
    standardized: float | None
    redundancy: float | None


class DoubtAnswer(Answer):
    sighting: str
    reads: float
    expected: float
    standardized: float
    rivals: list[str]


class TakeAnswer(Answer):
    drift: float
    sd: float
    significant: bool
    apart: float
    thin: bool


class SolveAnswer(Answer):
    landmarks: dict[str, PlaceAnswer]
    loose: list[LooseAnswer]
    readings: dict[str, CheckedAnswer]
    doubts: list[DoubtAnswer]
    takes: dict[str, TakeAnswer]
    variance_factor: float | None
    scatter: float

    @classmethod
    def of(cls, solution: Solution) -> SolveAnswer:
        """The answer of `zirkel solve`: how sure the places are by the hand at hand, whose readings
        may scatter more than believed."""
        made = cls.model_validate(solution)
        for each in made.landmarks.values() if solution.scatter > 1.0 else ():
            each.sd_x = None if each.sd_x is None else each.sd_x * solution.scatter
            each.sd_y = None if each.sd_y is None else each.sd_y * solution.scatter
        return made


class MarkAnswer(Answer):
    from_left_mm: float | None
    from_top_mm: float | None
    sd_mm: float | None


class PlanAnswer(Answer):
    orientation: str
    unit_mm: float | None
    fits: bool
    fill: float
    marks: dict[str, MarkAnswer]
    outside: list[str]

    @classmethod
    def of(cls, plan: Plan) -> PlanAnswer:
        """The answer of `zirkel plan`."""
        return cls.model_validate(plan)


class RelationsAnswer(Answer):
    relations: list[dict[str, Any]]
    plumbs: list[dict[str, Any]]
    levels: list[dict[str, Any]]

    @classmethod
    def of(cls, found: Found) -> RelationsAnswer:
        """The answer of `zirkel relations`."""
        return cls(
            relations=[_relation(each) for each in found.relations],
            plumbs=[_line("x", each) for each in found.plumbs],
            levels=[_line("y", each) for each in found.levels],
        )


def _relation(each: Relation) -> dict[str, Any]:
    fields = sighting_to_file(each.sighting, with_defaults=True)
    del fields["id"]
    return {**fields, "off": each.off, "sd": each.sd, "worth": each.worth}


class CheckAnswer(Answer):
    verdict: str
    faults: list[dict[str, Any]]
    corrections: list[dict[str, Any]]
    touch_up: dict[str, list[float]]
    landmarks: dict[str, dict[str, Any]]
    runner_up: dict[str, Any] | None
    sure: float | None
    unexplained: dict[str, Any] | None

    @classmethod
    def of(cls, found: Check) -> CheckAnswer:
        """The answer of `zirkel check`."""
        ids = found.drawing.ids
        return cls(
            verdict="off" if found.off else "sound",
            faults=[_fault(each) for each in found.diagnosis.faults],
            corrections=[
                {
                    "repairs": _fault(each.fault),
                    "moves_mm": {
                        name: [float(x), float(y)]
                        for name, (x, y) in zip(ids, each.moves.tolist(), strict=True)
                        if x or y
                    },
                }
                for each in found.orders
            ],
            touch_up={name: list(moves) for name, moves in found.touch_up.items()},
            landmarks={
                name: {
                    "off_mm": list(each.off),
                    "tolerance_mm": each.tolerance,
                    "within": each.within,
                }
                for name, each in found.standing.items()
            },
            runner_up=None
            if found.diagnosis.runner_up is None
            else _fault(found.diagnosis.runner_up),
            sure=found.diagnosis.sure,
            unexplained=None
            if found.diagnosis.unexplained is None
            else asdict(found.diagnosis.unexplained),
        )


def _fault(each: Fault) -> dict[str, Any]:
    on = {"landmarks": list(each.landmarks)} if each.landmarks else {}
    return {"fault": each.kind, **each.amount, **on}


class PerspectiveAnswer(Answer):
    eye_level: dict[str, float] | None
    families: list[dict[str, Any]]
    edges: list[dict[str, Any]]
    doubts: list[dict[str, Any]]
    rounds: list[dict[str, Any]]
    lights: list[dict[str, Any]]

    @classmethod
    def of(cls, found: Perspective, solution: Solution, rounds: Rounds) -> PerspectiveAnswer:
        """The answer of `zirkel perspective`: families in the order of the file."""
        eye = found.eye_level
        return cls(
            eye_level=None if eye is None else {"y": eye, "sd": found.eye_sd or 0.0},
            families=[_family(each) for each in found.families if each.sort == "edges"],
            edges=[
                {
                    "from": each.start, "to": each.end, "family": each.family,
                    "seen_degrees": each.seen_deg, "fitted_degrees": each.fitted_deg,
                    "standardized": each.standardized,
                }
                for each in found.edges if each.sort == "edges"
            ],
            rounds=[_round(each, rounds) for each in rounds.seen],
            lights=[_light(each) for each in lights(found)],
            doubts=[asdict(each) for each in solution.doubts],
        )  # fmt: skip


def _round(each: RoundSeen, rounds: Rounds) -> dict[str, Any]:
    return {
        "id": each.id, "centre": _spot(each.centre), "long": each.long, "short": each.short,
        "tilt_degrees": each.tilt_deg, "roundness": each.roundness, "sd": each.roundness_sd,
        "expected": each.expected, "standardized": each.standardized,
        "in_doubt": each.id in rounds.doubts,
    }  # fmt: skip


def _light(each: Light) -> dict[str, Any]:
    return {
        "light": each.kind, "at": _spot(each.at), "ground": _spot(each.ground),
        "told": each.told, "behind": each.behind,
    }  # fmt: skip


def _spot(at: tuple[float, float] | None) -> dict[str, float] | None:
    return None if at is None else {"x": at[0], "y": at[1]}


def _family(each: SeenFamily) -> dict[str, Any]:
    made: dict[str, Any] = {
        "name": each.name,
        "vanishing_point": _spot(each.point),
        "sd": None if each.sd is None else list(each.sd),
        "at_infinity": each.at_infinity,
        "determined": each.determined,
    }
    return {**made, "direction": each.direction_deg} if each.at_infinity else made


class RecipeAnswer(Answer):
    school: str
    placings: list[dict[str, Any]]
    mean_sd_mm: float
    checks: list[dict[str, Any]]

    @classmethod
    def of(cls, school: str, recipe: Recipe, scene: Scene, items: Sequence[Item]) -> RecipeAnswer:
        """The answer of `zirkel recipe`."""
        told = {each.construction.landmark: say_item(each, scene) for each in items
                if each.kind == "place" and each.construction is not None}  # fmt: skip
        made = recipe.constructions
        looks = [each.glance for each in items if each.glance is not None]
        return cls(
            school=school,
            placings=[
                {
                    "landmark": each.landmark,
                    "shape": _shape_of(each, recipe),
                    "moves": _moves(each, scene),
                    "said": [told[each.landmark]],
                    "sd_mm": each.sd_mm,
                    "depth": each.depth,
                }
                for each in made
            ],
            mean_sd_mm=sum(each.sd_mm for each in made) / max(len(made), 1),
            checks=[
                {
                    "after": each.after, "kind": each.kind, "landmarks": list(each.landmarks),
                    "value": each.value, "limit_mm": each.limit,
                    "said": say_glance(each, scene.words, scene.places),
                }
                for each in looks
            ],
        )  # fmt: skip


def _shape_of(each: Construction, recipe: Recipe) -> str | None:
    shape = recipe.stages[each.stage].shape
    return shape.id if shape is not None else None


def _moves(each: Construction, scene: Scene) -> list[dict[str, Any]]:
    if each.fell:
        return [{"move": "fell", "left_mm": each.place[0], "top_mm": each.place[1]}]
    if each.steps[0].manner == "eye":
        return [{"move": "eye"}]
    if each.steps[0].manner == "square" and scene.squares is not None:
        label, across, down = scene.squares.place(*each.place)
        return [{"move": "square", "label": label, "across": across, "down": down}]
    return [_move(step, scene) for step in each.steps]


def _move(step: Step, scene: Scene) -> dict[str, Any]:
    """One move as the contract has it."""
    width, height = scene.sheet
    own = {"right": width - step.value, "bottom": height - step.value}
    if step.manner in ("left", "right", "top", "bottom"):
        return {"move": "edge", "side": step.manner, "mm": own.get(step.manner, step.value)}
    if step.manner == "pull":
        return {"move": "edge", "side": "top", "mm": step.value}
    start = {"from": step.via[0]}
    if step.manner in ("plumb", "level"):
        along = "level" if step.manner == "plumb" else "plumb"
        return {"move": "offset", **start, "along": along, "mm": step.value}
    if step.manner == "tilt":
        return {"move": "tilt", **start, "degrees": step.value}
    if step.manner == "length":
        return {"move": "length", **start, "mm": step.value, "side": step.side}
    along = {"across": "level", "down": "plumb", "part": "straight"}[step.manner]
    ends = {**start, "to": step.via[1]}
    return {"move": "part", **ends, "fraction": step.value, "along": along}


def _line(axis: str, line: Line) -> dict[str, Any]:
    return {axis: line.at, "through": list(line.through), "mean_reach": line.mean_reach}


WHY = "because"


class SuggestionAnswer(Answer):
    kind: str
    start: str = Field(serialization_alias="from")
    end: str = Field(serialization_alias="to")
    along: str | None = None
    towards: str | None = None
    gain: float
    because: str
    checks: list[str] = Field(default_factory=list)


class WithSuggestions(Answer):
    """An answer of which each suggestion shows only the fields that its kind has."""

    def as_printed(self) -> Any:
        """JSON-ready data without what is None."""
        return self.model_dump(mode="json", by_alias=True, exclude_none=True)


class NextAnswer(WithSuggestions):
    sightings: list[SuggestionAnswer]
    checks: list[SuggestionAnswer]
    unchecked: list[str]

    @classmethod
    def of(cls, found: Next, study: Study) -> NextAnswer:
        """The answer of `zirkel next`."""
        words = words_of(study)
        return cls(
            sightings=[suggestion_of(each, study, words) for each in found.sightings],
            checks=[suggestion_of(each, study, words) for each in found.checks],
            unchecked=list(found.unchecked),
        )


def suggestion_of(each: Suggestion, study: Study, words: Words) -> SuggestionAnswer:
    """A suggested reading, with its reason."""
    fields = {name: getattr(each, name) for name in SuggestionAnswer.model_fields if name != WHY}
    return SuggestionAnswer(**fields, because=because(study, words, each))
