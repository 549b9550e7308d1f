"""Scenes rendered: seconds at full width, at first and drawn in lines; memory; what the package for
rays takes to load, and that what doesn't render does not load it."""

from __future__ import annotations

import resource
import subprocess
import sys
import time

from zirkel.core.subject.picture import picture_of
from zirkel.rendering.render import WIDE, rendered
from zirkel.scenes import shipped_scenes

FIRST = 300


def main() -> None:
    print("| scene | faces | pixels | seconds | at first | in lines |\n|---|---|---|---|---|---|")
    for name, scene in shipped_scenes().items():
        taken = []
        for wide in (FIRST, WIDE):
            begin = time.perf_counter()
            seen = rendered(scene, scene.station, wide)
            taken.append(time.perf_counter() - begin)
        begin = time.perf_counter()
        picture_of(scene, scene.station)
        lines = time.perf_counter() - begin
        print(
            f"| {name} | {len(scene.faces)} | {seen.owner.size} | {taken[1]:.1f} "
            f"| {taken[0]:.1f} | {lines:.2f} |"
        )
    most = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    print(f"\nAt most {most:.0f} MB in this process.")
    for module in ("zirkel.core.worked", "zirkel.rendering.rays"):
        code = (
            f"import sys, time; b = time.perf_counter(); import {module}; "
            "print(f'{time.perf_counter() - b:.2f} s', "
            "'with' if 'embreex' in sys.modules else 'without', 'the package for rays')"
        )
        said = subprocess.run([sys.executable, "-c", code], capture_output=True, check=True)
        print(f"Loading {module}: {said.stdout.decode().strip()}")


if __name__ == "__main__":
    main()
