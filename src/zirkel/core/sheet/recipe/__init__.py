"""The recipe: how to place every landmark by hand, each from those placed before."""

from zirkel.core.sheet.recipe.construct import Construction, Recipe, make_recipe

__all__ = ["Construction", "Recipe", "make_recipe"]
