"""Where the vehicle stands: heave, pitch and roll of a rigid body on four corners and their tyres.

Unknown are the body's plane (heave, pitch and roll; without roll on two wheels) and the wheel travel of each
corner. Every corner pushes
with its force curve, every tyre gives with its rate (a missing one is taken as rigid), a corner whose
height is asked for is held at that travel. The state is the minimum of a convex energy, found by
Newton steps with halving, so the root cannot be a wrong one. Raise one corner and the others move.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from feder.core.numbers.errors import NoEquilibrium

RIGID = 1e9
"""Stiffness that stands for a tyre of unknown rate, N/m."""
TOLERANCE = 1e-9
"""Residual force over total load at which the state counts as balanced."""
LEAST_STIFFNESS = 1.0
"""Stiffness lent to a loose corner for the step alone, N/m; it does not touch the state found."""
LIFTED = 1e-6
"""Pull at a wheel, as a share of the total load, from which it lifts: what the solver leaves open is no pull."""
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
class Axle:
    """What couples a left and a right corner (by their places in the list).

    `bar_rate` is that of an anti-roll bar at the wheel, k_b·MR_b², neutral as found. `base_ratio` is spring base
    over track of a live axle: its springs feel only that share of the axle's roll.
    """

    left: int
    right: int
    bar_rate: float = 0.0
    base_ratio: float = 1.0


@dataclass(frozen=True, slots=True)
class Weight:
    """A force added to the body: N, downwards, at x behind the front axle and y right of the centre line."""

    force: float
    x: float
    y: float


@dataclass(frozen=True, slots=True)
class Balance:
    """The state found: wheel travel, drop of the body and sprung load of each corner; the share of that load
    that its springs carry (the rest is the bar's); the largest unbalanced force; how far asked heights lie off
    one plane (only when every tyre is rigid)."""

    travel: tuple[float, ...]
    drop: tuple[float, ...]
    load: tuple[float, ...]
    spring_load: tuple[float, ...]
    residual: float
    twist: float = 0.0


def vehicle_equilibrium(
    supports: Sequence[Support], weights: Sequence[Weight] = (), axles: Sequence[Axle] = ()
) -> Balance:
    """The state in which all forces and moments balance.

    Raises:
        NoEquilibrium: the load cannot be carried (a corner would have to pull), no state was found, or one
            corner of a live axle is asked for by height and the other set by its collar.

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
    if not y.any():  # two wheels in line: whoever rides keeps it upright
        shape, added = shape[:, :2], added[:2]
    plane = len(added)
    found = np.array([s.load for s in supports])
    held = np.array([s.held is not None for s in supports])
    travel = np.array([s.held or 0.0 for s in supports])
    bars, spread = _couplings(n, axles)
    for axle in axles:
        if axle.base_ratio != 1 and held[axle.left] != held[axle.right]:
            raise NoEquilibrium("on a live axle ask for both heights, or set both collars")
    if held.all() and all(s.tyre_rate is None for s in supports):
        return _all_held(shape, found, added, travel, bars, spread)

    rate = np.array([s.tyre_rate or RIGID for s in supports])
    free = [i for i in range(n) if not held[i]]
    curves = [curve for s in supports if s.held is None and (curve := s.curve) is not None]
    if len(curves) != len(free):
        raise NoEquilibrium("a corner has neither a height nor a force curve")
    body: Array = np.linalg.lstsq(shape[held], travel[held], rcond=None)[0] if held.any() else np.zeros(plane)
    travel[free] = (shape @ body)[free]

    def unbalanced(body: Array, travel: Array) -> tuple[Array, Array]:
        load = found + rate * (shape @ body - travel)
        at_spring = (spread @ travel)[free]
        spring = np.zeros(n)
        spring[free] = [c.force(z) for c, z in zip(curves, at_spring, strict=True)]
        push = (spread.T @ spring + bars @ travel)[free]
        return np.concatenate([shape.T @ (load - found) - added, push - load[free]]), load

    bound = TOLERANCE * (float(found.sum()) + abs(float(added[0])))
    residual, load = unbalanced(body, travel)
    for _ in range(STEPS):
        if float(np.abs(residual).max()) <= bound:
            break
        spring = np.zeros(n)
        at_spring = (spread @ travel)[free]
        spring[free] = [max(c.stiffness(z), 0.0) + LEAST_STIFFNESS for c, z in zip(curves, at_spring, strict=True)]
        stiff = spread.T @ np.diag(spring) @ spread + bars
        step = np.linalg.solve(_jacobian(shape, rate, stiff, free), -residual)
        slope = float(residual @ step)
        part, low, high = 1.0, 0.0, 1.0
        for _ in range(
            60
        ):  # the energy is convex: its slope along the step only rises, so halving finds the valley
            moved = travel.copy()
            moved[free] += part * step[plane:]
            new_body = body + part * step[:plane]
            new_residual, new_load = unbalanced(new_body, moved)
            new_slope = float(new_residual @ step)
            if new_slope <= 0.1 * abs(slope) and (part == 1.0 or new_slope >= -0.9 * abs(slope)):
                break
            low, high = (part, high) if new_slope < 0 else (low, part)
            part = (low + high) / 2
        body, travel, residual, load = new_body, moved, new_residual, new_load
    else:
        raise NoEquilibrium("no position of the body balances its load")
    if (load < -LIFTED * float(found.sum())).any():  # a loose spring leaves its wheel with nothing, and it stands
        raise NoEquilibrium("a wheel would lift off the floor: these heights cannot be reached by pushing")
    at_springs = _spring_load(load, travel, bars, spread)
    if (at_springs[held] < -LIFTED * float(found.sum())).any():
        raise NoEquilibrium(
            "a spring would have to pull: at these heights the anti-roll bar holds up its side alone"
        )
    return _balance(travel, shape @ body, load, at_springs, float(np.abs(residual).max()))


def _couplings(n: int, axles: Sequence[Axle]) -> tuple[Array, Array]:
    """The bars' stiffness at the wheels, and how wheel travel spreads to the springs (live axles)."""
    bars, spread = np.zeros((n, n)), np.eye(n)
    for axle in axles:
        pair = np.ix_([axle.left, axle.right], [axle.left, axle.right])
        bars[pair] += axle.bar_rate * np.array([[1.0, -1.0], [-1.0, 1.0]])
        r = axle.base_ratio
        spread[pair] = np.array([[1 + r, 1 - r], [1 - r, 1 + r]]) / 2
    return bars, spread


def _spring_load(load: Array, travel: Array, bars: Array, spread: Array) -> Array:
    """What the springs carry at their own places: the wheels' loads less the bars', led through the axle."""
    return np.asarray(np.linalg.solve(spread.T, load - bars @ travel), dtype=np.float64)


def _balance(
    travel: Array, drop: Array, load: Array, spring: Array, residual: float, twist: float = 0.0
) -> Balance:
    at, down, carried, sprung = (tuple(map(float, v)) for v in (travel, drop, load, spring))
    return Balance(at, down, carried, sprung, residual, twist)


def _jacobian(shape: Array, rate: Array, stiff: Array, free: Sequence[int]) -> Array:
    plane = shape.shape[1]
    size = plane + len(free)
    matrix = np.zeros((size, size))
    matrix[:plane, :plane] = shape.T @ (rate[:, None] * shape)
    for row, i in enumerate(free, start=plane):
        matrix[:plane, row] = matrix[row, :plane] = -rate[i] * shape[i]
    matrix[plane:, plane:] = stiff[np.ix_(free, free)] + np.diag(rate[list(free)])
    return matrix


def _all_held(shape: Array, found: Array, added: Array, asked: Array, bars: Array, spread: Array) -> Balance:
    """Four heights asked for on rigid tyres: the nearest plane, and the loads with no twist put in."""
    body = np.linalg.lstsq(shape, asked, rcond=None)[0]
    drop = shape @ body
    load = found + np.linalg.lstsq(shape.T, added, rcond=None)[0]
    if (load < 0).any():
        raise NoEquilibrium("a wheel would lift off the floor under this load")
    spring = _spring_load(load, drop, bars, spread)
    return _balance(drop, drop, load, spring, 0.0, float(np.abs(asked - drop).max()))
