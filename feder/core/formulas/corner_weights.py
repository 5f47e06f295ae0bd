"""Corner balance: the perch moves that bring cross weight to a target.

Four wheels carry a rigid body: only one pattern of loads neither lifts, pitches nor rolls it, and only
that pattern can be changed by perches. Corner order: front left, front right, rear left, rear right.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from feder.core.formulas.height import turns_of
from feder.core.formulas.ride import ride_rate
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import (
    FourRates,
    FourRatios,
    FourWeights,
    Fraction,
    Leads,
    Length,
    Metre,
    MotionRatio,
    Newton,
    NewtonPerMetre,
    Rate,
    Ratio,
    Turns,
)
from feder.core.numbers.working import checked, formula, given

PATTERN = "null space of statics: loads that neither lift, pitch nor roll a rigid body"
CORNERS = ("front_left", "front_right", "rear_left", "rear_right")


@formula(result="pattern_size", source=PATTERN)
def pattern_size_of(
    target_cross: Fraction, total_weight: Newton, cross_load: Newton, front_track: Length, rear_track: Length
) -> Newton:
    """Size of the pattern that brings cross weight to its target."""
    return (target_cross * total_weight - cross_load) / (1 / front_track + 1 / rear_track)


@formula(result="weight_change", source=PATTERN)
def weight_change_of(pattern_size: Newton, pattern: Ratio) -> Newton:
    """Change of a wheel's load."""
    return pattern_size * pattern


@formula(result="weight", source="sum")
def new_weight_of(weight: Newton, weight_change: Newton) -> Newton:
    """Load of a wheel afterwards."""
    return weight + weight_change


@formula(result="perch_move", source="the corner's spring and tyre take up its load change, the body stays")
def move_at_height(weight_change: Newton, rate: Rate) -> Metre:
    """Perch move, at the wheel, that changes a load and leaves the body where it is."""
    return weight_change / rate


@formula(result="perch_move", source="least sum of squares of moves that make the pattern")
def smallest_move(pattern_size: Newton, pattern: Ratio, pattern_flex: Ratio, pattern_square: Ratio) -> Metre:
    """Smallest perch move, at the wheel; the body moves with it."""
    return pattern * pattern_size * pattern_flex / pattern_square


@formula(result="body_rise", source="the perch lifts, the spring gives under its load change")
def body_rise_of(perch_move: Metre, weight_change: Newton, rate: Rate) -> Metre:
    """Rise of the body at a corner."""
    return perch_move - weight_change / rate


@formula(result="collar", source="the spring end moves MR times as far as the wheel")
def collar_of_move(perch_move: Metre, motion_ratio: MotionRatio) -> Metre:
    """Collar travel, towards the spring positive."""
    return perch_move * motion_ratio


@dataclass(frozen=True)
class CornerBalance:
    """Collar, turns, new weight and, in the mode that moves it, the body's rise of each corner."""

    collar_front_left: Metre
    collar_front_right: Metre
    collar_rear_left: Metre
    collar_rear_right: Metre
    weight_front_left: Newton
    weight_front_right: Newton
    weight_rear_left: Newton
    weight_rear_right: Newton
    turns_front_left: Turns | None = None
    turns_front_right: Turns | None = None
    turns_rear_left: Turns | None = None
    turns_rear_right: Turns | None = None
    height_front_left: Metre | None = None
    height_front_right: Metre | None = None
    height_rear_left: Metre | None = None
    height_rear_right: Metre | None = None


@checked
def corner_balance(
    weights: FourWeights,
    wheel_rates: FourRates,
    front_track: Length,
    rear_track: Length,
    target_cross: Fraction,
    tyre_rates: FourRates | None = None,
    motion_ratios: FourRatios | None = None,
    thread_pitch: Leads | None = None,
    keep_heights: bool = True,
) -> CornerBalance:
    """Perch moves that bring cross weight (front right and rear left over the total) to a target.

    `keep_heights` leaves the body where it stands; otherwise the smallest moves are taken and the body's
    change of height is shown. Bars unhooked. A live axle: wheel rate k_s·(s/t)², motion ratio s/t.

    Raises:
        OutOfRange: on `target_cross` when a wheel would be left without load.
    """
    pattern = [
        given(v, "pattern", "1/m", source=PATTERN)
        for v in (-1 / front_track, 1 / front_track, 1 / rear_track, -1 / rear_track)
    ]
    rates: Sequence[NewtonPerMetre] = wheel_rates
    if tyre_rates is not None:
        rates = [ride_rate(k, t) for k, t in zip(wheel_rates, tyre_rates, strict=True)]
    ratios = motion_ratios if motion_ratios is not None else [1.0] * 4
    total = given(sum(weights), "total weight", "N", source="sum of the four weights")
    cross = given(weights[1] + weights[2], "cross load", "N", source="front right and rear left")
    size = pattern_size_of(target_cross, total, cross, front_track, rear_track)
    changes = [weight_change_of(size, n) for n in pattern]
    new = [new_weight_of(w, d) for w, d in zip(weights, changes, strict=True)]
    if min(new) <= 0:
        raise OutOfRange("target_cross", target_cross, "would leave a wheel without load")
    found: dict[str, float] = {}
    if keep_heights:
        moves = [move_at_height(d, k) for d, k in zip(changes, rates, strict=True)]
    else:
        flex = given(
            sum(n**2 / k for n, k in zip(pattern, rates, strict=True)), "pattern flexibility", "", source=PATTERN
        )
        square = given(sum(n**2 for n in pattern), "pattern square", "", source=PATTERN)
        moves = [smallest_move(size, n, flex, square) for n in pattern]
        rises = [body_rise_of(u, d, k) for u, d, k in zip(moves, changes, rates, strict=True)]
        found |= {f"height_{c}": h for c, h in zip(CORNERS, rises, strict=True)}
    collars = [collar_of_move(u, r) for u, r in zip(moves, ratios, strict=True)]
    found |= {f"collar_{c}": v for c, v in zip(CORNERS, collars, strict=True)}
    found |= {f"weight_{c}": v for c, v in zip(CORNERS, new, strict=True)}
    if thread_pitch is not None:
        leads = thread_pitch if isinstance(thread_pitch, list) else [thread_pitch] * 4
        turned = zip(CORNERS, collars, leads, strict=True)
        found |= {f"turns_{c}": turns_of(v, lead) for c, v, lead in turned}
    return CornerBalance(**found)
