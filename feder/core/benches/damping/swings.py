"""Swings of a bounce test: what a let-go reads, what it would read on a curve, and how much of that is left."""

from collections.abc import Callable, Sequence
from contextlib import suppress
from dataclasses import dataclass
from functools import lru_cache
from math import copysign, pi, sqrt

from feder.core.document.bounce import Kind, LetGo
from feder.core.formulas.damping import log_decrement
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.working import untraced
from feder.core.solvers.decay import Fit, fitted, released_at
from feder.core.solvers.let_go import STEP, TwoMass, let_go

SECONDS, EVERY = 4.0, 10
"""How long an expected let-go is followed, and every how many steps it is read: 100 times a second."""
LEAST_LEFT, MOST_LEFT = 0.02, 3.0
WELL = 0.98
"""Share that a fit from a near start must explain to be taken without a look at all frequencies."""
A_PUSH = 0.6
"""Share of the deepest push from which a later one is one too."""
TOO_STRONG = 0.95
"""Stands for a swing that is damped too strongly to be told."""


@dataclass(frozen=True, slots=True)
class ReadSwing:
    """What one let-go says: release in its own time, depth over rest, and the fit."""

    release: float
    start: int
    depth: float
    fit: Fit


@lru_cache(64)
def read_swing(run: LetGo, kind: Kind, period: float | None) -> ReadSwing:
    """A let-go read by the fit; a period that is about its own makes it quicker.

    Raises:
        OutOfRange: on `points`, in words for the person.
    """
    points = list(zip(run.times, run.readings, strict=True))
    start = _let_go_at(run) if run.release is None else _first(run)
    fit = _fit(points, start, period)
    off = abs(run.readings[start] - fit.offset)
    # of a body let go the acceleration is the pull back to rest: over ω² it is how far it was pushed
    depth = off if kind == "height" else off / (2 * pi * fit.frequency) ** 2
    return ReadSwing(run.times[start], start, depth, fit)


def _fit(points: list[tuple[float, float]], start: int, period: float | None) -> Fit:
    if period is not None:
        for ratio in (0.2, 0.5):
            with suppress(OutOfRange):
                fit = fitted(points, start, (1 / period, ratio))
                if fit.r_squared > WELL:
                    return fit
    return fitted(points, start)


def _let_go_at(run: LetGo) -> int:
    """The bottom of the last push: several pushes in one rhythm are about as deep, and the last counts.

    Of the swings to the side of the largest the last that is most of it, at its bottom: there the body stands.
    """
    first = released_at(list(zip(run.times, run.readings, strict=True)))
    tail = run.readings[-max(1, len(run.readings) // 4) :]
    rest = sum(tail) / len(tail)
    way = copysign(1.0, run.readings[first] - rest)
    off = [(x - rest) * way for x in run.readings]
    start, bottom, largest = first, 0.0, max(off)
    for i, by in enumerate(off):
        if by <= 0:
            bottom = 0.0
        elif by >= A_PUSH * largest and by > bottom:
            bottom, start = by, i
    return start


def _first(run: LetGo) -> int:
    assert run.release is not None
    later = [i for i, t in enumerate(run.times) if t >= run.release - 1e-9]
    return later[0] if later else len(run.times) - 1


@lru_cache(256)
def expected(corner: TwoMass, depth: float, share: float, kind: Kind) -> Fit:
    """The same let-go with a share of the curve, fitted alike. Raises `OutOfRange` where it would not swing."""
    swing = let_go(corner, depth, SECONDS, share)
    read = swing.height if kind == "height" else swing.acceleration
    points = [(i * EVERY * STEP, x) for i, x in enumerate(read[::EVERY])]
    return fitted(points, 0, (1 / corner.period, 0.3))


@lru_cache(256)
def expected_by_hand(corner: TwoMass, depth: float, share: float) -> float:
    """What the first low and the next one of the same let-go would say."""
    swing = let_go(corner, depth, 1.5 * corner.period, share)
    first, last = int(0.6 * corner.period / STEP), int(1.4 * corner.period / STEP)
    later = max(1e-6, -min(swing.height[first:last]))
    return by_lows(depth, min(later, depth * 0.999))


def by_lows(first: float, later: float) -> float:
    """Damping ratio of two swings on the same side."""
    with untraced():
        return float(log_decrement(first, later, 1.0).damping_ratio)


def by_lows_off(first: float, later: float, read_to: float) -> float:
    """How far that ratio may be off, each low read to so much."""
    off = 0.0
    for a, b in ((read_to, 0.0), (0.0, read_to)):
        high = by_lows(first + a, min(later + b, (first + a) * 0.999))
        low = by_lows(max(first - a, later * 1.001), max(later - b, 1e-6))
        off += ((high - low) / 2) ** 2
    return sqrt(off)


@lru_cache(64)
def share_left(corner: TwoMass, depth: float, reading: float, kind: Kind) -> float | None:
    """Share of the curve's forces that makes the same let-go read what was read; nothing out of reach."""

    def at(share: float) -> float:
        try:
            return expected(corner, depth, share, kind).damping_ratio
        except OutOfRange:
            return TOO_STRONG

    return _crossing(at, reading)


@lru_cache(64)
def share_by_hand(corner: TwoMass, depth: float, reading: float) -> float | None:
    """The same by two lows."""
    return _crossing(lambda share: expected_by_hand(corner, depth, share), reading)


def _crossing(reads: Callable[[float], float], wanted: float) -> float | None:
    from scipy.optimize import brentq

    low, high = LEAST_LEFT, 1.2
    if reads(high) < wanted:
        high = MOST_LEFT
    if not reads(low) <= wanted <= reads(high):
        return None
    return float(brentq(lambda share: reads(share) - wanted, low, high, xtol=5e-4))


def scatter_of(values: Sequence[float], error: float) -> float:
    """Standard uncertainty of several readings: scatter with the error of one fit; of one alone its error."""
    if len(values) < 2:
        return error
    mean = sum(values) / len(values)
    return sqrt(sum((v - mean) ** 2 for v in values) / (len(values) - 1) + error**2)
