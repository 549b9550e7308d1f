"""`zirkel COMMAND STUDY`: reads a study file or `-`, prints one JSON object.

Bad input ends with status 2 and one plain sentence on standard error, nothing on standard output.
"""

from __future__ import annotations

import argparse
import gc
import json
import os
import sys
from collections.abc import Callable, Sequence
from dataclasses import replace
from pathlib import Path

os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

from zirkel import __version__
from zirkel.canons import head_canons
from zirkel.cli.keeping import KEEPING, add_keeping
from zirkel.cli.options import add_serve_options
from zirkel.core.network.what_next import what_next
from zirkel.core.practice.estimate import read_record
from zirkel.core.practice.guesses import USUAL
from zirkel.core.schools import SCHOOLS
from zirkel.core.sitting.over_poses import plan_poses
from zirkel.core.sitting.plan import SECONDS_PER_READING, plan_sitting
from zirkel.core.tones.groups import MOST_GROUPS
from zirkel.core.words.recipe import scene_of
from zirkel.core.worked import Worked
from zirkel.errors import BadInput, ZirkelError
from zirkel.studyfile.answers import (
    Answer,
    CheckAnswer,
    NextAnswer,
    PerspectiveAnswer,
    PlanAnswer,
    RecipeAnswer,
    RelationsAnswer,
    SolveAnswer,
)
from zirkel.studyfile.head_answers import HeadsAnswer
from zirkel.studyfile.practice_file import MOST_RECORD_BYTES, PracticeAnswer, read_practice
from zirkel.studyfile.read import MOST_BYTES, read_study
from zirkel.studyfile.sitting_answers import PosesAnswer, SittingAnswer
from zirkel.studyfile.tone_answers import DepthAnswer, TonesAnswer

BAD_INPUT = 2
MOST_POSES = 60

COUNTS = {"next": 5, "relations": 15}
"""Commands that name so many things unless told otherwise."""


def solve_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """Places, doubts and drifts of a study's readings."""
    return SolveAnswer.of(worked.solution)


def plan_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """Marks on the sheet."""
    return PlanAnswer.of(worked.plan)


def next_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """The sightings worth taking next."""
    return NextAnswer.of(what_next(worked.solution.adjusted, options.count), worked.study)


def relations_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """The simple relations that could be placed by eye."""
    return RelationsAnswer.of(worked.find_relations(options.count))


def perspective_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """Eye level and vanishing points from families of edges."""
    return PerspectiveAnswer.of(worked.perspective, worked.solution, worked.rounds)


def check_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """What is off in the drawing, by which causes, and what repairs it."""
    found = worked.checked
    if found is None:
        known = sum(each.id in worked.study.drawn for each in worked.study.landmarks)
        raise BadInput(
            "drawn",
            f"{known} landmarks of the drawing are measured, or all at one spot: measure at least "
            "three that lie apart",
        )
    return CheckAnswer.of(found)


def recipe_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """How to place every landmark by hand, as a teacher would dictate it."""
    if options.school is not None:
        if options.school not in SCHOOLS:
            raise BadInput(
                "school", f"“{options.school}” is no school: choose from {', '.join(SCHOOLS)}"
            )
        worked = Worked(replace(worked.study, method=options.school))
    recipe = worked.recipe
    scene = scene_of(worked.study, worked.words, recipe, worked.squares)
    return RecipeAnswer.of(worked.school.name, recipe, scene, worked.dictation)


def tones_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """Tones of areas from comparisons, what contradicts, flat tones, what to compare next."""
    return TonesAnswer.of(worked, options.groups)


def depth_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """Which shape stands before which."""
    return DepthAnswer.of(worked.layers)


def head_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """Heads fitted to their sighted points: turn, nod, roll, lines, departures from canons."""
    found = worked.heads(head_canons()[1])
    for number, each in enumerate(found):
        if each.trouble is not None:
            raise BadInput(f"heads.{number}.points", each.trouble)
    return HeadsAnswer.of(found)


def sitting_command(worked: Worked, options: argparse.Namespace) -> Answer:
    """What fits into the time, of one pose or over several: stages, and what to sight in them."""
    solution, enough = worked.solution, worked.sure_enough
    if options.poses is not None:
        if len(options.rests) >= len(options.poses):
            raise BadInput("--rests", f"there are {len(options.rests)} rests between "
                           f"{len(options.poses)} poses: give one fewer than poses")  # fmt: skip
        plans = plan_poses(
            solution.adjusted, options.poses, options.rests, options.seconds_per_reading,
            solution.scatter, enough=enough,
        )  # fmt: skip
        return PosesAnswer.of(plans, worked.study)
    plan = plan_sitting(
        solution.adjusted, options.minutes, options.seconds_per_reading, solution.scatter,
        enough=enough,
    )  # fmt: skip
    return SittingAnswer.of(plan, worked.study)


