"""What is measured with a setup on the wheels stands beside what was predicted, and touches nothing as found."""

import json
from math import cos, radians

import pytest

from feder.core.benches.settle.heights import read_in
from feder.core.document.base import PLACES, Place
from feder.core.document.document import BadDocument, document_of, read_document
from feder.core.document.survey import Reading
from feder.core.report.compare import compare
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from tests.changes import set_down

HUBS = dict(zip(PLACES, (0.349, 0.352, 0.356, 0.350), strict=True))


def test_measured_heights_stand_beside_the_predicted_ones_and_move_no_other_figure():
    car = nettle()
    plain = evaluate(car, "plan", against="found")
    car = set_down(set_down(car, "plan", dict.fromkeys(PLACES, 0.5)), "plan", HUBS)  # the newest survey counts
    read = evaluate(car, "plan", against="found")
    for place in PLACES:
        corner, was = read.corners[place], plain.corners[place]
        assert corner.hub_measured.value == pytest.approx(HUBS[place])
        assert corner.hub_off.value == pytest.approx(HUBS[place] - was.hub_to_arch.value, abs=1e-12)
        for name in ("hub_to_arch", "floor_to_arch", "collar", "wheel_rate", "mass", "contact"):
            assert getattr(corner, name).value == getattr(was, name).value, name
        assert evaluate(car, "found").corners[place].hub_measured is None


def test_repeats_with_a_setup_on_the_wheels_are_averaged_and_know_where_they_stand():
    car = set_down(nettle(), "plan", HUBS)
    survey = car.surveys[-1]
    again = Reading(place=Place.FRONT_LEFT, quantity="hub_to_arch", value=0.353)
    car = car.but(surveys=(*car.surveys[:-1], survey.but(readings=(*survey.readings, again))))
    assert evaluate(car, "plan").corners["front_left"].hub_measured.value == pytest.approx(0.351)
    read = read_in(car, 1, "hub_to_arch")[Place.FRONT_LEFT]
    assert (read.value, read.count, read.scatter) == (pytest.approx(0.351), 2, pytest.approx(0.0015 / 2**0.5))
    assert read_in(car, 0, "hub_to_arch")[Place.FRONT_LEFT].value == pytest.approx(0.376)
    value = evaluate(car, "plan").corners["rear_left"].hub_measured.value
    assert value.step.path == "surveys.1.readings.2.value"


def test_a_comparison_lays_what_was_measured_beside_what_the_plan_predicted():
    car = nettle()
    fitted = car.setups[1].but(id="fitted", name="fitted", stage="fitted", parent="plan")
    car = set_down(car.but(setups=(*car.setups, fitted)), "fitted", HUBS)
    rows = {d.path: d for d in compare(car, "plan", "fitted").differences}
    row = rows["corners.rear_left.hub_measured"]
    assert row.first.value == rows["corners.rear_left.hub_to_arch"].first.value
    assert row.second.value == pytest.approx(HUBS[Place.REAR_LEFT])


def test_sags_read_with_the_plan_on_are_those_of_the_plan():
    bike, rake = magpie(), radians(25.5)
    plain = evaluate(bike, "plan", "solo").sags
    for quantity, front, rear in (
        ("rider_lifted", 0.112, 0.571), ("rider_pressed", 0.106, 0.563), ("bike_lifted", 0.128, 0.590),
    ):  # fmt: skip
        bike = set_down(bike, "plan", {Place.FRONT: front, Place.REAR: rear}, quantity)
    readings = tuple(r for s in bike.surveys[1:] for r in s.readings)
    bike = bike.but(surveys=(bike.surveys[0], bike.surveys[-1].but(readings=readings)))
    sags = evaluate(bike, "plan", "solo").sags
    assert sags["front"].rider_measured_along.value == pytest.approx(0.148 - 0.109)
    assert sags["front"].rider_measured.value == pytest.approx((0.148 - 0.109) * cos(rake))
    assert sags["rear"].rider_measured.value == pytest.approx(0.604 - 0.567)
    assert sags["rear"].free_measured.value == pytest.approx(0.604 - 0.590)
    for place in ("front", "rear"):
        for name in ("rider_read", "free_read", "rider_sag", "free_sag", "rider_load"):
            assert getattr(sags[place], name).value == getattr(plain[place], name).value, name


def test_an_old_file_carries_its_measured_heights_over():
    data = json.loads(nettle().model_dump_json())
    data["format"] = 1
    for survey in data["surveys"]:
        survey.pop("setup")
    data["surveys"].append({"id": "set-down", "readings": []})
    sides = data["setups"][1]["sides"]
    for place, hub in HUBS.items():
        sides[place.value]["measured"] = hub
    sides["front_right"]["measured"] = None
    car = read_document(json.dumps(data))
    assert car.format == 2
    assert [(s.id, s.setup) for s in car.surveys] == [
        (nettle().surveys[0].id, None),
        ("set-down", None),
        ("set-down-2", "plan"),
    ]
    heights = {p: r.value for p, r in read_in(car, 2, "hub_to_arch").items()}
    assert heights == {p: h for p, h in HUBS.items() if p is not Place.FRONT_RIGHT}
    assert car.setups == nettle().setups


def test_a_survey_names_a_setup_that_is_there_and_the_first_is_as_found():
    data = nettle().model_dump(mode="json")
    for surveys, words in (
        ([*data["surveys"], {"id": "x", "setup": "nowhere"}], "there is no setup nowhere"),
        ([{"id": "x", "setup": "plan"}], "first survey must be the one as found"),
    ):
        with pytest.raises(BadDocument) as refused:
            document_of({**data, "surveys": surveys})
        assert words in refused.value.faults[0]["message"]
