"""Spline moves of a torsion bar: the pair of inner and outer moves nearest to an angle, and its words."""

from dataclasses import dataclass
from math import lcm, pi
from typing import Annotated, Literal, NamedTuple

from feder.core.numbers.notes import note
from feder.core.numbers.quantities import PositiveRatio, Radian, Ratio, Splines, Unit, Within
from feder.core.numbers.working import checked, formula

SPLINES = "i of the inner less o of the outer splines, each a share of a turn"
MOST_MOVES, MOST_ROWS = 400, 200

Moves = Annotated[int, Unit(""), Within(1, MOST_MOVES)]
Rows = Annotated[int, Unit(""), Within(1, MOST_ROWS)]


@formula(result="angle", source=SPLINES)
def spline_angle(inner: Ratio, inner_splines: PositiveRatio, outer: Ratio, outer_splines: PositiveRatio) -> Radian:
    """Change of the free angle by a pair of moves."""
    return (inner * outer_splines - outer * inner_splines) * (2 * pi / (inner_splines * outer_splines))


@formula(result="error", source="definition")
def spline_error(angle: Radian, wanted: Radian) -> Radian:
    """Reached less wanted; an adjustable plate must make up its opposite."""
    return angle - wanted


@formula(result="finest_step", source="a full turn over the least common multiple of the spline counts")
def finest_step_of(least_multiple: PositiveRatio) -> Radian:
    """Finest step that two spline counts can make."""
    return 2 * pi / least_multiple


class SplineCandidate(NamedTuple):
    """A pair of moves: inner, outer, the angle they give, and what is left."""

    inner: Ratio
    outer: Ratio
    angle: Radian
    error: Radian


@dataclass(frozen=True)
class SplineMoves:
    """The best pair, the alternatives in order, the moves in words for each side."""

    inner: Ratio
    outer: Ratio
    angle: Radian
    error: Radian
    finest_step: Radian
    inner_only: Radian
    outer_only: Radian
    candidates: tuple[SplineCandidate, ...]
    words: dict[str, str]


def usual_moves(inner_splines: int) -> int:
    """How far moves are looked for when nothing is said: a quarter turn of the inner end."""
    return max(1, int(inner_splines) // 4)


@checked
def spline_moves(
    inner_splines: Splines,
    outer_splines: Splines,
    angle: Radian,
    max_moves: Moves | None = None,
    count: Rows = 8,
    arm: Literal["trailing", "leading"] = "trailing",
) -> SplineMoves:
    """Inner and outer spline moves nearest to a wanted change of the free angle (positive: body up).

    i > 0 turns the bar in the inner (chassis) splines in the positive sense, o > 0 the plate on the bar's
    outer splines in the negative sense. Pairs are compared by the whole number N = i·outer − o·inner, so that
    equal angles are equal; then by fewest moves.

    Source: counting splines; every pair was compared by brute force in the tests.
    """
    n_in, n_out = int(inner_splines), int(outer_splines)
    reach = usual_moves(n_in) if max_moves is None else int(max_moves)
    unit = 2 * pi / (n_in * n_out)

    def key(pair: tuple[int, int]) -> tuple[float, int, int, int]:
        i, o = pair
        return abs((i * n_out - o * n_in) * unit - angle), abs(i) + abs(o), abs(i), i

    pairs = sorted(_near(n_in, n_out, angle, reach, int(count)), key=key)[: int(count)]
    rows = tuple(_row(i, o, n_in, n_out, angle) for i, o in pairs)
    best = rows[0]
    step = finest_step_of(float(lcm(n_in, n_out)))
    if abs(best.error) > step / 2 * (1 + 1e-9):
        note(
            f"within {reach} splines at each end some steps are out of reach: the finest step is "
            f"{step * 180 / pi:.2f} deg, the nearest pair is {abs(best.error) * 180 / pi:.2f} deg off"
        )
    inner_only = min(((i, 0) for i in range(-reach, reach + 1)), key=key)
    outer_only = min(((0, o) for o in range(-reach, reach + 1)), key=key)
    return SplineMoves(
        inner=best.inner,
        outer=best.outer,
        angle=best.angle,
        error=best.error,
        finest_step=step,
        inner_only=_row(*inner_only, n_in, n_out, angle).angle,
        outer_only=_row(*outer_only, n_in, n_out, angle).angle,
        candidates=rows,
        words={side: spline_words(*pairs[0], side, arm) for side in ("left", "right")},
    )


def _near(n_in: int, n_out: int, angle: float, reach: int, count: int) -> list[tuple[int, int]]:
    """For each inner move the outer moves that come nearest; enough to hold the best `count` of all."""
    pairs = []
    for i in range(-reach, reach + 1):
        middle = (i / n_in - angle / (2 * pi)) * n_out
        nearest = max(-reach, min(reach, round(middle)))
        low, high = max(-reach, nearest - count), min(reach, nearest + count)
        pairs += [(i, o) for o in range(low, high + 1)]
    return pairs


def _row(i: int, o: int, n_in: int, n_out: int, wanted: float) -> SplineCandidate:
    reached = spline_angle(float(i), float(n_in), float(o), float(n_out))
    return SplineCandidate(float(i), float(o), reached, spline_error(reached, wanted))


def lifts_clockwise(side: str, arm: str = "trailing") -> bool:
    """Whether the sense that lifts the body is clockwise, seen from outside the vehicle at that side."""
    return (side == "left") == (arm == "trailing")


def spline_words(i: int, o: int, side: str, arm: str = "trailing") -> str:
    """A pair of moves in words, transverse bar, seen from outside the vehicle at that side.

    Trailing arm: the positive sense (wheel end down, body up) is clockwise on the left side, anticlockwise
    on the right; a leading arm is the other way round.
    """
    positive_clockwise = lifts_clockwise(side, arm)

    def way(positive: bool) -> str:
        return "clockwise" if positive == positive_clockwise else "anticlockwise"

    parts = []
    if i:
        parts.append(f"bar {abs(i)} {'spline' if abs(i) == 1 else 'splines'} {way(i > 0)} in the chassis")
    if o:
        parts.append(f"plate {abs(o)} {'spline' if abs(o) == 1 else 'splines'} {way(o < 0)} on the bar")
    return "; ".join(parts) or "leave both ends as they are"
