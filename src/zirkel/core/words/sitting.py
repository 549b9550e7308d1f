"""What is said of a sitting: what its time is good for, and whether the place is the same."""

from __future__ import annotations

from collections.abc import Sequence

from zirkel.core.network.slack import SDS
from zirkel.core.network.solve import Solution
from zirkel.core.sitting.control import MOST, SamePlace
from zirkel.core.sitting.over_poses import PosePlan
from zirkel.core.sitting.plan import SittingPlan
from zirkel.core.sitting.story import Entry
from zirkel.core.study import Study
from zirkel.core.words.base import Words
from zirkel.core.words.sightings import said

WHY_CONTROL = "Asked again, to tell whether you are back at the same place and the model too."

STAGES = {"frame": "Frame", "envelope": "Envelope", "sight": "Sight", "draw": "Draw",
          "check": "Check", "tone": "Tone"}  # fmt: skip
SPENT = {"sight": "sighting", "draw": "drawing and looking", "check": "checking", "rest": "rest"}
"""What the time of a sitting went into, in the order in which it is told."""


OUT_THERE = (
    "Before it begins: do you stand safely, out of the traffic, out of the sun? Rest shoulder and "
    "eyes as often as a sitter would."
)
BEFORE = {
    "sitter": "Before it begins: is the sitter warm, seated safely, free to stop at any time? A "
              "rest is never cut short. Rest your own shoulder and eyes with them.",
    "building": OUT_THERE,
    "outdoors": OUT_THERE,
}  # fmt: skip
"""What is seen to before a sitting, by what is drawn."""

USUALLY = (
    "Before it begins: does everything stand where it can stay? Rest shoulder and eyes now and "
    "then."
)

AT_REST = "Put the stick down. Shake out the shoulder, look far away."
IN_A_REST = {"sitter": f"{AT_REST} The sitter's rest is theirs."}

TIRED = "Half an hour without a rest: shake out the shoulder and look far away for a moment."
LONG_WITHOUT = {"sitter": f"{TIRED} Does the sitter want to move?"}

OVER = "The time is over. Clean up, then look at the drawing from afar."
AT_THE_END = {
    "sitter": "All poses are over. Thank your sitter; clean up, then look at the drawing from "
              "afar.",
}  # fmt: skip

MOVED = {"sitter": "The model has moved"}
IT_MOVED = "It has moved"
"""What is said when what is drawn is no longer as it was, by what that is."""

ASKED = {
    "sitter": "A sitter", "still_life": "A still life", "building": "A building",
    "outdoors": "A place outdoors", "copy": "A picture, copied",
}  # fmt: skip
"""What can be drawn, as it is chosen."""


def say_plan(plan: SittingPlan, words: Words) -> str:
    """What the readings that fit will have brought."""
    count = len(plan.sightings)
    if not count:
        return "There is nothing that sighting could still add to the large shapes in this time."
    readings = "One reading fits" if count == 1 else f"{count} readings fit"
    then = words.roughly(SDS * plan.expected_sd)
    now = words.roughly(SDS * plan.sd_now)
    if then == now:
        return f"{readings}. They hardly make the large shapes surer than {now}."
    return f"{readings}. The large shapes will then be sure to about {then}; now it is {now}."


def say_pose(number: int, plan: PosePlan, words: Words) -> str:
    """One pose of several: what is taken again, what is sighted, how long is drawn."""
    drawn = sum(each.minutes for each in plan.stages if each.stage == "draw")
    again = f"{len(plan.controls)} readings taken again, then " if plan.controls else ""
    sure = words.roughly(SDS * plan.expected_sd)
    return (
        f"Pose {number}: {again}{len(plan.sightings)} new ones, {drawn:.0f} min of drawing; the "
        f"large shapes sure to about {sure} by its end."
    )


FEW_NAMES = 4


def say_loose(names: Sequence[str]) -> str | None:
    """What will be loose still, the first few by name."""
    if not names:
        return None
    few = ", ".join(names[:FEW_NAMES])
    more = len(names) - FEW_NAMES
    return f"Still loose then: {few}{f' and {more} more' if more > 0 else ''}. Place by eye."


