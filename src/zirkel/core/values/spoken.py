"""Numbers as they are spoken, or as a device that takes dictation writes them down.

    value    = [minus] (whole [[and] part] | part | whole point digit+) [unit]
    part     = [count | a] (half | third | quarter | ... ) [of a | a] | n/m
    hour     = whole minutes: four thirty, ten fifteen

Dictation mixes words and figures ("2 and a half"), and hears "to" for two at the beginning.
"""

from __future__ import annotations

import re

_ONES = {
    "zero": 0, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7,
    "eight": 8, "nine": 9, "ten": 10, "eleven": 11, "twelve": 12, "thirteen": 13, "fourteen": 14,
    "fifteen": 15, "sixteen": 16, "seventeen": 17, "eighteen": 18, "nineteen": 19,
}  # fmt: skip
_TENS = {"twenty": 20, "thirty": 30, "forty": 40, "fifty": 50, "sixty": 60, "seventy": 70,
         "eighty": 80, "ninety": 90}  # fmt: skip
_PARTS = {"half": 2, "halves": 2, "third": 3, "quarter": 4, "fourth": 4, "fifth": 5, "sixth": 6,
          "seventh": 7, "eighth": 8, "ninth": 9, "tenth": 10, "twelfth": 12,
          "sixteenth": 16}  # fmt: skip
_PARTS |= {f"{name}s": below for name, below in _PARTS.items() if name not in ("half", "halves")}
_UNITS = {"millimetre": "mm", "millimeter": "mm", "centimetre": "cm", "centimeter": "cm",
          "metre": "m", "meter": "m", "inch": "in", "degree": "°", "unit": "",
          "time": ""}  # fmt: skip
_UNITS |= {f"{name}s": sign for name, sign in _UNITS.items()} | {"inches": "in"}
_UNITS |= {"mm": "mm", "cm": "cm", "°": "°"}
_HEARD = {"to": "two", "too": "two", "for": "four", "fore": "four", "won": "one", "ate": "eight",
          "tree": "three", "sex": "six", "nought": "zero", "oh": "zero", "none": "zero",
          "nothing": "zero"}  # fmt: skip
LONGEST = 12
"""Words of the longest number that anybody says."""


def as_typed(text: str) -> str | None:
    """The number as it would be typed ("2 3/8", "1.25", "-1/2", "12 cm", "45°"); None where it is
    nothing that is spoken so."""
    words = _words(text)
    if not 0 < len(words) <= LONGEST:
        return None
    unit = ""
    if words[-1] in _UNITS and len(words) > 1:
        unit = _UNITS[words.pop()]
        while len(words) > 1 and words[-1] in ("a", "of"):
            words.pop()
    minus = bool(words) and words[0] in ("minus", "negative")
    words = words[1:] if minus else words
    if words:
        words[0] = _HEARD.get(words[0], words[0])
    value = _decimal(words) or _mixed(words)
    if value is None:
        return None
    return f"{'-' if minus else ''}{value}{unit if unit == '°' else f' {unit}' if unit else ''}"


def as_hour(text: str) -> str | None:
    """An hour and minutes said one after the other, as they would be typed: "four thirty" is
    "4:30"."""
    words = _words(text)
    for cut in range(1, len(words)):
        hour, minutes = _whole(words[:cut]), _whole(words[cut:])
        if hour is not None and minutes is not None and hour <= 12 and 5 <= minutes < 60:
            return f"{hour}:{minutes:02d}"
    return None


def _words(text: str) -> list[str]:
    plain = text.strip().lower().rstrip(".!").replace("°", " °")
    return re.sub(r"(?<=[a-z])-(?=[a-z])|,(?=\s)", " ", plain).split()


def _decimal(words: list[str]) -> str | None:
    if "point" not in words:
        return None
    at = words.index("point")
    whole = _whole(words[:at]) if at else 0
    digits = [_whole([each]) for each in words[at + 1 :]]
    if whole is None or not digits or None in digits:
        return None
    return f"{whole}.{''.join(map(str, digits))}"


def _mixed(words: list[str]) -> str | None:
    """A whole, a part, or both."""
    for cut in (len(words), *range(len(words))):
        rest = words[cut:]
        whole = _whole(words[:cut]) if cut else 0
        if whole is None:
            continue
        if not rest:
            return str(whole) if cut else None
        part = _part(rest[1:] if rest[0] == "and" and cut else rest)
        if part is not None:
            return f"{whole} {part}" if cut else part
    return None


def _part(words: list[str]) -> str | None:
    if len(words) == 1 and re.fullmatch(r"\d+[/⁄]\d+|[¼-¾⅐-⅞]", words[0]):
        return words[0]
    if not words or words[-1] not in _PARTS:
        return None
    count = words[:-1]
    above = 1 if count in ([], ["a"], ["an"]) else _whole(count)
    return None if not above else f"{above}/{_PARTS[words[-1]]}"


def _whole(words: list[str]) -> int | None:
    """0 to 999."""
    if "hundred" in words:
        return _hundreds(words)
    if len(words) == 2:
        tens, ones = _TENS.get(words[0]), _ONES.get(words[1], 0)
        return tens + ones if tens and 0 < ones < 10 else None
    if len(words) != 1:
        return None
    word = words[0]
    if word.isdecimal():
        return int(word) if len(word) <= 3 else None
    return (_ONES | _TENS).get(word)


def _hundreds(words: list[str]) -> int | None:
    at = words.index("hundred")
    hundreds = 1 if words[:at] == ["a"] else _whole(words[:at])
    rest = words[at + 1 :]
    rest = rest[1:] if rest[:1] == ["and"] else rest
    below = _whole(rest) if rest else 0
    if hundreds is None or below is None or not 0 < hundreds < 10 or below >= 100:
        return None
    return 100 * hundreds + below
