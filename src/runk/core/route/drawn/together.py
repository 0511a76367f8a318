"""Lines of one part read together: what one says of its left end, the others know."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from fractions import Fraction

from runk.core.questions import Read, sentence
from runk.core.refusals import Refused
from runk.core.route.drawn.sentence import features_of
from runk.core.route.feature import FEATURE, BlankQuestion
from runk.core.route.feature_question import ROUND, FeatureQuestion
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_EMPTY = Workshop(())
Heard = tuple[FeatureQuestion, ...] | Refused
Reader = Callable[[str, PageUnit, Fraction | None, Fraction | None], tuple[FeatureQuestion, ...]]


def length_of(read: Iterable[FeatureQuestion], blank: BlankQuestion | None) -> Fraction | None:
    """How long a part is: to its last face, else as its piece was cut, else to its last feature.

    Args:
        read: Features whose places are known.
        blank: What it is made from, where that is known.

    >>> from runk.core.route.drawn.sentence import features_of
    >>> read = [*features_of("face at 0", PageUnit.MM), *features_of("face at 42", PageUnit.MM)]
    >>> float(length_of(read, None))
    42.0
    """
    features = list(read)
    faces = [f.start for f in features if f.kind == "face" and f.start is not None]
    if faces and max(faces) > 0:
        return max(faces)
    if blank is not None and blank.kind != "plate" and blank.long is not None:
        return blank.long
    ends = [place for f in features for place in (f.start, f.end) if place is not None]
    return max(ends) if ends and max(ends) > 0 else None


def heard_together(
    lines: Sequence[str], blank: BlankQuestion | None, page: PageUnit, read: Reader = features_of
) -> list[Heard]:
    """Each line of a part as it is read beside the others, or why it cannot be.

    Args:
        lines: As typed.
        blank: What it is made from, where that is known.
        page: What a bare number means.
        read: How a line is read.

    >>> lines = ["face at 0", "face at 42", "12 dia 10 long at the left end"]
    >>> seat, = heard_together(lines, None, PageUnit.MM)[2]
    >>> float(seat.start), float(seat.end)
    (32.0, 42.0)
    """
    found = [_tried(line, page, None, read) for line in lines]
    if not any(isinstance(one, Refused) for one in found):
        return found
    known = [f for one in found if not isinstance(one, Refused) for f in one]
    long = length_of(known, blank)
    if long is not None:
        found = [
            _tried(line, page, long, read) if isinstance(one, Refused) else one
            for line, one in zip(lines, found, strict=True)
        ]
        found = [
            _knurled(line, page, long, read, blank, one)
            if isinstance(one, Refused) and one.field == "size" and "knurl" in line.lower()
            else one
            for line, one in zip(lines, found, strict=True)
        ]
        known = [f for one in found if not isinstance(one, Refused) for f in one]
    return [
        _grooved(line, page, long, read, known, blank, one)
        if isinstance(one, Refused) and one.field == "size" and "groove" in one.template
        else one
        for line, one in zip(lines, found, strict=True)
    ]


def _tried(
    line: str, page: PageUnit, long: Fraction | None, read: Reader, outside: Fraction | None = None
) -> Heard:
    try:
        return read(line, page, long, outside)
    except Refused as refused:
        return refused


def _knurled(
    line: str,
    page: PageUnit,
    long: Fraction,
    read: Reader,
    blank: BlankQuestion | None,
    refused: Refused,
) -> Heard:
    """A knurl of no size is rolled on the bar itself."""
    if blank is None or blank.kind != "bar" or blank.dia is None:
        return refused
    heard = _tried(f"{line} {float(blank.dia):.6g} mm dia", page, long, read)
    return refused if isinstance(heard, Refused) else heard


def _grooved(
    line: str,
    page: PageUnit,
    long: Fraction | None,
    read: Reader,
    known: Sequence[FeatureQuestion],
    blank: BlankQuestion | None,
    refused: Refused,
) -> Heard:
    """A groove told by its depth: cut in what is turned where it lies, else in the bar."""
    turned = [f for f in known if f.kind in ROUND and f.size is not None and not f.throw]
    for one in turned:
        heard = _tried(line, page, long, read, one.size)
        if not isinstance(heard, Refused) and all(_within(groove, one) for groove in heard):
            return heard
    if (
        blank is None
        or blank.kind != "bar"
        or blank.dia is None
        or (blank.section or "round") != "round"
    ):
        return refused
    heard = _tried(line, page, long, read, blank.dia)
    if isinstance(heard, Refused) or any(_touches(g, f) for g in heard for f in turned):
        return refused
    return heard


def _touches(groove: FeatureQuestion, outside: FeatureQuestion) -> bool:
    """Whether some of a groove lies on a turned length."""
    if groove.start is None or outside.start is None or outside.end is None:
        return True
    low, high = sorted((outside.start, outside.end))
    return groove.start < high and groove.start + (groove.wide or 0) > low


def _within(groove: FeatureQuestion, outside: FeatureQuestion) -> bool:
    """Whether a groove lies on a turned length."""
    if groove.start is None or outside.start is None or outside.end is None:
        return False
    low, high = sorted((outside.start, outside.end))
    return low <= groove.start and groove.start + (groove.wide or 0) <= high


def one_each(lines: Sequence[str], blank: BlankQuestion | None, page: PageUnit) -> list[str]:
    """Lines of a part with one feature each, every place told from its right end.

    What reads alone is left as it was typed. What cannot be read is left too.

    Args:
        lines: As typed.
        blank: What it is made from, where that is known.
        page: What a bare number means.

    >>> one_each(["face at 0", "1/2 chamfer both ends", "face at 20"], None, PageUnit.MM)
    ['face at 0', 'Chamfer 12.7 mm at 0 mm', 'Chamfer 12.7 mm at 20 mm', 'face at 20']
    """
    kept: list[str] = []
    for line, heard in zip(lines, heard_together(lines, blank, page), strict=True):
        alone = _tried(line, page, None, features_of)
        if isinstance(heard, Refused) or (heard == alone and len(heard) == 1):
            kept.append(line)
        else:
            kept += [sentence(FEATURE, Read(one, {}), page, _EMPTY) for one in heard]
    return kept
