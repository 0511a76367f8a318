"""Questions about a part by its name: what it is, how large, how heavy, how fast, what next."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence

from runk.api.part_line import part_line
from runk.api.part_wire import part_in, route_in
from runk.api.place import PlaceOut
from runk.api.shelf import Shelf
from runk.ask import ask
from runk.ask.by_name import Named
from runk.core.cutting.speed import SPEED
from runk.core.plainly import told
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.hours import line_min, set_up_min
from runk.core.route.known import blank_known, feature_known, heft, places_known, whole_known
from runk.core.route.part import Feature
from runk.core.route.route import Job
from runk.core.route.rules import check
from runk.core.route.spoken import spoken
from runk.core.said import mm_said, worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import spoken_route
from runk.store.goes_with import KeptFit
from runk.store.parts import KeptPart

_OUNCE_KG = 0.0283495
_KINDS = {
    "bore": ("bore", "reamed", "counterbore"),
    "hole": ("bore", "reamed", "drilled", "tapped", "holes"),
    "inner": ("bore", "reamed", "counterbore", "drilled"),
    "dia": ("outside", "journal", "crankpin", "eccentric"),
    "outside": ("outside", "journal"),
    "thread": ("thread", "tapped"),
    "turn": ("outside", "journal"),
    "drill": ("drilled", "holes", "tapped", "reamed"),
    "tap": ("tapped", "holes"),
    "groove": ("groove",),
    "keyway": ("keyway", "bore-keyway"),
    "journal": ("journal",),
    "crankpin": ("crankpin",),
    "face": ("face",),
}
"""Kinds of feature a word of a question may mean."""


def known_of(
    named: Named, row: KeptPart, workshop: Workshop, page: PageUnit, shelf: Shelf
) -> PlaceOut:
    """The answer to a question about one part.

    Args:
        named: What is asked.
        row: The part.
        workshop: Today's.
        page: How sizes are said.
        shelf: Every part, for what goes with what.

    Raises:
        Refused: It is not drawn, or not so that this could be known.
    """
    path = f"/engines/part/{row.id}"
    if row.drawn is None or not row.drawn.get("features"):
        return PlaceOut(path=path, read_as=row.name, headline="Not drawn yet", says=[])
    job = part_in(row, workshop)
    about = _About(job, row, workshop, page, named, shelf)
    head, says = _ANSWERS[named.wants](about)
    said = [worded(job.part.said(one), page) for one in (head, *says)]
    read_as = f"{row.name}: {_TITLES[named.wants]}"
    return PlaceOut(path=path, read_as=read_as, headline=said[0], says=said[1:])


class _About:
    """A part that is asked about, and the words of the question."""

    def __init__(
        self,
        job: Job,
        row: KeptPart,
        workshop: Workshop,
        page: PageUnit,
        named: Named,
        shelf: Shelf,
    ) -> None:
        self.job, self.row, self.workshop, self.page = job, row, workshop, page
        self.rest, self.shelf = named.rest, shelf
        self.words = frozenset(named.rest.split())

    def every(self) -> list[str]:
        """Each feature, with its limits."""
        return [feature_known(one, self.page) for one in self.job.part.features]

    def meant(self) -> list[Feature]:
        """The features the words speak of: by their names, else by their kind."""
        features = self.job.part.features
        by_name = [f for f in features if _letters(f.key) and _letters(f.key) <= self.words]
        if by_name:
            return by_name
        stems = {w.removesuffix("s").removesuffix("ing").removesuffix("ed") for w in self.words}
        for word, kinds in _KINDS.items():
            if word in stems or any(s.startswith(word) for s in stems):
                found = [f for f in features if f.kind in kinds]
                if found:
                    return found
        return []


Answer = tuple[str, list[str]]


def _letters(key: str) -> set[str]:
    """The words of a feature's name, without its size."""
    return {word for word in key.lower().split() if word.isalpha()}


