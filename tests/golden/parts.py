"""Parts, their sentences and their routes, and what comes of routes that were made worse."""

from __future__ import annotations

import itertools
import random
from collections.abc import Iterator
from dataclasses import asdict

from runk.api.part_wire import part_out
from runk.core.refusals import Refused
from runk.core.route.bill import bill
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job, Route, SetUp
from runk.core.route.rules import check
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.demo.engines import ENGINES
from runk.formats.part_json import proposal_kept
from runk.store.parts import KeptPart
from tests.golden.answers import mark
from tests.route.shelf import PARTS

WORSE = 60


def drawn() -> dict[str, KeptPart]:
    """The parts of both demonstration engines and of the tests, as they are kept."""
    found: dict[str, KeptPart] = {}
    for one in itertools.chain.from_iterable(ENGINES.values()):
        kept = {
            "blank": one.blank,
            "features": list(one.features),
            "notes": list(one.notes),
            "tries": one.tries,
            "alike": one.alike,
            "harden": one.harden,
            "unit": one.unit,
        }
        found[one.name] = KeptPart(1, 1, "Engine", one.name, one.metal, kept, None, (), 1)
    for name, (metal, blank, features, more) in PARTS.items():
        kept = {"blank": blank, "features": features, "unit": "mm", **more}
        found[f"test {name}"] = KeptPart(1, 1, "Engine", name, metal, kept, None, (), 1)
    return found


def job_of(row: KeptPart) -> Job:
    """A part ready to be routed."""
    kept = dict(row.drawn or {})
    blank, features, unit = kept.pop("blank"), kept.pop("features"), kept.pop("unit")
    part = part_of(row.name, row.metal, blank, features, PageUnit(unit), **kept)
    return Job(part, WORKSHOP)


def worse(route: Route, dice: random.Random) -> Route:
    """A route with one thing about it otherwise: a line moved, lost or doubled, a grip changed."""
    ups = [[one.hold, one.packing, list(one.does)] for one in route.set_ups]
    a, b = dice.randrange(len(ups)), dice.randrange(len(ups))
    how = dice.randrange(5)
    if how == 0 and ups[a][2]:
        line = ups[a][2].pop(dice.randrange(len(ups[a][2])))
        ups[b][2].insert(dice.randint(0, len(ups[b][2])), line)
    elif how == 1 and ups[a][2]:
        ups[a][2].pop(dice.randrange(len(ups[a][2])))
    elif how == 2:
        ups[a][0], ups[b][0] = ups[b][0], ups[a][0]
    elif how == 3:
        dice.shuffle(ups)
    else:
        dice.shuffle(ups[a][2])
    return Route(tuple(SetUp(h, tuple(d), p) for h, p, d in ups), route.overruled)


def kept_of(name: str, row: KeptPart) -> Iterator[tuple[str, str]]:
    """Everything that is kept of a part: what of it, and its mark."""
    job = job_of(row)
    yield f"{name}: features", mark([(f.key, asdict(f.asked)) for f in job.part.features])
    yield f"{name}: operations", mark([asdict(one) for one in job.operations])
    yield f"{name}: holds", mark([asdict(one) for one in job.holds])
    yield f"{name}: bill", mark([asdict(one) for one in bill([job.part])])
    try:
        found = propose(job)
    except Refused as refused:
        yield f"{name}: route", mark(refused.says)
        return
    yield f"{name}: route", mark(proposal_kept(found))
    for page in PageUnit:
        routed = KeptPart(
            1, 1, "Engine", row.name, row.metal, row.drawn, proposal_kept(found), (), 1
        )
        yield f"{name}: page in {page}", mark(part_out(routed, WORKSHOP, page))
    dice = random.Random(len(name))
    for n in range(WORSE):
        route = worse(found.route, dice)
        if n % 3 == 0:
            route = worse(route, dice)
        said = [(b.rule, b.says, list(b.operations), b.set_up) for b in check(job, route).broken]
        yield f"{name}: worse {n}", mark(said)
