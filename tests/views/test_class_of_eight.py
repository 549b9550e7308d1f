"""Eight simulated pupils of known hands through three tasks, the last one photographed: the wall
ranks them as the truth does, names who is stuck, and is the same after a restart and elsewhere."""

import hashlib
import io
import tempfile
import unittest
from dataclasses import replace
from datetime import timedelta
from pathlib import Path

import numpy as np
from PIL import Image
from scipy.stats import spearmanr
from sqlalchemy import update
from sqlalchemy.orm import Session

from zirkel.commands.change_study import change_study
from zirkel.commands.lessons import join_lesson, make_lesson
from zirkel.commands.shelf import pack, unpack
from zirkel.commands.tasks import HandIn
from zirkel.core.check.photograph import flattening_of
from zirkel.core.drawn import Photograph
from zirkel.core.simulation.artist import Hand, sight_scene
from zirkel.core.simulation.observer import true_value, with_value
from zirkel.core.study import Sheet
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.core.task import Task
from zirkel.demo.photograph import Camera, photograph, to_pixels
from zirkel.pictures.find_sheet import find_sheet
from zirkel.scenes import shipped_scenes
from zirkel.store.clock import now
from zirkel.store.store import Store
from zirkel.store.tables import StudyRow
from zirkel.views.lessons import lesson_wall

SCENE = shipped_scenes()["wooden_mask"]
TRUTH = truth_in_units(seen_landmarks(SCENE, SCENE.station), SCENE.unit)
NAMES = ("Ada", "Bo", "Cleo", "Dan", "Elif", "Finn", "Gea", "Hal")
ROUGH = (0.5, 0.8, 1.2, 1.7, 2.3, 3.0, 3.8, 4.6)
"""Times the usual error of each kind, by pupil."""

HABITS = {"Cleo": {"span": 1.08}, "Elif": {"tilt": 7.0}, "Bo": {"span": 0.88},
          "Gea": {"tilt": -9.0}}  # fmt: skip
"""What some do always: lengths times so much, tilts turned by so many degrees."""

ASKED = sight_scene(SCENE, SCENE.station, Sheet(210.0, 297.0), 1, Hand(per_landmark=2.6)).sightings
"""The same readings for all: at equal coverage the marks are the hands'."""

CLICK_PX = 1.0


def read(name):
    """The readings of a pupil, and the hand's true error: root mean square, in usual sigmas."""
    rng = np.random.default_rng(NAMES.index(name))
    made, off = [], []
    for each in ASKED:
        true = true_value(each, TRUTH)
        usual = with_value(each, abs(true) + 1e-3).default_sigma(in_mm=False)
        error = ROUGH[NAMES.index(name)] * usual * rng.normal()
        habit = HABITS.get(name, {}).get(each.kind)
        if habit is not None:
            error += true * (habit - 1.0) if each.kind == "span" else habit
        value = true + error
        value = value % 180.0 if each.kind == "tilt" else value
        if each.kind == "span":
            value = max(value, 0.02)
        off.append(error / usual)
        made.append(with_value(each, value))
    return tuple(made), float(np.sqrt(np.mean(np.square(off))))


def drawn(study, name, folder):
    """The study with its drawing photographed and marked, and the drawing's true error in mm."""
    number = NAMES.index(name)
    rng = np.random.default_rng(100 + number)
    true = {each.id: 200.0 * TRUTH[each.id] for each in study.landmarks}
    middle = np.mean(list(true.values()), axis=0)
    size = (study.sheet.width_mm, study.sheet.height_mm)
    error = {key: rng.normal(0.0, 1.5 * ROUGH[number], 2) for key in true}
    # The camera and the sheet of each are their own; proportions alone are compared.
    scale = 0.6 + 0.02 * number
    at = {key: np.array(size) / 2 + scale * (each - middle + error[key])
          for key, each in true.items()}  # fmt: skip
    camera = Camera(back_deg=12.0 + number, turn_deg=number - 3.0, seed=number)
    lines = [[tuple(at[key]) for key in shape.outline] for shape in study.shapes]
    pixels, _ = photograph(size, lines, camera)
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG")
    path = Path(folder) / f"{name}.png"
    path.write_bytes(out.getvalue())
    found = find_sheet(path, name, size[0] / size[1])
    digest = hashlib.sha256(out.getvalue()).hexdigest()
    taken = Photograph(digest, camera.width, camera.height, found.corners, found.bend)
    seen = to_pixels(camera, size, np.array(list(at.values())))
    flat = flattening_of(taken, study.sheet).to_sheet(seen + rng.normal(0.0, CLICK_PX, seen.shape))
    marks = {key: (float(x), float(y)) for key, (x, y) in zip(at, flat, strict=True)}
    return replace(study, photograph=taken, drawn=marks), _shape_error(true, at)


def _shape_error(true, at):
    """How far marks are off at the place, turn and size that fit best, in the truth's measure: by
    singular values, as in no code of the wall's."""
    p = np.array(list(true.values()))
    q = np.array(list(at.values()))
    p, q = p - p.mean(axis=0), q - q.mean(axis=0)
    u, s, v = np.linalg.svd(q.T @ p)
    fitted = q @ (u @ v) * (s.sum() / (q**2).sum())
    return float(np.sqrt(((fitted - p) ** 2).sum(axis=1).mean()))


