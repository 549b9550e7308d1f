"""A set of short poses begun: a study for each."""

from __future__ import annotations

from datetime import UTC, datetime
from secrets import token_hex

from zirkel.core.pose import Block
from zirkel.core.sitting.short_poses import one_each
from zirkel.errors import BadInput
from zirkel.store.store import Store

FEWEST, MOST = 2, 60


def begin_short_poses(store: Store, study_id: int, blocks: list[Block]) -> tuple[str, list[int]]:
    """The set's name and its studies, pose by pose; BadInput where they are too few or too many."""
    posed = sum(each.kind != "rest" for each in blocks)
    if not FEWEST <= posed <= MOST:
        raise BadInput("blocks", f"a set has {FEWEST} to {MOST} poses, not {posed}")
    name = token_hex(6)
    made = one_each(store.get(study_id).study, blocks, name, datetime.now(UTC))
    return name, [store.create(each).id for each in made]
