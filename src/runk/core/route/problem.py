"""A part's route as a problem of bits: what waits for what, what is reached from where."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from runk.core.cutting.reach import FREE_MOST
from runk.core.refusals import Refused
from runk.core.route.belts import belt_of
from runk.core.route.feature_question import INSIDE
from runk.core.route.grips import (
    astray,
    ends_faced,
    finishing,
    grips_finished,
    stands_out,
    waits_for_face,
    whips,
)
from runk.core.route.hold import Hold, too_short
from runk.core.route.operations import PART_OFF, Operation, spare
from runk.core.route.order_rules import ORDER_RULES
from runk.core.route.room import no_room, too_far
from runk.core.route.route import Job
from runk.core.route.setting_rules import SETTING_RULES
from runk.core.said import mm_said


@dataclass(frozen=True, slots=True)
class Group:
    """Done in a set-up only with others of the same set-up.

    Args:
        one: The operation's bit.
        others: Bits of those it goes with.
        every: Whether all of them, or any.
    """

    one: int
    others: int
    every: bool

    def holds(self, here: int) -> bool:
        """Whether a set-up in which these were done may be let go."""
        if self.every:
            inside = here & (self.one | self.others)
            return inside in (0, self.one | self.others)
        return not here & self.one or bool(here & self.others)


@dataclass(frozen=True, slots=True)
class Place:
    """A way of holding, as bits.

    Args:
        reach: Operations it reaches.
        needs: Operations that must be done before.
        gone: Operations after which it is gone.
        machine: Number of its machine.
        marks: Operations after which hard jaws would mark it.
        first: Facings of an end that stands free: before all else.
    """

    reach: int
    needs: int
    gone: int
    machine: int
    marks: int
    first: int = 0


@dataclass(frozen=True)
class Problem:
    """What a route has to do.

    Args:
        before: For each operation the bits of those it waits for.
        places: Ways of holding.
        groups: What is done without letting go.
        tool: Number of each operation's tool; ``belt`` of its belt.
        ends: Bit of what ends a set-up: parting off.
        waits: Bits of what waits for the facing of the end it is done from.
    """

    before: tuple[int, ...]
    places: tuple[Place, ...]
    groups: tuple[Group, ...]
    tool: tuple[int, ...]
    belt: tuple[int, ...]
    ends: int = 0
    waits: int = 0

    @property
    def all(self) -> int:
        """Bits of every operation."""
        return (1 << len(self.before)) - 1


def posed(job: Job, without: frozenset[str] = frozenset()) -> Problem:
    """The problem of a part.

    Args:
        job: The part.
        without: Keys of rules that are left out.
    """
    operations = job.operations
    bit = {one.key: 1 << n for n, one in enumerate(operations)}
    before = [0] * len(operations)
    number = {one.key: n for n, one in enumerate(operations)}
    for rule in ORDER_RULES:
        if rule.key not in without:
            for first, later in rule.pairs(job):
                before[number[later]] |= bit[first]
    machines = {"lathe": 0, "mill": 1, "bench": 2}
    places = tuple(
        Place(
            reach=sum(bit[one.key] for one in operations if allowed(job, hold, one, without)),
            needs=sum(bit[key] for key in hold.needs),
            gone=sum(bit[key] for key in hold.gone),
            machine=machines[hold.machine],
            marks=_marks(job, hold, bit),
            first=sum(bit[key] for key in ends_faced(job, hold)),
        )
        for hold in job.holds
    )
    groups = tuple(
        Group(bit[one], sum(bit[other] for other in others), rule.every)
        for rule in SETTING_RULES
        if rule.key not in without
        for one, others in rule.groups(job)
    )
    tools: dict[str, int] = {}
    belts: dict[str, int] = {}
    return Problem(
        tuple(before),
        places,
        groups,
        tuple(tools.setdefault(one.tool, len(tools)) for one in operations),
        tuple(belts.setdefault(_belt(job, one), len(belts)) for one in operations),
        bit.get(PART_OFF, 0),
        sum(bit[one.key] for one in operations if waits_for_face(one)),
    )


def _marks(job: Job, hold: Hold, bit: Mapping[str, int]) -> int:
    last = finishing(job, hold.on) if hold.on else ""
    return bit[last] if last and grips_finished(job, hold, [last]) else 0


def _belt(job: Job, one: Operation) -> str:
    return f"{one.machine} {belt_of(one, job.workshop).position}"


def allowed(job: Job, hold: Hold, one: Operation, without: frozenset[str] = frozenset()) -> bool:
    """Whether an operation may be proposed so held: it is reached, and breaks no rule of grip."""
    if not hold.reaches(one) or ("short-grip" not in without and too_short(job.part, hold)):
        return False
    inside = one.feature != "" and job.part.by_key[one.feature].kind in INSIDE
    if hold.thin and inside and one.verb == "finish":
        return False
    if astray(job, hold, one):
        return False
    if no_room(job, hold) or too_far(job, one):
        return False
    carried = "right end: centre" in job.by_key and "right" in hold.out
    return carried or not whips(job, hold, one)


def see_possible(job: Job, problem: Problem) -> None:
    """See that everything can be reached sooner or later.

    Raises:
        Refused: Nothing in the workshop holds it so that some feature can be reached.
    """
    done = 0
    while True:
        reach = 0
        for place in problem.places:
            if place.needs & done == place.needs:
                reach |= place.reach
        more = done
        for n, waits in enumerate(problem.before):
            if reach >> n & 1 and waits & done == waits:
                more |= 1 << n
        if more == done:
            break
        done = more
    if done == problem.all:
        return
    stuck = [n for n in range(len(problem.before)) if not done >> n & 1]
    never = [n for n in stuck if not any(p.reach >> n & 1 for p in problem.places)]
    one = job.operations[(never or stuck)[0]]
    why, way_out = _why(job, one, bool(never))
    raise Refused(
        f"{job.part.name}: {one.key}: {why}.", field=one.feature or one.key, suggest=way_out
    )


_TOO_LONG = (
    f"it stands out more than {FREE_MOST:.0f} of its diameters and takes no centre",
    "a steady, a thicker bar, or the part in shorter pieces",
)
_NO_ROOM = "a larger machine, or the part in shorter pieces"
_OTHERWISE = "another side for it, or something else to hold it by"


def _why(job: Job, one: Operation, never: bool) -> tuple[str, str]:
    """Why an operation cannot be done, and a way out."""
    reaching = [hold for hold in job.holds if hold.reaches(one)]
    room = {too_far(job, one), *(no_room(job, hold) for hold in reaching)} - {""}
    long = job.part.long - job.part.begin
    piece = f"a chucking piece: casting, {mm_said(long + 20)} long"
    other = piece if job.part.cast and not spare(job.part) else _OTHERWISE
    if reaching and all(hold.thin for hold in reaching):
        return (
            "every way of holding it presses on a thin wall, and the bore goes three-cornered",
            other,
        )
    if reaching and all(stands_out(job, hold, one) > FREE_MOST for hold in reaching):
        return _TOO_LONG
    if room:
        return min(room), _NO_ROOM
    if never:
        return "no way of holding in this workshop reaches it", other
    return "what would hold it is not there until it is done", other


def overruled_keys(overruled: Mapping[str, str]) -> frozenset[str]:
    """Rules overruled with a reason."""
    return frozenset(key for key, reason in overruled.items() if reason.strip())
