"""Imports flow one way; files say what room they are; nothing grows out of hand."""

import ast
import re
import sys
import unittest
from graphlib import TopologicalSorter
from pathlib import Path

ROOT = Path(__file__).parents[1]
SOURCE = ROOT / "src" / "zirkel"
FRONT = ROOT / "frontend" / "src"

MAY_IMPORT = {
    "core": set(),
    "studyfile": {"core"},
    "scenes": {"core", "studyfile"},
    "media": {"core", "studyfile"},
    "kits": {"core", "studyfile"},
    "canons": {"core", "studyfile"},
    "series": {"core", "studyfile"},
    "materials": {"core", "studyfile"},
    "poses": {"core", "studyfile"},
    "store": {"core", "studyfile", "scenes"},
    "demo": {"core", "studyfile", "scenes", "media", "pictures"},
    "rendering": {"core"},
    "pictures": {"core", "rendering"},
    "paper": {"core", "studyfile", "media"},
    "commands": {"core", "studyfile", "store", "pictures", "materials"},
    "views": {
        *("core", "studyfile", "store", "pictures", "rendering", "paper"),
        *("media", "kits", "canons", "scenes", "series", "materials", "poses"),
    },
    "web": {"core", "studyfile", "store", "commands", "views", "pictures", "rendering"},
    "cli": {"core", "studyfile", "store", "commands", "views", "web", "demo", "canons"},
}
CORE_MAY_IMPORT = {
    "arrays": set(),
    "values": set(),
    "sightings": {"arrays", "values"},
    "fields": set(),
    "artist": {"fields"},
    "patience": set(),
    "drawn": {"fields"},
    "frames": {"fields"},
    "space": {"fields"},
    "light": {"fields"},
    "head": {"fields"},
    "pose": {"fields"},
    "practice": {"check", "subject", "study", "drawn", "values", "arrays"},
    "kits": {"head", "space", "study", "arrays"},
    "heads": {"head", "arrays"},
    "tones": {"light", "study", "arrays"},
    "study": {
        "sightings",
        "fields",
        "artist",
        "drawn",
        "frames",
        "space",
        "light",
        "head",
        "pose",
        "task",
        "subject.lamps",
        "subject.station",
        "subject.faults",
        "arrays",
    },
    "collections": {"study", "sightings", "fields"},
    "subject": {"study", "sightings", "fields", "patience", "arrays", "values"},
    "network": {"study", "artist", "space", "sightings", "patience", "arrays", "values"},
    "sheet": {"network", "patience", "study", "frames", "sightings", "arrays", "values"},
    "simulation": {
        *("network", "subject", "sheet", "practice", "study", "sightings", "arrays", "values"),
    },
    "task": {"fields", "sightings"},
    "lesson": {"simulation", "study", "task", "sightings", "arrays"},
    "words": {
        "artist",
        "lesson",
        "task",
        "pose",
        "sitting",
        "practice",
        "perspective",
        "heads",
        "tones",
        "space",
        "light",
        "head",
        "check",
        "drawn",
        "network",
        "sheet",
        "subject",
        "study",
        "sightings",
        "arrays",
        "values",
    },
    "sitting": {"pose", "drawn", "network", "sightings", "patience", "study", "arrays"},
    "schools": {"words", "sheet", "subject", "network", "study", "values"},
    "perspective": {"network", "sheet", "study", "space", "arrays"},
    "check": {"network", "sheet", "study", "drawn", "head", "sightings", "arrays"},
    "worked": {
        "check",
        "heads",
        "tones",
        "perspective",
        "schools",
        "words",
        "sheet",
        "network",
        "study",
        "arrays",
        "values",
    },
}
"""Within the core: numbers never import what is said of them."""

SPLIT = {"subject"}
"""Its station and faults are fields of a study; the rest of it reads studies."""

CORE_PACKAGES = {"numpy", "scipy", "shapely", "zirkel"}

LONGEST = (
    ("src", "*.py", 400),
    ("frontend/src", "*.tsx", 250),
    ("frontend/src", "*.ts", 250),
    ("frontend/src", "*.css", 250),
)
LONG_STILL = {
    "zirkel/core/network/assemble.py": 419,
    "zirkel/store/store.py": 410,
    "api/queries.ts": 335,
    "shared/drawn/signs.tsx": 376,
    "features/draw/RecipeSheet.tsx": 302,
    "features/frame/SheetRoom.tsx": 337,
    "features/practice/Drill.tsx": 274,
    "features/bench/pad/usePad.ts": 281,
    "features/bench/picture/BenchPicture.tsx": 400,
    "features/sitting/Sitting.module.css": 418,
    "features/check/Check.module.css": 256,
    "features/tone/Tone.module.css": 317,
    "features/wall/StudyWall.module.css": 294,
}

FEATURES_MAY = {"api", "geometry", "shared"}
FRONT_MAY = {
    "app": {"features", "shared", "api", "geometry"},
    "features": FEATURES_MAY,
    "shared": {"api", "geometry"},
    "api": set(),
    "geometry": set(),
}


def python_imports(path):
    """Module names that a file imports, wherever in it."""
    for node in ast.walk(ast.parse(path.read_text())):
        if isinstance(node, ast.Import):
            yield from (each.name for each in node.names)
        elif isinstance(node, ast.ImportFrom) and node.module:
            yield node.module


