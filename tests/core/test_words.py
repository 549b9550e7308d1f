"""What the network finds, said as a colleague would: every kind, every warning."""

import unittest
from dataclasses import replace

from tests.networks import hand_study, study_of
from zirkel.core.network.doubts import Doubt
from zirkel.core.sightings import (
    KINDS,
    Drop,
    Level,
    Match,
    Order,
    Parallel,
    Part,
    Run,
    Sighting,
    Span,
    Tilt,
)
from zirkel.core.study import Landmark, UnitLength, UnitPair
from zirkel.core.words.base import Words, words_of
from zirkel.core.words.network import (
    doubt_detail,
    doubt_headline,
    say_sigma,
    say_value,
    take_warning,
    thin_take,
    why_check,
    why_next,
)
from zirkel.core.words.pad import PAD
from zirkel.core.words.plural import several
from zirkel.core.words.recipe import say_units
from zirkel.core.words.sightings import ask_for, say_reading

CANS = Words({}, "can")
NAMES = {"a": "Rim", "b": "Foot", "c": "Spout", "d": "Handle"}

SAID: list[tuple[Sighting, str]] = [
    (
        Span(id="1", start="a", end="c", along="level", towards="right", units=1.375),
        "Rim to Spout: 1 3/8 cans right",
    ),
    (
        Span(id="2", start="a", end="c", along="plumb", units=0.5),
        "Rim to Spout: 1/2 can upright",
    ),
    (
        Span(id="3", start="a", end="c", along="straight", units=1.0),
        "Rim to Spout: 1 can straight",
    ),
    (Tilt(id="4", start="a", end="c", degrees=45.0), "Rim to Spout: tilt 1:30"),
    (Drop(id="5", start="a", end="c"), "Spout on the plumb from Rim"),
    (
        Drop(id="6", start="a", end="c", offset=-0.25),
        "Spout 1/4 can left of the plumb from Rim",
    ),
    (Level(id="7", start="a", end="c"), "Spout level with Rim"),
    (Level(id="8", start="a", end="c", offset=2.0), "Spout 2 cans lower than Rim"),
    (
        Part(id="9", start="a", end="b", at="c", along="plumb", fraction=1 / 3),
        "Spout at 1/3 of the way from Rim to Foot, counted upright",
    ),
    (Run(id="10", start="a", end="b", hits="c"), "Rim to Foot, carried on, hits Spout"),
    (
        Match(id="11", first=("a", "b"), second=("c", "d"), along="level"),
        "Rim to Foot equals Spout to Handle, measured level",
    ),
    (
        Match(id="12", first=("a", "b"), second=("c", "d"), along="straight", ratio=1.5),
        "Rim to Foot is 1 1/2 times Spout to Handle",
    ),
    (
        Parallel(id="13", first=("a", "b"), second=("c", "d")),
        "Rim to Foot leans like Spout to Handle",
    ),
    (Order(id="14", first="b", second="a", axis="lower"), "Foot is lower than Rim"),
    (Order(id="15", first="c", second="a", axis="right"), "Spout is further right than Rim"),
]


def can_study(*sightings):
    study = study_of(
        {"a": (0, 0), "b": (0, 1), "c": (1, 1), "d": (2, 1)},
        sightings,
        UnitPair("a", "b", "plumb", "can"),
    )
    landmarks = tuple(Landmark(each.id, NAMES[each.id], 1, each.rough) for each in study.landmarks)
    return replace(study, landmarks=landmarks)


class Several(unittest.TestCase):
    def test_units_are_counted_as_one_says_them(self):
        for one, many in (("can", "cans"), ("box", "boxes"), ("jug width", "jug widths"),
                          ("foot", "feet"), ("palm leaf", "palm leaves"), ("baby", "babies"),
                          ("day", "days"), ("brush", "brushes"), ("mm", "mm"), ("", ""),
                          ("unit 2", "unit 2")):  # fmt: skip
            self.assertEqual(several(one), many)
        words = Words({}, "box")
        self.assertEqual(words.count(2.0), "2 boxes")
        self.assertEqual(words.count(0.5), "1/2 box")
        self.assertEqual(say_units(3.0, "box"), "three boxes")
        self.assertEqual(say_units(1.375, "glass"), "1 3/8 glasses")


