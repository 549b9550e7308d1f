"""A class of five in real browsers: given a scene, joined by the link, the wall of results."""

import re
import unittest

from playwright.sync_api import expect

from tests.browser.case import BrowserCase
from tests.browser.test_together import laid_out, read

NAMES = ("Ada", "Bo", "Cleo", "Dan", "Elif")


class AClass(BrowserCase):
    own_server = True

    def pupil(self, address, name, width=820, height=1180):
        context = self.browser.new_context(
            viewport={"width": width, "height": height},
            has_touch=True,
            reduced_motion="reduce",
            service_workers="block",
        )
        self.addCleanup(context.close)
        context.set_default_timeout(90_000)
        page = context.new_page()
        page.goto(address)
        page.get_by_label("Your name").fill(name)
        page.get_by_role("button", name="Join").click()
        page.wait_for_url(re.compile(r"/studies/\d+$"), wait_until="commit")
        return page

    def test_five_join_sight_and_hang_on_the_wall(self):
        self.open("/lessons", "text=Give it to the class")
        self.page.get_by_role("button", name="Wooden mask on a peg").click()
        self.page.get_by_label("What the lesson is called").fill("Tuesday, the mask")
        self.page.get_by_role("button", name="Give it to the class").click()
        self.page.wait_for_selector("text=Nobody has joined yet")
        self.page.get_by_role("button", name="The link for the class").click()
        join = self.page.get_by_role("link", name="join here").get_attribute("href")
        pages = [self.pupil(self.server.address + join, name) for name in NAMES]
        for page in pages:
            page.goto(page.url + "?easel=yes")
            page.wait_for_selector("text=Leave the easel")
        for _ in range(3):
            for page in pages:
                laid_out(page)
                read(page, "1")
        cards = self.page.locator("[data-pupil]")
        expect(cards).to_have_count(5)
        expect(cards.first).to_contain_text("at the easel")
        cards.nth(1).get_by_role("button").click()
        large = self.page.get_by_role("dialog")
        expect(large.get_by_role("img")).to_be_visible()
        self.assertNotIn("Bo", large.inner_text())
        large.get_by_role("button", name="With the name").click()
        expect(large).to_contain_text("Bo")
        large.get_by_role("button", name="Next").click()
        expect(large).to_contain_text("Cleo")
        self.page.keyboard.press("Escape")
        for name in NAMES:
            card = self.page.locator(f"[data-pupil={name}]")
            expect(card).to_contain_text("3 readings")
            expect(card.get_by_role("img")).to_have_attribute("aria-label", f"{name}'s block-in")
        expect(self.page.locator("main")).to_contain_text("5 pupils")

    def test_a_task_given_done_and_handed_in_by_a_phone_and_without_a_network(self):
        self.open("/lessons", "text=Give it to the class")
        self.page.get_by_role("button", name="Wooden mask on a peg").click()
        self.page.get_by_role("button", name="What is asked").click()
        self.page.get_by_text("Some readings").click()
        self.page.get_by_label("How many readings").fill("3")
        self.page.get_by_text("From joining").click()
        self.page.get_by_label("Minutes").fill("30")
        self.page.get_by_label("lengths", exact=True).check()
        self.page.get_by_label("What to look for", exact=True).fill("Large shapes first.")
        self.page.get_by_role("button", name="Give it to the class").click()
        self.page.wait_for_url(re.compile("/wall$"))
        expect(self.page.get_by_text("Large shapes first.")).to_be_visible()
        join = self.page.url.removesuffix("/wall")
        pages = [
            self.pupil(join, "Ada"), self.pupil(join, "Bo", 390, 844),
            self.pupil(join, "Cleo", 1280, 800),
        ]  # fmt: skip
        for page in pages:
            chip = page.get_by_role("button", name=re.compile("^Task"))
            expect(chip).to_be_visible()
            page.goto(page.url + "?easel=yes")
            page.wait_for_selector("text=Leave the easel")
        lost = pages[2].context
        for number in range(3):
            for page in pages:
                laid_out(page)
                if number == 1 and page is pages[2]:
                    lost.set_offline(True)
                read(page, "1")
                if not (number == 1 and page is pages[2]):
                    page.wait_for_selector(f"[data-version='{number + 2}']")
            if number == 1:
                expect(pages[2].locator("[data-unsent=waits]")).to_have_count(1)
                lost.set_offline(False)
                expect(pages[2].locator("[data-unsent=waits]")).to_have_count(0)
        for page in pages:
            self.assertNotIn("Reveal the truth", page.inner_text("body"))
            self.hand_in(page)
            expect(page.get_by_role("button", name="Reveal the truth")).to_be_visible()
        for name in ("Ada", "Bo", "Cleo"):
            card = self.page.locator(f"[data-pupil={name}]")
            expect(card).to_contain_text("Handed in")
            expect(card).to_contain_text("3 readings")
        self.page.get_by_role("button", name="Give it to the next class").click()
        expect(self.page.locator("main")).to_contain_text("Nobody has joined yet")
        expect(self.page.get_by_text("Large shapes first.")).to_be_visible()

    def hand_in(self, page):
        """By the chip in the head of the bench; its words say what is asked, and how far it is."""
        page.get_by_role("button", name="Leave the easel").click()
        page.get_by_role("button", name=re.compile("^Task")).click()
        dialog = page.get_by_role("dialog")
        expect(dialog).to_contain_text("To hand in: 3 readings by")
        expect(dialog).to_contain_text("Only lengths.")
        expect(dialog).to_contain_text("So far: 3 of 3.")
        dialog.get_by_role("button", name="Hand it in").click()
        expect(dialog.get_by_role("button", name="Take it back to go on")).to_be_visible()
        page.keyboard.press("Escape")

    def test_the_same_name_again_goes_on_with_its_own(self):
        lesson = self.page.request.post(
            self.server.address + "/api/v1/lessons", data={"scene": "leaf_tile"}
        ).json()
        address = f"{self.server.address}/lessons/{lesson['id']}"
        first = self.pupil(address, "Ada").url
        self.page.goto(address)
        self.page.get_by_label("Your name").fill("ada")
        # Nobody is told who else is here before they give a name.
        self.assertNotIn("Ada", self.page.inner_text("main"))
        self.page.get_by_role("button", name="Join").click()
        expect(self.page.get_by_role("status")).to_contain_text("is here already")
        self.page.get_by_role("button", name="Go on as ada").click()
        self.page.wait_for_url(first)


if __name__ == "__main__":
    unittest.main()
