"""`python -m zirkel.demo.generate` writes the demonstration studies beside this module."""

from pathlib import Path

from zirkel.demo.arrangement import Arrangement, to_study
from zirkel.demo.potting_bench import POTTING_BENCH
from zirkel.demo.wooden_mask import WOODEN_MASK
from zirkel.studyfile.read import write_study

DEMOS: dict[str, Arrangement] = {"potting_bench": POTTING_BENCH, "wooden_mask": WOODEN_MASK}
FOLDER = Path(__file__).parent


def main() -> None:
    """Write every demonstration's study file."""
    for name, arrangement in DEMOS.items():
        (FOLDER / f"{name}.zirkel.json").write_bytes(write_study(to_study(arrangement)))


if __name__ == "__main__":
    main()
