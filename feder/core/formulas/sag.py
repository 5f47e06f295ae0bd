"""Sag of two-wheelers: from readings to sags, from sags to the spring, and what they say of it."""

from dataclasses import dataclass
from math import cos
from typing import Literal, NamedTuple, cast

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import (
    AngleBelowRight,
    Band,
    Force,
    G,
    GaugePressure,
    Kilogram,
    Length,
    Metre,
    MotionRatio,
    Newton,
    NewtonPerMetre,
    NonNegativeForce,
    NonNegativeLength,
    Pascal,
    PositiveRatio,
    Rate,
    Ratio,
    Readings,
)
from feder.core.numbers.working import checked, formula


@formula(result="reading", source="geometry: the wheel rises cos(rake) of what the tube slides")
def wheel_of_tube(tube_reading: Metre, rake: AngleBelowRight) -> Metre:
    """A length along a fork tube as the wheel sees it, straight up."""
    return tube_reading * cos(rake)


@formula(result="tube_reading", source="geometry: the tube slides 1/cos(rake) of the wheel's rise")
def tube_of_wheel(sag_value: Metre, rake: AngleBelowRight) -> Metre:
    """A sag of the wheel as it is read along a fork tube."""
    return sag_value / cos(rake)


@formula(result="solid_height", source="full extension less the whole travel")
def solid_from_travel(droop_hub_to_arch: Length, travel_in_all: Length) -> Metre:
    """Height, axle to mark, at which the travel is used up."""
    return droop_hub_to_arch - travel_in_all


@formula(result="corner_load", source="virtual work: what the spring pushes at the wheel")
def load_of_spring(spring_force: NonNegativeForce, motion_ratio: MotionRatio) -> Newton:
    """Sprung load that a spring carries at the wheel."""
    return spring_force * motion_ratio


@formula(result="corner_load", source="spring and pushes side by side at the wheel")
def load_with_push(spring_load: Newton, push: Newton) -> Newton:
    """Load at the wheel of the spring and of what pushes beside it."""
    return spring_load + push


@formula(result="rider_load", source="difference of what the spring carries at both sags")
def load_between(ridden_load: Newton, bike_load: Newton) -> Newton:
    """What the rider adds at a wheel."""
    return ridden_load - bike_load


@formula(result="part_mass", source="weight of what sits on both wheels, over g")
def mass_on_both(front_load: Newton, rear_load: Newton) -> Kilogram:
    """Mass that both wheels carry more with the rider on than without."""
    return (front_load + rear_load) / G


@formula(result="part_fraction", source="definition")
def share_on_rear(front_load: Newton, rear_load: Newton) -> Ratio:
    """Share of a load on the rear wheel."""
    return rear_load / (front_load + rear_load)


@formula(result="ridden_load", source="moments about the other axle")
def load_with_thing(bike_load: Newton, rider_load: Newton, place: Metre, wheelbase: Length, rear: Ratio) -> Newton:
    """Load of a wheel with one weight more on the bike; `rear` is 1 for the rear wheel, 0 for the front one."""
    return bike_load + rider_load * (rear * place / wheelbase + (1 - rear) * (1 - place / wheelbase))


@formula(result="place", source="moments about the front axle")
def place_by_share(part_fraction: PositiveRatio, wheelbase: Length) -> Metre:
    """How far behind the front axle a mass sits that puts this share of it on the rear wheel."""
    return part_fraction * wheelbase


@formula(result="friction_force", source="the wheel stays within the friction either way")
def friction_as_force(friction: Metre, wheel_rate: Rate) -> Newton:
    """Friction at the wheel from how far it holds the bike off its height."""
    return friction * wheel_rate


@formula(
    result="spring_rate", source="the spring's force at both sags over its travel between them, by virtual work"
)
def rate_between_sags(
    ridden_load: Newton,
    ridden_ratio: MotionRatio,
    bike_load: Newton,
    bike_ratio: MotionRatio,
    spring_travel: Length,
) -> NewtonPerMetre:
    """Rate of all springs of an end that carries the bike at one sag and bike with rider at another."""
    return (ridden_load / ridden_ratio - bike_load / bike_ratio) / spring_travel


@formula(result="rate_per_leg", source="springs side by side under the same travel")
def rate_of_one(spring_rate: Rate, legs: PositiveRatio) -> NewtonPerMetre:
    """Rate of one of several like springs side by side."""
    return spring_rate / legs


Verdict = Literal["too soft", "too stiff", "fits", "preload first"]


class Sag(NamedTuple):
    free_sag: Metre
    rider_sag: Metre
    free_sag_fraction: Ratio
    rider_sag_fraction: Ratio
    free_friction: Metre
    rider_friction: Metre


@formula(
    result="reading",
    source="friction holds the lifted reading up and the pressed one down: the mean is free of it",
)
def mean_reading(lifted: Metre, pressed: Metre) -> Metre:
    """Mean of a lifted and a pressed reading."""
    return (lifted + pressed) / 2


@formula(result="friction", source="half the difference of lifted and pressed")
def friction_of(lifted: Metre, pressed: Metre) -> Metre:
    """Friction as travel each way."""
    return abs(lifted - pressed) / 2