class EightPupils(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.path = Path(folder.name) / "zirkel.sqlite"
        cls.store = Store.at(cls.path)
        cls.addClassCleanup(cls.store.close)
        cls.tasks = {
            "block_in": Task("block_in", minutes=40),
            "readings": Task("readings", 20, ("span", "tilt", "drop", "level"), truth="any"),
            "drawing": Task("drawing", till="2030-01-01"),
        }
        cls.lessons = {
            what: make_lesson(cls.store, what, "wooden_mask", task=task).id
            for what, task in cls.tasks.items()
        }
        cls.true = {what: {} for what in cls.tasks}
        for what, lesson in cls.lessons.items():
            for name in NAMES:
                number = join_lesson(cls.store, lesson, name, again=False)
                study = cls.store.get(number).study
                readings, error = read(name)
                if what == "readings":
                    readings = readings[:20]
                if what == "drawing":
                    study, error = drawn(study, name, folder.name)
                    readings = ()
                cls.true[what][name] = error
                cls.store.change(number, 1, "Sight it", replace(study, sightings=readings))
                if name != "Hal":
                    change_study(cls.store, number, 2, HandIn(handed=True))

    def wall(self, what, store=None, **who):
        return lesson_wall(store or self.store, self.lessons[what], **who)

    def test_marks_rank_as_the_hands_do(self):
        for what in self.lessons:
            field = "drawn_percent" if what == "drawing" else "near_percent"
            shown = {each.name: getattr(each, field) for each in self.wall(what).pupils}
            found = spearmanr(
                [shown[name] for name in NAMES], [self.true[what][name] for name in NAMES]
            )
            with self.subTest(what):
                self.assertGreaterEqual(found.statistic, 0.9, (shown, self.true[what]))

    def test_the_photographed_drawing_is_marked_as_it_is(self):
        """Whatever camera and size: what the wall says is the drawing's own error."""
        size = 200.0 * np.ptp(np.array(list(TRUTH.values())), axis=0).max()
        for each in self.wall("drawing").pupils:
            self.assertAlmostEqual(
                each.drawn_percent, 100 * self.true["drawing"][each.name] / size, delta=0.3
            )
            self.assertIsNone(each.near_percent)

    def test_habits_that_were_given_are_named(self):
        told = {each.name: " ".join(each.habits) for each in self.wall("block_in").pupils}
        self.assertIn("too long", told["Cleo"])
        self.assertIn("clockwise", told["Elif"])
        self.assertIn("too short", told["Bo"])
        self.assertIn("anticlockwise", told["Gea"])

    def test_who_is_stuck_and_who_handed_in_is_told(self):
        numbers = {each.name: each.study_id for each in self.wall("readings").pupils}
        with Session(self.store._engine) as session, session.begin():
            session.execute(
                update(StudyRow)
                .where(StudyRow.id.in_((numbers["Hal"], numbers["Ada"])))
                .values(changed_at=now() - timedelta(minutes=6))
            )
        made = self.wall(
            "readings", rooms=dict.fromkeys(numbers.values(), "bench"), refused={numbers["Bo"]: 3}
        )
        stuck = {each.name: each.stuck for each in made.pupils if each.stuck}
        # Ada has handed in: whoever is done is not stuck.
        self.assertEqual(
            stuck, {"Hal": "Nothing for 6 minutes.", "Bo": "Refused 3 times in a row."}
        )
        handed = {each.name for each in made.pupils if each.handed}
        self.assertEqual(handed, set(NAMES) - {"Hal"})

    def test_the_same_after_a_restart_and_in_another_folder(self):
        before = {what: self.wall(what) for what in self.lessons}
        archive = io.BytesIO()
        pack(self.store, archive)
        with tempfile.TemporaryDirectory() as folder:
            other = Store.at(Path(folder) / "zirkel.sqlite")
            try:
                self.assertEqual(unpack(other, archive).trouble, [])
                again = Store.at(self.path)
                try:
                    for what, wall in before.items():
                        for store in (again, other):
                            self._same(wall, self.wall(what, store))
                finally:
                    again.close()
            finally:
                other.close()

    def _same(self, one, other):
        self.assertEqual((one.task, one.truth), (other.task, other.truth))
        self.assertEqual([e.name for e in one.pupils], [e.name for e in other.pupils])
        for a, b in zip(one.pupils, other.pupils, strict=True):
            for field in ("near_percent", "drawn_percent"):
                self.assertEqual(getattr(a, field) is None, getattr(b, field) is None)
                self.assertAlmostEqual(getattr(a, field) or 0.0, getattr(b, field) or 0.0, places=6)
            for field in ("habits", "tiers", "handed", "held", "readings", "looked"):
                self.assertEqual(getattr(a, field), getattr(b, field))


if __name__ == "__main__":
    unittest.main()
