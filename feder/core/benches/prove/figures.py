"""What a run says: comfort, grip, travel, pitch and dampers, of each end and stretch of the road."""

from dataclasses import dataclass
from math import sqrt
from typing import Any

import numpy as np
from numpy.typing import NDArray

from feder.core.benches.prove.road import LEAVES_OUT, LONG, Stretch
from feder.core.benches.prove.run import Run
from feder.core.benches.prove.tables import travels
from feder.core.document.base import ENDS, EndName
from feder.core.formulas.road import wk_response

Array = NDArray[np.floating[Any]]
Mask = NDArray[np.bool_]
ALL = "all"
SLOW, FAST = 0.1, 0.25
"""Damper velocities below and beyond which time is told, m/s."""
BIN, SPEED_BIN = 0.002, 0.05
"""Widths of the bins of travel, m, and of damper velocity, m/s."""
STAYS = 0.05
"""Share of its peak within which pitch has died away."""
RINGS_OUT = 8.0
"""Time added before filtering, so that the end does not ring into the start, s."""


@dataclass(frozen=True, slots=True)
class EndOn:
    """An end on a stretch of the road. Of two wheels the worse one is told, watts are both wheels' together."""

    comfort: float
    """Root mean square of the body's acceleration over the axle, weighted Wk, m/s²."""
    acceleration: float
    """The same unweighted."""
    grip: float
    """Standard deviation of the tyre load over the load at rest."""
    least: float
    air_times: int
    air_time: float
    watts: float
    stop_times: int
    stop_time: float
    stop_force: float
    topped_times: int
    topped_time: float
    bump: float
    droop: float
    jacked: float
    """Mean travel: how much nearer its stop an end runs than it stands."""
    slow: float
    fast: float


@dataclass(frozen=True, slots=True)
class PitchOn:
    """Pitch of the body on a stretch, rad; nose up positive. `dies` after its last obstacle, nothing where it
    does not come to rest before the next stretch."""

    rms: float
    up: float
    down: float
    peak: float | None
    dies: float | None
    roll: float
    """Largest roll either way."""


@dataclass(frozen=True, slots=True)
class Histogram:
    """Share of time in even bins from `start` on."""

    start: float
    width: float
    shares: tuple[float, ...]


@dataclass(frozen=True, slots=True)
class Figures:
    """All figures of a run by stretch; `all` is the whole of it."""

    stretches: tuple[str, ...]
    ends: dict[str, dict[EndName, EndOn]]
    pitch: dict[str, PitchOn]
    travel: tuple[Histogram, ...]
    """By wheel."""
    velocity: tuple[Histogram, ...]


def figures_of(run: Run) -> Figures:
    """The figures of a run."""
    parts = _parts(run)
    felt = {end: _felt(run, end) for end in ENDS}
    whole = parts[ALL]
    return Figures(
        tuple(parts),
        {name: {end: _end(run, end, part, felt[end]) for end in ENDS} for name, part in parts.items()},
        {name: _pitch(run, part, _stretch(run, name)) for name, part in parts.items()},
        tuple(bins(row[whole], BIN) for row in run.wheels.travel),
        tuple(bins(row[whole], SPEED_BIN) for row in run.wheels.damper_velocity),
    )


def _parts(run: Run) -> dict[str, Mask]:
    """Where each stretch is driven; of a long random one its first seconds are left out."""
    made: dict[str, Mask] = {}
    stretches = run.road.stretches
    for i, stretch in enumerate(stretches):
        # a random piece is told until the rear axle has left it, obstacles until the next piece begins
        end = stretches[i + 1].start if i + 1 < len(stretches) else stretch.end + run.vehicle.wheelbase
        if stretch.random:
            end = stretch.quiet + run.vehicle.wheelbase
        start = stretch.start
        if stretch.random and (stretch.end - stretch.start) / run.trial.speed > LONG:
            start += LEAVES_OUT * run.trial.speed
        name, count = stretch.name, 2
        while name in made:
            name, count = f"{stretch.name} ({count})", count + 1
        made[name] = (run.distance >= start) & (run.distance < end)
    return {**made, ALL: np.logical_or.reduce(list(made.values()))}


def _stretch(run: Run, name: str) -> Stretch | None:
    """The stretch after whose obstacles pitch is followed: its own, for the whole the first with any."""
    told = [s for s in run.road.stretches if not s.random]
    return next((s for s in told if name in (s.name, ALL)), None)


