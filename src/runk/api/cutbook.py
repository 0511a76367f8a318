"""Cuts being followed: each is folded once and then only from its last event on."""

from __future__ import annotations

import threading
from collections import OrderedDict
from contextlib import AbstractContextManager
from dataclasses import dataclass, replace

from sqlalchemy import Connection
from sqlalchemy.orm import Session

from runk.core.plan.events import TRIED, Event, EventKind, held_backwards, standing_events
from runk.core.plan.follow import Followed, begin, follow
from runk.core.plan.slips import Slip, slip
from runk.core.plan.threaded import no_reading
from runk.core.refusals import Refused
from runk.store.cuts import (
    MOST_EVENTS,
    MOST_LISTED,
    KeptCut,
    add_event,
    cut_kept,
    events_after,
    known_event,
    newest_event,
)
from runk.store.database import Store
from runk.store.kept import Stale
from runk.store.parts import measure
from runk.store.there import is_part_there

_MOST_KEPT = 2 * MOST_LISTED
"""More than one look at the list unfolds: or each look would push out what the next wants."""


@dataclass(frozen=True, slots=True)
class Page:
    """A cut and where it stands after everything that happened."""

    cut: KeptCut
    where: Followed
    events: tuple[Event, ...]
    newest_key: str = ""
    """Key of the newest event: where a backup was put back, another may stand in its place."""

    @property
    def last_event(self) -> int:
        """The newest event there is, undos included; 0 where there is none."""
        return self.events[-1].id if self.events else 0

    @property
    def undoable(self) -> int | None:
        """The newest event that still holds."""
        newest = next(held_backwards(list(self.events)), None)
        return None if newest is None else newest.id


class SlipFound(Exception):  # noqa: N818 - asked about, not failed
    """A reading that looks like a slip."""

    def __init__(self, found: Slip) -> None:
        super().__init__(found.says)
        self.slip = found


class CutBook:
    """Reads and adds to cuts, one writer at a time."""

    def __init__(self, store: Store) -> None:
        self._store, self._lock = store, threading.Lock()
        self._pages: OrderedDict[int, Page] = OrderedDict()

    def reading(self) -> AbstractContextManager[Session]:
        """A session that only looks."""
        return self._store.reading()

    def writing(self) -> AbstractContextManager[Session]:
        """A session that alone may write."""
        return self._store.writing()

    def page(self, session: Session, cut: int) -> Page:
        """A cut as it stands now, another process's events included.

        Raises:
            Refused: It is gone.
        """
        return self._page(session.connection(), cut)

    def _page(self, connection: Connection, cut: int) -> Page:
        newest = newest_event(connection, cut)
        if newest is None:
            self._pages.pop(cut, None)
            raise Refused("That cut is no longer kept.", field="id")
        page = self._pages.get(cut)
        if page is not None and page.cut.keep_key != newest.keep_key:
            page = None
        if page is None:
            page = self._fresh(connection, cut)
        if (newest.id, newest.event_key) != (page.last_event, page.newest_key):
            fresh = events_after(connection, cut, page.last_event, page.newest_key)
            if fresh is None:
                # What was folded is no longer there: a backup was put back under it.
                page = self._fresh(connection, cut)
                fresh = events_after(connection, cut) or []
            page = self._added(page, fresh, newest.event_key)
        self._keep(cut, page)
        return page

    @staticmethod
    def _fresh(connection: Connection, cut: int) -> Page:
        with Session(bind=connection) as session:
            kept = cut_kept(session, cut)
        return Page(kept, begin(kept.spec), ())

    def _keep(self, cut: int, page: Page) -> None:
        self._pages[cut] = page
        self._pages.move_to_end(cut)
        while len(self._pages) > _MOST_KEPT:
            self._pages.popitem(last=False)

    @staticmethod
    def _added(page: Page, fresh: list[Event], newest_key: str) -> Page:
        if not fresh:
            return page
        events = (*page.events, *fresh)
        if any(e.kind is EventKind.UNDO for e in fresh):
            where = follow(page.cut.spec, standing_events(list(events)))
        else:
            where = follow(page.cut.spec, fresh, page.where)
        return replace(page, where=where, events=events, newest_key=newest_key)

    def add(
        self, cut: int, event_key: str, event: Event, after: int | None, *, sure: bool = True
    ) -> Page:
        """Add what happened, once, and say where the cut stands then.

        Args:
            cut: Its id.
            event_key: Made once for this event: sent twice, it is added once.
            event: What happened; its id is given here.
            after: The newest event whoever sends this has seen; None not to ask.
            sure: False to have a reading looked at for slips first.

        Raises:
            Refused: The cut is gone.
            Stale: Something happened that the sender has not seen.
            SlipFound: The reading looks like a slip.
        """
        with self._lock, self._store.writing_rows() as connection:
            page = self._page(connection, cut)
            objection = self._objection(page, event, after, sure)
            if objection is not None:
                # What was added already is no fault, however late its echo comes.
                if known_event(connection, event_key):
                    return page
                raise objection
            added = add_event(connection, cut, event_key, event)
            if added is not None:
                page = self._added(page, [added], event_key)
                self._tell_part(connection, page)
        if added is not None:
            self._keep(cut, page)
        return page

    @staticmethod
    def _tell_part(connection: Connection, page: Page) -> None:
        """What a feature being cut reads is what it reads on its part."""
        cut = page.cut
        if cut.part_id is None or not cut.feature:
            return
        held = standing_events(list(page.events))
        reads = next((e for e in reversed(held) if e.kind is EventKind.READING), None)
        sizes = "" if reads is None else ", ".join(f"{mm:g} mm" for mm in reads.sizes_mm)
        with Session(bind=connection, join_transaction_mode="create_savepoint") as session:
            if is_part_there(session, cut.part_id):
                measure(session, cut.part_id, cut.feature, sizes)
                session.commit()

    @staticmethod
    def _objection(page: Page, event: Event, after: int | None, sure: bool) -> Exception | None:
        if after is not None and after != page.last_event:
            return Stale("cut", {"last_event": page.last_event})
        spec = page.cut.spec
        if event.kind in TRIED and not spec.threaded:
            return Refused("Only a thread is tried with its mate.", field="went")
        if event.kind is EventKind.READING and spec.threaded:
            deepest = min(event.sizes_mm, key=spec.left)
            if refused := no_reading(spec, spec.left(deepest)):
                # One unit taken for the other is asked about before it is sent back.
                found = None if sure else slip(spec, page.where, deepest, event.wound)
                return SlipFound(found) if found and found.meant_mm is not None else refused
        if event.kind is EventKind.READING and not sure:
            for size in event.sizes_mm:
                if found := slip(spec, page.where, size, event.wound):
                    return SlipFound(found)
        if event.kind is EventKind.UNDO:
            held = {e.id for e in standing_events(list(page.events))}
            undos = {e.id for e in page.events if e.kind is EventKind.UNDO}
            if event.undoes not in held | undos:
                return Refused("There is nothing there to undo.", field="undoes")
        if len(page.events) >= MOST_EVENTS:
            return Refused(f"{MOST_EVENTS} readings are enough for one cut: start another.")
        return None
