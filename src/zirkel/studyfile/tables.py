"""Marks and readings as CSV (RFC 4180, UTF-8), and both read back: also from a table with
semicolons or tabs between its columns, decimal commas, headings in capitals, inches, and names of
landmarks in place of their ids."""

from __future__ import annotations

import csv
import io
import math
import re
from collections.abc import Mapping
from decimal import Decimal
from difflib import get_close_matches
from typing import Any

from pydantic import TypeAdapter, ValidationError

from zirkel.core.sheet.plan import Plan
from zirkel.core.sightings import KINDS, Sighting
from zirkel.core.study import Study
from zirkel.core.values.fractions import MM_PER, parse_length
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
    names = _Names(study)
    made = {}
    for number, row in enumerate(_rows(data, "landmark"), 2):
        place = [_side(number, row, side) for side in ("from_left", "from_top")]
        if None in place:
            continue
        said = _meant(row.get("landmark") or "")
        landmark = names.of(said)
        if landmark is None:
            raise BadInput(f"row {number}, landmark", names.unknown(said))
        made[landmark] = (place[0] or 0.0, place[1] or 0.0)
    return made


def _side(number: int, row: Mapping[str | Any, Any], side: str) -> float | None:
    """How far from an edge, in mm, from the column in mm or the one in inches; None where neither
    says so."""
    for column, factor in ((f"{side}_mm", 1.0), (f"{side}_in", MM_PER["in"])):
        text = (row.get(column) or "").strip()
        if text:
            return _length(number, column, text) if factor == 1.0 else factor * _number(
                number, column, text
            )  # fmt: skip
    return None


class _Names:
    """Landmarks by id, or by name where only one is called so, in whatever capitals."""

    def __init__(self, study: Study) -> None:
        self._ids = {each.id for each in study.landmarks}
        called: dict[str, list[str]] = {}
        for each in study.landmarks:
            called.setdefault(each.name.casefold(), []).append(each.id)
        self._called = called

    def of(self, said: str) -> str | None:
        """The id; None where none is called so, or several are."""
        if said in self._ids:
            return said
        found = self._called.get(said.casefold(), [])
        return found[0] if len(found) == 1 else None

    def unknown(self, said: str) -> str:
        """Why none is meant, and what would do."""
        many = self._called.get(said.casefold(), [])
        if len(many) > 1:
            return f"{len(many)} landmarks are called “{said}”: write {' or '.join(many)}"
        near = get_close_matches(said.casefold(), [*self._called, *self._ids], 1)
        hint = f": did you mean “{near[0]}”?" if near else ": write its name or its id"
        return f"there is no landmark “{said}” here{hint}"


def is_marks(data: bytes) -> bool:
    """Whether a table is one of marks: its first row names `from_left_mm`, or the same in
    inches."""
    first = data.split(b"\n", 1)[0].decode("utf-8", "replace")
    headings = {_heading(each) for each in re.split(r"[,;\t]", first)}
    return bool(headings & {"from_left_mm", "from_left_in"})


def read_readings(data: bytes, study: Study | None = None) -> tuple[Sighting, ...]:
    """Readings from a table, landmarks by id, or by their names in a study. BadInput names the row
    and the column that can't be taken."""
    names = None if study is None else _Names(study)
    return tuple(_read_row(number, row, names) for number, row in enumerate(_rows(data, "kind"), 2))


def _rows(data: bytes, needed: str) -> list[dict[str | Any, Any]]:
    """The rows of a table whose first row names a needed column."""
    if len(data) > MOST_BYTES:
        raise BadInput("file", f"the table has {len(data) / 1e6:.1f} MB, at most 2 MB can be read")
    try:
        text = data.decode("utf-8-sig")
        rows = csv.DictReader(io.StringIO(text), delimiter=_between(text))
        rows.fieldnames = [_heading(each) for each in rows.fieldnames or ()]
        if needed not in rows.fieldnames:
            raise BadInput("file", f"the first row must name the columns, `{needed}` among them")
        made = list(rows)
        if not made:
            raise BadInput("file", "the table is empty: nothing stands below its headings")
        return made
    except UnicodeDecodeError as error:
        raise BadInput("file", f"the table is not UTF-8 text (byte {error.start})") from error
    except csv.Error as error:
        raise BadInput("file", f"the table can't be read as CSV: {error}") from error


def _between(text: str) -> str:
    """What stands between columns: whichever of comma, semicolon and tab the headings have most
    of."""
    first = text.split("\n", 1)[0]
    return max(",;\t", key=first.count)


def _heading(text: str) -> str:
    """A heading as the columns are called: "From left (mm)" is `from_left_mm`."""
    return "_".join(re.findall(r"[^\W_]+", text.lower()))


LANDMARKS = frozenset(
    column
    for kind in KINDS.values()
    for name, role in kind.landmark_fields()
    for column in ([f"{name}_a", f"{name}_b"] if role == "pair" else [name])
)
"""Columns that name landmarks."""


def _read_row(number: int, row: Mapping[str | Any, Any], names: _Names | None = None) -> Sighting:
    record: dict[str, Any] = {
        name: _meant(value)
        for name, value in row.items()
        if name and isinstance(value, str) and _meant(value)
    }
    for column in LANDMARKS & record.keys() if names else ():
        if column == "at" and _is_time(record[column]):
            continue
        found = names.of(record[column]) if names else None
        if found is None and names:
            raise BadInput(f"row {number}, {column}", names.unknown(record[column]))
        record[column] = found
    for name in PAIRS:
        ends = [record.pop(f"{name}_{end}", None) for end in ("a", "b")]
        if any(ends):
            record[name] = ends
    if "sigma" in record:
        record["sigma"] = _number(number, "sigma", record["sigma"])
    if _is_figure(record.get("degrees", "")):
        # In a table, as in the file, a plain number of degrees is degrees; only a hand enters 2
        # and means two o'clock.
        record["degrees"] = float(record["degrees"].replace(",", "."))
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
        return math.isfinite(float(text.replace(",", ".")))
    except ValueError:
        return False


def _is_time(text: str) -> bool:
    """Whether `at` holds a time, as it did in tables of before."""
    return bool(re.match(r"\d{4}-\d\d-\d\d", text))


def _length(row: int, column: str, text: str) -> float:
    """Millimetres, also as "9.7 cm" or "3 1/2 in"."""
    try:
        return parse_length(text).value
    except ValueError:
        return _number(row, column, text)


def _number(row: int, column: str, text: str) -> float:
    try:
        value = float(text.replace(",", "."))
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
