"""How the vehicle stands in one setup: travel, loads, spring lengths and adjusters of its corners.

As found is the anchor: the measured heights and loads are the truth there, and the room for each spring (or the
free angle of a torsion bar, the pressure of an air spring) follows from them, or is typed.
"""

from dataclasses import dataclass, replace

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number
from feder.core.document.document import LoadState
from feder.core.document.leaf import LeafPart
from feder.core.document.setup import Setup
from feder.core.formulas.height import free_length_from_drop
from feder.core.formulas.live_axle import live_axle_spring_load, spring_hub_of
from feder.core.formulas.masses import load_of_mass, mass_of_load
from feder.core.formulas.ride import sprung_mass_of
from feder.core.formulas.wheel_heights import hub_to_arch_after, wheel_travel_of
from feder.core.numbers.errors import NoEquilibrium
from feder.core.numbers.quantities import G
from feder.core.numbers.working import given, is_tracing, solved
from feder.core.solvers.curve import LinearCorner
from feder.core.solvers.equilibrium import Axle, Balance, Support, Weight, vehicle_equilibrium
from feder.core.standing.carried import carried_in, carried_inputs
from feder.core.standing.corner import StandingCorner, asked_height
from feder.core.standing.damper import with_its_own
from feder.core.standing.end_in_setup import end_at
from feder.core.standing.facts import EndFacts, Facts, parts_as_found, side_at
from feder.core.standing.found_cycle import by_pressure, weighed_by_spring
from feder.core.standing.held_up import held_up
from feder.core.standing.kept import Kept
from feder.core.standing.parts.air import air_facts
from feder.core.standing.parts.bump_stop import stop_facts
from feder.core.standing.parts.coil import SpringFacts, spring_facts
from feder.core.standing.parts.coil_beside import beside_facts
from feder.core.standing.parts.oil import oil_facts
from feder.core.standing.parts.torsion_bar import bar_facts
from feder.core.standing.rider import rider_by_sags, set_by_sag
from feder.core.standing.springing.chart import by_chart
from feder.core.standing.springing.kinds import springing
from feder.core.standing.springing.seat import padded_seat, spaced_seat, turned_seat, typed_seat

UNASKED_RATE = 1e3
"""Rate that lets a corner for which nothing is asked follow the body with its load kept, N/m."""
BALANCE = "Σ F = 0 and Σ M = 0 of the rigid body on its corners' force curves and tyres"


@dataclass(slots=True)
class StandingVehicle:
    corners: dict[Place, StandingCorner]
    trouble: str | None = None
    twist: float = 0.0


_KEPT: Kept[StandingVehicle] = Kept()
_FOUND: Kept[dict[Place, StandingCorner]] = Kept()


def stand(facts: Facts, setup: Setup, load_state: LoadState | None) -> StandingVehicle:
    """How the vehicle stands in a setup under a load state; unknown numbers stay unknown."""
    parts, index = (*parts_as_found(facts.document), setup, load_state), facts.document.setups.index(setup)
    return _KEPT.of(parts, (index, is_tracing()), lambda: _stands(facts, setup, load_state))


def _stands(facts: Facts, setup: Setup, load_state: LoadState | None) -> StandingVehicle:
    found = _FOUND.of(parts_as_found(facts.document), (is_tracing(),), lambda: _as_found(facts))
    index = facts.document.setups.index(setup)
    loaded = load_state is not None and bool(load_state.items)
    if setup.id == facts.document.setups[0].id:
        stood = StandingVehicle(found)
    else:
        dressed = {
            p: _dressed(side_at(facts.at, index, p), end_at(facts, index, p), found[p]) for p in facts.places
        }
        dressed = {p: _on_its_base(c, dressed[p.mirror]) for p, c in dressed.items()}
        if facts.document.vehicle.kind != "car":
            dressed = set_by_sag(facts, dressed, found)
        stood = _stand(facts, dressed, None)
    if not loaded or stood.trouble:
        return stood
    # collars are set with the vehicle as weighed; under a load they stay, and the heights follow
    fixed = {p: _collar_fixed(c, found[p]) for p, c in stood.corners.items()}
    return _stand(facts, fixed, load_state, rider_by_sags(facts, found))


