"""What a setup replaces of an end: leaves by coilovers, tyres, arms, ball joints and links, by hand."""

from math import asin, radians, sin, sqrt

import pytest
from pydantic import ValidationError

from feder.core.benches.acts import ChooseSpring
from feder.core.benches.springs.candidates import candidates
from feder.core.benches.springs.choose import perched
from feder.core.document.base import MassValue, RateValue
from feder.core.document.conversion import EndChange
from feder.core.document.leaf import LeafPart
from feder.core.document.setup import Seat, SpringPart
from feder.core.document.vehicle import AntiRollBar, Limits, LowerArm, Mount, RatioTyped, Tyre
from feder.core.report.compare import compare
from feder.core.report.evaluate import evaluate
from feder.core.report.uncertainty import uncertainty
from feder.demo.sedge import sedge
from tests.changes import applied, with_end, with_side

REAR = ("rear_left", "rear_right")
G = 9.80665
LEAF = LeafPart(code="three leaves", rate=RateValue(value=24e3))
COIL = SpringPart(code="soft 250", rate=RateValue(value=35e3), free_length=0.250)
MOUNTS = {
    "layout": "live axle",
    "spring": Mount(ratio=RatioTyped(value=0.9)),
    "limits": Limits(droop=0.455, solid=0.330),
    "spring_base": 1.05,
}


def on_leaves(leaf=LEAF):
    """The estate on leaves, as found and in its plan, its ratio at the axle not typed."""
    car = with_end(sedge(), "rear", spring=Mount())
    for setup in ("found", "plan"):
        for place in REAR:
            car = with_side(car, setup, place, spring=leaf, seat=None, set_by="height", collar=None, beside=None)
    for place in REAR:
        car = with_side(car, "plan", place, hub_to_arch=None)
    return car


def replaced(car, end="rear", **members):
    plan = car.setups[1].but(**{f"{end}_end": EndChange(**members)})
    return car.but(setups=(car.setups[0], plan, *car.setups[2:]))


def on_coils(car, height=0.360):
    car = replaced(car, **MOUNTS)
    for place in REAR:
        car = with_side(
            car, "plan", place, spring=COIL, seat=Seat(length=0.23, hub_to_arch=0.4), hub_to_arch=height
        )
    return car


def test_leaves_carry_the_axle_itself_with_their_rate_three_ways():
    for leaf, rate in (
        (LEAF, 24e3),
        (LEAF.but(sagged=((0.20, 1000.0), (0.17, 1900.0))), 30e3),
        (LeafPart(code="n", leaves=5, width=0.06, thickness=0.007, length=1.2), 8 * 206e9 * 5 * 0.06 * 0.007**3 / 3 / 1.2**3),
    ):  # fmt: skip
        corner = evaluate(on_leaves(leaf), "found").corners["rear_left"]
        assert corner.motion_ratio.value == 1.0
        assert not corner.motion_ratio.assumed
        assert corner.spring_rate.value == pytest.approx(rate)
        assert corner.wheel_rate.value == pytest.approx(rate)
        assert corner.spring_rate.assumed == (leaf.rate is None and leaf.sagged is None)
        sprung = corner.sprung_mass.value
        assert corner.frequency.value == pytest.approx(sqrt(rate / sprung) / 6.283185307)
        assert corner.collar is None


def test_a_block_under_the_leaves_lowers_by_its_thickness_at_the_axle():
    car = on_leaves()
    for place in REAR:
        car = with_side(car, "plan", place, set_by="collar", collar=-0.030)
    for place in ("front_left", "front_right"):
        hub = evaluate(car, "found").corners[place].hub_to_arch.value
        car = with_side(car, "plan", place, set_by="height", hub_to_arch=hub)
    found, plan = evaluate(car, "found"), evaluate(car, "plan")
    drop = [found.corners[p].hub_to_arch.value - plan.corners[p].hub_to_arch.value for p in REAR]
    assert sum(drop) / 2 == pytest.approx(0.030, abs=1e-3)


