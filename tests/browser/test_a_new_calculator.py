"""A calculator nobody has seen before gets all there is, with no other file touched."""

from __future__ import annotations

import threading
from collections.abc import Iterator

import pytest
import uvicorn
from fastapi.testclient import TestClient
from playwright.sync_api import Browser, expect

from runk.api.app import create_app
from runk.ask import ask
from runk.cli import document_for, spoken
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.store.database import Store
from tests.browser.serving import free_port
from tests.made_up import WITH_FENCE


def test_it_is_asked_in_a_line_and_prints_its_table(workshop: Workshop) -> None:
    asked = ask("fence 40 wide rightward", workshop, PageUnit.MM, WITH_FENCE)
    assert asked.calculator.name == "fence"
    said = "\n".join(spoken(asked, PageUnit.MM))
    assert "From post to post                  10.00 mm" in said
    assert "post 4  -40.00 mm" in said
    document = document_for("fence 1 1/2 wide", workshop, PageUnit.MM, WITH_FENCE)
    assert document["answer"]["posts"][4] == {"name": "post 4", "at_mm": pytest.approx(38.1)}


def test_its_words_change_no_other_line(workshop: Workshop) -> None:
    for line in ("turn 22mm silver steel hss", "tap M4 brass", "from 16 to 14.5"):
        assert ask(line, workshop, PageUnit.MM, WITH_FENCE).read_as == ask(line, workshop).read_as


def test_it_has_its_route_its_types_and_a_place_on_the_slate(filled: Store) -> None:
    with TestClient(create_app(filled, catalogue=WITH_FENCE)) as client:
        reply = client.post("/api/calc/fence", json={"wide": "40", "nought": -5}).json()
        assert [p["at_mm"]["shown"] for p in reply["answer"]["posts"]][:2] == ["-5.00", "5.00"]
        described = client.get("/openapi.json").json()
        assert "/api/calc/fence" in described["paths"]
        assert described["components"]["schemas"]["FenceAnswerWire"]["required"] == [
            "step_mm",
            "says",
            "posts",
        ]
        kept = {"keep_key": "a-fence-kept", "calculator": "fence", "question": {"wide": "40"}}
        assert client.post("/api/slate", json=kept).json()["headline"] == "every 10.00 mm"
        assert client.get("/fence").status_code == 200


@pytest.fixture
def fenced(filled: Store) -> Iterator[str]:
    """A server whose catalogue has one calculator more."""
    port = free_port()
    app = create_app(filled, catalogue=WITH_FENCE)
    server = uvicorn.Server(uvicorn.Config(app, port=port, log_level="error", ws="none"))
    thread = threading.Thread(target=server.run, daemon=True)
    thread.start()
    while not server.started:
        thread.join(0.02)
    yield f"http://127.0.0.1:{port}"
    server.should_exit = True
    thread.join()


@pytest.mark.browser
def test_it_has_a_working_room(chromium: Browser, fenced: str) -> None:
    context = chromium.new_context(base_url=fenced, viewport={"width": 1280, "height": 800})
    page = context.new_page()
    page.goto("/fence")
    room = page.locator("#room")
    expect(room).to_contain_text("From post to post")
    expect(page.get_by_role("navigation", name="Rooms").first).to_contain_text("Fence")
    expect(page.get_by_role("row").filter(has_text="post 4")).to_contain_text("35.00 mm")
    page.get_by_label("nought").fill("2")
    page.get_by_role("combobox", name="side").click()
    page.get_by_role("option", name="the right").click()
    expect(page.get_by_role("row").filter(has_text="post 4")).to_contain_text("-38.00 mm")
    page.get_by_label("width").fill("-4")
    expect(page.get_by_role("alert")).to_contain_text("less than nothing")
    page.get_by_label("width").fill("80")
    page.get_by_role("button", name="Keep this").click()
    expect(page.get_by_text("Kept: every 20.00 mm")).to_be_visible()
    page.get_by_role("button", name="Bench view").click()
    expect(page.get_by_role("dialog")).to_contain_text("20.00")
    context.close()