def _show(about: _About) -> Answer:
    part = about.job.part
    return whole_known(part), [
        f"From {blank_known(part, about.page)}, {about.workshop.metals[part.metal].name}"
        if part.metal in about.workshop.metals
        else f"From {blank_known(part, about.page)}",
        *about.every(),
    ]


def _size(about: _About) -> Answer:
    part, meant = about.job.part, about.meant()
    if "between centres" in about.rest:
        holes = [f for f in part.features if f.kind in ("reamed", "bore", "drilled")]
        places = [(f.asked.start, f.asked.up) for f in holes]
        whole = [(float(x), float(y)) for x, y in places if x is not None and y is not None]
        if len(whole) == len(("one", "other")):
            (x, y), (u, v) = whole
            far = ((x - u) ** 2 + (y - v) ** 2) ** 0.5
            return f"{far:g} mm between {holes[0].key} and {holes[1].key}", about.every()
    if meant and not {"long", "length", "lenght", "thick", "thickness"} & about.words:
        says = [feature_known(one, about.page) for one in meant]
        return says[0], [*says[1:], whole_known(part)]
    return whole_known(part), [f"From {blank_known(part, about.page)}", *about.every()]


def _weight(about: _About) -> Answer:
    found = heft(about.job)
    ounces = found.kg / _OUNCE_KG
    head = f"{found.kg:.3g} kg" if found.kg >= 1 else f"{found.kg * 1000:.3g} g"
    says = [f"{found.kg * 1000:.4g} g, {found.kg:.3g} kg, {ounces:.3g} oz"]
    if found.kg_m2 is not None:
        says.append(f"Moment of inertia about its axis: {found.kg_m2:.2g} kg m²")
        if "inertia" in about.words:
            head = f"{found.kg_m2:.2g} kg m²"
    return head, [*says, "As drawn: threads by their outside, keyways and slots not taken out"]


def _stock(about: _About) -> Answer:
    part = about.job.part
    metal = about.workshop.metals.get(part.metal)
    blank = blank_known(part, about.page)
    name = metal.name if metal else "metal not told"
    says = [whole_known(part)]
    if part.alike > 1:
        says.append(f"{part.alike} of them are made")
    if {"material", "metal"} & about.words:
        return name, [f"From {blank}", *says]
    return f"{blank}, {name}", says


def _speed(about: _About) -> Answer:
    part = about.job.part
    says, typed = _cut(about)
    tool = {"tool": "carbide"} if {"carbide", "tct"} & about.words else {}
    read = read_question(SPEED, {**typed, **tool}, PageUnit.MM, about.workshop)
    answer = SPEED.ask(read.question, about.workshop)
    size = typed.get("diameter", "").removesuffix("mm").strip()
    said = [f"{says}: {f'{mm_said(float(size))}, ' if size else ''}{_metal(about) or part.metal}"]
    said += [f"{c.word} {c.about}: {c.says}" for c in answer.cautions]
    return SPEED.heads(answer, about.page), said


def _cut(about: _About) -> tuple[str, dict[str, str]]:
    """What is to be run at a speed: what is meant, else its largest turning, else its outside."""
    part = about.job.part
    meant = {f.key for f in about.meant()}
    spinning = [one for one in about.job.operations if one.speed]
    found = [one for one in spinning if one.feature in meant] or spinning
    verbs = _verbs(about.rest)
    found = [one for one in found if one.verb in verbs]
    if not meant:
        found = [o for o in found if not o.feature or part.by_key[o.feature].round_outside] or (
            found if verbs != _TURNED else []
        )
    if not found:
        metal = {"metal": part.metal} if part.metal else {}
        return "To turn it", {"operation": "turn", "diameter": f"{part.across:g} mm", **metal}
    one = max(found, key=lambda o: part.by_key[o.feature].size if o.feature else 0.0)
    return f"To {spoken(one.key)}", {**dict(one.speed), "machine": one.machine}


def _metal(about: _About) -> str:
    metal = about.workshop.metals.get(about.job.part.metal)
    return metal.name if metal else ""


_TURNED = ("turn", "rough", "finish")


