"""The server before the application: waitress by plain http, cheroot by TLS: waitress has none."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import Any

from flask import Flask
from waitress.server import BaseWSGIServer, MultiSocketServer, create_server

from zirkel.web.guard import MOST_BODY
from zirkel.web.live import MOST_LISTENERS

THREADS = 16 + MOST_LISTENERS
"""More than cores: a question about a heavy study holds one while it waits its turn, and each
device that listens holds one."""

MOST_CONNECTIONS = 2000
MOST_HEAD = 64_000
IDLE_SECONDS = 60
"""A connection that sends nothing for so long is closed."""


def plain_server(app: Flask, host: str, port: int) -> BaseWSGIServer | MultiSocketServer:
    """A server by plain http that listens already; `run` serves until it is closed. With port 0
    the machine chooses one."""
    return create_server(
        app,
        host=host,
        port=port,
        threads=THREADS,
        connection_limit=MOST_CONNECTIONS,
        channel_timeout=IDLE_SECONDS,
        cleanup_interval=IDLE_SECONDS // 4,
        max_request_body_size=MOST_BODY,
        max_request_header_size=MOST_HEAD,
        asyncore_use_poll=True,
        ident=None,
    )


HEAD_SECONDS = 8.0
"""So long may a handshake or a request's head stand still by TLS; a connection that sends nothing
waits outside meanwhile and holds up nobody."""

HALF_SENT = 128
"""Heads that may be half sent at once without anybody else waiting."""


def secured(app: Flask, host: str, port: int, certificate: Path, key: Path) -> Callable[[], None]:
    """A server by TLS with the user's own certificate, that listens already; called, it serves
    until it is stopped."""
    from cheroot.ssl.builtin import BuiltinSSLAdapter  # noqa: PLC0415  # seldom needed
    from cheroot.wsgi import Server  # noqa: PLC0415

    class Adapter(BuiltinSSLAdapter):
        """Shakes hands where the first byte is read, not where connections are accepted: there one
        that says nothing would keep all others waiting."""

        def wrap(self, sock: Any) -> tuple[Any, dict[str, str]]:
            wrapped = self.context.wrap_socket(
                sock, do_handshake_on_connect=False, server_side=True
            )
            return wrapped, {"wsgi.url_scheme": "https", "HTTPS": "on"}

    class Patient(Server):
        """Gives a connection to a thread only once it has sent something."""

        _connections: Any

        def process_conn(self, conn: Any) -> None:
            if getattr(conn, "has_waited", False):
                super().process_conn(conn)
                return
            conn.has_waited = True
            self._connections.put(conn)

        def error_log(self, msg: str = "", level: int = 20, traceback: bool = False) -> None:
            """What a stranger's connection breaks on is no news; the application tells its own."""

    server = Patient((host, port), app, numthreads=THREADS + HALF_SENT)
    server.ssl_adapter = Adapter(str(certificate), str(key))
    server.max_request_body_size, server.max_request_header_size = MOST_BODY, MOST_HEAD
    server.timeout = HEAD_SECONDS
    server.prepare()

    def serve() -> None:
        try:
            server.serve()
        except KeyboardInterrupt:
            server.stop()

    return serve
