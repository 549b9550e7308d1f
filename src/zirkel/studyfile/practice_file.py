"""The eye's record as a file (`zirkel-practice`): trials kept whole."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Annotated, Any, Literal

from pydantic import AwareDatetime, BaseModel, ConfigDict, Field, ValidationError, model_validator

from zirkel.core.practice.estimate import Eye
from zirkel.core.practice.trials import Trial
from zirkel.studyfile.answers import Answer
from zirkel.studyfile.entries import Finite, Id
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json

MOST_TRIALS = 100_000
DAY = 86_400.0


class FileTrial(BaseModel):
    """One trial: what was so and what the eye said."""

    model_config = ConfigDict(extra="allow")
    exercise: Id
    measure: Literal["relative", "share", "degrees", "steps", "units"]
    at: AwareDatetime
    truth: Finite
    answer: Finite
    seconds: Annotated[float, Field(ge=0, le=86_400, allow_inf_nan=False)] | None = None

    @model_validator(mode="after")
    def _sound(self) -> FileTrial:
        if self.measure == "relative" and self.truth == 0:
            raise ValueError("a relative error needs a truth other than 0: give its share instead")
        return self


class PracticeFile(BaseModel):
    """All trials of one eye."""

    model_config = ConfigDict(extra="allow")
    format: Literal["zirkel-practice"]
    version: Literal[1]
    trials: list[FileTrial] = Field(max_length=MOST_TRIALS)

    @model_validator(mode="after")
    def _alike(self) -> PracticeFile:
        measures: dict[str, str] = {}
        for i, each in enumerate(self.trials):
            known = measures.setdefault(each.exercise, each.measure)
            if known != each.measure:
                raise ValueError(
                    f"trials.{i}: “{each.exercise}” is measured in {known} before and in "
                    f"{each.measure} here: call one of them otherwise"
                )
        return self


def read_practice(data: bytes) -> tuple[Trial, ...]:
    """Parse and check a record; BadInput says what is wrong."""
    document: Any = parse_json(data)
    try:
        file = PracticeFile.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error
    begin = datetime(2000, 1, 1, tzinfo=UTC)
    return tuple(
        Trial(each.exercise, each.measure, (each.at - begin).total_seconds() / DAY, each.truth,
              each.answer, each.seconds)
        for each in file.trials
    )  # fmt: skip


class PracticeAnswer(Answer):
    """The answer of `zirkel practice`."""

    exercises: dict[str, dict[str, Any]]

    @classmethod
    def of(cls, eyes: dict[str, Eye]) -> PracticeAnswer:
        """What the record says of each exercise."""
        return cls(
            exercises={
                name: {
                    "trials": each.trials, "measure": each.measure, "bias": each.bias,
                    "bias_sd": each.bias_sd, "spread": each.spread, "spread_sd": each.spread_sd,
                    "lapses": each.lapses,
                    "change": {
                        "per_week": each.change.per_week, "sd": each.change.sd,
                        "verdict": each.change.verdict,
                    },
                }
                for name, each in eyes.items()
            }
        )  # fmt: skip
