"""Ask lines about the parts that are kept: what next, how held, checked, tonight."""

from __future__ import annotations

import re
from collections.abc import Sequence

from runk.api.engine_work import part_line, planned
from runk.api.part_wire import part_in, route_in
from runk.api.place import PlaceOut
from runk.ask.of_parts import CHECK, HOLD, NEXT, TONIGHT, plain_line
from runk.core.refusals import Refused
from runk.core.route.rules import BY_KEY, check
from runk.core.route.spoken import spoken
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import spoken_route
from runk.store.goes_with import KeptFit
from runk.store.parts import KeptPart

_SMALL = frozenset({"the", "a", "its", "to", "of", "on", "and", "it"})


def about_parts(
    line: str,
    rows: Sequence[KeptPart],
    workshop: Workshop,
    page: PageUnit,
    fits: Sequence[KeptFit] = (),
) -> PlaceOut | None:
    """The answer to a line about parts; None where it is none.

    Args:
        line: As typed.
        rows: Every part kept.
        workshop: Today's.
        page: How sizes are said.
        fits: What goes with what.

    Raises:
        Refused: It asks of a part that is not there, or of one of several.
    """
    said = plain_line(line)
    if found := TONIGHT.fullmatch(said):
        return _tonight(found, rows, workshop, page, fits)
    for pattern, answer in ((NEXT, _next), (HOLD, _hold), (CHECK, _checked)):
        if (found := pattern.fullmatch(said)) is None:
            continue
        row = _named(found["part"], rows, must=pattern is not CHECK)
        if row is None:
            return None
        if answer is _hold:
            return _hold(row, found["do"] or "", workshop, page)
        return _next(row, workshop, page) if answer is _next else _checked(row, workshop, page)
    return None


def _named(words: str, rows: Sequence[KeptPart], must: bool) -> KeptPart | None:
    wanted = [w for w in re.findall(r"[\w/\"#.]+", words) if w not in _SMALL]
    found = [row for row in rows if all(w in f"{row.name} {row.engine}".lower() for w in wanted)]
    exact = [row for row in found if row.name.lower() == words]
    if len(exact or found) == 1:
        return (exact or found)[0]
    if not found and not must:
        return None
    if not found:
        some = ", ".join(row.name for row in rows[:4])
        raise Refused(f"No part is called `{words[:40]}`.", suggest=some or "a part drawn first")
    names = ", ".join(row.name for row in found[:6])
    raise Refused(f"Several parts are called so: {names}.", suggest=found[0].name)


def _path(row: KeptPart) -> str:
    return f"/engines/part/{row.id}"


def _next(row: KeptPart, workshop: Workshop, page: PageUnit) -> PlaceOut:
    line = part_line(row, workshop, page)
    read_as = f"What next on {row.name}"
    if line.problem or not line.features or not line.routed:
        head = line.problem or ("No route yet" if line.features else "Not drawn yet")
        return PlaceOut(path=_path(row), read_as=read_as, headline=head, says=[])
    if not line.next:
        return PlaceOut(path=_path(row), read_as=read_as, headline="It is done", says=[])
    says = [
        f"Held {line.hold}",
        f"{line.done} of {line.operations} operations done, about {line.minutes:.0f} min to come",
    ]
    if line.broken:
        says.append(f"Its route breaks {line.broken} of the rules")
    says += [f"Wanted: {what}" for what in line.wanted]
    return PlaceOut(path=_path(row), read_as=read_as, headline=line.next, says=says)


def _hold(row: KeptPart, what: str, workshop: Workshop, page: PageUnit) -> PlaceOut:
    job = part_in(row, workshop)
    words = [w for w in re.findall(r"[\w.]+", what) if w not in _SMALL]
    wanted = [one for one in job.operations if all(w in one.key for w in words)]
    if what and not wanted:
        # "to turn its rim": the rim is roughed and finished, or turned; its name is enough.
        wanted = [
            one for one in job.operations
            if one.feature and any(w in one.feature.lower().split() for w in words)
        ]  # fmt: skip
    if not wanted:
        names = ", ".join(job.part.by_key)
        raise Refused(f"{row.name} has nothing like `{what[:40]}`.", suggest=names)
    done = frozenset(row.done)
    left = [one for one in wanted if one.key not in done] or wanted
    holds = [hold for hold in job.holds if any(hold.reaches(one) for one in left)]
    ready = [h for h in holds if h.needs <= done and not h.gone & done]
    first = ready or holds
    chosen = {one.hold for one in spoken_route(job, route_in(row)).set_ups}
    first = sorted(first, key=lambda hold: hold.key not in chosen)
    later = [h for h in holds if h not in ready and not h.gone & done]
    says = [f"Or {hold.key}" for hold in first[1:4]]
    if ready and later:
        says.append(f"Later, with {sorted(later[0].needs - done)[0]} done: {later[0].key}")
    read_as = f"How to hold {row.name}" + (f" for {spoken(left[0].key)}" if what else "")
    head = first[0].key if first else "no way of holding here reaches it"
    return PlaceOut(path=_path(row), read_as=read_as, headline=head, says=says)


def _checked(row: KeptPart, workshop: Workshop, page: PageUnit) -> PlaceOut:
    read_as, path = f"Check {row.name}", _path(row)
    try:
        job = part_in(row, workshop)
    except Refused as refused:
        return PlaceOut(path=path, read_as=read_as, headline=refused.said(page), says=[])
    route = spoken_route(job, route_in(row))
    if not route.set_ups:
        return PlaceOut(path=path, read_as=read_as, headline="It has no route yet", says=[])
    broken = check(job, route).broken
    if not broken:
        ups = len(route.set_ups)
        return PlaceOut(
            path=path, read_as=read_as, headline="It breaks no rule", says=[f"{ups} set-ups"]
        )
    says = [f"{BY_KEY[one.rule].severity.value} {worded(one.says, page)}" for one in broken]
    many = f"It breaks {len(broken)} rule{'s' if len(broken) > 1 else ''}"
    return PlaceOut(path=path, read_as=read_as, headline=many, says=says[:6])


def _tonight(
    found: re.Match[str],
    rows: Sequence[KeptPart],
    workshop: Workshop,
    page: PageUnit,
    fits: Sequence[KeptFit],
) -> PlaceOut:
    hours = float(found["hours"] or 0)
    minutes = int(found["many"] or found["first"] or hours * 60 or 90)
    if not 5 <= minutes <= 1440:
        raise Refused("An evening has 5 to 1440 minutes.", suggest="tonight 90 minutes")
    plan = planned(list(rows), workshop, minutes, page, fits=fits)
    says = [
        f"{one.part}, set-up {one.set_up}: {one.hold}, {one.minutes:.0f} min" for one in plan.rows
    ]
    parts = len({one.part_id for one in plan.rows})
    head = f"{len(plan.rows)} set-ups on {parts} parts" if plan.rows else "Nothing ready fits"
    return PlaceOut(
        path="/engines",
        read_as=f"Tonight, {minutes} minutes",
        headline=head,
        says=says or plan.waiting[:4],
    )
