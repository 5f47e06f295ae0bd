"""Camber and toe over height: from measured pairs to what a planned drop will do to the read-out."""

from dataclasses import dataclass
from typing import TYPE_CHECKING

from feder.core.document.alignment import AtHeight
from feder.core.document.base import EndName
from feder.core.document.document import Document
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.facts import places_of

if TYPE_CHECKING:
    from collections.abc import Sequence

BUMP = 0.030
"""Wheel travel over which bump steer is told, m."""
STEP = 0.010


@dataclass(slots=True)
class HeightPoint:
    """One measured pair: hub to arch, camber in rad, toe of one wheel in m at the rim."""

    height: float
    camber: float | None
    toe: float | None


@dataclass(slots=True)
class OverHeight:
    """What an end's camber and toe do over its height. Slopes are for 10 mm of lowering."""

    end: EndName
    points: list[HeightPoint]
    found: float | None
    plan: float | None
    """Hub to arch as found and in this setup, mean of both sides."""
    camber_found: float | None = None
    camber_plan: float | None = None
    toe_found: float | None = None
    toe_plan: float | None = None
    camber_slope: float | None = None
    toe_slope: float | None = None
    camber_change: float | None = None
    toe_change: float | None = None
    """From as found to this setup."""
    bump_steer: float | None = None
    """Change of a wheel's toe over 30 mm of bump from the plan's height, m at the rim."""
    beyond: bool = False
    """Whether a height lies beyond what was measured: led on along the last pairs."""


def over_height(document: Document, setup: str, end: EndName) -> OverHeight | None:
    """What an end's measured pairs say; nothing where there are fewer than two."""
    pairs: tuple[AtHeight, ...] = getattr(document.vehicle.ends, end).over_height
    if len(pairs) < 2:
        return None
    points = sorted((HeightPoint(p.hub_to_arch, p.camber, p.toe) for p in pairs), key=lambda p: p.height)
    found, plan = (_height(document, of, end) for of in (document.setups[0].id, setup))
    made = OverHeight(end, points, found, plan)
    for name in ("camber", "toe"):
        told = [(p.height, v) for p in points if (v := getattr(p, name)) is not None]
        if len(told) < 2 or len({h for h, _ in told}) < 2:
            continue
        if found is not None:
            setattr(made, f"{name}_found", _at(told, found))
        if plan is not None:
            at = _at(told, plan)
            setattr(made, f"{name}_plan", at)
            half = (_at(told, plan - STEP / 2), _at(told, plan + STEP / 2))
            setattr(made, f"{name}_slope", half[0] - half[1])
            made.beyond = made.beyond or not told[0][0] <= plan <= told[-1][0]
            if found is not None:
                setattr(made, f"{name}_change", at - _at(told, found))
            if name == "toe":
                made.bump_steer = _at(told, plan - BUMP) - at
    return made


def _height(document: Document, setup: str, end: EndName) -> float | None:
    corners = evaluate_plain(document, setup).corners
    told = [corners[p].hub_to_arch for p in places_of(document, end)]
    return None if None in told else sum(float(h.value) for h in told if h is not None) / len(told)


def _at(points: "Sequence[tuple[float, float]]", height: float) -> float:
    """Between the pairs in a straight line; past them along the last two."""
    low = max((i for i, (h, _) in enumerate(points[:-1]) if h <= height), default=0)
    (h0, v0), (h1, v1) = points[low], points[low + 1]
    return v0 + (v1 - v0) * (height - h0) / (h1 - h0) if h1 != h0 else v0
