"""One run: a vehicle over a road or through a manoeuvre, and the traces of its motion."""

from dataclasses import dataclass, field, replace
from math import ceil
from typing import Any

import numpy as np
from numpy.typing import NDArray

from feder.core.benches.prove.manoeuvre import accelerations
from feder.core.benches.prove.road import SETTLES, Road, road_of
from feder.core.benches.prove.tables import FASTEST, FINE, FINE_SPEED, REACH
from feder.core.benches.prove.vehicle import BEAM, SLIPS, CannotDrive, Vehicle
from feder.core.document.road import Trial
from feder.core.numbers.errors import OutOfRange

Array = NDArray[np.floating[Any]]
STEP = 5e-4
"""Step of the motion, s."""
LONGEST_RUN = 60.0
"""A run may last so long, s."""
DRIVE_STEP = 0.01
MOST = 5.0
"""Heave beyond which a run is given up, m: nothing that stands on wheels goes there."""


@dataclass(frozen=True)
class Wheels:
    """What wheels do over time, one row for each; from where they stand still."""

    height: Array
    road: Array
    travel: Array
    damper_velocity: Array
    damper_force: Array
    tyre_force: Array
    squash: Array
    rub: Array


@dataclass(frozen=True)
class Run:
    """Traces at even steps of time. Pitch is nose up, roll left side up."""

    vehicle: Vehicle
    trial: Trial
    road: Road
    step: float
    time: Array
    distance: Array
    """Of the front axle."""
    heave: Array
    pitch: Array
    roll: Array
    heave_acceleration: Array
    pitch_acceleration: Array
    roll_acceleration: Array
    wheels: Wheels
    stopped: bool = False


@dataclass
class Stop:
    """Set from another thread, it ends a run at its next step."""

    flag: Array = field(default_factory=lambda: np.zeros(1))

    def set(self) -> None:
        self.flag[0] = 1.0


@dataclass(frozen=True)
class Switches:
    """What can be left out of a run, to hold it against simpler equations."""

    tyre_damping: bool = True
    friction: bool = True
    roll: bool = True


def run(
    vehicle: Vehicle,
    trial: Trial,
    *,
    road: Road | None = None,
    step: float = STEP,
    switches: Switches | None = None,
    stop: Stop | None = None,
) -> Run:
    """A vehicle driven through a trial.

    Raises:
        OutOfRange: on `speed` or `pieces`: a run longer than can be told.
        CannotDrive: a manoeuvre without a height of the centre of gravity, or motion beyond all measure.
    """
    from feder.core.benches.prove.kernel import COLUMNS, OF_WHEEL, march

    made = road_of(trial, _track(vehicle)) if road is None else road
    seconds = _seconds(vehicle, trial, made)
    count = ceil(seconds / step - 1e-9)
    even = np.arange(count + 1) * step
    times, kept = _steps(vehicle, trial, made, even)
    drive_time = np.arange(ceil(seconds / DRIVE_STEP) + 2) * DRIVE_STEP
    drive = np.array(accelerations(trial.manoeuvre, drive_time))
    records = np.zeros((count, COLUMNS + OF_WHEEL * len(vehicle.wheels)))
    tables = [
        np.array([getattr(w, name) for w in vehicle.wheels]) if name else _forces(vehicle)
        for name in ("", "ratio", "damper")
    ]
    grids = np.array([-REACH, FINE, -FASTEST, FINE_SPEED, trial.speed, made.step, DRIVE_STEP])
    off = switches or Switches()
    stepped: Any = march
    done = stepped(
        times, kept, vehicle.per_axle, _body(vehicle, trial, off), _wheels(vehicle, trial, step, off),
        _axles(vehicle), *tables, grids, made.heights, drive, records, (stop or Stop()).flag,
    )  # fmt: skip
    records = records[:done]
    if not np.isfinite(records).all() or (done and np.abs(records[:, 0]).max() > MOST):
        raise CannotDrive("the vehicle leaves the road: a run tells nothing here; look at dampers and springs")
    body = records[:, :COLUMNS].T
    per_wheel = records[:, COLUMNS:].reshape(done, len(vehicle.wheels), OF_WHEEL).transpose(2, 1, 0)
    time = even[:done]
    heave, pitch, roll, rising, pitching, rolling = body
    return Run(
        vehicle, trial, made, step, time, time * trial.speed, heave, pitch, roll, rising, pitching, rolling,
        Wheels(*per_wheel), stopped=done < count,
    )  # fmt: skip


def _track(vehicle: Vehicle) -> float:
    return sum(a.track for a in vehicle.axles) / len(vehicle.axles)


