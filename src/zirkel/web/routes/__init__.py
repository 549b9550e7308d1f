"""The routes, one module a stage; a new one is a module and a line here."""

from zirkel.web.routes import (
    bench,
    check,
    door,
    draw,
    frame,
    history,
    kits,
    lessons,
    live,
    practice,
    shelf,
    sitting,
    subject,
    tones,
    wall,
    work,
)  # fmt: skip

ROUTES = (wall.routes, subject.routes, frame.routes, bench.routes, draw.routes, check.routes,
          tones.routes, kits.routes, practice.routes, sitting.routes,
          history.routes, work.routes, door.routes, live.routes,
          shelf.routes, lessons.routes)  # fmt: skip
