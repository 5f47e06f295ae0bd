"""How the vehicle stands in one setup: travel, loads, spring lengths and collars of its corners.

As found is the anchor: the measured heights and loads are the truth there, and the room for each
spring follows from its load, its spring and its collar, or from a typed seat length.
"""

from dataclasses import dataclass

from feder.core.curve import LinearCorner
from feder.core.document.base import PLACES, Place
from feder.core.document.document import LoadState
from feder.core.document.setup import Setup, SideSetup, SpringPart
from feder.core.equilibrium import Standing, Support, Weight, vehicle_equilibrium
from feder.core.errors import NoEquilibrium
from feder.core.height import collar_for_room, seat_from_found_spring, spring_force_in_room, spring_room
from feder.core.mount import spring_force_for_load, spring_length_under_force
from feder.core.quantities import G
from feder.core.ride import sprung_mass_of
from feder.core.stance import hub_to_arch_after, load_of_mass, wheel_travel_of
from feder.core.standing.facts import HOW_WORDS, CornerFacts, Facts, side_of
from feder.core.working import given, solved

UNASKED_RATE = 1e3
"""Rate that lets a corner for which nothing is asked follow the body with its load kept, N/m."""
BALANCE = "Σ F = 0 and Σ M = 0 of the rigid body on its corners' force curves and tyres"


@dataclass(slots=True)
class SpringFacts:
    """A corner's spring in a setup, as numbers that know their path."""

    part: SpringPart
    rate: float
    free_length: float | None
    solid_length: float | None


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
    spring_force: float | None = None
    spring_length: float | None = None
    seat: SeatFacts | None = None
    collar: float | None = None

    def but(self, **members: object) -> "CornerStand":
        """The same corner with other members; quicker than a general copy, on the live path."""
        changed = object.__new__(CornerStand)
        changed.__dict__.update(self.__dict__, **members)
        return changed


@dataclass(slots=True)
class VehicleStand:
    corners: dict[Place, CornerStand]
    trouble: str | None = None
    twist: float = 0.0


def stand(facts: Facts, setup: Setup, load_state: LoadState | None) -> VehicleStand:
    """How the vehicle stands in a setup under a load state; unknown numbers stay unknown."""
    found = _as_found(facts)
    if setup.id == facts.document.setups[0].id and not (load_state and load_state.items):
        return VehicleStand(found)
    corners = {p: _dressed(facts, setup, found[p]) for p in PLACES}
    try:
        corners, twist = _balanced(facts, corners, load_state)
    except NoEquilibrium as error:
        return VehicleStand(corners, trouble=str(error))
    return VehicleStand({p: _sprung(c) for p, c in corners.items()}, twist=twist)


def spring_facts(side: SideSetup, place: Place, setup_index: int) -> SpringFacts | None:
    """The numbers of a corner's spring."""
    part = side.spring
    if part is None:
        return None
    path, label = f"setups.{setup_index}.sides.{place.value}.spring", f"{place.words} spring {part.code}"

    def length(value: float | None, words: str, member: str) -> float | None:
        return (
            None
            if value is None
            else given(value, f"{label}, {words}", "m", path=f"{path}.{member}", source="typed in")
        )

    how = part.rate.how
    return SpringFacts(
        part,
        given(
            part.rate.value,
            f"{label}, rate",
            "N/m",
            path=f"{path}.rate.value",
            source=HOW_WORDS[how],
            assumed=part.rate.assumed,
        ),
        length(part.free_length, "free length", "free_length"),
        length(part.solid_length, "solid length", "solid_length"),
    )


def _as_found(facts: Facts) -> dict[Place, CornerStand]:
    setup = facts.document.setups[0]
    corners = {}
    for place in PLACES:
        corner, side = facts.corners[place], side_of(setup, place)
        sprung = load = None
        if (
            corner.mass is not None
            and corner.end.unsprung_mass is not None
            and corner.mass > corner.end.unsprung_mass
        ):
            sprung = sprung_mass_of(corner.mass, corner.end.unsprung_mass)
            load = load_of_mass(sprung)
        stood = CornerStand(
            corner,
            side,
            0,
            spring=spring_facts(side, place, 0),
            sprung_mass=sprung,
            load=load,
            hub_to_arch=corner.hub_to_arch,
            travel=None if corner.hub_to_arch is None else 0.0,
            drop=0.0,
        )
        corners[place] = _found_seat(stood, place)
    return corners


