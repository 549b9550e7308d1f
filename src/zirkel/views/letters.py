"""Short letters to type for each landmark, from the letters of its name.

One each while the alphabet lasts, then the seldom letters are the beginnings of two. None is the
beginning of another's, so that the last letter of each settles it; and each can be typed on any
keyboard: plain letters only.
"""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Mapping
from string import ascii_lowercase

SELDOM_FIRST = "zxqjkvywugfpobmihdnlrcsate"
"""Letters in the order in which they become beginnings, so that names keep their own."""

LITTLE = ("of", "the", "a", "and")


def short_letters(names: Mapping[str, str]) -> dict[str, str]:
    """For each id letters that no other has: "Can, top of rim" is c, a second can's top is t.
    Who comes first in `names` has the shorter letters, and the first choice."""
    free = _codes(len(names))
    found = {}
    for name, said in names.items():
        beginning = next(iter(free))
        last = next(each for each in _wanted(said) if each in free[beginning])
        found[name] = beginning + last
        free[beginning].remove(last)
        if not free[beginning]:
            del free[beginning]
    return found


def _codes(count: int) -> dict[str, set[str]]:
    """At least so many codes, none the beginning of another: by all but their last letter the set
    of last letters, the shorter ones first."""
    codes = {"": set(ascii_lowercase)}
    beginnings = [""]
    missing = count - len(ascii_lowercase)
    while missing > 0:
        shorter = beginnings.pop(0)
        for letter in SELDOM_FIRST:
            if missing <= 0:
                break
            codes[shorter].remove(letter)
            codes[shorter + letter] = set(ascii_lowercase)
            beginnings.append(shorter + letter)
            missing -= len(ascii_lowercase) - 1
    return {beginning: letters for beginning, letters in codes.items() if letters}


def _wanted(said: str) -> list[str]:
    """All letters, the most telling for this name first: its first words' before others'."""
    plain = unicodedata.normalize("NFKD", said.lower()).encode("ascii", "ignore").decode()
    words = re.findall(r"[a-z]+", plain)
    initials = "".join(word[0] for word in words if word not in LITTLE)
    return list(dict.fromkeys([*initials, *"".join(words), *ascii_lowercase]))
