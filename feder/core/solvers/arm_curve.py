"""Force of a wheel on a torsion-bar arm over its travel."""

from dataclasses import dataclass
from math import asin, cos, inf, tan

from feder.core.solvers.curve import Mounted, limit_force, limit_stiffness

UPRIGHT = 0.995
"""Sine of the arm angle beyond which the arm counts as upright."""


@dataclass(frozen=True, slots=True)
class ArmCurve:
    """A wheel on a torsion-bar arm, with what else pushes there, between hard limits.

    `sine` is that of the arm angle (wheel lower positive) at zero wheel travel.
    """

    angular_rate: float
    arm_length: float
    free_angle: float
    sine: float
    pushes: tuple[Mounted, ...] = ()
    droop: float = -inf
    solid: float = inf

    def _angle(self, travel: float) -> float:
        return asin(max(-UPRIGHT, min(UPRIGHT, self.sine - travel / self.arm_length)))

    def force(self, travel: float) -> float:
        a = self._angle(travel)
        bar = self.angular_rate * (self.free_angle - a) / (self.arm_length * cos(a))
        return bar + sum(p.force(travel) for p in self.pushes) + limit_force(travel, self.droop, self.solid)

    def stiffness(self, travel: float) -> float:
        a = self._angle(travel)
        bar = self.angular_rate / (self.arm_length * cos(a)) ** 2 * (1 - (self.free_angle - a) * tan(a))
        hard = limit_stiffness(travel, self.droop, self.solid)
        return bar + sum(p.stiffness(travel) for p in self.pushes) + hard
