"""The options of `zirkel serve`, apart from what serves, so that other commands load none of it."""

from __future__ import annotations

import argparse
from pathlib import Path

BUILT = Path(__file__).resolve().parents[3] / "frontend" / "dist"


def add_serve_options(parser: argparse.ArgumentParser) -> None:
    """The options of `zirkel serve`."""
    parser.add_argument("--host", default="127.0.0.1", help="address to listen on")
    parser.add_argument("--port", type=_port, default=8765, help="port to listen on")
    parser.add_argument("--data", type=Path, default=Path("data"), help="folder for the data")
    parser.add_argument("--front-end", type=Path, default=BUILT, help="folder of the built pages")
    parser.add_argument("--certificate", type=Path, help="your own certificate, to serve https")
    parser.add_argument("--key", type=Path, help="the certificate's key")
    parser.add_argument(
        "--ask-everyone",
        action="store_true",
        help="ask for the passcode on this machine too: needed behind a proxy, where all requests "
        "come from here",
    )
    parser.add_argument("--demo", action="store_true", help="lay out the demonstration studies")


def _port(text: str) -> int:
    port = int(text) if text.isdigit() else 0
    if not 1 <= port <= 65535:
        raise argparse.ArgumentTypeError(f"“{text}” is not a port from 1 to 65535")
    return port
