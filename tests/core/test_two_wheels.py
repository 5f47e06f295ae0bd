"""Reports of motorcycles and bicycles: fork, twin shocks, linkage and air, against balances worked out apart."""

from math import cos, pi, radians, sqrt

import pytest
from scipy.integrate import quad
from scipy.optimize import brentq

from feder.core.benches.acts import TakeSags
from feder.core.document.base import RateValue
from feder.core.document.setup import SpringPart
from feder.core.document.vehicle import GasCharge, Mount, RatioFromLevers, RatioTyped
from feder.core.numbers.working import Given, trail
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from tests.changes import applied, with_end, with_side
from tests.documents import AIR, FORK_SPRING, LEVERAGE, SHOCK_SPRING, end_of, roadster

G = 9.80665
FRONT, REAR = 79 * G, 80 * G
RIDER = 80 * G
REAR_SHARE = 0.8 / 1.43


def test_a_fork_slides_along_its_rake_and_both_legs_carry():
    bike = roadster()
    free, loaded = evaluate(bike, "found").corners["front"], evaluate(bike, "found", "rider").corners["front"]
    rate = 2 * 8500 / cos(radians(25)) ** 2
    assert free.wheel_rate.value == pytest.approx(rate)
    assert free.frequency.value == pytest.approx(sqrt(rate / 79) / 2 / pi)
    assert free.wheel_rate.value > 1.2 * 2 * 8500  # the constant-ratio answer is a fifth too low
    assert free.sag.value == pytest.approx(0.022)
    assert free.sag_fraction.value == pytest.approx(0.022 / 0.120)
    assert loaded.sag.value - free.sag.value == pytest.approx(RIDER * (1 - REAR_SHARE) / rate, rel=1e-6)
    # compression at full extension: what carries the bike, less the tube's travel to its sag
    assert free.held_at_droop.value == pytest.approx(
        FRONT * cos(radians(25)) / 17e3 - 0.022 / cos(radians(25)), abs=1e-9
    )
    damping = 2 * 450 / cos(radians(25)) ** 2 / (2 * sqrt(rate * 79))
    assert free.damping_ratio.value == pytest.approx(damping)


def test_legs_with_different_springs_add_and_a_shorter_one_carries_later():
    soft = SpringPart(code="soft", rate=RateValue(value=6000), free_length=0.300)
    bike = with_side(roadster(), "found", "front", second_spring=soft)
    assert evaluate(bike, "found").corners["front"].wheel_rate.value == pytest.approx(
        14500 / cos(radians(25)) ** 2
    )
    short = soft.model_copy(update={"free_length": 0.280})
    corner = evaluate(with_side(bike, "found", "front", second_spring=short), "found").corners["front"]
    force, rest = FRONT * cos(radians(25)), lambda x: 8500 * x + 6000 * max(0.0, x - 0.020)
    pressed = brentq(lambda x: rest(x) - force, 0, 0.2)
    assert 0.300 - corner.spring_length.value == pytest.approx(pressed, abs=1e-9)
    assert corner.spring_rate.value == pytest.approx(14500)


@pytest.mark.parametrize(("first", "second"), [(None, None), (0.300, None), (None, 0.300), (None, 0.280)])
def test_legs_with_different_springs_of_untold_length_are_taken_alike_and_marked(first, second):
    bike = roadster()
    main = bike.setups[0].sides.front.spring.but(free_length=first)
    soft = SpringPart(code="soft", rate=RateValue(value=6000), free_length=second)
    for setup in ("found", "plan"):
        bike = with_side(bike, setup, "front", spring=main, second_spring=soft)
        wheel_rate = evaluate(bike, setup).corners["front"].wheel_rate
        assert wheel_rate.value == pytest.approx(14500 / cos(radians(25)) ** 2)
        assert wheel_rate.assumed
    told = main.but(free_length=0.300)
    both = with_side(bike, "found", "front", spring=told, second_spring=soft.but(free_length=0.300))
    assert not evaluate(both, "found").corners["front"].wheel_rate.assumed


def ratio(z):
    import numpy as np

    fit = np.polynomial.Polynomial.fit([p for p, _ in LEVERAGE], [1 / v for _, v in LEVERAGE], 3)
    return float(fit(z))


def shock_travel(z):
    return quad(ratio, 0, z)[0]


