"""Torsion bars: the bar itself, the wheel on its arm, and re-indexing for another height.

Arm angles are below the level chassis, wheel lower positive; all angles are under 90 degrees.
"""

from math import asin, cos, pi, sin, tan
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import (
    SPRING_STEEL_SHEAR_MODULUS,
    AngleBelowRight,
    AngularRate,
    Length,
    Metre,
    Modulus,
    Newton,
    NewtonMetre,
    NewtonMetrePerRadian,
    NewtonPerMetre,
    NonNegativeLength,
    Pascal,
    Radian,
    Turns,
)
from feder.core.numbers.working import checked, formula

SHAFT = "torsion of a round shaft, J = π(d⁴ − b⁴)/32"
ARM = "moment about the bar's axis; virtual work on the arm"


class TorsionBarRate(NamedTuple):
    angular_rate: NewtonMetrePerRadian
    shear_stress: Pascal | None


@formula(result="angular_rate", source=SHAFT)
def bar_angular_rate(
    diameter: Length, bore: NonNegativeLength, effective_length: Length, shear_modulus: Modulus
) -> NewtonMetrePerRadian:
    """Torque per radian of a round bar, solid or hollow."""
    return pi * shear_modulus * (diameter**4 - bore**4) / (32 * effective_length)


@formula(result="shear_stress", source=SHAFT)
def bar_shear_stress(torque: NewtonMetre, diameter: Length, bore: NonNegativeLength) -> Pascal:
    """Shear stress at the skin of the bar."""
    return 16 * torque * diameter / (pi * (diameter**4 - bore**4))


@checked
def torsion_bar_rate(
    diameter: Length,
    effective_length: Length,
    bore: NonNegativeLength = 0.0,
    shear_modulus: Modulus = SPRING_STEEL_SHEAR_MODULUS,
    torque: NewtonMetre | None = None,
) -> TorsionBarRate:
    """Angular rate of a torsion bar, and with a torque its shear stress.

    Raises:
        OutOfRange: on `bore` when it is not below the diameter.
    """
    if bore >= diameter:
        raise OutOfRange("bore", bore, "must be below the diameter")
    stress = None if torque is None else bar_shear_stress(torque, diameter, bore)
    return TorsionBarRate(bar_angular_rate(diameter, bore, effective_length, shear_modulus), stress)


@formula(result="torque", source=ARM)
def torque_of_twist(angular_rate: AngularRate, free_angle: Radian, arm_angle: Radian) -> NewtonMetre:
    """Torque in the bar at an arm angle."""
    return angular_rate * (free_angle - arm_angle)


@formula(result="wheel_force", source=ARM)
def arm_wheel_force(
    angular_rate: AngularRate, free_angle: Radian, arm_angle: AngleBelowRight, arm_length: Length
) -> Newton:
    """Force the bar carries at the wheel."""
    return angular_rate * (free_angle - arm_angle) / (arm_length * cos(arm_angle))


@formula(result="wheel_rate", source=ARM + ", differentiated by wheel travel R·cos a")
def arm_wheel_rate(
    angular_rate: AngularRate, free_angle: Radian, arm_angle: AngleBelowRight, arm_length: Length
) -> NewtonPerMetre:
    """Rate at the wheel; the second factor is the arm swinging out of level."""
    return angular_rate / (arm_length**2 * cos(arm_angle) ** 2) * (1 - (free_angle - arm_angle) * tan(arm_angle))


@formula(result="height", source="the arm's end below its axis")
def arm_height(arm_length: Length, arm_angle: AngleBelowRight) -> Metre:
    """Height of the bar's axis above the wheel centre."""
    return arm_length * sin(arm_angle)


@formula(result="arm_length", source="the wheel goes down by R·sin a: two readings of the same plate")
def arm_length_of_readings(height_change: Metre, arm_angle: Radian, new_arm_angle: Radian) -> Metre:
    """Effective arm length from two wheel positions: of a semi-trailing arm, or a wheel beyond its plate."""
    return height_change / (sin(new_arm_angle) - sin(arm_angle))


@formula(result="arm_angle", source="level held the same way round at both places")
def angle_on_chassis(plate_reading: Radian, chassis_reading: Radian) -> Radian:
    """Arm or plate angle against the level chassis, from two readings of the level."""
    return plate_reading - chassis_reading


