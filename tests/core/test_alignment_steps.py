"""Turns of alignment adjusters from as found to the plan, and those left: by hand."""

from math import radians

import pytest

from feder.core.document.alignment import AlignmentAdjuster
from feder.core.report.evaluate import evaluate
from feder.core.report.explain import explain
from feder.demo.nettle import nettle
from tests.changes import with_end, with_side


def set_by(**members):
    """The demo car's front with an adjuster; front left is at −2.5° in the plan."""
    return with_end(nettle(), "front", adjusters=(AlignmentAdjuster(how="plate", **members),))


def test_camber_in_marks_from_as_found_and_left_on_its_way():
    car = set_by(sets="camber", least=radians(-3.0), most=radians(1.0), step=radians(0.25))
    found = car.setups[0].sides.front_left.camber
    corner = evaluate(car, "plan").corners["front_left"]
    assert corner.camber_steps.value == pytest.approx((radians(-2.5) - found) / radians(0.25))
    assert corner.camber_left.value == pytest.approx(2.0)
    lines = explain(car, "plan", "corners.front_left.camber_left")
    assert lines[-1]["symbol"] == "n_l"
    # past its end the count is below nothing
    past = with_side(car, "plan", "front_left", camber=radians(-3.5))
    assert evaluate(past, "plan").corners["front_left"].camber_left.value == pytest.approx(-2.0)
    # the other way it is the other end
    out = with_side(car, "plan", "front_left", camber=radians(0.5))
    assert evaluate(out, "plan").corners["front_left"].camber_left.value == pytest.approx(2.0)


def test_toe_in_turns_and_what_is_not_told():
    car = set_by(sets="toe", most=0.004, step=0.0005)
    car = with_side(car, "found", "front_left", toe=0.001)
    up = evaluate(with_side(car, "plan", "front_left", toe=0.003), "plan").corners["front_left"]
    assert (up.toe_steps.value, up.toe_left.value) == (pytest.approx(4.0), pytest.approx(2.0))
    down = evaluate(with_side(car, "plan", "front_left", toe=-0.001), "plan").corners["front_left"]
    assert down.toe_steps.value == pytest.approx(-4.0)
    assert down.toe_left is None  # its lower end is not told
    found = evaluate(car, "found").corners["front_left"]
    assert found.toe_steps is None
    assert found.toe_left.value == pytest.approx(6.0)
    bare = set_by(sets="toe", most=0.004)
    assert evaluate(bare, "plan").corners["front_left"].toe_steps is None
