"""Uncertainty by first order against Monte Carlo, and the laws it must keep."""

import math

import numpy as np
import pytest

from feder.core.document.base import RateValue
from feder.core.document.document import Document
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.explain import figure_at
from feder.core.report.uncertainty import uncertainty
from tests.changes import with_side
from tests.documents import AIR, on_bars, roadster


def put(document, moves):
    """The document with numbers at dotted paths moved."""
    data = document.model_dump(mode="json")
    for path, by in moves.items():
        *way, last = path.split(".")
        node = data
        for part in way:
            node = node[int(part)] if isinstance(node, list) else node[part]
        node[last] += by
    return Document.model_validate(data)


ASKED = {
    "corners.rear_left.frequency": lambda car: (car, None),
    "corners.front_right.collar": lambda car: (car, None),
    "vehicle.flat_speed": lambda car: (car, None),
    "corners.rear_right.free_angle": lambda car: (on_bars(car), None),
    "corners.front.sag": lambda car: (roadster(), "rider"),
    "corners.rear.pressure": lambda car: (roadster(shock=AIR), None),
}


@pytest.mark.parametrize("path", ASKED)
def test_first_order_agrees_with_monte_carlo(car, path):
    document, load = ASKED[path](car)
    found = uncertainty(document, "plan", path, load)
    dice = np.random.default_rng(7)
    values = []
    for _ in range(400):
        moves = {s.document_path: dice.normal(0, s.tolerance) for s in found.shares}
        values.append(float(figure_at(evaluate_plain(put(document, moves), "plan", load), path).value))
    assert np.std(values) == pytest.approx(found.standard, rel=0.15)
    assert sum(s.share for s in found.shares) == pytest.approx(1, abs=1e-4)


def test_a_frequency_by_hand(car):
    """f goes with the root of k·MR²/m: half of 3 % for the rate, 1 % for the ratio, and half the mass's share."""
    for place in ("rear_left", "rear_right"):
        car = with_side(car, "plan", place, hub_to_arch=None)  # nothing asked: the load stays as weighed
    found = uncertainty(car, "plan", "corners.rear_left.frequency")
    by = {s.document_path: s.effect / found.value for s in found.shares}
    assert by["setups.1.sides.rear_left.spring.rate.value"] == pytest.approx(0.015, rel=0.01)
    assert by["vehicle.ends.rear.spring.ratio.value"] == pytest.approx(0.01, rel=0.02)
    assert by["vehicle.ends.rear.unsprung_mass.value"] == pytest.approx(0.5 / 179, rel=0.05)
    assert found.shares[0].document_path == "setups.1.sides.rear_left.spring.rate.value"


def test_a_tolerance_of_its_own_wins_and_repeated_readings_count_by_their_root(car):
    spring = car.setups[1].sides.rear_left.spring
    sharp = with_side(
        car,
        "plan",
        "rear_left",
        spring=spring.model_copy(update={"rate": RateValue(value=60e3, how="bench", tolerance=60.0)}),
    )
    path = "corners.rear_left.wheel_rate"
    by = {s.document_path: s for s in uncertainty(sharp, "plan", path).shares}
    assert by["setups.1.sides.rear_left.spring.rate.value"].effect == pytest.approx(60 * 0.72**2, rel=1e-3)
    survey = car.surveys[0]
    one = next(r for r in survey.readings if r.quantity == "mass" and r.place == "rear_left")
    four = car.model_copy(
        update={"surveys": (survey.model_copy(update={"readings": (*survey.readings, one, one, one)}),)}
    )
    once = next(
        s for s in uncertainty(car, "found", "corners.rear_left.frequency").shares if "scale reading" in s.label
    )
    often = next(
        s for s in uncertainty(four, "found", "corners.rear_left.frequency").shares if "scale reading" in s.label
    )
    assert often.effect == pytest.approx(once.effect / 2, rel=1e-3)


def test_an_assumed_ratio_is_the_reading_to_take(car):
    from feder.core.document.vehicle import Mount, RatioAssumed
    from tests.changes import with_end

    guessed = with_end(car, "front", spring=Mount(ratio=RatioAssumed()))
    found = uncertainty(guessed, "plan", "corners.front_left.wheel_rate")
    assert found.shares[0].label == "front motion ratio"
    assert found.standard / found.value == pytest.approx(math.hypot(0.30, 0.03), rel=0.02)
