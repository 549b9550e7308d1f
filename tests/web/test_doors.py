"""Every door with odd input: a sentence, nothing lost, and every study readable afterwards."""

import json
import random
import struct
import unittest
import zlib

from sqlalchemy import text

from tests import times
from tests.files import SMALL
from tests.serving import ServedCase, demonstration
from tests.web.fuzz import mutated

NINES = int("9" * 400)
HALF = "\ud800"


def png(width, height):
    """A black picture's file, small however large it says it is."""

    def chunk(kind, data):
        return (
            struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))
        )

    rows = zlib.compress(b"\0" * (width + 1) * height) if width * height < 10**8 else b""
    head = struct.pack(">IIBBBBB", width, height, 8, 0, 0, 0, 0)
    return b"\x89PNG\r\n\x1a\n" + b"".join(
        chunk(kind, data) for kind, data in ((b"IHDR", head), (b"IDAT", rows), (b"IEND", b""))
    )


class DoorCase(ServedCase):
    def setUp(self):
        super().setUp()
        self.number = self.take_in(SMALL).json["id"]

    def take_in(self, document, kind="application/json", **headers):
        data = document if isinstance(document, bytes) else json.dumps(document).encode()
        return self.client.post(
            "/api/v1/studies/import", data=data, content_type=kind, headers=headers
        )

    def change(self, change, token=None, study=None):
        study = study or self.number
        version = self.client.get(f"/api/v1/studies/{study}").json["version"]
        body = {"version": version, "change": change, **({"token": token} if token else {})}
        return self.client.post(
            f"/api/v1/studies/{study}/changes",
            data=json.dumps(body),
            content_type="application/json",
        )

    def refused(self, answer, *said):
        """A 4xx with a sentence that can be printed."""
        self.assertIn(answer.status_code, range(400, 500), answer.text[:300])
        problem = json.loads(answer.data.decode())
        self.assertGreater(len(problem["detail"]), 10)
        for each in said:
            self.assertIn(each, problem["detail"])
        return problem

    def all_readable(self):
        """Every study of the wall opens, and its file can be read again."""
        wall = self.client.get("/api/v1/studies").json
        self.assertEqual(wall["broken"], [])
        for each in wall["studies"]:
            self.assertEqual(self.client.get(f"/api/v1/studies/{each['id']}").status_code, 200)
            saved = self.client.get(f"/api/v1/studies/{each['id']}/file").data
            self.assertEqual(self.take_in(saved).status_code, 201, each["title"])
        return wall


class OddChanges(DoorCase):
    def test_each_is_refused_by_a_sentence_and_nothing_changes(self):
        sheet = {"width_mm": 200, "height_mm": 300}
        landmark = {"type": "add_landmark", "name": "Spout", "tier": 1, "rough": [0, 0]}
        before = self.client.get(f"/api/v1/studies/{self.number}").json["version"]
        for change, said in (
            ({"type": "set_trust", "trust": {"tilt": 1e-160}}, "tilt"),
            ({"type": "set_title", "title": f"a{HALF}b"}, "half a letter"),
            ({"type": "set_title", "title": "x" * 500}, "title"),
            ({"type": "set_unit_size", "unit_mm": NINES}, "unit_mm"),
            ({"type": "set_unit_size", "unit_mm": "9" * 400}, "too long for a number"),
            ({"type": "set_unit_size", "unit_mm": "9" * 39}, "too large"),
            ({"type": "set_unit_size", "unit_mm": [[[]]]}, "unit_mm"),
            ({"type": "set_sheet", "sheet": {**sheet, "width_mm": NINES}}, "sheet.width_mm"),
            ({"type": "set_sheet", "sheet": {**sheet, "own": HALF}}, "half a letter"),
            ({"type": "set_sheet", "sheet": {**sheet, "own": 1e999}}, ""),
            ({"type": "set_sheet", "sheet": 7}, "change.sheet"),
            ({**landmark, "tier": NINES}, "tier"),
            ({**landmark, "name": HALF}, "half a letter"),
            ({"type": "read_table", "table": "kind\n" + "x" * 2_000_001}, "table"),
            ({"type": "no_such_thing"}, "change.type"),
            ({}, "change"),
        ):
            with self.subTest(str(change)[:60]):
                self.refused(self.change(change), said)
        self.assertEqual(self.client.get(f"/api/v1/studies/{self.number}").json["version"], before)
        self.all_readable()

    def test_limits_hold_at_this_door_as_in_the_file(self):
        many = {**SMALL, "landmarks": [
            *SMALL["landmarks"],
            *({"id": f"x{i}", "name": f"X {i}", "tier": 3, "rough": [i, 1]} for i in range(1000)),
        ]}  # fmt: skip
        self.refused(self.take_in(many), "landmarks")
        many["landmarks"] = many["landmarks"][:1000]
        full = self.take_in(many)
        self.assertEqual(full.status_code, 201, full.text[:300])
        one = {"type": "add_landmark", "name": "Spout", "tier": 1, "rough": [0, 0]}
        self.refused(self.change(one, study=full.json["id"]), "landmarks")
        wall = self.client.get("/api/v1/studies").json
        self.assertEqual((len(wall["studies"]), wall["broken"]), (2, []))

    def test_a_token_stands_for_one_change_only(self):
        one, other = ({"type": "set_title", "title": name} for name in ("One", "Other"))
        first = self.change(one, "token-0001")
        again = self.change(one, "token-0001")
        self.assertEqual((first.json["version"], again.json["version"]), (2, 2))
        answer = self.change(other, "token-0001")
        self.assertEqual(answer.status_code, 409)
        self.refused(answer, "token of its own")
        undone = self.client.post(
            f"/api/v1/studies/{self.number}/undo", json={"version": 2, "token": "token-0001"}
        )
        self.assertEqual(undone.status_code, 409)
        self.assertEqual(self.client.get(f"/api/v1/studies/{self.number}").json["title"], "One")


