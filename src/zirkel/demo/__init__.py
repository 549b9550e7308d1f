"""Demonstration studies: made-up arrangements, sighted by the honest observer."""

from pathlib import Path

FOLDER = Path(__file__).parent
"""Where the demonstrations lie."""
