"""What families of edges tell, as one would say it before the subject."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from itertools import combinations

from zirkel.core.network.families import Perspective, SeenEdge, SeenFamily
from zirkel.core.perspective.ellipses import Rounds, RoundSeen
from zirkel.core.perspective.foreshortening import SeenDepth
from zirkel.core.perspective.shadows import Light
from zirkel.core.perspective.station import EyePlace
from zirkel.core.space import Repeat
from zirkel.core.values.fractions import say_number
from zirkel.core.values.tilts import say_tilt
from zirkel.core.words.base import Words

Spot = tuple[float, float]

NEAR_UNITS, FAR_UNITS = 0.05, 40.0
"""What is so near an eye level lies on it; what vanishes so far off is as good as parallel."""

UPRIGHT = 3.0
"""How many times higher than wide of the drawing uprights meet that lean together."""

OFF = 3.29
"""Standard deviations from which on an edge is told to disagree."""


def say_eye_level(found: Perspective, words: Words, origin: str) -> str:
    """Where the eye level lies, counted from the landmark that everything is counted from."""
    if found.eye_level is None or found.eye_sd is None:
        return "No eye level yet: it takes a level family that recedes, two edges at least."
    y, name = found.eye_level, words.of(origin)
    within = words.roughly(found.eye_sd)
    if abs(y) < NEAR_UNITS:
        return f"Your eye level runs through {name}, give or take {within}."
    where = "above" if y < 0 else "below"
    return f"Your eye level lies {words.count(abs(y))} {where} {name}, give or take {within}."


def say_family(family: SeenFamily, words: Words, origin: str) -> str:
    """Where a family vanishes, or that it doesn't."""
    if not family.determined:
        return "Too little tells yet: give it a second edge, well apart from the first."
    if family.at_infinity or family.point is None:
        tilt = say_tilt(family.direction_deg or 0.0)
        return f"They stay parallel as you see them: all at {tilt}."
    x, y = family.point
    side = "right" if x > 0 else "left"
    name = words.of(origin)
    if not family.level and abs(y) > UPRIGHT * abs(x):
        way = "above" if y < 0 else "below"
        return f"They lean together, to meet {words.count(abs(y))} {way} {name}."
    if abs(x) > FAR_UNITS or abs(y) > FAR_UNITS:
        return f"They meet very far to the {side}: nearly parallel."
    height = "level with it"
    if abs(y) >= NEAR_UNITS:
        height = f"{words.count(abs(y))} {'higher' if y < 0 else 'lower'}"
    return f"They meet {words.count(abs(x))} to the {side} of {name}, {height}."


def say_edge(edge: SeenEdge, words: Words) -> str | None:
    """That an edge disagrees with its family, and what the family asks; None where it agrees."""
    if edge.standardized is None or abs(edge.standardized) < OFF:
        return None
    ends = f"{words.of(edge.start)} to {words.of(edge.end)}"
    if edge.sort == "rays":
        return (
            f"The shadow's tip {words.of(edge.end)} contradicts the other shadows: the ray over "
            f"{words.of(edge.start)} comes at {say_tilt(edge.seen_deg)}, they ask for "
            f"{say_tilt(edge.fitted_deg)}. Sight the tip again."
        )
    if edge.sort == "tracks":
        return (
            f"The shadow from {words.of(edge.start)} runs along the ground at "
            f"{say_tilt(edge.seen_deg)}, the others ask for {say_tilt(edge.fitted_deg)}. Sight "
            "its tip again."
        )
    return (
        f"{ends} stands at {say_tilt(edge.seen_deg)}, the others of its family ask for "
        f"{say_tilt(edge.fitted_deg)}. Sight it again."
    )


def say_crossing(
    edges: Sequence[tuple[str, str]], places: Mapping[str, tuple[float, float]], words: Words
) -> str | None:
    """That two edges said to be parallel cross as they are seen, which none ever do."""
    told = [(a, b) for a, b in edges if a in places and b in places]
    for (a, b), (c, d) in combinations(told, 2):
        if {a, b} & {c, d} or not _cross(*(places[each] for each in (a, b, c, d))):
            continue
        return (
            f"{words.of(a)} to {words.of(b)} and {words.of(c)} to {words.of(d)} cross as you see "
            "them: edges parallel in reality never do. Take one out, or sight it again."
        )
    return None


