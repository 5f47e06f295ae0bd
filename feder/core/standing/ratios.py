"""The motion ratio of a mount: typed, from levers, along a sweep or a linkage, or the usual one of the layout."""

from functools import lru_cache

from feder.core.document.vehicle import (
    End,
    Fork,
    Mount,
    RatioAssumed,
    RatioFromLeverage,
    RatioFromLevers,
    RatioFromSweep,
    RatioTyped,
)
from feder.core.formulas.motion_ratio import fork_motion_ratio, lever_motion_ratio, motion_ratio_from_leverage
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.working import given
from feder.core.practice.usual import ASSUMED_RATIO
from feder.core.solvers.ratio import RatioCurve, ratio_from_leverage, ratio_from_sweep
from feder.core.standing.coupling import Coupling
from feder.core.standing.how import HOW_WORDS


@lru_cache(maxsize=256)
def _swept(points: tuple[tuple[float, float], ...]) -> RatioCurve:
    return ratio_from_sweep(points)


@lru_cache(maxsize=256)
def _levered(points: tuple[tuple[float, ...], ...]) -> RatioCurve:
    return ratio_from_leverage([(travel, leverage) for travel, leverage in points])


SOURCES = {"sweep": "springless sweep", "leverage curve": "leverage curve"}


def coupling_of(mount: Mount, end: End, name: str, label: str, path: str, droop: float | None) -> Coupling:
    """How a mount moves with its wheel. `name` is the ratio's in the nomenclature, `path` that in the document.

    `droop` is the height at full extension, from which a leverage curve is counted.
    """
    curve = _curve(mount, label, path, droop)
    if curve is not None:
        return Coupling(name, None, *curve)
    return Coupling(name, _constant(mount, end, label, path))


def _constant(mount: Mount, end: End, label: str, path: str) -> float | None:
    """Motion ratio, spring over wheel travel; nothing where it is unknown or cannot be one."""
    if end.layout == "fork":
        return None if end.fork is None else fork_motion_ratio(_rake(end.fork, label, path))
    match mount.ratio:
        case RatioTyped(value=value, convention=convention, how=how) if value > 0:
            number = given(
                value, label, "", path=f"{path}.value", source=HOW_WORDS[how], assumed=how == "estimated"
            )
            return number if convention == "spring per wheel" else motion_ratio_from_leverage(number)
        case RatioFromLevers() as levers:
            try:
                return lever_motion_ratio(
                    given(
                        levers.spring_distance,
                        f"{label}: pivot to spring",
                        "m",
                        path=f"{path}.spring_distance",
                        source="typed in",
                    ),
                    given(
                        levers.wheel_distance,
                        f"{label}: pivot to wheel",
                        "m",
                        path=f"{path}.wheel_distance",
                        source="typed in",
                    ),
                    given(
                        levers.spring_angle,
                        f"{label}: spring angle",
                        "rad",
                        path=f"{path}.spring_angle",
                        source="typed in",
                    ),
                )
            except OutOfRange:
                return None
        case RatioAssumed() if end.layout in ASSUMED_RATIO:
            source = f"usual for a {end.layout}, within 15 % (general practice)"
            return given(ASSUMED_RATIO[end.layout], label, "", path=path, source=source, assumed=True)
    return None


def _curve(mount: Mount, label: str, path: str, droop: float | None) -> tuple[RatioCurve, float, float] | None:
    """The curve of a sweep, counted from its greatest hub to arch, or of a linkage, counted from full droop.

    With it its origin and the number of its pairs. Nothing where its pairs give none.
    """
    ratio = mount.ratio
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
    name = f"{label.split()[0]} {words}, number of pairs"
    return curve, origin, given(float(len(ratio.points)), name, "", path=f"{path}.points", source=SOURCES[words])


def _rake(fork: Fork, label: str, path: str) -> float:
    at = path.split(".spring")[0].split(".damper")[0] + ".fork.rake"
    return given(fork.rake, f"{label.split()[0]} rake", "rad", path=at, source="typed in")
