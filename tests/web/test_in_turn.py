"""What a newer version has overtaken is not worked out; leisure work goes in turn."""

from threading import Event, Thread
from unittest.mock import patch

from tests.web.test_prompts import PrompterCase
from zirkel.core import worked
from zirkel.web.routes import bench as routes

LEISURE = ("prompts", "relations", "trust", "recipe")


class Overtaken(PrompterCase):
    def ask(self, what, version):
        return self.client.get(f"/api/v1/studies/{self.number}/{what}?version={version}")

    def test_what_is_asked_of_the_present_version_is_answered(self):
        for what in LEISURE:
            self.assertEqual(self.ask(what, 1).status_code, 200, what)

    def test_what_is_asked_of_an_older_one_is_not_worked_out(self):
        self.change(type="set_title", title="Later")
        for what in LEISURE:
            with patch.object(routes, f"open_{what}", side_effect=AssertionError, create=True):
                answer = self.ask(what, 1)
            self.assertEqual(answer.status_code, 409, what)
            self.assertEqual(answer.json["title"], "Overtaken")
            self.assertEqual(self.ask(what, 2).status_code, 200, what)

    def test_whoever_asks_without_a_version_gets_the_present_one(self):
        self.change(type="set_title", title="Later")
        for what in ("prompts", "relations"):
            self.assertEqual(self.get(f"/{what}")["version"], 2)

    def test_a_version_that_is_no_number_is_told_as_such(self):
        answer = self.client.get(f"/api/v1/studies/{self.number}/prompts?version=soon")
        self.assertEqual(answer.status_code, 422)
        self.assertIn("version", answer.json["field"])

    def test_a_reading_does_not_wait_for_what_is_worked_out_at_leisure(self):
        begun, go = Event(), Event()
        real = worked.find_relations

        def slow(*args):
            begun.set()
            go.wait(20.0)
            return real(*args)

        with patch.object(worked, "find_relations", side_effect=slow):
            client = self.client.application.test_client()
            asking = Thread(
                target=lambda: client.get(f"/api/v1/studies/{self.number}/relations?version=1")
            )
            asking.start()
            try:
                self.assertTrue(begun.wait(10.0))
                answer = self.change(type="set_title", title="Meanwhile")
                self.assertEqual(answer["version"], 2)
                self.assertTrue(asking.is_alive())
            finally:
                go.set()
                asking.join()

    def test_one_that_was_overtaken_while_it_waited_its_turn_is_dropped(self):
        begun, go, told = Event(), Event(), []
        real = worked.find_relations

        def slow(*args):
            begun.set()
            go.wait(20.0)
            return real(*args)

        def get(what):
            client = self.client.application.test_client()
            told.append((what, client.get(f"/api/v1/studies/{self.number}/{what}?version=1")))

        with patch.object(worked, "find_relations", side_effect=slow):
            first = Thread(target=get, args=("relations",))
            first.start()
            try:
                self.assertTrue(begun.wait(10.0))
                second = Thread(target=get, args=("trust",))
                second.start()
                self.change(type="set_title", title="Meanwhile")
            finally:
                go.set()
                first.join()
                second.join()
        answers = {what: answer.status_code for what, answer in told}
        self.assertEqual(answers, {"relations": 200, "trust": 409})
