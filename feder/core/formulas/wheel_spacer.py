"""What wheel spacers change: the track, and the motion ratio of an arm whose wheel stands further out."""

from feder.core.numbers.quantities import Length, Metre, MotionRatio, NonNegativeLength, Ratio
from feder.core.numbers.working import formula


@formula(result="track", source="both wheels stand further out")
def track_with_spacers(track: Length, left_spacer: NonNegativeLength, right_spacer: NonNegativeLength) -> Metre:
    """Track with wheel spacers or rims of less offset."""
    return track + left_spacer + right_spacer


@formula(result="motion_ratio", source="the wheel's lever grows, the spring's stays")
def ratio_with_spacer(motion_ratio: MotionRatio, wheel_distance: Length, spacer: NonNegativeLength) -> Ratio:
    """Motion ratio from levers once the wheel stands further out."""
    return motion_ratio * wheel_distance / (wheel_distance + spacer)


@formula(result="limit_hub_to_arch", source="the damper is met at the same place, the wheel moves further for it")
def limit_with_spacer(
    found_hub_to_arch: Length, limit_hub_to_arch: Length, wheel_distance: Length, spacer: NonNegativeLength
) -> Metre:
    """Height of a damper's limit once the wheel stands further out."""
    return found_hub_to_arch - (found_hub_to_arch - limit_hub_to_arch) * (wheel_distance + spacer) / wheel_distance
