"""A damper's curve, straight between its points and on beyond them, and what it does in steady sine motion."""

from bisect import bisect_left
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import acos, cos, pi, sin
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import (
    CurvePoints,
    Energy,
    Frequency,
    Length,
    MetrePerSecond,
    Newton,
    NewtonSecondPerMetre,
    Ratio,
)
from feder.core.numbers.working import checked, given, solved

ZERO = 1e-9
"""Velocity below which a point is the one at rest, m/s."""


@dataclass(frozen=True, slots=True)
class DamperCurve:
    """Force over velocity, closing (bump) positive, through no force at no velocity."""

    velocity: tuple[float, ...]
    force: tuple[float, ...]

    def at(self, velocity: float) -> float:
        """Force at a velocity."""
        i = min(max(bisect_left(self.velocity, velocity), 1), len(self.velocity) - 1)
        slope = self._slope(i)
        return self.force[i] + slope * (velocity - self.velocity[i])

    def chord(self, velocity: float) -> float:
        """Force over velocity there."""
        return self.at(velocity) / velocity

    def scaled(self, factor: float) -> "DamperCurve":
        """The same curve with all its forces so many times as large."""
        return DamperCurve(self.velocity, tuple(factor * f for f in self.force))

    def _slope(self, i: int) -> float:
        return (self.force[i] - self.force[i - 1]) / (self.velocity[i] - self.velocity[i - 1])

    def pieces(self, low: float, high: float) -> list[tuple[float, float, float, float]]:
        """The straight pieces between two velocities: start, end, force at rest if it went on, slope."""
        edges = [low, *(v for v in self.velocity if low < v < high), high]
        made = []
        for a, b in pairwise(edges):
            middle = (a + b) / 2
            i = min(max(bisect_left(self.velocity, middle), 1), len(self.velocity) - 1)
            slope = self._slope(i)
            made.append((a, b, self.force[i] - slope * self.velocity[i], slope))
        return made


def curve_of(points: Sequence[Sequence[float]], key: str = "points") -> DamperCurve:
    """A curve from [velocity, force] pairs; one at rest is added where it is missing.

    Raises:
        OutOfRange: on `key`: one velocity alone, two forces at one velocity, a force that falls as the velocity
            rises, or one that does not pass through nothing at rest.
    """
    pairs = sorted((float(v), float(f)) for v, f in points)
    rest = [f for v, f in pairs if abs(v) < ZERO]
    if any(f != 0 for f in rest):
        raise OutOfRange(key, points, "must pass through no force at no velocity: take gas push and friction off")
    pairs = [(0.0, 0.0), *(p for p in pairs if abs(p[0]) >= ZERO)]
    pairs.sort()
    if len(pairs) < 2:
        raise OutOfRange(key, points, "must hold a velocity other than zero")
    for (v, f), (after, more) in pairwise(pairs):
        if after - v < ZERO:
            raise OutOfRange(key, points, f"must hold one force for each velocity: there are two at {v:g} m/s")
        if more < f:
            raise OutOfRange(
                key, points, f"must not fall in force as the velocity rises: it does from {v:g} to {after:g} m/s"
            )
    return DamperCurve(tuple(v for v, _ in pairs), tuple(f for _, f in pairs))


class Equivalent(NamedTuple):
    """What a curve does in steady sine motion, as a linear damper that takes out as much."""

    coefficient: NewtonSecondPerMetre
    energy: Energy
    peak_velocity: MetrePerSecond
    bump_share: Ratio | None
    mean_force: Newton


SINE = "the curve's straight pieces over one period of v = ωX cos ωt, in closed form"


@checked
def damper_equivalent(points: CurvePoints, amplitude: Length, frequency: Frequency) -> Equivalent:
    """Linear damper that takes out as much energy as a curve does in steady sine motion at the damper.

    Amplitude is half the stroke. The mean force is not zero where bump and rebound differ: the car is jacked, down
    where rebound is the stronger. Exact for straight pieces.

    Raises:
        OutOfRange: on `points`: no curve of a damper.
    """
    curve = curve_of(points)
    if curve.velocity[0] == 0 or curve.velocity[-1] == 0:
        note("only one side of the curve is told: the other goes straight on from it")
    omega = 2 * pi * float(frequency)
    peak = omega * float(amplitude)
    bump, rebound, mean = 0.0, 0.0, 0.0
    for a, b, start, slope in curve.pieces(-peak, peak):
        # v = V cos θ: the piece lies between these angles, and is passed twice a period
        high, low = acos(max(-1.0, min(1.0, a / peak))), acos(max(-1.0, min(1.0, b / peak)))
        span, sines = high - low, sin(high) - sin(low)
        twice = (high + sin(high) * cos(high) - low - sin(low) * cos(low)) / 2
        energy = 2 * (start * peak * sines + slope * peak**2 * twice) / omega
        if b > 0:
            bump += energy
        else:
            rebound += energy
        mean += (start * span + slope * peak * sines) / pi
    total = bump + rebound
    inputs = {
        "amplitude": amplitude,
        "frequency": frequency,
        "points": given(float(len(points)), "points of the curve", "", source="counted"),
    }

    def told(value: float, name: str, unit: str) -> float:
        return solved(value, name, unit, equation=SINE, inputs=inputs, source="exact, piece by piece")

    return Equivalent(
        told(total / (pi * omega * float(amplitude) ** 2), "coefficient", "N*s/m"),
        told(total, "energy", "N*m"),
        told(peak, "peak_velocity", "m/s"),
        told(bump / total, "bump_share", "") if total > 0 else None,
        told(mean, "mean_force", "N"),
    )
