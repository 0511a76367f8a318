"""What holds of every line, by changing lines that are known to be read: order, unit, slips, no."""

from __future__ import annotations

import itertools
import random
from collections import Counter
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask
from runk.ask.asked import Asked
from runk.ask.forms import beside, forms
from runk.ask.heard import own_words
from runk.ask.lexicon import names_of
from runk.ask.otherwise import keeps_numbers
from runk.ask.slips import mended, vocabulary
from runk.ask.spelling import spelt
from runk.ask.without import without
from runk.core.catalogue import CATALOGUE
from runk.core.kinds import Length
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.ask.test_lines import ROWS
from tests.cases import cases

NAMES = names_of(WORKSHOP)
METALS = ("brass", "mild steel", "cast iron", "silver steel", "gunmetal", "stainless 303")
WORK = ("turn", "bore", "drill", "face")
HOLDS = ("in the four-jaw", "in the three-jaw", "between centres", "on the faceplate")
TOOLS = ("hss", "carbide")
JUMBLE = (
    "brass",
    "turn",
    "12",
    "0.35",
    "3/8",
    "M6",
    "M4x0.5",
    "mm",
    "in",
    "not",
    "no",
    "deep",
    "of",
    "the",
    "H7",
    "tap",
    "bolt",
)
ANSWERED = [
    row["line"]
    for row in ROWS
    if row.get("calculator") and not {"asks", "refused", "asks_or"} & set(row) and "unit" not in row
]


def read(line: str, page: PageUnit = PageUnit.MM) -> Asked | None:
    """A line answered; None where it is refused or asked back."""
    try:
        return ask(line, WORKSHOP, page)
    except Refused:
        return None


@st.composite
def clauses(draw: st.DrawFn) -> list[str]:
    """The clauses of an ordinary line: work, size, metal, and perhaps a tool and a holding."""
    size = draw(st.sampled_from(("8 mm", "12.5 mm", "3/8 in", "20 mm", "1/2 in")))
    found = [draw(st.sampled_from(WORK)), size, draw(st.sampled_from(METALS))]
    if draw(st.booleans()):
        found.append(draw(st.sampled_from(TOOLS)))
    if draw(st.booleans()) and found[0] in ("turn", "face"):
        found.append(draw(st.sampled_from(HOLDS)))
    return found


def question(asked: Asked | None) -> Any:
    return None if asked is None else (asked.calculator.name, asked.read.question)


@cases(150)
@given(clauses(), st.randoms(use_true_random=False))
def test_clauses_in_another_order_read_the_same(parts: list[str], order: random.Random) -> None:
    other = list(parts)
    order.shuffle(other)
    assert question(read(" ".join(other))) == question(read(" ".join(parts)))


@cases(100)
@given(clauses())
def test_the_same_line_in_the_other_unit_answers_the_same(parts: list[str]) -> None:
    size = {"8 mm": "0.31496 in", "20 mm": "0.7874 in", "12.5 mm": "0.49213 in"}.get(parts[1])
    if size is None:
        return
    one, other = read(" ".join(parts)), read(" ".join([parts[0], size, *parts[2:]]))
    assert (one is None) == (other is None)
    if one and other:
        assert float(one.read.question.diameter) == pytest.approx(
            float(other.read.question.diameter), abs=1e-3
        )


@cases(150)
@given(
    clauses(),
    st.sampled_from((*TOOLS, *HOLDS, *METALS)),
    st.sampled_from(("not", "never", "without", "no")),
)
def test_what_is_negated_is_never_chosen(parts: list[str], thing: str, word: str) -> None:
    """Whatever else the line says, a thing behind *not* is in no field of what is answered."""
    if thing in parts:
        return
    asked = read(f"{' '.join(parts)} {word} {thing}")
    if asked is None:
        return
    plain = read(" ".join(parts))
    assert plain is None or question(asked) == question(plain)
    chosen = {str(getattr(asked.read.question, f, "")) for f in ("tool", "held", "metal")}
    key = {"hss": "hss", "carbide": "carbide"}.get(thing, thing.split()[-1])
    assert key not in chosen


@cases(150)
@given(clauses(), st.integers(0, 3))
def test_a_number_added_is_used_or_asked_about(parts: list[str], at: int) -> None:
    """A number nobody has a place for is never passed over."""
    asked = read(" ".join([*parts[:at], "7.77 mm", *parts[at:]]))
    if asked is not None:
        sizes = [getattr(asked.read.question, f) for f in asked.calculator.fields]
        numbers = [float(s) for s in sizes if isinstance(s, Fraction)]
        assert any(abs(n - 7.77) < 1e-6 for n in numbers), asked.read_as


