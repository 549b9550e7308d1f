"""Any study that can be thought of goes to its file and comes back the same."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.networks import RandomNetwork
from zirkel.core.frames import Frame, KeptFrame, Placement
from zirkel.core.study import (
    Landmark,
    Margins,
    PictureSubject,
    Shape,
    Sheet,
    SimulatedSubject,
    Study,
    UnitLength,
    UnitPair,
)
from zirkel.core.subject.faults import FAULTS
from zirkel.core.subject.lamps import LAMPS
from zirkel.core.subject.station import Station
from zirkel.studyfile.read import read_study, write_study

number = st.floats(-1000, 1000).map(lambda v: round(v, 3))
size = st.floats(1, 900).map(lambda v: round(v, 2))
share = st.floats(0, 1).map(lambda v: round(v, 3))
name = st.text(st.characters(codec="utf-8", exclude_categories=("C", "Zl", "Zp")), min_size=1,
               max_size=30)  # fmt: skip
ids = st.sampled_from(["crown", "chin", "ear", "hand", "foot"])


@st.composite
def frames(draw):
    left, top = draw(number), draw(number)
    return Frame(left, left + draw(size), top, top + draw(size))


@st.composite
def stations(draw):
    return Station(
        draw(st.floats(200, 9000)), draw(number), draw(st.floats(-180, 180)),
        draw(st.floats(150, 1200)), draw(st.floats(200, 9000)), draw(size),
        draw(st.floats(-45, 60)),
    )  # fmt: skip


@st.composite
def pictures(draw):
    left, top = draw(st.floats(0, 0.4)), draw(st.floats(0, 0.4))
    return PictureSubject(
        draw(st.text("0123456789abcdef", min_size=64, max_size=64)),
        draw(st.integers(1, 9000)), draw(st.integers(1, 9000)),
        (left, top, left + 0.5, top + 0.3), draw(st.floats(-180, 180)), draw(st.booleans()),
        draw(st.floats(0.2, 4)), draw(st.floats(0, 50)), draw(st.sampled_from([0, 2, 3, 5, 7])),
        draw(st.none() | st.floats(0.01, 9)), draw(st.booleans()),
    )  # fmt: skip


@st.composite
def subjects(draw):
    faults = draw(st.dictionaries(st.sampled_from(sorted(FAULTS)), st.floats(0.1, 9)))
    light = draw(st.sampled_from([None, *LAMPS]))
    simulated = SimulatedSubject("a_scene", draw(stations()), faults, light)
    return draw(st.none() | st.just(simulated) | pictures())


@st.composite
def studies(draw):
    kept = draw(st.lists(ids, unique=True, min_size=2))
    landmarks = tuple(
        Landmark(each, draw(name), draw(st.integers(1, 3)),
                 draw(st.none() | st.tuples(number, number)))
        for each in kept
    )  # fmt: skip
    pair = UnitPair(kept[0], kept[1], draw(st.sampled_from(["plumb", "level", "straight"])),
                    draw(name))  # fmt: skip
    width, height = draw(st.floats(80, 900)), draw(st.floats(80, 900))
    margin = Margins(*(draw(st.floats(0, 30)) for _ in range(4)))
    frame_list = draw(st.lists(st.tuples(name, frames()), max_size=3, unique_by=lambda f: f[0]))
    return Study(
        title=draw(name),
        method=draw(st.sampled_from(["comparative", "grid", "my own way"])),
        sheet=Sheet(width, height, margin),
        landmarks=landmarks,
        unit=draw(st.none() | st.just(pair) | st.just(UnitLength(1.0, "mm", kept[0]))),
        shapes=(Shape("all", draw(name), tuple(kept), draw(st.booleans())),),
        drawn=draw(st.dictionaries(st.sampled_from(kept), st.tuples(number, number))),
        frame=draw(st.none() | frames()),
        frames=tuple(KeptFrame(name, f.left, f.right, f.top, f.bottom) for name, f in frame_list),
        placement=Placement(draw(share), draw(share)),
        unit_mm=draw(st.none() | size),
        inches=draw(st.booleans()),
        subject=draw(subjects()),
    )


class AnyStudy(unittest.TestCase):
    @given(studies())
    def test_there_and_back(self, study):
        self.assertEqual(read_study(write_study(study)), study)

    @given(studies(), st.integers(0, 500))
    def test_with_readings_of_every_kind(self, study, seed):
        network = RandomNetwork(seed, n=8, kinds="stdlpmr").study
        both = replace(
            network,
            title=study.title,
            sheet=study.sheet,
            frame=study.frame,
            frames=study.frames,
            subject=study.subject,
            inches=study.inches,
        )
        self.assertEqual(read_study(write_study(both)), both)

    @given(studies())
    def test_written_twice_it_is_the_same(self, study):
        self.assertEqual(write_study(read_study(write_study(study))), write_study(study))


if __name__ == "__main__":
    unittest.main()
