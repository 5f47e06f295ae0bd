"""The lower arm of an end at its ride height: its angle, and the spacer at the ball joint that would level it."""

from feder.core.document.base import EndName
from feder.core.formulas.steering import arm_angle, height_change_of, levelling_spacer
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.numbers.working import given
from feder.core.report.shapes import Figure, figure
from feder.core.standing.facts import Facts
from feder.core.standing.stand import StandingVehicle


def lower_arm(facts: Facts, stood: StandingVehicle, name: EndName) -> dict[str, Figure | None]:
    """Angle of the lower arm, outer end up positive, and the levelling spacer; nothing where it was not read.

    The left wheel's height is used: both arms are read as one.
    """
    arm = facts.ends[name].end.lower_arm
    hub = stood.corners[facts.places_at(name)[0]].hub_to_arch
    if arm is None or hub is None:
        return {}
    path = f"vehicle.ends.{name}.lower_arm"
    length = given(arm.length, f"{name} lower arm", "m", path=f"{path}.length", source="typed in")
    read = given(arm.angle, f"{name} lower arm as read", "rad", path=f"{path}.angle", source="typed in")
    at = given(arm.hub_to_arch, "hub to arch when it was read", "m", path=f"{path}.hub_to_arch", source="typed in")
    try:
        with collecting_notes():
            angle = arm_angle(read, length, height_change_of(hub, at))
    except OutOfRange:
        return {}
    return {"lower_arm_angle": figure(angle, "rad"), "joint_spacer": figure(levelling_spacer(length, angle), "m")}
