"""Which field each number of a line fills."""

from __future__ import annotations

import itertools
import math
import re
from collections.abc import Mapping

from runk.ask.candidate import Candidate
from runk.ask.claims import Claim
from runk.ask.lexicon import Lexicon
from runk.ask.sizes import Size
from runk.core.kinds import Kind, OfThread, Told
from runk.core.kinds.length import Length
from runk.core.kinds.number import Angle, Number, Pressure, Temperature
from runk.core.lengths import read_length
from runk.core.refusals import Refused
from runk.core.threads.series import find_thread, names_thread
from runk.core.units import PageUnit

_ABSURD = 1.6
"""So many e-folds outside what is usual, a size was not meant for that field."""
_LIKE_THREAD = re.compile(r"\d+/\d+|\d+ ?ba|m\d.*|#?\d+-\d+", re.IGNORECASE)
_ELSEWHERE_AFTER = frozenset({"rod", "bar", "rpm", "revs", "rev/min", "teeth", "hrc", "pcd", "hp"})
_BETWEEN = frozenset({",", "and", ";"})
PLACES = frozenset({"top", "middle", "bottom", "front", "back", "left", "right", "mouth", "end"})
"""Where on a part a reading is taken."""
_SCALES = frozenset({"c", "f", "celsius", "fahrenheit"})
_DEGREES = frozenset({"degrees", "degree", "deg", "°"})
_ELSEWHERE_BEFORE = frozenset({"drill"})


def fill_numbers(
    into: Candidate,
    asked: Mapping[str, Kind],
    chosen: str,
    lexicon: Lexicon,
    claims: list[Claim],
    sizes: list[Size],
    told: Told,
) -> None:
    """Every number to its field."""
    left = _take_thread(into, asked, sizes, claims)
    heats = _heats(into, left)
    if heats and not any(isinstance(kind, Temperature) for kind in asked.values()):
        into.problem = into.problem or Refused(
            f"{heats[0].text} is a temperature, and there is no place for one in this."
        )
        left = [size for size in left if size not in heats]
    turns = _turns(into, left)
    for claim in claims:
        if claim.size not in left:
            continue
        name = _field_for(claim, asked, chosen, lexicon, into, told)
        if name and claim.size in heats and not isinstance(asked[name], Temperature):
            continue
        if name and claim.size in turns and isinstance(asked[name], Length):
            continue
        if name is None:
            if (wrong := _no_angle(claim, asked, lexicon, into, told)) is not None:
                into.problem = into.problem or wrong
                left.remove(claim.size)
            continue
        left.remove(claim.size)
        if claim.size.refused is not None and isinstance(asked[name], Length):
            into.problem = claim.size.refused.on(name)
        _give(into, name, claim.size)
        into.used.update(range(claim.hint.start, claim.hint.end))
        if asked[name].several:
            _run_on(into, name, claim.size, left, {c.size for c in claims})
        if isinstance(asked[name], Pressure):
            # Its hint is its unit: 80 psi is not 80 bar.
            into.typed[name] += f" {claim.hint.words[-1]}"
        after = claim.size.end
        kind = asked[name]
        if isinstance(kind, Number):
            # A unit behind its number says nothing more: torque 2 nm.
            unit = (into.cutting.words[after : after + 1] or [""])[0].lower()
            into.used |= {after} if unit in kind.units else set()
        if isinstance(asked[name], Temperature) and into.cutting.words[after : after + 1]:
            scale = into.cutting.words[after].lower().removeprefix("°")
            if scale in _SCALES:
                into.typed[name] += f" {scale[0]}"
                into.used.add(after)
    claimed = _spoken_for(into, left, asked, chosen)
    for name in [n for n, k in asked.items() if k.principal and n not in into.typed]:
        kind = asked[name]
        fitting = [s for s in left if s not in claimed and kind.takes(s.text, told)]
        if isinstance(kind, Length):
            fitting = [s for s in fitting if s not in turns]
        if not fitting:
            continue
        if kind.several:
            left.remove(fitting[0])
            _give(into, name, fitting[0])
            _run_on(into, name, fitting[0], left, {s for s in left if s not in fitting})
            for size in [s for s in fitting if s in left]:
                into.typed[name] += f"; {size.text}"
                into.used.update(range(size.start, size.end))
                left.remove(size)
            continue
        size = fitting[0]
        left.remove(size)
        if (spare := _spare(size, kind, asked, chosen, into)) is not None:
            _give(into, spare, size)
            continue
        if size.refused is not None:
            into.problem = into.problem or size.refused.on(name)
        loose = [s for s in left if s not in claimed]
        over = next((n for n, k in asked.items() if k.over == name and n not in into.typed), None)
        loose = [s for s in loose if not _hinted(s, into, asked)]
        if over is not None and len(loose) == 1 and size.mm and loose[0].mm:
            # A 10 mm bush in a 20 mm boss: whichever is said first, the boss is the larger.
            left.remove(loose[0])
            size, larger = sorted((size, loose[0]), key=lambda s: s.mm or 0.0)
            _give(into, over, larger)
        _give(into, name, size)
        for other in [s for s in left if s not in claimed]:
            # What the principal field could not have meant either: chamfer 20 mm 0.5.
            if (spare := _spare(other, kind, asked, chosen, into)) is not None:
                left.remove(other)
                _give(into, spare, other)
    _stray(into, [s for s in left if s not in claimed], asked)


