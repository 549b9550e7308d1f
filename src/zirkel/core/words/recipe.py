"""The recipe as a teacher dictates it: one sentence a placing, and what is said between them."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from fractions import Fraction

from zirkel.core.sheet.recipe.choose import Squares
from zirkel.core.sheet.recipe.construct import Construction, Recipe, Step
from zirkel.core.sheet.recipe.dictation import Item
from zirkel.core.sheet.recipe.glances import Glance
from zirkel.core.sheet.recipe.manners import BREADTHS_MM
from zirkel.core.study import Study
from zirkel.core.words.base import Words
from zirkel.core.words.plural import several

EDGES = ("left", "right", "top", "bottom")
SHARES = {
    Fraction(1, 2): "half-way", Fraction(1, 3): "a third of the way",
    Fraction(2, 3): "two thirds of the way", Fraction(1, 4): "a quarter of the way",
    Fraction(3, 4): "three quarters of the way",
}  # fmt: skip
BREADTHS = dict(zip(BREADTHS_MM, ("a touch", "half a pencil's breadth", "a pencil's breadth",
                                  "a pencil's breadth and a half", "two pencils' breadths"),
                    strict=True))  # fmt: skip
PARTS = {Fraction(1, 2): "half a {}", Fraction(1, 4): "a quarter of a {}",
         Fraction(3, 4): "three quarters of a {}", Fraction(1, 3): "a third of a {}",
         Fraction(2, 3): "two thirds of a {}"}  # fmt: skip
NUMBERS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")
SIDES = {"plumb": ("right of", "left of"), "level": ("below", "above")}
OF_IT = {"right of": "to the right", "left of": "to the left", "below": "down", "above": "up"}
ALL_NAMED = 5
WORTH_SAYING_MM = 0.5


def say_hour(degrees: float) -> str:
    """A direction as the hour it points to: 195 is "6:30"."""
    minutes = round(degrees % 360.0 * 2.0 / 5.0) * 5
    hours, rest = divmod(minutes, 60)
    return f"{hours % 12 or 12}:{rest:02d}"


def say_units(units: float, unit: str) -> str:
    """So many units as one says them: "one can", "half a can", "1 3/8 cans"."""
    size = Fraction(abs(units)).limit_denominator(8)
    whole, rest = divmod(size, 1)
    if size in PARTS:
        return PARTS[size].format(unit)
    if not rest and whole < len(NUMBERS):
        return f"{NUMBERS[int(whole)]} {several(unit) if whole > 1 else unit}"
    if rest == Fraction(1, 2) and 0 < whole < len(NUMBERS):
        return f"{NUMBERS[int(whole)]} and a half {several(unit)}"
    if not whole:
        return f"{rest.numerator}/{rest.denominator} of a {unit}"
    return f"{whole} {rest.numerator}/{rest.denominator} {several(unit)}"


def named(words: Words, landmark: str) -> str:
    """A landmark's name within a sentence: without the comma that may stand in it."""
    return words.of(landmark).replace(", ", " ")


def say_placing(
    each: Construction,
    words: Words,
    squares: Squares | None = None,
    ticks: Mapping[str, float] | None = None,
    places: Mapping[str, tuple[float, float]] | None = None,
    sheet: tuple[float, float] = (0.0, 0.0),
) -> str:
    """One sentence: the landmark, and where it goes. `ticks` are the sides that have a first tick;
    `places` where all landmarks lie by the recipe."""
    name = words.of(each.landmark)
    if each.fell:
        return f"{name}: it stands where it fell. What comes next is reckoned from there."
    if each.steps[0].manner == "eye":
        return f"{name}: by eye, where it looks right beside all that stands."
    if each.steps[0].manner == "square" and squares is not None:
        label, across, down = squares.place(*each.place)
        within = f"{_eighths(across, 'across')}, {_eighths(down, 'down')}"
        return f"{name}: in square {label}, {within}."
    at = {**(places or {}), each.landmark: each.place}
    told = _together(each, words, at)
    if told is None:
        steps = sorted(each.steps, key=lambda step: _FIRST.get(step.manner, 5))
        told = ", ".join(_phrase(step, each, words, ticks or {}, at, sheet) for step in steps)
    return f"{name}: {told}."


def say_fell(each: Construction, plan: tuple[float, float], words: Words) -> str | None:
    """How far from the plan a landmark fell, across and down; None for one that is to be placed."""
    if not each.fell:
        return None
    x, y = each.place[0] - plan[0], each.place[1] - plan[1]
    across = f"{words.length(abs(x))} too far {'right' if x > 0 else 'left'}"
    down = f"{words.length(abs(y))} too {'low' if y > 0 else 'high'}"
    said = [told for off, told in ((x, across), (y, down)) if abs(off) >= WORTH_SAYING_MM]
    return ", ".join(said) or "where the plan has it"


