"""The commands as somebody else's program uses them: by their JSON alone, followed by a hand of its
own."""

import json
import math
import unittest
from functools import cache

import numpy as np

from tests import times
from tests.cli.typed import zirkel
from zirkel.demo.generate import FOLDER

DEMOS = ("potting_bench", "wooden_mask", "boathouse")
SCHOOLS = ("comparative", "by_eye", "dividers", "triangulation")
HANDS = times(25)


@cache
def told(*arguments, demo=None, given=None):
    """What a command prints of a demonstration, or of a document."""
    data = given.encode() if given else (FOLDER / f"{demo}.zirkel.json").read_bytes()
    return json.loads(zirkel(arguments[0], "-", *arguments[1:], data=data).stdout)


class Hand:
    """Follows moves as the contract words them: nothing of Zirkel's is used but its JSON."""

    def __init__(self, sheet, unit_mm, rng):
        self.width, self.height = sheet
        self.unit, self.rng = unit_mm, rng
        self.lies = {}

    def place(self, placing, near):
        """Where a landmark comes to lie; `near` is where the plan has it, to begin from."""
        moves = placing["moves"]
        if moves[0]["move"] == "part" and moves[0]["along"] == "straight":
            at = self.spot(moves[0])
        else:
            at = self.crossing([self.line(move, near) for move in moves], near)
        self.lies[placing["landmark"]] = at

    def spot(self, move):
        a, b = self.lies[move["from"]], self.lies[move["to"]]
        d = b - a
        length = math.hypot(*d)
        across = np.array([-d[1], d[0]]) / length
        along = self.rng.normal(move["fraction"], 0.015)
        return a + along * d + self.rng.normal(0, 0.005 * length) * across

    def stepped(self, mm):
        return mm + self.rng.normal(0, math.sqrt(max(abs(mm) / self.unit, 1.0)))

    def line(self, move, near):
        """A function that is zero on what the move draws."""
        kind = move["move"]
        if kind == "edge":
            axis = 0 if move["side"] in ("left", "right") else 1
            far = {"right": self.width, "bottom": self.height}.get(move["side"])
            at = move["mm"] if far is None else far - move["mm"]
            at += self.rng.normal(0, 1.0)
            return lambda p: p[axis] - at
        a = self.lies[move["from"]]
        if kind == "offset":
            axis = 0 if move["along"] == "level" else 1
            carried = 0.005 * abs(near[1 - axis] - a[1 - axis])
            mm = self.stepped(move["mm"]) if move["mm"] else 0.0
            at = a[axis] + mm + self.rng.normal(0, carried)
            return lambda p: p[axis] - at
        if kind == "part":
            axis = 0 if move["along"] == "level" else 1
            d = self.lies[move["to"]] - a
            noise = 0.0158 * max(abs(move["fraction"]), 1.0) * math.hypot(*d)
            at = a[axis] + move["fraction"] * d[axis] + self.rng.normal(0, noise)
            return lambda p: p[axis] - at
        if kind == "tilt":
            turn = math.radians(self.rng.normal(move["degrees"], 1.0))
            normal = np.array([math.cos(turn), math.sin(turn)])
            return lambda p: normal @ (p - a)
        radius = self.stepped(move["mm"])
        return lambda p: math.hypot(*(p - a)) - radius

    def crossing(self, lines, near):
        p = np.array(near, dtype=float)
        for _ in range(30):
            value = np.array([line(p) for line in lines])
            slope = np.array([[(line(p + h) - line(p - h)) / 2e-4 for h in 1e-4 * np.eye(2)]
                              for line in lines])  # fmt: skip
            step = np.linalg.solve(slope, -value)
            p = p + step
            if np.abs(step).max() < 1e-7:
                break
        return p


