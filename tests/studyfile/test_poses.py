"""Sets of poses: those that ship, an artist's own, broken ones."""

import json
import tempfile
import unittest
from pathlib import Path

from zirkel.core.pose import Block
from zirkel.errors import BadInput
from zirkel.poses import ENDING, FIRST, all_poses, shipped_poses
from zirkel.studyfile.poses_file import PosesFile, read_poses, write_poses

MINE = {
    "format": "zirkel-poses", "version": 1, "name": "thursday", "title": "Thursday evening",
    "blocks": [{"kind": "pose", "minutes": 15}, {"kind": "rest", "minutes": 5}],
    "shares": {"sight": 2, "draw": 1},
}  # fmt: skip


def as_bytes(document):
    return json.dumps(document).encode()


class Sets(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def test_those_that_ship_come_by_the_length_of_their_first_pose(self):
        first = [each.blocks[0].minutes for each in shipped_poses().values()]
        self.assertEqual(first, sorted(first))
        self.assertIn(FIRST, shipped_poses())

    def test_one_s_own_is_added_and_written_as_it_was_read(self):
        data = write_poses(PosesFile.model_validate(MINE))
        (self.folder / f"a{ENDING}").write_bytes(data)
        found, own, wrong = all_poses(self.folder)
        self.assertEqual((own, wrong), (frozenset({"thursday"}), ()))
        self.assertEqual(found["thursday"], read_poses(as_bytes(MINE)))
        self.assertEqual(found["thursday"].blocks[1], Block("rest", 5.0))
        self.assertEqual(found["thursday"].shares, {"sight": 2.0, "draw": 1.0})

    def test_what_can_t_be_is_refused_with_a_reason_and_hides_no_other(self):
        for change, said in (
            ({"blocks": [{"kind": "rest", "minutes": 5}]}, "only rests"),
            ({"blocks": []}, "blocks"),
            ({"blocks": [{"kind": "nap", "minutes": 5}]}, "kind"),
            ({"blocks": [{"minutes": 0}]}, "minutes"),
            ({"shares": {"sight": -1}}, "sight"),
            ({"shares": {"nap": 1}}, "nap"),
            ({"format": "zirkel-kit"}, "format"),
            ({"colour": 1}, "colour"),
        ):
            with self.assertRaises(BadInput) as refused:
                read_poses(as_bytes(MINE | change))
            self.assertIn(said, str(refused.exception))
        for odd in (b"[]", b"{", b"3", b"\xff"):
            with self.assertRaises(BadInput):
                read_poses(odd)
        (self.folder / f"b{ENDING}").write_bytes(b"[]")
        found, own, wrong = all_poses(self.folder)
        self.assertEqual((set(found), len(own), len(wrong)), (set(shipped_poses()), 0, 1))


if __name__ == "__main__":
    unittest.main()
