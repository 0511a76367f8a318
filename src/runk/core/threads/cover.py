"""``cover``: how many studs of which size hold a cover against a pressure."""

from __future__ import annotations

from dataclasses import dataclass
from math import ceil, pi
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law, stop
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.threads import laws
from runk.core.threads.cover_question import CoverQuestion, Joint
from runk.core.threads.nuts import flats_of
from runk.core.threads.thread import no_needs
from runk.core.units import unit_of

ALLOWED = (25.0, 30.0, 40.0)
"""Low stress for small studs, N/mm²: least, usual, most. Common practice."""
LEAST_STUDS, MOST_STUDS = 3, 36
CORNERS = 1.1547
SPANNER = 1.45
WIDEST_TIMES = 6.0
EDGE_TIMES = 0.75


@dataclass(frozen=True, slots=True, kw_only=True)
class CoverAnswer:
    """A cover's studs: ``count`` of them, ``least`` that the stress wants."""

    count: Annotated[int, Show("Studs", Rank.BIG, under="least")]
    least: Annotated[int, Show("The stress alone wants")]
    load_n: Annotated[Figure, Show("Lifting the cover")]
    share_n: Annotated[Figure, Show("Each stud’s share")]
    stress_n_per_mm2: Annotated[Figure, Show("Each pulls", Rank.BIG, under="allowed_n_per_mm2")]
    allowed_n_per_mm2: Annotated[Figure, Show("Allowed")]
    stress_area_mm2: Annotated[Figure, Show("Stress area of one")]
    circle_mm: Annotated[Figure, Show("On a circle of", Rank.BIG)]
    chord_mm: Annotated[Figure, Show("Stud to stud", Rank.BIG)]
    chord_over_diameter_ratio: Annotated[Figure, Show("Spacing in diameters")]
    inner_wall_mm: Annotated[Figure, Show("Wall to the bore")]
    outer_wall_mm: Annotated[Figure | None, Show("Wall to the rim")]
    spanner_mm: Annotated[Figure, Show("A box spanner wants")]
    between_nuts_mm: Annotated[Figure, Show("Between the nuts")]
    seal_mm: Annotated[Figure, Show("Under pressure to", Rank.FOLDED)]
    rim_mm: Annotated[Figure | None, Show("Cover across", Rank.FOLDED)]
    major_mm: Annotated[Figure, Show("Thread across", Rank.FOLDED)]
    nut_flats_mm: Annotated[Figure, Show("Nut across flats", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Usual stud circle", "{seal_mm} + 2 × ({major_mm} ÷ 2 + {wall_mm})", PRACTICE)
def usual_circle_mm(seal_mm: Num, major_mm: Num, wall_mm: Num) -> Num:
    """A circle that leaves a wall between stud and bore.

    >>> usual_circle_mm(22.0, 4.0, 3.0)
    32.0
    """
    return seal_mm + 2 * (major_mm / 2 + wall_mm)


@law("Inside of the studs", "{circle_mm} - {major_mm}")
def inside_of_studs_mm(circle_mm: Num, major_mm: Num) -> Num:
    """How far out the pressure gets under a flat joint.

    >>> inside_of_studs_mm(32.0, 4.0)
    28.0
    """
    return circle_mm - major_mm


@law("Wall beside a stud", "({outer_mm} - {inner_mm}) ÷ 2 - {major_mm} ÷ 2")
def wall_beside_mm(outer_mm: Num, inner_mm: Num, major_mm: Num) -> Num:
    """Metal between a stud and the next edge.

    >>> wall_beside_mm(32.0, 22.0, 4.0)
    3.0
    """
    return (outer_mm - inner_mm) / 2 - major_mm / 2


@law("Room a box spanner wants", "{share} × {flats_mm}", PRACTICE)
def spanner_mm(share: Num, flats_mm: Num) -> Num:
    """Across the outside of a small box spanner, by its flats.

    >>> round(spanner_mm(1.45, 7.0), 2)
    10.15
    """
    return share * flats_mm


@law("Between the nuts", "{chord_mm} - {corners_mm}")
def between_nuts_mm(chord_mm: Num, corners_mm: Num) -> Num:
    """Room left between neighbouring nuts, corner to corner.

    >>> between_nuts_mm(16.0, 8.0)
    8.0
    """
    return chord_mm - corners_mm


@law("Distance in diameters", "{chord_mm} ÷ {major_mm}")
def in_diameters_ratio(chord_mm: Num, major_mm: Num) -> Num:
    """Distance of neighbours in stud diameters.

    >>> in_diameters_ratio(16.0, 4.0)
    4.0
    """
    return chord_mm / major_mm


def cover(question: CoverQuestion, _: None = None) -> CoverAnswer:
    """Studs for a cover under pressure.

    Raises:
        Refused: Studs that overlap, a circle inside the bore or outside the cover.

    >>> from fractions import Fraction
    >>> from runk.core.threads.series import find_thread
    >>> answer = cover(CoverQuestion(find_thread("M3"), 0.55, Fraction(22)))
    >>> answer.count, round(answer.load_n.value)
    (6, 303)
    """
    if question.rim is not None and question.rim <= question.seal:
        raise Refused(
            f"A cover {mm_said(question.rim)} across does not cover a bore of "
            f"{mm_said(question.seal)}.",
            field="rim",
        )
    thread, w = question.thread, Working()
    major, seal = thread.major_mm, float(question.seal)
    area = w.of(
        laws.stress_area_mm2,
        "stress_area_mm2",
        major_mm=major,
        times=thread.form.stress,
        pitch_mm=thread.pitch_mm,
    )
    circle = _circle(w, question, seal, major)
    start = len(w.steps)
    reached = seal
    if question.joint is Joint.FLAT:
        reached = w(inside_of_studs_mm, circle_mm=circle.value, major_mm=major)
    load = w.of(
        laws.pressure_n,
        "load_n",
        since=start,
        pressure_n_per_mm2=question.pressure,
        seal_mm=reached,
        why="" if question.joint is Joint.SEALED else "the joint lets it out to the studs",
    )
    allowed = question.allowed or ALLOWED[1]
    least = max(2, ceil(load.value / (area.value * allowed) - 1e-9))
    spread = pi * circle.value / (WIDEST_TIMES * major)
    count = question.count or _even(max(least, LEAST_STUDS, ceil(spread)))
    chord = w.of(laws.chord_mm, "chord_mm", circle_mm=circle.value, count=float(count))
    flats = flats_of(w, thread)
    corners = CORNERS * flats.value
    if chord.value <= major * 1.2:
        raise Refused(
            f"{count} studs of {thread.name} on a circle of {mm_said(circle.value, 1)} "
            f"overlap: they "
            f"stand {mm_said(chord.value, 2)} apart. The stress wants {least} of them: take "
            f"a larger "
            "thread.",
            field="thread" if question.count is None else "count",
            suggest=str(least),
        )
    share = w.of(laws.share_n, "share_n", load_n=load.value, count=float(count))
    stress = w.of(laws.stress_n_per_mm2, load_n=share.value, area_mm2=area.value)
    inner = w.of(
        wall_beside_mm, "inner_wall_mm", outer_mm=circle.value, inner_mm=seal, major_mm=major
    )
    outer = None
    if question.rim is not None:
        outer = w.of(
            wall_beside_mm,
            "outer_wall_mm",
            outer_mm=float(question.rim),
            inner_mm=circle.value,
            major_mm=major,
        )
    between = w.of(between_nuts_mm, chord_mm=chord.value, corners_mm=corners)
    ratio = w.of(
        in_diameters_ratio, "chord_over_diameter_ratio", chord_mm=chord.value, major_mm=major
    )
    spanner = w.of(spanner_mm, share=SPANNER, flats_mm=flats.value)
    cautions = _cautions(question, allowed, stress, ratio, (inner, outer), between, spanner)
    return CoverAnswer(
        count=count,
        least=least,
        load_n=load,
        share_n=share,
        stress_n_per_mm2=stress,
        allowed_n_per_mm2=Figure(allowed, unit_of("allowed_n_per_mm2")),
        stress_area_mm2=area,
        circle_mm=circle,
        chord_mm=chord,
        chord_over_diameter_ratio=ratio,
        inner_wall_mm=inner,
        outer_wall_mm=outer,
        spanner_mm=spanner,
        between_nuts_mm=between,
        seal_mm=Figure(reached, unit_of("seal_mm")),
        rim_mm=None if question.rim is None else Figure(float(question.rim), unit_of("rim_mm")),
        major_mm=Figure(major, unit_of("major_mm"), (), 3),
        nut_flats_mm=flats,
        cautions=cautions,
        links=_links(question),
    )


def _even(count: int) -> int:
    """Covers have an even number of studs, above three."""
    return count + count % 2 if count > LEAST_STUDS else max(count, 4)


def _circle(w: Working, question: CoverQuestion, seal: float, major: float) -> Figure:
    if question.circle is None:
        if question.rim is not None and float(question.rim) > seal + 2 * major:
            return Figure((seal + float(question.rim)) / 2, unit_of("circle_mm"))
        return w.of(
            usual_circle_mm, "circle_mm", seal_mm=seal, major_mm=major, wall_mm=EDGE_TIMES * major
        )
    circle = float(question.circle)
    if circle <= seal + major:
        raise Refused(
            f"A stud circle of {mm_said(circle)} cuts into the {mm_said(seal)} bore.",
            field="circle",
            suggest=mm_said(seal + 2.5 * major, 1),
        )
    if question.rim is not None and circle + major >= float(question.rim):
        raise Refused(
            f"A stud circle of {mm_said(circle)} runs off a cover of {mm_said(question.rim)}.",
            field="circle",
            suggest=mm_said((seal + float(question.rim)) / 2, 1),
        )
    return Figure(circle, unit_of("circle_mm"))


def _cautions(
    question: CoverQuestion,
    allowed: float,
    stress: Figure,
    ratio: Figure,
    walls: tuple[Figure, Figure | None],
    between: Figure,
    spanner: Figure,
) -> tuple[Caution, ...]:
    found = [
        Caution(
            "Mind",
            "stored energy",
            "Steam and air under pressure kill. This is guidance: "
            "hydraulic test, safety valve, and your club's or a licensed inspector and the "
            "local code decide.",
            "load_n",
            PRACTICE,
        )
    ]
    if stress.value > allowed:
        found.append(
            stop(
                "the stress",
                "more studs, or larger ones",
                f"{stress.value:.0f} N/mm² is over the {allowed:.0f} "
                "allowed: more studs, or larger ones.",
                "stress_n_per_mm2",
                MECHANICS,
            )
        )
    if ratio.value > WIDEST_TIMES:
        found.append(
            Caution(
                "Mind",
                "leaks",
                f"{ratio.value:.1f} diameters apart: the gasket blows between "
                "studs that stand so far from each other.",
                "chord_mm",
                PRACTICE,
            )
        )
    least = EDGE_TIMES * question.thread.major_mm
    thin = [wall for wall in walls if wall is not None and wall.value < least - 1e-9]
    if thin:
        found.append(
            Caution(
                "Mind",
                "the wall",
                f"{mm_said(min(x.value for x in thin), 2)} is left beside a stud: "
                f"{mm_said(least, 2)} at least.",
                "inner_wall_mm",
                PRACTICE,
            )
        )
    if between.value < 0.5 * spanner.value / 2:
        found.append(
            Caution(
                "Mind",
                "the spanner",
                f"Only {mm_said(between.value, 1)} between the nuts: no "
                "spanner goes on. A box spanner, smaller nuts, or fewer studs.",
                "between_nuts_mm",
                PRACTICE,
            )
        )
    return tuple(sorted(found, key=lambda c: c.word != "Stop"))


def _links(question: CoverQuestion) -> tuple[Link, ...]:
    name = question.thread.name
    return (
        Link("stud", (("thread", name), ("count", str(question.count or ""))), "The studs"),
        Link("tighten", (("thread", name),), "How tight the nuts go"),
    )


COVER = Calculator(
    name="cover",
    title="Studs of a cover under pressure",
    door=Door("/threads/cover", "Threads", "Cover", family="Tap and die"),
    opening={"thread": "4 BA", "pressure": "80 psi", "seal": '11/16"', "rim": '1 1/4"'},
    question=CoverQuestion,
    answers=(CoverAnswer,),
    compute=cover,
    needs=no_needs,
    sentences={
        "": "A cylinder cover held by[ {count}] {thread} studs against {pressure}, bore {seal}, "
        "{joint}[, on a circle of {circle}][, rim {rim}][, {allowed} N/mm² allowed]"
    },
    calls=("cover", "cover studs", "studs for a cover", "cylinder cover", "cylinder cover held by"),
    headline=lambda a, page: f"{a.count} studs · {a.stress_n_per_mm2.words(page)} each",
)
