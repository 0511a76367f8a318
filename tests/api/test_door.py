"""The tablet's door: the pass-phrase, limited tries, sessions, foreign hosts and origins."""

from __future__ import annotations

import threading
import urllib.error
import urllib.request
from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from hypothesis import given
from hypothesis import strategies as st

from runk.api.app import create_app
from runk.api.door import (
    COOKIE,
    EVERYBODY_S,
    EVERYBODY_TRIES,
    FREE_TRIES,
    LONGEST_WAIT_S,
    SESSION_S,
    Door,
    Wait,
    check_phrase,
    made_up_phrase,
    token_of,
)
from runk.api.guard import LOCAL_HOSTS
from runk.core.refusals import Refused
from runk.server import lan_host, listening
from runk.store.database import Store
from tests.api.test_serving import started
from tests.browser.serving import free_port

PHRASE = "Brass collet swarf"
PLAIN = check_phrase(PHRASE)
HOST = "192.168.1.20"
SHUT = Door(PHRASE)


class Clock:
    """Time that passes when told to."""

    def __init__(self) -> None:
        self.now = 1000.0

    def __call__(self) -> float:
        return self.now


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture
def door(clock: Clock) -> Door:
    return Door(PHRASE, clock)


@pytest.fixture
def tablet(filled: Store, door: Door) -> Iterator[TestClient]:
    app = create_app(filled, hosts=LOCAL_HOSTS | {HOST}, door=door, address=f"http://{HOST}:8765")
    with TestClient(app, base_url=f"http://{HOST}:8765") as one:
        yield one


def _sign_in(tablet: TestClient, phrase: str = PHRASE) -> int:
    return tablet.post("/api/sign-in", json={"phrase": phrase}).status_code


def test_nothing_is_answered_before_the_pass_phrase(tablet: TestClient) -> None:
    for path in ("/api/slate", "/api/machines", "/api/sheet/pdf", "/api/tablet", "/api/tablet/qr"):
        assert tablet.get(path).status_code == 401, path
    assert tablet.post("/api/ask", json={"line": "turn 22 brass"}).status_code == 401
    assert tablet.get("/api/nowhere").status_code == 401
    assert tablet.get("/api/alive").status_code == 200


def test_signed_in_it_answers_and_signed_out_the_cookie_is_worth_nothing(
    tablet: TestClient,
) -> None:
    assert _sign_in(tablet, "  brass COLLET   swarf ") == 204
    assert len(tablet.get("/api/slate").json()) == 3
    assert tablet.get("/api/tablet").json() == {"lan": True, "address": f"http://{HOST}:8765"}
    kept = tablet.cookies[COOKIE]
    assert tablet.post("/api/sign-out").status_code == 204
    assert COOKIE not in tablet.cookies
    replayed = tablet.get("/api/slate", headers={"cookie": f"{COOKIE}={kept}"})
    assert replayed.status_code == 401


def test_the_cookie_is_kept_from_scripts_and_other_pages(tablet: TestClient) -> None:
    answer = tablet.post("/api/sign-in", json={"phrase": PHRASE})
    cookie = answer.headers["set-cookie"].lower()
    assert "httponly" in cookie
    assert "samesite=strict" in cookie
    assert PHRASE.lower() not in cookie


def test_a_thousand_wrong_pass_phrases_are_hardly_looked_at(
    tablet: TestClient, door: Door, monkeypatch: pytest.MonkeyPatch
) -> None:
    looked = []
    real = door._hashed
    monkeypatch.setattr(door, "_hashed", lambda plain: (looked.append(plain), real(plain))[1])
    codes = [_sign_in(tablet, f"wrong number {n}") for n in range(1000)]
    assert codes[:FREE_TRIES] == [401] * FREE_TRIES
    assert set(codes[FREE_TRIES:]) == {429}
    assert len(looked) == FREE_TRIES
    # Even the right one is not looked at until the wait is over.
    refused = tablet.post("/api/sign-in", json={"phrase": PHRASE})
    assert refused.status_code == 429
    assert int(refused.headers["retry-after"]) >= 1
    assert "Try again in" in refused.json()["detail"]