_FIRST = {"part": 0, "level": 1, "down": 1, "pull": 1, "top": 2, "bottom": 2, "plumb": 3,
          "across": 3, "left": 3, "right": 3, "length": 4, "tilt": 5}  # fmt: skip
"""In which order two moves are said: heights before widths, then what is carried."""


def _together(
    each: Construction, words: Words, at: Mapping[str, tuple[float, float]]
) -> str | None:
    """Both offsets from one landmark, said as one."""
    steps = {step.manner: step for step in each.steps}
    if set(steps) != {"plumb", "level"} or steps["plumb"].via != steps["level"].via:
        return None
    plumb, level = steps["plumb"], steps["level"]
    other = named(words, plumb.via[0])
    if plumb.value == 0:
        under = "under" if level.value > 0 else "above"
        return (
            f"straight {under} {other}, {_much(level, words)} {'down' if level.value > 0 else 'up'}"
        )
    if level.value == 0:
        way = "right" if plumb.value > 0 else "left"
        return f"level with {other}, {_much(plumb, words)} to the {way}"
    down = SIDES["level"][level.value < 0]
    side = SIDES["plumb"][plumb.value < 0]
    its = "its plumb" if plumb.units is None and _is_breadth(plumb, words) else "it"
    return f"{_much(level, words)} {down} {other}, {_much(plumb, words)} {side} {its}"


def _phrase(
    step: Step, each: Construction, words: Words, ticks: Mapping[str, float],
    at: Mapping[str, tuple[float, float]], sheet: tuple[float, float],
) -> str:  # fmt: skip
    if step.manner in EDGES:
        if ticks.get(step.manner) == step.value:
            return f"on the {step.manner} tick"
        return f"{words.length(_from_edge(step, sheet))} from the {step.manner} edge"
    if step.manner == "pull":
        return "its height pulled straight across from the subject"
    if step.manner in ("across", "down"):
        return _gap(step, words, at)
    if step.manner in ("plumb", "level"):
        return _beside(step, each, words, at)
    return _carried(step, words)


def _carried(step: Step, words: Words) -> str:
    """A share, a tilt or a length from landmarks."""
    first = named(words, step.via[0])
    if step.manner == "part":
        share = SHARES[Fraction(step.value).limit_denominator(10)]
        between = "between {} and {}" if step.value == 0.5 else "from {} to {}"
        return f"{share} {between.format(first, named(words, step.via[1]))}"
    if step.manner == "tilt":
        return f"on the line from {first} towards {say_hour(step.value)}"
    ways = {"right": "to the right", "left": "to the left", "above": "up", "below": "down"}
    return f"{_much(step, words)} from {first}, {ways[step.side]}"


def _beside(
    step: Step, each: Construction, words: Words, at: Mapping[str, tuple[float, float]]
) -> str:
    """On, or beside, the plumb or level of a landmark."""
    first = named(words, step.via[0])
    if any(other.manner == "pull" for other in each.steps):
        # At sight-size the one plumb is drawn, and everything is measured from it.
        side = SIDES[step.manner][step.value < 0]
        return f"{_much(step, words)} {side} the plumb line" if step.value else "on the plumb line"
    if step.value == 0:
        if step.manner == "level":
            return f"level with {first}"
        below = each.place[1] > at.get(step.via[0], each.place)[1]
        return f"straight {'under' if below else 'above'} {first}"
    side = SIDES[step.manner][step.value < 0]
    if _is_breadth(step, words) and step.manner == "plumb":
        return f"{_much(step, words)} {side} the plumb from {first}"
    return f"{_much(step, words)} {side} {first}"


def _from_edge(step: Step, sheet: tuple[float, float]) -> float:
    """How far from its own edge a place measured from left or top lies."""
    if step.manner == "right":
        return sheet[0] - step.value
    return sheet[1] - step.value if step.manner == "bottom" else step.value


def _gap(step: Step, words: Words, at: Mapping[str, tuple[float, float]]) -> str:
    """A share of the way across or down, told from left to right or from the top."""
    axis = 0 if step.manner == "across" else 1
    (a, b), share = step.via, step.value
    if at.get(a, (0, 0))[axis] > at.get(b, (0, 0))[axis]:
        a, b, share = b, a, 1.0 - share
    way = "across" if axis == 0 else "down"
    near = Fraction(share).limit_denominator(10)
    if near in (2, -1):
        beyond, start = (b, a) if near == 2 else (a, b)
        past = {("across", True): "right", ("across", False): "left", ("down", True): "below",
                ("down", False): "above"}[way, near == 2]  # fmt: skip
        return (
            f"as far {past} of {named(words, beyond)} as {named(words, start)} is on its other side"
        )
    if near in SHARES:
        return f"{SHARES[near]} {way} from {named(words, a)} to {named(words, b)}"
    told = f"{near.numerator}/{near.denominator}".replace("-", "−")
    return f"{told} of the way {way} from {named(words, a)} to {named(words, b)}"


def _is_breadth(step: Step, words: Words) -> bool:
    return step.units is None and abs(step.value) in BREADTHS and words.unit != "mm"