def _found_seat(stood: CornerStand, place: Place) -> CornerStand:
    """Spring length as found, and the seat length with the collar at its datum that follows from it."""
    stood = _under_load(stood)
    height, side = stood.hub_to_arch, stood.side
    typed = _typed_seat(side, place, 0)
    if typed is not None:
        return _sprung(stood.but(seat=typed))
    if stood.spring_length is None or height is None:
        return stood
    collar = given(
        side.collar or 0.0,
        f"{place.words} collar as found",
        "m",
        path=f"setups.0.sides.{place.value}.collar",
        source="typed in" if side.collar is not None else "fixed perch: zero",
    )
    seat = SeatFacts(seat_from_found_spring(stood.spring_length, collar), height)
    return stood.but(seat=seat, collar=collar)


def _dressed(facts: Facts, setup: Setup, found: CornerStand) -> CornerStand:
    """The corner with the parts of another setup, standing as found until balanced."""
    place = found.facts.place
    index = facts.document.setups.index(setup)
    side = side_of(setup, place)
    seat = _typed_seat(side, place, index) or found.seat
    return found.but(
        side=side,
        setup_index=index,
        spring=spring_facts(side, place, index),
        seat=seat,
        collar=None,
        spring_force=None,
        spring_length=None,
    )


def _typed_seat(side: SideSetup, place: Place, index: int) -> SeatFacts | None:
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


def _balanced(
    facts: Facts, corners: dict[Place, CornerStand], load_state: LoadState | None
) -> tuple[dict[Place, CornerStand], float]:
    """The corners after the body has found its place; unchanged where something needed is missing."""
    supports: list[Support] = []
    for place, corner in corners.items():
        support = _support(facts, place, corner)
        if support is None:
            return {p: _held_alone(c) for p, c in corners.items()}, 0.0
        supports.append(support)
    weights = [Weight(item.mass * G, item.x, item.y) for item in (load_state.items if load_state else ())]
    standing = vehicle_equilibrium(supports, weights)
    inputs = _inputs(facts, corners)
    return {p: _placed(c, i, standing, inputs) for i, (p, c) in enumerate(corners.items())}, standing.twist


def _asked(corner: CornerStand) -> float | None:
    """Hub to arch asked for in this setup."""
    side, place = corner.side, corner.facts.place
    if side.set_by == "height" and side.hub_to_arch is not None:
        return given(
            side.hub_to_arch,
            f"{place.words} hub to arch asked for",
            "m",
            path=f"setups.{corner.setup_index}.sides.{place.value}.hub_to_arch",
            source="asked for",
        )
    return None


def _collar(corner: CornerStand) -> float | None:
    side, place = corner.side, corner.facts.place
    if side.set_by == "collar" and side.collar is not None:
        return given(
            side.collar,
            f"{place.words} collar",
            "m",
            path=f"setups.{corner.setup_index}.sides.{place.value}.collar",
            source="set",
        )
    return None


def _support(facts: Facts, place: Place, corner: CornerStand) -> Support | None:
    end, base = corner.facts.end, facts.wheelbase
    if base is None or end.track is None or corner.load is None or corner.facts.hub_to_arch is None:
        return None
    x = 0.0 if place.end == "front" else float(base)
    y = (-0.5 if place.is_left else 0.5) * end.track
    tyre = None if end.tyre_rate is None else float(end.tyre_rate)
    asked, collar, load = _asked(corner), _collar(corner), float(corner.load)
    if asked is not None:
        return Support(x, y, load, held=float(corner.facts.hub_to_arch - asked), tyre_rate=tyre)
    if collar is None:  # nothing asked here: it keeps its load, and stays where the others leave it
        return Support(x, y, load, curve=LinearCorner(UNASKED_RATE, 1.0, load / UNASKED_RATE), tyre_rate=tyre)
    if corner.spring is None or corner.spring.free_length is None or corner.seat is None or not end.motion_ratio:
        return None
    found = corner.facts.hub_to_arch
    room = spring_room(corner.seat.length, collar, end.motion_ratio, corner.seat.height, found)
    lowest = [h for h in (end.solid, end.contact) if h is not None]
    curve = LinearCorner(
        spring_rate=float(corner.spring.rate),
        motion_ratio=float(end.motion_ratio),
        compression=float(corner.spring.free_length - room),
        **({"droop": float(found - end.droop)} if end.droop is not None else {}),
        **({"solid": float(found - max(lowest))} if lowest else {}),
    )
    return Support(x, y, float(corner.load), curve=curve, tyre_rate=tyre)


