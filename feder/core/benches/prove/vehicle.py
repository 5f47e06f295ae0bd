"""The vehicle that is driven: the force tables on which it stands in a setup, its dampers and its tyres."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from math import sqrt
from typing import Any

import numpy as np
from numpy.typing import NDArray

from feder.core.benches.prove.tables import softened, speeds, stop_force, straight_on, travels
from feder.core.document.base import EndName, Place
from feder.core.document.document import Document
from feder.core.numbers.errors import FederError
from feder.core.numbers.quantities import G
from feder.core.numbers.working import rests_on_assumption, tracing
from feder.core.practice.usual import ASSUMED_TYRES
from feder.core.report.evaluate import evaluated
from feder.core.report.shapes import Report
from feder.core.solvers.curve import LIMIT_STIFFNESS
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import Facts, parts_as_found, setup_of
from feder.core.standing.kept import Kept
from feder.core.standing.springing.kinds import springing
from feder.core.standing.stand import StandingVehicle

Array = NDArray[np.floating[Any]]
TYRE_DAMPING = 0.02
"""Of a tyre, as a share of what is critical for the wheel's hop."""
SLIPS = 0.002
"""Velocity at which dry friction is whole, m/s."""
UNTOLD_DAMPING = 0.3
"""Share of critical damping of a damper of which nothing is told."""
ROLL_GYRATION = 0.35
"""Radius of gyration of the body in roll, of the mean track."""
BEAM = 0.6
"""Share of a live axle's mass that stands at its wheels; the rest lies evenly between them."""
HUB = 0.3
"""Height of a hub whose tyre's radius is not told, m."""


class CannotDrive(FederError):
    """A vehicle of which something is missing that a run needs, or that cannot stand."""

    code = "cannot drive"


@dataclass(frozen=True)
class Wheel:
    """One corner on the road, all from where it stands still; travel bump positive."""

    place: Place
    x: float
    """Ahead of the centre of gravity."""
    y: float
    """Left of the centre of gravity."""
    load: float
    unsprung: float
    tyre_rate: float
    spring: Array
    """Force of everything but stop and limits, over travel at the spring's place."""
    stop: Array
    """Force of the bump stop and of the hard limits."""
    ratio: Array
    damper: Array
    """Force of all dampers of the corner over the velocity of one, closing positive."""
    friction: float
    droop: float
    touch: float
    solid: float
    wheel_rate: float
    hub_to_arch: float
    hub_height: float
    knows_stop: bool = True

    @property
    def still(self) -> float:
        """Tyre load standing still."""
        return self.load + self.unsprung * G

    @property
    def tyre_damping(self) -> float:
        return TYRE_DAMPING * 2 * sqrt((self.wheel_rate + self.tyre_rate) * self.unsprung)


@dataclass(frozen=True)
class Axle:
    name: EndName
    bar_rate: float
    base: float
    live: bool
    track: float
    roll_centre: float | None
    links: tuple[float | None, float | None] = (None, None)
    """Share of the load that braking, and driving, moves which the links carry."""


@dataclass(frozen=True)
class Vehicle:
    """Wheels axle by axle, left before right."""

    wheels: tuple[Wheel, ...]
    axles: tuple[Axle, ...]
    wheelbase: float
    pitch_inertia: float
    roll_inertia: float
    cg_height: float | None
    assumed: tuple[str, ...]
    """What is assumed of it, in words."""

    @property
    def mass(self) -> float:
        """Sprung mass."""
        return sum(w.load for w in self.wheels) / G

    @property
    def per_axle(self) -> int:
        return len(self.wheels) // len(self.axles)

    @property
    def whole_mass(self) -> float:
        return self.mass + sum(w.unsprung for w in self.wheels)

    def at(self, end: EndName) -> tuple[int, ...]:
        """Which wheels stand at an end."""
        return tuple(i for i, w in enumerate(self.wheels) if w.place.end == end)

    def with_wheels(self, wheels: tuple[Wheel, ...]) -> "Vehicle":
        return replace(self, wheels=wheels)


def vehicle_of(document: Document, setup: str, load_state: str | None = None) -> Vehicle:
    """The vehicle of a setup, as weighed or under a load.

    Raises:
        UnknownSetup: the document has no such setup or load state.
        CannotDrive: something is missing, or it cannot stand; what, is said.
    """
    state = next((s for s in document.loads if s.id == load_state), None)
    parts = (*parts_as_found(document), setup_of(document, setup), state)
    return _KEPT.of(parts, (setup, load_state), lambda: _built(document, setup, load_state))


_KEPT: Kept[Vehicle] = Kept(16)


