"""How tones are laid, as one would say it at the easel."""

from __future__ import annotations

from collections.abc import Mapping

from zirkel.core.tones.laying import Laying, Pass

ALL_BUT = 6
"""Areas beyond which a pass is told by how many it goes over."""


def say_laying(found: Laying, names: Mapping[str, str], way: str) -> list[str]:
    """The passes in their order, with what stays and where to begin."""
    if not found.passes:
        return []
    said = [BEGIN[way]]
    if found.bare:
        said.append(f"Leave as the paper is: {_listed(found.bare, names)}.")
    last = found.passes[-1]
    for each in found.passes:
        said.append(_said(each, names, way) + (LAST[each.act] if each is last else ""))
    return said


BEGIN = {
    "layers": "From the top, on the side away from the drawing hand. Never press: each layer goes "
    "on what lies there.",
    "rubbed": "Tape the edges. Keep the hand off the sheet: charcoal smudges.",
    "toned": "The paper is the middle and most of the picture: leave it.",
    "wash": "Let each wash dry before the next. It dries lighter than it goes on.",
}

LAST = {
    "lay": " Then no more: the paper is full.",
    "accent": " Then no more rubbing: it lifts what lies there.",
    "lift": "",
    "white": " Never over the dark.",
    "ground": "",
}


def _said(each: Pass, names: Mapping[str, str], way: str) -> str:
    over = _listed(each.areas, names)
    step = f"step {each.end:.1f}".removesuffix(".0")
    if each.act == "ground":
        return f"Rub the whole sheet to {step}: {each.tool}."
    if each.act == "lift":
        return f"Lift out with the {each.tool}, to {step}: {over}."
    tool = each.tool or ("A wash" if way == "wash" else "One grade")
    tool = tool[:1].upper() + tool[1:]
    much = {1: "one light layer", 2: "two light layers"}.get(
        each.layers, f"{each.layers} light layers"
    )
    if way == "wash":
        much = "one wash" if each.layers == 1 else f"{each.layers} washes"
    alone = " alone" if len(each.areas) == 1 else ""
    return f"{tool}, {much}, to {step}: {over}{alone}."


def _listed(areas: tuple[str, ...], names: Mapping[str, str]) -> str:
    told = [names.get(name, name) for name in areas]
    if len(told) > ALL_BUT:
        return f"{', '.join(told[: ALL_BUT - 1])} and {len(told) - ALL_BUT + 1} more"
    return ", ".join(told)
