"""Every exercise answered in a real browser: by mouse, by keys alone, by a finger on a phone."""

import re
import unittest
from typing import ClassVar

from playwright.sync_api import expect

from tests import CAMPAIGN
from tests.browser.test_practice import JUDGED, PracticeCase
from zirkel.core.practice.exercises import EXERCISES

ALL = sorted(EXERCISES)
TRIALS = 10 if CAMPAIGN else 1


def share(number):
    """A third of the exercises for each way; all of them in a campaign."""
    return ALL if CAMPAIGN else ALL[number::3]


class EveryExercise(PracticeCase):
    def each(self, number, answer):
        for name in share(number):
            self.drill(name, TRIALS)
            for trial in range(TRIALS):
                with self.subTest(name, trial=trial):
                    box, posed = self.board()
                    if posed.way.look:
                        expect(self.page.locator("[data-board] circle")).to_have_count(
                            0, timeout=20_000
                        )
                    answer(box, posed)
                    self.page.wait_for_selector(JUDGED)
                    said = self.page.locator(JUDGED).inner_text()
                    self.assertRegex(said, r"[.:]$")
                    self.assertNotRegex(said, r"nan|None|undefined")
                    self.page.get_by_role("button", name="Next").click()
                    if trial + 1 < TRIALS:
                        self.next(trial + 1)

    def spots(self, box, posed):
        """Where the board, or its ruler, is pointed at for some answer."""
        way = posed.way
        if way.sort == "scale":
            ruler = self.page.locator("[data-ruler]").bounding_box()
            return [(ruler["x"] + 0.6 * ruler["width"], ruler["y"] + 30)]
        if way.sort == "places":
            (left, top), (right, bottom) = way.spots
            return [
                self.on_board(box, (left + (0.1 + 0.8 * x) * (right - left),
                                    top + (0.1 + 0.8 * y) * (bottom - top)))
                for x, y in zip(posed.truth[::2], posed.truth[1::2], strict=True)
            ]  # fmt: skip
        if way.sort == "choose":
            return [self.on_board(box, (0.3, 0.3))]
        (ax, ay), (bx, by) = way.spots
        if way.sort == "stretch":
            return [self.on_board(box, ((ax + bx) / 2, ay - 0.1))]
        return [self.on_board(box, (ax + 0.6 * (bx - ax), ay + 0.6 * (by - ay)))]


class ByMouse(EveryExercise):
    def test_each(self):
        self.each(0, self.answer)

    def answer(self, box, posed):
        for spot in self.spots(box, posed):
            self.page.mouse.click(*spot)
        if posed.way.sort == "places":
            self.page.get_by_role("button", name="Done").click()


class ByKeys(EveryExercise):
    def test_each(self):
        self.each(1, self.answer)

    def answer(self, box, posed):
        if posed.way.sort == "places":
            for k in range(len(posed.way.names)):
                for _ in range(1 + k % 3):
                    self.page.keyboard.press(("Shift+ArrowLeft", "Shift+ArrowDown")[k % 2])
                self.page.keyboard.press("Space")
        else:
            self.page.keyboard.press("ArrowRight")
        if posed.way.sort != "choose":
            self.page.keyboard.press("Enter")


class ByFinger(EveryExercise):
    touch = True
    viewport: ClassVar = {"width": 390, "height": 844}

    def test_each(self):
        self.each(2, self.answer)

    def answer(self, box, posed):
        for spot in self.spots(box, posed):
            self.page.touchscreen.tap(*spot)
        if posed.way.sort != "choose":
            button = self.page.get_by_role("button", name=re.compile("Done|So I see it"))
            box = button.bounding_box()
            self.assertLessEqual(box["y"] + box["height"], 844)
            button.tap()


if __name__ == "__main__":
    unittest.main()
