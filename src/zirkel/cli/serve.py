"""`zirkel serve`: the application on this machine, with its data in one folder."""

from __future__ import annotations

import argparse
import gc
import resource
import socket
import sys
from datetime import UTC, datetime
from functools import partial
from ipaddress import ip_address

from waitress import serve as serve_forever

from zirkel.commands.lay_out_demo import lay_out_demo, lay_out_record
from zirkel.demo import FOLDER as DEMO_FOLDER
from zirkel.demo.made_up_eye import NAME, made_up_record
from zirkel.errors import BadInput
from zirkel.store.store import Store
from zirkel.web.app import WebConfig, create_app
from zirkel.web.guard import MOST_BODY

THREADS = 16
"""More than cores: a question about a heavy study holds one while it waits its turn."""

MOST_CONNECTIONS = 2000
IDLE_SECONDS = 60
"""A connection that sends nothing for so long is closed."""


def serve(options: argparse.Namespace) -> None:
    """Serve until stopped."""
    _refuse_network(options)
    _refuse_taken(options.host, options.port)
    pages = options.front_end.resolve()
    front_end = pages if (pages / "index.html").is_file() else None
    if front_end is None:
        print(f"No pages in {options.front_end}: serving the API alone.", file=sys.stderr)
    database = options.data / "zirkel.sqlite"
    try:
        config = WebConfig(database, front_end, options.host, options.let_the_network_in)
        app = create_app(config)
    except OSError as error:
        raise BadInput("data", f"{options.data} cannot be used: {error.strerror}") from error
    if options.demo:
        store: Store = app.extensions["zirkel_store"]
        for name in lay_out_demo(store, DEMO_FOLDER):
            print(f"Laid out the study {name.replace('_', ' ')}.", flush=True)
        lay_out_record(store, NAME, partial(made_up_record, datetime.now(UTC)))
    print(f"Zirkel is at http://{options.host}:{options.port}/ (stop with Ctrl+C)", flush=True)
    _settle_memory()
    _allow_files(MOST_CONNECTIONS + 100)
    serve_forever(
        app,
        host=options.host,
        port=options.port,
        threads=THREADS,
        connection_limit=MOST_CONNECTIONS,
        channel_timeout=IDLE_SECONDS,
        cleanup_interval=IDLE_SECONDS // 4,
        max_request_body_size=MOST_BODY,
        max_request_header_size=64_000,
        asyncore_use_poll=True,
        ident=None,
        _quiet=True,
    )


def _refuse_network(options: argparse.Namespace) -> None:
    """Without a passcode, only this machine is served unless it was said in so many words."""
    try:
        alone = ip_address(options.host).is_loopback
    except ValueError:
        alone = options.host == "localhost"
    if not alone and not options.let_the_network_in:
        raise BadInput(
            "host",
            f"{options.host} is open to other machines, and Zirkel has no passcode yet: whoever "
            "reaches it can read, change and remove every study. If that is meant, add "
            "--let-the-network-in",
        )


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


def _refuse_taken(host: str, port: int) -> None:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((host, port))
        except OSError as error:
            raise BadInput(
                "port",
                f"{host}:{port} cannot be used ({error.strerror}): choose another with --port",
            ) from error