@cases(150)
@given(
    clauses(),
    st.sampled_from(("tap", "keyway", "gear", "taper", "o-ring", "counterbore", "hexagon")),
)
def test_a_word_of_another_calculator_is_used_or_asked_about(parts: list[str], word: str) -> None:
    asked = read(f"{' '.join(parts)} {word}")
    assert asked is None or word not in " ".join(asked.unused).lower(), asked.read_as


@cases(150)
@given(st.sampled_from(ANSWERED), st.integers(0, 400), st.sampled_from(("drop", "turn")))
def test_one_slip_in_a_long_word_changes_nothing_or_is_asked_about(
    line: str, at: int, how: str
) -> None:
    words = line.split()
    long = [n for n, w in enumerate(words) if len(w) >= 7 and w.isalpha()]
    if not long:
        return
    n = long[at % len(long)]
    word, k = words[n], 1 + at % (len(words[n]) - 2)
    slipped = (
        word[:k] + word[k + 1 :]
        if how == "drop"
        else word[:k] + word[k + 1] + word[k] + word[k + 2 :]
    )
    asked = read(" ".join([*words[:n], slipped, *words[n + 1 :]]))
    if asked is None or slipped == word:
        return
    assert asked.calculator is ask(line, WORKSHOP).calculator or asked.calculator.whole


@cases(200)
@given(st.lists(st.sampled_from(JUMBLE), max_size=12))
def test_no_line_is_answered_that_leaves_a_number_over(words: list[str]) -> None:
    """Of random words: every number of an answered line stands in what is said back."""
    line = " ".join(words)
    asked = read(line)
    if asked is None or without(spelt(line), CATALOGUE, NAMES).excluded:
        return
    if asked.calculator.insists or asked.calculator.whole:
        return
    assert not any(any(c.isdigit() for c in run) for run in asked.unused), (line, asked.read_as)


@cases(200)
@given(st.text(alphabet="0123456789 /.-x:°'\"#abcdeimnort,;()", max_size=120))
def test_any_spelling_is_spelt_and_any_form_is_tried(text: str) -> None:
    once = spelt(text)
    assert spelt(once) == spelt(spelt(once))
    for form in forms(once):
        assert form == " ".join(form.split())
    assert isinstance(without(once, CATALOGUE, NAMES).line, str)


@pytest.mark.parametrize(
    "line",
    ["1 in " * 90, "not " * 110, "a.b." * 110, "12 x " * 90, "deep " * 90, "17 deg 30 min " * 30],
)
def test_a_long_line_of_one_word_is_read_or_refused_whole(line: str) -> None:
    """As long as a line may be, and longer: a sentence comes back, and nothing is half read."""
    for one in (line[:30], line[:480].rsplit(" ", 1)[0], line * 3):
        told = spelt(one)
        assert len(told) <= 2 * len(one) + 10
        left = without(told, CATALOGUE, NAMES)
        assert len(left.line) <= len(told)
        for form in forms(told):
            assert len(form) <= len(told) + 60
        try:
            assert ask(one, WORKSHOP).read_as
        except Refused as refused:
            assert refused.says
            assert len(refused.says) < 400


@pytest.mark.parametrize(
    ("typed", "plain"),
    [
        ("40T 20 D.P.", "40 teeth 20 DP"),
        ("2 b.a.", "2 ba"),
        ("8 t.p.i. leadscrew", "8 tpi leadscrew"),
        ("6 holes on 45 p.c.d.", "6 holes on 45 pcd"),
        ("taper 1:20", "taper 1 in 20"),
        ("17 deg 20 min", "17.3333 degrees"),
        ("7°30'", "7.5 degrees"),
        ("drill thru 5mm", "drill through 5mm"),
        ("cbore M6", "counterbore M6"),
        ("8g6", "8 g6"),
        ("10 H7", "10 H7"),
        ("dividing 40:1", "dividing 40:1"),
        ("0, 0; 40, 0; 40, 20", "0, 0; 40, 0; 40, 20"),
        ("5,5 hole", "5.5 hole"),
        ("70% thread", "70 percent thread"),
        ("Sir, 12 mm brass please", "12 mm brass"),
        ("3.3 mm drill", "3.3 mm drill"),
        ("M4x0.5 8 deep", "M4x0.5 8 deep"),
    ],
)
def test_the_trades_spellings(typed: str, plain: str) -> None:
    assert spelt(typed) == plain


