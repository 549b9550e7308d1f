"""What a stranger, a bad file and a full disk can do: a thousand archives and three thousand
pictures, mutated; a hundred silent connections by http and by TLS, a hundred listeners of one name,
two hundred passcodes at once, a disk that fills up.

No answer may be an error of the server's, nobody waits over two seconds because of a stranger,
nothing acknowledged is lost, and little memory stays.
"""

from __future__ import annotations

import io
import json
import random
import resource
import socket
import ssl
import tempfile
import threading
import time
import urllib.error
import urllib.request
import zipfile
from collections import Counter
from collections.abc import Callable, Iterator
from contextlib import ExitStack, contextmanager, suppress
from pathlib import Path
from typing import Any

import trustme
from tests.pictures.images import drawing, saved
from tests.serving import demonstration

from bench.campaign import (
    TITLE,
    BrokenError,
    Watched,
    by_status,
    bytes_changed,
    call,
    send,
)
from zirkel.commands.shelf import LIST, pack
from zirkel.commands.studies import import_study
from zirkel.store.store import Store

ARCHIVES, PICTURES, SILENT, LISTENERS, GUESSES = 1000, 3000, 100, 100, 200
WAITS_S, MOST_MORE_MB, HEARD = 2.0, 100.0, 5
PASSCODE, DISK = "seven-plain-words", 3_000_000
"""What the full disk still takes: more than a database with a study, less than what is written."""


def archives(server: Watched) -> str:
    """Shelves with bytes changed, parts cut, renamed, doubled, lists that lie."""
    rng, counted = random.Random(3), Counter[int]()
    with tempfile.TemporaryDirectory() as folder:
        store = Store.at(Path(folder) / "zirkel.sqlite")
        import_study(store, demonstration(TITLE))
        whole = io.BytesIO()
        pack(store, whole)
        store.close()
    for _ in range(ARCHIVES):
        data = _spoilt_archive(whole.getvalue(), rng)
        _told(server, counted, "/shelf", data, "application/zip")
    return f"{ARCHIVES} archives: {by_status(counted)}."


def _spoilt_archive(whole: bytes, rng: random.Random) -> bytes:
    way = rng.randrange(5)
    if way == 0:
        return bytes_changed(whole, rng)
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(whole)) as old, zipfile.ZipFile(out, "w") as new:
        for number, name in enumerate(old.namelist()):
            data, called = old.read(name), name
            if way == 1 and rng.random() < 0.3:
                data = bytes_changed(data, rng)
            if way == 2 and rng.random() < 0.3:
                odd = f"{number}" + "\u0e01" * 190
                called = rng.choice((f"../{name}", f"{name}\n", odd, name[:-2], f"/{name}"))
            if way == 3 and name == LIST:
                told = json.loads(data)
                key = rng.choice(sorted(told))
                told[key] = rng.choice((7, None, [], [7], "x", [{"file": "..", "sha256": ""}]))
                data = json.dumps(told).encode()
            if way < 4 or rng.random() > 0.3:
                new.writestr(called, data)
    return out.getvalue()


def pictures(server: Watched) -> str:
    """Pictures of three formats with bytes changed or cut."""
    rng, counted = random.Random(4), Counter[int]()
    whole = [saved(drawing(), kind) for kind in ("PNG", "JPEG", "WEBP")]
    for number in range(PICTURES):
        data = bytes_changed(whole[number % len(whole)], rng)
        _told(server, counted, "/pictures", data, "image/png")
    return f"{PICTURES} pictures: {by_status(counted)}."


def _told(server: Watched, counted: Counter[int], path: str, data: bytes, kind: str) -> None:
    status, said = send(server.address, "POST", path, data, kind)
    counted[status] += 1
    if status >= 500:
        raise BrokenError(f"{path}: {status} {said[:300]!r}")


