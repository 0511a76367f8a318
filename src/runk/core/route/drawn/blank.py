"""What a part is made from, in anybody's words: metal, form and size in any order."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field
from fractions import Fraction
from functools import lru_cache

from runk.core.metals.metal import Metal, find_metal, metal_names
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.drawn.cut import Cut, Size, cut_up, mm_text
from runk.core.route.drawn.phrases import OF_BLANKS
from runk.core.route.drawn.unknown import see_words
from runk.core.route.drawn.written import small
from runk.core.route.feature import BLANK, BlankQuestion
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_EMPTY = Workshop(())
_SHORT = {
    "ms": "mild steel",
    "bms": "bright mild steel",
    "ci": "cast iron",
    "ali": "aluminium",
    "ally": "aluminium",
    "alu": "aluminium",
    "ss": "stainless steel",
    "gm": "gunmetal",
    "pb": "phosphor bronze",
    "stainless": "stainless steel",
    "iron": "cast iron",
    "hot rolled": "mild steel",
    "cold rolled": "bright mild steel",
    "black bar": "mild steel",
}
_FORMS = (
    ("tube", r"\b(?:tube|tubing|pipe)s?\b"),
    ("casting", r"\bcast(?:ing)?s?\b(?! iron| steel)"),
    ("plate", r"\b(?:plate|sheet|flat|strip|block|slab|cubed?|frame|angle)s?\b|\bx #\d+ x #"),
    (
        "bar",
        r"\b(?:bar|rod|stick|round|disc|disk|slice|billet|hexagon|square|length|dia"
        r"|stock|shaft|offcut|piece|lump|blank|bit)s?\b",
    ),
)
_CLAUSES: tuple[tuple[str, str], ...] = (
    (
        "#(\\d+) (?:surplus|(?:machining )?allowance|to come off|all (?:over|round)"
        "|on (?:all |each |every )*faces?)",
        "surplus",
    ),
    ("(?:surplus|allowance) (?:of )?#(\\d+)", "surplus"),
    ("cored (?:hole )?(?:of |to )?#(\\d+)|#(\\d+) (?:cored|core)\\b", "bore"),
    ("(?:bore|inside|hole)(?: dia)? #(\\d+)|#(\\d+) (?:inside|bore|hole)(?: dia)?", "bore"),
    ("#(\\d+) (?:wall thick|walls?)|walls? (?:thick )?#(\\d+)", "wall"),
    (
        "#(\\d+) (?:outside|dia|across|in dia|round)(?: dia)?"
        "|(?:outside|dia|across|round)(?: of)? #(\\d+)",
        "dia",
    ),
    ("square #(\\d+)|hexagon #(\\d+)|#(\\d+) (?:square|hexagon)", "dia"),
    ("long #(\\d+)(?= [,|]|$)", "long"),
    ("#(\\d+) long|long (?:of )?#(\\d+)|#(\\d+) of\\b", "long"),
    ("#(\\d+) wide|wide #(\\d+)", "wide"),
    ("#(\\d+) (?:thick|high|deep)|(?:thick|high) #(\\d+)", "thick"),
)
_CHAINED = re.compile(r"#\d+(?: x #\d+)+")


@dataclass(frozen=True, slots=True)
class Blank:
    """A blank as it was said.

    Args:
        asked: Its form and sizes.
        metal: Key of the metal named in the line; empty where none was.
        said: That metal, as it was said.
    """

    asked: BlankQuestion
    metal: str
    said: str


@dataclass(slots=True)
class _Sizes:
    roles: dict[str, Size] = field(default_factory=dict)
    loose: list[Size] = field(default_factory=list)
    words: str = ""


def blank_of_line(line: str, page: PageUnit, metals: Mapping[str, Metal]) -> Blank:
    """A blank from its line.

    Args:
        line: As typed.
        page: What a bare number means.
        metals: Those there are.

    Raises:
        Refused: It is none, or its metal is not known here.

    >>> from runk.core.metals.metal import shipped_metals
    >>> metals = shipped_metals()
    >>> one = blank_of_line("25 dia bright mild steel bar 80 long", PageUnit.MM, metals)
    >>> one.asked.kind, float(one.asked.dia), float(one.asked.long), one.said
    ('bar', 25.0, 80.0, 'bright mild steel')
    >>> one = blank_of_line('1 1/2 od brass tube 1/8 wall, 2 long', PageUnit.INCH, metals)
    >>> float(one.asked.dia), float(one.asked.cored)
    (38.1, 31.75)
    """
    text, metal, said = _metal_in(small(line), metals)
    cut = cut_up(text, page)
    # A plate may be in the name of its metal: gauge plate.
    said_in = (cut.text, said)
    form = next((f for where in said_in for f, words in _FORMS if re.search(words, where)), "")
    if "cubed" in text and len(cut.sizes) == 1:
        cut.text = cut.text.replace("#0", "#0 x #0 x #0", 1)
    told = _told(cut)
    _see_metal(told.words, metals)
    if not form:
        if not told.roles and not told.loose:
            raise Refused(
                f"{said or 'It'}: how thick is the bar?" if said else "What is it made from?",
                field="dia" if said else "kind",
                suggest="bar 25, 60 long",
            )
        form = "bar"
    return Blank(_read(_fields(form, cut, told, page), page), metal, said)


def _metal_in(text: str, metals: Mapping[str, Metal]) -> tuple[str, str, str]:
    """A line without its metal, that metal's key, and how it was said."""
    names = _names(tuple(metals.items()))
    words = re.findall(r"[^\s,]+(?:,\d[^\s,]*)*|,", text)
    # The longest name, then the first; a bare number only where no name is there.
    spans = [
        (start, end)
        for size in (5, 4, 3, 2, 1)
        for start in range(len(words) - size + 1)
        if " ".join(words[start : (end := start + size)]) in names
    ]
    spans.sort(key=lambda s: (" ".join(words[s[0] : s[1]]).isdigit(), s[0] - s[1], s[0]))
    if not spans:
        return text, "", ""
    start, end = spans[0]
    said = " ".join(words[start:end])
    key = names[said]
    # Another word for the same: stainless 303, phosphor bronze PB1.
    rest = [*words[:start], "|", *words[end:]]
    for word in list(rest):
        finer = names.get(word)
        if finer is not None and not re.fullmatch(r"\d{1,2}", word):
            rest.remove(word)
            said, key = f"{said} {word}", finer if any(c.isdigit() for c in word) else key
    return " ".join(w for w in rest if w != "|"), key, said


