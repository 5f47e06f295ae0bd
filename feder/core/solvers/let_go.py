"""A corner let go: body and wheel on spring, damper curve and tyre, from pressed down until it is at rest.

The damper's curve is straight in pieces, so the two masses are a linear system in each of them: every step is
exact for the piece in which it begins. Dry friction is a steep piece about rest.
"""

from bisect import bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import pi, sqrt
from typing import TYPE_CHECKING

from feder.core.solvers.damper_curve import DamperCurve

if TYPE_CHECKING:
    from numpy import ndarray

STEP = 1e-3
"""Step of the motion, s."""
SLIPS = 0.002
"""Velocity of body against wheel at which dry friction is whole, m/s."""
MOST_PIECES = 48
"""Pieces of a curve at most: of a long one every so many points are left out."""
TYRE_DAMPING = 0.02
"""Of critical against wheel hop."""


@dataclass(frozen=True, slots=True)
class TwoMass:
    """A corner: sprung and unsprung mass, rates at the wheel, and the damper behind its motion ratio."""

    sprung: float
    unsprung: float
    wheel_rate: float
    tyre_rate: float
    motion: float
    curve: DamperCurve
    friction: float = 0.0
    """Dry friction of the corner, N at the wheel; full from `SLIPS` on."""

    @property
    def ride_rate(self) -> float:
        """Wheel rate and tyre in series."""
        return self.wheel_rate * self.tyre_rate / (self.wheel_rate + self.tyre_rate)

    @property
    def period(self) -> float:
        """Of the body on its ride rate, undamped."""
        return 2 * pi * sqrt(self.sprung / self.ride_rate)


@dataclass(frozen=True, slots=True)
class Swing:
    """Body height over rest and its acceleration, at equal steps of time from the release on."""

    step: float
    height: Sequence[float]
    acceleration: Sequence[float]


def let_go(corner: TwoMass, depth: float, seconds: float, share: float = 1.0) -> Swing:
    """The corner pressed down by `depth` until it is still, and let go; `share` of the damper's forces."""
    from scipy.linalg import expm

    edges, pieces = _pieces(corner, share)
    steps: list[ndarray | None] = [None] * len(pieces)
    r, k, m = corner.motion, corner.wheel_rate, corner.sprung
    sunk = depth * k / (k + corner.tyre_rate)
    zs, vs, zu, vu = -depth, 0.0, -sunk, 0.0
    heights, accelerations = [], []
    for _ in range(round(seconds / STEP) + 1):
        speed = r * (vu - vs)
        i = bisect_right(edges, speed)
        start, slope = pieces[i]
        heights.append(zs)
        accelerations.append((k * (zu - zs) + r * (start + slope * speed)) / m)
        step = steps[i]
        if step is None:
            step = steps[i] = expm(_motion(corner, start, slope) * STEP)[:4].tolist()
        one, two, three, four = step
        zs, vs, zu, vu = (
            one[0] * zs + one[1] * vs + one[2] * zu + one[3] * vu + one[4],
            two[0] * zs + two[1] * vs + two[2] * zu + two[3] * vu + two[4],
            three[0] * zs + three[1] * vs + three[2] * zu + three[3] * vu + three[4],
            four[0] * zs + four[1] * vs + four[2] * zu + four[3] * vu + four[4],
        )
    return Swing(STEP, heights, accelerations)


def _motion(corner: TwoMass, start: float, slope: float) -> "ndarray":
    """The linear system of one piece, its constant force as a fifth column: body, its speed, wheel, its speed."""
    import numpy as np

    k, kt, m, mu, r = corner.wheel_rate, corner.tyre_rate, corner.sprung, corner.unsprung, corner.motion
    c, f = slope * r * r, start * r
    ct = TYRE_DAMPING * 2 * sqrt((k + kt) * mu)
    return np.array(
        [
            [0, 1, 0, 0, 0],
            [-k / m, -c / m, k / m, c / m, f / m],
            [0, 0, 0, 1, 0],
            [k / mu, c / mu, -(k + kt) / mu, -(c + ct) / mu, -f / mu],
            [0, 0, 0, 0, 0],
        ]
    )


def _pieces(corner: TwoMass, share: float) -> tuple[list[float], list[tuple[float, float]]]:
    """Inner edges in the damper's velocity, and of each piece its force at rest if it went on, and its slope.

    The share of the damper's force and the friction, both along the damper.
    """
    curve, slips = corner.curve, SLIPS * corner.motion
    inner = list(curve.velocity[1:-1])
    if len(inner) > MOST_PIECES:
        inner = inner[:: -(-len(inner) // MOST_PIECES)]
    rubs = [-slips, slips] if corner.friction else []
    edges = sorted({curve.velocity[0] - 1.0, *inner, 0.0, *rubs, curve.velocity[-1] + 1.0})

    def force(velocity: float) -> float:
        rub = corner.friction / corner.motion * max(-1.0, min(1.0, velocity / slips))
        return share * curve.at(velocity) + rub

    pieces = []
    for a, b in pairwise(edges):
        slope = (force(b) - force(a)) / (b - a)
        pieces.append((force(a) - slope * a, slope))
    return edges[1:-1], pieces