def test_leaves_become_coilovers_with_ratio_limits_and_base_of_their_own_and_as_found_stays():
    car = on_leaves()
    made = on_coils(car)
    assert made.setups[0] == car.setups[0]
    assert made.vehicle == car.vehicle
    was, now = evaluate(car, "found"), evaluate(made, "plan")
    assert (
        evaluate(made, "found").corners["rear_left"].wheel_rate.value == was.corners["rear_left"].wheel_rate.value
    )
    corner = now.corners["rear_left"]
    assert corner.hub_to_arch.value == 0.360
    assert corner.wheel_rate.value == pytest.approx(35e3 * 0.81)
    assert corner.droop.value == pytest.approx(0.360 - 0.455)
    assert corner.solid.value == pytest.approx(0.360 - 0.330)
    track = made.vehicle.ends.rear.track
    force = corner.spring_force.value
    length = COIL.free_length - force / 35e3
    # seat read at 0.4: at 0.36 the seats have come together by the spring's travel
    assert corner.spring_length.value == pytest.approx(length)
    assert corner.collar.value == pytest.approx(0.23 - 0.9 * 0.04 - length, abs=1e-3)
    axle = (now.corners["rear_left"].wheel_rate.value + now.corners["rear_right"].wheel_rate.value) / 2
    assert now.vehicle.rear_roll_stiffness.value == pytest.approx(axle * 1.05**2 / 2)
    assert was.vehicle.rear_roll_stiffness.value != pytest.approx(axle * track**2 / 2)


def test_of_another_layout_what_was_not_told_is_not_known():
    made = replaced(on_leaves(), layout="live axle")
    corner = evaluate(made, "plan").corners["rear_left"]
    assert corner.droop is None
    assert corner.solid is None
    assert corner.damping_ratio is None
    assert corner.mass.assumed  # unsprung mass as found, and marked
    for place in REAR:
        made = with_side(made, "plan", place, spring=COIL)
    assert evaluate(made, "plan").corners["rear_left"].wheel_rate is None


def test_comparison_tells_what_each_change_did():
    car = on_leaves()
    made = on_coils(car)
    both = made.but(setups=(*car.setups, made.setups[1].but(id="coils", name="coils", parent="plan")))
    causes = compare(both, "plan", "coils", "corners.rear_left.wheel_rate").causes
    assert causes[0].words.startswith("rear")
    assert causes[0].effect == pytest.approx(35e3 * 0.81 - 24e3)
    droop = compare(both, "plan", "coils", "ends.rear.frequency").causes
    assert any("springs" in c.words for c in droop)


def test_another_tyre_moves_its_contact_until_that_is_read_again(car):
    radius = car.vehicle.ends.rear.tyre.radius
    was = evaluate(car, "plan").corners["rear_left"].contact
    now = evaluate(replaced(car, tyre=Tyre(radius=radius + 0.008)), "plan").corners["rear_left"].contact
    assert now.value == pytest.approx(was.value - 0.008)
    assert now.assumed
    read = replaced(car, tyre=Tyre(radius=radius + 0.008), limits=Limits(contact=0.290))
    now = evaluate(read, "plan").corners["rear_left"].contact
    assert now.value == pytest.approx(0.352 - 0.290)
    assert not now.assumed
    # the damper's limits, which were not told anew, are those found
    assert evaluate(read, "plan").corners["rear_left"].droop.value == pytest.approx(0.352 - 0.402)


def test_unsprung_mass_of_a_setup_is_on_its_wheels_and_not_on_its_springs(car):
    was = evaluate(car, "plan").corners["rear_left"]
    now = evaluate(replaced(car, unsprung_mass=MassValue(value=35)), "plan").corners["rear_left"]
    assert now.sprung_mass.value == was.sprung_mass.value
    assert now.mass.value == pytest.approx(was.mass.value + 7)


