"""A sitting in a real browser, on a quick clock: begun, moved, rested, ended; exact after sleep, a
reload and a kill."""

import unittest
from pathlib import Path

from playwright.sync_api import expect

from tests.browser.case import BrowserCase
from zirkel.demo.generate import FOLDER

TITLE = "Potting bench, morning light"


class Sitting(BrowserCase):
    killed = True
    own_window = True

    def setUp(self):
        super().setUp()
        self.number = self.study_id(TITLE)
        self.page.clock.install()
        self.open(f"/studies/{self.number}/sitting", "text=How much time is there?")

    def begin(self, name):
        self.page.get_by_role("button", name=name).click()
        self.page.get_by_role("button", name="Begin now").click()
        self.page.wait_for_selector("[data-left]")

    def left(self):
        return int(self.page.locator("[data-left]").get_attribute("data-left"))

    def test_a_long_pose_runs_rests_and_ends_on_time_though_the_tab_slept(self):
        self.begin("A long pose")
        begun = self.left()
        self.assertAlmostEqual(begun, 1200, delta=5)
        self.page.clock.fast_forward("19:00")
        self.page.wait_for_timeout(700)
        self.assertAlmostEqual(self.left(), begun - 1140, delta=2)
        self.page.clock.fast_forward("01:10")
        expect(self.page.locator("[data-kind=rest][aria-label=Clock]")).to_contain_text("Rest")
        expect(self.page.locator("header [data-clock=rest]")).to_contain_text("Rest")
        self.page.clock.fast_forward("40:00")
        self.page.wait_for_timeout(700)
        # An hour and ten seconds after it began: in the last pose, 15 minutes to go.
        expect(self.page.locator("section[aria-label=Clock]")).to_contain_text("Pose 3 of 3")
        self.assertAlmostEqual(self.left(), 1200 + begun - 1200 - 310, delta=3)
        self.page.clock.fast_forward("20:00")
        expect(self.page.locator("section[aria-label=Clock]")).to_contain_text("The time is over")

    def test_on_a_phone_the_clock_goes_on_at_the_easel(self):
        self.page.set_viewport_size({"width": 390, "height": 844})
        self.begin("One pose of ten minutes")
        # Nor is the page wider than the phone, whatever the log holds.
        expect(self.page.locator("[data-sitting]").first).to_be_attached()
        self.assertLessEqual(self.page.evaluate("document.documentElement.scrollWidth"), 390)
        self.page.get_by_role("link", name="Bench").click()
        self.page.get_by_role("button", name="Easel").click()
        clock = self.page.locator("main [data-clock=pose]")
        expect(clock).to_be_visible()
        self.page.clock.fast_forward("10:05")
        expect(self.page.locator("main [data-clock]")).not_to_contain_text("Pose")
        box = self.page.get_by_role("button", name="Keep").bounding_box()
        self.assertLessEqual(box["y"] + box["height"], 844)

    def test_moved_asked_again_and_told_at_the_easel(self):
        self.begin("One pose of ten minutes")
        self.page.get_by_role("button", name="It has moved").click()
        expect(self.page.locator("section[aria-label=Clock]")).to_contain_text("Moved once")
        self.page.get_by_role("link", name="Bench").click()
        self.page.wait_for_selector("text=Is it the same place?")
        expect(self.page.locator("header [data-clock=pose]")).to_contain_text("Pose")
        self.take_it()
        expect(self.page.locator("output[aria-label='The reading so far']")).to_contain_text("take")

    def test_rest_early_end_and_the_note_survive_a_kill(self):
        self.begin("A long pose")
        self.page.get_by_role("button", name="Rest now").click()
        self.page.wait_for_selector("section[data-kind=rest]")
        self.assertAlmostEqual(self.left(), 300, delta=5)
        self.server.kill()
        self.server.start()
        self.page.reload()
        self.page.wait_for_selector("[data-left]")
        self.assertAlmostEqual(self.left(), 300, delta=40)
        self.page.get_by_role("button", name="End the sitting").click()
        self.page.wait_for_selector("text=How much time is there?")
        note = self.page.get_by_label("Note on").last
        note.fill("Sitter chilly; next time the heater.")
        note.blur()
        self.page.wait_for_timeout(800)
        self.page.reload()
        expect(self.page.get_by_label("Note on").last).to_have_value(
            "Sitter chilly; next time the heater."
        )

    def test_what_to_lay_out_is_ticked_and_what_to_take_care_of_is_said(self):
        lists = self.page.locator("[data-materials]")
        expect(lists.first).to_contain_text("Every time")
        expect(self.page.locator("section[aria-label='What to lay out']")).to_contain_text(
            "label and local rules"
        )
        tape = self.page.get_by_label("Paper squared to the board")
        tape.check()
        self.page.reload()
        expect(self.page.get_by_label("Paper squared to the board")).to_be_checked()

    def test_a_list_is_written_anew_and_printed_on_one_page(self):
        lists = self.page.get_by_role("region", name="What to lay out")
        own = lists.locator("[data-materials=my_own]")
        own.get_by_role("button", name="Edit My own").click()
        own.get_by_label("My own, one thing a line").fill("A thermos\n\nThe blue apron")
        own.get_by_role("button", name="Keep").click()
        expect(own.get_by_role("checkbox")).to_have_count(2)
        still = lists.locator("[data-materials=still_life]")
        still.get_by_role("button", name="Edit").click()
        text = still.get_by_role("textbox")
        text.fill(text.input_value() + "\nA second lamp")
        still.get_by_role("button", name="Keep").click()
        expect(still).to_contain_text("A second lamp")
        expect(still).to_contain_text("to frame")
        self.page.evaluate("document.body.dataset.print = 'list'")
        pages = self.page.pdf(format="A4").count(b"/Type /Page\n")
        self.assertEqual(pages, 1)
        for each in (own, still):
            each.get_by_role("button", name="Edit").click()
            each.get_by_role("button", name="As it was").click()
        expect(still).not_to_contain_text("A second lamp")
        expect(own.get_by_role("checkbox")).to_have_count(0)

    def test_the_log_as_a_pdf_and_what_to_look_at_first(self):
        self.begin("One pose of ten minutes")
        self.page.get_by_role("button", name="End the sitting").click()
        self.page.wait_for_selector("text=Another day, look at this first")
        expect(self.page.locator("section[aria-label=Log]")).to_contain_text("Sight again")
        with self.page.expect_download() as kept:
            self.page.get_by_role("button", name="As a PDF").click()
        with Path(kept.value.path()).open("rb") as file:
            self.assertEqual(file.read(4), b"%PDF")

    def test_the_wall_says_what_each_waits_for_and_finds_one_by_its_title(self):
        self.begin("One pose of ten minutes")
        self.open("/", "[data-waits]")
        cards = self.page.locator("main ul > li")
        self.page.get_by_label("In which order").select_option("By what they wait for")
        expect(cards.first).to_contain_text("A sitting goes on")
        self.page.get_by_label("Find a study by its title").fill("boat")
        hung = self.page.request.get(f"{self.server.address}/api/v1/studies").json()["studies"]
        boats = [each for each in hung if "boat" in each["title"].lower()]
        expect(cards).to_have_count(len(boats))
        expect(cards.first).to_contain_text("Boathouse")
        self.page.get_by_label("Find a study by its title").fill("nothing like it")
        expect(self.page.locator("main")).to_contain_text("No study is called anything like")

    def test_two_minutes_fit_eight_readings(self):
        self.page.get_by_role("button", name="Two minutes, five times").click()
        self.page.wait_for_selector("[data-plan='8']")
        expect(self.page.locator("aside")).to_contain_text("8 readings fit")
        self.page.get_by_label("One pose of my own").fill("4")
        expect(self.page.locator("aside h2")).to_contain_text("What fits into 4 min")

    def test_five_short_poses_are_five_drawings_side_by_side_afterwards(self):
        self.page.get_by_role("button", name="Two minutes, five times").click()
        self.page.get_by_role("button", name="Begin: 5 drawings, one a pose").click()
        self.page.wait_for_url("**easel=yes")
        for pose in range(1, 6):
            chip = self.page.locator("main [data-clock]")
            expect(chip).to_contain_text(f"Pose {pose} of 5")
            if pose == 1:
                self.page.wait_for_selector("[data-asked^=span]")
            # Each answer sets the clock by the server's, for which no time has gone.
            self.page.clock.fast_forward(f"{2 * pose:02}:01")
            expect(chip).to_contain_text("All side by side" if pose == 5 else "Next pose")
            chip.click()
        expect(self.page.locator("[data-pose]")).to_have_count(5)
        expect(self.page.locator("main")).to_contain_text("Nothing was read in three")
        self.page.locator("[data-pose='3'] a").click()
        self.page.wait_for_selector("text=Sight next")
        self.assertIn("pose 3 of 5", self.page.title())

    def test_a_shift_is_told_at_the_easel_and_mended_there(self):
        self.begin("One pose of ten minutes")
        kept = self.page.request.get(f"{self.server.address}/api/v1/studies/{self.number}/file")
        spans = [each for each in kept.json()["sightings"] if each["kind"] == "span"][:4]
        version = self.version()
        for k, each in enumerate(spans):
            now = self.page.evaluate("new Date().toISOString()")
            sighting = {**each, "id": f"b{k}", "units": 1.25 * each["units"], "at": now}
            made = self.page.request.post(
                f"{self.server.address}/api/v1/studies/{self.number}/changes",
                data={"version": version + k,
                      "change": {"type": "take_sighting", "sighting": sighting}},
            )  # fmt: skip
            self.assertTrue(made.ok, made.text())
        self.open(f"/studies/{self.number}?easel=yes", "[data-shifted]")
        told = self.page.locator("[data-shifted]")
        expect(told).to_contain_text("larger")
        told.get_by_role("button", name="Back to the mark").click()
        expect(told).to_have_count(0)
        self.page.wait_for_selector("[data-asked]")

    def test_a_set_of_one_s_own_with_its_own_stages(self):
        self.page.get_by_role("button", name="A set of my own").click()
        own = self.page.get_by_role("region", name="A set of my own")
        own.get_by_label("What the set is called").fill("Thursday evening")
        own.get_by_label("Minutes of 1").fill("8")
        own.get_by_role("button", name="Leave out 3").click()
        own.get_by_role("button", name="Stages of my own").click()
        own.get_by_label("Sight", exact=True).fill("3")
        own.get_by_label("Draw", exact=True).fill("1")
        own.get_by_role("button", name="Keep this set").click()
        chosen = self.page.get_by_role("button", name="Thursday evening", exact=True)
        expect(chosen).to_have_attribute("aria-pressed", "true")
        expect(self.page.locator("aside h2")).to_contain_text("What fits into 8 min")
        expect(self.page.locator("aside")).to_contain_text("6 min")
        self.page.get_by_role("button", name="Begin now").click()
        expect(self.page.locator("[data-stage]")).to_contain_text("Sight")
        self.page.clock.fast_forward("06:10")
        expect(self.page.locator("[data-stage]")).to_contain_text("Draw")
        self.page.clock.fast_forward("02:00")
        expect(self.page.locator("section[aria-label=Clock]")).to_contain_text("Put the stick down")
        expect(self.page.get_by_role("complementary", name="What fits in")).to_have_count(0)
        self.page.get_by_role("button", name="End the sitting").click()
        self.page.get_by_role("button", name="Take away: Thursday evening").click()
        expect(chosen).to_have_count(0)

    def test_the_next_sitting_is_remembered_told_on_the_wall_and_kept_for_a_calendar(self):
        asked = self.page.get_by_role("region", name="The next sitting")
        asked.get_by_label("Day and hour").fill("2031-03-04T14:30")
        asked.get_by_role("button", name="Remember it").click()
        expect(asked).to_contain_text("4 Mar 2031, 14:30")
        with self.page.expect_download() as kept:
            asked.get_by_role("button", name="For my calendar").click()
        self.assertIn("DTSTART:20310304T143000", Path(kept.value.path()).read_text())
        self.open("/", "[data-next]")
        expect(self.page.locator("[data-next]")).to_contain_text("4 Mar 2031, 14:30")
        self.open(f"/studies/{self.number}/sitting", "text=How much time is there?")
        asked.get_by_role("button", name="None").click()
        expect(asked.get_by_role("button", name="For my calendar")).to_have_count(0)

    def test_care_follows_what_is_drawn(self):
        of = self.page.get_by_label("What it is of")
        main = self.page.locator("main")
        of.select_option("A building")
        expect(main).to_contain_text("out of the traffic")
        of.select_option("A sitter")
        expect(main).to_contain_text("is the sitter warm")
        self.begin("One pose of ten minutes")
        expect(self.page.get_by_role("button", name="The model has moved")).to_be_visible()
        self.page.get_by_role("button", name="End the sitting").click()
        of.select_option("not said")

    def test_half_an_hour_without_a_rest_is_said(self):
        self.page.get_by_label("One pose of my own").fill("50")
        self.page.get_by_role("button", name="Begin now").click()
        self.page.wait_for_selector("[data-left]")
        self.page.clock.fast_forward("31:00")
        expect(self.page.locator("section[aria-label=Clock] [role=status]")).to_contain_text(
            "Half an hour without a rest"
        )

    def test_the_place_is_written_down_wrong_entries_kept_until_mended(self):
        place = self.page.get_by_role("region", name="The place")
        expect(place).to_contain_text("Back at the same place")
        place.get_by_role("button", name="Change it").click()
        place.get_by_label("Eye to subject").fill("three strides")
        place.get_by_label("Marks of chair").fill("Tape at both heels")
        place.get_by_role("button", name="Keep the place").click()
        expect(self.page.get_by_role("alert")).to_contain_text("three strides")
        expect(place.get_by_label("Marks of chair")).to_have_value("Tape at both heels")
        place.get_by_label("Eye to subject").fill("3.1 m")
        place.get_by_label("The board stands").select_option("across on my right")
        place.get_by_role("button", name="Keep the place").click()
        expect(place.locator("li").first).to_contain_text("Tape at both heels")
        expect(place).to_contain_text("10.5 shoes heel to toe")
        expect(place).to_contain_text("towards 3 o'clock")
        expect(place.get_by_role("img", name="Plan from above")).to_contain_text("3.10 m")
        place.locator("li").first.get_by_role("checkbox").check()
        with self.page.expect_download() as kept:
            place.get_by_role("button", name="Print the plan").click()
        self.assertEqual(Path(kept.value.path()).read_bytes()[:4], b"%PDF")

    def test_photographs_of_the_set_up_and_of_the_drawing(self):
        photo = FOLDER / "potting_bench_drawing.jpg"
        place = self.page.get_by_role("region", name="The place")
        place.locator("input[type=file]").set_input_files(photo)
        expect(place.get_by_role("img", name="The set-up, photograph 1")).to_be_visible()
        log = self.page.locator("[data-sitting=sitting]")
        log.locator("input[type=file]").set_input_files(photo)
        said = log.get_by_label("What the photograph shows")
        said.fill("After the block-in")
        said.blur()
        self.page.wait_for_timeout(800)
        self.page.reload()
        expect(log.get_by_role("img", name="After the block-in")).to_be_visible()
        shown = log.get_by_role("img").first
        self.assertGreater(shown.evaluate("each => each.naturalWidth"), 100)

    def test_tags_and_the_drawer(self):
        self.open("/", "[data-waits]")
        cards = self.page.locator("main ul > li")
        hung = cards.count()
        self.page.get_by_label("More for Boathouse across the water").click()
        self.page.get_by_role("button", name="Tags: Boathouse").click()
        self.page.get_by_label("Tags of Boathouse").fill("outdoors, evening class")
        self.page.keyboard.press("Enter")
        self.page.get_by_role("button", name="evening class", exact=True).click()
        expect(cards).to_have_count(1)
        expect(cards.first).to_contain_text("Boathouse")
        self.page.get_by_role("button", name="Into the drawer: Boathouse").click()
        expect(self.page.locator("main")).to_contain_text("or all are in the drawer")
        self.page.get_by_role("button", name="Drawer (1)").click()
        expect(cards.first).to_contain_text("Boathouse")
        self.page.get_by_label("More for Boathouse across the water").click()
        self.page.get_by_role("button", name="Back on the wall: Boathouse").click()
        self.page.get_by_role("button", name="evening class", exact=True).click()
        expect(cards).to_have_count(hung)


class ByTouch(BrowserCase):
    touch = own_window = True

    def test_a_sitting_on_a_phone_by_taps_alone(self):
        self.page.set_viewport_size({"width": 390, "height": 844})
        number = self.study_id(TITLE)
        self.open(f"/studies/{number}/sitting", "text=How much time is there?")
        for name in ("One pose of ten minutes", "Begin now"):
            self.page.get_by_role("button", name=name).tap()
        clock = self.page.get_by_role("region", name="Clock")
        expect(clock).to_contain_text("Pose")
        self.page.get_by_role("button", name="It has moved").tap()
        expect(clock).to_contain_text("Moved once")
        self.page.get_by_role("button", name="Rest now").tap()
        expect(clock).to_contain_text("Put the stick down")
        self.page.get_by_role("button", name="End the sitting").tap()
        expect(self.page.get_by_role("button", name="Begin now")).to_be_visible()


if __name__ == "__main__":
    unittest.main()
