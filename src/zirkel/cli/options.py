"""The options of `zirkel serve` and of all that works on its data, apart from what serves, so that
other commands load none of it."""

from __future__ import annotations

import argparse
import re
from pathlib import Path

from platformdirs import user_data_path

PAGES = Path(__file__).resolve().parents[1] / "web" / "pages"
"""Where the front end is built to, in a source tree and in a wheel alike."""


def add_data_option(parser: argparse.ArgumentParser) -> None:
    """Where the data is: where this platform keeps what belongs to its user, or as told."""
    usual = user_data_path("zirkel", appauthor=False)
    parser.add_argument(
        "--data", type=Path, default=usual, help=f"folder of the data (else {usual})"
    )


def add_serve_options(parser: argparse.ArgumentParser) -> None:
    """The options of `zirkel serve`."""
    parser.add_argument("--host", default="127.0.0.1", help="address to listen on")
    parser.add_argument("--port", type=_port, default=8765, help="port to listen on")
    add_data_option(parser)
    parser.add_argument("--certificate", type=Path, help="your own certificate, to serve https")
    parser.add_argument("--key", type=Path, help="the certificate's key")
    parser.add_argument(
        "--ask-everyone",
        action="store_true",
        help="ask for the passcode on this machine too: needed behind a proxy, where all requests "
        "come from here",
    )
    parser.add_argument(
        "--public-url",
        type=_public,
        help="the address at which your proxy serves it, as https://draw.example: changes are "
        "taken from there, and from no other page",
    )
    parser.add_argument("--demo", action="store_true", help="lay out the demonstration studies")


def _public(text: str) -> str:
    plain = text.rstrip("/").lower()
    if not re.fullmatch(r"https?://[a-z0-9.\-]+(:\d{1,5})?", plain):
        raise argparse.ArgumentTypeError(
            f"“{text}” is no address of a server: give it as https://draw.example, without a path"
        )
    return plain


def _port(text: str) -> int:
    port = int(text) if text.isdigit() else 0
    if not 1 <= port <= 65535:
        raise argparse.ArgumentTypeError(f"“{text}” is not a port from 1 to 65535")
    return port
