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
    NewtonPerMetre,
    NonNegativeMass,
    PositiveRatio,
    Rate,
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
def travel_to_limit(hub_to_arch: Metre, limit_hub_to_arch: Metre) -> Metre:
    """Wheel travel from ride to a limit, bump positive."""
    return hub_to_arch - limit_hub_to_arch


@formula(result="spring_travel", source="difference of lengths")
def travel_to_length(spring_length: Metre, other_length: Length) -> Metre:
    """Spring travel, compression positive, from its length at ride to another length."""
    return spring_length - other_length


@formula(result="wheel_travel", source="the wheel moves 1/MR times as far as the spring")
def wheel_travel_of_spring(spring_travel: Metre, motion_ratio: Ratio) -> Metre:
    """Wheel travel for a spring travel."""
    return spring_travel / motion_ratio


@formula(result="droop_length", source="room between the seats shrinks by the spring's travel")
def spring_length_after(spring_length: Metre, spring_travel: Metre) -> Metre:
    """Room for the spring after it travelled from ride."""
    return spring_length - spring_travel


@formula(result="spring_load", source="force and moment balance of a live axle on its springs")
def live_axle_spring_load(own_load: Newton, other_load: Newton, base_ratio: PositiveRatio) -> Newton:
    """Load on the spring of a live axle, from the loads of its two wheels."""
    return (own_load + other_load) / 2 + (own_load - other_load) / (2 * base_ratio)


@formula(result="hub_to_arch", source="the springs of a live axle feel its roll by spring base over track")
def spring_hub_of(hub_to_arch: Metre, other_hub: Metre, base_ratio: PositiveRatio) -> Metre:
    """Hub to arch as it would be at the spring of a live axle."""
    return (hub_to_arch + other_hub) / 2 + base_ratio * (hub_to_arch - other_hub) / 2


@formula(result="base_ratio", source="definition")
def base_ratio_of(spring_base: Length, track: Length) -> Ratio:
    """Spring base over track."""
    return spring_base / track


@formula(result="bar_rate", source="virtual work: link rate through the motion ratio squared")
def bar_rate_at_wheel(bar_rate: Rate, bar_motion_ratio: PositiveRatio) -> NewtonPerMetre:
    """Rate of an anti-roll bar at the wheel: force for one unit of left-minus-right wheel travel."""
    return bar_rate * bar_motion_ratio**2


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


@formula(result="sag_height", source="difference of heights, hub to arch")
def sag_height_of(droop_hub_to_arch: Length, hub_to_arch: Metre) -> Metre:
    """Travel used from full droop."""
    return droop_hub_to_arch - hub_to_arch


@formula(result="travel_in_all", source="difference of heights, hub to arch")
def travel_in_all_of(droop_hub_to_arch: Length, limit_hub_to_arch: Length) -> Metre:
    """Wheel travel from full droop to the first limit in bump."""
    return droop_hub_to_arch - limit_hub_to_arch


@formula(result="sag_fraction", source="definition")
def sag_share_of(sag_height: Metre, travel_in_all: Length) -> Ratio:
    """Travel used as a share of the travel there is."""
    return sag_height / travel_in_all
