"""Short names made from what people call things."""

from __future__ import annotations

import re
import unicodedata


def slug(name: str, otherwise: str = "landmark") -> str:
    """A name of letters, figures and underscores: "Can, top of rim" becomes can_top_of_rim."""
    plain = unicodedata.normalize("NFKD", name).encode("ascii", "ignore").decode()
    return re.sub(r"[^a-z0-9]+", "_", plain.lower()).strip("_")[:60] or otherwise
