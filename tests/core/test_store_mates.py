"""Mates in the file: once each, in their order, over a restart, beside the cuts made for them."""

from __future__ import annotations

from fractions import Fraction
from pathlib import Path

import pytest

from runk.core.fits.follow import MateEvent, Side
from runk.core.fits.measured import Station
from runk.core.plan.events import EventKind
from runk.core.refusals import Refused
from runk.store.cuts import cut_of_mate
from runk.store.database import Store
from runk.store.mates import (
    KeptMate,
    add_reading,
    events_of,
    fetch_mate,
    known_reading,
    mate_kept,
    newest_mates,
    start_mate,
    throw_mate,
)

QUESTION = {"there": "22.01; 22.00", "duty": "ringed"}


def begun(store: Store, key: str = "mate-key-1") -> KeptMate:
    with store.writing() as session:
        return start_mate(session, key, "A shaft to its hole", QUESTION, "mm", 1)


def reading(size: str, side: Side = Side.MADE, warm: float | None = None) -> MateEvent:
    return MateEvent(0, EventKind.READING, side, (Station("top", (Fraction(size),)),), warm)


def test_the_same_key_keeps_one_mate(store: Store) -> None:
    first, again, other = begun(store), begun(store), begun(store, "mate-key-2")
    assert first.id == again.id != other.id
    with store.reading() as session:
        assert [one.id for one in newest_mates(session)] == [other.id, first.id]


def test_readings_come_back_exact_and_in_their_order(store: Store) -> None:
    mate = begun(store).id
    third = str(Fraction(254, 10) / 3)
    with store.writing() as session:
        add_reading(session, mate, "reading-01", reading("22.4", warm=35.0))
        add_reading(session, mate, "reading-02", reading(third, Side.THERE))
    with store.reading() as session:
        found = [timed.event for timed in events_of(session, mate)]
        assert known_reading(session, "reading-01")
        assert not known_reading(session, "reading-03")
    assert [one.side for one in found] == [Side.MADE, Side.THERE]
    assert found[0].warm_deg == 35.0
    # A third of an inch is kept as it is, not as its first decimals.
    assert found[1].stations == (Station("top", (Fraction(254, 30),)),)


def test_a_key_is_taken_once(store: Store) -> None:
    mate = begun(store).id
    with store.writing() as session:
        add_reading(session, mate, "reading-01", reading("22.4"))
    with pytest.raises(Exception, match="UNIQUE"), store.writing() as session:
        add_reading(session, mate, "reading-01", reading("22.3"))
    with store.reading() as session:
        assert len(events_of(session, mate)) == 1


def test_over_a_restart_all_of_it_is_there(tmp_path: Path) -> None:
    url = f"sqlite:///{tmp_path / 'a shop.sqlite3'}"
    first = Store(url)
    first.migrate()
    mate = begun(first).id
    with first.writing() as session:
        add_reading(session, mate, "reading-01", reading("22.4"))
    first.close()
    second = Store(url)
    second.migrate()
    with second.reading() as session:
        assert mate_kept(session, mate).question == QUESTION
        assert len(events_of(session, mate)) == 1
        assert cut_of_mate(session, mate) is None
    second.close()


def test_thrown_away_it_is_gone_until_it_is_fetched(store: Store) -> None:
    mate = begun(store).id
    with store.writing() as session:
        throw_mate(session, mate)
    with store.reading() as session:
        assert newest_mates(session) == []
        with pytest.raises(Refused, match="no longer kept"):
            mate_kept(session, mate)
    with store.writing() as session:
        assert fetch_mate(session, mate).id == mate
    with store.reading() as session:
        assert [one.id for one in newest_mates(session)] == [mate]
    with pytest.raises(Refused), store.writing() as session:
        throw_mate(session, 999)
