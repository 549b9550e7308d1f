"""A live subject's truth: photographed, landmarks tapped, what the hand does taken out."""

import io
import unittest
from dataclasses import replace

from playwright.sync_api import expect

from tests.browser.case import PAINTED, BrowserCase
from tests.core.check.test_true_places import sighted
from zirkel.demo.subject_photograph import Telephone
from zirkel.studyfile.read import write_study

TELEPHONE = Telephone(1500, 1125)


class Photographed(BrowserCase):
    own_server = True

    def setUp(self):
        super().setUp()
        study, self.scene = sighted("wooden_mask", 1, -0.1, 5.0)
        self.study = replace(study, subject=None, subject_photograph=None, photographed={})
        made = self.page.request.post(
            f"{self.server.address}/api/v1/studies", data=write_study(self.study),
            headers={"Content-Type": "application/json"},
        )  # fmt: skip
        self.assertEqual(made.status, 201, made.text())
        self.number = made.json()["id"]

    def tap(self, pixels):
        board = self.page.locator("svg[data-pointing=true]")
        box = board.bounding_box()
        version = self.version()
        # Where it stands when it is tapped: what the server is at is told above it, and moves it.
        board.click(
            position={
                "x": float(box["width"] * pixels[0] / TELEPHONE.width),
                "y": float(box["height"] * pixels[1] / TELEPHONE.height),
            }
        )
        self.wait_for_version(version + 1)

    def test_from_the_photograph_to_readings_without_what_the_hand_does(self):
        self.open(f"/studies/{self.number}/subject", "text=What do you sight?")
        self.page.get_by_role("link", name="How near you came").click()
        expect(self.page.locator("main")).to_contain_text("It never stands for sighting")
        picture = io.BytesIO()
        TELEPHONE.picture(self.scene).save(picture, "JPEG", quality=90)
        with self.page.expect_file_chooser() as chooser:
            self.page.get_by_role("button", name="Take in the photograph").click()
        chooser.value.set_files(
            {"name": "there.jpg", "mimeType": "image/jpeg", "buffer": picture.getvalue()}
        )
        self.page.wait_for_selector("svg[data-pointing=true]")
        self.page.evaluate(PAINTED)
        places, _ = TELEPHONE.places(self.scene)
        for number, each in enumerate(self.study.landmarks):
            expect(self.page.get_by_role("status").first).to_have_text(f"Tap {each.name}.")
            if number == 3:
                expect(self.page.locator("main")).to_contain_text("Tap 2 more of the")
            self.tap(places[each.id])
        main = self.page.locator("main")
        expect(main).to_contain_text("All landmarks are tapped")
        expect(main).to_contain_text("off on the sheet; furthest")
        expect(main).to_contain_text("short")
        version = self.version()
        self.page.get_by_role("button", name="Reckon with what my hand does").click()
        self.wait_for_version(version + 1)
        expect(self.page.get_by_role("button", name="Take readings as they are")).to_be_visible()
        expect(main).to_contain_text("is taken out of this study's readings")
        expect(main).not_to_contain_text("Reckon with")
        kept = self.page.request.get(f"{self.server.address}/api/v1/studies/{self.number}/file")
        self.assertLess(kept.json()["leanings"]["length"], -0.05)
        self.open(f"/studies/{self.number}", "text=Sight next")
        self.page.get_by_role("button", name="Reveal the truth").click()
        expect(self.page.locator("main")).to_contain_text("The truth lay inside")


if __name__ == "__main__":
    unittest.main()