def test_waiting_lets_one_more_try_and_each_wait_is_longer(door: Door, clock: Clock) -> None:
    for _ in range(FREE_TRIES):
        assert door.enter("not it at all", "a") is None
    waits = []
    for _ in range(12):
        with pytest.raises(Wait) as wait:
            door.enter(PHRASE, "a")
        waits.append(wait.value.seconds)
        clock.now += wait.value.seconds
        assert door.enter("not it at all", "a") is None
    assert waits == sorted(waits)
    assert waits[-1] <= LONGEST_WAIT_S
    clock.now += LONGEST_WAIT_S
    assert door.enter(PHRASE, "a") is not None
    assert door.enter("a slip of the finger", "a") is None


def test_many_addresses_together_are_slowed_too(
    door: Door, clock: Clock, monkeypatch: pytest.MonkeyPatch
) -> None:
    # What is slow on purpose is not what is asked about here.
    right = door._hash
    monkeypatch.setattr(Door, "_hashed", lambda _, plain: right if plain == PLAIN else b"no")
    for n in range(EVERYBODY_TRIES):
        assert door.enter("not it at all", f"10.0.0.{n}") is None
    with pytest.raises(Wait):
        door.enter(PHRASE, "10.0.1.1")
    clock.now += EVERYBODY_S + 1
    assert door.enter(PHRASE, "10.0.1.1") is not None


def test_tries_at_the_same_moment_are_all_counted(door: Door) -> None:
    outcomes: list[str] = []

    def attempt() -> None:
        try:
            door.enter("not it at all", "a")
            outcomes.append("looked at")
        except Wait:
            outcomes.append("waits")

    threads = [threading.Thread(target=attempt) for _ in range(40)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert outcomes.count("looked at") == FREE_TRIES


def test_a_session_ends_by_itself(door: Door, clock: Clock) -> None:
    token = door.enter(PHRASE, "a")
    assert token is not None
    assert door.knows(token)
    clock.now += SESSION_S + 1
    assert not door.knows(token)
    assert not door.knows("")


@pytest.mark.parametrize(
    ("headers", "status"),
    [
        ({"host": "evil.example"}, 400),
        ({"host": f"{HOST}.evil.example"}, 400),
        ({"origin": "http://evil.example"}, 403),
        ({"origin": f"http://{HOST}:1"}, 403),
        ({"origin": "null"}, 403),
        ({"sec-fetch-site": "cross-site"}, 403),
    ],
)
def test_foreign_pages_may_not_even_try(
    tablet: TestClient, headers: dict[str, str], status: int
) -> None:
    answer = tablet.post("/api/sign-in", json={"phrase": PHRASE}, headers=headers)
    assert answer.status_code == status
    assert "set-cookie" not in answer.headers


@given(st.text(max_size=80))
def test_no_cookie_header_opens_or_breaks_the_door(text: str) -> None:
    assert not SHUT.knows(token_of(text))
    assert not SHUT.knows(token_of(f"{COOKIE}={text}"))


@pytest.mark.parametrize("phrase", ["", "short", "   a   b   ", "x" * 201])
def test_a_pass_phrase_that_keeps_nobody_out_is_refused(phrase: str) -> None:
    with pytest.raises(Refused):
        Door(phrase)


def test_made_up_phrases_differ_and_are_accepted() -> None:
    made = {made_up_phrase() for _ in range(50)}
    assert len(made) == 50
    assert all(check_phrase(phrase) == phrase for phrase in made)


@pytest.mark.parametrize("given", ["8.8.8.8", "0.0.0.0", "224.0.0.1", "::1", "workshop", "1.2.3"])
def test_only_an_address_of_ones_own_is_served(given: str) -> None:
    with pytest.raises(Refused):
        lan_host(given)


def test_both_places_share_one_port() -> None:
    sockets = listening(free_port(), ("127.0.0.1", "127.0.0.2"))
    ports = {one.getsockname()[1] for one in sockets}
    for one in sockets:
        one.close()
    assert len(sockets) == 2
    assert len(ports) == 1


def test_started_for_real_it_is_locked_and_without_a_phrase_it_does_not_start(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setenv("RUNK_PASSPHRASE", PHRASE)
    lan = ("--lan", "--address", "127.0.0.1")
    with started(tmp_path, "serve", free_port(), *lan) as address:
        with pytest.raises(urllib.error.HTTPError) as locked:
            urllib.request.urlopen(f"{address}/api/slate", timeout=20)
        assert locked.value.code == 401
    monkeypatch.setenv("RUNK_PASSPHRASE", "short")
    with pytest.raises(AssertionError), started(tmp_path, "serve", free_port(), *lan):
        pass
