"""Human faults in holding the stick: off unless turned on; a new one is one module and one line."""

from collections.abc import Mapping

from zirkel.core.subject.faults.base import Asked, Error, Fault
from zirkel.core.subject.faults.elbow import ElbowCreep
from zirkel.core.subject.faults.lean import Lean
from zirkel.core.subject.faults.sway import Sway
from zirkel.core.subject.faults.two_eyes import TwoEyes
from zirkel.core.subject.faults.wobble import Wobble

FAULTS: Mapping[str, type[Fault]] = {
    each.name: each for each in (Wobble, ElbowCreep, Sway, Lean, TwoEyes)
}

__all__ = ["FAULTS", "Asked", "Error", "Fault"]
