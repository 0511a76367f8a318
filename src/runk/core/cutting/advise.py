"""The cautions of one cut: shown because this cut calls for them, never as wallpaper."""

from __future__ import annotations

from runk.core.cutting.load import of_load
from runk.core.cutting.operations import FACTS, Family, Operation
from runk.core.cutting.question import Meets, SpeedQuestion, Stage, Surface, Tool
from runk.core.cutting.reach import free, of_reach
from runk.core.cutting.skin import skinned
from runk.core.cutting.spindle import Cut
from runk.core.cutting.turned import of_tip
from runk.core.figures import Caution, Figure, stop
from runk.core.machines.choose import Gears
from runk.core.machines.machine import Holding, Machine, MachineKind, Setting
from runk.core.metals import Metal
from runk.core.sources import PRACTICE

_PLAIN = {Family.DRILLED: "drill", Family.TAPPED: "", Family.FILED: "", Family.MILLED: "end-mill"}
_GUIDED = frozenset({Operation.REAM, Operation.SPOT_FACE, Operation.CENTRE})
"""Guided by its hole or its pilot, or too short to grab: what a drill's lips do, these do not."""
ALSO_AS = {
    op: "" if op in _GUIDED else _PLAIN.get(facts.family, "turn") for op, facts in FACTS.items()
}
"""The plain operation whose cautions about the metal a rarer one shares; none of a tap's."""
SPRING_WORTH_A_PASS_MM = 0.01
FAR_UNDER, FAR_OVER = 0.6, 1.15

_HAS_CARBIDE = frozenset(
    {"turn", "face", "bore", "part", "groove", "form", "drill", "end-mill", "slot", "fly-cut"}
)
"""What a small shop has carbide for: no tap, reamer, saw, gear cutter or countersink."""
_BY_HAND = frozenset({"ream", "power-tap", "countersink", "spot-face"})


def cautions_for(
    question: SpeedQuestion,
    held: Holding,
    metal: Metal,
    machine: Machine,
    setting: Setting,
    target: float,
    cut: Cut,
    spring: Figure | None,
    slender: SpeedQuestion,
) -> tuple[Caution, ...]:
    """Everything to mind about this cut, most pressing first.

    Args:
        slender: The same cut with the work as thin as it will get.
    """
    found = [
        *of_reach(slender, held, spring, SPRING_WORTH_A_PASS_MM),
        *_of_speed(question, machine, setting, target),
        *of_load(question, cut),
        *_of_holding(question, held, setting),
        *_of_balance(question, held, machine, setting),
        *_of_feed(question, held, machine),
        *of_tip(question, cut),
        *_of_operation(question),
        *_of_metal(question, metal),
    ]
    return tuple(sorted(found, key=lambda c: c.word != "Stop"))


def _of_speed(
    question: SpeedQuestion, machine: Machine, setting: Setting, target: float
) -> list[Caution]:
    found = []
    ratio = setting.rpm / target
    slowest = min((s.rpm for s in machine.ladder), default=setting.rpm)
    if ratio > FAR_OVER and setting.rpm <= slowest * 1.001:
        # A thread's feed is its pitch: there is no finer.
        threaded = question.operation is Operation.SCREW_CUT
        ways = ["take the finest feed and stop at the first whine"]
        if threaded:
            ways = ["turn the spindle by hand, by a handle in its bore"]
        geared = any("back" in s.gear.lower() for s in machine.steps)
        if question.gears is Gears.DIRECT:
            ways.insert(0, "put the back gear in")
        elif not geared and machine.steps:
            ways.insert(0, "gear the machine down")
        if question.tool is Tool.HSS and question.operation in _HAS_CARBIDE:
            ways.insert(
                1 if question.gears is Gears.DIRECT else 0, "use a carbide tip, which stands it"
            )
        elif question.operation in _BY_HAND:
            ways.insert(0, "do it by hand")
        elif not FACTS[question.operation].of_work:
            ways.insert(0, "use a smaller tool")
        says = (
            f"Even the slowest that can be set is {ratio - 1:.0%} too fast for this: "
            f"{', or '.join(ways)}."
        )
        found.append(
            stop("the speed", ways[0], says, "set_rpm", PRACTICE)
            if ratio > 1.5 and not threaded
            else Caution("Mind", "the speed", says, "set_rpm", PRACTICE)
        )
    elif (
        ratio < FAR_UNDER
        and question.gears is Gears.ANY
        and setting.rpm >= _fastest(machine) * 0.999
    ):
        found.append(
            Caution(
                "Mind",
                "the top speed",
                f"The metal would take {target:.0f}: run flat out and keep to the feed a "
                "minute shown, which is scaled to it.",
                "set_rpm",
                PRACTICE,
            )
        )
    return found


def _fastest(machine: Machine) -> float:
    speeds = [s.rpm for s in machine.steps] + [r.high_rpm for r in machine.ranges]
    return max(speeds) * machine.frequency_ratio