def _stand(
    facts: Facts,
    corners: dict[Place, StandingCorner],
    load_state: LoadState | None,
    by_sags: float | None = None,
) -> StandingVehicle:
    try:
        corners, twist = _balanced(facts, corners, load_state, by_sags)
    except NoEquilibrium as error:
        return StandingVehicle(corners, trouble=str(error))
    return StandingVehicle({p: springing(c).answered(c) for p, c in _at_springs(corners).items()}, twist=twist)


def _collar_fixed(stood: StandingCorner, found: StandingCorner) -> StandingCorner:
    """The corner as it stands, its collar no longer an answer; loads are again those as found."""
    return stood.but(fixed=True, load=found.load)


def _at_springs(corners: dict[Place, StandingCorner]) -> dict[Place, StandingCorner]:
    """Heights and motion ratios at the springs themselves."""
    made = {}
    for place, corner in corners.items():
        other = corners[place.mirror]
        base, hub = corner.facts.end.base_ratio, corner.hub_to_arch
        if base is not None and hub is not None and other.hub_to_arch is not None:
            hub = spring_hub_of(hub, other.hub_to_arch, base)
        coupling = corner.facts.end.spring
        load = corner.load if corner.spring_load is None else corner.spring_load
        made[place] = corner.but(
            spring_hub=hub, motion_ratio=coupling.ratio(hub), ratio_slope=coupling.slope(hub), spring_load=load
        )
    return made


def _as_found(facts: Facts) -> dict[Place, StandingCorner]:
    corners = {}
    for place in facts.places:
        corner, at = facts.corners[place], side_at(facts.at, 0, place)
        if at.damper:
            corner = replace(corner, end=with_its_own(corner.end, at, at, place))
        sprung = load = None
        if (
            corner.mass is not None
            and corner.end.unsprung_mass is not None
            and corner.mass > corner.end.unsprung_mass
        ):
            sprung = sprung_mass_of(corner.mass, corner.end.unsprung_mass)
            load = load_of_mass(sprung)
        stood = StandingCorner(
            corner,
            at,
            node(at),
            spring=spring_facts(at, place, corner.end.legs),
            bar=bar_facts(at, place),
            air=air_facts(at, place),
            stop=stop_facts(corner.end, at, at, place),
            beside=beside_facts(at, place, corner.end.damper, corner.end.droop)
            or oil_facts(at, place, corner.end),
            sprung_mass=sprung,
            load=load,
            hub_to_arch=corner.hub_to_arch,
            travel=None if corner.hub_to_arch is None else 0.0,
            drop=0.0,
        )
        corners[place] = stood
    for place, stood in corners.items():
        base, other = stood.facts.end.base_ratio, corners[place.mirror].load
        if base is not None and stood.load is not None and other is not None:
            corners[place] = stood.but(spring_load=live_axle_spring_load(stood.load, other, base))
    anchored = {p: c.but(found_hub=c.spring_hub) for p, c in _at_springs(corners).items()}
    if facts.document.vehicle.kind != "car":
        anchored = {p: held_up(by_pressure(weighed_by_spring(c))) for p, c in anchored.items()}
    return {p: springing(c).found(c) for p, c in anchored.items()}


