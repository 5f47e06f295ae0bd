"""What the document says, gathered per corner and end: numbers that know their path and how they were got."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from feder.core.document.base import ENDS, EndName, Place, Quantity
from feder.core.document.document import Document
from feder.core.document.setup import Setup, SideSetup
from feder.core.document.survey import UNIT_OF, Reading
from feder.core.document.vehicle import AntiRollBar, End
from feder.core.formulas.air import gas_force
from feder.core.formulas.damping import coefficient_of_all
from feder.core.formulas.live_axle import base_ratio_of
from feder.core.formulas.roll import bar_rate_at_wheel
from feder.core.numbers.errors import UnknownSetup
from feder.core.numbers.working import given
from feder.core.standing.coupling import Coupling
from feder.core.standing.how import HOW_WORDS
from feder.core.standing.parts.torsion_bar import ArmFacts, arm_facts
from feder.core.standing.ratios import coupling_of
from feder.core.standing.sag_readings import NONE, SagReads, sag_reads, solid_of_travel


@dataclass(frozen=True)
class EndFacts:
    """What the corners of an end share. Nothing where it is not known."""

    name: EndName
    end: End
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
    arm: ArmFacts | None = None
    sags: SagReads = NONE
    """Sag readings of a two-wheeler's wheel."""


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
    wheelbase: float | None
    ends: dict[EndName, EndFacts]
    corners: dict[Place, CornerFacts]

    @property
    def places(self) -> tuple[Place, ...]:
        return self.document.places

    def places_at(self, end: EndName) -> tuple[Place, ...]:
        """The places of an end: left and right, or the one wheel."""
        return tuple(p for p in self.places if p.end == end)


def gather(document: Document) -> Facts:
    """All facts of a document. Call within `tracing()` so that they know where they stand."""
    ends = {name: _end(document, name) for name in ENDS}
    base = document.vehicle.wheelbase
    return Facts(
        document,
        _quantity(base, "wheelbase", "m", "vehicle.wheelbase"),
        ends,
        {place: _corner(document, place, ends[place.end]) for place in document.places},
    )


def setup_of(document: Document, setup_id: str) -> Setup:
    """The setup with this id. Raises `UnknownSetup` when there is none."""
    for setup in document.setups:
        if setup.id == setup_id:
            return setup
    raise UnknownSetup(f"there is no setup {setup_id!r}")


def side_of(setup: Setup, place: Place) -> SideSetup:
    """One corner's part of a setup."""
    return getattr(setup.sides, place.value)  # type: ignore[no-any-return]


def _end(document: Document, name: EndName) -> EndFacts:
    end: End = getattr(document.vehicle.ends, name)
    path = f"vehicle.ends.{name}"

    def height(limit: str) -> float | None:
        value = getattr(end.limits, limit)
        words = {"droop": "at full droop", "stop": "at the bump stop", "solid": "with the damper solid"}
        label = f"{name} hub to arch {words.get(limit, 'when the tyre meets the arch')}"
        return _plain(value, label, "m", f"{path}.limits.{limit}")

    sags = sag_reads(document, Place(name), end)
    droop = height("droop") if end.limits.droop is not None else sags.of("extended")
    solid = height("solid") if end.limits.solid is not None else solid_of_travel(end, Place(name), droop)
    track = _plain(end.track, f"{name} track", "m", f"{path}.track")
    plain = None if droop is None else float(droop)
    spring = coupling_of(end.spring, end, "motion_ratio", f"{name} motion ratio", f"{path}.spring.ratio", plain)
    damper = replace(spring, name="damper_motion_ratio")
    if end.damper is not None:
        label = f"{name} damper motion ratio"
        damper = coupling_of(end.damper, end, "damper_motion_ratio", label, f"{path}.damper.ratio", plain)
    bar = None
    if end.bar is not None:
        rate = _quantity(end.bar.rate, f"{name} bar rate", "N/m", f"{path}.bar.rate")
        bar = None if rate is None else bar_rate_at_wheel(rate, link_ratio(end.bar, name))
    base = None
    if end.layout == "live axle" and end.spring_base is not None and track is not None:
        base = base_ratio_of(
            given(end.spring_base, f"{name} spring base", "m", path=f"{path}.spring_base", source="typed in"),
            track,
        )
    return EndFacts(
        name=name,
        end=end,
        track=track,
        spring=spring,
        damper=damper,
        damper_coefficient=_damping(end, name, path),
        unsprung_mass=_quantity(
            end.unsprung_mass, f"{name} unsprung mass, per corner", "kg", f"{path}.unsprung_mass"
        ),
        tyre_rate=_quantity(end.tyre.rate, f"{name} tyre rate", "N/m", f"{path}.tyre.rate"),
        droop=droop,
        stop=height("stop"),
        solid=solid,
        contact=height("contact"),
        bar_rate=bar,
        base_ratio=base,
        friction=_quantity(end.friction, f"{name} friction at the wheel", "N", f"{path}.friction"),
        gas=_gas(end, name, path),
        legs=_legs(end, name, path),
        dampers=dampers_of(end),
        arm=arm_facts(end.arm, name),
        sags=sags,
    )


