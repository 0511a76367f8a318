"""Setting out in the browser: hole by hole at the bench, files in and out, code tried before it is kept."""

from __future__ import annotations

import re
from pathlib import Path

import ezdxf
import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser


def asked(page: Page, line: str) -> None:
    page.goto("/setting-out")
    expect(page.locator("#room")).to_contain_text("Hole 1")
    page.keyboard.press("Control+k")
    page.get_by_label("Ask in plain words, in any order").fill(line)
    expect(page.get_by_role("button", name="Open in the room")).to_be_enabled()
    page.keyboard.press("Enter")
    expect(page.get_by_role("dialog")).to_have_count(0)


def test_a_line_opens_the_face_and_the_bench_goes_hole_by_hole(page: Page) -> None:
    asked(page, "4 holes 40 pcd start 45 from the edge 30 20")
    room = page.locator("#room")
    expect(room.get_by_role("img")).to_have_attribute("aria-label", re.compile("4 holes"))
    expect(room.get_by_role("row").filter(has_text="44.142")).to_have_count(2)
    page.get_by_role("button", name="Bench view").click()
    bench = page.get_by_role("dialog")
    # The nearest to the corner first; every hole once; a slip undone by one key.
    expect(bench).to_contain_text("1 of 4")
    expect(bench).to_contain_text("15.858")
    page.keyboard.press("n")
    expect(bench).to_contain_text("2 of 4")
    page.keyboard.press("n")
    expect(bench).to_contain_text("3 of 4")
    page.keyboard.press("u")
    expect(bench).to_contain_text("2 of 4")
    page.keyboard.press("Escape")
    expect(bench).to_have_count(0)
    # Closed by mistake: nothing is forgotten.
    page.get_by_role("button", name="Bench view").click()
    expect(bench).to_contain_text("2 of 4")
    for _ in range(3):
        page.keyboard.press("n")
    expect(bench).to_contain_text("All 4 are done")


def test_a_hole_of_the_plate_is_chosen_and_shown(page: Page) -> None:
    page.goto("/setting-out")
    turn = page.get_by_role("list", name="Holes in their turn")
    turn.get_by_role("button", name="3").click()
    expect(page.locator("#room")).to_contain_text("Hole 3, 3 of 6")
    expect(page.locator("dl").first).to_contain_text("-7.750")


def test_code_is_tried_before_it_is_kept(page: Page) -> None:
    page.goto("/setting-out")
    files = page.get_by_role("region", name="On paper and in files")
    files.get_by_text("Code for a machine moved by numbers").click()
    files.get_by_role("button", name="Dry run").click()
    expect(files.get_by_role("alert")).to_contain_text("How deep")
    files.get_by_label("Holes go deep").fill("5 mm")
    files.get_by_label("Metal").fill("brass")
    files.get_by_role("button", name="Dry run").click()
    # Nobody but the one at the machine knows how high its clamps stand.
    expect(files.get_by_role("alert")).to_contain_text("How high")
    files.get_by_label("Safe to travel").fill("25 mm")
    files.get_by_role("button", name="Dry run").click()
    expect(files).to_contain_text("6 holes, each where it was asked.")
    with page.expect_download() as kept:
        files.get_by_role("link", name="Keep the code").click()
    assert "G81" in Path(kept.value.path()).read_text()
    # What was tried is no longer what is asked.
    files.get_by_label("Metal").fill("mild steel")
    expect(files.get_by_role("link", name="Keep the code")).to_have_count(0)


def test_a_drawing_is_brought_in_and_goes_out_again(page: Page, tmp_path: Path) -> None:
    drawing = ezdxf.new(units=4)
    for x, y in ((0, 0), (12, 0), (12, 9)):
        drawing.modelspace().add_circle((x, y), 2)
    path = tmp_path / "face.dxf"
    drawing.saveas(path)
    page.goto("/setting-out")
    page.get_by_label("DXF or CSV file").set_input_files(path)
    room = page.locator("#room")
    expect(room).to_contain_text("From face.dxf: 3 holes, read in millimetres.")
    expect(room).to_contain_text("Hole 1, 1 of 3")
    with page.expect_download() as kept:
        page.get_by_role("link", name="CSV").click()
    rows = Path(kept.value.path()).read_text(encoding="utf-8-sig").splitlines()
    assert rows[1:] == ["1,0.0000,0.0000,4", "2,12.0000,0.0000,4", "3,12.0000,9.0000,4"]
    words = tmp_path / "words.dxf"
    only_text = ezdxf.new()
    only_text.modelspace().add_text("nothing to drill")
    only_text.saveas(words)
    page.get_by_label("DXF or CSV file").set_input_files(words)
    expect(page.get_by_role("alert")).to_contain_text("only TEXT")
    expect(room).to_contain_text("Hole 1, 1 of 3")
    # What must not be drilled goes into no file.
    page.get_by_label("each hole").fill("20")
    expect(room).to_contain_text("Nothing is drawn for the machine")
    expect(page.get_by_role("link", name="DXF")).to_have_count(0)


def test_a_row_of_a_long_table_opens_its_working(page: Page) -> None:
    page.goto("/setting-out")
    page.get_by_label("holes", exact=True).fill("60")
    table = page.get_by_role("table", name="Where each hole lies")
    row = table.get_by_role("button", name="16", exact=True)
    row.click()
    expect(table).to_contain_text("0 + 15.5 × sin(90°)")
    row.click()
    expect(table).not_to_contain_text("sin(90°)")


def test_a_divided_round_is_counted_at_the_bench(page: Page) -> None:
    asked(page, "divide 22")
    expect(page.locator("#room")).to_contain_text("1 turn and 27 on 33")
    page.get_by_role("button", name="Bench view").click()
    bench = page.get_by_role("dialog")
    bench.get_by_role("button", name="Done, next").click()
    expect(bench).to_contain_text("Mark 2 of 22")
    expect(bench).to_contain_text("1 turn, 27 on 33")


def test_two_wheels_are_drawn_and_lead_to_the_dividing_head(page: Page) -> None:
    asked(page, "gear 22 teeth 0.7 module with 44")
    label = re.compile("22 teeth with 44, centres 23.100")
    expect(page.locator("#room").get_by_role("img")).to_have_attribute("aria-label", label)
    page.get_by_role("button", name="Turns and holes for it").click()
    expect(page).to_have_url(re.compile("/setting-out/divide"))
    expect(page.locator("#room")).to_contain_text("1 turn and 27 on 33")


def test_a_profile_is_walked_move_by_move(page: Page) -> None:
    asked(page, "oblong 20 long 8 wide cutter 6")
    expect(page.locator("#room")).to_contain_text("Clockwise from above")
    page.get_by_role("button", name="Bench view").click()
    bench = page.get_by_role("dialog")
    bench.get_by_role("button", name="Done, next").click()
    expect(bench).to_contain_text("Move 1 of 4")
    page.keyboard.press("Escape")
    page.get_by_label("cutter", exact=True).fill("9")
    expect(page.get_by_role("alert")).to_contain_text("does not pass")
