"""The report of the demo car against figures worked out apart from the core, and what must hold for any car."""

import math

import pytest

from feder.core.document.base import PLACES
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.setup import SideSetup
from feder.core.numbers.errors import UnknownSetup
from feder.core.report.evaluate import evaluate
from tests.changes import with_end, with_side

G = 9.80665
MASS = {"front_left": 308, "front_right": 298, "rear_left": 207, "rear_right": 197}
UNSPRUNG = {"front": 34, "rear": 28}
RATIO = {"front": 0.96, "rear": 0.72}


def test_as_found_is_what_was_measured_and_its_rates_follow(car):
    report = evaluate(car, "found")
    for place in PLACES:
        corner, end = report.corners[place], place.end
        sprung = MASS[place] - UNSPRUNG[end]
        rate = {"front": 26e3, "rear": 28e3}[end] * RATIO[end] ** 2
        assert corner.mass.value == pytest.approx(MASS[place])
        assert corner.wheel_rate.value == pytest.approx(rate)
        assert corner.frequency.value == pytest.approx(math.sqrt(rate / sprung) / 2 / math.pi)
        assert corner.wheel_travel.value == 0
    assert report.vehicle.rake.value == pytest.approx(math.atan(15 / 2440))


def test_the_plan_by_hand(car):
    """Rear left: 179 kg sprung, 60 N/mm at 0.72, seat 182 mm at 402 mm hub to arch, asked for 352 mm."""
    # rigid tyres, so that loads stay as weighed and the arithmetic can be followed with a pencil
    for end in ("front", "rear"):
        car = with_end(car, end, tyre=getattr(car.vehicle.ends, end).tyre.model_copy(update={"rate": None}))
    corner = evaluate(car, "plan").corners["rear_left"]
    compressed = 179 * G / 0.72 / 60e3
    room = 0.182 - 0.72 * (0.402 - 0.352)
    assert corner.spring_length.value == pytest.approx(0.180 - compressed)
    # the two tracks differ by 20 mm, so the plane through the asked heights misses each by some micrometres
    assert corner.collar.value == pytest.approx(room - (0.180 - compressed), abs=2e-5)
    assert corner.held_at_droop.value == pytest.approx(compressed - 0.72 * 0.050, abs=2e-5)
    assert corner.bind.value == pytest.approx((0.180 - compressed - 0.0963) / 0.72, abs=2e-3)
    assert corner.solid.value == pytest.approx(0.352 - 0.301, abs=2e-5)


def test_the_demo_plan_shows_the_figures_of_its_drawings(car):
    """Figures drawn up for this car before any of the code was written."""
    report = evaluate(car, "plan", against="found")
    told = {
        "front_left": (634, 36.9, 1.85, 24.0, 6.6, 51, 72, -66),
        "front_right": (634, 36.9, 1.88, 21.4, 4.1, 51, 72, -66),
        "rear_left": (632, 31.1, 2.10, 6.6, 4.6, 51, 68, -50),
        "rear_right": (632, 31.1, 2.16, 4.4, 2.4, 51, 68, -50),
    }
    for place, (floor, rate, hertz, collar, held, solid, contact, droop) in told.items():
        c = report.corners[place]
        found = [
            c.floor_to_arch,
            c.wheel_rate,
            c.frequency,
            c.collar,
            c.held_at_droop,
            c.solid,
            c.contact,
            c.droop,
        ]
        scale = [1e3, 1e-3, 1, 1e3, 1e3, 1e3, 1e3, 1e3]
        assert [f.value * s for f, s in zip(found, scale, strict=True)] == pytest.approx(
            [floor, rate, hertz, collar, held, solid, contact, droop], abs=0.11
        ), place
    v = report.vehicle
    assert math.degrees(v.rake.value) == pytest.approx(0.49, abs=0.005)
    assert math.degrees(v.rake.was) == pytest.approx(0.35, abs=0.005)
    assert v.frequency_ratio.value == pytest.approx(1.142, abs=0.001)
    assert v.flat_speed.value * 3.6 == pytest.approx(132, abs=0.6)
    assert report.corners["front_left"].damping_ratio.value == pytest.approx(0.415, abs=0.001)


def test_asking_by_height_and_by_the_collar_it_answers_is_one_setup(car):
    asked = evaluate(car, "plan")
    by_collar = car
    for place in PLACES:
        by_collar = with_side(
            by_collar, "plan", place.value, set_by="collar", collar=float(asked.corners[place].collar.value)
        )
    found = evaluate(by_collar, "plan")
    for place in PLACES:
        assert found.corners[place].hub_to_arch.value == pytest.approx(
            asked.corners[place].hub_to_arch.value, abs=1e-6
        )
        assert found.corners[place].mass.value == pytest.approx(asked.corners[place].mass.value, abs=1e-3)


