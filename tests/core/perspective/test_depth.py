"""Known depth against seen depth, equal steps, shadows, the eye's place: exact on what is computed
another way, and a plain answer where nothing tells."""

import unittest
from dataclasses import replace

import numpy as np
from bench.perspective import seen, seen_box, sighted
from hypothesis import given
from hypothesis import strategies as st

from zirkel.core.network.families import perspective
from zirkel.core.network.search import adjust
from zirkel.core.perspective.foreshortening import drawn_as_known, implied_view, seen_depth
from zirkel.core.perspective.repeated import repeated
from zirkel.core.perspective.shadows import cast, fall, lights
from zirkel.core.perspective.station import eye_place
from zirkel.core.sightings import Drop, Level
from zirkel.core.space import CastShadow, Family
from zirkel.core.study import Landmark, Sheet, Study, UnitPair
from zirkel.core.subject.picture import view_of
from zirkel.errors import BadInput
from zirkel.scenes import shipped_scenes

POSITIVE = st.floats(0.2, 20.0)


class Foreshortening(unittest.TestCase):
    @given(POSITIVE, POSITIVE, POSITIVE, POSITIVE)
    def test_it_is_what_four_corners_project_to(self, height, distance, width, depth):
        near, far = (height / z for z in (distance, distance + depth))
        wide, wide_far = (width / z for z in (distance, distance + depth))
        made = seen_depth(height, distance, width, depth)
        self.assertAlmostEqual(made.depth, (near - far) / wide, places=9)
        self.assertAlmostEqual(made.far_width, wide_far / wide, places=9)

    @given(POSITIVE, POSITIVE, POSITIVE, POSITIVE)
    def test_the_view_is_found_again_from_what_is_seen(self, height, distance, width, depth):
        made = seen_depth(height, distance, width, depth)
        back = implied_view(made.depth, made.far_width, depth / width)
        self.assertAlmostEqual(back.height * width, height, delta=1e-6 * max(1.0, height))
        self.assertAlmostEqual(back.distance * width, distance, delta=1e-6 * max(1.0, distance))

    def test_what_is_no_length_or_no_view_is_said(self):
        for sizes, field in (
            ((1, 0, 1, 1), "distance"),
            ((1, 1, -2, 1), "width"),
            ((1, 1, 1, float("nan")), "depth"),
            ((float("inf"), 1, 1, 1), "height"),
        ):
            with self.assertRaises(BadInput) as caught:
                seen_depth(*sizes)
            self.assertEqual(caught.exception.field, field)
        for view, field in (((0.5, 1.2, 1.0), "far_width"), ((0.0, 0.5, 1.0), "depth")):
            with self.assertRaises(BadInput) as caught:
                implied_view(*view)
            self.assertEqual(caught.exception.field, field)

    def test_drawn_as_known_only_beyond_its_uncertainty(self):
        self.assertTrue(drawn_as_known(1.4, 0.9, 0.1))
        self.assertFalse(drawn_as_known(1.0, 0.9, 0.1))
        self.assertFalse(drawn_as_known(0.6, 0.9, 0.1))


def post(z, x=1.0, up=-1.0, down=1.0):
    return (x / z, up / z), (x / z, down / z)


class EqualSteps(unittest.TestCase):
    @given(st.floats(3.0, 9.0), st.floats(0.3, 2.0), st.floats(-2.0, 2.0), st.integers(3, 9))
    def test_posts_fall_where_they_are_seen(self, near, step, x, count):
        if abs(x) < 0.05:
            return
        made = repeated(post(near, x), post(near + step, x), count)
        exact = [post(near + i * step, x) for i in range(count)]
        np.testing.assert_allclose(np.array(made.posts), np.array(exact), atol=1e-7)
        np.testing.assert_allclose(made.half, post(near + step / 2.0, x), atol=1e-7)
        self.assertAlmostEqual(made.centres[0][0], x / (near + step / 2.0), places=7)

    def test_the_jetty_s_third_post_of_the_shipped_boathouse(self):
        """Where the scene's own third pile is seen, which no reading names."""
        scene = shipped_scenes()["boathouse"]
        view = view_of(scene, scene.station)
        feet = [(-1716, -9068), (-551, -7203), (614, -5338)]
        spots = np.array([[(*at, 520.0), (*at, -900.0)] for at in feet])
        seen_spots = view.seen(spots.reshape(-1, 3)).reshape(3, 2, 2)
        made = repeated(*(tuple(map(tuple, each)) for each in seen_spots[:2]), 3)
        np.testing.assert_allclose(made.posts[2], seen_spots[2], atol=1e-6)

    def test_towards_the_viewer_it_ends_where_nothing_can_stand(self):
        made = repeated(post(4.0), post(3.0), 12)
        self.assertLess(len(made.posts), 12)
        self.assertTrue(np.isfinite(np.array(made.posts)).all())

    def test_posts_that_coincide_or_lie_on_one_line(self):
        with self.assertRaisesRegex(BadInput, "coincide"):
            repeated(post(4.0), post(4.0), 4)
        with self.assertRaisesRegex(BadInput, "one line"):
            repeated(((0.0, 0.0), (1.0, 0.0)), ((2.0, 0.0), (3.0, 0.0)), 4)


