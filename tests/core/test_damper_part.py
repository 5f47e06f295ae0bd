"""Dampers as parts of a setup: lengths, body, gas, stop and coefficient of one beside the one found, by hand."""

from math import pi, sqrt

import pytest
from pydantic import ValidationError

from feder.core.benches.height.rings import ring_ways
from feder.core.document.base import DampingValue, Place
from feder.core.document.damper import DamperPart, DamperStop, Knob
from feder.core.document.document import document_of
from feder.core.document.setup import StackItem
from feder.core.document.vehicle import GasCharge, Mount, RatioTyped
from feder.core.report.compare import compare
from feder.core.report.evaluate import evaluate
from feder.demo.magpie import magpie
from tests.changes import with_end, with_side

LEFT, RIGHT = "rear_left", "rear_right"
RATIO = 0.94
STANDARD = DamperPart(code="STD-R", extended=0.520, shut=0.345, coefficient=DampingValue(value=1700))
KIT = DamperPart(
    code="K-38", extended=0.496, shut=0.331, body=0.250, body_least=0.235, body_most=0.275, engaged=0.040,
    least_engaged=0.025, rod_diameter=0.016, gas_pressure=11e5, coefficient=DampingValue(value=2100),
    knobs=(Knob(acts="rebound", clicks=18), Knob(acts="bump", clicks=18)),
)  # fmt: skip


def with_dampers(car, new=KIT, found=STANDARD, places=(LEFT, RIGHT), **members):
    for place in places:
        car = with_side(car, "found", place, damper=found)
        car = with_side(car, "plan", place, damper=new, **members)
    return car


def test_extended_and_shut_of_another_damper_move_droop_and_solid_each_by_its_own(car):
    was, now = evaluate(car, "plan").corners[LEFT], evaluate(with_dampers(car), "plan").corners[LEFT]
    assert now.droop.value == pytest.approx(was.droop.value + (0.520 - 0.496) / RATIO)
    assert now.solid.value == pytest.approx(was.solid.value + (0.345 - 0.331) / RATIO)
    assert now.contact.value == was.contact.value
    assert not now.droop.assumed
    # the stop as found is taken to stand on it, as far from its end: marked
    assert now.stop_gap.value == pytest.approx(was.stop_gap.value + 0.014)
    assert now.stop_gap.assumed


def test_its_body_turned_shorter_moves_both_and_the_figures_of_the_body_follow(car):
    car = with_dampers(car, body=-0.012)
    was, now = evaluate(with_dampers(car, body=None), "plan").corners[LEFT], evaluate(car, "plan").corners[LEFT]
    for limit in ("droop", "solid"):
        assert getattr(now, limit).value == pytest.approx(getattr(was, limit).value + 0.012 / RATIO)
    assert now.body_length.value == pytest.approx(0.238)
    assert now.thread_engaged.value == pytest.approx(0.052)
    found = evaluate(car, "found").corners[LEFT]
    assert found.body_length is None
    assert found.droop.value == evaluate(with_dampers(car, body=None), "found").corners[LEFT].droop.value


def test_a_top_mount_hangs_the_damper_lower_and_its_body_does_not_change(car):
    was = evaluate(with_dampers(car), "plan").corners[LEFT]
    now = evaluate(with_dampers(car, top_mount=0.005, body=0.003), "plan").corners[LEFT]
    assert now.solid.value == pytest.approx(was.solid.value - 0.008 / RATIO)
    assert now.body_length.value == pytest.approx(0.253)
    # on the strut in front it takes the spring's room with it, where the seat is the one found
    car = with_side(with_side(car, "plan", "front_left", seat=None), "plan", "front_right", seat=None)
    was = evaluate(car, "plan").corners["front_left"].collar.value
    car = with_side(with_side(car, "plan", "front_left", top_mount=0.005), "plan", "front_right", top_mount=0.005)
    assert evaluate(car, "plan").corners["front_left"].collar.value == pytest.approx(was - 0.005)


def test_a_kit_seat_on_a_strut_moves_with_the_body_it_stands_on(car):
    was = evaluate(car, "plan").corners["front_left"]
    turned = with_side(with_side(car, "plan", "front_left", body=-0.010), "plan", "front_right", body=-0.010)
    now = evaluate(turned, "plan").corners["front_left"]
    # the perch goes down with the body: the collar makes up for it, or the height follows at the old collar
    assert now.collar.value == pytest.approx(was.collar.value + 0.010)
    for place in ("front_left", "front_right", LEFT, RIGHT):
        turned = with_side(
            turned, "plan", place, set_by="collar", collar=evaluate(car, "plan").corners[place].collar.value
        )
    lower = evaluate(turned, "plan").corners["front_left"].hub_to_arch.value
    assert lower == pytest.approx(was.hub_to_arch.value - 0.010 / 0.96, abs=2e-4)


