"""How hard a corner or a stop from speed presses a wheel, and what wheel spacers and damper bodies change."""

from feder.core.quantities import (
    G,
    Length,
    Mass,
    Metre,
    MotionRatio,
    Newton,
    NonNegativeLength,
    PositiveRatio,
    RadianPerG,
    Rate,
    Ratio,
)
from feder.core.working import formula


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


@formula(result="track", source="both wheels stand further out")
def track_with_spacers(track: Length, left_spacer: NonNegativeLength, right_spacer: NonNegativeLength) -> Metre:
    """Track with wheel spacers or rims of less offset."""
    return track + left_spacer + right_spacer


@formula(result="motion_ratio", source="the wheel's lever grows, the spring's stays")
def ratio_with_spacer(motion_ratio: MotionRatio, wheel_distance: Length, spacer: NonNegativeLength) -> Ratio:
    """Motion ratio from levers once the wheel stands further out."""
    return motion_ratio * wheel_distance / (wheel_distance + spacer)


@formula(result="free_length", source="as found: length of the standard spring, less the drop at the spring")
def free_length_from_drop(
    spring_length: Metre,
    quoted_drop: NonNegativeLength,
    motion_ratio: MotionRatio,
    spring_force: Newton,
    rate: Rate,
) -> Metre:
    """Free length of a lowering spring from the drop its maker quotes against the standard spring as found."""
    return spring_length - quoted_drop * motion_ratio + spring_force / rate


@formula(result="body_change", source="full droop moves by the hold to spare; the damper by its own ratio")
def body_for_hold(
    held: Metre, wanted_hold: NonNegativeLength, motion_ratio: PositiveRatio, damper_motion_ratio: PositiveRatio
) -> Metre:
    """Change of the damper body's length that leaves the spring held as wanted at full droop, longer positive.

    For spring and damper apart: the height is the spring's, the droop the damper's.
    """
    return (held - wanted_hold) / motion_ratio * damper_motion_ratio
