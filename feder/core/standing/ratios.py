"""The motion ratio of a mount: typed, from levers, along a sweep or a linkage, or the usual one of the layout."""

from functools import lru_cache

from feder.core.document.base import HOW_WORDS
from feder.core.document.cursor import Cursor, above, node, number
from feder.core.document.vehicle import (
    End,
    RatioAssumed,
    RatioFromLeverage,
    RatioFromLevers,
    RatioFromSweep,
    RatioTyped,
)
from feder.core.formulas.motion_ratio import fork_motion_ratio, lever_motion_ratio, motion_ratio_from_leverage
from feder.core.numbers.errors import OutOfRange
from feder.core.practice.usual import ASSUMED_RATIO
from feder.core.solvers.ratio import RatioCurve, ratio_from_leverage, ratio_from_sweep
from feder.core.standing.coupling import Coupling


@lru_cache(maxsize=256)
def _swept(points: tuple[tuple[float, float], ...]) -> RatioCurve:
    return ratio_from_sweep(points)


@lru_cache(maxsize=256)
def _levered(points: tuple[tuple[float, ...], ...]) -> RatioCurve:
    return ratio_from_leverage([(travel, leverage) for travel, leverage in points])


SOURCES = {"sweep": "springless sweep", "leverage curve": "leverage curve"}


def coupling_of(at: Cursor, end: End, name: str, label: str, droop: float | None) -> Coupling:
    """How the mount at a place moves with its wheel. `name` is the ratio's in the nomenclature.

    `droop` is the height at full extension, from which a leverage curve is counted.
    """
    if end.layout == "fork":
        return Coupling(name, _of_fork(end, label, at))
    curve = _curve(at.ratio, label, droop)
    if curve is not None:
        return Coupling(name, None, *curve)
    return Coupling(name, _constant(at.ratio, end, label))


def _of_fork(end: End, label: str, mount: Cursor) -> float | None:
    """A fork's ratio follows from its rake."""
    rake = above(mount).fork
    return None if end.fork is None else fork_motion_ratio(number(rake.rake, f"{label.split()[0]} rake"))


def _constant(at: Cursor, end: End, label: str) -> float | None:
    """Motion ratio, spring over wheel travel; nothing where it is unknown or cannot be one."""
    match node(at):
        case RatioTyped(value=value, convention=convention, how=how) if value > 0:
            typed = number(at.value, label, source=HOW_WORDS[how], assumed=how == "estimated")
            return typed if convention == "spring per wheel" else motion_ratio_from_leverage(typed)
        case RatioFromLevers():
            try:
                return lever_motion_ratio(
                    number(at.spring_distance, f"{label}: pivot to spring"),
                    number(at.wheel_distance, f"{label}: pivot to wheel"),
                    number(at.spring_angle, f"{label}: spring angle"),
                )
            except OutOfRange:
                return None
        case RatioAssumed() if end.layout in ASSUMED_RATIO:
            source = f"usual for a {end.layout}, within 15 % (general practice)"
            return number(at, label, source=source, assumed=True, value=ASSUMED_RATIO[end.layout], unit="")
    return None


def _curve(at: Cursor, label: str, droop: float | None) -> tuple[RatioCurve, float, float] | None:
    """The curve of a sweep, counted from its greatest hub to arch, or of a linkage, counted from full droop.

    With it its origin and the number of its pairs. Nothing where its pairs give none.
    """
    ratio = node(at)
    try:
        if isinstance(ratio, RatioFromSweep):
            origin, words = max(h for h, _ in ratio.points), "sweep"
            seat = next(length for h, length in ratio.points if h == origin)
            curve = _swept(tuple((origin - h, seat - length) for h, length in ratio.points))
        elif isinstance(ratio, RatioFromLeverage) and droop is not None:
            origin, words = droop, "leverage curve"
            curve = _levered(ratio.points)
        else:
            return None
    except OutOfRange:
        return None
    name, count = f"{label.split()[0]} {words}, number of pairs", float(len(ratio.points))
    return curve, origin, number(at.points, name, source=SOURCES[words], value=count, unit="")
