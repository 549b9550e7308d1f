"""The application around the API: pages, caching, headers, and what never leaves a folder."""

import tempfile
import unittest
from pathlib import Path

from zirkel.demo.generate import FOLDER
from zirkel.web.app import WebConfig, create_app

MASK = (FOLDER / "wooden_mask.zirkel.json").read_bytes()


class Pages(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        root = Path(folder.name)
        built = root / "dist"
        (built / "assets").mkdir(parents=True)
        (built / "index.html").write_text("<title>Zirkel</title>")
        (built / "assets" / "app-1.js").write_text("export {}")
        (root / "secret.txt").write_text("not for the web")
        self.app = create_app(WebConfig(root / "zirkel.sqlite", front_end=built))
        self.addCleanup(self.app.extensions["zirkel_store"].close)
        self.client = self.app.test_client()

    def get(self, path):
        answer = self.client.get(path)
        self.addCleanup(answer.close)
        return answer

    def test_every_address_of_the_front_end_gets_its_page(self):
        for path in ("/", "/new", "/studies/3", "/studies/3?side=Marks", "/nothing/here"):
            answer = self.get(path)
            self.assertEqual((answer.status_code, answer.mimetype), (200, "text/html"), path)
            self.assertIn("Zirkel", answer.text)

    def test_the_api_never_answers_with_a_page(self):
        answer = self.get("/api/v1/nothing")
        self.assertEqual((answer.status_code, answer.mimetype), (404, "application/problem+json"))

    def test_assets_last_and_answers_do_not(self):
        lasting = self.get("/assets/app-1.js").headers["Cache-Control"]
        self.assertIn("immutable", lasting)
        self.assertIn("no-cache", self.get("/").headers["Cache-Control"])
        self.assertEqual(self.get("/api/v1/studies").headers["Cache-Control"], "no-store")

    def test_security_headers(self):
        for path in ("/", "/api/v1/studies", "/api/v1/nothing"):
            headers = self.get(path).headers
            self.assertIn("default-src 'self'", headers["Content-Security-Policy"])
            self.assertIn("frame-ancestors 'none'", headers["Content-Security-Policy"])
            self.assertEqual(headers["X-Content-Type-Options"], "nosniff")
            self.assertEqual(headers["Referrer-Policy"], "no-referrer")
            self.assertEqual(headers["Cross-Origin-Resource-Policy"], "same-origin")

    def test_names_that_no_disk_takes_and_ways_out_are_nowhere(self):
        """What lies outside answers the same whether it is there or not."""
        self.assertEqual(self.get("/" + "a" * 300).status_code, 200)
        self.assertEqual(self.get("/assets/" + "b" * 3000).status_code, 200)
        for path in ("/../secret.txt", "/../no-secret.txt", "/assets/../../secret.txt"):
            self.assertEqual(self.get(path).status_code, 404, path)

    def test_bodies_that_no_parser_takes(self):
        deep = '{"version": 1, "token": "' + "a" * 32 + '", "change": ' + "[" * 99999 + "]" * 99999
        made = self.client.post(
            "/api/v1/studies/import", data=MASK, content_type="application/json"
        )
        number = made.json["id"]
        half = (
            '{"version": 1, "token": "' + "a" * 32 + '", "change": {"type": "take_sighting",'
            ' "sighting": {"id": "x", "kind": "drop", "from": "chin", "to": "brow_top",'
            ' "offset": "1\\ud8002"}}}'
        )
        tiny = half.replace('"1\\ud8002"', '0.1, "sigma": 1e-300')
        for body, said in ((deep + "}", "nested deeper"), (half, "half a letter"), (tiny, "sigma")):
            answer = self.client.post(
                f"/api/v1/studies/{number}/changes", data=body, content_type="application/json"
            )
            self.assertEqual(answer.status_code, 422, said)
            self.assertIn(said, answer.json["detail"])
        self.assertEqual(self.get(f"/api/v1/studies/{number}").json["version"], 1)

    def test_nothing_outside_the_folder_is_served(self):
        for path in (
            "/../secret.txt",
            "/%2e%2e/secret.txt",
            "/assets/../../secret.txt",
            "//etc/passwd",
        ):
            self.assertNotIn("not for the web", self.get(path).text)
            self.assertNotIn("root:", self.get(path).text)

    def test_without_a_built_front_end_the_api_stands_alone(self):
        with tempfile.TemporaryDirectory() as folder:
            app = create_app(WebConfig(Path(folder) / "zirkel.sqlite", front_end=None))
            self.assertEqual(app.test_client().get("/").status_code, 404)
            self.assertEqual(
                app.test_client().get("/api/v1/studies").json,
                {"studies": [], "broken": [], "down": [], "pupils": 0},
            )
            app.extensions["zirkel_store"].close()

    def test_zirkel_s_own_mistakes_are_told_as_such_and_show_no_inside(self):
        self.app.extensions["zirkel_store"].close()
        self.app.extensions["zirkel_store"] = None
        with self.assertLogs(self.app.logger, "ERROR"):
            answer = self.get("/api/v1/studies")
        self.assertEqual(answer.status_code, 500)
        self.assertIn("Zirkel's mistake", answer.json["detail"])
        self.assertNotIn("NoneType", answer.text)
        self.addCleanup(lambda: None)

    def tearDown(self):
        if self.app.extensions["zirkel_store"] is None:
            self.app.extensions["zirkel_store"] = _Closed()


class _Closed:
    def close(self):
        """Already closed."""


if __name__ == "__main__":
    unittest.main()
