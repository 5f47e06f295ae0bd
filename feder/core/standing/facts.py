"""What the document says, gathered per corner and end: numbers that know their path and how they were got."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.cursor import Cursor, cursor, maybe, node, number, quantity
from feder.core.document.document import Document
from feder.core.document.leaf import LeafPart
from feder.core.document.setup import Setup, SideSetup
from feder.core.document.vehicle import End
from feder.core.formulas.air import gas_force
from feder.core.formulas.damping import coefficient_of_all
from feder.core.formulas.live_axle import base_ratio_of
from feder.core.formulas.roll import bar_rate_at_wheel
from feder.core.numbers.errors import UnknownSetup
from feder.core.numbers.working import is_tracing
from feder.core.standing.arm import ArmFacts, arm_facts
from feder.core.standing.clicked import Clicked
from feder.core.standing.coupling import Coupling
from feder.core.standing.kept import Kept
from feder.core.standing.ratios import coupling_of
from feder.core.standing.readings import mean_of_readings
from feder.core.standing.sag_readings import NONE, SagReads, sag_reads, solid_of_travel
from feder.core.standing.tyre import loaded_radius


@dataclass(frozen=True)
class EndFacts:
    """What the corners of an end share. Nothing where it is not known."""

    name: EndName
    end: End
    at: Cursor
    """Where this end stands in the document."""
    track: float | None
    spring: Coupling
    damper: Coupling
    damper_coefficient: float | None
    unsprung_mass: float | None
    tyre_rate: float | None
    droop: float | None
    stop: float | None
    solid: float | None
    contact: float | None
    bar_rate: float | None = None
    base_ratio: float | None = None
    friction: float | None = None
    gas: float | None = None
    """Push of the gas charge of one damper, along it."""
    legs: float = 1.0
    """Springs that stand side by side at one place: fork legs, twin shocks."""
    dampers: float = 1.0
    damping: float = 1.0
    """Of these as many as damp each way: unlike legs of a fork share the work."""
    arm: ArmFacts | None = None
    sags: SagReads = NONE
    """Sag readings of a two-wheeler's wheel."""
    clicked: Clicked | None = None
    """The curve of a corner's damper at its clicks."""
    other_suspension: bool = False
    """Whether a setup has another suspension here than the one found."""
    tyre_radius: float | None = None
    """Loaded radius of the tyre, as read or by its size."""
    leaf: bool = False
    """Whether its ratio is that of the leaf springs that carry the axle."""

    @property
    def spring_place(self) -> tuple[object, ...]:
        """Where a spring stands at this end: the seat as found holds for the same place only."""
        return self.end.layout, self.end.spring, self.leaf


@dataclass(frozen=True)
class CornerFacts:
    """What is known of one corner apart from any setup: readings and the end it belongs to."""

    place: Place
    end: EndFacts
    mass: float | None
    hub_to_arch: float | None
    floor_to_arch: float | None
    sill: float | None
    by_sag: bool = False
    """Whether its height as found is that of the sag walk, bike alone."""


@dataclass(frozen=True)
class Facts:
    """The vehicle as known."""

    document: Document
    at: Cursor
    """At the document's root."""
    wheelbase: float | None
    ends: dict[EndName, EndFacts]
    corners: dict[Place, CornerFacts]

    @property
    def places(self) -> tuple[Place, ...]:
        return self.document.places

    def places_at(self, end: EndName) -> tuple[Place, ...]:
        """The places of an end: left and right, or the one wheel."""
        return tuple(p for p in self.places if p.end == end)


_KEPT: Kept[Facts] = Kept()


def parts_as_found(document: Document) -> tuple[object, ...]:
    """The parts of a document that say what the vehicle is and how it stood as found."""
    # a list is made anew by every change; what is in it is not
    return document.vehicle, document.brief, document.setups[0], *document.surveys, None, *document.loads


def gather(document: Document) -> Facts:
    """All facts of a document. Call within `tracing()` so that they know where they stand."""
    kept = _KEPT.of(parts_as_found(document), (is_tracing(),), lambda: _gathered(document))
    return kept if kept.document is document else replace(kept, document=document, at=cursor(document))


def _gathered(document: Document) -> Facts:
    at = cursor(document)
    first = document.setups[0]
    ends = {
        name: end_facts(
            at, name, at.vehicle.ends[name], [side_of(first, p).spring for p in places_of(document, name)]
        )
        for name in ENDS
    }
    return Facts(
        document,
        at,
        quantity(at.vehicle.wheelbase, "wheelbase"),
        ends,
        {place: _corner(at, place, ends[place.end]) for place in document.places},
    )


def setup_of(document: Document, setup_id: str) -> Setup:
    """The setup with this id. Raises `UnknownSetup` when there is none."""
    for setup in document.setups:
        if setup.id == setup_id:
            return setup
    raise UnknownSetup(f"there is no setup {setup_id!r}")


def index_of(document: Document, setup_id: str) -> int:
    """Where a setup stands in the document's line. Raises `UnknownSetup`."""
    return document.setups.index(setup_of(document, setup_id))


def places_of(document: Document, end: EndName) -> tuple[Place, ...]:
    """The places of an end: left and right, or the one wheel."""
    return tuple(p for p in document.places if p.end == end)


def side_of(setup: Setup, place: Place) -> SideSetup:
    """One corner's part of a setup."""
    return getattr(setup.sides, place.value)  # type: ignore[no-any-return]


