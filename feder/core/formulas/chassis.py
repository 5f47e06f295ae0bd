"""How a two-wheeler stands on its wheels: rake, wheelbase, swingarm, as fork and rear wheel move in the chassis.

Plane geometry of a rigid chassis. In it x runs rearwards from the front axle as found and y up from the floor as
found; the fork slides along its own axis, the rear axle swings about the pivot of its arm.
"""

from dataclasses import dataclass
from math import asin, atan2, cos, hypot, sin, sqrt

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import AngleBelowRight, Length, Metre, MotionRatio
from feder.core.numbers.working import checked, formula


@dataclass(frozen=True, slots=True)
class Chassis:
    """A two-wheeler as found: rake from the vertical, and where its rear arm turns (both or neither)."""

    wheelbase: float
    rake: float
    front_radius: float
    rear_radius: float
    arm_length: float | None = None
    pivot_height: float | None = None


@dataclass(frozen=True, slots=True)
class Pose:
    """Where the chassis has come: turned by `pitch` (nose up positive), floor line through both tyres' feet."""

    pitch: float
    rake: float
    wheelbase: float
    arm_angle: float | None
    """Rear arm to the floor, axle lower positive."""
    axle: tuple[float, float]
    """Front axle in the chassis."""
    radius: float

    def height_of(self, x: float, height: float) -> float:
        """Height over the floor of a point that stood at (x, height) as found."""
        dx, dy = x - self.axle[0], height - self.axle[1]
        return cos(self.pitch) * dy - sin(self.pitch) * dx + self.radius


@checked
def pose_of(chassis: Chassis, slide: Metre, rear_travel: Metre) -> Pose:
    """Where the chassis stands once the fork has slid in (or up in its clamps) and the rear wheel risen.

    `slide` is along the tube, `rear_travel` of the axle straight up in the chassis, both from as found.

    Raises:
        OutOfRange: on `rear_travel` when the rear arm cannot follow.
    """
    front = (slide * sin(chassis.rake), chassis.front_radius + slide * cos(chassis.rake))
    rear = (chassis.wheelbase, chassis.rear_radius + rear_travel)
    arm = None
    if chassis.arm_length is not None and chassis.pivot_height is not None:
        drop = chassis.pivot_height - chassis.rear_radius
        if abs(drop) >= chassis.arm_length or abs(drop - rear_travel) >= chassis.arm_length:
            raise OutOfRange("rear_travel", rear_travel, "is more than the rear arm can follow")
        pivot = chassis.wheelbase - sqrt(chassis.arm_length**2 - drop**2)
        arm = asin((drop - rear_travel) / chassis.arm_length)
        rear = (pivot + chassis.arm_length * cos(arm), rear[1])
    dx, dy = rear[0] - front[0], rear[1] - front[1]
    apart, rise = hypot(dx, dy), chassis.rear_radius - chassis.front_radius
    if apart <= abs(rise):
        raise OutOfRange("rear_travel", rear_travel, "leaves the wheels one above the other")
    pitch = atan2(dy, dx) - asin(rise / apart)
    return Pose(
        pitch,
        chassis.rake + pitch,
        sqrt(apart**2 - rise**2),
        None if arm is None else arm + pitch,
        front,
        chassis.front_radius,
    )


@formula(result="slide", source="the tube slides 1/cos(rake) of the wheel's rise; tubes raised in the clamps add")
def fork_slide(wheel_travel: Metre, rake: AngleBelowRight, clamp_move: Metre) -> Metre:
    """How far the front axle has come up along the fork, from as found."""
    return wheel_travel / cos(rake) + clamp_move


@formula(result="clamp_move", source="difference of what stands above the clamp")
def clamp_moved(clamp: Metre, found_clamp: Metre) -> Metre:
    """How far the tubes were raised in their clamps."""
    return clamp - found_clamp


@formula(result="rear_travel", source="a longer shock holds the wheel lower, by its motion ratio")
def travel_with_shock(
    wheel_travel: Metre, shock_length: Length, found_shock_length: Length, motion_ratio: MotionRatio
) -> Metre:
    """How far the rear axle has come up in the chassis, from as found, with a shock of another length."""
    return wheel_travel - (shock_length - found_shock_length) / motion_ratio
