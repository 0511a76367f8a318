"""What an older Runk kept is still there, and is asked again as it was meant."""

from __future__ import annotations

import gzip
from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction
from pathlib import Path
from typing import Annotated, Any

import pytest
from fastapi.testclient import TestClient

from runk.api.app import create_app
from runk.core.calculator import Catalogue
from runk.core.kinds import Length
from runk.store.database import Store
from tests.made_up import FENCE, FenceAnswer, fence

KEPT = Path(__file__).parents[1] / "fixtures" / "slate-before-described-answers.sqlite3.gz"


@pytest.fixture
def old(tmp_path: Path) -> Iterator[Store]:
    """A file written before answers described themselves: one item of every calculator there was."""
    file = tmp_path / "old.sqlite3"
    file.write_bytes(gzip.decompress(KEPT.read_bytes()))
    store = Store(f"sqlite:///{file}")
    store.migrate()
    yield store
    store.close()


def test_every_old_item_is_reopened_and_answered(old: Store) -> None:
    with TestClient(create_app(old)) as client:
        items = client.get("/api/slate").json()
        assert len(items) == 19
        for item in items:
            reply = client.post(f"/api/calc/{item['calculator']}", json=item["question"])
            assert reply.status_code == 200, reply.text
            assert reply.json()["question"] == item["question"]
            assert reply.json()["headline"]


def _upgrade(typed: dict[str, Any], version: int) -> dict[str, Any]:
    assert version == 1
    return {("across" if name == "wide" else name): value for name, value in typed.items()}


def test_a_question_of_an_older_shape_is_brought_up_to_date(filled: Store) -> None:
    with TestClient(create_app(filled, catalogue=Catalogue([FENCE]))) as client:
        body = {"keep_key": "fence-of-old", "calculator": "fence", "question": {"wide": "40 mm"}}
        assert client.post("/api/slate", json=body).status_code == 201

    def answer(question: Any, _: None) -> FenceAnswer:
        old_shape = type(
            "Old", (), {"wide": question.across, "nought": Fraction(0), "side": "left"}
        )
        return fence(old_shape, None)  # type: ignore[arg-type]

    now: Any = replace(
        FENCE,
        question=_only_across(),
        compute=answer,
        version=2,
        upgrade=_upgrade,
        sentences={"": "A fence {across} wide"},
        opening={"across": "40 mm"},
    )
    with TestClient(create_app(filled, catalogue=Catalogue([now]))) as client:
        item = next(i for i in client.get("/api/slate").json() if i["calculator"] == "fence")
        assert item["question"] == {"across": "40 mm"}
        assert client.post("/api/calc/fence", json=item["question"]).status_code == 200


def _only_across() -> type[Any]:
    @dataclass(frozen=True, slots=True)
    class Across:
        across: Annotated[Fraction, Length("width")]

    Across.__annotations__ = {"across": Annotated[Fraction, Length("width")]}
    return Across
