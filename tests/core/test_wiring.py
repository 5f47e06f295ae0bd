"""Where figures are put together: small things by value that no larger test would miss."""

from math import atan, pi, sqrt
from types import SimpleNamespace

import pytest

from feder.core.benches.sag.levers import levers
from feder.core.benches.springs.candidates import candidates
from feder.core.document.base import LengthValue, MassValue, RateValue
from feder.core.document.document import LoadItem, LoadState
from feder.core.document.setup import Clicks, Seat, SpringPart, TorsionBarPart
from feder.core.document.survey import Reading
from feder.core.document.vehicle import AntiRollBar, HardPart, Limits, Mount, RatioFromSweep, RatioTyped
from feder.core.numbers.working import trail
from feder.core.report.compare import compare
from feder.core.report.evaluate import evaluate
from feder.core.report.explain import figures_of
from feder.core.report.shapes import Figure
from feder.core.report.uncertainty import uncertainty
from feder.demo.bramble import bramble
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from feder.sheet.paper import conditions_of, filled
from tests.changes import with_end, with_side

G = 9.80665
REAR, FRONT = ("rear_left", "rear_right"), ("front_left", "front_right")


def test_the_turns_of_a_lever_are_its_move_over_the_lead():
    bike = magpie()
    rows = [
        r for r in levers(bike, "plan", "two-up", "seat", 0.790) if r.member == "collar" and r.turns is not None
    ]
    assert rows
    for row in rows:
        pitch = getattr(bike.setups[1].sides, row.place).seat.pitch
        assert row.turns == pytest.approx(row.amount / pitch)


def test_the_mean_of_repeats_is_as_sure_as_their_root_says(car):
    survey = car.surveys[0]
    four = tuple(Reading(place="rear_left", quantity="mass", value=207.0, how="scales") for _ in range(4))
    rest = tuple(r for r in survey.readings if not (r.place == "rear_left" and r.quantity == "mass"))
    repeated = car.but(surveys=(survey.but(readings=(*rest, *four)),))

    def share(document):
        told = uncertainty(document, "found", "corners.rear_left.corner_load")
        return next(s for s in told.shares if s.label == "rear left scale reading")

    assert share(repeated).tolerance == pytest.approx(share(car).tolerance / 2)
    assert share(repeated).effect == pytest.approx(share(car).effect / 2)


def test_a_change_that_takes_the_figure_away_is_no_cause_of_its_difference(car):
    loose = car.setups[1].sides.rear_left.spring.but(free_length=None)
    other = car.setups[1].but(id="other", name="other")
    both = car.but(setups=(*car.setups, other))
    for place in REAR:
        both = with_side(both, "other", place, spring=loose, hub_to_arch=0.345)
    told = compare(both, "plan", "other", "corners.rear_left.hub_to_arch")
    assert [c.words for c in told.causes] == ["rear heights and collars"]
    assert told.causes[0].effect == pytest.approx(-0.007)


def test_whole_travel_is_told_only_between_a_droop_and_a_bump_below_it(car):
    above = with_end(car, "rear", limits=Limits(droop=0.402, solid=0.301, contact=0.410))
    corner = evaluate(above, "plan").corners["rear_left"]
    assert corner.sag.value == pytest.approx(0.402 - 0.352)
    assert corner.sag_fraction is None
    assert corner.travel_in_all is None
    corner = evaluate(car, "plan").corners["rear_left"]
    assert corner.travel_in_all.value == pytest.approx(0.402 - 0.301)
    assert corner.sag_fraction.value == pytest.approx(0.050 / 0.101)


def test_things_of_one_name_are_told_apart_and_others_keep_theirs():
    car = sedge()
    items = (
        LoadItem(name="box", mass=30, x=2.0, y=0.1),
        LoadItem(name="box", mass=40, x=2.5, y=0.0),
        LoadItem(name="dog", mass=25, x=2.4, y=0.0),
    )
    car = car.but(loads=(LoadState(id="trip", name="trip", items=items),))
    labels = {
        n.step.label
        for n in trail(evaluate(car, "plan", "trip").corners["rear_left"].mass.value)
        if hasattr(n.step, "label")
    }
    assert {"box, thing 1 mass", "box, thing 2 mass", "dog mass"} <= labels


def test_equal_springs_at_equal_wheels_are_not_compared_at_the_wheel(car):
    def told(front, rear):
        document = car
        for places, rate in ((FRONT, front), (REAR, rear)):
            for place in places:
                part = getattr(car.setups[1].sides, place).spring
                document = with_side(document, "plan", place, spring=part.but(rate=RateValue(value=rate)))
        return "compare_at_the_wheel" in {f.rule for f in evaluate(document, "plan").findings}

    assert not told(50e3, 50e3)
    assert told(50e3, 60e3)


def test_the_first_part_to_touch_in_a_lean_is_named():
    bike = magpie()
    low = HardPart(name="low peg", height=0.250, half_width=0.330, x=0.86)
    high = HardPart(name="high pipe", height=0.400, half_width=0.300, x=0.90)
    for parts in ((low, high), (high, low)):
        made = evaluate(bike.but(vehicle=bike.vehicle.but(hard_parts=parts)), "found").steering
        assert made.lean_part == "low peg"
        assert made.lean.value == pytest.approx(atan(0.250 / 0.330), abs=0.02)


