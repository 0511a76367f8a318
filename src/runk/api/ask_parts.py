"""Ask lines about the parts that are kept: what next, how held, checked, tonight."""

from __future__ import annotations

import re
from collections.abc import Sequence

from runk.api.ask_known import known_of
from runk.api.evening import planned
from runk.api.part_line import part_line
from runk.api.part_wire import part_in, route_in
from runk.api.place import PlaceOut
from runk.api.shelf import Shelf
from runk.ask.by_name import named_in
from runk.ask.of_parts import CHECK, HOLD, MAKE, NEW, NEXT, OVERALL, evening_min, plain_line
from runk.core.refusals import Refused
from runk.core.route.rules import BY_KEY, check
from runk.core.route.spoken import spoken
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import spoken_route
from runk.store.parts import KeptPart

_SMALL = frozenset({"the", "a", "its", "to", "of", "on", "and", "it"})


def about_parts(line: str, shelf: Shelf, workshop: Workshop, page: PageUnit) -> PlaceOut | None:
    """The answer to a line about parts; None where it is none.

    Args:
        line: As typed.
        shelf: Every part kept.
        workshop: Today's.
        page: How sizes are said.

    Raises:
        Refused: It asks of a part that is not there, or of one of several.
    """
    said = plain_line(line)
    minutes = evening_min(said)
    if minutes is not None:
        return _tonight(minutes, shelf, workshop, page)
    for pattern, answer in ((NEXT, _next), (HOLD, _hold), (CHECK, _checked)):
        if (found := pattern.fullmatch(said)) is None:
            continue
        words = found["part"] or found.groupdict().get("of") or ""
        named = _named(words, shelf, workshop, must=pattern is not CHECK)
        if not named:
            return None
        if answer is _hold:
            return _hold(_one(named), found["do"] or "", workshop, page)
        each = _next if answer is _next else _checked
        answers = [each(row, workshop, page) for row in named]
        return answers[0] if len(answers) == 1 else _together(words, answers)
    if NEW.fullmatch(said):
        return PlaceOut(
            path="/engines",
            read_as="A new part",
            headline="A new part is drawn on its engine's page",
            says=["Name it there; then what it is made from, and its features a line each"],
        )
    if OVERALL.fullmatch(said):
        return _overall(shelf, workshop, page)
    place = _by_name(said, shelf, workshop, page)
    if place is None and (made := MAKE.fullmatch(said)) is not None and shelf.keys:
        some = "; ".join(key.name for key in shelf.keys[:4])
        raise Refused(f"No part is called `{made['part'][:40]}`.", suggest=some)
    return place


def _overall(shelf: Shelf, workshop: Workshop, page: PageUnit) -> PlaceOut:
    """How far every part is, the longest job to come first."""
    lines = shelf.lines(workshop, page)
    left = sorted((one for one in lines if one.minutes), key=lambda one: -one.minutes)
    done = [one.name for one in lines if one.routed and not one.next]
    head = f"{left[0].name}, about {left[0].minutes:.0f} min to come" if left else "Nothing is left"
    says = [f"{one.name}: about {one.minutes:.0f} min, next {one.next}" for one in left[:6]]
    says.append(f"Done: {', '.join(done)}" if done else "None is done")
    return PlaceOut(path="/engines", read_as="What is on the list", headline=head, says=says)


def _by_name(said: str, shelf: Shelf, workshop: Workshop, page: PageUnit) -> PlaceOut | None:
    """A part by its name anywhere in a line, and what is asked of it."""
    found = named_in(said, [key.name for key in shelf.keys])
    if found is None or found.wants == "new":
        return None
    rows_of = _named(found.called, shelf, workshop, must=False)
    if not rows_of:
        return None
    answers = [known_of(found, row, workshop, page, shelf) for row in rows_of]
    return answers[0] if len(answers) == 1 else _together(found.called, answers)


