"""What is data for the practice is whole: schools, faults, solids and papers are named, drawn,
told."""

import json
import re
import unittest
from pathlib import Path
from typing import get_args, get_type_hints

from zirkel.core.schools import SCHOOLS, school_of
from zirkel.core.subject.faults import FAULTS
from zirkel.core.subject.solids import AnySolid
from zirkel.paper import PAPERS
from zirkel.scenes import shipped_file, shipped_scenes
from zirkel.studyfile.scene_file import SceneFile, read_scene

ROOT = Path(__file__).parents[1]
FRONT = ROOT / "frontend" / "src"


def words(path):
    return (ROOT / path).read_text()


class Schools(unittest.TestCase):
    def test_each_is_a_module_of_its_own(self):
        folder = ROOT / "src" / "zirkel" / "core" / "schools"
        shared = {"__init__", "base", "own", "heights", "taking_up"}
        modules = {path.stem for path in folder.glob("*.py")} - shared
        self.assertEqual(modules, set(SCHOOLS))

    def test_every_hint_has_a_sign_that_is_drawn(self):
        drawn = set(re.findall(r"^  (\w+): \{$", words("frontend/src/shared/drawn/signs.tsx"),
                               re.M))  # fmt: skip
        for school in SCHOOLS.values():
            for hint in (*school.set_up, *school.checks, *school.mistakes):
                self.assertIn(hint.sign, drawn, f"{school.name}: {hint.text}")

    def test_every_school_is_drawn_at_work(self):
        drawn = re.findall(r"^  (\w+): \{$", words("frontend/src/shared/drawn/schools.tsx"), re.M)
        self.assertEqual(drawn, list(SCHOOLS))

    def test_hints_are_short_enough_to_be_read_at_an_easel(self):
        for school in SCHOOLS.values():
            for hint in (*school.set_up, *school.checks, *school.mistakes):
                self.assertLess(len(hint.text), 110)
                self.assertTrue(hint.text.endswith("."), hint.text)

    def test_a_method_named_in_the_front_end_is_a_school(self):
        named = []
        for path in [*FRONT.rglob("*.ts"), *FRONT.rglob("*.tsx")]:
            for line in re.findall(r"\bmethod: (.*)", path.read_text()):
                named += re.findall(r'(?:^|[?:] )"([\w-]+)"', line)
        self.assertLessEqual({"sight_size_life", "comparative"}, set(named))
        self.assertLessEqual(set(named), set(SCHOOLS))

    def test_studies_in_millimetres_made_before_have_their_school(self):
        self.assertEqual(school_of("sight-size").name, "sight_size_life")
        self.assertEqual(school_of("of my own").name, "comparative")


class Subjects(unittest.TestCase):
    def test_every_solid_and_every_field_of_a_scene_is_documented(self):
        told = words("docs/scene-file.md")
        for solid in get_args(AnySolid):
            kind = get_args(get_type_hints(solid)["kind"])[0]
            self.assertIn(f"| `{kind}` |", told)
            for field in solid.__dataclass_fields__:
                if field not in ("kind", "id"):
                    self.assertIn(field, told, f"{kind}.{field}")
        for field in SceneFile.model_fields:
            self.assertIn(field, told)

    def test_every_fault_is_documented(self):
        told = words("docs/study-file.md")
        for name in FAULTS:
            self.assertIn(f"`{name}`", told)

    def test_the_documented_scene_can_be_read(self):
        example = re.search(r"```json\n(.*?)```", words("docs/scene-file.md"), re.S).group(1)
        scene = read_scene("example", example.encode())
        self.assertEqual([each.id for each in scene.landmarks], ["top", "foot"])

    def test_shipped_scene_files_are_open_text(self):
        for name in shipped_scenes():
            document = json.loads(shipped_file(name))
            self.assertTrue(document["note"].endswith("."), name)


class Papers(unittest.TestCase):
    def test_everything_that_can_be_taken_says_what_it_is_good_for(self):
        for what, paper in PAPERS.items():
            self.assertTrue(paper.label[:1].isupper(), what)
            self.assertGreater(len(paper.note), 5, what)

    def test_cautions_stand_where_blades_are_used(self):
        self.assertIn("away from the hand", words("src/zirkel/paper/viewfinder.py"))
        self.assertIn("away from the hand", words("frontend/src/features/draw/TakeAlong.tsx"))


if __name__ == "__main__":
    unittest.main()
