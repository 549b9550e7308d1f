"""The wall: cards are kept, made anew after a change, pending when there are many, and no broken
study hides another; tags and the drawer."""

import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

from sqlalchemy import delete, update
from sqlalchemy.orm import Session

from tests.files import SMALL, as_bytes
from zirkel.store.store import Store
from zirkel.store.tables import CardRow, RecordRow
from zirkel.studyfile.read import read_study
from zirkel.views import wall as module
from zirkel.views.wall import MADE_BY, wall

STUDY = read_study(as_bytes(SMALL))


class Wall(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.store = Store.at(Path(folder.name) / "zirkel.sqlite")
        self.addCleanup(self.store.close)

    def made(self, count):
        return [self.store.create(replace(STUDY, title=f"Study {k}")).id for k in range(count)]

    def by_hand(self, statement):
        with Session(self.store._engine) as session, session.begin():
            session.execute(statement)

    def test_cards_are_kept_and_asked_for_without_reading_a_study(self):
        self.made(3)
        first = wall(self.store)
        self.store.get_or_broken = None
        self.assertEqual(wall(self.store), first)
        self.assertEqual([each.title for each in first.studies], ["Study 2", "Study 1", "Study 0"])

    def test_a_change_makes_the_card_anew(self):
        (name,) = self.made(1)
        wall(self.store)
        self.store.change(name, 1, "Tag it", replace(STUDY, tags=("oak", "rain"), put_away=True))
        (card,) = wall(self.store).studies
        self.assertEqual((card.version, card.tags, card.put_away), (2, ["oak", "rain"], True))

    def test_cards_of_another_zirkel_or_in_another_form_are_made_anew(self):
        self.made(2)
        first = wall(self.store)
        self.by_hand(update(CardRow).values(made_by="another"))
        self.assertEqual(wall(self.store), first)
        self.by_hand(update(CardRow).values(body={"title": 3}))
        self.assertEqual(wall(self.store), first)
        self.by_hand(delete(CardRow))
        self.assertEqual(wall(self.store), first)
        self.assertEqual(len(self.store.cards.listed(MADE_BY)), 2)

    def test_many_unknown_ones_are_pending_and_come_bit_by_bit(self):
        self.made(5)
        ticks = iter([0.0] + [0.6 * k for k in range(20)])
        found = wall(self.store, lambda: next(ticks)).studies
        self.assertEqual([each.pending for each in found], [False, False, True, True, True])
        self.assertEqual([each.title for each in found], [f"Study {k}" for k in (4, 3, 2, 1, 0)])
        self.assertFalse(any(each.pending for each in wall(self.store).studies))

    def test_a_broken_study_hides_no_other(self):
        first, second = self.made(2)
        self.by_hand(
            update(RecordRow).where(RecordRow.study_id == first).values(body={"id": "only"})
        )
        self.store._worked.clear()
        found = wall(self.store)
        self.assertEqual([each.id for each in found.studies], [second])
        self.assertEqual([each.id for each in found.broken], [first])

    def test_a_study_too_large_is_not_solved_for_the_wall_nor_its_bare_card_kept(self):
        self.made(1)
        most, module.MOST_SOLVED = module.MOST_SOLVED, 1
        self.addCleanup(setattr, module, "MOST_SOLVED", most)
        self.store._worked.clear()
        (card,) = wall(self.store).studies
        self.assertEqual((card.held, card.lines), (None, []))
        module.MOST_SOLVED = most
        (card,) = wall(self.store).studies
        self.assertIsNotNone(card.held)

    def test_taken_down_it_is_gone_and_hung_up_again_with_its_card(self):
        (name,) = self.made(1)
        first = wall(self.store)
        self.store.delete(name)
        self.assertEqual(wall(self.store).studies, [])
        self.store.delete(name, deleted=False)
        self.assertEqual(wall(self.store).studies, first.studies)


if __name__ == "__main__":
    unittest.main()
