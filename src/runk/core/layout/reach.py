"""``reach``: does it clear? Heights added up, a cutter beside a flange, a head beside a wall."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from fractions import Fraction

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Working, law, stop, told
from runk.core.layout.feed import feed_said
from runk.core.layout.reach_question import Piece, ReachAnswer, ReachQuestion
from runk.core.layout.stock import corners_mm
from runk.core.lengths import Reading
from runk.core.machines.machine import MachineKind
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_MARGIN_MM = 1.0
"""Less room than this is felt for before the spindle runs: practice."""
_OPEN_END, _OPEN_MM = 2.1, 7.0
"""An open spanner's head is so many times across flats wide, and so much more: practice."""


@law("Left", "{room_mm} - {taken_mm}")
def left_mm(room_mm: float, taken_mm: float) -> float:
    """Room less what stands in it.

    >>> left_mm(220.0, 190.0)
    30.0
    """
    return room_mm - taken_mm


@law("Left beside it", "{line_mm} - {across_mm} ÷ 2")
def beside_mm(line_mm: float, across_mm: float) -> float:
    """From a cutter's edge to an obstacle beside its path.

    >>> beside_mm(9.0, 10.0)
    4.0
    """
    return line_mm - across_mm / 2.0


@law("The jaws swing", "{work_mm} + 2 × {jaw_mm}")
def jaws_mm(work_mm: float, jaw_mm: float) -> float:
    """Across the jaws of a chuck as they stand round the work: past its body for large work.

    Args:
        work_mm: Diameter held, mm, over 0.
        jaw_mm: Length of a jaw, outwards, mm.

    >>> jaws_mm(80.0, 40.0)
    160.0
    """
    return work_mm + 2.0 * jaw_mm


@law("An open spanner sweeps", "{times} × {flats_mm} + {more_mm}")
def spanner_mm(times: float, flats_mm: float, more_mm: float) -> float:
    """Across the head of an open spanner."""
    return times * flats_mm + more_mm


def needs(_: ReachQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: ReachQuestion, workshop: Workshop, __: Mapping[str, Reading]) -> ReachQuestion:
    """A holder is known by its size and how high it hangs; a lathe by what swings in it.

    Raises:
        Refused: Half of that.
    """
    held = question.way == "beside" and question.holder is not None
    if held and question.high is not None and question.low is None:
        raise Refused(
            "How far does the cutter stand out of its holder?", field="low", suggest="20 mm"
        )
    swings = [m.swing_mm for m in workshop.machines if m.kind is MachineKind.LATHE and m.swing_mm]
    if question.way == "jaws" and question.room is None:
        if not swings:
            asks = "What swings over the bed? No lathe here says."
            raise Refused(asks, field="room", suggest="180 mm")
        return replace(question, room=Fraction(str(max(swings))))
    return question


def compute(question: ReachQuestion, _: None = None) -> ReachAnswer:
    """What is left in that direction.

    >>> from fractions import Fraction
    >>> compute(ReachQuestion(line=Fraction(9), cutter=Fraction(10))).left_mm.shown()
    '4.00'
    """
    w = Working()
    ways: dict[str, Callable[[ReachQuestion, Working], tuple[Piece, ...]]] = {
        "stack": _stack,
        "travel": _travel,
        "spanner": _spanner,
        "beside": _beside,
        "chuck": _chuck,
        "jaws": _jaws,
    }
    pieces = ways[question.way](question, w)
    # Upwards the last that stands there counts; sideways the tightest.
    least = pieces[-1] if question.way == "stack" else min(pieces, key=lambda p: p.left_mm.value)
    first_bad = next((p for p in pieces if p.left_mm.value < -1e-9), None)
    return ReachAnswer(
        left_mm=least.left_mm,
        fouls="nothing" if first_bad is None else first_bad.name,
        says=_SAYS[question.way],
        feed=_feed(question),
        pieces=pieces,
        cautions=_cautions(question, least, first_bad),
        links=(),
    )


def _piece(name: str, takes: float, left: Figure) -> Piece:
    return Piece(name=name, takes_mm=told(takes, "takes_mm", 2), left_mm=replace(left, places=2))


