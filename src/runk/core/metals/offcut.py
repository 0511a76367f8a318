"""The question ``identify`` asks: an offcut as weighed, measured and tried."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.kinds import Choice, Length, Number, OneOf


class Shape(StrEnum):
    """Shape of the offcut."""

    ROUND = "round"
    SQUARE = "square"
    HEXAGON = "hexagon"
    TUBE = "tube"
    PLATE = "plate"


class Magnet(StrEnum):
    """What a magnet does."""

    UNTRIED = "untried"
    YES = "yes"
    FAINT = "faint"
    NO = "no"


class Colour(StrEnum):
    """Colour of a freshly filed spot."""

    UNSAID = "unsaid"
    GREY = "grey"
    WHITE = "white"
    YELLOW = "yellow"
    RED_GOLD = "red gold"
    RED = "red"


class Spark(StrEnum):
    """What a grinder strikes from it."""

    UNTRIED = "untried"
    BRIGHT = "bright"
    FEW = "few"
    NONE = "none"


_SHAPES = (
    Choice("round", "round bar", ("round", "round bar", "rod")),
    Choice("square", "square bar", ("square", "square bar")),
    Choice("hexagon", "hexagon bar", ("hexagon", "hex", "hex bar")),
    Choice("tube", "tube", ("tube", "pipe")),
    Choice("plate", "plate", ("plate", "flat", "strip", "sheet")),
)
_MAGNETS = (
    Choice("untried", "not tried", (), silent=True),
    Choice("yes", "bites", ("magnetic", "magnet bites", "magnet yes", "sticks", "bites")),
    Choice("faint", "pulls faintly", ("faintly magnetic", "magnet faint", "faint")),
    Choice(
        "no",
        "does nothing",
        ("not magnetic", "non magnetic", "non-magnetic", "magnet no", "no magnet"),
    ),
)
_COLOURS = (
    Choice("unsaid", "not said", (), silent=True),
    Choice("grey", "grey", ("grey", "gray", "dark grey")),
    Choice("white", "white", ("white", "silvery", "white grey")),
    Choice("yellow", "yellow", ("yellow", "brassy", "brass coloured", "brass colour")),
    Choice(
        "red gold",
        "red gold",
        ("red gold", "golden", "bronze coloured", "bronze colour", "reddish"),
    ),
    Choice("red", "red", ("red", "pink", "copper coloured", "copper colour")),
)
_SPARKS = (
    Choice("untried", "not tried", (), silent=True),
    Choice("bright", "many bright sparks", ("sparks", "bright sparks", "many sparks")),
    Choice("few", "few or dull sparks", ("few sparks", "dull sparks", "red sparks")),
    Choice("none", "no sparks", ("no sparks", "no spark")),
)


@dataclass(frozen=True, slots=True)
class IdentifyQuestion:
    """An offcut as weighed and measured.

    Args:
        weight: In grams.
        size: Diameter, or across the flats, or the plate's width.
        length: Of the offcut.
        bore: Of a tube.
        thick: Of a plate.
        scale: What the scale can tell apart, grams.
    """

    weight: Annotated[
        float,
        Number(
            "weight in grams",
            ("g", "grams", "gram", "weighs", "weight"),
            ("g", "grams", "gram"),
            asks="What does it weigh, in grams?",
            low=0.01,
            high=100000.0,
            placeholder="120",
        ),
    ]
    size: Annotated[
        Fraction,
        Length(
            "size across",
            ("dia", "diameter", "across", "af", "wide"),
            usual=(3.0, 100.0),
            principal=True,
            low=0.2,
            high=1000.0,
            placeholder="20 mm",
        ),
    ]
    length: Annotated[
        Fraction,
        Length(
            "length",
            ("long", "length"),
            usual=(5.0, 300.0),
            low=0.2,
            high=5000.0,
            placeholder="50 mm",
        ),
    ]
    shape: Annotated[Shape, OneOf("shape", choices=_SHAPES, rules=True)] = Shape.ROUND
    bore: Annotated[
        Fraction | None,
        Length("bore", ("bore", "inside", "hole"), only=("tube",), high=1000.0, placeholder="bore"),
    ] = None
    thick: Annotated[
        Fraction | None,
        Length(
            "thickness",
            ("thick", "thickness"),
            only=("plate",),
            high=500.0,
            placeholder="how thick",
        ),
    ] = None
    magnet: Annotated[Magnet, OneOf("magnet", choices=_MAGNETS)] = Magnet.UNTRIED
    colour: Annotated[Colour, OneOf("colour", choices=_COLOURS)] = Colour.UNSAID
    spark: Annotated[Spark, OneOf("spark", choices=_SPARKS)] = Spark.UNTRIED
    scale: Annotated[
        float | None,
        Number(
            "scale reads to, in grams", ("resolution",), low=0.0001, high=100.0, placeholder="1"
        ),
    ] = None


_SAID = "[, magnet {magnet}][, colour {colour}][, grinder: {spark}][, scale to {scale} g]"
_WEIGHS = ", {length} long, weighs {weight} g" + _SAID
SENTENCES = {
    "round": "A {shape} {size} in diameter" + _WEIGHS,
    "square": "A {shape} {size} across" + _WEIGHS,
    "hexagon": "A {shape} {size} across flats" + _WEIGHS,
    "tube": "A {shape} {size} outside, {bore} bore" + _WEIGHS,
    "plate": "A {shape} {size} wide, {thick} thick" + _WEIGHS,
}