KERBS = ("kerb_l", "kerb_r")


def shadows_of(seed, wrong=None, unsighted=None, light=(-0.5, 0.4, 0.8), noise=0.02):
    """Four upright sticks on level ground under one sun, seen from six away with the eye 1.6 up,
    two kerbs running back beside them; read by plumb and level."""
    rng = np.random.default_rng(seed)
    spots = {
        "a": (-1.2, 6.0, 1.0),
        "b": (0.4, 7.0, 1.4),
        "c": (1.3, 5.5, 0.8),
        "d": (0.0, 9.0, 1.8),
    }
    three = {}
    for name, (x, y, high) in spots.items():
        top = np.array([x, y, high])
        three |= {
            f"{name}_top": top,
            f"{name}_foot": top * (1, 1, 0),
            f"{name}_tip": cast(top, light),
        }
    for name, x in (("kerb_l", -2.0), ("kerb_r", 2.5)):
        three |= {f"{name}_near": np.array([x, 5.0, 0.0]), f"{name}_far": np.array([x, 11.0, 0.0])}
    places = {n: 6.0 * np.array([p[0] / p[1], (1.6 - p[2]) / p[1]]) for n, p in three.items()}
    places = {n: p - places["a_foot"] for n, p in places.items()}
    unit = float(-places["a_top"][1])
    places = {n: p / unit for n, p in places.items()}
    readings = []
    for name, p in places.items():
        if name in ("a_foot", unsighted):
            continue
        for kind, axis in ((Drop, 0), (Level, 1)):
            off = 0.35 if (name == wrong and axis == 1) else 0.0
            readings.append(kind(
                id=f"{kind.kind}_{name}", start="a_foot", end=name, sigma=noise,
                offset=float(p[axis] + rng.normal(0.0, noise)) + off,
            ))  # fmt: skip
    study = Study(
        title="Sticks", sheet=Sheet(297.0, 420.0),
        landmarks=tuple(Landmark(n, n, 1, tuple((p + rng.normal(0, 0.05, 2)).tolist()))
                        for n, p in places.items()),
        sightings=tuple(readings), unit=UnitPair("a_top", "a_foot", "plumb", "stick"),
        families=(Family("kerbs", tuple((f"{k}_near", f"{k}_far") for k in KERBS), True),),
        shadows=tuple(CastShadow(n, n, f"{n}_top", f"{n}_foot", f"{n}_tip") for n in spots),
    )  # fmt: skip
    moved = {n: p - places["a_top"] for n, p in places.items()}
    return study, moved


