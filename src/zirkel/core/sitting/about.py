"""What a study is of, as far as a sitting has to know it: a sitter is warm and rests, a building
stands in the sun and the traffic."""

from __future__ import annotations

from zirkel.core.study import PictureSubject, Study

OF_WORK = {
    "architecture": "building",
    "figure": "sitter",
    "portrait": "sitter",
    "still life": "still_life",
    "flat design": "copy",
}
"""What a scene is of, by what sort of work it serves."""

TONED_FROM = 2.5
"""Tone of the paper, in steps, from which it is toned."""


def about(study: Study, work: str | None = None) -> str | None:
    """What the artist said that it is of; else what scene, picture or the points named on it show;
    None where nothing does."""
    if study.about is not None:
        return study.about
    if work in OF_WORK:
        return OF_WORK[work]
    if study.heads or study.figures:
        return "sitter"
    return "copy" if isinstance(study.subject, PictureSubject) else None


def ground(study: Study) -> str | None:
    """Whether the paper is white or toned; None where that isn't said."""
    if study.tone_medium is None:
        return None
    return "toned" if study.tone_medium.paper >= TONED_FROM else "white"
