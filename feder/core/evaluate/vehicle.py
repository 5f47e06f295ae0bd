"""The figures of the ends and of the vehicle as a whole."""

from feder.core.document.base import ENDS, PLACES, EndName, Place
from feder.core.document.brief import Brief
from feder.core.evaluate.corner import sprung_mass
from feder.core.height import rake_angle, rake_change_of
from feder.core.report import CornerReport, EndReport, Figure, StripPoint, VehicleReport, figure
from feder.core.ride import (
    axle_mean_mass,
    flat_speed_of,
    frequency_ratio_of,
    rate_for_frequency,
    ride_frequency,
    ride_rate,
    spring_rate_behind_ratio,
    spring_rate_beside_geometry,
    wheel_rate_behind_tyre,
)
from feder.core.stance import all_wheels, flat_ride_bound, fraction_of, mean_of_sides, two_wheels
from feder.core.standing.corner import CornerStand
from feder.core.standing.facts import EndFacts, Facts
from feder.core.standing.stand import VehicleStand
from feder.core.working import given, untraced

STRIP_LOW, STRIP_HIGH, STRIP_POINTS = 0.5, 6.0, 32
LEFT_RIGHT = {end: tuple(p for p in PLACES if p.end == end) for end in ENDS}


def end_report(
    name: EndName, facts: Facts, stood: VehicleStand, reports: dict[Place, CornerReport], brief: Brief
) -> EndReport:
    """One axle: mean of its two wheels, and what spring rates its frequency band asks for."""
    end = facts.ends[name]
    left, right = (stood.corners[p] for p in LEFT_RIGHT[name])
    corners = [reports[p] for p in LEFT_RIGHT[name]]
    masses = [sprung_mass(c) for c in (left, right)]
    mass = axle_mean_mass(*masses) if masses[0] is not None and masses[1] is not None else None  # type: ignore[arg-type]
    ratio = _same_or_mean(left.motion_ratio, right.motion_ratio)
    rate = at_wheel = frequency = None
    if corners[0].spring_rate is not None and corners[1].spring_rate is not None:
        rate = _same_or_mean(corners[0].spring_rate.value, corners[1].spring_rate.value)
    if corners[0].wheel_rate is not None and corners[1].wheel_rate is not None:
        at_wheel = _same_or_mean(corners[0].wheel_rate.value, corners[1].wheel_rate.value)
        assert at_wheel is not None
        frequency = frequency_on(at_wheel, mass, end, brief)
    geometric = _geometric(left, right)
    low, high = (_rate_for(f, mass, ratio, geometric, end, brief) for f in brief.frequency_band)
    return EndReport(
        end=name,
        sprung_mass=figure(mass, "kg"),
        spring_rate=figure(rate, "N/m"),
        motion_ratio=figure(ratio, ""),
        wheel_rate=figure(at_wheel, "N/m"),
        frequency=figure(frequency, "Hz"),
        rate_low=figure(low, "N/m"),
        rate_high=figure(high, "N/m"),
        strip=_strip(mass, ratio, geometric, end, brief),
    )


def _geometric(left: CornerStand, right: CornerStand) -> float:
    """Part of the axle's wheel rate that the slope of its motion ratio gives; 0 for a constant ratio."""
    parts = [c.spring_force * c.ratio_slope for c in (left, right) if c.spring_force is not None and c.ratio_slope]
    value = sum(parts) / len(parts) if parts else 0.0
    return given(
        value,
        "geometric part of the wheel rate",
        "N/m",
        path=None,
        source="spring force times slope, mean of sides",
    )


def _same_or_mean(left: float | None, right: float | None) -> float | None:
    """The value of both sides, or the mean of unlike ones: what heave of the axle feels."""
    if left is None or right is None:
        return None
    return left if left == right else mean_of_sides(left, right)


def frequency_on(at_wheel: float, mass: float | None, end: EndFacts, brief: Brief) -> float | None:
    """Frequency on the basis the brief chose; nothing where that basis is not known."""
    if mass is None or at_wheel <= 0:
        return None
    if brief.frequency_basis == "wheel rate":
        return ride_frequency(at_wheel, mass)
    return None if end.tyre_rate is None else ride_frequency(ride_rate(at_wheel, end.tyre_rate), mass)


