"""`zirkel serve`: where it listens, where it keeps its data, and what it says when it cannot."""

import socket
import subprocess
import sys
import tempfile
import unittest
import urllib.request
from pathlib import Path

from tests.browser.case import Server


def serve(*arguments):
    """Try to serve; what was said when it gave up."""
    return subprocess.run(
        [sys.executable, "-m", "zirkel", "serve", *arguments],
        capture_output=True,
        text=True,
        timeout=60,
        check=False,
    )


class Refusals(unittest.TestCase):
    def test_a_port_in_use(self):
        with socket.socket() as taken, tempfile.TemporaryDirectory() as folder:
            taken.bind(("127.0.0.1", 0))
            taken.listen()
            done = serve("--port", str(taken.getsockname()[1]), "--data", folder)
        self.assertEqual((done.returncode, done.stdout), (2, ""))
        self.assertIn("choose another with --port", done.stderr)

    def test_an_address_that_is_not_ours(self):
        done = serve("--host", "203.0.113.7", "--port", "8123")
        self.assertEqual(done.returncode, 2)
        self.assertIn("203.0.113.7:8123 cannot be used", done.stderr)

    def test_a_data_folder_that_is_a_file(self):
        with tempfile.NamedTemporaryFile() as file:
            done = serve("--port", "0", "--data", file.name)
            self.assertEqual(done.returncode, 2)
            done = serve("--port", "8124", "--data", file.name)
        self.assertEqual(done.returncode, 2)
        self.assertIn("cannot be used", done.stderr)


class Serving(unittest.TestCase):
    def test_data_survives_a_restart_and_the_demo_is_laid_out_once(self):
        with tempfile.TemporaryDirectory() as folder:
            server = Server(Path(folder) / "data")
            seen = []
            for _ in range(2):
                server.start()
                with urllib.request.urlopen(server.address + "/api/v1/studies") as answer:
                    seen.append(answer.read())
                server.kill()
            self.assertEqual(seen[0], seen[1])
            self.assertTrue((Path(folder) / "data" / "zirkel.sqlite").exists())


if __name__ == "__main__":
    unittest.main()