def dampers_of(end: End) -> float:
    """Dampers that stand side by side at one place."""
    return 2.0 if end.layout in ("fork", "twin shock") else 1.0


def _legs(end: End, name: str, path: str) -> float:
    if end.layout == "fork" and end.fork is not None:
        legs = float(end.fork.legs)
        return given(legs, f"{name} legs with a spring", "", path=f"{path}.fork.legs", source="counted")
    if end.layout == "twin shock":
        return given(2.0, f"{name} shocks", "", path=f"{path}.layout", source="counted")
    return 1.0


def _damping(end: End, name: str, path: str) -> float | None:
    one = _quantity(end.damper_coefficient, f"{name} damper coefficient", "N*s/m", f"{path}.damper_coefficient")
    count = dampers_of(end)
    if one is None or count == 1:
        return one
    return coefficient_of_all(one, given(count, f"{name} dampers", "", path=f"{path}.layout", source="counted"))


def _gas(end: End, name: str, path: str) -> float | None:
    if end.gas is None:
        return None
    at = f"{path}.gas"
    pressure = _plain(end.gas.pressure, f"{name} gas pressure", "Pa", f"{at}.pressure")
    label = f"{name} rod diameter"
    rod = given(end.gas.rod_diameter, label, "m", path=f"{at}.rod_diameter", source="by calliper")
    return None if pressure is None else gas_force(pressure, rod)


def _corner(document: Document, place: Place, end: EndFacts) -> CornerFacts:
    def read(quantity: str) -> float | None:
        return _reading(document, place, quantity)

    hub = read("hub_to_arch")
    by_sag = hub is None and end.sags.of("bike") is not None
    hub = end.sags.of("bike") if hub is None else hub
    return CornerFacts(place, end, read("mass"), hub, read("floor_to_arch"), read("sill"), by_sag)


def readings_of(document: Document, place: Place, quantity: str) -> Sequence[tuple[int, Reading]]:
    """The readings of one quantity at one place, with their index in the survey."""
    survey = document.survey
    if survey is None:
        return ()
    return [(i, r) for i, r in enumerate(survey.readings) if r.place is place and r.quantity == quantity]


def _reading(document: Document, place: Place, quantity: str) -> float | None:
    found = readings_of(document, place, quantity)
    if not found:
        return None
    mean = sum(r.value for _, r in found) / len(found)
    how = HOW_WORDS[found[0][1].how] if len(found) == 1 else f"mean of {len(found)} readings"
    label = f"{place.words} {'scale reading' if quantity == 'mass' else quantity.replace('_', ' ')}"
    path = f"surveys.0.readings.{found[0][0]}.value"
    assumed = any(r.how == "estimated" for _, r in found)
    return given(mean, label, UNIT_OF[quantity], path=path, source=how, assumed=assumed)


def link_ratio(bar: AntiRollBar, name: EndName) -> float:
    """Link travel over wheel travel of an anti-roll bar; 1, assumed, where it was not measured."""
    told = bar.motion_ratio
    return given(
        1.0 if told is None else told,
        f"{name} bar motion ratio",
        "",
        path=f"vehicle.ends.{name}.bar.motion_ratio",
        source="not measured: link at the wheel" if told is None else "typed in",
        assumed=told is None,
    )


def _plain(value: float | None, label: str, unit: str, path: str) -> float | None:
    return None if value is None else given(value, label, unit, path=path, source="typed in")


def _quantity(quantity: Quantity | None, label: str, unit: str, path: str) -> float | None:
    if quantity is None:
        return None
    value: float = getattr(quantity, "value")  # noqa: B009 - every quantity has one, of its own range
    return given(
        value, label, unit, path=f"{path}.value", source=HOW_WORDS[quantity.how], assumed=quantity.assumed
    )
