"""Ride of one corner and of the two axles together: rates, frequencies and flat ride."""

from math import pi, sqrt
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import (
    Frequency,
    G,
    Hertz,
    Kilogram,
    Length,
    Mass,
    Metre,
    MetrePerSecond,
    MotionRatio,
    NewtonPerMetre,
    NonNegativeMass,
    PositiveRatio,
    Rate,
    Ratio,
    Second,
    Speed,
)
from feder.core.numbers.working import checked, formula

OSCILLATOR = "undamped single degree of freedom: m·a + k·z = 0"


@formula(result="ride_rate", source="springs in series carry the same force")
def ride_rate(wheel_rate: Rate, tyre_rate: Rate) -> NewtonPerMetre:
    """Rate between the body and the ground: wheel rate and tyre in series."""
    return wheel_rate * tyre_rate / (wheel_rate + tyre_rate)


@formula(result="frequency", source=OSCILLATOR)
def ride_frequency(rate: Rate, mass: Mass) -> Hertz:
    """Undamped natural frequency of the sprung mass on this corner, in heave."""
    return sqrt(rate / mass) / (2 * pi)


@formula(result="rate", source=OSCILLATOR)
def rate_for_frequency(frequency: Frequency, mass: Mass) -> NewtonPerMetre:
    """Rate that gives a mass the wanted frequency."""
    return mass * (2 * pi * frequency) ** 2


@formula(result="deflection", source="weight over rate")
def static_deflection(rate: Rate, mass: Mass) -> Metre:
    """How far a mass presses down a linear spring from its free length."""
    return mass * G / rate


@formula(result="frequency", source="undamped: the wheel between tyre and spring, the body at rest")
def hop_frequency(wheel_rate: Rate, tyre_rate: Rate, unsprung_mass: Mass) -> Hertz:
    """Natural frequency of the unsprung mass (wheel hop)."""
    return sqrt((wheel_rate + tyre_rate) / unsprung_mass) / (2 * pi)


@formula(result="sprung_mass", source="definition: what the scale shows less what does not ride on the spring")
def sprung_mass_of(corner_mass: Mass, unsprung_mass: NonNegativeMass) -> Kilogram:
    """Sprung mass on a corner."""
    return corner_mass - unsprung_mass


@formula(result="mass", source="mean of the two wheels of an axle")
def axle_mean_mass(left_mass: Mass, right_mass: Mass) -> Kilogram:
    """Sprung mass per wheel of an axle."""
    return (left_mass + right_mass) / 2


@formula(result="wheel_rate", source="ride rate solved for the wheel rate: 1/k_w = 1/k_r − 1/k_t")
def wheel_rate_behind_tyre(ride_rate: Rate, tyre_rate: Rate) -> NewtonPerMetre:
    """Wheel rate that makes up a ride rate together with the tyre."""
    return ride_rate * tyre_rate / (tyre_rate - ride_rate)


@formula(result="spring_rate", source="wheel rate solved for the spring rate")
def spring_rate_behind_ratio(wheel_rate: Rate, motion_ratio: MotionRatio) -> NewtonPerMetre:
    """Spring rate that gives a wheel rate through a constant motion ratio."""
    return wheel_rate / motion_ratio**2


@formula(result="spring_rate", source="wheel rate k·MR² + F·dMR/dz solved for the spring rate")
def spring_rate_beside_geometry(
    wheel_rate: Rate, geometric_rate: NewtonPerMetre, motion_ratio: MotionRatio
) -> NewtonPerMetre:
    """Spring rate that gives a wheel rate where the changing motion ratio already gives a part of it."""
    return (wheel_rate - geometric_rate) / motion_ratio**2


class SpringForFrequency(NamedTuple):
    """The wheel rate a frequency asks for, and the spring rate behind it."""

    wheel_rate: NewtonPerMetre
    spring_rate: NewtonPerMetre


@checked
def spring_for_frequency(
    frequency: Frequency,
    corner_mass: Mass,
    unsprung_mass: NonNegativeMass,
    motion_ratio: MotionRatio,
    tyre_rate: Rate | None = None,
) -> SpringForFrequency:
    """Spring rate for a wanted ride frequency; with a tyre rate the frequency counts with the tyre.

    Raises:
        OutOfRange: on `unsprung_mass` when nothing is left to spring; on `frequency` when the tyre
            alone is already softer than the frequency asks.
    """
    if unsprung_mass >= corner_mass:
        raise OutOfRange("unsprung_mass", unsprung_mass, "must be below the corner mass")
    rate = rate_for_frequency(frequency, sprung_mass_of(corner_mass, unsprung_mass))
    if tyre_rate is not None:
        if rate >= tyre_rate:
            raise OutOfRange("frequency", frequency, "is out of reach: the tyre alone is softer than this asks")
        rate = wheel_rate_behind_tyre(rate, tyre_rate)
    return SpringForFrequency(wheel_rate=rate, spring_rate=spring_rate_behind_ratio(rate, motion_ratio))


@formula(result="frequency_ratio", source="definition")
def frequency_ratio_of(front_frequency: Frequency, rear_frequency: Frequency) -> Ratio:
    """Rear ride frequency over front."""
    return rear_frequency / front_frequency


@formula(result="flat_speed", source="the rear starts L/v later; first full cycles end together")
def flat_speed_of(front_frequency: Frequency, rear_frequency: Frequency, wheelbase: Length) -> MetrePerSecond:
    """Speed at which front and rear end their first wave together after a bump."""
    return wheelbase / (1 / front_frequency - 1 / rear_frequency)


@formula(result="end_mismatch", source="delay of the rear axle plus difference of the periods")
def end_mismatch_of(
    front_frequency: Frequency, rear_frequency: Frequency, wheelbase: Length, speed: Speed
) -> Second:
    """Time by which the rear's first wave ends after the front's."""
    return wheelbase / speed + 1 / rear_frequency - 1 / front_frequency


class FlatRide(NamedTuple):
    """How front and rear bounce together after one bump."""

    frequency_ratio: Ratio
    flat_speed: MetrePerSecond | None
    end_mismatch: Second | None


@checked
def flat_ride(
    front_frequency: Frequency, rear_frequency: Frequency, wheelbase: Length, speed: Speed | None = None
) -> FlatRide:
    """Frequency ratio and the speed at which pitch dies out in one wave.

    Without a rear frequency above the front's there is no such speed; a note says so.
    """
    flat = None
    if rear_frequency > front_frequency:
        flat = flat_speed_of(front_frequency, rear_frequency, wheelbase)
    else:
        note("no flat-ride speed: the rear frequency is not above the front's")
    late = None if speed is None else end_mismatch_of(front_frequency, rear_frequency, wheelbase, speed)
    return FlatRide(frequency_ratio_of(front_frequency, rear_frequency), flat, late)


@formula(result="frequency", source="share of the front frequency at which pitch dies out")
def flat_ride_bound(front_frequency: Frequency, frequency_ratio: PositiveRatio) -> Hertz:
    """Rear frequency at an edge of the flat-ride band."""
    return front_frequency * frequency_ratio
