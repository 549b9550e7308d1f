"""Zirkel: the measuring, arithmetic and record keeping for drawing by sighting."""

__version__ = "0.1.0"
