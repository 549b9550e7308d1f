"""Picture plane: an outline on a clear pane held still, then enlarged."""

from zirkel.core.practice.schools.base import School, hints

SCHOOL = School(
    name="picture_plane",
    title="Picture plane: an outline on a clear pane held still, then enlarged",
    manners=frozenset(["edge", "plumb", "level", "strip", "part"]),
    set_up=hints(
        ("pane", "Fix the pane upright, and your chin or eye to one spot; one eye shut."),
        ("edge", "Mark the corners of the view on pane and sheet first."),
    ),
    checks=hints(
        ("pane", "Lay the first corner under the eye again before every line."),
        ("edge", "The border is the same share of pane and sheet on all sides."),
    ),
    mistakes=hints(
        ("eye", "Breath and wind: the eye moves and the outline with it."),
        ("pane", "The pane leans: near things come too large."),
    ),
    reckons="pane",
)
