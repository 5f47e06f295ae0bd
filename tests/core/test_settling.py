"""Settling against a general minimiser; thrust line and steering by rolling a plan view; tie rods and camber by geometry."""

import random
from math import asin, atan, cos, degrees, exp, hypot, log, pi, radians, sin, tan

import numpy as np
import pytest
from scipy.optimize import minimize

from feder.calc.answer import answer
from feder.calc.refusal import CalcError

KM = 1e3


def results(name, **inputs):
    return {k: v["value"] for k, v in answer(name, inputs)["results"].items()}


def misfit(x, points, scatter):
    end, amount, ln = x
    told = sum((h - end - amount * exp(-d / exp(ln))) ** 2 for d, h in points) / scatter**2
    return told + (amount / 0.010) ** 2 + ((ln - log(300 * KM)) / log(2)) ** 2


def brute(points, scatter):
    """The lowest of many starts, and the Hessian there by differences."""
    best = None
    for ln in np.linspace(log(5 * KM), log(20_000 * KM), 12):
        for amount in (-0.006, 0.002, 0.012):
            found = minimize(
                misfit,
                (points[-1][1], amount, ln),
                (points, scatter),
                "Nelder-Mead",
                options={"xatol": 1e-9, "fatol": 1e-12, "maxiter": 4000, "maxfev": 8000},
            )
            if best is None or found.fun < best.fun - 1e-9:
                best = found
    x, steps = best.x, (2e-5, 2e-5, 1e-3)
    hessian = np.empty((3, 3))
    for i in range(3):
        for j in range(3):

            def at(a, b, i=i, j=j):
                moved = x.copy()
                moved[i] += a * steps[i]
                moved[j] += b * steps[j]
                return misfit(moved, points, scatter) / 2

            hessian[i, j] = (at(1, 1) - at(1, -1) - at(-1, 1) + at(-1, -1)) / (4 * steps[i] * steps[j])
    return x, np.sqrt(np.linalg.inv(hessian)[0, 0])


@pytest.mark.parametrize("seed", range(8))
def test_settling_finds_the_most_likely_end_and_how_sure_it_is(seed):
    dice = random.Random(seed)
    end, amount, constant, scatter = (
        0.352,
        dice.uniform(-0.004, 0.014),
        dice.uniform(80, 900) * KM,
        dice.choice((0.0008, 0.0015)),
    )
    distances = sorted(dice.uniform(0, 1200) * KM for _ in range(dice.randrange(1, 8)))
    points = [(d, end + amount * exp(-d / constant) + dice.gauss(0, scatter)) for d in distances]
    told = results("settling", points=[list(p) for p in points], scatter=scatter)
    (wanted, a, ln), error = brute(points, scatter)
    assert (
        misfit(
            (
                told["settled_height"],
                told["remaining"] * exp(points[-1][0] / told["distance_constant"]),
                log(told["distance_constant"]),
            ),
            points,
            scatter,
        )
        <= misfit((wanted, a, ln), points, scatter) + 1e-6
    )
    assert told["settled_height"] == pytest.approx(wanted, abs=2e-6)
    assert told["remaining"] == pytest.approx(a * exp(-points[-1][0] / exp(ln)), abs=3e-6)
    assert told["standard_error"] == pytest.approx(error, rel=0.02)


def test_one_reading_is_where_it_stands_give_or_take_what_springs_do():
    told = results("settling", points=[[0, 0.36]])
    assert told["settled_height"] == pytest.approx(0.36, abs=1e-9)
    assert told["remaining"] == pytest.approx(0, abs=1e-9)
    # end and amount are only told by their sum: 1.5 mm of the tape and 10 mm beforehand
    assert told["standard_error"] == pytest.approx(hypot(0.0015, 0.010), rel=1e-6)


def test_distances_before_fitting_are_refused():
    with pytest.raises(CalcError) as refused:
        answer("settling", {"points": [[-5, 0.36], [100, 0.35]]})
    assert refused.value.key == "points"


