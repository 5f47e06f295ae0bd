"""Force tables, ratio curves and corners: forces from energy, rates from forces, shapes kept."""

import itertools
import math

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.integrate import quad
from scipy.optimize import brentq

from feder.core.formulas.air import air_spring
from feder.core.formulas.dual_rate import dual_rate
from feder.core.numbers.errors import NoEquilibrium, OutOfRange
from feder.core.solvers.arm_curve import ArmCurve
from feder.core.solvers.corner import corner_equilibrium
from feder.core.solvers.curve import CornerCurve, LinearCorner, Mounted
from feder.core.solvers.equilibrium import Support, vehicle_equilibrium
from feder.core.solvers.force_table import (
    dual_rate_table,
    friction_band,
    gas_table,
    linear_table,
    sampled_table,
    side_by_side,
    stop_table,
    table_from,
)
from feder.core.solvers.ratio import constant_ratio, ratio_from_leverage, ratio_from_sweep

rising = st.lists(st.tuples(st.floats(1e-3, 0.02), st.floats(0, 2000)), min_size=2, max_size=12).map(
    lambda steps: [(float(x), float(f)) for x, f in np.cumsum([(0.0, 0.0), *steps], axis=0)]
)


@given(rising)
def test_a_table_goes_through_its_points_and_never_falls_between_them(points):
    table = table_from(points)
    for x, f in points:
        assert table.force(x) == pytest.approx(f, abs=1e-6)
    xs = np.linspace(points[0][0] - 0.01, points[-1][0] + 0.01, 200)
    forces = [table.force(x) for x in xs]
    assert all(b >= a - 1e-6 * max(1, abs(a)) for a, b in itertools.pairwise(forces))


@given(rising, st.floats(0.05, 0.95))
def test_its_rate_is_the_derivative_of_its_force(points, part):
    table = table_from(points)
    x = points[0][0] + part * (points[-1][0] - points[0][0])
    h = 1e-7
    assume(min(abs(x - at) for at, _ in points) > 10 * h)  # at a kink there is no one derivative
    numeric = (table.force(x + h) - table.force(x - h)) / (2 * h)
    assert table.rate(x) == pytest.approx(numeric, rel=1e-3, abs=50)
    assert (
        table.deflection(table.force(x), points[0][0], points[-1][0]) == pytest.approx(x, abs=1e-3)
        or table.rate(x) < 1e3
    )


def test_every_kind_of_spring_becomes_a_table():
    assert linear_table(40e3, 0.2).force(0.05) == pytest.approx(2000)
    assert linear_table(40e3, 0.2).force(-0.05) == 0
    pair = dual_rate(60e3, 20e3, 0.02)
    table = dual_rate_table(60e3, 20e3, 0.02, 0.2)
    assert table.force(pair.crossover_deflection) == pytest.approx(pair.crossover_force)
    assert table.rate(0.005) == pytest.approx(pair.soft_rate)
    assert table.rate(0.1) == pytest.approx(pair.stiff_rate)
    assert gas_table(300, 0.2).force(0.1) == 300
    assert gas_table(300, 0.2).rate(0.1) == 0
    stop = stop_table([(0.0, 0.0), (0.01, 300.0), (0.02, 1500.0)])
    assert stop.force(-0.01) == 0
    assert stop.force(0.01) == pytest.approx(300)
    law = lambda x: air_spring(8e5, 9e-4, 2.2e-4, x, 1.3).force  # noqa: E731
    air = sampled_table(law, 0, 0.15)
    assert air.force(0.0837) == pytest.approx(law(0.0837), rel=1e-4)
    assert friction_band(table, 50, 0.01) == pytest.approx((table.force(0.01) - 50, table.force(0.01) + 50))


@pytest.mark.parametrize("points", [[(0, 0)], [(0, 0), (0, 1)], [(0, 5), (1, 4)], [(0, 0), (1, math.nan)]])
def test_what_is_no_force_table_is_refused(points):
    with pytest.raises(OutOfRange) as refused:
        table_from(points)
    assert refused.value.key == "points"


def test_a_sweep_gives_back_the_linkage_it_was_read_from_and_its_residual():
    true = lambda z: 0.52 * z + 0.9 * z**2 - 1.5 * z**3  # noqa: E731
    zs = np.linspace(-0.06, 0.08, 9)
    curve = ratio_from_sweep([(z, true(z)) for z in zs])
    for z in (-0.05, 0.0, 0.04):
        assert curve.ratio(z) == pytest.approx(0.52 + 1.8 * z - 4.5 * z**2)
        assert curve.slope(z) == pytest.approx(1.8 - 9 * z)
        assert curve.spring_travel(z) == pytest.approx(true(z))
        assert curve.shifted(0.02).ratio(z - 0.02) == pytest.approx(curve.ratio(z))
    noisy = [(z, true(z) + (5e-4 if i == 4 else 0)) for i, z in enumerate(zs)]
    assert 2e-4 < ratio_from_sweep(noisy).residual < 5e-4
    with pytest.raises(OutOfRange):
        ratio_from_sweep([(0, 0), (0.05, -0.02)])


def test_the_integral_of_a_leverage_curve_is_the_shocks_travel():
    points = [(0.0, 2.9), (0.05, 2.7), (0.10, 2.45), (0.15, 2.25)]
    curve = ratio_from_leverage(points)
    for z, leverage in points:
        assert 1 / curve.ratio(z) == pytest.approx(leverage, rel=1e-6)
    assert curve.spring_travel(0.15) == pytest.approx(quad(curve.ratio, 0, 0.15)[0])
    with pytest.raises(OutOfRange):
        ratio_from_leverage([(0, 2), (0.1, 0)])


