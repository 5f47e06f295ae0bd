"""One corner as it stands: what is asked of it, its seat, and the spring between load and collar."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.setup import SideSetup
from feder.core.height import collar_for_room, spring_room
from feder.core.mount import spring_force_for_load
from feder.core.standing.coupling import spring_travel
from feder.core.standing.facts import CornerFacts, EndFacts
from feder.core.standing.springs import SpringFacts
from feder.core.working import given


@dataclass(slots=True)
class SeatFacts:
    """Room for the spring: length between the seats with the collar at its datum, at a height."""

    length: float
    height: float


@dataclass
class CornerStand:
    """One corner as it stands. Travel is from the found height, bump positive."""

    facts: CornerFacts
    side: SideSetup
    setup_index: int
    spring: SpringFacts | None = None
    sprung_mass: float | None = None
    load: float | None = None
    hub_to_arch: float | None = None
    travel: float | None = None
    drop: float | None = None
    spring_load: float | None = None
    """Part of the load that the spring carries: less a bar's, and led through a live axle."""
    spring_hub: float | None = None
    """Hub to arch at the spring: that of the wheel, but for a live axle that is rolled."""
    motion_ratio: float | None = None
    ratio_slope: float | None = None
    spring_force: float | None = None
    spring_length: float | None = None
    seat: SeatFacts | None = None
    collar: float | None = None
    fixed: bool = False
    """Whether the collar stands where it was set, whatever the load."""

    def but(self, **members: object) -> "CornerStand":
        """The same corner with other members; quicker than a general copy, on the live path."""
        changed = object.__new__(CornerStand)
        changed.__dict__.update(self.__dict__, **members)
        return changed


def typed_seat(side: SideSetup, place: Place, index: int) -> SeatFacts | None:
    seat = side.seat
    if seat is None or seat.length is None or seat.hub_to_arch is None:
        return None
    path = f"setups.{index}.sides.{place.value}.seat"
    return SeatFacts(
        given(
            seat.length,
            f"{place.words} seat length, collar at datum",
            "m",
            path=f"{path}.length",
            source="typed in",
        ),
        given(
            seat.hub_to_arch,
            f"{place.words} hub to arch at that length",
            "m",
            path=f"{path}.hub_to_arch",
            source="typed in",
        ),
    )


def asked_height(corner: CornerStand) -> float | None:
    """Hub to arch asked for in this setup."""
    side, place = corner.side, corner.facts.place
    if not corner.fixed and side.set_by == "height" and side.hub_to_arch is not None:
        return given(
            side.hub_to_arch,
            f"{place.words} hub to arch asked for",
            "m",
            path=f"setups.{corner.setup_index}.sides.{place.value}.hub_to_arch",
            source="asked for",
        )
    return None


def set_collar(corner: CornerStand) -> float | None:
    side, place = corner.side, corner.facts.place
    if corner.fixed:
        return corner.collar if corner.collar is not None else 0.0
    if side.set_by == "collar" and side.collar is not None:
        return given(
            side.collar,
            f"{place.words} collar",
            "m",
            path=f"setups.{corner.setup_index}.sides.{place.value}.collar",
            source="set",
        )
    return None


def coupled(end: EndFacts) -> bool:
    """Whether wheel and spring are known to move together."""
    return end.curve is not None or bool(end.motion_ratio)


def seat_for(corner: CornerStand) -> SeatFacts | None:
    """The seat a collar stands on; with the collar fixed and no seat known, the spring as it stands."""
    length, hub = corner.spring_length, corner.spring_hub
    if corner.fixed and corner.collar is None and length is not None and hub is not None:
        return SeatFacts(length, hub)
    return corner.seat


def sprung(corner: CornerStand) -> CornerStand:
    """Spring force and length at this height, and the collar that gives them."""
    collar, end = set_collar(corner), corner.facts.end
    if collar is None:
        return with_collar(under_load(corner))
    seat = seat_for(corner)
    if seat is None or corner.spring_hub is None or not coupled(end):
        return corner.but(collar=collar)
    length = spring_room(seat.length, collar, spring_travel(end, seat.height, corner.spring_hub))
    force = None if corner.spring is None else corner.spring.force_at(length)
    shown = corner.collar if corner.fixed else collar
    return corner.but(collar=shown, spring_length=length, spring_force=force)


def with_spring(corner: CornerStand, spring: SpringFacts) -> CornerStand:
    """The same corner, height and load with another spring in it: its length, and the collar that gives it."""
    return with_collar(under_load(corner.but(spring=spring, spring_length=None, collar=None)))


def under_load(corner: CornerStand) -> CornerStand:
    """Force and length of the spring that carries its load here."""
    ratio, spring = corner.motion_ratio, corner.spring
    if not ratio or corner.spring_load is None:
        return corner
    force = spring_force_for_load(corner.spring_load, ratio)
    length = None if spring is None else spring.length_under(force)
    return corner.but(spring_force=force, spring_length=length)


def with_collar(corner: CornerStand) -> CornerStand:
    seat = corner.seat
    if seat is None or not coupled(corner.facts.end) or corner.spring_length is None or corner.spring_hub is None:
        return corner
    moved = spring_travel(corner.facts.end, seat.height, corner.spring_hub)
    return corner.but(collar=collar_for_room(corner.spring_length, seat.length, moved))