@formula(result="sag_value", source="definition: extended less loaded")
def sag_of(extended: Metre, reading: Metre) -> Metre:
    """Sag under a load."""
    return extended - reading


@formula(result="sag_fraction", source="definition")
def sag_share(sag_value: Metre, travel: Length) -> Ratio:
    """Sag as a share of the travel."""
    return sag_value / travel


def _read(reading: Readings) -> tuple[float, float]:
    """Mean and friction of a reading."""
    if isinstance(reading, list | tuple):
        lifted, pressed = reading
        return mean_reading(lifted, pressed), friction_of(lifted, pressed)
    return reading, 0.0


@checked
def sag(extended: Readings, bike_only: Readings, with_rider: Readings, travel: Length) -> Sag:
    """Free and rider sag from three readings, each a value or a pair [lifted, pressed].

    All along the same line: fork tube, or vertical at the axle.

    Raises:
        OutOfRange: on `bike_only` or `with_rider` when that reading is longer than the one with less load;
            on `travel` when the rider sag exceeds it.
    """
    top, _ = _read(extended)
    bike, bike_friction = _read(bike_only)
    rider, rider_friction = _read(with_rider)
    if bike > top:
        raise OutOfRange("bike_only", bike_only, "must not be longer than extended")
    if rider > bike:
        raise OutOfRange("with_rider", with_rider, "must not be longer than with the bike alone")
    free, loaded = sag_of(top, bike), sag_of(top, rider)
    if loaded > travel:
        raise OutOfRange("travel", travel, "must not be less than the rider sag")
    return Sag(free, loaded, sag_share(free, travel), sag_share(loaded, travel), bike_friction, rider_friction)


class SagSpring(NamedTuple):
    spring_rate: NewtonPerMetre
    preload: Metre


@formula(result="spring_rate", source="virtual work: the rider's load presses the sag's difference")
def rate_for_sags(
    rider_load: Force, rider_sag: Length, free_sag: NonNegativeLength, motion_ratio: MotionRatio
) -> NewtonPerMetre:
    """Rate of all springs of an end that gives both sags."""
    return rider_load / ((rider_sag - free_sag) * motion_ratio**2)


@formula(result="preload", source="at free sag the spring carries the bike")
def preload_for_sag(bike_load: NonNegativeForce, motion_ratio: MotionRatio, rate: Rate, free_sag: Metre) -> Metre:
    """Compression at full extension; negative: loose by so much."""
    return bike_load / (motion_ratio * rate) - motion_ratio * free_sag


@checked
def sag_spring(
    bike_load: NonNegativeForce,
    rider_load: Force,
    motion_ratio: MotionRatio,
    rider_sag: Length,
    free_sag: NonNegativeLength,
) -> SagSpring:
    """Spring rate and preload that give a wanted rider and free sag, constant motion ratio.

    A fork read along the tube: motion ratio 1, and loads times cos(rake).

    Raises:
        OutOfRange: on `rider_sag` when it is not above the free sag.
    """
    if rider_sag <= free_sag:
        raise OutOfRange("rider_sag", rider_sag, "must be above the free sag")
    rate = rate_for_sags(rider_load, rider_sag, free_sag, motion_ratio)
    needed = preload_for_sag(bike_load, motion_ratio, rate, free_sag)
    if needed < 0:
        note(f"the spring is loose by {-needed * 1e3:.1f} mm at full extension")
    return SagSpring(rate, needed)


@dataclass(frozen=True)
class SagDiagnosis:
    """What measured sags say of the spring."""

    verdict: str


@checked
def sag_diagnosis(rider_sag: Metre, free_sag: Metre, rider_band: Band, free_band: Band) -> SagDiagnosis:
    """Preload first; with rider sag in its band, free sag says whether the spring is right.

    Too little free sag with the rider sag right means much preload on a soft spring; too much, a stiff one.

    Raises:
        OutOfRange: on a band whose low end is above its high end.
    """
    for name, band in (("rider_band", rider_band), ("free_band", free_band)):
        if band[0] > band[1]:
            raise OutOfRange(name, band, "must be [low, high]")
    if not rider_band[0] <= rider_sag <= rider_band[1]:
        return SagDiagnosis("preload first")
    if free_sag < free_band[0]:
        return SagDiagnosis("too soft")
    return SagDiagnosis("too stiff" if free_sag > free_band[1] else "fits")


WIDE = (0.0, 10.0)
"""Any sag at all, m, where no band is wanted."""


def judged(rider: float, free: float, bands: tuple[tuple[float, float], tuple[float, float]]) -> Verdict:
    """What sags say of preload and spring, bands of rider and free sag; the very edge of a band lies within it."""
    low_high = [[round(edge, 9) for edge in band] for band in bands]
    said = sag_diagnosis(round(rider, 9), round(free, 9), *low_high).verdict
    return cast("Verdict", said)


@formula(
    result="pressure", source="the same load on one chamber: its force taken to go with pressure and with sag"
)
def pressure_for_sag(pressure: GaugePressure, rider_sag: Length, sag_value: Length) -> Pascal:
    """Pressure for another sag of an air spring whose chambers are not known."""
    return pressure * (rider_sag / sag_value)
