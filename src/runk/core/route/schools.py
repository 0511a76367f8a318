"""Where good workers differ: the two ways of a part, and what each costs."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace

from runk.core.route.built_up import built_up
from runk.core.route.hours import set_up_min
from runk.core.route.operations import thrown
from runk.core.route.part import Part, on_axis
from runk.core.route.propose import propose
from runk.core.route.route import Job


@dataclass(frozen=True, slots=True)
class Way:
    """One of two schools.

    Args:
        key: In what is kept.
        name: In words.
        costs: What it asks and what it brings.
    """

    key: str
    name: str
    costs: str


@dataclass(frozen=True, slots=True)
class School:
    """A question good workers answer in two ways; the first way is the default.

    Args:
        key: In what is kept.
        name: The question.
        where: Whether it is asked of a part.
        ways: The two answers.
    """

    key: str
    name: str
    where: Callable[[Part], bool]
    ways: tuple[Way, Way]


def rod_holes(part: Part) -> tuple[str, ...]:
    """Holes on the axis of a piston that its rod goes into.

    A piston runs free on its largest diameter: a gland has a flange, a bush is tight.
    """
    largest = max((f for f in part.features if f.round_outside), key=lambda f: f.size, default=None)
    if largest is None or largest.kind != "outside" or not largest.fine:
        return ()
    if largest.limits is not None and largest.limits[1] > largest.size:
        return ()
    return tuple(
        f.key
        for f in part.features
        if f.kind in ("tapped", "reamed") and on_axis(f) and f.key in part.tries
    )


SCHOOLS = (
    School(
        "piston",
        "Where is its outside finished?",
        lambda part: bool(rod_holes(part)),
        (
            Way(
                "bush",
                "on a mandrel or a stub",
                "Quicker, and grooves may run out a little; the rod need not be there yet.",
            ),
            Way(
                "rod",
                "on its own rod",
                "Runs true with the rod for good; the rod comes first, through cover and gland.",
            ),
        ),
    ),
    School(
        "holes",
        "How do its holes meet its mate's?",
        lambda part: any(f.kind == "holes" and f.key in part.tries for f in part.features),
        (
            Way(
                "set out",
                "each set out by itself",
                "Parts stay alike and change places; both have to be set out true.",
            ),
            Way(
                "through",
                "drilled through the mate",
                "They meet whatever the setting out was; the pair is marked and stays a pair.",
            ),
        ),
    ),
    School(
        "crank",
        "How is the crank made?",
        thrown,
        (
            Way(
                "solid",
                "from the solid",
                "One piece, nothing to come loose; long interrupted cuts and two pairs of centres.",
            ),
            Way(
                "built",
                "built up",
                "Plain turning and reaming; joints to bond and pin, and the shaft cut away last.",
            ),
        ),
    ),
)


@dataclass(frozen=True, slots=True)
class Costed:
    """What a way takes.

    Args:
        set_ups: In all, of every part it makes.
        minutes: In all.
        parts: How many parts it makes of this one.
        proved: Whether no fewer set-ups do.
    """

    set_ups: int
    minutes: float
    parts: int
    proved: bool


def schools_of(part: Part) -> tuple[School, ...]:
    """The questions asked of a part.

    >>> from runk.core.route.reading import part_of
    >>> [one.key for one in schools_of(part_of("pin", "brass", "bar 6", ["face at 0"]))]
    []
    """
    return tuple(one for one in SCHOOLS if one.where(part))


def costed(job: Job, school: School, way: Way) -> Costed:
    """What a way of a school takes on this workshop's machines.

    Args:
        job: The part.
        school: The question.
        way: One of its answers.

    Raises:
        Refused: It cannot be held so.
    """
    parts = [replace(job.part, schools={**job.part.schools, school.key: way.key})]
    if (school.key, way.key) == ("crank", "built"):
        parts = [one.part for one in built_up(job.part)]
    jobs = [Job(one, job.workshop) for one in parts]
    found = [propose(one) for one in jobs]
    minutes = sum(
        set_up_min(one, up) * one.part.alike
        for one, said in zip(jobs, found, strict=True)
        for up in said.route.set_ups
    )
    return Costed(
        sum(len(said.route.set_ups) for said in found),
        minutes,
        len(parts),
        all(said.proved for said in found),
    )
