"""What the document says, gathered per corner and end: numbers that know their path and how they were got."""

from collections.abc import Sequence
from dataclasses import dataclass

from feder.core.document.base import ENDS, PLACES, EndName, Place, Quantity
from feder.core.document.document import Document
from feder.core.document.setup import Setup, SideSetup
from feder.core.document.survey import UNIT_OF, Reading
from feder.core.document.vehicle import End, Mount, RatioAssumed, RatioFromLevers, RatioFromSweep, RatioTyped
from feder.core.errors import OutOfRange, UnknownSetup
from feder.core.mount import lever_motion_ratio, motion_ratio_from_leverage
from feder.core.ratio import RatioCurve, ratio_from_sweep
from feder.core.stance import bar_rate_at_wheel, base_ratio_of
from feder.core.working import given

ASSUMED_RATIO: dict[str, float] = {"strut": 0.95, "wishbone": 0.65}
"""Usual motion ratio by layout, each about 15 % uncertain; general practice."""
HOW_WORDS = {
    "scales": "from the scales",
    "tape": "by tape",
    "level": "by level",
    "sweep": "by a sweep",
    "levers": "from lever lengths",
    "maker": "maker's figure",
    "wire": "from wire dimensions",
    "bench": "measured on a bench",
    "typed": "typed in",
    "repeated": "mean of repeated readings",
    "imported": "imported",
    "estimated": "estimated",
}


@dataclass(frozen=True)
class EndFacts:
    """What both corners of an end share. Nothing where it is not known."""

    name: EndName
    end: End
    track: float | None
    motion_ratio: float | None
    damper_motion_ratio: float | None
    damper_coefficient: float | None
    unsprung_mass: float | None
    tyre_rate: float | None
    droop: float | None
    stop: float | None
    solid: float | None
    contact: float | None
    curve: RatioCurve | None = None
    """Motion ratio along a sweep, with travel counted from `origin`, a hub-to-arch height."""
    origin: float = 0.0
    pairs: float = 0.0
    bar_rate: float | None = None
    base_ratio: float | None = None


@dataclass(frozen=True)
class CornerFacts:
    """What is known of one corner apart from any setup: readings and the end it belongs to."""

    place: Place
    end: EndFacts
    mass: float | None
    hub_to_arch: float | None
    floor_to_arch: float | None
    sill: float | None


@dataclass(frozen=True)
class Facts:
    """The vehicle as known."""

    document: Document
    wheelbase: float | None
    ends: dict[EndName, EndFacts]
    corners: dict[Place, CornerFacts]


