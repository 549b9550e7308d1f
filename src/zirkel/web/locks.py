"""What is behind the door: the passcode as its Argon2 hash, signed cookies, how often one may be
wrong. Loaded only where others are served.
"""

from __future__ import annotations

import time
from collections.abc import Sequence
from threading import Lock

from argon2 import PasswordHasher
from argon2.exceptions import VerifyMismatchError
from flask import Response, request
from itsdangerous import BadSignature, URLSafeSerializer
from limits import parse
from limits.storage import MemoryStorage
from limits.strategies import MovingWindowRateLimiter

from zirkel.store.devices import Device, Devices
from zirkel.web.addresses import is_own_loop, own_addresses
from zirkel.web.codes import Codes
from zirkel.web.door import Guest
from zirkel.web.problems import Problem, Refused

COOKIE = "zirkel_device"
A_YEAR = 31_536_000
WRONG, TOO_OFTEN = 403, 429
ANYWHERE, LOOKED_AGAIN_S = "0.0.0.0", 15.0
"""Asked for all addresses of this machine; after how long it is looked again which they are."""

EACH, ALL = parse("5/minute"), parse("40/minute")
"""Wrong passcodes from one address, and from all."""


class Door:
    """Who may come in."""

    def __init__(
        self,
        devices: Devices,
        passcode: str,
        addresses: Sequence[str],
        port: int,
        secure: bool,
        ask_everyone: bool = False,
        public_url: str | None = None,
    ) -> None:
        self.devices = devices
        self.secure = secure or (public_url or "").startswith("https:")
        self._ask_everyone = ask_everyone or public_url is not None
        self._own, self._looked = tuple(addresses), time.monotonic()
        scheme = "https" if secure else "http"
        self.urls = [
            *((public_url,) if public_url else ()),
            *(f"{scheme}://{f'[{each}]' if ':' in each else each}:{port}" for each in addresses),
        ]
        self._signer = URLSafeSerializer(devices.signing_key(), salt=COOKIE)
        self._hasher = PasswordHasher()
        self._limiter = MovingWindowRateLimiter(MemoryStorage())
        self._hashing = Lock()
        self.codes = Codes()
        self.change(passcode)

    def change(self, passcode: str) -> None:
        """From now on it is this one; devices that were let in stay so."""
        self.passcode = passcode
        self._hash = self._hasher.hash(passcode)

    def guest(self) -> Guest | None:
        """Who asks; None for who isn't let in."""
        here = is_own_loop(request.remote_addr) or request.remote_addr in self._addresses()
        if here and not self._ask_everyone:
            return Guest(here=True, device=None)
        try:
            device, key = self._signer.loads(request.cookies.get(COOKIE, ""))
            known = self.devices.known(str(device), str(key))
        except (BadSignature, TypeError, ValueError):
            return None
        return None if known is None else Guest(here=False, device=known)

    def _addresses(self) -> Sequence[str]:
        """This machine's own at the moment: one that it had at its start may be another's now."""
        if time.monotonic() - self._looked > LOOKED_AGAIN_S:
            self._own, self._looked = tuple(own_addresses(ANYWHERE)), time.monotonic()
        return self._own

    def knock(self, passcode: str, name: str, response: Response) -> Device:
        """Let the device in that gives the passcode or a code that was shown, its cookie set in the
        response; Refused where it is wrong, or was too often."""
        address = request.remote_addr or "nowhere"
        # Counted before it is heard: of many at once no more are heard than of one after the other.
        if not (self._limiter.hit(EACH, address) and self._limiter.hit(ALL, "all")):
            raise Refused(
                Problem(
                    title="Too often",
                    status=TOO_OFTEN,
                    detail="The passcode was wrong too often: wait a minute, then look at it again "
                    "on the machine that runs Zirkel.",
                )
            )
        plain = "".join(passcode.split())
        code = self.codes.taken(plain)
        # One at a time: each takes much memory, by design.
        with self._hashing:
            right = code is not None or self._is_right(plain)
        if not right:
            raise Refused(
                Problem(
                    title="Not the passcode",
                    status=WRONG,
                    detail="This is not the passcode. It stands where Zirkel was started, and on "
                    "that machine under Devices.",
                    field="passcode",
                )
            )
        self._limiter.clear(EACH, address)
        device, key = self.devices.add(name, None if code is None else code.lesson)
        response.set_cookie(
            COOKIE, self._signer.dumps([device.id, key]), max_age=A_YEAR, httponly=True,
            samesite="Strict", secure=self.secure, path="/",
        )  # fmt: skip
        return device

    def _is_right(self, passcode: str) -> bool:
        try:
            return self._hasher.verify(self._hash, passcode)
        except VerifyMismatchError:
            return False
