"""A body let go: the swing that fits its readings best, with how sure it is."""

from collections.abc import Sequence
from itertools import pairwise
from math import cos, exp, log, pi, sin, sqrt
from typing import TYPE_CHECKING, NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.quantities import DecayPoints, Hertz, Metre, Ratio, Second
from feder.core.numbers.working import checked, given, solved

if TYPE_CHECKING:
    from numpy import ndarray

LEAST = 8
"""Readings from the release on that a fit needs: five numbers are fitted."""
NEAR_BOTTOM = 0.95
STRONGEST, POOREST = 0.9, 0.8
"""Damping ratio beyond which a swing tells nothing, and the least share of them that a fit must explain."""
FEW = 400
"""Readings that a first, coarse look at all frequencies uses."""
FITTED = "least squares of x₀ + exp(-ζωt)(A cos ω_d t + B sin ω_d t), from the release on"


class Decay(NamedTuple):
    """What a free decay says; the fit's own errors are far too small beside the scatter of several let-goes."""

    frequency: Hertz
    damping_ratio: Ratio
    offset: Metre
    r_squared: Ratio
    standard_error_frequency: Hertz
    standard_error_damping_ratio: Ratio


@checked
def free_decay(points: DecayPoints, release: Second | None = None) -> Decay:
    """Frequency and damping ratio of a body let go, from [time, reading] pairs.

    The fit begins at the release: where it is not told, the last reading within 5 % of the largest excursion from
    rest before the rest height is passed next; rest is the mean of the last quarter.

    Raises:
        OutOfRange: on `points`: times that do not rise, fewer than 8 readings from the release on, or a swing too
            small or too strongly damped to tell. On `release`: outside the readings.
    """
    times = [float(t) for t, _ in points]
    if any(b <= a for a, b in pairwise(times)):
        raise OutOfRange("points", points, "must rise in time")
    if release is not None and not times[0] <= release <= times[-1]:
        raise OutOfRange("release", release, "must lie within the readings")
    start = (
        released_at(points) if release is None else next(i for i, t in enumerate(times) if t >= release - 1e-12)
    )
    fit = fitted(points, start)
    inputs = {"readings": given(float(len(points) - start), "readings from the release on", "", source="counted")}

    def told(value: float, name: str, unit: str) -> float:
        return solved(
            value, name, unit, equation=FITTED, inputs=inputs, source="least squares, global up to Nyquist"
        )

    return Decay(
        told(fit.frequency, "frequency", "Hz"),
        told(fit.damping_ratio, "damping_ratio", ""),
        told(fit.offset, "offset", "m"),
        told(fit.r_squared, "r_squared", ""),
        told(fit.error_frequency, "standard_error_frequency", "Hz"),
        told(fit.error_ratio, "standard_error_damping_ratio", ""),
    )


