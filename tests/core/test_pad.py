"""The pad as the server has it: every way of reading, and what of it can be entered."""

import re
import unittest

from zirkel.core.sightings import KINDS
from zirkel.core.words.pad import PAD

SORTS = {"count", "tilt", "offset", "fraction", "ratio", "none"}
LOOKS = {"line", "thin", "dashed", "filled"}
ONE_BY_ONE = {"from": "start", "to": "end"}


class Pad(unittest.TestCase):
    def test_keys_and_letters_are_each_their_own(self):
        for names in ([each.key for each in PAD], [each.letter for each in PAD],
                      [each.label for each in PAD]):  # fmt: skip
            self.assertEqual(len(set(names)), len(names))
        for each in PAD:
            self.assertRegex(each.letter, r"^[a-z]$")

    def test_every_kind_can_be_read_and_no_other(self):
        self.assertEqual({each.kind for each in PAD}, set(KINDS))

    def test_slots_and_values_are_fields_of_the_kind(self):
        for each in PAD:
            fields = set(KINDS[each.kind].__dataclass_fields__)
            for _, name in each.slots:
                self.assertIn(ONE_BY_ONE.get(name, name), fields, each.key)
            if each.value:
                self.assertIn(each.value, fields, each.key)
            for name in each.fixed or ():
                self.assertIn(name, fields, each.key)

    def test_what_is_entered_has_a_sort(self):
        for each in PAD:
            self.assertIn(each.sort, SORTS)
            self.assertEqual(each.sort == "none", not each.value, each.key)

    def test_sides_are_for_what_lies_to_a_side(self):
        for each in PAD:
            if each.sides:
                self.assertEqual(len(set(each.sides)), 2)
                self.assertIn(each.axis, (0, 1))
                self.assertIn(each.sides[0], ("right", "down", "lower"))
            if each.sort == "offset":
                self.assertTrue(each.sides)
                self.assertTrue(each.none)

    def test_only_what_is_counted_belongs_to_a_take(self):
        counted = {each.kind for each in PAD if each.in_takes}
        self.assertEqual(counted, {"span", "drop", "level"})

    def test_it_is_said_what_to_do_with_the_stick(self):
        for each in PAD:
            self.assertRegex(each.how, r"[.?]$", each.key)
            self.assertLess(len(each.how), 120, each.key)
            self.assertRegex(each.label, r"^[A-Z]")

    def test_every_sign_is_drawn_on_its_field(self):
        for each in PAD:
            self.assertTrue(each.sign)
            for stroke in each.sign:
                self.assertIn(stroke.look, LOOKS)
                self.assertRegex(stroke.path, r"^M[\d.MLHVAhvazl \-]+$", each.key)
                start = re.match(r"M([\d.]+) ([\d.]+)", stroke.path)
                for number in start.groups():
                    self.assertLessEqual(float(number), 28.0, each.key)


if __name__ == "__main__":
    unittest.main()
