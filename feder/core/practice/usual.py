"""Usual values that stand in for what was not measured; whatever rests on one is marked."""

from feder.core.practice.value import usual

STRUT_RATIO = usual(0.95, "", "Usual motion ratio of a strut, about 15 % uncertain.")
WISHBONE_RATIO = usual(0.65, "", "Usual motion ratio of a coilover on wishbones, about 15 % uncertain.")
ASSUMED_RATIO: dict[str, float] = {"strut": STRUT_RATIO, "wishbone": WISHBONE_RATIO}
ARM_LENGTH = usual(0.40, "m", "From an arm's pivot to the wheel, where it was not read, for a wheel spacer.")
COMPRESSIBLE = usual(0.5, "", "Share of its length by which a bump stop squeezes.")
CLEARANCE = usual(0.003, "m", "Room kept between tyre and arch.")
HELD_AT_DROOP = usual(0.003, "m", "Compression that keeps a spring seated at full droop.")
PRELOAD = usual(0.010, "m", "Compression at full extension of a spring of which none was told.")
RING = usual(0.005, "m", "Thickness of the ring between two springs; it adds to the length.")
FAST_EXPONENT = usual(1.3, "", "Polytropic exponent of a fast stroke, in which the air keeps its heat.")
ASSUMED_TYRES = {
    "car": usual(200e3, "N/m", "Vertical rate of a car's tyre, where it is not told."),
    "motorcycle": usual(170e3, "N/m", "Vertical rate of a motorcycle's tyre, where it is not told."),
    "bicycle": usual(90e3, "N/m", "Vertical rate of a wide bicycle tyre, where it is not told."),
}
