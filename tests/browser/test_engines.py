"""Engines in the browser: a part drawn, routed, worked through and measured, from two devices."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import PHONE, Opens

pytestmark = pytest.mark.browser


def opened(page: Page, name: str, engine: str = "Dunnock") -> None:
    page.goto("/engines")
    page.get_by_role("button", name=engine).click()
    page.get_by_role("link", name=re.compile(f"^{re.escape(name)}")).first.click()
    expect(page.get_by_role("heading", name=name, level=1)).to_be_visible()


def test_the_bench_walks_the_route_and_goes_on_another_day(page: Page) -> None:
    opened(page, "Power piston")
    room = page.locator("#room")
    expect(room).to_contain_text("It breaks no rule")
    page.keyboard.press("b")
    bench = page.get_by_role("dialog")
    now = bench.locator("p.font-bold")
    # First how it is held, and what is asked of that; then one thing at a time.
    expect(now).to_have_text("on its bar in the chuck, right end out")
    expect(bench).to_contain_text("Is it gripped well?")
    page.keyboard.press("n")
    expect(now).to_have_text("face 0")
    expect(bench).to_contain_text(re.compile("belt \\d"))
    page.keyboard.press("n")
    expect(now).to_have_text("rough skirt")
    page.keyboard.press("n")
    expect(now).to_have_text("finish skirt")
    page.keyboard.press("u")
    expect(now).to_have_text("rough skirt")
    for line in ("finish skirt", "deburr", "cool", "measure skirt"):
        page.keyboard.press("n")
        expect(now).to_have_text(line)
    # Measured where it is cut, beside what the cylinder wants of it; the mate hears of it.
    expect(bench).to_contain_text("21.989 to 21.996 mm for Cylinder")
    bench.get_by_label("What skirt reads").fill("22.04")
    bench.get_by_role("button", name="Keep").click()
    expect(bench.get_by_label("What skirt reads")).to_have_value("22.04 mm")
    bench.get_by_role("button", name="Stop here").click()
    expect(page.get_by_role("region", name="Goes with")).to_contain_text("is too large")
    page.get_by_role("link", name="Cylinder, 22 mm bore").click()
    expect(page.get_by_role("region", name="Goes with")).to_contain_text("22.04 mm as it was read")
    # Another day: it goes on where it stopped.
    opened(page, "Power piston")
    expect(page.get_by_role("checkbox", name="finish skirt")).to_be_checked()
    expect(page.locator("#room")).to_contain_text("Set-up 1 of 3")


def test_a_cut_is_followed_inside_the_route_and_its_reading_stays_on_the_part(page: Page) -> None:
    opened(page, "Power piston")
    page.keyboard.press("b")
    bench = page.get_by_role("dialog")
    now = bench.locator("p.font-bold")
    for line in ("face 0", "rough skirt", "finish skirt"):
        page.keyboard.press("n")
        expect(now).to_have_text(line)
    bench.get_by_label("It measures now").fill("twelve")
    bench.get_by_role("button", name="Plan the cuts").click()
    expect(bench).to_contain_text("I cannot read `twelve`")
    bench.get_by_label("It measures now").fill("22.6")
    bench.get_by_role("button", name="Plan the cuts").click()
    expect(bench).to_contain_text("Wind on")
    # Every cut comes out as it was told, until it is at size.
    done = bench.get_by_role("button", name="At size: on with the route")
    told = ""
    for _ in range(8):
        says = bench.get_by_text(re.compile("should then measure"))
        told = re.search(r"should then measure ([\d.]+)", says.inner_text())[1]  # type: ignore[index]
        bench.get_by_label("What does it measure now?").fill(told)
        page.keyboard.press("Enter")
        expect(done.or_(says.filter(has_not_text=f"measure {told} "))).to_be_visible()
        if done.is_visible():
            break
    bench.get_by_role("button", name="At size: on with the route").click()
    expect(now).to_have_text("deburr")
    bench.get_by_role("button", name="Stop here").click()
    expect(page.get_by_role("region", name="Worked out")).to_contain_text("skirt:")
    expect(page.get_by_label("What skirt reads")).to_have_value(f"{float(told):g} mm")


def test_what_a_room_works_out_is_kept_on_the_feature_it_was_opened_for(page: Page) -> None:
    opened(page, "Displacer cap")
    page.get_by_role("button", name="Drill and tap").click()
    room = page.locator("#room")
    expect(room).to_contain_text("For tapped M4 of Displacer cap")
    page.get_by_role("button", name="Keep on tapped M4").click()
    room.get_by_role("link", name="Displacer cap").click()
    worked = page.get_by_role("region", name="Worked out")
    expect(worked).to_contain_text("tapped M4:")
    expect(page.get_by_role("button", name="Drill and tap")).to_contain_text("3.4 mm")


def test_a_part_is_drawn_line_by_line_and_routed(page: Page) -> None:
    page.goto("/engines")
    page.get_by_label("A part of it, or a list of its parts").fill("Trial bush")
    page.keyboard.press("Enter")
    page.get_by_role("link", name="Draw Trial bush").click()
    room = page.locator("#room")
    expect(room).to_contain_text("It is drawn here as you type")
    drawn = page.get_by_role("region", name="As drawn")
    drawn.get_by_label("Metal").fill("brass")
    drawn.get_by_label("From", exact=True).fill("bar 20")
    for n, line in enumerate(
        ("face at 0", "face at 12", "outside 16 h7, from 0 to 12", "bore 22, from 0 to 12"), 1
    ):
        drawn.get_by_role("button", name="Add a feature").click()
        drawn.get_by_label(f"Feature {n}", exact=True).fill(line)
    drawn.get_by_role("button", name="Keep it so").click()
    expect(drawn).to_contain_text("bore 22 is larger than its outside")
    # Nothing typed is lost: one word is mended.
    drawn.get_by_label("Feature 4", exact=True).fill("bore 8 H7, from 0 to 12")
    drawn.get_by_role("button", name="Keep it so").click()
    page.get_by_role("button", name="Propose a route").click()
    expect(room).to_contain_text("fewest set-ups, proved")
    expect(room.get_by_role("img").first).to_be_visible()
    page.get_by_role("button", name="The set-up before").click()
    expect(room).to_contain_text("The blank")


def test_a_feature_is_answered_and_drawn_as_it_is_typed_moved_and_undone(page: Page) -> None:
    opened(page, "Displacer cap")
    drawn = page.get_by_role("region", name="As drawn")
    third = drawn.get_by_label("Feature 3", exact=True)
    third.fill("16 spigot h7 from 0 to 10")
    # How it was understood, and what it is cut by.
    says = "Outside 16 mm h7, from 0 mm to 10 mm: rough, finish"
    expect(drawn.get_by_text(says, exact=True)).to_be_visible()
    expect(drawn.get_by_role("img", name="Displacer cap as it will be").first).to_be_visible()
    third.fill("outside of some size")
    expect(third).to_have_attribute("aria-invalid", "true")
    drawn.get_by_role("button", name="Undo", exact=True).click()
    expect(third).to_have_value("outside 18, from 0 to 10")
    drawn.get_by_role("button", name="Copy feature 3").click()
    drawn.get_by_label("Feature 4", exact=True).press("Alt+ArrowDown")
    expect(drawn.get_by_label("Feature 5", exact=True)).to_have_value("outside 18, from 0 to 10")
    drawn.get_by_title("Drag it to its place").last.drag_to(
        drawn.get_by_label("Feature 1", exact=True)
    )
    expect(drawn.get_by_label("Feature 1", exact=True)).to_have_value("outside 18, from 0 to 10")
    drawn.get_by_role("button", name="Undo all").click()
    expect(drawn.get_by_label("Feature 1", exact=True)).to_have_value("face at 0")
    expect(drawn.get_by_role("button", name="Keep it so")).to_have_count(0)


def test_a_whole_part_is_told_at_once_and_kept_a_line_a_feature(page: Page) -> None:
    page.goto("/engines/part/9")
    drawn = page.get_by_role("region", name="As drawn")
    drawn.get_by_text("Tell it all at once").click()
    drawn.get_by_label("The whole part").fill(
        "13 dia brass bar 41 long, one end turned to 9 for 16, 1 x 45 chamfer both ends"
    )
    drawn.get_by_role("button", name="Take it apart").click()
    expect(drawn.get_by_label("From")).to_have_value("13 dia brass bar 41 long")
    expect(drawn.get_by_text("Chamfer 1 mm at 0 mm · Chamfer 1 mm at")).to_be_visible()
    expect(drawn.get_by_text("Kept as 2 lines")).to_be_visible()
    drawn.get_by_role("button", name="Undo", exact=True).click()
    expect(drawn.get_by_text("Kept as 2 lines")).to_have_count(0)


def test_a_route_is_typed_and_dragged_and_every_way_is_checked(page: Page) -> None:
    opened(page, "Displacer cap")
    page.get_by_role("button", name="Change the route").click()
    first = page.get_by_role("region", name="Set-up 1")
    lines = first.get_by_role("listitem")
    lines.filter(has_text="part off").drag_to(lines.filter(has_text="centre tapped"))
    page.get_by_role("button", name="Keep and check it").click()
    broken = page.get_by_role("list", name="Rules it breaks")
    expect(broken).to_contain_text("Holes before parting off")
    page.get_by_role("button", name="Change the route").click()
    page.get_by_role("button", name="As text").click()
    text = page.get_by_label("The route as text")
    text.fill("1. held by good will\nface 0: face\nsing to it")
    page.get_by_role("button", name="Keep and check it").click()
    expect(broken).to_contain_text("this workshop does not hold it `held by good will`")
    expect(broken).to_contain_text("`sing to it` is no operation")
    expect(broken).to_contain_text("is nowhere in the route")
    # What no reason overrules offers none.
    firm = broken.get_by_role("listitem").filter(has_text="held by good will")
    expect(firm.get_by_role("button")).to_have_count(0)


def test_what_is_wanted_is_ordered_and_a_kit_is_checked(page: Page) -> None:
    page.goto("/engines")
    wanted = page.get_by_role("region", name="Wanted")
    wanted.get_by_label("Something bought").fill("12 nuts M3")
    wanted.get_by_role("button", name="Put on the list").click()
    wanted.get_by_label("How nuts M3 stands").select_option("ordered")
    page.reload()
    expect(wanted.get_by_label("How nuts M3 stands")).to_have_value("ordered")
    page.get_by_text("Check a kit against the drawing").click()
    page.get_by_label("What is in the kit, one thing a line").fill("flywheel\n6 nuts M3\nspring")
    page.get_by_role("button", name="Check it").click()
    kit = page.get_by_role("list", name="The kit against the drawing")
    expect(kit).to_contain_text("12 nuts M3: 6 more wanted")
    expect(kit).to_contain_text("casting: Flywheel: there")
    expect(kit).to_contain_text("Nothing asks for: spring")
    expect(page.get_by_role("region", name="Along its shafts")).to_contain_text("36 mm of 80 mm")


def test_two_schools_are_costed_and_one_is_taken(page: Page) -> None:
    opened(page, "Crankshaft")
    page.get_by_text("Two schools").click()
    both = page.get_by_role("region", name="How is the crank made?")
    expect(both).to_contain_text("3 parts of one")
    both.get_by_role("button", name="Take it").click()
    expect(page.locator("#room")).to_contain_text("It is drawn")
    page.get_by_role("link", name="Dunnock").click()
    page.get_by_role("link", name=re.compile("^Crankshaft: webs")).click()
    expect(page.get_by_role("img").first).to_be_visible()
    expect(page.get_by_role("region", name="Goes with")).to_contain_text(
        "a crank web held by compound"
    )


def test_a_route_made_worse_says_which_rule_and_is_overruled_with_a_reason(page: Page) -> None:
    opened(page, "Displacer cap")
    page.get_by_role("button", name="Change the route").click()
    first = page.get_by_role("region", name="Set-up 1")
    first.get_by_role("button", name="Later: tapped M4: centre", exact=True).click()
    page.get_by_role("button", name="Keep and check it").click()
    broken = page.get_by_role("list", name="Rules it breaks")
    expect(broken).to_contain_text("Spot before drilling")
    broken.get_by_role("button", name="Overrule it, with a reason").first.click()
    broken.get_by_label("Why it is overruled").fill("Drilled in a jig.")
    broken.get_by_role("button", name="Overrule", exact=True).click()
    expect(broken).to_contain_text("Overruled: Spot before drilling. Drilled in a jig.")
    page.get_by_role("button", name="Propose anew").click()
    expect(page.locator("#room")).to_contain_text("fewest set-ups, proved")


def test_two_devices_on_one_part(page: Page, browsing: Opens) -> None:
    opened(page, "Displacer cap")
    drawn = page.get_by_role("region", name="As drawn")
    drawn.get_by_label("Feature 1", exact=True).fill("face at 0 +0 -0.1")
    other = browsing(**PHONE).new_page()
    opened(other, "Displacer cap")
    theirs = other.get_by_role("region", name="As drawn")
    theirs.get_by_label("Feature 3", exact=True).fill("outside 17, from 0 to 10")
    theirs.get_by_role("button", name="Keep it so").click()
    expect(theirs.get_by_role("button", name="Keep it so")).to_have_count(0)
    drawn.get_by_role("button", name="Keep it so").click()
    expect(page.get_by_text("changed in another window").first).to_be_visible()
    # Both are shown, and what was typed here is not lost.
    expect(drawn).to_contain_text("outside 17, from 0 to 10")
    expect(drawn.get_by_label("Feature 1", exact=True)).to_have_value("face at 0 +0 -0.1")
    drawn.get_by_role("button", name="Keep this").click()
    expect(drawn.get_by_role("button", name="Keep it so")).to_have_count(0)
    expect(drawn.get_by_label("Feature 1", exact=True)).to_have_value("face at 0 +0 -0.1")
    # A line ticked elsewhere takes nothing from what is typed here.
    drawn.get_by_label("Feature 1", exact=True).fill("face at 0 +0 -0.2")
    other.reload()
    other.locator("#room input[type=checkbox]").first.click()
    expect(other.locator("#room input[type=checkbox]").first).to_be_checked()
    page.locator("#room input[type=checkbox]").nth(1).click()
    expect(page.get_by_text("changed in another window").first).to_be_visible()
    # What was ticked there is here before anything is kept upon it.
    expect(page.locator("#room input[type=checkbox]").first).to_be_checked()
    expect(drawn.get_by_label("Feature 1", exact=True)).to_have_value("face at 0 +0 -0.2")
    drawn.get_by_role("button", name="Keep it so").click()
    expect(drawn.get_by_role("button", name="Keep it so")).to_have_count(0)
    expect(drawn.get_by_label("Feature 1", exact=True)).to_have_value("face at 0 +0 -0.2")


def test_tonight_and_a_line_lead_to_the_part(page: Page) -> None:
    page.goto("/engines")
    evening = page.get_by_role("group", name="Minutes tonight")
    evening.get_by_role("button", name="120").click()
    expect(page.locator("#room")).to_contain_text("of 120 minutes")
    page.keyboard.press("Control+k")
    page.get_by_label("Ask in plain words, in any order").fill(
        "what next on the dunnock crankshaft"
    )
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("centre left end, 9 off")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Crankshaft", level=1)).to_be_visible()
    page.goto("/rules")
    expect(page.get_by_role("listitem").filter(has_text="Holes before parting off")).to_be_visible()


def test_an_engine_goes_out_as_a_file_and_comes_in_again(page: Page, tmp_path: Path) -> None:
    page.goto("/engines")
    files = page.get_by_role("region", name="Engines as files")
    with page.expect_download() as kept:
        files.get_by_role("link", name="Save it as JSON").click()
    kept.value.save_as(tmp_path / "engine.json")
    files.get_by_label("File of an engine").set_input_files(tmp_path / "engine.json")
    expect(files.get_by_role("alert")).to_contain_text("Dunnock already")
    files.get_by_label("Name of the engine brought in").fill("Dunnock, second")
    files.get_by_label("File of an engine").set_input_files(tmp_path / "engine.json")
    expect(page.get_by_role("button", name="Dunnock, second")).to_have_attribute(
        "aria-pressed", "true"
    )
    expect(page.locator("#room")).to_contain_text("of 13 parts done")
