"""The few simplest causes that explain how a drawing is off: Bayesian model comparison.

A model is a set of causes. Its amounts b have normal priors N(0, diag(p^2)) with the sizes that
hands and eyes usually reach, so that the evidence of the offsets d is known in closed form. With X
the columns of its causes and V = s^2 C + t^2 S (see `drawing`), it is
d ~ N(0, V + X diag(p^2) X'), and

    -2 ln evidence = ln det V + d'V^-1 d + ln det M - c'M^-1 c + sum ln p^2,
    M = X'V^-1 X + diag(p^-2),  c = X'V^-1 d.

What is the artist's own (place, size) has a flat prior. To that comes the price of naming each
cause: 2 ln(alternatives), one of so many of its kind, so that a landmark among forty must say more
for itself than one of five ways in which a whole goes wrong. This is the criterion, instead of AIC
or BIC, because causes differ most in how many like them there are, and BIC charges all parameters
alike. The noise's factors s and t are chosen anew for every model, from a small table. Amounts are
told as least squares has them, without the pull of their priors.

The search adds the cause that lowers the sum most, lets groups grow or shrink by a landmark, takes
back what no longer helps, and stops when nothing lowers it. All is turned to the axes in which V is
diagonal once.

Sources: H. Jeffreys (1961), *Theory of Probability*, on evidence and Ockham's razor; D. MacKay
(1992), *Bayesian interpolation*.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

import numpy as np

from zirkel.core.arrays import Array, Indices
from zirkel.core.check.causes import CAUSES, Candidate
from zirkel.core.check.causes.base import Fault
from zirkel.core.check.causes.some import moved
from zirkel.core.check.causes.together import LARGEST_SHARE, resized, turned
from zirkel.core.check.drawing import Drawing

MEASURED = (1.0, 1.25, 1.6, 2.0, 2.6)
SCATTERED = (4.0, 6.0, 9.0)
READ = (0.0, 0.35, 0.7, 1.0)
"""Factors on what measuring the drawing errs, and on what the readings leave open. Those beyond
what any measuring errs say that marks lie scattered for no common cause."""

UNUSUAL, SCATTER = 1.5, 5.0
"""What another factor than the first costs: the stated errors are believed where they do."""

MOST_CAUSES = 5
WORTH = 1.0
"""By how much -2 ln evidence must fall for one more cause: none is named for nothing."""

CLOSE = 4.0
"""How near another first cause may come, in the same measure, before it is told as well."""

FLAT = 1e6

A_MEMBER = 2.0
"""Among how many a set is one more for every landmark that none of its kind was told to have."""

GROWING: dict[str, Callable[[Drawing, Indices, Candidate], Candidate]] = {
    "group": lambda drawing, members, _: moved(drawing, members),
    "landmark": lambda drawing, members, _: moved(drawing, members),
    "group_size": lambda drawing, members, of: resized(
        drawing, members, A_MEMBER * of.alternatives
    ),
    "group_tilt": lambda drawing, members, of: turned(drawing, members, A_MEMBER * of.alternatives),
}
"""Causes whose landmarks are found by taking in and letting go, and how one is made of some."""

ALIKE = 0.6
"""Share of their landmarks that two causes have in common where they are told as one."""

BENDS, STRAIGHT_MM = 6, 0.05
"""How often amounts are found again for what they do exactly, and from how little on not."""


@dataclass(frozen=True, slots=True)
class Model:
    """Causes at work together: amounts of each, -2 ln evidence with all prices, and the factors s
    and t on what measuring errs and on what the readings leave open."""

    causes: tuple[Candidate, ...]
    amounts: tuple[Array, ...]
    score: float
    measure: float
    read: float


def moved_in_turn(
    drawing: Drawing, causes: Sequence[Candidate], amounts: Sequence[Array]
) -> list[Array]:
    """(n, 2) how far each cause moved every landmark, one after the other: together exactly what
    they do together, however large they are."""
    at, made = drawing.planned - drawing.middle, []
    for cause, amount in zip(causes, amounts, strict=True):
        if cause.exact is None:
            made.append((cause.columns @ amount).reshape(-1, 2))
        else:
            made.append(cause.exact(amount, at) - at)
        at = at + made[-1]
    return made


def fault_of(
    drawing: Drawing, cause: Candidate, amount: Array, moved_by: Array | None = None
) -> Fault:
    """A cause of that amount as a fault; `moved_by` (n, 2) where it is known what it did."""
    if moved_by is None:
        (moved_by,) = moved_in_turn(drawing, [cause], [amount])
    whole = len(cause.members) == len(drawing.ids)
    names = () if whole else tuple(drawing.ids[i] for i in cause.members)
    return Fault(cause.kind, cause.told(amount), names, moved_by)


def same_cause(one: Candidate, other: Candidate) -> bool:
    """Whether both say the same in effect: of one kind, about mostly the same landmarks."""
    if one.kind != other.kind and not {one.kind, other.kind} <= {"group", "landmark"}:
        return False
    a, b = set(one.members.tolist()), set(other.members.tolist())
    return len(a & b) > ALIKE * len(a | b)


class Search:
    """The search over sets of causes, with everything turned to the axes of S."""

    def __init__(self, drawing: Drawing) -> None:
        self._drawing = drawing
        self._d = drawing.axes.T @ drawing.off.ravel()
        self._free = drawing.axes.T @ drawing.free
        self._all = [each for offers in CAUSES for each in offers(drawing)]
        self._noises = [
            (s, t, s**2 + t**2 * drawing.spread,
             UNUSUAL * ((s != MEASURED[0]) + (t not in (READ[0], READ[-1])))
             + SCATTER * (s in SCATTERED))
            for s in (*MEASURED, *SCATTERED) for t in READ
        ]  # fmt: skip

    def best(self) -> Model:
        """Causes added while they help, refined, and taken back when they no longer do."""
        model = self.fitted(())
        for _ in range(MOST_CAUSES):
            found = self._with_one_more(model)
            if found is None:
                break
            model = self._thinned(self._grown(found))
        return model

    def unpulled(self, model: Model) -> Model:
        """The same causes with the amounts of least squares."""
        if not model.causes:
            return model
        columns = [self._free, *(self._drawing.axes.T @ each.columns for each in model.causes)]
        x = np.hstack(columns)
        root = np.sqrt(model.measure**2 + model.read**2 * self._drawing.spread)
        at = np.cumsum([each.shape[1] for each in columns])
        amounts = model.amounts
        for _ in range(BENDS):
            d = self._d - self._bent(model.causes, amounts)
            b = np.linalg.lstsq(x / root[:, None], d / root, rcond=None)[0]
            amounts = tuple(np.asarray(b[i:j], float) for i, j in pairwise(at))
        return replace(model, amounts=amounts)

    def _bent(self, causes: Sequence[Candidate], amounts: Sequence[Array]) -> Array:
        """(2n,) what these amounts do beyond their columns, on the axes of S."""
        if not any(each.exact for each in causes):
            return np.zeros_like(self._d)
        moved = sum(moved_in_turn(self._drawing, causes, amounts), np.zeros(2)).ravel()
        linear = sum((c.columns @ a for c, a in zip(causes, amounts, strict=True)), np.zeros(1))
        made: Array = self._drawing.axes.T @ (moved - linear)
        return made

    def rank(self, model: Model, number: int) -> tuple[int, float]:
        """A shift comes after what the whole suffers else, as it follows from where that has its
        middle; then what leaves most unexplained when it is left out."""
        kinds = {each.kind for each in model.causes}
        late = model.causes[number].kind == "shift" and bool(
            kinds & {"size", "tilt", "stretch", "lean"}
        )
        rest = tuple(each for i, each in enumerate(model.causes) if i != number)
        return int(late), model.score - self.fitted(rest).score

    def runner_up(self, model: Model, order: Sequence[int]) -> Fault | None:
        """Another kind of cause in place of the first that explains nearly as much."""
        if not model.causes:
            return None
        first = model.causes[order[0]]
        rest = tuple(each for each in model.causes if each is not first)
        base = self.fitted(rest)
        others = sorted(
            (
                (score, each)
                for score, each in self.offers(base, self._all)
                if each.kind != first.kind
            ),
            key=lambda pair: pair[0],
        )
        if not others or others[0][0] > model.score + CLOSE:
            return None
        made = self.unpulled(self.fitted((*rest, others[0][1])))
        return fault_of(self._drawing, made.causes[-1], made.amounts[-1])

    def sure(self, model: Model, order: Sequence[int]) -> float | None:
        """The chance that the first fault is the right one: its share of the evidence among all
        that could stand in its place, nothing included. Counted in trials it is as often right."""
        if not model.causes:
            return None
        first = model.causes[order[0]]
        rest = tuple(each for each in model.causes if each is not first)
        base = self.fitted(rest)
        alike, others = [model.score], [base.score]
        for score, each in self.offers(base, self._all):
            (alike if same_cause(each, first) else others).append(score)
        best = min(*alike, *others)
        mine, theirs = (
            float(np.exp(-0.5 * (np.array(each) - best)).sum()) for each in (alike, others)
        )
        return mine / (mine + theirs)

    def fitted(self, causes: tuple[Candidate, ...]) -> Model:
        """These causes with the noise and the amounts that suit them best; found again while what
        large amounts do is not what their columns tell."""
        model = self._linear(causes, self._d)
        bent = np.zeros_like(self._d)
        for _ in range(BENDS):
            now = self._bent(causes, model.amounts)
            if np.abs(now - bent).max(initial=0.0) < STRAIGHT_MM:
                break
            bent = now
            model = self._linear(causes, self._d - bent)
        return model

    def _linear(self, causes: tuple[Candidate, ...], d: Array) -> Model:
        columns = [self._free, *(self._drawing.axes.T @ each.columns for each in causes)]
        x = np.hstack(columns)
        prior = np.concatenate(
            [np.full(self._free.shape[1], FLAT), *(each.prior for each in causes)]
        )
        mean = np.concatenate(
            [np.zeros(self._free.shape[1]), *(np.full(len(c.prior), c.mean) for c in causes)]
        )
        price = sum(each.price for each in causes) + float((mean**2 / prior**2).sum())
        best: Model | None = None
        for s, t, v, unusual in self._noises:
            weighted = x / v[:, None]
            m = x.T @ weighted + np.diag(prior**-2.0)
            c = weighted.T @ d + mean / prior**2
            b = np.linalg.solve(m, c) if len(c) else c
            score = float(np.log(v).sum() + (d**2 / v).sum() - c @ b)
            score += float(np.linalg.slogdet(m)[1] + 2.0 * np.log(prior).sum()) + price + unusual
            if best is None or score < best.score:
                at = np.cumsum([each.shape[1] for each in columns])
                amounts = tuple(np.asarray(b[i:j], float) for i, j in pairwise(at))
                best = Model(causes, amounts, score, s, t)
        assert best is not None
        return best

    def offers(self, model: Model, pool: Sequence[Candidate]) -> list[tuple[float, Candidate]]:
        """Score with one more cause, for each candidate, at the model's own noise."""
        v = model.measure**2 + model.read**2 * self._drawing.spread
        d = self._d - self._bent(model.causes, model.amounts)
        everyone = len(self._drawing.ids)
        # What the whole suffers has one amount: it is never named twice.
        named = {each.kind for each in model.causes if len(each.members) == everyone}
        pool = [e for e in pool if len(e.members) < everyone or e.kind not in named]
        x = np.hstack([self._free, *(self._drawing.axes.T @ each.columns for each in model.causes)])
        prior = np.concatenate(
            [np.full(self._free.shape[1], FLAT), *(each.prior for each in model.causes)]
        )
        m = x.T @ (x / v[:, None]) + np.diag(prior**-2.0)
        inverse = np.linalg.inv(m) if len(m) else m
        left = d / v - (x / v[:, None]) @ (inverse @ (x.T @ (d / v)))
        offers: list[tuple[float, Candidate]] = []
        for amounts in sorted({each.columns.shape[1] for each in pool}):
            lot = [each for each in pool if each.columns.shape[1] == amounts]
            own = np.stack([self._drawing.axes.T @ each.columns for each in lot])
            wide = own / v[None, :, None]
            shared = np.einsum("uk,mup->mkp", x, wide)
            gram = np.einsum("mup,muq->mpq", own, wide)
            gram -= np.einsum("mkp,kl,mlq->mpq", shared, inverse, shared)
            usual = np.stack([each.prior for each in lot])
            gram += np.einsum("mp,pq->mpq", usual**-2.0, np.eye(usual.shape[1]))
            mean = np.array([[each.mean] for each in lot]) / usual**2
            c = np.einsum("mup,u->mp", own, left) + mean
            gain = np.einsum("mp,mp->m", c, np.linalg.solve(gram, c[:, :, None])[:, :, 0])
            cost = np.linalg.slogdet(gram)[1] + 2.0 * np.log(usual).sum(axis=1)
            cost += [each.price for each in lot] + (mean**2 * usual**2).sum(axis=1)
            offers += list(zip((model.score - gain + cost).tolist(), lot, strict=True))
        return offers

    def _with_one_more(self, model: Model) -> Model | None:
        """The best of the few candidates that promise most, each with its own noise."""
        offers = sorted(self.offers(model, self._all), key=lambda pair: pair[0])[:8]
        made = [self.fitted((*model.causes, each)) for _, each in offers]
        best = min(made, key=lambda each: each.score, default=None)
        return best if best is not None and best.score < model.score - WORTH else None

    def _grown(self, model: Model) -> Model:
        """Groups let go of landmarks and take up others, while that lowers the score."""
        for number, cause in enumerate(model.causes):
            if cause.kind not in GROWING:
                continue
            improved = True
            while improved:
                improved = False
                for each in self._neighbours(model.causes[number]):
                    causes = list(model.causes)
                    causes[number] = each
                    other = self.fitted(tuple(causes))
                    if other.score < model.score - 1e-9:
                        model, improved = other, True
        return model

    def _neighbours(self, cause: Candidate) -> list[Candidate]:
        """The same group with a landmark more or less, or with a shape."""
        n = len(self._drawing.ids)
        held = frozenset(cause.members.tolist())
        sets = {held ^ {i} for i in range(n)}
        make, most = GROWING[cause.kind], n - 1.0
        if cause.kind.startswith("group_"):
            most = LARGEST_SHARE * n
            own = [frozenset(each.tolist()) for _, each in self._drawing.groups]
            sets |= {held | each for each in own} | {held - each for each in own if each < held}
        return [
            make(self._drawing, np.array(sorted(each)), cause)
            for each in sorted(sets, key=sorted)
            if 3 <= len(each) <= most and each != held
        ]

    def _thinned(self, model: Model) -> Model:
        """Without the causes that do not help any more."""
        while model.causes:
            fewer = [
                self.fitted(tuple(each for j, each in enumerate(model.causes) if j != i))
                for i in range(len(model.causes))
            ]
            best = min(fewer, key=lambda each: each.score)
            if best.score > model.score - WORTH:
                break
            model = best
        return model
