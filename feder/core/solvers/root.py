"""The root of a function between two bounds."""

from collections.abc import Callable


class Lost(Exception):
    """Raised by a function on the way that has no value there: there is no root to be found."""


def crossing(falls: Callable[[float], float], low: float, high: float, close: float) -> float:
    """Where a falling function changes sign between two bounds; a bound where it does not.

    `close` is how near the answer must be. By Brent's method: it cannot leave the bracket.
    """
    from scipy.optimize import brentq  # slow to load, and not needed at every start

    if high - low <= close or falls(high) > 0:
        return high
    if falls(low) <= 0:
        return low
    return float(brentq(falls, low, high, xtol=close))