def released_at(points: Sequence[Sequence[float]]) -> int:
    """Which reading is the release: the last near the largest excursion, before the rest height is passed next."""
    values = [float(x) for _, x in points]
    tail = values[-max(1, len(values) // 4) :]
    rest = sum(tail) / len(tail)
    off = [x - rest for x in values]
    top = max(range(len(off)), key=lambda i: abs(off[i]))
    largest, last = off[top], top
    for i in range(top, len(off)):
        if off[i] * largest <= 0:
            break
        if abs(off[i]) >= NEAR_BOTTOM * abs(largest):
            last = i
    return last


class Fit(NamedTuple):
    """The fitted numbers, plain."""

    frequency: float
    damping_ratio: float
    offset: float
    r_squared: float
    error_frequency: float
    error_ratio: float
    cosine: float
    """Of the fitted swing, with its sine below: in the unit of the readings."""
    sine: float

    def curve(self, times: Sequence[float]) -> list[tuple[float, float]]:
        """The fitted swing at times counted from the release."""
        omega = 2 * pi * self.frequency
        damped = omega * sqrt(max(0.0, 1 - self.damping_ratio**2))
        return [
            (
                t,
                self.offset
                + exp(-self.damping_ratio * omega * t)
                * (self.cosine * cos(damped * t) + self.sine * sin(damped * t)),
            )
            for t in times
        ]


def fitted(points: Sequence[Sequence[float]], start: int, near: tuple[float, float] | None = None) -> Fit:
    """The swing that fits the readings from one on; `near` is a frequency and damping ratio to begin at, if known.

    Raises:
        OutOfRange: on `points`.
    """
    import numpy as np
    from scipy.optimize import least_squares

    data = np.array(points[start:], dtype=float)
    if len(data) < LEAST:
        raise OutOfRange("points", points, f"must hold {LEAST} readings or more from the release on")
    t, x = data[:, 0] - data[0, 0], data[:, 1]
    spread = float(((x - x.mean()) ** 2).sum())
    if not spread > 0:
        raise OutOfRange("points", points, "must swing: all readings are alike")
    size = sqrt(spread / len(x))
    y = (x - x.mean()) / size
    first = (
        _coarse(t, y)
        if near is None
        else [*_linear(t, y, 2 * pi * near[0], near[1]), log(2 * pi * near[0]), near[1]]
    )

    def curve(p: "ndarray") -> "ndarray":
        offset, a, b, log_omega, zeta = p
        omega = exp(log_omega)
        damped = omega * sqrt(max(1e-12, 1 - zeta * zeta))
        return offset + np.exp(-zeta * omega * t) * (a * np.cos(damped * t) + b * np.sin(damped * t))  # type: ignore[no-any-return]

    def off(p: "ndarray") -> "ndarray":
        return curve(p) - y  # type: ignore[no-any-return]

    nyquist = pi / float(np.median(np.diff(t)))
    found = least_squares(
        off,
        first,
        bounds=([-np.inf, -np.inf, -np.inf, log(1e-3), 0.0], [np.inf, np.inf, np.inf, log(nyquist), 0.999]),
        x_scale=[1, 1, 1, 0.1, 0.1],
        xtol=1e-12,
        ftol=1e-12,
        gtol=1e-12,
    )
    left = float((found.fun**2).sum())
    r_squared = 1 - left / len(x)
    omega, zeta = exp(found.x[3]), float(found.x[4])
    if zeta > STRONGEST or r_squared < POOREST:
        raise OutOfRange("points", points, "does not swing enough to tell: push harder, and let go at the bottom")
    try:
        slopes: ndarray = np.asarray(found.jac, dtype=float)
        spread_of = np.linalg.inv(slopes.T @ slopes) * left / max(1, len(x) - 5)
        errors = np.sqrt(np.diag(spread_of))
    except np.linalg.LinAlgError:
        raise OutOfRange("points", points, "does not tell all of a swing") from None
    frequency = omega / 2 / pi
    return Fit(
        frequency,
        zeta,
        float(found.x[0]) * size + float(x.mean()),
        r_squared,
        frequency * float(errors[3]),
        float(errors[4]),
        float(found.x[1]) * size,
        float(found.x[2]) * size,
    )


def _columns(t: "ndarray", omega: float, zeta: float) -> "ndarray":
    import numpy as np

    damped = omega * sqrt(1 - zeta * zeta)
    fade = np.exp(-zeta * omega * t)
    return np.stack([np.ones_like(t), fade * np.cos(damped * t), fade * np.sin(damped * t)], axis=1)


def _linear(t: "ndarray", y: "ndarray", omega: float, zeta: float) -> list[float]:
    """Offset and amplitudes that fit best at a frequency and a damping ratio."""
    import numpy as np

    told, *_ = np.linalg.lstsq(_columns(t, omega, zeta), y, rcond=None)
    return [float(x) for x in told]


def _coarse(t: "ndarray", y: "ndarray") -> list[float]:
    """A start from a look at all frequencies up to Nyquist and all damping ratios, the rest fitted at each."""
    import numpy as np

    step = max(1, len(t) // FEW)
    s, z = t[::step], y[::step]
    nyquist = pi / float(np.median(np.diff(t)))
    lowest = 0.25 * pi / float(t[-1])
    best, start = np.inf, [0.0, 1.0, 0.0, 0.0, 0.3]
    for omega in np.geomspace(lowest, min(nyquist, pi / float(np.median(np.diff(s)))), 140):
        for zeta in (0.02, 0.08, 0.15, 0.25, 0.35, 0.5, 0.65, 0.8):
            columns = _columns(s, omega, zeta)
            told, *_ = np.linalg.lstsq(columns, z, rcond=None)
            left = float(((columns @ told - z) ** 2).sum())
            if left < best:
                best, start = left, [*map(float, told), log(omega), zeta]
    return start
