"""Any turned part somebody may draw: refused in words, or routed as an independent look allows.

The look at the route here shares nothing with the search or the rules: it goes through the lines
by hand with a drawing of its own, a list of what is left of the bar.
"""

from __future__ import annotations

from hypothesis import example, given
from hypothesis import strategies as st

from runk.core.refusals import Refused
from runk.core.route.asked_first import asked_first
from runk.core.route.opened import opened, opened_step
from runk.core.route.played import stages
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job, Route, SetUp
from runk.core.route.rules import check
from runk.core.route.schools import schools_of
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

EXTRAS = (
    "tapped M4, across, at {mid}",
    "drilled 2, across, at {mid}",
    "drilled 3",
    "reamed 4 H7",
    "tapped M5",
    "tapped M3, 6 deep, from the left end, called stud",
    "chamfer 0.5 at 0",
    "groove {neck}, 1 wide, at {mid}",
    "2 flats {flat} across, from {a} to {b}",
    "hexagon {flat} across, from {a} to {b}",
    "keyway 2 wide, 1 deep, from {a} to {b}",
    "keyway in the bore 2 wide, 1 deep, from 0 to {end}",
    "bore {bore} H7, from 0 to {end}",
    "bore {bore}, from 0 to {a}, called recess",
    "4 holes 2 on {circle} circle",
    "4 holes 2 on {circle} circle, 3 deep, from the left end, called back holes",
    "knurl {big}, from {a} to {b}",
    "thread M6, from {end} to {more}",
    "taper {big} down to {small}, from {end} to {more}",
    "counterbore {bore}, from 0 to 2",
    "plane, from the top",
    "slot 3 wide, 2 deep, from {a} to {b}, from the top",
    "passage 1.5, 45 degrees, at {mid}",
    "eccentric {small}, throw 1, from {end} to {more}",
    "crankpin {small} h6, throw 2, from {end} to {more}",
)
BLANKS = (
    "bar {stock}",
    "bar {stock}, {long} long",
    "casting {stock}, 2 to come off",
    "casting {stock}, 1 to come off, cored 5",
    "hexagon bar {stock}",
    "casting",
)


@st.composite
def drawn(draw: st.DrawFn) -> tuple[str, list[str], dict[str, object]]:
    """A stepped part with a few of everything on it."""
    steps = draw(st.lists(st.integers(4, 30), min_size=1, max_size=4))
    at, lines, sizes = 0, [], []
    for wide in steps:
        long = draw(st.integers(2, 40))
        limits = draw(st.sampled_from(["", " h6", " -0.02 -0.04", " +0.1 -0.1"]))
        kind = draw(st.sampled_from(["outside", "outside", "journal"]))
        lines.append(f"{kind} {wide}{limits}, from {at} to {at + long}")
        at += long
        sizes.append(wide)
    big, small = max(sizes), min(sizes)
    numbers = {
        "mid": at // 2,
        "a": at // 3,
        "b": max(2 * at // 3, at // 3 + 1),
        "end": at,
        "more": at + 10,
        "neck": max(small - 1, 1),
        "flat": max(small - 2, 1),
        "bore": max(small - 3, 1),
        "circle": max(big - 4, 2),
        "big": big,
        "small": small,
        "stock": big + 4,
        "long": at + 30,
    }
    faces = [f"face at {x}" for x in (0, at) if draw(st.integers(0, 4))]
    extras = draw(st.lists(st.sampled_from(EXTRAS), max_size=4, unique=True))
    lines = [*faces, *lines, *(one.format(**numbers) for one in extras)]
    more = {"alike": draw(st.sampled_from([1, 1, 3])), "harden": draw(st.integers(0, 5)) == 0}
    return draw(st.sampled_from(BLANKS)).format(**numbers), lines, more


def go_through(job: Job, set_ups: tuple[SetUp, ...]) -> None:
    """Every operation once, in an order a hand could follow, and nothing held by what is not there."""
    done: list[str] = []
    for one in set_ups:
        hold = job.hold_by_key[one.hold]
        assert hold.needs <= set(done), (one.hold, "is not there yet")
        assert not hold.gone & set(done), (one.hold, "is gone")
        for line in one.does:
            if line not in job.by_key:
                continue
            assert line not in done
            operation = job.by_key[line]
            assert operation.machine in (hold.machine, "bench")
            verbs = [k.rpartition(": ")[2] for k in done if k.startswith(f"{operation.feature}: ")]
            if operation.verb in ("finish", "ream", "tap", "cut thread", "knurl"):
                assert verbs or not operation.feature
            if "part off" in done:
                assert not hold.cuts_off
            done.append(line)
    assert sorted(done) == sorted(job.by_key)


@cases(80)
@given(drawn())
@example(("bar 12", ["outside 8, from 0 to 10", "thread M6, from 10 to 20"], {}))
@example(("casting", ["bore 20 H7, from 0 to 30", "plane, from the bottom"], {}))
def test_any_part_is_routed_or_refused_in_words(
    given_: tuple[str, list[str], dict[str, object]],
) -> None:
    blank, lines, more = given_
    try:
        job = Job(part_of("it", "silver-steel", blank, lines, **more), WORKSHOP)
        found = propose(job)
    except Refused as refused:
        assert refused.says
        return
    go_through(job, found.route.set_ups)
    assert [one.rule for one in found.broken] == [
        one.rule for one in check(job, found.route).broken
    ]
    route = Route(found.route.set_ups)
    views = list(stages(job, route))
    assert len(views) == len(route.set_ups) + 1
    for n in range(1, len(route.set_ups) + 1):
        assert all(one.says for one in asked_first(job, route, n))
    for operation in job.operations:
        opened(job.part, operation)
    for one in route.set_ups:
        for line in one.does:
            opened_step(job.part, line)
    schools_of(job.part)
    # Torn apart any way, the checker finds it and does not fall over.
    backwards = Route(tuple(SetUp(one.hold, one.does[::-1]) for one in route.set_ups[::-1]))
    check(job, backwards)
    asked_first(job, Route(route.set_ups[:1]), 1)
