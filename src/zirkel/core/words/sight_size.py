"""What is said where a drawing that should be at sight-size is not."""

from zirkel.core.words.base import Words


def say_off_sight_size(words: Words, sight_size_mm: float | None) -> str:
    """Why nothing pulls straight across, and what to set the unit to."""
    off = "Not at sight-size, so heights don't pull across: "
    if sight_size_mm is None:
        return f"{off}measure the unit from your spot, on a ruler held at the sheet, and enter it."
    return f"{off}from your spot the unit measures {words.length(sight_size_mm)}."


def say_taking_up(words: Words, now_mm: float | None, then_mm: float | None) -> str:
    """What taking up a school does to the drawing's size: `now_mm` the unit on the sheet, `then_mm`
    what it would be."""
    if now_mm is None or then_mm is None or abs(then_mm / now_mm - 1.0) < 1e-3:
        return "Only looked at. Taking it up leaves every mark where it is."
    return (
        f"Only looked at. Taking it up sets one {words.unit} to {words.length(round(then_mm, 1))}; "
        f"now it is {words.length(round(now_mm, 1))}."
    )
