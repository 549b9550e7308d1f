"""Tests mirror the source.

In `make test` Hypothesis draws the same examples each time, so that a failure repeats, and
statistics are told by few seeds; `make campaign` draws freely and by many.
"""

import os
from collections.abc import Callable
from typing import Any

from hypothesis import HealthCheck, settings

CAMPAIGN = "ZIRKEL_CAMPAIGN" in os.environ
MORE = 10
"""How many times as many in a campaign."""

settings.register_profile("steady", derandomize=True, deadline=None, max_examples=40)
settings.register_profile("campaign", deadline=None, max_examples=40 * MORE)
settings.load_profile("campaign" if CAMPAIGN else "steady")


def times(usual: int) -> int:
    """So many in a usual run, many times more in a campaign."""
    return usual * MORE if CAMPAIGN else usual


def examples(usual: int) -> Callable[[Any], Any]:
    """Settings for so many examples of Hypothesis in a usual run."""
    return settings(max_examples=times(usual), suppress_health_check=list(HealthCheck))
