"""Under which addresses this machine is reached in its network."""

from __future__ import annotations

import socket
from ipaddress import ip_address

NOWHERE = ("192.0.2.1", 9)
"""An address set aside for documents (RFC 5737): asking by which way it would be reached sends
nothing, and tells this machine's own address."""


def own_addresses(host: str) -> list[str]:
    """Addresses in the network, the most likely first; only that one where a certain one is
    served."""
    if not _is_any(host):
        return [host]
    found = []
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(NOWHERE)
            found.append(str(probe.getsockname()[0]))
        except OSError:
            pass
    try:
        named = socket.getaddrinfo(socket.gethostname(), None, socket.AF_INET)
        found += [str(each[4][0]) for each in named]
    except OSError:
        pass
    return [each for each in dict.fromkeys(found) if not is_own_loop(each)] or ["127.0.0.1"]


def is_own_loop(address: str | None) -> bool:
    """Whether a request from that address comes from this machine itself."""
    try:
        found = ip_address((address or "").split("%")[0])
    except ValueError:
        return address == "localhost"
    mapped = getattr(found, "ipv4_mapped", None)
    return bool((mapped or found).is_loopback)


def _is_any(host: str) -> bool:
    try:
        return ip_address(host).is_unspecified
    except ValueError:
        return False
