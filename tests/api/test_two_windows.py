"""Two windows on one part, and parts, engines and fits thrown away under each other thing done."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.parts_at import done_to, version_of
from tests.api.test_one_door import writing_routes
from tests.api.test_parts import drawn

PIN = ["face at 0", "face at 24", "outside 8 h7, from 0 to 20, called pin"]
BUSH = ["face at 0", "face at 12", "outside 14, from 0 to 12", "bore 8 H7, from 0 to 12"]


class Pair:
    """A bush and a pin in an engine of their own, routed, and what goes together taken apart."""

    def __init__(self, client: TestClient) -> None:
        self.client = client
        self.engine = client.post("/api/engines", json={"name": "Two windows"}).json()["id"]
        self.part, self.mate = (self._made(name, does) for name, does in self._both())
        lines = client.get(f"/api/parts/{self.part}").json()["route"][0]["lines"]
        self.mark = lines[0]["mark"]
        self.fit = self.say(self.part, version_of(client, self.part)).json()["fits"][0]["id"]

    @staticmethod
    def _both() -> tuple[tuple[str, list[str]], tuple[str, list[str]]]:
        return ("Pin", PIN), ("Bush", BUSH)

    def _made(self, name: str, features: list[str]) -> int:
        path = f"/api/engines/{self.engine}/parts"
        part = int(self.client.post(path, json={"name": name, "metal": "brass"}).json()["id"])
        assert drawn(self.client, part, features).status_code == 200
        assert done_to(self.client, part, "propose", {}).status_code == 200
        return part

    def say(self, part: int, version: int, duty: str = "running") -> Any:
        """That they go together, as a window of ``part`` that saw ``version`` says it."""
        of = {part: version}
        body = {"hole_part": self.mate, "hole_feature": "bore 8", "shaft_part": self.part}
        body |= {"shaft_feature": "pin", "duty": duty}
        for side, one in (("hole", self.mate), ("shaft", self.part)):
            body[f"{side}_version"] = of.get(one) or version_of(self.client, one)
        return self.client.post(f"/api/fits?part={part}", json=body)

    def put(self, part: int, what: str, body: dict[str, Any]) -> Any:
        """Something of a part kept in another's place."""
        return self.client.put(f"/api/parts/{part}/{what}", json=body)

    def post(self, part: int, what: str, body: dict[str, Any]) -> Any:
        """Something done to a part."""
        return self.client.post(f"/api/parts/{part}/{what}", json=body)


Deed = Callable[[Pair, int, int], Any]
"""Something done to a part of a pair by a window that saw a version of it."""


def _draw(pair: Pair, part: int, version: int) -> Any:
    lines = PIN if part == pair.part else BUSH
    body = {"version": version, "metal": "brass", "blank": "bar 25", "sure": True}
    shown = pair.client.get(f"/api/parts/{part}").json()
    body |= {"features": lines, "notes": ["As last drawn"], "tries": shown.get("tries", {})}
    return pair.put(part, "drawn", body)


def _route(pair: Pair, part: int, version: int) -> Any:
    return pair.put(
        part,
        "route",
        {"version": version, "set_ups": [], "overruled": {"face-before-centre": "why"}},
    )


def _measure(pair: Pair, part: int, version: int) -> Any:
    feature = "pin" if part == pair.part else "bore 8"
    return pair.post(part, "measure", {"version": version, "feature": feature, "reading": "8.01"})


DEEDS: dict[str, Deed] = {
    "PUT /api/parts/{part_id}/drawn": _draw,
    "PUT /api/parts/{part_id}/route": _route,
    "POST /api/parts/{part_id}/propose": lambda p, n, v: p.post(n, "propose", {"version": v}),
    "POST /api/parts/{part_id}/tick": lambda p, n, v: p.post(
        n, "tick", {"version": v, "mark": p.mark, "done": True}
    ),
    "POST /api/parts/{part_id}/measure": _measure,
    "POST /api/fits": lambda p, n, v: p.say(n, v, duty="precision"),
}
ELSEWHERE = {
    "PATCH /api/parts/{part_id}": lambda p: p.client.patch(
        f"/api/parts/{p.part}", json={"name": "Long pin"}
    ),
    "DELETE /api/fits/{fit_id}": lambda p: p.client.delete(f"/api/fits/{p.fit}"),
}
"""What changes a part without being shown the whole of it."""
OTHERS = {
    # A crank's, tried for itself below; its own tests make one.
    "POST /api/parts/{part_id}/school",
    # Thrown away and back: tried below with every deed, in both orders.
    "DELETE /api/parts/{item}",
    "POST /api/parts/{item}/back",
    "POST /api/fits/{fit_id}/back",
}


def test_every_route_that_changes_a_part_is_one_of_these(client: TestClient) -> None:
    of_parts = {r for r in writing_routes(client) if "/api/parts/{" in r or "/api/fits" in r}
    assert of_parts == {*DEEDS, *ELSEWHERE, *OTHERS}


