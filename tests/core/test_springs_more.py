"""Pairs, bench points, air, bars and spline moves against independent derivations and brute force."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad
from scipy.optimize import brentq

from feder.core.formulas.air import air_spring, gas_force
from feder.core.formulas.dual_rate import dual_rate
from feder.core.formulas.measured_rate import measured_rate
from feder.core.formulas.splines import spline_moves
from feder.core.formulas.torsion import torsion_bar_rate, torsion_free_angle, torsion_reindex, torsion_wheel
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes

ATM = 101325.0


@given(st.floats(2e4, 1e5), st.floats(5e3, 2e4), st.floats(0.01, 0.08), st.floats(1, 8000))
def test_a_tender_pair_follows_the_two_springs_pressed_one_on_the_other(main, tender, travel, force):
    pair = dual_rate(main, tender, travel)
    # each spring's own compression under the common force, the tender's held at its travel
    pressed = force / main + min(force / tender, travel)
    if force <= pair.crossover_force:
        told = force / pair.soft_rate
    else:
        told = pair.crossover_deflection + (force - pair.crossover_force) / pair.stiff_rate
    assert told == pytest.approx(pressed)


def test_a_measured_rate_is_numpys_line_through_the_middle_of_the_range():
    x = np.array([0, 5, 10, 15, 20, 25, 30, 35, 40, 45, 50]) / 1e3
    f = np.array([0, 210, 500, 800, 1110, 1390, 1710, 1990, 2310, 2700, 3300.0])
    inside = slice(2, 9)  # 10 to 40 mm, ends included
    found = measured_rate(list(zip(x, f, strict=True)))
    (slope, _), covariance = np.polyfit(x[inside], f[inside], 1, cov=True)
    assert found.rate == pytest.approx(slope)
    assert found.standard_error == pytest.approx(math.sqrt(covariance[0, 0]))
    assert found.r_squared == pytest.approx(np.corrcoef(x[inside], f[inside])[0, 1] ** 2)


@pytest.mark.parametrize(
    "points", [[(0, 0), (1, 1), (2, 2)], [(0.01, 5)] * 5, [(0, 9), (1, 6), (2, 5), (3, 4), (4, 2), (5, 0)]]
)
def test_bench_points_that_give_no_rate_are_refused(points):
    with pytest.raises(OutOfRange) as refused:
        measured_rate(points)
    assert refused.value.key == "points"


def test_air_follows_the_isothermal_and_the_adiabatic_law():
    p, a, v, x = 8e5, 9e-4, 2.2e-4, 0.11
    # isothermal: absolute pressure times volume stays
    assert air_spring(p, a, v, x).force == pytest.approx(((p + ATM) * v / (v - a * x) - ATM) * a)
    # adiabatic: the work put in is the gain of p·V/(n-1)
    n = 1.4
    work = quad(lambda s: air_spring(p, a, v, s, n).force + ATM * a, 0, x)[0]
    end = (air_spring(p, a, v, x, n).force / a + ATM) * (v - a * x)
    assert work == pytest.approx((end - (p + ATM) * v) / (n - 1), rel=1e-9)


@given(st.floats(0.001, 0.1), st.floats(1, 1.4), st.floats(0, 0.02))
def test_an_air_springs_rate_is_the_derivative_of_its_force(x, n, port):
    def force(s):
        return air_spring(7e5, 9e-4, 2e-4, s, n, None, 6e-4, 3e-5, port)

    h = 1e-6
    numeric = (force(x + h).force - force(x - h).force) / (2 * h)
    assert force(x).rate == pytest.approx(numeric, rel=1e-5)


def test_a_self_equalising_chamber_is_equal_at_its_port():
    p, a, v, an, vn, port = 7e5, 9e-4, 2e-4, 6e-4, 3e-5, 0.012
    at_port = (p + ATM) * v / (v - a * port) - ATM
    # at the port both chambers are at one pressure, so the force is that pressure on the difference of areas
    assert air_spring(p, a, v, port, 1.0, None, an, vn, port).force == pytest.approx(at_port * (a - an))


@pytest.mark.parametrize(
    ("more", "key"),
    [
        ({"travel": 0.3}, "travel"),
        ({"negative_pressure": 5e5}, "negative_area"),
        ({"negative_pressure": 5e5, "negative_area": 5e-4}, "negative_volume"),
        ({"negative_area": 5e-4, "negative_volume": 3e-5}, "negative_pressure"),
        (
            {"negative_pressure": 5e5, "negative_area": 5e-4, "negative_volume": 3e-5, "equalise_at": 0.01},
            "equalise_at",
        ),
        ({"negative_area": 5e-4, "negative_volume": 3e-5, "equalise_at": 0.3}, "equalise_at"),
    ],
)
def test_air_that_cannot_be_is_refused_by_its_key(more, key):
    with pytest.raises(OutOfRange) as refused:
        air_spring(**{"pressure": 7e5, "area": 9e-4, "volume": 2e-4, "travel": 0.05, **more})
    assert refused.value.key == key


def test_an_air_spring_that_draws_itself_in_says_so():
    with collecting_notes() as notes:
        assert air_spring(5e5, 9e-4, 2e-4, 0.0, 1.0, 9e5, 8e-4, 3e-5).force < 0
    assert "draws itself in" in notes[0]


def test_gas_force_is_pressure_on_the_rod():
    assert gas_force(20e5, 0.014) == pytest.approx(20e5 * math.pi * 0.007**2)


def test_a_bar_is_the_integral_of_shear_over_its_section():
    d, bore, length, g = 0.022, 0.008, 0.56, 79.3e9
    polar = quad(lambda r: 2 * math.pi * r**3, bore / 2, d / 2)[0]
    found = torsion_bar_rate(d, length, bore, torque=900.0)
    assert found.angular_rate == pytest.approx(g * polar / length)
    assert found.shear_stress == pytest.approx(900.0 * (d / 2) / polar)
    with pytest.raises(OutOfRange) as refused:
        torsion_bar_rate(0.02, 1, 0.02)
    assert refused.value.key == "bore"


K, R = 3256.4, 0.42


@given(st.floats(-0.5, 0.5), st.floats(0.1, 0.9))
def test_the_wheel_on_its_arm_follows_from_the_bars_energy(a, twist):
    free = a + twist
    # energy of the bar over the wheel's height under the axis: F = -dE/dh with h = R sin a
    h = 1e-6
    energy = lambda angle: 0.5 * K * (free - angle) ** 2  # noqa: E731
    height = lambda angle: R * math.sin(angle)  # noqa: E731
    force = -(energy(a + h) - energy(a - h)) / (height(a + h) - height(a - h))
    found = torsion_wheel(K, R, a, free)
    assert found.wheel_force == pytest.approx(force, rel=1e-6)
    up, down = torsion_wheel(K, R, a - h, free), torsion_wheel(K, R, a + h, free)
    rate = (up.wheel_force - down.wheel_force) / (height(a + h) - height(a - h))
    assert found.wheel_rate == pytest.approx(rate, rel=1e-5)
    assert torsion_free_angle(K, R, a, found.wheel_force) == pytest.approx(free)


@given(st.floats(-0.3, 0.3), st.floats(500, 4000), st.floats(-0.06, 0.06))
def test_reindexing_is_the_free_angle_at_which_the_arm_balances_at_the_new_height(a, force, rise):
    found = torsion_reindex(K, R, a, force, rise)
    # solve the moment balance for the arm with the new free angle, apart from the formula
    arm = brentq(lambda b: K * (found.new_free_angle - b) - force * R * math.cos(b), -1.4, 1.4)
    assert R * (math.sin(arm) - math.sin(a)) == pytest.approx(rise, abs=1e-9)
    assert found.free_angle_change == pytest.approx(found.new_free_angle - found.old_free_angle)


def test_the_drawn_estate_is_reindexed_as_it_was_drawn():
    # rear left of a made-up estate: 262 kg sprung at 5.2 deg, lowered from 352 to 317 mm
    found = torsion_reindex(K, R, math.radians(5.2), 262 * 9.80665, -0.035)
    assert math.degrees(found.new_arm_angle) == pytest.approx(
        math.degrees(math.asin(math.sin(math.radians(5.2)) - 0.035 / 0.42))
    )
    with pytest.raises(OutOfRange) as refused:
        torsion_reindex(K, R, 0.1, 2000, 0.5)
    assert refused.value.key == "height_change"


@given(st.integers(2, 60), st.integers(2, 60), st.floats(-1.5, 1.5), st.integers(1, 12))
def test_spline_moves_are_those_of_brute_force(inner, outer, angle, reach):
    found = spline_moves(inner, outer, angle, reach)
    unit = 2 * math.pi / (inner * outer)
    rows = [
        (abs((i * outer - o * inner) * unit - angle), abs(i) + abs(o), abs(i), i, o)
        for i in range(-reach, reach + 1)
        for o in range(-reach, reach + 1)
    ]
    rows.sort(key=lambda r: r[:4])
    assert [(c.inner, c.outer) for c in found.candidates] == [(r[3], r[4]) for r in rows[:8]]
    assert found.error == pytest.approx(found.angle - angle)
    for c in found.candidates:
        assert c.angle == pytest.approx((c.inner / inner - c.outer / outer) * 2 * math.pi, abs=1e-12)
    single = min(abs(i / inner * 2 * math.pi - angle) for i in range(-reach, reach + 1))
    assert abs(found.inner_only - angle) == pytest.approx(single, abs=1e-12)


def test_words_are_mirrored_from_side_to_side_and_turn_about_with_a_leading_arm():
    found = spline_moves(36, 40, math.radians(1), 9)
    assert (found.inner, found.outer) == (1, 1)
    assert found.words["left"] == "bar 1 spline clockwise in the chassis; plate 1 spline anticlockwise on the bar"
    assert found.words["right"] == "bar 1 spline anticlockwise in the chassis; plate 1 spline clockwise on the bar"
    assert spline_moves(36, 40, math.radians(1), 9, arm="leading").words["left"] == found.words["right"]
    assert math.degrees(found.finest_step) == pytest.approx(1.0)


def test_steps_that_cannot_be_reached_are_noted():
    with collecting_notes() as notes:
        spline_moves(36, 40, math.radians(4.5), 2)
    assert "out of reach" in notes[0]
    with collecting_notes() as notes:
        spline_moves(36, 40, math.radians(4.5))
    assert notes == []


def test_the_widest_search_finds_the_finest_step():
    found = spline_moves(399, 400, 0.7, 399)
    assert abs(found.error) <= math.pi / (399 * 400) * 1.001
