"""What a recording of wheel travel says: where the wheels were, stops met, damper speeds, free swings."""

from dataclasses import dataclass
from statistics import median
from typing import Any

import numpy as np
from numpy.typing import NDArray
from scipy.signal import savgol_filter

from feder.core.benches.prove.figures import BIN, FAST, SLOW, SPEED_BIN, Histogram, bins, spells
from feder.core.benches.prove.tables import travels
from feder.core.benches.prove.vehicle import Vehicle, Wheel
from feder.core.document.base import Place
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.working import untraced
from feder.core.solvers.decay import fitted

Array = NDArray[np.floating[Any]]
STANDS = 2.0
"""Seconds at the beginning whose median is where the wheels stand, for a sensor that counts from elsewhere."""
SMOOTHED = 0.025
"""Seconds over which the speed is read: a sensor's steps are no speed."""
SWINGS = 2.2
"""Periods that a free swing is followed for."""
LEAST_SWING = 0.008
"""Excursion from which a swing is looked at, m."""
WELL = 0.97
"""Share of a swing that its fit must explain for it to be a free one: on a rough road none is."""
MOST_SWINGS = 24
POINTS = 160
TRIED = (0.8, 3.5)
"""Body frequencies that are looked for, Hz."""


@dataclass(frozen=True, slots=True)
class WheelRecorded:
    """What one wheel's recording says; travel from where it stands, bump positive, SI."""

    place: Place
    travel: Histogram
    velocity: Histogram
    """Of the damper, closing positive."""
    bump: float
    droop: float
    touch: float | None
    """Travel at which the stop is met; nothing where the setup does not tell it."""
    full_droop: float
    stop_times: int | None
    stop_time: float | None
    topped_times: int
    slow: float
    fast: float
    frequency: float | None
    damping_ratio: float | None
    swings: int
    frequency_spread: float | None
    ratio_spread: float | None


@dataclass(frozen=True, slots=True)
class RecordingRead:
    """A recording read against the vehicle that was driven."""

    seconds: float
    rate: float
    gaps: int
    wheels: tuple[WheelRecorded, ...]
    moved: bool
    """Whether the sensors count from elsewhere than where the wheels stand."""


def read_against(
    places: tuple[Place, ...],
    step: float,
    travel: Array,
    gaps: int,
    vehicle: Vehicle,
    *,
    from_standing: bool = False,
) -> RecordingRead:
    """A recording read against a vehicle.

    `from_standing` says that the sensors count from where the wheels stand; otherwise the median of the first two
    seconds, in which nobody drives yet, is taken for that.

    Raises:
        OutOfRange: none of its wheels is one of the vehicle's.
    """
    wheels = {w.place: w for w in vehicle.wheels}
    known = [(p, row) for p, row in zip(places, travel, strict=True) if p in wheels]
    if not known:
        raise OutOfRange("places", places, "none of the recorded wheels is one of this vehicle's")
    first = max(3, int(STANDS / step))
    made = []
    for place, row in known:
        stands = 0.0 if from_standing else float(np.median(row[:first]))
        made.append(_wheel(wheels[place], np.asarray(row, dtype=float) - stands, step))
    return RecordingRead(travel.shape[1] * step, 1 / step, gaps, tuple(made), not from_standing)


