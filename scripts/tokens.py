"""`python -m scripts.tokens` writes docs/tokens.md: the colours of all screens by name, with their
contrasts on paper and ground, by day and in dim rooms, as measured (WCAG 2.2, luminance)."""

from __future__ import annotations

import re
from pathlib import Path

ROOT = Path(__file__).parents[1]
STYLES, PAGE = ROOT / "frontend" / "src" / "app" / "global.css", ROOT / "docs" / "tokens.md"

GROUNDS = ("ground", "paper", "pad")
WORDS = ("graphite", "pencil", "chalk", "verdigris")
LINES = ("thin",)
LEAST_WORDS, LEAST_LINES = 4.5, 3.0

MEANT = {
    "ground": "what stands round the drawing", "paper": "the sheet, fields, cards",
    "pad": "the pad and side panes", "graphite": "what is drawn and said",
    "pencil": "what may be missed", "chalk": "what doesn't agree, what to repair",
    "verdigris": "what is proven, the plumb, the way to take", "thin": "unsure lines, slack",
}  # fmt: skip
SETS = {"light": "By day", "dark": "In dim rooms", "lamp": "The paper in dim rooms"}


def tokens() -> dict[str, dict[str, str]]:
    """Colours by name, of each set."""
    source = STYLES.read_text()
    first, dark = source.split("@media (prefers-color-scheme: dark)", 1)
    around, lamp = dark.split(".on-paper", 1)
    return {
        "light": _named(first),
        "dark": _named(around.split("}")[0]),
        "lamp": _named(lamp.split("}")[0]),
    }


def _named(source: str) -> dict[str, str]:
    return dict(re.findall(r"--([a-z]+): (#[0-9a-f]{6})", source))


def contrast(one: str, other: str) -> float:
    """Of two colours, from 1 to 21."""
    light, dark = sorted((_luminance(one), _luminance(other)), reverse=True)
    return (light + 0.05) / (dark + 0.05)


def _luminance(colour: str) -> float:
    parts = [int(colour[k : k + 2], 16) / 255.0 for k in (1, 3, 5)]
    linear = [c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4 for c in parts]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


def page() -> str:
    """The page of tokens."""
    made = [
        "# Tokens",
        "",
        "The colours of all screens, and what each is for. Contrasts as measured on each ground;",
        f"words have {LEAST_WORDS:g} at least, lines {LEAST_LINES:g}. Written by "
        "`python -m scripts.tokens`.",
    ]
    for key, colours in tokens().items():
        made += ["", f"## {SETS[key]}", "", f"| colour | for | {' | '.join(GROUNDS)} |",
                 f"|---|---|{'---|' * len(GROUNDS)}"]  # fmt: skip
        for name in (*WORDS, *LINES):
            measured = " | ".join(
                f"{contrast(colours[name], colours[each]):.1f}" for each in GROUNDS
            )
            made.append(f"| {name} `{colours[name]}` | {MEANT[name]} | {measured} |")
        made += ["", "; ".join(f"{n} `{colours[n]}`: {MEANT[n]}" for n in GROUNDS) + "."]
    return "\n".join(made) + "\n"


if __name__ == "__main__":
    PAGE.write_text(page())
