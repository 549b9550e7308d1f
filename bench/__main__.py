"""Run the measurements and print the tables that stand in docs/measurements.md."""

import sys

from bench import (
    beginners,
    browser,
    campaign,
    checking,
    classroom,
    command,
    exchange,
    first_load,
    fuzz,
    hands,
    heads,
    learners,
    overtaken,
    perspective,
    photographs,
    practice,
    quality,
    recipe,
    sitting,
    speed,
    strangers,
    sure,
    tones,
    turned,
    wall,
    worth,
)

PARTS = {
    "beginners": beginners.main,
    "core": speed.main,
    "quality": quality.main,
    "command": command.main,
    "browser": browser.main,
    "overtaken": overtaken.main,
    "recipe": recipe.main,
    "hands": hands.main,
    "checking": checking.main,
    "sure": sure.main,
    "perspective": perspective.main,
    "tones": tones.main,
    "heads": heads.main,
    "learners": learners.main,
    "practice": practice.main,
    "sitting": sitting.main,
    "photographs": photographs.main,
    "campaign": campaign.main,
    "wall": wall.main,
    "classroom": classroom.main,
    "fuzz": fuzz.main,
    "exchange": exchange.main,
    "turned": turned.main,
    "first_load": first_load.main,
    "worth": worth.main,
    "strangers": strangers.main,
}

for name in sys.argv[1:] or PARTS:
    PARTS[name]()
