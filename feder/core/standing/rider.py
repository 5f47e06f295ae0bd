"""The rider of a two-wheeler: where the sags say they sit, and the adjuster for a sag asked with them on."""

from feder.core.document.base import Place
from feder.core.document.cursor import number
from feder.core.formulas.masses import load_of_mass
from feder.core.formulas.sag import load_between, load_with_thing, place_by_share, share_on_rear
from feder.core.formulas.wheel_heights import sag_height_of
from feder.core.standing.carried import carried_in, rider_of
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import Facts
from feder.core.standing.one_end import set_for_load
from feder.core.standing.springing.kinds import springing
from feder.core.standing.weighed import carried_by_spring


def set_by_sag(
    facts: Facts, corners: dict[Place, StandingCorner], found: dict[Place, StandingCorner]
) -> dict[Place, StandingCorner]:
    """Ends of which a rider sag is asked, their adjuster answered for it; the others as they are."""
    asked = {p for p, c in corners.items() if c.side.set_by == "rider sag" and c.side.rider_sag is not None}
    carried = carried_in(facts, rider_of(facts.document), rider_by_sags(facts, found)) if asked else []
    if not carried or facts.wheelbase is None:
        return corners
    made = dict(corners)
    for place in asked:
        corner, droop = corners[place], corners[place].facts.end.droop
        load, sag = corner.load, corner.side.rider_sag
        if droop is None or load is None or sag is None:
            continue
        for thing in carried:
            load = load_with_thing(
                load, load_of_mass(thing.mass), thing.x, facts.wheelbase, 1.0 if place is Place.REAR else 0.0
            )
        wanted = number(corner.at.rider_sag, f"{place.words} rider sag asked for", source="asked for")
        answered = set_for_load(corner, load, sag_height_of(droop, wanted), springing(corner))
        if answered is not None and (answered.collar is not None or answered.pressure is not None):
            made[place] = corner.but(fixed=True, collar=answered.collar, pressure=answered.pressure)
    return made


def rider_by_sags(facts: Facts, found: dict[Place, StandingCorner]) -> float | None:
    """How far behind the front axle a rider sits, by the sags as read; nothing where they do not say."""
    if facts.document.vehicle.kind == "car" or facts.wheelbase is None:
        return None
    loads = []
    for corner in found.values():
        height = corner.facts.end.sags.of("rider")
        ridden = None if height is None else carried_by_spring(corner, height)
        if ridden is None or corner.load is None or ridden <= corner.load:
            return None
        loads.append(load_between(ridden, corner.load))
    return place_by_share(share_on_rear(*loads), facts.wheelbase)