def _built(document: Document, setup: str, load_state: str | None) -> Vehicle:
    with tracing():
        facts, stood, report = evaluated(document, setup, load_state)
        found = evaluated(document, document.setups[0].id, None)[2]
        if stood.trouble:
            raise CannotDrive(f"the vehicle cannot stand in this setup: {stood.trouble}")
        return _made(facts, stood, report, found)


def _made(facts: Facts, stood: StandingVehicle, report: Report, found: Report) -> Vehicle:
    missing, assumed = _missing(facts, stood, report), []
    if missing:
        raise CannotDrive("a run waits for " + "; ".join(missing))
    wheelbase = float(facts.wheelbase or 0.0)
    loads = {p: float(c.load or 0.0) for p, c in stood.corners.items()}
    total = sum(loads.values())
    ahead = wheelbase * sum(v for p, v in loads.items() if p.end == "rear") / total
    left = {p: (0.5 if p.is_left else -0.5) * _track(stood.corners[p]) for p in facts.places}
    aside = sum(loads[p] * left[p] for p in facts.places) / total
    wheels = []
    for place in facts.places:
        corner = stood.corners[place]
        x = ahead if place.end == "front" else ahead - wheelbase
        tyre = float(ASSUMED_TYRES[facts.document.vehicle.kind])
        made, words = _wheel(corner, report, found, tyre, x, left[place] - aside)
        wheels.append(made)
        assumed += [w for w in words if w not in assumed]
    mass = total / G
    axles = tuple(_axle(facts, stood, name) for name in facts.ends)
    track = sum(a.track for a in axles) / len(axles)
    about = facts.document.vehicle
    if about.roll_inertia is None and track:
        assumed.insert(0, "roll inertia m·(0.35 track)²")
    if about.pitch_inertia is None:
        assumed.insert(0, "pitch inertia m·a·b")
    if any(a.live for a in axles):
        assumed.append(f"{BEAM:.0%} of a live axle's mass at its wheels")
    height = about.sprung_cg_height
    return Vehicle(
        balanced(wheels, axles),
        axles,
        wheelbase,
        about.pitch_inertia or mass * ahead * (wheelbase - ahead),
        (about.roll_inertia or mass * (ROLL_GYRATION * track) ** 2) if track else 0.0,
        None if height is None else height.value,
        tuple(assumed),
    )


def _track(corner: StandingCorner) -> float:
    """Between the wheels of a corner's axle; nothing on two wheels."""
    place = corner.facts.place
    return float(corner.facts.end.track or 0.0) if place.mirror is not place else 0.0


def _missing(facts: Facts, stood: StandingVehicle, report: Report) -> list[str]:
    """What is not told that a run cannot do without, each once, in words."""
    lacks: dict[str, list[str]] = {}
    for place in facts.places:
        corner, end = stood.corners[place], stood.corners[place].facts.end
        wants = {
            "the load": corner.load,
            "the height": corner.travel,
            "the unsprung mass": end.unsprung_mass,
            "the track": end.track if place.mirror is not place else 0.0,
            "the damper's motion ratio": end.damper.known or None,
            "what the spring's force follows from": _curve_of(corner),
            "the wheel rate": report.corners[place].wheel_rate,
        }
        for words, value in wants.items():
            if value is None:
                lacks.setdefault(words, []).append(place.words)
        if end.unsprung_mass is not None and float(end.unsprung_mass) <= 0:
            lacks.setdefault("an unsprung mass above 0", []).append(place.words)
    told = [] if facts.wheelbase is not None else ["the wheelbase"]
    return told + [f"{words} ({', '.join(at)})" for words, at in lacks.items()]


def _curve_of(corner: StandingCorner) -> object | None:
    if corner.load is None or corner.travel is None:
        return None
    fixed = corner.but(fixed=True)
    return springing(fixed).curve(fixed)