def without_metal(text: str, metals: Mapping[str, Metal]) -> tuple[str, str]:
    """A few words without the metal in them, and that metal as it was said.

    Args:
        text: In small letters.
        metals: Those there are.
    """
    rest, _, said = _metal_in(text, metals)
    return rest, said


@lru_cache(maxsize=16)
def _names(metals: tuple[tuple[str, Metal], ...]) -> dict[str, str]:
    found = metal_names(dict(metals))
    for short, name in _SHORT.items():
        if name in found:
            found.setdefault(short, found[name])
    # A name as short as a size says nothing: 12, 60.
    return {name: key for name, key in found.items() if not re.fullmatch(r"\d{1,2}", name)}


def _told(cut: Cut) -> _Sizes:
    told, text = _Sizes(), cut.text
    for said, role in _CLAUSES:
        if found := re.search(said, text):
            told.roles[role] = cut.sizes[int(next(g for g in found.groups() if g))]
            text = f"{text[: found.start()]} | {text[found.end() :]}"
            if role == "surplus" and (re.search(said, text) or re.search(r"#\d+ in bores?", text)):
                raise Refused(
                    "A casting has one surplus here, the least of its faces; more in a bore is a "
                    "core that is smaller.",
                    field="surplus",
                    suggest="casting, 2 to come off",
                )
    told.loose = [cut.sizes[int(mark)] for mark in re.findall(r"#(\d+)", text)]
    told.words = text
    return told


