"""What the door shows: whether one is let in, the addresses with their QR code, the devices."""

from __future__ import annotations

from datetime import datetime
from io import BytesIO, StringIO
from urllib.parse import quote

import segno
from pydantic import BaseModel


class DeviceShown(BaseModel):
    """A device that was let in."""

    id: str
    name: str
    added_at: datetime
    seen_at: datetime
    this: bool
    lesson: str | None
    """The lesson whose pupil's it is."""


class DoorShown(BaseModel):
    """The door as one stands before it.

    `network` is whether others are served at all; `let_in` whether this device is; `here` whether
    it is the machine itself, which alone sees the passcode and the QR code that lets in once;
    `plain` whether what goes over the network can be read by others in it; `lesson` the one whose
    pupil this device is, None for who may do everything.
    """

    network: bool
    let_in: bool
    here: bool
    plain: bool
    device: str | None
    addresses: list[str]
    passcode: str | None
    qr: str | None
    lesson: str | None
    devices: list[DeviceShown]


class QrShown(BaseModel):
    """A page's address, and the QR code that lets a device in there."""

    address: str
    svg: str


def address_with(address: str, code: str, path: str = "/") -> str:
    """The address that lets a device in and takes it to a page: the code stands behind the #, which
    no browser sends and no log keeps."""
    return f"{address}/door#code={quote(code, safe='')}&to={path}"


def qr_svg(text: str) -> str:
    """The QR code of a text, as an SVG in the colour of its surroundings."""
    out = BytesIO()
    segno.make(text, error="m", micro=False).save(
        out, kind="svg", xmldecl=False, svgns=True, scale=4, border=2, dark="#2b2926",
        light="#ffffff", omitsize=True,
    )  # fmt: skip
    return out.getvalue().decode()


def qr_terminal(text: str) -> str:
    """The QR code of a text, for a terminal."""
    out = StringIO()
    segno.make(text, error="l", micro=False).terminal(out, compact=True)
    return out.getvalue()
