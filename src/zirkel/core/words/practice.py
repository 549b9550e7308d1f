"""What is said of an eye: after a trial, of its record, and at the moment it matters."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence

from zirkel.core.practice.board import Posed
from zirkel.core.practice.carried import ON_THE_BENCH, OwnEye, Parting
from zirkel.core.practice.diagnosed import SHEET_MM, diagnosed
from zirkel.core.practice.exercises.base import Exercise, Line, Outcome
from zirkel.core.practice.exercises.block_in import fit
from zirkel.core.practice.eye import BETTER, UNKNOWN, Eye
from zirkel.core.practice.guesses import EVERY_LINE
from zirkel.core.practice.today import Drill
from zirkel.core.practice.trials import Trial
from zirkel.core.subject.scene import Scene
from zirkel.core.values.tilts import say_tilt
from zirkel.core.words.base import words_of
from zirkel.core.words.checked import About
from zirkel.core.words.drawn_wrong import say_fault

SMALL = 0.005
"""Least error of a measure's own unit worth a word, for shares; a hundredfold for degrees."""


def say_amount(measure: str, size: float) -> str:
    """How much, without its sign: "3 %", "2°", "1.2 steps"."""
    if measure in ("share", "relative"):
        percent = size * 100.0
        return f"{percent:.0f} %" if percent >= 9.5 else f"{percent:.1f} %".replace(".0 ", " ")
    if measure == "degrees":
        return f"{size:.0f}°" if size >= 9.5 else f"{size:.1f}°".replace(".0°", "°")
    rounded = f"{size:.1f}".removesuffix(".0")
    if measure == "steps":
        return f"{rounded} step{'' if rounded == '1' else 's'}"
    return f"{size:.2f} units"


def say_error(line: Line, size: float) -> str:
    """How much in one line of the record, and of what."""
    return f"{say_amount(line.measure, size)} {line.of}".rstrip()


def is_small(measure: str, size: float) -> bool:
    """Whether an error is none to speak of."""
    return size < {"degrees": 0.5, "steps": 0.15}.get(measure, SMALL)


def say_outcome(exercise: Exercise, posed: Posed, outcomes: Sequence[Outcome]) -> str:
    """What a trial showed."""
    if outcomes[0].line.choice:
        return _said_choice(posed, outcomes[0])
    told = [_said_error(each) for each in outcomes]
    if all(each is None for each in told):
        return f"As exact as one can tell.{_truth(exercise, posed)}"
    parts = [each for each in told if each is not None]
    return f"{' and '.join(parts).capitalize()}.{_truth(exercise, posed)}"


def _said_choice(posed: Posed, outcome: Outcome) -> str:
    right = outcome.truth * outcome.answer > 0
    side = posed.way.names[1 if outcome.truth > 0 else 0]
    by = say_amount(outcome.line.measure, abs(outcome.truth))
    said = f"{side[:1].lower()}{side[1:]}, by {by}"
    return f"So it is: {said}." if right else f"No: {said}."


def _said_error(outcome: Outcome) -> str | None:
    line, error = outcome.line, _error(outcome)
    if is_small(line.measure, abs(error)):
        return None
    return f"{say_error(line, abs(error))} {line.more if error > 0 else line.less}"


def _error(outcome: Outcome) -> float:
    return Trial(outcome.line.name, outcome.line.measure, 0.0, outcome.truth, outcome.answer).error


def _truth(exercise: Exercise, posed: Posed) -> str:
    """What was so, where that can be said in a word."""
    way = posed.way
    say = SAID_BY.get((way.sort, way.shape)) or SAID_BY.get((way.sort, ""))
    return "" if say is None else f" {say(exercise.lines[0].measure, posed)}."


def _scaled(measure: str, posed: Posed) -> str:
    truth = posed.truth[0]
    if measure == "degrees":
        return f"It is {abs(truth):.0f}° to the {'right' if truth > 0 else 'left'}"
    if measure != "steps":
        return f"It is {truth:.2f} times"
    if posed.way.low > 0:
        return f"It is step {truth:.1f}".removesuffix(".0")
    return f"It is {say_amount('steps', abs(truth))} {'darker' if truth > 0 else 'lighter'}"


SAID_BY: Mapping[tuple[str, str], Callable[[str, Posed], str]] = {
    ("turn", "half"): lambda *_: "It is the broken green one",
    ("turn", ""): lambda _, posed: f"It leans to {say_tilt(posed.truth[0])}",
    ("stretch", "ellipse"): lambda _, posed: (
        f"Its short axis is {posed.truth[0]:.2f} of the long one"
    ),
    ("stretch", ""): lambda _, posed: f"Its height is {posed.truth[0]:.2f} of its width",
    ("scale", ""): _scaled,
}
"""What is said of the truth, by the way of answering and its shape."""