@pytest.mark.parametrize(
    ("line", "left", "excluded"),
    [
        ("turn 18 brass not carbide", "turn 18 brass", ("carbide",)),
        ("tap 2BA not M5 brass", "tap 2BA brass", ("m5",)),
        ("turn 20 brass instead of mild steel", "turn 20 brass", ("mild steel",)),
        ("6 holes, not 8, on 45 pcd", "6 holes, on 45 pcd", ("8",)),
        ("turn 20 ms not in the collet", "turn 20 ms", ("collet",)),
        ("drill no 43 brass", "drill no 43 brass", ()),
        ("turn 12 brass", "turn 12 brass", ()),
        ("it is not mild steel, turn 12 brass", "turn 12 brass", ("mild steel",)),
        ("turn 12 not hss or carbide brass", "turn 12 brass", ("hss", "carbide")),
    ],
)
def test_what_follows_a_no_goes_out(line: str, left: str, excluded: tuple[str, ...]) -> None:
    found = without(line, CATALOGUE, NAMES)
    assert (found.line, found.excluded, found.unknown) == (left, excluded, "")


def test_a_negation_nobody_knows_is_named() -> None:
    assert without("turn 12 brass not widdershins", CATALOGUE, NAMES).unknown == "widdershins"


@pytest.mark.parametrize(
    ("line", "noun", "number"),
    [
        ("6 mm finder 22 mm", "finder", "6 mm"),
        ("finder 6 mm, 22 away", "finder", "6 mm"),
        ("finder of 10 mm", "finder", "10 mm"),
        ("1 3/16 bar", "bar", "1 3/16"),
        ("a bar 3/8", "bar", "3/8"),
        ("12 deep", "bar", ""),
    ],
)
def test_a_number_belongs_to_its_noun_on_either_side(line: str, noun: str, number: str) -> None:
    found, rest = beside(line, noun)
    assert found == number
    assert not number or number not in rest


@pytest.mark.parametrize(
    ("line", "said"),
    [
        ("cut 26 tpi on 8 tpi leadscrew", "wheels to cut 26 tpi on 8 tpi leadscrew"),
        ("wheels for M10 on a 3 mm leadscrew", "wheels to cut M10 on 3 mm leadscrew"),
        ("long 45 taper 1 in 12 big end 32", "taper 1 in 12 large end 32 long 45"),
        ("20 and 40 teeth module 1 centre distance", "gear 20 teeth 1 module with 40"),
        ("limits 30 H7", "limits for 30 H7"),
        ("what size hexagon out of 25 bar, how big", "largest hexagon from 25 round"),
        ("3/8 away with a 10 mm finder", "edge finder 10 mm, 3/8 away"),
        (
            "reamer 5 mm after drill 4.5 mm brass",
            "reamed 5 mm hole from 4.5 mm there already after brass",
        ),
        ("is 4.2 right for M5", "tap M5 with 4.2 drill"),
    ],
)
def test_jobs_in_any_order(line: str, said: str) -> None:
    assert said in list(forms(line))


def test_no_form_takes_a_line_that_is_not_its_own() -> None:
    """Lines of the corpus that were read without them: a form may only say the same."""
    for line in ANSWERED:
        for form in forms(spelt(line)):
            if not keeps_numbers(spelt(line), form):
                continue
            asked = read(form)
            assert asked is None or asked.calculator.name == ask(line, WORKSHOP).calculator.name, (
                line
            )


@pytest.mark.parametrize(
    ("slip", "meant"),
    [
        ("drlling", "drilling"),
        ("turnign", "turning"),
        ("silvr", "silver"),
        ("gunmetl", "gunmetal"),
        ("clearence", "clearance"),
    ],
)
def test_slips_are_put_right(slip: str, meant: str) -> None:
    assert mended(slip, CATALOGUE, NAMES) == (meant, (f"{slip}: {meant}",))


@pytest.mark.parametrize(
    "word", ["brass", "turning", "table", "quickly", "there", "12", "M6", "through"]
)
def test_a_word_that_is_known_or_common_is_no_slip(word: str) -> None:
    assert mended(word, CATALOGUE, NAMES) == (word, ())


def test_every_calculator_knows_its_own_words() -> None:
    for calculator in CATALOGUE.values():
        own = own_words(calculator)
        for name, kind in calculator.fields.items():
            if isinstance(kind, Length):
                assert set(name.split("_")) <= own, (calculator.name, name)
    assert vocabulary(CATALOGUE, NAMES) > {"carbide", "brass", "tap"}


def test_numbers_are_counted_one_by_one() -> None:
    for one, other in itertools.product(("5 5 3", "5 3", "3"), repeat=2):
        more = Counter(one.split()) - Counter(other.split())
        assert keeps_numbers(one, other) == (not more)
