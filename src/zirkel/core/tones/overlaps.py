"""What stands before what: layers from overlaps, the circles in them, and line weights.

Every overlap is an arrow from the shape in front to the one behind. Shapes on a circle of arrows
have no layer (R. Tarjan, 1972, finds all such circles in one walk); all others stand in the nearest
layer that their overlaps allow: one behind the furthest of what is before them.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

FIRM, LEAST = 1.0, 0.35
"""Line weight of the nearest layer, and of the furthest, as a share."""

INNER = 0.7
"""Lines inside a form against its outer edge."""

FADED = 0.35
"""What is left of a line's weight at the far end of an edge that runs back."""


@dataclass(frozen=True, slots=True)
class Layers:
    """Each shape's layer, 1 the nearest, None on a circle; and the circles, each in its order."""

    layers: Mapping[str, int | None]
    cycles: tuple[tuple[str, ...], ...]

    def weight(self, shape: str, inner: bool = False) -> float:
        """Line weight of a shape's edges, 1 the firmest: nearer is darker, inner lines lighter; on
        a circle as in the middle."""
        known = [each for each in self.layers.values() if each is not None]
        deepest = max(known, default=1)
        layer = self.layers.get(shape)
        share = 0.5 if layer is None else (layer - 1) / max(deepest - 1, 1)
        return (FIRM - (FIRM - LEAST) * share) * (INNER if inner else 1.0)


def fading(
    outline: Sequence[str], closed: bool, receding: Iterable[tuple[str, str]]
) -> tuple[tuple[str, str], ...]:
    """Which sides of an outline run back, each as (near end, far end)."""
    sides = list(pairwise(outline))
    if closed and len(outline) > 2:
        sides.append((outline[-1], outline[0]))
    back = set(receding)
    return tuple(end for a, b in sides for end in ((a, b), (b, a)) if end in back)


def layers_of(shapes: Iterable[str], overlaps: Sequence[tuple[str, str]]) -> Layers:
    """From (front, behind) pairs."""
    names = list(dict.fromkeys([*shapes, *(name for pair in overlaps for name in pair)]))
    behind: dict[str, list[str]] = {name: [] for name in names}
    for front, back in overlaps:
        if back not in behind[front]:
            behind[front].append(back)
    parts = _parts(names, behind)
    part_of = {name: i for i, part in enumerate(parts) for name in part}
    depth = [1] * len(parts)
    # Parts come with what is behind before what is in front of it.
    for i in range(len(parts) - 1, -1, -1):
        for name in parts[i]:
            for back in behind[name]:
                if part_of[back] != i:
                    depth[part_of[back]] = max(depth[part_of[back]], depth[i] + 1)
    circles = [part for part in parts if len(part) > 1]
    in_circle = {name for part in circles for name in part}
    layers = {name: None if name in in_circle else depth[part_of[name]] for name in names}
    return Layers(layers, tuple(_in_order(part, behind) for part in circles))


def _parts(names: Sequence[str], behind: Mapping[str, Sequence[str]]) -> list[list[str]]:
    """Strongly connected parts, each after all that it leads to, without recursion."""
    number: dict[str, int] = {}
    low: dict[str, int] = {}
    stack: list[str] = []
    on_stack: set[str] = set()
    parts: list[list[str]] = []
    for root in names:
        if root in number:
            continue
        walk = [(root, iter(behind[root]))]
        number[root] = low[root] = len(number)
        stack.append(root)
        on_stack.add(root)
        while walk:
            here, rest = walk[-1]
            step = next(rest, None)
            if step is None:
                walk.pop()
                if walk:
                    low[walk[-1][0]] = min(low[walk[-1][0]], low[here])
                if low[here] == number[here]:
                    part = []
                    while True:
                        part.append(stack.pop())
                        on_stack.discard(part[-1])
                        if part[-1] == here:
                            break
                    parts.append(part)
            elif step not in number:
                number[step] = low[step] = len(number)
                stack.append(step)
                on_stack.add(step)
                walk.append((step, iter(behind[step])))
            elif step in on_stack:
                low[here] = min(low[here], number[step])
    return parts


def _in_order(part: Sequence[str], behind: Mapping[str, Sequence[str]]) -> tuple[str, ...]:
    """A circle through the part, from its first name: the shortest that leads back to it."""
    inside = set(part)
    start = min(part)
    before = {start: start}
    queue = [start]
    for here in queue:
        for step in behind[here]:
            if step == start:
                path = [here]
                while path[-1] != start:
                    path.append(before[path[-1]])
                return tuple(path[::-1])
            if step in inside and step not in before:
                before[step] = here
                queue.append(step)
    return tuple(part)
