"""What turns: cranks from the solid, eccentrics, flywheels."""

from __future__ import annotations

from fractions import Fraction

from runk.core.route.families.family import Begun, Family, Size, Sizes, see
from runk.core.route.operations import DOG_MM


def _crank(s: Sizes) -> Begun:
    journal, pin, throw, wide = s["journal"], s["pin"], s["throw"], s["wide"]
    web, thick, ends = s["web"], s["thick"], s["ends"]
    see(2 * throw + pin <= web, "web", "The crankpin stands out of the web.")
    see(journal < web, "journal", "The journal is as large as the web.")
    first, second = ends + thick, ends + thick + wide
    third, long = second + thick, second + thick + ends
    return Begun(
        # So much more for the dog: both journals are finished without letting go.
        f"bar {s.bar(web)}, {s.piece(long + Fraction(DOG_MM))} long",
        (
            "face at 0",
            f"face at {s.of(long)}",
            f"journal {s.of(journal)}, from 0 to {s.of(ends)}, called right end",
            f"outside {s.of(web)}, from {s.of(ends)} to {s.of(first)}, called web",
            f"crankpin {s.of(pin)}, throw {s.of(throw)}, from {s.of(first)} to {s.of(second)}",
            f"outside {s.of(web)}, from {s.of(second)} to {s.of(third)}, called far web",
            f"journal {s.of(journal)}, from {s.of(third)} to {s.of(long)}, called left end",
        ),
    )


def _eccentric(s: Sizes) -> Begun:
    sheave, wide, throw, shaft = s["sheave"], s["wide"], s["throw"], s["shaft"]
    boss, out = s["boss"], s["out"]
    see(shaft < boss, "boss", "The boss has no wall round its shaft.")
    see(boss / 2 + throw <= sheave / 2, "boss", "The boss stands out past the sheave.")
    long = wide + out
    return Begun(
        f"bar {s.bar(sheave + 2 * throw)}",
        (
            "face at 0",
            f"face at {s.of(long)}",
            f"outside {s.of(boss)}, from 0 to {s.of(out)}, called boss",
            f"eccentric {s.of(sheave)}, throw {s.of(throw)}, from {s.of(out)} to {s.of(long)}, "
            "called sheave",
            f"reamed {s.of(shaft)}, called shaft hole",
        ),
    )


def _flywheel(s: Sizes) -> Begun:
    rim, wide, bore, surplus = s["rim"], s["wide"], s["bore"], s["surplus"]
    see(bore < rim, "bore", "The bore is as large as the rim.")
    return Begun(
        f"casting {s.of(rim + 2 * surplus)}, {s.of(surplus)} to come off",
        (
            "face at 0",
            f"face at {s.of(wide)}",
            f"outside {s.of(rim)}, from 0 to {s.of(wide)}, called rim",
            f"bore {s.of(bore)}, from 0 to {s.of(wide)}, called hub bore",
        ),
    )


CRANK = Family(
    "crank",
    "Crankshaft",
    "One throw from the solid bar, a journal at either end.",
    (
        Size("journal", "journals", "9", "11/32"),
        Size("ends", "each journal long", "24", "15/16"),
        Size("pin", "crankpin", "8", "5/16"),
        Size("wide", "crankpin long", "9", "3/8"),
        Size("throw", "throw", "8", "5/16"),
        Size("web", "webs, diameter", "27", "1 1/16"),
        Size("thick", "each web thick", "5", "3/16"),
    ),
    _crank,
)
ECCENTRIC = Family(
    "eccentric",
    "Eccentric",
    "A sheave off the axis of its shaft, and a boss for a grub screw.",
    (
        Size("sheave", "sheave", "26", "1"),
        Size("wide", "sheave wide", "7", "1/4"),
        Size("throw", "throw", "3.5", "1/8"),
        Size("shaft", "shaft", "8", "5/16"),
        Size("boss", "boss", "14", "9/16"),
        Size("out", "boss stands out", "6", "1/4"),
    ),
    _eccentric,
)
FLYWHEEL = Family(
    "flywheel",
    "Flywheel",
    "A casting, turned on its rim and both sides and bored for its shaft.",
    (
        Size("rim", "rim", "110", "4 1/4"),
        Size("wide", "wide", "18", "11/16"),
        Size("bore", "bore", "9", "11/32"),
        Size("surplus", "to come off each face", "2", "3/32"),
    ),
    _flywheel,
)
