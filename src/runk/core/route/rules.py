"""Every rule a route is checked against, and the checking."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.route.held_rules import HELD_RULES
from runk.core.route.order_rules import ORDER_RULES
from runk.core.route.route import Job, Route
from runk.core.route.rule import Broken, Rule, Severity, Walk
from runk.core.route.setting_rules import SETTING_RULES
from runk.core.route.watch_rules import WATCH_RULES

RULES: tuple[Rule, ...] = (*ORDER_RULES, *SETTING_RULES, *HELD_RULES, *WATCH_RULES)
BY_KEY = {rule.key: rule for rule in RULES}


@dataclass(frozen=True, slots=True)
class Checked:
    """What a route breaks.

    Args:
        broken: Each place, gravest first.
        overruled: Places that would be broken but for a written reason.
    """

    broken: tuple[Broken, ...]
    overruled: tuple[Broken, ...]


def check(job: Job, route: Route) -> Checked:
    """Every rule a route breaks.

    Overruling counts only with a reason written; what a tool cannot reach, or what is not there
    to be gripped, cannot be overruled.

    >>> from runk.core.route.reading import part_of
    >>> from runk.core.route.route import SetUp
    >>> from runk.demo.back_shed import WORKSHOP
    >>> job = Job(part_of("stub", "brass", "bar 12", ["outside 10, from 0 to 8"]), WORKSHOP)
    >>> hold = "on its bar in the chuck, right end out"
    >>> found = check(job, Route((SetUp(hold, ("part off", "outside 10: turn")),)))
    >>> [one.rule for one in found.broken]
    ['gone', 'lock-the-carriage']
    """
    walk = Walk(job, route)
    broken: list[Broken] = []
    waved: list[Broken] = []
    for rule in RULES:
        reason = route.overruled.get(rule.key, "").strip()
        kept = waved if reason and rule.key not in FIRM else broken
        kept += rule.broken(job, walk)
    grave = {Severity.STOP: 0, Severity.MIND: 1}
    broken.sort(key=lambda one: (grave[BY_KEY[one.rule].severity], one.set_up))
    return Checked(tuple(broken), tuple(waved))


FIRM = frozenset(
    {
        "twice",
        "missing",
        "unknown-line",
        "unknown-hold",
        "out-of-reach",
        "not-there-yet",
        "gone",
        "no-reason",
        "relied-on",
        "isolate-the-drive",
        "whirling",
        "no-room",
        "let-it-set",
    }
)
"""Rules no reason overrules: what cannot be, and what can hurt."""