def _heats(into: Candidate, sizes: list[Size]) -> list[Size]:
    """The numbers behind which C or F stands: degrees, and never a length."""
    words = [*into.cutting.lower, ""]
    return [size for size in sizes if words[size.end].removeprefix("°") in _SCALES]


def _turns(into: Candidate, sizes: list[Size]) -> list[Size]:
    """The numbers behind which degrees stand: part of a turn, or a heat, and never a length."""
    words = [*into.cutting.lower, ""]
    return [size for size in sizes if words[size.end] in _DEGREES]


def _run_on(into: Candidate, name: str, first: Size, left: list[Size], claimed: set[Size]) -> None:
    """The sizes that stand straight behind one of a list belong to it: measures 22.01 22.02.

    A comma parts the ways across one place, all else the places; the name of a place goes along.
    """
    words, lower = into.cutting.words, [w.lower() for w in into.cutting.words]
    end, start = first.end, first.start
    if start and lower[start - 1] in PLACES:
        into.typed[name] = f"{lower[start - 1]} {into.typed[name]}"
        into.used.add(start - 1)
    while True:
        at = end
        while at < len(words) and lower[at] in _BETWEEN:
            at += 1
        called = lower[at] if at < len(words) and lower[at] in PLACES else ""
        size = next((s for s in left if s.start == at + bool(called) and s not in claimed), None)
        if size is None:
            return
        across = words[end:at] == (",",) and not called
        left.remove(size)
        into.typed[name] += f"{', ' if across else '; '}{called} {size.text}".replace("  ", " ")
        into.used.update(range(at, size.end))
        end = size.end


def _hinted(size: Size, into: Candidate, asked: Mapping[str, Kind]) -> bool:
    """Whether a word straight behind or before a number claims it, whoever took that word."""
    hints = {hint for kind in asked.values() for hint in kind.hints}
    words = [w.lower() for w in into.cutting.words]
    return bool(
        hints & {*words[size.end : size.end + 1], *words[max(size.start - 1, 0) : size.start]}
    )


def _spare(
    size: Size, kind: Kind, asked: Mapping[str, Kind], chosen: str, into: Candidate
) -> str | None:
    """Where a size goes that its principal field could never mean: a 1 mm slit is no saw."""
    if _outside(size.mm, kind, chosen) < _ABSURD:
        return None
    fits = (
        n
        for n, k in asked.items()
        if k.spare and n not in into.typed and _outside(size.mm, k, chosen) == 0
    )
    return next(fits, None)


def _stray(into: Candidate, loose: list[Size], asked: Mapping[str, Kind]) -> None:
    """A number nobody has a use for is asked about where there is a place for it."""
    claims = [k.hints[0] for k in asked.values() if k.hints and not k.principal]
    if loose and claims and into.problem is None:
        into.problem = Refused(
            f"I do not know what {loose[0].text} is for. Say which: {', '.join(claims[:6])}."
        )


def _give(into: Candidate, name: str, size: Size) -> None:
    into.typed[name] = size.text
    into.used.update(range(size.start, size.end))