def _wheel(wheel: Wheel, travel: Array, step: float) -> WheelRecorded:
    window = max(3, int(SMOOTHED / step) | 1)
    speed = savgol_filter(travel, window, 1 if window < 5 else 2, deriv=1, delta=step)
    damper = speed * np.interp(travel, travels(), wheel.ratio)
    everywhere = np.ones(travel.size, dtype=bool)
    stop = spells(travel > wheel.touch, everywhere, step) if wheel.knows_stop else (None, None)
    swings = free_swings(travel, step)
    frequencies, ratios = [s[0] for s in swings], [s[1] for s in swings]
    fast = np.abs(damper)
    return WheelRecorded(
        place=wheel.place,
        travel=bins(travel, BIN),
        velocity=bins(damper, SPEED_BIN),
        bump=float(travel.max()),
        droop=float(travel.min()),
        touch=wheel.touch if wheel.knows_stop else None,
        full_droop=wheel.droop,
        stop_times=stop[0],
        stop_time=stop[1],
        topped_times=spells(travel < wheel.droop, everywhere, step)[0],
        slow=float((fast < SLOW).mean()),
        fast=float((fast > FAST).mean()),
        frequency=median(frequencies) if swings else None,
        damping_ratio=median(ratios) if swings else None,
        swings=len(swings),
        frequency_spread=max(frequencies) - min(frequencies) if len(swings) > 1 else None,
        ratio_spread=max(ratios) - min(ratios) if len(swings) > 1 else None,
    )


def free_swings(travel: Array, step: float) -> list[tuple[float, float]]:
    """Undamped frequency and damping ratio of each swing that is left alone, from the largest on."""
    slowest = int(SWINGS / TRIED[0] / step)
    tops = _tops(travel, slowest)
    if not tops:
        return []
    every = max(1, slowest // POINTS)
    windows = np.array([travel[top : top + slowest : every] for top in tops])
    times = np.arange(windows.shape[1]) * every * step
    near, told = _nearest(times, windows)
    found: list[tuple[float, float]] = []
    taken = np.zeros(travel.size, dtype=bool)
    for top, window, guess, explained in zip(tops, windows, near, told, strict=True):
        if len(found) >= MOST_SWINGS:
            break
        if taken[top] or explained < WELL - 0.05:
            continue
        swing = _swing(times, window, guess)
        if swing is not None:
            found.append(swing)
            taken[max(0, top - slowest // 2) : top + slowest // 2] = True
    return found


def _nearest(times: Array, windows: Array) -> tuple[list[tuple[float, float]], Array]:
    """The frequency and damping ratio of a grid that explain each window best, and how much of it they do."""
    about = windows - windows.mean(axis=1, keepdims=True)
    spread = np.maximum((about**2).sum(axis=1), 1e-30)
    best, near = np.full(len(windows), -1.0), [(1.5, 0.3)] * len(windows)
    for frequency in np.geomspace(*TRIED, 18):
        for ratio in (0.05, 0.12, 0.2, 0.3, 0.42, 0.6):
            omega = 2 * np.pi * frequency
            dies, turns = np.exp(-ratio * omega * times), omega * np.sqrt(1 - ratio * ratio) * times
            basis, _ = np.linalg.qr(
                np.column_stack([np.ones_like(times), dies * np.cos(turns), dies * np.sin(turns)])
            )
            told = ((about @ basis) ** 2).sum(axis=1) / spread
            for k in np.nonzero(told > best)[0]:
                best[k], near[k] = told[k], (float(frequency), ratio)
    return near, best


def _tops(travel: Array, apart: int) -> list[int]:
    """Where excursions are largest, the largest first, one for each stretch of time."""
    off = np.abs(travel - np.median(travel))
    tops = []
    for start in range(0, travel.size - apart // 2, max(1, apart // 2)):
        top = start + int(np.argmax(off[start : start + apart // 2]))
        if off[top] >= LEAST_SWING and travel.size - top >= apart:
            tops.append(top)
    tops.sort(key=lambda i: -off[i])
    return tops[: 2 * MOST_SWINGS]


def _swing(times: Array, window: Array, guess: tuple[float, float]) -> tuple[float, float] | None:
    """The fit of what follows an excursion; nothing where it is no free swing."""
    points = list(zip(times.tolist(), window.tolist(), strict=True))
    try:
        with untraced():
            fit = fitted(points, 0, guess)
    except OutOfRange:
        return None
    well = fit.r_squared >= WELL and TRIED[0] <= fit.frequency <= TRIED[1] and 0.02 < fit.damping_ratio < 0.9
    return (fit.frequency, fit.damping_ratio) if well else None
