"""The recipe: how to place every landmark by hand, each from those placed before."""

from zirkel.core.sheet.recipe.construct import Construction, Recipe, Step, Wishes, make_recipe
from zirkel.core.sheet.recipe.order import Outline

__all__ = ["Construction", "Outline", "Recipe", "Step", "Wishes", "make_recipe"]