def _see_metal(words: str, metals: Mapping[str, Metal]) -> None:
    """What is left over may be a metal nobody here knows."""
    left = [w for w in re.findall(r"[a-z][a-z-]+", words) if w not in OF_BLANKS]
    if not left:
        return
    try:
        see_words(" ".join(left))
    except Refused as refused:
        if "did you mean" in str(refused):
            raise
        find_metal(" ".join(left), dict(metals))


def _fields(form: str, cut: Cut, told: _Sizes, page: PageUnit) -> dict[str, str]:
    roles, loose = told.roles, told.loose
    if cut.angles or cut.limits or cut.threads or cut.counts:
        raise Refused("A blank has sizes and no more: limits and threads are its features'.")
    if form == "plate":
        return _plate(roles, loose, cut)
    section = "hexagon" if "hexagon" in cut.text else "square" if "square" in cut.text else "round"
    if section == "square" and len(loose) > 1 and loose[0].mm == loose[1].mm:
        loose.pop(0)
    for role in ("dia", "wall" if form == "tube" else "long", "long"):
        if loose and role not in roles and not (role == "wall" and "bore" in roles):
            roles[role] = loose.pop(0)
    if "wide" in roles:
        roles.setdefault("long", roles["wide"])
    if "thick" in roles:
        role = (
            "wall"
            if form == "tube" and "wall" not in roles
            else "long"
            if "dia" in roles
            else "dia"
        )
        if role in roles:
            role = "long" if "long" not in roles else role
        roles.setdefault(role, roles["thick"])
    if loose:
        raise Refused(f"What is {loose[0].text} for?", field="long")
    typed = {"kind": "casting" if form == "casting" else "bar"}
    if form == "bar" and section != "round":
        typed["section"] = section
    for role in ("dia", "long", "surplus"):
        if role in roles:
            typed[role] = roles[role].text
    hollow = _hollow(form, roles)
    return typed if hollow is None else {**typed, "cored": mm_text(hollow)}


def _hollow(form: str, roles: dict[str, Size]) -> Fraction | None:
    dia = roles.get("dia")
    if "bore" in roles:
        bore = roles["bore"].mm
    elif "wall" in roles and dia is not None:
        bore = dia.mm - 2 * roles["wall"].mm
    elif form == "tube":
        raise Refused("How thick is the wall of the tube?", field="cored", suggest="2 mm wall")
    else:
        return None
    if bore <= 0:
        raise Refused("Two such walls are thicker than the tube.", field="cored")
    return bore


def _plate(roles: dict[str, Size], loose: list[Size], cut: Cut) -> dict[str, str]:
    names = {"long": "long", "wide": "wide", "thick": "high"}
    found = {field: roles[role] for role, field in names.items() if role in roles}
    free = [field for field in ("long", "wide", "high") if field not in found]
    if "dia" in roles:
        raise Refused("A plate has no diameter: a disc is a bar, so thick.", field="dia")
    if len(loose) > len(free):
        raise Refused(f"What is {loose[-1].text} for?", field="high")
    chained = _CHAINED.search(cut.text)
    if "high" in free and len(loose) == 3 and chained and chained[0].count("#") == 2:
        # 3 mm sheet 40 x 40: what stands apart is how thick.
        pair = [cut.sizes[int(mark)] for mark in re.findall(r"#(\d+)", chained[0])]
        loose[:] = [*pair, *(one for one in loose if not any(one is two for two in pair))]
    if "long" in found and len(loose) == 2 and {"wide", "high"} <= set(free):
        # Flat bar: its section, then its length.
        loose.sort(key=lambda size: -size.mm)
        free = ["wide", "high"]
    found |= dict(zip(free, loose, strict=False))
    return {"kind": "plate", **{name: size.text for name, size in found.items()}}


def _read(typed: dict[str, str], page: PageUnit) -> BlankQuestion:
    question: BlankQuestion = read_question(BLANK, typed, page, _EMPTY).question
    return question
