"""The stored workshop as the core sees it, read once until somebody changes it."""

from __future__ import annotations

from runk.core.metals.own import with_own
from runk.core.workshop import Workshop
from runk.store.database import Store
from runk.store.machines import list_machines
from runk.store.metals import list_metals


class WorkshopReader:
    """Keeps the snapshot until the file's own change counter moves.

    Args:
        store: Where machines are kept.
        stand_in: The workshop to answer for while none is stored.
    """

    def __init__(self, store: Store, stand_in: Workshop) -> None:
        self._store, self._stand_in = store, stand_in
        self._at = -1
        self._workshop = stand_in
        self.standing_in = True

    def workshop(self) -> Workshop:
        """Today's workshop."""
        at = self._store.changed_at()
        if at != self._at:
            with self._store.session() as session:
                machines = tuple(k.machine for k in list_machines(session))
                metals = with_own(tuple(k.metal for k in list_metals(session)))
            self._workshop = Workshop(machines or self._stand_in.machines, metals)
            self.standing_in = not machines
            self._at = at
        return self._workshop