def _verbs(rest: str) -> tuple[str, ...]:
    for said, verbs in (
        (r"\bdrill", ("drill", "spot")),
        (r"\bbor", ("rough", "finish")),
        (r"\bream", ("ream",)),
        (r"\btap", ("tap",)),
        (r"\bfac", ("face",)),
    ):
        if re.search(said, rest):
            return verbs
    return _TURNED


def _tap(about: _About) -> Answer:
    with_thread = [f for f in about.job.part.features if f.asked.screw is not None]
    if not with_thread:
        return f"{about.row.name} has no thread", about.every()
    says = []
    for name in dict.fromkeys(f.asked.screw.name for f in with_thread if f.asked.screw):
        tapped = any(f.kind in ("tapped", "holes") for f in with_thread)
        metal = about.workshop.metals[about.job.part.metal].name if tapped else "mild steel"
        found = ask(f"tapping drill {name} in {metal}", about.workshop, about.page)
        says.append(f"{name}: {found.calculator.heads(found.answer, about.page)}")
        says += _plainly(told(found.answer, about.page)[:4])
    return says[0], says[1:]


def _torque(about: _About) -> Answer:
    screws = dict.fromkeys(
        f.asked.screw.name for f in about.job.part.features if f.asked.screw is not None
    )
    if not screws:
        return f"{about.row.name} has no thread", about.every()
    metal = about.workshop.metals[about.job.part.metal].name
    found = ask(f"tighten {next(iter(screws))} {metal}", about.workshop, about.page)
    head = found.calculator.heads(found.answer, about.page)
    return head, [f"{next(iter(screws))}, {metal}", *_plainly(told(found.answer, about.page)[:4])]


def _plainly(lines: Sequence[str]) -> list[str]:
    """Lines made for a shell, without its columns."""
    return [" ".join(line.split()) for line in lines]


def _places(about: _About) -> Answer:
    part = about.job.part
    found = [(f, places_known(part, f)) for f in part.features]
    says = [f"{feature_known(f, about.page)}: {where}" for f, where in found if where]
    screws = {f.asked.screw.name for f in part.features if f.asked.screw is not None}
    own = about.row
    beside = [k for k in about.shelf.keys if k.engine_id == own.engine_id and k.id != own.id]
    for row in about.shelf.several(beside) if not says else ():
        # A stud's own places are those of the holes it stands in.
        if not (row.drawn or {}).get("features"):
            continue
        other = part_in(row, about.workshop).part
        says += [
            f"{row.name}, {f.key}: {places_known(other, f)}"
            for f in other.features
            if f.kind == "holes" and f.asked.screw is not None and f.asked.screw.name in screws
        ]
    if not says:
        raise Refused(
            f"Nothing of {about.row.name} is drawn at places of its own: ask it of the part its "
            "holes are in."
        )
    # What it is and how far apart is the answer; each hole's place stands under it.
    head, _, places = says[0].partition("; ")
    return head, [*places.split(", "), *says[1:]] if places else says[1:]


def _count(about: _About) -> Answer:
    many = [f for f in about.meant() if (f.asked.count or 1) > 1]
    if many:
        return f"{many[0].asked.count}: {feature_known(many[0], about.page)}", []
    return f"{about.job.part.alike} of them", [blank_known(about.job.part, about.page)]


def _time(about: _About) -> Answer:
    job = about.job
    route = spoken_route(job, route_in(about.row))
    if not route.set_ups:
        total = sum(line_min(job, one.key) for one in job.operations)
        return f"About {total:.0f} min at the machine, without a route yet", []
    done = frozenset(about.row.done)
    each = [set_up_min(job, up, frozenset(), n) for n, up in enumerate(route.set_ups, 1)]
    left = sum(set_up_min(job, up, done, n) for n, up in enumerate(route.set_ups, 1))
    says = [f"{spoken(up.hold)}: {m:.0f} min" for up, m in zip(route.set_ups, each, strict=True)]
    head = f"About {sum(each):.0f} min, {left:.0f} min to come"
    return head, [*says, "Minutes are guesses: common practice for one at a bench"]


