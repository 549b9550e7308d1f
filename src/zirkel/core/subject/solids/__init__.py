"""The solids that scenes are built of; a new one is one module and one line here."""

from zirkel.core.subject.solids.ball import Ball
from zirkel.core.subject.solids.base import Face, Solid
from zirkel.core.subject.solids.box import Box
from zirkel.core.subject.solids.cone import Cone
from zirkel.core.subject.solids.facets import Facets
from zirkel.core.subject.solids.loft import Loft
from zirkel.core.subject.solids.prism import Prism
from zirkel.core.subject.solids.turned import Turned

AnySolid = Box | Turned | Cone | Ball | Prism | Facets | Loft

__all__ = ["AnySolid", "Ball", "Box", "Cone", "Face", "Facets", "Loft", "Prism", "Solid", "Turned"]
