"""What the comparisons say: the tone of every area, which reading the others contradict and round
which chain, and what stands loose."""

from __future__ import annotations

from collections import deque
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.light import ToneArea, ToneReading
from zirkel.core.tones.own_eye import own_scale, scaled
from zirkel.core.tones.probit import Compared, Mode, compared, find_mode, likelihood, tied_parts

DOUBTFUL = 3.29
"""Normal deviate beyond which a reading is doubted: once in a thousand, two-sided."""

SUSPECT = 2.0
"""Deviate by the quick sum from which it is computed again without the reading, exactly."""

MOST_DOUBTS = 20


@dataclass(frozen=True, slots=True)
class Tone:
    """An area's tone and its standard deviation, in steps; None where it is loose."""

    tone: float | None
    sd: float | None


@dataclass(frozen=True, slots=True)
class Seen:
    """A reading against all others: the difference (or step) they expect, and the normal deviate of
    the chance of one as far out; positive where it says darker than they do."""

    expected: float
    standardized: float


@dataclass(frozen=True, slots=True)
class ToneDoubt:
    """A reading that the others contradict; `cycle` the chain that does: each darker than the next
    by what was said, or alike, and so round to the first."""

    reading: str
    standardized: float
    expected: float
    cycle: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Estimate:
    """All that the comparisons tell. `anchored` if a step of the grey card ties the count; else
    tones are counted from the lightest area as 0. `mode` and `index` are what it was computed
    from, over all areas."""

    anchored: bool
    tones: Mapping[str, Tone]
    readings: Mapping[str, Seen]
    doubts: tuple[ToneDoubt, ...]
    loose: tuple[str, ...]
    index: Mapping[str, int]
    of: Compared
    mode: Mode
    eye: float
    """By how much this eye's comparisons err more than usual; 1 where nothing tells."""

    def difference(self, first: str, second: str) -> tuple[float, float]:
        """How much darker one area is than another, and the sd of that."""
        i, j = self.index[first], self.index[second]
        tones, c = self.mode.tones[0], self.mode.covariance[0]
        variance = c[i, i] + c[j, j] - 2.0 * c[i, j]
        return float(tones[i] - tones[j]), float(np.sqrt(max(variance, 0.0)))


def estimate(areas: Sequence[ToneArea], readings: Sequence[ToneReading]) -> Estimate:
    """The tones of all areas. Never raises on a valid study, whatever is missing."""
    index = {each.id: i for i, each in enumerate(areas)}
    held = [each for each in readings if not each.struck and set(each.areas) <= set(index)]
    of = compared(held, index)
    use = np.ones((1, len(held)))
    mode = find_mode(of, use)
    known, anchored = _known(of)
    seen = _against_others(of, use[0], mode)
    # What stands out is no sign of how this eye errs: one slip would pass for a rough eye.
    sound = np.where(np.abs(seen[1]) > DOUBTFUL, 0.0, 1.0)
    eye = own_scale(of, sound)
    if eye != 1.0:
        of = scaled(of, eye)
        mode = find_mode(of, use)
        seen = _against_others(of, use[0], mode)
    return Estimate(
        anchored=anchored,
        tones=_told(index, mode, known, anchored),
        readings={
            each.id: Seen(float(e), float(z))
            for each, e, z in zip(held, *seen, strict=True)
        },
        doubts=_doubts(of, held, mode, seen),
        loose=tuple(name for name, i in index.items() if i not in known),
        index=index, of=of, mode=mode, eye=eye,
    )  # fmt: skip


def _known(of: Compared) -> tuple[set[int], bool]:
    """Numbers of the areas that are tied to the rest, and whether the grey card ties them."""
    parts = tied_parts(of)
    steps = {int(i) for row in of.rows[of.exact] for i in np.flatnonzero(row)}
    tied = [part for part in parts if steps & set(part.tolist())]
    if tied:
        return {int(i) for part in tied for i in part}, True
    largest = max(parts, key=len, default=np.zeros(0, dtype=np.intp))
    return (set(largest.tolist()) if len(largest) > 1 else set()), False