def _fit(about: _About) -> Answer:
    names = {key.id: key.name for key in about.shelf.keys}
    mine = [fit for fit in about.shelf.fits if about.row.id in (fit.hole[0], fit.shaft[0])]
    says = [
        f"{fit.duty}: {names.get(fit.shaft[0], '')} {fit.shaft[1]} in "
        f"{names.get(fit.hole[0], '')} {fit.hole[1]}{_between(fit, about)}"
        for fit in mine
    ]
    tries = [f"{key} is tried on {mate}" for key, mate in about.job.part.tries.items()]
    if not says and not tries:
        return f"Nothing is said of what {about.row.name} goes with", about.every()
    says += tries + [feature_known(f, about.page) for f in about.job.part.features if f.limits]
    return says[0], says[1:]


def _between(fit: KeptFit, about: _About) -> str:
    """The least and the most clearance two features leave as they are drawn."""
    sides = []
    for part, key in (fit.hole, fit.shaft):
        row = about.shelf.whole(part)
        if row is None:
            return ""
        try:
            feature = part_in(row, about.workshop).part.by_key.get(key)
        except Refused:
            return ""
        if feature is None or feature.limits is None:
            return ""
        sides.append(feature.limits)
    hole, shaft = sides
    least, most = hole[0] - shaft[1], hole[1] - shaft[0]
    if least < 0:
        return f": from {mm_said(-least, 3)} tight to {mm_said(most, 3)} clearance as drawn"
    return f": {mm_said(least, 3)} to {mm_said(most, 3)} clearance as drawn"


def _next(about: _About) -> Answer:
    line = part_line(about.row, about.workshop, about.page)
    if not line.routed:
        return line.problem or "No route yet", []
    head = line.next or "It is done"
    many = f"{line.done} of {line.operations} operations done, about {line.minutes:.0f} min to come"
    return head, [*([f"Held {line.hold}"] if line.hold else []), many]


def _order(about: _About) -> Answer:
    job = about.job
    route = spoken_route(job, route_in(about.row))
    if not route.set_ups:
        return "It has no route yet: propose one in its room", []
    says = [
        f"{n}. {up.hold}: {', '.join(spoken(line) for line in up.does)}"
        for n, up in enumerate(route.set_ups, 1)
    ]
    broken = check(job, route).broken
    head = (
        f"{len(says)} set-ups" if not broken else f"{len(says)} set-ups, {len(broken)} rules broken"
    )
    return head, says


def _tools(about: _About) -> Answer:
    tools = list(dict.fromkeys(one.tool for one in about.job.operations if one.tool))
    return ", ".join(tools) or "none", []


def _hold(about: _About) -> Answer:
    route = spoken_route(about.job, route_in(about.row))
    if not route.set_ups:
        return "It has no route yet: propose one in its room", [h.key for h in about.job.holds[:4]]
    says = [f"{n}. {up.hold}" for n, up in enumerate(route.set_ups, 1)]
    second = "second" in about.words and len(says) > 1
    return says[1 if second else 0], says


_ANSWERS: dict[str, Callable[[_About], Answer]] = {
    "show": _show,
    "size": _size,
    "weight": _weight,
    "stock": _stock,
    "speed": _speed,
    "tap": _tap,
    "torque": _torque,
    "places": _places,
    "count": _count,
    "time": _time,
    "fit": _fit,
    "next": _next,
    "done": _next,
    "order": _order,
    "check": _order,
    "tools": _tools,
    "hold": _hold,
}
_TITLES = {
    "show": "as drawn",
    "size": "its sizes",
    "weight": "how heavy it is",
    "stock": "what it is made from",
    "speed": "how fast it turns",
    "torque": "how hard it is tightened",
    "tap": "which drill before the tap",
    "places": "where its holes are",
    "count": "how many",
    "time": "how long it takes",
    "fit": "what it goes with",
    "next": "what next",
    "done": "how far it is",
    "order": "its order of work",
    "check": "its order of work",
    "tools": "its tools",
    "hold": "how it is held",
}
