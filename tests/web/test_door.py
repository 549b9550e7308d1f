"""The door: others give the passcode, wrong ones are few, devices are put out; on the machine
itself nobody is asked."""

import re
import time
import unittest
from collections import Counter
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta
from pathlib import Path
from unittest import mock
from urllib.parse import unquote

from tests.serving import ServedCase
from zirkel.errors import BadInput
from zirkel.store import devices as kept
from zirkel.store.devices import MOST, Devices
from zirkel.views.door import address_with, qr_svg, qr_terminal
from zirkel.web.addresses import is_own_loop, own_addresses
from zirkel.web.door import checked_passcode, made_passcode

CODE = "48219037"
TABLET, PHONE = "192.168.1.20", "192.168.1.21"
OWN = "192.168.1.5"


class DoorCase(ServedCase):
    def serve(self, **config):
        config = {"host": "0.0.0.0", "passcode": CODE, "addresses": (OWN,), **config}
        super().serve(**config)

    def device(self, address=TABLET):
        """A browser on another machine."""
        client = self.app.test_client()
        client.environ_base["REMOTE_ADDR"] = address
        return client

    def knock(self, client, passcode=CODE, name="Tablet"):
        return client.post("/api/v1/door", json={"passcode": passcode, "name": name})

    def status(self, client, path="/studies"):
        return client.get(f"/api/v1{path}").status_code


