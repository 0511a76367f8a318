"""Studs, bushes, glands, covers and pistons: turned from bar, the right end first."""

from __future__ import annotations

from fractions import Fraction

from runk.core.refusals import Refused
from runk.core.route.families.family import Begun, Family, Size, Sizes, see


def _faces(s: Sizes, long: Fraction) -> tuple[str, str]:
    return "face at 0", f"face at {s.of(long)}"


def _stud(s: Sizes) -> Begun:
    thread, long, nut, other = s.threads["thread"], s["long"], s["nut"], s["other"]
    see(nut + other <= long, "long", "The two threads are longer than the stud.")
    shank = (
        (f"outside {s.of(thread.major)}, from {s.of(nut)} to {s.of(long - other)}, called shank",)
        if nut + other < long
        else ()
    )
    return Begun(
        f"bar {s.bar(thread.major)}",
        (
            *_faces(s, long),
            f"thread {thread.name}, from 0 to {s.of(nut)}, called nut end",
            *shank,
            f"thread {thread.name}, from {s.of(long - other)} to {s.of(long)}, called stud end",
        ),
    )


def _bush(s: Sizes) -> Begun:
    outside, bore, long = s["outside"], s["bore"], s["long"]
    see(bore < outside, "bore", "The bore is as large as the bush: it has no wall.")
    flange, thick = s.lengths.get("flange"), s.lengths.get("thick")
    see((flange is None) == (thick is None), "thick", "A flange has a diameter and a thickness.")
    body = long
    collar: tuple[str, ...] = ()
    if flange is not None and thick is not None:
        see(flange > outside, "flange", "The flange is no larger than the bush.")
        see(thick < long, "thick", "The flange is as thick as the bush is long.")
        body = long - thick
        collar = (f"outside {s.of(flange)}, from {s.of(body)} to {s.of(long)}, called flange",)
    return Begun(
        f"bar {s.bar(flange or outside)}",
        (
            *_faces(s, long),
            f"outside {s.of(outside)}, from 0 to {s.of(body)}, called body",
            *collar,
            f"bore {s.of(bore)}, from 0 to {s.of(long)}, called bearing",
        ),
    )


def _round_holes(s: Sizes, outer: str, inner: Fraction) -> tuple[str, ...]:
    """A circle of holes in a flange, between what stands inside it and its edge."""
    holes, hole, circle = s.counts.get("holes"), s.lengths.get("hole"), s.lengths.get("circle")
    if holes is None and hole is None and circle is None:
        return ()
    if holes is None or hole is None or circle is None:
        wants = next(key for key in ("holes", "hole", "circle") if not _told(s, key))
        raise Refused("Holes have a number, a size and the circle they lie on.", field=wants)
    see(circle + hole < s[outer], "circle", "The holes break out of the edge.")
    see(circle - hole > inner, "circle", "The holes cut into what stands inside them.")
    drilled = f"{s.of(hole)} on {s.of(circle)} circle, from the left end"
    return (f"{holes} holes {drilled}, called holes",)


def _told(s: Sizes, key: str) -> bool:
    return key in s.lengths or key in s.counts


def _gland(s: Sizes) -> Begun:
    nose, deep, flange, thick, rod = (s[k] for k in ("nose", "deep", "flange", "thick", "rod"))
    see(nose < flange, "nose", "The nose is as large as the flange.")
    see(rod < nose, "rod", "The rod is as thick as the nose: it has no wall.")
    long = deep + thick
    return Begun(
        f"bar {s.bar(flange)}",
        (
            *_faces(s, long),
            f"outside {s.of(nose)}, from 0 to {s.of(deep)}, called nose",
            f"outside {s.of(flange)}, from {s.of(deep)} to {s.of(long)}, called flange",
            f"reamed {s.of(rod)}, called rod hole",
            *_round_holes(s, "flange", nose),
        ),
    )


def _cover(s: Sizes) -> Begun:
    rim, thick, register, deep = (s[k] for k in ("rim", "thick", "register", "deep"))
    see(register < rim, "register", "The register is as large as the rim.")
    return Begun(
        f"bar {s.bar(rim)}",
        (
            *_faces(s, deep + thick),
            f"outside {s.of(register)}, from 0 to {s.of(deep)}, called register",
            f"outside {s.of(rim)}, from {s.of(deep)} to {s.of(deep + thick)}, called rim",
            *_round_holes(s, "rim", register),
        ),
    )


