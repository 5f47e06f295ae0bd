"""How a spring is coupled to the wheel: motion ratio and wheel rate.

Motion ratio is spring (or damper) travel over wheel travel throughout; its inverse is called leverage.
"""

from math import cos, pi

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import (
    AngleBelowRight,
    Length,
    Metre,
    MotionRatio,
    Newton,
    NewtonPerMetre,
    PerMetre,
    PositiveRatio,
    Radian,
    Rate,
    Ratio,
)
from feder.core.numbers.working import formula


@formula(result="motion_ratio", source="rigid arm: paths in proportion to distance from the pivot")
def lever_motion_ratio(spring_distance: Length, wheel_distance: Length, spring_angle: Radian) -> Ratio:
    """Motion ratio of a spring on a pivoting arm.

    `spring_angle` is the angle between the spring's axis and the direction in which its end moves.
    Holds near the position at which the angle was measured.

    Raises:
        OutOfRange: on `spring_angle` at a right angle or beyond, where the spring does not move.
    """
    if abs(spring_angle) >= pi / 2 - 1e-9:
        raise OutOfRange("spring_angle", spring_angle, "must be below 90 deg, or the spring does not move")
    return spring_distance / wheel_distance * cos(spring_angle)


@formula(result="motion_ratio", source="definition: leverage is the inverse of motion ratio")
def motion_ratio_from_leverage(leverage: MotionRatio) -> Ratio:
    """Motion ratio from wheel travel over spring travel."""
    return 1 / leverage


@formula(result="motion_ratio", source="mean over a travel: what both move between its ends")
def mean_motion_ratio(spring_travel: Metre, wheel_travel: Metre) -> Ratio:
    """Motion ratio on the whole of a travel, where it changes along it.

    Raises:
        OutOfRange: on `wheel_travel` at 0.
    """
    if wheel_travel == 0:
        raise OutOfRange("wheel_travel", wheel_travel, "must not be 0")
    return spring_travel / wheel_travel


@formula(result="wheel_rate", source="virtual work: F_w·dz = F_s·ds with MR = ds/dz, differentiated")
def wheel_rate(
    spring_rate: Rate,
    motion_ratio: MotionRatio,
    spring_force: Newton = 0.0,
    motion_ratio_slope: PerMetre = 0.0,
) -> NewtonPerMetre:
    """Rate of the spring as felt at the wheel.

    The motion ratio is squared: once for the force, once for the travel. The second term is the
    geometric one: on a linkage whose ratio changes along the travel the spring's force adds to the rate.
    """
    return spring_rate * motion_ratio**2 + spring_force * motion_ratio_slope


@formula(result="spring_force", source="virtual work: the wheel's force over the motion ratio")
def spring_force_for_load(corner_load: Newton, motion_ratio: MotionRatio) -> Newton:
    """Force in the spring that carries a sprung corner load."""
    return corner_load / motion_ratio


@formula(result="spring_length", source="linear spring: free length less force over rate")
def spring_length_under_force(free_length: Length, spring_force: Newton, spring_rate: Rate) -> Metre:
    """Length of a linear spring under a force."""
    return free_length - spring_force / spring_rate


@formula(result="spring_rate", source="springs side by side under the same travel")
def rate_of_legs(rate_per_leg: Rate, legs: PositiveRatio) -> NewtonPerMetre:
    """Rate of all the springs of a place together."""
    return rate_per_leg * legs


@formula(result="spring_rate", source="springs side by side under the same travel")
def rate_of_both_legs(left_rate: Rate, right_rate: Rate) -> NewtonPerMetre:
    """Rate of two unlike springs side by side."""
    return left_rate + right_rate


@formula(result="motion_ratio", source="the tube slides 1/cos(rake) for one unit of the wheel's vertical travel")
def fork_motion_ratio(rake: AngleBelowRight) -> Ratio:
    """Motion ratio of a telescopic fork, spring along the tube over vertical wheel travel."""
    return 1 / cos(rake)


@formula(result="wheel_rate", source="virtual work: the tube moves cos(rake) of the wheel's vertical travel")
def fork_wheel_rate(rate_per_leg: Rate, rake: AngleBelowRight, legs: PositiveRatio = 2.0) -> NewtonPerMetre:
    """Wheel rate of a telescopic fork, `rake` from the vertical (bicycles: 90 deg less the head angle).

    Sag read along the tube is the vertical travel over cos(rake).
    """
    return legs * rate_per_leg / cos(rake) ** 2
