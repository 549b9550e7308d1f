"""How tones are laid, as one would say it at the easel."""

from __future__ import annotations

from collections.abc import Mapping

from zirkel.core.tones.laying import Laying, Pass


def say_laying(found: Laying, names: Mapping[str, str], way: str) -> list[str]:
    """The passes in their order, with what stays and where to begin."""
    if not found.passes:
        return []
    every = tuple(dict.fromkeys([*(n for each in found.passes for n in each.areas), *found.bare]))
    said = [BEGIN[way]]
    if found.bare:
        said.append(f"Leave as the paper is: {_listed(found.bare, names)}.")
    last = found.passes[-1]
    for each in found.passes:
        over = _over(each.areas, every, names)
        said.append(_said(each, over, way) + (_after(each, way) if each is last else ""))
    return said


BEGIN = {
    "layers": "From the top, on the side away from the drawing hand. Never press: each layer goes "
    "on what lies there.",
    "rubbed": "Tape the edges. Keep the hand off the sheet: it smudges.",
    "toned": "The paper is the middle and most of the picture: leave it.",
    "wash": "Let each wash dry before the next. It dries lighter than it goes on.",
}

LAST = {
    "lay": " Then no more: the paper is full.",
    "accent": " Then no more rubbing: it lifts what lies there.",
    "white": " Never over the dark.",
}

COUNT = {1: "one", 2: "two", 3: "three", 4: "four"}


def _after(each: Pass, way: str) -> str:
    return "" if way == "wash" else LAST.get(each.act, "")


def _said(each: Pass, over: str, way: str) -> str:
    step = f"step {each.end:.1f}".removesuffix(".0")
    if each.act == "ground":
        return f"Rub the whole sheet to {step}: {each.tool}."
    if each.act == "lift":
        return f"Lift out with the {each.tool}, to {step}: {over}."
    tool = each.tool or ("A wash" if way == "wash" else "One grade")
    tool = tool[:1].upper() + tool[1:]
    what = "wash" if way == "wash" else "light layer"
    many = "" if each.layers == 1 else "es" if way == "wash" else "s"
    much = f"{COUNT.get(each.layers, str(each.layers))} {what}{many}"
    return f"{tool}, {much}, to {step}: {over}{' alone' if len(each.areas) == 1 else ''}."


def _over(areas: tuple[str, ...], every: tuple[str, ...], names: Mapping[str, str]) -> str:
    """The areas, or what is left out where that is shorter."""
    rest = tuple(name for name in every if name not in areas)
    if len(areas) <= len(rest):
        return _listed(areas, names)
    return f"everything but {_listed(rest, names)}" if rest else "everything"


def _listed(areas: tuple[str, ...], names: Mapping[str, str]) -> str:
    return "; ".join(names.get(name, name) for name in areas)
