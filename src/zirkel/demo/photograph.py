"""A photograph of a drawing, made up: pencil lines on textured paper, on a table, by a camera that
looks at it askew through a lens that bends a little, with a shadow across and noise."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import cv2
import numpy as np
from numpy.typing import NDArray

from zirkel.core.arrays import Array

PX_PER_MM = 5.0
GRAPHITE = 0.42

Line = Sequence[tuple[float, float]]


@dataclass(frozen=True, slots=True)
class Camera:
    """How the sheet is photographed: pixels, how far the camera leans back and to the side, how it
    is turned, how the lens bends (as in `check.photograph`), how much of the picture the sheet
    fills, light, shadow and noise."""

    width: int = 1600
    height: int = 1200
    back_deg: float = 18.0
    side_deg: float = 6.0
    turn_deg: float = 2.0
    bend: float = 0.02
    fill: float = 0.82
    paper: float = 0.93
    table: tuple[float, float, float] = (0.36, 0.30, 0.25)
    shadow: float = 0.25
    noise: float = 0.012
    seed: int = 1


def photograph(
    size: tuple[float, float], lines: Sequence[Line], camera: Camera
) -> tuple[NDArray[np.uint8], Array]:
    """(height, width, 3) red, green and blue of the photograph, and the sheet's corners in it (4,
    2), of a sheet of so many mm with these lines drawn on it."""
    rng = np.random.default_rng(camera.seed)
    sheet = drawn_sheet(size, lines, camera.paper, rng)
    corners = np.array([(0, 0), (size[0], 0), (size[0], size[1]), (0, size[1])], dtype=float)
    to_image = _projection(size, camera)
    flat = _pixels_to_sheet(camera, to_image)
    picture = _table(camera, flat, rng)
    inside = (
        (flat[..., 0] >= 0) & (flat[..., 0] <= size[0])
        & (flat[..., 1] >= 0) & (flat[..., 1] <= size[1])
    )  # fmt: skip
    at = (flat * PX_PER_MM).astype(np.float32)
    seen = cv2.remap(sheet, at[..., 0], at[..., 1], cv2.INTER_LINEAR, None, cv2.BORDER_REPLICATE)
    soft = cv2.GaussianBlur(inside.astype(np.float32), (0, 0), 0.8)[..., None]
    picture = picture * (1 - soft) + seen * soft
    picture = cv2.GaussianBlur(picture, (0, 0), 0.7) * _light(camera)[..., None]
    picture = picture + rng.normal(0.0, camera.noise, picture.shape)
    encoded = np.power(np.clip(picture, 0.0, 1.0), 1 / 1.1)
    return np.rint(255 * encoded).astype(np.uint8), _to_pixels(camera, to_image, corners)


def drawn_sheet(
    size: tuple[float, float], lines: Sequence[Line], paper: float, rng: np.random.Generator
) -> NDArray[np.float32]:
    """The sheet from straight above: grained paper, and lines as a pencil leaves them."""
    width, height = (round(each * PX_PER_MM) for each in size)
    grain = cv2.GaussianBlur(rng.normal(0, 1, (height, width)).astype(np.float32), (0, 0), 1.6)
    grain = grain / np.float32(grain.std())
    marks = np.zeros((height, width), np.float32)
    for line in lines:
        points = _by_hand(np.array(line, dtype=float), rng) * PX_PER_MM
        own = np.zeros_like(marks)
        shifted = np.rint(points * 8).astype(np.int32)
        cv2.polylines(own, [shifted], False, 1.0, round(0.7 * PX_PER_MM), cv2.LINE_AA, 3)
        marks = np.maximum(marks, own * rng.uniform(0.75, 1.0))
    tooth = np.clip(0.75 + 0.35 * grain, 0.0, 1.0)
    tone = paper * (1 + 0.012 * grain) * (1 - (1 - GRAPHITE) * marks * tooth)
    tint = np.array([1.0, 0.985, 0.95], np.float32)
    made: NDArray[np.float32] = (tone[..., None] * tint).astype(np.float32)
    return made


def _by_hand(points: Array, rng: np.random.Generator) -> Array:
    """Strokes from point to point with a hand's slight waver."""
    made = [points[0]]
    for a, b in pairwise(points):
        steps = max(4, int(np.hypot(*(b - a)) / 6))
        t = np.linspace(0, 1, steps + 1)[1:, None]
        waver = np.sin(np.pi * t) * rng.normal(0, 0.25, 2)
        made += list(a + t * (b - a) + waver)
    return np.array(made)


