"""Why a line cannot be answered: what was understood, the one thing missing, what to type."""

from __future__ import annotations

import difflib

from runk.ask.asked_back import back
from runk.ask.candidate import Candidate
from runk.ask.lexicon import Names
from runk.ask.sizes import Cutting
from runk.ask.words import EXAMPLE, FILLER
from runk.core.refusals import Refused


class Torn(Refused):
    """A line that two calculators may mean as much: which is asked, and no third answers it."""


def one_of_two(best: Candidate, near: Candidate) -> Refused:
    """Two calculators that a line may mean as much: which is it?"""
    titles = [one.calculator.title for one in (best, near)]
    # Calls with places in them are patterns: nobody types a place.
    calls = [
        next((c for c in one.calculator.calls if not set(c) & set("#@%")), "")
        for one in (best, near)
    ]
    sizes = " ".join(s.text for s in best.cutting.sizes)
    return Torn(
        f"That may be {' or '.join(t[0].lower() + t[1:] for t in titles)}: which is it?",
        field="operation",
        suggest=" or ".join(f"{call} {sizes}" for call in calls if call),
    )


def _understood(candidate: Candidate) -> str:
    words = candidate.cutting.words
    used = [w for at, w in enumerate(words) if at in candidate.used and w.lower() not in FILLER]
    return " ".join(used)


def _with_understood(refused: Refused, candidate: Candidate) -> Refused:
    """A calculator's own question for what it wants, with what was understood before it."""
    field, understood = refused.field, _understood(candidate)
    if field not in candidate.calculator.fields or candidate.typed.get(field) or not understood:
        return refused
    says = f"I understood {understood}. {refused.template}"
    whole = Refused(says, field=field, suggest=refused.template_suggest)
    return back(whole, candidate.calculator, candidate.typed, refused)


def refusal(candidate: Candidate, refused: Refused | None, names: Names) -> Refused:
    """What was understood, the one thing missing, and what to type for it."""
    if candidate.problem is not None:
        return candidate.problem
    if not candidate.missing:
        assert refused is not None
        return _with_understood(refused, candidate)
    name = candidate.missing[0]
    kind = candidate.calculator.fields[name]
    understood = _understood(candidate)
    says = f"I understood {understood}." if understood else "I understood none of that."
    suggest = kind.placeholder
    unknown = candidate.unused
    if unknown:
        says += f" I do not know `{' '.join(unknown)[:60]}`."
        if kind.name == "metal":
            suggest = _near_metal(unknown, names) or suggest
    broken = next((s for s in candidate.cutting.sizes if s.refused is not None), None)
    if broken is not None and broken.refused is not None and kind.numbered:
        return broken.refused.on(name)
    missing = Refused(f"{says} {kind.missing()}", field=name, suggest=suggest or None)
    return back(missing, candidate.calculator, candidate.typed)


def _near_metal(unknown: list[str], names: Names) -> str:
    known = [" ".join(words) for words in names.metals]
    tried = [" ".join(unknown), *unknown]
    near = [n for text in tried for n in difflib.get_close_matches(text.lower()[:60], known, n=2)]
    return " or ".join(dict.fromkeys(near))


def not_called(words: list[str], ways: list[Cutting], names: Names) -> Refused:
    """Nothing in the line says what is to be done."""
    cutting = ways[0]
    lone = cutting.sizes[0] if len(cutting.sizes) == 1 else None
    if lone is not None and lone.refused is not None and lone.end - lone.start == len(words):
        # A line that is nothing but a broken size deserves the size's own sentence.
        return lone.refused
    known = {at for s in cutting.sizes if s.reading for at in range(s.start, s.end)}
    metals = names.metals_in(words)
    known.update(at for at, word in enumerate(words) if word.lower() in metals)
    understood = " ".join(words[at] for at in sorted(known))[:80].rstrip()
    if not understood:
        return Refused(
            "I understood none of that. Say what is to be done, to which metal, at what size.",
            suggest=EXAMPLE,
        )
    strange = [w for at, w in enumerate(words) if at not in known and w.lower() not in FILLER]
    unread = f" I do not know: {', '.join(w for w in strange if w != ',')[:80]}." if strange else ""
    return Refused(
        f"I understood {understood}, but not what is to be done.{unread}",
        field="operation",
        suggest=f"turn {understood}"[:80],
    )
