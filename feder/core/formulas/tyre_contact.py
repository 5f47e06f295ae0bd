"""Where a tyre of another radius meets the arch."""

from feder.core.numbers.quantities import Length, Metre
from feder.core.numbers.working import formula


@formula(result="limit_hub_to_arch", source="the tread stands out further by the difference of the radii")
def contact_with_tyre(limit_hub_to_arch: Length, new_radius: Length, found_radius: Length) -> Metre:
    """Hub to arch at which a tyre of another radius meets the arch, where it met it at the tread."""
    return limit_hub_to_arch + (new_radius - found_radius)


@formula(result="new_radius", source="the radius read, and the difference by the sizes on the sides")
def radius_of_other_size(found_radius: Length, new_by_size: Length, found_by_size: Length) -> Metre:
    """Loaded radius of a tyre of another size, from that of the one read on the same vehicle."""
    return found_radius + (new_by_size - found_by_size)
