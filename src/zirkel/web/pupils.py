"""What a pupil may do who came by a lesson's code: the lesson, their own study in it, practice."""

from __future__ import annotations

import re

from zirkel.store.devices import Device
from zirkel.store.store import Store

SEEN = re.compile(
    r"/(door|kits|pad|scenes|running|scenes/[^/]+/(picture\.svg|seen\.webp)|pictures/[^/]+/view"
    r"|depth|plumbs|reach|reckon)"
)
"""What anybody in the room may look at: what ships, and nothing of anyone's."""

DONE = re.compile(r"/(door|pictures|practice|practice/(pose|answer|eye))")
STUDY = re.compile(r"/studies/(\d+)(?:/(.+))?")
NOT_THEIRS = ("copy", "removed", "short-poses")


def may(store: Store, device: Device, method: str, path: str) -> bool:
    """Whether that device, let in for a lesson, may ask this of the API (`path` after its root)."""
    if path == f"/devices/{device.id}" or DONE.fullmatch(path):
        return True
    if method == "GET" and SEEN.fullmatch(path):
        return True
    if path in (f"/lessons/{device.lesson}", f"/lessons/{device.lesson}/pupils"):
        return True
    study = STUDY.fullmatch(path)
    if study is None or study[2] in NOT_THEIRS:
        return False
    return store.lessons.belongs(int(study[1]), device.id)
