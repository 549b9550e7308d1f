"""Told as it happens: who listens to a study hears of changes, of others and of their sticks."""

import json
import unittest
from itertools import islice

from tests.web.test_subject import SubjectCase
from zirkel.demo.generate import FOLDER
from zirkel.web import live as module
from zirkel.web.live import MOST_LISTENERS, MOST_WAITING, Listener, Live, stream
from zirkel.web.problems import Refused

MASK = (FOLDER / "wooden_mask.zirkel.json").read_bytes()
ONE, OTHER = "aaaaaaaa", "bbbbbbbb"


def events(lines):
    """(event, what was told) of a stream's text."""
    for each in "".join(lines).split("\n\n"):
        if each.startswith("event:"):
            first, second = each.split("\n")
            yield first.removeprefix("event: "), json.loads(second.removeprefix("data: "))


class Listening(SubjectCase):
    def setUp(self):
        super().setUp()
        self.number = self.post("/studies/import", 201, data=MASK)["id"]

    def listen(self, name, room="bench"):
        answer = self.client.get(
            f"/api/v1/studies/{self.number}/live?listener={name}&room={room}", buffered=False
        )
        self.assertEqual((answer.status_code, answer.mimetype), (200, "text/event-stream"))
        self.addCleanup(answer.close)
        heard = (each if isinstance(each, str) else each.decode() for each in answer.response)
        return answer, heard

    def test_a_device_that_listens_anew_frees_what_it_held(self):
        _, heard = self.listen(ONE)
        list(islice(heard, 3))
        _, again = self.listen(ONE)
        self.assertEqual(list(heard), [])
        self.assertEqual(next(iter(events([next(again)])))[0], "changed")

    def test_at_first_the_version_and_who_is_there_then_what_happens(self):
        _, heard = self.listen(ONE)
        self.assertEqual(
            list(events(islice(heard, 2))),
            [("changed", {"version": 1}),
             ("here", [{"listener": ONE, "name": "The machine itself", "room": "bench"}])],
        )  # fmt: skip
        # That it has come itself is told to all, to itself too.
        self.assertEqual(next(iter(events([next(heard)])))[0], "here")
        other, theirs = self.listen(OTHER, "draw")
        told = next(iter(events([next(heard)])))
        self.assertEqual([each["room"] for each in told[1]], ["bench", "draw"])
        self.post(f"/studies/{self.number}/changes", version=1,
                  change={"type": "set_title", "title": "Mask"})  # fmt: skip
        self.assertEqual(next(iter(events([next(heard)]))), ("changed", {"version": 2}))
        self.post(f"/studies/{self.number}/undo", version=2)
        self.assertEqual(next(iter(events([next(heard)]))), ("changed", {"version": 3}))
        answer = self.client.post(
            f"/api/v1/studies/{self.number}/live",
            json={"listener": OTHER, "kind": "tilt", "landmarks": ["crown", "chin"]},
        )
        self.assertEqual(answer.status_code, 204)
        stick = {"listener": OTHER, "kind": "tilt", "landmarks": ["crown", "chin"]}
        self.assertEqual(next(iter(events([next(heard)]))), ("stick", stick))
        # Its own stick it isn't told of: version, who is there (twice), then both changes.
        self.assertNotIn("stick", [event for event, _ in events(islice(theirs, 5))])
        other.close()
        self.assertEqual(next(iter(events([next(heard)])))[1]["landmarks"], [])
        self.assertEqual(next(iter(events([next(heard)])))[1][0]["listener"], ONE)

    def test_a_quiet_stream_shows_that_it_lives(self):
        was, module.BEAT_SECONDS = module.BEAT_SECONDS, 0.01
        self.addCleanup(setattr, module, "BEAT_SECONDS", was)
        _, heard = self.listen(ONE)
        self.assertEqual(list(islice(heard, 4))[-1], ": here\n\n")

    def test_nobody_listens_to_what_is_not_there_nor_under_an_odd_name(self):
        here = f"/studies/{self.number}/live"
        for path, status in (
            (f"/studies/999/live?listener={ONE}", 404), (here, 422), (f"{here}?listener=x", 422),
            (f"{here}?listener={ONE}&room={'x' * 99}", 422),
        ):  # fmt: skip
            self.assertEqual(self.get(path).status_code, status, path)
        self.assertEqual(self.client.application.extensions["zirkel_live"].here(self.number), [])

    def test_asked_only_for_the_head_nobody_stays(self):
        self.client.head(f"/api/v1/studies/{self.number}/live?listener={ONE}").close()
        self.assertEqual(self.client.application.extensions["zirkel_live"].here(self.number), [])


class Hall(unittest.TestCase):
    def test_another_room_under_the_same_name_is_a_move(self):
        live = Live()
        first, second = (Listener(ONE, 1, "Tablet", room) for room in ("bench", "draw"))
        live.join(first)
        live.join(second)
        self.assertEqual([each["room"] for each in live.here(1)], ["draw"])
        live.leave(first)
        self.assertEqual([each["room"] for each in live.here(1)], ["draw"])
        live.leave(second)
        self.assertEqual(live.here(1), [])

    def test_other_studies_hear_nothing(self):
        live = Live()
        one, other = Listener(ONE, 1, "A", "bench"), Listener(OTHER, 2, "B", "bench")
        live.join(one)
        live.join(other)
        live.tell(2, "changed", {"version": 7})
        heard = list(events(islice(stream(live, one, 1), 3)))
        self.assertNotIn(7, [told.get("version") for event, told in heard if event == "changed"])

    def test_who_teaches_and_looks_on_is_not_where_the_pupil_is(self):
        live = Live()
        live.join(Listener(ONE, 1, "Pupil", "easel", pupil=True))
        live.join(Listener(OTHER, 1, "The machine itself", "bench"))
        live.join(Listener("f" * 8, 2, "The machine itself", "draw"))
        self.assertEqual(live.rooms({1, 2}), {1: "easel"})
        self.assertEqual(live.rooms({1}), {1: "easel", 2: "draw"})

    def test_too_many_are_refused_with_a_way_out(self):
        live = Live()
        for number in range(MOST_LISTENERS):
            live.join(Listener(f"{number:08x}", 1, "Tablet", "bench"))
        with self.assertRaises(Refused) as refused:
            live.join(Listener("ffffffff", 1, "Tablet", "bench"))
        self.assertIn("now and then", refused.exception.problem.detail)

    def test_who_takes_nothing_is_told_all_anew(self):
        live = Live()
        slow = Listener(ONE, 1, "Tablet", "bench")
        live.join(slow)
        for version in range(MOST_WAITING + 5):
            live.tell(1, "changed", {"version": version})
        waiting = [slow.waiting.get_nowait()[0] for _ in range(slow.waiting.qsize())]
        self.assertEqual(waiting[0], "again")
        self.assertLess(len(waiting), MOST_WAITING)


if __name__ == "__main__":
    unittest.main()
