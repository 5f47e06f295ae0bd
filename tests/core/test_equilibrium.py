"""The balance of the vehicle against an independent minimisation, closed solutions and the laws of statics."""

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.optimize import minimize

from feder.core.numbers.errors import NoEquilibrium
from feder.core.solvers.curve import LinearCorner
from feder.core.solvers.equilibrium import Axle, Support, Weight, vehicle_equilibrium

X, Y = (0.0, 0.0, 2.44, 2.44), (-0.70, 0.70, -0.69, 0.69)
LOADS = (2687.0, 2589.0, 1755.0, 1657.0)
RATES = (36864.0, 36864.0, 31104.0, 31104.0)


def car(extra=(0.0, 0.0, 0.0, 0.0), tyre=None, rates=RATES):
    """Corners whose springs are pressed further by `extra` at the found height."""
    return [
        Support(x, y, w, LinearCorner(k, 1.0, w / k + e), tyre_rate=tyre)
        for x, y, w, k, e in zip(X, Y, LOADS, rates, extra, strict=True)
    ]


def warp():
    """The one load pattern that neither lifts, pitches nor rolls."""
    return np.array([-1 / 1.40, 1 / 1.40, 1 / 1.38, -1 / 1.38])


def test_one_perch_up_ten_lifts_its_corner_by_less_and_loads_the_diagonal():
    stood = vehicle_equilibrium(car(extra=(0.010, 0, 0, 0)))
    # closed solution for small moves on rigid tyres: the load change is s·n with s = u·n / sum(n^2/k)
    n, k = warp(), np.array(RATES)
    s = n[0] * 0.010 / np.sum(n**2 / k)
    assert np.array(stood.load) - LOADS == pytest.approx(s * n, abs=0.05)
    lifts = -np.array(stood.drop) * 1e3
    assert lifts == pytest.approx([7.75, 2.25, 2.71, -2.71], abs=0.01)


@given(
    st.lists(st.floats(-0.02, 0.03), min_size=4, max_size=4),
    st.lists(st.floats(1.5e4, 6e4), min_size=4, max_size=4),
    st.sampled_from([None, 2e5]),
)
def test_the_state_is_the_least_energy(extra, rates, tyre):
    try:
        stood = vehicle_equilibrium(car(extra, tyre, rates))
    except NoEquilibrium:
        assume(False)
    stiff = tyre or 1e9
    shape = np.stack([np.ones(4), np.array(X), np.array(Y)], axis=1)
    found, k = np.array(LOADS), np.array(rates)
    pressed = found / k + np.array(extra)

    def energy(q):
        d, z = shape @ q[:3], q[3:]
        spring = 0.5 * k * np.maximum(0, pressed + z) ** 2
        return float(np.sum(spring + 0.5 * stiff * (d - z) ** 2 + found * (d - z) - found * d))

    if tyre is None:  # rigid: the wheel follows the body
        best = minimize(
            lambda q: energy(np.concatenate([q, shape @ q])), np.zeros(3), method="BFGS", options={"gtol": 1e-9}
        )
        drop = shape @ best.x
    else:
        best = minimize(energy, np.zeros(7), method="BFGS", options={"gtol": 1e-9})
        drop = shape @ best.x[:3]
    assert np.array(stood.drop) == pytest.approx(drop, abs=2e-5)


@given(st.floats(0, 3000), st.floats(-0.5, 3.0), st.floats(-0.6, 0.6), st.sampled_from([None, 2.2e5]))
def test_forces_and_moments_balance_and_more_load_means_a_lower_body(force, x, y, tyre):
    try:
        stood = vehicle_equilibrium(car(tyre=tyre), [Weight(force, x, y)])
    except NoEquilibrium:
        assume(False)
    change = np.array(stood.load) - LOADS
    total = sum(LOADS) + force
    assert change.sum() == pytest.approx(force, abs=1e-6 * total)
    assert change @ np.array(X) == pytest.approx(force * x, abs=1e-5 * total)
    assert change @ np.array(Y) == pytest.approx(force * y, abs=1e-5 * total)
    assert stood.residual <= 1e-9 * total
    assert np.mean(stood.drop) >= -1e-9


def test_asked_heights_are_held_and_their_twist_goes_into_the_tyres():
    asked = (0.022, 0.020, 0.016, 0.016)  # rear right 2 mm off the plane
    stood = vehicle_equilibrium(
        [Support(x, y, w, held=h, tyre_rate=2e5) for x, y, w, h in zip(X, Y, LOADS, asked, strict=True)]
    )
    assert stood.travel == asked
    change = np.array(stood.load) - LOADS
    # only the warp pattern can appear, in proportion
    assert change / warp() == pytest.approx([change[0] / warp()[0]] * 4)
    # and the tyres' squash makes up the 2 mm (closed solution: s = twist / sum(n^2/k), twist = n·asked)
    assert change[0] / warp()[0] == pytest.approx(-(warp() @ asked) / np.sum(warp() ** 2 / 2e5))


