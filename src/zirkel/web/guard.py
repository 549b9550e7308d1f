"""Whose machine it is: who may write, under which names the server answers, what a body may be.

Another page open in the same browser can send requests here. It can't read the answers, but it
could change studies; so whatever writes must come from Zirkel's own pages or from no page at all,
and files are taken only as content types that a foreign page can't send without asking first.
"""

from __future__ import annotations

import socket
from ipaddress import ip_address

from flask import Flask, request

from zirkel.pictures.prepare import MOST_BYTES
from zirkel.web.problems import Problem, Refused

READS = ("GET", "HEAD", "OPTIONS")
OWN_SITES = ("same-origin", "none")
OWN_NAMES = ("localhost", "127.0.0.1", "[::1]")
FORBIDDEN, WRONG_KIND = 403, 415

MOST_BODY = MOST_BYTES
"""No request has a larger body than a picture; what is larger is refused as it comes in."""


def guard(app: Flask, host: str, network: bool, public_url: str | None = None) -> None:
    """Refuse what isn't meant for this server. `network`: served beyond this machine, where it is
    also known by any of its addresses and its own name. `public_url`: where a proxy serves it."""
    names = {*OWN_NAMES, host.lower()}
    if public_url:
        names.add(_without_port(public_url.partition("://")[2]))
    if network:
        own = socket.gethostname().lower()
        names |= {own, f"{own}.local"}

    @app.before_request
    def _checked() -> None:
        name = _without_port(request.host)
        if name not in names and not (network and _is_address(name)):
            raise Refused(
                Problem(
                    title="Not meant for this server",
                    status=FORBIDDEN,
                    detail=f"Zirkel is not served as “{name}”: open it by the address it was "
                    "started with.",
                )
            )
        if request.method not in READS and _is_foreign(public_url):
            raise Refused(
                Problem(
                    title="From another page",
                    status=FORBIDDEN,
                    detail="Another page in this browser tried to change something here. Zirkel "
                    "takes changes from its own pages only.",
                )
            )


def body_as(*kinds: str) -> bytes:
    """The request's body, if it comes as one of these content types."""
    expect_kind(*kinds)
    return request.get_data()


def expect_kind(*kinds: str) -> None:
    """Refused unless the request's body comes as one of these content types."""
    kind = request.mimetype
    if not any(kind == each or (each.endswith("/*") and kind.startswith(each[:-1]))
               for each in kinds):  # fmt: skip
        found = f"“{kind}”" if kind else "nothing"
        raise Refused(
            Problem(
                title="Another kind of file",
                status=WRONG_KIND,
                detail=f"The file must be sent as {' or '.join(kinds)}; {found} was said of it.",
                field="file",
            )
        )


def _is_foreign(public_url: str | None) -> bool:
    site = request.headers.get("Sec-Fetch-Site", "none").lower()
    origin = request.headers.get("Origin")
    # Behind a proxy that speaks TLS a page's origin is the public one, whatever reaches us.
    own = (None, f"{request.scheme}://{request.host}", public_url)
    return site not in OWN_SITES or origin not in own


def _without_port(host: str) -> str:
    name, colon, port = host.lower().rpartition(":")
    return name if colon and port.isdigit() else host.lower()


def _is_address(name: str) -> bool:
    try:
        ip_address(name.strip("[]"))
    except ValueError:
        return False
    return True
