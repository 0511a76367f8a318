"""Figures of one's own in the room, troubles that keep what was typed, names that are long."""

from __future__ import annotations

import json
from dataclasses import asdict, replace

import pytest
from playwright.sync_api import Page, Route, expect

from runk.core.machines.machine import SpeedStep
from runk.demo.back_shed import LATHE

pytestmark = pytest.mark.browser


def test_a_speed_of_ones_own_is_judged_on_the_plate_and_beneath_it(page: Page) -> None:
    page.goto("/speeds")
    expect(page.get_by_text("rev/min").first).to_be_visible()
    page.keyboard.press("Control+k")
    line = "turn 22 silver steel at 300 rpm feed 0.2"
    page.get_by_label("Ask in plain words, in any order").fill(line)
    expect(page.get_by_role("dialog")).to_contain_text("300 is 48 % over what the cut wants")
    page.keyboard.press("Enter")
    room = page.locator("#room")
    expect(room).to_contain_text("Your own: speed 48 % over, feed a turn 173 % over.")
    judged = page.get_by_role("table").filter(has_text="What that does")
    expect(judged).to_contain_text("an edge lasts about 4 %")
    # What is to be set stays what the metal wants.
    expect(room).to_contain_text("142")
    page.get_by_label("speed of your own").fill("203")
    expect(judged).to_contain_text("Right for this cut")


@pytest.mark.parametrize(
    ("status", "says"), [(503, "try again"), (507, "make room"), (500, "still in the page")]
)
def test_whatever_goes_wrong_what_was_typed_can_be_saved_again(
    page: Page, status: int, says: str
) -> None:
    broken = True

    def answer(route: Route) -> None:
        if not broken or route.request.method != "PUT":
            route.continue_()
            return
        body = {
            "type": "about:blank",
            "title": "Trouble",
            "status": status,
            "detail": f"It {says}.",
            "field": None,
            "suggest": None,
            "theirs": None,
        }
        route.fulfill(status=status, content_type="application/problem+json", body=json.dumps(body))

    page.route("**/api/machines/*", answer)
    page.goto("/workshop")
    page.get_by_role("button", name="Change Lathe").click()
    page.get_by_label("Motor power, W").fill("432")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert")).to_contain_text(says)
    expect(page.get_by_label("Motor power, W")).to_have_value("432")
    broken = False
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("article").first).to_contain_text("432 W")


@pytest.mark.parametrize("wide", [1280, 390])
def test_the_name_of_a_belt_never_runs_over_the_numbers(page: Page, wide: int) -> None:
    name = "countershaft slow two, the wide groove"
    steps = (SpeedStep(name, "direct", 290.0),)
    long = replace(LATHE, name="Long names", steps=steps)
    made = page.request.post("/api/machines", data={"machine": asdict(long)})
    assert made.ok
    page.set_viewport_size({"width": wide, "height": 800})
    page.goto("/speeds")
    expect(page.get_by_text("rev/min").first).to_be_visible()
    page.keyboard.press("Control+k")
    page.get_by_label("Ask in plain words, in any order").fill("turn 30 mild steel on Long names")
    expect(page.get_by_role("dialog")).to_contain_text("countershaft slow two")
    page.keyboard.press("Enter")
    expect(page.get_by_role("dialog")).to_have_count(0)
    mark = page.get_by_text(name, exact=True).first
    expect(mark).to_be_visible()
    box, room = mark.bounding_box(), page.locator("#room").bounding_box()
    assert box is not None
    assert room is not None
    assert box["x"] + box["width"] <= wide
    feed = page.get_by_text("Feed", exact=True).first.bounding_box()
    assert feed is not None
    beside = box["x"] + box["width"] <= feed["x"] or box["y"] + box["height"] <= feed["y"]
    assert beside, (box, feed)
