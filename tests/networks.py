"""Studies made for tests: the triangle worked by hand, and random networks with known truth."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.sightings import Drop, Level, Match, Part, Run, Sighting, Span, Tilt
from zirkel.core.simulation.observer import observe, true_value, with_value
from zirkel.core.study import Landmark, Sheet, Study, UnitPair

SHEET = Sheet(297.0, 420.0)
UNIT = UnitPair("a", "b", "plumb", "unit")


def study_of(
    places: dict[str, tuple[float, float]],
    sightings: Sequence[Sighting] = (),
    unit: UnitPair | None = UNIT,
    tiers: dict[str, int] | None = None,
) -> Study:
    """A study whose thumbnail is at the given places, in units."""
    landmarks = tuple(
        Landmark(name, name, (tiers or {}).get(name, 1), place) for name, place in places.items()
    )
    return Study("Test", "comparative", SHEET, landmarks, tuple(sightings), unit)


def hand_study() -> Study:
    """Unit a-b upright; c placed by one level span, one level line and one drop.

    x(c) is read twice: 2.0 as a span of sigma sqrt(0.03^2 + 0.05^2) = 0.058310 and 2.1 as a drop of
    sigma sqrt(0.03^2 + 0.0525^2) = 0.060467. Weighted mean: weights 294.12 and 273.50, so
    x = (588.24 + 574.36) / 567.62 = 2.048184, sd = 1 / sqrt(567.62) = 0.041973.
    """
    places = {"a": (0.0, 0.0), "b": (0.0, 1.0), "c": (1.9, 0.1)}
    return study_of(
        places,
        (
            Span(id="s1", start="a", end="c", along="level", towards="right", units=2.0),
            Drop(id="s2", start="a", end="c", offset=2.1),
            Level(id="s3", start="a", end="c", offset=0.0),
            Drop(id="s4", start="a", end="b", offset=0.0),
        ),
    )


class RandomNetwork:
    """n landmarks at random true places, tied together by readings of mixed kinds."""

    def __init__(
        self,
        seed: int,
        n: int = 20,
        per: int = 3,
        kinds: str = "stdlpm",
        tap: float = 0.15,
        noise: bool = True,
        drifts: tuple[float, ...] = (0.0, 0.0),
        firm: bool = False,
    ) -> None:
        """`firm`: every landmark's first readings are a drop and a level, so that it is held."""
        self.rng = np.random.default_rng(seed)
        self.kinds = kinds
        self.noise = noise
        self.firm: str | None = None
        self.drifts = drifts
        self.names = [f"p{i}" for i in range(n)]
        self.truth = dict(zip(self.names, self.rng.uniform(0.0, 3.0, (n, 2)), strict=True))
        self.truth["p0"] = np.zeros(2)
        self.truth["p1"] = np.array([self.rng.normal(0.0, 0.1), 1.0])
        self.readings: list[Sighting] = []
        for i in range(1, n):
            wanted = per if i > 1 else 2
            before = len(self.readings)
            while len(self.readings) < before + wanted:
                had = len(self.readings) - before
                self.firm = "dl"[had] if firm and had < 2 else None
                self._add(int(self.rng.integers(i)), i)
        taps = np.array([self.truth[name] for name in self.names])
        way = self.rng.normal(0.0, 1.0, (n, 2))
        taps = (taps + tap * way / np.hypot(*way.T)[:, None]) * 120.0 + 40.0
        landmarks = tuple(
            Landmark(name, name, 1 + i % 3, (float(t[0]), float(t[1])))
            for i, (name, t) in enumerate(zip(self.names, taps, strict=True))
        )
        self.study = Study(
            "Random", "comparative", SHEET, landmarks, tuple(self.readings),
            UnitPair("p0", "p1", "plumb", "unit"),
        )  # fmt: skip

    def places(self) -> Array:
        """True places (n, 2)."""
        return np.array([self.truth[name] for name in self.names])

    def _add(self, i: int, j: int) -> None:
        a, b = self.names[i], self.names[j]
        d = self.truth[b] - self.truth[a]
        if np.hypot(*d) < 0.3:
            return
        take = int(self.rng.integers(len(self.drifts)))
        kind = self.firm or self.kinds[int(self.rng.integers(len(self.kinds)))]
        asked = self._asked(kind, a, b, d, take)
        if asked is None:
            return
        drift = self.drifts[take]
        if not self.noise:
            value = true_value(asked, self.truth, drift)
            self.readings.append(with_value(asked, value))
        else:
            self.readings.append(observe(asked, self.truth, self.rng, drift, rounded=False))

    def _asked(self, kind: str, a: str, b: str, d: Array, take: int) -> Sighting | None:
        name = f"s{len(self.readings)}"
        along = ("straight", "level", "plumb")[int(self.rng.integers(3))]
        c, e = (self.names[int(each)] for each in self.rng.integers(len(self.names), size=2))
        length = np.hypot(*d) if along == "straight" else abs(d[0 if along == "level" else 1])
        if kind == "s":
            return self._span(name, a, b, d, along, length, take)
        if kind == "t":
            return Tilt(id=name, start=a, end=b, degrees=0.0)
        if kind == "d":
            return Drop(id=name, start=a, end=b)
        if kind == "l":
            return Level(id=name, start=a, end=b)
        if kind == "p" and c not in (a, b) and length > 0.5:
            part = Part(id=name, start=a, end=b, at=c, along=along, fraction=0.5)
            return part if 0.0 < true_value(part, self.truth) < 1.0 else None
        if kind == "m" and c != e and {a, b} != {c, e} and length > 0.3:
            match = Match(id=name, first=(a, b), second=(c, e), along=along, ratio=1.0)
            return match if 0.3 < true_value(match, self.truth) < 3.0 else None
        if kind == "r":
            return Run(id=name, start=a, end=b, hits=c) if c not in (a, b) else None
        return None

    def _span(
        self, name: str, a: str, b: str, d: Array, along: str, length: float, take: int
    ) -> Span | None:
        if length < 0.15:
            return None
        towards = {
            "level": "right" if d[0] > 0 else "left",
            "plumb": "down" if d[1] > 0 else "up",
        }.get(along)
        return Span(
            id=name, start=a, end=b, along=along, towards=towards, units=1.0, take=f"t{take + 1}"
        )