LINKAGE = ratio_from_sweep([(z, 0.45 * z + 0.6 * z**2) for z in np.linspace(-0.1, 0.1, 7)])
CORNER = CornerCurve(
    (
        Mounted(table_from([(-0.1, 0), (0, 0), (0.02, 900), (0.05, 3000), (0.09, 8000)]), LINKAGE, 0.035),
        Mounted(gas_table(250, 0.3), constant_ratio(0.5), 0.0),
        Mounted(stop_table([(0, 0), (0.01, 400), (0.02, 2500)]), constant_ratio(0.9), -0.03),
    ),
    droop=-0.08,
    solid=0.09,
)


@given(st.floats(-0.07, 0.08))
def test_a_corners_force_is_the_derivative_of_its_energy_and_its_stiffness_of_its_force(z):
    def energy(travel):
        total = 0.0
        for part in CORNER.parts:
            total += quad(
                part.table.force, -0.2, part.deflection(travel), limit=400, points=[-0.01, 0, 0.02, 0.05]
            )[0]
        return total

    h = 1e-5
    assert CORNER.force(z) == pytest.approx((energy(z + h) - energy(z - h)) / (2 * h), rel=2e-3, abs=1)
    h = 1e-7
    assert CORNER.stiffness(z) == pytest.approx(
        (CORNER.force(z + h) - CORNER.force(z - h)) / (2 * h), rel=1e-2, abs=2e3
    )


@given(st.floats(-0.06, 0.06), st.floats(-0.3, 0.6), st.floats(0.25, 0.5))
def test_a_wheel_on_a_bar_pushes_as_its_energy_says(z, angle, arm):
    """Twist energy of bar, and of a stop at its own ratio; force its derivative, stiffness the force's."""
    stop = Mounted(stop_table([(0, 0), (0.01, 400), (0.02, 2500)]), constant_ratio(0.8), -0.03)
    curve = ArmCurve(2000.0, arm, angle + 0.35, math.sin(angle), (stop,))

    def energy(travel):
        twist = angle + 0.35 - math.asin(math.sin(angle) - travel / arm)
        pressed = stop.deflection(travel)
        return 0.5 * 2000.0 * twist**2 + quad(stop.table.force, -0.2, pressed, points=[0, 0.01], limit=200)[0]

    h = 1e-5
    assert curve.force(z) == pytest.approx((energy(z + h) - energy(z - h)) / (2 * h), rel=1e-3, abs=0.5)
    h = 1e-7
    slope = (curve.force(z + h) - curve.force(z - h)) / (2 * h)
    assert curve.stiffness(z) == pytest.approx(slope, rel=1e-2, abs=2e3)


@given(rising, rising, st.floats(-0.05, 0.3), st.floats(-0.03, 0.03), st.sampled_from([1.0, 2.0]))
def test_elements_side_by_side_add_and_a_shorter_one_comes_late(first, second, at, late, count):
    a, b = table_from(first), table_from(second)
    both = side_by_side(a.scaled(count), b.shifted(-late))
    assert both.force(at) == pytest.approx(count * a.force(at) + b.force(at - late), rel=1e-9, abs=1e-6)


@given(st.floats(300, 3500))
def test_a_corner_stands_where_it_carries_its_load(load):
    found = corner_equilibrium(CORNER, load, -0.1, 0.1)
    if found.topped_out:
        assert CORNER.force(found.travel) >= load
    else:
        assert found.travel == pytest.approx(brentq(lambda z: CORNER.force(z) - load, -0.0799, 0.1), abs=1e-9)
        assert abs(found.residual) <= 1e-9 * load or found.on_limit
    more = corner_equilibrium(CORNER, load + 200, -0.1, 0.1)
    assert more.travel >= found.travel


def test_a_corner_says_when_it_is_topped_out_on_its_limit_or_cannot_carry():
    assert corner_equilibrium(CORNER, 50, -0.1, 0.1).topped_out
    assert corner_equilibrium(CORNER, 60e3, -0.1, 0.1).on_limit
    with pytest.raises(NoEquilibrium):
        corner_equilibrium(LinearCorner(1e3, 1, 0), 5e3, -0.1, 0.1)


def test_the_whole_vehicle_balances_on_force_tables_as_it_does_on_linear_springs():
    loads, x, y = (2687.0, 2589.0, 1755.0, 1657.0), (0, 0, 2.44, 2.44), (-0.7, 0.7, -0.69, 0.69)
    rates, ratios, more = (40e3, 40e3, 60e3, 60e3), (0.96, 0.96, 0.72, 0.72), (0.01, 0, 0, 0.004)

    def stand(make):
        return vehicle_equilibrium(
            [
                Support(*at, curve=make(k, r, w / (k * r) + e))
                for *at, k, r, e, w in zip(x, y, loads, rates, ratios, more, loads, strict=True)
            ]
        )

    by_table = stand(lambda k, r, c: CornerCurve((Mounted(linear_table(k, 0.5), constant_ratio(r), c),)))
    linear = stand(lambda k, r, c: LinearCorner(k, r, c))
    assert by_table.drop == pytest.approx(linear.drop, abs=1e-9)
