"""`python -m zirkel.demo.generate` writes the demonstration studies beside this module."""

from collections.abc import Callable

from zirkel.core.study import Sheet, Study
from zirkel.demo import FOLDER
from zirkel.demo.arrangement import to_study
from zirkel.demo.boathouse import boathouse
from zirkel.demo.by_the_artist import made_by_artist
from zirkel.demo.drawing import with_drawing
from zirkel.demo.potting_bench import POTTING_BENCH
from zirkel.demo.raking_light import with_raking_light
from zirkel.demo.study_head import study_head
from zirkel.demo.two_mornings import with_two_mornings
from zirkel.studyfile.read import write_study

__all__ = ["DEMOS", "FOLDER"]

DEMOS: dict[str, Callable[[], Study]] = {
    "potting_bench": lambda: with_two_mornings(
        with_raking_light(
            with_drawing(to_study(POTTING_BENCH), FOLDER / "potting_bench_drawing.jpg")
        )
    ),
    "wooden_mask": lambda: made_by_artist(
        "wooden_mask", "Wooden mask on a peg", Sheet(210.0, 297.0), 5
    ),
    "boathouse": boathouse,
    "block_head": study_head,
}


def main() -> None:
    """Write every demonstration's study file."""
    for name, made in DEMOS.items():
        (FOLDER / f"{name}.zirkel.json").write_bytes(write_study(made()))


if __name__ == "__main__":
    main()
