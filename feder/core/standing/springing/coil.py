"""Coil springs between load, height and collar: the room between the seats."""

from feder.core.formulas.height import (
    collar_for_room,
    seat_from_found_spring,
    spring_room,
)
from feder.core.formulas.motion_ratio import spring_force_for_load
from feder.core.solvers.curve import CornerCurve, LinearCorner, Mounted
from feder.core.solvers.equilibrium import Curve
from feder.core.standing.corner import SeatFacts, StandingCorner, hard_limits, typed_setting
from feder.core.standing.parts.coil import SpringFacts
from feder.core.standing.pushes import left_for_spring, mounted_pushes
from feder.core.standing.springing.seat import found_collar, typed_seat


class Coil:
    """A coil spring on a collar, a perch or a preload adjuster."""

    def found(self, corner: StandingCorner) -> StandingCorner:
        """Spring length as found, and the seat length with the collar at its datum that follows from it."""
        if corner.spring_length is None:  # an end held up at full extension knows it from its adjuster
            corner = under_load(corner)
        height, place = corner.spring_hub, corner.facts.place
        typed = typed_seat(corner.at, place)
        if typed is not None:
            return self.answered(corner.but(seat=typed))
        if corner.spring_length is None or height is None:
            return corner
        collar = found_collar(corner.at, place)
        seat = SeatFacts(seat_from_found_spring(corner.spring_length, collar), height)
        return corner.but(seat=seat, collar=collar)

    def set_at(self, corner: StandingCorner) -> float | None:
        now = corner.collar if corner.collar is not None else 0.0
        return typed_setting(corner, "collar", "collar", now)

    def curve(self, corner: StandingCorner) -> Curve | None:
        end, spring, found = corner.facts.end, corner.spring, corner.found_hub
        collar = self.set_at(corner)
        start = None if collar is None else _start(corner, collar)
        if spring is None or start is None or found is None:
            return None
        pushes, limits = mounted_pushes(corner), hard_limits(corner)
        if end.spring.curve is None and spring.table is None and not pushes:
            return LinearCorner(float(spring.rate), float(end.spring.constant or 0.0), start, **limits)
        return CornerCurve((Mounted(spring.curve, end.spring.along(found), start), *pushes), **limits)

    def answered(self, corner: StandingCorner) -> StandingCorner:
        collar, end = self.set_at(corner), corner.facts.end
        if collar is None:
            return _with_collar(under_load(corner))
        seat = _seat_for(corner)
        if seat is None or corner.spring_hub is None or not end.spring.known:
            return corner.but(collar=collar)
        length = spring_room(seat.length, collar, end.spring.travel(seat.height, corner.spring_hub))
        force = None if corner.spring is None else corner.spring.force_at(length)
        shown = corner.collar if corner.fixed else collar
        return corner.but(collar=shown, spring_length=length, spring_force=force)


COIL = Coil()


def with_spring(corner: StandingCorner, spring: SpringFacts) -> StandingCorner:
    """The same corner, height and load with another spring in it: its length, and the collar that gives it."""
    return _with_collar(under_load(corner.but(spring=spring, spring_length=None, collar=None)))


def _seat_for(corner: StandingCorner) -> SeatFacts | None:
    """The seat a collar stands on; with the collar fixed and no seat known, the spring as it stands.

    None where readings make the spring shorter than nothing: it is said as too soft, and nothing rests on it.
    """
    length, hub, seat = corner.spring_length, corner.spring_hub, corner.seat
    if corner.fixed and corner.collar is None and length is not None and hub is not None:
        seat = SeatFacts(length, hub)
    return seat if seat is not None and seat.length > 0 else None


def _start(corner: StandingCorner, collar: float) -> float | None:
    """How far the spring is pressed at the found height, its collar so; nothing where that does not follow."""
    coupling, spring, seat, hub = corner.facts.end.spring, corner.spring, _seat_for(corner), corner.found_hub
    if spring is None or hub is None or not coupling.known:
        return None
    if spring.free_length is not None and seat is not None:
        room = spring_room(seat.length, collar, coupling.travel(seat.height, hub))
        return float(spring.free_length) - float(room)
    # the very spring as found, of a length nobody knows: pressed as far as its load says, and by the collar's move
    found = corner.as_found or corner
    if found.spring is None or found.spring.part != spring.part or found.spring_force is None or spring.table:
        return None
    if found.facts.end.spring_place != corner.facts.end.spring_place:
        return None
    return float(found.spring_force) / float(spring.rate) + float(collar) - (found.side.collar or 0.0)


def under_load(corner: StandingCorner) -> StandingCorner:
    """Force and length of the spring that carries its load here."""
    ratio, spring, load = corner.motion_ratio, corner.spring, left_for_spring(corner)
    if not ratio or load is None:
        return corner
    force = spring_force_for_load(load, ratio)
    length = None if spring is None else spring.length_under(force)
    return corner.but(spring_force=force, spring_length=length)


def _with_collar(corner: StandingCorner) -> StandingCorner:
    seat, end = corner.seat, corner.facts.end
    if seat is None or seat.length <= 0 or not end.spring.known:
        return corner
    if corner.spring_length is None or corner.spring_hub is None:
        return corner
    moved = end.spring.travel(seat.height, corner.spring_hub)
    return corner.but(collar=collar_for_room(corner.spring_length, seat.length, moved))
