"""Usual standard uncertainties of readings and figures, by how they were got."""

from dataclasses import dataclass
from math import radians


@dataclass(frozen=True)
class Tolerance:
    """A standard uncertainty: absolute in SI, or relative to the value."""

    size: float
    relative: bool = False

    def of(self, value: float) -> float:
        return abs(value) * self.size if self.relative else self.size


BY_HOW: dict[str, Tolerance] = {
    "scales": Tolerance(1.0),
    "tape": Tolerance(1.5e-3),
    "level": Tolerance(radians(0.1)),
    "sweep": Tolerance(0.01, relative=True),
    "levers": Tolerance(0.03, relative=True),
    "maker": Tolerance(0.03, relative=True),
    "bench": Tolerance(0.01, relative=True),
    "wire": Tolerance(0.05, relative=True),
    "estimated": Tolerance(0.10, relative=True),
    "assumed": Tolerance(0.15, relative=True),
}
"""By how a number was got; general practice."""
BY_UNIT: dict[str, Tolerance] = {
    "m": BY_HOW["tape"],
    "kg": BY_HOW["scales"],
    "rad": BY_HOW["level"],
    "": BY_HOW["sweep"],
    "N/m": BY_HOW["maker"],
    "N*s/m": BY_HOW["estimated"],
    "N*m/rad": BY_HOW["maker"],
    "m^2": BY_HOW["maker"],
    "m^3": BY_HOW["maker"],
    "Pa": Tolerance(0.02, relative=True),
}
"""For numbers typed in without saying how: as such a number is usually got."""
BY_SOURCE: dict[str, Tolerance] = {
    "by calliper": Tolerance(0.0125, relative=True),
    "steel": Tolerance(0.0),
}
"""Diameters go into a bar's rate with their fourth power: so much makes a rate from dimensions 5 % uncertain."""
EXACT = ("asked for", "set", "brief", "fixed perch: zero", "counted")
"""Sources of numbers that are decided or counted, not measured."""
