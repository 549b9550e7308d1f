"""Makes the fonts for PDFs from those of the front end: fixed weights, as TrueType.

Needs fonttools and brotli, and both variable families installed beside the front end's packages
(`npm install --no-save @fontsource-variable/source-serif-4`). Run once; the results are kept.
"""

from pathlib import Path

from fontTools.ttLib import TTFont
from fontTools.varLib import instancer

ROOT = Path(__file__).parents[1]
FAMILIES = ROOT / "frontend" / "node_modules" / "@fontsource-variable"
THERE = ROOT / "src" / "zirkel" / "paper" / "fonts"
FACES = (
    ("source-sans-3", "SourceSans3-Regular", 400),
    ("source-sans-3", "SourceSans3-SemiBold", 600),
    ("source-serif-4", "SourceSerif4-Regular", 420),
    ("source-serif-4", "SourceSerif4-SemiBold", 600),
)


def main() -> None:
    THERE.mkdir(parents=True, exist_ok=True)
    for family, name, weight in FACES:
        font = TTFont(FAMILIES / family / "files" / f"{family}-latin-wght-normal.woff2")
        fixed = instancer.instantiateVariableFont(font, {"wght": weight})
        fixed.flavor = None
        fixed.save(THERE / f"{name}.ttf")
    licences = {family: (FAMILIES / family / "LICENSE").read_text() for family, _, _ in FACES}
    (THERE / "LICENSE").write_text("\n\n".join(licences.values()))


if __name__ == "__main__":
    main()
