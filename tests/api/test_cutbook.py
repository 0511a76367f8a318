"""The book of cuts against the plain fold: whatever happens, in whatever order, from two sides."""

from __future__ import annotations

import itertools
from pathlib import Path

import pytest
from hypothesis import HealthCheck, given
from hypothesis import strategies as st

from runk.api.cutbook import CutBook, SlipFound
from runk.core.plan.events import Event, EventKind, standing_events
from runk.core.plan.follow import follow
from runk.core.plan.settle import Said
from runk.core.plan.spec import CutSpec
from runk.core.refusals import Refused
from runk.store import cuts
from runk.store.cuts import MOST_EVENTS, events_after, newest, newest_event, start_cut
from runk.store.database import Store
from runk.store.kept import Stale
from tests.cases import cases
from tests.core.test_plan import PLAIN

SAID = Said("belt 2", "belt 2", 0.06, 0.02, "Lathe", (("Mind", "the dust", "Mask on.", ""),))
_keys = (f"event-key-{n:08d}" for n in itertools.count())


def begun(store: Store, spec: CutSpec = PLAIN) -> int:
    with store.writing() as session:
        kept = start_cut(session, next(_keys), "A cut", {"now": "16"}, "mm", 1, spec, SAID)
        return kept.id


def reading(size: float, wound: float | None = None) -> Event:
    return Event(0, EventKind.READING, (size,), wound)


@st.composite
def happenings(draw: st.DrawFn) -> list[Event | int]:
    """Readings, passes and undos; an undo is the position of what it takes back."""
    found: list[Event | int] = []
    for _ in range(draw(st.integers(1, 12))):
        what = draw(st.sampled_from(["reading", "done", "undo"]))
        if what == "undo" and found:
            found.append(draw(st.integers(0, len(found) - 1)))
        elif what == "done":
            wound = draw(st.none() | st.integers(0, 30).map(float))
            found.append(Event(0, EventKind.DONE, (), wound))
        else:
            sizes = draw(st.lists(st.floats(13.5, 16.0), min_size=1, max_size=3))
            found.append(
                Event(0, EventKind.READING, tuple(sizes), draw(st.sampled_from([None, 0.0])))
            )
    return found


@cases(40, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(happened=happenings())
def test_the_book_is_the_fold_of_what_stands(happened: list[Event | int], tmp_path: Path) -> None:
    store = Store(f"sqlite:///{tmp_path / 'book.sqlite3'}")
    store.migrate()
    cut = begun(store)
    mine, theirs = CutBook(store), CutBook(store)
    ids: list[int] = []
    for turn, one in enumerate(happened):
        book = mine if turn % 2 else theirs
        event = Event(0, EventKind.UNDO, undoes=ids[one]) if isinstance(one, int) else one
        try:
            page = book.add(cut, next(_keys), event, None)
        except Refused as refused:
            assert "nothing there to undo" in refused.says
            ids.append(ids[-1])
            continue
        ids.append(page.last_event)
        plain = follow(page.cut.spec, standing_events(list(page.events)))
        assert page.where == plain
    with store.writing() as session:
        kept = events_after(session.connection(), cut)
        found = newest_event(session.connection(), cut)
        assert found is not None
        assert found.id == (kept[-1].id if kept else 0)
        pages = [book.page(session, cut) for book in (mine, theirs, CutBook(store))]
    assert all(page.where == pages[0].where for page in pages)
    assert all(page.events == tuple(kept) for page in pages)
    store.close()


def test_what_was_settled_comes_back_exactly(store: Store) -> None:
    cut = begun(store)
    with store.writing() as session:
        page = CutBook(store).page(session, cut)
    assert page.cut.spec == PLAIN
    assert page.cut.said == SAID
    assert (page.last_event, page.undoable) == (0, None)


def test_a_stale_sender_is_told_unless_it_was_its_own_echo(store: Store) -> None:
    cut, book = begun(store), CutBook(store)
    first = book.add(cut, "first-reading", reading(15.5), 0)
    with pytest.raises(Stale) as caught:
        book.add(cut, "second-reading", reading(15.4), 0)
    assert caught.value.theirs == {"last_event": first.last_event}
    again = book.add(cut, "first-reading", reading(15.5), 0)
    assert again.events == first.events


def test_a_slip_is_raised_and_nothing_is_added(store: Store) -> None:
    cut, book = begun(store), CutBook(store)
    with pytest.raises(SlipFound) as caught:
        book.add(cut, "slipped-once", reading(7.7), None, sure=False)
    assert "radius" in caught.value.slip.says
    with store.writing() as session:
        found = newest_event(session.connection(), cut)
        assert found is not None
        assert found.id == 0
    assert len(book.add(cut, "slipped-once", reading(7.7), None).events) == 1


def test_a_cut_has_an_end_to_its_readings(store: Store, monkeypatch: pytest.MonkeyPatch) -> None:
    assert MOST_EVENTS >= 1000
    monkeypatch.setattr("runk.api.cutbook.MOST_EVENTS", 3)
    cut, book = begun(store), CutBook(store)
    for _ in range(3):
        book.add(cut, next(_keys), reading(15.5, 0.0), None)
    with pytest.raises(Refused, match="enough for one cut"):
        book.add(cut, next(_keys), reading(15.5, 0.0), None)


def test_the_book_forgets_what_is_thrown_away_and_many_cuts(
    store: Store, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("runk.api.cutbook._MOST_KEPT", 2)
    book = CutBook(store)
    many = [begun(store) for _ in range(4)]
    for cut in many:
        book.add(cut, next(_keys), reading(15.5), None)
    with store.writing() as session:
        assert newest(session) == many[::-1]
        assert [len(book.page(session, cut).events) for cut in many] == [1, 1, 1, 1]
        cuts.throw_away(session, many[0])
        session.flush()
        with pytest.raises(Refused, match="no longer kept"):
            book.page(session, many[0])
        assert newest(session) == many[:0:-1]
        cuts.fetch_back(session, many[0])
        assert len(book.page(session, many[0]).events) == 1
