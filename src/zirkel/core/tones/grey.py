"""Tones as greys of the screen and of print: CIE lightness to sRGB and back (IEC 61966-2-1; L*
after CIE 1976). One step is 12.5 of L*."""

from __future__ import annotations

import numpy as np

from zirkel.core.arrays import Array

STEP = 12.5
LUMINANCE = np.array([0.2126, 0.7152, 0.0722])
"""Share of red, green and blue light in the luminance (ITU-R BT.709)."""

CUT = 6 / 29


def luminance(rgb: Array) -> Array:
    """Y, from 0 to 1, of colours (..., 3) from 0 to 255."""
    made: Array = linear(rgb) @ LUMINANCE
    return made


def linear(code: Array) -> Array:
    """Light from 0 to 1 of codes from 0 to 255."""
    c = np.asarray(code, dtype=float) / 255.0
    return np.where(c <= 0.04045, c / 12.92, ((c + 0.055) / 1.055) ** 2.4)


def encoded(light: Array) -> Array:
    """Light from 0 to 1 as sRGB encodes it, from 0 to 1."""
    low = 12.92 * light
    high = 1.055 * np.power(np.maximum(light, 0.0), 1.0 / 2.4) - 0.055
    return np.where(light <= 0.0031308, low, high)


def linear_light(colour: str) -> Array:
    """The same (3,) of a colour as “#rrggbb”."""
    return linear(np.array([int(colour[i : i + 2], 16) for i in (1, 3, 5)], dtype=float))


def lightness_of_luminance(y: Array) -> Array:
    """L* by Y."""
    y = np.maximum(np.asarray(y, dtype=float), 0.0)
    f = np.where(y > CUT**3, np.cbrt(y), y / (3 * CUT**2) + 4 / 29)
    made: Array = 116.0 * f - 16.0
    return made


def luminance_of_tone(tone: float) -> float:
    """Y of a tone."""
    light = min(max(100.0 - STEP * (tone - 1.0), 0.0), 100.0)
    f = (light + 16.0) / 116.0
    return float(f**3 if f > CUT else 3 * CUT**2 * (f - 4 / 29))


def tone_of(light: float) -> float:
    """The tone in steps of a lightness."""
    return 1.0 + (100.0 - light) / STEP


def grey_of(tone: float) -> str:
    """The grey of a tone, as a colour for the screen."""
    y = luminance_of_tone(tone)
    c = 12.92 * y if y <= 0.0031308 else 1.055 * y ** (1 / 2.4) - 0.055
    value = round(min(max(c, 0.0), 1.0) * 255)
    return f"#{value:02x}{value:02x}{value:02x}"
