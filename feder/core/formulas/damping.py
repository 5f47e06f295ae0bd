"""Damping at the wheel as a share of critical."""

from math import copysign, log, pi, sqrt
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import (
    Amount,
    Damping,
    Hertz,
    Mass,
    MetrePerSecond,
    MotionRatio,
    Newton,
    NewtonSecondPerMetre,
    NonNegativeRatio,
    PositiveRatio,
    Rate,
    Ratio,
    Speed,
    Time,
)
from feder.core.numbers.working import checked, formula

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


@formula(result="damper_coefficient", source="all forces of a worn damper by one share")
def coefficient_left(damper_coefficient: Damping, share_left: PositiveRatio) -> NewtonSecondPerMetre:
    """Coefficient that a worn damper still has."""
    return damper_coefficient * share_left


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


class DamperForce(NamedTuple):
    """Force of the family curve, force over velocity, and the slope there."""

    force: Newton
    coefficient: NewtonSecondPerMetre
    slope: NewtonSecondPerMetre


FAMILY = "family curve: linear to the knee, beyond it with a share of the slope"


@formula(result="force", source=FAMILY)
def family_force(
    velocity: MetrePerSecond, low_coefficient: Damping, knee_velocity: Speed, high_share: NonNegativeRatio
) -> Newton:
    """Damper force at a velocity, closing positive; odd in velocity."""
    return copysign(
        low_coefficient * min(abs(velocity), knee_velocity)
        + high_share * low_coefficient * max(0.0, abs(velocity) - knee_velocity),
        velocity,
    )


@formula(result="coefficient", source="definition: force over velocity")
def chord_of(force: Newton, velocity: MetrePerSecond) -> NewtonSecondPerMetre:
    """Damping coefficient as the chord of a curve, from no velocity to this one."""
    return force / velocity


@formula(result="slope", source=FAMILY)
def slope_beyond(low_coefficient: Damping, high_share: NonNegativeRatio) -> NewtonSecondPerMetre:
    """Slope of the family curve beyond its knee."""
    return low_coefficient * high_share


@checked
def damper_force(
    velocity: MetrePerSecond, low_coefficient: Damping, knee_velocity: Speed, high_share: NonNegativeRatio
) -> DamperForce:
    """Force of a damper of the family curve: linear to the knee, digressive (share below 1) or progressive beyond.

    At the knee the slope is that of the low side; at no velocity the coefficient is the low one.
    """
    force = family_force(velocity, low_coefficient, knee_velocity, high_share)
    coefficient = low_coefficient if velocity == 0 else chord_of(force, velocity)
    slow = abs(velocity) <= knee_velocity
    return DamperForce(force, coefficient, low_coefficient if slow else slope_beyond(low_coefficient, high_share))


@formula(
    result="damping_ratio",
    source="damping of the wheel's mass on spring and tyre together, as a share of critical",
)
def wheel_hop_damping(damping: Damping, wheel_rate: Rate, tyre_rate: Rate, unsprung_mass: Mass) -> Ratio:
    """What high speed is judged by: damping at the wheel against the wheel's own critical damping."""
    return damping / (2 * sqrt((wheel_rate + tyre_rate) * unsprung_mass))


@formula(result="damping", source="virtual work: through the motion ratio squared")
def damping_at_wheel(damper_coefficient: Damping, damper_motion_ratio: MotionRatio) -> NewtonSecondPerMetre:
    """Damping at the wheel of a damper behind its motion ratio."""
    return damper_coefficient * damper_motion_ratio**2


@formula(result="split", source="definition")
def rebound_over_bump(rebound_force: Newton, bump_force: Newton) -> Ratio:
    """How many times as strong rebound is as bump, at one speed."""
    return rebound_force / bump_force


class Decrement(NamedTuple):
    """Damping ratio of two swings and, with the period of a whole one, the frequencies."""

    damping_ratio: Ratio
    damped_frequency: Hertz | None
    frequency: Hertz | None


@formula(result="decrement", source="natural logarithm of the swings' ratio, for one whole cycle")
def decrement_of(first: PositiveRatio, later: PositiveRatio, cycles: PositiveRatio) -> Ratio:
    """Logarithmic decrement from two swings so many whole cycles apart."""
    return log(first / later) / cycles


@formula(result="damping_ratio", source="free decay of m·a + c·v + k·z = 0")
def ratio_of_decrement(decrement: Ratio) -> Ratio:
    """Damping ratio of a logarithmic decrement."""
    return decrement / sqrt(4 * pi**2 + decrement**2)


@formula(result="damped_frequency", source="definition")
def frequency_of_period(period: Time) -> Hertz:
    """Frequency of swings of a period."""
    return 1 / period


@formula(result="frequency", source="damped frequency over the root of 1 - zeta squared")
def undamped_frequency(damped_frequency: Hertz, damping_ratio: Ratio) -> Hertz:
    """Frequency as it would be without damping."""
    return damped_frequency / sqrt(1 - damping_ratio**2)


@checked
def log_decrement(
    first: Amount, later: Amount, cycles: PositiveRatio = 1.0, period: Time | None = None
) -> Decrement:
    """Damping ratio from two swings: on one side `cycles` whole ones apart, on both sides as amounts halves.

    Raises:
        OutOfRange: on `later` when it is not below the first, on `cycles` when it is not in halves.
    """
    if later >= first:
        raise OutOfRange("later", later, "must be below the first swing: a body let go swings less and less")
    if cycles * 2 != round(cycles * 2):
        raise OutOfRange("cycles", cycles, "must be in halves: 0.5, 1, 1.5 and so on")
    ratio = ratio_of_decrement(decrement_of(first, later, cycles))
    if period is None:
        return Decrement(ratio, None, None)
    damped = frequency_of_period(period)
    return Decrement(ratio, damped, undamped_frequency(damped, ratio))
