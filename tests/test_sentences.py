"""Every sentence that Zirkel can say keeps to one way of writing."""

import re
import unittest

from scripts.sentences import all_sentences

NEVER = {
    "a curly apostrophe": re.compile("’"),
    "three dots for an ellipsis": re.compile(r"\.\.\.(?!\w)"),
    "cannot, where can't is said": re.compile(r"\bcan ?not\b", re.IGNORECASE),
    "two spaces": re.compile(r"[a-z,.;:]  +[A-Za-z]"),
    "another spelling": re.compile(r"\b(color|center|gray|meters?|percent)\b", re.IGNORECASE),
    "the machine's own words": re.compile(
        r"\b(invalid|null|undefined|exception|HTTP error|submit|dialog)\b", re.IGNORECASE
    ),
    "straight quotation marks in a sentence": re.compile(r"\s\"[A-Za-z ]+\"[\s,.]"),
    "a space before a full stop": re.compile(r"[a-z] [.,;](\s|$)"),
}
"""What is in no sentence, and how it is found."""


class Sentences(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.said = all_sentences()

    def test_they_are_found_on_both_sides(self):
        paths = [each.path for each in self.said]
        self.assertGreater(sum(path.startswith("src/") for path in paths), 1000)
        self.assertGreater(sum(path.startswith("frontend/") for path in paths), 500)
        texts = {each.text for each in self.said}
        self.assertIn("Nothing holds these yet: {}.", texts)
        self.assertIn("How much time is there?", texts)

    def test_none_is_written_otherwise(self):
        for what, sign in NEVER.items():
            found = [f"{e.path}:{e.line} {e.text}" for e in self.said if sign.search(e.text)]
            self.assertEqual(found, [], what)


if __name__ == "__main__":
    unittest.main()
