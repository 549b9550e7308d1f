"""Papers at true size: what they draw, read back out of the files, is where it belongs to 0.1
mm."""

import unittest
from itertools import pairwise

import numpy as np
from PIL import Image

from tests.paper.drawn import pages
from tests.paper.words import written
from zirkel.core.study import Margins, Sheet
from zirkel.errors import BadInput
from zirkel.paper import recipe_pages as recipe
from zirkel.paper.grid_overlay import BORDER_MM, grid_overlay
from zirkel.paper.marks_sheet import PrintedMark, marks_sheet
from zirkel.paper.page import Page, page_for
from zirkel.paper.plan_svg import plan_svg
from zirkel.paper.recipe_pages import Printed, recipe_pages
from zirkel.paper.reference_print import reference_print
from zirkel.paper.tick_strips import EDGE, NAME, Ticks, _laid, tick_strips
from zirkel.paper.tilt_card import CARD_WIDE, LEFT, TOP, ray_end, tilt_card
from zirkel.paper.viewfinder import OPENING, viewfinder
from zirkel.paper.whole import EDGE as TILE_EDGE
from zirkel.paper.whole import OVERLAP, Whole, in_pages, on_one_page, tiles_of

SHEET = Sheet(297.0, 420.0, Margins.even(15.0))
MARKS = [PrintedMark("Crown", 141.3, 37.9, 1.2), PrintedMark("Chin", 139.05, 120.0, 2.4),
         PrintedMark("Hand", 60.0, 300.25, None)]  # fmt: skip
TENTH = 0.1


