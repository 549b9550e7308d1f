"""The door: whoever comes from another machine gives the passcode once, and its device is known by
a signed cookie from then on.

On the machine itself nobody is asked. The passcode is made anew at every start unless the user
sets one; what comes in is compared with its hash (`locks`), and wrong ones are few a minute.
"""

from __future__ import annotations

import secrets
from dataclasses import dataclass
from typing import TYPE_CHECKING

from flask import Flask, current_app, request

from zirkel.errors import BadInput
from zirkel.store.devices import Device
from zirkel.web.problems import Problem, Refused
from zirkel.web.pupils import may

if TYPE_CHECKING:
    from zirkel.web.locks import Door

ASKED, FORBIDDEN = 401, 403
ROOT = "/api/v1"
SHORTEST, LONGEST = 6, 100
FIGURES = 8

OPEN = ("/api/v1/door", "/api/v1/openapi.json")
"""What may be asked from outside: the door itself, and what any Zirkel's API is."""


def made_passcode() -> str:
    """A passcode that can be read out across a room."""
    return "".join(secrets.choice("0123456789") for _ in range(FIGURES))


def checked_passcode(text: str) -> str:
    """A passcode of the user's own; BadInput where it is too short or too long."""
    plain = "".join(text.split())
    if not SHORTEST <= len(plain) <= LONGEST:
        raise BadInput(
            "passcode",
            f"it has {len(plain)} letters and figures: take {SHORTEST} to {LONGEST} of them",
        )
    return plain


@dataclass(frozen=True, slots=True)
class Guest:
    """Who asks: from this machine itself, or from a device that was let in."""

    here: bool
    device: Device | None


def door() -> Door | None:
    """The door of the running application; None where it is served on this machine alone."""
    found: Door | None = current_app.extensions.get("zirkel_door")
    return found


def watch_the_door(app: Flask, made: Door | None) -> None:
    """Ask everybody from another machine for the passcode, but for the pages themselves, in which
    nothing of anyone's stands."""
    app.extensions["zirkel_door"] = made
    if made is None:
        return

    @app.before_request
    def _asked() -> None:
        path = request.path
        if not path.startswith("/api/") or path in OPEN:
            return
        guest = made.guest()
        if guest is None:
            raise Refused(
                Problem(
                    title="The passcode first",
                    status=ASKED,
                    detail="This device has not been let in, or was put out: give the passcode.",
                )
            )
        device = guest.device
        if device is None or device.lesson is None:
            return
        if not may(app.extensions["zirkel_store"], device, request.method, path[len(ROOT) :]):
            raise Refused(
                Problem(
                    title="Not a pupil's",
                    status=FORBIDDEN,
                    detail="This device came by a lesson's code: the lesson and what you made in "
                    "it are yours, the rest of the shelf is not.",
                )
            )
