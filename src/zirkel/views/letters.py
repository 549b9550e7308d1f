"""Short letters to type for each landmark, from the first letters of its name.

None is the beginning of another's, so that the last letter of each settles it; and each can be
typed on any keyboard: plain letters only.
"""

from __future__ import annotations

import re
import unicodedata
from collections import Counter
from collections.abc import Iterator, Mapping
from itertools import product
from string import ascii_lowercase

FEW = 20
"""Landmarks with one first letter that two letters each are enough for."""

LITTLE = ("of", "the", "a", "and")


def short_letters(names: Mapping[str, str]) -> dict[str, str]:
    """For each id letters that no other has: "Can, top of rim" is ct, the next one like it co."""
    words = {name: _words(said) for name, said in names.items()}
    alike = Counter(each[0][0] for each in words.values())
    taken: set[str] = set()
    found = {}
    for name, said in words.items():
        length = 2
        while FEW * len(ascii_lowercase) ** (length - 2) < alike[said[0][0]]:
            length += 1
        found[name] = next(each for each in _ways(said, length) if each not in taken)
        taken.add(found[name])
    return found


def _words(said: str) -> list[str]:
    plain = unicodedata.normalize("NFKD", said.lower()).encode("ascii", "ignore").decode()
    return re.findall(r"[a-z]+", plain) or ["x"]


def _ways(words: list[str], length: int) -> Iterator[str]:
    """Letters of that length, the most telling first; all begin as the name does."""
    first = words[0][0]
    initials = "".join(word[0] for word in words[1:] if word not in LITTLE)
    rest = [*initials, *words[0][1:], *"".join(words[1:]), *ascii_lowercase]
    for more in product(dict.fromkeys(rest), repeat=length - 1):
        yield first + "".join(more)
