"""Short letters to type for each landmark, from the first letters of its name."""

from __future__ import annotations

import re
from collections.abc import Mapping


def short_letters(names: Mapping[str, str]) -> dict[str, str]:
    """For each id letters that no other has: "Can, top of rim" is ct, the next one like it ct2."""
    found: dict[str, str] = {}
    taken: set[str] = set()
    for name, said in names.items():
        letters = next((each for each in _ways(said) if each not in taken), None)
        if letters is None:
            stem, number = _ways(said)[0], 2
            while f"{stem}{number}" in taken:
                number += 1
            letters = f"{stem}{number}"
        taken.add(letters)
        found[name] = letters
    return found


def _ways(said: str) -> list[str]:
    words = re.findall(r"\w+", said.lower()) or ["x"]
    initials = [word[0] for word in words if word not in ("of", "the", "a", "and")] or ["x"]
    first = words[0]
    two = first[0] + (initials[1] if len(initials) > 1 else first[1:2])
    three = "".join(initials[:3])
    longer = [first[0] + word[:2] for word in words[1:]] + [first[:2] + i for i in initials[1:]]
    return [two, three, *longer, first[:3]]
