"""Draw the thumbnails of all scenes that ship: python -m scripts.draw_thumbnails"""

from zirkel.pictures.scene_seen import scene_seen
from zirkel.rendering.render import rendered
from zirkel.scenes import FOLDER, SMALL, shipped_scenes


def main() -> None:
    folder = FOLDER / "thumbnails"
    folder.mkdir(exist_ok=True)
    for name, scene in shipped_scenes().items():
        made = scene_seen(rendered(scene, scene.station, SMALL))
        (folder / f"{name}.webp").write_bytes(made)
        print(f"{name}: {len(made)} bytes")


if __name__ == "__main__":
    main()
