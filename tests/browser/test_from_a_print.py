"""From a print, end to end: a plate is measured, plumbs are made parallel, ten marks are set off by
strips, and the drawing is checked."""

import unittest

import numpy as np
from PIL import Image, ImageDraw
from playwright.sync_api import expect

from tests.browser.test_subject import SubjectCase
from tests.pictures.images import saved
from zirkel.core.worked import Worked
from zirkel.paper.tick_strips import strips_of
from zirkel.studyfile.read import read_study

PLATE = {
    "Rim left": (0.38, 0.10), "Rim right": (0.62, 0.10), "Neck left": (0.42, 0.22),
    "Neck right": (0.58, 0.22), "Shoulder left": (0.24, 0.42), "Shoulder right": (0.76, 0.42),
    "Belly left": (0.22, 0.60), "Belly right": (0.78, 0.60), "Foot left": (0.34, 0.90),
    "Foot right": (0.66, 0.90),
}  # fmt: skip
ROUND = ("Rim left", "Rim right", "Neck right", "Shoulder right", "Belly right", "Foot right",
         "Foot left", "Belly left", "Shoulder left", "Neck left")  # fmt: skip
PRINT_MM = 240.0
"""From rim to foot on the print, as ruled there."""


def plate():
    """A jug of straight edges, as one is set to copy."""
    picture = Image.new("RGB", (480, 640), "#f4f0e6")
    points = [(480 * PLATE[name][0], 640 * PLATE[name][1]) for name in ROUND]
    ImageDraw.Draw(picture).line([*points, points[0]], fill="black", width=3)
    return saved(picture, "PNG")


class FromAPrint(SubjectCase):
    def test_measured_taken_over_by_strips_and_checked(self):
        self.open("/scenes", "text=Sight a scene")
        self.page.set_input_files(
            "input[aria-label=Picture]",
            {"name": "plate.png", "mimeType": "image/png", "buffer": plate()},
        )
        self.page.wait_for_selector("text=How it is looked at")
        self.landmarks()
        self.true_size()
        number = int(self.page.evaluate("location.pathname").split("/")[2])
        self.count_and_take_up(number)
        self.plumbs(number)
        drawn = self.by_strips(number)
        self.check(number, drawn)

    def at(self, x, y):
        box = self.page.locator("[role=application]").bounding_box()
        self.page.mouse.click(box["x"] + x * box["width"], box["y"] + y * box["height"])

    def landmarks(self):
        for name, place in PLATE.items():
            self.page.fill("[aria-label='Name of a new landmark']", name)
            self.at(*place)
            self.page.wait_for_selector(f"[data-landmark={name.lower().replace(' ', '_')}]")

    def true_size(self):
        self.page.get_by_text("True size", exact=True).click()
        version = self.version()
        self.at(*PLATE["Rim left"])
        self.at(PLATE["Rim left"][0], PLATE["Foot left"][1])
        self.page.get_by_label("Between the two points").fill(f"{PRINT_MM:.0f}")
        self.page.get_by_role("button", name="Keep").click()
        self.wait_for_version(version + 1)
        expect(self.page.locator("main")).to_contain_text("its true size is known")

    def count_and_take_up(self, number):
        study = f"{self.server.address}/api/v1/studies/{number}"
        unit = {"from": "rim_left", "to": "foot_left", "along": "plumb", "name": "jug"}
        for change in (
            {"type": "set_unit", "unit": unit},
            {"type": "read_picture"},
            {"type": "set_method", "method": "sight_size_flat"},
        ):
            version = self.page.request.get(study).json()["version"]
            made = self.page.request.post(
                f"{study}/changes", data={"version": version, "change": change}
            )
            self.assertTrue(made.ok, made.text())

    def plumbs(self, number):
        self.open(f"/studies/{number}/draw?view=School", "text=Are the two plumbs parallel?")
        said = self.page.locator("[data-parallel]")
        for label, mm in (("Apart at the top", 210), ("in the middle", 208), ("at the foot", 206)):
            self.page.get_by_label(label).fill(str(mm))
        expect(said).to_have_attribute("data-parallel", "false")
        self.page.get_by_label("at the foot").fill("210")
        self.page.get_by_label("in the middle").fill("210")
        expect(said).to_have_attribute("data-parallel", "true")

    def by_strips(self, number):
        """Each mark where its ticks on the strips of heights and widths are, give or take what
        somebody pricks beside them."""
        with self.page.expect_download() as caught:
            self.page.goto(f"{self.server.address}/studies/{number}/draw?view=Take+along")
            self.page.click("aside button:has(span:text-is('Tick strips'))")
        self.assertIn("_strips.pdf", caught.value.suggested_filename)
        file = self.page.request.get(f"{self.server.address}/api/v1/studies/{number}/file")
        strips = {each.title: each for each in strips_of(Worked(read_study(file.body())))}
        high = {name: mm for mm, name in strips["heights, from the sheet's top"].ticks}
        wide = {name: mm for mm, name in strips["widths, from its left"].ticks}
        self.assertEqual(set(high), set(PLATE))
        tall = high["Foot left"] - high["Rim left"]
        self.assertAlmostEqual(tall, PRINT_MM, delta=1.5)
        rng = np.random.default_rng(3)
        return {name: rng.normal((wide[name], high[name]), 0.6) for name in PLATE}

    def check(self, number, drawn):
        self.open(f"/studies/{number}/check", "text=Where does your drawing stand?")
        self.page.click("text=Ruler")
        self.rule(drawn)
        self.page.get_by_role("button", name="Check it", exact=True).click()
        self.page.wait_for_selector("text=/^It stands/")
        # A slip of one mark is found, and nothing else.
        self.page.get_by_role("button", name="Measure again").click()
        self.page.click("text=Ruler")
        self.page.get_by_label("Landmark", exact=True).click()
        self.page.get_by_title("Neck right", exact=True).last.click()
        self.rule({"Neck right": drawn["Neck right"] + (9.0, 0.0)})
        self.page.get_by_role("button", name="Check it", exact=True).click()
        self.page.wait_for_selector("text=/Bring Neck right/")
        self.assertEqual(self.page.get_by_role("checkbox").count(), 1)

    def rule(self, drawn):
        box = self.page.get_by_label("Length on the ruler")
        for place in drawn.values():
            for value in place:
                version = self.version()
                box.fill(f"{value:.0f}")
                box.press("Enter")
                self.wait_for_version(version + 1)


if __name__ == "__main__":
    unittest.main()