class Readings(unittest.TestCase):
    def test_every_kind_is_said(self):
        study = can_study()
        for reading, words in SAID:
            with self.subTest(words):
                self.assertEqual(say_reading(study, reading), words)
        self.assertEqual({each.kind for each, _ in SAID}, set(KINDS))

    def test_millimetres_are_said_as_such(self):
        study = replace(can_study(), unit=UnitLength(1.0, "mm", "a"))
        reading = Span(id="1", start="a", end="c", along="level", towards="right", units=97.2)
        self.assertEqual(say_reading(study, reading), "Rim to Spout: 97 mm right")

    def test_values_are_said_in_their_own_way(self):
        study = can_study()
        for index, value, words in ((0, 1.5, "1 1/2 cans"), (3, 120.0, "4:00"), (8, 0.5, "1/2")):
            self.assertEqual(say_value(words_of(study), SAID[index][0], value), words)

    def test_errors_of_a_kind(self):
        self.assertEqual(say_sigma(SAID[3][0], 1.5, CANS), "±3.0°")
        self.assertEqual(say_sigma(SAID[4][0], 1.0, CANS), "±0.03 can")
        self.assertEqual(say_sigma(SAID[4][0], 2.0, Words({}, "mm")), "±2.0 mm")


class OnThePad(unittest.TestCase):
    def test_every_kind_has_an_entry_that_makes_it(self):
        """The fields an entry fills are those of its kind, and every landmark is asked for."""
        self.assertEqual({each.kind for each in PAD}, set(KINDS))
        self.assertEqual(len({each.letter for each in PAD}), len(PAD))
        for each in PAD:
            kind = KINDS[each.kind]
            asked = [field for _, field in each.slots]
            wanted = [n for n, role in kind.landmark_fields() for _ in range(1 + (role == "pair"))]
            self.assertEqual(asked, wanted, each.key)
            self.assertEqual(each.value or None, kind.value_field, each.key)
            self.assertEqual(each.in_takes, "take" in kind.__dataclass_fields__, each.key)
            named = {*(each.fixed or {}), *([each.side] if each.side else [])}
            self.assertLessEqual(named, set(kind.__dataclass_fields__), each.key)


class Asking(unittest.TestCase):
    def test_every_proposal_is_asked_with_the_stick_in_hand(self):
        study = can_study()
        asked = [
            ask_for(words_of(study), "span", "a", "c", along, towards)
            for along, towards in (("level", "left"), ("plumb", "down"), ("straight", None))
        ]
        words = words_of(study)
        asked += [ask_for(words, kind, "a", "c", None, None) for kind in ("tilt", "drop", "level")]
        self.assertEqual(len(set(asked)), 6)
        for question in asked:
            self.assertIn("Rim", question)
            self.assertIn("Spout", question)
            self.assertTrue(question.endswith("?"))
        self.assertIn("Hang the plumb from Rim", asked[4])

    def test_reasons(self):
        study = can_study()
        words = words_of(study)
        self.assertIn("Nothing holds Spout", why_next(words, "c", 1.2, 0.04, True))
        self.assertIn("from 0.10 can to 0.04 can", why_next(words, "c", 0.1, 0.04, False))
        self.assertNotIn("from", why_next(words, "c", 0.041, 0.04, False))
        self.assertEqual(words_of(study, 50.0).slack(0.1), "5 mm")
        reading = Drop(id="s1", start="a", end="c")
        self.assertIn(
            "Spout on the plumb from Rim",
            why_check(replace(study, sightings=(reading,)), words, ["s1"]),
        )
        self.assertIn("3 readings", why_check(study, words, ["s1", "s2", "s3"]))


class Warnings(unittest.TestCase):
    def test_drifts_both_ways(self):
        self.assertIn("Take 2 runs 5 % long: you stepped in", take_warning("t2", 0.05))
        self.assertIn("Take 3 has too few", thin_take("t3"))
        self.assertIn("Take tea has too few", thin_take("tea"))
        self.assertIn("4 % short: you stepped back", take_warning("t2", -0.04))

    def test_doubts_of_what_has_no_number(self):
        study = can_study(
            Run(id="s1", start="a", end="b", hits="c"),
            Order(id="s2", first="a", second="b", axis="lower"),
        )
        words = words_of(study)
        run, order = Doubt("s1", 0, 0.4, 6.0), Doubt("s2", 0, -1.0, -9.0)
        self.assertTrue(doubt_headline(study, words, run).endswith("say no."))
        self.assertIn("other way round", doubt_headline(study, words, order))

    def test_rivals_are_named(self):
        study = hand_study()
        detail = doubt_detail(study, words_of(study), Doubt("s1", 2.0, 2.6, -7.0, ("s2",)))
        self.assertIn("7 times as far off", detail)
        self.assertIn("c 2.1 units right of the plumb from a", detail)


if __name__ == "__main__":
    unittest.main()