def silent(server: Watched, context: ssl.SSLContext | None = None) -> str:
    """Connections that say nothing, or stop in the middle of a head; others are answered."""
    how = "by TLS" if context else "by http"
    address = server.address.replace("http:", "https:") if context else server.address
    with ExitStack() as held:
        for number in range(SILENT):
            made = held.enter_context(socket.create_connection(("127.0.0.1", server.port)))
            if number % 2 and context is None:
                made.sendall(b"GET / HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Half: ")
        longest = _longest(lambda: _asked(address + "/api/v1/door", context=context), 10)
    return f"{SILENT} silent connections {how}: others were answered within {longest:.2f} s."


def listeners(server: Watched) -> str:
    """One name listens again and again, and never reads."""
    study = call(server.address, "GET", "/studies")["studies"][0]["id"]
    path = f"/api/v1/studies/{study}/live?listener=aaaaaaaa&room=bench"
    with ExitStack() as held:
        for _ in range(LISTENERS):
            made = held.enter_context(socket.create_connection(("127.0.0.1", server.port)))
            made.sendall(f"GET {path} HTTP/1.1\r\nHost: 127.0.0.1:{server.port}\r\n\r\n".encode())
        time.sleep(0.5)
        longest = _longest(lambda: _asked(server.address + f"/api/v1/studies/{study}"), 10)
    return f"{LISTENERS} listeners of one name: others were answered within {longest:.2f} s."


def a_day(server: Watched) -> str:
    """Large pictures by six devices at once, all rooms of all studies, scenes from all round."""
    large = [saved(drawing(4000, 3000), kind) for kind in ("PNG", "JPEG", "WEBP")]

    def give() -> None:
        for number in range(15):
            send(server.address, "POST", "/pictures", large[number % len(large)], "image/png")

    devices = [threading.Thread(target=give) for _ in range(6)]
    for each in devices:
        each.start()
    for each in devices:
        each.join()
    asked = 0
    for study in call(server.address, "GET", "/studies")["studies"][:8]:
        for what in ("", "/recipe", "/check", "/prompts", "/relations", "/trust", "/tones"):
            asked += send(server.address, "GET", f"/studies/{study['id']}{what}", None, "")[0] < 500
    for name in ("seated_figure", "wooden_mask", "boathouse"):
        for direction in range(0, 180, 6):
            where = f"distance_mm=3000&eye_height_mm=1500&direction_deg={direction}"
            send(server.address, "GET", f"/scenes/{name}/picture.svg?{where}", None, "")
    return f"A day: 90 pictures of 12 megapixels by six devices, 90 views of scenes, {asked} rooms."


def guesses(server: Watched) -> str:
    """Passcodes at once, while a device that was let in asks."""
    let_in = urllib.request.build_opener(urllib.request.HTTPCookieProcessor())
    _knock(let_in, server, PASSCODE)
    counted, lock = Counter[int](), threading.Lock()

    def guess(number: int) -> None:
        status = _knock(urllib.request.build_opener(), server, f"wrong-words-{number}")
        with lock:
            counted[status] += 1

    guessing = [threading.Thread(target=guess, args=(number,)) for number in range(GUESSES)]
    for each in guessing:
        each.start()
    longest = _longest(lambda: let_in.open(server.address + "/api/v1/studies", timeout=60), 10)
    for each in guessing:
        each.join()
    if counted[403] > HEARD or counted[200]:
        raise BrokenError(f"of {GUESSES} passcodes {counted} were heard")
    return f"{GUESSES} passcodes at once: {by_status(counted)}; at home within {longest:.2f} s."


def _knock(opener: Any, server: Watched, passcode: str) -> int:
    body = json.dumps({"passcode": passcode, "name": "Tablet"}).encode()
    request = urllib.request.Request(server.address + "/api/v1/door", body,
                                     {"Content-Type": "application/json"})  # fmt: skip
    try:
        with opener.open(request, timeout=60) as answer:
            return int(answer.status)
    except urllib.error.HTTPError as error:
        with error:
            return error.code


