"""What is said of routes: proposed or checked, as plain data and as lines of text."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from runk.core.refusals import Refused
from runk.core.route.propose import Proposed, propose
from runk.core.route.route import Job, Route, step_of
from runk.core.route.rule import Broken
from runk.core.route.rules import BY_KEY, FIRM, check
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import EngineFile, PartFile, spoken_route


def proposals(engine: EngineFile, workshop: Workshop, page: PageUnit) -> dict[str, Any]:
    """A route proposed for each part of a file."""
    return {"engine": engine.engine, "parts": [_proposal(p, workshop, page) for p in engine.parts]}


def checks(engine: EngineFile, workshop: Workshop, page: PageUnit) -> dict[str, Any]:
    """Each part's own route checked."""
    return {"engine": engine.engine, "parts": [_check(p, workshop, page) for p in engine.parts]}


def _proposal(one: PartFile, workshop: Workshop, page: PageUnit) -> dict[str, Any]:
    job = Job(one.part, workshop)
    try:
        found = propose(job, one.route.overruled if one.route else None)
    except Refused as refused:
        return {"name": one.part.name, **refusal(refused, page)}
    return {"name": one.part.name, **proposed_plain(job, found, page)}


def refusal(refused: Refused, page: PageUnit) -> dict[str, Any]:
    """A refusal as plain data."""
    return {"error": refused.said(page), "field": refused.field, "suggest": refused.suggested(page)}


def proposed_plain(job: Job, found: Proposed, page: PageUnit) -> dict[str, Any]:
    """A proposal as plain data."""
    return {
        "setups": list(set_ups(job, found.route)),
        "proved": found.proved,
        "at_least": found.at_least,
        "machine_changes": found.machines,
        "tool_changes": found.tools,
        "belt_changes": found.belts,
        "states": found.states,
        "broken": [broken_plain(one, page) for one in found.broken],
        "reasons": [{"rule": r.rule, "says": worded(r.says, page)} for r in found.reasons],
    }


def _check(one: PartFile, workshop: Workshop, page: PageUnit) -> dict[str, Any]:
    if one.route is None:
        return {"name": one.part.name, "error": "It has no route to check.", "field": "route"}
    job = Job(one.part, workshop)
    found = check(job, spoken_route(job, one.route))
    return {
        "name": one.part.name,
        "broken": [broken_plain(b, page) for b in found.broken],
        "overruled": [broken_plain(b, page) for b in found.overruled],
    }


def broken_plain(one: Broken, page: PageUnit) -> dict[str, Any]:
    """A broken rule as plain data."""
    rule = BY_KEY[one.rule]
    return {
        "rule": one.rule,
        "name": rule.name,
        "severity": rule.severity.value,
        "firm": one.rule in FIRM,
        "says": worded(one.says, page),
        "operations": list(one.operations),
        "set_up": one.set_up,
        "mend": worded(one.mend, page),
        "source": rule.source.title,
    }


def set_ups(job: Job, route: Route) -> Iterator[dict[str, Any]]:
    """Set-ups as plain data: how held, on what machine, what is done, in its turn."""
    for one in route.set_ups:
        hold = job.hold_by_key.get(one.hold)
        yield {
            "hold": one.hold,
            "machine": hold.machine if hold is not None else "",
            "packing": one.packing,
            "operations": [line for line in one.does if not step_of(line)],
            "does": list(one.does),
        }


def proposal_lines(document: dict[str, Any]) -> Iterator[str]:
    """Proposals in lines of text."""
    for part in document["parts"]:
        yield f"{part['name']}"
        if "error" in part:
            yield f"  {part['error']}"
            continue
        for n, one in enumerate(part["setups"], 1):
            packing = f", {one['packing']}" if one["packing"] else ""
            yield f"  {n}. {one['hold'].capitalize()}{packing}"
            yield from (f"     {line}" for line in one["does"])
        sure = "proved the fewest" if part["proved"] else f"at least {part['at_least']}"
        yield f"  {len(part['setups'])} set-ups, {sure}"
        yield from _broken_lines(part["broken"])
        yield from (f"  Because: {one['says']}" for one in part["reasons"])


def check_lines(document: dict[str, Any]) -> Iterator[str]:
    """Checks in lines of text."""
    for part in document["parts"]:
        yield f"{part['name']}"
        if "error" in part:
            yield f"  {part['error']}"
            continue
        yield from _broken_lines(part["broken"]) if part["broken"] else ["  Breaks no rule."]


def _broken_lines(broken: list[dict[str, Any]]) -> Iterator[str]:
    for one in broken:
        yield f"  {one['severity']} {one['name']}: {one['says']} {one['mend']}".rstrip()
