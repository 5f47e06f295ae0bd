"""The figures of one corner, as it stands."""

from typing import Literal

from feder.core.damping import damping_ratio
from feder.core.document.brief import Brief
from feder.core.height import droop_compression, preload_force, turns_of
from feder.core.mount import wheel_rate
from feder.core.report import CornerReport, figure
from feder.core.ride import ride_frequency, ride_rate, static_deflection
from feder.core.stance import (
    floor_to_arch_after,
    mass_of_load,
    scale_mass,
    spring_length_after,
    travel_to_length,
    travel_to_limit,
)
from feder.core.standing.corner import CornerStand
from feder.core.standing.coupling import spring_travel, wheel_travel_for
from feder.core.travel import bump_available, bump_lost

Letter = Literal["T", "S", "B"]
ALREADY_LOST = 1e-9


def corner_report(stood: CornerStand, brief: Brief) -> CornerReport:
    """All figures of a corner that its document allows; the rest stay empty."""
    rates = _rates(stood, brief)
    springs = _spring(stood)
    limits = limits_of(stood)
    end, corner = stood.facts.end, stood.facts
    sprung = sprung_mass(stood)
    mass = None if sprung is None or end.unsprung_mass is None else scale_mass(sprung, end.unsprung_mass)
    if stood.load is None:
        mass = corner.mass
    floor = None
    if corner.floor_to_arch is not None and stood.drop is not None:
        floor = corner.floor_to_arch if stood.drop == 0 else floor_to_arch_after(corner.floor_to_arch, stood.drop)
    first, bump = first_limit(limits)
    lost = None
    if stood.travel:
        lost = _lost(stood)
    return CornerReport(
        place=corner.place,
        mass=figure(mass, "kg"),
        sprung_mass=figure(sprung, "kg"),
        corner_load=figure(stood.load, "N"),
        motion_ratio=figure(stood.motion_ratio, ""),
        damper_motion_ratio=figure(end.damper_motion_ratio, ""),
        hub_to_arch=figure(stood.hub_to_arch, "m"),
        floor_to_arch=figure(floor, "m"),
        wheel_travel=figure(stood.travel, "m"),
        drop=figure(stood.drop, "m"),
        first_limit=first,
        bump_travel=figure(bump, "m"),
        lost_fraction=figure(lost, ""),
        **{k: figure(v, u) for k, (v, u) in (rates | springs).items()},
        **{k: figure(limits.get(k), "m") for k in ("droop", "stop", "solid", "contact", "bind", "loose")},
    )


def sprung_mass(stood: CornerStand) -> float | None:
    """Sprung mass on the corner as it stands: as weighed, or from the load it carries now."""
    if stood.sprung_mass is None or stood.load is None:
        return None
    weighed = stood.sprung_mass * 9.80665
    return stood.sprung_mass if abs(stood.load - weighed) < 1e-6 else mass_of_load(stood.load)


def _rates(stood: CornerStand, brief: Brief) -> dict[str, tuple[float | None, str]]:
    end, spring, mass = stood.facts.end, stood.spring, sprung_mass(stood)
    rate = None if spring is None else spring.rate_at(stood.spring_length)
    at_wheel = at_ground = frequency = tyre_frequency = settled = damping = None
    if rate is not None and stood.motion_ratio:
        at_wheel = corner_wheel_rate(stood, rate)
        if end.tyre_rate is not None and at_wheel > 0:
            at_ground = ride_rate(at_wheel, end.tyre_rate)
        if mass is not None and at_wheel > 0:  # a falling motion ratio can leave none
            frequency = ride_frequency(at_wheel, mass)
            tyre_frequency = None if at_ground is None else ride_frequency(at_ground, mass)
            settled = static_deflection(at_wheel, mass)
            if end.damper_coefficient is not None and end.damper_motion_ratio:
                damping = damping_ratio(end.damper_coefficient, end.damper_motion_ratio, at_wheel, mass)
    chosen = tyre_frequency if brief.frequency_basis == "with tyre" else frequency
    return {
        "spring_rate": (rate, "N/m"),
        "wheel_rate": (at_wheel, "N/m"),
        "ride_rate": (at_ground, "N/m"),
        "frequency": (chosen, "Hz"),
        "tyre_frequency": (tyre_frequency, "Hz"),
        "static_deflection": (settled, "m"),
        "damping_ratio": (damping, ""),
    }