def _much(step: Step, words: Words) -> str:
    if step.units is not None:
        return say_units(step.units, words.unit)
    if _is_breadth(step, words):
        return BREADTHS[abs(step.value)]
    return words.length(abs(step.value))


def _eighths(share: float, way: str) -> str:
    """How far across or down its square a place lies, in eighths."""
    near = Fraction(round(8 * share), 8)
    if near == 0:
        return "on its left line" if way == "across" else "on its top line"
    if near == 1:
        return "on its right line" if way == "across" else "on its bottom line"
    return f"{SHARES.get(near) or f'{near.numerator}/{near.denominator} of the way'} {way}"


def say_glance(glance: Glance, words: Words, at: Mapping[str, tuple[float, float]]) -> str:
    """A check that costs a glance."""
    first, second = (named(words, each) for each in glance.landmarks[:2])
    if glance.kind == "level":
        return f"{second} is level with {first}."
    if glance.kind == "plumb":
        upper, lower = glance.landmarks
        if at[upper][1] > at[lower][1]:
            upper, lower = lower, upper
        return f"{named(words, lower)} stands straight under {named(words, upper)}."
    if glance.kind in ("below", "beside"):
        side = "below" if glance.kind == "below" else "right of"
        return f"{second} is {say_units(glance.value, words.unit)} {side} {first}."
    if glance.kind == "tilt":
        return f"From {first} to {second} the stick points to {say_hour(glance.value)}."
    step = Step(glance.kind, glance.landmarks[:2], glance.value)
    return f"{named(words, glance.landmarks[2])} lies {_gap(step, words, at)}."


@dataclass(frozen=True, slots=True)
class Scene:
    """What a dictation is about: words, shapes' names by id, where landmarks lie by the recipe, the
    grid, the first ticks by side (mm from left or top), and the sheet's size."""

    words: Words
    names: Mapping[str, str]
    places: Mapping[str, tuple[float, float]]
    squares: Squares | None
    ticks: Mapping[str, float]
    sheet: tuple[float, float]


ENDS = {"top": "The top", "bottom": "The foot", "left": "The left end", "right": "The right end"}


def scene_of(study: Study, words: Words, recipe: Recipe, squares: Squares | None) -> Scene:
    """What the dictation of a study's recipe is about."""
    return Scene(
        words,
        {each.id: each.name for each in study.shapes},
        {each.landmark: each.place for each in recipe.constructions},
        squares,
        {side: mm for _, mm, side in recipe.ticks},
        (study.sheet.width_mm, study.sheet.height_mm),
    )


def say_item(item: Item, scene: Scene) -> str:
    """One thing of the dictation."""
    return _SAID[item.kind](item, scene)


def _say_place(item: Item, scene: Scene) -> str:
    assert item.construction is not None
    return say_placing(
        item.construction, scene.words, scene.squares, scene.ticks, scene.places, scene.sheet
    )


def _say_tick(item: Item, scene: Scene) -> str:
    assert item.tick is not None
    _, mm, side = item.tick
    own = _from_edge(Step(side, (), mm), scene.sheet)
    length = scene.words.length(own)
    return f"{ENDS[side]} of the whole: tick it {length} from the {side} edge."


def _say_box(item: Item, scene: Scene) -> str:
    return "Draw the box through the four ticks, very light. It looks too small: trust it."


def _say_line(item: Item, scene: Scene) -> str:
    if item.construction is None:
        return "Draw the cross through the sheet's middle, then the squares, and letter them."
    name = named(scene.words, item.construction.landmark)
    return f"Draw a plumb line through {name}, top to bottom, very light. It stays where it is."


def _say_look(item: Item, scene: Scene) -> str:
    assert item.glance is not None
    return f"Look: {say_glance(item.glance, scene.words, scene.places)}"


def _say_back(item: Item, scene: Scene) -> str:
    return "Stand back three steps, one eye half shut. Does the whole hold?"


def _say_join(item: Item, scene: Scene) -> str:
    stage = item.join
    assert stage is not None
    own = [named(scene.words, each) for each in stage.landmarks if each in scene.places]
    weight = {"lightest": "as light as you can", "light": "lightly", "firm": "a little firmer"}
    much = weight[item.weight]
    if stage.kind == "envelope":
        return f"Join the outermost marks by straight lines, {much}: that is the envelope."
    what = scene.names.get(stage.shape.id, "them") if stage.shape else "them"
    if len(own) > ALL_NAMED:
        return f"Join {what} all round by straight lines, {much}."
    back = f" and back to {own[0]}" if stage.shape and stage.shape.closed and len(own) > 2 else ""
    return f"Join {what}, {much}: {', '.join(own)}{back}."


_SAID: dict[str, Callable[[Item, Scene], str]] = {
    "place": _say_place, "tick": _say_tick, "box": _say_box, "line": _say_line,
    "join": _say_join, "look": _say_look, "back": _say_back,
}  # fmt: skip
