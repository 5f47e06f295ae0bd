"""The lower arm of an end at its ride height: its angle, and the spacer at the ball joint that would level it."""

from feder.core.document.base import EndName
from feder.core.document.cursor import above, number
from feder.core.formulas.steering import (
    arm_angle,
    height_change_of,
    height_change_with_spacer,
    levelling_spacer,
)
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.report.shapes import Figure, figure
from feder.core.standing.facts import Facts
from feder.core.standing.stand import StandingVehicle


def lower_arm(facts: Facts, stood: StandingVehicle, name: EndName) -> dict[str, Figure | None]:
    """Angle of the lower arm, outer end up positive, and the levelling spacer; nothing where it was not read.

    The left wheel's height is used: both arms are read as one.
    """
    left = stood.corners[facts.places_at(name)[0]]
    at, hub = left.facts.end.at.lower_arm, left.hub_to_arch
    if not at or hub is None:
        return {}
    length = number(at.length, f"{name} lower arm")
    read = number(at.angle, f"{name} lower arm as read")
    height = number(at.hub_to_arch, "hub to arch when it was read")
    change, setup = height_change_of(hub, height), above(above(left.at))
    spacer = setup[f"{name}_end"].joint_spacer if setup[f"{name}_end"] else None
    if spacer:
        lower = number(spacer, f"{name} spacer at the ball joint", source="set")
        change = height_change_with_spacer(change, lower)
    try:
        with collecting_notes():
            angle = arm_angle(read, length, change)
    except OutOfRange:
        return {}
    return {"lower_arm_angle": figure(angle, "rad"), "joint_spacer": figure(levelling_spacer(length, angle), "m")}
