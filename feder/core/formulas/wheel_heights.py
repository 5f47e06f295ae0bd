"""Heights at a wheel, hub to arch, and the travels between them; bump positive."""

from feder.core.numbers.quantities import Length, Metre, Ratio
from feder.core.numbers.working import formula


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


@formula(result="mean", source="mean of left and right")
def mean_of_sides(left: Metre, right: Metre) -> Metre:
    """Mean of a length on both sides."""
    return (left + right) / 2


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


@formula(result="limit_hub_to_arch", source="room is kept above the contact")
def contact_clear_of(contact_height: Metre, clearance: Metre) -> Metre:
    """Hub to arch at which the tyre still has its room before it meets the arch."""
    return contact_height + clearance