def spring_moved(setup: Setup, end: EndName) -> bool:
    """Whether the springs of an end stand elsewhere in a setup than as found: its seats and perches are others."""
    change = getattr(setup, f"{end}_end")
    return change is not None and (change.is_layout or change.spring is not None)


def side_at(document: Cursor, index: int, place: Place) -> Cursor:
    """Where one corner of a setup stands in the document."""
    return document.setups[index].sides[place.value]


LIMIT_WORDS = {
    "droop": "at full droop",
    "stop": "at the bump stop",
    "solid": "with the damper solid",
    "contact": "when the tyre meets the arch",
}


def end_facts(document: Cursor, name: EndName, at: Cursor, springs: Sequence[object] = ()) -> EndFacts:
    """What is known of an end that stands at a place of the document; `springs` are those of its corners.

    A leaf spring carries at the axle itself: where no ratio was told it is 1.
    """
    end: End = node(at)
    leaf = any(isinstance(s, LeafPart) for s in springs) and end.spring.ratio is None

    def height(limit: str) -> float | None:
        return maybe(at.limits[limit], f"{name} hub to arch {LIMIT_WORDS[limit]}")

    sags = sag_reads(document, Place(name), at)
    droop = height("droop") if end.limits.droop is not None else sags.of("extended")
    solid = height("solid") if end.limits.solid is not None else solid_of_travel(at, Place(name), droop)
    track = maybe(at.track, f"{name} track")
    plain = None if droop is None else float(droop)
    spring = coupling_of(at.spring, end, "motion_ratio", f"{name} motion ratio", plain)
    if leaf:
        one = number(
            at.spring, f"{name} motion ratio", source="a leaf spring carries the axle", value=1.0, unit=""
        )
        spring = Coupling("motion_ratio", one)
    damper = replace(spring, name="damper_motion_ratio")
    if end.damper is not None:
        damper = coupling_of(at.damper, end, "damper_motion_ratio", f"{name} damper motion ratio", plain)
    bar = None
    if end.bar is not None:
        rate = quantity(at.bar.rate, f"{name} bar rate")
        bar = None if rate is None else bar_rate_at_wheel(rate, link_ratio(at.bar, name))
    base = None
    if end.layout == "live axle" and end.spring_base is not None and track is not None:
        base = base_ratio_of(number(at.spring_base, f"{name} spring base"), track)
    return EndFacts(
        name=name,
        end=end,
        at=at,
        track=track,
        spring=spring,
        damper=damper,
        damper_coefficient=_damping(at, name),
        unsprung_mass=quantity(at.unsprung_mass, f"{name} unsprung mass, per corner"),
        tyre_rate=quantity(at.tyre.rate, f"{name} tyre rate"),
        droop=droop,
        stop=height("stop"),
        solid=solid,
        contact=height("contact"),
        bar_rate=bar,
        base_ratio=base,
        friction=quantity(at.friction, f"{name} friction at the wheel"),
        gas=_gas(at.gas, name),
        legs=_legs(at, name),
        dampers=dampers_of(end),
        damping=damping_of(end),
        arm=arm_facts(at.arm, name),
        sags=sags,
        tyre_radius=loaded_radius(at.tyre, f"{name} tyre radius"),
        leaf=leaf,
    )


def dampers_of(end: End) -> float:
    """Dampers that stand side by side at one place."""
    return 2.0 if end.layout in ("fork", "twin shock") else 1.0


def damping_of(end: End) -> float:
    """Dampers that damp each way at one place: of a fork whose legs do unlike work one."""
    return float(end.fork.damped) if end.layout == "fork" and end.fork is not None else dampers_of(end)


def _legs(at: Cursor, name: str) -> float:
    end: End = node(at)
    if end.layout == "fork" and end.fork is not None:
        return number(
            at.fork.legs, f"{name} legs with a spring", source="counted", value=float(end.fork.legs), unit=""
        )
    if end.layout == "twin shock":
        return number(at.layout, f"{name} shocks", source="counted", value=2.0, unit="")
    return 1.0


def _damping(at: Cursor, name: str) -> float | None:
    one, count = quantity(at.damper_coefficient, f"{name} damper coefficient"), damping_of(node(at))
    if one is None or count == 1:
        return one
    return coefficient_of_all(one, number(at.layout, f"{name} dampers", source="counted", value=count, unit=""))


def _gas(at: Cursor, name: str) -> float | None:
    if not at:
        return None
    rod = number(at.rod_diameter, f"{name} rod diameter", source="by calliper")
    return gas_force(number(at.pressure, f"{name} gas pressure"), rod)


def _corner(document: Cursor, place: Place, end: EndFacts) -> CornerFacts:
    def read(quantity: str) -> float | None:
        return _reading(document, place, quantity)

    hub = read("hub_to_arch")
    by_sag = hub is None and end.sags.of("bike") is not None
    hub = end.sags.of("bike") if hub is None else hub
    return CornerFacts(place, end, read("mass"), hub, read("floor_to_arch"), read("sill"), by_sag)


def _reading(document: Cursor, place: Place, quantity: str) -> float | None:
    words = "scale reading" if quantity == "mass" else quantity.replace("_", " ")
    return mean_of_readings(document, 0, place, quantity, f"{place.words} {words}")


def link_ratio(at: Cursor, name: EndName) -> float:
    """Link travel over wheel travel of an anti-roll bar; 1, assumed, where it was not measured."""
    label, untold = f"{name} bar motion ratio", "not measured: link at the wheel"
    if at.motion_ratio:
        return number(at.motion_ratio, label)
    return number(at.motion_ratio, label, source=untold, assumed=True, value=1.0)
