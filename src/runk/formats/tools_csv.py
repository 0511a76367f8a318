"""Tools as a table for a spreadsheet, and back: a wrong line is named and nothing changes."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable
from fractions import Fraction

from runk.core.kinds import Number
from runk.core.lengths import read_length
from runk.core.lengths.show import trimmed
from runk.core.refusals import Refused
from runk.core.tools import FIGURES, LENGTHS, ShopTool, State, ToolKind, check_tool
from runk.core.tools.details import LONGEST_DETAIL
from runk.core.tools.sets import jobber_flute_mm
from runk.core.units import PageUnit
from runk.formats.spreadsheet import asrun, unrun

COLUMNS = ("kind", "series", "name", "size_mm", "state", *FIGURES, "detail")
_WANTED = ("kind", "name")
MOST_LINES, MOST_TOOLS = 100_000, 10_000
_LONGEST_CELL, _LONGEST_HEADING = LONGEST_DETAIL, 1000


def tools_csv(tools: Iterable[ShopTool]) -> str:
    """Every tool, one a line; reading it back gives the same tools.

    >>> print(tools_csv([ShopTool(ToolKind.DRILL, "4 mm", Fraction(4), "metric")]).splitlines()[1])
    drill,metric,4 mm,4,sound,,,,,,,
    """
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for tool in tools:
        more = [_plain(getattr(tool, name)) for name in FIGURES]
        writer.writerow(
            [
                tool.kind,
                tool.series,
                unrun(tool.name),
                _exact(tool.size_mm),
                tool.state,
                *more,
                unrun(tool.detail),
            ]
        )
    return out.getvalue()


def _plain(value: float | None) -> str:
    return "" if value is None else repr(value)


def _exact(size: Fraction) -> str:
    """A decimal where that is exact, else the fraction itself: 4.1, or 127/15 mm."""
    decimal = trimmed(size, 6)
    return decimal if Fraction(decimal) == size else f"{size.numerator}/{size.denominator} mm"


def read_tools_csv(text: str) -> tuple[ShopTool, ...]:
    """Tools from a table somebody made, whatever their spreadsheet parts it with.

    Args:
        text: With a heading line. Parted by commas, semicolons or tabs; a mark at the start,
            decimal commas and blank lines do no harm. Sizes as anybody types them.

    Returns:
        Each tool once: of two lines for one tool the later stands.

    Raises:
        Refused: Naming the first line that cannot be read; nothing of the file counts then.
    """
    text = text.removeprefix("\ufeff")
    if "\0" in text:
        raise Refused("That is no text file: save the table as CSV.", field="file")
    heading, _, rest = text.lstrip("\r\n").partition("\n")
    if not heading.strip():
        raise Refused("The file is empty.", field="file", suggest=",".join(COLUMNS[:5]))
    if len(heading) > _LONGEST_HEADING:
        raise Refused("Line 1 is no heading: it is too long.", field="file")
    mark = max(",;\t", key=heading.count)
    names = [name.strip().strip('"').lower() for name in heading.split(mark)]
    missing = [name for name in _WANTED if name not in names]
    unknown = [name for name in names if name and name not in COLUMNS]
    if missing or unknown:
        says = f"has no column {missing[0]}" if missing else f"has a column `{unknown[0][:30]}`"
        raise Refused(f"Line 1 {says}.", field="file", suggest=mark.join(COLUMNS))
    found: dict[tuple[str, str, str], ShopTool] = {}
    rows = csv.reader(io.StringIO(rest, newline=""), delimiter=mark, strict=True)
    known: dict[tuple[str, ...], ShopTool] = {}
    while True:
        try:
            cells = next(rows)
        except StopIteration:
            return tuple(found.values())
        except csv.Error as broken:
            raise _line(rows.line_num + 1, f"cannot be read: {broken}") from None
        if not any(cell.strip() for cell in cells):
            continue
        number = rows.line_num + 1
        if number > MOST_LINES + 1:
            raise Refused(f"{MOST_LINES} lines are the most that can be read.", field="file")
        seen = tuple(cells)
        tool = known.get(seen)
        if tool is None:
            tool = known[seen] = _tool(names, cells, number)
        found[tool.key] = tool
        if len(found) > MOST_TOOLS:
            raise Refused(
                f"More than {MOST_TOOLS} different tools: is this the right file?", field="file"
            )


def _line(number: int, says: str, suggest: str | None = None) -> Refused:
    return Refused(
        f"Line {number} {says.rstrip('.')}. Nothing was changed.", field="file", suggest=suggest
    )


def _tool(names: list[str], cells: list[str], number: int) -> ShopTool:
    if len(cells) != len(names):
        few = len(cells) < len(names)
        raise _line(
            number,
            f"has {len(cells)} cells and the heading has {len(names)}: "
            f"{'is it cut off?' if few else 'a decimal comma wants quotes or semicolons.'}",
        )
    row = {name: asrun(cell.strip()) for name, cell in zip(names, cells, strict=True)}
    long = next((name for name, cell in row.items() if len(cell) > _LONGEST_CELL), None)
    if long is not None:
        raise _line(number, f"has more than {_LONGEST_CELL} characters under {long}")
    kind = row["kind"].lower()
    if kind not in tuple(ToolKind):
        raise _line(number, f"has a kind I do not know, `{row['kind'][:30]}`", ", ".join(ToolKind))
    state = row.get("state", "").lower() or State.SOUND
    if state not in tuple(State):
        raise _line(number, f"has a state I do not know, `{state[:30]}`", ", ".join(State))
    try:
        size = read_length(row.get("size_mm", "") or row["name"], PageUnit.MM).mm
        more = {name: _number(row.get(name, "")) for name in LENGTHS}
        more["most_rpm"] = read_rpm(row.get("most_rpm", ""))
        if kind == ToolKind.DRILL and more["reach_mm"] is None:
            more["reach_mm"] = jobber_flute_mm(float(size))
        series = row.get("series", "").lower() or _series(kind, row["name"])
        detail = row.get("detail", "")
        tool = ShopTool(
            ToolKind(kind), row["name"], size, series, State(state), **more, detail=detail
        )
        check_tool(tool)
    except Refused as refused:
        raise _line(number, f"cannot be read: {refused.says}", refused.suggest) from None
    return tool


def _series(kind: str, name: str) -> str:
    """The series of a drill where its name tells it."""
    if kind != ToolKind.DRILL:
        return ""
    low = name.lower()
    if low.startswith(("#", "no")):
        return "number"
    if low.startswith(("letter", "ltr")):
        return "letter"
    return "fractional" if "/" in low or '"' in low else "metric"


_RPM = Number("fastest", (), ("rev/min", "rpm"), placeholder="350")


def read_rpm(text: str) -> float | None:
    """How fast a tool may turn, as anybody types it; None where it was left blank.

    >>> read_rpm("350 rpm"), read_rpm("")
    (350.0, None)
    """
    return _RPM.value_of(_RPM.bare(text)) if text.strip() else None


def _number(text: str) -> float | None:
    return float(read_length(text, PageUnit.MM).mm) if text else None
