"""A damper of another length in a setup: limits, stop and hold by hand, constant ratios and a curve, one side and both."""

import numpy as np
import pytest
from scipy.integrate import quad
from scipy.optimize import brentq

from feder.calc.answer import answer
from feder.core.benches.acts import TakeBody
from feder.core.document.base import Place
from feder.core.document.vehicle import Limits, Mount, RatioFromSweep
from feder.core.report.compare import compare
from feder.core.report.evaluate import evaluate
from feder.demo.nettle import nettle
from tests.changes import applied, with_end, with_side

LEFT, RIGHT = "rear_left", "rear_right"


def longer(document, by, *places):
    for place in places or (LEFT, RIGHT):
        document = with_side(document, "plan", place, body=by)
    return document


def damper_ratio(car):
    return car.vehicle.ends.rear.damper.ratio.value


@pytest.mark.parametrize("by", [-0.0164, 0.008])
def test_limits_and_stop_move_by_the_length_over_the_ratio_and_the_tyre_stays(car, by):
    ratio, limits = damper_ratio(car), car.vehicle.ends.rear.limits
    was, now = evaluate(car, "plan").corners, evaluate(longer(car, by), "plan").corners
    for place in (LEFT, RIGHT):
        hub = now[place].hub_to_arch.value
        assert hub == was[place].hub_to_arch.value
        # longer: hangs deeper, is solid sooner
        assert now[place].droop.value == pytest.approx(hub - (limits.droop + by / ratio))
        assert now[place].solid.value == pytest.approx(hub - (limits.solid + by / ratio))
        assert now[place].contact.value == was[place].contact.value
        assert now[place].stop_gap.value == pytest.approx(was[place].stop_gap.value - by)
        assert now[place].stop.value == pytest.approx(was[place].stop.value - by / ratio)
        # the spring stands elsewhere: its length at ride stays, at full droop it has so much more room
        assert now[place].spring_length.value == was[place].spring_length.value
        assert now[place].held_at_droop.value == pytest.approx(was[place].held_at_droop.value - by / ratio * 0.72)
    assert now["front_left"].droop.value == was["front_left"].droop.value


def test_one_side_alone(car):
    was, now = evaluate(car, "plan").corners, evaluate(longer(car, -0.010, LEFT), "plan").corners
    assert now[LEFT].droop.value == pytest.approx(was[LEFT].droop.value + 0.010 / damper_ratio(car))
    assert now[RIGHT].droop.value == was[RIGHT].droop.value


def test_through_a_curve_the_limits_move_as_far_as_the_curve_says(car):
    def ratio(hub):
        return 0.95 + (hub - 0.352) / 0.068 * 0.14

    seats = np.linspace(0.270, 0.420, 60)
    points = tuple((float(h), 0.3 + quad(ratio, 0.270, float(h))[0]) for h in seats)
    car = with_end(car, "rear", damper=Mount(ratio=RatioFromSweep(points=points)),
                   limits=Limits(droop=0.400, solid=0.295, contact=0.284))  # fmt: skip
    corner = evaluate(longer(car, -0.012), "plan").corners[LEFT]
    for limit, told in ((0.400, corner.droop), (0.295, corner.solid)):
        moved = brentq(lambda h, a=limit: quad(ratio, h, a)[0] - 0.012, 0.25, limit)
        assert told.value == pytest.approx(0.352 - moved, abs=5e-5)


def test_lowered_at_the_collar_the_body_is_taken_and_holds_the_spring_with_the_tyre_told_first(car):
    low = car
    for place in (LEFT, RIGHT):
        collar = evaluate(car, "plan").corners[place].collar.value
        low = with_side(low, "plan", place, set_by="collar", collar=collar - 0.020)
    for place in ("front_left", "front_right"):
        low = with_side(
            low, "plan", place, set_by="collar", collar=evaluate(car, "plan").corners[place].collar.value
        )
    before = evaluate(low, "plan").corners
    assert before[LEFT].held_at_droop.value < 0
    taken = applied(low, "plan", TakeBody(act="take body", place=Place.REAR_LEFT, together=True))
    bodies = [getattr(taken.setups[1].sides, p).body for p in (LEFT, RIGHT)]
    wanted = [(before[p].held_at_droop.value - 0.003) / 0.72 * damper_ratio(car) for p in (LEFT, RIGHT)]
    assert bodies == pytest.approx([min(wanted)] * 2, abs=6e-5)
    report = evaluate(taken, "plan")
    held = [report.corners[p].held_at_droop.value for p in (LEFT, RIGHT)]
    assert min(held) == pytest.approx(0.003, abs=1e-4)
    assert report.corners[LEFT].hub_to_arch.value == before[LEFT].hub_to_arch.value
    # the shorter body lets the wheel come to the arch before the damper is solid
    assert report.corners[LEFT].contact.value < report.corners[LEFT].solid.value
    assert ("tyre_before_solid", "rear_left") in {(f.rule, f.place) for f in report.findings} or report.corners[
        LEFT
    ].first_limit in ("T", "H")
    assert taken.setups[0] == car.setups[0]
    one = applied(low, "plan", TakeBody(act="take body", place=Place.REAR_RIGHT))
    assert getattr(one.setups[1].sides, LEFT).body is None
    assert getattr(one.setups[1].sides, RIGHT).body == pytest.approx(wanted[1], abs=6e-5)


