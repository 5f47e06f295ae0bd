"""Ride of a corner against an independent oscillation, and flat ride against the two bounces drawn out."""

import math

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.integrate import solve_ivp
from scipy.optimize import brentq

from feder.core.formulas.damping import critical_damping, damping_ratio
from feder.core.formulas.motion_ratio import lever_motion_ratio, wheel_rate
from feder.core.formulas.ride import (
    flat_ride,
    rate_for_frequency,
    ride_frequency,
    ride_rate,
    spring_for_frequency,
    static_deflection,
)
from feder.core.numbers.errors import OutOfRange

rates = st.floats(1e3, 1e6)
masses = st.floats(20, 2000)


def test_frequency_is_that_of_a_mass_let_go_on_its_spring():
    rate, mass = 36864.0, 269.0
    crossing = lambda t, y: y[0]  # noqa: E731 - solve_ivp wants a function with attributes
    crossing.direction = -1.0
    swing = solve_ivp(
        lambda t, y: (y[1], -rate / mass * y[0]), (0, 3), (0.01, 0), events=crossing, rtol=1e-10, atol=1e-14
    )
    period = (swing.t_events[0][-1] - swing.t_events[0][0]) / (len(swing.t_events[0]) - 1)
    assert ride_frequency(rate, mass) == pytest.approx(1 / period, rel=1e-7)


def test_critical_damping_is_where_the_mass_no_longer_crosses_its_rest():
    rate, mass = 24000.0, 269.0
    discriminant = lambda c: c**2 - 4 * rate * mass  # noqa: E731 - characteristic equation m s^2 + c s + k
    assert critical_damping(rate, mass) == pytest.approx(brentq(discriminant, 1, 1e6))
    assert damping_ratio(critical_damping(rate, mass) / 0.9**2, 0.9, rate, mass) == pytest.approx(1)


@given(rates, masses)
def test_static_deflection_and_frequency_are_one_fact(rate, mass):
    # f = sqrt(g/delta)/(2 pi), whatever rate and mass
    settled = static_deflection(rate, mass)
    assert ride_frequency(rate, mass) == pytest.approx(math.sqrt(9.80665 / settled) / (2 * math.pi))
    assert rate_for_frequency(ride_frequency(rate, mass), mass) == pytest.approx(rate)


@given(st.floats(0.8, 3), st.floats(100, 900), st.floats(5, 60), st.floats(0.3, 1.2), st.floats(1.2e5, 4e5))
def test_the_spring_for_a_frequency_gives_that_frequency_back(wanted, corner, unsprung, ratio, tyre):
    assume(unsprung < 0.6 * corner)
    spring = spring_for_frequency(wanted, corner, unsprung, ratio).spring_rate
    assert ride_frequency(wheel_rate(spring, ratio), corner - unsprung) == pytest.approx(wanted)
    assume((corner - unsprung) * (2 * math.pi * wanted) ** 2 < 0.9 * tyre)
    behind = spring_for_frequency(wanted, corner, unsprung, ratio, tyre).spring_rate
    assert ride_frequency(ride_rate(wheel_rate(behind, ratio), tyre), corner - unsprung) == pytest.approx(wanted)


def test_a_tyre_too_soft_for_the_frequency_is_refused_by_its_key():
    with pytest.raises(OutOfRange) as refused:
        spring_for_frequency(4.0, 400, 40, 0.9, 150e3)
    assert refused.value.key == "frequency"


def test_flat_speed_is_where_both_first_waves_end_together():
    front, rear, base = 1.863, 2.128, 2.44
    speed = flat_ride(front, rear, base).flat_speed
    # drawn out: front starts at 0, rear at L/v; each ends one period later
    assert 1 / front == pytest.approx(base / speed + 1 / rear)
    assert flat_ride(front, rear, base, speed).end_mismatch == pytest.approx(0, abs=1e-12)
    assert flat_ride(rear, front, base).flat_speed is None


def test_wheel_rate_is_the_derivative_of_the_wheel_force_on_a_rising_linkage():
    # s(z) = 0.5 z + 0.8 z^2, so MR = 0.5 + 1.6 z; force at the wheel by virtual work k s(z) MR(z)
    spring, z, h = 90e3, 0.06, 1e-6
    travel = lambda x: 0.5 * x + 0.8 * x * x  # noqa: E731
    force = lambda x: spring * travel(x) * (0.5 + 1.6 * x)  # noqa: E731
    numeric = (force(z + h) - force(z - h)) / (2 * h)
    assert wheel_rate(spring, 0.5 + 1.6 * z, spring * travel(z), 1.6) == pytest.approx(numeric, rel=1e-8)


def test_lever_ratio_is_the_path_of_a_point_on_a_turning_arm():
    a, b, angle, turn = 0.22, 0.36, math.radians(21.5), 1e-6
    path = (a * turn) * math.cos(angle)  # along the spring's axis
    assert lever_motion_ratio(a, b, angle) == pytest.approx(path / (b * turn))
    with pytest.raises(OutOfRange) as refused:
        lever_motion_ratio(a, b, math.pi / 2)
    assert refused.value.key == "spring_angle"
