"""The application factory."""

from __future__ import annotations

import gzip
import mimetypes
from dataclasses import dataclass
from pathlib import Path
from typing import TYPE_CHECKING

from flask import Blueprint, Flask, Response, abort, request, send_from_directory
from flask_openapi3 import Info
from werkzeug.security import safe_join

from zirkel import __version__
from zirkel.store.store import Store
from zirkel.studyfile.read import MOST_BYTES
from zirkel.web.door import watch_the_door
from zirkel.web.guard import guard
from zirkel.web.late import LateOpenAPI
from zirkel.web.live import connect
from zirkel.web.problems import Problem, invalid_request, register
from zirkel.web.refused import count_refusals
from zirkel.web.routes import ROUTES
from zirkel.web.work import watch

if TYPE_CHECKING:
    from zirkel.web.locks import Door

CONTENT_POLICY = (
    "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
    "frame-ancestors 'none'; base-uri 'none'"
)
A_YEAR = 31_536_000
LEAST_PACKED, PACKING = 1400, 4
"""Bytes that one packet takes anyway; how hard it is tried, of nine."""


@dataclass(frozen=True, slots=True)
class WebConfig:
    """What the application needs to know; the front end may not be built (None). With a
    `passcode` it is served beyond this machine, under `addresses`, `secure` by TLS or not."""

    database: Path
    front_end: Path | None
    host: str = "127.0.0.1"
    passcode: str | None = None
    addresses: tuple[str, ...] = ("127.0.0.1",)
    port: int = 8765
    secure: bool = False
    ask_everyone: bool = False
    """Whether this machine itself is asked too: behind a proxy, all come from here."""
    public_url: str | None = None
    """Where a proxy serves it to others, as https://draw.example."""


def create_app(config: WebConfig) -> Flask:
    """The application on a database file; the file is made and migrated here."""
    app = LateOpenAPI(
        "zirkel",
        info=Info(title="Zirkel", version=__version__),
        security_schemes={},
        validation_error_model=Problem,
        validation_error_callback=invalid_request,
        doc_prefix="/api/v1",
        doc_url="/openapi.json",
        static_folder=None,
    )
    app.config["MAX_CONTENT_LENGTH"] = MOST_BYTES
    kept = Store.at(config.database)
    app.extensions["zirkel_store"] = kept
    for routes in ROUTES:
        app.register_api(routes)
    register(app)
    guard(app, config.host, config.passcode is not None, config.public_url)
    watch_the_door(app, _door(config, kept))
    watch(app)
    connect(app)
    count_refusals(app)
    app.after_request(_secured)
    app.after_request(_lighter)
    if config.front_end is not None:
        _serve_front_end(app, config.front_end)
    return app


def _door(config: WebConfig, kept: Store) -> Door | None:
    if config.passcode is None:
        return None
    # Only now: what locks it takes long to load, and most are served alone.
    from zirkel.web.locks import Door  # noqa: PLC0415

    return Door(
        kept.devices, config.passcode, config.addresses, config.port, config.secure,
        config.ask_everyone, config.public_url,
    )  # fmt: skip


def _secured(response: Response) -> Response:
    response.headers.setdefault("Content-Security-Policy", CONTENT_POLICY)
    response.headers.setdefault("X-Content-Type-Options", "nosniff")
    response.headers.setdefault("Referrer-Policy", "no-referrer")
    response.headers.setdefault("Cross-Origin-Resource-Policy", "same-origin")
    response.headers.setdefault("Cache-Control", "no-store")
    return response


def _lighter(response: Response) -> Response:
    """The answer packed, where it is words of some length and who asks can unpack it. What the door
    says is left: it holds the passcode."""
    worth = (
        response.mimetype in ("application/json", "image/svg+xml")
        and not response.is_streamed
        and not response.direct_passthrough
        and "Content-Encoding" not in response.headers
        and request.accept_encodings["gzip"]
        and not request.path.startswith("/api/v1/door")
    )
    if worth and len(plain := response.get_data()) > LEAST_PACKED:
        response.set_data(gzip.compress(plain, PACKING))
        response.headers["Content-Encoding"] = "gzip"
        response.vary.add("Accept-Encoding")
    return response


def _packed(folder: Path, path: str) -> Response | None:
    """The file as it was packed when the pages were built, for who can unpack it."""
    packed = f"{path}.gz"
    if not request.accept_encodings["gzip"] or not (folder / packed).is_file():
        return None
    kind = mimetypes.guess_type(path)[0]
    response = send_from_directory(folder, packed, mimetype=kind)
    response.headers["Content-Encoding"] = "gzip"
    response.headers["Vary"] = "Accept-Encoding"
    return response


def _is_file(path: Path) -> bool:
    """Whether it is there; a name that no disk takes is not."""
    try:
        return path.is_file()
    except (OSError, ValueError):
        return False


def _serve_front_end(app: Flask, folder: Path) -> None:
    """Files as they are, and the one page for every address that the front end routes itself."""
    pages = Blueprint("pages", __name__)

    @pages.get("/", defaults={"path": "index.html"})
    @pages.get("/<path:path>")
    def page(path: str) -> Response:
        # Joined before the disk is asked: what lies outside is nowhere, there or not.
        joined = safe_join(str(folder), path)
        if path.startswith("api/") or joined is None:
            abort(404)
        if _is_file(Path(joined)):
            lasting = A_YEAR if path.startswith("assets/") else None
            response = _packed(folder, path) or send_from_directory(folder, path, max_age=lasting)
            if lasting:
                response.headers["Cache-Control"] = f"public, max-age={A_YEAR}, immutable"
            return response
        return send_from_directory(folder, "index.html")

    app.register_blueprint(pages)
