"""Sums of a bar and of a bore: what one weighs, what a pressure pushes on the other."""

from __future__ import annotations

from runk.core.figures import Figure, Num, Working, law
from runk.core.metals.metal import Metal
from runk.core.metals.offcut_laws import hexagon_cm3, plate_cm3, round_cm3, square_cm3, tube_cm3
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import MECHANICS
from runk.core.sums.answers import ForceAnswer, WeightAnswer
from runk.core.sums.question import SumQuestion
from runk.core.threads.laws import pressure_n

_POUND_G, _POUND_N = 453.592, 4.44822


def _short(value: float) -> str:
    """Three figures, written out: a weight is never told by a power of ten."""
    return f"{float(f'{value:.3g}'):.10g}"


@law("It weighs", "{volume_cm3} × {density_g_cm3}", MECHANICS)
def bar_weight_g(volume_cm3: Num, density_g_cm3: Num) -> Num:
    """Mass of a volume of metal.

    >>> bar_weight_g(10.0, 8.5)
    85.0
    """
    return volume_cm3 * density_g_cm3


def weight(w: Working, question: SumQuestion, metal: Metal | None) -> WeightAnswer:
    """What a bar, tube or plate of a metal weighs.

    Raises:
        Refused: No metal or size, a tube without its bore, a plate without its thickness.
    """
    if metal is None:
        raise Refused("What metal is it?", field="metal", suggest="brass")
    if question.dia is None or question.long is None:
        raise Refused("How large is it, and how long?", field="dia", suggest="22 mm")
    size, long = float(question.dia), float(question.long)
    volume = _volume(w, question, size, long)
    found = w.of(
        bar_weight_g,
        "weight_g",
        since=0,
        volume_cm3=volume.value,
        density_g_cm3=metal["density_g_cm3"],
        source=metal.source("density_g_cm3"),
    )
    kilos, pounds = found.value / 1000.0, found.value / _POUND_G
    return WeightAnswer(
        weight_g=found,
        says=f"{_short(kilos)} kg, {_short(pounds)} lb, of {metal.name} as its table has it.",
        volume_cm3=volume,
    )


def _volume(w: Working, question: SumQuestion, size: float, long: float) -> Figure:
    if question.section == "tube" or (question.section == "round" and question.bore is not None):
        if question.bore is None:
            raise Refused("What is the tube's bore?", field="bore", suggest="16 mm")
        bore = float(question.bore)
        if bore >= size:
            raise Refused(
                f"A bore of {mm_said(bore)} leaves no wall of {mm_said(size)}.", field="bore"
            )
        return w.of(tube_cm3, "volume_cm3", size_mm=size, bore_mm=bore, length_mm=long)
    if question.section == "plate":
        if question.thick is None:
            raise Refused("How thick is the plate?", field="thick", suggest="6 mm")
        thick = float(question.thick)
        return w.of(plate_cm3, "volume_cm3", size_mm=size, thick_mm=thick, length_mm=long)
    laws = {"round": round_cm3, "square": square_cm3, "hexagon": hexagon_cm3}
    return w.of(laws[question.section], "volume_cm3", size_mm=size, length_mm=long)


def force(w: Working, question: SumQuestion) -> ForceAnswer:
    """What a pressure pushes with on a bore.

    Raises:
        Refused: No pressure or no bore.
    """
    if question.dia is None:
        raise Refused("How large is the bore?", field="dia", suggest="22 mm")
    if question.pressure is None:
        raise Refused("What pressure?", field="pressure", suggest="80 psi")
    dia = float(question.dia)
    found = w.of(pressure_n, "force_n", pressure_n_per_mm2=question.pressure, seal_mm=dia)
    return ForceAnswer(force_n=found, says=f"{_short(found.value / _POUND_N)} pounds.")
