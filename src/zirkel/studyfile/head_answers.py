"""What `zirkel head` prints."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from zirkel.core.heads.solved import SolvedHead
from zirkel.studyfile.answers import Answer


class HeadsAnswer(Answer):
    """The answer of `zirkel head`."""

    heads: list[dict[str, Any]]

    @classmethod
    def of(cls, found: Sequence[SolvedHead]) -> HeadsAnswer:
        """Every head that could be fitted."""
        return cls(heads=[_head(each) for each in found if each.fitted is not None])


def _head(each: SolvedHead) -> dict[str, Any]:
    fit = each.fitted
    assert fit is not None
    return {
        "id": each.id, "name": each.name,
        "turn_degrees": fit.turn, "nod_degrees": fit.nod, "roll_degrees": fit.roll,
        "sd_degrees": list(fit.sd), "mirrored": fit.mirrored,
        "middle": [list(at) for at in each.middle],
        "levels": [{"name": n, "line": [list(at) for at in line]} for n, line in each.levels],
        "departures": [
            {"measure": d.measure, "canon": d.canon, "here": d.here, "sd": d.sd}
            for d in each.departures
        ],
        "off": list(each.off),
        "predicted": {
            name: {"x": p.at[0], "y": p.at[1], "sd": p.sd} for name, p in each.predicted.items()
        },
    }  # fmt: skip
