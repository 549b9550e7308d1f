"""Every shipped scene sighted by its suggestions alone, with the stick: no dead end, no circle."""

import unittest
from collections import Counter

from tests import times
from tests.web.test_subject import SubjectCase
from zirkel.scenes import shipped_scenes

HELD = {"drop": "drop", "level": "height", "tilt": "tilt"}
STEPS, AGAIN = 90, 2


class Walk(SubjectCase):
    def read(self, prompt):
        """What the stick reads, laid as the suggestion asks."""
        place = {each["id"]: each for each in self.bench["landmarks"]}
        start, end = (
            [place[prompt[key]]["seen_left_mm"], place[prompt[key]]["seen_top_mm"]]
            for key in ("start", "end")
        )
        return self.post(
            f"/studies/{self.number}/stick", 200, start=start, end=end,
            held=HELD.get(prompt["kind"], prompt["along"]), from_landmark=prompt["start"],
            to_landmark=prompt["end"], thumb=self.bench["sheet"]["unit_mm"],
        )  # fmt: skip

    def walk(self, scene):
        """Readings until every landmark that can be seen is held."""
        self.number = self.post("/studies/from-scene", 201, scene=scene)["id"]
        self.bench = self.get(f"/studies/{self.number}").json
        asked = Counter()
        for count in range(STEPS):
            loose = [
                each["id"] for each in self.bench["landmarks"]
                if each["standing"] == "loose" and each["seen_left_mm"] is not None
            ]  # fmt: skip
            if not loose:
                return count
            version = self.bench["version"]
            prompts = self.get(f"/studies/{self.number}/prompts?version={version}").json
            prompt = (prompts["sightings"] + prompts["checks"])[0]
            key = (prompt["kind"], prompt["start"], prompt["end"], prompt["along"])
            asked[key] += 1
            self.assertLessEqual(asked[key], AGAIN, (scene, prompt["ask"]))
            entry = {**self.read(prompt)["entry"], "id": "x"}
            self.bench = self.change(type="take_sighting", sighting=entry)
        self.fail(f"{scene}: {loose} are still loose after {STEPS} readings")
        return STEPS

    def test_scenes_come_to_an_end(self):
        """Every shipped one in the campaign; here the tea chest, of which the first suggestion once
        couldn't be read, and two more."""
        first = ["tea_chest", "wooden_mask", "potting_bench"]
        names = [*first, *(each for each in shipped_scenes() if each not in first)]
        taken = {name: self.walk(name) for name in names[: times(3)]}
        for name, count in taken.items():
            landmarks = len(shipped_scenes()[name].landmarks)
            # The large shapes are made sure and checked before the small ones are begun.
            self.assertLessEqual(count, 4.5 * landmarks, name)


if __name__ == "__main__":
    unittest.main()
