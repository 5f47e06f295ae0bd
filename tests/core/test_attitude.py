"""How a two-wheeler stands, against circles and a line fitted numerically, and against small-angle geometry."""

from math import asin, cos, hypot, pi, radians, sin, sqrt, tan

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import brentq

from feder.core.formulas.chassis import Chassis, pose_of
from feder.core.numbers.errors import OutOfRange
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from tests.changes import with_side

CHASSIS = Chassis(1.43, radians(25), 0.297, 0.312, 0.56, 0.41)


def floor_line(chassis, slide, rise):
    """Slope of the floor under both tyres, found by halving the gap: no formula of the core."""
    front = (slide * sin(chassis.rake), chassis.front_radius + slide * cos(chassis.rake))
    pivot_x = chassis.wheelbase - sqrt(chassis.arm_length**2 - (chassis.pivot_height - chassis.rear_radius) ** 2)
    y = chassis.rear_radius + rise
    x = brentq(
        lambda v: hypot(v - pivot_x, y - chassis.pivot_height) - chassis.arm_length,
        pivot_x,
        pivot_x + 1,
        xtol=1e-14,
    )

    def lowest(angle, centre, radius):
        """How far along the floor's normal a tyre's foot lies."""
        return -sin(angle) * centre[0] + cos(angle) * centre[1] - radius

    angle = brentq(
        lambda a: lowest(a, front, chassis.front_radius) - lowest(a, (x, y), chassis.rear_radius),
        -0.6,
        0.6,
        xtol=1e-14,
    )
    along = cos(angle) * (x - front[0]) + sin(angle) * (y - front[1])
    return angle, along, front, lowest(angle, front, chassis.front_radius), (x, y)


@given(st.floats(-0.03, 0.11), st.floats(-0.03, 0.12))
def test_the_floor_touches_both_tyres(slide, rise):
    stands = pose_of(CHASSIS, slide, rise)
    angle, along, _, floor, rear = floor_line(CHASSIS, slide, rise)
    assert stands.pitch == pytest.approx(angle, abs=1e-9)
    assert stands.wheelbase == pytest.approx(along, abs=1e-9)
    assert stands.rake == pytest.approx(CHASSIS.rake + angle, abs=1e-9)
    x, y = 0.9, 0.32
    assert stands.height_of(x, y) == pytest.approx(-sin(angle) * x + cos(angle) * y - floor, abs=1e-9)
    arm = asin((CHASSIS.pivot_height - rear[1]) / CHASSIS.arm_length) + angle
    assert stands.arm_angle == pytest.approx(arm, abs=1e-9)


def test_a_lower_front_steepens_the_rake_and_shortens_the_trail():
    low = pose_of(CHASSIS, 0.020, 0.0)
    assert low.pitch == pytest.approx(-0.020 * cos(CHASSIS.rake) / 1.43, rel=0.02)
    assert low.height_of(0, 0.297) < 0.297
    with pytest.raises(OutOfRange):
        pose_of(CHASSIS, 0.0, 0.7)


def test_tubes_raised_in_the_clamps_steer_and_leave_the_sag():
    plan = with_side(magpie(), "plan", "front", clamp=0.016)
    before, after = (evaluate(d, "plan", "solo") for d in (magpie(), plan))
    assert after.sags["front"].rider_sag.value == pytest.approx(before.sags["front"].rider_sag.value, abs=1e-12)
    turned = before.steering.rake.value - after.steering.rake.value
    assert turned == pytest.approx(0.010 * cos(radians(25.5)) / 1.425, rel=0.02)
    rake = after.steering.rake.value
    assert after.steering.trail.value == pytest.approx(0.297 * tan(rake) - 0.036 / cos(rake), abs=1e-12)
    longer = evaluate(with_side(magpie(), "plan", "rear", shock_length=0.336), "plan", "solo")
    ratio = before.corners["rear"].motion_ratio.value
    assert longer.steering.tail.value - before.steering.tail.value == pytest.approx(0.006 / ratio, rel=0.03)
    assert longer.steering.lean_ridden.value > before.steering.lean_ridden.value


def test_a_pillion_costs_lean_and_the_figures_say_what_was():
    solo, two = (evaluate(magpie(), "plan", load, "found") for load in ("solo", "two-up"))
    assert two.steering.lean_ridden.value < solo.steering.lean_ridden.value < solo.steering.lean.value < pi / 2
    assert two.steering.lean_ridden.was < two.steering.lean_ridden.value


def test_nose_and_tail_rise_by_what_each_end_was_moved():
    """Tubes 10 mm further up through the clamp: the chassis over the front axle goes down by that along the rake."""
    bike = magpie()
    clamp = bike.setups[0].sides.front.clamp or 0.0
    kept = {e: evaluate(bike, "found").corners[e].collar.value for e in ("front", "rear")}
    for end in ("front", "rear"):
        bike = with_side(bike, "plan", end, set_by="collar", collar=kept[end],
                         spring=getattr(bike.setups[0].sides, end).spring)  # fmt: skip
    bike = with_side(with_side(bike, "plan", "front", clamp=clamp), "plan", "rear", shock_length=None)
    level = evaluate(bike, "plan").steering
    moved = evaluate(with_side(bike, "plan", "front", clamp=clamp + 0.010), "plan").steering
    rake = level.rake.value
    assert moved.nose.value - level.nose.value == pytest.approx(-0.010 * cos(rake), rel=0.05)
    assert abs(moved.tail.value - level.tail.value) < 4e-4
    # rigid: the rises at the axles differ by the wheelbase times the turn, the tyres' radii aside
    turn = moved.pitch.value - level.pitch.value
    rises = [moved.nose.value - level.nose.value, moved.tail.value - level.tail.value]
    assert rises[0] - rises[1] == pytest.approx(turn * level.wheelbase.value, rel=0.03)


def test_a_low_part_touches_earlier_in_a_bend_than_upright_heights_say():
    bike = magpie()
    low = bike.vehicle.hard_parts[0].but(height=0.08)
    report = evaluate(bike.but(vehicle=bike.vehicle.but(hard_parts=(low,))), "plan", "solo").steering
    # the springs carry 1/cos(lean) of their load: the part comes lower, never higher
    assert 0.0 < report.lean_ridden.value < report.lean.value < 0.08 / 0.330
