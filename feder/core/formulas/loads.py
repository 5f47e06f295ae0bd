"""Where a carried mass goes: its share on each wheel of a chassis of unknown stiffness."""

from typing import NamedTuple

from feder.core.numbers.notes import note
from feder.core.numbers.quantities import Fraction, G, Length, Mass, Metre, Newton, Ratio
from feder.core.numbers.working import checked, formula

LEVER = "levers about the axles"


class LoadShare(NamedTuple):
    front_left: Newton
    front_right: Newton
    rear_left: Newton
    rear_right: Newton


@formula(result="front_load", source=LEVER)
def front_axle_load(mass: Mass, x: Metre, wheelbase: Length) -> Newton:
    """Weight that the front axle takes."""
    return mass * G * (1 - x / wheelbase)


@formula(result="rear_load", source=LEVER)
def rear_axle_load(mass: Mass, x: Metre, wheelbase: Length) -> Newton:
    """Weight that the rear axle takes."""
    return mass * G * x / wheelbase


@formula(result="side_load", source="roll moment of the mass over the track, the axle's share of it")
def side_load(mass: Mass, y: Metre, front_roll_share: Fraction, track: Length) -> Newton:
    """Load that moves to the right wheel of an axle."""
    return mass * G * y * front_roll_share / track


@formula(result="front_roll_share", source="the rest of the roll moment")
def other_share(front_roll_share: Fraction) -> Ratio:
    """Share of the other axle."""
    return 1 - front_roll_share


@formula(result="wheel_load", source="half the axle's load less what moved right")
def left_load(axle_load: Newton, side_load: Newton) -> Newton:
    """Load on the left wheel."""
    return axle_load / 2 - side_load


@formula(result="wheel_load", source="half the axle's load and what moved right")
def right_load(axle_load: Newton, side_load: Newton) -> Newton:
    """Load on the right wheel."""
    return axle_load / 2 + side_load


def usual_roll_share(x: float, wheelbase: float) -> float:
    """Front share of the roll moment when nothing is known of the chassis: as the load itself lies."""
    return min(1.0, max(0.0, 1 - x / wheelbase))


@checked
def load_share(
    mass: Mass,
    x: Metre,
    y: Metre,
    wheelbase: Length,
    front_track: Length,
    rear_track: Length,
    front_roll_share: Fraction | None = None,
) -> LoadShare:
    """Load that a mass at x behind the front axle and y right of the centre line puts on each wheel.

    Behind the rear axle the front is relieved. Without a roll share the load's own place decides, which is
    only a guess for a chassis of unknown stiffness; a note says so.
    """
    if front_roll_share is None:
        front_roll_share = usual_roll_share(x, wheelbase)
        if y != 0:
            note("the roll share is a guess for a chassis of unknown stiffness; springs and bars decide it")
    front, rear = front_axle_load(mass, x, wheelbase), rear_axle_load(mass, x, wheelbase)
    front_side = side_load(mass, y, front_roll_share, front_track)
    rear_side = side_load(mass, y, other_share(front_roll_share), rear_track)
    return LoadShare(
        left_load(front, front_side),
        right_load(front, front_side),
        left_load(rear, rear_side),
        right_load(rear, rear_side),
    )
