"""Bump stop, gas charge and friction in the balance of a corner, worked out apart from it."""

from math import pi

import pytest
from scipy.interpolate import PchipInterpolator
from scipy.optimize import brentq

from feder.core.document.base import PLACES, ForceValue
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.setup import StopTrim
from feder.core.document.vehicle import BumpStopPart, GasCharge
from feder.core.report.evaluate import evaluate
from tests.changes import with_end, with_side

G = 9.80665
POINTS = ((0.0, 0.0), (0.01, 180.0), (0.02, 520.0), (0.03, 1400.0), (0.04, 4200.0))
STOP = BumpStopPart(length=0.060, shaft=0.080, hub_to_arch=0.360, points=POINTS)


@pytest.fixture
def stopped(car):
    """The demo car on rigid tyres; the front on stops 60 long with 80 of shaft at 360."""
    for end in ("front", "rear"):
        tyre = getattr(car.vehicle.ends, end).tyre.model_copy(update={"rate": None})
        car = with_end(car, end, tyre=tyre, bump_stop=None)
    for place in PLACES:
        car = with_side(car, "plan", place, stop=None)
    return with_end(car, "front", bump_stop=STOP)


def front(document, **members):
    for place in ("front_left", "front_right"):
        document = with_side(document, "plan", place, **members)
    return document


def test_the_stop_is_touched_where_shaft_stop_and_packer_say(stopped):
    corner = evaluate(stopped, "plan").corners["front_left"]
    assert corner.stop_gap.value == pytest.approx(0.020 - 0.96 * (0.360 - 0.354))
    assert corner.stop.value == pytest.approx(corner.stop_gap.value / 0.96)
    assert corner.stop_force is None
    trimmed = evaluate(front(stopped, stop=StopTrim(length=0.045, packer=0.006)), "plan").corners["front_left"]
    assert trimmed.stop_gap.value == pytest.approx(corner.stop_gap.value + 0.015 - 0.006)


def test_a_squeezed_stop_carries_part_of_the_load_and_stiffens_the_wheel(stopped):
    low = front(stopped, hub_to_arch=0.330)
    corner = evaluate(low, "plan").corners["front_left"]
    squeeze = 0.96 * (0.360 - 0.330) - 0.020
    curve = PchipInterpolator(*zip((-1, 0), (-0.5, 0), *POINTS, strict=True))
    load = float(corner.corner_load.value)
    assert corner.stop_force.value == pytest.approx(curve(squeeze), rel=1e-6)
    assert corner.spring_force.value == pytest.approx(load / 0.96 - curve(squeeze), rel=1e-6)
    assert corner.wheel_rate.value == pytest.approx((40e3 + float(curve(squeeze, 1))) * 0.96**2, rel=1e-6)
    plain = evaluate(with_end(low, "front", bump_stop=None), "plan").corners["front_left"]
    assert corner.frequency.value > 1.05 * plain.frequency.value
    assert corner.collar.value < plain.collar.value  # the stop holds part of what the collar had to


def test_under_a_load_spring_and_stop_settle_together(stopped):
    base = front(stopped, hub_to_arch=0.340)
    chest = LoadState(id="chest", name="chest", items=(LoadItem(name="chest", mass=200, x=0.0),))
    base = base.model_copy(update={"loads": (chest,)})
    empty, loaded = evaluate(base, "plan").corners, evaluate(base, "plan", "chest").corners
    curve = PchipInterpolator(*zip((-1, 0), (-0.5, 0), *POINTS, strict=True))
    heights = [loaded[p].hub_to_arch.value for p in PLACES[:2]]
    left = empty["front_left"]
    at = float(left.hub_to_arch.value)

    def carried(hub):
        spring = float(left.spring_force.value) + 40e3 * 0.96 * (at - hub)
        return (spring + float(curve(0.96 * (0.360 - hub) - 0.020))) * 0.96

    hub = brentq(lambda h: carried(h) - float(loaded["front_left"].corner_load.value), 0.30, 0.35)
    assert heights[0] == pytest.approx(hub, abs=1e-6)
    plain = evaluate(with_end(base, "front", bump_stop=None), "plan", "chest").corners["front_left"]
    assert heights[0] > plain.hub_to_arch.value + 0.002


def test_gas_lifts_what_the_spring_need_not_carry_and_friction_makes_a_band(stopped):
    gas = with_end(
        stopped, "front", gas=GasCharge(pressure=20e5, rod_diameter=0.022), friction=ForceValue(value=90)
    )
    was, now = (evaluate(d, "plan").corners["front_left"] for d in (stopped, gas))
    push = 20e5 * pi * 0.022**2 / 4
    assert was.spring_force.value - now.spring_force.value == pytest.approx(push)
    # the seat was typed, so a weaker force needs a lower collar: by push over rate
    assert was.collar.value - now.collar.value == pytest.approx(push / 40e3)
    assert now.wheel_rate.value == was.wheel_rate.value
    assert now.height_band.value == pytest.approx(90 / (40e3 * 0.96**2))


def test_a_squeezed_stop_whose_force_nobody_knows_marks_what_leaves_it_out(car):
    """60 mm of shaft at 352; 40 mm lower at the wheel nothing of it is left before a stop of 50 mm."""
    car = with_end(car, "rear", bump_stop=car.vehicle.ends.rear.bump_stop.but(points=None))
    low = {"hub_to_arch": 0.316, "stop": StopTrim(length=0.045)}
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, **low)
    report = evaluate(car, "plan")
    corner = report.corners["rear_left"]
    assert corner.stop_gap.value < 0
    assert corner.wheel_rate.value == pytest.approx(60e3 * 0.72**2)
    assert corner.wheel_rate.assumed
    assert corner.frequency.assumed
    assert corner.damping_ratio.assumed
    assert report.ends["rear"].frequency.assumed
    assert not report.corners["front_left"].wheel_rate.assumed
    clear = with_side(with_side(car, "plan", "rear_left", stop=None), "plan", "rear_right", stop=None)
    shorter = StopTrim(length=0.010)
    for place in ("rear_left", "rear_right"):
        clear = with_side(clear, "plan", place, stop=shorter)
    assert not evaluate(clear, "plan").corners["rear_left"].wheel_rate.assumed
