"""How the vehicle stands in one setup: travel, loads, spring lengths and collars of its corners.

As found is the anchor: the measured heights and loads are the truth there, and the room for each
spring follows from its load, its spring and its collar, or from a typed seat length.
"""

from dataclasses import dataclass

from feder.core.curve import CornerCurve, LinearCorner, Mounted
from feder.core.document.base import PLACES, Place
from feder.core.document.document import LoadState
from feder.core.document.setup import Setup
from feder.core.equilibrium import Axle, Standing, Support, Weight, vehicle_equilibrium
from feder.core.errors import NoEquilibrium
from feder.core.height import seat_from_found_spring, spring_room
from feder.core.quantities import G
from feder.core.ratio import constant_ratio
from feder.core.ride import sprung_mass_of
from feder.core.stance import (
    hub_to_arch_after,
    live_axle_spring_load,
    load_of_mass,
    spring_hub_of,
    wheel_travel_of,
)
from feder.core.standing.corner import (
    CornerStand,
    SeatFacts,
    asked_height,
    coupled,
    seat_for,
    set_collar,
    sprung,
    typed_seat,
    under_load,
)
from feder.core.standing.coupling import ratio_at, spring_travel
from feder.core.standing.facts import Facts, side_of
from feder.core.standing.springs import spring_facts
from feder.core.working import given, solved

UNASKED_RATE = 1e3
"""Rate that lets a corner for which nothing is asked follow the body with its load kept, N/m."""
BALANCE = "Σ F = 0 and Σ M = 0 of the rigid body on its corners' force curves and tyres"


@dataclass(slots=True)
class VehicleStand:
    corners: dict[Place, CornerStand]
    trouble: str | None = None
    twist: float = 0.0


def stand(facts: Facts, setup: Setup, load_state: LoadState | None) -> VehicleStand:
    """How the vehicle stands in a setup under a load state; unknown numbers stay unknown."""
    found = _as_found(facts)
    loaded = load_state is not None and bool(load_state.items)
    if setup.id == facts.document.setups[0].id:
        stood = VehicleStand(found)
    else:
        stood = _stand(facts, {p: _dressed(facts, setup, found[p]) for p in PLACES}, None)
    if not loaded or stood.trouble:
        return stood
    # collars are set with the vehicle as weighed; under a load they stay, and the heights follow
    return _stand(facts, {p: _collar_fixed(c, found[p]) for p, c in stood.corners.items()}, load_state)


def _stand(facts: Facts, corners: dict[Place, CornerStand], load_state: LoadState | None) -> VehicleStand:
    try:
        corners, twist = _balanced(facts, corners, load_state)
    except NoEquilibrium as error:
        return VehicleStand(corners, trouble=str(error))
    return VehicleStand({p: sprung(c) for p, c in _at_springs(corners).items()}, twist=twist)


def _collar_fixed(stood: CornerStand, found: CornerStand) -> CornerStand:
    """The corner as it stands, its collar no longer an answer; loads are again those as found."""
    return stood.but(fixed=True, load=found.load)


def _at_springs(corners: dict[Place, CornerStand]) -> dict[Place, CornerStand]:
    """Heights and motion ratios at the springs themselves."""
    made = {}
    for place, corner in corners.items():
        other = corners[_mirror(place)]
        base, hub = corner.facts.end.base_ratio, corner.hub_to_arch
        if base is not None and hub is not None and other.hub_to_arch is not None:
            hub = spring_hub_of(hub, other.hub_to_arch, base)
        ratio, slope = ratio_at(corner.facts.end, hub)
        load = corner.load if corner.spring_load is None else corner.spring_load
        made[place] = corner.but(spring_hub=hub, motion_ratio=ratio, ratio_slope=slope, spring_load=load)
    return made


def _mirror(place: Place) -> Place:
    return Place(f"{place.end}_{'right' if place.is_left else 'left'}")


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
        corners[place] = stood
    for place, stood in corners.items():
        base, other = stood.facts.end.base_ratio, corners[_mirror(place)].load
        if base is not None and stood.load is not None and other is not None:
            corners[place] = stood.but(spring_load=live_axle_spring_load(stood.load, other, base))
    return {p: _found_seat(c, p) for p, c in _at_springs(corners).items()}


