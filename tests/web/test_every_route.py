"""Every route: documented, told apart from pages, and plain about what is not there."""

import re

from tests.web.test_prompts import PrompterCase

ODD = {"0": 422, "99999": 404, "-1": 404, "x": 404, "1.5": 404, "%00": 404, "9" * 21: 422}
"""Numbers that no study has, and how each is answered: 422 is a number out of its bounds."""

BODIES = (b"", b"{", b"[]", b"null", b"\xff\xfe", b'{"version": "x"}')
USUAL = (400, 400, 422, 400, 400, 422)
"""What is no JSON object isn't read; what is one is held against what is asked for."""

OTHERWISE = {
    **dict.fromkeys(("/studies/import", "/scenes", "/kits", "/practice/file", "/series",
                     "/lessons/file"),
                    (422,) * 6),
    **dict.fromkeys(("/pictures", "/shelf"), (415,) * 6),
    **dict.fromkeys(("/studies/<int:study_id>/station", "/studies/<int:study_id>/sheet"),
                    (*USUAL[:5], 200)),
    "/studies/<int:study_id>/copy": (201,) * 6,
    "/door/passcode": (403,) * 6,
}  # fmt: skip
"""Doors that take a file say so by what is wrong with it, or that it isn't one; two ask for nothing
that must be there, one for nothing at all; and served here alone there is no passcode."""


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
            # Who listens says first who it is.
            self.assertEqual(answer.status_code, 422 if path.endswith("/live") else 404, path)
            self.assertEqual(answer.mimetype, "application/problem+json", path)
            self.assertTrue(answer.json["detail"], path)
            asked += 1
        self.assertGreater(asked, 6)

    def test_odd_numbers_of_studies_never_break_it(self):
        for odd, status in ODD.items():
            for what in ("", "/prompts", "/recipe", "/file"):
                answer = self.client.get(f"/api/v1/studies/{odd}{what}")
                self.assertEqual(answer.status_code, status, f"{odd}{what}")

    def test_a_body_that_is_no_json_is_refused_everywhere(self):
        known = set(OTHERWISE)
        for rule in self.routes():
            name = rule.rule.removeprefix("/api/v1")
            for method in {"POST", "PUT"} & rule.methods:
                path = re.sub(r"<int:study_id>", str(self.number), rule.rule)
                path = re.sub(r"<[^>]+>", "x", path)
                for body, status in zip(BODIES, OTHERWISE.get(name, USUAL), strict=True):
                    answer = self.client.open(
                        path, method=method, data=body, content_type="application/json"
                    )
                    self.assertEqual(answer.status_code, status, f"{method} {path}: {body}")
                    if status >= 400:
                        self.assertEqual(answer.mimetype, "application/problem+json", path)
                known.discard(name)
        self.assertEqual(known, set())
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
