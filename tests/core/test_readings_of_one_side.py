"""What was read on one side only stands for that side, and an arm that a spacer levels is level."""

from math import asin, atan, radians, sin

import pytest

from feder.core.document.conversion import EndChange
from feder.core.document.survey import Reading
from feder.core.document.vehicle import LowerArm
from feder.core.report.evaluate import evaluate
from feder.demo.nettle import nettle
from tests.changes import with_end, with_side


def with_sills(car, **heights):
    """The car with these sills read, and no other."""
    first, *rest = car.surveys
    kept = tuple(r for r in first.readings if r.quantity != "sill")
    sills = tuple(Reading(place=p, quantity="sill", value=v) for p, v in heights.items())
    return car.but(surveys=(first.but(readings=(*kept, *sills)), *rest))


def unlike():
    """Sides that drop by unlike lengths: front left 22 mm, right 12; rear left 16, right 6."""
    car = nettle()
    for place, hub in (("front_left", 0.354), ("front_right", 0.362), ("rear_left", 0.352), ("rear_right", 0.360)):
        car = with_side(car, "plan", place, set_by="height", hub_to_arch=hub)
    return car


@pytest.mark.parametrize(
    "read",
    [
        {"front_left": 0.231, "rear_left": 0.240},
        {"front_right": 0.229, "rear_right": 0.243},
        {"front_left": 0.231, "front_right": 0.229, "rear_right": 0.243},
    ],
)
def test_a_sill_read_on_one_side_goes_down_with_that_side(read):
    report = evaluate(with_sills(unlike(), **read), "plan")
    down = {p: h - report.corners[p].drop.value for p, h in read.items()}
    front = [h for p, h in down.items() if p.startswith("front")]
    rear = [h for p, h in down.items() if p.startswith("rear")]
    sills = sum(front) / len(front), sum(rear) / len(rear)
    assert (report.vehicle.sill_front.value, report.vehicle.sill_rear.value) == pytest.approx(sills, abs=1e-9)
    assert report.vehicle.rake.value == pytest.approx(atan((sills[1] - sills[0]) / 2.44), abs=1e-9)
    drops = {p: report.corners[p].drop.value for p in report.corners}
    mean = [(drops[f"{e}_left"] + drops[f"{e}_right"]) / 2 for e in ("front", "rear")]
    assert report.vehicle.rake_change.value == pytest.approx(atan((mean[0] - mean[1]) / 2.44), abs=1e-9)


def test_an_arm_that_its_spacer_levels_points_nowhere():
    arm = LowerArm(length=0.34, angle=radians(-2.0), hub_to_arch=0.376)
    car = with_end(nettle(), "front", lower_arm=arm)
    told = evaluate(car, "plan").ends["front"]
    lifted = asin(sin(radians(-2.0)) + (0.376 - 0.354) / 0.34)
    assert told.lower_arm_angle.value == pytest.approx(lifted, abs=1e-6)
    spacer = 0.34 * sin(lifted)
    assert told.joint_spacer.value == pytest.approx(spacer, abs=1e-9)

    def rules(thickness):
        setups = tuple(
            s.but(front_end=EndChange(joint_spacer=thickness)) if s.id == "plan" else s for s in car.setups
        )
        return {f.rule for f in evaluate(car.but(setups=setups), "plan").findings}

    assert "arm_points_up" in rules(0.0)
    assert "arm_points_up" in rules(spacer - 0.003)
    assert "arm_points_up" not in rules(spacer)
    assert "arm_points_up" not in rules(round(spacer, 3))