def say_block_in(posed: Posed, answer: Sequence[float], scene: Scene) -> list[str]:
    """What a block-in shows: how near as a whole, then the causes, as Check names them."""
    fitted = fit(posed, answer)
    apart = float((fitted.off**2).sum(axis=1).mean() ** 0.5)
    left_out = len(posed.landmarks) - len(fitted.placed)
    said = [
        "After the best size, place and turn the landmarks are "
        f"{say_amount('share', apart)} of the whole apart from where they sit."
    ]
    if left_out:
        said.append(f"{left_out} not placed in the time.")
    found = diagnosed(posed, answer, scene)
    if found is None:
        return said
    study, check = found
    about = About(study, words_of(study, 1.0), check)
    faults = [say_fault(about, each) for each in check.diagnosis.faults]
    if not faults:
        return [*said, "No cause stands out: what is left is scatter."]
    return [*said, f"As on a sheet {SHEET_MM:.0f} mm wide:", *faults]


def say_too_few(wanted: int) -> str:
    """That too few were placed, or all at one spot."""
    return f"Place {wanted} at least, apart from one another: fewer say nothing of the whole."


def say_lean(line: Line, eye: Eye) -> str:
    """The bias: "comes out 3 % too long"."""
    if eye.bias is None:
        return "Not known yet."
    by = say_error(line, abs(eye.bias))
    if not eye.leans or not line.more:
        return "Leans to neither side, as far as that is known."
    if line.choice:
        way = line.more if eye.bias > 0 else line.less
        return f"Where both are alike, {way}, by {by}."
    return f"On average {by} {line.more if eye.bias > 0 else line.less}."


def say_spread(line: Line, eye: Eye) -> str:
    """The spread, with how well it is known."""
    if eye.spread is None:
        return "A few more trials will tell."
    by, give = say_error(line, eye.spread), say_amount(line.measure, eye.spread_sd or 0.0)
    what = "A single look tells differences of" if line.choice else "A single answer scatters by"
    return f"{what} {by}, give or take {give}."


def say_change(eye: Eye) -> str:
    """Whether it changes."""
    change = eye.change
    if change.verdict == UNKNOWN or change.per_week is None:
        return "Whether it changes is not known yet."
    percent = abs(change.per_week) * 100.0
    way = "Getting surer" if change.verdict == BETTER else "Getting less sure"
    return f"{way}: by about {percent:.0f} % a week."


def say_why(drill: Drill) -> str:
    """Why it is practised today."""
    if drill.worst is None or drill.error is None:
        return "Not known yet how good your eye is here."
    return f"Your eye errs by about {say_error(drill.worst, drill.error)}."


def say_good(line: Line, eye: Eye) -> str:
    """What is good enough at the easel, and whether the eye is there."""
    good = say_error(line, line.good_enough)
    if line.choice:
        wanted, own = f"seeing {good} is", eye.spread
    else:
        wanted, own = f"within {good} is", eye.error
    if own is None:
        return f"At the easel {wanted} good enough to draw by."
    if own <= line.good_enough:
        return f"Good enough to draw by: {wanted} wanted."
    return f"Not yet good enough to draw by: {wanted} wanted."


PLURAL = {"span": "spans", "match": "matched lengths", "tilt": "tilts", "part": "parts",
          "drop": "plumbs", "level": "levels"}  # fmt: skip


def say_at_work(own: OwnEye) -> str:
    """What the record says of the kind of reading at hand."""
    line, eye, at_work = EVERY_LINE[own.line], own.eye, EVERY_LINE[f"{ON_THE_BENCH}{own.kind}"]
    where = "guesses here" if own.at_work else "trials in practice"
    spread = say_amount(line.measure, eye.spread or 0.0)
    if eye.leans and line.more and eye.bias is not None and not line.choice:
        way = at_work.more if eye.bias > 0 else at_work.less
        lean = f"come out {say_amount(line.measure, abs(eye.bias))} {way}"
    else:
        lean = "lean to neither side"
    return f"By your eye, {PLURAL[own.kind]} {lean} and scatter by {spread} ({eye.trials} {where})."


def say_sigma(own: OwnEye) -> str | None:
    """What a reading by eye may be trusted to."""
    return None if own.sigma is None else f"± {say_amount(own.eye.measure, own.sigma)}"


def say_parting(known: Parting) -> str | None:
    """How exactly lengths are parted, and plumb and level kept, by this eye."""
    said = []
    if known.part is not None:
        said.append(f"parts lengths to {say_amount('share', known.part)}")
    if known.straight is not None:
        said.append(f"keeps plumb and level to {say_amount('share', known.straight)}")
    return f"By the record, your eye {' and '.join(said)} of their length." if said else None
