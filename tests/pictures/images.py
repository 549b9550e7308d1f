"""Pictures made for tests, good and bad."""

import io
import struct
import zlib

from PIL import Image, ImageDraw


def drawing(width=400, height=300):
    """A black box with a white corner: which way up it is can be told."""
    picture = Image.new("RGB", (width, height), (128, 128, 128))
    pen = ImageDraw.Draw(picture)
    pen.rectangle((0, 0, width // 4, height // 4), fill="white")
    pen.rectangle((width // 2, height // 2, width - 1, height - 1), fill="black")
    return picture


def saved(picture, kind, **options):
    out = io.BytesIO()
    picture.save(out, kind, **options)
    return out.getvalue()


def _chunk(name, data):
    return struct.pack(">I", len(data)) + name + data + struct.pack(">I", zlib.crc32(name + data))


def empty_png(width, height):
    """A true PNG of one colour that is tiny as a file, however large it unpacks."""
    packer = zlib.compressobj(9)
    row = b"\0" + b"\0" * ((width + 7) // 8)
    packed = b"".join(packer.compress(row) for _ in range(height)) + packer.flush()
    head = struct.pack(">IIBBBBB", width, height, 1, 0, 0, 0, 0)
    return (
        b"\x89PNG\r\n\x1a\n"
        + _chunk(b"IHDR", head)
        + _chunk(b"IDAT", packed)
        + _chunk(b"IEND", b"")
    )


SVG = b"""<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>"""

BAD_PICTURES = {
    "not an image": (b"Dear diary, today I drew a bottle." * 40, "not a PNG, JPEG or WebP"),
    "empty": (b"", "not a PNG, JPEG or WebP"),
    "a truncated JPEG": (saved(drawing(), "JPEG")[:2000], "cut short or damaged"),
    "a truncated PNG": (saved(drawing(), "PNG")[:-300], "cut short or damaged"),
    "12 000 x 12 000": (empty_png(12_000, 12_000), "12000 × 12000 pixels"),
    "an image bomb": (empty_png(60_000, 30_000), "unpacks to far more"),
    "an SVG with a script": (SVG, "SVG drawing"),
    "a GIF": (saved(drawing(), "GIF"), "not a PNG, JPEG or WebP"),
    "too small": (saved(drawing(20, 20), "PNG"), "too small"),
    "60 MB": (b"\x89PNG\r\n\x1a\n" + b"\0" * 60_000_000, "60 MB"),
}
"""What a user might send by mistake or worse, and what is said of it."""
