"""Measures of a vehicle's drawn outline; where a number is missing, that of a usual body of its kind stands in."""

from dataclasses import dataclass

from feder.core.document.base import ENDS
from feder.core.document.document import Document
from feder.core.practice.bodies import usual_bodies
from feder.core.standing.facts import gather


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
    usual = usual_bodies()[vehicle.body]
    radii = [r for e in ENDS if (r := facts.ends[e].tyre_radius) is not None]
    radius = sum(radii) / len(radii) if radii else usual.tyre_radius

    def arch(end: str) -> float:
        known = [h for p in facts.places if p.end == end and (h := facts.corners[p].floor_to_arch) is not None]
        return sum(known) / len(known) if known else 2 * radius + usual.tyre_to_arch

    own = vehicle.wheelbase is not None
    return Outline(
        vehicle.body,
        vehicle.wheelbase.value if vehicle.wheelbase is not None else usual.wheelbase,
        vehicle.front_overhang or usual.front_overhang,
        vehicle.rear_overhang or usual.rear_overhang,
        vehicle.roof_height or usual.roof_height,
        radius,
        arch("front"),
        arch("rear"),
        own,
    )
