"""`zirkel serve`: the application on this machine, with its data in one folder."""

from __future__ import annotations

import argparse
import ctypes
import gc
import os
import resource
import socket
import ssl
import sys
from datetime import UTC, datetime
from functools import partial
from typing import TYPE_CHECKING

from zirkel.cli.options import PAGES
from zirkel.commands.lay_out_demo import lay_out_demo, lay_out_record
from zirkel.demo import FOLDER as DEMO_FOLDER
from zirkel.demo.made_up_eye import NAME, made_up_record
from zirkel.errors import BadInput
from zirkel.store.backups import Daily, in_use
from zirkel.store.store import Store
from zirkel.views.door import address_with, qr_terminal
from zirkel.web.addresses import is_own_loop, own_addresses
from zirkel.web.app import WebConfig, create_app
from zirkel.web.door import checked_passcode, made_passcode
from zirkel.web.serving import MOST_CONNECTIONS, plain_server, secured

if TYPE_CHECKING:
    from zirkel.web.locks import Door

PASSCODE = "ZIRKEL_PASSCODE"
"""The environment's name for a passcode of one's own."""

PLAINLY = (
    "Served by plain http: in a network that isn't yours, others can read what goes over it, the "
    "passcode too. There, give a certificate (--certificate, --key)."
)


def serve(options: argparse.Namespace) -> None:
    """Serve until stopped."""
    alone = _is_alone(options.host)
    passcode = None if alone and not (options.ask_everyone or options.public_url) else _passcode()
    secure = _tls(options)
    _refuse_taken(options.host, options.port)
    if not (PAGES / "index.html").is_file():
        raise BadInput(
            "pages",
            "this is a source tree whose pages aren't built yet: run “make build” in it (Node 20)",
        )
    with in_use(options.data):
        _serve(options, passcode, secure)


def _serve(options: argparse.Namespace, passcode: str | None, secure: bool) -> None:
    alone = _is_alone(options.host)
    database = options.data / "zirkel.sqlite"
    addresses = (options.host,) if alone else tuple(own_addresses(options.host))
    try:
        config = WebConfig(
            database,
            PAGES,
            options.host,
            passcode,
            addresses,
            options.port,
            secure,
            options.ask_everyone,
            options.public_url,
        )
        app = create_app(config)
    except OSError as error:
        raise BadInput("data", f"{options.data} can't be used: {error.strerror}") from error
    store: Store = app.extensions["zirkel_store"]
    store.heard.append(Daily(database))
    if options.demo:
        for name in lay_out_demo(store, DEMO_FOLDER):
            print(f"Laid out the study {name.replace('_', ' ')}.", flush=True)
        lay_out_record(store, NAME, partial(made_up_record, datetime.now(UTC)))
    made: Door | None = app.extensions["zirkel_door"]
    if made is not None:
        _show_the_door(made)
    scheme = "https" if secure else "http"
    here = options.host if alone else "127.0.0.1"
    _settle_memory()
    _allow_files(MOST_CONNECTIONS + 100)
    if secure:
        serve_on = secured(app, options.host, options.port, options.certificate, options.key)
    else:
        serve_on = plain_server(app, options.host, options.port).run
    print(f"Studies are kept in {database}.")
    print(f"Zirkel is at {scheme}://{here}:{options.port}/ (stop with Ctrl+C)", flush=True)
    serve_on()


def _is_alone(host: str) -> bool:
    """Whether only this machine is served."""
    return is_own_loop(host)


def _passcode() -> str:
    """The user's own from the environment, or one made for this start."""
    own = os.environ.get(PASSCODE, "")
    return checked_passcode(own) if own.strip() else made_passcode()


def _tls(options: argparse.Namespace) -> bool:
    """Whether a certificate is used; BadInput where it can't be."""
    if (options.certificate is None) != (options.key is None):
        missing = "key" if options.key is None else "certificate"
        raise BadInput(missing, "a certificate and its key go together: give both")
    if options.certificate is None:
        return False
    try:
        ssl.SSLContext(ssl.PROTOCOL_TLS_SERVER).load_cert_chain(options.certificate, options.key)
    except OSError as error:
        raise BadInput(
            "certificate",
            f"{options.certificate} with {options.key} can't be used "
            f"({error.strerror or error}): are both there, as PEM files that belong together?",
        ) from error
    return True


def _show_the_door(made: Door) -> None:
    """The address, the passcode and the code to scan, where Zirkel was started."""
    shown = f"{made.passcode[:4]} {made.passcode[4:]}" if made.passcode.isdigit() else made.passcode
    print(qr_terminal(address_with(made.urls[0], made.codes.shown())))
    print("The code lets one device in, within ten minutes; another stands under Devices.")
    for each in made.urls:
        print(f"From another device: {each}/")
    print(f"The passcode: {shown}")
    if not made.secure:
        print(PLAINLY)
    sys.stdout.flush()


def _allow_files(wanted: int) -> None:
    """As many open files as connections may need, as far as this machine allows."""
    soft, hard = resource.getrlimit(resource.RLIMIT_NOFILE)
    most = wanted if hard == resource.RLIM_INFINITY else min(wanted, hard)
    if soft != resource.RLIM_INFINITY and soft < most:
        resource.setrlimit(resource.RLIMIT_NOFILE, (most, hard))


def _settle_memory() -> None:
    """Leave what was loaded at the start out of garbage collection: it only costs time there. From
    here on it runs, however it was before."""
    gc.freeze()
    gc.set_threshold(50_000, 20, 50)
    gc.enable()
    _give_memory_back()


M_TRIM_THRESHOLD, M_MMAP_THRESHOLD, M_ARENA_MAX = -1, -3, -8
LARGE_BYTES, ARENAS = 1_000_000, 2


def _give_memory_back() -> None:
    """What is large goes back to the machine when it is done with. The C library learns otherwise
    from the first large picture: it then keeps what up to 32 MB was asked for, for every thread."""
    allocator = ctypes.CDLL(None)
    if sys.platform == "linux" and hasattr(allocator, "mallopt"):
        allocator.mallopt(M_MMAP_THRESHOLD, LARGE_BYTES)
        allocator.mallopt(M_TRIM_THRESHOLD, LARGE_BYTES)
        allocator.mallopt(M_ARENA_MAX, ARENAS)


def _refuse_taken(host: str, port: int) -> None:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((host, port))
        except OSError as error:
            raise BadInput(
                "port",
                f"{host}:{port} can't be used ({error.strerror}): choose another with --port",
            ) from error
