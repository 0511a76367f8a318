"""Any calculator at the shell by its name: what is typed, what is printed, where it leads."""

from __future__ import annotations

import json
import shlex
from typing import Any

import pytest

from runk.cli import main
from runk.cli_calc import answered, not_asked, typed_fields
from runk.core.catalogue import CATALOGUE
from runk.core.plain import plain
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP


def printed(capsys: pytest.CaptureFixture[str], *arguments: str) -> dict[str, Any]:
    """The JSON document ``runk calc`` prints."""
    main(["calc", *arguments, "--json"])
    document: dict[str, Any] = json.loads(capsys.readouterr().out)
    return document


def document_of(name: str, typed: dict[str, str], page: PageUnit = PageUnit.MM) -> dict[str, Any]:
    """What it would print, without a shell."""
    calculator = CATALOGUE[name]
    read = read_question(calculator, typed, page, WORKSHOP)
    answer = calculator.ask(read.question, WORKSHOP)
    said = sentence(calculator, read, page, WORKSHOP)
    return answered(calculator, read.question, answer, said, page)


def test_a_press_fit_is_asked_field_by_field(capsys: pytest.CaptureFixture[str]) -> None:
    document = printed(capsys, "press", "size=22 mm", "hub=40", "--unit", "mm")
    assert document["calculator"] == "press"
    assert document["question"]["size"] == 22
    assert document["read_as"].startswith("A press fit of 22 mm")
    torque = document["figures"]["torque_nm"]
    assert torque["value"] == document["answer"]["torque_nm"]
    assert torque["unit"] == "N·m"
    assert torque["shown"].endswith("N·m")
    assert any(said.startswith("Mind the push") for said in document["cautions"])
    assert {"calculator", "question", "reason"} == set(document["links"][0])
    assert main(["calc", "press", "size=22 mm", "hub=40"]) == 0
    said = capsys.readouterr().out
    assert document["read_as"] in said
    assert torque["shown"] in said


def test_a_bare_number_is_of_the_unit_named(capsys: pytest.CaptureFixture[str]) -> None:
    document = printed(capsys, "press", "size=1", "--unit", "inch")
    assert document["question"]["size"] == pytest.approx(25.4)


def test_what_another_choice_would_ask_is_said_to_be_left(
    capsys: pytest.CaptureFixture[str],
) -> None:
    calculator = CATALOGUE["plan"]
    typed = {**calculator.opening, "bar": "8"}
    assert not_asked(calculator, typed, PageUnit.MM, WORKSHOP) == ["bar=8"]
    main(["calc", "plan", *(f"{k}={v}" for k, v in typed.items())])
    assert "Not asked of this: bar=8." in capsys.readouterr().out


@pytest.mark.parametrize(
    ("arguments", "says", "suggest"),
    [
        (["prss", "size=22"], "no calculator called prss", "runk calc press"),
        (["press", "22"], "no field and its value", "size=11 mm"),
        (["press", "hubb=40"], "press asks no hubb", "hub=40"),
        (["press", "size=22", "size=23"], "size is said twice", None),
        (["press", "size=1 3/"], "unfinished fraction", "1 3/16"),
        (["press", "hub=40"], "", None),
    ],
)
def test_what_cannot_be_read_is_said_with_what_to_type(
    capsys: pytest.CaptureFixture[str], arguments: list[str], says: str, suggest: str | None
) -> None:
    document = printed(capsys, *arguments)
    assert set(document) == {"error", "field", "suggest"}
    assert says in document["error"]
    if suggest:
        assert document["suggest"] == suggest
    assert main(["calc", *arguments]) == 1
    assert document["error"] in capsys.readouterr().err


def test_a_name_alone_lists_what_it_asks_and_none_lists_them_all(
    capsys: pytest.CaptureFixture[str],
) -> None:
    assert main(["calc"]) == 0
    listed = capsys.readouterr().out.splitlines()
    assert [line.split()[0] for line in listed] == list(CATALOGUE)
    for name, calculator in CATALOGUE.items():
        assert main(["calc", name]) == 0
        said = capsys.readouterr().out.splitlines()
        assert [line.split()[0] for line in said[2 : 2 + len(calculator.fields)]] == list(
            calculator.fields
        )
        # The example is one that can be pasted.
        assert shlex.split(said[-1]) == ["runk", "calc", name] + [
            f"{k}={v}" for k, v in calculator.opening.items()
        ]


@pytest.mark.parametrize("name", [name for name, c in CATALOGUE.items() if c.opening])
def test_every_figure_has_its_unit_and_every_link_its_question(name: str) -> None:
    calculator = CATALOGUE[name]
    document = document_of(name, dict(calculator.opening))
    json.dumps(document, allow_nan=False)
    for at, figure in document["figures"].items():
        assert figure["shown"], at
        if at.endswith(("depth_mm", "size_mm", "long_mm")):
            assert figure["unit"] == "mm", at
    # Two there are that answer in words alone.
    assert document["figures"] or name in ("why", "pair")
    for link in document["links"]:
        pairs = [f"{k}={v}" for k, v in link["question"].items()]
        there = CATALOGUE[link["calculator"]]
        # What a link hands on can be typed at the shell as it stands.
        typed = typed_fields(there, pairs)
        assert typed == link["question"]
        assert not_asked(there, typed, PageUnit.MM, WORKSHOP) == [], (name, link["calculator"])
        try:
            document_of(link["calculator"], typed)
        except Refused as refused:
            assert refused.says, link


def test_a_figure_in_a_table_says_where_it_stands() -> None:
    document = document_of("circle", dict(CATALOGUE["circle"].opening))
    rows = [at for at in document["figures"] if "[" in at]
    assert rows
    table, rest = rows[-1].split("[", 1)
    at, key = rest.split("].", 1)
    assert document["answer"][table][int(at)][key] == plain(document["figures"][rows[-1]]["value"])
