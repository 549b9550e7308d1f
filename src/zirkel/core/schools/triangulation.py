"""Triangulation: tilts between few points, then from dot to dot."""

from __future__ import annotations

from zirkel.core.schools.base import Reckoned, School, Table, hints
from zirkel.core.sheet.arithmetic.triangles import best_triangles, long_base, three_lines
from zirkel.core.values.tilts import say_tilt, tilt_of


def pairs_of_tilts(worked: Reckoned) -> Table:
    """Two tilts that cross well for each landmark, from a long base."""
    places, words = worked.positions, worked.words
    tiers = {each.id: each.tier for each in worked.study.landmarks}
    base = long_base(places, tiers)
    triangles, thin = best_triangles(places, tiers, base)

    def tilt(start: str, end: str) -> str:
        return say_tilt(tilt_of(places[start], places[end]), 1)

    start = three_lines(places, tiers)
    begin: list[tuple[str, ...]] = []
    if start is not None:
        for name, (a, b) in (("Level", start.level), ("Upright", start.upright),
                             ("Joining", start.joining)):  # fmt: skip
            begin.append((f"{name} line", words.of(a), tilt(a, b), f"to {words.of(b)}", "", ""))
    rows = [
        (words.of(t.point), words.of(t.first), tilt(t.first, t.point), words.of(t.second),
         tilt(t.second, t.point), f"{t.crossing_deg:.0f}°")
        for t in triangles
    ]  # fmt: skip
    rows += [(words.of(name), "only thin triangles reach it", "", "", "", "") for name in thin]
    return Table(
        title=f"Three lines to begin with, then pairs of tilts that cross well, from the base "
        f"{words.of(base[0])} to {words.of(base[1])}",
        head=("Point", "from", "tilt", "and from", "tilt", "they cross at"),
        rows=(*begin, *rows),
    )


SCHOOL = School(
    name="triangulation",
    title="Triangulation: tilts between few points, then from dot to dot",
    manners=frozenset(["tilt"]),
    aids=("a stick", "a tilt card"),
    set_up=hints(
        (
            "triangle",
            "Begin with three lines: a strong level, a strong upright, what joins them.",
        ),
        ("clock", "Read each new point by two tilts from the ends of a known line."),
    ),
    checks=hints(
        ("thin", "Two tilts that differ by less than 30° fix nothing: take another base."),
        ("clock", "Close the round: come back to the first point from another side."),
    ),
    mistakes=hints(
        ("chain", "Errors pile up along the chain: tie far points to the base itself."),
        ("clock", "Near-verticals are made vertical."),
    ),
    reckons=pairs_of_tilts,
)
