"""Journeys away from the desk: own metals, the sheet on the wall, the tablet's door, the pad."""

from __future__ import annotations

import re
import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.conftest import PHONE, Opens
from tests.browser.serving import Server
from tests.browser.test_journeys import plate

pytestmark = pytest.mark.browser
PHRASE = "brass collet swarf"


@pytest.fixture
def locked(tmp_path: Path, templates: Path, monkeypatch: pytest.MonkeyPatch) -> Iterator[Server]:
    """The demonstration, let onto the network."""
    monkeypatch.setenv("RUNK_PASSPHRASE", PHRASE)
    (tmp_path / "runk").mkdir()
    shutil.copyfile(templates / "filled.sqlite3", tmp_path / "runk" / "demo.sqlite3")
    one = Server(tmp_path, "demo", "--lan", "--address", "127.0.0.1")
    one.start()
    yield one
    one.stop()


def test_a_cell_of_the_sheet_opens_the_cut_behind_it(page: Page) -> None:
    page.goto("/workshop")
    page.get_by_role("link", name="Wall sheet of Mill").click()
    expect(page.get_by_role("region", name="The sheet")).to_contain_text("Mill: drilling")
    page.get_by_role("button", name="gunmetal, 5: 5, belt 5").click()
    expect(page).to_have_url(re.compile("/speeds$"))
    plate(page, "1450")
    plate(page, "gunmetal")
    page.get_by_role("link", name="Every metal and diameter").click()
    expect(page.get_by_role("region", name="The sheet")).to_contain_text("Mill: drilling")


def test_the_sheet_is_cut_down_to_a_few_metals_and_printed(page: Page) -> None:
    page.goto("/sheet")
    page.get_by_text("Every metal: choose which").click()
    for metal in ("silver steel", "gunmetal"):
        page.get_by_role("button", name=metal, exact=True).click()
    rows = page.get_by_role("region", name="The sheet").get_by_role("rowheader")
    expect(rows).to_have_text(["silver steel", "gunmetal"])
    with page.expect_download() as caught:
        page.get_by_role("link", name="Print on A4").click()
    assert caught.value.suggested_filename == "wall-sheet-a4.pdf"
    assert Path(caught.value.path()).read_bytes().startswith(b"%PDF-")
    page.get_by_role("button", name="Say more").click()
    page.get_by_label("diameters").fill("6; 1 3/")
    expect(page.get_by_role("alert")).to_contain_text("unfinished fraction")
    expect(rows).to_have_count(2)


def test_a_metal_of_ones_own_is_there_at_once(page: Page) -> None:
    page.goto("/metals/figures")
    page.get_by_role("button", name="Copy gunmetal").click()
    page.get_by_label("Name").fill("brass")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert")).to_contain_text("already")
    page.get_by_label("Name").fill("tram bearing metal")
    page.get_by_label("Turning speed, high-speed steel, m/min").fill("25,5")
    page.get_by_role("button", name="Save").click()
    row = page.get_by_role("row").filter(has_text="tram bearing metal")
    expect(row).to_contain_text("25.5")
    expect(row).to_contain_text("mine")
    page.keyboard.press("Control+k")
    line = page.get_by_label("Ask in plain words, in any order")
    line.fill("turn 20 tram bearing metal")
    expect(page.get_by_role("dialog")).to_contain_text("tram bearing metal")
    page.keyboard.press("Escape")
    row.get_by_role("button", name="Take out tram bearing metal").click()
    expect(row).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(row).to_have_count(1)


def test_the_tablet_signs_in_and_out(chromium: Browser, locked: Server) -> None:
    context = chromium.new_context(base_url=locked.url, viewport={"width": 800, "height": 1200})
    page = context.new_page()
    page.goto("/workshop")
    field = page.get_by_label("Pass-phrase")
    field.fill("let me in please")
    page.get_by_role("button", name="Come in").click()
    expect(page.get_by_role("alert")).to_contain_text("not the pass-phrase")
    expect(field).to_have_value("let me in please")
    field.fill(PHRASE.upper())
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="The tablet by the lathe")).to_be_visible()
    expect(page.get_by_text(locked.url, exact=True)).to_be_visible()
    page.wait_for_function(
        "() => { const e = document.querySelector('img[alt*=\"QR\"]'); return e && e.complete && e.naturalWidth > 100 }"
    )
    page.get_by_role("button", name="Sign out here").click()
    expect(page.get_by_label("Pass-phrase")).to_be_visible()
    page.reload()
    expect(page.get_by_label("Pass-phrase")).to_be_visible()
    context.close()


def test_a_finger_types_fractions_on_the_pad(browsing: Opens) -> None:
    page = browsing(**PHONE).new_page()
    page.goto("/speeds")
    plate(page, "860")
    # The sentence is folded to one line on a phone.
    page.get_by_role("button", name=re.compile("Change")).first.tap()
    field = page.get_by_label("diameter", exact=True)
    field.tap()
    pad = page.get_by_role("group", name="Keys for a size")
    for key in ("Clear", "1", "space", "3", "/", "1", "9", "Rub out one", "6", '"'):
        pad.get_by_role("button", name=key, exact=True).tap()
    expect(field).to_have_value('1 3/16"')
    expect(field).to_have_attribute("inputmode", "none")
    plate(page, "1 3/16")
    box = pad.bounding_box()
    seen = field.bounding_box()
    assert box is not None
    assert seen is not None
    assert seen["y"] + seen["height"] <= box["y"]
    pad.get_by_role("button", name="abc").tap()
    expect(field).to_be_focused()
    expect(field).to_have_attribute("inputmode", "text")
    expect(pad).to_have_count(0)
    field.blur()
    field.tap()
    pad.get_by_role("button", name="Done").tap()
    expect(pad).to_have_count(0)
