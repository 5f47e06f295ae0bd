"""All traces of runs as CSV, with what repeats them."""

from collections.abc import Iterator, Sequence
from typing import Any

import numpy as np
from numpy.typing import NDArray

from feder.core.benches.prove.run import Run
from feder.core.files.table import written

Array = NDArray[np.floating[Any]]
WRITTEN_EVERY = 2e-3
"""Time between two lines, s."""


def traces_csv(runs: Sequence[tuple[str, Run]], told: str) -> str:
    """All traces of runs beside each other, SI units in the head; the first line says how to repeat them."""
    first = runs[0][1]
    step = max(1, round(WRITTEN_EVERY / first.step))
    count = min(run.time.size for _, run in runs)
    columns: dict[str, Array] = {
        "time [s]": first.time, "distance [m]": first.distance,
    }  # fmt: skip
    for i, wheel in enumerate(first.vehicle.wheels):
        columns[f"road {wheel.place.words} [m]"] = first.wheels.road[i]
    for name, run in runs:
        columns |= {f"{name}: {words}": values for words, values in _columns(run)}
    rows = np.array([values[:count:step] for values in columns.values()]).T
    lines: list[Sequence[object]] = [[f"# {told}"], list(columns)]
    return written([*lines, *([f"{v:.6g}" for v in row] for row in rows.tolist())])


def _columns(run: Run) -> Iterator[tuple[str, Array]]:
    yield "heave [m]", run.heave
    yield "pitch, nose up [rad]", run.pitch
    yield "roll, left side up [rad]", run.roll
    yield "heave acceleration [m/s^2]", run.heave_acceleration
    yield "pitch acceleration [rad/s^2]", run.pitch_acceleration
    yield "roll acceleration [rad/s^2]", run.roll_acceleration
    w = run.wheels
    for i, wheel in enumerate(run.vehicle.wheels):
        words = wheel.place.words
        yield f"{words} travel [m]", w.travel[i]
        yield f"{words} wheel [m]", w.height[i]
        yield f"{words} tyre force [N]", w.tyre_force[i]
        yield f"{words} damper velocity [m/s]", w.damper_velocity[i]
        yield f"{words} damper force [N]", w.damper_force[i]
