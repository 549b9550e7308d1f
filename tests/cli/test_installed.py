"""Zirkel as somebody installs it: the wheel alone, in a bare environment without the pinned list,
used from a folder of its own; and the pinned list, held to what is declared."""

import json
import os
import re
import subprocess
import sys
import tempfile
import tomllib
import unittest
import urllib.request
from importlib.metadata import distribution, version
from pathlib import Path

from packaging.requirements import Requirement
from packaging.utils import canonicalize_name

from tests.browser.case import shared_browser
from tests.files import SMALL
from tests.serving import PATIENCE_S, Server
from zirkel import __version__

ROOT = Path(__file__).parents[2]
PINNED = ROOT / "requirements" / "run.txt"


class Pinned(unittest.TestCase):
    def test_the_list_is_what_the_declared_packages_need_and_nothing_else(self):
        """Followed through what each installed package says that it needs."""
        pinned = dict(re.findall(r"(?m)^([\w.-]+)==(\S+)", PINNED.read_text()))
        declared = tomllib.loads((ROOT / "pyproject.toml").read_text())["project"]["dependencies"]
        waiting, needed = [Requirement(each) for each in declared], set()
        for each in waiting:
            self.assertIn(version(each.name), each.specifier, each.name)
        while waiting:
            name = canonicalize_name(waiting.pop().name)
            if name in needed:
                continue
            needed.add(name)
            self.assertEqual(version(name), pinned.get(name), f"{name}: run make lock")
            more = [Requirement(text) for text in distribution(name).requires or ()]
            waiting += [r for r in more if r.marker is None or r.marker.evaluate({"extra": ""})]
        self.assertEqual({canonicalize_name(each) for each in pinned}, needed)

    def test_the_version_stands_in_one_place(self):
        project = tomllib.loads((ROOT / "pyproject.toml").read_text())["project"]
        self.assertNotIn("version", project)
        self.assertEqual(version("zirkel"), __version__)


class Installed(unittest.TestCase):
    """One test: an environment is dear."""

    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.bin = self.folder / "bare" / "bin"
        self.env = {
            "PATH": os.environ["PATH"], "HOME": str(self.folder), "LANG": "C.UTF-8",
            "XDG_DATA_HOME": str(self.folder / "share"), "PYTHONUNBUFFERED": "1",
        }  # fmt: skip

    def install(self):
        made = list((ROOT / "dist").glob("zirkel-*.whl"))
        self.assertEqual(len(made), 1, "one wheel is made by “make wheel”")
        uv = Path(sys.executable).with_name("uv")
        bare = self.folder / "bare"
        subprocess.run([uv, "venv", "--quiet", "--python", sys.executable, bare], check=True)
        subprocess.run(
            [uv, "pip", "install", "--quiet", "--python", self.bin / "python", made[0]], check=True
        )

    def typed(self, *words, data=b""):
        return subprocess.run(
            [self.bin / "zirkel", *words], input=data, capture_output=True, check=True,
            cwd=self.folder, env=self.env, timeout=PATIENCE_S,
        ).stdout.decode()  # fmt: skip

    def served(self, port):
        """Started in a folder of its own; once it says where it is."""
        process = subprocess.Popen(
            [self.bin / "zirkel", "serve", "--port", str(port)], stdout=subprocess.PIPE,
            cwd=self.folder, env=self.env, text=True,
        )  # fmt: skip
        self.addCleanup(process.stdout.close)
        self.addCleanup(process.wait)
        self.addCleanup(process.kill)
        said = []
        for line in process.stdout:
            said.append(line)
            if line.startswith("Zirkel is at"):
                break
        return process, "".join(said)

    def test_the_wheel_serves_everything_from_any_folder(self):
        self.install()
        self.assertEqual(self.typed("--version"), f"zirkel {__version__}\n")
        solved = json.loads(self.typed("solve", "-", data=json.dumps(SMALL).encode()))
        self.assertAlmostEqual(solved["landmarks"]["pot_rim"]["x"], 1.625)
        server = Server(self.folder / "nowhere")
        process, said = self.served(server.port)
        database = self.folder / "share" / "zirkel" / "zirkel.sqlite"
        self.assertIn(f"Studies are kept in {database}.", said)
        page = shared_browser().new_page()
        self.addCleanup(page.close)
        page.goto(server.address + "/scenes")
        page.click("button:has-text('Wooden mask')")
        page.wait_for_selector("text=Sight next")
        study = page.url.rsplit("/", 1)[1]
        paper = f"{server.address}/api/v1/studies/{study}/take/tilts"
        with urllib.request.urlopen(paper) as printed:
            self.assertEqual(printed.read(5), b"%PDF-")
        process.kill()
        process.wait()
        self.served(server.port)
        page.reload()
        page.wait_for_selector("text=Sight next")
        self.assertEqual(page.url.rsplit("/", 1)[1], study)


if __name__ == "__main__":
    unittest.main()
