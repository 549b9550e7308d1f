"""The whole shelf through the API: out, in again, and what is refused at that door."""

import io
import json
import unittest
import zipfile

from tests.files import SMALL
from tests.pictures.images import drawing, saved
from tests.web.test_subject import SubjectCase
from zirkel.commands.shelf import LIST
from zirkel.web.guard import MOST_BODY


class Shelf(SubjectCase):
    def setUp(self):
        super().setUp()
        self.number = self.post("/studies/import", 201, data=json.dumps(SMALL).encode())["id"]
        self.picture = self.post("/pictures", 201, data=saved(drawing(), "PNG"))["picture"]

    def packed(self):
        with self.get("/shelf") as answer:
            self.assertEqual((answer.status_code, answer.mimetype), (200, "application/zip"))
            self.assertRegex(
                answer.headers["Content-Disposition"], r"shelf-\d{4}-\d\d-\d\d\.zirkel\.zip"
            )
            return answer.get_data()

    def send(self, data, kind="application/zip"):
        return self.client.post("/api/v1/shelf", data=data, content_type=kind)

    def test_what_is_sent_out_is_known_when_it_comes_in_again(self):
        data = self.packed()
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            listed = json.loads(archive.read(LIST))
            self.assertIsNone(archive.testzip())
        self.assertEqual((len(listed["studies"]), len(listed["pictures"])), (1, 1))
        told = self.send(data).json
        self.assertEqual((told["studies"], told["pictures"], told["known"]), (0, 0, 2))
        wall = self.get("/studies").json["studies"]
        self.assertEqual([each["id"] for each in wall], [self.number])

    def test_a_study_that_is_changed_since_comes_in_beside_it(self):
        data = self.packed()
        change = {"type": "set_title", "title": "Another name"}
        self.post(f"/studies/{self.number}/changes", version=1, change=change)
        self.assertEqual(self.send(data).json["studies"], 1)
        titles = {each["title"] for each in self.get("/studies").json["studies"]}
        self.assertEqual(titles, {"Another name", SMALL["title"]})

    def test_a_study_taken_down_comes_in_taken_down(self):
        self.client.put(f"/api/v1/studies/{self.number}/removed", json={"removed": True})
        other = type(self)("run_nothing")
        SubjectCase.setUp(other)
        self.addCleanup(other.doCleanups)
        self.assertEqual(other.send(self.packed()).json["studies"], 1)
        wall = other.get("/studies").json
        self.assertEqual((wall["studies"], len(wall["down"])), ([], 1))

    def run_nothing(self):
        """Only to have another application beside this one."""

    def test_other_kinds_and_other_files_are_refused_in_a_sentence(self):
        data = self.packed()
        self.assertEqual(self.send(data, "application/json").status_code, 415)
        for odd in (b"", b"x", b"PK\x03\x04", data[:200], json.dumps(SMALL).encode()):
            answer = self.send(odd)
            self.assertEqual(answer.status_code, 422, odd[:20])
            self.assertEqual(answer.mimetype, "application/problem+json")
            self.assertIn("archive of a shelf", answer.json["detail"])

    def test_one_too_large_for_the_web_is_told_the_other_way(self):
        answer = self.client.post(
            "/api/v1/shelf", data=b"", content_type="application/zip",
            headers={"Content-Length": str(MOST_BODY + 1)},
        )  # fmt: skip
        self.assertIn(answer.status_code, (413, 422))
        self.assertTrue(answer.json["detail"])


if __name__ == "__main__":
    unittest.main()