COMMANDS: dict[str, Callable[[Worked, argparse.Namespace], Answer]] = {
    "solve": solve_command,
    "plan": plan_command,
    "next": next_command,
    "relations": relations_command,
    "check": check_command,
    "recipe": recipe_command,
    "perspective": perspective_command,
    "tones": tones_command,
    "depth": depth_command,
    "head": head_command,
    "sitting": sitting_command,
}


def parser() -> argparse.ArgumentParser:
    """The commands and their options."""
    made = argparse.ArgumentParser(prog="zirkel", description=__doc__.split("\n")[0])
    made.add_argument("--version", action="version", version=f"zirkel {__version__}")
    each = made.add_subparsers(dest="command", required=True)
    for name, command in COMMANDS.items():
        sub = each.add_parser(name, help=command.__doc__)
        sub.add_argument("study", help="a study file, or - for standard input")
        if name == "recipe":
            sub.add_argument("--school", default=None, help="by which school")
        if name == "tones":
            sub.add_argument("--groups", type=_groups, default=3, help="how many flat tones")
        if name == "sitting":
            sub.add_argument("--minutes", type=_within(1.0, 1440.0), default=20.0)
            sub.add_argument("--poses", type=_minutes, help="minutes of each pose, as 20,20,20")
            sub.add_argument("--rests", type=_minutes, default=(), help="minutes between them")
            sub.add_argument("--seconds-per-reading", type=_within(1.0, 600.0),
                             default=SECONDS_PER_READING)  # fmt: skip
        if name in COUNTS:
            sub.add_argument("--count", type=_count, default=COUNTS[name], help="how many to name")
    practice = each.add_parser("practice", help="What the record of an eye's trials says of it.")
    practice.add_argument("study", metavar="record", help="a practice file, or - for input")
    add_keeping(each)
    serving = each.add_parser("serve", help="serve the application on this machine")
    add_serve_options(serving)
    return made


def _minutes(text: str) -> tuple[float, ...]:
    one = _within(0.25, 1440.0)
    made = tuple(one(each.strip()) for each in text.split(","))
    if len(made) > MOST_POSES:
        raise argparse.ArgumentTypeError(f"{len(made)} are too many: {MOST_POSES} at most")
    return made


def _groups(text: str) -> int:
    count = int(text) if text.isdigit() else 0
    if not 1 <= count <= MOST_GROUPS:
        raise argparse.ArgumentTypeError(
            f"“{text}” is not a number of tones from 1 to {MOST_GROUPS}"
        )
    return count


def _within(least: float, most: float) -> Callable[[str], float]:
    def read(text: str) -> float:
        try:
            value = float(text.replace(",", "."))
        except ValueError:
            value = float("nan")
        if not least <= value <= most:
            raise argparse.ArgumentTypeError(f"“{text}” is not from {least:g} to {most:g}")
        return value

    return read


def _count(text: str) -> int:
    count = int(text) if text.isdigit() else 0
    if not 1 <= count <= 100:
        raise argparse.ArgumentTypeError(f"“{text}” is not a count from 1 to 100")
    return count


def main(arguments: Sequence[str] | None = None) -> int:
    """Run one command; the exit status."""
    options = parser().parse_args(arguments)
    try:
        if options.command == "serve":
            # Nothing that is loaded now is ever thrown away: looking for it only costs time.
            gc.disable()
            from zirkel.cli.serve import serve  # noqa: PLC0415  # only serving needs the web

            serve(options)
            return 0
        if options.command in KEEPING:
            KEEPING[options.command](options)
            return 0
        if options.command == "practice":
            eyes = read_record(read_practice(_read(options.study, MOST_RECORD_BYTES)), USUAL)
            return _printed(PracticeAnswer.of(eyes).as_printed())
        worked = Worked(read_study(_read(options.study)))
        answer = COMMANDS[options.command](worked, options)
    except ZirkelError as error:
        print(" ".join(str(error).split()), file=sys.stderr)
        return BAD_INPUT
    return _printed(answer.as_printed())


def _printed(answer: object) -> int:
    """Print it; the exit status. One sentence where nobody reads it to its end, or nothing more can
    be written."""
    try:
        sys.stdout.write(json.dumps(answer, ensure_ascii=False) + "\n")
        sys.stdout.flush()
    except OSError as error:
        # What is still in the buffer must not fail again as Python ends.
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        print(f"The answer can't be written to its end: {error.strerror}.", file=sys.stderr)
        return BAD_INPUT
    return 0


def _read(path: str, most: int = MOST_BYTES) -> bytes:
    """At most one byte more than a file may have, so that a huge one costs no memory."""
    try:
        if path == "-":
            return sys.stdin.buffer.read(most + 1)
        with Path(path).open("rb") as file:
            size = os.fstat(file.fileno()).st_size
            if size > most:
                raise BadInput(
                    "file", f"{path} has {size / 1e6:.1f} MB, more than such a file can have"
                )
            return file.read()
    except OSError as error:
        raise BadInput("file", f"{path} can't be read: {error.strerror}") from error
