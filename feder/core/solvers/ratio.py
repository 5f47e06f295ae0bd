"""Motion ratio along the travel: constant, from measured pairs, or from a leverage curve."""

from collections.abc import Sequence
from dataclasses import dataclass

from feder.core.numbers.errors import OutOfRange

HIGHEST_DEGREE = 3


@dataclass(frozen=True, slots=True)
class RatioCurve:
    """Spring travel s over wheel travel z (both bump positive) as a polynomial: s, MR = ds/dz, dMR/dz.

    `coefficients` are those of MR, lowest power first; `residual` is how far the measured spring positions lie
    off the curve, at most.
    """

    coefficients: tuple[float, ...]
    residual: float = 0.0

    def ratio(self, travel: float) -> float:
        """MR at a wheel travel."""
        total = 0.0
        for c in reversed(self.coefficients):
            total = total * travel + c
        return total

    def slope(self, travel: float) -> float:
        """dMR/dz at a wheel travel, 1/m."""
        return sum(i * c * travel ** (i - 1) for i, c in enumerate(self.coefficients) if i)

    def spring_travel(self, travel: float) -> float:
        """Spring travel from the origin of z."""
        total = 0.0
        for i in range(len(self.coefficients), 0, -1):
            total = total * travel + self.coefficients[i - 1] / i
        return total * travel

    def shifted(self, origin: float) -> "RatioCurve":
        """The same curve with wheel travel counted from another position."""
        from math import comb

        n = len(self.coefficients)
        moved = [sum(self.coefficients[k] * comb(k, i) * origin ** (k - i) for k in range(i, n)) for i in range(n)]
        return RatioCurve(tuple(moved), self.residual)

    def slowed(self, share: float) -> "RatioCurve":
        """The same spring behind a wheel that moves 1/`share` times as far: s(z) becomes s(share·z)."""
        return RatioCurve(tuple(c * share ** (i + 1) for i, c in enumerate(self.coefficients)), self.residual)


def constant_ratio(motion_ratio: float) -> RatioCurve:
    """One ratio all along the travel."""
    return RatioCurve((motion_ratio,))


def ratio_from_sweep(points: Sequence[tuple[float, float]]) -> RatioCurve:
    """MR(z) from measured (wheel travel, spring travel) pairs, both bump positive.

    A polynomial through the spring positions by least squares: straight for two pairs, a parabola for three or
    four, a cubic from five on. Its derivative is smooth where differences of readings are not.

    Raises:
        OutOfRange: on `sweep`: fewer than two pairs, wheel positions that repeat, a ratio that is not positive.
    """
    import numpy as np

    z = np.array([p[0] for p in points], dtype=float)
    s = np.array([p[1] for p in points], dtype=float)
    if len(points) < 2 or len(set(z.tolist())) != len(z) or not (np.isfinite(z).all() and np.isfinite(s).all()):
        raise OutOfRange("sweep", points, "must be two or more pairs at different wheel positions")
    degree = min(HIGHEST_DEGREE, len(points) - 1) if len(points) != 4 else 2
    fit = np.polynomial.Polynomial.fit(z, s, degree)
    residual = float(np.abs(fit(z) - s).max())
    curve = RatioCurve(tuple(float(c) for c in fit.convert().deriv().coef), residual)
    return _positive(curve, float(z.min()), float(z.max()), "sweep")


def ratio_from_leverage(points: Sequence[tuple[float, float]]) -> RatioCurve:
    """MR(z) from a leverage curve: (wheel travel from full extension, wheel travel over spring travel) pairs.

    Raises:
        OutOfRange: on `leverage`: fewer than two pairs, positions that repeat, a leverage that is not positive.
    """
    import numpy as np

    z = np.array([p[0] for p in points], dtype=float)
    leverage = np.array([p[1] for p in points], dtype=float)
    if len(points) < 2 or len(set(z.tolist())) != len(z) or not (leverage > 0).all() or not np.isfinite(z).all():
        raise OutOfRange("leverage", points, "must be two or more pairs with a leverage above 0")
    degree = min(HIGHEST_DEGREE, len(points) - 1)
    fit = np.polynomial.Polynomial.fit(z, 1 / leverage, degree)
    curve = RatioCurve(tuple(float(c) for c in fit.convert().coef), float(np.abs(1 / fit(z) - leverage).max()))
    return _positive(curve, float(z.min()), float(z.max()), "leverage")


def _positive(curve: RatioCurve, low: float, high: float, key: str) -> RatioCurve:
    steps = [low + (high - low) * i / 40 for i in range(41)]
    if min(curve.ratio(z) for z in steps) <= 0:
        raise OutOfRange(key, curve.coefficients, "must give a motion ratio above 0 all along the travel")
    return curve


@dataclass(slots=True)
class SweepFit:
    """A measured sweep beside its curve: MR at heights along it, and how far each pair lies off, in its order.

    `heights` are hub to arch in m; a residual is how far the spring lies off the curve in m, further
    squeezed positive.
    """

    heights: list[float]
    ratios: list[float]
    residuals: list[float]


FITTED_AT = 31


def sweep_fit(points: Sequence[tuple[float, float]]) -> SweepFit:
    """The curve through measured (hub to arch, length between the seats) pairs, and what lies off it.

    Raises:
        OutOfRange: on `sweep`, as `ratio_from_sweep`.
    """
    if len(points) < 2:
        raise OutOfRange("sweep", points, "must be two or more pairs at different wheel positions")
    full, seat = max(points)
    pairs = [(full - hub, seat - length) for hub, length in points]
    curve = ratio_from_sweep(pairs)
    off = [s - curve.spring_travel(z) for z, s in pairs]
    middle = sum(off) / len(off)  # least squares with a constant leaves residuals that sum to nothing
    low, high = min(z for z, _ in pairs), max(z for z, _ in pairs)
    travels = [low + (high - low) * i / (FITTED_AT - 1) for i in range(FITTED_AT)]
    return SweepFit([full - z for z in travels], [curve.ratio(z) for z in travels], [o - middle for o in off])
