"""Every calculator there is: the one list."""

from __future__ import annotations

from runk.core.calculator import Catalogue
from runk.core.cutting.sheet import SHEET
from runk.core.cutting.speed import SPEED
from runk.core.faults.finder import FAULTS
from runk.core.fits.bond import BOND
from runk.core.fits.fit import FIT
from runk.core.fits.mate import MATE
from runk.core.fits.pairs import PAIRS
from runk.core.fits.press import PRESS
from runk.core.fits.shrink import SHRINK
from runk.core.fits.warm import WARM
from runk.core.holding.grip import GRIP
from runk.core.holding.harden import HARDEN
from runk.core.holding.surplus import SURPLUS
from runk.core.holes.angled import ANGLED
from runk.core.holes.hole import HOLE
from runk.core.holes.nearest import NEAREST
from runk.core.holes.stops import DEPTH
from runk.core.judgement.why import WHY
from runk.core.layout.circle import CIRCLE
from runk.core.layout.divide import DIVIDE
from runk.core.layout.gear import GEAR
from runk.core.layout.part_off import PART_OFF
from runk.core.layout.path import PATH
from runk.core.layout.place import PLACE
from runk.core.layout.reach import REACH
from runk.core.layout.sine import SINE
from runk.core.layout.slit import SLIT
from runk.core.layout.square import SQUARE
from runk.core.layout.stock import STOCK
from runk.core.layout.taper import TAPER
from runk.core.lengths.calculator import LENGTH
from runk.core.machines.plate import MACHINE
from runk.core.metals.identify import IDENTIFY
from runk.core.metals.pair import PAIR
from runk.core.plan.plan import PLAN
from runk.core.rings.ring import RING
from runk.core.rings.seal import SEAL
from runk.core.shafts.balance import BALANCE
from runk.core.shafts.budget import BUDGET
from runk.core.shafts.crank import CRANK
from runk.core.shafts.dog import DOG
from runk.core.shafts.eccentric import ECCENTRIC
from runk.core.shafts.endfloat import ENDFLOAT
from runk.core.shafts.flats import FLATS
from runk.core.shafts.keyway import KEYWAY
from runk.core.shafts.passage import PASSAGE
from runk.core.shafts.piston import PISTON
from runk.core.shafts.throw import THROW
from runk.core.shafts.true import TRUE
from runk.core.sums.sums import SUMS_CALCULATOR
from runk.core.threads.clearance import CLEARANCE
from runk.core.threads.cover import COVER
from runk.core.threads.die import DIE
from runk.core.threads.screwcut import SCREWCUT
from runk.core.threads.stud import STUD
from runk.core.threads.tap import TAP
from runk.core.threads.thread import THREAD
from runk.core.threads.tighten import TIGHTEN
from runk.core.threads.which import WHICH
from runk.core.threads.wires import WIRES
from runk.core.wheels.wheels import WHEELS

CATALOGUE = Catalogue(
    (
        SPEED,
        SUMS_CALCULATOR,
        SHEET,
        PLAN,
        HOLE,
        NEAREST,
        DEPTH,
        ANGLED,
        FIT,
        MATE,
        PAIRS,
        WARM,
        PRESS,
        SHRINK,
        BOND,
        THROW,
        CRANK,
        ECCENTRIC,
        BALANCE,
        PASSAGE,
        DOG,
        KEYWAY,
        FLATS,
        TRUE,
        ENDFLOAT,
        BUDGET,
        PISTON,
        RING,
        SEAL,
        CIRCLE,
        DIVIDE,
        GEAR,
        PLACE,
        TAPER,
        SINE,
        SQUARE,
        STOCK,
        PART_OFF,
        SLIT,
        REACH,
        PATH,
        GRIP,
        SURPLUS,
        HARDEN,
        TAP,
        DIE,
        STUD,
        COVER,
        CLEARANCE,
        TIGHTEN,
        WHICH,
        THREAD,
        SCREWCUT,
        WIRES,
        WHEELS,
        FAULTS,
        WHY,
        MACHINE,
        IDENTIFY,
        PAIR,
        LENGTH,
    ),
    former={"reckon": "sums"},
)