def _found_seat(stood: CornerStand, place: Place) -> CornerStand:
    """Spring length as found, and the seat length with the collar at its datum that follows from it."""
    stood = under_load(stood)
    height, side = stood.spring_hub, stood.side
    typed = typed_seat(side, place, 0)
    if typed is not None:
        return sprung(stood.but(seat=typed))
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
    seat = typed_seat(side, place, index) or found.seat
    return found.but(
        side=side,
        setup_index=index,
        spring=spring_facts(side, place, index),
        seat=seat,
        collar=None,
        spring_force=None,
        spring_length=None,
        spring_load=None,
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
    standing = vehicle_equilibrium(supports, weights, _axles(facts))
    inputs = _inputs(facts, corners)
    return {p: _placed(c, i, standing, inputs) for i, (p, c) in enumerate(corners.items())}, standing.twist


def _axles(facts: Facts) -> list[Axle]:
    """Bars and live axles."""
    axles = []
    for name, left in (("front", 0), ("rear", 2)):
        end = facts.ends[name]  # type: ignore[index]
        if end.bar_rate is not None or end.base_ratio is not None:
            axles.append(Axle(left, left + 1, float(end.bar_rate or 0.0), float(end.base_ratio or 1.0)))
    return axles


def _support(facts: Facts, place: Place, corner: CornerStand) -> Support | None:
    end, base = corner.facts.end, facts.wheelbase
    if base is None or end.track is None or corner.load is None or corner.facts.hub_to_arch is None:
        return None
    x = 0.0 if place.end == "front" else float(base)
    y = (-0.5 if place.is_left else 0.5) * end.track
    tyre = None if end.tyre_rate is None else float(end.tyre_rate)
    asked, collar, load = asked_height(corner), set_collar(corner), float(corner.load)
    if asked is not None:
        return Support(x, y, load, held=float(corner.facts.hub_to_arch - asked), tyre_rate=tyre)
    if collar is None:  # nothing asked here: it keeps its load, and stays where the others leave it
        return Support(x, y, load, curve=LinearCorner(UNASKED_RATE, 1.0, load / UNASKED_RATE), tyre_rate=tyre)
    seat = seat_for(corner)
    if corner.spring is None or corner.spring.free_length is None or seat is None or not coupled(end):
        return None
    found = corner.facts.hub_to_arch
    at_spring = _found_spring_hub(facts, corner)
    room = spring_room(seat.length, collar, spring_travel(end, seat.height, at_spring))
    lowest = [h for h in (end.solid, end.contact) if h is not None]
    droop = {} if end.droop is None else {"droop": float(found - end.droop)}
    solid = {"solid": float(found - max(lowest))} if lowest else {}
    start = float(corner.spring.free_length - room)
    if end.curve is None and corner.spring.table is None:
        ratio = float(end.motion_ratio or 0.0)
        return Support(
            x, y, load, LinearCorner(float(corner.spring.rate), ratio, start, **droop, **solid), tyre_rate=tyre
        )
    along = (
        end.curve.shifted(float(end.origin - at_spring))
        if end.curve
        else constant_ratio(float(end.motion_ratio or 0.0))
    )
    curve = CornerCurve((Mounted(corner.spring.curve, along, start),), **droop, **solid)
    return Support(x, y, load, curve, tyre_rate=tyre)


def _found_spring_hub(facts: Facts, corner: CornerStand) -> float:
    """Hub to arch as found at the spring, where travel is counted from."""
    hub, base = corner.facts.hub_to_arch, corner.facts.end.base_ratio
    other = facts.corners[_mirror(corner.facts.place)].hub_to_arch
    assert hub is not None
    return hub if base is None or other is None else spring_hub_of(hub, other, base)


def _held_alone(corner: CornerStand) -> CornerStand:
    """A corner whose height is asked for, while the vehicle as a whole is not known well enough."""
    asked = asked_height(corner)
    if asked is None or corner.facts.hub_to_arch is None:
        return (
            corner
            if set_collar(corner) is None
            else corner.but(hub_to_arch=None, travel=None, drop=None, load=None)
        )
    travel = wheel_travel_of(corner.facts.hub_to_arch, asked)
    return corner.but(hub_to_arch=asked, travel=travel, drop=travel)


def _inputs(facts: Facts, corners: dict[Place, CornerStand]) -> dict[str, float]:
    inputs: dict[str, float | None] = {"wheelbase": facts.wheelbase}
    for place, c in corners.items():
        word = place.words
        inputs[f"{word} load as found"] = c.load
        inputs[f"{word} hub to arch as found"] = c.facts.hub_to_arch
        inputs[f"{word} hub to arch asked for"] = asked_height(c)
        if (collar := set_collar(c)) is not None and c.spring is not None and c.seat is not None:
            inputs |= {
                f"{word} collar": collar,
                f"{word} spring rate": c.spring.rate,
                f"{word} free length": c.spring.free_length,
                f"{word} seat length": c.seat.length,
                f"{word} motion ratio": c.facts.end.motion_ratio,
                f"{word} sweep": c.facts.end.pairs or None,
            }
        inputs[f"{place.end} track"] = c.facts.end.track
        inputs[f"{place.end} tyre rate"] = c.facts.end.tyre_rate
        inputs[f"{place.end} bar rate at the wheel"] = c.facts.end.bar_rate
        inputs[f"{place.end} spring base over track"] = c.facts.end.base_ratio
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

    asked, height = asked_height(corner), corner.facts.hub_to_arch
    assert height is not None
    if asked is not None and standing.twist < 5e-5:
        hub, travel = asked, wheel_travel_of(height, asked)
    else:
        travel = found(standing.travel[i], "wheel_travel", "m")
        hub = hub_to_arch_after(height, travel)
    load = corner.load
    if load is None or abs(standing.load[i] - load) > 1e-6:
        load = found(standing.load[i], "corner_load", "N")
    sprung = load
    if abs(standing.spring_load[i] - standing.load[i]) > 1e-6:
        sprung = found(standing.spring_load[i], "spring_load", "N")
    return corner.but(
        travel=travel,
        hub_to_arch=hub,
        drop=found(standing.drop[i], "body_drop", "m"),
        load=load,
        spring_load=sprung,
    )
