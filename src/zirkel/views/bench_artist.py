"""What the bench knows of how its artist counts and draws."""

from __future__ import annotations

from pydantic import BaseModel, ConfigDict

from zirkel.core.network.counting import counting
from zirkel.core.study import Study
from zirkel.core.words.counting import say_counting


class Counting(BaseModel):
    """Lengths to so many units, tilts to so many degrees; None for what is usual."""

    model_config = ConfigDict(from_attributes=True)
    units: float | None
    degrees: float | None


class Hand(BaseModel):
    """The own hand on the sheet, one standard deviation each; None for what is usual."""

    model_config = ConfigDict(from_attributes=True)
    length: float | None
    tilt_degrees: float | None
    part: float | None


class TakenOut(BaseModel):
    """What is taken out of the readings: shares of lengths, degrees of tilts."""

    model_config = ConfigDict(from_attributes=True)
    length: float
    tilt_degrees: float


class BenchArtist(BaseModel):
    """How finely is counted, as it was said; what the readings show of it until then, and that in
    words; the own hand; and what it does always, None until that was said."""

    counted_to: Counting | None
    found: Counting | None
    said: str | None
    hand: Hand | None
    leanings: TakenOut | None


def artist_of(study: Study) -> BenchArtist:
    """What is known of the artist of a study."""
    found = counting(study) if study.counted_to is None else None
    return BenchArtist(
        counted_to=Counting.model_validate(study.counted_to) if study.counted_to else None,
        found=Counting.model_validate(found) if found else None,
        said=say_counting(found) if found else None,
        hand=Hand.model_validate(study.hand) if study.hand else None,
        leanings=TakenOut.model_validate(study.leanings) if study.leanings else None,
    )
