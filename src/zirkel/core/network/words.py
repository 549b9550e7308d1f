"""What the network finds, said as a colleague at the next easel would say it."""

from __future__ import annotations

from collections.abc import Sequence

from zirkel.core.study import Study, UnitLength


def why_next(study: Study, landmark: str, before: float, after: float) -> str:
    """Why a reading is worth taking: whose slack it takes, from how much to how much."""
    name = name_of(study, landmark)
    if before > 0.7 * one_unit(study):
        return f"Nothing holds {name} yet. This ties it down to within {slack(study, after)}."
    return f"It takes the slack in {name} from {slack(study, before)} to {slack(study, after)}."


def why_check(study: Study, checks: Sequence[str]) -> str:
    """Why a reading is worth taking as a check."""
    if len(checks) == 1:
        return "It would check a reading that nothing checks yet."
    return f"It would check {len(checks)} readings that nothing checks yet."


def name_of(study: Study, landmark: str) -> str:
    """The landmark's name as it goes into a sentence."""
    return next((each.name for each in study.landmarks if each.id == landmark), landmark)


def one_unit(study: Study) -> float:
    """A length of the subject's own size, in what its readings count: 1 unit, or 100 mm."""
    return 100.0 if isinstance(study.unit, UnitLength) else 1.0


def slack(study: Study, sd: float) -> str:
    """A standard deviation in the sheet's millimetres where its unit is known, else in units."""
    if isinstance(study.unit, UnitLength):
        return f"{sd:.1f} mm"
    if study.unit_mm is not None:
        return f"{sd * study.unit_mm:.1f} mm"
    return f"{sd:.2f} {study.unit.name if study.unit else 'units'}"
