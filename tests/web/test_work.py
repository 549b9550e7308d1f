"""Long work says what it is doing and can be left off; nothing of it is kept."""

import threading
import time
import unittest
from unittest import mock

from tests.networks import RandomNetwork
from tests.web.test_subject import SubjectCase
from zirkel.core.network.solve import solve
from zirkel.core.patience import heard_by, step
from zirkel.errors import Abandoned
from zirkel.web import work

MANY = 320


class Patience(unittest.TestCase):
    def test_whoever_listens_is_told_and_may_end_it(self):
        study = RandomNetwork(3, n=12, per=4).study
        told = []
        with heard_by(told.append):
            solve(study)
        self.assertIn("adjusting the readings", told)
        step("nobody listens any more")
        count = len(told)

        def impatient(doing):
            raise Abandoned

        with self.assertRaises(Abandoned), heard_by(impatient):
            solve(study)
        solve(study)
        self.assertEqual(len(told), count)


class TooMuch(SubjectCase):
    def test_a_question_ends_at_its_bound_and_a_change_does_not(self):
        study = RandomNetwork(5, n=40, per=3, kinds="sssdlt", tap=0.1, firm=True).study
        number = self.store.create(study).id
        with mock.patch.object(work, "MOST_S", 0.0):
            asked = self.get(f"/studies/{number}/recipe")
            self.assertEqual(asked.status_code, 422)
            self.assertIn("too much at once", asked.json["detail"])
            change = {"type": "strike_sighting", "id": study.sightings[0].id, "struck": True}
            self.post(f"/studies/{number}/changes", version=1, change=change)
        self.assertEqual(self.get(f"/studies/{number}/recipe").status_code, 200)


class Working(SubjectCase):
    def setUp(self):
        super().setUp()
        study = RandomNetwork(5, n=MANY, per=3, kinds="sssdlt", tap=0.1, firm=True).study
        self.number = self.store.create(study).id

    def running(self, what):
        for _ in range(400):
            for each in self.get("/running").json["running"]:
                if what in each["what"]:
                    return each
            time.sleep(0.05)
        raise AssertionError("it was not told")

    def test_a_long_answer_is_told_and_left_off_and_asked_for_again(self):
        answers = []
        asking = threading.Thread(
            target=lambda: answers.append(self.get(f"/studies/{self.number}/recipe"))
        )
        asking.start()
        work = self.running("How to place every landmark")
        for _ in range(100):
            if "placed" in work["doing"]:
                break
            time.sleep(0.05)
            work = self.running("How to place every landmark")
        self.assertRegex(work["doing"], rf"working out the recipe: \d+ of {MANY} placed")
        left = self.client.delete(f"/api/v1/running/{work['id']}")
        self.assertEqual(left.status_code, 204)
        asking.join()
        self.assertEqual(answers[0].status_code, 409)
        self.assertEqual(answers[0].json["title"], "Left off")
        self.assertEqual(self.get("/running").json["running"], [])
        self.assertEqual(self.get(f"/studies/{self.number}").status_code, 200)

    def test_what_has_ended_can_t_be_left_off(self):
        self.assertEqual(self.client.delete("/api/v1/running/999").status_code, 404)


if __name__ == "__main__":
    unittest.main()
