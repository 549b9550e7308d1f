"""Tables: readings of every kind go out and come back; bad rows name row and column."""

import csv
import io
import unittest
from dataclasses import replace

from tests.files import small
from tests.networks import RandomNetwork
from zirkel.core.network.solve import solve
from zirkel.core.sheet.plan import make_plan
from zirkel.core.sightings import Order, Parallel, Run
from zirkel.errors import BadInput
from zirkel.studyfile.read import study_from
from zirkel.studyfile.tables import (
    is_marks,
    marks_csv,
    read_marks,
    read_readings,
    readings_csv,
)


class Readings(unittest.TestCase):
    def test_every_kind_goes_there_and_back(self):
        study = RandomNetwork(3, n=14, kinds="stdlpmr").study
        more = (
            Run(id="run", start="p2", end="p3", hits="p4"),
            Order(id="order", first="p5", second="p6", axis="lower"),
            Parallel(id="par", first=("p1", "p2"), second=("p3", "p4"), sigma=3.5, struck=True),
        )
        study = replace(study, sightings=(*study.sightings, *more))
        kinds = {each.kind for each in study.sightings}
        self.assertEqual(len(kinds), 9)
        self.assertEqual(read_readings(readings_csv(study)), study.sightings)

    def test_every_kind_keeps_its_time_in_a_column_of_its_own(self):
        study = RandomNetwork(3, n=14, kinds="stdlpmr").study
        timed = tuple(
            replace(each, taken_at=f"2026-11-02T09:{k // 60:02}:{k % 60:02}+00:00")
            for k, each in enumerate(study.sightings)
        )
        table = readings_csv(replace(study, sightings=timed))
        self.assertEqual(read_readings(table), timed)
        for row in csv.DictReader(io.StringIO(table.decode())):
            self.assertRegex(row["taken_at"], r"^2026-11-02T09:")
            self.assertNotRegex(row["at"], r"^2026")

    def test_a_table_of_before_with_the_time_where_it_stood_is_read_too(self):
        table = b"kind,from,to,at,units,along\nspan,a,b,2026-11-02T09:00:00+00:00,1,plumb\n"
        (reading,) = read_readings(table)
        self.assertEqual(reading.taken_at, "2026-11-02T09:00:00+00:00")

    def test_entered_by_hand_in_a_spreadsheet(self):
        table = (
            b"kind,from,to,along,units,degrees\nspan,a,b,level,1 3/8,\ntilt,a,b,,,half past one\n"
        )
        span, tilt = read_readings(table)
        self.assertEqual((span.units, tilt.degrees, span.id), (1.375, 45.0, "row_2"))

    def test_as_another_spreadsheet_writes_it(self):
        """Semicolons or tabs, decimal commas, capitals, names of landmarks."""
        study = study_from(small())
        for between in (";", "\t"):
            table = between.join(("Kind", "From", "To", "Along", "Units", "Degrees")) + "\n"
            table += between.join(("span", "can_top", "Pot, rim", "level", "1,375", "")) + "\n"
            table += between.join(("tilt", "CAN, TOP OF RIM", "pot_rim", "", "", "12,5"))
            name = next(each for each in study.landmarks if each.id == "can_top").name
            table = table.replace("CAN, TOP OF RIM", name.upper())
            pot = next(each for each in study.landmarks if each.id == "pot_rim").name
            table = table.replace("Pot, rim", pot)
            span, tilt = read_readings(table.encode(), study)
            self.assertEqual((span.units, span.end), (1.375, "pot_rim"))
            self.assertEqual((tilt.degrees, tilt.start), (12.5, "can_top"))

    def test_names_that_mean_nothing_or_two_are_refused_with_what_would_do(self):
        study = study_from(small())
        twin = replace(study, landmarks=(*study.landmarks, replace(study.landmarks[0], id="x")))
        name = study.landmarks[0].name
        head = b"kind,from,to,degrees\n"
        for held, row, said in (
            (study, f'tilt,"{name} ",nowhere,10:30', "no landmark “nowhere”"),
            (study, "tilt,can_tpo,pot_rim,10:30", "did you mean “can_top”"),
            (twin, f'tilt,"{name}",pot_rim,10:30', "2 landmarks are called"),
        ):
            with self.assertRaises(BadInput) as caught:
                read_readings(head + row.encode(), held)
            self.assertTrue(caught.exception.field.startswith("row 2, "))
            self.assertIn(said, caught.exception.problem)

    def test_marks_in_inches_centimetres_and_by_name(self):
        study = study_from(small())
        name = study.landmarks[0].name
        table = f'Landmark;From left (in);From top (in)\n"{name}";2,5;1\n'
        self.assertTrue(is_marks(table.encode()))
        (place,) = read_marks(table.encode(), study).values()
        self.assertAlmostEqual(place[0], 63.5)
        table = "landmark,from_left_mm,from_top_mm\npot_rim,9.7 cm,3 1/2 in\n"
        self.assertAlmostEqual(read_marks(table.encode(), study)["pot_rim"][0], 97.0)
        self.assertAlmostEqual(read_marks(table.encode(), study)["pot_rim"][1], 88.9)

    def test_an_empty_table_says_that_it_is(self):
        with self.assertRaisesRegex(BadInput, "the table is empty"):
            read_readings(b"kind,from,to\n")

    def test_bad_tables(self):
        for table, field in (
            (b"a,b\n1,2\n", "file"),
            (b"\xff\xfe", "file"),
            (b"", "file"),
            (b"kind,from,to\nspan,a,b\n", "row 2, "),
            (b"kind,from,to,along,units\nspan,a,b,level,0\n", "row 2, units"),
            (b"kind,from,to,along,units,sigma\nspan,a,b,level,1,much\n", "row 2, sigma"),
            (b"kind,from,to,degrees\ntilt,a,b,10:30\nhop,a,b,1\n", "row 3, kind"),
            (b"kind" + b"," * 2_000_001, "file"),
        ):
            with self.subTest(table[:40]), self.assertRaises(BadInput) as caught:
                read_readings(table)
            self.assertTrue(caught.exception.field.startswith(field), caught.exception.field)

    def test_a_name_that_looks_like_a_formula_stays_text(self):
        study = study_from(small())
        sly = replace(study.landmarks[0], name="=1+1")
        study = replace(study, landmarks=(sly, *study.landmarks[1:]))
        table = marks_csv(study, make_plan(study, solve(study))).decode()
        self.assertNotIn(",=1+1", table)

    def test_marks_come_back_as_drawn(self):
        study = study_from(small())
        plan = make_plan(study, solve(study))
        inches = marks_csv(replace(study, inches=True), plan).decode()
        first = next(csv.DictReader(io.StringIO(inches)))
        self.assertEqual(list(first)[-2:], ["from_left_in", "from_top_in"])
        self.assertAlmostEqual(
            float(first["from_left_in"]) * 25.4, float(first["from_left_mm"]), delta=0.01
        )
        table = marks_csv(study, plan)
        self.assertTrue(is_marks(table))
        self.assertFalse(is_marks(readings_csv(study)))
        for name, (left, top) in read_marks(table, study).items():
            self.assertAlmostEqual(left, plan.marks[name].from_left_mm, delta=0.006)
            self.assertAlmostEqual(top, plan.marks[name].from_top_mm, delta=0.006)
        for row, field in ((b"x,1,2", "row 2, landmark"), (b"pot_rim,1,nan", "row 2, from_top_mm"),
                           (b"pot_rim,wide,2", "row 2, from_left_mm")):  # fmt: skip
            with self.assertRaises(BadInput) as caught:
                read_marks(b"landmark,from_left_mm,from_top_mm\n" + row + b"\n", study)
            self.assertEqual(caught.exception.field, field)

    def test_marks(self):
        study = study_from(small())
        plan = make_plan(study, solve(study))
        rows = list(csv.DictReader(io.StringIO(marks_csv(study, plan).decode())))
        self.assertEqual([row["landmark"] for row in rows], [m.id for m in study.landmarks])
        rim = next(row for row in rows if row["landmark"] == "pot_rim")
        self.assertAlmostEqual(
            float(rim["from_left_mm"]), plan.marks["pot_rim"].from_left_mm, delta=0.006
        )


if __name__ == "__main__":
    unittest.main()