def _held_alone(corner: CornerStand) -> CornerStand:
    """A corner whose height is asked for, while the vehicle as a whole is not known well enough."""
    asked = _asked(corner)
    if asked is None or corner.facts.hub_to_arch is None:
        return (
            corner if _collar(corner) is None else corner.but(hub_to_arch=None, travel=None, drop=None, load=None)
        )
    travel = wheel_travel_of(corner.facts.hub_to_arch, asked)
    return corner.but(hub_to_arch=asked, travel=travel, drop=travel)


def _inputs(facts: Facts, corners: dict[Place, CornerStand]) -> dict[str, float]:
    inputs: dict[str, float | None] = {"wheelbase": facts.wheelbase}
    for place, c in corners.items():
        word = place.words
        inputs[f"{word} load as found"] = c.load
        inputs[f"{word} hub to arch as found"] = c.facts.hub_to_arch
        inputs[f"{word} hub to arch asked for"] = _asked(c)
        if (collar := _collar(c)) is not None and c.spring is not None and c.seat is not None:
            inputs |= {
                f"{word} collar": collar,
                f"{word} spring rate": c.spring.rate,
                f"{word} free length": c.spring.free_length,
                f"{word} seat length": c.seat.length,
                f"{word} motion ratio": c.facts.end.motion_ratio,
            }
        inputs[f"{place.end} track"] = c.facts.end.track
        inputs[f"{place.end} tyre rate"] = c.facts.end.tyre_rate
    return {k: v for k, v in inputs.items() if v is not None}


def _placed(corner: CornerStand, i: int, standing: Standing, inputs: dict[str, float]) -> CornerStand:
    def found(value: float, name: str, unit: str) -> float:
        return solved(
            value,
            name,
            unit,
            equation=BALANCE,
            inputs=inputs,
            residual=standing.residual,
            source="equilibrium of the vehicle, rigid body",
        )

    asked, height = _asked(corner), corner.facts.hub_to_arch
    assert height is not None
    if asked is not None and standing.twist < 5e-5:
        hub, travel = asked, wheel_travel_of(height, asked)
    else:
        travel = found(standing.travel[i], "wheel_travel", "m")
        hub = hub_to_arch_after(height, travel)
    load = corner.load
    if load is None or abs(standing.load[i] - load) > 1e-6:
        load = found(standing.load[i], "corner_load", "N")
    return corner.but(travel=travel, hub_to_arch=hub, drop=found(standing.drop[i], "body_drop", "m"), load=load)


def _sprung(corner: CornerStand) -> CornerStand:
    """Spring force and length at this height, and the collar that gives them."""
    collar, end = _collar(corner), corner.facts.end
    if collar is None:
        return _with_collar(_under_load(corner))
    if corner.seat is None or corner.hub_to_arch is None or not end.motion_ratio:
        return corner.but(collar=collar)
    length = spring_room(corner.seat.length, collar, end.motion_ratio, corner.seat.height, corner.hub_to_arch)
    force = None
    if corner.spring is not None and corner.spring.free_length is not None:
        force = spring_force_in_room(corner.spring.rate, corner.spring.free_length, length)
    return corner.but(collar=collar, spring_length=length, spring_force=force)


def _under_load(corner: CornerStand) -> CornerStand:
    ratio, spring = corner.facts.end.motion_ratio, corner.spring
    if not ratio or corner.load is None:
        return corner
    force = spring_force_for_load(corner.load, ratio)
    if spring is None or spring.free_length is None:
        return corner.but(spring_force=force)
    return corner.but(
        spring_force=force, spring_length=spring_length_under_force(spring.free_length, force, spring.rate)
    )


def _with_collar(corner: CornerStand) -> CornerStand:
    seat, ratio = corner.seat, corner.facts.end.motion_ratio
    if seat is None or not ratio or corner.spring_length is None or corner.hub_to_arch is None:
        return corner
    collar = collar_for_room(corner.spring_length, seat.length, ratio, seat.height, corner.hub_to_arch)
    return corner.but(collar=collar)