def test_gas_and_coefficient_are_its_own_and_those_untold_are_as_found_and_marked(car):
    car = with_end(car, "rear", gas=GasCharge(pressure=9e5, rod_diameter=0.014))
    corner = evaluate(with_dampers(car), "plan").corners[LEFT]
    area = pi * 0.016**2 / 4
    assert corner.push.value == pytest.approx(11e5 * area * RATIO, rel=1e-6)
    zeta = 2100 * RATIO**2 / (2 * sqrt(corner.wheel_rate.value * corner.sprung_mass.value))
    assert corner.damping_ratio.value == pytest.approx(zeta)
    found = evaluate(with_dampers(car), "found").corners[LEFT]
    zeta = 1700 * RATIO**2 / (2 * sqrt(found.wheel_rate.value * found.sprung_mass.value))
    assert found.damping_ratio.value == pytest.approx(zeta)
    assert not found.damping_ratio.assumed
    bare = KIT.but(gas_pressure=None, coefficient=None)
    corner = evaluate(with_dampers(car, bare), "plan").corners[LEFT]
    assert corner.push.value == pytest.approx(9e5 * pi * 0.014**2 / 4 * RATIO, rel=1e-6)
    assert corner.push.assumed
    assert corner.damping_ratio.assumed


def test_its_own_stop_stands_before_the_one_found_counted_from_full_extension(car):
    stop = DamperStop(length=0.050, shaft=0.150, compressible=0.6)
    car = with_dampers(car, KIT.but(stop=stop))
    for place in (LEFT, RIGHT):
        car = with_side(car, "plan", place, stop=None)
    corner = evaluate(car, "plan").corners[LEFT]
    gap = 0.150 - 0.050 + corner.droop.value * RATIO  # droop is negative: the shaft taken in since
    assert corner.stop_gap.value == pytest.approx(gap)
    assert corner.stop.value == pytest.approx(gap / RATIO)
    assert corner.hard.value == pytest.approx((gap + 0.6 * 0.050) / RATIO)
    assert not corner.stop_gap.assumed


def test_without_lengths_the_limits_are_as_found_and_marked_until_they_are_measured(car):
    bare = KIT.but(shut=None)
    corner = evaluate(with_dampers(car, bare), "plan").corners[LEFT]
    was = evaluate(car, "plan").corners[LEFT]
    assert corner.solid.value == was.solid.value
    assert corner.solid.assumed
    assert not corner.droop.assumed


def test_the_stack_at_the_seat_by_its_parts(car):
    plates = (StackItem(name="plate", thickness=0.004), StackItem(name="ring", thickness=0.006))
    was = evaluate(car, "plan").corners[LEFT].collar.value
    one = with_side(with_side(car, "plan", LEFT, stack=plates), "plan", RIGHT, stack=plates)
    assert evaluate(one, "plan").corners[LEFT].collar.value == pytest.approx(was - 0.010)
    # beside a seat as found only the difference counts
    for place in ("front_left", "front_right"):
        car = with_side(with_side(car, "plan", place, seat=None), "found", place, stack=plates[:1])
    was = evaluate(car, "plan").corners["front_left"].collar.value
    for place in ("front_left", "front_right"):
        car = with_side(car, "plan", place, stack=plates)
    assert evaluate(car, "plan").corners["front_left"].collar.value == pytest.approx(was - 0.006)
    for place in ("front_left", "front_right"):
        car = with_side(car, "plan", place, stack=())
    assert evaluate(car, "plan").corners["front_left"].collar.value == pytest.approx(was + 0.004)


def test_the_kit_chart_stands_for_a_seat_nobody_read_and_is_marked(car):
    part = car.setups[1].sides.front_left.spring
    seat = car.setups[1].sides.front_left.seat
    rows = ((0.0, 0.045), (0.030, 0.012))
    for place in ("front_left", "front_right"):
        car = with_side(car, "plan", place, seat=seat.but(length=None, hub_to_arch=None, chart=rows))
    corner = evaluate(car, "plan").corners["front_left"]
    found = evaluate(car, "found").corners["front_left"]
    force = found.corner_load.value / 0.96
    length = part.free_length - force / part.rate.value
    # each row: with the collar there the spring has its length at the height that the row tells
    rooms = [length + collar + drop * 0.96 for collar, drop in rows]
    assert corner.seat_length.value == pytest.approx(sum(rooms) / 2, abs=1e-6)
    assert corner.collar.assumed


