"""Rules of what comes before what."""

from __future__ import annotations

from collections.abc import Iterator

from runk.core.route.operations import HARDEN, TEMPER, slender
from runk.core.route.pairs import BORED, datum, on, outsides, overlapping, same, to_size, touching
from runk.core.route.pairs_of_holes import (
    before_parting,
    bolts_first,
    bore_before_passage,
    face_before_centre,
    first_plane,
    flats_before_cross,
    halves_first,
    hole_before_counterbore,
    hole_before_slot,
    holes_before_profile,
    large_first,
    led,
    plane_before_holes,
    spot_first,
)
from runk.core.route.part import EPS
from runk.core.route.route import Job
from runk.core.route.rule import Order, Pair, Severity


def _datum_first(job: Job) -> Iterator[Pair]:
    if job.part.cast and not any(f.round_outside for f in job.part.features):
        # A bracket: everything is set up from its foot.
        feet = list(job.of("mill", kinds=("plane",)))[:1]
        for foot in feet:
            for later in job.operations:
                if later.machine == "lathe":
                    yield foot.key, later.key
    if first := datum(job):
        for one in job.of("finish", "groove", "chamfer", "part off", "turn"):
            if one.access.way in ("outside", "inside"):
                yield first, one.key
        for one in job.operations:
            if one.access.way == "across":
                yield first, one.key


def _rough_all_first(job: Job) -> Iterator[Pair]:
    if slender(job.part):
        for later in outsides(job, "finish"):
            for first in outsides(job, "rough", "turn"):
                yield first.key, later.key


def _centre_first(job: Job) -> Iterator[Pair]:
    first = "right end: centre"
    if first in job.by_key:
        for later in job.operations:
            if later.access.way in ("outside", "die") and later.verb in (
                "finish",
                "turn",
                "cut thread",
            ):
                yield first, later.key


def _under_the_skin(job: Job) -> Iterator[Pair]:
    if job.part.cast:
        for later in job.of("finish"):
            for first in job.of("rough"):
                yield first.key, later.key


def _threads_last(job: Job) -> Iterator[Pair]:
    for later in job.of("cut thread"):
        for first in outsides(job, "finish", "turn"):
            yield first.key, later.key


def _keyways_last(job: Job) -> Iterator[Pair]:
    for later in job.of("mill", "slot", kinds=("keyway", "bore-keyway")):
        for first in outsides(job, "finish"):
            yield first.key, later.key
        if later.verb == "slot":
            for bore in job.of("finish", "ream", kinds=BORED):
                yield bore.key, later.key
        for thread in job.of("cut thread"):
            yield thread.key, later.key


def _knurl_early(job: Job) -> Iterator[Pair]:
    for first in job.of("knurl"):
        for later in job.of("finish"):
            yield first.key, later.key


def _taper_after_straight(job: Job) -> Iterator[Pair]:
    for later in job.of("turn", kinds=("taper",)):
        for first in outsides(job, "finish", "turn"):
            yield first.key, later.key


def _pins_first(job: Job) -> Iterator[Pair]:
    for later in job.of("finish", kinds=("journal",)):
        for first in job.of("finish", kinds=("crankpin",)):
            yield first.key, later.key


def _turned_before_milled(job: Job) -> Iterator[Pair]:
    for one in job.operations:
        if one.access.way != "across":
            continue
        place = one.access.span
        for feature in job.part.features:
            if (
                feature.round_outside
                and feature.span[0] < place[1] - EPS
                and place[0] < feature.span[1] - EPS
            ):
                for first in to_size(job, feature):
                    yield first, one.key


def _harden_last(job: Job) -> Iterator[Pair]:
    if HARDEN in job.by_key:
        for one in job.operations:
            if one.verb not in (HARDEN, TEMPER):
                yield one.key, HARDEN


