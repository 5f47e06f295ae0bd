"""Small steps between readings, loads and heights at the wheels."""

from feder.core.quantities import (
    Frequency,
    G,
    Hertz,
    Kilogram,
    Length,
    Mass,
    Metre,
    Newton,
    NonNegativeMass,
    PositiveRatio,
    Ratio,
)
from feder.core.working import formula


@formula(result="corner_load", source="weight of the sprung mass")
def load_of_mass(sprung_mass: Mass) -> Newton:
    """Sprung load on a corner."""
    return sprung_mass * G


@formula(result="sprung_mass", source="weight of the sprung mass, solved for the mass")
def mass_of_load(corner_load: Newton) -> Kilogram:
    """Sprung mass on a corner, from its load."""
    return corner_load / G


@formula(result="corner_mass", source="definition: sprung plus unsprung mass")
def scale_mass(sprung_mass: Mass, unsprung_mass: NonNegativeMass) -> Kilogram:
    """What the scale shows under a wheel."""
    return sprung_mass + unsprung_mass


@formula(result="wheel_travel", source="hub to arch shrinks by the wheel's bump travel")
def wheel_travel_of(found_hub_to_arch: Length, hub_to_arch: Length) -> Metre:
    """Wheel travel between two heights, bump positive."""
    return found_hub_to_arch - hub_to_arch


@formula(result="hub_to_arch", source="hub to arch shrinks by the wheel's bump travel")
def hub_to_arch_after(found_hub_to_arch: Length, wheel_travel: Metre) -> Metre:
    """Hub to arch after a wheel travel."""
    return found_hub_to_arch - wheel_travel


@formula(result="floor_to_arch", source="the arch goes down with the body; the tyre's squash is in the drop")
def floor_to_arch_after(floor_to_arch: Length, body_drop: Metre) -> Metre:
    """Floor to arch after the body went down."""
    return floor_to_arch - body_drop


@formula(result="wheel_travel", source="difference of heights, hub to arch")
def travel_to_limit(hub_to_arch: Metre, limit_hub_to_arch: Length) -> Metre:
    """Wheel travel from ride to a limit, bump positive."""
    return hub_to_arch - limit_hub_to_arch


@formula(result="wheel_travel", source="spring room above solid, through the motion ratio")
def travel_to_bind(spring_length: Metre, solid_length: Length, motion_ratio: Ratio) -> Metre:
    """Wheel travel from ride until the coils close."""
    return (spring_length - solid_length) / abs(motion_ratio)


@formula(result="wheel_travel", source="spring compression at ride, through the motion ratio")
def travel_to_loose(spring_length: Metre, free_length: Length, motion_ratio: Ratio) -> Metre:
    """Wheel travel from ride until the spring is loose; negative, in droop."""
    return (spring_length - free_length) / abs(motion_ratio)


@formula(result="droop_length", source="room between the seats grows by MR times the droop travel")
def spring_length_at(spring_length: Metre, wheel_travel: Metre, motion_ratio: Ratio) -> Metre:
    """Room for the spring after a wheel travel from ride."""
    return spring_length - abs(motion_ratio) * wheel_travel


@formula(result="part_fraction", source="definition")
def fraction_of(part_mass: Mass, total_mass: Mass) -> Ratio:
    """Share of the mass on the wheels counted."""
    return part_mass / total_mass


@formula(result="part_mass", source="sum of two wheels")
def two_wheels(first_mass: Mass, second_mass: Mass) -> Kilogram:
    """Mass on two wheels."""
    return first_mass + second_mass


@formula(result="total_mass", source="sum of two pairs of wheels")
def all_wheels(front_mass: Mass, rear_mass: Mass) -> Kilogram:
    """Mass on all wheels."""
    return front_mass + rear_mass


@formula(result="mean", source="mean of left and right")
def mean_of_sides(left: Metre, right: Metre) -> Metre:
    """Mean of a length on both sides."""
    return (left + right) / 2


@formula(result="frequency", source="share of the front frequency at which pitch dies out")
def flat_ride_bound(front_frequency: Frequency, frequency_ratio: PositiveRatio) -> Hertz:
    """Rear frequency at an edge of the flat-ride band."""
    return front_frequency * frequency_ratio
