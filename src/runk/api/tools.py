"""Routes of the workshop's trays."""

from __future__ import annotations

from dataclasses import dataclass

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel, Field

from runk.api.files import as_file
from runk.api.ids import RowId
from runk.api.problems import PROBLEMS
from runk.api.worked import filed
from runk.core.lengths import read_length
from runk.core.refusals import Refused
from runk.core.threads import find_thread
from runk.core.tools import ShopTool, State, ToolKind
from runk.core.tools.sets import SETS, jobber_flute_mm, tool_set
from runk.core.units import PageUnit
from runk.formats.tools_csv import read_rpm, read_tools_csv, tools_csv
from runk.store.database import Store
from runk.store.tools import (
    KeptTool,
    add_tool,
    bring_tool_back,
    list_tools,
    mark_tool,
    put_tools,
    take_out,
)
from runk.store.workshop import WorkshopReader


@dataclass(frozen=True)
class ToolOut:
    """A tool as the trays show it. ``id`` is 0 for the invented workshop's."""

    id: int
    version: int
    kind: ToolKind
    name: str
    series: str
    size_mm: float
    state: State
    reach_mm: float | None
    lead_mm: float | None
    width_mm: float | None
    resolution_mm: float | None
    most_rpm: float | None
    bore_mm: float | None
    detail: str


@dataclass(frozen=True)
class SetOut:
    """A set that can be added whole."""

    key: str
    name: str


@dataclass(frozen=True)
class TraysOut:
    """Every tool; ``stand_in`` while these are the invented workshop's."""

    stand_in: bool
    tools: list[ToolOut]
    sets: list[SetOut]


class MarkIn(BaseModel):
    """What state a tool is in, and the saving it was read at."""

    version: int
    state: State


class ToolIn(BaseModel):
    """A tool to add; sizes as anybody types them."""

    kind: ToolKind
    name: str = ""
    size: str = Field(max_length=100)
    series: str = ""
    reach: str = Field(default="", max_length=100)
    lead: str = Field(default="", max_length=100)
    width: str = Field(default="", max_length=100)
    resolution: str = Field(default="", max_length=100)
    fastest: str = Field(default="", max_length=20)
    bore: str = Field(default="", max_length=100)
    detail: str = Field(default="", max_length=400)
    unit: PageUnit = PageUnit.MM


class PutOut(BaseModel):
    """How many tools were put."""

    tools: int


def _out(kept: KeptTool) -> ToolOut:
    tool = kept.tool
    return ToolOut(
        kept.id,
        kept.version,
        tool.kind,
        tool.name,
        tool.series,
        float(tool.size_mm),
        tool.state,
        tool.reach_mm,
        tool.lead_mm,
        tool.width_mm,
        tool.resolution_mm,
        tool.most_rpm,
        tool.bore_mm,
        tool.detail,
    )


def _fastest(text: str) -> float | None:
    try:
        return read_rpm(text)
    except Refused as refused:
        raise refused.on("fastest") from None


def _tool(body: ToolIn) -> ShopTool:
    def length(field: str) -> float | None:
        text = getattr(body, field)
        if not text.strip():
            return None
        try:
            return float(read_length(text, body.unit).mm)
        except Refused as refused:
            raise refused.on(field) from None

    if body.kind in (ToolKind.TAP, ToolKind.DIE):
        # A tap is called by its thread, and is as large as that.
        try:
            thread = find_thread(body.name or body.size)
        except Refused as refused:
            raise refused.on("name" if body.name else "size") from None
        return ShopTool(body.kind, thread.name, thread.major, body.series)
    try:
        reading = read_length(body.size, body.unit)
    except Refused as refused:
        raise refused.on("size") from None
    reach = length("reach")
    if reach is None and body.kind is ToolKind.DRILL:
        reach = jobber_flute_mm(float(reading.mm))
    return ShopTool(
        body.kind,
        body.name.strip() or reading.spoken,
        reading.mm,
        body.series,
        State.SOUND,
        reach,
        length("lead"),
        length("width"),
        length("resolution"),
        _fastest(body.fastest),
        length("bore"),
        " ".join(body.detail.split()),
    )


def router(store: Store, reader: WorkshopReader) -> APIRouter:
    """Routes of tools."""
    routes = APIRouter(prefix="/api/tools", responses=PROBLEMS)

    @routes.get("")
    def trays() -> TraysOut:
        with store.reading() as session:
            kept = list_tools(session)
        here = kept or [KeptTool(0, 0, t) for t in reader.workshop().tools]
        sets = [SetOut(s.key, s.name) for s in SETS]
        return TraysOut(not kept, [_out(k) for k in here], sets)

    @routes.post("", status_code=201)
    def add(body: ToolIn, request: Request) -> ToolOut:
        request.state.page = body.unit
        with store.writing() as session:
            return _out(add_tool(session, _tool(body)))

    @routes.post("/sets/{key}", status_code=201)
    def add_set(key: str) -> PutOut:
        with store.writing() as session:
            return PutOut(tools=put_tools(session, tool_set(key), keep_state=True))

    @routes.get("/csv", response_class=Response)
    def table() -> Response:
        with store.reading() as session:
            kept = [k.tool for k in list_tools(session)]
        text = tools_csv(kept or reader.workshop().tools)
        return as_file(text.encode("utf-8-sig"), "text/csv; charset=utf-8", "tools.csv")

    @routes.post("/csv", status_code=201, openapi_extra=_CSV_BODY)
    async def bring_in(request: Request) -> PutOut:
        return await filed(_bring_in, store, await request.body())

    @routes.patch("/{tool}")
    def mark(tool: RowId, body: MarkIn) -> ToolOut:
        with store.writing() as session:
            return _out(mark_tool(session, tool, body.version, body.state))

    @routes.delete("/{tool}", status_code=204)
    def remove(tool: RowId) -> None:
        with store.writing() as session:
            take_out(session, tool)

    @routes.post("/{tool}/back")
    def back(tool: RowId) -> ToolOut:
        with store.writing() as session:
            return _out(bring_tool_back(session, tool))

    return routes


_CSV_BODY = {"requestBody": {"content": {"text/csv": {"schema": {"type": "string"}}}}}


def _bring_in(store: Store, body: bytes) -> PutOut:
    try:
        text = body.decode("utf-8")
    except UnicodeDecodeError:
        # What older spreadsheets write.
        text = body.decode("cp1252", errors="replace")
    tools = read_tools_csv(text)
    with store.writing() as session:
        return PutOut(tools=put_tools(session, tools))
