"""The wall sheet: every cell says what ``speed`` says; it prints large and reads back."""

from __future__ import annotations

import csv
import io
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pypdf import PdfReader

from runk.ask import ask
from runk.core.catalogue import CATALOGUE
from runk.core.cutting.operations import FACTS, Operation
from runk.core.cutting.question import SpeedQuestion, Tool
from runk.core.cutting.sheet import SheetAnswer, SheetQuestion, needs, sheet
from runk.core.cutting.speed import needs as speed_needs
from runk.core.cutting.speed import speed
from runk.core.kinds import Lengths, OfMetals
from runk.core.lengths.several import read_lengths
from runk.core.machines.choose import School
from runk.core.machines.machine import Drive, Holding, Limit, Machine, Range, SpeedStep
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import LATHE, MILL, WORKSHOP
from runk.formats.sheet_csv import sheet_csv
from runk.formats.sheet_pdf import SMALLEST_MARK, Paper, lay_out, sheet_pdf
from tests.cases import cases

OPERATIONS = [Operation(c.key) for c in CATALOGUE["sheet"].fields["operation"].choices]
VARIABLE = replace(
    LATHE,
    key="vari",
    name="Vari",
    steps=(),
    drive=Drive.VARIABLE,
    ranges=(Range("low", 50.0, 500.0), Range("high", 400.0, 2500.0)),
)
ONE_SPEED = replace(LATHE, key="one", name="One", steps=(SpeedStep("1", "", 700.0),), limits=())
SHOP = Workshop((LATHE, MILL, VARIABLE, ONE_SPEED))


def _sheet(workshop: Workshop = SHOP, **asked: object) -> SheetAnswer:
    question = SheetQuestion(**asked)  # type: ignore[arg-type]
    return sheet(question, needs(question, workshop))


@cases(60)
@given(
    st.sampled_from(OPERATIONS),
    st.sampled_from(list(Tool)),
    st.sampled_from([s for s in School if s is not School.SLOWEST]),
    st.sampled_from([LATHE, MILL, VARIABLE, ONE_SPEED]),
    st.lists(st.integers(2, 900).map(lambda n: Fraction(n, 10)), min_size=1, max_size=5),
)
def test_every_cell_says_what_the_calculator_says(
    operation: Operation, tool: Tool, school: School, machine: Machine, sizes: list[Fraction]
) -> None:
    if machine.kind not in FACTS[operation].machines:
        return
    answer = _sheet(
        operation=operation,
        tool=tool,
        school=school,
        machine=machine.name,
        sizes=tuple(sizes),
        metals=("brass", "gauge-plate", "grey-iron-skin"),
    )
    names = {m.mark: m.position for m in answer.marks}
    for row in answer.rows:
        for column, cell in zip(answer.columns, row.cells, strict=True):
            asked = SpeedQuestion(
                row.metal,
                Fraction(str(column.mm)),
                operation,
                tool,
                machine=machine.name,
                school=school,
                bar=None,
            )
            told = speed(asked, speed_needs(asked, SHOP))
            assert cell.rpm == pytest.approx(told.set_rpm.value)
            if machine.steps:
                assert names[cell.mark] == told.position
            if school is not School.NEAREST:
                too_fast = told.set_rpm.value > told.target_rpm.value * 1.15 * (1 + 1e-9)
                assert (cell.state == "fast") == too_fast


def test_a_machine_with_one_speed_says_whether_it_suits() -> None:
    answer = _sheet(machine="One", metals=("gauge-plate", "brass", "aluminium-6082"))
    states = {cell.state for row in answer.rows for cell in row.cells}
    assert states == {"ok", "fast", "slow"}
    assert {cell.mark for row in answer.rows for cell in row.cells} == {"1"}
    assert "has one speed" in answer.notes[0]


def test_what_does_not_swing_is_a_dash() -> None:
    answer = _sheet(machine="Lathe", sizes=(Fraction(20), Fraction(181)))
    assert {row.cells[1].state for row in answer.rows} == {"no"}
    assert any("does not fit" in note for note in answer.notes)


def test_a_holding_too_slow_for_every_step_is_refused() -> None:
    fast = replace(ONE_SPEED, limits=(Limit(Holding.FACEPLATE, 300.0),))
    with pytest.raises(Refused, match="300 rev/min at most"):
        _sheet(Workshop((fast,)), held=Holding.FACEPLATE)


def test_positions_that_look_alike_are_numbered() -> None:
    gears = ("low", "lower", "top")
    steps = tuple(SpeedStep("A", g, 100.0 * n) for n, g in enumerate(gears, 1))
    alike = replace(LATHE, steps=steps, limits=())
    answer = _sheet(Workshop((alike,)))
    assert {m.mark for m in answer.marks} <= {"1", "2", "3"}
    assert len({m.position for m in answer.marks}) == len(answer.marks)


