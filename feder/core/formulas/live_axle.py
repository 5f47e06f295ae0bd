"""A live axle: its springs stand closer together than its wheels, and feel its roll by less."""

from feder.core.numbers.quantities import Length, Metre, Newton, PositiveRatio, Ratio
from feder.core.numbers.working import formula


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