class CastShadows(unittest.TestCase):
    def test_a_tip_falls_on_the_ground_in_line_with_the_light_in_every_scene(self):
        for scene in shipped_scenes().values():
            light = np.asarray(scene.light, dtype=float)
            for landmark in list(scene.landmarks)[:6]:
                top = np.asarray(getattr(landmark, "at", None) or (100.0, 50.0, 400.0), dtype=float)
                if top[2] < 0:
                    continue
                tip = cast(top, light)
                self.assertAlmostEqual(tip[2], 0.0, places=9)
                np.testing.assert_allclose(np.cross(top - tip, light), 0.0, atol=1e-6)

    def test_the_seen_tip_is_where_two_lines_cross_in_every_scene(self):
        """L and G as the light's own direction is seen, against the tip projected itself."""
        for name, scene in shipped_scenes().items():
            view = view_of(scene, scene.station)
            light = np.asarray(scene.light, dtype=float)
            for x, y, high in ((0.0, 0.0, 300.0), (150.0, 80.0, 500.0), (-200.0, 40.0, 120.0)):
                top, foot = np.array([x, y, high]), np.array([x, y, 0.0])
                tip = cast(top, light)
                spots = view.seen(np.array([top, foot, tip]))
                ray, track = (_vanishing(view, tip, light * part) for part in (1, (1, 1, 0)))
                at = fall(spots[0], spots[1], ray, track)
                np.testing.assert_allclose(at, spots[2], atol=1e-6, err_msg=name)

    def test_the_sun_below_the_horizon_and_points_under_ground(self):
        with self.assertRaisesRegex(BadInput, "horizon"):
            cast((0, 0, 1), (1, 0, 0))
        with self.assertRaisesRegex(BadInput, "below the ground"):
            cast((0, 0, -1), (1, 0, 1))

    def test_a_tip_nobody_sighted_is_held_by_the_others(self):
        off, sds = [], []
        for seed in range(12):
            study, truth = shadows_of(seed, unsighted="d_tip")
            adjusted = adjust(study)
            self.assertFalse(adjusted.loose.shape[1])
            found = perspective(adjusted)
            i = adjusted.network.index["d_tip"]
            off.append(adjusted.places[i] - truth["d_tip"])
            sds.append(found.covariance.diagonal()[2 * i : 2 * i + 2])
            self.assertTrue(lights(found)[0].told)
        ratio = float(np.mean(np.square(off)) / np.mean(sds))
        self.assertGreater(ratio, 0.3)
        self.assertLess(ratio, 2.5)

    def test_the_shadow_that_contradicts_is_the_first_doubt(self):
        first = 0
        for seed in range(15):
            wrong = f"{'abcd'[seed % 4]}_tip"
            study, _ = shadows_of(seed, wrong=wrong)
            adjusted = adjust(study)
            off = {}
            for each in perspective(adjusted).edges:
                if each.sort != "edges":
                    off[each.end] = max(off.get(each.end, 0.0), abs(each.standardized or 0.0))
            first += max(off, key=off.get) == wrong and off[wrong] > 3.29
        self.assertGreaterEqual(first, 13)

    def test_one_shadow_without_an_eye_level_tells_nothing(self):
        study, _ = shadows_of(1)
        one = replace(study, families=(), shadows=study.shadows[:1])
        found = perspective(adjust(one))
        self.assertFalse(lights(found)[0].told)
        self.assertIsNone(found.eye_level)


def _vanishing(view, tip, direction):
    """Where lines along a direction are seen to vanish, homogeneous: the line through two of their
    points, and through those of a parallel one, cross there."""
    lines = []
    for shift in ((0.0, 0.0, 0.0), (0.0, 0.0, 37.0), (53.0, 0.0, 0.0)):
        a, b = view.seen(np.array([tip + shift, tip + shift + direction * 50.0]))
        lines.append(np.cross([*a, 1.0], [*b, 1.0]))
    made = np.cross(lines[0], lines[1])
    return made if np.linalg.norm(made) > 1e-12 else np.cross(lines[0], lines[2])


class Station(unittest.TestCase):
    def test_the_eye_stands_where_it_stood(self):
        """Boxes seen from a known distance: the picture's distance within two of its sd in most."""
        within = total = 0
        for seed in range(30):
            found, adjusted, _, _ = seen(seed)
            across = adjusted.places[:, 0]
            place = eye_place(found, float(across.min()), float(across.max()))
            if place is None:
                continue
            total += 1
            rng = np.random.default_rng(seed)
            rng.uniform((1.5, 1.5, 0.8), (4.0, 4.0, 2.5))
            rng.uniform(0.35, 1.2)
            away = rng.uniform(6.0, 12.0)
            points, _ = _box(seed)
            unit = float(np.hypot(*(points["p4"] - points["p0"])))
            within += abs(place.distance - away / unit) < 2.0 * place.sd
        self.assertGreater(total, 15)
        self.assertGreaterEqual(within, 0.8 * total)

    def test_nothing_is_told_without_two_families(self):
        study, _ = sighted(_box(1)[0], np.random.default_rng(1))
        found = perspective(adjust(replace(study, families=study.families[:1])))
        self.assertIsNone(eye_place(found, 0.0, 1.0))


def _box(seed):
    return seen_box(np.random.default_rng(seed), False)


if __name__ == "__main__":
    unittest.main()