def _chamfer_after(job: Job) -> Iterator[Pair]:
    for one in job.of("chamfer"):
        x = on(job, one).span[0]
        for feature in job.part.features:
            if feature.round_outside and feature.span[0] - EPS <= x <= feature.span[1] + EPS:
                for first in to_size(job, feature):
                    yield first, one.key


def _groove_after(job: Job) -> Iterator[Pair]:
    yield from overlapping(job, ("rough", ("outside", "journal")), ("groove", ("groove",)))
    yield from overlapping(job, ("turn", ("outside",)), ("groove", ("groove",)))


def _shoulder_after(job: Job) -> Iterator[Pair]:
    """The facing of a shoulder after the diameter that runs up to it."""
    part = job.part
    for one in job.of("face"):
        x = on(job, one).span[0]
        if one.access.way != "outside" or len(one.access.ends) != 1:
            continue
        side = next(iter(one.access.ends))
        for feature in part.features:
            runs_up = feature.span[1] if side == "right" else feature.span[0]
            if feature.round_outside and abs(runs_up - x) < EPS:
                for first in to_size(job, feature):
                    yield first, one.key


ORDER_RULES: tuple[Order, ...] = (
    Order(
        key="spot-first",
        name="Spot before drilling",
        pairs=spot_first,
        reason="A drill that is not started true wanders.",
    ),
    Order(
        key="drill-before-bore",
        name="Drill before boring",
        pairs=led,
        reason="A boring bar needs a hole to go into, and the smaller hole leads the larger.",
    ),
    Order(
        key="large-before-deep",
        name="The large hole before the deep small one behind it",
        pairs=large_first,
        reason="A small drill wanders and breaks in a depth the large one takes away.",
    ),
    Order(
        key="rough-before-finish",
        name="Rough before finishing",
        pairs=lambda job: (*same("rough", "finish")(job), *same("rough", "knurl")(job)),
        reason="The heavy cut springs and warms the work; the light one makes the size.",
    ),
    Order(
        key="drill-before-ream",
        name="Drill before reaming",
        pairs=same("drill", "ream"),
        reason="A reamer follows the hole that is there.",
    ),
    Order(
        key="drill-before-tap",
        name="Drill before tapping",
        pairs=same("drill", "tap"),
        reason="A tap only cuts the thread.",
    ),
    Order(
        key="blank-before-thread",
        name="Turn before threading",
        pairs=same("turn", "cut thread"),
        reason="A die is led by the diameter it starts on.",
    ),
    Order(
        key="face-before-centre",
        name="Face an end before it is drilled or milled",
        pairs=face_before_centre,
        reason="On a rough end a drill wanders, and the depth is counted from nothing.",
    ),
    Order(
        key="datum-first",
        name="The datum face before what is measured from it",
        pairs=_datum_first,
        reason="All lengths are counted from it.",
    ),
    Order(
        key="rough-all-first",
        name="Rough all of a slender part before finishing any",
        pairs=_rough_all_first,
        reason="Every cut lets go of stress and bends what was straight.",
    ),
    Order(
        key="centre-first",
        name="A centre in the end of slender work before it is turned",
        pairs=_centre_first,
        reason="Without one it springs away from the tool.",
    ),
    Order(
        key="under-the-skin",
        name="Under the skin first",
        pairs=_under_the_skin,
        reason="A casting moves when its skin comes off, and may show a hole that spoils it.",
    ),
    Order(
        key="through-before-parting",
        name="Holes before parting off",
        pairs=before_parting,
        reason="Cut off, it must be held and set true again for its hole.",
    ),
    Order(
        key="threads-last",
        name="Threads after the diameters",
        pairs=_threads_last,
        reason="A thread is bruised by every grip and every swarf that follows.",
    ),
    Order(
        key="keyways-last",
        name="Keyways after journals and threads",
        pairs=_keyways_last,
        reason="A keyway frees stress and leaves an interrupted surface that cannot be turned.",
    ),
    Order(
        key="undercut-before-thread",
        name="The undercut before its thread",
        pairs=lambda job: touching(job, "groove", "groove", "cut thread", ("thread",)),
        reason="The tool needs somewhere to run out.",
    ),
    Order(
        key="chamfer-before-thread",
        name="Chamfer before threading",
        pairs=lambda job: touching(job, "chamfer", "chamfer", "cut thread", ("thread",)),
        reason="A die starts square on a chamfer and tears a sharp edge.",
    ),
    Order(
        key="hole-before-counterbore",
        name="The hole before its counterbore",
        pairs=hole_before_counterbore,
        reason="The counterbore is led by, and clears into, it.",
    ),
    Order(
        key="knurl-early",
        name="Knurl before finishing",
        pairs=_knurl_early,
        reason="Knurling presses hard and shifts the work in its grip.",
    ),
    Order(
        key="taper-after-straight",
        name="Straight diameters before the taper",
        pairs=_taper_after_straight,
        reason="The top slide is swung once, when nothing parallel is left to do.",
    ),
    Order(
        key="pins-before-journals",
        name="Crankpins before the journals are finished",
        pairs=_pins_first,
        reason="Interrupted cuts on the throws knock finished journals out of true.",
    ),
    Order(
        key="flats-before-cross-holes",
        name="Flats before holes across them",
        pairs=flats_before_cross,
        reason="A drill starts true on a flat and slides on a round.",
    ),
    Order(
        key="drill-from-the-solid",
        name="Holes before the slot they meet",
        pairs=hole_before_slot,
        reason="A drill that breaks into a slot runs off into it.",
    ),
    Order(
        key="turned-before-milled",
        name="To size before anything is milled on it",
        pairs=_turned_before_milled,
        reason="Depths are counted from the finished diameter, and turning over a slot knocks.",
    ),
    Order(
        key="plane-before-holes",
        name="A face before the holes in it",
        pairs=plane_before_holes,
        reason="Depths are counted from it, and on a rough face a drill wanders.",
    ),
    Order(
        key="holes-before-profile",
        name="Holes before the profile",
        pairs=holes_before_profile,
        reason="The holes hold it down, and are what its outline is measured from.",
        severity=Severity.MIND,
    ),
    Order(
        key="first-plane-first",
        name="One flat face before all else on a block",
        pairs=first_plane,
        reason="Everything else is squared to it.",
    ),
    Order(
        key="harden-last",
        name="Harden when all else works",
        pairs=_harden_last,
        reason="Hard, only a stone cuts it.",
    ),
    Order(
        key="temper-after-hardening",
        name="Temper after hardening",
        pairs=lambda job: [(HARDEN, TEMPER)] if HARDEN in job.by_key else [],
        reason="As quenched it is brittle as glass.",
    ),
    Order(
        key="chamfer-after-size",
        name="Edges broken when the diameter is made",
        pairs=_chamfer_after,
        reason="Turned away it has to be cut again.",
        severity=Severity.MIND,
    ),
    Order(
        key="groove-after-roughing",
        name="Grooves after roughing",
        pairs=_groove_after,
        reason="Its depth is counted from the diameter, and a rough cut would close its edges.",
    ),
    Order(
        key="shoulder-after-journal",
        name="A shoulder after the diameter that runs up to it",
        pairs=_shoulder_after,
        reason="The last cut along the diameter runs into a finished shoulder and scores it.",
    ),
    Order(
        key="halves-first",
        name="Sawn and bolted together before it is bored",
        pairs=lambda job: (*same("saw", "bolt")(job), *halves_first(job)),
        reason="Bored first, the saw takes a slice out of the circle.",
    ),
    Order(
        key="bolts-before-the-saw",
        name="Bolt holes before the halves are sawn apart",
        pairs=bolts_first,
        reason="Drilled through both at once they meet.",
    ),
    Order(
        key="bore-before-passage",
        name="The bore before the passages into it",
        pairs=bore_before_passage,
        reason="A boring tool that meets a cross hole knocks at its edges while it roughs.",
    ),
)
