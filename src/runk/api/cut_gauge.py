"""The gauge of a cut made on the simulated lathe."""

from __future__ import annotations

from runk.api.cutbook import Page
from runk.core.plan.events import Event, EventKind, standing_events
from runk.core.plan.passes import next_pass
from runk.core.plan.spec import Job
from runk.core.plan.thread_passes import goes, tells
from runk.core.refusals import Refused
from runk.gauges import Gauge
from runk.gauges.played import PlayedMicrometer, played


def simulated_gauge(page: Page, again: bool) -> Gauge:
    """The micrometer of a cut that is made on the simulated lathe.

    Raises:
        Refused: The cut is a real one, and no gauge is connected.
    """
    if page.cut.seed is None:
        raise Refused("No gauge is connected: type the reading.", field="reading")
    events = tuple(standing_events(list(page.events)))
    return PlayedMicrometer(page.cut.spec, page.cut.seed, events, not again)


def tried_or_made(page: Page, again: bool) -> Event | None:
    """What a press of the simulated gauge does where no micrometer can read a thread, yet or ever.

    Returns:
        Its pass made, while it is too shallow for anything to tell of it; how a nut's screw goes;
        None where it is read like any other size.
    """
    spec, where = page.cut.spec, page.where
    if page.cut.seed is None or not spec.threaded:
        return None
    told = None if again else next_pass(spec, where.at)
    may_read = spec.job is Job.THREAD and where.made == 0
    if told is not None and not (may_read and tells(spec, told.leaves_mm)):
        return Event(0, EventKind.DONE)
    if spec.job is not Job.NUT:
        return None
    lathe, _ = played(spec, page.cut.seed, standing_events(list(page.events)))
    return Event(0, goes(spec, lathe.left_mm), wound=0.0)
