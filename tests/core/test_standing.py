"""How landmarks stand: held is held, loose is what could slide further than a block-in can bear."""

import unittest
from dataclasses import replace

import numpy as np

from tests.networks import study_of
from zirkel.core.network.extent import likely_places, nowhere
from zirkel.core.network.hang import best_to_hang
from zirkel.core.network.holding import what_holds
from zirkel.core.network.search import adjust
from zirkel.core.network.solve import solve
from zirkel.core.network.standing import sliding, standings
from zirkel.core.sheet.plan import make_plan
from zirkel.core.sightings import Drop, Level, Span, Tilt

PLACES = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (1.0, 0.5), "far": (1.2, 0.9)}


def flung():
    """`far` hangs on a level and on a tilt that is nearly level: it can slide by metres."""
    return study_of(
        PLACES,
        (
            Drop(id="s0", start="a", end="b"),
            Span(id="s1", start="a", end="c", along="level", units=1.0, towards="right"),
            Level(id="s2", start="a", end="c", offset=0.5),
            Level(id="s3", start="a", end="far", offset=0.9),
            Tilt(id="s4", start="b", end="far", degrees=94.0),
        ),
    )


class Held(unittest.TestCase):
    def test_what_could_slide_by_the_size_of_the_whole_is_loose_that_way(self):
        solution = solve(flung())
        self.assertEqual(solution.loose, ())
        loose = sliding(solution)
        self.assertEqual(loose, {"far": "level"})
        self.assertEqual(standings(solution, loose)["far"], "loose")
        self.assertNotEqual(standings(solution, loose)["c"], "loose")

    def test_the_drawing_is_not_laid_out_by_what_is_nowhere(self):
        study = flung()
        adjusted = adjust(study)
        self.assertEqual(
            [n for n, away in zip(adjusted.network.ids, nowhere(adjusted), strict=True) if away],
            ["far"],
        )
        far = adjusted.network.index["far"]
        np.testing.assert_allclose(likely_places(adjusted)[far], adjusted.network.start[far])
        plan = make_plan(study, solve(study))
        self.assertTrue(plan.fits)
        self.assertIsNone(plan.marks["far"].from_left_mm)

    def test_the_reading_that_would_hold_it_does(self):
        study = flung()
        asked = what_holds(adjust(study), sliding(solve(study)))["far"]
        self.assertIn("far", (asked.start, asked.end))
        self.assertEqual(asked.settles[0], "far")
        self.assertLess(asked.settles[2], 0.2 * asked.settles[1])
        held = replace(
            study,
            sightings=(
                *study.sightings,
                Span(id="s5", start="a", end="far", along="level", units=1.2, towards="right"),
            ),
        )
        self.assertEqual(sliding(solve(held)), {})

    def test_nothing_is_offered_where_nothing_is_loose(self):
        study = replace(flung(), landmarks=flung().landmarks[:3], sightings=flung().sightings[:3])
        self.assertEqual(sliding(solve(study)), {})
        self.assertEqual(what_holds(adjust(study), {}), {})


class Hanging(unittest.TestCase):
    def test_the_line_through_most_that_is_unsure_is_offered(self):
        places = {
            "a": (0.0, 0.0),
            "b": (0.0, 1.0),
            **{f"c{k}": (0.02 * k, 0.3 * k) for k in range(1, 5)},
        }
        places["far"] = (1.5, 1.2)
        study = study_of(places, [Drop(id="s0", start="a", end="b")])
        found = best_to_hang(adjust(study))
        self.assertEqual(found.kind, "drop")
        self.assertGreaterEqual(len(found.near), 3)
        self.assertNotIn("far", found.near)
        self.assertNotIn(found.near[0], best_to_hang(adjust(study), found.near[:1]).near)

    def test_what_was_read_against_it_is_not_asked_again(self):
        places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (0.0, 0.2), "d": (0.0, 0.5), "e": (0, 0.7)}
        study = study_of(places, [Drop(id="s0", start="a", end="b")])
        self.assertEqual(set(best_to_hang(adjust(study)).near), {"c", "d", "e"})
        read = [Drop(id=each, start="a", end=each, offset=0.01) for each in "bcde"]
        self.assertIsNone(best_to_hang(adjust(replace(study, sightings=tuple(read)))))


class TheSameReadings(unittest.TestCase):
    def test_give_the_same_places_in_whatever_order_they_came(self):
        """Also where some are loose, and the versions before had them elsewhere."""
        study = flung()
        before = None
        for count in range(len(study.sightings) + 1):
            for order in (study.sightings, study.sightings[::-1]):
                part = replace(study, sightings=order[:count])
                before = adjust(part, before)
        there = adjust(study, before)
        np.testing.assert_array_equal(there.places, adjust(study).places)


if __name__ == "__main__":
    unittest.main()