def corner_wheel_rate(stood: CornerStand, rate: float) -> float:
    """Wheel rate at ride, with the geometric term where the ratio changes along the travel."""
    assert stood.motion_ratio is not None
    if stood.ratio_slope is None or stood.spring_force is None:
        return wheel_rate(rate, stood.motion_ratio)
    return wheel_rate(rate, stood.motion_ratio, stood.spring_force, stood.ratio_slope)


def held_at_droop(stood: CornerStand) -> float | None:
    """Compression of the spring at full droop; negative when it is loose."""
    at_droop = _length_at_droop(stood)
    free = None if stood.spring is None else stood.spring.free_length
    return None if at_droop is None or free is None else droop_compression(free, at_droop)


def _length_at_droop(stood: CornerStand) -> float | None:
    end, hub, length = stood.facts.end, stood.spring_hub, stood.spring_length
    if length is None or hub is None or end.droop is None or not stood.motion_ratio:
        return None
    return spring_length_after(length, spring_travel(end, hub, end.droop))


def _spring(stood: CornerStand) -> dict[str, tuple[float | None, str]]:
    spring, side = stood.spring, stood.side
    force = turns = None
    held = held_at_droop(stood)
    if spring is not None and held is not None:
        at_droop = _length_at_droop(stood)
        if spring.table is None:
            force = preload_force(held, spring.rate)
        elif at_droop is not None:
            force = spring.force_at(at_droop)
    pitch = side.seat.pitch if side.seat else None
    if stood.collar is not None and pitch:
        turns = turns_of(stood.collar, pitch)
    return {
        "spring_length": (stood.spring_length, "m"),
        "spring_force": (stood.spring_force, "N"),
        "seat_length": (stood.seat.length if stood.seat else None, "m"),
        "collar": (stood.collar, "m"),
        "collar_turns": (turns, "turn"),
        "held_at_droop": (held, "m"),
        "preload_force": (force, "N"),
    }


def limits_of(stood: CornerStand) -> dict[str, float | None]:
    """Travel limits from ride, bump positive, at the wheel; those that are known."""
    end, spring, hub, length = stood.facts.end, stood.spring, stood.hub_to_arch, stood.spring_length
    limits: dict[str, float | None] = {}
    if hub is not None:
        for name, height in (
            ("droop", end.droop),
            ("stop", end.stop),
            ("solid", end.solid),
            ("contact", end.contact),
        ):
            limits[name] = None if height is None else travel_to_limit(hub, height)
    at_spring = stood.spring_hub
    if spring is not None and length is not None and stood.motion_ratio and at_spring is not None:
        for name, other in (("bind", spring.solid_length), ("loose", spring.free_length)):
            if other is not None:
                limits[name] = wheel_travel_for(end, at_spring, travel_to_length(length, other))
    return limits


def first_limit(limits: dict[str, float | None]) -> tuple[Letter | None, float | None]:
    """The limit met first in bump: T tyre on arch, S damper solid, B coils closed; and its travel."""
    named: list[tuple[float, Letter]] = []
    for letter, name in (("S", "solid"), ("T", "contact"), ("B", "bind")):
        value = limits.get(name)
        if value is not None:
            named.append((value, letter))  # type: ignore[arg-type]
    if not named:
        return None, None
    travel, letter = min(named, key=lambda pair: float(pair[0]))
    return letter, travel


def _lost(stood: CornerStand) -> float | None:
    """Share of the bump travel as found, up to damper or arch, that the drop takes."""
    end, found = stood.facts.end, stood.facts.hub_to_arch
    heights = [h for h in (end.solid, end.contact) if h is not None]
    if not heights or found is None or stood.travel is None:
        return None
    available = bump_available(found, max(heights))
    return None if available <= ALREADY_LOST else bump_lost(stood.travel, available)
