"""What can be taken along: its name and what it is called, its sort of file, and what makes it."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path

from zirkel.core.study import Study
from zirkel.core.worked import Worked
from zirkel.paper.page import PAGES_MM

PDF = ("application/pdf", "pdf")
SVG = ("image/svg+xml", "svg")
PNG = ("image/png", "png")
CSV = ("text/csv", "csv")
TXT = ("text/plain", "txt")
HTML = ("text/html", "html")


PictureOf = Callable[[str], Path | None]
"""Where a picture lies, by the hash of its bytes; None where it isn't here."""


def always(_study: Study) -> bool:
    """For what any study can give."""
    return True


def own_page(study: Study) -> tuple[float, float]:
    """The page of the artist's own printer, upright: letter where the study speaks in inches."""
    return PAGES_MM["Letter" if study.inches else "A4"]


@dataclass(frozen=True, slots=True)
class Paper:
    """Something to take along. `label` and `note` are what its button says; `sort` is its media
    type and the ending of its file; `fits` tells for which studies it is offered; BadInput from
    `make` says what is missing. `illustrated` makes it with the study's photographs, where there
    is room for some."""

    name: str
    label: str
    note: str
    make: Callable[[Worked], bytes]
    sort: tuple[str, str] = PDF
    fits: Callable[[Study], bool] = always
    illustrated: Callable[[Worked, PictureOf], bytes] | None = None

    @property
    def printed(self) -> bool:
        """Whether it goes on paper; else it is a file to work with."""
        return self.sort == PDF
