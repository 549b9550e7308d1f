"""Natural relations: which simple relations hold in the solved drawing, to place by eye."""

from zirkel.core.network.relations.here import simple_here
from zirkel.core.network.relations.rank import Found, Line, Relation, find_relations

__all__ = ["Found", "Line", "Relation", "find_relations", "simple_here"]