def test_a_linkage_stiffens_by_its_leverage_and_sag_follows_from_virtual_work():
    bike = roadster()
    free, loaded = evaluate(bike, "found").corners["rear"], evaluate(bike, "found", "rider").corners["rear"]
    preload = REAR / ratio(0.012) / 95e3 - shock_travel(0.012)
    assert free.held_at_droop.value == pytest.approx(preload, abs=2e-6)
    carry = lambda z: 95e3 * (preload + shock_travel(z)) * ratio(z)  # noqa: E731
    sag = brentq(lambda z: carry(z) - REAR - RIDER * REAR_SHARE, 0, 0.12)
    assert loaded.sag.value == pytest.approx(sag, abs=2e-6)
    e = 1e-5
    slope = (carry(sag + e) - carry(sag - e)) / (2 * e)
    assert loaded.wheel_rate.value == pytest.approx(slope, rel=1e-4)
    assert abs(loaded.wheel_rate.value / (95e3 * ratio(0.0) ** 2) - 1) > 0.1  # not the constant-ratio answer
    leaves = [n.step.path for n in trail(loaded.wheel_rate.value) if isinstance(n.step, Given)]
    assert "vehicle.ends.rear.spring.ratio.points" in leaves


def test_a_gas_charge_behind_a_linkage_carries_part_and_adds_its_geometric_rate():
    plain = roadster()
    gas = with_end(plain, "rear", gas=GasCharge(pressure=12e5, rod_diameter=0.014))
    push = 12e5 * pi * 0.014**2 / 4
    was, now = (evaluate(b, "found").corners["rear"] for b in (plain, gas))
    assert was.spring_force.value - now.spring_force.value == pytest.approx(push, rel=1e-6)
    # same height, same load: the same force at the shock, so the geometric part of the rate stays in all
    assert now.wheel_rate.value == pytest.approx(was.wheel_rate.value, rel=1e-6)
    assert now.push.value == pytest.approx(push * ratio(0.012), rel=1e-5)
    loaded = evaluate(gas, "found", "rider").corners["rear"]
    held = (REAR / ratio(0.012) - push) / 95e3 - shock_travel(0.012)
    carry = lambda z: (95e3 * (held + shock_travel(z)) + push) * ratio(z)  # noqa: E731
    sag = brentq(lambda z: carry(z) - REAR - RIDER * REAR_SHARE, 0, 0.12)
    assert loaded.sag.value == pytest.approx(sag, abs=2e-6)


def test_twin_shocks_count_twice_through_their_levers():
    twin = end_of(roadster(), "rear").model_copy(
        update={
            "layout": "twin shock",
            "spring": Mount(
                ratio=RatioFromLevers(spring_distance=0.36, wheel_distance=0.42, spring_angle=radians(20))
            ),
        }
    )
    spring = SHOCK_SPRING.model_copy(update={"rate": RateValue(value=14e3)})
    bike = roadster(rear=twin, shock=spring)
    corner = evaluate(bike, "found").corners["rear"]
    levers = 0.36 / 0.42 * cos(radians(20))
    assert corner.wheel_rate.value == pytest.approx(2 * 14e3 * levers**2)
    loaded = evaluate(bike, "found", "rider").corners["rear"]
    assert loaded.sag.value - corner.sag.value == pytest.approx(RIDER * REAR_SHARE / (28e3 * levers**2), rel=1e-6)


def chamber_work(pressure, x):
    """Force of both chambers from their energies, isothermal, by differences."""
    from math import log

    atm, area, v = 101325.0, 1.2e-3, 1.6e-4 - 2 * 1.2e-5
    area_n, v_n, port = 1.0e-3, 3.0e-5, 0.004
    p_port = (pressure + atm) * v / (v - area * port)
    p_n = p_port * (v_n + area_n * port) / v_n

    def energy(s):
        main = -(pressure + atm) * v * log((v - area * s) / v) - atm * area * s
        negative = -p_n * v_n * log((v_n + area_n * s) / v_n) + atm * area_n * s
        return main + negative

    e = 1e-6
    return (energy(x + e) - energy(x - e)) / (2 * e)


