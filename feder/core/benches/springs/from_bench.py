"""A spring part from a run of a spring bench: its rate, and its curve where that is not straight."""

from collections.abc import Sequence
from dataclasses import dataclass

from feder.core.document.base import RateValue
from feder.core.document.setup import SpringPart
from feder.core.formulas.measured_rate import measured_rate

CURVED = 0.02
"""Share of the largest force by which a reading may lie off the straight line before the curve itself is kept."""
MOST_POINTS = 200


@dataclass(frozen=True, slots=True)
class SpringRun:
    """What a run says of a spring: rate and standard error in N/m, how straight, whether its curve is kept."""

    rate: float
    error: float
    r_squared: float
    curved: bool


def spring_run(points: Sequence[tuple[float, float]]) -> SpringRun:
    """Read a run of [deflection, force] pairs in SI.

    Raises:
        OutOfRange: fewer than three pairs in the middle of the range, or a force that does not rise.
    """
    fit = measured_rate(list(points))
    rate = float(fit.rate)
    middle = sum(f - rate * x for x, f in points) / len(points)
    most = max(abs(f) for _, f in points)
    off = max(abs(f - rate * x - middle) for x, f in points)
    return SpringRun(rate, float(fit.standard_error), float(fit.r_squared), off > CURVED * most)


def spring_from_run(
    points: Sequence[tuple[float, float]],
    code: str,
    *,
    free_length: float | None = None,
    inside_diameter: float | None = None,
) -> SpringPart:
    """The part that a run measured, as it goes on the shelf. Raises `OutOfRange` as `spring_run` does."""
    read = spring_run(points)
    kept = tuple(sorted({x: (x, f) for x, f in points if x > 0 and f > 0}.values()))[:MOST_POINTS]
    error = read.error if read.error > 0 else None
    return SpringPart(
        code=code,
        rate=RateValue(value=read.rate, how="bench", tolerance=error),
        free_length=free_length,
        inside_diameter=inside_diameter,
        points=kept if read.curved else None,
    )