def full_disk(data: Path) -> str:
    """Studies until the disk takes no more: then each is refused by a sentence, and none that was
    acknowledged is lost."""
    server = Limited(data, demo=False)
    server.start()
    counted, kept = Counter[int](), 0
    study = demonstration(TITLE)
    while counted[507] < 20 and counted.total() < 5000:
        status, said = send(server.address, "POST", "/studies/import", study, "application/json")
        counted[status] += 1
        kept += status == 201
        if status >= 500 and status != 507:
            raise BrokenError(f"on a full disk: {status} {said[:300]!r}")
    server.kill()
    again = Watched(data, demo=False)
    again.start()
    found = len(call(again.address, "GET", "/studies")["studies"])
    again.kill()
    if found != kept or not counted[507]:
        raise BrokenError(f"{kept} studies were acknowledged, {found} are there; {counted}")
    return f"A full disk: {by_status(counted)}; all of {kept} acknowledged are there afterwards."


class Limited(Watched):
    """A server whose files can't grow beyond a size."""

    def start(self) -> None:
        with _no_larger_than(DISK):
            super().start()


@contextmanager
def _no_larger_than(size: int) -> Iterator[None]:
    """Processes begun within this can't write files beyond a size; this one can again after it."""
    before = resource.getrlimit(resource.RLIMIT_FSIZE)
    resource.setrlimit(resource.RLIMIT_FSIZE, (size, before[1]))
    try:
        yield
    finally:
        resource.setrlimit(resource.RLIMIT_FSIZE, before)


class Asking(Watched):
    """A server with other options, that asks for a passcode or speaks TLS."""

    more: tuple[str, ...] = ()

    def start(self) -> None:
        self.launch(*self.more, passcode=PASSCODE)
        for _ in range(1200):
            with suppress(OSError):
                socket.create_connection(("127.0.0.1", self.port), 1).close()
                return
            time.sleep(0.05)
        raise BrokenError("the server did not start")


def _asked(address: str, **how: Any) -> None:
    urllib.request.urlopen(address, timeout=60, **how).close()


def _longest(ask: Callable[[], Any], times: int) -> float:
    """How long the longest of so many answers took, in seconds; BrokenError beyond bearing."""
    longest = 0.0
    for _ in range(times):
        began = time.monotonic()
        ask()
        longest = max(longest, time.monotonic() - began)
    if longest > WAITS_S:
        raise BrokenError(f"somebody waited {longest:.1f} s because of a stranger")
    return longest


def main() -> None:
    """Run all; anything that may not happen stops it."""
    with tempfile.TemporaryDirectory() as folder:
        server = Watched(Path(folder) / "data", demo=True)
        server.start()
        call(server.address, "GET", "/studies")
        began = server.memory_mb()
        for part in (silent, listeners, a_day, archives, pictures):
            print(part(server), flush=True)
            more = server.memory_mb() - began
            print(f"Memory: {more:+.0f} MB of {began:.0f} at the start.", flush=True)
            if more > MOST_MORE_MB:
                raise BrokenError(f"it holds {more:.0f} MB more than at the start")
        traced = server.traced()
        server.kill()
        if traced:
            raise BrokenError(f"{traced} tracebacks")
    with tempfile.TemporaryDirectory() as folder:
        asking = Asking(Path(folder) / "data", demo=True)
        asking.more = ("--ask-everyone",)
        asking.start()
        print(guesses(asking), flush=True)
        asking.kill()
    with tempfile.TemporaryDirectory() as folder:
        authority = trustme.CA()
        made = authority.issue_cert("127.0.0.1")
        chain, key = Path(folder) / "chain.pem", Path(folder) / "key.pem"
        made.cert_chain_pems[0].write_to_path(str(chain))
        made.private_key_pem.write_to_path(str(key))
        context = ssl.create_default_context()
        authority.configure_trust(context)
        secret = Asking(Path(folder) / "data", demo=True)
        secret.more = ("--certificate", str(chain), "--key", str(key))
        secret.start()
        print(silent(secret, context), flush=True)
        secret.kill()
    with tempfile.TemporaryDirectory() as folder:
        print(full_disk(Path(folder) / "data"), flush=True)


if __name__ == "__main__":
    main()
