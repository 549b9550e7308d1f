"""What is said of light and dark, as one would say it with half-closed eyes."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from zirkel.core.light import ToneReading
from zirkel.core.tones.drawn import Drawn
from zirkel.core.tones.estimate import Estimate, Seen, ToneDoubt
from zirkel.core.tones.groups import Crossing
from zirkel.core.tones.overlaps import Layers
from zirkel.core.tones.plan import TonePlan
from zirkel.core.tones.what_next import NextComparison

Names = Mapping[str, str]

AMOUNT = {"little": "a little darker than", "clearly": "clearly darker than",
          "much": "much darker than"}  # fmt: skip
LEAST_DIFFERENCE, CLEARLY, MUCH = 0.4, 1.4, 3.0


def say_reading(reading: ToneReading, names: Names) -> str:
    """A comparison as it was made."""

    def of(name: str | None) -> str:
        return called(name or "", names)

    if reading.kind == "step":
        how = "read off the subject" if reading.computed else "on the grey card"
        return f"{of(reading.area)}: step {say_step(reading.step or 0.0)} {how}"
    if reading.kind == "alike":
        return f"{of(reading.first)} and {of(reading.second)} alike"
    return f"{of(reading.first)} {AMOUNT[reading.by or 'clearly']} {of(reading.second)}"


def called(name: str, names: Names) -> str:
    """An area's name in quotes where it would run into the sentence."""
    said = names.get(name, name)
    return f"“{said}”" if "," in said else said


def say_step(tone: float) -> str:
    """A tone, to a tenth at most."""
    return f"{tone:.1f}".removesuffix(".0")


def say_difference(d: float) -> str:
    """A difference expected, in the words in which it is asked."""
    size = abs(d)
    if size < LEAST_DIFFERENCE:
        return "about alike"
    much = "a little" if size < CLEARLY else "clearly" if size < MUCH else "much"
    return f"{much} {'darker' if d > 0 else 'lighter'}"


def say_question(each: NextComparison, names: Names) -> str:
    """What to look at next."""
    if each.kind == "step":
        return f"Hold the grey card to {names.get(each.first, each.first)}. Which step is it?"
    return "Squint. Which is darker, and by how much?"


def say_tone_doubt(
    doubt: ToneDoubt, reading: ToneReading, seen: Seen | None, names: Names
) -> tuple[str, str]:
    """What is contradicted, and by which chain."""
    head = f"{say_reading(reading, names)}?"
    if reading.kind == "step":
        return (
            head,
            f"The others make it step {say_step(doubt.expected)}. Hold the card to it again.",
        )
    first = called(reading.first or "", names)
    others = f"The others have {first} {say_difference(doubt.expected)}."
    if len(doubt.cycle) > 2:
        chain = ", darker than ".join(
            called(name, names) for name in (*doubt.cycle, doubt.cycle[0])
        )
        return head, f"{others} Round in a circle: {chain}. Look again with half-closed eyes."
    return head, f"{others} Look again with half-closed eyes."


def say_anchor(found: Estimate) -> str | None:
    """That the tones are only known against one another, or which areas nothing ties."""
    if not found.index:
        return "No areas yet: outline the large shapes of light and shadow first."
    if len(found.index) == 1:
        return "One area alone has nothing to be compared with: add another."
    if not found.readings:
        return "Nothing compared yet. Squint, and begin with the darkest against the lightest."
    if not found.anchored:
        return (
            "Known against one another only, counted from the lightest. Hold a grey card to one "
            "area to tie them to steps."
        )
    return None


def say_loose(found: Estimate, names: Names) -> str | None:
    """Which areas nothing ties to the others."""
    if not found.loose or not found.readings:
        return None
    told = [called(name, names) for name in found.loose]
    listed = ", ".join(told[:3]) + (f" and {len(told) - 3} more" if len(told) > 3 else "")
    return f"Not tied to the others yet: {listed}."


def say_crossing(each: Crossing, names: Names) -> str:
    """That a light is darker than a shadow."""
    light, shadow = (called(name, names) for name in (each.light, each.shadow))
    return (
        f"{light}, in the light, is darker than {shadow}, in shadow, by {say_step(each.by)} steps. "
        "Keep the families apart: one of them is on the wrong side, or was seen against the wrong "
        "neighbour."
    )


def say_mixed(
    plan: TonePlan, sides: Mapping[str, str], parted_at: int | None, names: Names
) -> str | None:
    """Which light and which shadow are one tone, and how many tones part them, if any do."""
    for each in plan.flat:
        light, shadow = (
            next((name for name in each.areas if sides.get(name) == side), None)
            for side in ("light", "shadow")
        )
        if light is None or shadow is None:
            continue
        both = f"{called(light, names)}, in the light, and {called(shadow, names)}, in shadow,"
        if parted_at:
            return f"In so few tones {both} are one. {parted_at} tones keep them apart."
        return (
            f"{both[:1].upper()}{both[1:]} are so alike that no number of tones parts them. A dark "
            "thing in the light may be as dark as that: judge each thing's light and shadow within "
            "the thing. Or look at the two again."
        )
    return None


def say_drawn(drawn: Drawn) -> str:
    """An area of the drawing against the plan, and what to do."""
    if drawn.sort == "too dark":
        return "too dark to take back: leave it, and tune the others to it"
    if drawn.sort == "as planned":
        return drawn.sort
    if drawn.sort == "dark":
        return f"{say_step(drawn.off)} steps too dark: lift it"
    return f"{say_step(-drawn.off)} steps too light: another layer"


def say_lines(
    found: Layers, shapes: Names, back: Sequence[tuple[str, str]], landmarks: Names
) -> tuple[str, ...]:
    """Line weights from front to back, and which edges fade."""
    return (*say_layers(found, shapes), *say_fading(back, landmarks))


def say_fading(back: Sequence[tuple[str, str]], names: Names) -> tuple[str, ...]:
    """Which edges to let fade, as they run back."""
    if not back:
        return ()
    own = "; ".join(f"{names.get(a, a)} to {names.get(b, b)}" for a, b in back)
    return (f"What runs back fades towards its far end: {own}.",)


def say_layers(found: Layers, names: Names) -> tuple[str, ...]:
    """From front to back, and circles that can't be."""
    made: list[str] = []
    known = sorted({each for each in found.layers.values() if each is not None})
    if len(known) > 1:
        for layer in known:
            own = [names.get(n, n) for n, each in found.layers.items() if each == layer]
            weight = "firmest line" if layer == known[0] else (
                "lightest line" if layer == known[-1] else "lighter line"
            )  # fmt: skip
            made.append(f"{layer}. {', '.join(own)}: {weight}.")
    made += [say_circle(each, names) for each in found.cycles]
    return tuple(made)


def say_circle(cycle: Sequence[str], names: Names) -> str:
    """That shapes stand before one another in a circle."""
    chain = " before ".join(names.get(name, name) for name in (*cycle, cycle[0]))
    return f"In a circle: {chain}. One of these is the wrong way round."
