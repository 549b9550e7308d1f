"""Rendered light against closed forms, and rendered places against the exact drawing."""

import io
import unittest

import numpy as np
import shapely
from PIL import Image

from tests import times
from zirkel.core.study import UnitPair
from zirkel.core.subject.picture import picture_of
from zirkel.core.subject.scene import Scene, SceneLandmark, seen_landmarks, view_of
from zirkel.core.subject.solids import Ball, Box, Cone, Turned
from zirkel.core.subject.station import Station
from zirkel.core.tones.grey import lightness_of_luminance, linear, linear_light, tone_of
from zirkel.rendering.mesh import BEHIND, GROUND
from zirkel.rendering.render import Rendered, rendered
from zirkel.scenes import SMALL, shipped_scenes, thumbnail

GREY, WHITE = "#c8c8c8", "#ffffff"
BEFORE = Station(4000.0, 900.0)
WITHIN = 0.15
"""Of a step."""


def scene_of(*solids, light=(-0.5, -0.6, 0.7), **more) -> Scene:
    marks = (SceneLandmark("a", "A", 1, (0, 0, 0)), SceneLandmark("b", "B", 1, (0, 0, 100)))
    colours = {each.id: GREY for each in solids}
    return Scene(
        "made", "Made", "still life", tuple(solids), marks, (),
        UnitPair("a", "b", "plumb", "unit"), BEFORE, light=light,
        **({"outdoors": True, "colours": colours} | more),
    )  # fmt: skip


def tone(codes) -> float:
    return float(tone_of(lightness_of_luminance(linear(codes)[..., 1])))


def open_light(scene, normal):
    """Light on a surface that sees half a sky and nothing else, by its unit normal."""
    lamp = np.array(scene.light) / np.linalg.norm(scene.light)
    cosine, soft = normal @ lamp, np.sin(np.radians(scene.soft_deg))
    if abs(cosine) < soft:
        cosine = (cosine + soft) ** 2 / (4.0 * soft)
    return (1.0 - scene.sky) * max(cosine, 0.0) + scene.sky * (1.0 + normal[2]) / 2.0


def expected(scene, normal) -> float:
    y = linear_light(GREY)[1] * open_light(scene, normal)
    return float(tone_of(lightness_of_luminance(np.array(y))))


def pixel_of(seen: Rendered, scene, point):
    """Row and column of the pixel in which a point (3,) is seen."""
    size = seen.codes.shape[1] / (seen.box[2] - seen.box[0])
    x, y = (view_of(scene, BEFORE).seen(point)[0] - np.array(seen.box[:2])) * size
    return int(y), int(x)


class ClosedForms(unittest.TestCase):
    """Bodies alone in the air under half a sky."""

    def check(self, scene, points, normals, least=0.25):
        seen = rendered(scene, BEFORE, 400)
        eye = view_of(scene, BEFORE).eye
        tried = 0
        for point, normal in zip(points, normals, strict=True):
            away = eye - point
            if normal @ away < least * np.linalg.norm(away):
                continue
            tried += 1
            self.assertAlmostEqual(
                tone(seen.codes[pixel_of(seen, scene, point)]), expected(scene, normal),
                delta=WITHIN, msg=f"{normal}",
            )  # fmt: skip
        self.assertGreaterEqual(tried, 3)

    def test_a_sphere(self):
        scene = scene_of(
            Ball("ball", "ball", (0, 0, 900), (300, 300, 300)), light=(-0.6, -0.3, 0.6)
        )
        normals = np.random.default_rng(4).normal(size=(150, 3))
        normals /= np.linalg.norm(normals, axis=1)[:, None]
        self.check(scene, np.array([0, 0, 900]) + 300 * normals, normals)

    def test_a_box(self):
        scene = scene_of(Box("box", "box", (0, 0, 50), (400, 400, 400), 30.0))
        (box,) = scene.solids
        faces = box.faces()
        self.check(
            scene, [f.corners.mean(axis=0) for f in faces], [f.normal() for f in faces], 0.05
        )

    def test_a_cone(self):
        """Between foot and point, where the normal leans up by the angle of its side."""
        scene = scene_of(Cone("cone", "cone", (0, 0, 300), (0, 0, 900), 300, 0, 64))
        angle = np.linspace(0, 2 * np.pi, 60)
        across = np.column_stack([np.cos(angle), np.sin(angle), np.zeros(60)])
        points = across * 180 + np.array([0, 0, 540])
        normals = across * 600 + np.array([0, 0, 300])
        self.check(scene, points, normals / np.linalg.norm(normals, axis=1)[:, None])

    def test_the_light_on_open_white_ground_is_the_lamp_s_and_the_whole_sky_s(self):
        for sky, soft in ((0.2, 2.0), (0.5, 10.0), (1.0, 2.0)):
            speck = Box("box", "speck", (0, 0, 0), (20, 20, 20))
            post = Box("box", "post", (800, 900, 0), (10, 10, 10))
            scene = scene_of(speck, post, ground=WHITE, sky=sky, soft_deg=soft)
            seen = rendered(scene, BEFORE, 300)
            ground = seen.owner == seen.owners.index(GROUND)
            y = linear(np.median(seen.codes[ground], axis=0))[1]
            self.assertAlmostEqual(y, open_light(scene, np.array([0, 0, 1.0])), delta=0.01)

    def test_a_ball_over_white_ground_is_lit_from_below(self):
        over = [
            Ball("ball", "ball", (0, 0, 310), (300, 300, 300)),
            Box("box", "foot", (900, 0, 0), (9, 9, 9)),
        ]
        dark, white = (
            rendered(scene_of(*over, ground=ground), BEFORE, 300) for ground in ("#202020", WHITE)
        )
        below = pixel_of(white, scene_of(*over), np.array([120.0, -210.0, 140.0]))
        self.assertGreater(tone(dark.codes[below]), tone(white.codes[below]) + 1.0)


