"""One end over its whole travel: leverage, wheel rate and force at the wheel, from full extension to the stop."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.numbers.working import untraced
from feder.core.standing.facts import gather, setup_of
from feder.core.standing.springing.kinds import springing
from feder.core.standing.stand import stand

POINTS = 41


@dataclass(slots=True)
class TravelPoint:
    """At a wheel travel from full extension: wheel over spring travel, wheel rate N/m, force at the wheel N."""

    travel: float
    leverage: float
    wheel_rate: float
    force: float


@dataclass(slots=True)
class TravelCurve:
    points: list[TravelPoint]
    progression: float | None
    """Share by which leverage falls from full extension to the end of the travel; negative where it rises."""
    stroke: float | None
    """Spring or damper travel over the whole wheel travel, m."""


def travel_curve(document: Document, setup: str, place: Place) -> TravelCurve | None:
    """The curve of an end; nothing while its travel, its ratio or its spring is not known.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    with untraced():
        facts = gather(document)
        stood = stand(facts, setup_of(document, setup), None).corners[place].but(fixed=True)
        end, found = stood.facts.end, stood.facts.hub_to_arch
        curve = springing(stood).curve(stood)
        if curve is None or found is None or end.droop is None or end.solid is None or end.solid >= end.droop:
            return None
        whole = float(end.droop) - float(end.solid)
        points = []
        for i in range(POINTS):
            travel = whole * i / (POINTS - 1)
            hub = float(end.droop) - travel
            at = min(
                max(float(found) - hub, float(found) - float(end.droop) + 1e-9),
                float(found) - float(end.solid) - 1e-9,
            )
            ratio = end.spring.ratio(hub)
            if not ratio:
                return None
            points.append(TravelPoint(travel, 1 / float(ratio), curve.stiffness(at), curve.force(at)))
        first, last = points[0].leverage, points[-1].leverage
        return TravelCurve(points, (first - last) / first, float(end.spring.travel(end.droop, end.solid)))