def test_an_air_shock_answers_with_the_pressure_for_the_sag_and_back():
    bike = roadster(shock=AIR)
    corner = evaluate(bike, "found").corners["rear"]
    stroke = shock_travel(0.012)
    assert corner.stroke.value == pytest.approx(stroke, abs=1e-6)
    assert chamber_work(corner.pressure.value, stroke) == pytest.approx(REAR / ratio(0.012), rel=1e-4)
    loaded = evaluate(bike, "found", "rider").corners["rear"]
    pressed = lambda z: chamber_work(corner.pressure.value, shock_travel(z)) * ratio(z)  # noqa: E731
    sag = brentq(lambda z: pressed(z) - REAR - RIDER * REAR_SHARE, 0.001, 0.11)
    assert loaded.sag.value == pytest.approx(sag, abs=2e-4)  # the table between its samples
    assert loaded.pressure.value == corner.pressure.value
    # the same height asked in the plan wants the same pressure; that pressure set gives the height back
    asked = evaluate(bike, "plan").corners["rear"]
    assert asked.pressure.value == pytest.approx(corner.pressure.value, rel=1e-9)
    more = with_side(bike, "plan", "rear", set_by="pressure", pressure=1.2 * float(asked.pressure.value))
    raised = evaluate(more, "plan").corners["rear"]
    assert raised.hub_to_arch.value > asked.hub_to_arch.value + 0.002
    back = with_side(bike, "plan", "rear", hub_to_arch=float(raised.hub_to_arch.value))
    assert evaluate(back, "plan").corners["rear"].pressure.value == pytest.approx(
        1.2 * float(asked.pressure.value), rel=3e-3
    )


def test_front_preload_lifts_the_front_alone_and_shares_hold_on_two_wheels():
    bike = roadster()
    more = with_side(bike, "plan", "front", collar=0.014)
    was, now = evaluate(bike, "plan"), evaluate(more, "plan")
    lift = now.corners["front"].hub_to_arch.value - was.corners["front"].hub_to_arch.value
    assert lift == pytest.approx(0.010 * cos(radians(25)), abs=1e-6)
    assert now.corners["rear"].hub_to_arch.value == pytest.approx(0.468, abs=1e-9)
    assert now.corners["front"].wheel_rate.value == was.corners["front"].wheel_rate.value
    assert now.vehicle.total_mass.value == pytest.approx(195)
    assert now.vehicle.front_fraction.value == pytest.approx(95 / 195)
    assert more.setups[0].sides.front.spring == FORK_SPRING


def test_preload_can_be_asked_for_any_load_state_not_only_the_rider_who_was_read():
    """Two-up the shock must carry more by what statics give; what was read with the solo rider says nothing of it."""
    bike, base = magpie(), 1.425
    solo, two = (evaluate(bike, "plan", state).sags["rear"] for state in ("solo", "two-up"))
    more = two.ridden_load.value
    told = (117 - 21) * G + (93 * 0.955 + 66 * 1.24) / base * G
    assert more == pytest.approx(told, rel=2e-3)
    assert solo.rider_read is not None
    assert two.wanted_collar.value > solo.wanted_collar.value + 0.002
    done = applied(bike, "plan", TakeSags(act="take sags", ends=("rear",), load_state="two-up"))
    sags = evaluate(done, "plan", "two-up").sags["rear"]
    assert sags.rider_sag.value == pytest.approx(sags.target.value, abs=6e-4)
    assert evaluate(done, "plan", "two-up").sags["rear"].set_so


def test_two_gas_charged_shocks_push_twice_also_under_a_load():
    """Constant ratio: the push carries its part at every height, so a load goes as deep as on the springs alone."""
    twin = end_of(roadster(), "rear").model_copy(
        update={"layout": "twin shock", "spring": Mount(ratio=RatioTyped(value=0.85))}
    )
    spring = SHOCK_SPRING.model_copy(update={"rate": RateValue(value=16e3)})
    plain = roadster(rear=twin, shock=spring)
    gas = with_end(plain, "rear", gas=GasCharge(pressure=10e5, rod_diameter=0.014))
    push = 10e5 * pi * 0.014**2 / 4
    was, now = (evaluate(b, "found").corners["rear"] for b in (plain, gas))
    # both springs together carry so much less
    assert was.spring_force.value - now.spring_force.value == pytest.approx(2 * push, rel=1e-6)
    assert now.push.value == pytest.approx(2 * push * 0.85, rel=1e-6)
    ridden, alone = (evaluate(b, "found", "rider").corners["rear"].sag.value for b in (gas, plain))
    assert ridden == pytest.approx(alone, abs=1e-6)
