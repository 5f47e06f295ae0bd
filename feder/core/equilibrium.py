"""Where the vehicle stands: heave, pitch and roll of a rigid body on four corners and their tyres.

Unknown are the body's plane (three numbers) and the wheel travel of each corner. Every corner pushes
with its force curve, every tyre gives with its rate (a missing one is taken as rigid), a corner whose
height is asked for is held at that travel. The state is the minimum of a convex energy, found by
Newton steps with halving, so the root cannot be a wrong one. Raise one corner and the others move.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from feder.core.errors import NoEquilibrium

RIGID = 1e9
"""Stiffness that stands for a tyre of unknown rate, N/m."""
TOLERANCE = 1e-9
"""Residual force over total load at which the state counts as balanced."""
LEAST_STIFFNESS = 1.0
"""Stiffness lent to a loose corner for the step alone, N/m; it does not touch the state found."""
STEPS = 200

Array = NDArray[np.float64]


class Curve(Protocol):
    """Force on the body over wheel travel, never falling."""

    def force(self, travel: float) -> float: ...
    def stiffness(self, travel: float) -> float: ...


@dataclass(frozen=True, slots=True)
class Support:
    """One corner: its place, its sprung load as found (travel zero), and what it does from there.

    Either `curve` says how it pushes, or `held` the travel at which its height is asked for.
    """

    x: float
    y: float
    load: float
    curve: Curve | None = None
    held: float | None = None
    tyre_rate: float | None = None


@dataclass(frozen=True, slots=True)
class Weight:
    """A force added to the body: N, downwards, at x behind the front axle and y right of the centre line."""

    force: float
    x: float
    y: float


@dataclass(frozen=True, slots=True)
class Standing:
    """The state found: wheel travel, drop of the body and sprung load of each corner; the largest
    unbalanced force; how far asked heights lie off one plane (only when every tyre is rigid)."""

    travel: tuple[float, ...]
    drop: tuple[float, ...]
    load: tuple[float, ...]
    residual: float
    twist: float = 0.0


def vehicle_equilibrium(supports: Sequence[Support], weights: Sequence[Weight] = ()) -> Standing:
    """The state in which all forces and moments balance.

    Raises:
        NoEquilibrium: the load cannot be carried (a corner would have to pull), or no state was found.

    Source: minimum of potential energy of a rigid body on supports; tested against an independent
    minimisation and against the closed solution for small moves.
    """
    n = len(supports)
    x = np.array([s.x for s in supports])
    y = np.array([s.y for s in supports])
    shape = np.stack([np.ones(n), x - x.mean(), y], axis=1)
    added = np.zeros(3)
    for w in weights:
        added += w.force * np.array([1.0, w.x - x.mean(), w.y])
    found = np.array([s.load for s in supports])
    held = np.array([s.held is not None for s in supports])
    travel = np.array([s.held or 0.0 for s in supports])
    if held.all() and all(s.tyre_rate is None for s in supports):
        return _all_held(shape, found, added, travel)

    rate = np.array([s.tyre_rate or RIGID for s in supports])
    free = [i for i in range(n) if not held[i]]
    curves = [curve for s in supports if s.held is None and (curve := s.curve) is not None]
    if len(curves) != len(free):
        raise NoEquilibrium("a corner has neither a height nor a force curve")
    body: Array = np.linalg.lstsq(shape[held], travel[held], rcond=None)[0] if held.any() else np.zeros(3)
    travel[free] = (shape @ body)[free]

    def unbalanced(body: Array, travel: Array) -> tuple[Array, Array]:
        load = found + rate * (shape @ body - travel)
        push = np.array([c.force(z) for c, z in zip(curves, travel[free], strict=True)])
        return np.concatenate([shape.T @ (load - found) - added, push - load[free]]), load

    bound = TOLERANCE * (float(found.sum()) + abs(float(added[0])))
    residual, load = unbalanced(body, travel)
    for _ in range(STEPS):
        if float(np.abs(residual).max()) <= bound:
            break
        stiff = [c.stiffness(z) + LEAST_STIFFNESS for c, z in zip(curves, travel[free], strict=True)]
        step = np.linalg.solve(_jacobian(shape, rate, stiff, free), -residual)
        slope = float(residual @ step)
        part, low, high = 1.0, 0.0, 1.0
        for _ in range(
            60
        ):  # the energy is convex: its slope along the step only rises, so halving finds the valley
            moved = travel.copy()
            moved[free] += part * step[3:]
            new_body = body + part * step[:3]
            new_residual, new_load = unbalanced(new_body, moved)
            new_slope = float(new_residual @ step)
            if new_slope <= 0.1 * abs(slope) and (part == 1.0 or new_slope >= -0.9 * abs(slope)):
                break
            low, high = (part, high) if new_slope < 0 else (low, part)
            part = (low + high) / 2
        body, travel, residual, load = new_body, moved, new_residual, new_load
    else:
        raise NoEquilibrium("no position of the body balances its load")
    if (load < 0).any():
        raise NoEquilibrium("a wheel would lift off the floor: these heights cannot be reached by pushing")
    return _standing(travel, shape @ body, load, float(np.abs(residual).max()))


def _standing(travel: Array, drop: Array, load: Array, residual: float, twist: float = 0.0) -> Standing:
    return Standing(tuple(travel.tolist()), tuple(drop.tolist()), tuple(load.tolist()), residual, twist)


def _jacobian(shape: Array, rate: Array, stiff: Sequence[float], free: Sequence[int]) -> Array:
    size = 3 + len(free)
    matrix = np.zeros((size, size))
    matrix[:3, :3] = shape.T @ (rate[:, None] * shape)
    for row, (i, stiffness) in enumerate(zip(free, stiff, strict=True), start=3):
        matrix[:3, row] = matrix[row, :3] = -rate[i] * shape[i]
        matrix[row, row] = stiffness + rate[i]
    return matrix


def _all_held(shape: Array, found: Array, added: Array, asked: Array) -> Standing:
    """Four heights asked for on rigid tyres: the nearest plane, and the loads with no twist put in."""
    body = np.linalg.lstsq(shape, asked, rcond=None)[0]
    drop = shape @ body
    load = found + np.linalg.lstsq(shape.T, added, rcond=None)[0]
    if (load < 0).any():
        raise NoEquilibrium("a wheel would lift off the floor under this load")
    return _standing(drop, drop, load, 0.0, float(np.abs(asked - drop).max()))
