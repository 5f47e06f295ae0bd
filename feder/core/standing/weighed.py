"""A wheel that was not weighed: its load from its spring, whose sag and preload are known."""

from feder.core.document.cursor import number
from feder.core.document.setup import SpringPart
from feder.core.formulas.height import spring_room
from feder.core.formulas.sag import load_of_spring, load_with_push
from feder.core.practice.usual import PRELOAD
from feder.core.standing.corner import SeatFacts, StandingCorner
from feder.core.standing.pushes import push_at
from feder.core.standing.springing.air import stroke_at
from feder.core.standing.springing.seat import typed_seat


def carried_by_spring(corner: StandingCorner, hub: float) -> float | None:
    """Sprung load at the wheel that spring and pushes carry at a height; nothing where one is unknown."""
    coupling = corner.facts.end.spring
    ratio, force = coupling.ratio(hub), _force_at(corner, hub)
    if not ratio or force is None or force < 0:
        return None
    load, push = load_of_spring(force, ratio), push_at(corner, hub)
    return load if push is None else load_with_push(load, push)


def _force_at(corner: StandingCorner, hub: float) -> float | None:
    coupling = corner.facts.end.spring
    if corner.air is not None:
        if corner.pressure is None:
            return None
        stroke = stroke_at(corner, hub)
        return None if stroke is None or stroke < 0 else corner.air.force(corner.pressure, stroke)
    if corner.spring is None or corner.seat is None or corner.collar is None or not coupling.known:
        return None
    if corner.seat.length <= 0:  # readings that make the spring shorter than nothing say nothing
        return None
    room = spring_room(corner.seat.length, corner.collar, coupling.travel(corner.seat.height, hub))
    return corner.spring.force_at(room)


def as_set(corner: StandingCorner) -> StandingCorner:
    """A two-wheeler's corner as found with its adjuster as it was read: preload, or air pressure.

    Preload is how far the spring is pressed at full extension: as measured, or the collar of a shock, which
    counts from where its spring is just touched; a fork's cap does not say it. Not told, it is taken as usual,
    and marked.
    """
    side, place, end, at = corner.side, corner.facts.place, corner.facts.end, corner.at
    if corner.air is not None:
        if side.pressure is None:
            return corner
        return corner.but(pressure=number(at.pressure, f"{place.words} pressure as found", source="by pump gauge"))
    if corner.spring is None or not isinstance(side.spring, SpringPart) or end.droop is None:
        return corner
    seat = typed_seat(at, place)
    if seat is not None:
        label = f"{place.words} collar as found"
        return corner.but(seat=seat, collar=number(at.collar, label, value=side.collar or 0.0))
    free, read, label = corner.spring.free_length, at.preload, f"{place.words} preload as found"
    if not read and end.end.layout != "fork":
        read = at.collar
    if read:
        collar = number(read, label)
    else:
        collar = number(read, label, source="not told: a usual preload", assumed=True, value=PRELOAD)
    return corner.but(seat=None if free is None else SeatFacts(free, end.droop), collar=collar)
