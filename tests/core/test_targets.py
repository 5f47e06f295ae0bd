"""The frequency wanted: of both ends, of each its own, and of a load carrier under its load."""

from math import pi, sqrt

import pytest

from feder.core.benches.springs.candidates import candidates
from feder.core.document.brief import Band, Targets
from feder.core.document.document import LoadItem, LoadState
from feder.core.report.evaluate import evaluate
from feder.demo.springs import demo_spring, demo_springs
from tests.changes import with_side

FRONT, REAR = Band(low=1.2, high=1.4), Band(low=2.4, high=2.9)


def wanting(document, **targets):
    return document.but(brief=document.brief.but(targets=Targets(**targets)))


def band(end):
    return end.frequency_low.value, end.frequency_high.value


@pytest.mark.parametrize(
    ("targets", "front", "rear"),
    [
        ({}, (1.7, 2.3), (1.7, 2.3)),
        ({"frequency": FRONT}, (1.2, 1.4), (1.2, 1.4)),
        ({"front_frequency": FRONT}, (1.2, 1.4), (1.7, 2.3)),
        ({"frequency": FRONT, "rear_frequency": REAR}, (1.2, 1.4), (2.4, 2.9)),
    ],
)
def test_an_ends_own_band_stands_before_that_of_both_and_that_before_the_usual(car, targets, front, rear):
    ends = evaluate(wanting(car, **targets), "plan").ends
    assert (band(ends["front"]), band(ends["rear"])) == (front, rear)
    for name, end in ends.items():  # rates by m (2 pi f)^2 over the square of the ratio
        for f, rate in zip(band(end), (end.rate_low, end.rate_high), strict=True):
            by_hand = end.sprung_mass.value * (2 * pi * f) ** 2 / end.motion_ratio.value**2
            assert rate.value == pytest.approx(by_hand), name


def test_each_end_is_judged_by_its_own_band(car):
    # front 1.86 Hz, rear 2.13 Hz: both miss their own, and neither what is wanted of the other
    wanted = wanting(car, front_frequency=Band(low=2.0, high=2.4), rear_frequency=Band(low=1.7, high=1.9))
    told = {f.place: f for f in evaluate(wanted, "plan").findings if f.rule == "frequency_target"}
    assert set(told) == {"front", "rear"}
    assert told["front"].numbers["low"].value == 2.0
    assert told["rear"].numbers["high"].value == 1.9
    for end, edge in (("front", 2.0), ("rear", 1.9)):
        objections = [r.objection for r in candidates(wanted, "plan", end, demo_springs(), "all") if r.objection]
        edges = {o.numbers["edge"].value for o in objections if o.rule == "frequency_target"}
        assert edge in edges
        assert not edges & ({1.7, 1.9} if end == "front" else {2.0, 2.4})


@pytest.fixture
def carrier(car):
    """The demo car as a load carrier: a light and a heavy load over the rear axle."""
    loads = tuple(
        LoadState(id=name, name=name, items=(LoadItem(name=name, mass=mass, x=2.4, y=0.0),))
        for name, mass in (("tools", 60), ("gravel", 240), ("ladder", 20))
    )
    return car.but(brief=car.brief.but(use="load carrier"), loads=loads)


def test_a_load_carriers_springs_are_chosen_under_its_heaviest_load(carrier):
    assert evaluate(carrier, "plan").vehicle.judged_under == "gravel"
    part = demo_spring(60, 180, 60)
    (plain,), (loaded,) = (candidates(carrier, "plan", "rear", [part], "all", load) for load in (None, "gravel"))
    ends = evaluate(carrier, "plan", "gravel").ends
    carried = ends["rear"].sprung_mass.value
    assert carried > evaluate(carrier, "plan").ends["rear"].sprung_mass.value + 100
    assert loaded.wheel_rate.value == pytest.approx(60e3 * 0.72**2)
    assert loaded.frequency.value == pytest.approx(sqrt(60e3 * 0.72**2 / carried) / (2 * pi))
    assert loaded.over_front.value == pytest.approx(loaded.frequency.value / ends["front"].frequency.value - 1)
    # where it stands and how it is held is as weighed
    assert [loaded.collar, loaded.spring_length, loaded.held_at_droop, loaded.bind] == [
        plain.collar, plain.spring_length, plain.held_at_droop, plain.bind,
    ]  # fmt: skip
    # what is said of the frequency is said of the loaded one: as weighed the target is not meant
    assert plain.objection is None or plain.objection.rule != "frequency_target"
    soft = candidates(carrier, "plan", "rear", [demo_spring(60, 180, 15)], "all", "gravel")[0]
    by_hand = sqrt(15e3 * 0.72**2 / carried) / (2 * pi)
    assert by_hand < 1.2
    assert soft.frequency.value == pytest.approx(by_hand)


def test_a_progressive_spring_is_judged_at_the_length_to_which_the_load_presses_it(carrier):
    points = tuple((x / 1000, 30e3 * x / 1000 + 4e5 * (x / 1000) ** 2) for x in range(0, 121, 5))
    part = demo_spring(60, 220, 40).but(points=points, solid_length=0.06)
    fitted = carrier
    for side in ("rear_left", "rear_right"):
        fitted = with_side(fitted, "plan", side, spring=part)
    (row,) = candidates(fitted, "plan", "rear", [part], "all", "gravel")
    corners = [evaluate(fitted, "plan", "gravel").corners[p] for p in ("rear_left", "rear_right")]
    rates = []
    for corner in corners:  # 30 x + 400 x^2 N at x mm: the slope where the force is reached
        force = corner.spring_force.value
        pressed = (-30e3 + sqrt(30e3**2 + 4 * 4e5 * force)) / (2 * 4e5)
        rates.append((30e3 + 8e5 * pressed) * 0.72**2)
    assert row.wheel_rate.value == pytest.approx(sum(rates) / 2, rel=2e-3)


def test_no_load_carrier_without_loads_or_with_another_use(car, carrier):
    assert evaluate(carrier.but(loads=()), "plan").vehicle.judged_under is None
    assert evaluate(car.but(loads=carrier.loads), "plan").vehicle.judged_under is None


@pytest.mark.parametrize("basis", ["wheel rate", "with tyre"])
def test_the_strip_reaches_over_all_that_road_and_circuit_ask_for(car, basis):
    end = evaluate(car.but(brief=car.brief.but(frequency_basis=basis)), "plan").ends["rear"]
    low, high = end.strip[0], end.strip[-1]
    assert low.frequency < 0.7
    assert high.frequency > 5.0 or basis == "with tyre"
    assert end.strip == sorted(end.strip, key=lambda p: p.frequency)
    mass, tyre = end.sprung_mass.value, 205e3
    for point in end.strip:
        rate = point.spring_rate * 0.72**2
        rate = rate if basis == "wheel rate" else rate * tyre / (rate + tyre)
        assert point.frequency == pytest.approx(sqrt(rate / mass) / (2 * pi), rel=1e-9)
