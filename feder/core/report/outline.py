"""Measures of a vehicle's drawn outline; where a number is missing, that of a usual body of its kind stands in."""

from dataclasses import dataclass

from feder.core.document.base import ENDS
from feder.core.document.document import Document
from feder.core.standing.facts import gather

USUAL: dict[str, tuple[float, float, float, float, float]] = {
    # wheelbase, front overhang, rear overhang, roof height, tyre radius
    "hatchback": (2.50, 0.80, 0.66, 1.42, 0.295),
    "saloon": (2.65, 0.83, 0.98, 1.43, 0.305),
    "estate": (2.68, 0.82, 0.95, 1.45, 0.305),
    "4x4": (2.56, 0.70, 0.66, 1.80, 0.370),
    "van": (3.05, 0.88, 0.96, 1.99, 0.330),
    "pick-up": (3.10, 0.85, 1.25, 1.78, 0.370),
    "motorcycle": (1.43, 0.31, 0.33, 1.10, 0.310),
    "bicycle": (1.20, 0.37, 0.37, 1.05, 0.370),
}
USUAL_GAP: dict[str, float] = {
    "hatchback": 0.066,
    "saloon": 0.062,
    "estate": 0.060,
    "4x4": 0.108,
    "van": 0.084,
    "pick-up": 0.105,
    "motorcycle": 0.12,
    "bicycle": 0.15,
}
"""For drawing only: no computation rests on these."""


@dataclass(slots=True)
class Outline:
    """Measures of the side view, m. `drawn_from` says whether they are the vehicle's own."""

    body: str
    wheelbase: float
    front_overhang: float
    rear_overhang: float
    roof_height: float
    tyre_radius: float
    front_arch: float
    rear_arch: float
    own: bool


def outline_of(document: Document) -> Outline:
    """The outline of a vehicle as found."""
    vehicle, facts = document.vehicle, gather(document)
    base, front, rear, roof, tyre = USUAL[vehicle.body]
    radii = [r for e in ENDS if (r := facts.ends[e].tyre_radius) is not None]
    radius = sum(radii) / len(radii) if radii else tyre

    def arch(end: str) -> float:
        known = [h for p in facts.places if p.end == end and (h := facts.corners[p].floor_to_arch) is not None]
        return sum(known) / len(known) if known else 2 * radius + USUAL_GAP[vehicle.body]

    own = vehicle.wheelbase is not None
    return Outline(
        vehicle.body,
        vehicle.wheelbase.value if vehicle.wheelbase is not None else base,
        vehicle.front_overhang or front,
        vehicle.rear_overhang or rear,
        vehicle.roof_height or roof,
        radius,
        arch("front"),
        arch("rear"),
        own,
    )
