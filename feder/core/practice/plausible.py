"""What vehicles have: usual ranges by quantity and kind, wide enough that what lies outside is asked about."""

from dataclasses import dataclass

PRACTICE = "general practice"


@dataclass(frozen=True, slots=True)
class Range:
    """From and to in SI, of what, and where it is from."""

    low: float
    high: float
    unit: str
    of: str
    share: bool = False
    """Whether it is told in per cent, where it has no unit."""
    source: str = PRACTICE


def _same(unit: str, *, share: bool = False, **by_kind: tuple[float, float]) -> dict[str, Range]:
    words = {"car": "cars", "motorcycle": "motorcycles", "bicycle": "bicycles"}
    return {kind: Range(low, high, unit, words[kind], share) for kind, (low, high) in by_kind.items()}


TYRE_RATE = _same("N/m", car=(110e3, 450e3), motorcycle=(80e3, 320e3), bicycle=(30e3, 250e3))
TYRE_RADIUS = _same("m", car=(0.21, 0.48), motorcycle=(0.20, 0.37), bicycle=(0.22, 0.40))
WHEELBASE = _same("m", car=(1.7, 4.6), motorcycle=(1.1, 1.85), bicycle=(0.85, 1.45))
TRACK = _same("m", car=(1.0, 2.1))
WHEELBASE_OVER_TRACK = _same("", car=(1.2, 2.8))
TOTAL_MASS = _same("kg", car=(350, 6500), motorcycle=(55, 480), bicycle=(6, 45))
FRONT_SHARE = _same("", share=True, car=(0.30, 0.74), motorcycle=(0.38, 0.58), bicycle=(0.33, 0.58))
LEFT_SHARE = _same("", share=True, car=(0.43, 0.57))
CROSS = _same("", share=True, car=(0.48, 0.52))
UNSPRUNG_SHARE = {
    "car": Range(0.045, 0.18, "", "cars on independent suspension", share=True),
    "live axle": Range(0.08, 0.29, "", "live axles", share=True),
    "motorcycle": Range(0.07, 0.30, "", "motorcycles", share=True),
    "bicycle": Range(0.12, 0.65, "", "bicycles", share=True),
}
"""Unsprung mass as a share of what the scales show at the wheel, rider off."""
SPRING_RATIO = {
    "strut": Range(0.80, 1.02, "", "struts"),
    "wishbone": Range(0.30, 1.01, "", "wishbones"),
    "divorced": Range(0.35, 1.03, "", "springs apart from their dampers"),
    "live axle": Range(0.50, 1.20, "", "live axles"),
    "torsion arm": Range(0.35, 1.20, "", "coils beside torsion bars"),
    "twin shock": Range(0.45, 1.10, "", "twin shocks"),
    "linkage": Range(0.22, 0.75, "", "shocks on a linkage"),
}
"""Spring over wheel travel at the height as found."""
DAMPER_RATIO = {
    "strut": Range(0.80, 1.02, "", "struts"),
    "wishbone": Range(0.30, 1.01, "", "wishbones"),
    "divorced": Range(0.40, 1.15, "", "dampers apart from their springs"),
    "live axle": Range(0.50, 1.20, "", "live axles"),
    "torsion arm": Range(0.35, 1.20, "", "dampers beside torsion bars"),
}
MOVES_FURTHER = 1.02
"""A damper that moves more than its wheel stands behind it on its arm; asked about from here on."""
FREQUENCY = {
    "comfort road": Range(0.80, 2.0, "Hz", "cars for comfort"),
    "sporty road": Range(0.80, 2.3, "Hz", "road cars"),
    "fast road, track days": Range(0.85, 3.0, "Hz", "fast road cars"),
    "circuit": Range(0.9, 6.0, "Hz", "circuit cars"),
    "load carrier": Range(0.75, 3.2, "Hz", "load carriers"),
    "motorcycle": Range(1.2, 4.5, "Hz", "motorcycles without their rider"),
}
"""Of the sprung mass on the wheel rate, as found."""
FREQUENCIES_APART = _same("", car=(0.66, 1.62))
"""Rear over front frequency."""
SQUEEZED = Range(0.055, 0.60, "", "springs at ride", share=True)
"""Share of its free length by which a spring is squeezed as found."""
HELD_AS_FOUND = Range(-0.055, 0.21, "m", "springs as found")
"""How far a car's spring is still pressed at full droop."""
DROOP_TRAVEL = _same("m", car=(0.012, 0.26))
BUMP_TRAVEL = _same("m", car=(0.012, 0.26))
DAMPING = _same("", car=(0.06, 1.9), motorcycle=(0.08, 1.9))
"""Low-speed damping as a share of critical, as found."""
HUB_TO_ARCH = _same("m", car=(0.20, 0.75))
FLOOR_TO_ARCH = _same("m", car=(0.45, 1.25))
HEIGHT_ASKED = Range(-0.11, 0.13, "m", "changes of height")
"""Change of hub to arch that a setup asks for."""
STOP_GAP = Range(-0.012, 0.20, "m", "bump stops as found")
"""Shaft between damper body and stop as found."""
CG_HEIGHT = _same("m", car=(0.28, 1.1))
ROLL_CENTRE = _same("m", car=(-0.15, 0.60))
FRICTION = _same("N", car=(5, 900), motorcycle=(2, 250), bicycle=(1, 120))
BAR_DIAMETER = Range(0.013, 0.050, "m", "torsion bars")
BAR_LENGTH = Range(0.25, 1.9, "m", "torsion bars")
ARM_LENGTH = Range(0.14, 0.75, "m", "arms of torsion bars")
ARM_BELOW = Range(-0.45, 0.95, "rad", "arms below the chassis")
WOUND = Range(0.06, 1.1, "rad", "torsion bars at ride")
SPRING_INDEX = Range(3.0, 30.0, "", "coil springs")
"""Mean diameter over wire."""
TYRE_PRESSURE = _same("Pa", car=(0.5e5, 7e5), motorcycle=(0.6e5, 3.6e5), bicycle=(0.5e5, 9.5e5))
CAMBER = _same("rad", car=(-0.115, 0.06))
CASTER = _same("rad", car=(-0.04, 0.24))
TOE = _same("m", car=(-0.010, 0.010))
RAKE = _same("rad", motorcycle=(0.30, 0.80), bicycle=(0.30, 0.56))
TRAVEL = {
    "motorcycle": Range(0.045, 0.345, "m", "motorcycles"),
    "bicycle": Range(0.045, 0.235, "m", "bicycles"),
}
"""Whole travel at the wheel."""
RIDER = Range(25, 190, "kg", "riders in their kit")
RIDER_SAG = {
    "motorcycle": Range(0.10, 0.62, "", "motorcycles with their rider", share=True),
    "bicycle": Range(0.07, 0.55, "", "bicycles with their rider", share=True),
}
"""Rider sag as a share of the travel."""
PRELOAD = Range(-0.004, 0.075, "m", "springs of two-wheelers")
"""Pressed at full extension, as found."""
STROKE_OFF = 0.12
"""Share by which a shock's stroke may miss what travel and leverage make of it."""
RATES_APART = Range(0.28, 4.5, "", "springs that replace another")
"""Wheel rate of a setup over that as found."""