def test_one_collar_up_lifts_its_corner_most_and_moves_cross_weight(car):
    asked = evaluate(car, "plan")
    for place in PLACES:
        up = 0.010 if place == "front_left" else 0.0
        car = with_side(
            car, "plan", place.value, set_by="collar", collar=float(asked.corners[place].collar.value) + up
        )
    found = evaluate(car, "plan")
    rise = {p: 1e3 * (found.corners[p].hub_to_arch.value - asked.corners[p].hub_to_arch.value) for p in PLACES}
    assert 6 < rise["front_left"] < 10 / 0.96
    assert rise["rear_right"] < 0 < rise["front_right"] < rise["rear_left"]
    assert found.vehicle.cross_fraction.value < asked.vehicle.cross_fraction.value


def test_a_load_behind_lowers_the_rear_and_raises_no_sum(car):
    tools = LoadState(id="tools", name="tools", items=(LoadItem(name="tool chest", mass=60, x=2.9),))
    for place in PLACES:
        collar = float(evaluate(car, "plan").corners[place].collar.value)
        car = with_side(car, "plan", place.value, set_by="collar", collar=collar)
    car = car.model_copy(update={"loads": (tools,)})
    empty, loaded = evaluate(car, "plan"), evaluate(car, "plan", "tools")
    assert loaded.vehicle.total_mass.value - empty.vehicle.total_mass.value == pytest.approx(60)
    rear = sum(loaded.corners[p].mass.value - empty.corners[p].mass.value for p in PLACES[2:])
    assert rear == pytest.approx(60 * 2.9 / 2.44, abs=1e-3)  # lever about the front axle
    drop = empty.corners["rear_left"].hub_to_arch.value - loaded.corners["rear_left"].hub_to_arch.value
    assert drop == pytest.approx(rear / 2 * G / 31104, rel=0.01)


def test_an_empty_car_gives_no_number_and_says_what_it_waits_for():
    from feder.core.document.blank import blank_document

    report = evaluate(blank_document("Blank", "van", "strut", "divorced"), "plan")
    corner = report.corners["rear_left"]
    assert corner.mass is corner.frequency is corner.collar is corner.solid is None
    waits = {s.station: s.waits_for for s in report.stations}
    assert waits["survey"][0] == "weight, all corners"
    assert "rear motion ratio" in waits["geometry"]
    assert waits["sheet"]


def test_half_a_car_still_answers_what_it_can(car):
    car = with_end(car, "rear", spring=car.vehicle.ends.rear.spring.model_copy(update={"ratio": None}))
    report = evaluate(car, "plan")
    assert report.corners["rear_left"].frequency is None
    assert report.corners["front_left"].frequency.value == pytest.approx(1.85, abs=0.01)


def test_an_unknown_setup_is_told(car):
    with pytest.raises(UnknownSetup):
        evaluate(car, "nowhere")


def test_a_ratio_typed_the_other_way_round_is_the_same_car(car):
    from feder.core.document.vehicle import Mount, RatioTyped

    turned = with_end(car, "rear", spring=Mount(ratio=RatioTyped(value=1 / 0.72, convention="wheel per spring")))
    one, other = evaluate(car, "plan"), evaluate(turned, "plan")
    assert other.corners["rear_left"].wheel_rate.value == pytest.approx(one.corners["rear_left"].wheel_rate.value)


def test_sides_stay_independent(car):
    bare = with_side(car, "plan", "rear_right", **SideSetup(hub_to_arch=0.352).model_dump())
    report = evaluate(bare, "plan")
    assert report.corners["rear_right"].wheel_rate is None
    assert report.corners["rear_left"].wheel_rate is not None
    assert report.ends["rear"].frequency is None


def test_asking_for_one_end_alone_holds_it_exactly_and_leaves_the_loads(car):
    asked = with_side(
        with_side(car, "plan", "front_left", hub_to_arch=0.350), "plan", "front_right", hub_to_arch=0.350
    )
    for place in ("rear_left", "rear_right"):
        asked = with_side(asked, "plan", place, hub_to_arch=None)
    report = evaluate(asked, "plan")
    assert [report.corners[p].hub_to_arch.value for p in PLACES[:2]] == [0.350, 0.350]
    rear = [report.corners[p].hub_to_arch.value for p in PLACES[2:]]
    # the body rolls by the 2 mm that the front was out of level, and the rear goes with it, about its middle
    assert sum(rear) / 2 == pytest.approx(0.367, abs=2e-4)
    assert rear[0] - rear[1] == pytest.approx(0.0, abs=2e-4)
    assert report.vehicle.cross_fraction.value == pytest.approx(0.5, abs=2e-3)
