"""Toe as an angle and as scrub."""

from math import asin, sin

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import AngleBelowRight, Length, Metre, MetrePerKilometre, Radian
from feder.core.numbers.working import checked, formula


@formula(result="angle", source="toe measured across the rim")
def toe_as_angle(toe: Metre, rim_diameter: Length) -> Radian:
    """Toe of one wheel as an angle."""
    return asin(toe / rim_diameter)


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
