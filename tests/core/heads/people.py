"""Heads of persons who differ from the rule, sighted with a hand's error."""

import numpy as np

from zirkel.core.heads.model import head_points, rotation

READ = 0.015


def person(rng, turn, nod, roll, direction=0.05, point=0.02, changed=None):
    """What is seen (2,) of every point of a person's head that shows, as if on a plane, at a size
    of 2 units; a person differs in the three directions and in every point. `changed` moves points
    of the head itself."""
    d = np.exp(rng.normal(0.0, direction, 3))
    r = rotation(*np.radians((turn, nod, roll)))
    made = {}
    for name, at in head_points().items():
        own = at + rng.normal(0.0, point, 3) + np.array((changed or {}).get(name, (0.0, 0.0, 0.0)))
        behind = name.split("_")[0] in ("ear", "jaw")
        if behind and (
            (turn > 20 and name.endswith("_right")) or (turn < -20 and name.endswith("_left"))
        ):
            continue
        made[name] = 2.0 * (r @ (own * d))[:2] + (3.0, -1.0)
    return made


def sighted(rng, at):
    """The places as read, and their covariance."""
    read = {name: p + rng.normal(0.0, 2.0 * READ, 2) for name, p in at.items()}
    return read, np.eye(2 * len(read)) * (2.0 * READ) ** 2
