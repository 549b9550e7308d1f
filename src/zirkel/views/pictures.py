"""Pictures as subjects: looked at, and printed at true size."""

from __future__ import annotations

from zirkel.core.study import PictureSubject
from zirkel.core.subject.flat import crop_box
from zirkel.core.values.names import slug
from zirkel.errors import BadInput
from zirkel.pictures.views import opened_view, view_of
from zirkel.store.store import Store


def look_at(store: Store, subject: PictureSubject, longest: int) -> bytes:
    """The picture as it is looked at."""
    return view_of(store.pictures.get(subject.picture).path, subject, longest)


PRINTED_MOST_PX = 2400
LARGEST_PRINT_MM = 2000.0


def print_picture(store: Store, study_id: int) -> tuple[str, bytes]:
    """File name and PDF of the picture at its true size; BadInput while that isn't known."""
    study = store.get(study_id).study
    subject = study.subject
    if not isinstance(subject, PictureSubject):
        raise BadInput("subject", "this study has no picture as its subject to print")
    if subject.mm_per_px is None:
        raise BadInput("mm_per_px", "measure one length on the picture first, to give its size")
    left, top, right, bottom = crop_box(subject)
    width, height = (right - left) * subject.mm_per_px, (bottom - top) * subject.mm_per_px
    if max(width, height) > LARGEST_PRINT_MM:
        raise BadInput(
            "mm_per_px",
            f"the print would be {max(width, height) / 1000:.1f} m long: measure the length again",
        )
    picture = opened_view(store.pictures.get(subject.picture).path, subject, PRINTED_MOST_PX)
    # Only now: what draws papers takes long to load, and the start waits.
    from zirkel.paper.reference_print import reference_print  # noqa: PLC0415

    return f"{slug(study.title)}_print.pdf", reference_print(study.title, picture, width, height)
