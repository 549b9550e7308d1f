"""The next sitting as an entry for any calendar (RFC 5545): when, what to bring, what to look at
first."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

from icalendar import Calendar, Event

from zirkel.core.words.sitting import say_look_again
from zirkel.errors import BadInput
from zirkel.store.store import Store
from zirkel.views.care import laid_out

LASTS = timedelta(hours=2)


def calendar_entry(store: Store, study_id: int) -> bytes:
    """The file of the study's next sitting; BadInput where none is set."""
    stored = store.get(study_id)
    study = stored.study
    if study.next_sitting is None:
        raise BadInput("next_sitting", "say first when the next sitting is")
    try:
        begins = datetime.fromisoformat(study.next_sitting)
    except ValueError as error:
        raise BadInput(
            "next_sitting", f"“{study.next_sitting}” is no day and hour: say again when it is"
        ) from error
    first = say_look_again(study, stored.worked.words, stored.worked.solution)
    lines = ["Look first:", *first] if first else []
    lines += ["Bring:"]
    lines += [f"- {item.what}" for each in laid_out(store, stored)[0] for item in each.items]
    event = Event()
    event.add("uid", f"study-{study_id}-{study.next_sitting}@zirkel")
    event.add("dtstamp", datetime.now(UTC))
    event.add("summary", study.title)
    event.add("dtstart", begins)
    event.add("duration", LASTS)
    event.add("description", "\n".join(lines))
    made = Calendar()
    made.add("prodid", "-//Zirkel//Sittings//EN")
    made.add("version", "2.0")
    made.add_component(event)
    return bytes(made.to_ical())
