"""The bench on a phone, by touch: the stick over the subject, Keep in reach whatever is said."""

import json
import unittest
import urllib.request
from typing import ClassVar

from tests.browser.case import BrowserCase

COVERED = """(button) => {
  const box = button.getBoundingClientRect();
  const top = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2);
  return box.bottom > innerHeight || !(top && (button === top || button.contains(top)));
}"""


class Phone(BrowserCase):
    viewport: ClassVar = {"width": 390, "height": 844}
    touch = True

    def setUp(self):
        super().setUp()
        request = urllib.request.Request(
            self.server.address + "/api/v1/studies/from-scene",
            json.dumps({"scene": "wooden_mask"}).encode(),
            {"Content-Type": "application/json"},
            method="POST",
        )
        with urllib.request.urlopen(request) as answer:
            self.number = int(json.load(answer)["id"])
        self.open(f"/studies/{self.number}", "text=Sight next")

    def keep(self):
        return self.page.get_by_role("button", name="Keep")

    def test_the_stick_is_taken_up_read_and_kept_and_waits_while_nothing_answers(self):
        page, version = self.page, self.version()
        page.get_by_role("button", name="Take it").tap()
        page.get_by_role("button", name="Take up the stick").tap()
        bar = page.locator("div[data-stick=true]").bounding_box()
        for ring in page.locator("[data-end] circle").all():
            box = ring.bounding_box()
            self.assertLess(box["y"] + box["height"], bar["y"] + 1)
            self.assertGreater(box["y"], 0)
        self.assertLessEqual(bar["y"] + bar["height"], 844)
        # Whatever lies in the prompt, the thumb is set along the unit itself.
        page.get_by_role("button", name="Set the thumb").tap()
        page.wait_for_selector("text=The thumb is set")
        page.get_by_role("button", name="Read it").tap()
        page.wait_for_selector("text=Enter keeps it")
        self.assertFalse(self.keep().evaluate(COVERED))
        self.keep().tap()
        self.wait_for_version(version + 1)
        # The server goes away: it is said above, and what is kept waits.
        self.context.route("**/changes", lambda route: route.abort())
        self.context.route("**/live?*", lambda route: route.abort())
        page.get_by_role("button", name="Take it").tap()
        page.get_by_role("button", name="Read it").tap()
        page.wait_for_selector("text=Enter keeps it")
        self.assertFalse(self.keep().evaluate(COVERED))
        self.keep().tap()
        page.wait_for_selector("[data-unsent=waits]")
        self.assertFalse(self.keep().evaluate(COVERED))
        self.context.unroute("**/changes")
        self.context.unroute("**/live?*")


if __name__ == "__main__":
    unittest.main()