def _wheel(
    corner: StandingCorner, report: Report, found: Report, tyre: float, x: float, y: float
) -> tuple[Wheel, list[str]]:
    place, end = corner.facts.place, corner.facts.end
    curve = _curve_of(corner)
    ride = float(corner.found_hub or 0.0) - float(corner.spring_hub or 0.0)
    z = travels() + ride
    limits = [float(getattr(curve, name)) for name in ("droop", "solid")]
    whole = np.array([curve.force(t) for t in z])  # type: ignore[attr-defined]
    hard = LIMIT_STIFFNESS * (np.minimum(0, z - limits[0]) + np.maximum(0, z - limits[1]))
    stop = stop_force(corner, z)
    soft, droop, solid = softened(z, limits, ride)
    along = end.damper.along(float(corner.found_hub or 0.0))
    ratio = np.array([along.ratio(t) for t in z])
    mr = float(ratio[ratio.size // 2])
    rate = report.corners[place].wheel_rate
    assert rate is not None
    assumed = []
    damper, words = _damper(corner, found, mr)
    if words:
        assumed.append(words)
    touch = None if corner.stop is None else corner.stop.touch_height()
    hub = float(corner.hub_to_arch or 0.0)
    at_touch = solid if touch is None else hub - float(touch)
    made = Wheel(
        place=place,
        x=x,
        y=y,
        load=float(corner.load or 0.0),
        unsprung=float(end.unsprung_mass or 0.0),
        tyre_rate=tyre if end.tyre_rate is None else float(end.tyre_rate),
        spring=whole - hard - stop,
        stop=stop + soft,
        ratio=ratio,
        damper=damper,
        friction=float(end.friction or 0.0),
        droop=droop,
        touch=min(at_touch, solid),
        solid=solid,
        wheel_rate=float(rate.value),
        hub_to_arch=hub,
        hub_height=float(end.tyre_radius or HUB),
        knows_stop=touch is not None,
    )
    if end.tyre_rate is None:
        assumed.append(f"{place.end} tyre rate not told: {tyre / 1000:.0f} N/mm")
    for words, value in (
        (f"{place.end} unsprung mass", end.unsprung_mass),
        (f"{place.end} tyre rate", end.tyre_rate),
        (f"{place.end} friction", end.friction),
    ):
        if value is not None and rests_on_assumption(value):
            assumed.append(words)
    if corner.stop is not None and rests_on_assumption(corner.stop.touch_height()):
        assumed.append(f"{place.end} bump stop")
    return made, assumed


def _damper(corner: StandingCorner, found: Report, mr: float) -> tuple[Array, str]:
    """Force of a corner's dampers over velocity; what of them is assumed, in words."""
    end, v = corner.facts.end, speeds()
    name = f"{end.name} damper"
    if end.clicked is not None:
        curve = end.clicked
        force = straight_on(curve.curve, v)
        return force * end.damping, f"{name} curve" if curve.assumed or curve.beyond else ""
    if end.damper_coefficient is not None:
        words = f"{name}, one coefficient at every speed"
        return v * float(end.damper_coefficient), words
    was = found.corners[corner.facts.place]
    rate, mass = was.wheel_rate, was.sprung_mass
    if rate is None or mass is None:
        raise CannotDrive(f"a run waits for a {name}, or for wheel rate and load as found to assume one by")
    critical = 2 * sqrt(float(rate.value) * float(mass.value)) / mr**2
    return v * UNTOLD_DAMPING * critical, f"{name} not told: {UNTOLD_DAMPING:.0%} of critical as found"


def _axle(facts: Facts, stood: StandingVehicle, name: EndName) -> Axle:
    places = facts.places_at(name)
    end = stood.corners[places[0]].facts.end
    centre = end.end.roll_centre
    wide = len(places) == 2
    return Axle(
        name,
        float(end.bar_rate or 0.0) if wide else 0.0,
        float(end.base_ratio or 1.0) if wide else 1.0,
        wide and end.end.layout == "live axle",
        float(end.track or 0.0) if wide else 0.0,
        centre,
        (end.end.links_braking, end.end.links_driving),
    )


def balanced(wheels: Sequence[Wheel], axles: tuple[Axle, ...]) -> tuple[Wheel, ...]:
    """Springs that carry at ride exactly what stands on them.

    An anti-roll bar counts from ride here; what it is twisted by at ride stays as a constant push.
    """
    made, middle = list(wheels), travels().size // 2
    per = len(wheels) // len(axles)
    for i, wheel in enumerate(wheels):
        axle, other = axles[i // per], wheels[2 * per * (i // per) + per - 1 - i]
        mean, half = (wheel.load + other.load) / 2, (wheel.load - other.load) / 2
        off = mean + half / axle.base - (wheel.spring[middle] + wheel.stop[middle])
        made[i] = replace(wheel, spring=wheel.spring + off)
    return tuple(made)


def assumed_in(vehicle: Vehicle, manoeuvre: str | None) -> tuple[str, ...]:
    """What is assumed of a vehicle in a manoeuvre beyond what is on any road."""
    if manoeuvre is None:
        return ()
    said = []
    if manoeuvre in ("corner", "slalom"):
        said += [f"{a.name} roll centre on the floor" for a in vehicle.axles if a.roll_centre is None]
    else:
        which = 0 if manoeuvre == "braking" else 1
        said += [f"{a.name} links carry nothing of it" for a in vehicle.axles if a.links[which] is None]
    return tuple(said)
