"""The API's document is made when it is first asked for, whole, once, and as if at the start."""

import tempfile
import unittest
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

from flask_openapi3 import APIBlueprint, Info, OpenAPI
from pydantic import BaseModel

from zirkel.web.app import WebConfig, create_app
from zirkel.web.late import LateBlueprint, LateOpenAPI


class Asked(BaseModel):
    """What is asked."""

    number: int


class Told(BaseModel):
    """What is told."""

    twice: int


def made(app_kind, routes_kind):
    """A small application whose routes are described in one way or the other."""
    app = app_kind("small", info=Info(title="Small", version="1"))
    routes = routes_kind("numbers", __name__, url_prefix="/api")

    @routes.post("/twice", responses={"200": Told}, operation_id="twice")
    def twice(body: Asked):
        """Twice as much."""
        return {"twice": 2 * body.number}

    @routes.get("/none", operation_id="none")
    def none():
        """Nothing."""
        return {}

    app.register_api(routes)
    return app


class Late(unittest.TestCase):
    def test_it_says_the_same_as_one_described_at_the_start(self):
        late = made(LateOpenAPI, LateBlueprint).test_client().get("/openapi/openapi.json").json
        soon = made(OpenAPI, APIBlueprint).test_client().get("/openapi/openapi.json").json
        self.assertEqual(late, soon)
        self.assertEqual(set(late["paths"]), {"/api/twice", "/api/none"})

    def test_requests_are_checked_before_anybody_asks_for_it(self):
        client = made(LateOpenAPI, LateBlueprint).test_client()
        self.assertEqual(client.post("/api/twice", json={"number": 3}).json, {"twice": 6})
        self.assertEqual(client.post("/api/twice", json={"number": "x"}).status_code, 422)

    def test_many_who_ask_at_once_are_told_the_same(self):
        app = made(LateOpenAPI, LateBlueprint)
        with ThreadPoolExecutor(8) as pool:
            found = list(
                pool.map(lambda _: app.test_client().get("/openapi/openapi.json").json, range(8))
            )
        self.assertTrue(all(each == found[0] for each in found))
        self.assertEqual(len(found[0]["paths"]), 2)

    def test_two_applications_in_one_process_both_have_it_whole(self):
        documents = []
        for _ in range(2):
            with tempfile.TemporaryDirectory() as folder:
                app = create_app(WebConfig(Path(folder) / "zirkel.sqlite", None))
                documents.append(app.test_client().get("/api/v1/openapi.json").json)
                app.extensions["zirkel_store"].close()
        self.assertEqual(documents[0], documents[1])
        self.assertGreater(len(documents[0]["paths"]), 60)


if __name__ == "__main__":
    unittest.main()
