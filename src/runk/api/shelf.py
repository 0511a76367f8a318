"""Every part there is: by its name at once, whole when it is asked for, worked out once a change.

A part's version is raised by whatever changes it, so what was worked out of one version holds as
long as that is the newest. Thousands of parts cost an evening one look at their versions.
"""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Callable, Iterable, Mapping, Sequence
from functools import cached_property
from typing import Generic, TypeVar

from sqlalchemy.orm import Session

from runk.api.evening import Evening, evening_of
from runk.api.part_line import PartLine, part_line
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.store.goes_with import KeptFit, fits_kept
from runk.store.parts import KeptPart, PartKey, part_keys, parts_of
from runk.store.wants import every_state

Known = TypeVar("Known")
_MOST = 8000
_AT_ONCE = 200
"""So many parts are read whole at once: an evening of thousands is not all in memory."""


class Remembered(Generic[Known]):
    """What was worked out of each part, in the workshop it was worked out in."""

    def __init__(self) -> None:
        self._known: OrderedDict[object, tuple[PartKey, Workshop, Known]] = OrderedDict()

    def of(
        self,
        keys: Sequence[PartKey],
        workshop: Workshop,
        whole: Callable[[Sequence[PartKey]], Iterable[KeptPart]],
        work: Callable[[KeptPart], Known],
        which: object = None,
    ) -> list[Known]:
        """What is known of each part; of those that changed it is worked out.

        Args:
            keys: The parts as they stand.
            workshop: Today's: of another store, or changed, it is another object.
            whole: Fetches parts.
            work: Works it out of one.
            which: Tells apart what is kept of one part in several ways.
        """
        found: dict[int, Known] = {}
        for key in keys:
            known = self._known.get((key.id, which))
            if known is not None and known[0] == key and known[1] is workshop:
                found[key.id] = known[2]
        lost = [key for key in keys if key.id not in found]
        for at in range(0, len(lost), _AT_ONCE):
            some = lost[at : at + _AT_ONCE]
            by_id = {row.id: row for row in whole(some)}
            for key in some:
                if key.id not in by_id:
                    continue
                made = found[key.id] = work(by_id[key.id])
                self._known[key.id, which] = (key, workshop, made)
        while len(self._known) > _MOST:
            self._known.popitem(last=False)
        return [found[key.id] for key in keys if key.id in found]


_EVENINGS: Remembered[Evening] = Remembered()
_LINES: Remembered[PartLine] = Remembered()


class Shelf:
    """The parts of a store, as they stand while a session looks at them.

    Args:
        session: That looks.
        engine_id: Of one engine only.
    """

    def __init__(self, session: Session, engine_id: int | None = None) -> None:
        self._session = session
        self.keys = part_keys(session, engine_id)
        self._whole: dict[int, KeptPart] = {}

    @cached_property
    def fits(self) -> list[KeptFit]:
        """What goes with what."""
        return fits_kept(self._session)

    @cached_property
    def by_id(self) -> dict[int, PartKey]:
        """Every part by its id."""
        return {key.id: key for key in self.keys}

    def whole(self, part_id: int) -> KeptPart | None:
        """A part whole; None where there is none of that id."""
        if part_id not in self.by_id:
            return None
        if part_id not in self._whole:
            self.several([self.by_id[part_id]])
        return self._whole.get(part_id)

    def several(self, keys: Iterable[PartKey]) -> list[KeptPart]:
        """Parts whole, in their order."""
        ids = [key.id for key in keys]
        lost = [one for one in ids if one not in self._whole]
        self._whole |= {row.id: row for row in parts_of(self._session, lost)}
        return [self._whole[one] for one in ids if one in self._whole]

    def _fetched(self, keys: Sequence[PartKey]) -> list[KeptPart]:
        return parts_of(self._session, [key.id for key in keys])

    def lines(self, workshop: Workshop, page: PageUnit) -> list[PartLine]:
        """Every part in a line."""

        def work(row: KeptPart) -> PartLine:
            return part_line(row, workshop, page)

        return _LINES.of(self.keys, workshop, self._fetched, work, page)

    def evenings(self, workshop: Workshop) -> list[Evening]:
        """What of every part could be done of an evening."""

        def work(row: KeptPart) -> Evening:
            return evening_of(row, workshop)

        return _EVENINGS.of(self.keys, workshop, self._fetched, work)

    def stands(self) -> Mapping[tuple[int, str], str]:
        """How what is wanted of each engine stands."""
        return every_state(self._session)
