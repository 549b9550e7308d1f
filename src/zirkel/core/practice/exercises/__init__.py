"""The exercises: one module a kind, listed here."""

from zirkel.core.practice.exercises.across import AnglePair, CarryTilt
from zirkel.core.practice.exercises.base import Exercise, Line
from zirkel.core.practice.exercises.between import GapGap
from zirkel.core.practice.exercises.block_in import BlockIn
from zirkel.core.practice.exercises.boxes import BoxOf
from zirkel.core.practice.exercises.cards import ToneCard
from zirkel.core.practice.exercises.copies import WhichDrawing
from zirkel.core.practice.exercises.counts import Widths
from zirkel.core.practice.exercises.depths import Foreshortened
from zirkel.core.practice.exercises.gaps import GapBy, LargerGap
from zirkel.core.practice.exercises.hits import PlumbHit
from zirkel.core.practice.exercises.memory import MemoryMinute
from zirkel.core.practice.exercises.negatives import Negative
from zirkel.core.practice.exercises.outlines import Envelope, NegativeDrawn
from zirkel.core.practice.exercises.parts import Half, Quarter, Third
from zirkel.core.practice.exercises.points import PlaceThePoint
from zirkel.core.practice.exercises.rounds import Roundness
from zirkel.core.practice.exercises.straights import LevelWith, StraightUnder
from zirkel.core.practice.exercises.tilts import Tilt
from zirkel.core.practice.exercises.tones import Darker, ToneSteps
from zirkel.core.practice.exercises.turned import HeadTurned

EXERCISES: dict[str, Exercise] = {
    each.name: each
    for each in (
        Half(), Third(), Quarter(), StraightUnder(), LevelWith(), Tilt(), Widths(), BoxOf(),
        LargerGap(), GapBy(), PlaceThePoint(), Negative(), Roundness(), Darker(), ToneSteps(),
        BlockIn(), CarryTilt(), AnglePair(), PlumbHit(), Envelope(), NegativeDrawn(),
        Foreshortened(), GapGap(), ToneCard(), MemoryMinute(), HeadTurned(), WhichDrawing(),
    )
}  # fmt: skip
"""All exercises by name, in the order in which they are shown."""

LINES: dict[str, Line] = {line.name: line for each in EXERCISES.values() for line in each.lines}
"""All lines of the record that exercises fill."""