class Passcode(DoorCase):
    def test_outside_nothing_is_told_nor_done(self):
        client = self.device()
        for method, path in (
            ("GET", "/studies"), ("GET", "/studies/1"), ("GET", "/studies/1/file"),
            ("POST", "/studies/import"), ("GET", "/pad"), ("GET", "/door/qr"),
            ("POST", "/door/passcode"), ("DELETE", "/devices/0123456789abcdef"),
            ("GET", "/nowhere"), ("POST", "/pictures"),
        ):  # fmt: skip
            answer = client.open(f"/api/v1{path}", method=method)
            self.assertEqual(answer.status_code, 401, path)
            self.assertIn("passcode", answer.json["detail"])
        shown = client.get("/api/v1/door").json
        self.assertEqual((shown["network"], shown["let_in"]), (True, False))
        self.assertNotIn(CODE, str(shown))
        self.assertEqual((shown["addresses"], shown["devices"]), ([], []))

    def test_given_once_the_device_is_known_from_then_on(self):
        client = self.device()
        answer = self.knock(client, "4821 9037")
        self.assertEqual(answer.status_code, 200)
        cookie = answer.headers["Set-Cookie"]
        for part in ("HttpOnly", "SameSite=Strict", "Path=/", "Max-Age=31536000"):
            self.assertIn(part, cookie)
        self.assertNotIn("Secure", cookie)
        self.assertNotIn(CODE, cookie)
        self.assertEqual(self.status(client), 200)
        self.assertEqual(self.status(self.device()), 401)
        shown = client.get("/api/v1/door").json
        self.assertEqual((shown["device"], shown["here"]), ("Tablet", False))
        self.assertNotIn(CODE, str(shown))
        # After a restart with another passcode it still is.
        held = client.get_cookie("zirkel_device").value
        self.serve(passcode="another code")
        again = self.device()
        again.set_cookie("zirkel_device", held)
        self.assertEqual(self.status(again), 200)
        self.assertEqual(self.knock(self.device(PHONE)).status_code, 403)

    def test_cookies_that_were_changed_or_made_up_let_nobody_in(self):
        client = self.device()
        self.knock(client)
        held = client.get_cookie("zirkel_device").value
        # Not the last sign: of that the signature takes only four of six bits.
        changed = f"{held[:-9]}{'A' if held[-9] != 'A' else 'B'}{held[-8:]}"
        for odd in ("", "x", changed, held + "x",
                    "W10.sig", held.split(".")[0], "null", "\"\""):  # fmt: skip
            other = self.device(PHONE)
            other.set_cookie("zirkel_device", odd)
            self.assertEqual(self.status(other), 401, odd)

    def test_wrong_ones_are_few_a_minute_from_one_address_and_the_right_one_waits_too(self):
        client = self.device()
        for _ in range(5):
            answer = self.knock(client, "00000000")
            self.assertEqual(answer.status_code, 403)
            self.assertEqual(answer.json["field"], "passcode")
        for code in ("00000000", CODE):
            answer = self.knock(client, code)
            self.assertEqual(answer.status_code, 429)
            self.assertIn("wait a minute", answer.json["detail"])
        self.assertEqual(self.knock(self.device(PHONE)).status_code, 200)

    def test_of_many_at_once_no_more_are_heard(self):
        with ThreadPoolExecutor(30) as guessers:
            said = Counter(guessers.map(
                lambda _: self.knock(self.device(), "00000000").status_code, range(60)
            ))  # fmt: skip
        self.assertEqual(said, {403: 5, 429: 55})

    def test_who_is_let_in_has_five_again(self):
        for _ in range(3):
            self.knock(self.device(), "00000000")
        self.assertEqual(self.knock(self.device()).status_code, 200)
        said = [self.knock(self.device(), "00000000").status_code for _ in range(6)]
        self.assertEqual(said, [403] * 5 + [429])

    def test_many_addresses_together_are_held_up_too(self):
        door = self.app.extensions["zirkel_door"]
        door._is_right = lambda _: False
        said = {self.knock(self.device(f"192.168.2.{k}")).status_code for k in range(45)}
        self.assertEqual(said, {403, 429})

    def test_here_nobody_is_asked_and_the_passcode_is_shown(self):
        for address in ("127.0.0.1", "::1", OWN, "::ffff:127.0.0.1"):
            client = self.device(address)
            self.assertEqual(self.status(client), 200, address)
            shown = client.get("/api/v1/door").json
            self.assertEqual((shown["here"], shown["passcode"]), (True, CODE))
            self.assertEqual(shown["addresses"], [f"http://{OWN}:8765"])
            self.assertIn("<svg", shown["qr"])

    def test_behind_a_proxy_everybody_is_asked(self):
        self.serve(ask_everyone=True)
        client = self.device("127.0.0.1")
        self.assertEqual(self.status(client), 401)
        self.knock(client)
        shown = client.get("/api/v1/door").json
        self.assertEqual((shown["here"], shown["passcode"], shown["qr"]), (False, None, None))

    def test_another_passcode_is_made_here_only(self):
        tablet, here = self.device(), self.device("127.0.0.1")
        self.knock(tablet)
        self.assertEqual(tablet.post("/api/v1/door/passcode").status_code, 403)
        self.assertEqual(self.status(tablet, "/door/qr"), 403)
        new = here.post("/api/v1/door/passcode").json["passcode"]
        self.assertNotEqual(new, CODE)
        self.assertEqual(self.status(tablet), 200)
        self.assertEqual(self.knock(self.device(PHONE)).status_code, 403)
        self.assertEqual(self.knock(self.device(PHONE), new).status_code, 200)

    def test_devices_are_put_out_from_here_or_by_themselves(self):
        tablet, phone, here = self.device(), self.device(PHONE), self.device("127.0.0.1")
        self.knock(tablet)
        self.knock(phone, name="")
        listed = {each["name"]: each["id"] for each in here.get("/api/v1/door").json["devices"]}
        self.assertEqual(set(listed), {"Tablet", "A device"})
        other = phone.delete(f"/api/v1/devices/{listed['Tablet']}")
        self.assertEqual((other.status_code, self.status(tablet)), (403, 200))
        self.assertEqual(here.delete(f"/api/v1/devices/{listed['Tablet']}").status_code, 204)
        self.assertEqual(self.status(tablet), 401)
        self.assertEqual(here.delete(f"/api/v1/devices/{listed['Tablet']}").status_code, 404)
        self.assertEqual(phone.delete(f"/api/v1/devices/{listed['A device']}").status_code, 204)
        self.assertEqual(self.status(phone), 401)

    def test_odd_knocks_are_refused_with_a_sentence(self):
        client = self.device()
        for body in ({}, {"passcode": ""}, {"passcode": 3}, {"passcode": "x" * 999}, [],
                     {"passcode": "x", "name": "y" * 99}):  # fmt: skip
            answer = client.post("/api/v1/door", json=body)
            self.assertEqual(answer.status_code, 422, body)
        broken = client.post("/api/v1/door", data=b"{", content_type="application/json")
        self.assertIn(broken.status_code, (400, 422))
        self.assertTrue(broken.json["detail"])

    def test_a_qr_code_leads_to_a_page_of_zirkel_s_own(self):
        here = self.device("127.0.0.1")
        shown = here.get("/api/v1/door/qr?path=/studies/2?easel=yes").json
        self.assertEqual(shown["address"], f"http://{OWN}:8765/studies/2?easel=yes")
        for odd in ("https://elsewhere.test", "//elsewhere.test<", "x", "/a b", "/" + "x" * 300):
            self.assertEqual(here.get("/api/v1/door/qr", query_string={"path": odd}).status_code,
                             422, odd)  # fmt: skip

    def code(self, path="/"):
        """What is to be scanned now for a page."""
        here = self.device("127.0.0.1")
        address = []
        with mock.patch(
            "zirkel.web.routes.door.qr_svg", side_effect=lambda at: address.append(at) or ""
        ):
            here.get("/api/v1/door/qr", query_string={"path": path})
        return re.search(r"#code=([^&]+)&", address[0])[1]

    def test_a_scanned_code_is_good_once_and_is_not_the_passcode(self):
        code = self.code()
        self.assertEqual(self.code(), code)
        self.assertNotEqual(code, CODE)
        client = self.device()
        self.assertEqual(self.knock(client, code).status_code, 200)
        self.assertEqual(self.status(client), 200)
        self.assertEqual(self.knock(self.device(PHONE), code).status_code, 403)
        self.assertNotEqual(self.code(), code)

    def test_a_scanned_code_is_over_after_ten_minutes(self):
        code, later = self.code(), time.monotonic() + 601
        with mock.patch("zirkel.web.codes.time.monotonic", return_value=later):
            self.assertEqual(self.knock(self.device(), code).status_code, 403)

    def test_a_pupil_sees_the_lesson_and_their_own_study_and_nothing_else(self):
        here = self.device("127.0.0.1")
        scene = here.get("/api/v1/scenes").json["scenes"][0]["name"]
        lesson = here.post("/api/v1/lessons", json={"title": "Tuesday", "scene": scene}).json["id"]
        other = here.post("/api/v1/studies/from-scene", json={"scene": scene}).json["id"]
        code = self.code(f"/lessons/{lesson}")
        pupils = [self.device(TABLET), self.device(PHONE)]
        studies = []
        for client, name in zip(pupils, ("Ada", "Bo"), strict=True):
            self.assertEqual(self.knock(client, code, name).status_code, 200)
            self.assertEqual(client.get("/api/v1/door").json["lesson"], lesson)
            joined = client.post(f"/api/v1/lessons/{lesson}/pupils", json={"name": name})
            studies.append(joined.json["study_id"])
        own, theirs = studies
        ada = pupils[0]
        for path in (f"/studies/{own}", f"/studies/{own}/prompts", f"/lessons/{lesson}",
                     "/pad", "/practice", f"/scenes/{scene}/picture.svg",
                     f"/scenes/{scene}/seen.webp?wide=100"):  # fmt: skip
            self.assertEqual(self.status(ada, path), 200, path)
        version = ada.get(f"/api/v1/studies/{own}").json["version"]
        change = {"type": "set_counting", "units": 0.25, "degrees": None}
        sent = {"version": version, "token": "t" * 20, "change": change}
        self.assertEqual(ada.post(f"/api/v1/studies/{own}/changes", json=sent).status_code, 200)
        for method, path in (
            ("GET", "/studies"), ("GET", f"/studies/{theirs}"), ("GET", f"/studies/{other}"),
            ("POST", f"/studies/{theirs}/changes"), ("PUT", f"/studies/{theirs}/removed"),
            ("PUT", f"/studies/{own}/removed"), ("POST", f"/studies/{own}/copy"),
            ("POST", "/studies/import"), ("GET", "/shelf"), ("GET", "/lessons"),
            ("GET", f"/lessons/{lesson}/wall"), ("PUT", f"/lessons/{lesson}/closed"),
            ("GET", "/door/qr"), ("GET", "/practice/file"), ("GET", "/artists"),
            ("GET", f"/studies/{own}/../{theirs}"),
        ):  # fmt: skip
            answer = ada.open(f"/api/v1{path}", method=method, json={})
            self.assertIn(answer.status_code, (403, 404), path)
        self.assertEqual(ada.get("/api/v1/door").json["devices"], [])
        # Nobody goes on under another's name.
        taken = ada.post(f"/api/v1/lessons/{lesson}/pupils", json={"name": "Bo", "again": True})
        self.assertEqual(taken.status_code, 422)
        self.assertIn("another device", taken.json["detail"])

    def test_an_address_that_is_no_longer_this_machine_s_is_asked(self):
        self.assertEqual(self.status(self.device(OWN)), 200)
        later = time.monotonic() + 60
        with (
            mock.patch("zirkel.web.locks.time.monotonic", return_value=later),
            mock.patch("zirkel.web.locks.own_addresses", return_value=["192.168.1.9"]),
        ):
            self.assertEqual(self.status(self.device(OWN)), 401)
            self.assertEqual(self.status(self.device("192.168.1.9")), 200)

    def test_behind_a_proxy_changes_are_taken_from_the_public_address_alone(self):
        self.serve(ask_everyone=True, public_url="https://draw.example")
        client = self.device("127.0.0.1")
        for origin, status in (
            ("https://draw.example", 200), ("https://elsewhere.example", 403),
            ("http://draw.example:8000", 403),
        ):  # fmt: skip
            answer = client.post(
                "/api/v1/door", json={"passcode": CODE, "name": "Tablet"},
                headers={"Host": "draw.example", "Origin": origin, "Sec-Fetch-Site": "same-origin"},
            )  # fmt: skip
            self.assertEqual(answer.status_code, status, origin)
        self.assertEqual(client.get("/api/v1/door", headers={"Host": "x.example"}).status_code, 403)
        self.assertFalse(client.get("/api/v1/door").json["plain"])

    def test_by_tls_the_cookie_goes_by_tls_only(self):
        self.serve(secure=True)
        client = self.device()
        answer = client.post(
            "/api/v1/door", json={"passcode": CODE}, base_url=f"https://{OWN}:8765"
        )
        self.assertIn("Secure", answer.headers["Set-Cookie"])
        self.assertFalse(client.get("/api/v1/door").json["plain"])

    def test_served_here_alone_there_is_no_door(self):
        self.serve(host="127.0.0.1", passcode=None)
        here = self.device("127.0.0.1")
        shown = here.get("/api/v1/door").json
        self.assertEqual((shown["network"], shown["let_in"], shown["qr"]), (False, True, None))
        self.assertEqual(self.knock(here).status_code, 200)
        self.assertEqual(here.post("/api/v1/door/passcode").status_code, 403)


