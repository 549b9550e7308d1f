"""Makes the fonts for PDFs from those of the front end: two fixed weights, as TrueType.

Needs fonttools and brotli, and the front end's packages installed. Run once; the results are kept.
"""

from pathlib import Path

from fontTools.ttLib import TTFont
from fontTools.varLib import instancer

ROOT = Path(__file__).parents[1]
FAMILY = ROOT / "frontend" / "node_modules" / "@fontsource-variable" / "source-sans-3"
THERE = ROOT / "src" / "zirkel" / "paper" / "fonts"


def main() -> None:
    THERE.mkdir(parents=True, exist_ok=True)
    for name, weight in (("SourceSans3-Regular", 400), ("SourceSans3-SemiBold", 600)):
        font = TTFont(FAMILY / "files" / "source-sans-3-latin-wght-normal.woff2")
        fixed = instancer.instantiateVariableFont(font, {"wght": weight})
        fixed.flavor = None
        fixed.save(THERE / f"{name}.ttf")
    (THERE / "LICENSE").write_text((FAMILY / "LICENSE").read_text())


if __name__ == "__main__":
    main()
