"""A series: a plan of work, studies from easy to hard and what each trains."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class SeriesStep:
    """One study of a series: the scene, what it trains, and how to go about it."""

    scene: str
    title: str
    trains: str
    how: str


@dataclass(frozen=True, slots=True)
class Series:
    """A plan of work."""

    name: str
    title: str
    note: str
    steps: tuple[SeriesStep, ...]
