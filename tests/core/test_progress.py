"""How far each station has come, and what it waits for, in words."""

import pytest

from feder.core.document.base import LengthValue
from feder.core.document.brief import Brief
from feder.core.document.vehicle import Limits, Mount, RatioTyped
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from feder.demo.settled import settled_magpie, settled_nettle
from tests.changes import set_down, with_end, with_side


def stations(document, setup="plan"):
    return {s.station: s for s in evaluate(document, setup).stations}


def states(document, setup="plan"):
    return {name: s.state for name, s in stations(document, setup).items()}


def without(document, *gone):
    """The document without some readings as found, by place and quantity."""
    survey = document.surveys[0]
    kept = tuple(r for r in survey.readings if (r.place.value, r.quantity) not in gone)
    return document.but(surveys=(survey.but(readings=kept), *document.surveys[1:]))


def test_a_whole_car_waits_for_nothing(car):
    told = stations(car)
    assert {name: s.waits_for for name, s in told.items()} == {key: [] for key in told} | {
        "fit": ["the job card, worked through"]
    }
    assert {name for name, state in states(car).items() if state != "done"} == {"fit", "settle"}
    # the finding on Height is the one that flags it
    flagged = {f.station for f in evaluate(car, "plan").findings if f.grade in ("stop", "look")}
    assert {name for name, s in told.items() if s.flag} == flagged


@pytest.mark.parametrize(
    ("gone", "waits"),
    [
        (["rear_left"], "weight, rear left"),
        (["front_left", "rear_right"], "weight, front left and rear right"),
        (["front_left", "front_right", "rear_left"], "weight, three corners"),
        (["front_left", "front_right", "rear_left", "rear_right"], "weight, all corners"),
    ],
)
def test_a_survey_names_the_corners_it_waits_for(car, gone, waits):
    told = stations(without(car, *((p, "mass") for p in gone)))
    assert told["survey"].waits_for == [waits]
    assert told["survey"].state == "begun"
    assert told["sheet"].waits_for == [f"survey: {waits}"]


def test_brief_untouched_begun_done(car):
    assert states(car.but(brief=Brief()))["brief"] == "untouched"
    assert states(car.but(brief=Brief(use="circuit")))["brief"] == "begun"
    assert states(car.but(brief=Brief(keep="the ramp")))["brief"] == "done"
    assert states(car.but(brief=Brief(complaint="floats")))["brief"] == "done"
    assert stations(car.but(brief=Brief()))["brief"].waits_for == ["what is wrong now"]


def test_geometry_names_what_is_missing_by_end(car):
    bare = with_end(car, "rear", track=None, unsprung_mass=None, spring=Mount(), limits=Limits())
    assert stations(bare)["geometry"].waits_for == [
        "rear track", "rear motion ratio", "rear unsprung mass", "rear full droop",
    ]  # fmt: skip
    bare = bare.but(vehicle=bare.vehicle.but(wheelbase=None))
    told = stations(bare)["geometry"]
    assert (told.waits_for[0], told.state) == ("wheelbase", "untouched")
    axle = with_end(car, "rear", layout="live axle", spring=Mount(ratio=RatioTyped(value=1.0)))
    assert stations(axle)["geometry"].waits_for == ["rear distance between the springs"]
    assert not stations(with_end(axle, "rear", spring_base=1.0))["geometry"].waits_for
    assert car.vehicle.wheelbase == LengthValue(value=2.44, how="tape")


def test_springs_height_and_travel_name_their_corners(car):
    bare = with_side(car, "plan", "front_right", spring=None)
    assert stations(bare)["springs"].waits_for == ["front right spring"]
    assert states(bare)["springs"] == "begun"
    bare = with_side(car, "plan", "rear_left", hub_to_arch=None)
    assert stations(bare)["height"].waits_for == ["rear left height"]
    assert stations(bare, "found")["height"].waits_for == []
    collar = with_side(bare, "plan", "rear_left", set_by="collar", collar=0.01)
    assert stations(collar)["height"].waits_for == []
    other = with_side(bare, "plan", "rear_left", set_by="free angle", collar=0.01)
    assert stations(other)["height"].waits_for == ["rear left height"]
    bare = with_end(car, "front", bump_stop=None, limits=Limits(droop=0.42))
    assert stations(bare)["travel"].waits_for == [
        "front bump stop and shaft", "front hub to arch when the tyre meets the arch",
    ]  # fmt: skip


def test_a_bike_waits_for_its_walk():
    bike = magpie()
    assert stations(bike)["survey"].waits_for == []
    pulls = [("rear", f"rider_{p}") for p in ("lifted", "pressed")]
    assert stations(without(bike, *pulls))["survey"].waits_for == ["rear height, rider on"]
    alone = [("front", f"bike_{p}") for p in ("lifted", "pressed")]
    told = stations(without(bike, *alone))["survey"].waits_for
    assert told == ["front height, bike alone"]
    flat = with_end(bike, "rear", travel=None, limits=Limits())
    assert stations(flat)["travel"].waits_for == ["rear travel"]
    upright = with_end(bike, "front", fork=None)
    assert "front rake" in stations(upright)["geometry"].waits_for


def test_a_survey_without_readings_is_untouched(car):
    assert states(car.but(surveys=()))["survey"] == "untouched"
    empty = car.but(surveys=(car.surveys[0].but(readings=()),))
    assert states(empty)["survey"] == "untouched"


def test_a_setup_on_the_wheels_waits_for_its_heights_and_a_plan_for_nothing():
    car = settled_nettle().document
    assert states(car, "fitted")["settle"] == "done"
    assert states(car, "plan")["settle"] == "untouched"
    bare = car.but(surveys=car.surveys[:1])
    assert stations(bare, "fitted")["settle"].waits_for == ["heights once it stands"]
    half = set_down(bare, "fitted", {"front_left": 0.354, "rear_right": 0.352})
    assert stations(half, "fitted")["settle"].waits_for == ["heights once it stands, front right and rear left"]
    assert states(half, "fitted")["settle"] == "begun"
    bike = settled_magpie().document
    assert stations(bike.but(surveys=bike.surveys[:1]), "ridden")["settle"].waits_for == ["sags once it stands"]
