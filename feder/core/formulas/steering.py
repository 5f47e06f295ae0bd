"""Angles that a height changes: arms, lean and trail."""

from math import asin, atan, cos, sin

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import AngleBelowRight, Length, Metre, Radian
from feder.core.numbers.working import checked, formula


@formula(result="arm_angle", source="the inner end goes up with the body, the outer end stays")
def turned_arm(current_angle: AngleBelowRight, height_change: Metre, arm_length: Length) -> Radian:
    """Angle of an arm after the body moved."""
    return asin(sin(current_angle) - height_change / arm_length)


@checked
def arm_angle(current_angle: AngleBelowRight, arm_length: Length, height_change: Metre) -> Radian:
    """Angle of a control arm after a height change (body up positive), outer end up positive.

    Raises:
        OutOfRange: on `height_change` when the arm cannot follow.
    """
    if abs(sin(current_angle) - height_change / arm_length) >= 1:
        raise OutOfRange("height_change", height_change, "is more than the arm can follow")
    found = turned_arm(current_angle, height_change, arm_length)
    if found > 0:
        note(
            "the arm points up: camber and roll centre go the wrong way; less drop, or a spacer at the ball joint"
        )
    return found


@formula(result="height_change", source="difference of heights, hub to arch")
def height_change_of(hub_to_arch: Metre, found_hub_to_arch: Length) -> Metre:
    """How far the body stands higher over the wheel than when the arm was read."""
    return hub_to_arch - found_hub_to_arch


@formula(result="height_change", source="a spacer at the ball joint lowers the arm's outer end by its thickness")
def height_change_with_spacer(height_change: Metre, joint_spacer: Metre) -> Metre:
    """What an arm feels of a height change with a spacer at its ball joint."""
    return height_change + joint_spacer


@formula(result="joint_spacer", source="a spacer at the ball joint lowers the arm's outer end by its thickness")
def levelling_spacer(arm_length: Length, current_angle: AngleBelowRight) -> Metre:
    """Spacer at the ball joint that brings an arm back to level; negative where it still points down."""
    return arm_length * sin(current_angle)


@formula(result="angle", source="geometry: tangent of the lean is height over half width")
def lean_clearance(height: Length, half_width: Length) -> Radian:
    """Lean angle at which a part touches the floor."""
    return atan(height / half_width)


@formula(result="trail", source="geometry of a steered wheel")
def trail(wheel_radius: Length, rake: AngleBelowRight, fork_offset: Metre) -> Metre:
    """Ground trail; `rake` from the vertical."""
    return (wheel_radius * sin(rake) - fork_offset) / cos(rake)