def _stack(question: ReachQuestion, w: Working) -> tuple[Piece, ...]:
    found, left = [], float(question.room or 0)
    for part in question.parts:
        for _ in range(part.count):
            figure = w.of(left_mm, room_mm=left, taken_mm=float(part.size))
            left = figure.value
            name = f"piece {part.name}" if part.name.isdigit() else part.name
            found.append(_piece(name, float(part.size), figure))
    return tuple(found)


def _travel(question: ReachQuestion, w: Working) -> tuple[Piece, ...]:
    long, cutter = float(question.long or 0), float(question.cutter or 0)
    first = w.of(left_mm, room_mm=float(question.room or 0), taken_mm=long)
    both = w.of(left_mm, room_mm=first.value, taken_mm=cutter)
    found = [_piece("the cut", long, first), _piece("the cutter, clear at both ends", cutter, both)]
    left = both.value
    for name, takes in (("the dog", question.dog), ("the tailstock", question.tailstock)):
        if takes is not None:
            figure = w.of(left_mm, room_mm=left, taken_mm=float(takes))
            left = figure.value
            found.append(_piece(name, float(takes), figure))
    return tuple(found)


def _chuck(question: ReachQuestion, w: Working) -> tuple[Piece, ...]:
    drill, opens = float(question.drill or 0), float(question.opens or CHUCK_OPENS_MM)
    return (_piece("its shank", drill, w.of(left_mm, room_mm=opens, taken_mm=drill)),)


def _jaws(question: ReachQuestion, w: Working) -> tuple[Piece, ...]:
    """Round the work they may meet the bed; before them the tool may meet the jaws."""
    cut = _FACED_MM if question.cut is None else float(question.cut)
    swing = w(jaws_mm, work_mm=float(question.work or 0), jaw_mm=float(question.jaw or 0))
    room, out = float(question.room or 0), float(question.sticks or 0)
    return (
        _piece("the bed", swing, w.of(left_mm, room_mm=room, taken_mm=swing)),
        _piece("a jaw, at the end of the cut", cut, w.of(left_mm, room_mm=out, taken_mm=cut)),
    )


def _spanner(question: ReachQuestion, w: Working) -> tuple[Piece, ...]:
    wall, found = float(question.wall or 0), []
    if question.head is not None:
        head = float(question.head)
        found.append(_piece("the head", head, w.of(beside_mm, line_mm=wall, across_mm=head)))
    if question.flats is not None:
        flats = float(question.flats)
        corners = w(corners_mm, across_mm=flats, count=6.0)
        found.append(
            _piece(
                "the nut, over its corners",
                corners,
                w.of(beside_mm, line_mm=wall, across_mm=corners),
            )
        )
        sweep = w(spanner_mm, times=_OPEN_END, flats_mm=flats, more_mm=_OPEN_MM, source=PRACTICE)
        found.append(
            _piece("an open spanner", sweep, w.of(beside_mm, line_mm=wall, across_mm=sweep))
        )
    return tuple(found)


def _beside(question: ReachQuestion, w: Working) -> tuple[Piece, ...]:
    line = float(question.line or 0)
    passing = (
        ("the cutter", question.cutter),
        ("the edge finder", question.finder),
        ("the dog", question.dog),
        ("the tailstock", question.tailstock),
    )
    # A finder's tip swings out before it runs true.
    swings = {"the edge finder": SWING_MM}
    found = [
        _piece(
            name,
            float(across),
            w.of(beside_mm, line_mm=line, across_mm=float(across) + 2 * swings.get(name, 0.0)),
        )
        for name, across in passing
        if across is not None
    ]
    if question.holder is None:
        return tuple(found)
    holder = float(question.holder)
    # Where the cutter stands out farther than the obstacle is high, its holder passes over it.
    over = question.high is not None and question.low is not None and question.low > question.high
    if over and question.low is not None and question.high is not None:
        room = told(float(question.low - question.high), "left_mm", 2)
        found.append(_piece("its holder, passing over", holder, room))
    else:
        found.append(_piece("its holder", holder, w.of(beside_mm, line_mm=line, across_mm=holder)))
    return tuple(found)


