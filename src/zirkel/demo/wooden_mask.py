"""The wooden mask: a carved mask hung on a peg, with a cord."""

from zirkel.core.study import Sheet, UnitPair
from zirkel.demo.arrangement import Arrangement, Point, outline

POINTS = (
    Point("brow_top", "Brow, highest point", 1, 0.00, 0.00),
    Point("temple_l", "Left temple", 1, -0.52, 0.34),
    Point("temple_r", "Right temple", 1, 0.50, 0.31),
    Point("cheek_l", "Left cheek", 2, -0.47, 0.86),
    Point("cheek_r", "Right cheek", 2, 0.44, 0.84),
    Point("chin", "Chin", 1, -0.03, 1.42),
    Point("eye_l", "Left eye, outer corner", 2, -0.33, 0.55),
    Point("eye_r", "Right eye, outer corner", 2, 0.30, 0.53),
    Point("nose_tip", "Nose, tip", 2, -0.01, 0.89),
    Point("mouth_l", "Mouth, left corner", 3, -0.19, 1.12),
    Point("mouth_r", "Mouth, right corner", 3, 0.15, 1.11),
    Point("peg", "Peg", 1, 0.02, -0.36),
)

SHAPES = (
    outline("face", "Mask", "brow_top temple_r cheek_r chin cheek_l temple_l"),
    outline("cord", "Cord", "temple_l peg temple_r", False, 2),
    outline("features", "Eyes to nose", "eye_l eye_r nose_tip", True, 2, "face"),
    outline("mouth", "Mouth", "mouth_l mouth_r", False, 3, "face"),
)

ONLY_TAKE = (
    "span level temple_l temple_r",
    "level temple_l temple_r",
    "span level temple_l cheek_r",
    "span plumb temple_r chin",
    "drop brow_top chin",
    "drop brow_top peg",
    "span plumb peg brow_top",
    "span level brow_top temple_l",
    "span plumb brow_top temple_l",
    "drop temple_l cheek_l",
    "span level cheek_l cheek_r",
    "level cheek_l cheek_r",
    "part plumb brow_top chin cheek_l",
    "tilt cheek_r chin",
    "tilt cheek_l chin",
    "span level eye_l eye_r",
    "level eye_l eye_r",
    "span plumb brow_top eye_l",
    "drop brow_top nose_tip",
    "part plumb brow_top chin nose_tip",
    "tilt eye_l nose_tip",
    "level nose_tip cheek_r",
    "drop eye_l mouth_l",
    "level mouth_l mouth_r",
    "span level mouth_l mouth_r",
    "span plumb nose_tip mouth_l",
    "tilt peg temple_r",
    "level nose_tip mouth_r",
)

WOODEN_MASK = Arrangement(
    title="Wooden mask on a peg",
    sheet=Sheet(210.0, 297.0),
    unit=UnitPair("brow_top", "chin", "plumb", "mask"),
    points=tuple(Point(p.id, p.name, p.tier, p.x / 1.42, p.y / 1.42) for p in POINTS),
    shapes=SHAPES,
    takes={"t1": (0.01, ONLY_TAKE)},
    wrong={},
    seed=5,
    tap_error=0.05,
    scale=0.3,
)