class Papers(unittest.TestCase):
    def near(self, a, b):
        self.assertLess(abs(a - b), TENTH)

    def proof(self, data):
        for page in pages(data):
            self.assertTrue(page.bar(), "no proof bar")
            self.near(page.bar()[0], 100.0)

    def test_marks_are_crossed_where_they_go(self):
        data = on_one_page(marks_sheet("A study", SHEET, MARKS))
        (page,) = pages(data)
        self.near(page.size[0], 297.0)
        self.near(page.size[1], 420.0)
        level = [(a, b) for a, b in page.segments() if abs(a[1] - b[1]) < 1e-6]
        for mark in MARKS[:2]:
            arms = [s for s in level if abs(s[0][1] - mark.top_mm) < TENTH
                    and abs((s[0][0] + s[1][0]) / 2 - mark.left_mm) < TENTH]  # fmt: skip
            self.assertEqual(len(arms), 1, mark)
            self.near(abs(arms[0][1][0] - arms[0][0][0]), 4.0)
        self.proof(data)

    def test_no_outline_is_ever_printed(self):
        """No piece joins two marks."""
        data = on_one_page(marks_sheet("A study", SHEET, MARKS))
        for a, b in pages(data)[0].segments():
            on = [any(abs(p[0] - m.left_mm) < 1 and abs(p[1] - m.top_mm) < 1 for m in MARKS)
                  for p in (a, b)]  # fmt: skip
            self.assertFalse(all(on) and abs(a[0] - b[0]) + abs(a[1] - b[1]) > 6.0)

    def test_ticks_stand_at_their_distances(self):
        data = tick_strips("A study", [Ticks("from Crown", [(82.1, "Chin"), (240.6, "Toe")])])
        ticks = {round(a[0] - EDGE, 1) for a, b in pages(data)[0].segments()
                 if abs(a[0] - b[0]) < 1e-6 and 3.0 < abs(a[1] - b[1]) < 8.0}  # fmt: skip
        self.assertLessEqual({82.1, 240.6}, ticks)
        self.proof(data)

    def test_a_long_strip_comes_in_pieces_that_glued_are_whole(self):
        """Joined at the dashed line, every tick stands at its own distance from the zero."""
        wanted = {40.0, 200.5, 261.0, 410.3}
        data = tick_strips("A study", [Ticks("heights", [(at, f"{at}") for at in wanted])])
        (page,) = pages(data)
        self.near(page.size[0], 297.0)
        upright = [(a, b) for a, b in page.segments() if abs(a[0] - b[0]) < 1e-6]
        tall = sorted({(round(min(a[1], b[1]), 2), round(abs(a[1] - b[1]), 2), round(a[0], 2))
                       for a, b in upright})  # fmt: skip
        tops = sorted({top for top, _, x in tall if abs(x - EDGE) < TENTH})
        self.assertGreaterEqual(len(tops), 2)
        joint = next(x for top, high, x in tall if top == tops[0] and high > 9.0 and x > 100.0)
        found = set()
        for k, top in enumerate(tops):
            found |= {round(x - EDGE + k * (joint - EDGE), 1) for at, high, x in tall
                      if at == top and 3.0 < high < 9.0}  # fmt: skip
        self.assertLessEqual(wanted, found)

    def test_many_strips_go_over_several_pages(self):
        strips = [Ticks(f"strip {i}", [(50.0 + i, "x")]) for i in range(30)]
        self.assertGreater(len(pages(tick_strips("A study", strips))), 1)

    def test_the_viewfinder_s_opening_has_the_frame_s_proportion(self):
        for ratio in (1.5, 0.6):
            data = viewfinder("A study", ratio)
            closed = [line for line in pages(data)[0].lines if len(line) == 4]
            sizes = [(abs(r[1][0] - r[0][0]), abs(r[2][1] - r[1][1])) for r in closed]
            w, h = min(sizes, key=lambda size: size[0] * size[1])
            self.near(max(w, h), OPENING)
            self.assertAlmostEqual(w / h, ratio, delta=0.002)
            self.proof(data)

    def test_the_thread_falls_on_the_tilt(self):
        """A stick at 45 degrees, the card's edge along it: the thread hangs straight down, which is
        135 degrees clockwise from the edge's upper end. At 90 it halves the card."""
        hole = (LEFT + CARD_WIDE / 2.0, TOP + 5.0)
        for tilt in (0.0, 30.0, 45.0, 90.0, 150.0, 180.0):
            x, y = ray_end(hole, tilt, 10.0)
            edge = np.radians(tilt)
            along = np.array([np.sin(edge), -np.cos(edge)])
            beside = np.array([-along[1], along[0]])
            thread = (x - hole[0]) * along + (y - hole[1]) * beside
            self.assertAlmostEqual(thread[0] / np.hypot(*thread), 0.0, places=9)
            self.assertGreater(thread[1], 0.0)
        data = tilt_card("A study")
        rays = [(a, b) for a, b in pages(data)[0].segments()
                if 1.8 < np.hypot(a[0] - b[0], a[1] - b[1]) < 14.0]  # fmt: skip
        self.assertGreaterEqual(len(rays), 73)
        self.proof(data)

    def test_no_tick_runs_through_a_name(self):
        ticks = [(40.0 + 3.0 * i, f"Landmark number {i}") for i in range(9)] + [(120.0, "Far")]
        rows = _laid(Page("", 100.0, 100.0), Ticks("close", ticks))
        ruler = Page("", 100.0, 100.0)
        for at, name, row in rows:
            for other, _, lower in rows:
                covered = at < other <= at + ruler.wide(name, NAME)
                self.assertFalse(covered and lower >= row, f"{other} runs through {name}")

    def test_strips_come_on_the_artist_s_own_paper_however_long_they_are(self):
        for far, page, size in ((120.0, "A4", (297.0, 210.0)), (240.0, "Letter", (279.4, 215.9)),
                                (900.0, "A4", (297.0, 210.0))):  # fmt: skip
            strips = [Ticks("from Crown", [(far, "Toe")])]
            for each in pages(tick_strips("A study", strips, page)):
                self.near(each.size[0], size[0])
                self.near(each.size[1], size[1])

    def test_long_words_are_never_cut(self):
        page = Page("", 100.0, 100.0)
        for said in ("word " * 60, "w" * 200, ""):
            lines = page.lines(said, 50.0, 6.0, strong=True)
            self.assertEqual("".join(lines).replace(" ", ""), said.replace(" ", ""))
            self.assertTrue(all(page.wide(each, 6.0, strong=True) <= 50.0 for each in lines))

    def test_the_grid_s_lines(self):
        across, down = [50.0, 90.0, 130.0, 170.0, 210.0], [60.0, 100.0, 140.0]
        page = pages(on_one_page(grid_overlay("A study", (0.0, 0.0, 297.0, 210.0), across, down)))[
            0
        ]
        self.near(page.size[0], 297.0 + 2 * BORDER_MM)
        upright = {round(a[0], 1) for a, b in page.segments()
                   if abs(a[0] - b[0]) < 1e-6 and abs(abs(a[1] - b[1]) - 80) < TENTH}  # fmt: skip
        self.assertEqual(upright, {x + BORDER_MM for x in across})

    def test_tiles_cover_the_whole_each_over_the_one_before(self):
        for width, height in ((297.0, 420.0), (150.0, 500.0), (900.0, 700.0)):
            for page in ((210.0, 297.0), (279.4, 215.9)):
                tiles = tiles_of(width, height, page)
                self.assertAlmostEqual(max(e.left + e.width for e in tiles), width)
                self.assertAlmostEqual(max(e.top + e.height for e in tiles), height)
                lefts = sorted({each.left for each in tiles})
                for a, b in pairwise(lefts):
                    self.assertAlmostEqual(a + page[0] - 2 * TILE_EDGE - b, OVERLAP)
                self.assertEqual(len({each.name for each in tiles}), len(tiles))

    def test_nobody_glues_a_hundred_pages(self):
        with self.assertRaisesRegex(BadInput, "in one piece"):
            in_pages(Whole("S", 5000.0, 5000.0, lambda paper: None), (210.0, 297.0))

    def test_glued_at_their_overlaps_the_pages_show_the_whole_at_true_size(self):
        """Where each page puts the kept drawing's corner tells what of it is seen there."""
        whole = Whole("A study", 297.0, 420.0, lambda paper: paper.cross(150.0, 200.0))
        page = (210.0, 297.0)
        size = min((page, page[::-1]), key=lambda each: len(tiles_of(297.0, 420.0, each)))
        tiles = tiles_of(297.0, 420.0, size)
        found = pages(in_pages(whole, page))
        self.assertEqual(len(found), 1 + len(tiles))
        for tile, shown in zip(tiles, found[1:], strict=True):
            self.near(shown.size[0], size[0])
            left, low, share = shown.put[0]
            self.assertEqual(share, 1.0)
            self.near(left, TILE_EDGE - tile.left)
            self.near(low - 420.0, TILE_EDGE - tile.top)
        self.assertTrue(any(abs(each - 100.0) < TENTH for each in found[0].bar()))

    def test_the_print_is_of_its_true_size(self):
        data = reference_print("A study", Image.new("RGB", (400, 300)), 160.0, 120.0)
        page = pages(data)[0]
        left, top, width, height = page.images[0]
        self.near(width, 160.0)
        self.near(height, 120.0)
        self.near(left, (page.size[0] - 160.0) / 2)
        self.near(top, 10.0)
        self.proof(data)

    def recipe(self, count, page="A4"):
        items = [
            each
            for i in range(count)
            for each in (
                Printed(f"Landmark {i}: straight under Chin, half-way down from Crown to Foot.",
                        place=(20.0 + 47.0 * (i % 8), 30.0 + 60.0 * (i // 8))),
                Printed("Look: Landmark is level with Chin.", done=False),
            )
        ]  # fmt: skip
        return recipe_pages("A study", "Comparative", SHEET, ["Stand still."], items, page)

    def test_a_recipe_of_seventeen_landmarks_takes_two_pages_and_is_numbered(self):
        with written() as words:
            data = self.recipe(17)
        self.assertLessEqual(len(pages(data)), 2)
        self.proof(data)
        for number in range(1, 18):
            # In the drawing of the whole, and beside its step.
            self.assertEqual(
                sum(each.said == str(number) for each in words if each.box[3] < 280.0), 2, number
            )
        self.near(pages(self.recipe(3, "Letter"))[0].size[0], 215.9)

    def test_a_sentence_longer_than_a_page_goes_on_and_comes_to_an_end(self):
        long = "Join " + ", ".join(f"landmark {k} of many" for k in range(400)) + "."
        with written() as words:
            data = recipe_pages("A study", "Comparative", SHEET, [], [Printed(long)])
        self.assertGreater(len(pages(data)), 1)
        said = " ".join(each.said for each in words)
        for k in (0, 199, 399):
            self.assertIn(f"landmark {k} of", said)
        self.assertTrue(all(each.box[3] < 297.0 - 6.0 for each in words))

    def test_strips_with_ticks_as_close_as_can_be_stay_on_their_page(self):
        close = [(100.0 + 0.2 * k, f"Landmark number {k}") for k in range(100)]
        with written() as words:
            tick_strips("A study", [Ticks("heights", close)])
        self.assertTrue(all(each.box[3] < each.size[1] for each in words))

    def test_lines_are_joined_as_they_are_dictated(self):
        ring = [(40.0, 40.0), (200.0, 60.0), (120.0, 300.0)]
        data = recipe_pages("A study", "Comparative", SHEET, [], [
            Printed("Join the outermost marks.", line=ring, closed=True),
        ])  # fmt: skip
        triangles = [line for line in pages(data)[0].lines if len(line) == 3]
        share = min(
            (210.0 - 2 * recipe.EDGE - recipe.BETWEEN) / 2.0 / SHEET.width_mm,
            recipe.TALLEST / SHEET.height_mm,
        )
        wide = [max(p[0] for p in line) - min(p[0] for p in line) for line in triangles]
        self.assertTrue(any(abs(each - share * 160.0) < TENTH for each in wide), wide)

    def test_fractions_are_set_as_fractions(self):
        page = Page("", 100.0, 100.0)
        whole = page.wide("1 1/3 cans", 4.0)
        self.assertLess(whole, page.wide("1 1x3 cans", 4.0) - 1.0)
        for said in ("3/11/2026", "https://a/1/2", "and/or"):
            parts = [page.wide(each, 4.0) for each in said]
            self.assertAlmostEqual(page.wide(said, 4.0), sum(parts), places=6)
        self.assertEqual(page.lines("turn 1/2 and 2/3", 12.0), ["turn 1/2", "and 2/3"])

    def test_the_same_drawing_gives_the_same_bytes(self):
        self.assertEqual(tilt_card("A study"), tilt_card("A study"))

    def test_pages(self):
        self.assertEqual(page_for(200.0, 280.0), (210.0, 297.0))
        self.assertEqual(page_for(400.0, 200.0), (420.0, 297.0))
        self.assertEqual(page_for(2000.0, 900.0), (2000.0, 900.0))


class Plan(unittest.TestCase):
    def test_svg_in_millimetres_with_escaped_names(self):
        svg = plan_svg("A <study>", SHEET, [PrintedMark("Cup & saucer", 10.5, 20.25, 1.0)]).decode()
        self.assertIn('width="297mm" height="420mm" viewBox="0 0 297 420"', svg)
        self.assertIn('data-x="10.5" data-y="20.25"', svg)
        self.assertIn("Cup &amp; saucer", svg)
        self.assertIn("A &lt;study&gt;", svg)


if __name__ == "__main__":
    unittest.main()