def _feed(question: ReachQuestion) -> str:
    if question.way != "beside" or question.cutter is None or question.stays is None:
        return ""
    return feed_said(question.hand, question.stays)


_SAYS = {
    "beside": "By hand past the tightest place first, the spindle stopped.",
    "stack": "Tool in, at its longest: a drill needs its own length again to come out.",
    "chuck": "Taken to open to 13 mm where nothing is told. Room as well: a drill, its chuck and "
    "the work stand one behind the other on the bed, and the drill has to come out again.",
    "jaws": "Turned round by hand first, the tool at the end of its cut: the corner of the top "
    "slide or tool post stands farther over than the point.",
    "travel": "Wind it from end to end with the spindle stopped before the first cut.",
    "spanner": "A spanner that turns 30° between the flats needs no more than its head.",
}


_FACED_MM = 1.0
"""How far a facing cut goes past the face, where nothing is told: common practice."""
CHUCK_OPENS_MM = 13.0
"""A usual drill chuck of a small lathe: common practice."""
SWING_MM = 0.5
"""How far a finder's tip swings out until it runs true: common practice."""
_INSTEAD = {
    "the edge finder": "a smaller finder, or a pin in a collet",
    "the dog": "a smaller dog, or a mandrel driven from inside",
    "the tailstock": "a half centre, or the barrel farther out",
}


def _cautions(question: ReachQuestion, least: Piece, bad: Piece | None) -> tuple[Caution, ...]:
    if bad is not None:
        named = f"{bad.name[:1].upper()}{bad.name[1:]}"
        says = f"{named}: short of room by {mm_said(-bad.left_mm.value, 2)}."
        instead = {
            "beside": _INSTEAD.get(bad.name, "a smaller cutter, or one that stands out farther"),
            "stack": "a shorter tool, or a lower way of holding",
            "chuck": "one with a reduced shank or a taper shank, or bore it",
            "jaws": "the jaws the other way about, the faceplate, or work that stands out farther",
            "travel": "turn the work round half way",
            "spanner": "a box spanner, or the screw moved outwards",
        }[question.way]
        return (stop("the room", instead, says, "left_mm", MECHANICS),)
    if least.left_mm.value < _MARGIN_MM:
        says = f"Only {mm_said(least.left_mm.value, 2)}: turn it by hand past that place first."
        return (Caution("Mind", "the room", says, "left_mm", PRACTICE),)
    return ()


def headline(answer: ReachAnswer, page: PageUnit) -> str:
    """What is left, and what fouls."""
    return f"{answer.left_mm.words(page)} left · fouls {answer.fouls}"


REACH = Calculator(
    name="reach",
    title="Does it clear?",
    door=Door("/setting-out/reach", "Setting out", "Reach", family="Paths"),
    opening={"line": "9 mm", "cutter": "10 mm"},
    question=ReachQuestion,
    answers=(ReachAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "beside": "{way}: {line} from the line[, cutter {cutter}][, holder {holder}]"
        "[, standing out {low}][, high {high}][, finder {finder}][, dog {dog}]"
        "[, tailstock {tailstock}][, {hand}][, the metal that stays {stays}]",
        "chuck": "{way}: drill {drill}[, chuck opens to {opens}]",
        "jaws": "{way}: facing {work}, a jaw {jaw}, standing out {sticks}[, cut {cut}]"
        "[, room {room}]",
        "stack": "{way}: room {room}, with {parts}",
        "travel": "{way}: room {room}, cut {long}[, cutter {cutter}][, dog {dog}]"
        "[, tailstock {tailstock}]",
        "spanner": "{way}: {wall} to the wall[, flats {flats}][, head {head}]",
    },
    lines=(
        "{way=beside}<tailstock|centre> {tailstock}[, cutter {cutter}], {line} from the line",
        "{way=chuck}<will |does ><a |my |the |>{drill} drill <go|fit> in <the |my |a >"
        "<tailstock chuck|drill chuck>",
        "{way=stack}<room under the spindle|under the spindle|daylight|stack up> {room}"
        "<,| with| less|:> {parts}",
    ),
    ruled=True,
    headline=headline,
)