def test_a_spacer_at_the_ball_joint_lowers_the_outer_end_of_the_arm(car):
    car = with_end(car, "front", lower_arm=LowerArm(length=0.34, angle=radians(-4), hub_to_arch=0.376))
    spaced = replaced(car, "front", joint_spacer=0.020)
    hub = evaluate(car, "plan").corners["front_left"].hub_to_arch.value
    wanted = asin(sin(radians(-4)) - (hub - 0.376 + 0.020) / 0.34)
    assert evaluate(spaced, "plan").ends["front"].lower_arm_angle.value == pytest.approx(wanted)
    assert evaluate(spaced, "found").ends["front"].lower_arm_angle.value == pytest.approx(radians(-4))


def test_links_that_leave_the_arms_of_the_bar_as_they_were(car):
    bar = AntiRollBar(rate=RateValue(value=20e3), motion_ratio=0.6, link_length=0.250)
    car = with_end(car, "front", bar=bar)
    drop = sum(evaluate(car, "plan").corners[p].drop.value for p in ("front_left", "front_right")) / 2
    assert evaluate(car, "plan").ends["front"].link_length.value == pytest.approx(0.250 - 0.6 * drop)


def test_an_assumed_ratio_of_a_replaced_end_has_its_uncertainty(car):
    made = replaced(car, "front", spring=Mount.model_validate({"ratio": {"kind": "assumed"}}))
    told = uncertainty(made, "plan", "corners.front_left.motion_ratio")
    assert [(s.document_path, s.share) for s in told.shares] == [("setups.1.front_end.spring.ratio", 1.0)]


@pytest.mark.parametrize(
    ("members", "words"),
    [
        ({}, "rate is needed"),
        ({"leaves": 4, "width": 0.05}, "rate is needed"),
        ({"sagged": ((0.2, 2000.0), (0.1, 1000.0))}, "the greater load must stand lower"),
    ],
)
def test_a_leaf_spring_that_says_too_little_is_refused(members, words):
    with pytest.raises(ValidationError, match=words):
        LeafPart(code="x", **members)


def test_on_other_mounts_there_is_no_standard_perch_and_a_chosen_spring_stands_as_found_until_asked():
    car = replaced(on_leaves(), **MOUNTS)
    for place in REAR:
        car = with_side(
            car, "plan", place, spring=COIL.but(quoted_drop=0.03, free_length=None), set_by="collar", collar=0.0
        )
    # a drop is quoted against the standard spring in its own place: here it says nothing
    report = evaluate(car, "plan")
    assert report.corners["rear_left"].hub_to_arch is None
    words = [w.words for w in report.waits["height rear"]]
    assert words == ["the rear seat length in this setup, or a height asked for", "the free length of soft 250"]
    assert not perched(car, "plan", "rear")
    chosen = applied(car, "plan", ChooseSpring(act="choose spring", end="rear", part=COIL))
    for place in REAR:
        side = getattr(chosen.setups[1].sides, place)
        assert side.set_by == "height"
        assert side.hub_to_arch == pytest.approx(evaluate(car, "found").corners[place].hub_to_arch.value)
    bare = replaced(on_leaves(), layout="live axle")
    for place in REAR:
        bare = with_side(bare, "plan", place, spring=COIL)
    assert "the rear motion ratio in this setup" in [w.words for w in evaluate(bare, "plan").waits["rate rear"]]
    assert all(w.offer is None for w in evaluate(bare, "plan").waits["rate rear"])


def test_candidates_are_judged_on_the_tyre_of_the_setup(car):
    car = car.but(brief=car.brief.but(frequency_basis="with tyre"))
    soft = replaced(car, tyre=Tyre(rate=RateValue(value=90e3)))
    part = car.setups[1].sides.rear_left.spring
    (row,) = candidates(soft, "plan", "rear", [part], "all")
    rate, mass = 60e3 * 0.72**2, evaluate(soft, "plan").ends["rear"].sprung_mass.value
    both = rate * 90e3 / (rate + 90e3)
    assert row.frequency.value == pytest.approx(sqrt(both / mass) / 6.283185307)
