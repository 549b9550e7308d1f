"""By eye: halves, quarters, gaps and shapes only, no stick."""

from zirkel.core.schools.base import School, hints

SCHOOL = School(
    name="by_eye",
    title="By eye: halves, quarters, gaps and shapes only, no stick",
    manners=frozenset(["plumb", "level", "touch", "gaps", "part"]),
    set_up=hints(
        ("eye", "Look long, draw short. Set the four outermost points first."),
        ("part", "Halve, then halve again; trust quarters, mistrust fifths."),
    ),
    checks=hints(
        ("mirror", "Look at both in a mirror, or upside down."),
        ("gap", "Compare gaps with gaps, not things with things."),
    ),
    mistakes=hints(
        ("eye", "What is looked at longest grows."),
        ("face", "Faces shrink and eyes creep up."),
    ),
)