@formula(result="arm_angle", source="the arm's end moves with the wheel: hub to arch grows as the wheel goes down")
def arm_angle_at(
    arm_angle: AngleBelowRight, from_height: Length, hub_to_arch: Metre, arm_length: Length
) -> Radian:
    """Arm angle at another hub-to-arch height than the one at which it was read."""
    return asin(sin(arm_angle) + (hub_to_arch - from_height) / arm_length)


@formula(result="free_angle", source=ARM)
def torsion_free_angle(
    angular_rate: AngularRate, arm_length: Length, arm_angle: AngleBelowRight, wheel_force: Newton
) -> Radian:
    """Arm angle with the load off: where the plate must stand before the bar is loaded."""
    return arm_angle + wheel_force * arm_length * cos(arm_angle) / angular_rate


class TorsionWheel(NamedTuple):
    wheel_force: Newton
    wheel_rate: NewtonPerMetre
    height: Metre


@checked
def torsion_wheel(
    angular_rate: AngularRate, arm_length: Length, arm_angle: AngleBelowRight, free_angle: Radian
) -> TorsionWheel:
    """What the wheel feels of a bar on its arm."""
    return TorsionWheel(
        arm_wheel_force(angular_rate, free_angle, arm_angle, arm_length),
        arm_wheel_rate(angular_rate, free_angle, arm_angle, arm_length),
        arm_height(arm_length, arm_angle),
    )


@formula(result="new_arm_angle", source="the arm's end moves by the height change")
def arm_angle_for_height(arm_angle: AngleBelowRight, height_change: Metre, arm_length: Length) -> Radian:
    """Arm angle after the body rose."""
    return asin(sin(arm_angle) + height_change / arm_length)


@formula(result="free_angle_change", source="difference")
def free_angle_change_of(new_free_angle: Radian, old_free_angle: Radian) -> Radian:
    """By how much the free angle must change."""
    return new_free_angle - old_free_angle


class TorsionReindex(NamedTuple):
    new_arm_angle: Radian
    old_free_angle: Radian
    new_free_angle: Radian
    free_angle_change: Radian
    old_wheel_rate: NewtonPerMetre
    new_wheel_rate: NewtonPerMetre


@checked
def torsion_reindex(
    angular_rate: AngularRate,
    arm_length: Length,
    arm_angle: AngleBelowRight,
    wheel_force: Newton,
    height_change: Metre,
) -> TorsionReindex:
    """Free angle for another height under the same load, body up positive.

    The change of the free angle is near to, but not, that of the arm angle. The rate of the bar does not
    change; at the wheel it changes a little through the arm's angle.

    Raises:
        OutOfRange: on `height_change` when the arm cannot reach that height.
    """
    if abs(sin(arm_angle) + height_change / arm_length) >= 1:
        raise OutOfRange("height_change", height_change, "is more than the arm can reach")
    turned = arm_angle_for_height(arm_angle, height_change, arm_length)
    if abs(turned) >= pi / 2:
        raise OutOfRange("height_change", height_change, "is more than the arm can reach")
    old = torsion_free_angle(angular_rate, arm_length, arm_angle, wheel_force)
    new = torsion_free_angle(angular_rate, arm_length, turned, wheel_force)
    return TorsionReindex(
        new_arm_angle=turned,
        old_free_angle=old,
        new_free_angle=new,
        free_angle_change=free_angle_change_of(new, old),
        old_wheel_rate=arm_wheel_rate(angular_rate, old, arm_angle, arm_length),
        new_wheel_rate=arm_wheel_rate(angular_rate, new, turned, arm_length),
    )


LEVER = "the bolt pushes the lever's end by its lead each turn; small angle of a lever at right angles to it"


@formula(result="angle_per_turn", source=LEVER)
def angle_of_turn(bolt_lead: Length, bolt_lever: Length) -> Radian:
    """Angle of the bar's chassis end for one turn of its bolt."""
    return bolt_lead / bolt_lever


@formula(result="turns", source="angle wanted over the angle of one turn")
def turns_for_angle(free_angle_change: Radian, angle_per_turn: Radian) -> Turns:
    """Turns of the bolt for a change of the free angle, body up positive."""
    return free_angle_change / angle_per_turn
