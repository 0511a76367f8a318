"""An evening over every part there is: the best that fits, from what is known since the last change."""

from __future__ import annotations

import itertools
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import given
from hypothesis import strategies as st

from runk.api import shelf
from runk.core.route.tonight import Ready, tonight
from tests.api.parts_at import done_to
from tests.cases import cases

UPS = st.lists(st.tuples(st.floats(0.5, 60), st.integers(1, 9)), max_size=4)


@cases(120)
@given(st.lists(UPS, max_size=5), st.integers(1, 130))
def test_no_choice_of_beginnings_brings_more_than_the_evening_told(
    parts: list[list[tuple[float, int]]], minutes: int
) -> None:
    rows = [
        [Ready(p, n, takes, brings) for n, (takes, brings) in enumerate(ups, 1)]
        for p, ups in enumerate(parts)
    ]
    best = 0
    for ends in itertools.product(*(range(len(row) + 1) for row in rows)):
        taken = [one for row, end in zip(rows, ends, strict=True) for one in row[:end]]
        # Each is begun on a whole minute.
        if sum(-int(-one.minutes // 1) for one in taken) <= minutes:
            best = max(best, sum(one.brings for one in taken))
    told = tonight(rows, minutes)
    assert sum(one.brings for one in told) == best
    assert sum(-int(-one.minutes // 1) for one in told) <= minutes
    # Of every part a beginning, in its order.
    for row in rows:
        mine = [one for one in told if one in row]
        assert mine == row[: len(mine)]


def test_only_what_changed_is_worked_out_anew(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    worked: list[Any] = []

    real = shelf.evening_of

    def once(row: Any, workshop: Any) -> Any:
        worked.append(row.id)
        return real(row, workshop)

    monkeypatch.setattr(shelf, "evening_of", once)

    def asked() -> tuple[Any, list[Any]]:
        worked.clear()
        return client.get("/api/tonight?minutes=600").json(), list(worked)

    first, _ = asked()
    assert asked() == (first, [])
    part = first["rows"][0]["part_id"]
    lines = [x for up in client.get(f"/api/parts/{part}").json()["route"] for x in up["lines"]]
    mark = next(x["mark"] for x in lines if not x["done"])
    done_to(client, part, "tick", {"mark": mark, "done": True})
    after, anew = asked()
    assert anew == [part]
    assert after != first
    # Renamed it is another line of the list; what another engine is called is nothing to it.
    client.patch(f"/api/parts/{part}", json={"name": "Renamed"})
    told, anew = asked()
    assert anew == [part]
    assert "Renamed" in {row["part"] for row in told["rows"]}
    # A machine changed may change every belt: all of it is worked out in another workshop.
    kept = client.get("/api/machines").json()["machines"][0]
    machine = {**kept["machine"], "name": "Another name"}
    body = {"machine": machine, "version": kept["version"]}
    assert client.put(f"/api/machines/{machine['key']}", json=body).status_code == 200
    assert len(asked()[1]) > 10