def test_a_perch_on_the_body_moves_with_it_where_its_seat_is_the_one_found(car):
    car = with_side(with_side(car, "plan", "front_left", seat=None), "plan", "front_right", seat=None)
    was = evaluate(car, "plan").corners["front_left"]
    moved = with_side(with_side(car, "plan", "front_left", body=0.006), "plan", "front_right", body=0.006)
    now = evaluate(moved, "plan").corners["front_left"]
    assert now.hub_to_arch.value == was.hub_to_arch.value
    assert now.collar.value == pytest.approx(was.collar.value - 0.006)
    assert now.droop.value == pytest.approx(was.droop.value - 0.006 / 0.96)


def test_comparison_names_the_damper_and_a_body_longer_than_its_shaft_shuts_nothing(car):
    both = car.but(setups=(*car.setups, longer(car, -0.01).setups[1].but(id="short", name="short", parent="plan")))
    told = compare(both, "plan", "short", "corners.rear_left.droop")
    assert [c.words for c in told.causes] == ["rear damper length"]
    assert told.causes[0].effect == pytest.approx(0.01 / damper_ratio(car))
    report = evaluate(longer(nettle(), 0.15), "plan")
    assert report.corners[LEFT].stop_gap.value < 0


def test_the_three_formulas_of_the_contract_by_hand():
    shift = answer("damper_shift", {"length_change": "-16.4 mm", "damper_motion_ratio": 0.82})
    assert shift["results"]["wheel_shift"]["value"] == pytest.approx(0.020)
    leaf = answer("leaf_rate", {"leaves": 5, "width": "60 mm", "thickness": "7 mm", "length": "1.2 m"})
    assert leaf["results"]["rate"]["value"] == pytest.approx(8 * 5 * 206e9 * 0.06 * 0.007**3 / (3 * 1.2**3))
    assert "15 %" in leaf["notes"][0]
    tyre = answer("tyre_radius", {"width": "205 mm", "aspect_ratio": 0.55, "rim_diameter": "16 in"})["results"]
    assert tyre["radius"]["value"] == pytest.approx(0.2032 + 0.11275)
    assert tyre["loaded_radius"]["value"] == pytest.approx(0.97 * 0.31595)


@pytest.mark.parametrize("typed", [True, False])
def test_pads_lift_the_body_by_their_thickness_over_the_ratio_and_count_as_collar(car, typed):
    if not typed:
        for place in ("front_left", "front_right", LEFT, RIGHT):
            car = with_side(car, "plan", place, seat=None)
    was = evaluate(car, "plan").corners
    for place in (LEFT, RIGHT):
        padded = with_side(with_side(car, "plan", LEFT, pads=0.005), "plan", RIGHT, pads=0.005)
        now = evaluate(padded, "plan").corners[place]
        # the same height asked: so much less collar, the spring as it was
        assert now.collar.value == pytest.approx(was[place].collar.value - 0.005)
        assert now.spring_length.value == was[place].spring_length.value
    # collars kept: the axle stands higher by the thickness over the ratio
    kept = car
    for place in ("front_left", "front_right", LEFT, RIGHT):
        kept = with_side(kept, "plan", place, set_by="collar", collar=was[place].collar.value)
    lifted = with_side(with_side(kept, "plan", LEFT, pads=0.005), "plan", RIGHT, pads=0.005)
    before, after = (
        evaluate(kept, "plan").ends["rear"].hub_to_arch,
        evaluate(lifted, "plan").ends["rear"].hub_to_arch,
    )
    assert after.value - before.value == pytest.approx(0.005 / 0.72, rel=2e-3)
    assert evaluate(lifted, "plan").corners[LEFT].droop.value == pytest.approx(
        evaluate(kept, "plan").corners[LEFT].droop.value + 0.005 / 0.72, abs=2e-5
    )


def test_pads_and_a_longer_body_over_a_spring_found_impossibly_soft_shut_nothing(car):
    """A rate of a tenth makes the room of the spring as found less than nothing: it is said, and nothing rests on it."""
    for place in ("front_left", "front_right", LEFT, RIGHT):
        part = getattr(car.setups[0].sides, place).spring
        soft = part.but(rate=part.rate.but(value=part.rate.value / 10))
        car = with_side(car, "found", place, spring=soft)
        car = with_side(car, "plan", place, seat=None, pads=0.005, body=0.004)
    report = evaluate(car, "plan")
    assert report.corners[LEFT].hub_to_arch.value == 0.352
    assert report.corners["front_left"].collar is None
