"""What the command costs: `zirkel solve` against the core's own import and solve, in one run."""

import statistics
import subprocess
import sys
import time
from pathlib import Path

STUDY = "src/zirkel/demo/potting_bench.zirkel.json"
ALONE = """
import sys
from zirkel.core.network.solve import solve
from zirkel.studyfile.read import read_study
solve(read_study(open(sys.argv[1], "rb").read()))
"""
ROUNDS = 9


def seconds(*arguments: str) -> float:
    """How long one run takes, start of the interpreter included."""
    start = time.perf_counter()
    subprocess.run([sys.executable, *arguments, STUDY], check=True, stdout=subprocess.DEVNULL)
    return time.perf_counter() - start


def main() -> None:
    """Both in turn, medians and their ratio."""
    assert Path(STUDY).is_file(), STUDY
    command, alone = [], []
    for _ in range(ROUNDS):
        command.append(seconds("-m", "zirkel", "solve"))
        alone.append(seconds("-c", ALONE))
    first, second = statistics.median(command), statistics.median(alone)
    print(
        f"zirkel solve {first:.2f} s, import and solve alone {second:.2f} s: {first / second:.2f}"
    )
