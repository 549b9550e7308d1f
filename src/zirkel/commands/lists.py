"""An artist's own lists of what to lay out: kept in place of a shipped one, and given up again."""

from __future__ import annotations

import json
from dataclasses import asdict

from zirkel.core.sitting.materials import Item, Materials
from zirkel.core.values.names import slug
from zirkel.errors import NotFound
from zirkel.materials import ENDING, all_materials
from zirkel.store.store import Store
from zirkel.studyfile.materials_file import FileItem, read_materials
from zirkel.studyfile.own_files import keep_own, own_path

MOST_LISTS = 100
MY_OWN, MY_OWN_TITLE = "my_own", "My own"


def keep_list(store: Store, name: str, items: list[FileItem]) -> None:
    """Keep what the list of that name holds; NotFound for one that isn't there and isn't the
    artist's own. Emptied, it is given up."""
    folder = store.folder / "materials"
    known = all_materials(folder)[0].get(name)
    if known is None and name != MY_OWN:
        raise NotFound(f"There is no list called “{name}”.")
    own = own_path(folder, ENDING, read_materials, name)
    if not items:
        if own is not None:
            own.unlink(missing_ok=True)
        return
    held = known or Materials(MY_OWN, MY_OWN_TITLE, (), (Item(""),), ())
    document = {**asdict(held), "items": [each.model_dump() for each in items],
                "format": "zirkel-materials", "version": 1}  # fmt: skip
    data = json.dumps(document, ensure_ascii=False, indent=1).encode()
    read_materials(data)
    path = own or folder / f"{slug(name)}{ENDING}"
    keep_own(path, ENDING, data, "lists", MOST_LISTS)