class OddFiles(DoorCase):
    def test_what_is_taken_in_can_be_written_and_read_again(self):
        start = json.dumps(SMALL)[:-1].encode()
        for name, rest, status in (
            ("deep", b"[" * 1000 + b"]" * 1000, 422),
            ("rather deep", b"[" * 300 + b"]" * 300, 201),
            ("endless", b"1e999", 422),
            ("long", b"9" * 400, 201),
            ("too long", b"9" * 5000, 422),
            ("half", b'"\\ud800"', 422),
            ("nothing", b'"\\u0000"', 201),
            ("constant", b"NaN", 422),
        ):
            with self.subTest(name):
                answer = self.take_in(start + b',"own":' + rest + b"}")
                self.assertEqual(answer.status_code, status, answer.text[:200])
        self.refused(self.take_in(start + b',"\\ud800":1}'), "half a letter")
        self.refused(self.take_in(b"[" * 100_000), "not JSON")
        self.all_readable()

    def test_many_unknown_names_are_told_twenty_at_a_time(self):
        lost = [
            {"id": f"t{i}", "kind": "tilt", "from": f"a{i}", "to": f"b{i}", "degrees": 3}
            for i in range(5000)
        ]
        problem = self.refused(self.take_in({**SMALL, "sightings": lost}), "no landmark")
        self.assertLessEqual(len(problem["problems"]), 20)

    def test_odd_names_for_landmarks(self):
        text_of = json.dumps(SMALL, ensure_ascii=False).replace("pot_rim", "s²")
        self.assertEqual(self.take_in(text_of.encode()).status_code, 201)
        self.all_readable()

    def test_pictures_of_odd_sizes(self):
        for width, height in ((32, 2_000_000), (2_000_000, 32), (60_000, 60_000), (1, 1)):
            with self.subTest((width, height)):
                answer = self.client.post(
                    "/api/v1/pictures", data=png(width, height), content_type="image/png"
                )
                self.refused(answer, "picture")
        good = self.client.post("/api/v1/pictures", data=png(40, 40), content_type="image/png")
        self.assertEqual(good.status_code, 201)


class MutatedFiles(DoorCase):
    def test_each_is_taken_in_whole_or_refused_by_a_sentence(self):
        rng = random.Random(7)
        taken = 0
        names = (
            "Potting bench, morning light", "Boathouse across the water", "Wooden mask on a peg"
        )  # fmt: skip
        for name in names:
            data = demonstration(name)
            for _ in range(times(30)):
                answer = self.take_in(mutated(data, rng))
                if answer.status_code == 201:
                    taken += 1
                else:
                    self.refused(answer)
        self.assertGreater(taken, 1)
        wall = self.client.get("/api/v1/studies").json
        self.assertEqual((len(wall["studies"]), wall["broken"]), (taken + 1, []))