class Python(unittest.TestCase):
    def test_imports_flow_one_way(self):
        for path in SOURCE.glob("*/**/*.py"):
            room = path.relative_to(SOURCE).parts[0]
            for module in python_imports(path):
                if not module.startswith("zirkel."):
                    continue
                target = module.split(".")[1]
                allowed = {room, "errors", *MAY_IMPORT[room]}
                self.assertIn(target, allowed, f"{path.relative_to(ROOT)} imports {module}")

    def test_inside_the_core_too(self):
        core = SOURCE / "core"
        rooms = {each.stem for each in core.iterdir() if each.name[:1] not in "_."}
        self.assertEqual(rooms, set(CORE_MAY_IMPORT))
        for path in core.rglob("*.py"):
            parts = path.relative_to(core).with_suffix("").parts
            for module in python_imports(path):
                if not module.startswith("zirkel.core."):
                    continue
                target = module.removeprefix("zirkel.core.")
                allowed = {parts[0], *CORE_MAY_IMPORT.get(parts[0], ())}
                reached = {target, target.split(".")[0]}
                self.assertTrue(allowed & reached, f"{path.relative_to(ROOT)} imports {module}")

    def test_no_room_of_the_core_leads_back_to_itself(self):
        order = TopologicalSorter(
            {room: {each.split(".")[0] for each in may} - {room, *SPLIT}
             for room, may in CORE_MAY_IMPORT.items()}
        )  # fmt: skip
        order.prepare()

    def test_every_room_is_known(self):
        rooms = {each.name for each in SOURCE.iterdir() if (each / "__init__.py").exists()}
        self.assertEqual(rooms, set(MAY_IMPORT))

    def test_the_core_needs_numerics_only(self):
        for path in (SOURCE / "core").rglob("*.py"):
            for module in python_imports(path):
                package = module.split(".")[0]
                known = package in CORE_PACKAGES or package in sys.stdlib_module_names
                self.assertTrue(known, f"{path.relative_to(ROOT)} imports {module}")
            text = path.read_text()
            self.assertNotRegex(text, r"\bopen\(|\.read_text\(|\.write_", path.name)


class Sizes(unittest.TestCase):
    def test_nothing_grows_out_of_hand(self):
        """What is longer than its kind should be is named with its length, and may only shrink."""
        long = {}
        for folder, pattern, most in LONGEST:
            for path in (ROOT / folder).rglob(pattern):
                lines = len(path.read_text().splitlines())
                if lines > most:
                    long[str(path.relative_to(ROOT / folder))] = lines
        self.assertEqual(set(long), set(LONG_STILL))
        for name, lines in long.items():
            self.assertLessEqual(lines, LONG_STILL[name], name)


class FrontEnd(unittest.TestCase):
    def test_imports_flow_one_way(self):
        for path in [*FRONT.rglob("*.ts"), *FRONT.rglob("*.tsx")]:
            parts = path.relative_to(FRONT).parts
            if len(parts) == 1:
                continue
            for target in re.findall(r'from "(\.[^"]+)"', path.read_text()):
                file = (path.parent / target).resolve()
                if file == (FRONT.parent / "generated" / "schema").resolve():
                    self.assertEqual(parts[0], "api", path.name)
                    continue
                reached = file.relative_to(FRONT.resolve()).parts
                name = f"{path.relative_to(ROOT)} imports {target}"
                if parts[0] == "features" and reached[0] == "features":
                    self.assertEqual(parts[1], reached[1], name)
                elif reached[0] != parts[0]:
                    self.assertIn(reached[0], FRONT_MAY[parts[0]], name)
                if parts[0] == "app" and reached[0] == "features":
                    self.assertEqual(len(reached), 2, f"{name}, not through its index")

    def test_files_say_what_they_are(self):
        for path in [*FRONT.rglob("*.ts"), *FRONT.rglob("*.tsx")]:
            if path.name in ("index.ts", "vite-env.d.ts"):
                continue
            self.assertTrue(path.read_text().startswith("// "), path.name)


class Documents(unittest.TestCase):
    def test_the_readme_s_pictures_exist_and_are_all_used(self):
        readme = (ROOT / "README.md").read_text()
        linked = set(re.findall(r"docs/screenshots/[\w-]+\.png", readme))
        there = {
            str(each.relative_to(ROOT)) for each in (ROOT / "docs" / "screenshots").glob("*.png")
        }
        self.assertEqual(linked, there)
        self.assertLess(len(there), 20)

    def test_the_readme_s_commands_are_in_the_makefile(self):
        makefile = (ROOT / "Makefile").read_text()
        for target in re.findall(r"`make (\w+)", (ROOT / "README.md").read_text()):
            self.assertRegex(makefile, rf"(?m)^{target}:")

    def test_links_between_documents_lead_somewhere(self):
        for path in [ROOT / "README.md", *(ROOT / "docs").rglob("*.md")]:
            for link in re.findall(r"\]\((?!http|#)([^)#]+)", path.read_text()):
                self.assertTrue((path.parent / link).exists(), f"{path.name}: {link}")


if __name__ == "__main__":
    unittest.main()
