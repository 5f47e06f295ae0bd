"""Force of a corner's suspension on the body over wheel travel: what the equilibrium balances."""

from dataclasses import dataclass
from math import inf

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
        hanging = min(0.0, travel - self.droop)
        beyond = max(0.0, travel - self.solid)
        return self.motion_ratio * self.spring_rate * squeezed + LIMIT_STIFFNESS * (hanging + beyond)

    def stiffness(self, travel: float) -> float:
        working = self.compression + self.motion_ratio * travel > 0
        limited = travel < self.droop or travel > self.solid
        return self.spring_rate * self.motion_ratio**2 * working + LIMIT_STIFFNESS * limited
