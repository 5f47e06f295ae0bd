"""What a damper of another length changes: every limit that it sets, and what shows of its shaft."""

from feder.core.numbers.quantities import Length, Metre, MotionRatio
from feder.core.numbers.working import formula

LONGER = "a body longer by so much moves both ends of its stroke; at the wheel through its ratio"


@formula(result="wheel_shift", source=LONGER)
def damper_shift(length_change: Metre, damper_motion_ratio: MotionRatio) -> Metre:
    """How far all limits that a damper sets move at the wheel, bump positive, when its body is longer by so much.

    Longer: more droop and less bump. Shorter: less droop and more bump; then the tyre may be met first.
    """
    return -length_change / damper_motion_ratio


@formula(result="length_change", source="the other way round")
def reversed_of(length_change: Metre) -> Metre:
    """How much shorter a body is, as it is so much longer."""
    return -length_change


@formula(result="limit_hub_to_arch", source=LONGER)
def limit_with_body(limit_hub_to_arch: Length, wheel_shift: Metre) -> Metre:
    """Height of a damper's limit once its body is longer or shorter."""
    return limit_hub_to_arch - wheel_shift


@formula(result="shaft", source="between the same mounts a longer body leaves less shaft to show")
def shaft_with_body(shaft: Length, length_change: Metre) -> Metre:
    """Shaft that shows at the same height once the body is longer by so much."""
    return shaft - length_change


@formula(result="seat_length", source="the perch stands on the damper's body and moves with it")
def seat_with_body(seat_length: Metre, length_change: Metre) -> Metre:
    """Room for a spring whose perch stands on the body, once that is longer by so much."""
    return seat_length - length_change