def test_on_rigid_tyres_four_heights_off_one_plane_are_told_and_leave_the_loads():
    asked = (0.022, 0.020, 0.016, 0.022)
    stood = vehicle_equilibrium([Support(x, y, w, held=h) for x, y, w, h in zip(X, Y, LOADS, asked, strict=True)])
    assert stood.load == pytest.approx(LOADS)
    assert 0.001 < stood.twist < 0.003


def test_a_topped_out_corner_stays_at_its_droop_and_a_solid_one_at_its_stop():
    hard = [
        Support(x, y, w, LinearCorner(k, 1.0, w / k + e, droop=-0.03, solid=0.02))
        for x, y, w, k, e in zip(X, Y, LOADS, RATES, (0.08, 0.08, -0.05, -0.05), strict=True)
    ]
    stood = vehicle_equilibrium(hard)
    assert stood.travel[0] == pytest.approx(-0.03, abs=2e-4)
    assert stood.travel[2] == pytest.approx(0.02, abs=2e-4)


def test_heights_that_would_lift_a_wheel_are_refused():
    with pytest.raises(NoEquilibrium):
        vehicle_equilibrium(
            [
                Support(x, y, w, held=h, tyre_rate=2e5)
                for x, y, w, h in zip(X, Y, LOADS, (0.1, 0, 0, 0.1), strict=True)
            ]
        )


@given(st.floats(0, 4e4), st.floats(0.4, 1.0), st.lists(st.floats(-0.015, 0.02), min_size=4, max_size=4))
def test_bars_and_a_live_axle_balance_at_the_least_energy(bar, base, extra):
    axles = [Axle(0, 1, bar_rate=bar), Axle(2, 3, base_ratio=base)]
    try:
        stood = vehicle_equilibrium(car(extra, 2e5), (), axles)
    except NoEquilibrium:
        assume(False)
    shape = np.stack([np.ones(4), np.array(X), np.array(Y)], axis=1)
    found, k = np.array(LOADS), np.array(RATES)
    pressed = found / k + np.array(extra)

    def energy(q):
        d, z = shape @ q[:3], q[3:]
        heave, roll = (z[2] + z[3]) / 2, (z[3] - z[2]) / 2  # the axle; its springs feel roll by the base ratio
        springs = np.array([z[0], z[1], heave - base * roll, heave + base * roll])
        total = np.sum(0.5 * k * np.maximum(0, pressed + springs) ** 2) + 0.5 * bar * (z[0] - z[1]) ** 2
        return float(total + np.sum(0.5 * 2e5 * (d - z) ** 2 + found * (d - z) - found * d))

    best = minimize(energy, np.zeros(7), method="BFGS", options={"gtol": 1e-8})
    assert np.array(stood.drop) == pytest.approx(shape @ best.x[:3], abs=3e-5)
    assert np.array(stood.travel) == pytest.approx(best.x[3:], abs=3e-5)


def test_a_bar_takes_its_part_of_a_twist_and_the_springs_the_rest():
    axles = [Axle(0, 1, bar_rate=2e4)]
    asked = (0.024, 0.020, 0.020, 0.020)
    supports = [Support(x, y, w, held=h, tyre_rate=2e5) for x, y, w, h in zip(X, Y, LOADS, asked, strict=True)]
    stood = vehicle_equilibrium(supports, (), axles)
    assert stood.load[0] - stood.spring_load[0] == pytest.approx(2e4 * 0.004)
    assert stood.load[1] - stood.spring_load[1] == pytest.approx(-2e4 * 0.004)


def test_a_live_axle_is_asked_for_as_one():
    mixed = [*car()[:3], Support(X[3], Y[3], LOADS[3], held=0.01)]
    with pytest.raises(NoEquilibrium, match="both heights"):
        vehicle_equilibrium(mixed, (), [Axle(2, 3, base_ratio=0.7)])


def test_a_spring_that_is_loose_leaves_its_wheel_with_nothing_and_the_vehicle_stands_on_the_other_three():
    """No droop limit; three springs carry a body whose weight lies between them, the fourth has 50 mm of air."""
    places = ((0.0, -0.7), (0.0, 0.7), (2.5, -0.7), (2.5, 0.7))
    loads = (3000.0, 1000.0, 1000.0, 10.0)
    supports = [
        Support(x, y, load, LinearCorner(30e3, 1.0, load / 30e3 if i < 3 else -0.05))
        for i, ((x, y), load) in enumerate(zip(places, loads, strict=True))
    ]
    found = vehicle_equilibrium(supports)
    assert found.load[3] == pytest.approx(0.0, abs=1e-2)
    assert sum(found.load) == pytest.approx(sum(loads), abs=1e-3)
    moment = sum(f * x for f, (x, _) in zip(found.load, places, strict=True))
    assert moment == pytest.approx(2.5 * 1010.0, abs=1e-2)
