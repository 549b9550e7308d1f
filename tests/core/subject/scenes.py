"""Small scenes for tests."""

from zirkel.core.study import UnitPair
from zirkel.core.subject.scene import Scene, SceneLandmark
from zirkel.core.subject.solids import Box
from zirkel.core.subject.station import Station

ENDS = (
    SceneLandmark("top", "Top", 1, (0.0, 0.0, 1000.0)),
    SceneLandmark("foot", "Foot", 1, (0.0, 0.0, 0.0)),
)
UNIT = UnitPair("top", "foot", "plumb", "post")
STATION = Station(distance_mm=4000.0, eye_height_mm=500.0)


def scene_of(*solids, landmarks=ENDS, unit=UNIT, **more):
    """A scene of these solids with a unit of one metre upright at its middle."""
    return Scene("test", "Test", "test", solids, landmarks, (), unit, STATION, **more)


def block(name, at, size, turn=0.0):
    """A box."""
    return Box("box", name, at, size, turn)
