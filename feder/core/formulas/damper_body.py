"""What a damper of another length changes: every limit that it sets, and what shows of its shaft."""

from feder.core.numbers.quantities import Length, Metre, MotionRatio, NonNegativeLength, Ratio
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


@formula(result="length_change", source="definition")
def length_beside(new_length: Length, found_length: Length) -> Metre:
    """How much longer a damper is than the one found."""
    return new_length - found_length


@formula(result="length_change", source="one above the other")
def both_changes(first_change: Metre, second_change: Metre) -> Metre:
    """How much longer a damper stands, by its body and by what is under it."""
    return first_change + second_change


@formula(result="body_length", source="definition")
def body_turned(found_body_length: Length, length_change: Metre) -> Metre:
    """Length of a damper's body once it is turned longer by so much."""
    return found_body_length + length_change


@formula(result="thread_engaged", source="a body turned out by so much leaves its mount by as much")
def engaged_after(found_engaged: NonNegativeLength, length_change: Metre) -> Metre:
    """Thread of a body that is left in its lower mount."""
    return found_engaged - length_change


@formula(result="collar_rule", source="rule or calliper from a fixed point to the collar")
def collar_by_rule(rule_at_zero: NonNegativeLength, collar_position: Metre, way: Ratio) -> Metre:
    """What the rule shows with the collar so far from its datum; `way` is -1 where the reading falls."""
    return rule_at_zero + way * collar_position


@formula(
    result="link_length",
    source="the link's end follows the wheel by its ratio: so much shorter as the body is lower",
)
def link_for_drop(found_link_length: Length, drop: Metre, motion_ratio: MotionRatio) -> Metre:
    """Link of an anti-roll bar that leaves the bar's arms as they were, once the body is lower by so much."""
    return found_link_length - drop * motion_ratio
