"""A made-up class for the pictures: eight pupils who sight the mask, some with a bent elbow, one
with a turned stick."""

from __future__ import annotations

import json
import urllib.request
from typing import Any

from zirkel.core.simulation.artist import Hand, sight_scene
from zirkel.core.study import Sheet
from zirkel.scenes import shipped_scenes
from zirkel.studyfile.read import write_study

NAMES = ("Ada", "Bo", "Cleo", "Dan", "Elif", "Finn", "Gro", "Hal")
BENT, TURNED = ("Bo", "Dan", "Finn"), "Elif"
SCENE, TITLE = "wooden_mask", "Tuesday, the mask"


def ask(address: str, path: str, body: Any) -> Any:
    """Post something; the answer."""
    request = urllib.request.Request(
        f"{address}/api/v1{path}", json.dumps(body).encode(), {"Content-Type": "application/json"}
    )
    with urllib.request.urlopen(request) as answer:
        return json.load(answer)


def teach(address: str) -> str:
    """Let the class sight; the lesson's name in addresses."""
    scene = shipped_scenes()[SCENE]
    lesson = str(ask(address, "/lessons", {"scene": SCENE, "title": TITLE})["id"])
    for number, name in enumerate(NAMES):
        study = ask(address, f"/lessons/{lesson}/pupils", {"name": name})["study_id"]
        hand = Hand(per_landmark=1.0 + 0.25 * number)
        made = sight_scene(scene, scene.station, Sheet(210.0, 297.0), number + 3, hand)
        version = 1
        for each in json.loads(write_study(made))["sightings"]:
            each.pop("at", None)
            if name in BENT and each["kind"] == "span":
                each["units"] *= 0.9
            if name == TURNED and each["kind"] == "tilt":
                each["degrees"] = (each["degrees"] + 5.0) % 180.0
            change = {"type": "take_sighting", "sighting": each}
            version = ask(
                address, f"/studies/{study}/changes", {"version": version, "change": change}
            )["version"]
    return lesson