def test_oil_pushes_within_its_stroke_only():
    bike = with_end(magpie(), "front", fork=magpie().vehicle.ends.front.fork.but(bore=0.040))
    stood = evaluate(bike, "found").corners["front"]
    assert stood.push is not None
    topped = with_side(bike, "plan", "front", set_by="height", hub_to_arch=stood.hub_to_arch.value + 0.2)
    assert evaluate(topped, "plan").corners["front"].push is None


@pytest.mark.parametrize("name", ["nettle", "sedge", "bramble", "tansy", "teasel"])
def test_shares_of_the_load_by_hand_in_every_setup_and_state(name):
    document = {"nettle": nettle, "sedge": sedge, "bramble": bramble, "tansy": tansy, "teasel": teasel}[name]()
    for setup in document.setups:
        for state in (None, *(s.id for s in document.loads)):
            report = evaluate(document, setup.id, state)
            if report.equilibrium:
                continue
            fl, fr, rl, rr = (report.corners[p].mass.value for p in (*FRONT, *REAR))
            v = report.vehicle
            assert v.total_mass.value == pytest.approx(fl + fr + rl + rr)
            assert v.front_fraction.value == pytest.approx((fl + fr) / (fl + fr + rl + rr))
            assert v.left_fraction.value == pytest.approx((fl + rl) / (fl + fr + rl + rr))
            assert v.cross_fraction.value == pytest.approx((fr + rl) / (fl + fr + rl + rr))
            for end, pair in (("front", FRONT), ("rear", REAR)):
                told = report.ends[end]
                assert told.axle_mass.value == pytest.approx(sum(report.corners[p].mass.value for p in pair))
                assert told.sprung_mass.value == pytest.approx(
                    sum(report.corners[p].sprung_mass.value for p in pair) / 2
                )
                hubs = [report.corners[p].hub_to_arch.value for p in pair]
                assert told.hub_to_arch.value == pytest.approx(sum(hubs) / 2)
                if told.frequency is not None:
                    assert told.frequency.value == pytest.approx(
                        sqrt(told.wheel_rate.value / told.sprung_mass.value) / 2 / pi
                    )
                low, high = told.frequency_low.value, told.frequency_high.value
                assert low < high


def test_a_sweep_whose_highest_pair_stands_last_reads_the_same(car):
    points = tuple((0.30 + 0.02 * i, 0.2 + 0.015 * i + 0.0004 * i * i) for i in range(6))
    one, other = (
        evaluate(with_end(car, "rear", spring=Mount(ratio=RatioFromSweep(points=p))), "plan").corners["rear_left"]
        for p in (points, points[::-1])
    )
    assert figures_of_corner(one) == pytest.approx(figures_of_corner(other))


def figures_of_corner(corner):
    return [float(getattr(corner, n).value) for n in ("motion_ratio", "wheel_rate", "spring_length", "collar")]


def test_a_twin_of_a_part_is_moved_in_every_setup_that_holds_it(car):
    part = car.setups[0].sides.rear_left.spring
    kept = with_side(
        car, "plan", "rear_left", spring=part, seat=None, set_by="collar", collar=0.0, hub_to_arch=None
    )
    told = uncertainty(kept, "plan", "corners.rear_left.spring_force")
    rate = next(s for s in told.shares if s.label.endswith("rate") and "rear left" in s.label)
    assert rate.document_path.startswith("setups.")
    assert rate.share < 0.02  # the very spring, at its own place: an error of its rate is in both


def test_a_bar_that_is_unhooked_or_in_another_hole_changes_roll_by_its_rate(car):
    bar = AntiRollBar(rate=RateValue(value=20e3), motion_ratio=0.6)
    with_bar = with_end(car, "rear", bar=bar)
    base, now = (evaluate(d, "plan").vehicle.rear_roll_stiffness.value for d in (car, with_bar))
    assert now - base == pytest.approx(20e3 * 0.36 * 1.380**2)


def test_the_band_of_heights_that_friction_holds():
    from feder.core.document.base import ForceValue

    car = with_end(nettle(), "front", friction=ForceValue(value=150.0))
    corner = evaluate(car, "plan").corners["front_left"]
    assert corner.height_band.value == pytest.approx(150 / corner.wheel_rate.value)


def test_clicks_of_unlike_datums_and_past_their_range_are_told_apart(car):
    def rules(**sides):
        document = car
        for place, clicks in sides.items():
            document = with_side(document, "plan", place, rebound=clicks)
        return {(f.rule, f.place) for f in evaluate(document, "plan").findings}

    assert ("clicks_past_range", "rear_left") in rules(rear_left=Clicks(count=19, of=18))
    assert ("clicks_past_range", "rear_left") not in rules(rear_left=Clicks(count=18, of=18))


