"""Every layout the report knows, against balances worked out apart from it; each differs from the plain answer."""

import math

import numpy as np
import pytest
from scipy.optimize import brentq, minimize

from feder.core.benches.springs.candidates import candidates
from feder.core.document.base import PLACES, LengthValue, RateValue
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.setup import SpringPart
from feder.core.document.vehicle import AntiRollBar, Mount, RatioFromSweep
from feder.core.numbers.working import Given, trail
from feder.core.report.evaluate import evaluate
from tests.changes import with_end, with_side

G = 9.80665


def rigid(document):
    for end in ("front", "rear"):
        document = with_end(
            document, end, tyre=getattr(document.vehicle.ends, end).tyre.model_copy(update={"rate": None})
        )
    return document


def both(document, end, setup="plan", **members):
    for side in ("left", "right"):
        document = with_side(document, setup, f"{end}_{side}", **members)
    return document


def seat_at(hub):
    """A rising linkage: distance between the rear spring seats over hub to arch."""
    z = 0.402 - hub
    return 0.182 - (0.66 * z + 0.5 * z * z)


SWEEP = tuple((0.402 - i * 0.0125, seat_at(0.402 - i * 0.0125)) for i in range(9))


def swept(document):
    return with_end(rigid(document), "rear", spring=Mount(ratio=RatioFromSweep(points=SWEEP)))


def test_a_sweep_gives_ratio_slope_and_the_geometric_rate_at_ride(car):
    corner = evaluate(swept(car), "plan").corners["rear_left"]
    z = 0.402 - corner.hub_to_arch.value
    ratio = 0.66 + z
    assert corner.motion_ratio.value == pytest.approx(ratio, rel=1e-6)
    force = 179 * G / ratio
    assert corner.spring_force.value == pytest.approx(force, rel=1e-5)
    # derivative of the wheel's force along the linkage, by differences
    length = 0.180 - force / 60e3
    push = lambda h: 60e3 * (0.180 - (length + seat_at(h) - seat_at(0.402 - z))) * (0.66 + 0.402 - h)  # noqa: E731
    e = 1e-6
    rate = (push(0.402 - z - e) - push(0.402 - z + e)) / (2 * e)
    assert corner.wheel_rate.value == pytest.approx(rate, rel=1e-5)
    assert corner.wheel_rate.value > 60e3 * ratio**2 + 2000  # the constant-ratio answer misses the second term
    assert corner.collar.value == pytest.approx(seat_at(0.402 - z) - length, abs=1e-8)
    # bind: where the linkage has taken up the room above solid
    room = length - 0.0963
    bind = brentq(lambda t: seat_at(0.402 - z) - seat_at(0.402 - z - t) - room, 0, 0.3)
    assert corner.bind.value == pytest.approx(bind, abs=3e-4)
    leaves = [n.step.path for n in trail(corner.wheel_rate.value) if isinstance(n.step, Given)]
    assert "vehicle.ends.rear.spring.ratio.points" in leaves


def test_height_and_collar_agree_on_a_sweep_too(car):
    asked = evaluate(swept(car), "plan")
    fixed = swept(car)
    for place in PLACES:
        fixed = with_side(
            fixed, "plan", place.value, set_by="collar", collar=float(asked.corners[place].collar.value)
        )
    found = evaluate(fixed, "plan")
    for place in PLACES:
        assert found.corners[place].hub_to_arch.value == pytest.approx(
            asked.corners[place].hub_to_arch.value, abs=2e-5
        )


PROGRESSIVE = SpringPart(
    code="progressive",
    rate=RateValue(value=40e3),
    free_length=0.2,
    solid_length=0.08,
    points=((0, 0), (0.02, 700), (0.04, 1600), (0.06, 2900), (0.08, 5000), (0.1, 8500)),
)


def test_a_progressive_spring_is_read_off_its_own_points(car):
    corner = evaluate(both(rigid(car), "rear", spring=PROGRESSIVE), "plan").corners["rear_left"]
    force = 179 * G / 0.72
    assert corner.spring_force.value == pytest.approx(force, rel=1e-4)
    pressed = 0.2 - corner.spring_length.value
    assert 0.04 < pressed < 0.06  # 2438 N lies between 1600 and 2900 N
    local = (2900 - 1600) / 0.02
    assert corner.spring_rate.value == pytest.approx(local, rel=0.25)
    assert corner.spring_rate.value != pytest.approx(40e3, rel=0.05)
    assert corner.wheel_rate.value == pytest.approx(corner.spring_rate.value * 0.72**2)