def say_same(found: SamePlace) -> str:
    """Whether the place is the same."""
    size = f"{abs(found.larger) * 100.0:.0f} %"
    turn = f"{abs(found.turned_deg):.0f}°"
    if found.same:
        most = f"{200.0 * found.larger_sd:.0f} % in size or {2.0 * found.turned_sd_deg:.0f}° turned"
        return (
            "The place is the same, as far as these readings tell: they would show a change of "
            f"about {most}."
        )
    shifts = []
    if abs(found.larger) > 1.5 * found.larger_sd:
        shifts.append(f"all looks {size} {'larger' if found.larger > 0 else 'smaller'}")
    if abs(found.turned_deg) > 1.5 * found.turned_sd_deg:
        way = "clockwise" if found.turned_deg > 0 else "the other way"
        shifts.append(f"turned by {turn} {way}")
    if not shifts:
        return "Something has shifted: what was sighted before and now do not agree."
    return f"Something has shifted: {' and '.join(shifts)}."


def say_first_today(study: Study, words: Words, solution: Solution) -> list[str]:
    """What comes first on another day, in its order."""
    told = ["Back on your marks, light and subject as they were."] if study.place else []
    told.append(f"{MOST} readings taken again: they tell whether all is where it was.")
    told += say_look_again(study, words, solution)
    told.append("Then on from the large shapes to what is smaller; the last minutes to stand back.")
    return told


LOOK_FIRST = 6
"""Things named to look at first; more nobody looks at."""


def say_entry(entry: Entry) -> str:
    """What was done in a sitting."""
    minutes = round(entry.minutes)
    done = [f"{minutes} min" + ("" if entry.sitting.ended else " so far")]
    done.append(_count(entry.readings, "reading"))
    if len(entry.takes) > 1:
        done.append(f"{len(entry.takes)} takes")
    moved = len(entry.sitting.moved)
    if moved:
        done.append("moved once" if moved == 1 else f"moved {moved} times")
    if entry.checks:
        done.append(_count(entry.checks, "check"))
    if entry.apart_mm is not None and entry.apart_first_mm is not None:
        off = f"the drawing {entry.apart_mm:.0f} mm from where it should be"
        if round(entry.apart_first_mm) != round(entry.apart_mm):
            off += f", {entry.apart_first_mm:.0f} mm at first"
        done.append(off)
    return ", ".join(done)


def say_spent(entry: Entry, words: Words, scatter: float) -> str | None:
    """How the time went, and what it brought, the readings scattering by that factor; None where
    nothing can be told yet."""
    parts = [
        f"{round(entry.spent[stage])} min {said}"
        for stage, said in SPENT.items()
        if round(entry.spent.get(stage, 0.0)) > 0
    ]
    told = [f"{', '.join(parts)}."] if parts else []
    if entry.sd_before is not None and entry.sd_after is not None:
        before = words.roughly(SDS * scatter * entry.sd_before)
        after = words.roughly(SDS * scatter * entry.sd_after)
        if before != after:
            told.append(f"The large shapes: sure to {before} before, to {after} after.")
    return " ".join(told) or None


def _count(number: int, what: str) -> str:
    return f"{number} {what}{'' if number == 1 else 's'}"


def say_look_again(study: Study, words: Words, solution: Solution) -> list[str]:
    """What to look at first another day: readings that don't agree, corrections told and not made,
    what is loose; the most important first."""
    told = []
    by_id = {each.id: each for each in study.sightings}
    for doubt in solution.doubts:
        if doubt.sighting in by_id:
            told.append(f"Sight again: {said(by_id[doubt.sighting], words)}.")
    if study.checks:
        told += [each.said for each in study.checks[-1].moves if not each.done]
    loose = [words.of(each.landmark) for each in solution.loose]
    if loose:
        told.append(f"Nothing holds these yet: {', '.join(loose)}.")
    return told[:LOOK_FIRST]
