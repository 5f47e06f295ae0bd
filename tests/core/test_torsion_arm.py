"""Reports of arms on torsion bars, against a pinned arm worked out apart."""

from math import asin, cos, pi, radians, sin

import pytest
from scipy.optimize import brentq

from feder.core.document.base import PLACES, AngularRateValue
from feder.core.document.document import LoadItem, LoadState
from feder.core.report.evaluate import evaluate
from feder.core.report.explain import explain
from tests.changes import with_end, with_side
from tests.documents import ARM, BAR, on_bars

G = 9.80665
K = pi * 79.3e9 * 0.0225**4 / 32
LOAD = {"rear_left": (207 - 28) * G, "rear_right": (197 - 28) * G}
R = 0.38


def angle_at(hub):
    return asin(sin(radians(12)) + (hub - 0.368) / R)


def moment_free(load, hub):
    """Free angle from the moment about the bar: load on a lever of the arm's level length."""
    a = angle_at(hub)
    return a + load * R * cos(a) / K


def test_found_and_wanted_free_angles_follow_from_the_moment_about_the_bar(car):
    car = on_bars(car)
    found, plan = evaluate(car, "found").corners, evaluate(car, "plan").corners
    for place, hub, low in (("rear_left", 0.368, 0.353), ("rear_right", 0.366, 0.351)):
        assert found[place].arm_angle.value == pytest.approx(angle_at(hub))
        assert found[place].free_angle.value == pytest.approx(moment_free(LOAD[place], hub))
        assert plan[place].free_angle.value == pytest.approx(moment_free(LOAD[place], low), rel=1e-5)
        change = moment_free(LOAD[place], low) - moment_free(LOAD[place], hub)
        assert plan[place].free_angle_change.value == pytest.approx(change, rel=1e-4)
        assert plan[place].free_angle_change.value < 0  # lower body: the free plate goes up


def test_the_wheel_rate_is_the_slope_of_the_wheels_force_and_not_the_level_arms(car):
    car = on_bars(car)
    corner = evaluate(car, "plan").corners["rear_left"]
    free = float(corner.free_angle.value)
    push = lambda hub: K * (free - angle_at(hub)) / (R * cos(angle_at(hub)))  # noqa: E731
    e = 1e-6
    slope = (push(0.353 - e) - push(0.353 + e)) / (2 * e)
    assert corner.wheel_rate.value == pytest.approx(slope, rel=1e-5)
    assert abs(corner.wheel_rate.value / (K / R**2) - 1) > 0.02
    torque = K * (free - angle_at(0.353))
    assert corner.shear_stress.value == pytest.approx(16 * torque / (pi * 0.0225**3), rel=1e-6)
    assert [line for line in explain(car, "plan", "corners.rear_left.shear_stress") if line["symbol"] == "τ"]


def test_a_free_angle_set_gives_back_its_height_and_a_load_settles_on_it(car):
    car = on_bars(car)
    asked = evaluate(car, "plan").corners
    for place in ("rear_left", "rear_right"):
        free = float(asked[place].free_angle.value)
        car = with_side(car, "plan", place, set_by="free angle", free_angle=free)
    for place, side in (("front_left", 0.376), ("front_right", 0.374)):
        car = with_side(car, "plan", place, hub_to_arch=side)
    back = evaluate(car, "plan").corners
    for place in PLACES:
        assert back[place].hub_to_arch.value == pytest.approx(asked[place].hub_to_arch.value, abs=2e-6)
    # 60 kg over the rear axle, both sides alike: each arm must find its own moment balance
    sacks = LoadState(id="sacks", name="sacks", items=(LoadItem(name="sacks", mass=60, x=2.44),))
    loaded = evaluate(car.model_copy(update={"loads": (sacks,)}), "plan", "sacks").corners
    free = {p: float(asked[p].free_angle.value) for p in LOAD}
    share = {p: float(loaded[p].corner_load.value) for p in LOAD}
    assert sum(share.values()) == pytest.approx(sum(LOAD.values()) + 60 * G, rel=1e-6)
    for place in LOAD:
        lever = lambda hub, p=place: K * (free[p] - angle_at(hub)) - share[p] * R * cos(angle_at(hub))  # noqa: E731
        hub = brentq(lever, 0.25, 0.40)
        assert loaded[place].hub_to_arch.value == pytest.approx(hub, abs=1e-6)


def test_a_measured_rate_stands_before_the_dimensions_and_each_arm_has_its_own_reading(car):
    car = on_bars(car)
    measured = BAR.model_copy(update={"angular_rate": AngularRateValue(value=1900.0, how="bench")})
    assert evaluate(with_side(car, "found", "rear_left", spring=measured), "found").corners[
        "rear_left"
    ].angular_rate.value == pytest.approx(1900)
    right = with_end(car, "rear", arm=ARM.model_copy(update={"right_angle": radians(13.4)}))
    corners = evaluate(right, "found").corners
    apart = corners["rear_right"].arm_angle.value - asin(sin(radians(12.4)) + (0.366 - 0.368) / R)
    assert apart == pytest.approx(0, abs=1e-12)
    assert corners["rear_left"].arm_angle.value == pytest.approx(radians(12))
