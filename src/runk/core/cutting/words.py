"""The words a cut is asked in: what each choice is called, and the sentences."""

from __future__ import annotations

from runk.core.cutting.operations import FACTS, Family, by_machine, of_family
from runk.core.kinds import Choice
from runk.core.machines.machine import MachineKind

TURNED = of_family(Family.TURNED)
PLUNGED = of_family(Family.PLUNGED)
FILED = of_family(Family.FILED)
SINGLE_POINT = (*TURNED, *PLUNGED)
MILLED = of_family(Family.MILLED)
DRILLED = of_family(Family.DRILLED)
PITCHED = of_family(Family.TAPPED, Family.THREADED)
LATHE_HELD = by_machine(MachineKind.LATHE)
TABLE_HELD = by_machine(MachineKind.MILL)

_ALONG = ("turn", "groove", "form", "knurl", "screw-cut", "chamfer", *FILED)
_BETWEEN = ("face", *_ALONG)

TOOLS = (
    Choice("hss", "high-speed steel", ("hss", "high speed steel", "high speed")),
    Choice("cobalt", "cobalt steel", ("cobalt", "hss-co", "m35", "m42", "cobalt hss")),
    Choice(
        "carbide",
        "carbide",
        (
            "carbide",
            "tipped",
            "insert",
            "tungsten carbide",
            "carbide tip",
            "solid carbide",
            "hard metal",
        ),
    ),
)
STAGES = (
    Choice("rough", "roughing", ("rough", "roughing", "roughed")),
    Choice("finish", "finishing", ("finish", "finishing", "fine", "last cut", "finish cut")),
)
SURFACES = (
    Choice("sound", "sound metal", ("sound", "below the skin", "under the skin"), silent=True),
    Choice(
        "skin",
        "its as-cast skin",
        ("skin", "as-cast", "as cast", "as-cast skin", "casting skin", "with skin"),
    ),
    Choice(
        "scale",
        "its black scale",
        ("black", "black bar", "black scale", "scale", "mill scale", "hot rolled", "hot-rolled"),
    ),
)
SET_UPS = (
    Choice("ordinary", "an ordinary set-up", ("ordinary", "ordinary set-up"), silent=True),
    Choice("stiff", "a stiff set-up", ("stiff", "rigid", "solid")),
    Choice(
        "long",
        "a long or thin set-up",
        ("long overhang", "slender", "whippy", "thin work", "long work"),
    ),
)
FACED = (
    Choice("side", "a side or a step", ("side of it",), silent=True),
    Choice("face", "a face", ("flange", "boss", "face", "facing", "faced", "flat face")),
)
MEETS = (
    Choice("all round", "all round", ("continuous",), silent=True),
    Choice(
        "interrupted", "with gaps", ("interrupted", "interrupted cut", "intermittent", "with gaps")
    ),
)
HELD = (
    Choice(
        "three-jaw",
        "in the three-jaw",
        ("three-jaw", "3 jaw", "3-jaw", "three jaw", "chuck", "self-centring chuck"),
        LATHE_HELD,
    ),
    Choice(
        "four-jaw",
        "in the four-jaw",
        ("four-jaw", "4 jaw", "4-jaw", "four jaw", "independent chuck"),
        LATHE_HELD,
    ),
    Choice("collet", "in a collet", ("collet",), LATHE_HELD),
    Choice(
        "between centres",
        "between centres",
        ("between centres", "between centers", "centres", "centers"),
        _BETWEEN,
    ),
    Choice(
        "chuck and centre",
        "by chuck and centre",
        ("chuck and centre", "with centre", "tailstock centre", "revolving centre"),
        _ALONG,
    ),
    Choice("faceplate", "on the faceplate", ("faceplate", "face plate"), LATHE_HELD),
    Choice("mandrel", "on a mandrel", ("mandrel", "on a mandrel", "arbor"), _BETWEEN),
    Choice(
        "bonded",
        "by retaining compound",
        (
            "held with retaining compound",
            "held with compound",
            "stuck with compound",
            "with retaining compound",
            "retaining compound",
            "bonded",
        ),
        ("turn", "face", "bore", "groove", "form", "drill", "ream", "chamfer", *FILED),
    ),
    Choice("vice", "in the vice", ("vice", "vise", "machine vice", "boring head"), TABLE_HELD),
    Choice(
        "clamped to the table",
        "by clamps on the table",
        ("clamped", "clamps", "clamped down", "clamped to the table", "clamps on the table"),
        TABLE_HELD,
    ),
    Choice("vertical slide", "on the vertical slide", ("vertical slide",), MILLED),
)
SCHOOLS = (
    Choice("a little over", "a little over at most", (), silent=True),
    Choice("never over", "never over", ()),
    Choice("nearest", "nearest either way", ()),
    Choice("slowest", "the slowest there is", ("slowest", "slowest speed", "as slow as it goes")),
)
GEARS = (
    Choice("any", "any gear", (), silent=True),
    Choice("direct", "direct drive", ("direct", "direct drive", "open belt", "ungeared")),
    Choice("back gear", "back gear", ("back gear", "back geared", "in back gear", "backgear")),
)


