"""Travel: what a drop leaves, and how long a bump stop may be. All heights hub to arch."""

from typing import Annotated, NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import (
    Flag,
    G,
    Length,
    Mass,
    Metre,
    MotionRatio,
    NonNegativeLength,
    PositiveRatio,
    RadianPerG,
    Rate,
    Ratio,
    Unit,
    Within,
)
from feder.core.numbers.working import checked, formula
from feder.core.practice.usual import CLEARANCE, COMPRESSIBLE

OpenFraction = Annotated[float, Unit(""), Within(0, 1, open=True)]


@formula(result="available", source="difference of heights, hub to arch")
def bump_available(static_height: Metre, contact_height: Metre) -> Metre:
    """Bump travel from rest to the contact."""
    return static_height - contact_height


@formula(result="remaining", source="a lower body has used up its drop")
def bump_remaining(available: Metre, drop: Metre) -> Metre:
    """Bump travel that a drop leaves."""
    return available - drop


@formula(result="lost_fraction", source="definition")
def bump_lost(drop: Metre, available: Metre) -> Ratio:
    """Share of the bump travel that a drop takes."""
    return drop / available


class BumpTravel(NamedTuple):
    """Bump travel before and after a drop, and the share lost."""

    available: Metre
    remaining: Metre
    lost_fraction: Ratio


@checked
def bump_travel(static_height: Length, contact_height: Length, drop: Metre) -> BumpTravel:
    """What a drop leaves of the bump travel.

    Raises:
        OutOfRange: on `contact_height` when the contact is not below the height at rest.
    """
    available = bump_available(static_height, contact_height)
    if available <= 0:
        raise OutOfRange("contact_height", contact_height, "must be below the height at rest")
    return BumpTravel(available, bump_remaining(available, drop), bump_lost(drop, available))


@formula(result="gap", source="shaft that shows less what stands on it")
def stop_gap(shaft_at_ride: Metre, packer: Metre, stop_length: Metre) -> Metre:
    """Gap between stop and damper body at ride height; negative when already squeezed."""
    return shaft_at_ride - packer - stop_length


@formula(result="longest", source="the gap wanted is kept")
def longest_stop(shaft_at_ride: Metre, packer: Metre, target_gap: Metre) -> Metre:
    """Longest stop that keeps the gap wanted."""
    return shaft_at_ride - packer - target_gap


@formula(result="shortest", source="the squeezed stop must hold the tyre off the arch")
def shortest_for_tyre(
    shaft_at_ride: Metre,
    packer: Metre,
    motion_ratio: MotionRatio,
    wheel_contact_travel: Metre,
    clearance: Metre,
    compressible: Ratio,
) -> Metre:
    """Shortest stop that keeps the tyre clear."""
    return (shaft_at_ride - packer - motion_ratio * (wheel_contact_travel - clearance)) / (1 - compressible)


@formula(result="shortest", source="the squeezed stop must keep metal from metal in the damper")
def shortest_for_damper(
    shaft_at_ride: Metre, packer: Metre, damper_bump_travel: Metre, compressible: Ratio
) -> Metre:
    """Shortest stop that keeps the damper from metal contact."""
    return (shaft_at_ride - packer - damper_bump_travel) / (1 - compressible)


class StopLengths(NamedTuple):
    """Gap of a stop as it is, and the lengths that would work."""

    gap: Metre
    longest: Metre
    shortest: Metre
    feasible: Flag


@checked
def bump_stop(
    shaft_at_ride: Length,
    stop_length: NonNegativeLength,
    motion_ratio: PositiveRatio,
    wheel_contact_travel: Metre,
    compressible: OpenFraction = COMPRESSIBLE,
    clearance: NonNegativeLength = CLEARANCE,
    target_gap: Metre = 0.0,
    damper_bump_travel: NonNegativeLength | None = None,
    packer: NonNegativeLength = 0.0,
) -> StopLengths:
    """How long a bump stop may be: short enough for its gap, long enough to stop tyre and metal.

    `motion_ratio` is the damper's; contact and clearance are at the wheel, the rest at the damper.
    """
    longest = longest_stop(shaft_at_ride, packer, target_gap)
    shortest = shortest_for_tyre(
        shaft_at_ride, packer, motion_ratio, wheel_contact_travel, clearance, compressible
    )
    rule = "the tyre"
    if damper_bump_travel is not None:
        metal = shortest_for_damper(shaft_at_ride, packer, damper_bump_travel, compressible)
        if metal > shortest:
            shortest, rule = metal, "metal in the damper"
    if shortest <= 0:
        shortest, rule = 0.0, "nothing: neither tyre nor metal is met without a stop"
    note(f"the shortest length is set by {rule}")
    feasible = shortest <= longest and longest > 0
    if not feasible:
        note("no length works: less drop, a packer, a stop that squeezes less, or more contact room mends it")
    return StopLengths(stop_gap(shaft_at_ride, packer, stop_length), longest, shortest, float(feasible))


@formula(result="damper_travel", source="the gap closes, then the stop squeezes by its share")
def damper_travel_to_hard(gap: Metre, stop_length: NonNegativeLength, compressible: Ratio) -> Metre:
    """Travel of the damper until its stop is squeezed as far as it goes."""
    return gap + compressible * stop_length


@formula(result="lateral_g", source="steady roll: the outer wheel rises by half the track times the roll angle")
def cornering_to_stop(travel_left: Metre, roll_gradient: RadianPerG, track: Length) -> Ratio:
    """Cornering, in g, at which the outer wheel has used this travel. No jacking, no aero."""
    return travel_left / (roll_gradient * track / 2)


@formula(result="braking_g", source="moment of the sprung mass about the floor, no anti-dive")
def braking_to_stop(
    travel_left: Metre, wheel_rate: Rate, wheelbase: Length, sprung_mass: Mass, cg_height: Length
) -> Ratio:
    """Braking (rear axle: driving off), in g, at which both wheels of the axle have used this travel."""
    return travel_left * 2 * wheel_rate * wheelbase / (sprung_mass * G * cg_height)