def _seconds(vehicle: Vehicle, trial: Trial, road: Road) -> float:
    """How long a run lasts: until the rear axle has left the road, or a manoeuvre has died away."""
    if trial.manoeuvre is not None:
        return trial.manoeuvre.seconds + SETTLES
    seconds = (road.length + vehicle.wheelbase) / trial.speed
    if seconds > LONGEST_RUN:
        raise OutOfRange(
            "speed", trial.speed, f"{road.length:.0f} m at this speed last {seconds:.0f} s; a run may last 60 s: "
            "drive faster, or take a shorter road",
        )  # fmt: skip
    return seconds


def _steps(vehicle: Vehicle, trial: Trial, road: Road, even: Array) -> tuple[Array, NDArray[np.bool_]]:
    """Times of all steps, even ones and those at which a wheel meets a kink, and which of them are even."""
    meets = {
        (kink + behind) / trial.speed for kink in road.kinks for behind in (0.0, vehicle.wheelbase)
    }  # fmt: skip
    extra = np.array(sorted(t for t in meets if 0 < t < even[-1]))
    near = np.abs(extra / (even[1] - even[0]) - np.round(extra / (even[1] - even[0]))) < 1e-6
    extra = extra[~near]
    times = np.concatenate([even, extra])
    order = np.argsort(times, kind="stable")
    return times[order], (order < even.size)


def _forces(vehicle: Vehicle) -> Array:
    return np.array([w.spring + w.stop for w in vehicle.wheels])


def _body(vehicle: Vehicle, trial: Trial, off: Switches) -> Array:
    """Mass, inertias, and the moments that an acceleration of one makes."""
    pitch = roll = 0.0
    if trial.manoeuvre is not None:
        height = vehicle.cg_height
        if height is None:
            raise CannotDrive("a manoeuvre waits for the height of the centre of gravity: tell it on Geometry")
        pitch = vehicle.mass * height + sum(w.unsprung * w.hub_height for w in vehicle.wheels)
        roll = vehicle.mass * height
    rolls = vehicle.roll_inertia if off.roll else 0.0
    return np.array([vehicle.mass, vehicle.pitch_inertia, rolls, pitch, roll])


def _wheels(vehicle: Vehicle, trial: Trial, step: float, off: Switches) -> Array:
    rows = []
    moment = _body(vehicle, trial, off)[3]
    for i, w in enumerate(vehicle.wheels):
        axle = vehicle.axles[i // vehicle.per_axle]
        friction = w.friction if off.friction else 0.0
        slips = max(SLIPS, friction * step / w.unsprung)
        side = 1.0 if w.y > 0 else -1.0
        # what the links carry of a corner goes to the tyre at once: more on the outer wheel
        links = axle_mass(vehicle, i) * (axle.roll_centre or 0.0) / axle.track * -side if axle.track else 0.0
        own = w.unsprung * w.hub_height * 2 / axle.track * -side if axle.track else 0.0
        rows.append([
            w.x, w.y, w.unsprung, w.tyre_rate, w.tyre_damping if off.tyre_damping else 0.0, friction, slips,
            0.0 if w.place.end == "front" else vehicle.wheelbase, 1.0 if w.y < 0 else 0.0,
            w.still / w.tyre_rate, _links_along(vehicle, i, trial, moment), links, own,
        ])  # fmt: skip
    return np.array(rows)


def _links_along(vehicle: Vehicle, wheel: int, trial: Trial, moment: float) -> float:
    """Push of the links on the body at a wheel for an acceleration of one, driving positive.

    Of the load m·a·h/L that braking or driving moves between the axles they carry their share: anti-dive holds the
    nose up, anti-lift the tail down, anti-squat the tail up.
    """
    axle = vehicle.axles[wheel // vehicle.per_axle]
    braking = trial.manoeuvre is not None and trial.manoeuvre.kind == "braking"
    share = axle.links[0 if braking else 1] or 0.0
    way = -1.0 if axle.name == "front" else 1.0
    return way * share * moment / vehicle.wheelbase / vehicle.per_axle


def axle_mass(vehicle: Vehicle, wheel: int) -> float:
    """Sprung mass that stands on the axle of a wheel."""
    return sum(vehicle.wheels[i].load for i in vehicle.at(vehicle.wheels[wheel].place.end)) / 9.80665


def _axles(vehicle: Vehicle) -> Array:
    """Spring base over track, bar rate, and how a force at one wheel moves it and the other."""
    rows = []
    per = vehicle.per_axle
    for a, axle in enumerate(vehicle.axles):
        mine = vehicle.wheels[a * per : a * per + per]
        own, other = 1 / mine[0].unsprung, 0.0
        if axle.live:
            mass = sum(w.unsprung for w in mine)
            inertia = mass * axle.track**2 / 4 * (BEAM + (1 - BEAM) / 3)
            half = axle.track**2 / (4 * inertia)
            own, other = 1 / mass + half, 1 / mass - half
        rows.append([axle.base, axle.bar_rate, own, other])
    return np.array(rows)


def without_roll(vehicle: Vehicle) -> Vehicle:
    """The same vehicle that does not roll, for what is held against a half vehicle."""
    return replace(vehicle, roll_inertia=0.0)
