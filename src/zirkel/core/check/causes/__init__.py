"""The causes that a check knows: each a function that offers its candidates."""

from collections.abc import Callable, Iterator

from zirkel.core.check.causes.base import Candidate
from zirkel.core.check.causes.habits import depths, grown, uprights
from zirkel.core.check.causes.some import hanging, one, patches, shapes
from zirkel.core.check.causes.whole import whole
from zirkel.core.check.drawing import Drawing

CAUSES: tuple[Callable[[Drawing], Iterator[Candidate]], ...] = (
    whole,
    one,
    shapes,
    hanging,
    patches,
    grown,
    uprights,
    depths,
)

__all__ = ["CAUSES", "Candidate"]
