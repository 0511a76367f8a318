"""Threads in the browser: the drill, the turns on the bench, what cannot be, one job to the next."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser


def room(page: Page, text: str | re.Pattern[str]) -> None:
    expect(page.locator("#room")).to_contain_text(text)


def test_a_tapped_hole_and_its_turns_on_the_bench(page: Page) -> None:
    page.goto("/threads")
    room(page, "3.1 mm")
    around = page.get_by_role("group", name="Drills owned around it")
    around.get_by_role("button", name=re.compile("^3 mm")).click()
    room(page, re.compile("3 mm leaves 76 % of the thread and keeps"))
    page.get_by_role("group", name="School").get_by_role("button", name=re.compile("book")).click()
    expect(around.get_by_role("button", name=re.compile("^3 mm"))).to_have_class(
        re.compile("bg-mark")
    )
    page.get_by_label("thread", exact=True).blur()
    page.keyboard.press("b")
    bench = page.get_by_role("dialog")
    turn = bench.get_by_role("button", name="One turn")
    for _ in range(3):
        turn.click()
    expect(bench).to_contain_text("Clear it.")
    bench.get_by_role("button", name="Undo one").click()
    expect(bench).to_contain_text(re.compile(r"Turns\s*2\s*of 13"))
    for _ in range(11):
        turn.click()
    expect(bench).to_contain_text("Stop: the thread is deep enough.")
    expect(turn).to_be_disabled()


def test_a_thread_named_two_ways_is_asked_about_and_kept(page: Page) -> None:
    page.goto("/threads")
    field = page.get_by_label("thread", exact=True)
    field.fill("1/4")
    expect(page.get_by_role("alert")).to_contain_text("several 1/4 threads")
    expect(page.get_by_role("alert")).to_contain_text("1/4-20 UNC")
    expect(field).to_have_value("1/4")
    field.fill("1/4x40")
    expect(page.get_by_role("alert")).to_have_count(0)
    room(page, "6.350")
    page.get_by_label("depth of thread").fill("")
    expect(page.get_by_role("alert")).to_contain_text("How deep is the thread")


def test_one_job_hands_its_numbers_to_the_next(page: Page) -> None:
    page.goto("/threads/stud")
    room(page, "the stud breaks first")
    page.get_by_role("button", name=re.compile("^Tap its hole")).click()
    expect(page).to_have_url(re.compile("/threads$"))
    room(page, re.compile("4.50"))
    page.get_by_role("button", name=re.compile("pilot and stops")).click()
    expect(page).to_have_url(re.compile("/holes$"))
    room(page, "Spot with the")


def test_pressure_says_stop_and_studs_that_overlap_are_refused(page: Page) -> None:
    page.goto("/threads/cover")
    room(page, "Steam and air under pressure kill")
    pressure = page.get_by_label("pressure", exact=True)
    pressure.fill("-5 bar")
    expect(page.get_by_role("alert")).to_contain_text("no pressure")
    pressure.fill("3000 psi")
    expect(page.get_by_role("alert")).to_contain_text(re.compile("at most|overlap"))
    pressure.fill("80 psi")
    page.get_by_role("button", name="Say more").click()
    page.get_by_label("studs", exact=True).fill("40")
    expect(page.get_by_role("alert")).to_contain_text("overlap")
    page.get_by_label("studs", exact=True).fill("6")
    expect(page.get_by_role("alert")).to_have_count(0)


def test_the_jobs_speak_of_one_thread(page: Page) -> None:
    page.goto("/threads")
    room(page, "3.1 mm")
    page.get_by_label("thread", exact=True).fill("2BA")
    jobs = page.get_by_role("navigation", name="Threads")
    for job, says in (("Die", "4.5"), ("Stud", "15.72"), ("Clearance", "4.86"), ("Sizes", "4.700")):
        if job == "Sizes":
            # Another family of tabs: under its name.
            jobs.get_by_role("link", name="Measured", exact=True).click()
        jobs.get_by_role("link", name=job, exact=True).click()
        expect(page.get_by_label("thread", exact=True)).to_have_value("2BA")
        room(page, says)
    jobs.get_by_role("link", name="Tap and die", exact=True).click()
    jobs.get_by_role("link", name="Stud", exact=True).click()
    metal = page.get_by_role("combobox", name="metal of the stud")
    metal.click()
    page.get_by_role("option", name="silver steel", exact=True).click()
    expect(page.get_by_role("img", name=re.compile("^A stud .*in the metal .*nut"))).to_be_visible()
    jobs.get_by_role("link", name="Die", exact=True).click()
    expect(page.get_by_role("combobox", name="metal")).to_contain_text("silver steel")


JOBS = [
    ("die M3 stainless 16 long", "/threads/die$", "2.92"),
    ("clearance M3", "/threads/clearance$", "3.4 mm"),
    ("which thread 6.3 40 tpi", "/threads/which$", "1/4x40 ME"),
    ("tighten M4 mild steel", "/threads/tighten$", "0.63"),
    ("thread 2BA", "/threads/sizes$", "0.486"),
]


def test_ask_opens_the_job(page: Page) -> None:
    page.goto("/speeds")
    room(page, "rev/min")
    for line, url, says in JOBS:
        page.keyboard.press("Control+k")
        page.get_by_label("Ask in plain words, in any order").fill(line)
        page.get_by_role("button", name="Open in the room").click()
        expect(page).to_have_url(re.compile(url))
        room(page, says)
        expect(page.get_by_role("dialog")).to_have_count(0)


def test_a_thread_is_followed_by_dial_and_nut_and_taken_back(page: Page) -> None:
    page.goto("/threads/screwcut")
    page.get_by_role("button", name="Start this thread").click()
    room(page, "A scratch first")
    made = page.get_by_role("button", name="Made it: the next")
    made.click()
    room(page, "Wind to11The")
    # Too shallow for wires: there is nothing to type, and the nut may be tried all the same.
    expect(page.get_by_label("over the wires")).to_have_count(0)
    made.click()
    room(page, re.compile(r"Wind to\s*15 1/2"))
    page.get_by_role("button", name="Undo the last").click()
    room(page, "Wind to11The")
    page.get_by_role("button", name="goes on tight").click()
    expect(page.get_by_role("table")).to_contain_text("goes on tight")
    page.keyboard.press("b")
    bench = page.get_by_role("dialog")
    field = bench.get_by_label("What is it over the wires?")
    field.fill("10.9")
    field.press("Enter")
    expect(bench.get_by_role("alert")).to_contain_text("metal does not grow back")
    expect(field).to_have_value("10.9")
    field.fill("10.01")
    field.press("Enter")
    expect(bench).to_contain_text("it is to size")
    bench.get_by_role("button", name="Close").click()
    page.goto("/to-size")
    expect(page.get_by_label("Cuts under way")).to_contain_text("Screw-cut M10")


def test_the_lever_is_practised_against_the_groove(page: Page) -> None:
    page.clock.install()
    page.goto("/practice")
    page.get_by_role("button", name="Stop in the groove").click()
    lever = page.get_by_role("button", name="the half-nuts")
    status = page.get_by_role("status")
    # 142 rev/min of a pitch of 25.4 / 16: the whole tool is in the groove from 4.2 to 5.3 s.
    for ran, verdict in ((2000, "Short"), (4650, "In the groove"), (9000, "Into the shoulder")):
        expect(lever).to_have_text("Close the half-nuts")
        lever.press(" ")
        expect(lever).to_have_text("Open the half-nuts")
        expect(page.locator("[data-part=half-nuts]")).to_have_attribute("data-closed", "true")
        page.clock.run_for(ran)
        if verdict != "Into the shoulder":
            lever.press("Enter")
        expect(status).to_contain_text(re.compile(verdict, re.IGNORECASE))
    expect(status).to_contain_text("1 of 3 in the groove")
    expect(page.locator("[data-part=half-nuts]")).to_have_attribute("data-closed", "false")
