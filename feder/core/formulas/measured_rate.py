"""A rate read off bench points."""

from math import sqrt
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import NewtonPerMetre, Points, PositiveRatio, Ratio
from feder.core.numbers.working import formula, given


class MeasuredRate(NamedTuple):
    """A rate fitted to bench points, and how well the points lie on a line."""

    rate: NewtonPerMetre
    r_squared: Ratio
    standard_error: NewtonPerMetre


SumXX = PositiveRatio
MIDDLE = (0.2, 0.8)
"""The part of the deflection range that counts, ends included: near its ends a coil is not linear."""


@formula(result="rate", source="least squares: slope of the line through the points")
def fitted_rate(sum_xy: Ratio, sum_xx: SumXX) -> NewtonPerMetre:
    """Slope of force over deflection."""
    return sum_xy / sum_xx


@formula(result="r_squared", source="least squares: square of the correlation")
def fitted_r_squared(sum_xy: Ratio, sum_xx: SumXX, sum_yy: SumXX) -> Ratio:
    """How well the points lie on a line."""
    return min(1.0, sum_xy**2 / (sum_xx * sum_yy))


@formula(result="standard_error", source="least squares: residual spread over the spread of deflection")
def fitted_error(sum_xy: Ratio, sum_xx: SumXX, sum_yy: SumXX, freedom: PositiveRatio) -> NewtonPerMetre:
    """Standard error of the slope."""
    return sqrt(max(0.0, sum_yy - sum_xy**2 / sum_xx) / freedom / sum_xx)


def measured_rate(points: Points) -> MeasuredRate:
    """Rate of a spring from [deflection, force] pairs measured on a bench.

    Least squares over the middle 20 to 80 % of the deflection range, ends included.

    Raises:
        OutOfRange: on `points`: fewer than 3 in that part, all at one deflection, or a force that does not rise.
    """
    pairs = [(float(x), float(f)) for x, f in points]
    low, high = min(x for x, _ in pairs), max(x for x, _ in pairs)
    span = high - low
    if not span > 0:
        raise OutOfRange("points", points, "must span a range of deflection")
    edge = 1e-9 * span
    inside = [(x, f) for x, f in pairs if low + MIDDLE[0] * span - edge <= x <= low + MIDDLE[1] * span + edge]
    if len(inside) < 3:
        raise OutOfRange("points", points, "must hold at least 3 in the middle 20 to 80 % of the range")
    x_mean, f_mean = (sum(column) / len(inside) for column in zip(*inside, strict=True))
    sums = {
        "sum_xy": sum((x - x_mean) * (f - f_mean) for x, f in inside),
        "sum_xx": sum((x - x_mean) ** 2 for x, _ in inside),
        "sum_yy": sum((f - f_mean) ** 2 for _, f in inside),
    }
    if not sums["sum_xx"] > 0:
        raise OutOfRange("points", points, "must not all lie at one deflection")
    if not sums["sum_xy"] > 0:
        raise OutOfRange("points", points, "must show a force that rises with deflection")
    xy, xx, yy = (given(v, k, "", source=f"sum over {len(inside)} points") for k, v in sums.items())
    free = given(len(inside) - 2.0, "freedom", "", source="points less two")
    return MeasuredRate(fitted_rate(xy, xx), fitted_r_squared(xy, xx, yy), fitted_error(xy, xx, yy, free))
