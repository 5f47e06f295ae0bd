"""A run as it is drawn: its traces at even steps, and each of them told in words and numbers."""

from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from feder.core.benches.prove.run import Run
from feder.core.document.base import Place

Array = NDArray[np.floating[Any]]
POINTS = 1500
"""Points of a trace that is drawn, at most."""


@dataclass(frozen=True, slots=True)
class TraceEnds:
    """The ends of a trace, and the distances at which it reaches them."""

    most: float
    most_at: float
    least: float
    least_at: float


@dataclass(frozen=True, slots=True)
class WheelTrace:
    place: Place
    travel: tuple[float, ...]
    load: tuple[float, ...]
    """Of the tyre, N."""
    height: tuple[float, ...]
    """Of the wheel, from where it stands still."""
    travel_told: TraceEnds
    load_told: TraceEnds
    still: float
    """Load of the tyre at rest."""


@dataclass(frozen=True, slots=True)
class Traces:
    """Motion from where the vehicle stands still: body over both axles up, pitch nose up, roll left side up."""

    front: tuple[float, ...]
    rear: tuple[float, ...]
    pitch: tuple[float, ...]
    roll: tuple[float, ...]
    front_told: TraceEnds
    rear_told: TraceEnds
    pitch_told: TraceEnds
    roll_told: TraceEnds
    wheels: tuple[WheelTrace, ...]


def every(run: Run) -> int:
    """How many steps of a run lie between two points that are drawn."""
    return max(1, -(-run.time.size // POINTS))


def drawn(values: Array, step: int, digits: int) -> tuple[float, ...]:
    return tuple(np.round(values[::step], digits).tolist())


def traces_of(run: Run) -> Traces:
    """The traces of a run."""
    step = every(run)
    axle = {e: run.heave + run.vehicle.wheels[run.vehicle.at(e)[0]].x * run.pitch for e in ("front", "rear")}
    w = run.wheels
    return Traces(
        drawn(axle["front"], step, 5),
        drawn(axle["rear"], step, 5),
        drawn(run.pitch, step, 6),
        drawn(run.roll, step, 6),
        _told(run, axle["front"]),
        _told(run, axle["rear"]),
        _told(run, run.pitch),
        _told(run, run.roll),
        tuple(
            WheelTrace(
                wheel.place,
                drawn(w.travel[i], step, 5),
                drawn(w.tyre_force[i], step, 0),
                drawn(w.height[i], step, 5),
                _told(run, w.travel[i]),
                _told(run, w.tyre_force[i]),
                wheel.still,
            )
            for i, wheel in enumerate(run.vehicle.wheels)
        ),
    )


def _told(run: Run, values: Array) -> TraceEnds:
    most, least = int(values.argmax()), int(values.argmin())
    return TraceEnds(
        float(values[most]), float(run.distance[most]), float(values[least]), float(run.distance[least])
    )  # fmt: skip