def _cross(a: Spot, b: Spot, c: Spot, d: Spot) -> bool:
    def side(p: Spot, q: Spot, r: Spot) -> float:
        return (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])

    return side(a, b, c) * side(a, b, d) < 0 and side(c, d, a) * side(c, d, b) < 0


ROUND, FLAT = 0.97, 0.03


def say_round(each: RoundSeen, found: Rounds) -> str:
    """How round a circle is seen, where it stands against the eye level, and what the others
    make of it."""
    rho = abs(each.roundness)
    if rho < FLAT:
        seen = f"{each.name}: seen as good as from its edge, a line"
    elif rho > ROUND:
        seen = f"{each.name}: seen as good as a full circle"
    else:
        seen = f"{each.name}: {say_number(rho)} as high as it is wide"
    where = "" if rho < FLAT else (", below your eye" if each.roundness > 0 else ", above your eye")
    if each.id in found.doubts and each.expected is not None:
        return (
            f"{seen}{where}. The other circles ask for {say_number(abs(each.expected))}: sight its "
            "nearest rim again, or its width."
        )
    if each.expected is not None and each.standardized is not None:
        return f"{seen}{where}. The others agree."
    return f"{seen}{where}."


def say_light(light: Light, words: Words) -> str:
    """Where a light stands, as seen."""
    if not light.told:
        if light.kind == "sun":
            return (
                "Where the sun stands isn't known yet: it takes the eye level (a level family) and "
                "one shadow, or two shadows well apart."
            )
        return "Where the lamp stands isn't known yet: it takes two shadows well apart."
    if light.at is None:
        return "The light falls straight across: all rays stay parallel as you see them."
    if light.behind:
        return "The sun stands behind you: its rays run away from you, down to where they meet."
    if light.kind == "lamp":
        return "The lamp stands where all rays cross."
    return "The sun stands before you: all rays come from one point over the eye level."


def say_repeat(each: Repeat, words: Words) -> tuple[str, ...]:
    """How equal steps are drawn, without measuring."""
    top, foot = (words.of(name) for name in each.first)
    next_top, next_foot = (words.of(name) for name in each.second)
    return (
        f"Draw two light lines: through the tops, {top} and {next_top}, and through the feet, "
        f"{foot} and {next_foot}.",
        f"Halve the second upright. From {top} draw through that half, on to the line of the feet: "
        "there stands the third. Raise it to the line of the tops.",
        f"So on from each to the next, until there are {each.count}. They close up by themselves.",
        "Where the diagonals of a panel cross is its true middle; an upright there halves its "
        "depth.",
    )


MOVES = (("nearer by a quarter", 0.75), ("further off by a quarter", 1.25))


def say_station(place: EyePlace | None, words: Words) -> tuple[str, ...]:
    """Where the eye was, and what another place would do."""
    if place is None:
        return (
            "From where it is seen isn't told yet: it takes two level families that stand square "
            "to each other in reality and vanish to either side.",
        )
    far = words.count(place.distance)
    within = f"{100.0 * place.share:.0f} %"
    said = [
        f"If {place.first} and {place.second} stand square to each other, your eye was {far} away, "
        f"counted in the unit as large as it is seen; give or take {within}."
    ]
    for move, share in MOVES:
        verb = "steeper" if share < 1 else "flatter"
        said.append(
            f"A place {move} brings the vanishing points to {share:.2f} of their distance from "
            f"the middle: everything that runs back comes {verb}."
        )
    said.append(
        "A lower eye takes the eye level down with it: what lies under it flattens, and lines over "
        "it fall more steeply."
    )
    return tuple(said)


def say_depth_seen(seen: SeenDepth) -> str:
    """What depth is seen, against what is known of it."""
    return (
        f"Seen {say_number(seen.depth)} of its near edge deep, though you know it to be "
        f"{say_number(seen.known)}; its far edge is {say_number(seen.far_width)} of the near one."
    )
