"""Short letters for landmarks: always there, never twice, made from the name."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from zirkel.commands.base import free_id
from zirkel.core.values.names import slug
from zirkel.views.letters import short_letters


class Letters(unittest.TestCase):
    def test_from_its_words(self):
        names = {
            "a": "Can, top of rim",
            "b": "Can, tip",
            "c": "Can, top",
            "d": "Chin",
            "e": "Crown",
            "f": "Of the Côté",
        }
        self.assertEqual(
            short_letters(names), {"a": "c", "b": "t", "c": "a", "d": "h", "e": "r", "f": "o"}
        )

    def test_those_that_were_there_keep_theirs(self):
        names = {str(i): f"Post {i}" for i in range(26)}
        before = short_letters(dict(list(names.items())[:12]))
        self.assertLess(before.items(), short_letters(names).items())

    @given(st.lists(st.text(max_size=20), max_size=60))
    def test_never_twice(self, names):
        found = short_letters({str(i): name for i, name in enumerate(names)})
        self.assertEqual(len(found), len(names))
        self.assertEqual(len(set(found.values())), len(names))
        longest = 1 if len(names) <= 26 else 2
        for each in found.values():
            self.assertRegex(each, rf"^[a-z]{{1,{longest}}}$")
            self.assertFalse(any(o != each and o.startswith(each) for o in found.values()))

    def test_a_thousand_of_one_name_have_letters_too(self):
        found = short_letters({str(i): f"Post {i}" for i in range(1000)})
        self.assertEqual(len(set(found.values())), 1000)
        self.assertEqual({len(each) for each in found.values()}, {2, 3})
        self.assertFalse(
            any(o != each and o.startswith(each) for o in found.values() for each in found.values())
        )


class Ids(unittest.TestCase):
    def test_from_names(self):
        self.assertEqual(slug("Can, top of rim"), "can_top_of_rim")
        self.assertEqual(slug("Côté — gauche!"), "cote_gauche")
        self.assertEqual(slug("上"), "landmark")

    def test_the_first_free_one(self):
        self.assertEqual(free_id("pot", ["can"]), "pot")
        self.assertEqual(free_id("pot", ["pot", "pot_2"]), "pot_3")


if __name__ == "__main__":
    unittest.main()
