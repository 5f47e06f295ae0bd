"""The figures of one corner, as it stands."""

from typing import Literal

from feder.core.document.brief import Brief
from feder.core.document.cursor import node, number
from feder.core.formulas.height import body_for_hold, collar_between, droop_compression, preload_force, turns_of
from feder.core.formulas.masses import scale_mass
from feder.core.formulas.torsion import bar_shear_stress, free_angle_change_of, torque_of_twist
from feder.core.formulas.travel import bump_lost
from feder.core.formulas.wheel_heights import (
    floor_to_arch_after,
    hub_to_arch_after,
    sag_height_of,
    sag_share_of,
    spring_length_after,
    travel_in_all_of,
    travel_to_length,
    travel_to_limit,
)
from feder.core.report.figures.alignment import alignment_figures
from feder.core.report.figures.dampers import damper_figures
from feder.core.report.figures.rates import Figures, rates, sprung_mass
from feder.core.report.figures.stops import stop_lengths, travel_to_hard
from feder.core.report.figures.wanted import hold_wanted
from feder.core.report.shapes import CornerReport, figure
from feder.core.standing.corner import StandingCorner
from feder.core.standing.pushes import push_at

Letter = Literal["T", "S", "B", "H"]
ALREADY_LOST = 1e-9


def corner_report(stood: StandingCorner, brief: Brief) -> CornerReport:
    """All figures of a corner that its document allows; the rest stay empty."""
    figures = (
        rates(stood, brief)
        | _spring(stood)
        | _adjuster(stood)
        | _travel_used(stood)
        | _pushes(stood)
        | _collar_range(stood)
    )
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
        damper_motion_ratio=figure(end.damper.ratio(stood.hub_to_arch), ""),
        hub_to_arch=figure(stood.hub_to_arch, "m"),
        floor_to_arch=figure(floor, "m"),
        wheel_travel=figure(stood.travel, "m"),
        drop=figure(stood.drop, "m"),
        first_limit=first,
        bump_travel=figure(bump, "m"),
        lost_fraction=figure(lost, ""),
        **{k: figure(v, u) for k, (v, u) in figures.items()},
        **{k: figure(limits.get(k), "m") for k in ("droop", "stop", "hard", "solid", "contact", "bind", "loose")},
    )


def held_at_droop(stood: StandingCorner) -> float | None:
    """Compression of the spring at full droop; negative when it is loose."""
    at_droop = _length_at_droop(stood)
    free = None if stood.spring is None else stood.spring.free_length
    return None if at_droop is None or free is None else droop_compression(free, at_droop)


def _length_at_droop(stood: StandingCorner) -> float | None:
    end, hub, length = stood.facts.end, stood.spring_hub, stood.spring_length
    if length is None or hub is None or end.droop is None or not stood.motion_ratio:
        return None
    return spring_length_after(length, end.spring.travel(hub, end.droop))


def _spring(stood: StandingCorner) -> Figures:
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
        **damper_figures(stood),
        **alignment_figures(stood),
        "held_at_droop": (held, "m"),
        "preload_force": (force, "N"),
    }


def _adjuster(stood: StandingCorner) -> Figures:
    """What a torsion bar or an air spring is set to, and what it bears."""
    bar, change, stress = stood.bar, None, None
    if stood.free_angle is not None and stood.found_free_angle is not None:
        change = free_angle_change_of(stood.free_angle, stood.found_free_angle)
    if bar is not None and stood.free_angle is not None and stood.arm_angle is not None:
        torque = torque_of_twist(bar.angular_rate, stood.free_angle, stood.arm_angle)
        stress = bar_shear_stress(torque, bar.diameter, bar.bore) if torque >= 0 else None
    return {
        "angular_rate": (None if bar is None else bar.angular_rate, "N*m/rad"),
        "arm_angle": (stood.arm_angle, "rad"),
        "free_angle": (stood.free_angle, "rad"),
        "free_angle_change": (change, "rad"),
        "shear_stress": (stress, "Pa"),
        "pressure": (stood.pressure, "Pa"),
        "stroke": (stood.stroke, "m"),
    }


def _travel_used(stood: StandingCorner) -> Figures:
    """Travel used from full droop: what two-wheelers call sag."""
    end, hub = stood.facts.end, stood.hub_to_arch
    ends = [h for h in (end.solid, end.contact) if h is not None]
    if end.droop is None or hub is None:
        return {}
    sag = sag_height_of(end.droop, hub)
    if not ends or max(ends) >= end.droop:
        return {"sag": (sag, "m")}
    whole = travel_in_all_of(end.droop, max(ends))
    return {"sag": (sag, "m"), "sag_fraction": (sag_share_of(sag, whole), ""), "travel_in_all": (whole, "m")}


