"""`zirkel serve`: where it listens, where it keeps its data, and what it says when it cannot."""

import json
import os
import socket
import ssl
import tempfile
import time
import unittest
import urllib.request
from contextlib import ExitStack
from pathlib import Path
from unittest import mock

import trustme

from tests.cli.typed import zirkel
from tests.serving import Server, free_port


def serve(*arguments, **environment):
    """Try to serve; what was said when it gave up."""
    with mock.patch.dict(os.environ, environment):
        return zirkel("serve", *arguments)


class Refusals(unittest.TestCase):
    def test_a_port_in_use(self):
        with socket.socket() as taken, tempfile.TemporaryDirectory() as folder:
            taken.bind(("127.0.0.1", 0))
            taken.listen()
            done = serve("--port", str(taken.getsockname()[1]), "--data", folder)
        self.assertEqual((done.returncode, done.stdout), (2, ""))
        self.assertIn("choose another with --port", done.stderr)

    def test_an_address_that_is_not_ours(self):
        done = serve("--host", "203.0.113.7", "--port", "8123")
        self.assertEqual(done.returncode, 2)
        self.assertIn("203.0.113.7:8123 can't be used", done.stderr)

    def test_a_passcode_of_one_s_own_that_is_too_short(self):
        done = serve("--host", "0.0.0.0", "--port", "8123", ZIRKEL_PASSCODE="1234")
        self.assertEqual((done.returncode, done.stdout), (2, ""))
        self.assertIn("passcode: it has 4 letters and figures", done.stderr)

    def test_certificates_that_can_t_be_used(self):
        with tempfile.TemporaryDirectory() as folder:
            odd = Path(folder) / "odd.pem"
            odd.write_text("no certificate")
            done = serve("--certificate", str(odd))
            self.assertEqual(done.returncode, 2)
            self.assertIn("key: a certificate and its key go together", done.stderr)
            for file in (odd, Path(folder) / "gone.pem"):
                done = serve("--certificate", str(file), "--key", str(file))
                self.assertEqual((done.returncode, done.stderr.count("\n")), (2, 1))
                self.assertIn("can't be used", done.stderr)

    def test_a_damaged_database_is_told_in_one_sentence(self):
        with tempfile.TemporaryDirectory() as folder:
            (Path(folder) / "zirkel.sqlite").write_bytes(b"not a database " * 100)
            done = serve("--port", str(free_port()), "--data", folder)
        self.assertEqual((done.returncode, done.stdout), (2, ""))
        self.assertEqual(done.stderr.count("\n"), 1)
        self.assertIn("damaged", done.stderr)

    def test_a_data_folder_that_is_a_file(self):
        with tempfile.NamedTemporaryFile() as file:
            done = serve("--port", "0", "--data", file.name)
            self.assertEqual(done.returncode, 2)
            done = serve("--port", "8124", "--data", file.name)
        self.assertEqual(done.returncode, 2)
        self.assertIn("can't be used", done.stderr)


class Serving(unittest.TestCase):
    def test_data_survives_a_restart_and_the_demo_is_laid_out_once(self):
        with tempfile.TemporaryDirectory() as folder:
            server = Server(Path(folder) / "data")
            seen = []
            for _ in range(2):
                server.start()
                # Cards that take long come bit by bit.
                wall = {"studies": [{"pending": True}]}
                while any(each.get("pending") for each in wall["studies"]):
                    with urllib.request.urlopen(server.address + "/api/v1/studies") as answer:
                        wall = json.load(answer)
                seen.append(wall)
                server.kill()
            self.assertEqual(seen[0], seen[1])
            self.assertTrue((Path(folder) / "data" / "zirkel.sqlite").exists())

    def test_a_hundred_who_send_half_and_wait_stop_nobody(self):
        with tempfile.TemporaryDirectory() as folder, ExitStack() as held:
            server = Server(Path(folder) / "data", demo=False)
            server.start()
            held.callback(server.kill)
            for i in range(150):
                line = held.enter_context(socket.create_connection(("127.0.0.1", server.port)))
                line.sendall(b"" if i % 2 else b"POST /api/v1/studies HTTP/1.1\r\nHost: loc")
            with urllib.request.urlopen(server.address + "/api/v1/studies", timeout=10) as answer:
                self.assertEqual(answer.status, 200)

    def test_what_is_too_large_is_refused_before_it_has_come_in(self):
        with tempfile.TemporaryDirectory() as folder:
            server = Server(Path(folder) / "data", demo=False)
            server.start()
            try:
                with socket.create_connection(("127.0.0.1", server.port), timeout=10) as line:
                    line.sendall(
                        b"POST /api/v1/studies/import HTTP/1.1\r\nHost: 127.0.0.1\r\n"
                        b"Content-Type: application/json\r\nContent-Length: 900000000\r\n\r\n{"
                    )
                    self.assertIn(b" 413 ", line.recv(1000).split(b"\r\n")[0])
            finally:
                server.kill()


