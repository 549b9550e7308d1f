"""`zirkel serve`: the application on this machine, with its data in one folder."""

from __future__ import annotations

import argparse
import gc
import socket
import sys

from waitress import serve as serve_forever

from zirkel.commands.lay_out_demo import lay_out_demo
from zirkel.demo.generate import FOLDER as DEMO_FOLDER
from zirkel.errors import BadInput
from zirkel.store.store import Store
from zirkel.web.app import WebConfig, create_app

THREADS = 4


def serve(options: argparse.Namespace) -> None:
    """Serve until stopped."""
    _refuse_taken(options.host, options.port)
    pages = options.front_end.resolve()
    front_end = pages if (pages / "index.html").is_file() else None
    if front_end is None:
        print(f"No pages in {options.front_end}: serving the API alone.", file=sys.stderr)
    database = options.data / "zirkel.sqlite"
    try:
        app = create_app(WebConfig(database=database, front_end=front_end))
    except OSError as error:
        raise BadInput("data", f"{options.data} cannot be used: {error.strerror}") from error
    if options.demo:
        store: Store = app.extensions["zirkel_store"]
        for name in lay_out_demo(store, DEMO_FOLDER):
            print(f"Laid out the study {name.replace('_', ' ')}.", flush=True)
    print(f"Zirkel is at http://{options.host}:{options.port}/ (stop with Ctrl+C)", flush=True)
    _settle_memory()
    serve_forever(app, host=options.host, port=options.port, threads=THREADS, _quiet=True)


def _settle_memory() -> None:
    """Leave what was loaded at the start out of garbage collection: it only costs time there."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(50_000, 20, 50)


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