def test_the_rule_at_the_collar_rises_or_falls_with_it(car):
    seat = car.setups[1].sides.front_left.seat
    collar = evaluate(car, "plan").corners["front_left"].collar.value
    for falls, way in ((False, 1), (True, -1)):
        document = with_side(car, "plan", "front_left", seat=seat.but(rule_at_zero=0.120, rule_falls=falls))
        assert evaluate(document, "plan").corners["front_left"].collar_rule.value == pytest.approx(
            0.120 + way * collar
        )


def test_comparison_names_the_dampers_and_the_mounts(car):
    both, kept = with_dampers(car), with_dampers(car, STANDARD)
    both = both.but(setups=(*both.setups[:1], kept.setups[1], both.setups[1].but(id="kit", name="kit")))
    told = compare(both, "plan", "kit", "corners.rear_left.droop")
    assert [c.words for c in told.causes] == ["rear dampers"]
    assert told.causes[0].effect == pytest.approx(0.024 / RATIO)


@pytest.mark.parametrize(
    ("members", "words"),
    [
        ({"extended": 0.3, "shut": 0.31}, "shut must be below extended"),
        ({"body": 0.30, "body_most": 0.29}, "body must lie within its range"),
        ({"body_least": 0.3, "body_most": 0.2}, "body_least"),
        ({"knobs": (Knob(acts="bump", clicks=3), Knob(acts="bump", clicks=9))}, "two act on the same"),
    ],
)
def test_a_damper_that_cannot_be_is_refused_with_words(members, words):
    with pytest.raises(ValidationError, match=words):
        DamperPart(code="x", **members)


def test_a_file_keeps_the_damper_and_the_one_found_is_left_alone(car):
    made = with_dampers(car, body=-0.004, top_mount=0.002)
    assert document_of(made.model_dump(mode="json")) == made
    assert made.vehicle == car.vehicle


def test_a_fork_has_two_dampers():
    motorcycle = with_side(magpie(), "found", "front", damper=None)
    part = DamperPart(code="CART", coefficient=DampingValue(value=500))
    one = evaluate(motorcycle, "plan").corners["front"].damping_ratio.value
    coefficient = motorcycle.vehicle.ends.front.damper_coefficient.value
    two = (
        evaluate(with_side(motorcycle, "plan", "front", damper=part), "plan").corners["front"].damping_ratio.value
    )
    assert two == pytest.approx(one * 500 / coefficient)


def test_through_the_ratio_of_its_own_mount(car):
    car = with_end(car, "rear", damper=Mount(ratio=RatioTyped(value=0.5)))
    was, now = evaluate(car, "plan").corners[LEFT], evaluate(with_dampers(car), "plan").corners[LEFT]
    assert now.droop.value - was.droop.value == pytest.approx(0.024 / 0.5)


def test_rings_at_the_perch_side_by_side(car):
    pad = StackItem(name="pad", thickness=0.003)
    one = with_side(with_side(car, "plan", LEFT, stack=(pad,)), "plan", RIGHT, stack=(pad,))
    ways = ring_ways(one, "plan", Place.REAR_LEFT, 0.006)
    assert [w.rings for w in ways] == [0, 1, 2]
    assert [w.chosen for w in ways] == [True, False, False]
    assert [len(w.stack) for w in ways] == [1, 2, 3]
    base = evaluate(one, "plan").corners[LEFT]
    for w in ways:
        # at the height asked for the collar gives way to the rings; its reach moves up by them over the ratio
        assert w.hub_to_arch.value == base.hub_to_arch.value
        assert w.collar.value == pytest.approx(base.collar.value - 0.006 * w.rings)
        assert w.reach_low.value == pytest.approx(base.reach_low.value + 0.006 * w.rings / 0.72)
        assert w.held_at_droop.value == pytest.approx(base.held_at_droop.value)
    fitted = with_side(one, "plan", LEFT, stack=ways[1].stack)
    assert [w.chosen for w in ring_ways(fitted, "plan", Place.REAR_LEFT, 0.006)] == [False, True, False]