class Foreign(DoorCase):
    def test_pages_from_elsewhere_write_nothing(self):
        for headers in (
            {"Origin": "http://elsewhere.test"},
            {"Origin": "null"},
            {"Sec-Fetch-Site": "cross-site"},
            {"Sec-Fetch-Site": "same-site", "Origin": "http://localhost:1"},
        ):
            with self.subTest(headers):
                self.refused(self.take_in(SMALL, **headers), "own pages only")
        own = {"Origin": "http://localhost", "Sec-Fetch-Site": "same-origin"}
        self.assertEqual(self.take_in(SMALL, **own).status_code, 201)

    def test_files_come_as_what_they_are(self):
        for kind in ("text/plain", "application/x-www-form-urlencoded", "multipart/form-data", ""):
            with self.subTest(kind):
                self.refused(self.take_in(SMALL, kind), "application/json")
        answer = self.client.post("/api/v1/pictures", data=png(40, 40), content_type="text/plain")
        self.assertEqual(answer.status_code, 415)

    def test_only_its_own_names_are_answered(self):
        for host, status in (("elsewhere.test", 403), ("localhost:99", 200), ("127.0.0.1", 200),
                             ("192.0.2.7", 403)):  # fmt: skip
            answer = self.client.get("/api/v1/studies", headers={"Host": host})
            self.assertEqual(answer.status_code, status, host)
        self.serve(host="0.0.0.0", passcode="48219037")
        for host, status in (("192.0.2.7:8765", 200), ("elsewhere.test", 403)):
            answer = self.client.get("/api/v1/studies", headers={"Host": host})
            self.assertEqual(answer.status_code, status, host)


class FullDisk(DoorCase):
    def test_it_is_said_and_reading_goes_on(self):
        engine = self.app.extensions["zirkel_store"]._engine
        with engine.connect() as connection:
            pages = connection.exec_driver_sql("PRAGMA page_count").scalar()
            connection.exec_driver_sql(f"PRAGMA max_page_count = {pages}")
        note = {"type": "set_title", "title": "x" * 200}
        answers = [self.change({**note, "title": f"{i:0200}"}) for i in range(60)]
        full = [each for each in answers if each.status_code != 200]
        self.assertTrue(full)
        self.assertEqual({each.status_code for each in full}, {507})
        self.assertIn("The disk is full", full[0].json["detail"])
        kept = self.client.get(f"/api/v1/studies/{self.number}")
        self.assertEqual(kept.status_code, 200)
        last = max(i for i, each in enumerate(answers) if each.status_code == 200)
        self.assertEqual(kept.json["title"], f"{last:0200}")


class CannotBeRead(DoorCase):
    def spoil(self, study):
        """Something that no version of Zirkel writes, straight into the row."""
        engine = self.app.extensions["zirkel_store"]._engine
        with engine.begin() as connection:
            connection.execute(
                text("UPDATE record SET body = :b WHERE study_id = :s AND collection = 'sightings'"
                     " AND position = 0"),
                {"b": json.dumps({"id": "s1", "kind": "hop"}), "s": study},
            )  # fmt: skip

    def test_it_hangs_as_such_with_its_file_and_its_history(self):
        other = self.take_in({**SMALL, "title": "Sound"}).json["id"]
        taken = SMALL["sightings"][0]
        self.change({"type": "edit_sighting", "sighting": {**taken, "units": 1.3}})
        self.spoil(self.number)
        self.serve()
        wall = self.client.get("/api/v1/studies").json
        self.assertEqual([each["id"] for each in wall["studies"]], [other])
        (broken,) = wall["broken"]
        self.assertIn("sightings", broken["why"])
        self.refused(self.client.get(f"/api/v1/studies/{self.number}"), "can't be read")
        saved = json.loads(self.client.get(f"/api/v1/studies/{self.number}/file").data)
        self.assertEqual(saved["sightings"][0]["kind"], "hop")
        self.assertIsNotNone(broken["undo"])
        back = self.client.post(
            f"/api/v1/studies/{self.number}/undo", json={"version": broken["version"]}
        )
        self.assertEqual(back.status_code, 200, back.text)
        self.assertEqual(self.all_readable()["broken"], [])


if __name__ == "__main__":
    unittest.main()