class Shadows(unittest.TestCase):
    post = Box("box", "post", (0, 0, 0), (60, 60, 600))

    def lit(self, soft):
        scene = scene_of(self.post, light=(-1.0, -0.4, 0.9), soft_deg=soft)
        seen = rendered(scene, BEFORE, 500)
        ground = seen.owner == seen.owners.index(GROUND)
        return scene, seen, ground

    def test_a_hard_shadow_lies_where_it_is_drawn(self):
        scene, seen, ground = self.lit(0.0)
        cast = next(a.shape for a in picture_of(scene, BEFORE).areas if a.tone == "cast")
        size = seen.codes.shape[1] / (seen.box[2] - seen.box[0])
        rows, columns = np.nonzero(ground)
        x, y = seen.box[0] + (columns + 0.5) / size, seen.box[1] + (rows + 0.5) / size
        inside = shapely.contains_xy(cast, x, y)
        self.assertGreater(inside.sum(), 300)
        wrong = inside != (seen.lit[rows, columns] == 0)
        away = shapely.distance(cast.boundary, shapely.points(x[wrong], y[wrong])) * size
        self.assertLessEqual(max(away, default=0.0), 1.0)

    def test_its_edge_softens_with_the_lamp_and_with_the_way_to_what_throws_it(self):
        half = {}
        for soft in (1.0, 4.0):
            _, seen, ground = self.lit(soft)
            half[soft] = int(((seen.lit > 5) & (seen.lit < 95) & ground).sum())
        self.assertGreater(half[4.0], 2.5 * half[1.0])


class Places(unittest.TestCase):
    def test_silhouettes_are_the_drawing_s_to_a_pixel(self):
        for name, scene in shipped_scenes().items():
            seen = rendered(scene, scene.station, 300)
            shown = shapely.union_all(
                [a.shape for a in picture_of(scene, scene.station).areas if a.tone != "cast"]
            )
            size = seen.codes.shape[1] / (seen.box[2] - seen.box[0])
            about = [seen.owners.index(each) for each in (GROUND, BEHIND)]
            mask = ~np.isin(seen.owner, [*about, -1])
            rows, columns = np.indices(mask.shape)
            x, y = seen.box[0] + (columns + 0.5) / size, seen.box[1] + (rows + 0.5) / size
            wrong = mask != shapely.contains_xy(shown, x, y)
            away = shapely.distance(shown.boundary, shapely.points(x[wrong], y[wrong])) * size
            self.assertLessEqual(max(away, default=0.0), 1.0, name)

    def test_thumbnails_show_what_is_rendered_now(self):
        """Else: python -m scripts.draw_thumbnails"""
        for name, scene in [*shipped_scenes().items()][: times(2)]:
            data = io.BytesIO(thumbnail(name) or b"")
            kept = np.asarray(Image.open(data).convert("RGB"), dtype=int)
            off = np.abs(kept - rendered(scene, scene.station, SMALL).codes)
            self.assertLess(off.mean(), 4.0, name)

    def test_contour_landmarks_lie_on_the_rendered_outline(self):
        profile = [(150, 0), (220, 200), (90, 400), (120, 520)]
        jar = Turned("turned", "jar", (0, 0, 0), profile, 64)
        marks = tuple(
            SceneLandmark(f"{side}{ring}", side, 1, None, "jar", ring, side)
            for ring in range(4)
            for side in ("left", "right")
        )
        made = scene_of(jar)
        scene = Scene(
            "jar", "Jar", "still life", (jar,), marks, (),
            UnitPair("left0", "left3", "plumb", "jar"),
            BEFORE, outdoors=made.outdoors,
        )  # fmt: skip
        seen = rendered(scene, BEFORE, 500)
        size = seen.codes.shape[1] / (seen.box[2] - seen.box[0])
        mask = seen.owner == 0
        for name in ("left1", "right1", "left3", "right3"):
            x, y = (seen_landmarks(scene, BEFORE)[name] - np.array(seen.box[:2])) * size
            columns = np.flatnonzero(mask[int(y)])
            edge = columns[0] if name.startswith("left") else columns[-1] + 1
            self.assertLessEqual(abs(edge - x), 1.0, name)

    def test_the_same_picture_twice_and_another_in_another_light(self):
        scene = shipped_scenes()["bottle_and_box"]
        once, twice = (rendered(scene, scene.station, 200).codes for _ in range(2))
        self.assertTrue((once == twice).all())
        other = rendered(scene.in_light("high_right"), scene.station, 200).codes
        self.assertTrue(other.shape != once.shape or (np.abs(other - once.astype(int)) > 20).any())