def _dressed(at: Cursor, end: EndFacts, found: StandingCorner) -> StandingCorner:
    """The corner with the parts of another setup, standing as found until balanced."""
    place, facts = found.facts.place, found.facts
    if end is not facts.end:
        facts = replace(facts, end=end)
    spring = spring_facts(at, place, end.legs, found.side)
    same_place = end.spring_place == found.facts.end.spring_place
    if spring is not None and spring.free_length is None and same_place and not isinstance(spring.part, LeafPart):
        spring = _lowering(spring, found, at.spring.quoted_drop)
    seat = padded_seat(turned_seat(typed_seat(at, place), at, place, end.end.layout), at, place)
    if seat is None and same_place:
        seat = spaced_seat(found.seat, at, found.at, place, end.end.layout)
        seat = padded_seat(seat, at, place, found.at)
    dressed = found.but(
        facts=facts,
        at=at,
        side=node(at),
        spring=spring,
        bar=bar_facts(at, place),
        air=air_facts(at, place),
        stop=stop_facts(end, at, found.at, place),
        beside=beside_facts(at, place, end.damper, end.droop) or oil_facts(at, place, end),
        seat=seat,
        collar=None,
        free_angle=None,
        pressure=None,
        as_found=found,
        spring_force=None,
        spring_length=None,
        spring_load=None,
    )
    typed = node(at).seat
    if typed is not None and typed.chart and (typed.length is None or typed.hub_to_arch is None):
        charted = by_chart(dressed.but(load=found.load, spring_load=found.spring_load))
        dressed = dressed.but(seat=padded_seat(charted, at, place) or seat)
    return dressed


def _on_its_base(corner: StandingCorner, other: StandingCorner) -> StandingCorner:
    """The corner with its springs at another distance than as found: the height found at the spring is another."""
    base, found = corner.facts.end.base_ratio, corner.as_found
    if found is None or base is found.facts.end.base_ratio:
        return corner
    hub, over = corner.facts.hub_to_arch, other.facts.hub_to_arch
    at_spring = hub if base is None or hub is None or over is None else spring_hub_of(hub, over, base)
    return corner.but(found_hub=at_spring)


def _lowering(spring: SpringFacts, found: StandingCorner, at: Cursor) -> SpringFacts:
    """A lowering spring of unknown free length: from the drop its maker quotes against the spring as found."""
    length, force, ratio = found.spring_length, found.spring_force, found.motion_ratio
    if not at or length is None or force is None or not ratio:
        return spring
    quoted = number(at, f"{spring.part.code}, quoted drop", source="maker's figure")
    free = free_length_from_drop(length, quoted, ratio, force, spring.rate)
    if free <= 0:
        return spring  # a drop beyond all its length tells nothing: the length stays unknown
    return replace(spring, free_length=free)


def _balanced(
    facts: Facts,
    corners: dict[Place, StandingCorner],
    load_state: LoadState | None,
    by_sags: float | None,
) -> tuple[dict[Place, StandingCorner], float]:
    """The corners after the body has found its place; unchanged where something needed is missing."""
    supports: list[Support] = []
    for place, corner in corners.items():
        support = _support(facts, place, corner, corners[place.mirror].load)
        if support is None:
            return {p: _held_alone(c) for p, c in corners.items()}, 0.0
        supports.append(support)
    carried = carried_in(facts, load_state, by_sags)
    weights = [Weight(float(c.mass) * G, float(c.x), float(c.y)) for c in carried]
    standing = vehicle_equilibrium(supports, weights, _axles(facts, corners))
    inputs = {**_inputs(facts, corners), **carried_inputs(carried)} if is_tracing() else {}
    return {p: _placed(c, i, standing, inputs) for i, (p, c) in enumerate(corners.items())}, standing.twist


def _axles(facts: Facts, corners: dict[Place, StandingCorner]) -> list[Axle]:
    """Bars and live axles."""
    axles = []
    for name in facts.ends:
        places = facts.places_at(name)
        if len(places) < 2:
            continue
        end = corners[places[0]].facts.end
        left = facts.places.index(places[0])
        if end.bar_rate is not None or end.base_ratio is not None:
            axles.append(Axle(left, left + 1, float(end.bar_rate or 0.0), float(end.base_ratio or 1.0)))
    return axles


