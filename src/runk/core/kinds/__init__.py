"""What a field of a question can be: each kind reads, bounds, says, finds and offers itself."""

from runk.core.kinds.base import Kind, Taken, Told
from runk.core.kinds.chain import Chain
from runk.core.kinds.choice import Choice, OneOf
from runk.core.kinds.corners import Corner, OfCorners
from runk.core.kinds.divider import OfDivider
from runk.core.kinds.fit_class import OfFitClass
from runk.core.kinds.length import Length, Lengths, Place
from runk.core.kinds.limits import Bounds, Limits
from runk.core.kinds.number import Angle, Count, Number, Pressure, Temperature
from runk.core.kinds.owned import OfMachine, OfMetal, OfMetals
from runk.core.kinds.pitch import OfPitch, OfWheels, Pitched
from runk.core.kinds.point import OfPoint, Point
from runk.core.kinds.speeds import Gear, Speeds
from runk.core.kinds.spots import Bearing, OfBearings, OfSpots, Spot
from runk.core.kinds.stations import Stations
from runk.core.kinds.text import Text
from runk.core.kinds.thread import OfThread

__all__ = [
    "Angle",
    "Bearing",
    "Bounds",
    "Chain",
    "Choice",
    "Corner",
    "Count",
    "Gear",
    "Kind",
    "Length",
    "Lengths",
    "Limits",
    "Number",
    "OfBearings",
    "OfCorners",
    "OfDivider",
    "OfFitClass",
    "OfMachine",
    "OfMetal",
    "OfMetals",
    "OfPitch",
    "OfPoint",
    "OfSpots",
    "OfThread",
    "OfWheels",
    "OneOf",
    "Pitched",
    "Place",
    "Point",
    "Pressure",
    "Speeds",
    "Spot",
    "Stations",
    "Taken",
    "Temperature",
    "Text",
    "Told",
]
