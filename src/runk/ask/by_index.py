"""A line that nothing calls, read by the calculator that speaks of all it says."""

from __future__ import annotations

from dataclasses import dataclass, replace

from runk.ask.asked import Asked, echoed
from runk.ask.asked_back import AskedBack, Unread
from runk.ask.candidate import Candidate
from runk.ask.heard import lost_of
from runk.ask.index import Near, nearest, operations, speaks_of
from runk.ask.lexicon import Names, names_of
from runk.ask.phrases import Known
from runk.ask.reading import read_line
from runk.ask.refusing import Torn, refusal
from runk.ask.sizes import Cutting, cuttings
from runk.ask.without import without
from runk.ask.words import words_of
from runk.core.calculator import Catalogue
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_SPOKEN, _CLEAR, _SURE, _MOST = 0.8, 1.25, 0.9, 3
"""What a calculator must speak of, of what a line says; how much nearer than the next it must be;
how near the nearest, to answer in its place; so many are tried."""

_NEAREST, _NEARER = 0.4, 0.6
"""A room that speaks of less of what a line says is not offered; of less, not beside a question."""


@dataclass(frozen=True, slots=True)
class Found:
    """What the index makes of a line.

    Args:
        near: The calculators it is nearest to, the nearest first.
        asked: The answer, where the one that is clearly nearest has a place for every word.
        wants: What that one wants, where it is one thing.
    """

    near: tuple[Near, ...]
    asked: Asked | None = None
    wants: Refused | None = None


def or_by_index(
    told: str, refused: Refused, workshop: Workshop, page: PageUnit, catalogue: Catalogue
) -> Asked:
    """What nobody is called by, by what it speaks of; else refused, with the rooms nearest to it.

    Args:
        told: In the reader's spelling.
        refused: Why nobody read it.
        workshop: For its metals and machines.
        page: What a bare number means.
        catalogue: The calculators that may answer.

    Raises:
        Refused: As before, or for the one thing the nearest wants.
    """
    if isinstance(refused, Torn) or told != without(told, catalogue, names_of(workshop)).line:
        raise refused
    if isinstance(refused, AskedBack):
        near = [one.calculator for one in nearest(told, catalogue) if one.share >= _NEARER]
        # Those nearer than whoever asks; none where it is the nearest itself.
        mine = near.index(refused.calculator) if refused.calculator in near else len(near)
        refused.near = tuple(near[:mine])
        raise refused
    if refused.field not in (None, "operation"):
        # What is wrong with the job itself is said: no other job is meant.
        raise refused
    found = by_index(told, workshop, page, catalogue)
    if found.asked is not None:
        return found.asked
    if found.wants is not None:
        raise found.wants
    rooms = [one.calculator for one in found.near if one.share >= _NEAREST]
    raise Unread(refused, rooms) if rooms else refused


def by_index(line: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue) -> Found:
    """Read a line by what it speaks of.

    Args:
        line: In the reader's spelling.
        workshop: For its metals and machines.
        page: What a bare number means.
        catalogue: The calculators that may answer.
    """
    words = words_of(line)
    names = names_of(workshop)
    # A metal says nothing of the job: every room of cutting knows them all.
    metals = names.metals_in(words)
    jobs = " ".join(w for w in words if w.lower() not in metals)
    near = tuple(nearest(jobs, catalogue, _MOST))
    best = [n for n in near if n.share >= _SPOKEN and _CLEAR * n.worth >= near[0].worth]
    surest = [n for n in best if n.worth >= _SURE * near[0].worth]
    if not best:
        return Found(near)
    ways = cuttings(words, page, names.numbers)
    answered, wanted = list[Asked](), list[Refused]()
    for one in best:
        asked, wants = _read(one, line, ways, workshop, page, catalogue)
        answered += [asked] if asked else []
        wanted += [wants] if wants else []
    if len(answered) == 1 and answered[0].calculator in [n.calculator for n in surest]:
        return Found(near, answered[0])
    alone = wanted[0] if len(best) == 1 and wanted else None
    return Found(near, wants=alone)


def _read(
    near: Near,
    line: str,
    ways: list[Cutting],
    workshop: Workshop,
    page: PageUnit,
    catalogue: Catalogue,
) -> tuple[Asked | None, Refused | None]:
    """What one calculator makes of it: its answer, or the one thing it wants."""
    names = names_of(workshop)
    found = _candidates(near, ways, names, workshop, page)
    wants: Refused | None = None
    for one in found[:_MOST]:
        if one.problem is not None or _numbers_left(one):
            continue
        refused: Refused | None = None
        if not one.missing:
            try:
                asked = _answer(one, line, workshop, page, catalogue)
            except Refused as failed:
                refused = failed
            else:
                if asked is not None:
                    return asked, None
                continue
        if wants is None:
            # Its own words are understood, though no field takes them.
            words = one.cutting.words
            mine = (at for at, w in enumerate(words) if speaks_of(w, near.calculator, catalogue))
            wants = refusal(replace(one, used=one.used | set(mine)), refused, names)
    return None, wants if isinstance(wants, AskedBack) else None


def _candidates(
    near: Near, ways: list[Cutting], names: Names, workshop: Workshop, page: PageUnit
) -> list[Candidate]:
    """Every reading of the nearest, the one that leaves least first."""
    found: list[Candidate] = []
    known: dict[tuple[str, ...], Known] = {}
    for cutting in ways:
        found += read_line(near.calculator, cutting, names, workshop, page, known, uncalled=True)
    return sorted(
        found,
        key=lambda c: (
            c.problem is not None,
            _numbers_left(c),
            len(c.missing),
            len(c.left()) + c.odd + c.cutting.doubt,
        ),
    )


def _numbers_left(one: Candidate) -> int:
    left = one.left()
    return sum(size.start in left for size in one.cutting.sizes)


def _answer(
    one: Candidate, line: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue
) -> Asked | None:
    """The answer of a reading; None where a word of the trade would be lost.

    Raises:
        Refused: It cannot be answered so.
    """
    unplaced = {w.lower() for run in one.unused for w in run.split()}
    if any(w in operations(catalogue) for w in unplaced):
        return None
    read = read_question(one.calculator, one.typed, page, workshop)
    answer = one.calculator.ask(read.question, workshop)
    said = sentence(one.calculator, read, page, workshop)
    asked = Asked(one.calculator, one.typed, read, answer, echoed(said, read), one.unused, [])
    lost = lost_of(asked, line, catalogue, names_of(workshop))
    return None if lost else asked