ALLOYS = (
    Choice("known", "a known alloy", ("known alloy",), silent=True),
    Choice(
        "unknown",
        "an alloy nobody is sure of",
        ("unknown", "unknown alloy", "mystery", "mystery metal", "scrap", "unidentified"),
    ),
)
SIDES = (
    Choice("above", "above centre", ("above", "high", "too high", "off high", "off above")),
    Choice("below", "below centre", ("below", "low", "too low", "off low", "off below")),
)

_SET_AS = (
    "[, {gears}][, {school}][, {hardness} HRC hard][, against {own_rpm} rev/min]"
    "[, against a feed of {own_feed}][, against {own_feed_min} a minute]"
)
_TURNING = (
    "[, {surface}], held {held}[ on a {spigot} spigot][, {overhang} out], with "
    "{tool}, {stage}[ in {set_up}][, {meets}][, {alloy}][, taking {depth} deep]"
    "[, {length} long][, tip {tip_radius}][, finish Ra {finish}]"
    "[, tool {off_centre} {side}], on the {machine}" + _SET_AS
)
_BORING = _TURNING.replace(
    "[ on a {spigot} spigot][, {overhang} out], with {tool}",
    ", with {tool}[ on a {bar} bar][ {overhang} out]",
)
_PLUNGING = (
    "[, {surface}], held {held}[ on a {spigot} spigot], with {tool}[, {width} wide]"
    "[, {depth} deep][, {meets}][ in {set_up}][, {alloy}], on the {machine}" + _SET_AS
)
_DRILLING = (
    "[, {surface}], held {held}, with {tool}[, in {set_up}][, {alloy}][, {length} deep], "
    "on the {machine}" + _SET_AS
)
_MILLING = (
    "[, {surface}], with a {diameter} cutter, {tool}[, {teeth} teeth][, {width} wide]"
    "[, taking {depth} deep], {stage}[ in {set_up}][, {alloy}], held {held}"
    "[, {length} long], on the {machine}" + _SET_AS
)
_ALIKE = {
    Family.TURNED: "{operation} {diameter} {metal}" + _TURNING,
    Family.PLUNGED: "{operation} {diameter} {metal}" + _PLUNGING,
    Family.KNURLED: "{operation} {diameter} {metal}, held {held}[ in {set_up}][, {alloy}]"
    "[, {length} long], on the {machine}" + _SET_AS,
    Family.FILED: "{operation} {diameter} {metal}[, {surface}], held {held}"
    "[, {overhang} out][ in {set_up}][, {alloy}], on the {machine}" + _SET_AS,
    Family.DRILLED: "{operation} {diameter} in {metal}" + _DRILLING,
    Family.MILLED: "{operation} in {metal}" + _MILLING,
    Family.TAPPED: "{operation} {diameter} in {metal}, {pitch} pitch" + _DRILLING,
    Family.THREADED: "{operation} {diameter} {metal}, {pitch} pitch, held {held}, "
    "with {tool}[ in {set_up}][, {alloy}][, relief {relief} wide][, tool {width} wide]"
    "[, {length} long], on the {machine}" + _SET_AS,
}
SENTENCES = {key.value: _ALIKE[facts.family] for key, facts in FACTS.items()} | {
    "face": "{operation} {diameter} across in {metal}" + _TURNING.replace("[, {length} long]", ""),
    "bore": "{operation} a {diameter} hole in {metal}" + _BORING,
    "end-mill": "{operation} {metal}[, {faced}]" + _MILLING,
    "chamfer": "{operation} {diameter} {metal}[, {width} wide][, {surface}], held {held}, "
    "with {tool}[, {meets}][ in {set_up}][, {alloy}], on the {machine}" + _SET_AS,
    "centre": "{operation} {diameter} in {metal}[, the end of a {shaft} bar]" + _DRILLING,
}
