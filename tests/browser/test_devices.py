"""Another device before the door, in a real browser: asked once, let in, put out; the code to
scan."""

import unittest
from typing import ClassVar

from playwright.sync_api import expect

from tests.browser.case import BrowserCase
from zirkel.web.addresses import own_addresses
from zirkel.web.door import made_passcode

CODE = "48219037"


class Devices(BrowserCase):
    """Asked as if it came from another machine."""

    own_server = True
    config: ClassVar = {"passcode": CODE, "ask_everyone": True}

    def come_in(self, page, code=CODE):
        page.get_by_label("Passcode").fill(code)
        page.get_by_role("button", name="Come in").click()

    def test_asked_once_and_taken_where_one_wanted_to_go(self):
        self.page.goto(self.server.address + "/practice")
        self.page.wait_for_selector("text=Who is there?")
        self.come_in(self.page, "11111111")
        expect(self.page.get_by_role("alert")).to_contain_text("This is not the passcode")
        expect(self.page.get_by_label("Passcode")).to_have_value("11111111")
        self.come_in(self.page, "4821 9037")
        self.page.wait_for_url("**/practice")
        self.page.reload()
        self.page.wait_for_selector("text=Today")
        self.assertNotIn("/door", self.page.url)

    def test_a_scanned_code_lets_in_at_once_and_leaves_no_trace_in_the_address(self):
        self.page.goto(f"{self.server.address}/door#code={CODE}&to=/studies/2?easel=yes")
        self.page.wait_for_url("**/studies/2?easel=yes")
        self.page.wait_for_selector("text=Leave the easel")
        self.page.go_back()
        self.page.wait_for_timeout(500)
        self.assertNotIn(CODE, self.page.url)

    def test_devices_are_listed_and_put_out(self):
        self.page.goto(f"{self.server.address}/door#code={CODE}&to=/devices")
        self.page.wait_for_selector("text=Let in")
        expect(self.page.locator("main")).to_contain_text("Another computer, this one")
        expect(self.page.locator("main")).not_to_contain_text("4821 9037")
        other = self.browser.new_context(service_workers="block")
        self.addCleanup(other.close)
        page = other.new_page()
        page.goto(f"{self.server.address}/door#code={CODE}&to=/")
        page.wait_for_selector("[data-waits]")
        self.page.get_by_role("button", name="Put out").first.click()
        self.page.wait_for_selector("text=Who is there?")
        page.reload()
        page.wait_for_selector("[data-waits]")


class Restarted(BrowserCase):
    killed = True
    options = ("--ask-everyone",)
    passcode = CODE

    def test_a_restart_asks_nobody_who_was_let_in(self):
        self.page.goto(f"{self.server.address}/door#code={CODE}&to=/")
        self.page.wait_for_selector("[data-waits]")
        self.server.kill()
        self.server.passcode = "another passcode"
        self.server.start()
        self.page.reload()
        self.page.wait_for_selector("[data-waits]")
        stranger = self.browser.new_context(service_workers="block")
        self.addCleanup(stranger.close)
        page = stranger.new_page()
        page.goto(f"{self.server.address}/door#code={CODE}&to=/")
        expect(page.get_by_role("alert")).to_contain_text("This is not the passcode")


class Here(BrowserCase):
    def test_served_here_alone_it_says_how_to_let_others_in(self):
        self.open("/devices", "text=served on this machine alone")
        expect(self.page.locator("pre")).to_contain_text("make demo HOST=0.0.0.0")
        self.open("/door", "[data-waits]")


class InTheNetwork(BrowserCase):
    own_server = True
    config: ClassVar = {
        "host": "0.0.0.0",
        "passcode": made_passcode(),
        "addresses": tuple(own_addresses("0.0.0.0")),
    }

    def test_on_the_machine_itself_address_passcode_and_code_are_shown(self):
        self.open("/devices", "role=img[name='The code to scan with a tablet or phone']")
        main = self.page.locator("main")
        expect(main).to_contain_text(f":{self.server.port}")
        first = main.locator("b").filter(has_text=" ").last.inner_text()
        self.assertRegex(first, r"^\d{4} \d{4}$")
        self.page.get_by_role("button", name="Another passcode").click()
        expect(main.locator("b").filter(has_text=" ").last).not_to_have_text(first)
        expect(main).to_contain_text("can be read by others")

    def test_a_phone_is_made_the_pad_of_a_study_by_its_code(self):
        study = self.study_id("Wooden mask on a peg")
        self.open(f"/studies/{study}?side=Set-up", "text=A phone as the pad")
        self.page.get_by_role("button", name="Show the code to scan").click()
        self.page.get_by_role("img", name="The code that makes a phone the pad").wait_for()
        expect(self.page.locator("aside")).to_contain_text(f"/studies/{study}?easel=yes")


if __name__ == "__main__":
    unittest.main()