def _take_thread(
    into: Candidate, asked: Mapping[str, Kind], sizes: list[Size], claims: list[Claim]
) -> list[Size]:
    """The thread's own name is taken out before any word may claim it: an M4 cover, 5 thick."""
    wanted = next((n for n, k in asked.items() if isinstance(k, OfThread)), None)
    left = list(sizes)
    if wanted is None:
        return left
    words = into.cutting.words
    for size in left:
        if not size.thread:
            continue
        text, end = size.text, size.end
        following = words[end].lower() if end < len(words) else ""
        metric = text.lower().startswith("m") and "x" not in text.lower()
        if following == "fine" and metric and "fit" not in asked:
            text, end = f"{text} fine", end + 1
        into.typed[wanted] = text
        into.used.update(range(size.start, end))
        left.remove(size)
        return left
    for size, tpi in itertools.pairwise(sizes):
        number = into.cutting.words[tpi.start]
        counted = words[tpi.end : tpi.end + 1] == ("tpi",) and tpi.start == size.end
        if counted and names_thread(name := f"{size.text}x{number}"):
            into.typed[wanted] = name
            into.used.update(range(size.start, tpi.end + 1))
            return [s for s in left if s is not size and s is not tpi]
    if wanted in into.calculator.wanted("") and (broken := _broken_thread(left)):
        into.problem = broken.on(wanted)
    return left


def _broken_thread(sizes: list[Size]) -> Refused | None:
    """What is wrong with what was meant for a thread: 17BA, or a bare 1/4."""
    for size in sizes:
        if not _LIKE_THREAD.fullmatch(size.text):
            continue
        try:
            find_thread(size.text)
        except Refused as refused:
            return refused
    return None


def _no_angle(
    claim: Claim, asked: Mapping[str, Kind], lexicon: Lexicon, into: Candidate, told: Told
) -> Refused | None:
    """Why a length that a word claims for an angle is none: ``start 22.5 mm``."""
    for name in lexicon.fields_of(claim.hint.words):
        kind = asked.get(name)
        if not isinstance(kind, Angle) or name in into.typed or claim.size.mm is None:
            continue
        try:
            kind.read(claim.size.text, told)
        except Refused as refused:
            into.used.update(range(claim.hint.start, claim.hint.end))
            into.used.update(range(claim.size.start, claim.size.end))
            return refused.on(name)
    return None


def _field_for(
    claim: Claim,
    asked: Mapping[str, Kind],
    chosen: str,
    lexicon: Lexicon,
    into: Candidate,
    told: Told,
) -> str | None:
    words = claim.hint.words
    names = list(lexicon.hints.get(words, ()))
    if claim.leads:
        names += lexicon.before.get(words, [])
    free = [
        n
        for n in names
        if n in asked
        and n not in into.typed
        and chosen not in asked[n].deaf
        and asked[n].takes(claim.size.text, told)
    ]

    def worse(name: str) -> tuple[float, bool]:
        kind = asked[name]
        return (round(_outside(claim.size.mm, kind, chosen), 1), not kind.only)

    return min(free, key=worse, default=None)


def _outside(mm: float | None, kind: Kind, chosen: str) -> float:
    """How far a size lies outside what is usual, in e-folds."""
    usual = kind.usual_under(chosen)
    if mm is None or usual is None or not isinstance(kind, Length):
        return 0.0
    low, high = usual
    if mm <= 0:
        return 3.0
    return max(0.0, math.log(low / mm), math.log(mm / high))


def _spoken_for(
    into: Candidate, left: list[Size], asked: Mapping[str, Kind], chosen: str
) -> list[Size]:
    """Numbers that a word beside them says are something this question has no place for."""
    if not left:
        return []
    words = into.cutting.lower
    heard = [k for k in asked.values() if chosen not in k.deaf]
    hints = {h for k in heard for hint in (*k.hints, *k.before) for h in hint.split()}
    found = []
    for size in left:
        after = words[size.end] if size.end < len(words) else ""
        before = words[size.start - 1] if size.start else ""
        elsewhere = after in _ELSEWHERE_AFTER and after not in hints and size.end not in into.used
        drilled = before in _ELSEWHERE_BEFORE and before not in hints
        if elsewhere or (drilled and size.start - 1 not in into.used):
            found.append(size)
    return found


def oddness(one: Candidate, asked: Mapping[str, Kind], chosen: str, page: PageUnit) -> float:
    """How far all its sizes together lie outside what is usual, in e-folds."""
    total = 0.0
    for name, text in one.typed.items():
        kind = asked.get(name)
        if kind is None or kind.usual is None or not isinstance(kind, Length):
            continue
        try:
            sizes = [float(read_length(one, page).mm) for one in text.split("; ")]
            total += max(_outside(mm, kind, chosen) for mm in sizes)
        except Refused:
            continue
    return total
