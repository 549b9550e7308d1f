"""The answers of `zirkel sitting`: one pose, or a plan over all of them."""

from __future__ import annotations

from collections.abc import Sequence

from zirkel.core.sitting.over_poses import PosePlan
from zirkel.core.sitting.plan import SittingPlan
from zirkel.core.study import Study
from zirkel.core.words.base import words_of
from zirkel.studyfile.answers import Answer, SuggestionAnswer, WithSuggestions, suggestion_of


class StageAnswer(Answer):
    """A stage and its minutes."""

    stage: str
    minutes: float


class SittingAnswer(WithSuggestions):
    """What fits into one pose."""

    stages: list[StageAnswer]
    sightings: list[SuggestionAnswer]
    expected_sd: float
    sd_now: float
    left_loose: list[str]

    @classmethod
    def of(cls, plan: SittingPlan, study: Study) -> SittingAnswer:
        """The answer of `zirkel sitting`."""
        words = words_of(study)
        return cls(
            stages=[StageAnswer(stage=e.stage, minutes=e.minutes) for e in plan.stages],
            sightings=[suggestion_of(each, study, words) for each in plan.sightings],
            expected_sd=plan.expected_sd, sd_now=plan.sd_now, left_loose=list(plan.left_loose),
        )  # fmt: skip


class PosePlanAnswer(Answer):
    """One pose of several."""

    stages: list[StageAnswer]
    controls: list[SuggestionAnswer]
    sightings: list[SuggestionAnswer]
    expected_sd: float
    left_loose: list[str]


class PosesAnswer(WithSuggestions):
    """What fits into several poses."""

    poses: list[PosePlanAnswer]

    @classmethod
    def of(cls, plans: Sequence[PosePlan], study: Study) -> PosesAnswer:
        """The answer of `zirkel sitting --poses`."""
        words = words_of(study)
        return cls(
            poses=[
                PosePlanAnswer(
                    stages=[StageAnswer(stage=e.stage, minutes=e.minutes) for e in plan.stages],
                    controls=[suggestion_of(each, study, words) for each in plan.controls],
                    sightings=[suggestion_of(each, study, words) for each in plan.sightings],
                    expected_sd=plan.expected_sd,
                    left_loose=list(plan.left_loose),
                )
                for plan in plans
            ]
        )
