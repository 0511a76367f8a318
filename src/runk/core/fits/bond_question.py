"""The question ``bond`` asks."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.fits.joint_question import JointQuestion
from runk.core.kinds import Choice, Length, OneOf, Temperature
from runk.core.sources import read_table

COMPOUNDS = tuple(
    Choice(
        row["key"],
        row["label"],
        tuple(row["words"].split(";")),
        yields_to=("weak", "epoxy", "threadlocker") if row["key"] == "retaining" else (),
    )
    for row in read_table("compounds")
)
PINS = (
    Choice("across", "right across", ("across", "cross pin", "right across", "pinned")),
    Choice(
        "endways",
        "endways as a scotch key",
        ("endways", "scotch key", "scotch"),
        yields_to=("across",),
    ),
)


@dataclass(frozen=True, slots=True)
class BondQuestion(JointQuestion):
    """A joint held by compound.

    Args:
        gap: What it is free by, on diameter; the usual 1 to 2 thou where left out.
        hot: What it works at, Celsius.
        pin: Put through the joint once it has set.
        turned: Diameter at which it is then cut, held by the bond alone.
        cut: Depth of that cut, and ``feed`` its feed a turn.
    """

    gap: Annotated[
        Fraction | None,
        Length(
            "gap on diameter",
            ("gap", "free", "clearance"),
            usual=(0.005, 0.3),
            low=0.0005,
            high=5.0,
            placeholder="1 to 2 thou",
        ),
    ] = None
    compound: Annotated[str, OneOf("compound", choices=COMPOUNDS)] = "retaining"
    hot: Annotated[
        float | None,
        Temperature(
            "works at",
            ("works at", "hot", "at"),
            high=600.0,
            placeholder="the shop's",
            asks="How hot does it work?",
        ),
    ] = None
    pin: Annotated[
        Fraction | None,
        Length("pin", ("pin", "pinned", "key"), usual=(0.8, 8.0), high=50.0, placeholder="none"),
    ] = None
    pin_as: Annotated[
        str, OneOf("how the pin goes", asks="Which way does the pin go?", choices=PINS)
    ] = "across"
    turned: Annotated[
        Fraction | None,
        Length(
            "diameter then turned",
            ("turned", "cut at", "turning", "turned at"),
            usual=(2.0, 200.0),
            high=1000.0,
            placeholder="no cut",
        ),
    ] = None
    cut: Annotated[
        Fraction | None,
        Length("depth of that cut", ("depth", "cut"), high=20.0, placeholder="0.25 mm"),
    ] = None
    feed: Annotated[
        Fraction | None, Length("feed a turn", ("feed",), high=2.0, placeholder="0.05 mm")
    ] = None
