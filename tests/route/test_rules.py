"""Every rule: a route that breaks it, and one that does not. Rules are TRADE's: common practice."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

import pytest

from runk.core.refusals import Refused
from runk.core.route.feature import FEATURE
from runk.core.route.propose import propose
from runk.core.route.reading import feature_said, part_of
from runk.core.route.route import Job, Route, SetUp, step_of
from runk.core.route.rule import Order, Together
from runk.core.route.rules import FIRM, RULES, check
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.formats.part_json import said as said_back
from tests.route.shelf import PARTS, job, proposed

ORDERED = [rule for rule in RULES if isinstance(rule, Order)]
GROUPED = [rule for rule in RULES if isinstance(rule, Together)]
CHUCK = "on its bar in the chuck, right end out"


def broken(name: str, route: Route) -> set[str]:
    return {one.rule for one in check(job(name), route).broken}


def test_there_are_rules_enough_and_each_says_why() -> None:
    assert len(RULES) >= 40
    assert len({rule.key for rule in RULES}) == len(RULES)
    for rule in RULES:
        assert rule.name
        assert rule.source.title
        assert rule.reason or rule.mend


def moved(route: Route, first: str, later: str) -> Route:
    """The same route with one operation brought in behind another."""
    without = [[line for line in one.does if line != first] for one in route.set_ups]
    for lines in without:
        if later in lines:
            lines.insert(lines.index(later) + 1, first)
    return Route(
        tuple(
            replace(one, does=tuple(lines))
            for one, lines in zip(route.set_ups, without, strict=True)
        )
    )


@pytest.mark.parametrize("rule", ORDERED, ids=lambda rule: rule.key)
def test_an_order_turned_round_is_found(rule: Order) -> None:
    tried = 0
    for name in PARTS:
        route = proposed(name).route
        assert rule.key not in broken(name, route)
        for first, later in list(rule.pairs(job(name)))[:3]:
            found = [
                one
                for one in check(job(name), moved(route, first, later)).broken
                if one.rule == rule.key
            ]
            assert any({first, later} <= set(one.operations) for one in found)
            assert all(one.set_up for one in found)
            tried += 1
    assert tried


def test_what_comes_too_late_of_one_feature_is_said_once() -> None:
    lines = ["face at 0", "outside 14, from 0 to 12", "bore 8 H7, from 0 to 12"]
    bush = Job(part_of("bush", "brass", "bar 16", lines), WORKSHOP)
    bored = tuple(f"bore 8: {verb}" for verb in ("centre", "drill", "rough", "finish"))
    route = Route((SetUp(CHUCK, ("face 0: face", "outside 14: turn", "part off", *bored)),))
    found = [one for one in check(bush, route).broken if one.rule == "through-before-parting"]
    assert [one.operations for one in found] == [(*bored, "part off")]
    assert found[0].says.startswith("part off comes before bore 8: centre, drill, rough, finish.")


def test_a_collet_that_is_not_there_is_named_with_those_that_are() -> None:
    pin = ["face at 0", "face at 40", "outside 11.37 h6, from 0 to 40"]
    odd = Job(part_of("odd", "brass", "bar 16", pin), WORKSHOP)
    held_so = Route((SetUp("in a collet on outside 11.37, left end out", ("face 40: face",)),))
    says = [one.says for one in check(odd, held_so).broken if one.rule == "unknown-hold"]
    assert len(says) == 1
    said = worded(says[0], PageUnit.MM)
    assert "no collet closes on outside 11.37, 11.37 mm: the nearest are 10 mm" in said


def torn(route: Route, key: str) -> Route:
    """The same route with one operation in a set-up of its own at the end."""
    hold = next(one.hold for one in route.set_ups if key in one.does)
    kept = tuple(
        replace(one, does=tuple(line for line in one.does if line != key)) for one in route.set_ups
    )
    return Route((*kept, SetUp(hold, (key,))))


@pytest.mark.parametrize("rule", GROUPED, ids=lambda rule: rule.key)
def test_what_goes_together_torn_apart_is_found(rule: Together) -> None:
    tried = 0
    for name in PARTS:
        route = proposed(name).route
        assert rule.key not in broken(name, route)
        for one, _ in rule.groups(job(name)):
            assert rule.key in broken(name, torn(route, one))
            tried += 1
    assert tried


def without(route: Route, step: str) -> Route:
    return Route(
        tuple(
            replace(one, does=tuple(x for x in one.does if step_of(x) != step))
            for one in route.set_ups
        )
    )


def swapped(route: Route, first: str, later: str) -> Route:
    """Each step of one kind brought behind the next of another."""

    def lines(does: tuple[str, ...]) -> Iterator[str]:
        kept = [line for line in does if step_of(line) != first]
        taken = [line for line in does if step_of(line) == first]
        for line in kept:
            yield line
            if step_of(line) == later and taken:
                yield taken.pop(0)

    return Route(tuple(replace(one, does=tuple(lines(one.does))) for one in route.set_ups))


def held(route: Route, n: int, hold: str, packing: str = "") -> Route:
    ups = list(route.set_ups)
    ups[n] = replace(ups[n], hold=hold, packing=packing)
    return Route(tuple(ups))


def own(blank: str, *features: str) -> Job:
    return Job(part_of("piece", "mild-steel", blank, features), WORKSHOP)


def shimmed(route: Route) -> Route:
    """The same with a shim laid between the halves before they are bolted."""
    return Route(
        tuple(
            replace(
                one,
                does=tuple(
                    line
                    for key in one.does
                    for line in (
                        [key, "note: shim 0.1 between"] if key == "halves: bolt" else [key]
                    )
                ),
            )
            for one in route.set_ups
        )
    )


def first_set_up(name: str) -> Route:
    return Route(proposed(name).route.set_ups[:1])


LONG = own("bar 12", "face at 0", "outside 10, from 0 to 80")
WHIP = own("bar 6", "face at 0", "outside 5, from 0 to 90")
SHORT = own(
    "bar 30, 42 long",
    "face at 0",
    "face at 40",
    "outside 20, from 0 to 36",
    "outside 28, from 36 to 40, called rim",
)
THIN = own(
    "bar 32, 21 long",
    "face at 0",
    "face at 20",
    "outside 30 h7, from 0 to 20",
    "bore 27 H7, from 0 to 20",
)
RING = own(
    "bar 25", "face at 0", "face at 1.5", "outside 22, from 0 to 1.5", "bore 19, from 0 to 1.5"
)
CUP = own("bar 30", "face at 0", "face at 70", "outside 28, from 0 to 70", "bore 26, from 0 to 68")
SHOULDERED = own(
    "bar 12", "face at 0", "face at 20", "thread M6, from 0 to 10", "outside 10, from 10 to 20"
)
SOFT = Job(
    part_of("pin", "mild-steel", "bar 12", ["face at 0", "outside 8, from 0 to 9"], harden=True),
    WORKSHOP,
)
SPARE = "in the chuck on its spare end, right end out"
PORTED = own(
    "casting 44, 2 to come off",
    "face at 0",
    "face at 50",
    "outside 40, from 0 to 50",
    "6 holes 3 on 34 circle, 12 deep, from the right end, turned 30 degrees",
    "slot 4 wide, 5 deep, from 8 to 18, from the top",
)

# rule, the part, a route that breaks it
WATCHED = [
    (
        "packing",
        job("piston"),
        held(proposed("piston").route, 1, "jaws on outside 22, left end out"),
    ),
    ("thin-wall", THIN, Route((SetUp("jaws on outside 30, left end out", ("bore 27: finish",)),))),
    ("plug-it", CUP, Route(tuple(replace(one, packing="") for one in propose(CUP).route.set_ups))),
    ("nothing-between", job("split rod"), shimmed(proposed("split rod").route)),
    ("long-overhang", LONG, Route((SetUp(CHUCK, ("outside 10: turn",)),))),
    ("whirling", WHIP, Route((SetUp(CHUCK, ("outside 5: turn",)),))),
    (
        "between-centres",
        job("crankshaft"),
        Route((SetUp("in the chuck on its spare end, right end out", ("journal 10: finish",)),)),
    ),
    (
        "tapered-grip",
        job("spindle"),
        Route((SetUp("jaws on taper 16, left end out", ("face 90: face",)),)),
    ),
    ("short-grip", SHORT, Route((SetUp("jaws on rim, right end out", ("face 0: face",)),))),
    ("balance", job("wheel"), without(proposed("wheel").route, "balance")),
    ("set-true", job("piston"), without(proposed("piston").route, "set true")),
    ("measure-first", job("gland"), without(proposed("gland").route, "measure")),
    ("try-first", job("cylinder"), without(proposed("cylinder").route, "try")),
    ("deburr-first", job("cylinder"), swapped(proposed("cylinder").route, "deburr", "try")),
    ("cool-first", job("gland"), without(proposed("gland").route, "cool")),
    (
        "isolate-the-drive",
        job("tapped boss"),
        without(proposed("tapped boss").route, "isolate the drive"),
    ),
    ("lock-the-carriage", job("gland"), without(proposed("gland").route, "lock the carriage")),
    ("look-it-over", job("wheel"), without(proposed("wheel").route, "look over")),
    ("sand-out", job("cylinder"), without(proposed("cylinder").route, "clean out")),
    ("mark-alike", job("cylinder"), without(proposed("cylinder").route, "mark")),
    ("deburr-crossings", job("link"), without(proposed("link").route, "deburr")),
    (
        "twice",
        job("gland"),
        Route(
            (
                *proposed("gland").route.set_ups,
                SetUp("jaws on flange, left end out", ("face 14: face",)),
            )
        ),
    ),
    ("missing", job("gland"), first_set_up("gland")),
    ("unknown-line", job("gland"), Route((SetUp(CHUCK, ("polish the flange",)),))),
    ("unknown-hold", job("gland"), held(proposed("gland").route, 1, "in a vacuum chuck")),
    (
        "face-first",
        job("tapped boss"),
        moved(proposed("tapped boss").route, "face 0: face", "tapped M6: drill"),
    ),
    (
        "out-of-reach",
        job("gland"),
        held(proposed("gland").route, 1, "jaws on flange, right end out"),
    ),
    ("not-there-yet", job("piston"), Route(proposed("piston").route.set_ups[::-1])),
    (
        "gone",
        job("gland"),
        Route((*proposed("gland").route.set_ups, SetUp(CHUCK, ("chamfer 0: chamfer",)))),
    ),
    (
        "idle-set-up",
        job("gland"),
        Route(
            (*proposed("gland").route.set_ups, SetUp("jaws on flange, left end out", ("deburr",)))
        ),
    ),
    ("no-reason", job("gland"), replace(proposed("gland").route, overruled={"datum-first": " "})),
    (
        "no-room",
        own("bar 200", "face at 0", "outside 190, from 0 to 40"),
        Route((SetUp(CHUCK, ("face 0: face",)),)),
    ),
    ("let-it-set", RING, without(propose(RING).route, "bond")),
    ("dry-first", job("crankshaft"), Route((SetUp(SPARE, ("bond the webs",)),))),
    (
        "first-of-alike",
        job("cylinder"),
        replace(
            proposed("cylinder").route,
            set_ups=tuple(
                replace(
                    one, does=tuple(x.replace(", the first before the rest", "") for x in one.does)
                )
                for one in proposed("cylinder").route.set_ups
            ),
        ),
    ),
    ("hardens", SOFT, Route((SetUp("at the hearth", ("harden", "temper")),))),
    ("room-to-run-out", SHOULDERED, propose(SHOULDERED).route),
    ("clear-of-ports", PORTED, propose(PORTED).route),
    (
        "relied-on",
        job("piston"),
        Route(
            (SetUp("on a mandrel in bore 14", ("face 24: face",)),),
            {"bore-and-face": "bored on the mill"},
        ),
    ),
]


@pytest.mark.parametrize(("key", "of", "route"), WATCHED, ids=[row[0] for row in WATCHED])
def test_what_is_watched_for_is_seen(key: str, of: Job, route: Route) -> None:
    found = [one for one in check(of, route).broken if one.rule == key]
    assert found
    assert found[0].says
    clean = propose(job("gland"))
    assert key not in {one.rule for one in clean.broken}


def test_every_rule_has_been_broken_here() -> None:
    assert {row[0] for row in WATCHED} | {r.key for r in ORDERED} | {r.key for r in GROUPED} == {
        r.key for r in RULES
    }


@pytest.mark.parametrize("name", PARTS)
def test_what_is_proposed_breaks_nothing_grave(name: str) -> None:
    grave = [one for one in proposed(name).broken if one.rule not in ("long-overhang",)]
    assert not grave


def test_a_rule_is_overruled_with_a_reason_and_only_where_one_may() -> None:
    route = without(proposed("gland").route, "cool")
    assert "cool-first" in broken("gland", route)
    waved = replace(route, overruled={"cool-first": "Brass, light cuts, no warmth in it."})
    assert "cool-first" not in broken("gland", waved)
    assert [one.rule for one in check(job("gland"), waved).overruled]
    torn_off = replace(first_set_up("gland"), overruled={"missing": "later", "gone": "never mind"})
    assert "missing" in broken("gland", torn_off)
    assert {"missing", "gone", "isolate-the-drive"} <= FIRM


def test_overruling_a_rule_lets_a_shorter_route_through() -> None:
    kept = len(proposed("crankshaft").route.set_ups)
    freed = propose(
        job("crankshaft"), {"between-centres": "", "pins-before-journals": "built up trial"}
    )
    assert len(freed.route.set_ups) <= kept


@pytest.mark.parametrize(
    ("blank", "features", "field"),
    [
        ("bar 25", [], "features"),
        ("bar 25", ["outside 30, from 0 to 10"], "outside 30"),
        ("bar 25, 30 long", ["face at 0", "outside 20, from 0 to 40"], "outside 20"),
        ("bar 25", ["outside 20, from 0 to 40", "bore 22, from 0 to 40"], "bore 22"),
        ("bar 25", ["outside 20, from 0 to 0"], "end"),
        ("bar 25", ["bore 22 at the back"], None),
        ("bar 25", ["holes 3"], None),
        ("bar 25", ["taper 12 down to 12, from 0 to 10"], "small"),
        ("bar 25", ["crankpin 8, throw 12, from 0 to 10"], "crankpin 8"),
        (
            "bar 25",
            ["outside 20, from 0 to 9", "4 holes 3 on 18 circle, from the right end"],
            "holes 3",
        ),
        (
            "bar 25",
            ["outside 24, from 0 to 9", "bore 12, from 0 to 9", "4 holes 3 on 14 circle"],
            "holes 3",
        ),
        ("bar 25", ["outside 24, from 0 to 9", "12 holes 5 on 16 circle"], "holes 5"),
        ("bar 25", ["outside 20, from 0 to 9", "tapped M6", "drilled 6"], "drilled 6"),
        ("bar", ["face at 0"], None),
        ("plate 60 by 40", ["plane, from the top"], None),
    ],
)
def test_a_part_that_cannot_be_is_refused_with_its_feature(
    blank: str, features: list[str], field: str | None
) -> None:
    with pytest.raises(Refused) as refused:
        part_of("piece", "brass", blank, features)
    assert field is None or refused.value.field == field
    assert refused.value.says


def test_what_no_holding_reaches_is_refused_naming_it() -> None:
    blind = part_of(
        "cup",
        "brass",
        "casting 40",
        [
            "bore 30, from 5 to 20",
            "bore 10, from 0 to 5, called neck",
            "bore 10, from 20 to 25, called other neck",
            "face at 0",
            "face at 25",
        ],
    )
    lone = part_of(
        "disc",
        "brass",
        "plate 40 by 40 by 5",
        ["drilled 3, from the right end", "plane, from the top"],
    )
    assert propose(Job(blind, WORKSHOP)).route.set_ups
    with pytest.raises(Refused, match=r"drilled 3|no way"):
        propose(
            Job(
                replace(lone, features=(*lone.features,)),
                replace(WORKSHOP, machines=WORKSHOP.machines[:1]),
            )
        )
    thin = part_of(
        "ring",
        "brass",
        "bar 32, 21 long",
        ["face at 0", "face at 20", "bore 29 H7, from 0 to 20", "outside 30 h7, from 0 to 20"],
    )
    assert propose(Job(thin, WORKSHOP)).route.set_ups


def test_two_hundred_features_are_answered_and_more_refused() -> None:
    many = ["face at 0", *(f"groove 20, 1 wide, at {n * 2 + 1}" for n in range(199))]
    part = part_of("comb", "brass", "bar 25", many)
    found = propose(Job(part, WORKSHOP))
    assert len(found.route.set_ups) == 1
    with pytest.raises(Refused):
        part_of("comb", "brass", "bar 25", [*many, "chamfer 1 at 0"])


@pytest.mark.parametrize(
    ("page", "line", "said"),
    [
        (
            "inch",
            "outside 1 1/8 -0.001 -0.002, from 3/16 to 1 3/16",
            'Outside 1.125" -0.001" -0.002", from 0.1875" to 1.1875"',
        ),
        ("inch", "face at 2 1/4", 'Face at 2.25"'),
        ("inch", "bore 11/16 H7 from 0 to 1 3/8", 'Bore 0.6875" H7, from 0" to 1.375"'),
        ("mm", "od 30 -0 -0.02 from 0 to 24", "Outside 30 mm +0 mm -0.02 mm, from 0 mm to 24 mm"),
        ("mm", "M6 thread from 0 to 10", "Thread M6, from 0 mm to 10 mm"),
        ("mm", "tap M4 10 deep", "Tapped hole M4, 10 mm deep"),
        ("mm", "reamed 6 H7 right through", "Reamed hole 6 mm H7"),
        ("mm", "groove 2 wide, 18, at 12", "Groove 18 mm, 2 mm wide, at 12 mm"),
        (
            "mm",
            "crank pin 8 h6, throw 9, from 30 to 36",
            "Crankpin 8 mm h6, throw 9 mm, from 30 mm to 36 mm",
        ),
        (
            "mm",
            "port 3 wide, 5 deep, from 8 to 18, from the top",
            "Slot 3 mm wide, 5 mm deep, from 8 mm to 18 mm, from the top",
        ),
        ("mm", "2 flats 10 across, from 5 to 12", "2 flats 10 mm across, from 5 mm to 12 mm"),
    ],
)
def test_a_feature_is_read_as_a_tired_person_types_it(page: str, line: str, said: str) -> None:
    """No word of it is lost, and what is said back reads the same again."""
    unit = PageUnit(page)
    asked = feature_said(line, unit)
    assert said_back(FEATURE, asked, unit) == said
    assert feature_said(said, unit) == asked
