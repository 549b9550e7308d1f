"""The eye's record of each artist: trials kept whole, and who the artists are.

Nobody has to have a name: until one is given, all trials are under ME. Trials are added and never
changed or taken away.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import Engine, func, select
from sqlalchemy.orm import Session

from zirkel.core.practice.trials import Trial, day_of, step_shown
from zirkel.core.values.names import slug
from zirkel.errors import BadInput, NotFound
from zirkel.store.clock import now
from zirkel.store.tables import ArtistRow, TrialRow

ME = "me"
MOST_TRIALS, MOST_ARTISTS = 200_000, 200


@dataclass(frozen=True, slots=True)
class Artist:
    """Who draws; the name is empty for who has not been named."""

    id: str
    name: str


@dataclass(frozen=True, slots=True)
class KeptTrial:
    """A trial as it is kept: when, in UTC, and what else its file says of it."""

    trial: Trial
    at: datetime
    extra: dict[str, Any] = field(default_factory=dict)

    @classmethod
    def made(cls, trial: Trial, at: datetime, extra: dict[str, Any] | None = None) -> KeptTrial:
        """With a time of any zone."""
        return cls(trial, at.astimezone(UTC).replace(tzinfo=None), extra or {})


class Practice:
    """Artists and their trials."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def _session(self, writes: bool) -> Session:
        return Session(self._engine.execution_options(writes=writes))

    def artists(self) -> list[Artist]:
        """Who was named, in that order; before them who was not, unless ME was named since."""
        with self._session(writes=False) as session, session.begin():
            named = [
                Artist(row.id, row.name)
                for row in session.scalars(select(ArtistRow).order_by(ArtistRow.added_at))
            ]
        return named if any(each.id == ME for each in named) else [Artist(ME, ""), *named]

    def artist(self, name: str | None) -> Artist:
        """One by id, the first for None; NotFound if there is none."""
        known = self.artists()
        found = known[0] if name is None else next((a for a in known if a.id == name), None)
        if found is None:
            raise NotFound(f"There is no artist “{name}” here: choose another name on the wall.")
        return found

    def name(self, name: str, whose: str | None) -> Artist:
        """Give an artist a name, or add another one (None). BadInput where it is taken."""
        said = " ".join(name.split())
        if not said:
            raise BadInput("name", "is empty: give a name to call the artist by")
        known = self.artists()
        if any(each.name.casefold() == said.casefold() and each.id != whose for each in known):
            raise BadInput("name", f"“{said}” is here already: choose it, or give another name")
        if len(known) >= MOST_ARTISTS:
            raise BadInput("name", f"{MOST_ARTISTS} artists are kept at most")
        with self._session(writes=True) as session, session.begin():
            row = None if whose is None else session.get(ArtistRow, whose)
            if row is not None:
                row.name = said
                return Artist(row.id, said)
            if whose is not None and whose != ME:
                raise NotFound(f"There is no artist “{whose}” here.")
            taken = {each.id for each in known}
            stem, number = slug(said, "artist"), 1
            key = whose or stem
            while whose is None and key in taken:
                number += 1
                key = f"{stem}_{number}"
            session.add(ArtistRow(id=key, name=said, added_at=now()))
            return Artist(key, said)

    def trials(self, artist: str) -> list[KeptTrial]:
        """All of an artist's trials, in the order of time."""
        with self._session(writes=False) as session, session.begin():
            rows = session.scalars(
                select(TrialRow)
                .where(TrialRow.artist_id == artist)
                .order_by(TrialRow.at, TrialRow.id)
            )
            return [
                KeptTrial(
                    Trial(row.exercise, row.measure, day_of(row.at), row.truth, row.answer,
                          row.seconds, row.choice, step_shown(row.extra, row.choice)),
                    row.at, dict(row.extra),
                )
                for row in rows
            ]  # fmt: skip

    def add(self, artist: str, trials: Sequence[KeptTrial], token: str | None = None) -> int:
        """Keep trials; how many were new. Those sent under a token that is known were kept then;
        one that is here already, to the last digit, is not kept twice."""
        with self._session(writes=True) as session, session.begin():
            if token is not None and session.scalar(
                select(func.count()).where(TrialRow.artist_id == artist, TrialRow.token == token)
            ):
                return 0
            held = session.scalar(select(func.count()).where(TrialRow.artist_id == artist)) or 0
            if held + len(trials) > MOST_TRIALS:
                raise BadInput("trials", f"{MOST_TRIALS} trials of one artist are kept at most")
            fresh = list(trials) if token is not None else self._new(session, artist, trials)
            session.add_all(
                TrialRow(
                    artist_id=artist, token=token, exercise=each.trial.exercise,
                    measure=each.trial.measure, at=each.at, truth=each.trial.truth,
                    answer=each.trial.answer, seconds=each.trial.seconds,
                    choice=each.trial.choice, extra=each.extra,
                )
                for each in fresh
            )  # fmt: skip
            return len(fresh)

    def _new(self, session: Session, artist: str, trials: Sequence[KeptTrial]) -> list[KeptTrial]:
        """Those that are not here yet; alike ones count as often as they come."""
        here: Counter[tuple[object, ...]] = Counter(
            (row.exercise, row.at, row.truth, row.answer)
            for row in session.scalars(select(TrialRow).where(TrialRow.artist_id == artist))
        )
        fresh = []
        for each in trials:
            key = (each.trial.exercise, each.at, each.trial.truth, each.trial.answer)
            if here[key] > 0:
                here[key] -= 1
            else:
                fresh.append(each)
        return fresh
