"""``wheels``: change wheels for a pitch, from the set that is owned."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from fractions import Fraction
from functools import partial
from math import prod

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Working, told
from runk.core.kinds import Pitched
from runk.core.lengths import Reading
from runk.core.lengths.show import MM_PER_INCH, trimmed
from runk.core.machines import Machine, MachineKind
from runk.core.machines.change_wheels import ratios_of, teeth_of
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.threads.hands import Hand
from runk.core.units import PageUnit
from runk.core.wheels.half_nuts import half_nuts_say
from runk.core.wheels.train import STEEP, Train, worth
from runk.core.wheels.wheel_laws import cuts_mm, error_ppm, off_um, turns_ratio
from runk.core.wheels.wheels_question import TrainShown, WheelsAnswer, WheelsQuestion
from runk.core.workshop import Workshop

EXACT_PPM = 0.5
_POOR_PPM = 2000.0
_SHOWN = 8


def needs(question: WheelsQuestion, workshop: Workshop) -> Machine:
    """The lathe."""
    return workshop.machine(question.machine, (MachineKind.LATHE,))


def settle(
    question: WheelsQuestion, workshop: Workshop, _: Mapping[str, Reading]
) -> WheelsQuestion:
    """The lathe's own leadscrew and wheels, where none are told.

    Raises:
        Refused: Nobody said what the lathe has.
    """
    machine = workshop.machine(question.machine, (MachineKind.LATHE,))
    question = replace(question, machine=machine.name)
    if question.screw is None:
        if machine.leadscrew_mm is None:
            raise Refused(
                f"What pitch has the leadscrew of {machine.name}?", field="screw", suggest="8 tpi"
            )
        mm = Fraction(str(machine.leadscrew_mm))
        tpi = MM_PER_INCH / mm
        inch = tpi.denominator == 1
        said = f"{tpi} tpi" if inch else f"{trimmed(mm, 4)} mm"
        question = replace(question, screw=Pitched(mm, said))
    if not question.wheels:
        owned = teeth_of(machine.wheels)
        if len(owned) < 2:
            raise Refused(
                f"Which change wheels has {machine.name}? Type them, or keep them in the Workshop.",
                field="wheels",
                suggest="20 20 25 30 35 40",
            )
        question = replace(question, wheels=owned)
    return question


def compute(question: WheelsQuestion, machine: Machine) -> WheelsAnswer:
    """Trains for a pitch.

    Raises:
        Refused: No train of these wheels comes anywhere near.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> at = lambda mm: Pitched(Fraction(mm), mm)
    >>> asked = settle(WheelsQuestion(at("1.5875")), WORKSHOP, {})
    >>> answer = compute(asked, needs(asked, WORKSHOP))
    >>> answer.set_up, round(answer.error_ppm.value)
    ('20 on 40', 0)
    """
    # Fetched when wanted: it brings NumPy with it.
    from runk.core.wheels.trains import trains

    w = Working()
    pitch, screw = float(question.pitch.mm), float(question.screw.mm) if question.screw else 0.0
    long = float(question.long)
    ratio = w(turns_ratio, pitch_mm=pitch, screw_mm=screw)
    gears = ratios_of(machine.gearbox) or (Fraction(1),)
    reaches = partial(_reaches, machine)
    every = [
        (train, gear)
        for gear in gears
        for train in trains(question.wheels, ratio / float(gear), _SHOWN, reaches)
    ]
    able = sorted(every, key=lambda one: worth(one[0]))[:_SHOWN]
    if not able or abs(able[0][0].error) > 0.05:
        raise Refused(
            f"No train of these wheels comes within a twentieth of {question.pitch.said}: "
            "more wheels, or a die.",
            field="wheels" if question.wheels else "pitch",
        )
    shown = [_shown(w, train, gear, pitch, screw, long, len(gears) > 1) for train, gear in able]
    best, first = able[0][0], shown[0]
    box, lever = "", ""
    if first.gear:
        box, lever = f", the box at {first.gear}", f" The gearbox at {first.gear}."
    ppm = abs(first.error_ppm.value)
    return WheelsAnswer(
        set_up=f"{_set_up(best)}{box}",
        error_ppm=first.error_ppm,
        says=f"{_says(best, ppm, question.hand)}{lever}",
        half_nuts=_half_nuts(question, machine, ppm),
        buy=_buy(question, ratio / float(able[0][1]), ppm, reaches),
        cuts_mm=first.pitch_mm,
        off_um=first.off_um,
        ratio=_as_ratio(question),
        wanted_mm=told(pitch, "wanted_mm", 4),
        screw_mm=told(screw, "screw_mm", 4),
        long_mm=told(long, "long_mm", 1),
        trains=tuple(shown),
        cautions=(*_loads(best, machine), *_cautions(best, ppm)),
        links=(),
    )


def _half_nuts(question: WheelsQuestion, machine: Machine, ppm: float) -> str:
    if question.screw is None:
        return ""
    if ppm >= EXACT_PPM:
        # Each turn of the leadscrew between two closings would set the tool over by what is off.
        return (
            "Stay closed until the thread is done: this train is not exact, and opened they do not "
            "find the thread again. Stop, draw the tool out, run back in reverse."
        )
    own = machine.leadscrew_mm
    # The dial belongs to the lathe's own leadscrew.
    same = own is not None and Fraction(str(own)) == question.screw.mm
    return half_nuts_say(question.screw.mm, question.pitch.mm, machine.dial_teeth if same else None)


def _reaches(machine: Machine, train: Train) -> bool:
    """Whether the banjo lets the stud stand there; unknown limits forbid nothing."""
    if len(train.drivers) < 2 or not machine.wheel_module:
        return True
    apart = machine.wheel_module * (train.drivers[1] + train.driven[1]) / 2
    low, high = machine.banjo_least_mm, machine.banjo_most_mm
    return (low is None or apart >= low) and (high is None or apart <= high)


def _shown(
    w: Working, train: Train, gear: Fraction, pitch: float, screw: float, long: float, geared: bool
) -> TrainShown:
    over, under = 1, 1
    for driver, driven in zip(train.drivers, train.driven, strict=True):
        over, under = over * driver, under * driven
    cuts = w.of(
        cuts_mm, "pitch_mm", screw_mm=screw, drivers_ratio=over / under, gear_ratio=float(gear)
    )
    ppm = w.of(error_ppm, since=len(w.steps) - 1, cuts_mm=cuts.value, pitch_mm=pitch)
    # What a float leaves of an exact ratio is no error.
    exact = abs(ppm.value) < EXACT_PPM / 1000
    off = w.of(off_um, error_ppm=ppm.value, long_mm=long)
    return TrainShown(
        drivers=train.drivers,
        driven=train.driven,
        pitch_mm=replace(cuts, places=4),
        error_ppm=replace(ppm, value=0.0 if exact else ppm.value),
        off_um=replace(off, value=0.0 if exact else off.value),
        gear=str(gear) if geared else "",
        says=_runs(train),
    )


def _runs(train: Train) -> str:
    kind = "any idler between" if len(train.drivers) == 1 else "two on one stud"
    if train.steep > STEEP:
        return f"{kind}; steep, it chatters: turn it by hand"
    return kind


def _set_up(train: Train) -> str:
    return ", ".join(f"{a} on {b}" for a, b in zip(train.drivers, train.driven, strict=True))


def _says(train: Train, ppm: float, hand: Hand) -> str:
    exact = "Exact. " if ppm < EXACT_PPM else ""
    left = hand is Hand.LEFT
    if len(train.drivers) == 1:
        idlers = "two idlers" if left else "any idler"
        turns = (
            "for a left hand; one turns it right-handed"
            if left
            else "; a second turns it left-handed"
        )
        return (
            f"{exact}{train.drivers[0]} on the spindle, {train.driven[0]} on the leadscrew, "
            f"{idlers} between{turns}."
        )
    (a, c), (b, d) = train.drivers, train.driven
    idler = "An idler between for the left hand." if left else "An idler more turns it left-handed."
    return (
        f"{exact}{a} on the spindle drives {b} on the stud; with it {c} drives {d} on the "
        f"leadscrew. {idler} Paper between the teeth sets their play."
    )


def _as_ratio(question: WheelsQuestion) -> str:
    assert question.screw is not None
    ratio = (question.pitch.mm / question.screw.mm).limit_denominator(10000)
    return f"{ratio.numerator} to {ratio.denominator}"


def _buy(
    question: WheelsQuestion, ratio: float, ppm: float, reaches: Callable[[Train], bool]
) -> str:
    if ppm < EXACT_PPM:
        return ""
    from runk.core.wheels.trains import bought

    found = bought(question.wheels, ratio, ppm * 1e-6, reaches)
    if found is None:
        return "No one wheel of 20 to 127 teeth comes nearer."
    teeth, train = found
    left = abs(train.error) * 1e6
    if left > _WORTH * ppm:
        return f"No one wheel of 20 to 127 teeth is worth buying: {left:.0f} in a million at best."
    comes = "exact" if left < EXACT_PPM else f"{left:.0f} in a million"
    return f"With one of {teeth} teeth: {_set_up(train)}, {comes}."


def _loads(train: Train, machine: Machine) -> tuple[Caution, ...]:
    """What nobody told of the lathe: whether the wheels reach; and what turns faster than it."""
    found = []
    module = machine.wheel_module
    told = machine.banjo_least_mm is not None or machine.banjo_most_mm is not None
    if len(train.drivers) > 1 and not told:
        teeth = sum(train.drivers) + sum(train.driven)
        span = f"{mm_said(module * teeth / 2, 1)}" if module else f"half of {teeth} teeth"
        says = (
            f"In one line these wheels span {span} from spindle to leadscrew: measure whether "
            "they reach on this lathe, and whether the banjo takes the stud there."
        )
        found.append(Caution("Mind", "the reach", says, None, MECHANICS))
    up = prod(train.drivers) / prod(train.driven)
    if up > _UP:
        says = (
            f"The leadscrew turns {up:.3g} times as fast as the spindle and the wheels bear as "
            "much more: turn the spindle by hand."
        )
        found.append(Caution("Mind", "the step up", says, None, MECHANICS))
    return tuple(found)


def _cautions(train: Train, ppm: float) -> tuple[Caution, ...]:
    found = []
    if ppm > _POOR_PPM:
        says = f"{ppm:.0f} in a million is felt in a long nut: good for a short one only."
        found.append(Caution("Mind", "the pitch", says, "error_ppm", PRACTICE))
    if train.steep > STEEP:
        says = "One mesh is steep: turn the spindle by hand, or a slow belt."
        found.append(Caution("Mind", "the train", says, None, MECHANICS))
    says = "Spindle stopped and isolated while wheels are changed; the guard back on after."
    return (*found, Caution("Mind", "the wheels", says, None, PRACTICE))


def headline(answer: WheelsAnswer, page: PageUnit) -> str:
    """The train, and how far out."""
    off = answer.error_ppm
    said = "exact" if abs(off.value) < EXACT_PPM else f"{off.words(page)} off"
    return f"{answer.set_up} · {said}"


_UP = 2.0
"""A leadscrew that runs faster than this is driven by hand: common practice."""
_WORTH = 0.5
"""A wheel is worth its price where it halves what is off: common practice."""
_REST = "[, over {long}][, {hand}][, on {machine}]"
_TAIL = f"[, wheels {{wheels}}]{_REST}"
WHEELS = Calculator(
    name="wheels",
    title="Change wheels for a pitch",
    door=Door("/threads/wheels", "Threads", "Change wheels", family="Cut in the lathe"),
    opening={"pitch": "0.81 mm"},
    question=WheelsQuestion,
    answers=(WheelsAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={"": f"Change wheels for {{pitch}}[, leadscrew {{screw}}]{_TAIL}"},
    lines=(
        f"{{call}} {{pitch}} on <a |an |>{{screw}}< leadscrew|>{_TAIL}",
        f"{{call}} {{wheels}} for {{pitch}}{_REST}",
        f"{{call}} {{pitch}}{_TAIL}",
    ),
    calls=(
        "change wheels to cut",
        "wheels to cut",
        "change wheels",
        "change wheel",
        "changewheels",
        "change gears",
        "gear train",
        "wheels",
    ),
    headline=headline,
)
