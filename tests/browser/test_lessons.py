"""A class of five in real browsers: given a scene, joined by the link, the wall of results."""

import re
import unittest

from playwright.sync_api import expect

from tests.browser.case import BrowserCase
from tests.browser.test_together import laid_out, read

NAMES = ("Ada", "Bo", "Cleo", "Dan", "Elif")


class AClass(BrowserCase):
    own_server = True

    def pupil(self, address, name):
        context = self.browser.new_context(
            viewport={"width": 820, "height": 1180},
            has_touch=True,
            reduced_motion="reduce",
            service_workers="block",
        )
        self.addCleanup(context.close)
        page = context.new_page()
        page.goto(address)
        page.get_by_label("Your name").fill(name)
        page.get_by_role("button", name="Join").click()
        page.wait_for_url(re.compile(r"/studies/\d+$"))
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
