"""Which field each metal and each number of a line belongs to."""

from __future__ import annotations

import itertools

from runk.ask.scan import Number, Scan
from runk.core.fields import Field, Kind
from runk.core.metals import Metal
from runk.core.refusals import Refused
from runk.core.threads.series import find_thread


def names_thread(text: str) -> bool:
    """Whether it is the name of a thread."""
    try:
        find_thread(text)
    except Refused:
        return False
    return True


def fill_metal(
    asked: dict[str, Field], found: Scan, typed: dict[str, str], metals: dict[str, Metal]
) -> None:
    """The metal; a bare number such as 303 is a metal only where no other is named."""
    several = next((name for name, field in asked.items() if field.kind is Kind.METALS), None)
    if several and found.of("metal"):
        typed[several] = ", ".join(dict.fromkeys(m.phrase for m in found.of("metal")))
    fields = [name for name, field in asked.items() if field.kind is Kind.METAL]
    if not fields:
        return
    if len(fields) > 1:
        _fill_metals(asked, fields, found, typed)
        return
    named = found.of("metal")
    spoken = [m for m in named if not m.phrase.isdigit()]
    families = {metals[m.key].family for m in spoken}
    closer = [m for m in named if m.phrase.isdigit() and metals[m.key].family in families]
    if len(families) == 1 and len(closer) == 1:
        # "stainless steel 316": the number says which of them.
        spoken, named = closer, [m for m in named if m not in spoken]
    for meaning in named:
        if meaning.phrase.isdigit() and spoken and meaning not in spoken:
            found.numbers.insert(0, Number(meaning.phrase, None))
    keys = list(dict.fromkeys(m.key for m in (spoken or named[:1])))
    if not spoken:
        for meaning in named[1:]:
            found.numbers.append(Number(meaning.phrase, None))
    if len(keys) > 1:
        said = " and ".join(dict.fromkeys(m.phrase for m in spoken))
        raise Refused(f"I read two metals: {said}. Which is being cut?", field="metal")
    if keys:
        typed[fields[0]] = keys[0]


def _fill_metals(
    asked: dict[str, Field], fields: list[str], found: Scan, typed: dict[str, str]
) -> None:
    """Two metals: the word before one says which it is; the rest go where no word leads first."""
    rest = []
    for meaning in found.of("metal"):
        lead = found.led.get(meaning.key, "")
        led = next((n for n in fields if n not in typed and lead in asked[n].before), None)
        if led:
            typed[led] = meaning.key
        else:
            rest.append(meaning.key)
    left = sorted((n for n in fields if n not in typed), key=lambda n: bool(asked[n].before))
    typed.update(zip(left, rest, strict=False))


def _thread_first(
    asked: dict[str, Field], numbers: list[Number], typed: dict[str, str]
) -> list[Number]:
    """The thread's own name is taken out before any hint may claim it: an M4 cover, 5 thick."""
    wanted = next((n for n, f in asked.items() if f.kind is Kind.THREAD), None)
    if wanted is None:
        return numbers
    for number in numbers:
        name = number.text
        if number.next == "fine" and name.lower().startswith("m") and "fit" not in asked:
            try:
                name = find_thread(f"{name} fine").name
            except Refused as several:
                raise several.on(wanted) from None
        if not names_thread(name):
            continue
        typed[wanted] = name
        return [n for n in numbers if n is not number]
    for size, tpi in itertools.pairwise(numbers):
        if tpi.after == "tpi" and names_thread(name := f"{size.text}x{tpi.text}"):
            typed[wanted] = name
            return [n for n in numbers if n is not size and n is not tpi]
    return numbers


def fill_numbers(
    asked: dict[str, Field], numbers: list[Number], typed: dict[str, str]
) -> list[str]:
    """Every number to its field; those a question without sizes has no use for are given back."""
    loose: list[Number] = []
    numbers = _thread_first(asked, numbers, typed)
    # A field asked only here knows its hint better than one asked everywhere.
    fields = sorted(asked.items(), key=lambda item: not item[1].only)
    used: set[int] = set()
    for number in numbers:
        claimed = None
        # "bar 12 out 45" and "12 bar 45 out": a word serves one number only, the one after it
        # unless the one before it has taken it.
        sides = [(number.before, number.before_at, True), (number.after, number.after_at, False)]
        for hint, at, leads in reversed(sides) if number.called else sides:
            if not hint or at in used:
                continue
            claimed = next(
                (
                    n for n, f in fields
                    if n not in typed
                    and hint in (f.hints + f.before if leads else f.hints)
                    and (f.kind is not Kind.COUNT or number.text.isdigit())
                ),
                None,
            )  # fmt: skip
            if claimed:
                used.add(at)
                break
        if claimed is None:
            loose.append(number)
            continue
        if number.refused:
            raise number.refused.on(claimed)
        typed[claimed] = number.text
        if asked[claimed].kind is Kind.PRESSURE:
            # Its hint is its unit: 80 psi is not 80 bar.
            typed[claimed] += f" {hint}"
    for principal in [n for n, f in asked.items() if f.principal and n not in typed]:
        several = asked[principal].kind is Kind.LENGTHS
        taken, loose = (loose, []) if several else (loose[:1], loose[1:])
        for number in taken:
            if number.refused:
                raise number.refused.on(principal)
        if taken:
            typed[principal] = "; ".join(number.text for number in taken)
    claims = [f.hints[0] for f in asked.values() if f.hints and not f.principal]
    if loose and claims:
        raise Refused(
            f"I do not know what {loose[0].text} is for. Say which: {', '.join(claims)}.",
        )
    return [number.text for number in loose]
