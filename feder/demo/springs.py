"""Some eighty made-up springs in realistic steps of rate and length, each wound so that its rate is true.

The workshop marks its springs by a wood and a running number, a wood for each inside diameter.
"""

from feder.core.document.base import RateValue
from feder.core.document.setup import SpringPart
from feder.core.formulas.coil import solid_length_of
from feder.core.numbers.quantities import SPRING_STEEL_SHEAR_MODULUS

# inside diameter mm: {free length mm: (rates N/mm)}
_RANGE: dict[int, dict[int, tuple[int, ...]]] = {
    60: {
        160: (40, 50, 55, 60, 65, 70, 80),
        170: (30, 35, 40, 45, 50, 60),
        180: (30, 35, 40, 45, 50, 55, 60, 70, 80),
        200: (25, 30, 35, 40, 45, 50, 55, 60, 70),
        220: (20, 25, 30, 35, 40, 50, 60),
    },
    65: {
        180: (40, 50, 60, 70, 80, 90),
        200: (30, 40, 50, 60, 70, 80),
        230: (25, 30, 40, 50, 60),
        250: (20, 25, 30, 40, 50),
    },
}
WOODS = {60: "larch", 65: "rowan", 50: "hazel"}
"""By inside diameter in mm: the shelf a spring lies on."""
_NUMBERS = {
    (inside, free, rate): number
    for inside, lengths in _RANGE.items()
    for number, (free, rate) in enumerate(((f, r) for f, rates in lengths.items() for r in rates), 1)
}
_STRESS = 1000e6
"""Shear stress aimed at with 55 % of the free length used, Pa; it chooses the wire."""
USED = 0.55
_WIRES = tuple(round(0.0005 * i, 4) for i in range(14, 33))
# wire chosen by hand where the workshop measured it
_MEASURED_WIRE = {
    (60, 180, 50): 0.010,
    (60, 200, 55): 0.0105,
    (60, 160, 55): 0.0105,
    (60, 180, 60): 0.011,
    (60, 160, 60): 0.010,
    (60, 160, 65): 0.0105,
    (60, 160, 70): 0.0105,
    (60, 200, 40): 0.0095,
}


_HELPERS = tuple(
    SpringPart(
        code=f"helper {number}",
        rate=RateValue(value=rate * 1e3, how="maker"),
        free_length=free / 1e3,
        inside_diameter=inside / 1e3,
        wire_diameter=0.004,
        solid_length=solid / 1e3,
        note="flat wire; solid at ride",
    )
    for number, (inside, free, rate, solid) in enumerate(((60, 55, 4, 14), (60, 75, 3, 18), (65, 75, 3, 18)), 1)
)
_LOAD_SPRINGS = tuple(
    SpringPart(
        code=f"load {rate}",
        rate=RateValue(value=rate * 1e3, how="maker"),
        free_length=free / 1e3,
        inside_diameter=0.098,
        wire_diameter=wire / 1e3,
        solid_length=solid / 1e3,
        most_load=most,
    )
    for rate, free, wire, solid, most in (
        (42, 352, 14.5, 138, 8200.0),
        (52, 330, 15.5, 146, 9500.0),
        (62, 312, 16.5, 152, 11000.0),
        (72, 300, 17.5, 156, 12500.0),
    )
)


_SHOCK = tuple(
    SpringPart(
        code=f"{WOODS[50]} {number}",
        rate=RateValue(value=rate * 1e3, how="maker"),
        free_length=free / 1e3,
        inside_diameter=0.050,
        wire_diameter=wire / 1e3,
        solid_length=solid / 1e3,
    )
    for number, (rate, free, wire, solid) in enumerate(
        (
            (80, 175, 10.5, 95),
            (90, 175, 11.0, 98),
            (100, 180, 11.0, 99),
            (115, 180, 11.5, 101),
            (130, 180, 12.0, 104),
            (150, 170, 12.5, 103),
        ),
        1,
    )
)
_FORK = tuple(
    SpringPart(
        code=f"birch {number}",
        rate=RateValue(value=rate * 1e3, how="maker"),
        free_length=0.300,
        inside_diameter=0.023,
        solid_length=0.142,
    )
    for number, rate in enumerate((7.0, 7.5, 8.0, 8.5, 9.0, 9.5, 10.0), 1)
)
_LOWERING = (
    SpringPart(code="low set front", rate=RateValue(value=30e3, how="maker"), quoted_drop=0.030),
    SpringPart(code="low set rear", rate=RateValue(value=22.5e3, how="maker"), quoted_drop=0.035),
)


def demo_springs() -> list[SpringPart]:
    """The shelf, each spring by the workshop's own mark."""
    wound = [
        demo_spring(inside, free, rate)
        for inside, lengths in _RANGE.items()
        for free, rates in lengths.items()
        for rate in rates
    ]
    return [*wound, *_HELPERS, *_LOAD_SPRINGS, *_LOWERING, *_SHOCK, *_FORK]


def demo_spring(inside_mm: int, free_mm: int, rate_npmm: int) -> SpringPart:
    """One spring of the shelf, wound so that wire and coils give its rate."""
    wire = _MEASURED_WIRE.get((inside_mm, free_mm, rate_npmm)) or _wire(
        inside_mm / 1e3, free_mm / 1e3, rate_npmm * 1e3
    )
    coils = _coils(wire, inside_mm / 1e3, rate_npmm * 1e3)
    return SpringPart(
        code=f"{WOODS[inside_mm]} {_NUMBERS.get((inside_mm, free_mm, rate_npmm), f'x{free_mm}x{rate_npmm}')}",
        rate=RateValue(value=rate_npmm * 1e3, how="maker"),
        free_length=free_mm / 1e3,
        inside_diameter=inside_mm / 1e3,
        wire_diameter=wire,
        active_coils=round(coils, 2),
        solid_length=round(float(solid_length_of(wire, coils + 2)), 4),
    )


def _coils(wire: float, inside: float, rate: float) -> float:
    return SPRING_STEEL_SHEAR_MODULUS * wire**4 / (8 * (inside + wire) ** 3 * rate)


def _wire(inside: float, free: float, rate: float) -> float:
    """The thinnest wire that carries its travel without overstress."""
    for wire in _WIRES:
        if 8 * rate * USED * free * (inside + wire) / (3.1416 * wire**3) < _STRESS:
            return wire
    return _WIRES[-1]
