"""Run the measurements and print the tables that stand in docs/measurements.md."""

import sys

from bench import browser, quality, speed

PARTS = {"core": speed.main, "quality": quality.main, "browser": browser.main}

for name in sys.argv[1:] or PARTS:
    PARTS[name]()
