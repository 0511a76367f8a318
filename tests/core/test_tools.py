"""Tools kept, marked and brought in: tables from any spreadsheet, a wrong line changes nothing."""

from __future__ import annotations

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.refusals import Refused
from runk.core.tools import ShopTool, State, ToolKind, check_tool
from runk.core.tools.sets import tool_set
from runk.demo.trays import TOOLS
from runk.formats.tools_csv import COLUMNS, read_tools_csv, tools_csv
from runk.store.database import Store
from runk.store.kept import Stale
from runk.store.tools import (
    add_tool,
    bring_tool_back,
    kept_tool,
    list_tools,
    mark_tool,
    put_tools,
    take_out,
)
from runk.store.workshop import WorkshopReader

HEAD = "kind,series,name,size_mm,state"


def test_the_whole_workshop_goes_out_and_comes_back_the_same() -> None:
    assert read_tools_csv(tools_csv(TOOLS)) == TOOLS
    assert read_tools_csv("\ufeff" + tools_csv(TOOLS)) == TOOLS


@given(
    st.fractions(Fraction(1, 10), Fraction(100), max_denominator=999),
    st.sampled_from(State),
    st.floats(0.1, 500) | st.none(),
    st.text(
        st.characters(categories=["L", "N"], include_characters=" ,;\"#'-"), min_size=1, max_size=20
    ),
)
def test_any_tool_survives_the_journey(
    size: Fraction, state: State, reach: float | None, name: str
) -> None:
    name = name.strip() or "x"
    tool = ShopTool(ToolKind.END_MILL, name, size, "", state, reach)
    assert read_tools_csv(tools_csv([tool])) == (tool,)


@pytest.mark.parametrize(
    "text",
    [
        f"{HEAD}\ndrill,metric,4.1 mm,4.1,sound",
        f"\ufeff{HEAD}\r\ndrill,metric,4.1 mm,4.1,sound\r\n\r\n",
        "kind;series;name;size_mm;state\ndrill;metric;4.1 mm;4,1;sound\n;;;;\n",
        f'{HEAD}\ndrill,metric,4.1 mm,"4,1",sound',
        "Name\tKind\n4.1 mm\tDrill\n",
        'kind,name,state\ndrill,4.1 mm,""',
    ],
)
def test_tables_of_any_spreadsheet(text: str) -> None:
    (tool,) = read_tools_csv(text)
    assert (tool.name, tool.size_mm, tool.series) == ("4.1 mm", Fraction("4.1"), "metric")
    assert tool.reach_mm == 43
    assert tool.sound


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("", "empty"),
        ("\n\n", "empty"),
        ("size,state\n", "Line 1 has no column kind"),
        ("kind,name,colour\n", "Line 1 has a column `colour`"),
        (f"{HEAD}\ndrill,metric,4 mm,4,sound\ndrill,metric,4.1", "Line 3 has 3 cells"),
        (f"{HEAD}\ndrill,metric,4 mm,4,1,sound", "Line 2 has 6 cells"),
        (f"{HEAD}\nspanner,,4 mm,4,sound", "Line 2 has a kind I do not know, `spanner`"),
        (f"{HEAD}\ndrill,metric,4 mm,4,lost", "Line 2 has a state I do not know, `lost`"),
        (f"{HEAD}\ndrill,metric,4 mm,four,sound", "Line 2 cannot be read"),
        (f"{HEAD}\ndrill,metric,4 mm,-4,sound", "Line 2 cannot be read"),
        (f"{HEAD}\ndrill,metric,4 mm,0,sound", "no size of a drill"),
        (f"{HEAD}\ndrill,wood,4 mm,4,sound", "no sort of drill"),
        (f'{HEAD}\ndrill,metric,"4 mm,4,sound', "cannot be read"),
        (f"{HEAD}\nmeasuring tool,,caliper,150,sound", "what it reads to"),
        ("kind,name\x00\n", "no text file"),
    ],
)
def test_a_wrong_line_is_named(text: str, says: str) -> None:
    with pytest.raises(Refused) as caught:
        read_tools_csv(text)
    assert says in caught.value.says
    assert caught.value.field == "file"


def test_too_many_lines_or_tools_are_refused_whole() -> None:
    line = "drill,metric,4 mm,4,sound\n"
    assert len(read_tools_csv(f"{HEAD}\n" + line * 100_000)) == 1
    with pytest.raises(Refused, match="100000 lines"):
        read_tools_csv(f"{HEAD}\n" + line * 100_001)
    many = "".join(f"drill,metric,{n / 1000} mm,{n / 1000},sound\n" for n in range(1000, 11_002))
    with pytest.raises(Refused, match="different tools"):
        read_tools_csv(f"{HEAD}\n{many}")


def test_of_two_lines_for_one_tool_the_later_stands() -> None:
    text = f"{HEAD}\ndrill,metric,4 mm,4,sound\ndrill,metric,4 MM,4,bent\n"
    assert [t.state for t in read_tools_csv(text)] == [State.BENT]


def test_marks_and_sets_and_taking_out(store: Store) -> None:
    with store.writing() as session:
        assert put_tools(session, tool_set("metric")) == 91
        kept = next(k for k in list_tools(session) if k.tool.name == "4.2 mm")
        bent = mark_tool(session, kept.id, kept.version, State.BENT)
        assert bent.tool.state is State.BENT
        with pytest.raises(Stale):
            mark_tool(session, kept.id, kept.version, State.BLUNT)
        # A set added over a tray leaves the marks as they are; a table does not.
        put_tools(session, tool_set("metric"), keep_state=True)
        session.expire_all()
        assert kept_tool(session, kept.id).tool.state is State.BENT
        put_tools(session, [replace(bent.tool, state=State.SOUND)])
        session.expire_all()
        assert kept_tool(session, kept.id).tool.sound
        take_out(session, kept.id)
        assert len(list_tools(session)) == 90
        with pytest.raises(Refused, match="no longer"):
            mark_tool(session, kept.id, 9, State.SOUND)
        bring_tool_back(session, kept.id)
        assert len(list_tools(session)) == 91
        with pytest.raises(Refused, match="already"):
            add_tool(session, bent.tool)


def test_the_workshop_is_read_again_only_when_a_tool_changed(
    store: Store, workshop: object
) -> None:
    reader = WorkshopReader(store, workshop)  # type: ignore[arg-type]
    assert reader.workshop().tools == TOOLS
    with store.writing() as session:
        put_tools(session, tool_set("letter"))
    first = reader.workshop()
    assert len(first.drills) == 26
    with store.writing() as session:
        one = list_tools(session)[0]
        mark_tool(session, one.id, one.version, State.MISSING)
    assert len(reader.workshop().drills) == 25
    assert first.tools is not reader.workshop().tools


def test_what_is_no_tool_is_refused() -> None:
    drill = ShopTool(ToolKind.DRILL, "4 mm", Fraction(4), "metric")
    for change, field in (
        ({"name": " "}, "name"),
        ({"name": "x" * 61}, "name"),
        ({"size_mm": Fraction(0)}, "size"),
        ({"series": "wood"}, "series"),
        ({"reach_mm": -1.0}, "reach"),
        ({"kind": ToolKind.MEASURE, "series": ""}, "resolution"),
    ):
        with pytest.raises(Refused) as caught:
            check_tool(replace(drill, **change))  # type: ignore[arg-type]
        assert caught.value.field == field
    assert set(COLUMNS) >= {"kind", "name", "size_mm"}
