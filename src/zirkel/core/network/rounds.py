"""Circles seen as ellipses, as evidence in the network: an ellipse's axes bisect each other and
stand square. With l and r the ends of the long axis, m = (l + r) / 2 and c a point at the middle of
the near or far rim,

    (c - m).(r - l) / |r - l|^2 = 0,   and for both rims   (near + far - l - r).t / |r - l| = 0

along the short axis t: two conditions for a rim that is seen alone, three for a whole ellipse.
"""

from __future__ import annotations

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.assemble import Network
from zirkel.core.space import Round

TRUE = 0.01
"""How far real rims are from round, as a share of the long axis, one standard deviation."""

SHORTEST = 1e-6


class Ellipses:
    """The conditions of all circles of a study."""

    def __init__(self, net: Network, places: Array) -> None:
        self.rims: list[tuple[int, int, int]] = []
        self.wholes: list[tuple[int, int, int, int]] = []
        for each in net.study.rounds:
            if _told(each, net, places):
                left, right, near = (net.index[n] for n in (each.left, each.right, each.near))
                self.rims.append((left, right, near))
                if each.far is not None:
                    far = net.index[each.far]
                    self.rims.append((left, right, far))
                    self.wholes.append((left, right, near, far))

    @property
    def count(self) -> int:
        """How many conditions there are."""
        return len(self.rims) + len(self.wholes)

    def conditions(self, places: Array) -> tuple[Array, Array]:
        """How far each fails, by how true rims are, (k,), and by all 2n coordinates, (k, 2n)."""
        w, rows = [], []
        for left, right, other in self.rims:
            along = places[right] - places[left]
            size = float(np.hypot(*along))
            u = along / size
            off = places[other] - (places[left] + places[right]) / 2.0
            row = np.zeros_like(places)
            row[other] += u / size
            # Turning the axis by off's own share moves the middle of the rim along it.
            across = off - u * float(off @ u)
            row[left] += -0.5 * u / size - across / size**2
            row[right] += -0.5 * u / size + across / size**2
            w.append(float(off @ u) / size)
            rows.append(row.ravel())
        for left, right, near, far in self.wholes:
            along = places[right] - places[left]
            size = float(np.hypot(*along))
            t = np.array([-along[1], along[0]]) / size
            row = np.zeros_like(places)
            for number, sign in ((near, 1.0), (far, 1.0), (left, -1.0), (right, -1.0)):
                row[number] += sign * t / size
            w.append(float((places[near] + places[far] - places[left] - places[right]) @ t) / size)
            rows.append(row.ravel())
        return np.array(w) / TRUE, np.array(rows).reshape(len(w), places.size) / TRUE


def _told(each: Round, net: Network, places: Array) -> bool:
    names = [each.left, each.right, each.near, *([each.far] if each.far else [])]
    if len(set(names)) < len(names) or not all(name in net.index for name in names):
        return False
    return float(np.hypot(*(places[net.index[each.right]] - places[net.index[each.left]]))) > (
        SHORTEST
    )
