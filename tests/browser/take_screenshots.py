"""``make screenshots``: one current picture of each main view, from the demonstration's data."""

from __future__ import annotations

import json
import tempfile
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Page, expect, sync_playwright

from tests.browser.serving import CHROMIUM, FLAGS, Server

OUT = Path(__file__).parents[2] / "docs" / "screenshots"


def _nothing(_: Page) -> None:
    return None


def _belts(page: Page) -> None:
    # The pulleys come with the machine, a moment after the answer.
    page.get_by_text("motor side").wait_for()


def _bench(page: Page) -> None:
    page.get_by_role("button", name="Bench view").wait_for()
    page.keyboard.press("b")
    page.get_by_role("dialog").wait_for()


def _ask(page: Page) -> None:
    page.get_by_text("rev/min").first.wait_for()
    page.keyboard.press("Control+k")
    page.get_by_label("Ask in plain words, in any order").fill("turn 22mm silver steel hss")
    page.get_by_text("belt 3, back gear").first.wait_for()


def _cut(page: Page) -> None:
    page.get_by_role("button", name="Start this cut").click()
    for reading in ("7.66", "7.27"):
        page.get_by_label("What does it measure now?").fill(reading)
        page.keyboard.press("Enter")
        page.get_by_role("cell", name=f"{reading}0").wait_for()


def _last_drill(page: Page) -> None:
    page.get_by_role("button", name="2 5.9 mm").click()


def _pattern(page: Page) -> None:
    page.get_by_role("list", name="Holes in their turn").wait_for()
    page.keyboard.press("Control+k")
    line = "8 holes 39 pcd start 22.5 from the edge 30 25, 4 mm each"
    page.get_by_label("Ask in plain words, in any order").fill(line)
    page.get_by_role("button", name="Open in the room").click()
    expect(page.locator("#room")).to_contain_text("Hole 5, 1 of 8")


def _thread(page: Page) -> None:
    page.get_by_role("button", name="Start this thread").click()
    for mark in ("Wind to11", "15 1/2", "Wind to19", "21 3/4"):
        page.get_by_role("button", name="Made it: the next").click()
        expect(page.locator("#room")).to_contain_text(mark)


def _tonight(page: Page) -> None:
    page.get_by_text("of 90 minutes").wait_for()


def _played(page: Page) -> None:
    page.get_by_text("After set-up 2").wait_for()


VIEWS: list[tuple[str, str, str, tuple[int, int], Callable[[Page], None]]] = [
    ("speeds", "/speeds", "light", (1280, 800), _belts),
    ("speeds-bench", "/speeds", "light", (1280, 800), _bench),
    ("ask", "/speeds", "light", (1280, 800), _ask),
    ("setting-out", "/setting-out", "light", (1280, 800), _pattern),
    ("to-size-cut", "/to-size", "light", (1280, 800), _cut),
    ("holes", "/holes", "light", (1280, 800), _last_drill),
    ("engines", "/engines", "light", (1280, 800), _tonight),
    ("part", "/engines/part/1", "light", (1280, 800), _played),
    ("threads", "/threads", "light", (1280, 800), _nothing),
    ("fits", "/fits", "light", (1280, 800), _nothing),
    ("mate", "/fits/mate", "light", (1280, 800), _nothing),
    ("thread-followed", "/threads/screwcut", "dark", (1280, 800), _thread),
    ("shafts", "/shafts/float", "light", (1280, 800), _nothing),
    ("faults", "/faults", "light", (1280, 800), _nothing),
    ("metals", "/metals", "light", (1280, 800), _nothing),
    ("sheet", "/sheet", "light", (1280, 800), _nothing),
    ("slate", "/slate", "light", (1280, 800), _nothing),
    ("workshop", "/workshop", "light", (1280, 800), _nothing),
    ("phone", "/speeds", "light", (390, 844), _nothing),
]


def main() -> None:
    """Take them all."""
    OUT.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        server = Server(Path(folder))
        server.start()
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        for name, address, scheme, (width, height), act in VIEWS:
            context = browser.new_context(
                base_url=server.url,
                color_scheme=json.loads(f'"{scheme}"'),
                viewport={"width": width, "height": height},
                reduced_motion="reduce",
                has_touch=width < 500,
                is_mobile=width < 500,
            )
            page = context.new_page()
            page.goto(address)
            page.wait_for_load_state("networkidle")
            act(page)
            page.wait_for_load_state("networkidle")
            page.screenshot(path=OUT / f"{name}.png")
            context.close()
        browser.close()
        server.stop()


if __name__ == "__main__":
    main()