class Parts(DoorCase):
    def test_passcodes_made_and_one_s_own(self):
        made = {made_passcode() for _ in range(50)}
        self.assertGreater(len(made), 45)
        self.assertTrue(all(re.fullmatch(r"\d{8}", each) for each in made))
        self.assertEqual(checked_passcode(" blue heron "), "blueheron")
        for odd in ("", "12345", "x" * 101):
            with self.assertRaises(BadInput):
                checked_passcode(odd)

    def test_the_passcode_stands_behind_the_hash_whatever_is_in_it(self):
        address = address_with("http://h:1", "a#b&to=//x", "/studies/2")
        front, code, to = re.fullmatch(r"(.*/door)#code=(.*)&to=(.*)", address).groups()
        self.assertEqual((front, unquote(code), to), ("http://h:1/door", "a#b&to=//x",
                                                      "/studies/2"))  # fmt: skip
        self.assertNotIn("#", code)
        self.assertIn("<svg", qr_svg(address))
        self.assertGreater(qr_terminal(address).count("\n"), 10)

    def test_addresses(self):
        self.assertEqual(own_addresses("192.168.7.1"), ["192.168.7.1"])
        found = own_addresses("0.0.0.0")
        self.assertTrue(found)
        for address, own in (("127.0.0.1", True), ("::1", True), ("10.0.0.1", False),
                             ("localhost", True), (None, False), ("x", False)):  # fmt: skip
            self.assertEqual(is_own_loop(address), own, address)

    def test_only_a_hash_of_what_a_cookie_holds_is_kept_and_old_devices_make_room(self):
        devices = self.app.extensions["zirkel_store"].devices
        first, key = devices.add("First")
        self.assertNotIn(key.encode(), self.database.read_bytes()
                         + Path(f"{self.database}-wal").read_bytes())  # fmt: skip
        self.assertEqual(devices.known(first.id, key), first)
        self.assertIsNone(devices.known(first.id, key[:-1]))
        self.assertIsNone(devices.known("0" * 16, key))
        self.assertEqual(devices.signing_key(), Devices(devices._engine).signing_key())
        for number in range(MOST):
            devices.add(f"Device {number}")
        self.assertEqual(len(devices.all()), MOST)
        self.assertIsNone(devices.known(first.id, key))

    def test_that_it_was_seen_is_written_now_and_then(self):
        devices = self.app.extensions["zirkel_store"].devices
        device, key = devices.add("Tablet")
        was, kept.SEEN_AGAIN = kept.SEEN_AGAIN, timedelta(0)
        self.addCleanup(setattr, kept, "SEEN_AGAIN", was)
        devices.known(device.id, key)
        self.assertGreater(devices.all()[0].seen_at, device.seen_at)


if __name__ == "__main__":
    unittest.main()