def _pushes(stood: StandingCorner) -> Figures:
    """Bump stop and gas charge at ride."""
    hub = stood.spring_hub
    if hub is None:
        return {}
    stop = None if stood.stop is None else stood.stop.at(hub)
    lengths = stop_lengths(stood)
    return {
        "stop_longest": (None if lengths is None else lengths.longest, "m"),
        "stop_shortest": (None if lengths is None else lengths.shortest, "m"),
        "stop_gap": (None if stop is None else stop.gap, "m"),
        "stop_force": (None if stop is None else stop.force, "N"),
        "push": (push_at(stood, hub), "N"),
    }


def limits_of(stood: StandingCorner) -> dict[str, float | None]:
    """Travel limits from ride, bump positive, at the wheel; those that are known."""
    end, spring, hub, length = stood.facts.end, stood.spring, stood.hub_to_arch, stood.spring_length
    limits: dict[str, float | None] = {}
    if hub is not None:
        # a leaning live axle meets its stop and damper at their base, its tyre at the wheel
        base = hub if stood.spring_hub is None else stood.spring_hub
        for name, height, at in (
            ("droop", end.droop, base),
            ("stop", _touch_height(stood), base),
            ("solid", end.solid, base),
            ("contact", end.contact, hub),
        ):
            limits[name] = None if height is None else travel_to_limit(at, height)
        limits["hard"] = travel_to_hard(stood, base)
    at_spring = stood.spring_hub
    if spring is not None and length is not None and stood.motion_ratio and at_spring is not None:
        for name, other in (("bind", spring.solid_length), ("loose", spring.free_length)):
            if other is not None:
                limits[name] = end.spring.wheel_travel(at_spring, travel_to_length(length, other))
    return limits


def _collar_range(stood: StandingCorner) -> Figures:
    """Heights at both ends of the collar's range, and what the damper body of a divorced end should do."""
    coupling, hub, collar, seat = stood.facts.end.spring, stood.spring_hub, stood.collar, stood.side.seat
    shown: Figures = {}
    if hub is not None and hub > 0 and collar is not None and seat is not None and coupling.known:
        at = stood.at.seat
        top = at.thread if seat.permitted_high is None else at.permitted_high
        for name, limit, value in (
            ("reach_low", at.permitted_low, seat.permitted_low or 0.0),
            ("reach_high", top, node(top)),
        ):
            if value is not None:
                source = "typed in" if limit else "bottom of the thread"
                end = number(limit, f"collar, {name[6:]}est", source=source, value=value)
                travel = coupling.wheel_travel(hub, collar_between(collar, end))
                shown[name] = (hub_to_arch_after(hub, travel), "m")
    held, damper = held_at_droop(stood), stood.facts.end.damper.ratio(hub)
    if stood.facts.end.end.layout == "divorced" and held is not None and stood.motion_ratio and damper:
        shown["body_change"] = (body_for_hold(held, hold_wanted(stood), stood.motion_ratio, damper), "m")
    return shown


def _touch_height(stood: StandingCorner) -> float | None:
    """Hub to arch at which the bump stop is touched: from stop and shaft, or as read in the sweep."""
    touched = None if stood.stop is None else stood.stop.touch_height()
    return stood.facts.end.stop if touched is None else touched


def first_limit(limits: dict[str, float | None]) -> tuple[Letter | None, float | None]:
    """The limit met first in bump: H stop squeezed hard, T tyre on arch, S damper solid, B coils closed."""
    named: list[tuple[float, Letter]] = []
    for letter, name in (("H", "hard"), ("S", "solid"), ("T", "contact"), ("B", "bind")):
        value = limits.get(name)
        if value is not None:
            named.append((value, letter))  # type: ignore[arg-type]
    if not named:
        return None, None
    travel, letter = min(named, key=lambda pair: float(pair[0]))
    return letter, travel


def _lost(stood: StandingCorner) -> float | None:
    """Share of the bump travel as found, up to hard stop, damper or arch, that the drop takes."""
    found = stood.as_found or stood
    limits = limits_of(found)
    available = first_limit({k: v for k, v in limits.items() if k != "bind"})[1]
    if available is None or available <= ALREADY_LOST or stood.travel is None:
        return None
    return bump_lost(stood.travel, available)
