"""What is said where a drawing that should be at sight-size is not."""

from zirkel.core.words.base import Words


def say_off_sight_size(words: Words, sight_size_mm: float | None) -> str:
    """Why nothing pulls straight across, and what to set the unit to."""
    off = "Not at sight-size, so heights don't pull across: "
    if sight_size_mm is None:
        return f"{off}measure the unit from your spot, on a ruler held at the sheet, and enter it."
    return f"{off}from your spot the unit measures {words.length(sight_size_mm)}."
