"""Damping at the wheel as a share of critical."""

from math import sqrt

from feder.core.numbers.quantities import (
    Damping,
    Mass,
    MotionRatio,
    NewtonSecondPerMetre,
    PositiveRatio,
    Rate,
    Ratio,
)
from feder.core.numbers.working import formula

CRITICAL = "least damping of m·a + c·v + k·z = 0 that gives no overshoot"


@formula(result="critical_damping", source=CRITICAL)
def critical_damping(rate: Rate, mass: Mass) -> NewtonSecondPerMetre:
    """Critical damping of a mass on a rate, at the wheel."""
    return 2 * sqrt(rate * mass)


@formula(result="damping_ratio", source=CRITICAL + "; damper through its motion ratio squared")
def damping_ratio(damper_coefficient: Damping, damper_motion_ratio: MotionRatio, rate: Rate, mass: Mass) -> Ratio:
    """Damping ratio at the wheel of a linear damper behind a motion ratio."""
    return damper_coefficient * damper_motion_ratio**2 / (2 * sqrt(rate * mass))


@formula(result="damper_coefficient", source="dampers side by side")
def coefficient_of_all(damper_coefficient: Damping, dampers: PositiveRatio) -> NewtonSecondPerMetre:
    """Coefficient of all the dampers of a place together."""
    return damper_coefficient * dampers


@formula(result="damper_coefficient", source="damping ratio solved for the coefficient")
def damping_for_ratio(
    damping_ratio: PositiveRatio, damper_motion_ratio: MotionRatio, rate: Rate, mass: Mass
) -> NewtonSecondPerMetre:
    """Damper coefficient that gives a damping ratio at the wheel."""
    return damping_ratio * 2 * sqrt(rate * mass) / damper_motion_ratio**2


@formula(result="factor", source="critical damping goes with the root of the rate")
def rescale_damping(old_rate: Rate, new_rate: Rate) -> Ratio:
    """Factor on the damping that keeps the damping ratio when the rate changes, same mass and motion ratio."""
    return sqrt(new_rate / old_rate)
