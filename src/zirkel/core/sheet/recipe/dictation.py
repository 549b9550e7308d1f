"""What a teacher would dictate, one thing at a time: ticks, placings, lines to draw, glances, and
when to stand back."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.sheet.recipe.construct import Construction, Recipe
from zirkel.core.sheet.recipe.glances import Glance
from zirkel.core.sheet.recipe.order import Stage

GATHERED = 1.25
"""Errors have gathered where the largest is so many times what it was when one last stood back."""

LIGHTEST, LIGHT, FIRM = "lightest", "light", "firm"


@dataclass(frozen=True, slots=True)
class Item:
    """One thing to do. `kind` is tick, box, line, place, join, look or back; what it is about, and
    the weight that its line should have."""

    kind: str
    construction: Construction | None = None
    tick: tuple[int, float, str] | None = None
    join: Stage | None = None
    glance: Glance | None = None
    weight: str = LIGHTEST


def dictation(
    recipe: Recipe, glances: Sequence[Glance], drawn_first: str = "", boxed: bool = True
) -> tuple[Item, ...]:
    """All items in their order. `drawn_first` says which lines the school draws before anything
    else: plumb, grid, or none."""
    made = recipe.constructions
    items: list[Item] = []
    if drawn_first == "grid":
        items.append(Item("line"))
    ticks = recipe.ticks if not drawn_first else ()
    items += [Item("tick", tick=tick) for tick in ticks]
    if len(ticks) == 4 and boxed:
        items.append(Item("box"))
    after = {glance.after: [g for g in glances if g.after == glance.after] for glance in glances}
    worst = 0.0
    for number, stage in enumerate(recipe.stages):
        own = [i for i, each in enumerate(made) if each.stage == number]
        for i in own:
            items.append(Item("place", construction=made[i], weight=LIGHTEST))
            if i == 0 and drawn_first == "plumb":
                items.append(Item("line", construction=made[0]))
        if stage.kind == "envelope":
            items.append(Item("join", join=stage, weight=LIGHTEST))
        if stage.kind == "shape":
            heavy = LIGHT if stage.shape is not None and stage.shape.tier > 1 else FIRM
            items.append(Item("join", join=stage, weight=heavy))
        if own:
            items += [Item("look", glance=each) for each in after.get(max(own) + 1, [])]
        now = max((made[i].sd_mm for i in own), default=0.0)
        if own and stage.kind in ("envelope", "shape") and now > GATHERED * worst:
            items.append(Item("back"))
            worst = now
    if items and items[-1].kind != "back":
        items.append(Item("back"))
    return tuple(items)
