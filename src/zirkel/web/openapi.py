"""`python -m zirkel.web.openapi` prints the API's OpenAPI document, for the front end's types."""

from __future__ import annotations

import json
import sys
import tempfile
from pathlib import Path
from typing import Any

from zirkel.web.app import WebConfig, create_app


def document() -> Any:
    """The document that the application serves."""
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(WebConfig(Path(folder) / "zirkel.sqlite", front_end=None))
        answer = app.test_client().get("/api/v1/openapi.json").json
        app.extensions["zirkel_store"].close()
        return answer


if __name__ == "__main__":
    sys.stdout.write(json.dumps(document(), indent=1, sort_keys=True) + "\n")