def _together(words: str, answers: Sequence[PlaceOut]) -> PlaceOut:
    """The answers for several parts of one name."""
    return PlaceOut(
        path="/engines",
        read_as=f"{len(answers)} parts called {words}",
        headline="; ".join(dict.fromkeys(one.headline for one in answers)),
        says=[f"{one.read_as}: {one.headline}" for one in answers],
    )


def _one(named: Sequence[KeptPart]) -> KeptPart:
    if len(named) > 1:
        names = "; ".join(row.name for row in named)
        raise Refused(f"Several parts are called so: {names}.", suggest=named[0].name)
    return named[0]


def _named(words: str, shelf: Shelf, workshop: Workshop, must: bool) -> Sequence[KeptPart]:
    """The parts that are meant: called so to the letter, or so before a comma; one in hand first.

    Raises:
        Refused: There must be one, and is none.
    """
    wanted = [w for w in re.findall(r"[\w/\"#.]+", words) if w not in _SMALL]
    keys = [k for k in shelf.keys if all(w in f"{k.name} {k.engine}".lower() for w in wanted)]
    exact = [key for key in keys if key.name.lower() == words]
    head = [key for key in keys if key.name.lower().partition(",")[0] == words]
    if not keys and must:
        some = "; ".join(key.name for key in shelf.keys[:4])
        raise Refused(f"No part is called `{words[:40]}`.", suggest=some or "a part drawn first")
    found = shelf.several((exact or head or keys)[:_MOST_NAMED])
    begun = [row for row in found if row.done] if len(found) > 1 else []
    in_hand = [row for row in begun if not _whole(row, workshop)]
    return in_hand if len(in_hand) == 1 else found[:6]


_MOST_NAMED = 40
"""So many parts of one name are looked into for the one that is in hand."""


def _whole(row: KeptPart, workshop: Workshop) -> bool:
    """Whether all of a part is done."""
    try:
        return set(part_in(row, workshop).by_key) <= set(row.done)
    except Refused:
        return False


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
            one
            for one in job.operations
            if one.feature and any(w in one.feature.lower().split() for w in words)
        ]
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
    says = [job.part.said(f"Or {hold.key}") for hold in first[1:4]]
    if ready and later:
        after = f"Later, with {sorted(later[0].needs - done)[0]} done: {later[0].key}"
        says.append(job.part.said(after))
    read_as = f"How to hold {row.name}" + (
        f" for {job.part.said(spoken(left[0].key))}" if what else ""
    )
    head = job.part.said(first[0].key) if first else "no way of holding here reaches it"
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
        ups = _many(len(route.set_ups), "set-up")
        return PlaceOut(path=path, read_as=read_as, headline="It breaks no rule", says=[ups])
    says = [
        job.part.said(f"{BY_KEY[one.rule].severity.value} {worded(one.says, page)}")
        for one in broken
    ]
    many = f"It breaks {_many(len(broken), 'rule')}"
    return PlaceOut(path=path, read_as=read_as, headline=many, says=says[:6])


def _many(count: int, what: str) -> str:
    return f"{count} {what}{'s' * (count != 1)}"


def _tonight(minutes: int, shelf: Shelf, workshop: Workshop, page: PageUnit) -> PlaceOut:
    if not 5 <= minutes <= 1440:
        raise Refused("An evening has 5 to 1440 minutes.", suggest="tonight 90 minutes")
    plan = planned(shelf.evenings(workshop), minutes, page, shelf.stands(), shelf.fits)
    says = [
        f"{one.part}, set-up {one.set_up}: {one.hold}, {one.minutes:.0f} min" for one in plan.rows
    ]
    parts = len({one.part_id for one in plan.rows})
    ups = _many(len(plan.rows), "set-up")
    head = f"{ups} on {_many(parts, 'part')}" if plan.rows else "Nothing ready fits"
    return PlaceOut(
        path="/engines",
        read_as=f"Tonight, {minutes} minutes",
        headline=head,
        says=says or plan.waiting[:4],
    )
