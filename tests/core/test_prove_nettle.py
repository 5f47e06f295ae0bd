"""The demo hatchback over two bumps and a rough lane, held to a half vehicle that was written apart from Feder.

The numbers are that half vehicle's: heave, pitch and one wheel at each end, the mean of left and right, no friction.
"""

from dataclasses import replace
from math import pi, sqrt

import numpy as np
import pytest

from feder.core.benches.prove.figures import ALL, figures_of
from feder.core.benches.prove.road import Road, Stretch
from feder.core.benches.prove.run import Switches, run
from feder.core.benches.prove.vehicle import balanced, vehicle_of
from feder.demo.nettle import nettle
from tests.core.road_trials import flat

PIECES = (("flat", 5), ("bump", 3), ("flat", 9), ("bump", 3), ("flat", 20), ("rough", 40), ("flat", 5))
# as found, plan
COMFORT = {
    ("front", "bumps"): (1.4867, 1.96),
    ("front", "rough"): (1.3282, 1.4085),
    ("front", ALL): (1.4021, 1.6803),
    ("rear", "bumps"): (2.033, 2.514),
    ("rear", "rough"): (1.418, 1.6272),
    ("rear", ALL): (1.7234, 2.0755),
}
GRIP = {
    ("front", "bumps"): (0.1975, 0.2497),
    ("front", "rough"): (0.2406, 0.2353),
    ("rear", "bumps"): (0.254, 0.3209),
    ("rear", "rough"): (0.3669, 0.3464),
    ("rear", ALL): (0.3208, 0.3351),
}
WATTS = {("front", ALL): (204.6568, 210.2941), ("rear", ALL): (160.5861, 165.0253)}
BUMP = {("front", ALL): (0.0414, 0.0377), ("rear", ALL): (0.0413, 0.0373)}
DROOP = {("front", "bumps"): (-0.0385, -0.0427), ("rear", "bumps"): (-0.0375, -0.0483)}
JACKED = {("front", ALL): (0.0028, 0.0024), ("rear", ALL): (0.0041, 0.0018)}
SLOW = {("front", ALL): (0.5223, 0.4567), ("rear", ALL): (0.4895, 0.4286)}
FAST = {("front", ALL): (0.2349, 0.2554), ("rear", ALL): (0.28, 0.2975)}
STOPS = {("front", "bumps"): (2, 1), ("rear", ALL): (3, 0)}
FORCE = {("rear", ALL): (431.9616, 0.0)}
PITCH = {"rms": (0.3591, 0.4133), "up": (0.8893, 0.9707), "down": (-0.6713, -1.2222), "peak": (0.6713, 1.0788)}
DIES = (0.8371, 0.8006)


def lane() -> Road:
    """Two bumps of half a sine, then 40 m of class C, faded in and out over two metres, both tracks alike."""
    x = np.arange(0, 85.0025, 0.005)
    z, at = np.zeros_like(x), 0.0
    for kind, length in PIECES:
        here = (x >= at) & (x < at + length)
        s = x[here] - at
        if kind == "bump":
            z[here] = 0.05 * np.sin(pi * s / length)
        if kind == "rough":
            n = np.arange(0.011, 2.83, 1 / 160)
            phase = np.random.default_rng(7).uniform(0, 2 * pi, n.size)
            high = sum(
                sqrt(2 * 256e-6 * (k / 0.1) ** -2 * (n[1] - n[0])) * np.cos(2 * pi * k * s + p)
                for k, p in zip(n, phase, strict=True)
            )
            fade = 0.5 - 0.5 * np.cos(pi * np.clip(np.minimum(s, length - s) / 2, 0, 1))
            z[here] = fade * (high - np.average(high, weights=fade))
        at += length
    stretches = (Stretch("bumps", 5.0, 40.0, False, 20.0), Stretch("rough", 40.0, 80.0, True, 80.0))
    return Road(np.array([z, z]), (5.0, 8.0, 17.0, 20.0, 40.0, 80.0), stretches)


def even(vehicle):
    """Left and right alike: the mean of both, as the half vehicle has it."""
    made = []
    for i, w in enumerate(vehicle.wheels):
        other = vehicle.wheels[i + 1 if i % 2 == 0 else i - 1]
        names = ("load", "spring", "stop", "damper", "ratio", "droop", "touch", "solid", "wheel_rate")
        made.append(replace(w, **{n: (getattr(w, n) + getattr(other, n)) / 2 for n in names}))
    return replace(vehicle, wheels=balanced(made, vehicle.axles))


@pytest.fixture(scope="module")
def driven():
    road, off = lane(), Switches(friction=False, roll=False)
    return [
        figures_of(run(even(vehicle_of(nettle(), setup)), flat(85, 60 / 3.6), road=road, switches=off))
        for setup in ("found", "plan")
    ]


@pytest.mark.parametrize(
    ("name", "table", "near"),
    [
        ("comfort", COMFORT, {"rel": 0.01}), ("grip", GRIP, {"rel": 0.01}), ("watts", WATTS, {"rel": 0.01}),
        ("bump", BUMP, {"abs": 3e-4}), ("droop", DROOP, {"abs": 3e-4}), ("jacked", JACKED, {"abs": 1e-4}),
        ("slow", SLOW, {"abs": 0.006}), ("fast", FAST, {"abs": 0.006}), ("stop_times", STOPS, {"abs": 0}),
        ("stop_force", FORCE, {"rel": 0.03}),
    ],
)  # fmt: skip
def test_each_end_does_what_the_half_vehicle_does(driven, name, table, near):
    for (end, part), wanted in table.items():
        for figures, value in zip(driven, wanted, strict=True):
            assert getattr(figures.ends[part][end], name) == pytest.approx(value, **near), (end, part)


def test_pitch_is_that_of_the_half_vehicle(driven):
    for name, wanted in PITCH.items():
        part = ALL if name in ("rms", "peak") else "bumps"
        for figures, value in zip(driven, wanted, strict=True):
            assert np.degrees(getattr(figures.pitch[part], name)) == pytest.approx(value, rel=0.01), name
    for figures, value in zip(driven, DIES, strict=True):
        assert figures.pitch[ALL].dies == pytest.approx(value, abs=0.005)