def test_a_tender_is_soft_until_it_is_solid(car):
    pair = SpringPart(
        code="pair", rate=RateValue(value=60e3), free_length=0.23, tender_rate=15e3, tender_travel=0.08
    )
    soft = evaluate(both(rigid(car), "rear", spring=pair), "plan").corners["rear_left"]
    # 2438 N is more than the 1200 N at which the tender goes solid: the main spring alone is felt
    assert soft.spring_rate.value == pytest.approx(60e3)
    assert 0.23 - soft.spring_length.value == pytest.approx(0.08 + 2438.04 / 60e3, abs=1e-5)
    longer = pair.model_copy(update={"tender_travel": 0.18})
    series = evaluate(both(rigid(car), "rear", spring=longer), "plan").corners["rear_left"]
    assert series.spring_rate.value == pytest.approx(60e3 * 15e3 / 75e3)


def collars_fixed(document):
    report = evaluate(document, "plan")
    for place in PLACES:
        document = with_side(
            document, "plan", place.value, set_by="collar", collar=float(report.corners[place].collar.value)
        )
    return document


def test_a_bar_and_a_live_axle_share_a_lopsided_load_as_the_least_energy_does(car):
    car = with_end(car, "front", bar=AntiRollBar(rate=RateValue(value=30e3), motion_ratio=0.8))
    car = with_end(car, "rear", layout="live axle", spring_base=0.95)
    chest = LoadState(id="chest", name="chest", items=(LoadItem(name="chest", mass=80, x=1.9, y=0.5),))
    car = car.model_copy(update={"loads": (chest,)})
    plain = with_end(with_end(car, "front", bar=None), "rear", layout="divorced", spring_base=None)
    report, other = evaluate(car, "plan", "chest"), evaluate(plain, "plan", "chest")
    empty = evaluate(car, "plan")

    # apart from it: energy of body, tyres, springs, bar and axle about the empty state
    xs, ys, track = np.array([0, 0, 2.44, 2.44]), np.array([-0.7, 0.7, -0.69, 0.69]), 1.38
    k = np.array([36864.0, 36864.0, 31104.0, 31104.0])
    tyre = np.array([210e3, 210e3, 205e3, 205e3])
    shape = np.stack([np.ones(4), xs, ys], axis=1)
    pull = 80 * G * np.array([1, 1.9, 0.5])
    r = 0.95 / track

    def energy(q):
        d, z = shape @ q[:3], q[3:]
        heave, roll = (z[2] + z[3]) / 2, (z[3] - z[2]) / 2
        s = np.array([z[0], z[1], heave - r * roll, heave + r * roll])
        return float(
            0.5 * k @ s**2 + 0.5 * 30e3 * 0.64 * (z[0] - z[1]) ** 2 + 0.5 * tyre @ (d - z) ** 2 - pull @ q[:3]
        )

    best = minimize(energy, np.zeros(7), method="BFGS", options={"gtol": 1e-9}).x
    for i, place in enumerate(PLACES):
        lower = empty.corners[place].hub_to_arch.value - report.corners[place].hub_to_arch.value
        assert lower == pytest.approx(best[3 + i], abs=2e-5), place
    assert (
        abs(report.corners["rear_right"].hub_to_arch.value - other.corners["rear_right"].hub_to_arch.value) > 1e-4
    )


def test_collars_stay_under_a_load_also_when_heights_were_asked_for(car):
    chest = LoadState(id="chest", name="chest", items=(LoadItem(name="chest", mass=80, x=2.3),))
    car = car.model_copy(update={"loads": (chest,)})
    by_height, by_collar = evaluate(car, "plan", "chest"), evaluate(collars_fixed(car), "plan", "chest")
    for place in PLACES:
        assert by_height.corners[place].hub_to_arch.value == pytest.approx(
            by_collar.corners[place].hub_to_arch.value, abs=2e-6
        )
        assert by_height.corners[place].collar.value == pytest.approx(
            by_collar.corners[place].collar.value, abs=1e-9
        )
    # the rear goes down by its share over its rate
    drop = 0.352 - by_height.corners["rear_left"].hub_to_arch.value
    assert drop == pytest.approx(80 * G * 2.3 / 2.44 / 2 / 31104, rel=0.02)
    assert evaluate(car, "found", "chest").corners["rear_left"].hub_to_arch.value < 0.368


def test_the_shelf_is_tried_on_a_sweep_by_the_same_rules(car):
    document = swept(car)
    (row,) = candidates(document, "plan", "rear", [PROGRESSIVE], "all")
    report = evaluate(both(document, "rear", spring=PROGRESSIVE), "plan")
    corner = report.corners[row.side or "rear_left"]
    assert row.collar.value == pytest.approx(corner.collar.value, abs=1e-6)
    assert row.held_at_droop.value == pytest.approx(corner.held_at_droop.value, abs=1e-6)
    assert row.frequency.value == pytest.approx(report.ends["rear"].frequency.value, rel=1e-4)


def test_frequency_follows_from_the_wheel_rate_in_every_layout(car):
    for document in (
        swept(car),
        both(car, "rear", spring=PROGRESSIVE),
        with_end(car, "rear", layout="live axle", spring_base=0.9),
    ):
        corner = evaluate(document, "plan").corners["rear_right"]
        told = math.sqrt(corner.wheel_rate.value / corner.sprung_mass.value) / 2 / math.pi
        assert corner.frequency.value == pytest.approx(told)