@pytest.mark.parametrize("paper", list(Paper))
@pytest.mark.parametrize("machine", ["Lathe", "Vari"])
def test_it_prints_with_every_mark_large_enough_for_two_metres(paper: Paper, machine: str) -> None:
    answer = _sheet(machine=machine)
    layout = lay_out(answer, paper)
    assert layout.mark >= SMALLEST_MARK
    read = PdfReader(io.BytesIO(sheet_pdf(answer, paper)))
    assert {tuple(round(float(x)) for x in p.mediabox[2:]) for p in read.pages} == {
        (842, 595) if paper is Paper.A4 else (792, 612)
    }
    printed = " ".join(page.extract_text() for page in read.pages)
    for row in answer.rows:
        assert row.name.replace(" ", "") in printed.replace("\n", "").replace(" ", "")
    for mark in answer.marks:
        assert f"{mark.mark} = {mark.position}" in printed


@given(st.integers(1, 45), st.integers(1, 60))
@cases(25)
def test_any_sheet_lays_out_on_paper(metals: int, sizes: int) -> None:
    keys = tuple(WORKSHOP.metals)[: min(metals, 20)]
    answer = _sheet(metals=keys, sizes=tuple(map(Fraction, range(1, sizes + 1))))
    layout = lay_out(answer, Paper.A4)
    wide, high = layout.size
    assert layout.columns * layout.column_wide < wide
    assert layout.rows * layout.row_high < high
    assert layout.mark >= SMALLEST_MARK


def test_the_csv_reads_back_as_the_same_sheet() -> None:
    answer = _sheet(machine="Lathe", sizes=(Fraction("6.35"), Fraction(100), Fraction(300)))
    table = list(csv.reader(io.StringIO(sheet_csv(answer))))
    assert table[0] == ["metal", "m/min", "6.35 mm", "100 mm", "300 mm"]
    names = {m.mark: m.position for m in answer.marks}
    for row, line in zip(answer.rows, table[1:], strict=True):
        assert line[0] == row.name
        assert float(line[1]) == row.surface_speed_m_min.value
        for cell, said in zip(row.cells, line[2:], strict=True):
            fast = " (too fast)" if cell.state == "fast" else ""
            assert said == ("" if cell.state == "no" else names[cell.mark] + fast)


def test_a_position_that_is_a_formula_stays_text_in_a_spreadsheet() -> None:
    sly = replace(LATHE, steps=(SpeedStep("=1+1", "", 500.0), SpeedStep("B", "", 900.0)), limits=())
    answer = _sheet(Workshop((sly,)), sizes=(Fraction(20),))
    for line in csv.reader(io.StringIO(sheet_csv(answer))):
        assert not any(cell.startswith("=") for cell in line)


@pytest.mark.parametrize(
    ("line", "says"),
    [
        ("wall sheet", "22 metals by 12 diameters on Lathe"),
        ("wall sheet for the mill drill brass, silver steel 3, 6, 1/4", "2 metals by 3"),
        ("wall sheet lathe bore carbide brass 22 mm 5/8", "1 metals by 2"),
    ],
)
def test_ask_makes_a_sheet(line: str, says: str) -> None:
    asked = ask(line, WORKSHOP, PageUnit.MM)
    assert asked.calculator.name == "sheet"
    assert says in asked.calculator.headline(asked.answer, PageUnit.MM)


@pytest.mark.parametrize(
    ("typed", "mm"),
    [
        ("6; 8;10", [6, 8, 10]),
        ("6, 12,5 and 1/2", [6, 12.5, 12.7]),
        ("3,4,5", [3, 4, 5]),
        ('1 1/4"\n2"', [31.75, 50.8]),
        ("12,5", [12.5]),
    ],
)
def test_several_lengths_in_one_entry(typed: str, mm: list[float]) -> None:
    assert [float(r.mm) for r in read_lengths(typed, PageUnit.MM)] == mm


@pytest.mark.parametrize("typed", ["", ";;", "6, 1 3/", "; ".join(["1"] * 61)])
def test_a_list_that_cannot_be_read_is_refused(typed: str) -> None:
    with pytest.raises(Refused):
        read_lengths(typed, PageUnit.MM)


def test_only_one_kind_of_field_takes_several() -> None:
    fields = CATALOGUE["sheet"].fields
    assert isinstance(fields["sizes"], Lengths)
    assert isinstance(fields["metals"], OfMetals)
