"""Several devices at one study, in real browsers: a phone as the pad of a bench, who is there, the
stick in the other's hand; and a minute without an answer."""

import re
import unittest
from contextlib import suppress

from playwright.sync_api import Error as PlaywrightError
from playwright.sync_api import expect

from tests.browser.case import PAINTED, BrowserCase

TITLE = "Wooden mask on a peg"
SO_FAR = "output[aria-label='The reading so far']"


def read(page, value):
    """Answer what is asked and laid out on the pad, by keys."""
    page.wait_for_selector("[data-busy=false]")
    before = page.locator(SO_FAR).inner_text()
    page.keyboard.type(value)
    page.wait_for_function(
        "([so, was]) => document.querySelector(so).innerText !== was", arg=[SO_FAR, before]
    )
    page.keyboard.press("Enter")


def laid_out(page):
    """Wait until what is asked lies on the pad."""
    page.wait_for_function("so => document.querySelector(so).innerText.includes('?')", arg=SO_FAR)
    page.wait_for_timeout(400)


class Together(BrowserCase):
    own_server = True

    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        self.open(f"/studies/{self.number}", "text=Sight next")
        context = self.browser.new_context(
            viewport={"width": 390, "height": 844},
            has_touch=True,
            reduced_motion="reduce",
            service_workers="block",
        )
        self.addCleanup(context.close)
        self.phone = context.new_page()
        self.phone.goto(f"{self.server.address}/studies/{self.number}?easel=yes")
        self.phone.wait_for_selector("text=Leave the easel")
        for each in (self.page, self.phone):
            self.go_on(each)

    def version(self, page=None):
        return int((page or self.page).locator("[data-version]").get_attribute("data-version"))

    def test_a_reading_by_the_phone_is_told_to_the_bench(self):
        """As it happens, and so it is asked for once: a bench that isn't told asks again and again
        whether something is new."""
        before, asked = self.version(), []
        of_study = f"/api/v1/studies/{self.number}"
        self.page.on("request", lambda each: asked.append(each.url))
        laid_out(self.phone)
        read(self.phone, "1")
        self.phone.wait_for_selector(f"[data-version='{before + 1}']")
        self.page.wait_for_selector(f"[data-version='{before + 1}']")
        self.assertEqual([each.endswith(of_study) for each in asked].count(True), 1)
        self.page.get_by_role("button", name="Undo").click()
        self.phone.wait_for_selector(f"[data-version='{before + 2}']")

    def test_who_is_there_in_which_room_and_gone_again(self):
        others = self.page.get_by_label(re.compile("^Also here"))
        expect(others).to_have_attribute("aria-label", re.compile("at the easel"))
        self.phone.get_by_role("button", name="Leave the easel").click()
        expect(others).to_have_attribute("aria-label", re.compile("Bench"))
        self.phone.close()
        expect(others).to_have_count(0)

    def test_with_another_there_the_head_still_fits(self):
        self.page.get_by_label(re.compile("^Also here")).wait_for()
        for room in ("", "/draw", "/sitting"):
            self.open(f"/studies/{self.number}{room}", "text=Undo")
            self.page.get_by_label(re.compile("^Also here")).wait_for()
            for width in (1280, 1024, 820, 390):
                self.page.set_viewport_size({"width": width, "height": 800})
                self.page.evaluate(PAINTED)
                wide = self.page.evaluate("document.documentElement.scrollWidth")
                self.assertLessEqual(wide, width, room)

    def test_the_stick_in_the_other_s_hand_is_shown(self):
        laid_out(self.phone)
        theirs = self.page.locator("[data-theirs]")
        expect(theirs).to_have_count(1)
        self.assertEqual(len(theirs.get_attribute("data-theirs").split()), 2)
        self.phone.close()
        expect(theirs).to_have_count(0)

    def test_both_at_once_lose_nothing(self):
        before = self.version()
        self.take_it()
        laid_out(self.phone)
        read(self.phone, "1")
        read(self.page, "1")
        # Whoever comes second is asked, and goes on top.
        for _ in range(60):
            if self.version() == before + 2:
                break
            for page in (self.page, self.phone):
                made = page.get_by_role("button", name="Make mine on top")
                if made.is_visible():
                    # A dialog that is just closing takes no click any more.
                    with suppress(PlaywrightError):
                        made.click(timeout=2000)
                elif page.get_by_text("Again on purpose?").is_visible():
                    page.keyboard.press("Enter")
            self.page.wait_for_timeout(250)
        self.page.wait_for_selector(f"[data-version='{before + 2}']")
        self.phone.wait_for_selector(f"[data-version='{before + 2}']")