def rolled(left, right):
    """Direction of an axle whose two wheels roll with equal slip, right positive; toe-in turns each wheel inwards."""
    ways = [(sin(left), cos(left)), (sin(-right), cos(right))]
    x, y = (sum(w[i] for w in ways) for i in (0, 1))
    return atan(x / y)


@pytest.mark.parametrize("toes", [(0.004, -0.001), (0.0, 0.003), (-0.002, -0.002)])
def test_the_rear_axle_drives_where_its_wheels_point(toes):
    assert results("thrust_angle", left_toe=toes[0], right_toe=toes[1])["angle"] == pytest.approx(
        rolled(*toes), abs=1e-9
    )


@pytest.mark.parametrize(
    "toes", [(0.003, 0.001, 0.004, -0.001), (0.0, 0.002, 0.0, 0.0), (0.001, 0.001, -0.002, 0.001)]
)
def test_running_straight_the_front_wheels_share_their_toe_about_the_thrust_line(toes):
    fl, fr, rl, rr = toes
    told = results(
        "steering_offset",
        front_left_toe=fl,
        front_right_toe=fr,
        rear_left_toe=rl,
        rear_right_toe=rr,
        steering_ratio=16.0,
    )
    # steered by s to the right the left wheel points fl + s, the right one s - fr: equal slip about the thrust line
    steer = told["angle"]
    assert (fl + steer + steer - fr) / 2 == pytest.approx(rolled(rl, rr), abs=1e-9)
    assert told["wheel_angle"] == pytest.approx(16 * steer)
    assert "wheel_angle" not in results(
        "steering_offset", front_left_toe=fl, front_right_toe=fr, rear_left_toe=rl, rear_right_toe=rr
    )


def test_a_tie_rod_is_as_much_longer_as_the_end_of_its_arm_moves():
    arm, lead, change = 0.115, 0.0015, radians(0.4)
    moved = hypot(arm * sin(change), arm * (1 - cos(change))) * cos(change / 2)
    told = results("tie_rod_turns", toe_change=f"{degrees(change)} deg", steering_arm="115 mm", lead="1.5 mm")
    assert told["turns"] == pytest.approx(moved / lead, rel=1e-9)
    back = results("tie_rod_turns", toe_change=f"{-degrees(change)} deg", steering_arm="115 mm", lead="1.5 mm")
    assert back["turns"] == pytest.approx(-told["turns"])


def test_camber_by_a_shift_of_the_mount():
    shift = results("camber_shift", camber_change="-1 deg", distance="560 mm")["shift"]
    assert atan(shift / 0.560) == pytest.approx(radians(-1))
    assert shift == pytest.approx(-0.560 * tan(pi / 180))
    assert asin(1) > shift


def test_corner_balance_takes_one_lead_or_four():
    asked = {
        "weights": [3000, 2900, 2100, 2050], "wheel_rates": [30e3, 30e3, 26e3, 26e3],
        "front_track": "1.4 m", "rear_track": "1.38 m", "target_cross": 0.5,
    }  # fmt: skip
    one = results("corner_balance", **asked, thread_pitch="2 mm")
    four = results("corner_balance", **asked, thread_pitch=["2 mm", "1.5 mm", "1 mm", "2.5 mm"])
    for corner, lead in (("front_left", 2), ("front_right", 1.5), ("rear_left", 1), ("rear_right", 2.5)):
        assert four[f"turns_{corner}"] == pytest.approx(four[f"collar_{corner}"] * 1e3 / lead)
        assert one[f"turns_{corner}"] == pytest.approx(one[f"collar_{corner}"] * 1e3 / 2)
    with pytest.raises(CalcError) as refused:
        answer("corner_balance", {**asked, "thread_pitch": ["2 mm", "1 mm"]})
    assert refused.value.key == "thread_pitch"