def test_the_strip_and_the_wanted_rates_count_the_linkages_own_part(car):
    """A spring of the rate the strip shows at a frequency gives that frequency, also on a sweep."""
    document = swept(car)
    end = evaluate(document, "plan").ends["rear"]
    for point in (p for p in end.strip if 1.6 < p.frequency < 2.6):
        part = SpringPart(code="t", rate=RateValue(value=point.spring_rate), free_length=0.18)
        tried = evaluate(both(document, "rear", spring=part), "plan").ends["rear"]
        assert tried.frequency.value == pytest.approx(point.frequency, rel=2e-4)
    part = SpringPart(code="t", rate=RateValue(value=float(end.rate_low.value)), free_length=0.18)
    assert evaluate(both(document, "rear", spring=part), "plan").ends["rear"].frequency.value == pytest.approx(
        1.7, rel=2e-4
    )


@pytest.mark.parametrize("base", [0.6, 0.95, 1.3])
@pytest.mark.parametrize("tyres", [True, False])
def test_a_live_axle_for_which_nothing_is_chosen_yet_stays_where_it_was_found(car, base, tyres):
    car = with_end(car if tyres else rigid(car), "rear", layout="live axle", spring_base=base)
    readings = tuple(
        r.but(value=r.value + 20.0) if r.quantity == "mass" and r.place == "rear_left" else r
        for r in car.survey.readings
    )
    car = car.but(surveys=(car.survey.but(readings=readings),))
    for place in PLACES:
        car = with_side(car, "plan", place, spring=None, set_by="collar", hub_to_arch=None, collar=None, seat=None)
    found, plan = evaluate(car, "found").corners, evaluate(car, "plan").corners
    for place in PLACES:
        assert plan[place].hub_to_arch.value == pytest.approx(found[place].hub_to_arch.value, abs=1e-6)
        assert plan[place].mass.value == pytest.approx(found[place].mass.value, abs=1e-3)


def test_a_leaning_live_axle_meets_stop_and_damper_at_their_base_and_the_arch_at_the_wheel(car):
    base, track = 0.95, 1.38
    limits = car.vehicle.ends.rear.limits.but(droop=0.42, stop=0.335, solid=0.30, contact=0.31)
    car = with_end(
        car, "rear", layout="live axle", spring_base=base, limits=limits, roll_centre=0.25, bump_stop=None
    )
    car = with_end(car, "front", roll_centre=0.08)
    cg = car.vehicle.but(sprung_cg_height=LengthValue(value=0.52))
    car = car.but(vehicle=cg)
    car = with_side(
        with_side(car, "plan", "rear_left", hub_to_arch=0.344), "plan", "rear_right", hub_to_arch=0.364
    )
    report = evaluate(car, "plan")
    hubs = [report.corners[p].hub_to_arch.value for p in ("rear_left", "rear_right")]
    middle, half = sum(hubs) / 2, (hubs[0] - hubs[1]) / 2
    assert abs(half) > 0.004
    for place, side in (("rear_left", 1), ("rear_right", -1)):
        at_base = middle + side * half * base / track
        corner = report.corners[place]
        assert corner.stop.value == pytest.approx(at_base - 0.335, abs=1e-9)
        assert corner.solid.value == pytest.approx(at_base - 0.30, abs=1e-9)
        assert corner.droop.value == pytest.approx(at_base - 0.42, abs=1e-9)
        assert corner.contact.value == pytest.approx(corner.hub_to_arch.value - 0.31, abs=1e-9)
        rolled = report.vehicle.roll_gradient.value * base / 2
        assert corner.stop_cornering.value == pytest.approx(corner.stop.value / rolled, rel=1e-9)


def test_a_live_axle_that_leaned_as_found_is_held_by_its_damper_where_its_base_is(car):
    """Let far down on its collars, it comes to rest on a solid damper, not on the wheel's own height."""
    base, track = 0.80, 1.38
    limits = car.vehicle.ends.rear.limits.but(stop=None, solid=0.34, contact=None)
    car = with_end(car, "rear", layout="live axle", spring_base=base, limits=limits, bump_stop=None)
    readings = tuple(
        r.but(value=r.value + 0.024) if r.quantity == "hub_to_arch" and r.place == "rear_right" else r
        for r in car.survey.readings
    )
    car = car.but(surveys=(car.survey.but(readings=readings),))
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, set_by="collar", collar=-0.4, hub_to_arch=None)
    corners = evaluate(car, "plan").corners
    hubs = [corners[p].hub_to_arch.value for p in ("rear_left", "rear_right")]
    middle, half = sum(hubs) / 2, (hubs[0] - hubs[1]) / 2
    assert min(middle + side * half * base / track for side in (1, -1)) == pytest.approx(0.34, abs=1e-4)
