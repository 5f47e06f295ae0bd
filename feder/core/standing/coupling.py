"""How wheel and spring move together at an end: by one ratio, or along a measured sweep."""

from feder.core.height import spring_travel_between
from feder.core.stance import wheel_travel_of_spring
from feder.core.standing.facts import EndFacts
from feder.core.working import solved

SWEEP = "derivative of the curve through the sweep's pairs at this height"
ALONG = "spring position on the curve through the sweep's pairs, between the two heights"
FARTHEST = 0.5
"""Wheel travel from ride within which a spring travel is looked for, m."""


def _read(end: EndFacts, value: float, name: str, unit: str, equation: str, heights: dict[str, float]) -> float:
    assert end.curve is not None
    return solved(
        value,
        name,
        unit,
        equation=equation,
        inputs={**heights, "pairs": end.pairs},
        residual=end.curve.residual,
        residual_unit="m",
        source="least squares through the measured pairs",
    )


def ratio_at(end: EndFacts, hub: float | None) -> tuple[float | None, float | None]:
    """Motion ratio at a height, and its slope along wheel travel where it has one."""
    if end.curve is None or hub is None:
        return (end.motion_ratio if end.curve is None else None), None
    at = float(end.origin - hub)
    heights = {"hub to arch": hub}
    ratio = _read(end, end.curve.ratio(at), "motion_ratio", "", SWEEP, heights)
    return ratio, _read(end, end.curve.slope(at), "motion_ratio_slope", "1/m", SWEEP, heights)


def spring_travel(end: EndFacts, start: float, to: float) -> float:
    """Travel of the spring, compression positive, as hub to arch goes from one height to another."""
    if end.curve is None:
        assert end.motion_ratio is not None
        return spring_travel_between(end.motion_ratio, start, to)
    moved = end.curve.spring_travel(float(end.origin - to)) - end.curve.spring_travel(float(end.origin - start))
    return _read(end, moved, "spring_travel", "m", ALONG, {"from": start, "to": to})


def wheel_travel_for(end: EndFacts, hub: float, travel: float) -> float:
    """Wheel travel from a height that moves the spring by so much."""
    if end.curve is None:
        assert end.motion_ratio is not None
        return wheel_travel_of_spring(travel, end.motion_ratio)
    at = float(end.origin - hub)
    start, wanted = end.curve.spring_travel(at), float(travel)
    low, high = -FARTHEST, FARTHEST
    for _ in range(80):
        middle = (low + high) / 2
        low, high = (middle, high) if end.curve.spring_travel(at + middle) - start < wanted else (low, middle)
    return _read(end, (low + high) / 2, "wheel_travel", "m", ALONG, {"hub to arch": hub, "spring travel": travel})
