"""Loads, roll, balance, sag, steering and alignment against moments written out and positions solved for."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import minimize

from feder.core.formulas.alignment import scrub, toe_angle
from feder.core.formulas.corner_weights import corner_balance
from feder.core.formulas.damping import damping_for_ratio, damping_ratio, rescale_damping
from feder.core.formulas.loads import load_share
from feder.core.formulas.motion_ratio import fork_wheel_rate
from feder.core.formulas.ride import hop_frequency
from feder.core.formulas.roll import anti_roll_bar, load_transfer, roll_gradient, roll_stiffness
from feder.core.formulas.sag import sag, sag_diagnosis, sag_spring
from feder.core.formulas.steering import arm_angle, lean_clearance, trail
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.solvers.curve import LinearCorner
from feder.core.solvers.equilibrium import Support, vehicle_equilibrium

G = 9.80665


@given(st.floats(1, 900), st.floats(-1, 4), st.floats(-0.8, 0.8), st.floats(0, 1))
def test_a_carried_mass_is_balanced_about_every_axis(mass, x, y, share):
    fl, fr, rl, rr = load_share(mass, x, y, 2.6, 1.5, 1.46, share)
    assert fl + fr + rl + rr == pytest.approx(mass * G)
    assert (rl + rr) * 2.6 == pytest.approx(mass * G * x, abs=1e-8)
    assert (fr - fl) * 0.75 + (rr - rl) * 0.73 == pytest.approx(mass * G * y, abs=1e-8)


def test_a_guessed_roll_share_says_so_and_a_mass_behind_lifts_the_front():
    with collecting_notes() as notes:
        found = load_share(100, 3.2, 0.2, 2.6, 1.5, 1.5)
    assert "guess" in notes[0]
    assert found.front_left < 0
    assert found.front_left == found.front_right  # held at 0: all of the roll moment goes to the rear


def test_an_anti_roll_bar_from_its_twist():
    d, length, arm, g = 0.022, 0.9, 0.24, 79.3e9
    # unit link travels +-half: twist 1/arm, torque G J/L · twist, link force torque/arm
    torque = g * math.pi * d**4 / 32 / length * (1 / arm)
    assert anti_roll_bar(d, length, arm) == pytest.approx(torque / arm)
    with pytest.raises(OutOfRange) as refused:
        anti_roll_bar(0.02, 1, 0.2, 0.03)
    assert refused.value.key == "bore"


@given(st.floats(1e4, 8e4), st.floats(1.2, 1.7), st.floats(0, 3e4), st.floats(0.3, 1))
def test_roll_stiffness_is_the_second_derivative_of_the_energy(rate, track, bar, ratio):
    def energy(phi):
        wheel = phi * track / 2
        link = ratio * 2 * wheel  # left minus right
        return 2 * 0.5 * rate * wheel**2 + 0.5 * bar * link**2

    h = 1e-3
    assert roll_stiffness(rate, track, bar, ratio) == pytest.approx(
        (energy(h) - 2 * energy(0) + energy(-h)) / h**2, rel=1e-6
    )
    # a live axle with springs inboard
    assert roll_stiffness(rate, track, 0, 1, track / 2) == pytest.approx(rate * track**2 / 8)


def test_roll_and_load_transfer_balance_the_car():
    car = {
        "lateral_g": 0.9, "sprung_mass": 886.0, "sprung_front_fraction": 0.607, "sprung_cg_height": 0.52,
        "front_roll_centre": 0.06, "rear_roll_centre": 0.18, "front_roll_stiffness": 42e3, "rear_roll_stiffness": 30e3,
        "front_track": 1.40, "rear_track": 1.38, "front_unsprung_mass": 68.0, "rear_unsprung_mass": 56.0,
        "front_unsprung_height": 0.28, "rear_unsprung_height": 0.28,
    }  # fmt: skip
    found = load_transfer(**car)
    # moments about the ground line: what moves on both axles, times their tracks, holds the whole car
    a = 0.9 * G
    arm = 0.52 - (0.607 * 0.06 + 0.393 * 0.18)
    lean = 886 * G * arm * found.roll_angle  # the body's own weight, leaned over
    overturning = 886 * a * 0.52 + (68 + 56) * a * 0.28 + lean
    assert found.front_total * 1.40 + found.rear_total * 1.38 == pytest.approx(overturning)
    assert found.roll_angle / 0.9 == pytest.approx(roll_gradient(886, arm, 42e3, 30e3))
    assert found.front_fraction == pytest.approx(found.front_total / (found.front_total + found.rear_total))
    with pytest.raises(OutOfRange) as refused:
        load_transfer(**{**car, "front_roll_stiffness": 1e3, "rear_roll_stiffness": 1e3})
    assert refused.value.key == "front_roll_stiffness"
    with collecting_notes() as notes:
        load_transfer(**{**car, "lateral_g": 2.5})
    assert any("unloaded" in n for n in notes)


WEIGHTS, RATES = [3020.0, 2922.0, 2030.0, 1932.0], [36864.0, 36864.0, 31104.0, 31104.0]


@pytest.mark.parametrize("keep", [True, False])
def test_corner_balance_does_in_the_whole_vehicle_what_it_promises(keep):
    found = corner_balance(WEIGHTS, RATES, 1.40, 1.38, 0.51, keep_heights=keep)
    moves = [found.collar_front_left, found.collar_front_right, found.collar_rear_left, found.collar_rear_right]
    new = [found.weight_front_left, found.weight_front_right, found.weight_rear_left, found.weight_rear_right]
    stood = vehicle_equilibrium(
        [
            Support(x, y, w, LinearCorner(k, 1.0, w / k + u))
            for x, y, w, k, u in zip(
                (0, 0, 2.44, 2.44), (-0.7, 0.7, -0.69, 0.69), WEIGHTS, RATES, moves, strict=True
            )
        ]
    )
    assert (new[1] + new[2]) / sum(new) == pytest.approx(0.51)
    assert stood.load == pytest.approx(new, abs=0.5)
    if keep:
        assert stood.drop == pytest.approx([0] * 4, abs=1e-5)
        assert found.height_front_left is None
    else:
        rises = [
            found.height_front_left,
            found.height_front_right,
            found.height_rear_left,
            found.height_rear_right,
        ]
        assert [-d for d in stood.drop] == pytest.approx(rises, abs=1e-5)


def test_the_smallest_moves_are_the_smallest():
    found = corner_balance(WEIGHTS, RATES, 1.40, 1.38, 0.51, keep_heights=False)
    n = np.array([-1 / 1.4, 1 / 1.4, 1 / 1.38, -1 / 1.38])
    s = (0.51 * sum(WEIGHTS) - WEIGHTS[1] - WEIGHTS[2]) / (1 / 1.4 + 1 / 1.38)
    flex = float(np.sum(n**2 / np.array(RATES)))
    best = minimize(
        lambda u: u @ u * 1e4,
        np.zeros(4),
        constraints={"type": "eq", "fun": lambda u: (n @ u) * 1e3 - s * flex * 1e3},
    )
    moves = [found.collar_front_left, found.collar_front_right, found.collar_rear_left, found.collar_rear_right]
    assert moves == pytest.approx(best.x, abs=1e-6)
    with pytest.raises(OutOfRange) as refused:
        corner_balance(WEIGHTS, RATES, 1.4, 1.38, 0.99)
    assert refused.value.key == "target_cross"


def test_sag_from_lifted_and_pressed_readings():
    found = sag(0.604, [0.591, 0.584], [0.560, 0.551], 0.130)
    assert found == pytest.approx((0.0165, 0.0485, 0.0165 / 0.13, 0.0485 / 0.13, 0.0035, 0.0045))
    for key, readings in (
        ("bike_only", (0.6, 0.61, 0.5)),
        ("with_rider", (0.6, 0.55, 0.56)),
        ("travel", (0.6, 0.58, 0.45)),
    ):
        with pytest.raises(OutOfRange) as refused:
            sag(*readings, 0.13)
        assert refused.value.key == key


@given(
    st.floats(300, 1500), st.floats(200, 1200), st.floats(0.4, 1), st.floats(0.02, 0.05), st.floats(0.001, 0.018)
)
def test_a_spring_from_sags_gives_the_sags_back(bike, rider, ratio, loaded, free):
    found = sag_spring(bike, rider, ratio, loaded, free)
    stand = lambda load: (load / (ratio * found.spring_rate) - found.preload) / ratio  # noqa: E731 - balance solved for travel
    assert stand(bike) == pytest.approx(free, abs=1e-12)
    assert stand(bike + rider) == pytest.approx(loaded, abs=1e-12)


@pytest.mark.parametrize(
    ("rider", "free", "verdict"),
    [
        (0.048, 0.01, "preload first"),
        (0.035, 0.003, "too soft"),
        (0.035, 0.016, "too stiff"),
        (0.035, 0.01, "fits"),
    ],
)
def test_verdicts(rider, free, verdict):
    assert sag_diagnosis(rider, free, [0.03, 0.04], [0.005, 0.015]).verdict == verdict


def test_a_fork_is_felt_along_its_rake():
    rake, leg, z, h = math.radians(25.5), 8e3, 0.03, 1e-6
    energy = lambda s: 2 * 0.5 * leg * (s / math.cos(rake)) ** 2  # noqa: E731 - travel along the tube
    numeric = (energy(z + h) - 2 * energy(z) + energy(z - h)) / h**2
    assert fork_wheel_rate(leg, rake) == pytest.approx(numeric, rel=1e-3)


def test_steering_geometry_from_points_in_the_plane():
    radius, rake, offset = 0.300, math.radians(25.5), 0.036
    # steering axis through a point `offset` from the wheel centre, at the rake; where it meets the floor
    axis = np.array([math.sin(rake), -math.cos(rake)])  # down and forward
    start = np.array([-offset * math.cos(rake), radius - offset * math.sin(rake)])
    meets = start + axis * (start[1] / -axis[1])
    assert trail(radius, rake, offset) == pytest.approx(meets[0])
    assert math.degrees(lean_clearance(0.3, 0.345)) == pytest.approx(math.degrees(math.atan2(0.3, 0.345)))
    with collecting_notes() as notes:
        # the inner end goes down 25 mm, the outer stays: an arm 8 mm down outside now points up by 17
        assert 0.35 * math.sin(arm_angle(math.asin(-0.008 / 0.35), 0.35, -0.025)) == pytest.approx(0.017)
    assert "points up" in notes[0]


def test_hop_damping_and_toe():
    assert hop_frequency(31e3, 205e3, 28) == pytest.approx(math.sqrt(236e3 / 28) / 2 / math.pi)
    c = damping_for_ratio(0.35, 0.94, 31104, 174)
    assert damping_ratio(c, 0.94, 31104, 174) == pytest.approx(0.35)
    # the same damping ratio after the change of rate, by the factor
    assert damping_ratio(c * rescale_damping(31104, 40000), 0.94, 40000, 174) == pytest.approx(0.35)
    assert math.sin(toe_angle(0.001, 0.38)) == pytest.approx(1 / 380)
    assert scrub(toe_angle(0.001, 0.38)) == pytest.approx(1000 / 380)
    with pytest.raises(OutOfRange) as refused:
        toe_angle(0.5, 0.38)
    assert refused.value.key == "toe"
