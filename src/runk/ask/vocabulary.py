"""Every word Ask knows, drawn from the fields of the registered calculators."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

from runk.core.fields import Field, Kind
from runk.core.metals.metal import metal_names
from runk.core.registry import calculators
from runk.core.workshop import Workshop

_FILLER = """
a an the of on in with at by for to into and please what which speed speeds should i do my piece
bar rod stock some using use is how fast feed hole work machine job held holding when it can you
me tell give need want size tool down may alike same
"""
FILLER = frozenset(_FILLER.split())


@dataclass(frozen=True, slots=True)
class Meaning:
    """What a phrase stands for: a value of a field, or a calculator's trigger."""

    kind: str
    field: str
    key: str
    phrase: str


def _machine_phrases(workshop: Workshop) -> list[tuple[str, str]]:
    return [
        (f"{start} {name}", machine.key)
        for machine in workshop.machines
        for name in (machine.name.lower(), machine.key.lower(), machine.kind.value)
        for start in ("on the", "on", "in the", "with the", "using the", "for the", "for")
    ]


@lru_cache(maxsize=8)
def phrases(workshop_key: tuple[object, ...]) -> dict[tuple[str, ...], list[Meaning]]:
    """Every phrase by its words."""
    workshop = _WORKSHOPS[workshop_key]
    known: dict[tuple[str, ...], list[Meaning]] = {}

    def add(phrase: str, kind: str, field: str, key: str) -> None:
        meaning = Meaning(kind, field, key, phrase)
        meanings = known.setdefault(tuple(phrase.lower().split()), [])
        if all((m.kind, m.field, m.key) != (kind, field, key) for m in meanings):
            meanings.append(meaning)

    for calculator in calculators().values():
        for trigger in calculator.triggers:
            add(trigger, "trigger", "", calculator.name)
        for word in calculator.late:
            add(word, "late", "", calculator.name)
        for name, field in calculator.fields.items():
            kind = "ruling" if field.rules else "choice"
            for choice in field.choices:
                for spoken in (choice.label, *choice.words):
                    add(spoken, kind, name, choice.key)
    for name, key in metal_names(workshop.metals).items():
        add(name, "metal", "metal", key)
    for phrase, key in _machine_phrases(workshop):
        add(phrase, "machine", "machine", key)
    for machine in workshop.machines:
        for name in (machine.name, machine.kind.value):
            # "mill" alone is work to be done; "lathe" alone can only be the machine.
            if tuple(name.lower().split()) not in known:
                add(name, "machine", "machine", machine.key)
    return known


_WORKSHOPS: dict[tuple[object, ...], Workshop] = {}


def phrases_of(workshop: Workshop) -> dict[tuple[str, ...], list[Meaning]]:
    """Every phrase Ask knows in this workshop; kept between lines."""
    key = (
        tuple((m.key, m.name, m.kind) for m in workshop.machines),
        tuple((m.key, m.name, m.aliases) for m in workshop.metals.values()),
    )
    _WORKSHOPS[key] = workshop
    return phrases(key)


@lru_cache(maxsize=1)
def hints() -> frozenset[str]:
    """Every word that says what the number beside it is."""
    return frozenset(hint for field in _numbered() for hint in field.hints)


@lru_cache(maxsize=1)
def before_hints() -> frozenset[str]:
    """Every word that says what the number after it is, and only that: *through* 3."""
    return frozenset(hint for field in _numbered() for hint in field.before)


@lru_cache(maxsize=1)
def leading_hints() -> frozenset[str]:
    """Every word that may say what the number after it is."""
    return hints() | before_hints()


def _numbered() -> list[Field]:
    return [
        field
        for calculator in calculators().values()
        for field in calculator.fields.values()
        if field.kind in (Kind.LENGTH, Kind.COUNT, Kind.NUMBER, Kind.THREAD, Kind.PRESSURE)
    ]