def _piston(s: Sizes) -> Begun:
    dia, long = s["dia"], s["long"]
    lines = [*_faces(s, long), f"outside {s.of(dia)}, from 0 to {s.of(long)}, called skirt"]
    rings, ring, bottom = s.counts.get("rings"), s.lengths.get("ring"), s.lengths.get("bottom")
    if rings is not None:
        if ring is None or bottom is None:
            wants = "ring" if ring is None else "bottom"
            raise Refused("A ring's groove has a width and a diameter at its bottom.", field=wants)
        see(bottom < dia, "bottom", "The groove has no depth.")
        # As far from the crown and from each other as a groove is wide, twice.
        see(2 * ring + 3 * ring * rings < long, "rings", "So many grooves are longer than it.")
        places = (2 * ring + 3 * ring * n for n in range(rings))
        lines += [f"groove {s.of(bottom)}, {s.of(ring)} wide, at {s.of(at)}" for at in places]
    hollow, deep = s.lengths.get("hollow"), s.lengths.get("deep")
    see((hollow is None) == (deep is None), "deep", "A hollow has a diameter and a depth.")
    if hollow is not None and deep is not None:
        see(hollow < dia, "hollow", "The hollow is as large as the piston.")
        see(deep < long, "deep", "The hollow goes right through.")
        lines.append(
            f"bore {s.of(hollow)}, from {s.of(long - deep)} to {s.of(long)}, called hollow"
        )
    pin, at = s.lengths.get("pin"), s.lengths.get("at")
    see((pin is None) == (at is None), "at", "A pin's hole has a size and a place.")
    if pin is not None and at is not None:
        see(at + pin / 2 < long, "at", "The pin's hole breaks out of the end.")
        lines.append(f"reamed {s.of(pin)}, across, at {s.of(at)}, called pin hole")
    return Begun(f"bar {s.bar(dia)}", tuple(lines))


_HOLES = (
    Size("holes", "how many holes", "6", "6", "count", spare=True),
    Size("hole", "size of a hole", "3.2", "1/8", spare=True),
    Size("circle", "circle they lie on", "32", "1 5/16", spare=True),
)
STUD = Family(
    "stud",
    "Stud",
    "Screwed at both ends, plain between.",
    (
        Size("thread", "thread", "M4", "4 BA", "thread"),
        Size("long", "length in all", "26", "1"),
        Size("nut", "thread at the nut's end", "9", "3/8"),
        Size("other", "thread at the other end", "7", "1/4"),
    ),
    _stud,
)
BUSH = Family(
    "bush",
    "Bush",
    "A bearing or a liner, with a flange or without.",
    (
        Size("outside", "outside", "16", "5/8"),
        Size("bore", "bore", "9", "11/32"),
        Size("long", "length in all", "18", "3/4"),
        Size("flange", "flange", "22", "7/8", spare=True),
        Size("thick", "flange thick", "3", "1/8", spare=True),
    ),
    _bush,
)
GLAND = Family(
    "gland",
    "Gland",
    "A nose that presses the packing, a flange with holes for its studs.",
    (
        Size("nose", "nose", "11", "7/16"),
        Size("deep", "nose long", "7", "1/4"),
        Size("flange", "flange", "24", "15/16"),
        Size("thick", "flange thick", "4", "5/32"),
        Size("rod", "rod", "5", "3/16"),
        Size("holes", "how many holes", "2", "2", "count", spare=True),
        Size("hole", "size of a hole", "3.2", "1/8", spare=True),
        Size("circle", "circle they lie on", "17.5", "11/16", spare=True),
    ),
    _gland,
)
COVER = Family(
    "cover",
    "Cover",
    "A disc with a register that finds the bore, and holes for its studs.",
    (
        Size("rim", "rim", "42", "1 5/8"),
        Size("thick", "thick without the register", "6", "1/4"),
        Size("register", "register", "24", "15/16"),
        Size("deep", "register stands out", "2.5", "3/32"),
        *_HOLES,
    ),
    _cover,
)
PISTON = Family(
    "piston",
    "Piston",
    "Plain or ringed, hollow or solid, with its pin or without.",
    (
        Size("dia", "diameter", "24", "15/16"),
        Size("long", "length in all", "26", "1"),
        Size("rings", "how many rings", "2", "2", "count", spare=True),
        Size("ring", "groove wide", "1.5", "1/16", spare=True),
        Size("bottom", "groove bottom", "21", "13/16", spare=True),
        Size("hollow", "hollow", "17", "11/16", spare=True),
        Size("deep", "hollow deep", "12", "7/16", spare=True),
        Size("pin", "pin", "5", "3/16", spare=True),
        Size("at", "pin from the crown", "18", "11/16", spare=True),
    ),
    _piston,
)
