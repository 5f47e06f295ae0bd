"""Where one corner stands under its load: static travel, and whether it is topped out or on a limit."""

from dataclasses import dataclass

from feder.core.numbers.errors import NoEquilibrium
from feder.core.solvers.curve import CornerCurve, LinearCorner

STEPS = 300


@dataclass(frozen=True, slots=True)
class CornerBalance:
    """Travel at which the corner carries its load (bump positive), and the limit it rests against, if any."""

    travel: float
    residual: float
    topped_out: bool
    on_limit: bool


def corner_equilibrium(curve: CornerCurve | LinearCorner, load: float, low: float, high: float) -> CornerBalance:
    """The travel at which a corner's force curve carries a sprung load, looked for from `low` to `high`.

    By bracketing and halving, so that it cannot run away. Of several states (a linkage that falls off) the one
    reached first from droop is taken: what the vehicle does when it is set down.

    Raises:
        NoEquilibrium: the load is not carried anywhere between the bounds.
    """
    start = max(low, curve.droop) if curve.droop > -1e6 else low
    at, step = start, (high - start) / STEPS
    if curve.force(at) >= load:
        return CornerBalance(at, 0.0, topped_out=True, on_limit=False)
    while curve.force(at + step) < load:
        at += step
        if at >= high:
            raise NoEquilibrium("the corner cannot carry its load within its travel")
    a, b = at, at + step
    for _ in range(200):
        middle = (a + b) / 2
        if middle in (a, b):
            break
        a, b = (middle, b) if curve.force(middle) < load else (a, middle)
    travel = (a + b) / 2
    return CornerBalance(travel, curve.force(travel) - load, topped_out=False, on_limit=travel > curve.solid)