def _projection(size: tuple[float, float], camera: Camera) -> Array:
    """(3, 3) from millimetres on the sheet to the straight picture, in half diagonals."""
    back, side, turn = (math.radians(x) for x in (camera.back_deg, camera.side_deg,
                                                  camera.turn_deg))  # fmt: skip
    rx = np.array([[1, 0, 0], [0, math.cos(back), -math.sin(back)],
                   [0, math.sin(back), math.cos(back)]])  # fmt: skip
    ry = np.array([[math.cos(side), 0, math.sin(side)], [0, 1, 0],
                   [-math.sin(side), 0, math.cos(side)]])  # fmt: skip
    rz = np.array([[math.cos(turn), -math.sin(turn), 0], [math.sin(turn), math.cos(turn), 0],
                   [0, 0, 1]])  # fmt: skip
    rotation = rx @ ry @ rz
    focal = 1.5
    centred = np.array([[1, 0, -size[0] / 2], [0, 1, -size[1] / 2], [0, 0, 1.0]])
    half = math.hypot(camera.width, camera.height) / 2
    limits = camera.fill * np.array([camera.width, camera.height]) / 2 / half
    corners = np.array([(0, 0), (size[0], 0), (size[0], size[1]), (0, size[1])])
    away = np.array([0.0, 0.0, 4.0 * max(size)])
    for _ in range(60):
        pose = np.column_stack([rotation[:, 0], rotation[:, 1], away])
        made = np.diag([focal, focal, 1.0]) @ pose @ centred
        seen = np.column_stack([corners, np.ones(4)]) @ made.T
        flat = seen[:, :2] / seen[:, 2:]
        middle = (flat.max(axis=0) + flat.min(axis=0)) / 2
        reach = np.abs(flat - middle).max(axis=0) / limits
        away[:2] -= middle * away[2] / focal
        away *= float(reach.max())
    return made


def to_pixels(camera: Camera, size: tuple[float, float], points: Array) -> Array:
    """(k, 2) pixels of places (k, 2) on a sheet of so many mm."""
    return _to_pixels(camera, _projection(size, camera), points)


def _to_pixels(camera: Camera, to_image: Array, points: Array) -> Array:
    """Where places on the sheet come to lie in the photograph, found by halving: the lens is only
    given the other way."""
    seen = np.column_stack([points, np.ones(len(points))]) @ to_image.T
    flat = seen[:, :2] / seen[:, 2:]
    straight = np.hypot(*flat.T)
    low, high = np.zeros_like(straight), 2 * straight + 1e-9
    for _ in range(60):
        middle = (low + high) / 2
        short = middle * (1 + camera.bend * middle**2) < straight
        low, high = np.where(short, middle, low), np.where(short, high, middle)
    half = math.hypot(camera.width, camera.height) / 2
    made: Array = np.array([camera.width, camera.height]) / 2 + half * flat * (
        low / np.maximum(straight, 1e-12)
    ).reshape(-1, 1)
    return made


def _pixels_to_sheet(camera: Camera, to_image: Array) -> Array:
    """(height, width, 2) millimetres on the sheet's plane for every pixel."""
    half = math.hypot(camera.width, camera.height) / 2
    x = (np.arange(camera.width) - camera.width / 2) / half
    y = (np.arange(camera.height) - camera.height / 2) / half
    grid = np.stack(np.meshgrid(x, y), axis=-1)
    straight = grid * (1 + camera.bend * (grid**2).sum(axis=-1, keepdims=True))
    lifted = np.concatenate([straight, np.ones_like(straight[..., :1])], axis=-1)
    back = lifted @ np.linalg.inv(to_image).T
    made: Array = back[..., :2] / back[..., 2:]
    return made


def _table(camera: Camera, flat: Array, rng: np.random.Generator) -> Array:
    """The table under the sheet, with a grain along it."""
    grain = cv2.GaussianBlur(
        rng.normal(0, 1, flat.shape[:2]).astype(np.float32), (0, 0), sigmaX=14, sigmaY=1.4
    )
    boards = 0.03 * np.sign(np.sin(flat[..., 1] / 47.0))
    made: Array = np.array(camera.table) * (
        1 + 0.06 * grain[..., None] / float(grain.std()) + boards[..., None]
    )
    return made


def _light(camera: Camera) -> Array:
    """How much light falls on every pixel: from one side, with a soft-edged shadow across."""
    x, y = np.meshgrid(np.linspace(-1, 1, camera.width), np.linspace(-1, 1, camera.height))
    edge = 1 / (1 + np.exp(-(x * 0.8 + y * 0.6 - 0.25) / 0.02))
    made: Array = (1.0 - 0.06 * x) * (1.0 - camera.shadow * edge)
    return made