class InTheNetwork(unittest.TestCase):
    def test_a_passcode_is_made_and_shown_with_addresses_and_a_code_to_scan(self):
        with tempfile.TemporaryDirectory() as folder:
            server = Server(Path(folder) / "data", demo=False)
            said = server.said("--host", "0.0.0.0", until="Zirkel is at")
            server.kill()
        self.assertRegex(said, r"The passcode: \d{4} \d{4}\n")
        self.assertRegex(said, rf"From another device: http://[\d.]+:{server.port}/\n")
        self.assertIn("plain http", said)
        self.assertIn("█", said)

    def test_by_a_certificate_of_one_s_own_it_is_https(self):
        with tempfile.TemporaryDirectory() as folder:
            made = trustme.CA().issue_cert("127.0.0.1")
            key, chain = Path(folder) / "key.pem", Path(folder) / "chain.pem"
            made.private_key_pem.write_to_path(key)
            chain.write_bytes(b"".join(each.bytes() for each in made.cert_chain_pems))
            server = Server(Path(folder) / "data", demo=False)
            said = server.said(
                "--certificate", str(chain), "--key", str(key), until="Zirkel is at https://"
            )
            self.addCleanup(server.kill)
            trusting = ssl.create_default_context()
            trusting.check_hostname, trusting.verify_mode = False, ssl.CERT_NONE
            address = server.address.replace("http:", "https:") + "/api/v1/studies"
            for _ in range(100):
                try:
                    with urllib.request.urlopen(address, context=trusting, timeout=5) as answer:
                        self.assertEqual(answer.status, 200)
                    break
                except OSError:
                    time.sleep(0.1)
            else:
                self.fail(f"no answer by TLS: {said}")
            self._strangers(server.port, address, trusting)

    def _strangers(self, port, address, trusting):
        """A hundred that say nothing, a hundred stopped in the middle of a head, one that speaks
        plain http: nobody else waits for them."""
        held = []
        self.addCleanup(lambda: [each.close() for each in held])
        for _ in range(100):
            held.append(socket.create_connection(("127.0.0.1", port)))
        for _ in range(100):
            plain = socket.create_connection(("127.0.0.1", port))
            half = trusting.wrap_socket(plain, server_hostname="127.0.0.1")
            half.sendall(b"GET /api/v1/studies HTTP/1.1\r\nHost: ")
            held.append(half)
        held.append(socket.create_connection(("127.0.0.1", port)))
        held[-1].sendall(b"GET / HTTP/1.1\r\n\r\n")
        for _ in range(3):
            began = time.monotonic()
            with urllib.request.urlopen(address, context=trusting, timeout=10) as answer:
                self.assertEqual(answer.status, 200)
            self.assertLess(time.monotonic() - began, 5.0)

    def test_eighty_streams_of_one_device_leave_threads_for_others(self):
        with tempfile.TemporaryDirectory() as folder:
            server = Server(Path(folder) / "data", demo=True)
            server.start()
            self.addCleanup(server.kill)
            held = []
            self.addCleanup(lambda: [each.close() for each in held])
            for _ in range(160):
                one = socket.create_connection(("127.0.0.1", server.port))
                one.sendall(
                    b"GET /api/v1/studies/1/live?listener=aaaaaaaa&room=bench HTTP/1.1\r\n"
                    b"Host: 127.0.0.1\r\n\r\n"
                )
                held.append(one)
            began = time.monotonic()
            with urllib.request.urlopen(server.address + "/api/v1/studies", timeout=20) as answer:
                self.assertEqual(answer.status, 200)
            self.assertLess(time.monotonic() - began, 10.0)


if __name__ == "__main__":
    unittest.main()
