"""Tests mirror the source. Hypothesis draws the same examples each time: a failure repeats."""

from hypothesis import settings

settings.register_profile("steady", derandomize=True, deadline=None)
settings.load_profile("steady")
