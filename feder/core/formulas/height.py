"""Height and preload: collars, spring swaps, and what holds a spring at full droop."""

from math import atan
from typing import NamedTuple

from feder.core.formulas.motion_ratio import spring_force_for_load, spring_length_under_force
from feder.core.numbers.quantities import (
    Force,
    Length,
    Metre,
    MotionRatio,
    Newton,
    NonNegativeLength,
    PositiveRatio,
    Radian,
    Rate,
    Turns,
)
from feder.core.numbers.working import checked, formula


@formula(result="collar", source="the spring end moves MR times as far as the body over the wheel")
def collar_for_height(height_change: Metre, motion_ratio: MotionRatio) -> Metre:
    """Collar travel for a change of body height, spring and damper on one perch, load unchanged."""
    return height_change * motion_ratio


@formula(result="turns", source="thread: one lead for each turn")
def turns_of(collar: Metre, thread_pitch: Length) -> Turns:
    """Turns that move a collar."""
    return collar / thread_pitch


class CollarMove(NamedTuple):
    """Collar travel and, with a thread, its turns."""

    collar: Metre
    turns: Turns | None


@checked
def collar_move(height_change: Metre, motion_ratio: MotionRatio, thread_pitch: Length | None = None) -> CollarMove:
    """Collar move for a height change, towards the spring positive (body up).

    Right alone only when left and right move alike: moving one corner alone shifts load to the others.
    """
    collar = collar_for_height(height_change, motion_ratio)
    return CollarMove(collar, None if thread_pitch is None else turns_of(collar, thread_pitch))


class Preload(NamedTuple):
    """Compression (negative: loose by so much) and force of a spring at full droop."""

    compression: Metre
    force: Newton


@formula(result="compression", source="definition: free length less the room at full droop")
def droop_compression(free_length: Length, droop_length: Metre) -> Metre:
    """How far a spring is compressed at full droop; negative when it is loose."""
    return free_length - droop_length


@formula(result="force", source="linear spring; a loose spring pushes with nothing")
def preload_force(compression: Metre, rate: Rate) -> Newton:
    """Force of a spring at full droop."""
    return max(0.0, compression) * rate


@checked
def preload(free_length: Length, droop_length: Length, rate: Rate) -> Preload:
    """Preload of a spring at full droop. It sets where the travel starts, not the rate."""
    compression = droop_compression(free_length, droop_length)
    return Preload(compression, preload_force(compression, rate))


@formula(result="height_change", source="same perches: the body moves 1/MR times the change of spring length")
def height_from_lengths(new_spring_length: Metre, old_spring_length: Metre, motion_ratio: MotionRatio) -> Metre:
    """Change of body height when a spring of another length stands on the same perches."""
    return (new_spring_length - old_spring_length) / motion_ratio


@checked
def spring_swap(
    corner_load: Force,
    motion_ratio: MotionRatio,
    old_rate: Rate,
    old_free_length: Length,
    new_rate: Rate,
    new_free_length: Length,
) -> Metre:
    """Change of height when another spring stands on the same perches, left and right alike."""
    force = spring_force_for_load(corner_load, motion_ratio)
    old = spring_length_under_force(old_free_length, force, old_rate)
    new = spring_length_under_force(new_free_length, force, new_rate)
    return height_from_lengths(new, old, motion_ratio)


@formula(result="spring_travel", source="the spring moves MR times as far as the wheel")
def spring_travel_between(motion_ratio: MotionRatio, from_height: Metre, to_height: Metre) -> Metre:
    """Spring travel, compression positive, as hub to arch goes from one height to another."""
    return motion_ratio * (from_height - to_height)


@formula(result="spring_length", source="seat length, less collar and travel since it was measured")
def spring_room(seat_length: Length, collar_position: Metre, spring_travel: Metre) -> Metre:
    """Room between the spring seats."""
    return seat_length - collar_position - spring_travel


@formula(result="collar_position", source="spring room solved for the collar")
def collar_for_room(spring_length: Metre, seat_length: Length, spring_travel: Metre) -> Metre:
    """Collar position, above its datum, that gives the spring this room."""
    return seat_length - spring_travel - spring_length


@formula(result="spring_travel", source="the spring's end goes with its collar, the body with the spring")
def collar_between(collar_position: Metre, other_collar: Metre) -> Metre:
    """Spring travel, compression positive, that takes the body down as the collar goes to another place."""
    return collar_position - other_collar


@formula(result="seat_length", source="what lies between spring and seat takes its thickness from the room")
def seat_with_pads(seat_length: Metre, pads: Metre) -> Metre:
    """Room for the spring with pads, plates, shims or a second ring between spring and seat."""
    return seat_length - pads


@formula(result="stack", source="one upon the other")
def stack_with(stack: Metre, thickness: Metre) -> Metre:
    """Thickness of a stack with one thing more."""
    return stack + thickness


@formula(result="seat_length", source="what lies between spring and seat takes its thickness from the room")
def seat_with_stack(seat_length: Metre, stack: Metre, found_stack: Metre) -> Metre:
    """Room for the spring with another stack of pads, plates, shims and rings than the one found."""
    return seat_length - (stack - found_stack)


@formula(result="seat_length", source="as found: spring length under its load plus collar and travel since")
def seat_from_found_spring(spring_length: Metre, collar_position: Metre) -> Metre:
    """Seat length with the collar at its datum, from the spring as found, at the found height."""
    return spring_length + collar_position


@formula(result="seat_length", source="a spacer takes its length from the room for the spring")
def seat_with_spacer(seat_length: Metre, fork_spacer: Metre, found_fork_spacer: Metre) -> Metre:
    """Room for a fork's springs with other spacers on them."""
    return seat_length - (fork_spacer - found_fork_spacer)


@formula(result="seat_length", source="the seats come together by the spring's travel")
def seat_at_height(seat_length: Metre, spring_travel: Metre) -> Metre:
    """Room between the seats at the height found, from that at another one, which the spring's travel leads to."""
    return seat_length + spring_travel


@formula(result="seat_length", source="mean of the rows")
def mean_seat(seat_lengths: Metre, rows: PositiveRatio) -> Metre:
    """Room between the seats as the rows of a chart have it together."""
    return seat_lengths / rows


@formula(result="spring_force", source="linear spring; loose when the room exceeds its free length")
def spring_force_in_room(spring_rate: Rate, free_length: Length, spring_length: Metre) -> Newton:
    """Force of a linear spring in the room it is given."""
    return spring_rate * max(0.0, free_length - spring_length)


@formula(result="body_rake", source="height difference of the sill over the wheelbase, nose down positive")
def rake_angle(
    rear_sill: Metre, rear_drop: Metre, front_sill: Metre, front_drop: Metre, wheelbase: Length
) -> Radian:
    """Rake of the body from sill heights at the axles, nose down positive."""
    return atan(((rear_sill - rear_drop) - (front_sill - front_drop)) / wheelbase)


@formula(result="rake_change", source="difference of the drops over the wheelbase, nose down positive")
def rake_change_of(front_drop: Metre, rear_drop: Metre, wheelbase: Length) -> Radian:
    """Change of rake against as found, nose down positive."""
    return atan((front_drop - rear_drop) / wheelbase)


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


def past_thread(collar: float, thread: float) -> float:
    """How far a collar would stand above the top of its thread, or below its bottom (negative); 0 on it."""
    return max(0.0, collar - thread) + min(0.0, collar)
