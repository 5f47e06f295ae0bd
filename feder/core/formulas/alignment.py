"""Toe as an angle and as scrub, the thrust line, the steering wheel, and what is turned for toe and camber."""

from math import asin, sin, tan
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import (
    AngleBelowRight,
    Length,
    Metre,
    MetrePerKilometre,
    PositiveRatio,
    Radian,
    Turns,
)
from feder.core.numbers.working import checked, formula


@formula(result="angle", source="toe measured across the rim")
def toe_as_angle(toe: Metre, rim_diameter: Length) -> Radian:
    """Toe of one wheel as an angle."""
    return asin(toe / rim_diameter)


@formula(result="toe", source="the rim's edges part by its diameter times the sine")
def toe_at_rim(toe_angle: Radian, rim_diameter: Length) -> Metre:
    """Toe of one wheel across its rim."""
    return rim_diameter * sin(toe_angle)


@checked
def toe_angle(toe: Metre, rim_diameter: Length) -> Radian:
    """Toe angle of one wheel (half the total), toe-in positive.

    Raises:
        OutOfRange: on `toe` beyond the rim's diameter.
    """
    if abs(toe) > rim_diameter:
        raise OutOfRange("toe", toe, "must not be more than the rim diameter")
    return toe_as_angle(toe, rim_diameter)


@formula(result="scrub", source="sideways part of the way rolled")
def scrub(toe_angle: AngleBelowRight) -> MetrePerKilometre:
    """Metres that a tyre slips sideways in a kilometre."""
    return 1000 * sin(toe_angle)


@formula(result="angle", source="half the difference of the rear toes: both wheels then roll along one line")
def thrust_angle(left_toe: AngleBelowRight, right_toe: AngleBelowRight) -> Radian:
    """Thrust angle from the rear toes, against the centre line; positive points to the right."""
    return (left_toe - right_toe) / 2


@formula(result="angle", source="the wheels steer to the thrust line when the car runs straight")
def steered_by(
    thrust: AngleBelowRight, front_left_toe: AngleBelowRight, front_right_toe: AngleBelowRight
) -> Radian:
    """Angle of the road wheels against where they stood at the reading, right positive, when it runs straight."""
    return thrust - (front_left_toe - front_right_toe) / 2


@formula(result="wheel_angle", source="steering ratio: steering wheel over road wheel")
def at_steering_wheel(angle: AngleBelowRight, steering_ratio: PositiveRatio) -> Radian:
    """The same at the steering wheel."""
    return angle * steering_ratio


class SteeringOffset(NamedTuple):
    """How far the steering is off centre when the car runs straight, right positive."""

    angle: Radian
    wheel_angle: Radian | None


@checked
def steering_offset(
    front_left_toe: AngleBelowRight,
    front_right_toe: AngleBelowRight,
    rear_left_toe: AngleBelowRight,
    rear_right_toe: AngleBelowRight,
    steering_ratio: PositiveRatio | None = None,
) -> SteeringOffset:
    """Steering off centre from four toes read against the centre line, the steering centred at the reading."""
    angle = steered_by(thrust_angle(rear_left_toe, rear_right_toe), front_left_toe, front_right_toe)
    return SteeringOffset(angle, None if steering_ratio is None else at_steering_wheel(angle, steering_ratio))


@formula(result="turns", source="the rod's end moves by arm·sin; a turnbuckle's lead is both pitches")
def tie_rod_turns(toe_change: AngleBelowRight, steering_arm: Length, lead: Length) -> Turns:
    """Turns of a tie rod behind the axle, longer positive, its steering arm at right angles to it."""
    return steering_arm * sin(toe_change) / lead


@formula(result="shift", source="tangent of the change over the distance")
def camber_shift(camber_change: AngleBelowRight, distance: Length) -> Metre:
    """Shift at the top mount, or between two bolts, that changes the camber; of an upright strut."""
    return distance * tan(camber_change)