def test_unsprung_mass_of_one_end_is_not_that_of_the_other(car):
    for end, places in (("front", FRONT), ("rear", REAR)):
        heavier = with_end(car, end, unsprung_mass=MassValue(value=44))
        was, now = evaluate(car, "found").corners, evaluate(heavier, "found").corners
        before = getattr(car.vehicle.ends, end).unsprung_mass.value
        for place in was:
            lost = 44 - before if place in places else 0.0
            assert now[place].sprung_mass.value == pytest.approx(was[place].sprung_mass.value - lost)


def test_the_middle_stands_in_for_a_load_whose_place_is_not_told():
    car = sedge()
    item = LoadItem(name="crate", mass=100, x=None, y=None)
    car = car.but(loads=(LoadState(id="c", name="c", items=(item,)),))
    base, now = evaluate(car, "found"), evaluate(car, "found", "c")
    rear = sum(now.corners[p].mass.value - base.corners[p].mass.value for p in REAR)
    assert rear == pytest.approx(50.0, abs=0.05)
    assert now.corners["rear_left"].mass.assumed


def test_a_dial_of_the_setup_changes_only_its_own_corner_figures(car):
    pitch = car.setups[1].sides.rear_left.seat.pitch
    finer = with_side(car, "plan", "rear_left", seat=car.setups[1].sides.rear_left.seat.but(pitch=pitch / 2))
    was, now = figures_of(evaluate(car, "plan")), figures_of(evaluate(finer, "plan"))
    off = {k for k in was if float(was[k].value) != float(now[k].value)}
    assert off == {"corners.rear_left.collar_turns"}
    assert now["corners.rear_left.collar_turns"].value == pytest.approx(
        2 * was["corners.rear_left.collar_turns"].value
    )


def test_wheelbase_and_height_of_the_centre_of_gravity_say_when_braking_meets_the_stop(car):
    low = car.but(vehicle=car.vehicle.but(sprung_cg_height=LengthValue(value=0.40)))
    high = car.but(vehicle=car.vehicle.but(sprung_cg_height=LengthValue(value=0.60)))
    a, b = (evaluate(d, "plan").corners["front_left"].stop_braking.value for d in (low, high))
    assert a / b == pytest.approx(1.5)


def test_a_torsion_bar_by_its_measured_rate_and_by_its_dimensions():
    car = tansy()
    bar = car.setups[1].sides.rear_left.spring
    assert isinstance(bar, TorsionBarPart)
    rate = pi * bar.shear_modulus * (bar.diameter**4 - bar.bore**4) / (32 * bar.effective_length)
    assert evaluate(car, "plan").corners["rear_left"].angular_rate.value == pytest.approx(
        rate if bar.angular_rate is None else bar.angular_rate.value
    )


def test_a_typed_seat_stands_before_the_spring_found(car):
    seat = Seat(length=0.200, hub_to_arch=0.380)
    typed = with_side(car, "plan", "rear_left", seat=seat)
    corner = evaluate(typed, "plan").corners["rear_left"]
    part = car.setups[1].sides.rear_left.spring
    assert isinstance(part, SpringPart)
    length = part.free_length - corner.spring_force.value / part.rate.value
    assert corner.collar.value == pytest.approx(0.200 - 0.72 * (0.380 - 0.352) - length)
    told = with_end(typed, "rear", spring=Mount(ratio=RatioTyped(value=0.72)))
    assert evaluate(told, "plan").corners["rear_left"].collar.value == pytest.approx(corner.collar.value)


def test_a_front_candidate_is_told_what_the_rear_is_over_it(car):
    part = car.setups[1].sides.front_left.spring
    softer = part.but(code="soft", rate=RateValue(value=30e3))
    for end, tried in (("front", softer), ("rear", softer)):
        (row,) = candidates(car, "plan", end, [tried], "all")
        other = evaluate(car, "plan").ends["rear" if end == "front" else "front"].frequency.value
        over = other / row.frequency.value - 1 if end == "front" else row.frequency.value / other - 1
        assert row.over_front.value == pytest.approx(over)


def test_a_collar_lever_is_the_collar_also_where_a_height_was_asked_for():
    bike = magpie()
    hub = evaluate(bike, "plan").corners["rear"].hub_to_arch.value
    asked = with_side(bike, "plan", "rear", set_by="height", hub_to_arch=hub)
    row = next(
        r for r in levers(asked, "plan", "two-up", "seat", 0.800) if r.member == "collar" and r.place == "rear"
    )
    assert row.amount is not None
    done = with_side(asked, "plan", "rear", set_by="collar", collar=row.value)
    assert evaluate(done, "plan", "two-up").steering.seat_height.value == pytest.approx(0.800, abs=2e-4)


def test_without_a_survey_or_conditions_the_sheet_says_nothing_of_them(car):
    assert conditions_of(car.but(surveys=())) == ""
    assert "driver aboard" in conditions_of(car)


def test_a_length_below_two_centimetres_is_told_to_a_tenth(car):
    def text(value):
        return filled(SimpleNamespace(numbers={"now": Figure(value, "m")}, text="{now}"), "metric")

    assert text(0.0195) == "19.5 mm"
    assert text(0.021) == "21 mm"
