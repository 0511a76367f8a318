"""Journeys of a model engineer, in a real browser on a real server."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, Route, expect

from tests.browser.conftest import PHONE, Opens
from tests.browser.serving import Server
from tests.browser.views import WALK

pytestmark = pytest.mark.browser


def plate(page: Page, text: str) -> None:
    """The dark plate says this."""
    expect(page.locator("#room")).to_contain_text(text)


def diameter(page: Page) -> None:
    """Fill nothing, only make sure the room is there."""
    expect(page.get_by_label("diameter", exact=True)).to_be_visible()


def test_from_a_typed_job_to_the_belt_and_back_after_a_restart(page: Page, server: Server) -> None:
    page.goto("/")
    expect(page).to_have_url(re.compile("/speeds$"))
    plate(page, "Put the belt on")
    page.get_by_label("diameter", exact=True).fill("1 3/16")
    plate(page, "Bore a 1 3/16 in hole")
    page.get_by_role("button", name="Keep this").click()
    expect(page.get_by_text("Kept: belt 2, direct · 500 rev/min")).to_be_visible()
    server.stop()
    server.start()
    page.goto("/slate")
    item = page.get_by_role("listitem").filter(has_text="Bore a 1 3/16 in hole")
    expect(item).to_contain_text("belt 2, direct · 500 rev/min")
    item.get_by_role("button", name="Bore a 1 3/16 in hole").first.click()
    expect(page.get_by_label("diameter", exact=True)).to_have_value("1 3/16")


def test_what_a_line_wants_is_pressed_or_typed_and_opens_in_its_room(page: Page) -> None:
    page.goto("/speeds")
    plate(page, "860")
    page.keyboard.press("Control+k")
    line = page.get_by_label("Ask in plain words, in any order")
    line.fill("drill 6 mm")
    more = page.get_by_role("group", name="One thing more")
    expect(more).to_contain_text("What metal is it?")
    more.get_by_role("button", name="free-cutting brass").click()
    plate(page, "Drill 6 mm in free-cutting brass")
    page.keyboard.press("Control+k")
    line.fill("distance of centres, 64 and 8 teeth")
    expect(more).to_contain_text("Which module")
    more.get_by_label("module").fill("0.5")
    more.get_by_label("module").press("Enter")
    expect(page).to_have_url(re.compile("/setting-out/gear"))
    expect(page.locator("#room")).to_contain_text("18.000")


def test_a_broken_size_keeps_what_was_typed_and_the_last_answer(page: Page) -> None:
    page.goto("/speeds")
    plate(page, "860")
    field = page.get_by_label("diameter", exact=True)
    field.fill("1 3/")
    expect(page.get_by_role("alert")).to_contain_text("unfinished fraction")
    expect(page.get_by_role("alert")).to_contain_text("1 3/16")
    expect(field).to_have_value("1 3/")
    expect(field).to_have_attribute("aria-invalid", "true")
    expect(page.get_by_role("button", name="Keep this")).to_be_disabled()
    plate(page, "860")
    field.fill("12,5")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(page.get_by_role("button", name="Keep this")).to_be_enabled()


def test_the_whole_question_by_keyboard(page: Page) -> None:
    page.goto("/speeds")
    operation = page.get_by_role("combobox", name="operation")
    operation.focus()
    page.keyboard.press("Enter")
    page.get_by_role("option", name="Drill", exact=True).press("Enter")
    expect(page.get_by_role("combobox", name="operation")).to_contain_text("Drill")
    page.get_by_label("diameter", exact=True).focus()
    page.keyboard.type("#30")
    page.keyboard.press("Tab")
    page.keyboard.press("Enter")
    # The list shows a moment before it takes the keys; until then they go to the closed box.
    expect(page.get_by_role("option", selected=True)).to_be_focused()
    page.keyboard.type("free-cutting br")
    expect(page.get_by_role("option", name=re.compile("free-cutting brass"))).to_be_focused()
    page.keyboard.press("Enter")
    plate(page, "#30 drill: 0.1285")
    plate(page, "Mind the snatch")


def test_ask_answers_and_opens_the_room_filled_in(page: Page) -> None:
    page.goto("/workshop")
    expect(page.get_by_role("heading", name="Workshop")).to_be_visible()
    page.keyboard.press("Control+k")
    line = page.get_by_label("Ask in plain words, in any order")
    line.fill("turn brass")
    expect(page.get_by_role("group", name="One thing more")).to_contain_text("What diameter is it?")
    line.fill("turn 22mm silver steel hss")
    expect(page.get_by_role("dialog")).to_contain_text("belt 3, back gear · 142 rev/min")
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/speeds$"))
    expect(page.get_by_label("diameter", exact=True)).to_have_value("22mm")
    expect(page.get_by_role("combobox", name="metal")).to_contain_text("silver steel")
    page.keyboard.press("/")
    page.get_by_label("Ask in plain words, in any order").fill("7/64 + 20 thou in mm")
    expect(page.get_by_role("dialog")).to_contain_text("3.286 mm")
    # What is nobody's offers the rooms that speak of it.
    page.get_by_label("Ask in plain words, in any order").fill("profile corner radius 5, 10 cutter")
    near = page.get_by_role("list", name="Nearest rooms")
    near.get_by_role("button", name="Round a profile with a cutter").click()
    expect(page).to_have_url(re.compile("/setting-out/path$"))
    expect(page.get_by_role("dialog")).to_have_count(0)


def test_bench_view_one_thing_at_a_time(page: Page) -> None:
    page.goto("/speeds")
    plate(page, "860")
    page.keyboard.press("b")
    bench = page.get_by_role("dialog")
    expect(bench).to_contain_text("Put the belt on")
    expect(bench).to_contain_text("Next: wind on the cross-slide")
    bench.get_by_role("button", name="Done, next").click()
    expect(bench).to_contain_text("opens the bore by 0.81 mm")
    bench.get_by_role("button", name="Back").click()
    expect(bench).to_contain_text("860 rev/min")
    page.keyboard.press("Escape")
    expect(bench).to_have_count(0)


def test_skin_shows_first_and_then(page: Page) -> None:
    page.goto("/speeds")
    page.get_by_role("button", name="Say more").click()
    page.get_by_role("combobox", name="surface").click()
    page.get_by_role("option", name="its as-cast skin").click()
    plate(page, "Mind the skin")
    page.get_by_role("button", name="Then, in sound metal").click()
    plate(page, "860")


def test_single_keys_can_be_switched_off(page: Page) -> None:
    page.goto("/speeds")
    plate(page, "860")
    page.keyboard.press("?")
    page.get_by_label("Single-key shortcuts").uncheck()
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.keyboard.press("b")
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.get_by_role("button", name="Bench view").click()
    expect(page.get_by_role("dialog")).to_be_visible()


def test_slate_notes_order_ticks_and_undo(page: Page) -> None:
    page.goto("/slate")
    first = page.get_by_role("listitem").filter(has_text="Bore a 21.8 mm hole")
    note = first.get_by_label("Note")
    note.fill("<img src=x onerror=alert(1)> & <b>bold</b>")
    note.press("Enter")
    first.get_by_role("checkbox").check()
    page.get_by_role("button", name=re.compile("Move down: Bore a 21.8")).click()
    expect(page.locator("section li").first).to_contain_text("Turn 1 1/8 in mild steel")
    page.reload()
    expect(page.locator("section li").first).to_contain_text("Turn 1 1/8 in mild steel")
    again = page.get_by_role("listitem").filter(has_text="Bore a 21.8 mm hole")
    expect(again.get_by_label("Note")).to_have_value("<img src=x onerror=alert(1)> & <b>bold</b>")
    expect(again.get_by_role("checkbox")).to_be_checked()
    again.get_by_role("button", name=re.compile("Wipe off")).click()
    expect(again).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(again).to_have_count(1)


def test_engines_and_parts(page: Page) -> None:
    page.goto("/engines")
    page.get_by_role("button", name="Another engine").click()
    page.get_by_label("Name of the engine", exact=True).fill("Wren")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Which parts has it?")).to_be_visible()
    field = page.get_by_label("A part of it, or a list of its parts")
    field.fill("Flywheel")
    field.press("Enter")
    expect(page.get_by_role("link", name="Draw Flywheel")).to_be_visible()
    page.goto("/slate")
    first = page.get_by_role("listitem").filter(has_text="Bore a 21.8 mm hole")
    first.get_by_role("combobox").select_option(label="Flywheel")
    page.reload()
    expect(first.get_by_role("combobox").locator("option:checked")).to_have_text("Flywheel")
    # The same name twice: nothing typed is lost.
    page.goto("/engines")
    page.get_by_role("button", name="Another engine").click()
    page.get_by_label("Name of the engine", exact=True).fill("Wren")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("There is one called Wren already")
    expect(page.get_by_label("Name of the engine", exact=True)).to_have_value("Wren")


def test_a_machine_added_changed_taken_out_and_brought_back(page: Page) -> None:
    page.goto("/workshop")
    page.get_by_role("button", name="The long form").click()
    page.get_by_label("Name", exact=True).fill("Drill <b>press</b>")
    page.get_by_label("Motor power, W").fill("250")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert")).to_contain_text("steps, row 1, rpm: type a number")
    page.get_by_label("rev/min, row 1").fill("620")
    page.get_by_label("Runs on, Hz").fill("0")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert")).to_contain_text("0 Hz is no mains frequency")
    expect(page.get_by_label("rev/min, row 1")).to_have_value("620")
    page.get_by_label("Runs on, Hz").fill("60")
    page.get_by_role("button", name="Save").click()
    card = page.get_by_role("article").filter(has_text="Drill <b>press</b>")
    # 620 on a 50 Hz plate turns at 744 on 60 Hz.
    expect(card).to_contain_text("744")
    card.get_by_role("button", name=re.compile("Take out")).click()
    expect(card).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(card).to_have_count(1)


def test_two_tabs_saving_one_machine(page: Page) -> None:
    other = page.context.new_page()
    for tab in (page, other):
        tab.goto("/workshop")
        tab.get_by_role("button", name="Change Lathe").click()
    page.get_by_label("Motor power, W").fill("500")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("article").first).to_contain_text("500 W")
    other.get_by_label("Motor power, W").fill("250")
    other.get_by_role("button", name="Save").click()
    expect(other.get_by_role("alert")).to_contain_text("changed in another window")
    expect(other.get_by_text("500 W")).to_be_visible()
    expect(other.get_by_text("250 W")).to_be_visible()
    other.get_by_role("button", name="Keep this").click()
    expect(other.get_by_role("article").first).to_contain_text("250 W")


def test_the_server_stopped_while_typing(page: Page, server: Server) -> None:
    page.goto("/speeds")
    plate(page, "860")
    server.stop()
    field = page.get_by_label("diameter", exact=True)
    field.fill("19 mm")
    expect(page.get_by_text("server does not answer").first).to_be_visible()
    expect(field).to_have_value("19 mm")
    server.start()
    plate(page, "938")
    expect(page.get_by_text("server does not answer")).to_have_count(0)
    expect(field).to_have_value("19 mm")


def test_what_was_asked_is_remembered(page: Page) -> None:
    page.goto("/speeds")
    page.get_by_label("diameter", exact=True).fill("11/16")
    plate(page, "11/16 in = 17.463 mm")
    page.get_by_role("button", name="inch", exact=True).click()
    page.reload()
    expect(page.get_by_label("diameter", exact=True)).to_have_value("11/16")
    expect(page.get_by_role("button", name="inch", exact=True)).to_have_attribute(
        "aria-pressed", "true"
    )
    plate(page, "in/rev")


def _named_at_length(route: Route) -> None:
    """The machines as they are kept, each with a name that no phone is wide enough for."""
    reply = route.fetch()
    machines = reply.json()
    for kept in machines["machines"]:
        kept["machine"]["name"] = "the old one under the bench " + "lathe" * 12
    route.fulfill(response=reply, json=machines)


@pytest.mark.parametrize("room", ["/speeds", "/faults", "/metals", "/slate", "/workshop"])
def test_fits_a_phone(browsing: Opens, room: str) -> None:
    page = browsing(**PHONE).new_page()
    page.set_viewport_size({"width": 360, "height": 740})
    page.route("**/api/machines", _named_at_length)
    page.goto(room)
    expect(page.locator("#room")).to_contain_text(re.compile(r"860|rev/min|g/cm³"))
    assert page.evaluate("document.documentElement.scrollWidth") <= 360
    page.unroute_all(behavior="ignoreErrors")


def test_an_empty_workshop_says_whose_machines_these_are(
    chromium: Browser, tmp_path: object
) -> None:
    from pathlib import Path

    one = Server(Path(str(tmp_path)), "serve")
    one.start()
    context = chromium.new_context(base_url=one.url)
    page = context.new_page()
    page.goto("/speeds")
    expect(page.get_by_text("No machine of yours is kept yet")).to_be_visible()
    expect(page.get_by_text("Nothing kept yet")).to_be_visible()
    page.goto("/workshop")
    page.get_by_role("button", name="Copy Lathe").click()
    page.get_by_label("Name", exact=True).fill("My lathe")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("article")).to_have_count(1)
    context.close()
    one.stop()


def test_which_metal_is_this(page: Page) -> None:
    page.goto("/metals")
    room = page.locator("#room")
    expect(room).to_contain_text("one of 7")
    expect(room).to_contain_text("416 is magnetic")
    page.get_by_label("weight in grams").fill("1230")
    expect(page.get_by_role("alert")).to_contain_text("decimal point")
    page.get_by_label("weight in grams").fill("133")
    page.get_by_role("combobox", name="magnet").click()
    page.get_by_role("option", name="does nothing").click()
    expect(room).to_contain_text("It isfree-cutting brass")
    page.get_by_role("button", name="Keep this").click()
    page.goto("/slate")
    item = page.get_by_role("listitem").filter(has_text="free-cutting brass · 8.47 g/cm³")
    item.get_by_role("button", name=re.compile("A round bar 20 mm")).first.click()
    expect(page).to_have_url(re.compile("/metals$"))


def test_which_metals_may_run_together(page: Page) -> None:
    page.goto("/metals/pair")
    expect(page.locator("#room")).to_contain_text("They may run")
    page.get_by_role("combobox", name="other metal").click()
    page.get_by_role("option", name="free-cutting brass").click()
    expect(page.locator("#room")).to_contain_text("Keep them apart")
    expect(page.locator("#room")).to_contain_text("like does not run on like")


def test_every_operation_has_its_own_words(page: Page) -> None:
    page.goto("/speeds")
    page.get_by_role("combobox", name="operation").click()
    page.get_by_role("option", name="Screw-cut").click()
    page.get_by_label("diameter", exact=True).fill("M12")
    page.get_by_role("button", name="Say more").click()
    page.get_by_label("relief groove").fill("4")
    plate(page, "Your hand can stop it in the groove from")
    plate(page, "Time to stop in the relief")
    page.get_by_label("diameter", exact=True).fill("12 mm")
    expect(page.get_by_role("alert")).to_contain_text("What pitch is the thread?")
    page.get_by_label("pitch", exact=True).fill("1.5")
    expect(page.get_by_role("alert")).to_have_count(0)


def test_from_a_whine_to_the_belt_to_set(page: Page) -> None:
    page.goto("/faults")
    room = page.locator("#room")
    expect(room).to_contain_text("Set belt 3, direct 860")
    page.get_by_label("speed it was set to").fill("")
    expect(page.get_by_role("alert")).to_contain_text("Say what the machine was set to")
    page.get_by_label("speed it was set to").fill("290")
    expect(room).to_contain_text("The tool stands out too far".lower())
    page.get_by_role("combobox", name="sign").click()
    page.get_by_role("option", name="the work runs out").click()
    page.get_by_label("run-out at the work").fill("12 thou")
    page.get_by_role("button", name="Say more").click()
    page.get_by_label("run-out at the collet").fill("3 thou")
    expect(room).to_contain_text("most of it comes in at the work")
    expect(room).to_contain_text("12 thou will not do")


def test_the_first_evening(chromium: Browser, tmp_path: Path) -> None:
    """From an empty workshop to the first belt: one line, two clicks."""
    server = Server(tmp_path, "serve")
    server.start()
    context = chromium.new_context(base_url=server.url, viewport={"width": 1280, "height": 800})
    page = context.new_page()
    page.goto("/speeds")
    page.get_by_role("link", name="Add your own").click()
    # Nothing typed is no mistake: it says what to begin with.
    expect(page.get_by_role("status")).to_contain_text("Which speeds has it")
    page.get_by_label("speeds", exact=True).fill("200 350 600, back gear 30 fast")
    expect(page.get_by_role("alert")).to_contain_text("no speed")
    page.get_by_label("speeds", exact=True).fill("200 350 600 1100, back gear 30 55 95 170")
    expect(page.locator("#room")).to_contain_text("Taken as usual")
    expect(page.get_by_role("row").filter(has_text="belt 4, back gear")).to_contain_text("170")
    page.get_by_role("button", name="Keep it").click()
    expect(page.locator("#room")).to_contain_text("Put the belt on")
    expect(page.get_by_text("No machine of yours is kept yet")).to_have_count(0)
    expect(page.locator("#room")).to_contain_text("1100")
    context.close()
    server.stop()


def test_every_key_of_a_line_arrives(page: Page) -> None:
    """Typed in the same instant as Ctrl-K, nothing is lost or taken for a shortcut."""
    page.goto("/speeds")
    expect(page.locator("#room")).to_contain_text("860")
    line = "bk turn 22mm brass"
    page.evaluate(
        """line => {
            const press = (key, more) => {
                const at = document.activeElement ?? document.body;
                const on = new KeyboardEvent('keydown', {key, bubbles: true, cancelable: true, ...more});
                if (at.dispatchEvent(on) && key.length === 1 && at instanceof HTMLInputElement)
                    document.execCommand('insertText', false, key);
            };
            press('k', {ctrlKey: true});
            for (const key of line) press(key, {});
        }""",
        line,
    )
    expect(page.get_by_label("Ask in plain words, in any order")).to_have_value(line)
    expect(page.get_by_role("dialog")).to_have_count(1)
    expect(page.get_by_text("Kept:")).to_have_count(0)


def test_dialogs_never_stack(page: Page) -> None:
    page.goto("/speeds")
    expect(page.locator("#room")).to_contain_text("860")
    page.keyboard.press("b")
    expect(page.get_by_role("dialog")).to_contain_text("Put the belt on")
    page.keyboard.press("Control+k")
    expect(page.get_by_role("dialog")).to_have_count(1)
    expect(page.get_by_label("Ask in plain words, in any order")).to_be_focused()


def test_a_second_reading_is_one_key_away(page: Page) -> None:
    page.goto("/speeds")
    expect(page.locator("#room")).to_contain_text("rev/min")
    page.keyboard.press("Control+k")
    line = page.get_by_label("Ask in plain words, in any order")
    line.fill("turn 1 in brass")
    expect(page.get_by_role("list", name="Or did you mean")).to_contain_text("Turn 1 mm")
    page.keyboard.press("Alt+1")
    page.keyboard.press("Enter")
    expect(page.get_by_label("diameter", exact=True)).to_have_value("1 mm")


def test_what_a_button_promises_works_where_the_cursor_stands(page: Page) -> None:
    page.goto("/to-size")
    page.get_by_role("button", name="Start it on the simulated lathe").click()
    field = page.locator("#room").get_by_label("What does it measure now?")
    expect(field).to_be_focused()
    page.keyboard.press("g")
    expect(field).to_have_value("")
    expect(page.get_by_role("row").filter(has_text="rough")).to_have_count(1)
    page.keyboard.press("Enter")
    expect(page.get_by_role("row").filter(has_text="rough")).to_have_count(2)
    page.keyboard.press("b")
    expect(page.get_by_role("dialog")).to_be_visible()
    expect(field).to_have_value("")


def test_a_line_with_a_no_in_it_a_slip_and_a_word_too_many(page: Page) -> None:
    """What is excluded stays out, what was taken for a slip is said, what has no place is asked."""
    page.goto("/speeds")
    plate(page, "860")
    page.keyboard.press("Control+k")
    line = page.get_by_label("Ask in plain words, in any order")
    dialog = page.get_by_role("dialog")
    line.fill("turn 18 brass not carbide")
    expect(dialog).to_contain_text("with high-speed steel")
    line.fill("drlling 5mm silver steel")
    expect(dialog).to_contain_text("taking drlling for drilling")
    line.fill("turn 18 brass not widdershins")
    expect(dialog.get_by_role("alert")).to_contain_text("widdershins")
    line.fill("6 holes 36 pcd passage 4")
    alert = dialog.get_by_role("alert")
    expect(alert).to_contain_text("no place in it for")
    expect(alert).to_contain_text("passage")
    # It stands in the line still: nothing typed is lost by being asked.
    expect(line).to_have_value("6 holes 36 pcd passage 4")
    line.fill("half inch drill in cast iron, revs")
    expect(dialog).to_contain_text("Drill 1/2 inch in grey cast iron")
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/speeds$"))
    expect(page.get_by_role("combobox", name="operation")).to_contain_text("Drill")


def test_a_room_opened_from_another_is_there_at_once(page: Page) -> None:
    """A room's own file is fetched once: the second time nothing stands in for it."""
    page.goto("/setting-out/gear")
    plate(page, "16.800")
    page.goto("/speeds")
    plate(page, "860")
    for path, says in (
        ("/setting-out/gear", "16.800"),
        ("/speeds", "860"),
        ("/setting-out/gear", "16.800"),
    ):
        page.evaluate(WALK, path)
        plate(page, says)
    expect(page.locator("#room")).not_to_contain_text("Fetching")