class Recipe(unittest.TestCase):
    def followed(self, demo, school):
        """Root mean square distance from the plan and as told, over all landmarks; the recipe."""
        study = json.loads((FOLDER / f"{demo}.zirkel.json").read_bytes())
        sheet = (study["sheet"]["width_mm"], study["sheet"]["height_mm"])
        plan = told("plan", demo=demo)
        recipe = told("recipe", "--school", school, demo=demo)
        marks = {n: (m["from_left_mm"], m["from_top_mm"]) for n, m in plan["marks"].items()}
        off = []
        for k in range(HANDS):
            hand = Hand(sheet, plan["unit_mm"], np.random.default_rng(k))
            for each in recipe["placings"]:
                hand.place(each, marks[each["landmark"]])
            off += [math.dist(hand.lies[each["landmark"]], marks[each["landmark"]])
                    for each in recipe["placings"]]  # fmt: skip
        made = math.sqrt(np.mean(np.square(off)))
        said = math.sqrt(np.mean([each["sd_mm"] ** 2 for each in recipe["placings"]]))
        return made, said, recipe, marks

    def test_an_own_hand_lands_as_far_off_as_is_told(self):
        for demo in DEMOS:
            for school in SCHOOLS:
                made, said, recipe, marks = self.followed(demo, school)
                with self.subTest(demo=demo, school=school):
                    self.assertGreater(made / said, 0.85)
                    self.assertLess(made / said, 1.2)
                    height = np.ptp([mark[1] for mark in marks.values() if mark[1] is not None])
                    # By tilts alone errors pile up along the chain, as every school knows.
                    most = 0.02 if school == "comparative" else 0.04
                    self.assertLess(recipe["mean_sd_mm"], most * height)

    def test_placings_are_said_towards_and_with_their_side(self):
        for demo in DEMOS:
            for school in SCHOOLS:
                *_, recipe, marks = self.followed(demo, school)
                placed = set()
                for each in recipe["placings"]:
                    x, y = marks[each["landmark"]]
                    self.assertLessEqual(len(each["moves"]), 2)
                    self.assertEqual(len(each["said"]), 1)
                    for move in each["moves"]:
                        starts = {move[k] for k in ("from", "to") if k in move}
                        self.assertLessEqual(starts, placed)
                        if move["move"] == "tilt":
                            a, b = marks[move["from"]]
                            turn = math.radians(move["degrees"])
                            self.assertGreater(
                                (x - a) * math.sin(turn) - (y - b) * math.cos(turn), 0
                            )
                            self.assertEqual(move["degrees"] % 2.5, 0.0)
                        if move["move"] == "length":
                            a, b = marks[move["from"]]
                            way = {"left": a - x, "right": x - a, "above": b - y, "below": y - b}
                            self.assertGreater(way[move["side"]], 0)
                    placed.add(each["landmark"])

    def test_simple_moves_short_chains_few_moves(self):
        shares, moves, chains = [], [], []
        for demo in DEMOS:
            recipe = told("recipe", demo=demo)
            every = [move for each in recipe["placings"] for move in each["moves"]]
            simple = [
                m["move"] == "part" or (m["move"] == "offset" and m["mm"] == 0) for m in every
            ]
            shares.append(np.mean(simple))
            moves.append(len(every) / len(recipe["placings"]))
            chains.append([each["depth"] for each in recipe["placings"]])
        self.assertGreater(np.mean(shares), 0.35)
        self.assertLessEqual(max(moves), 2.2)
        self.assertLessEqual(max(max(each) for each in chains), 8)
        self.assertLessEqual(max(np.median(each) for each in chains), 4)

    def test_a_school_that_isn_t_one(self):
        study = (FOLDER / "wooden_mask.zirkel.json").read_bytes()
        done = zirkel("recipe", "-", "--school", "none", data=study)
        self.assertEqual((done.returncode, done.stdout), (2, ""))
        self.assertIn("“none” is no school", done.stderr)


