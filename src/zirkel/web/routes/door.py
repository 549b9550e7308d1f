"""The door: the passcode, the devices let in, the QR code that brings another one to a page."""

from __future__ import annotations

import re
from typing import TYPE_CHECKING

from flask import Response

from zirkel.views.door import DeviceShown, DoorShown, QrShown, address_with, qr_svg
from zirkel.web.border import blueprint
from zirkel.web.door import Guest, door, made_passcode
from zirkel.web.problems import Problem, Refused, as_json
from zirkel.web.requests import DevicePath, Knock, QrQuery

if TYPE_CHECKING:
    from zirkel.web.locks import Door

routes = blueprint("door", "Who is let in from other machines")

FORBIDDEN = 403


@routes.get("/door", responses={"200": DoorShown}, operation_id="door")
def get_door() -> Response:
    """Whether this device is let in, and what it may know of the door."""
    made = door()
    return as_json(_shown(made, None if made is None else made.guest()))


@routes.post("/door", responses={"200": DoorShown}, operation_id="knock")
def post_door(body: Knock) -> Response:
    """Let this device in by the passcode."""
    made = door()
    if made is None:
        return as_json(_shown(None, None))
    answer = Response(status=200)
    device = made.knock(body.passcode, body.name.strip() or "A device", answer)
    shown = as_json(_shown(made, Guest(here=False, device=device)))
    for value in answer.headers.getlist("Set-Cookie"):
        shown.headers.add("Set-Cookie", value)
    return shown


@routes.post("/door/passcode", responses={"200": DoorShown}, operation_id="newPasscode")
def post_passcode() -> Response:
    """Another passcode; devices that were let in stay so."""
    made = _here()
    made.change(made_passcode())
    return as_json(_shown(made, made.guest()))


@routes.get("/door/qr", responses={"200": QrShown}, operation_id="qr")
def get_qr(query: QrQuery) -> Response:
    """The QR code that lets a device in and takes it to a page; to a lesson, as a pupil's."""
    made = _here()
    code = made.codes.shown(lesson_of(query.path))
    address = address_with(made.urls[0], code, query.path)
    return as_json(QrShown(address=f"{made.urls[0]}{query.path}", svg=qr_svg(address)))


@routes.delete("/devices/<device>", responses={"204": None}, operation_id="putOut")
def delete_device(path: DevicePath) -> Response:
    """Let a device in no longer: any from the machine itself, else only one's own."""
    made = _open()
    guest = made.guest()
    own = guest is not None and guest.device is not None and guest.device.id == path.device
    if not own:
        _here()
    made.devices.put_out(path.device)
    return Response(status=204)


def lesson_of(path: str) -> str | None:
    """The lesson that a page's path leads to."""
    found = re.fullmatch(r"/lessons/([0-9a-f]+)", path)
    return None if found is None else found[1]


def _open() -> Door:
    made = door()
    if made is None:
        raise Refused(
            Problem(
                title="Nobody else is served",
                status=FORBIDDEN,
                detail="Zirkel is served on this machine alone. Start it with HOST=0.0.0.0 to let "
                "other devices in.",
            )
        )
    return made


def _here() -> Door:
    made = _open()
    guest = made.guest()
    if guest is None or not guest.here:
        raise Refused(
            Problem(
                title="Only there",
                status=FORBIDDEN,
                detail="This is done on the machine that runs Zirkel.",
            )
        )
    return made


def _shown(made: Door | None, guest: Guest | None) -> DoorShown:
    if made is None:
        return DoorShown(
            network=False, let_in=True, here=True, plain=False, device=None, addresses=[],
            passcode=None, qr=None, lesson=None, devices=[],
        )  # fmt: skip
    here = guest is not None and guest.here
    device = None if guest is None else guest.device
    return DoorShown(
        network=True, let_in=guest is not None, here=here, plain=not made.secure,
        device=None if device is None else device.name,
        addresses=list(made.urls) if guest is not None else [],
        passcode=made.passcode if here else None,
        qr=qr_svg(address_with(made.urls[0], made.codes.shown())) if here else None,
        lesson=None if device is None else device.lesson,
        devices=[
            DeviceShown(
                id=each.id, name=each.name, added_at=each.added_at, seen_at=each.seen_at,
                this=device is not None and each.id == device.id, lesson=each.lesson,
            )
            for each in made.devices.all()
        ] if guest is not None and (device is None or device.lesson is None) else [],
    )  # fmt: skip