@pytest.mark.parametrize("second", DEEDS)
def test_no_window_writes_past_another(empty_client: TestClient, second: str) -> None:
    client = empty_client
    pair = Pair(client)
    for first, deed in DEEDS.items():
        seen = version_of(client, pair.part)
        if first == "POST /api/parts/{part_id}/tick":
            done_to(client, pair.part, "tick", {"mark": pair.mark, "done": False})
            seen = version_of(client, pair.part)
        if first == "POST /api/parts/{part_id}/measure":
            done_to(client, pair.part, "measure", {"feature": "pin", "reading": ""})
            seen = version_of(client, pair.part)
        if first == "POST /api/fits":
            client.delete(f"/api/fits/{pair.fit}")
            seen = version_of(client, pair.part)
        assert deed(pair, pair.part, seen).status_code == 200, first
        stands = client.get(f"/api/parts/{pair.part}").json()
        late = DEEDS[second](pair, pair.part, seen)
        if first == second and late.status_code == 200:
            # The same said twice stands as it stood: nothing was written over.
            assert late.json() == stands
            continue
        if late.status_code == 200:
            # What stood so already is answered as it stands.
            assert late.json()["version"] == stands["version"]
            continue
        assert late.status_code == 409, (first, late.text)
        assert late.json()["theirs"]["version"] == stands["version"]
        assert client.get(f"/api/parts/{pair.part}").json() == stands


@pytest.mark.parametrize("second", DEEDS)
def test_taken_apart_or_renamed_elsewhere_nothing_of_it_is_undone(
    empty_client: TestClient, second: str
) -> None:
    client = empty_client
    pair = Pair(client)
    seen = version_of(client, pair.part)
    assert ELSEWHERE["PATCH /api/parts/{part_id}"](pair).status_code == 200
    assert DEEDS[second](pair, pair.part, seen).status_code == 200
    assert client.get(f"/api/parts/{pair.part}").json()["name"] == "Long pin"
    seen = version_of(client, pair.part)
    assert ELSEWHERE["DELETE /api/fits/{fit_id}"](pair).status_code == 204
    assert DEEDS[second](pair, pair.part, seen).status_code in (200, 409)
    after = client.get(f"/api/parts/{pair.part}").json()
    assert after["fits"] == []
    assert after["tries"] == {}


def test_two_windows_take_a_crank_two_ways_and_one_is_told(client: TestClient) -> None:
    names = {p["name"]: p["id"] for e in client.get("/api/engines").json() for p in e["parts"]}
    crank = next(n for name, n in names.items() if "rank" in name and _asks(client, n))
    seen = version_of(client, crank)
    body = {"version": seen, "school": "crank"}
    assert (
        client.post(f"/api/parts/{crank}/school", json=body | {"way": "solid"}).status_code == 204
    )
    late = client.post(f"/api/parts/{crank}/school", json=body | {"way": "built"})
    assert late.status_code == 409
    assert late.json()["theirs"]["drawn"]["schools"] == {"crank": "solid"}


def _asks(client: TestClient, part: int) -> bool:
    return bool(client.get(f"/api/parts/{part}/schools").json())


# Thrown away under each other thing

THROWN = ("part", "engine", "fit")


def _throw(pair: Pair, what: str, back: bool = False) -> None:
    path = {
        "part": f"/api/parts/{pair.mate}",
        "engine": f"/api/engines/{pair.engine}",
        "fit": f"/api/fits/{pair.fit}",
    }[what]
    answer = pair.client.post(f"{path}/back") if back else pair.client.delete(path)
    assert answer.status_code == 204, answer.text


def _pages(pair: Pair) -> dict[str, Any]:
    """Every page that shows something of the pair, as it stands; or why it does not."""
    mine, whole = f"/api/parts/{pair.part}", f"/api/engines/{pair.engine}"
    paths = (mine, f"{mine}/schools", f"{whole}/work", f"{whole}/wanted", f"{whole}/file")
    everywhere = ("/api/engines", "/api/tonight", "/api/slate", "/api/cuts", "/api/mates")
    told = {}
    for path in (*paths, f"/api/parts/{pair.mate}", *everywhere):
        answer = pair.client.get(path)
        assert answer.status_code in (200, 422), (path, answer.text)
        told[path] = answer.json() if answer.status_code == 200 else answer.status_code
    return told


@pytest.mark.parametrize("what", THROWN)
@pytest.mark.parametrize("deed", DEEDS)
def test_thrown_away_while_something_is_done_and_back_it_is_whole(
    empty_client: TestClient, what: str, deed: str
) -> None:
    client = empty_client
    pair = Pair(client)
    for first_thrown in (True, False):
        before = _pages(pair)
        mine = version_of(client, pair.part)
        if first_thrown:
            _throw(pair, what)
            gone = _pages(pair)
            if what == "engine":
                # Nothing of it is there, and nothing of it can be written.
                shut = [p for p, told in gone.items() if told == 422]
                assert len(shut) == 6, shut
                assert DEEDS[deed](pair, pair.part, mine).status_code == 422
                assert DEEDS[deed](pair, pair.mate, mine).status_code == 422
            else:
                assert gone[f"/api/parts/{pair.part}"]["fits"] == []
                if what == "part":
                    theirs = DEEDS[deed](pair, pair.mate, mine)
                    assert theirs.status_code == 422, theirs.text
                if deed != "POST /api/fits":
                    version = version_of(client, pair.part)
                    done = DEEDS[deed](pair, pair.part, version)
                    assert done.status_code == 200, done.text
        else:
            DEEDS[deed](pair, pair.part, mine)
            stands = _pages(pair)
            _throw(pair, what)
            _pages(pair)
        _throw(pair, what, back=True)
        after = _pages(pair)
        fits = [one["id"] for one in after[f"/api/parts/{pair.part}"]["fits"]]
        assert (
            fits == [one["id"] for one in before[f"/api/parts/{pair.part}"]["fits"]] == [pair.fit]
        )
        if not first_thrown:
            # Of a part or an engine nothing was touched; a fit back raises both its parts.
            same = _plain(after) == _plain(stands)
            assert same, what


def _plain(pages: dict[str, Any]) -> dict[str, Any]:
    return {
        path: {k: v for k, v in told.items() if k != "version"} if isinstance(told, dict) else told
        for path, told in pages.items()
    }
