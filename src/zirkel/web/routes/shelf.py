"""The whole shelf as one archive, out and in again."""

from __future__ import annotations

import tempfile
from datetime import UTC, datetime

from flask import Response, request, send_file

from zirkel.commands.shelf import ShelfTaken, pack, unpack
from zirkel.errors import BadInput
from zirkel.web.border import blueprint, store
from zirkel.web.guard import MOST_BODY, expect_kind
from zirkel.web.problems import as_json

routes = blueprint("shelf", "All that hangs and lies here, as one file")


@routes.get("/shelf", operation_id="packShelf")
def get_shelf() -> Response:
    """The archive of the whole shelf, for download."""
    out = tempfile.TemporaryFile()  # noqa: SIM115  # closed once it is sent
    pack(store(), out)
    out.seek(0)
    name = f"shelf-{datetime.now(UTC):%Y-%m-%d}.zirkel.zip"
    answer = send_file(out, mimetype="application/zip", as_attachment=True, download_name=name)
    answer.call_on_close(out.close)
    return answer


@routes.post("/shelf", responses={"200": ShelfTaken}, operation_id="unpackShelf")
def post_shelf() -> Response:
    """Take in what of an archive, sent as the request's body, is not here yet."""
    request.max_content_length = MOST_BODY
    if (request.content_length or 0) > MOST_BODY:
        raise BadInput(
            "file",
            f"an archive of more than {MOST_BODY / 1e6:.0f} MB is taken in where Zirkel runs: "
            "zirkel unpack FILE",
        )
    expect_kind("application/zip")
    with tempfile.TemporaryFile() as held:
        while chunk := request.stream.read(1_000_000):
            held.write(chunk)
        held.seek(0)
        return as_json(unpack(store(), held))
