"""Collars, preload, swaps and stops against the positions they must produce."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import brentq

from feder.core.document.setup import StopTrim
from feder.core.document.vehicle import LowerArm
from feder.core.formulas.height import collar_move, preload, spring_swap
from feder.core.formulas.steering import arm_angle
from feder.core.formulas.travel import bump_stop, bump_travel
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.report.evaluate import evaluate
from tests.changes import with_end, with_side


@given(st.floats(1e3, 6e3), st.floats(0.4, 1.1), st.floats(2e4, 1e5), st.floats(-0.03, 0.03))
def test_a_collar_move_raises_the_wheel_to_the_balance_it_promises(load, ratio, rate, rise):
    # balance solved for: k (free - room + collar + MR z) MR = load, before and after the collar
    def stand(collar):
        return brentq(lambda z: rate * (0.1 + collar + ratio * z) * ratio - load, -2, 2)

    collar = collar_move(rise, ratio).collar
    assert stand(0) - stand(collar) == pytest.approx(rise, abs=1e-9)


def test_turns_are_collar_over_lead():
    assert collar_move(0.010, 0.96, 0.002).turns == pytest.approx(4.8)
    assert collar_move(0.010, 0.96).turns is None


def test_preload_moves_the_start_force_and_a_loose_spring_pushes_with_nothing():
    assert preload(0.180, 0.1754, 60e3) == pytest.approx((0.0046, 276.0))
    assert preload(0.160, 0.1754, 60e3) == pytest.approx((-0.0154, 0.0))


@given(st.floats(1e3, 5e3), st.floats(0.5, 1.0), st.floats(2e4, 9e4), st.floats(2e4, 9e4))
def test_a_swap_there_and_back_returns_to_the_height(load, ratio, one, other):
    there = spring_swap(load, ratio, one, 0.2, other, 0.21)
    back = spring_swap(load, ratio, other, 0.21, one, 0.2)
    assert there == pytest.approx(-back, abs=1e-12)


def test_what_a_drop_costs():
    # hub to arch 376 at rest, tyre meets at 282, drop 22: 94 mm of room, 72 left, 23.4 % lost
    found = bump_travel(0.376, 0.282, 0.022)
    assert found == pytest.approx((0.094, 0.072, 22 / 94))
    with pytest.raises(OutOfRange) as refused:
        bump_travel(0.28, 0.28, 0.01)
    assert refused.value.key == "contact_height"


def test_stop_lengths_that_work_end_exactly_at_the_contact_and_at_the_gap():
    shaft, ratio, contact = 0.064, 0.96, 0.056
    found = bump_stop(shaft, 0.030, ratio, contact, damper_bump_travel=0.058)
    assert found.gap == pytest.approx(0.034)
    # the shortest stop, squeezed to half, is as thick as the shaft that is left 3 mm before the contact
    left = shaft - ratio * (contact - 0.003)
    assert found.shortest * 0.5 == pytest.approx(left)
    assert found.longest == pytest.approx(shaft)
    assert found.feasible == 1


def test_an_infeasible_stop_says_what_mends_it_and_metal_can_be_the_first():
    with collecting_notes() as notes:
        found = bump_stop(0.064, 0.030, 0.96, 0.020, target_gap=0.030)
    assert found.feasible == 0
    assert "less drop" in notes[-1]
    with collecting_notes() as notes:
        bump_stop(0.064, 0.030, 0.96, 0.072, damper_bump_travel=0.055)
    assert "metal" in notes[0]


def test_the_lower_arm_turns_with_the_drop_and_a_spacer_at_the_joint_levels_it(car):
    # read at 376 mm pointing 1.5 degrees down; the plan stands 22 mm lower, 350 mm of arm
    arm = LowerArm(length=0.35, angle=-math.radians(1.5), hub_to_arch=0.376)
    end = evaluate(with_end(car, "front", lower_arm=arm), "plan").ends["front"]
    sine = math.sin(-math.radians(1.5)) + 0.022 / 0.35
    assert end.lower_arm_angle.value == pytest.approx(math.asin(sine), abs=1e-9)
    assert end.joint_spacer.value == pytest.approx(0.35 * sine, abs=1e-9)
    assert arm_angle(end.lower_arm_angle.value, 0.35, end.joint_spacer.value) == pytest.approx(0.0, abs=1e-12)
    assert evaluate(car, "plan").ends["front"].lower_arm_angle is None


@pytest.mark.parametrize(("length", "packer"), [(0.045, 0.0), (0.030, 0.0), (0.030, 0.005)])
def test_a_stop_gone_hard_is_a_limit_and_the_first_where_it_comes_first(car, length, packer):
    """Front shaft 64 mm at 354 mm hub to arch, squeezing to half: hard after gap plus half the stop, over 0.96."""
    place = "front_left"
    car = with_side(car, "plan", place, stop=StopTrim(length=length, packer=packer))
    corner = evaluate(car, "plan").corners[place]
    hard = (0.064 - packer - length / 2) / 0.96 - (0.354 - corner.hub_to_arch.value)
    assert corner.hard.value == pytest.approx(hard, abs=1e-9)
    rest = {"S": corner.solid.value, "T": corner.contact.value, "B": corner.bind.value, "H": corner.hard.value}
    assert corner.first_limit == min(rest, key=rest.get)
    assert corner.bump_travel.value == min(rest.values())
    # what the drop takes is counted against the travel as found, up to the stop as it came: 0.376 from 0.354
    available = (0.064 - 0.0225) / 0.96 + 0.022
    assert corner.lost_fraction.value == pytest.approx((0.376 - corner.hub_to_arch.value) / available, rel=1e-9)


def test_a_stop_hard_before_the_tyre_meets_the_arch_keeps_it_off(car):
    limits = car.vehicle.ends.front.limits.but(contact=0.301, solid=0.280)
    rules = {
        f.rule for f in evaluate(with_end(car, "front", limits=limits), "plan").findings if "front" in f.place
    }
    assert "tyre_before_solid" not in rules
    bare = with_end(car, "front", limits=limits, bump_stop=None)
    rules = {f.rule for f in evaluate(bare, "plan").findings if "front" in f.place}
    assert "tyre_before_solid" in rules


def test_the_height_at_which_the_stop_is_touched_follows_from_shaft_and_stop(car):
    touched = 0.354 - (0.064 - 0.045) / 0.96
    assert evaluate(car, "found").ends["front"].stop_touched.value == pytest.approx(touched, abs=1e-12)
    assert evaluate(with_end(car, "front", bump_stop=None), "plan").ends["front"].stop_touched is None
