"""The stored workshop as the core sees it, read once until somebody changes it."""

from __future__ import annotations

import threading

from runk.core.metals.own import with_own
from runk.core.tools import ShopTool
from runk.core.workshop import Workshop
from runk.store.database import Store
from runk.store.machines import list_machines
from runk.store.metals import list_metals
from runk.store.tools import list_tools, tools_mark


class WorkshopReader:
    """Keeps the snapshot until the file's own change counter moves.

    Args:
        store: Where machines are kept.
        stand_in: The workshop to answer for while none is stored.
    """

    def __init__(self, store: Store, stand_in: Workshop) -> None:
        self._store, self._stand_in = store, stand_in
        self._at, self._mark = -1, (0, 0, 0)
        self._tools: tuple[ShopTool, ...] = ()
        self._workshop = stand_in
        self._of: object = None
        self._reading = threading.Lock()
        self.standing_in = True

    def workshop(self) -> Workshop:
        """Today's workshop."""
        at = self._store.changed_at()
        if at != self._at:
            # While one reads, the others wait: nobody is answered from yesterday's trays.
            with self._reading:
                if at != self._at:
                    self._read(at)
        return self._workshop

    def _read(self, at: int) -> None:
        with self._store.reading() as session:
            machines = tuple(k.machine for k in list_machines(session))
            own = tuple(k.metal for k in list_metals(session))
            mark = tools_mark(session)
            if mark != self._mark:
                self._tools = tuple(k.tool for k in list_tools(session))
                self._mark = mark
        of = (machines, own, self._mark)
        # Written elsewhere in the file, it is the same workshop: what is known in it still holds.
        if of != self._of:
            tools = self._tools if machines or self._tools else self._stand_in.tools
            self._workshop = Workshop(machines or self._stand_in.machines, with_own(own), tools)
            self._of = of
        self.standing_in = not machines
        self._at = at
