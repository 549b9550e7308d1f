"""A sitting: what fits into the time, and whether the place is the same after a break."""