def _of_operation(question: SpeedQuestion) -> list[Caution]:
    says = {
        Operation.PART: (
            "Mind",
            "the parting tool",
            "Lock the carriage, tool square and at centre height, "
            "oil on steel; a lost nerve and a stop in the cut is what jams it.",
        ),
        Operation.SCREW_CUT: (
            "Mind",
            "the stop",
            "Your hand has to be quicker than the tool in its relief groove: "
            "try it once with the tool clear of the work.",
        ),
        Operation.FACE: (
            "Mind",
            "the carriage",
            "Lock it for every facing cut, the top-slide in line with the bed.",
        ),
        Operation.FILE: (
            "Mind",
            "the file",
            "A handle on it and held left-handed, arm clear of the jaws; the ways covered.",
        ),
        Operation.DEBURR: (
            "Mind",
            "the burr",
            "A fine file or scraper, handled and left-handed; a finger finds it with the "
            "spindle stopped.",
        ),
        Operation.EMERY: (
            "Mind",
            "the strip",
            "Held by its ends, never wrapped round: it takes the hand in. Cover the ways.",
        ),
        Operation.SAW: (
            "Mind",
            "the saw",
            "A saw that runs out cuts on two teeth and breaks: clean its arbor and feed gently.",
        ),
        Operation.REAM: (
            "Mind",
            "the reamer",
            "Never turn a reamer backwards; feed steadily, and in a through hole right through.",
        ),
        Operation.FLY_CUT: (
            "Mind",
            "the fly cutter",
            "Stand out of its plane and check its screw: it swings wide and unbalanced.",
        ),
    }
    found = says.get(question.operation)
    if found is None:
        return []
    word, about, words = found
    return [Caution(word, about, words, None, PRACTICE)]


_DEAD_CENTRE_RPM = 500.0
"""Past about this a dead centre wants oil all the time, or a revolving one: common practice."""


_SWINGS_RPM = 600.0
"""Faster than this, work set over in four jaws is felt: common practice."""
_THIN_KNURL_MM = 8.0
"""Thinner than this a knurl bends work whose end is free: common practice."""


def _of_balance(
    question: SpeedQuestion, held: Holding, machine: Machine, setting: Setting
) -> list[Caution]:
    """What turns out of balance, besides a faceplate."""
    if held is Holding.FOUR_JAW and setting.rpm > _SWINGS_RPM:
        says = "Work set over in four jaws swings: turn it by hand first, start slower."
        return [Caution("Mind", "the balance", says, "set_rpm", PRACTICE)]
    if question.operation is Operation.BORE and machine.kind is not MachineKind.LATHE:
        says = "A boring head set over is out of balance: start slow, and stand clear of it."
        return [Caution("Mind", "the balance", says, "set_rpm", PRACTICE)]
    return []


def _of_feed(question: SpeedQuestion, held: Holding, machine: Machine) -> list[Caution]:
    """How a cutter or a knurl pushes what it is fed into."""
    table = machine.dial("table", "cross-slide")
    if question.operation is Operation.END_MILL and table is not None and table.backlash:
        says = "Feed against its turn: with it, it pulls the table through the screw's slack."
        return [Caution("Mind", "the feed", says, None, PRACTICE)]
    thin = float(question.diameter) < _THIN_KNURL_MM
    if question.operation is Operation.KNURL and thin and free(held):
        says = "A knurl pushes hard and bends thin work: bring up a centre, or pinch it."
        return [Caution("Mind", "the work", says, None, PRACTICE)]
    return []


def _of_holding(question: SpeedQuestion, held: Holding, setting: Setting) -> list[Caution]:
    of_work = FACTS[question.operation].of_work
    if held is Holding.FACEPLATE:
        says = (
            "Work off centre swings the faceplate: balance it, turn it by hand first, start slow."
        )
        return [Caution("Mind", "the balance", says, "set_rpm", PRACTICE)]
    if held in (Holding.CENTRES, Holding.CHUCK_AND_CENTRE) and setting.rpm > _DEAD_CENTRE_RPM:
        says = "A dead centre burns at this speed: keep oil on it, or use a revolving one."
        return [Caution("Mind", "the centre", says, "set_rpm", PRACTICE)]
    if held is Holding.BONDED and of_work:
        return [
            Caution(
                "Mind",
                "the bond",
                "Clean metal, a full day to set, then light cuts only: a hot cut softens it, near "
                "150 °C it holds half.",
                "depth_mm",
                PRACTICE,
            )
        ]
    return []


def _of_metal(question: SpeedQuestion, metal: Metal) -> list[Caution]:
    found = []
    under = skinned(question.surface, metal)
    hard = "Sand and hard skin" if question.surface is Surface.SKIN else "Black scale and its grit"
    what = "skin" if question.surface is Surface.SKIN else "scale"
    if question.surface is not Surface.SOUND:
        if not under:
            bar = f"{metal.name.capitalize()} is bar and has no casting skin"
            if question.surface is Surface.SCALE:
                bar = f"{metal.name.capitalize()} is not sold black"
            found.append(
                Caution("Mind", f"the {what}", f"{bar}: worked out as sound metal.", None, PRACTICE)
            )
        elif FACTS[question.operation].family is Family.TURNED:
            found.append(
                Caution(
                    "Mind",
                    f"the {what}",
                    f"{hard} blunt the edge: go under it in one bite, slow, before anything else.",
                    "depth_mm",
                    PRACTICE,
                )
            )
    if under and question.stage is Stage.FINISH:
        found.append(
            Caution(
                "Mind",
                "finishing",
                f"Under a {what} the first cut is a roughing cut; finish in the one after it.",
                None,
                PRACTICE,
            )
        )
    if question.meets is Meets.INTERRUPTED and question.tool is Tool.CARBIDE:
        found.append(
            Caution(
                "Mind",
                "the tip",
                "A carbide tip chips on an interrupted cut: high-speed "
                "steel stands the knocks better.",
                None,
                PRACTICE,
            )
        )
    found += [
        Caution(known.word, known.about, known.says, None, known.source)
        for known in metal.cautions
        if known.from_mm <= float(question.diameter)
        if "*" in known.operations
        or question.operation in known.operations
        or ALSO_AS.get(question.operation, "") in known.operations
    ]
    return found
