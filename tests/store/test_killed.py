"""What was acknowledged survives `kill -9`, whenever it comes."""

import os
import signal
import subprocess
import sys
import tempfile
import textwrap
import time
import unittest
from dataclasses import replace
from pathlib import Path

from tests.files import SMALL, as_bytes
from zirkel.store.store import Store
from zirkel.studyfile.read import read_study

WRITER = """
import sys
from dataclasses import replace
from pathlib import Path
from zirkel.store.receipts import Receipt
from zirkel.store.store import Store

store = Store.at(Path(sys.argv[1]))
stored = store.all()[0]
while True:
    number = stored.version + 1
    study = replace(stored.study, title=f"Version {number}")
    stored = store.change(stored.id, stored.version, f"To {number}", study,
        Receipt(f"token-{number}", "rename"))
    print(stored.version, flush=True)
"""


class Killed(unittest.TestCase):
    def test_nothing_acknowledged_is_lost(self):
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "zirkel.sqlite"
            first = Store.at(path)
            study_id = first.create(read_study(as_bytes(SMALL))).id
            first.close()
            acknowledged = 1
            for pause in (0.15, 0.4, 0.05):
                acknowledged = max(acknowledged, self._write_and_kill(path, pause))
                store = Store.at(path)
                stored = store.get(study_id)
                self.assertGreaterEqual(stored.version, acknowledged)
                self.assertEqual(stored.study.title, f"Version {stored.version}")
                back = store.undo(study_id, stored.version)
                self.assertEqual(back.study.title, f"Version {stored.version - 1}")
                again = store.redo(study_id, back.version)
                self.assertEqual(again.study, stored.study)
                renamed = store.change(
                    study_id, again.version, "x", _titled(again.study, again.version + 1)
                )
                acknowledged = renamed.version
                store.close()

    def _write_and_kill(self, path, pause):
        """The last version that the writer said it had kept."""
        command = [sys.executable, "-c", textwrap.dedent(WRITER), str(path)]
        with subprocess.Popen(command, stdout=subprocess.PIPE, text=True) as writer:
            first = writer.stdout.readline()
            time.sleep(pause)
            os.kill(writer.pid, signal.SIGKILL)
            rest = writer.stdout.read()
        told = [int(line) for line in (first + rest).splitlines() if line.strip().isdigit()]
        self.assertTrue(told)
        return told[-1]


def _titled(study, version):
    return replace(study, title=f"Version {version}")


if __name__ == "__main__":
    unittest.main()