def _felt(run: Run, end: EndName) -> tuple[Array, Array]:
    """Acceleration of the body over an axle, plain and weighted."""
    x = run.vehicle.wheels[run.vehicle.at(end)[0]].x
    plain = run.heave_acceleration + x * run.pitch_acceleration
    return plain, weighted(plain, run.step)


def weighted(acceleration: Array, step: float) -> Array:
    """An acceleration through the weighting Wk (ISO 2631-1), over frequency."""
    n = acceleration.shape[-1]
    size = 1 << int(np.ceil(np.log2(n + RINGS_OUT / step)))
    frequency = np.fft.rfftfreq(size, step)
    frequency[0] = 1e-9
    lines = np.fft.rfft(acceleration, size) * wk_response(frequency)
    return np.asarray(np.fft.irfft(lines, size)[..., :n])


def rms(values: Array) -> float:
    return sqrt(float(np.mean(np.square(values)))) if values.size else 0.0


def _end(run: Run, end: EndName, part: Mask, felt: tuple[Array, Array]) -> EndOn:
    wheels = [(run.vehicle.wheels[i], i) for i in run.vehicle.at(end)]
    w = run.wheels
    middle = travels()
    if not part.any():
        part = np.ones_like(part)
    air = [spells(w.squash[i] <= 0, part, run.step) for _, i in wheels]
    stop = [spells(w.travel[i] > at.touch, part, run.step) for at, i in wheels]
    topped = [spells(w.travel[i] < at.droop, part, run.step) for at, i in wheels]
    force = [float(np.interp(w.travel[i][part].max(), middle, at.stop)) for at, i in wheels]
    speed = [np.abs(w.damper_velocity[i][part]) for _, i in wheels]
    return EndOn(
        comfort=rms(felt[1][part]),
        acceleration=rms(felt[0][part]),
        grip=max(float(w.tyre_force[i][part].std()) / at.still for at, i in wheels),
        least=min(float(w.tyre_force[i][part].min()) for _, i in wheels),
        air_times=max(a[0] for a in air),
        air_time=max(a[1] for a in air),
        watts=sum(float(np.mean((w.damper_force[i] * w.damper_velocity[i])[part])) for _, i in wheels),
        stop_times=max(s[0] for s in stop),
        stop_time=max(s[1] for s in stop),
        stop_force=max(0.0, *force),
        topped_times=max(t[0] for t in topped),
        topped_time=max(t[1] for t in topped),
        bump=max(float(w.travel[i][part].max()) for _, i in wheels),
        droop=min(float(w.travel[i][part].min()) for _, i in wheels),
        jacked=float(np.mean([w.travel[i][part].mean() for _, i in wheels])),
        slow=float(np.mean([(s < SLOW).mean() for s in speed])),
        fast=float(np.mean([(s > FAST).mean() for s in speed])),
    )


def spells(on: Mask, part: Mask, step: float) -> tuple[int, float]:
    """How often something begins within a part, and how long it lasts there in all."""
    there = (on & part).astype(int)
    return int(np.sum(np.diff(there, prepend=0) == 1)), float(there.sum() * step)


def _pitch(run: Run, part: Mask, stretch: Stretch | None) -> PitchOn:
    pitch, roll = run.pitch, run.roll
    if not part.any():
        part = np.ones_like(part)
    peak = dies = None
    if stretch is not None:
        start = (stretch.quiet + run.vehicle.wheelbase) / run.trial.speed
        after = (run.time >= start) & (run.time <= max(stretch.end / run.trial.speed, start))
        if after.any() and (swing := np.abs(pitch[after])).max() > 0:
            peak = float(swing.max())
            late = int(np.nonzero(swing > STAYS * peak)[0][-1])
            dies = None if late == swing.size - 1 else float(run.time[after][late] - start)
    here = pitch[part]
    return PitchOn(rms(here), float(here.max()), float(here.min()), peak, dies, float(np.abs(roll[part]).max()))


def bins(values: Array, width: float) -> Histogram:
    """Share of time by bin of `width`; bins lie about multiples of it."""
    if not values.size:
        return Histogram(0.0, width, ())
    first, last = (int(np.floor(v / width + 0.5)) for v in (values.min(), values.max()))
    edges = (np.arange(first, last + 2) - 0.5) * width
    counts, _ = np.histogram(values, edges)
    return Histogram(float(edges[0]), width, tuple(float(c) / values.size for c in counts))