def _rate_for(
    frequency: float, mass: float | None, ratio: float | None, geometric: float, end: EndFacts, brief: Brief
) -> float | None:
    """Spring rate that gives an axle a frequency; nothing where it is unknown or out of reach."""
    if mass is None or not ratio:
        return None
    rate = rate_for_frequency(
        given(frequency, "frequency wanted", "Hz", path="brief.targets", source="brief"), mass
    )
    if brief.frequency_basis == "with tyre":
        if end.tyre_rate is None or rate >= end.tyre_rate:
            return None
        rate = wheel_rate_behind_tyre(rate, end.tyre_rate)
    if not geometric:
        return spring_rate_behind_ratio(rate, ratio)
    return spring_rate_beside_geometry(rate, geometric, ratio) if rate > geometric else None


def _strip(
    mass: float | None, ratio: float | None, geometric: float, end: EndFacts, brief: Brief
) -> list[StripPoint]:
    """Spring rate over frequency: two points where it is a plain square law, more behind a tyre."""
    if mass is None or not ratio:
        return []
    plain = brief.frequency_basis == "wheel rate" and not geometric
    count = 2 if plain else STRIP_POINTS
    points = []
    with untraced():
        for i in range(count):
            frequency = STRIP_LOW * (STRIP_HIGH / STRIP_LOW) ** (i / (count - 1))
            rate = _rate_for(frequency, mass, ratio, geometric, end, brief)
            if rate is not None:
                points.append(StripPoint(spring_rate=rate, frequency=frequency))
    return points


def vehicle_report(
    facts: Facts,
    stood: VehicleStand,
    corners: dict[Place, CornerReport],
    ends: dict[EndName, EndReport],
    brief: Brief,
) -> VehicleReport:
    """Shares of the load, rake, and how front and rear ride together."""
    low, high = brief.frequency_band
    return VehicleReport(
        **_shares(corners),
        **_rake(facts, stood.corners),
        **_pitch(facts, ends, brief),
        frequency_low=Figure(low, "Hz"),
        frequency_high=Figure(high, "Hz"),
    )


def _shares(corners: dict[Place, CornerReport]) -> dict[str, Figure | None]:
    found = [corners[p].mass for p in PLACES]
    if any(m is None for m in found):
        return {}
    fl, fr, rl, rr = (m.value for m in found if m is not None)
    front, left, cross = two_wheels(fl, fr), two_wheels(fl, rl), two_wheels(fr, rl)
    total = all_wheels(front, two_wheels(rl, rr))
    return {
        "total_mass": figure(total, "kg"),
        "front_fraction": figure(fraction_of(front, total), ""),
        "left_fraction": figure(fraction_of(left, total), ""),
        "cross_fraction": figure(fraction_of(cross, total), ""),
    }


def _rake(facts: Facts, corners: dict[Place, CornerStand]) -> dict[str, Figure | None]:
    def mean(values: list[float | None]) -> float | None:
        known = [v for v in values if v is not None]
        if len(known) == 2:
            return mean_of_sides(*known)
        return known[0] if len(known) == 1 else None

    drops = {e: [corners[p].drop for p in LEFT_RIGHT[e]] for e in ENDS}
    sill = {e: mean([facts.corners[p].sill for p in LEFT_RIGHT[e]]) for e in ENDS}
    drop = {e: mean(drops[e]) if None not in drops[e] else None for e in ENDS}
    front, rear = drop["front"], drop["rear"]
    if facts.wheelbase is None or front is None or rear is None:
        return {}
    shown = {"rake_change": figure(rake_change_of(front, rear, facts.wheelbase), "rad")}
    if sill["front"] is not None and sill["rear"] is not None:
        shown["rake"] = figure(rake_angle(sill["rear"], rear, sill["front"], front, facts.wheelbase), "rad")
        shown["sill_front"] = figure(sill["front"] - front, "m")
        shown["sill_rear"] = figure(sill["rear"] - rear, "m")
    return shown


def _pitch(facts: Facts, ends: dict[EndName, EndReport], brief: Brief) -> dict[str, Figure | None]:
    front, rear = ends["front"].frequency, ends["rear"].frequency
    shown: dict[str, Figure | None] = {}
    if front is not None:
        low, high = (
            given(r, "rear over front wanted", "", path="brief.targets", source="brief") for r in brief.ratio_band
        )
        shown["flat_low"] = figure(flat_ride_bound(front.value, low), "Hz")
        shown["flat_high"] = figure(flat_ride_bound(front.value, high), "Hz")
    if front is None or rear is None:
        return shown
    shown["frequency_ratio"] = figure(frequency_ratio_of(front.value, rear.value), "")
    if facts.wheelbase is not None and rear.value > front.value:
        shown["flat_speed"] = figure(flat_speed_of(front.value, rear.value, facts.wheelbase), "m/s")
    return shown
