"""The commands: one JSON object out, or status 2 and one plain sentence."""

import json
import re
import subprocess
import sys
import tempfile
import unittest
from pathlib import Path

from tests.cli.typed import zirkel
from tests.files import BAD_FILES, SMALL, as_bytes, small
from zirkel.cli.main import COMMANDS
from zirkel.demo.generate import FOLDER as DEMO_FOLDER
from zirkel.studyfile.scene_file import read_scene

ROOT = Path(__file__).parents[2]


def run(*arguments, data=b""):
    """Run the command in a process of its own, as a user would."""
    return subprocess.run(
        [sys.executable, "-m", "zirkel", *arguments], input=data, capture_output=True, check=False
    )


class Commands(unittest.TestCase):
    def test_solve_from_standard_input(self):
        done = run("solve", "-", data=as_bytes(SMALL))
        self.assertEqual((done.returncode, done.stderr), (0, b""))
        answer = json.loads(done.stdout)
        self.assertEqual(
            set(answer),
            {"landmarks", "loose", "readings", "doubts", "takes", "variance_factor", "scatter"},
        )
        self.assertAlmostEqual(answer["landmarks"]["pot_rim"]["x"], 1.625)
        self.assertEqual(answer["landmarks"]["can_foot"]["sd_y"], 0.0)
        self.assertIsNone(answer["readings"]["s1"]["standardized"])

    def test_a_loose_landmark_has_null(self):
        done = zirkel("solve", "-", data=as_bytes(small(sightings=[])))
        answer = json.loads(done.stdout)
        self.assertEqual(answer["landmarks"]["pot_rim"], dict.fromkeys(
            ("x", "y", "sd_x", "sd_y", "corr")))  # fmt: skip
        self.assertEqual(
            answer["loose"],
            [{"landmark": "can_foot", "direction": "level"},
             {"landmark": "pot_rim", "direction": "both"}],
        )  # fmt: skip

    def test_no_landmarks(self):
        empty = small(landmarks=[], sightings=[], unit=None, shapes=[])
        for command in COMMANDS:
            done = zirkel(command, "-", data=as_bytes(empty))
            self.assertEqual(done.returncode, 2 if command == "check" else 0, command)

    def test_every_example_of_the_documents_runs(self):
        """The study file's through all commands, the scene file's through its reader."""
        found = {
            path.name: re.findall(r"```json\n(.*?)```", path.read_text(), re.DOTALL)
            for path in sorted((ROOT / "docs").glob("*.md"))
        }
        examples = [each for blocks in found.values() for each in blocks]
        self.assertGreaterEqual(len(examples), 2)
        for text in examples:
            if json.loads(text)["format"] == "zirkel-scene":
                self.assertEqual(read_scene("box", text.encode()).title, "A box")
                continue
            for command in COMMANDS:
                done = zirkel(command, "-", data=text.encode())
                self.assertEqual((done.returncode, done.stderr), (0, ""), command)

    def test_nobody_reads_the_answer_or_the_disk_is_full(self):
        study = as_bytes(SMALL)
        for name in ("solve", "recipe"):
            with subprocess.Popen(
                [sys.executable, "-m", "zirkel", name, "-"], stdin=subprocess.PIPE,
                stdout=subprocess.PIPE, stderr=subprocess.PIPE,
            ) as process:  # fmt: skip
                process.stdout.close()
                process.stdin.write(study)
                process.stdin.close()
                told = process.stderr.read().decode()
                self.assertEqual(process.wait(), 2)
            self.assertEqual(told.count("\n"), 1, told)
            self.assertIn("can't be written to its end", told)
        if Path("/dev/full").exists():
            with Path("/dev/full").open("wb") as full:
                done = subprocess.run(
                    [sys.executable, "-m", "zirkel", "solve", "-"], input=study, stdout=full,
                    stderr=subprocess.PIPE, check=False,
                )  # fmt: skip
            self.assertEqual(done.returncode, 2)
            self.assertIn(b"No space left", done.stderr)

    def test_a_drawing_is_checked(self):
        places = {each["id"]: each["rough"] for each in SMALL["landmarks"]}
        self.assertEqual(len(places), 3)
        plan = json.loads(zirkel("plan", "-", data=as_bytes(SMALL)).stdout)["marks"]
        marks = {n: [m["from_left_mm"], m["from_top_mm"]] for n, m in plan.items()}
        sound = json.loads(zirkel("check", "-", data=as_bytes(small(drawn=marks))).stdout)
        self.assertEqual((sound["verdict"], sound["faults"], sound["corrections"]),
                         ("sound", [], []))  # fmt: skip
        self.assertEqual(set(sound["landmarks"]), set(places))
        marks.popitem()
        done = zirkel("check", "-", data=as_bytes(small(drawn=marks)))
        self.assertEqual((done.returncode, done.stdout), (2, ""))
        self.assertIn("measure at least three", done.stderr)

    def test_plan_and_next_of_a_file(self):
        path = str(DEMO_FOLDER / "potting_bench.zirkel.json")
        plan = json.loads(zirkel("plan", path).stdout)
        self.assertEqual((plan["orientation"], plan["fits"]), ("landscape", True))
        self.assertEqual(plan["marks"]["dibber_point"]["from_top_mm"], None)
        found = json.loads(zirkel("next", path, "--count", "3").stdout)
        self.assertEqual(len(found["sightings"]), 3)
        self.assertIn("dibber_point", found["sightings"][0].values())
        self.assertNotIn("along", found["sightings"][0])

    def test_the_demonstration_has_its_wrong_reading_and_its_loose_landmark(self):
        path = str(DEMO_FOLDER / "potting_bench.zirkel.json")
        answer = json.loads(zirkel("solve", path).stdout)
        self.assertEqual([each["sighting"] for each in answer["doubts"]], ["s13"])
        self.assertEqual(answer["loose"], [{"landmark": "dibber_point", "direction": "plumb"}])
        self.assertEqual(len(answer["readings"]), 60)

    def test_bad_input_ends_with_one_sentence(self):
        for what, (data, message) in BAD_FILES.items():
            done = zirkel("solve", "-", data=data)
            with self.subTest(what):
                self.assertEqual((done.returncode, done.stdout), (2, ""))
                said = done.stderr
                self.assertEqual(said.count("\n"), 1, said)
                if what != "too large":
                    self.assertRegex(said, message)

    def test_files_that_are_not_there_or_too_large(self):
        with tempfile.TemporaryDirectory() as folder:
            big = Path(folder) / "big.zirkel.json"
            with big.open("wb") as file:
                file.truncate(30_000_000)
            for path, words in ((big, "30.0 MB"), (Path(folder) / "none", "can't be read")):
                done = zirkel("plan", str(path))
                self.assertEqual((done.returncode, done.stdout), (2, ""))
                self.assertIn(words, done.stderr)

    def test_options_are_checked(self):
        self.assertEqual(zirkel("next", "-", "--count", "many").returncode, 2)
        self.assertEqual(zirkel("serve", "--port", "seventy").returncode, 2)

    def test_every_command_is_documented(self):
        text = (ROOT / "docs" / "study-file.md").read_text()
        for command in (*COMMANDS, "serve"):
            self.assertIn(f"zirkel {command}", text)


if __name__ == "__main__":
    unittest.main()
