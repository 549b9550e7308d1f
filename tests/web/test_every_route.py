"""Every route: documented, told apart from pages, and plain about what is not there."""

import re

from tests.web.test_prompts import PrompterCase

ODD = ("0", "99999", "-1", "x", "1.5", "%00", "999999999999999999999")


class EveryRoute(PrompterCase):
    def routes(self):
        return [rule for rule in self.client.application.url_map.iter_rules()
                if rule.rule.startswith("/api/v1/")]  # fmt: skip

    def document(self):
        return self.client.get("/api/v1/openapi.json").json

    def test_there_are_routes_of_every_stage(self):
        paths = " ".join(each.rule for each in self.routes())
        for word in ("scenes", "sheet", "prompts", "recipe", "undo", "import", "pad", "take"):
            self.assertIn(word, paths)

    def test_an_unknown_study_is_told_as_such(self):
        asked = 0
        for rule in self.routes():
            if "study_id" not in rule.rule or "GET" not in rule.methods:
                continue
            path = re.sub(r"<int:study_id>", "99999", rule.rule)
            path = re.sub(r"<[^>]+>", "x", path)
            answer = self.client.get(path)
            self.assertIn(answer.status_code, (404, 422), path)
            self.assertEqual(answer.mimetype, "application/problem+json", path)
            self.assertTrue(answer.json["detail"], path)
            asked += 1
        self.assertGreater(asked, 6)

    def test_odd_numbers_of_studies_never_break_it(self):
        for odd in ODD:
            for what in ("", "/prompts", "/recipe", "/file"):
                answer = self.client.get(f"/api/v1/studies/{odd}{what}")
                self.assertIn(answer.status_code, (404, 422), f"{odd}{what}")

    def test_a_body_that_is_no_json_is_refused_everywhere(self):
        tried = 0
        for rule in self.routes():
            if "POST" not in rule.methods:
                continue
            path = re.sub(r"<int:study_id>", str(self.number), rule.rule)
            path = re.sub(r"<[^>]+>", "x", path)
            for body in (b"", b"{", b"[]", b"null", b"\xff\xfe", b'{"version": "x"}'):
                answer = self.client.post(path, data=body, content_type="application/json")
                self.assertIn(
                    answer.status_code, (200, 201, 400, 403, 404, 409, 413, 415, 422), path
                )
                if answer.status_code >= 400:
                    self.assertEqual(answer.mimetype, "application/problem+json", path)
                tried += 1
        self.assertGreater(tried, 30)
        self.assertEqual(self.get()["version"], 1)

    def test_another_method_is_refused_and_said_plainly(self):
        for path in ("/api/v1/studies", "/api/v1/pad", f"/api/v1/studies/{self.number}/prompts"):
            answer = self.client.delete(path)
            self.assertEqual(answer.status_code, 405)
            self.assertEqual(answer.mimetype, "application/problem+json")

    def test_every_answer_has_a_name_by_which_the_front_end_calls_it(self):
        names = [
            operation["operationId"]
            for path in self.document()["paths"].values()
            for operation in path.values()
        ]
        self.assertEqual(len(set(names)), len(names))
        self.assertGreater(len(names), 25)
        for each in names:
            self.assertRegex(each, r"^[a-z][A-Za-z_]+$")

    def test_every_operation_says_what_it_is_for(self):
        for path, operations in self.document()["paths"].items():
            for method, operation in operations.items():
                self.assertTrue(operation.get("summary"), f"{method} {path}")

    def test_the_pad_has_an_entry_for_each_way_of_reading(self):
        entries = self.client.get("/api/v1/pad").json
        kinds = next(value for value in entries.values() if isinstance(value, list))
        self.assertGreaterEqual(len(kinds), 9)
        for each in kinds:
            self.assertTrue(each["label"])
            self.assertTrue(each["slots"])
