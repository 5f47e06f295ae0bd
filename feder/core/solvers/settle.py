"""How far springs still settle: heights over distance, fitted with what is known of springs beforehand."""

from collections.abc import Sequence
from math import exp, log, sqrt
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import DistanceHeights, Length, Metre
from feder.core.numbers.working import checked, given, solved

SCATTER = 0.0015
AMOUNT = 0.010
"""Prior of what is still to come at the first metre: 0, give or take this, m."""
USUAL_DISTANCE, SPREAD = 300e3, log(2.0)
"""Prior of the distance constant: ln of 300 km, give or take ln 2."""
WIDEST = 8.0
"""How many spreads either side the distance constant is looked for."""
STEPS = 320
FITTED = "most likely h∞ + a·exp(-d/d₀), with a = 0 ± 10 mm and ln d₀ = ln 300 km ± ln 2 known beforehand"


class Settled(NamedTuple):
    """Where heights end, what is still to come, and how sure the end is."""

    settled_height: Metre
    remaining: Metre
    distance_constant: Metre
    standard_error: Metre


@checked
def settling(points: DistanceHeights, scatter: Length = SCATTER) -> Settled:
    """Settled height from [distance, height] pairs, distance in m since fitting.

    For a given distance constant the end and the amount are linear; the constant itself is searched over all of
    its likely values, since two minima do occur.

    Raises:
        OutOfRange: on `points` with a distance below 0.
    """
    told = [(float(d), float(h)) for d, h in points]
    if any(d < 0 for d, _ in told):
        raise OutOfRange("points", points, "must have distances of 0 or more, counted from fitting")
    spread = float(scatter)
    best = min(_grid(), key=lambda x: _lowest(told, spread, x)[0])
    step = 2 * WIDEST * SPREAD / STEPS
    at = _narrowed(told, spread, best - step, best + step)
    _, end, amount = _lowest(told, spread, at)
    last = max(d for d, _ in told)
    constant = USUAL_DISTANCE * exp(at)
    inputs = {
        "readings": given(float(len(told)), "readings", "", source="counted"),
        "scatter": given(spread, "scatter", "m", source="given"),
    }

    def number(value: float, name: str) -> float:
        return solved(
            value, name, "m", equation=FITTED, inputs=inputs, source="least squares with prior knowledge"
        )

    return Settled(
        number(end, "settled_height"),
        number(amount * exp(-last / constant), "remaining"),
        number(constant, "distance_constant"),
        number(_error(told, spread, amount, at), "standard_error"),
    )


def _grid() -> list[float]:
    """ln of the distance constant over its usual value, looked at coarsely."""
    return [(2 * i / STEPS - 1) * WIDEST * SPREAD for i in range(STEPS + 1)]


def _lowest(points: Sequence[tuple[float, float]], scatter: float, x: float) -> tuple[float, float, float]:
    """Twice the misfit at a distance constant, with the end and the amount that make it least."""
    constant = USUAL_DISTANCE * exp(x)
    shapes = [exp(-d / constant) for d, _ in points]
    weight = 1 / scatter**2
    n, s, ss = weight * len(points), weight * sum(shapes), weight * sum(e * e for e in shapes) + 1 / AMOUNT**2
    h = weight * sum(v for _, v in points)
    hs = weight * sum(v * e for (_, v), e in zip(points, shapes, strict=True))
    determinant = n * ss - s * s
    end, amount = (h * ss - hs * s) / determinant, (n * hs - s * h) / determinant
    misfit = sum((v - end - amount * e) ** 2 for (_, v), e in zip(points, shapes, strict=True)) * weight
    return misfit + (amount / AMOUNT) ** 2 + (x / SPREAD) ** 2, end, amount


def _narrowed(points: Sequence[tuple[float, float]], scatter: float, low: float, high: float) -> float:
    """The least misfit between two values, by thirds of golden section."""
    golden = (sqrt(5) - 1) / 2
    a, b = high - golden * (high - low), low + golden * (high - low)
    for _ in range(80):
        if _lowest(points, scatter, a)[0] <= _lowest(points, scatter, b)[0]:
            high, b = b, a
            a = high - golden * (high - low)
        else:
            low, a = a, b
            b = low + golden * (high - low)
    return (low + high) / 2


def _error(points: Sequence[tuple[float, float]], scatter: float, amount: float, x: float) -> float:
    """Standard error of the end: the inverse Hessian of half the sum, in end, amount and ln d₀."""
    weight, constant = 1 / scatter**2, USUAL_DISTANCE * exp(x)
    _, end, _ = _lowest(points, scatter, x)
    matrix = [[0.0, 0.0, 0.0], [0.0, 1 / AMOUNT**2, 0.0], [0.0, 0.0, 1 / SPREAD**2]]
    for d, h in points:
        u = d / constant
        e = exp(-u)
        slope = (1.0, e, amount * e * u)
        off = h - end - amount * e
        # second derivatives of the model: amount with ln d₀, and ln d₀ twice
        bent = {(1, 2): e * u, (2, 2): amount * e * u * (u - 1)}
        for i in range(3):
            for j in range(3):
                matrix[i][j] += weight * (slope[i] * slope[j] - off * bent.get((min(i, j), max(i, j)), 0.0))
    minor = matrix[1][1] * matrix[2][2] - matrix[1][2] * matrix[2][1]
    determinant = (
        matrix[0][0] * minor
        - matrix[0][1] * (matrix[1][0] * matrix[2][2] - matrix[1][2] * matrix[2][0])
        + matrix[0][2] * (matrix[1][0] * matrix[2][1] - matrix[1][1] * matrix[2][0])
    )
    return sqrt(minor / determinant)