def _told(index: Mapping[str, int], mode: Mode, known: set[int], anchored: bool) -> dict[str, Tone]:
    tones, c = mode.tones[0], mode.covariance[0]
    base = None if anchored or not known else min(known, key=lambda i: tones[i])
    made = {}
    for name, i in index.items():
        if i not in known:
            made[name] = Tone(None, None)
            continue
        value, variance = tones[i], c[i, i]
        if base is not None:
            value, variance = value - tones[base], c[i, i] + c[base, base] - 2.0 * c[i, base]
        made[name] = Tone(float(value), float(np.sqrt(max(variance, 0.0))))
    return made


def _against_others(of: Compared, use: Array, mode: Mode) -> tuple[Array, Array]:
    """(m,) what the others expect of each reading, and its deviate. First by what is left of the
    posterior when the reading's own part is taken out, then computed again where that is large."""
    tones, c = mode.tones[0], mode.covariance[0]
    d = of.rows @ tones
    _, slope, bend = likelihood(of, d)
    variance = np.einsum("mi,ij,mj->m", of.rows, c, of.rows)
    left = np.maximum(1.0 - bend * variance * use, 1e-9)
    without = variance / left
    expected = d - without * slope * use
    z = _deviate(of, expected, without)
    again = np.flatnonzero((np.abs(z) > SUSPECT) & (use > 0))
    if len(again):
        one_less = np.repeat(use[None], len(again), axis=0)
        one_less[np.arange(len(again)), again] = 0.0
        rows = of.rows[again]
        found = find_mode(of, one_less, np.repeat(mode.tones, len(again), axis=0))
        expected[again] = (rows * found.tones).sum(axis=1)
        without[again] = np.einsum("bi,bij,bj->b", rows, found.covariance, rows)
        z = _deviate(of, expected, without)
    return expected, z


def _deviate(of: Compared, expected: Array, variance: Array) -> Array:
    """How far out what was seen lies, in standard deviations of what was to be seen."""
    sd = np.sqrt(variance + of.sigma**2)
    above, below = (of.low - expected) / sd, (of.high - expected) / sd
    made: Array = np.where(above > 0, above, np.where(below < 0, below, 0.0))
    return made


def _doubts(
    of: Compared, held: Sequence[ToneReading], mode: Mode, seen: tuple[Array, Array]
) -> tuple[ToneDoubt, ...]:
    """The worst struck, computed again, and so on until none stands out."""
    use = np.ones(len(held))
    found: list[ToneDoubt] = []
    while len(found) < MOST_DOUBTS:
        expected, z = seen
        standing = np.where(use > 0, np.abs(z), 0.0)
        worst = int(np.argmax(standing)) if len(standing) else 0
        if not len(standing) or standing[worst] <= DOUBTFUL:
            break
        use[worst] = 0.0
        rest = [each for each, counts in zip(held, use, strict=True) if counts > 0]
        found.append(
            ToneDoubt(held[worst].id, float(z[worst]), float(expected[worst]),
                      _cycle(held[worst], rest))
        )  # fmt: skip
        mode = find_mode(of, use[None], mode.tones)
        seen = _against_others(of, use, mode)
    return tuple(found)


def _cycle(doubted: ToneReading, others: Sequence[ToneReading]) -> tuple[str, ...]:
    """The shortest chain by which the others contradict a comparison: from its second area, each
    darker than the next, to its first; by any comparisons where there is none such."""
    if doubted.first is None or doubted.second is None:
        return ()
    darker: dict[str, list[str]] = {}
    any_way: dict[str, list[str]] = {}
    for each in others:
        if each.first is None or each.second is None:
            continue
        darker.setdefault(each.first, []).append(each.second)
        if each.kind == "alike":
            darker.setdefault(each.second, []).append(each.first)
        for a, b in ((each.first, each.second), (each.second, each.first)):
            any_way.setdefault(a, []).append(b)
    for links in (darker, any_way):
        path = _path(links, doubted.second, doubted.first)
        if path:
            return (doubted.first, *path[:-1])
    return ()


def _path(links: Mapping[str, Sequence[str]], start: str, end: str) -> list[str]:
    before: dict[str, str] = {start: start}
    queue = deque([start])
    while queue:
        here = queue.popleft()
        if here == end:
            path = [end]
            while path[-1] != start:
                path.append(before[path[-1]])
            return path[::-1]
        for each in links.get(here, ()):
            if each not in before:
                before[each] = here
                queue.append(each)
    return []
