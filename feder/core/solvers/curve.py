"""Force of a corner's suspension on the body over wheel travel: what the equilibrium balances."""

from dataclasses import dataclass
from math import inf

from feder.core.solvers.force_table import ForceTable
from feder.core.solvers.ratio import RatioCurve

LIMIT_STIFFNESS = 1e8
"""Stiffness of a hard limit (damper topped out or solid, coils closed), N/m: metal, so stiff that a
vehicle's weight moves it by some hundredths of a millimetre."""


@dataclass(frozen=True, slots=True)
class LinearCorner:
    """A linear spring through a constant motion ratio, between hard limits.

    `compression` is the spring's compression at zero wheel travel (negative: loose by so much); travel is
    bump positive, forces are at the wheel.
    """

    spring_rate: float
    motion_ratio: float
    compression: float
    droop: float = -inf
    solid: float = inf

    def force(self, travel: float) -> float:
        squeezed = max(0.0, self.compression + self.motion_ratio * travel)
        return self.motion_ratio * self.spring_rate * squeezed + limit_force(travel, self.droop, self.solid)

    def stiffness(self, travel: float) -> float:
        working = self.compression + self.motion_ratio * travel > 0
        return self.spring_rate * self.motion_ratio**2 * working + limit_stiffness(travel, self.droop, self.solid)


@dataclass(frozen=True, slots=True)
class Mounted:
    """A force table behind a motion ratio: a spring, a stop or a gas charge at its own mount.

    `start` is the table's deflection at zero wheel travel.
    """

    table: ForceTable
    ratio: RatioCurve
    start: float

    def deflection(self, travel: float) -> float:
        """The table's deflection at a wheel travel."""
        return self.start + self.ratio.spring_travel(travel)

    def force(self, travel: float) -> float:
        """Virtual work: the element's force times its motion ratio."""
        return self.table.force(self.deflection(travel)) * self.ratio.ratio(travel)

    def stiffness(self, travel: float) -> float:
        """Its derivative: k·MR² and the geometric term F·dMR/dz."""
        at, ratio = self.deflection(travel), self.ratio.ratio(travel)
        return self.table.rate(at) * ratio**2 + self.table.force(at) * self.ratio.slope(travel)


@dataclass(frozen=True, slots=True)
class CornerCurve:
    """Everything that pushes at one corner, between hard limits of wheel travel."""

    parts: tuple[Mounted, ...]
    droop: float = -inf
    solid: float = inf

    def force(self, travel: float) -> float:
        return sum(p.force(travel) for p in self.parts) + limit_force(travel, self.droop, self.solid)

    def stiffness(self, travel: float) -> float:
        return sum(p.stiffness(travel) for p in self.parts) + limit_stiffness(travel, self.droop, self.solid)


def limit_force(travel: float, droop: float, solid: float) -> float:
    """Push of the hard limits at a wheel travel."""
    return LIMIT_STIFFNESS * (min(0.0, travel - droop) + max(0.0, travel - solid))


def limit_stiffness(travel: float, droop: float, solid: float) -> float:
    """Stiffness of the hard limits at a wheel travel."""
    return LIMIT_STIFFNESS if travel < droop or travel > solid else 0.0
