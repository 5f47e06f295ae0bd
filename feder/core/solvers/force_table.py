"""Force tables: the one form into which every spring, stop and gas charge can be turned.

A table is rising (deflection, force) pairs with a shape-preserving cubic between them (or straight lines,
where a knee must stay sharp), and straight on beyond its ends. Force and tangent rate are exact derivatives
of one energy, so that a balance of forces is a minimum.
"""

import itertools
from bisect import bisect_right
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import isfinite

from feder.core.numbers.errors import OutOfRange

MOST_POINTS = 2000


@dataclass(frozen=True, slots=True)
class ForceTable:
    """Force over deflection; `pieces` are (from, force, slope, half curvature, sixth of the third derivative)."""

    pieces: tuple[tuple[float, float, float, float, float], ...]
    end: float

    def _piece(self, deflection: float) -> tuple[float, tuple[float, float, float, float, float]]:
        first = self.pieces[0]
        if deflection <= first[0]:
            return deflection - first[0], (first[0], first[1], first[2], 0.0, 0.0)
        if deflection > self.end:
            x, f, s, c, d = self.pieces[-1]
            h = self.end - x
            return deflection - self.end, (
                self.end,
                f + h * (s + h * (c + h * d)),
                s + h * (2 * c + 3 * h * d),
                0.0,
                0.0,
            )
        piece = self.pieces[bisect_right(self.pieces, (deflection, float("inf"))) - 1]
        return deflection - piece[0], piece

    def force(self, deflection: float) -> float:
        """Force at a deflection, N."""
        h, (_, f, s, c, d) = self._piece(deflection)
        return f + h * (s + h * (c + h * d))

    def rate(self, deflection: float) -> float:
        """Tangent rate at a deflection, N/m."""
        h, (_, _, s, c, d) = self._piece(deflection)
        return s + h * (2 * c + 3 * h * d)

    def scaled(self, count: float) -> "ForceTable":
        """So many of the same element side by side."""
        pieces = ((x, f * count, s * count, c * count, d * count) for x, f, s, c, d in self.pieces)
        return ForceTable(tuple(pieces), self.end)

    def shifted(self, by: float) -> "ForceTable":
        """The same element, its deflection counted from another zero: what was `by` is now 0."""
        return ForceTable(tuple((x - by, *rest) for x, *rest in self.pieces), self.end - by)  # type: ignore[misc]

    def deflection(self, force: float, low: float, high: float) -> float:
        """Deflection at a force, looked for between two bounds by halving; a bound where the force lies beyond."""
        if self.force(low) >= force:
            return low
        if self.force(high) <= force:
            return high
        for _ in range(200):
            middle = (low + high) / 2
            if middle in (low, high):
                break
            low, high = (middle, high) if self.force(middle) < force else (low, middle)
        return (low + high) / 2


def table_from(points: Sequence[tuple[float, float]], *, smooth: bool = True, key: str = "points") -> ForceTable:
    """A table through measured points, smooth (shape-preserving cubic) or by straight lines.

    Raises:
        OutOfRange: on `key`: fewer than two points, deflections that do not rise, forces that fall.
    """
    pairs = [(float(x), round(float(f), 9)) for x, f in points]
    if not 2 <= len(pairs) <= MOST_POINTS or not all(isfinite(v) for pair in pairs for v in pair):
        raise OutOfRange(key, points, f"must be 2 to {MOST_POINTS} finite pairs")
    for (x0, f0), (x1, f1) in itertools.pairwise(pairs):
        if not x1 > x0:
            raise OutOfRange(key, points, "must rise in deflection from pair to pair")
        if f1 < f0:
            raise OutOfRange(key, points, "must not fall in force")
    if not smooth or len(pairs) == 2:
        pieces = [(x0, f0, (f1 - f0) / (x1 - x0), 0.0, 0.0) for (x0, f0), (x1, f1) in itertools.pairwise(pairs)]
        return ForceTable(tuple(pieces), pairs[-1][0])
    from scipy.interpolate import PchipInterpolator

    curve = PchipInterpolator([x for x, _ in pairs], [f for _, f in pairs])
    rows = zip(curve.x[:-1], *curve.c[::-1], strict=True)
    return ForceTable(tuple(tuple(map(float, row)) for row in rows), pairs[-1][0])  # type: ignore[misc]


def side_by_side(first: ForceTable, second: ForceTable) -> ForceTable:
    """Two elements under the same deflection: their forces add."""
    knots = sorted({p[0] for t in (first, second) for p in t.pieces} | {first.end, second.end})
    pieces = []
    for x in knots[:-1]:
        middle = x + 1e-15 * max(1.0, abs(x))  # on the piece that begins here
        pieces.append(
            (x, *(a + b for a, b in zip(_from(first, x, middle), _from(second, x, middle), strict=True)))
        )
    return ForceTable(tuple(pieces), knots[-1])  # type: ignore[arg-type]


def _from(table: ForceTable, x: float, inside: float) -> tuple[float, float, float, float]:
    """Force and derivatives at x of the piece on which `inside` lies."""
    _, (start, f, s, c, d) = table._piece(inside)
    h = x - start
    return f + h * (s + h * (c + h * d)), s + h * (2 * c + 3 * h * d), c + 3 * h * d, d


def linear_table(rate: float, until: float) -> ForceTable:
    """A linear spring, loose below zero deflection."""
    return table_from([(-until, 0.0), (0.0, 0.0), (until, rate * until)], smooth=False)


def dual_rate_table(main_rate: float, tender_rate: float, tender_travel: float, until: float) -> ForceTable:
    """Main and tender in series until the tender is solid; a helper is a tender of next to no rate."""
    force = tender_rate * tender_travel
    knee = force * (1 / main_rate + 1 / tender_rate)
    far = max(until, 2 * knee)
    return table_from(
        [(-far, 0.0), (0.0, 0.0), (knee, force), (far, force + main_rate * (far - knee))], smooth=False
    )


def gas_table(push: float, until: float) -> ForceTable:
    """The constant push of a gas charge."""
    return table_from([(-until, push), (until, push)], smooth=False)


def sampled_table(force: Callable[[float], float], start: float, end: float, count: int = 60) -> ForceTable:
    """A table of a force law, such as an air spring's, from evenly spaced samples."""
    step = (end - start) / (count - 1)
    return table_from([(start + i * step, force(start + i * step)) for i in range(count)])


def stop_table(points: Sequence[tuple[float, float]]) -> ForceTable:
    """A bump stop: nothing before it is touched, then its measured (squeeze, force) pairs, from (0, 0)."""
    return table_from([(-1.0, 0.0), (-0.5, 0.0), *points], key="stop points")


def friction_band(table: ForceTable, friction: float, deflection: float) -> tuple[float, float]:
    """Forces between which friction holds a spring still at a deflection."""
    middle = table.force(deflection)
    return middle - friction, middle + friction
