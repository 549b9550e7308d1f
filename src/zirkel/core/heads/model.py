"""The generic head: where its points lie, counted in heads from crown to chin.

x to the picture's right when the face looks straight out, y down, z away from the viewer; the
origin between the ears at half height. Proportions are the usual rules of thumb for adults (eyes
half-way, five eyes across, thirds of the face); how far persons depart from them is part of the
model: each of the three directions as a whole, and every point by itself.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.head import POINTS

DIRECTION_SD, POINT_SD = 0.055, 0.03
"""How far heads differ: in width, height and depth as a whole, and each point, in heads."""

ALIKE = 0.6
"""How far the two sides of a face stray alike: who has the one brow high has the other so too."""

MIDDLE = {
    "crown": (0.0, -0.50, 0.05), "hairline": (0.0, -0.35, -0.33), "nose_root": (0.0, -0.02, -0.38),
    "nose_base": (0.0, 0.21, -0.42), "mouth_middle": (0.0, 0.31, -0.41), "chin": (0.0, 0.50, -0.37),
}  # fmt: skip
PAIRED = {
    "brow": (0.13, -0.07, -0.35), "eye_outer": (0.195, 0.0, -0.30),
    "eye_inner": (0.065, 0.0, -0.33), "nose_wing": (0.072, 0.19, -0.36),
    "mouth_corner": (0.10, 0.315, -0.34),
    "ear_top": (0.33, -0.05, 0.03), "ear_base": (0.31, 0.22, 0.01), "jaw": (0.24, 0.33, -0.08),
}  # fmt: skip

RINGS = {"brows": ("brow", -0.07), "eyes": ("eye_outer", 0.0), "nose": ("nose_wing", 0.20),
         "mouth": ("mouth_corner", 0.31)}  # fmt: skip
HALF_WIDE, FRONT, BACK = 0.33, -0.40, 0.42
"""The head seen from above: half its width at the ears, how far its face and back reach."""


def head_points() -> dict[str, Array]:
    """Each named point (3,), left and right as seen in the picture."""
    made = {name: np.array(at) for name, at in MIDDLE.items()}
    for name, (x, y, z) in PAIRED.items():
        made[f"{name}_left"] = np.array([-x, y, z])
        made[f"{name}_right"] = np.array([x, y, z])
    return {name: made[name] for name in POINTS}


def straying(names: Sequence[str]) -> Array:
    """(k, 3, k, 3) covariance, in squared heads, of how far the named points of one head stray from
    the generic one's: each by POINT_SD in every direction, left and right mostly mirrored."""
    k = len(names)
    made = np.zeros((k, 3, k, 3))
    mirrored = np.diag([-ALIKE, ALIKE, ALIKE])
    number = {name: i for i, name in enumerate(names)}
    for name, i in number.items():
        made[i, :, i, :] = np.eye(3)
        twin = number.get(other_side(name), i)
        if twin != i:
            made[i, :, twin, :] = mirrored
        elif name == other_side(name):
            made[i, 0, i, 0] = 1.0 - ALIKE
    return POINT_SD**2 * made


def other_side(name: str) -> str:
    """The name of the point across the face; of one in the middle its own."""
    if name.endswith("_left"):
        return f"{name.removesuffix('_left')}_right"
    return f"{name.removesuffix('_right')}_left" if name.endswith("_right") else name


def rotation(turn: float, nod: float, roll: float) -> Array:
    """(3, 3) from angles in radians: the head turned about its own upright, then nodded towards the
    viewer about the level, then rolled in the picture. Turn is positive to the picture's right, nod
    down, roll with the crown to the right. In that order each shows as what it is called: nodding
    first, a head turned far would roll with it."""
    ct, st = np.cos(turn), np.sin(turn)
    cn, sn = np.cos(nod), np.sin(nod)
    cr, sr = np.cos(roll), np.sin(roll)
    by_nod = np.array([[1.0, 0.0, 0.0], [0.0, cn, -sn], [0.0, sn, cn]])
    by_turn = np.array([[ct, 0.0, -st], [0.0, 1.0, 0.0], [st, 0.0, ct]])
    by_roll = np.array([[cr, -sr, 0.0], [sr, cr, 0.0], [0.0, 0.0, 1.0]])
    made: Array = by_roll @ by_nod @ by_turn
    return made


def middle_line(count: int = 24) -> Array:
    """(count, 3) the line of symmetry from the hairline over brow, nose and mouth to the chin."""
    ys = np.linspace(MIDDLE["crown"][1], MIDDLE["chin"][1], count)
    told = sorted((at[1], at[2]) for at in MIDDLE.values())
    zs = np.interp(ys, [y for y, _ in told], [z for _, z in told])
    return np.stack([np.zeros(count), ys, zs], axis=1)


def ring(name: str, count: int = 25) -> Array:
    """(count, 3) the ring round the face's front at the height of a feature, from ear to ear."""
    point, y = RINGS[name]
    reach = abs(PAIRED[point][2])
    angles = np.linspace(-0.5 * np.pi, 0.5 * np.pi, count)
    front = -max(reach, abs(FRONT) * 0.95)
    return np.stack([HALF_WIDE * np.sin(angles), np.full(count, y), front * np.cos(angles)], axis=1)
