"""Colours: words and lines stand out from every ground by as much as they must, and the page that
says so is the one that was measured."""

import unittest

from scripts.tokens import (
    GROUNDS,
    LEAST_LINES,
    LEAST_WORDS,
    LINES,
    PAGE,
    WORDS,
    contrast,
    page,
    tokens,
)


class Tokens(unittest.TestCase):
    def test_black_on_white_is_twenty_one(self):
        self.assertAlmostEqual(contrast("#000000", "#ffffff"), 21.0)
        self.assertAlmostEqual(contrast("#ffffff", "#ffffff"), 1.0)
        self.assertAlmostEqual(contrast("#777777", "#ffffff"), 4.48, delta=0.01)

    def test_every_set_names_every_colour(self):
        for name, colours in tokens().items():
            self.assertLessEqual({*GROUNDS, *WORDS, *LINES}, set(colours), name)

    def test_words_and_lines_stand_out(self):
        for name, colours in tokens().items():
            for least, which in ((LEAST_WORDS, WORDS), (LEAST_LINES, LINES)):
                for each in which:
                    for ground in GROUNDS:
                        found = contrast(colours[each], colours[ground])
                        self.assertGreaterEqual(found, least, f"{name}: {each} on {ground}")

    def test_the_page_is_as_measured(self):
        self.assertEqual(PAGE.read_text(), page(), "run python -m scripts.tokens")


if __name__ == "__main__":
    unittest.main()