class AMinuteWithoutAnAnswer(BrowserCase):
    killed = True

    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        self.open(f"/studies/{self.number}?easel=yes", "text=Leave the easel")
        self.go_on()

    def readings(self):
        answer = self.page.request.get(f"{self.server.address}/api/v1/studies/{self.number}")
        return len(answer.json()["readings"])

    def test_entries_wait_marked_through_a_reload_and_go_in_once(self):
        had = self.readings()
        laid_out(self.page)
        self.server.kill()
        read(self.page, "1")
        waits = self.page.locator("[data-unsent=waits]")
        expect(waits).to_have_count(1)
        expect(self.page.get_by_label("Not sent yet")).to_contain_text("goes in when it does")
        laid_out(self.page)
        read(self.page, "1")
        expect(waits).to_have_count(2)
        self.server.start()
        expect(waits).to_have_count(0)
        self.assertEqual(self.readings(), had + 2)
        self.page.reload()
        self.page.wait_for_selector("text=Leave the easel")
        self.assertEqual(self.readings(), had + 2)

    def test_without_a_network_they_wait_in_this_browser_and_each_goes_in_once(self):
        had = self.readings()
        laid_out(self.page)
        self.context.set_offline(True)
        read(self.page, "1")
        expect(self.page.locator("[data-unsent=waits]")).to_have_count(1)
        kept = self.page.evaluate("id => localStorage.getItem(`unsent ${id}`)", self.number)
        self.assertIn("take_sighting", kept)
        self.context.set_offline(False)
        expect(self.page.locator("[data-unsent=waits]")).to_have_count(0)
        self.assertEqual(self.readings(), had + 1)
        self.assertIsNone(
            self.page.evaluate("id => localStorage.getItem(`unsent ${id}`)", self.number)
        )

    def test_an_answer_that_was_lost_makes_no_second_entry(self):
        had = self.readings()
        laid_out(self.page)
        lost = []

        def lose(route):
            if len(lost) < 4:
                route.fetch()
                lost.append(route.request)
                route.abort()
            else:
                route.continue_()

        self.page.route("**/changes", lose)
        read(self.page, "1")
        expect(self.page.locator("[data-unsent=waits]")).to_have_count(1)
        expect(self.page.locator("[data-unsent=waits]")).to_have_count(0)
        self.assertEqual((len(lost), self.readings()), (4, had + 1))

    def test_what_can_t_be_taken_any_more_is_said_and_left_out_by_the_artist(self):
        had = self.readings()
        gone = {"type": "remove_sighting", "id": "s999"}
        self.page.evaluate(
            "([id, change]) => localStorage.setItem(`unsent ${id}`, JSON.stringify("
            "[{token: 'token-of-a-test', at: '2026-11-02T09:00:00Z', change}]))",
            [self.number, gone],
        )
        self.page.reload()
        refused = self.page.locator("[data-unsent=refused]")
        expect(refused).to_contain_text("no reading “s999” any more")
        self.page.reload()
        expect(refused).to_have_count(1)
        refused.get_by_role("button", name="Leave it out").click()
        expect(refused).to_have_count(0)
        self.assertEqual(self.readings(), had)


if __name__ == "__main__":
    unittest.main()
