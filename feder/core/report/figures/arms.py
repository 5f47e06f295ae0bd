"""The lower arm of an end at its ride height: its angle, and the spacer at the ball joint that would level it."""

from feder.core.document.base import EndName
from feder.core.document.cursor import number
from feder.core.formulas.steering import arm_angle, height_change_of, levelling_spacer
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.report.shapes import Figure, figure
from feder.core.standing.facts import Facts
from feder.core.standing.stand import StandingVehicle


def lower_arm(facts: Facts, stood: StandingVehicle, name: EndName) -> dict[str, Figure | None]:
    """Angle of the lower arm, outer end up positive, and the levelling spacer; nothing where it was not read.

    The left wheel's height is used: both arms are read as one.
    """
    at, hub = facts.ends[name].at.lower_arm, stood.corners[facts.places_at(name)[0]].hub_to_arch
    if not at or hub is None:
        return {}
    length = number(at.length, f"{name} lower arm")
    read = number(at.angle, f"{name} lower arm as read")
    height = number(at.hub_to_arch, "hub to arch when it was read")
    try:
        with collecting_notes():
            angle = arm_angle(read, length, height_change_of(hub, height))
    except OutOfRange:
        return {}
    return {"lower_arm_angle": figure(angle, "rad"), "joint_spacer": figure(levelling_spacer(length, angle), "m")}
