"""Tables of a run: even steps of travel and velocity, the stop, limits at a run's softness, a curve laid out."""

from typing import Any

import numpy as np
from numpy.typing import NDArray

from feder.core.solvers.curve import LIMIT_STIFFNESS
from feder.core.solvers.damper_curve import DamperCurve
from feder.core.standing.corner import StandingCorner

Array = NDArray[np.floating[Any]]
REACH, FINE = 0.25, 2e-4
"""Travel each way from ride to which tables are laid out, and their step, m."""
FASTEST, FINE_SPEED = 6.0, 0.002
"""The same of the damper's velocity, m/s."""
SOFT_LIMIT = 2e6
"""Stiffness of a hard limit that is hit while driving, N/m."""


def travels() -> Array:
    """Wheel travel of the tables' steps."""
    return np.arange(-REACH, REACH + FINE / 2, FINE)


def speeds() -> Array:
    """Damper velocity of the tables' steps."""
    return np.arange(-FASTEST, FASTEST + FINE_SPEED / 2, FINE_SPEED)


def stop_force(corner: StandingCorner, z: Array) -> Array:
    """What the bump stop pushes at the wheel along the travel."""
    end, found = corner.facts.end, corner.found_hub
    if corner.stop is None or corner.stop.table is None or found is None or not end.damper.known:
        return np.zeros_like(z)
    at, along = corner.stop.at(found), end.damper.along(found)
    if at is None:
        return np.zeros_like(z)
    table = corner.stop.table.scaled(end.dampers)
    pressed = [(table.force(along.spring_travel(t) - float(at.gap)), along.ratio(t)) for t in z]
    return np.array([f * r for f, r in pressed])


def softened(z: Array, limits: list[float], ride: float) -> tuple[Array, float, float]:
    """Push of both limits at the softness of a run, and how far they lie from ride.

    A vehicle that stands on a limit leans on it as hard as it stood.
    """
    share = LIMIT_STIFFNESS / SOFT_LIMIT
    droop = limits[0] if ride >= limits[0] else ride + (limits[0] - ride) * share
    solid = limits[1] if ride <= limits[1] else ride - (ride - limits[1]) * share
    force = SOFT_LIMIT * (np.minimum(0, z - droop) + np.maximum(0, z - solid))
    return force, droop - ride, solid - ride


def straight_on(curve: DamperCurve, v: Array) -> Array:
    """A curve's force at velocities, straight on beyond its ends."""
    known, force = np.array(curve.velocity), np.array(curve.force)
    made = np.interp(v, known, force)
    for end, inner, beyond in ((0, 1, v < known[0]), (-1, -2, v > known[-1])):
        slope = (force[end] - force[inner]) / (known[end] - known[inner])
        made = np.where(beyond, force[end] + slope * (v - known[end]), made)
    return np.asarray(made)
