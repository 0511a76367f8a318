"""Tools kept: added by the set or one by one, marked, brought in from a table."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction
from typing import Any, cast

from sqlalchemy import Row, Table, func, select
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from runk.core.refusals import Refused
from runk.core.tools import FIGURES, ShopTool, State, ToolKind, check_tool
from runk.store.database import now
from runk.store.kept import Stale
from runk.store.models import ToolRow

_TOOLS = cast(Table, ToolRow.__table__)
_READ = (
    select(
        _TOOLS.c.id,
        _TOOLS.c.version,
        _TOOLS.c.kind,
        _TOOLS.c.name,
        _TOOLS.c.size,
        _TOOLS.c.series,
        _TOOLS.c.state,
        *(_TOOLS.c[name] for name in (*FIGURES, "detail")),
    )
    .where(_TOOLS.c.deleted_at.is_(None))
    .order_by(_TOOLS.c.id)
)
_MARK = select(
    func.count(), func.sum(_TOOLS.c.version), func.count(_TOOLS.c.deleted_at)
).select_from(_TOOLS)


@dataclass(frozen=True, slots=True)
class KeptTool:
    """A tool and which saving of it this is."""

    id: int
    version: int
    tool: ShopTool


def _kept(row: Row[Any]) -> KeptTool:
    id_, version, kind, name, size, series, state, *more = tuple(row)
    tool = ShopTool(ToolKind(kind), name, Fraction(size), series, State(state), *more)
    return KeptTool(id_, version, tool)


def list_tools(session: Session) -> list[KeptTool]:
    """Every tool, smallest first within its kind and series."""
    rows = session.connection().execute(_READ)
    return sorted(
        (_kept(row) for row in rows), key=lambda k: (k.tool.kind, k.tool.series, k.tool.size_mm)
    )


def tools_mark(session: Session) -> tuple[int, int, int]:
    """A mark that changes whenever any tool does: cheaper than reading them all."""
    row = session.connection().execute(_MARK).one()
    return int(row[0]), int(row[1] or 0), int(row[2] or 0)


def _values(tool: ShopTool) -> dict[str, Any]:
    return {
        "version": 1,
        "kind": tool.kind.value,
        "series": tool.series,
        "name": tool.name,
        "name_key": tool.name.lower(),
        "size": str(tool.size_mm),
        "state": tool.state.value,
        "deleted_at": None,
        "detail": tool.detail,
        **{name: getattr(tool, name) for name in FIGURES},
    }


def put_tools(session: Session, tools: Iterable[ShopTool], *, keep_state: bool = False) -> int:
    """Add tools; one that is there already takes the new figures.

    Args:
        keep_state: Leave what is marked missing, bent or blunt as it is, as when a set is
            added over a tray.

    Returns:
        How many were put.
    """
    rows = [_values(tool) for tool in tools]
    if not rows:
        return 0
    added = insert(_TOOLS)
    changed = ["name", "size", "deleted_at", "detail", *FIGURES, *([] if keep_state else ["state"])]
    session.connection().execute(
        added.on_conflict_do_update(
            index_elements=["kind", "series", "name_key"],
            set_={name: added.excluded[name] for name in changed}
            | {"version": _TOOLS.c.version + 1},
        ),
        rows,
    )
    return len(rows)


def _row(session: Session, tool: int, *, deleted: bool = False) -> ToolRow:
    row = session.get(ToolRow, tool)
    if row is None or (row.deleted_at is not None and not deleted):
        raise Refused("That tool is no longer in the workshop.", field="id")
    return row


def kept_tool(session: Session, tool: int) -> KeptTool:
    """One tool, taken out ones included."""
    row = _row(session, tool, deleted=True)
    more = [getattr(row, name) for name in (*FIGURES, "detail")]
    one = ShopTool(
        ToolKind(row.kind), row.name, Fraction(row.size), row.series, State(row.state), *more
    )
    return KeptTool(row.id, row.version, one)


def add_tool(session: Session, tool: ShopTool) -> KeptTool:
    """Add one tool.

    Raises:
        Refused: It could not be one, or is there already.
    """
    check_tool(tool)
    kind, series, name = tool.key
    before = session.scalar(
        select(ToolRow).where(
            ToolRow.kind == kind, ToolRow.series == series, ToolRow.name_key == name
        )
    )
    if before is not None and before.deleted_at is None:
        raise Refused(f"There is a {tool.kind} called {tool.name} already.", field="name")
    put_tools(session, [tool])
    found = session.scalar(
        select(ToolRow.id).where(
            ToolRow.kind == kind, ToolRow.series == series, ToolRow.name_key == name
        )
    )
    session.expire_all()
    return kept_tool(session, int(found or 0))


def mark_tool(session: Session, tool: int, version: int, state: State) -> KeptTool:
    """Mark a tool sound, missing, bent or blunt.

    Raises:
        Refused: It is gone.
        Stale: It was marked elsewhere since.
    """
    row = _row(session, tool)
    if row.version != version:
        raise Stale("tool", kept_tool(session, tool))
    row.state, row.version = state.value, row.version + 1
    session.flush()
    return kept_tool(session, tool)


def take_out(session: Session, tool: int) -> None:
    """Take a tool out; :func:`bring_tool_back` undoes it."""
    row = _row(session, tool)
    row.deleted_at, row.version = now(), row.version + 1
    session.flush()


def bring_tool_back(session: Session, tool: int) -> KeptTool:
    """Undo taking out."""
    row = _row(session, tool, deleted=True)
    row.deleted_at, row.version = None, row.version + 1
    session.flush()
    return kept_tool(session, tool)
