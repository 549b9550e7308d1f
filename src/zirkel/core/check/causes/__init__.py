"""The causes that a check knows: each a function that offers its candidates."""

from collections.abc import Callable, Iterator

from zirkel.core.check.causes.base import Candidate
from zirkel.core.check.causes.bend import bend
from zirkel.core.check.causes.crowding import crowding
from zirkel.core.check.causes.flat import flat
from zirkel.core.check.causes.growth import growth
from zirkel.core.check.causes.habits import depths, sided, uprights
from zirkel.core.check.causes.some import hanging, one, patches, shapes
from zirkel.core.check.causes.symmetry import symmetry
from zirkel.core.check.causes.together import together
from zirkel.core.check.causes.whole import whole
from zirkel.core.check.drawing import Drawing

CAUSES: tuple[Callable[[Drawing], Iterator[Candidate]], ...] = (
    whole,
    one,
    shapes,
    hanging,
    patches,
    sided,
    together,
    growth,
    bend,
    crowding,
    symmetry,
    uprights,
    depths,
    flat,
)

__all__ = ["CAUSES", "Candidate"]
