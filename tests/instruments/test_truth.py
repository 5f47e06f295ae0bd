"""What stand-ins show of a vehicle is what was surveyed of it; what a file tells is checked before anything listens."""

import json
from statistics import fmean

import pytest

from feder.core.document.survey import WheelRound
from feder.core.numbers.errors import BadFile
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.tansy import tansy
from feder.instruments.kinds import KINDS
from feder.instruments.stand_ins.gauges import RESTS, Gauge
from feder.instruments.stand_ins.serving import stand_in
from feder.instruments.stand_ins.truth import MADE_UP, truth_from, truth_of


def read(document, place, quantity):
    return fmean(r.value for r in document.surveys[0].readings if r.place == place and r.quantity == quantity)


def test_weights_and_heights_are_those_of_the_survey():
    told = truth_of(nettle())
    assert told["scales"] == {"front_left": 308, "front_right": 298, "rear_left": 207, "rear_right": 197}
    assert told["height"]["hub_to_arch front_left"] == pytest.approx(0.376)
    assert told["height"]["floor_to_arch rear_right"] == pytest.approx(
        read(nettle(), "rear_right", "floor_to_arch")
    )
    assert told["spring_bench"]["rate"] == 26e3
    found = nettle().setups[0].sides
    assert told["gauge"]["pressure front_left"] == found.front_left.tyre_pressure
    assert told["level"]["camber rear_right"] == found.rear_right.camber
    # held nowhere it shows nothing of somebody else's car
    assert all("" not in told[kind] for kind in ("height", "level", "gauge"))


def test_a_motorcycles_sags_are_heights_and_its_scales_two():
    told = truth_of(magpie())
    for state in ("extended_lifted", "bike_pressed", "rider_lifted"):
        assert told["height"][f"{state} rear"] == pytest.approx(read(magpie(), "rear", state))


def test_a_torsion_cars_arms_are_what_the_level_shows():
    car = tansy()
    arm = car.vehicle.ends.rear.arm or car.vehicle.ends.front.arm
    end = "rear" if car.vehicle.ends.rear.arm else "front"
    told = truth_of(car)["level"]
    assert told[f"arm {end}_left"] == arm.angle
    assert told[f"arm {end}_right"] == (arm.right_angle if arm.right_angle is not None else arm.angle)
    assert told[f"chassis {end}_left"] == (arm.chassis or 0.0)


def test_a_round_tells_angles_and_pressures():
    car = nettle()
    wheel = WheelRound(place="front_left", camber=-0.031, pressure_cold=1.9e5)
    told = truth_of(car.but(surveys=(car.surveys[0].but(wheels=(wheel,)), *car.surveys[1:])))
    assert told["level"]["camber front_left"] == -0.031
    assert told["gauge"]["pressure front_left"] == 1.9e5


def test_a_vehicle_without_a_survey_is_the_made_up_one():
    assert truth_of(nettle().but(surveys=())) == MADE_UP


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("{", "tells no true values"),
        ("[1]", "tells no true values"),
        ('{"scales": 3}', "tells no true values"),
        ('{"ruler": {}}', "ruler"),
    ],
)
def test_a_file_that_tells_nothing_is_refused(tmp_path, text, words):
    file = tmp_path / "truth.json"
    file.write_text(text)
    with pytest.raises(BadFile, match=words):
        truth_from(file)
    with pytest.raises(BadFile):
        stand_in("scales", tmp_path / "gone.json", 1)


def test_what_a_file_tells_stands_over_the_made_up_car(tmp_path):
    file = tmp_path / "truth.json"
    file.write_text(json.dumps({"gauge": {"pressure front_left": 2.1e5}}))
    told = truth_from(file)
    assert told["gauge"] == {"pressure front_left": 2.1e5}
    assert told["scales"] == MADE_UP["scales"]
    assert set(told) == set(KINDS)


def test_a_gauge_swings_rests_and_swings_again_where_it_is_moved():
    gauge = Gauge("height", {"hub_to_arch front_left": 0.376, "hub_to_arch rear_left": 0.368}, 1)
    assert gauge.lines(0.0) == []  # held nowhere
    gauge.told("at hub_to_arch front_left")
    first, rests = gauge.lines(0.1)[0], gauge.lines(RESTS + 0.2)[0]
    assert first.endswith("mm moving")
    assert rests.endswith("mm steady")
    assert float(rests.split()[1]) == pytest.approx(376.0, abs=0.6)
    gauge.told("at hub_to_arch rear_left")
    assert gauge.lines(RESTS + 0.3)[0].endswith("moving")
    assert float(gauge.lines(2 * RESTS + 1)[0].split()[1]) == pytest.approx(368.0, abs=0.6)
    gauge.told("at sill rear_left")
    assert gauge.lines(2 * RESTS + 1.1) == []
