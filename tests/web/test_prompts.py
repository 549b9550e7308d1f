"""The prompter's side of the API on the demonstration: suggestions, relations, trust, keeping."""

import unittest
from statistics import median

from tests.serving import ServedCase


class PrompterCase(ServedCase):
    demo = True

    def setUp(self):
        super().setUp()
        cards = self.client.get("/api/v1/studies").json["studies"]
        self.number = next(each["id"] for each in cards if each["title"].startswith("Potting"))
        self.version = 1

    def get(self, what=""):
        return self.client.get(f"/api/v1/studies/{self.number}{what}").json

    def change(self, **change):
        answer = self.client.post(
            f"/api/v1/studies/{self.number}/changes",
            json={"version": self.version, "change": change},
        )
        self.assertEqual(answer.status_code, 200, answer.text)
        self.version = answer.json["version"]
        return answer.json


class Prompting(PrompterCase):
    def test_the_large_shapes_come_first(self):
        tier = {each["id"]: each["tier"] for each in self.get()["landmarks"]}
        first, *_ = self.get("/prompts")["sightings"]
        self.assertEqual(max(tier[first["start"]], tier[first["end"]]), 1)
        self.assertEqual([each["tier"] for each in self.get()["tiers"]], [1, 2, 3])

    def test_what_is_loose_says_what_would_hold_it(self):
        prompts = self.get("/prompts")
        holds = {each["settles"]: each for each in prompts["holds"]}["dibber_point"]
        self.assertLess(holds["after_mm"], 0.2 * holds["before_mm"])
        self.assertIn("Dibber, point", holds["ask"])
        reading = {"id": "new", "kind": holds["kind"], "from": holds["start"], "to": holds["end"]}
        bench = self.change(type="take_sighting", sighting={**reading, "degrees": "4:00"})
        point = next(each for each in bench["landmarks"] if each["id"] == "dibber_point")
        self.assertEqual(point["standing"], "held")
        self.assertIsNotNone(point["slack_mm"])

    def test_the_artist_s_own_tolerance_is_enough(self):
        self.assertFalse(self.get()["tiers"][0]["sure"])
        self.change(type="set_checking", tolerance={"large": 60.0})
        self.assertTrue(self.get()["tiers"][0]["sure"])
        self.assertTrue(self.get("/prompts")["sightings"][0]["checks"], "now it is to be checked")

    def test_checks_name_unchecked_readings(self):
        prompts = self.get("/prompts")
        self.assertTrue(set(prompts["checks"][0]["checks"]) <= set(prompts["unchecked"]))
        states = {each["id"]: each["state"] for each in self.get()["readings"]}
        for name in prompts["unchecked"]:
            self.assertEqual(states[name], "unchecked")


class Doubting(PrompterCase):
    def test_the_wrong_reading_reads_like_a_colleague_s_remark(self):
        (doubt,) = self.get()["doubts"]
        self.assertEqual((doubt["sighting"], doubt["reads"]), ("s13", "1 3/8 cans"))
        self.assertIn("The others make it 1 can", doubt["headline"])
        self.assertFalse(doubt["kept"])

    def test_kept_all_the_same(self):
        bench = self.change(type="keep_sighting", id="s13")
        self.assertTrue(bench["doubts"][0]["kept"])
        back = self.client.post(
            f"/api/v1/studies/{self.number}/undo", json={"version": self.version}
        )
        self.assertFalse(back.json["doubts"][0]["kept"])

    def test_struck_it_no_longer_strains_its_landmarks(self):
        before = {each["id"]: each["standing"] for each in self.get()["landmarks"]}
        after = {
            each["id"]: each["standing"]
            for each in self.change(type="strike_sighting", id="s13")["landmarks"]
        }
        self.assertEqual((before["pot1_l"], before["stack_foot_l"]), ("doubt", "doubt"))
        self.assertNotIn("doubt", after.values())


class Relating(PrompterCase):
    def test_a_relation_is_adopted_and_left_out_again(self):
        found = self.get("/relations")
        first = found["relations"][0]
        places = [each["held_left_mm"] for each in self.get()["landmarks"]]
        bench = self.change(type="adopt_relation", relation=first["entry"])
        self.assertEqual(bench["adopted"][0]["said"], first["said"])
        self.assertEqual([each["held_left_mm"] for each in bench["landmarks"]], places)
        self.assertNotIn(first["said"], [e["said"] for e in self.get("/relations")["relations"]])
        bench = self.change(type="leave_relation", id="r1")
        self.assertEqual(bench["adopted"], [])

    def test_lines_lie_on_the_sheet(self):
        lines = self.get("/relations")["lines"]
        self.assertEqual({each["axis"] for each in lines}, {"plumb", "level"})
        sheet = self.get()["sheet"]
        for each in lines:
            limit = sheet["width_mm"] if each["axis"] == "plumb" else sheet["height_mm"]
            self.assertTrue(0.0 < each["at_mm"] < limit)
            self.assertGreaterEqual(len(each["through"]), 2)

    def test_a_relation_of_nothing_is_refused(self):
        entry = {"id": "r", "kind": "drop", "from": "can_rim_l", "to": "nowhere"}
        answer = self.client.post(
            f"/api/v1/studies/{self.number}/changes",
            json={"version": 1, "change": {"type": "adopt_relation", "relation": entry}},
        )
        self.assertEqual(answer.status_code, 422)
        self.assertIn("nowhere", answer.json["detail"])


class Trusting(PrompterCase):
    def test_every_kind_of_the_study_is_told_of(self):
        kinds = {each["kind"]: each for each in self.get("/trust")["kinds"]}
        self.assertEqual(set(kinds), {"span", "tilt", "drop", "level", "part"})
        self.assertEqual(kinds["tilt"]["sigma"], "±2.0°")
        self.assertGreaterEqual(sum(each["readings"] for each in kinds.values()), 59)

    def usual(self, bench):
        """The slack in the middle of all."""
        return median(each["slack_mm"] for each in bench["landmarks"] if each["slack_mm"])

    def test_trust_set_is_trust_used(self):
        before = self.usual(self.get())
        kinds = ("span", "tilt", "drop", "level", "part")
        bench = self.change(type="set_trust", trust=dict.fromkeys(kinds, 2.0))
        self.assertGreater(self.usual(bench), 1.5 * before)
        self.assertEqual(self.get("/trust")["kinds"][-1]["sigma"], "±4.0°")

    def test_trust_in_no_kind_at_all_is_refused(self):
        answer = self.client.post(
            f"/api/v1/studies/{self.number}/changes",
            json={"version": 1, "change": {"type": "set_trust", "trust": {"guess": 2.0}}},
        )
        self.assertIn("no kind of sighting", answer.json["detail"])


if __name__ == "__main__":
    unittest.main()
