"""Perspective from sighted tilts and places alone: eye level, vanishing points, what disagrees."""
