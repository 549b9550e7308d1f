"""Marks and readings as CSV (RFC 4180, UTF-8), and readings read back."""

from __future__ import annotations

import csv
import io
import math
from collections.abc import Mapping
from decimal import Decimal
from typing import Any

from pydantic import TypeAdapter, ValidationError

from zirkel.core.sheet.plan import Plan
from zirkel.core.sightings import KINDS, Sighting
from zirkel.core.study import Study
from zirkel.core.values.fractions import MM_PER
from zirkel.errors import BadInput
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.sightings import AnySighting, sighting_to_core, sighting_to_file

MARK_FIELDS = ("landmark", "name", "tier", "from_left_mm", "from_top_mm", "sd_mm", "slack_mm")
IN_INCHES = ("from_left_in", "from_top_in")
PAIRS = ("first", "second")
MOST_BYTES = 2_000_000

GUARD = "'"
RISKY = ("=", "+", "-", "@", "\t", "\r", "\n", "＝", "＋", "－", "＠", GUARD)
"""Beginnings of text that a spreadsheet may take for a formula, and the guard against it."""

_ADAPTER: TypeAdapter[Any] = TypeAdapter(AnySighting)


def reading_fields() -> list[str]:
    """The columns of a table of readings: what all kinds have, in a lasting order."""
    fields = ["id", "kind"]
    for kind in KINDS.values():
        for name, role in kind.landmark_fields():
            columns = [f"{name}_a", f"{name}_b"] if role == "pair" else [name]
            fields += [each for each in columns if each not in fields]
    values = [kind.value_field for kind in KINDS.values() if kind.value_field]
    return [*fields, "along", "towards", "axis", *dict.fromkeys(values), "take", "sigma",
            "struck", "note", "taken_at"]  # fmt: skip


def marks_csv(study: Study, plan: Plan) -> bytes:
    """One row a landmark: where it goes on the sheet, in mm, and in inches too where the study is
    in them; empty where it is loose."""
    rows = []
    for each in study.landmarks:
        mark = plan.marks[each.id]
        slack = None if mark.slack is None else mark.slack.longer
        numbers = (mark.from_left_mm, mark.from_top_mm, mark.sd_mm, slack)
        row = [each.id, each.name, each.tier, *(_rounded(value) for value in numbers)]
        if study.inches:
            row += ["" if mm is None else f"{mm / MM_PER['in']:.4f}" for mm in numbers[:2]]
        rows.append(row)
    return _written((*MARK_FIELDS, *IN_INCHES) if study.inches else MARK_FIELDS, rows)


def readings_csv(study: Study) -> bytes:
    """One row a reading."""
    fields = reading_fields()
    rows = []
    for each in study.sightings:
        record = _flat(sighting_to_file(each))
        # In a table the time has a column of its own: in `at` some kinds name a landmark.
        if record.get("at") == each.taken_at:
            record.pop("at", None)
        record["taken_at"] = each.taken_at or ""
        rows.append([record.get(name, "") for name in fields])
    return _written(fields, rows)


def read_marks(data: bytes, study: Study) -> dict[str, tuple[float, float]]:
    """Where landmarks sit on the sheet, from a table of marks; rows without numbers are left out.
    BadInput names the row and the column that can't be taken."""
    known = {each.id for each in study.landmarks}
    made = {}
    for number, row in enumerate(_rows(data, "landmark"), 2):
        name = _meant(row.get("landmark") or "")
        left, top = (row.get("from_left_mm") or "").strip(), (row.get("from_top_mm") or "").strip()
        if not (left and top):
            continue
        if name not in known:
            raise BadInput(f"row {number}, landmark", f"there is no landmark “{name}” here")
        made[name] = (
            _number(number, "from_left_mm", left), _number(number, "from_top_mm", top)
        )  # fmt: skip
    return made


def is_marks(data: bytes) -> bool:
    """Whether a table is one of marks: its first row names `from_left_mm`."""
    return b"from_left_mm" in data.split(b"\n", 1)[0]


def read_readings(data: bytes) -> tuple[Sighting, ...]:
    """Readings from a table; BadInput names the row and the column that can't be taken."""
    return tuple(_read_row(number, row) for number, row in enumerate(_rows(data, "kind"), 2))


def _rows(data: bytes, needed: str) -> list[dict[str | Any, Any]]:
    """The rows of a table whose first row names a needed column."""
    if len(data) > MOST_BYTES:
        raise BadInput("file", f"the table has {len(data) / 1e6:.1f} MB, at most 2 MB can be read")
    try:
        rows = csv.DictReader(io.StringIO(data.decode("utf-8-sig")))
        if needed not in (rows.fieldnames or ()):
            raise BadInput("file", f"the first row must name the columns, `{needed}` among them")
        return list(rows)
    except UnicodeDecodeError as error:
        raise BadInput("file", f"the table is not UTF-8 text (byte {error.start})") from error
    except csv.Error as error:
        raise BadInput("file", f"the table can't be read as CSV: {error}") from error


def _read_row(number: int, row: Mapping[str | Any, Any]) -> Sighting:
    record: dict[str, Any] = {
        name: _meant(value)
        for name, value in row.items()
        if name and isinstance(value, str) and _meant(value)
    }
    for name in PAIRS:
        ends = [record.pop(f"{name}_{end}", None) for end in ("a", "b")]
        if any(ends):
            record[name] = ends
    if "sigma" in record:
        record["sigma"] = _number(number, "sigma", record["sigma"])
    if _is_figure(record.get("degrees", "")):
        # In a table, as in the file, a plain number of degrees is degrees; only a hand enters 2
        # and means two o'clock.
        record["degrees"] = float(record["degrees"])
    if "struck" in record:
        record["struck"] = record["struck"].lower() in ("true", "1", "yes")
    record.setdefault("id", f"row_{number}")
    try:
        return sighting_to_core(_ADAPTER.validate_python(record))
    except ValidationError as error:
        problem = said_plainly(error, record)
        raise BadInput(f"row {number}, {problem.field}", problem.problem) from error


def _is_figure(text: str) -> bool:
    try:
        return math.isfinite(float(text))
    except ValueError:
        return False


def _number(row: int, column: str, text: str) -> float:
    try:
        value = float(text)
    except ValueError as error:
        raise BadInput(f"row {row}, {column}", f"“{text}” is not a number") from error
    if not math.isfinite(value):
        raise BadInput(f"row {row}, {column}", f"“{text}” is not an ordinary number")
    return value


def _flat(record: Mapping[str, Any]) -> dict[str, Any]:
    made: dict[str, Any] = {}
    for name, value in record.items():
        if name in PAIRS and isinstance(value, list):
            made[f"{name}_a"], made[f"{name}_b"] = value
        else:
            made[name] = "true" if value is True else value
    return made


def _rounded(value: float | None) -> Decimal | None:
    return None if value is None else Decimal(f"{value:.2f}")


def _written(fields: tuple[str, ...] | list[str], rows: list[list[Any]]) -> bytes:
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(fields)
    writer.writerows([_harmless(value) for value in row] for row in rows)
    return out.getvalue().encode()


def _harmless(value: Any) -> Any:
    """Text that a spreadsheet would take for a formula, or that begins like the guard itself, gets
    an apostrophe before it; numbers are no formulas."""
    return f"{GUARD}{value}" if isinstance(value, str) and value.startswith(RISKY) else value


def _meant(cell: str) -> str:
    """What a cell holds: without its guard as it was, else without blanks around it."""
    text = cell.strip(" ")
    return text[1:] if text.startswith(GUARD) and text[1:].startswith(RISKY) else cell.strip()