class Check(unittest.TestCase):
    """Drawings made here, of a study's own plan."""

    def setUp(self):
        self.study = json.loads((FOLDER / "wooden_mask.zirkel.json").read_bytes())
        plan = told("plan", demo="wooden_mask")["marks"]
        self.at = {n: np.array([m["from_left_mm"], m["from_top_mm"]]) for n, m in plan.items()}
        self.middle = np.mean(list(self.at.values()), axis=0)

    def checked(self, move, **more):
        rng = np.random.default_rng(4)
        drawn = {
            name: (move(name, p) + rng.normal(0, 0.7, 2)).tolist() for name, p in self.at.items()
        }
        document = {**self.study, "drawn": drawn, "drawn_sigma_mm": 0.7, **more}
        return told("check", given=json.dumps(document))

    def test_sound_too_large_turned_and_one_landmark(self):
        sound = self.checked(lambda name, p: p)
        self.assertEqual((sound["verdict"], sound["faults"]), ("sound", []))
        large = self.checked(lambda name, p: self.middle + 1.06 * (p - self.middle))
        self.assertEqual(large["faults"][0]["fault"], "size")
        self.assertAlmostEqual(large["faults"][0]["factor"], 1.06, delta=0.01)
        a = math.radians(3.0)
        turn = np.array([[math.cos(a), -math.sin(a)], [math.sin(a), math.cos(a)]])
        turned = self.checked(lambda name, p: self.middle + turn @ (p - self.middle))
        self.assertEqual(turned["faults"][0]["fault"], "tilt")
        self.assertAlmostEqual(turned["faults"][0]["degrees"], 3.0, delta=0.4)
        slip = np.array([8.0, -5.0])
        one = self.checked(lambda name, p: p + slip * (name == "chin"))
        self.assertEqual(one["faults"][0]["landmarks"], ["chin"])
        np.testing.assert_allclose(one["faults"][0]["off_mm"], slip, atol=2.0)
        back = one["corrections"][0]["moves_mm"]["chin"]
        np.testing.assert_allclose(back, -np.array(one["faults"][0]["off_mm"]), atol=1e-6)
        self.assertFalse(one["landmarks"]["chin"]["within"])

    def test_against_its_own_proportions_place_and_size_are_free(self):
        def smaller(name, p):
            return self.middle + 0.8 * (p - self.middle) + np.array([20.0, 5.0])

        found = self.checked(smaller, check_against="proportions")
        self.assertEqual(found["verdict"], "sound")
        self.assertEqual(self.checked(smaller)["verdict"], "off")


class Perspective(unittest.TestCase):
    def test_a_street_of_two_families_by_its_json(self):
        """Posts at known places whose tops and feet recede to (8, -1): the eye level is -1."""
        places = {}
        for k in range(4):
            x = 8.0 * (1 - 0.7**k)
            places[f"foot{k}"] = (x, -1 + 1.0 * 0.7**k)
            places[f"top{k}"] = (x, -1 - 0.5 * 0.7**k)
        sightings = []
        for name, (x, y) in places.items():
            if name != "foot0":
                sightings += [
                    {"id": f"d{name}", "kind": "drop", "from": "foot0", "to": name, "offset": x},
                    {"id": f"l{name}", "kind": "level", "from": "foot0", "to": name, "offset": y},
                ]
        row = [[f"{end}{k}", f"{end}{k + 1}"] for end in ("foot", "top") for k in range(3)]
        document = {
            "format": "zirkel-study", "version": 1, "title": "Posts",
            "unit": {"from": "foot0", "to": "mast", "along": "plumb", "name": "mast"},
            "landmarks": [{"id": n, "name": n, "rough": list(p)}
                          for n, p in {**places, "mast": (0.0, 1.0)}.items()],
            "sightings": sightings,
            "families": [{"name": "receding", "edges": row, "level": True},
                         {"name": "posts", "edges": [[f"foot{k}", f"top{k}"] for k in range(4)]}],
        }  # fmt: skip
        found = told("perspective", given=json.dumps(document))
        self.assertAlmostEqual(found["eye_level"]["y"], -1.0, delta=0.05)
        receding, posts = found["families"]
        self.assertAlmostEqual(receding["vanishing_point"]["x"], 8.0, delta=0.4)
        self.assertFalse(receding["at_infinity"])
        self.assertTrue(posts["at_infinity"])
        self.assertIsNone(posts["vanishing_point"])
        self.assertAlmostEqual(math.sin(math.radians(posts["direction"])), 0.0, delta=0.02)
        self.assertEqual(len(found["edges"]), 10)
        self.assertEqual(found["doubts"], [])


if __name__ == "__main__":
    unittest.main()
