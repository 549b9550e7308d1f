"""Where the adjustment starts, and how it gets out of a mirror image."""

import unittest
from dataclasses import replace

import numpy as np

from tests.networks import UNIT, RandomNetwork, study_of
from zirkel.core.network.assemble import build, curvature, linearize
from zirkel.core.network.descend import come_near
from zirkel.core.network.search import adjust
from zirkel.core.network.second_look import disagreement, put_right, strained
from zirkel.core.network.start import on_datum, thumbnail_places, thumbnail_scale
from zirkel.core.sightings import Drop, Level, Span, Tilt
from zirkel.core.study import Landmark, UnitLength, UnitPair


class Thumbnail(unittest.TestCase):
    def test_its_scale_is_that_of_the_readings(self):
        # Drawn 200 and 100 (the unit), read 2 and 1: a hundredth of a unit per length.
        study = study_of(
            {"a": (50, 50), "b": (50, 150), "c": (250, 60)},
            (Span(id="s", start="a", end="c", along="level", towards="right", units=2.0),),
        )
        self.assertAlmostEqual(thumbnail_scale(study), 0.01)
        places = on_datum(study, thumbnail_places(study))
        np.testing.assert_allclose(places, [[0, 0], [0, 1], [2, 0.1]], atol=1e-12)

    def test_the_unit_s_end_is_one_away_on_its_side(self):
        for along, rough, end in (
            ("plumb", (0.2, -3.0), (0.2, -1.0)),
            ("level", (-3.0, 0.2), (-1.0, 0.2)),
            ("straight", (3.0, 4.0), (0.6, 0.8)),
        ):
            study = study_of({"a": (0, 0), "b": rough}, unit=UnitPair("a", "b", along, "u"))
            placed = on_datum(study, np.array([(0.0, 0.0), rough]))
            np.testing.assert_allclose(placed[1], end)

    def test_landmarks_never_tapped_lie_apart(self):
        study = study_of({"a": (0, 0), "b": (0, 1)})
        more = tuple(Landmark(f"x{i}", f"x{i}") for i in range(6))
        study = replace(study, landmarks=(*study.landmarks, *more))
        places = thumbnail_places(study)
        i, j = np.triu_indices(8, 1)
        self.assertGreater(np.hypot(*(places[i] - places[j]).T).min(), 0.05)
        self.assertTrue(np.isfinite(adjust(study).places).all())

    def test_millimetres_begin_at_the_origin(self):
        study = replace(study_of({"a": (5, 5), "b": (9, 9)}), unit=UnitLength(1.0, "mm", "b"))
        np.testing.assert_allclose(on_datum(study, thumbnail_places(study))[1], [0, 0])


class ComingNear(unittest.TestCase):
    def test_a_poor_thumbnail_comes_near_in_three_steps(self):
        network = RandomNetwork(2, n=20, per=5, kinds="stdl", tap=0.5)
        net = build(network.study, on_datum(network.study, thumbnail_places(network.study)))
        places, _ = come_near(net, 1.0 / net.sigma, net.start)
        before = np.hypot(*(net.start - network.places()).T)
        after = np.hypot(*(places - network.places()).T)
        self.assertLess(np.median(after), 0.35 * np.median(before))

    def test_a_unit_tapped_the_wrong_way_round_is_put_right(self):
        """The readings say that b lies below a; the thumbnail had it above."""
        places = {"a": (0.0, 0.0), "b": (0.05, -0.3), "c": (1.0, 1.4), "d": (-0.6, 0.7)}
        readings = (
            Drop(id="s1", start="a", end="b"),
            Span(id="s2", start="b", end="c", along="plumb", towards="down", units=0.5),
            Span(id="s3", start="a", end="c", along="plumb", towards="down", units=1.5),
            Drop(id="s4", start="a", end="c", offset=1.0),
            Level(id="s5", start="d", end="c", offset=0.75),
            Level(id="s6", start="d", end="b", offset=0.25),
            Drop(id="s7", start="a", end="d", offset=-0.6),
        )
        solved = adjust(study_of(places, readings, UNIT))
        self.assertAlmostEqual(solved.places[1, 1], 1.0)
        self.assertLess(solved.cost, 1e-9)


class SecondLook(unittest.TestCase):
    def mirrored(self):
        """c belongs right of the line a-b, but was tapped on the left; one reading tells."""
        places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (-0.5, 0.4), "d": (1.2, 0.5)}
        readings = (
            Drop(id="s1", start="a", end="b"),
            Drop(id="s2", start="a", end="d", offset=1.2),
            Level(id="s3", start="a", end="d", offset=0.5),
            Span(id="s4", start="a", end="c", along="straight", units=0.64),
            Span(id="s5", start="b", end="c", along="straight", units=0.78),
            Span(id="s6", start="d", end="c", along="straight", units=0.71),
            Tilt(id="s7", start="d", end="c", degrees=98.1),
        )
        return study_of(places, readings)

    def test_a_mirror_image_is_left(self):
        solved = adjust(self.mirrored())
        self.assertAlmostEqual(solved.places[2, 0], 0.5, delta=0.03)
        self.assertTrue(solved.convincing)

    def test_how_it_is_found(self):
        study = self.mirrored()
        net = build(study, on_datum(study, thumbnail_places(study)))
        weight = 1.0 / net.sigma
        there = np.array([(0.0, 0.0), (0.0, 1.0), (-0.5, 0.4), (1.2, 0.5)])
        strain = linearize(net, there, np.zeros(0), weight).misfit
        self.assertIn(2, strained(net, strain))
        moved = put_right(net, there, weight, np.array([2]))
        self.assertGreater(moved[2, 0], 0.3)
        here, best = disagreement(net, there, weight, 2, np.array([there[2], moved[2]]))
        self.assertLess(best, here)

    def test_the_same_study_gives_the_same_answer(self):
        study = RandomNetwork(39, n=30, per=4, tap=0.5).study
        np.testing.assert_array_equal(adjust(study).places, adjust(study).places)


class Curvature(unittest.TestCase):
    def test_it_is_the_change_of_the_gradient(self):
        """d(A'v) = -(A'A - sum v f'') dx: compared with differences of the right-hand side."""
        network = RandomNetwork(5, n=6, per=4, kinds="stdlpm", tap=0.05, firm=True)
        net = build(network.study, on_datum(network.study, thumbnail_places(network.study)))
        weight = 1.0 / net.sigma
        places, drifts = network.places(), np.zeros(len(net.takes))
        here = linearize(net, places, drifts, weight)
        full = here.normal - curvature(net, places, drifts, here.misfit * weight)
        column = net.datum.column
        for coordinate in (4, 7, 9):
            step = np.zeros(2 * len(places))
            step[coordinate] = 1e-5
            beside = places + step.reshape(-1, 2)
            slope = (linearize(net, beside, drifts, weight).rhs - here.rhs) / 1e-5
            expected = -full[:, column[coordinate]]
            scale = np.abs(full).max()
            np.testing.assert_allclose(slope / scale, expected / scale, atol=2e-3)


if __name__ == "__main__":
    unittest.main()
