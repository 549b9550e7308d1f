"""What can be taken along: its name and what it is called, its sort of file, and what makes it."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from zirkel.core.study import Study
from zirkel.core.worked import Worked

PDF = ("application/pdf", "pdf")
SVG = ("image/svg+xml", "svg")
PNG = ("image/png", "png")
CSV = ("text/csv", "csv")


def always(_study: Study) -> bool:
    """For what any study can give."""
    return True


@dataclass(frozen=True, slots=True)
class Paper:
    """Something to take along. `label` and `note` are what its button says; `sort` is its media
    type and the ending of its file; `fits` tells for which studies it is offered; BadInput from
    `make` says what is missing."""

    name: str
    label: str
    note: str
    make: Callable[[Worked], bytes]
    sort: tuple[str, str] = PDF
    fits: Callable[[Study], bool] = always

    @property
    def printed(self) -> bool:
        """Whether it goes on paper; else it is a file to work with."""
        return self.sort == PDF