def _support(facts: Facts, place: Place, corner: StandingCorner, other: float | None) -> Support | None:
    """A corner in the balance; `other` is the load of the wheel on the other side."""
    end, base = corner.facts.end, facts.wheelbase
    two_wheels = place.mirror is place
    track = 0.0 if two_wheels else end.track
    if base is None or track is None or corner.load is None or corner.facts.hub_to_arch is None:
        return None
    x = 0.0 if place.end == "front" else float(base)
    y = (-0.5 if place.is_left else 0.5) * float(track)
    tyre = None if end.tyre_rate is None else float(end.tyre_rate)
    asked, kind, load = asked_height(corner), springing(corner), float(corner.load)
    if asked is not None:
        return Support(x, y, load, held=float(corner.facts.hub_to_arch) - float(asked), tyre_rate=tyre)
    if kind.set_at(corner) is None:  # nothing asked here: it keeps its load, and stays where the others leave it
        push = load
        if end.base_ratio is not None and other is not None:
            push = float(live_axle_spring_load(load, float(other), float(end.base_ratio)))
        return Support(x, y, load, curve=LinearCorner(UNASKED_RATE, 1.0, push / UNASKED_RATE), tyre_rate=tyre)
    curve = kind.curve(corner)
    return None if curve is None else Support(x, y, load, curve, tyre_rate=tyre)


def _held_alone(corner: StandingCorner) -> StandingCorner:
    """A corner whose height is asked for, while the vehicle as a whole is not known well enough."""
    asked = asked_height(corner)
    if asked is None or corner.facts.hub_to_arch is None:
        return corner if springing(corner).set_at(corner) is None else _nowhere(corner)
    travel = wheel_travel_of(corner.facts.hub_to_arch, asked)
    return corner.but(hub_to_arch=asked, travel=travel, drop=travel)


def _nowhere(corner: StandingCorner) -> StandingCorner:
    """A corner whose height does not follow: its load kept as weighed, and marked."""
    if corner.load is None:
        return corner.but(hub_to_arch=None, travel=None, drop=None)
    untold = "the height is not known: as weighed"
    load = given(float(corner.load), "load as weighed", "N", source=untold, assumed=True)
    return corner.but(hub_to_arch=None, travel=None, drop=None, load=load, sprung_mass=mass_of_load(load))


def _inputs(facts: Facts, corners: dict[Place, StandingCorner]) -> dict[str, float]:
    inputs: dict[str, float | None] = {"wheelbase": facts.wheelbase}
    for place, c in corners.items():
        word = place.words
        inputs[f"{word} load as found"] = c.load
        inputs[f"{word} hub to arch as found"] = c.facts.hub_to_arch
        inputs[f"{word} hub to arch asked for"] = asked_height(c)
        inputs |= {f"{word} {name}": value for name, value in _setting(c).items()}
        inputs[f"{place.end} gas force"] = c.facts.end.gas
        inputs |= {} if c.beside is None else c.beside.inputs(word)
        inputs[f"{place.end} track"] = c.facts.end.track
        inputs[f"{place.end} tyre rate"] = c.facts.end.tyre_rate
        inputs[f"{place.end} bar rate at the wheel"] = c.facts.end.bar_rate
        inputs[f"{place.end} spring base over track"] = c.facts.end.base_ratio
    return {k: v for k, v in inputs.items() if v is not None}


def _setting(corner: StandingCorner) -> dict[str, float | None]:
    """What a corner whose adjuster is set puts into the balance."""
    set_at, end = springing(corner).set_at(corner), corner.facts.end
    if set_at is None:
        return {}
    shared = {"motion ratio": end.spring.constant, "curve": end.spring.pairs or None}
    if corner.air is not None:
        return {"pressure": set_at, "air volume": corner.air.volume, "full droop": end.droop, **shared}
    if corner.bar is not None:
        return {
            "free angle": set_at,
            "angular rate": corner.bar.angular_rate,
            "arm angle as found": corner.arm_angle,
        }
    if corner.spring is None or corner.seat is None:
        return {}
    spring = {"spring rate": corner.spring.rate, "free length": corner.spring.free_length}
    return {"collar": set_at, "seat length": corner.seat.length, **spring, **shared}


def _placed(corner: StandingCorner, i: int, standing: Balance, inputs: dict[str, float]) -> StandingCorner:
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
    if load is None or abs(standing.load[i] - float(load)) > 1e-6:
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