def gather(document: Document) -> Facts:
    """All facts of a document. Call within `tracing()` so that they know where they stand."""
    ends = {name: _end(document, name) for name in ENDS}
    base = document.vehicle.wheelbase
    return Facts(
        document,
        _quantity(base, "wheelbase", "m", "vehicle.wheelbase"),
        ends,
        {place: _corner(document, place, ends[place.end]) for place in PLACES},
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

    spring = _ratio(end.spring, end, f"{name} motion ratio", f"{path}.spring.ratio")
    damper = spring
    track = _plain(end.track, f"{name} track", "m", f"{path}.track")
    curve, origin, pairs = _sweep(end, name, path)
    bar = None
    if end.bar is not None:
        rate = _quantity(end.bar.rate, f"{name} bar rate", "N/m", f"{path}.bar.rate")
        moved = _plain(end.bar.motion_ratio, f"{name} bar motion ratio", "", f"{path}.bar.motion_ratio")
        bar = bar_rate_at_wheel(rate, moved) if rate is not None and moved is not None else None
    base = None
    if end.layout == "live axle" and end.spring_base is not None and track is not None:
        base = base_ratio_of(
            given(end.spring_base, f"{name} spring base", "m", path=f"{path}.spring_base", source="typed in"),
            track,
        )
    if end.damper is not None:
        damper = _ratio(end.damper, end, f"{name} damper motion ratio", f"{path}.damper.ratio")
    return EndFacts(
        name=name,
        end=end,
        track=track,
        motion_ratio=spring,
        damper_motion_ratio=damper,
        damper_coefficient=_quantity(
            end.damper_coefficient, f"{name} damper coefficient", "N*s/m", f"{path}.damper_coefficient"
        ),
        unsprung_mass=_quantity(
            end.unsprung_mass, f"{name} unsprung mass, per corner", "kg", f"{path}.unsprung_mass"
        ),
        tyre_rate=_quantity(end.tyre.rate, f"{name} tyre rate", "N/m", f"{path}.tyre.rate"),
        droop=height("droop"),
        stop=height("stop"),
        solid=height("solid"),
        contact=height("contact"),
        curve=curve,
        origin=origin,
        pairs=pairs,
        bar_rate=bar,
        base_ratio=base,
    )


def _ratio(mount: Mount, end: End, label: str, path: str) -> float | None:
    """Motion ratio, spring over wheel travel; nothing where it is unknown or cannot be one."""
    match mount.ratio:
        case RatioTyped(value=value, convention=convention, how=how) if value > 0:
            number = given(
                value, label, "", path=f"{path}.value", source=HOW_WORDS[how], assumed=how == "estimated"
            )
            return number if convention == "spring per wheel" else motion_ratio_from_leverage(number)
        case RatioFromLevers() as levers:
            try:
                return lever_motion_ratio(
                    given(
                        levers.spring_distance,
                        f"{label}: pivot to spring",
                        "m",
                        path=f"{path}.spring_distance",
                        source="typed in",
                    ),
                    given(
                        levers.wheel_distance,
                        f"{label}: pivot to wheel",
                        "m",
                        path=f"{path}.wheel_distance",
                        source="typed in",
                    ),
                    given(
                        levers.spring_angle,
                        f"{label}: spring angle",
                        "rad",
                        path=f"{path}.spring_angle",
                        source="typed in",
                    ),
                )
            except OutOfRange:
                return None
        case RatioAssumed() if end.layout in ASSUMED_RATIO:
            source = f"usual for a {end.layout}, within 15 % (general practice)"
            return given(ASSUMED_RATIO[end.layout], label, "", path=path, source=source, assumed=True)
    return None


def _sweep(end: End, name: str, path: str) -> tuple[RatioCurve | None, float, float]:
    """The curve of a sweep, counted from its greatest hub to arch; nothing where its pairs give none."""
    ratio = end.spring.ratio
    if not isinstance(ratio, RatioFromSweep):
        return None, 0.0, 0.0
    origin = max(h for h, _ in ratio.points)
    seats = [length for h, length in ratio.points if h == origin]
    try:
        curve = ratio_from_sweep([(origin - h, seats[0] - length) for h, length in ratio.points])
    except OutOfRange:
        return None, 0.0, 0.0
    label = f"{name} sweep, number of pairs"
    return (
        curve,
        origin,
        given(float(len(ratio.points)), label, "", path=f"{path}.spring.ratio.points", source="springless sweep"),
    )


def _corner(document: Document, place: Place, end: EndFacts) -> CornerFacts:
    def read(quantity: str) -> float | None:
        return _reading(document, place, quantity)

    return CornerFacts(place, end, read("mass"), read("hub_to_arch"), read("floor_to_arch"), read("sill"))


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


def _plain(value: float | None, label: str, unit: str, path: str) -> float | None:
    return None if value is None else given(value, label, unit, path=path, source="typed in")


def _quantity(quantity: Quantity | None, label: str, unit: str, path: str) -> float | None:
    if quantity is None:
        return None
    value: float = getattr(quantity, "value")  # noqa: B009 - every quantity has one, of its own range
    return given(
        value, label, unit, path=f"{path}.value", source=HOW_WORDS[quantity.how], assumed=quantity.assumed
    )
