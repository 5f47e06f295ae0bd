"""The figures of the ends and of the vehicle as a whole."""

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.brief import Brief
from feder.core.formulas.height import rake_angle, rake_change_of
from feder.core.formulas.masses import all_wheels, fraction_of, two_wheels
from feder.core.formulas.ride import (
    axle_mean_mass,
    flat_ride_bound,
    flat_speed_of,
    frequency_ratio_of,
    rate_for_frequency,
    ride_frequency,
    ride_rate,
    spring_rate_behind_ratio,
    spring_rate_beside_geometry,
    wheel_rate_behind_tyre,
)
from feder.core.formulas.wheel_heights import mean_of_sides
from feder.core.numbers.working import given, rests_on_assumption, untraced
from feder.core.report.figures.arms import lower_arm
from feder.core.report.figures.dampers import link_wanted
from feder.core.report.figures.rates import sprung_mass
from feder.core.report.figures.roll import Figures, roll_figures
from feder.core.report.figures.wanted import edges, frequencies_wanted, wanted
from feder.core.report.shapes import CornerReport, EndReport, StripPoint, VehicleReport, figure
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import EndFacts, Facts
from feder.core.standing.stand import StandingVehicle

STRIP_LOW, STRIP_HIGH, STRIP_POINTS = 0.5, 6.0, 32


def end_report(
    name: EndName,
    facts: Facts,
    stood: StandingVehicle,
    reports: dict[Place, CornerReport],
    brief: Brief,
    *,
    strips: bool = True,
) -> EndReport:
    """One axle: mean of its two wheels, and what spring rates its frequency band asks for.

    Without `strips` the scale of rates over frequency, which only the screen needs, is left out.
    """
    places = facts.places_at(name)
    left, right = stood.corners[places[0]], stood.corners[places[-1]]
    end = left.facts.end
    corners = [reports[places[0]], reports[places[-1]]]
    mass = _mean_mass(left, right)
    ratio = _same_or_mean(left.motion_ratio, right.motion_ratio)
    rate = at_wheel = frequency = None
    if corners[0].spring_rate is not None and corners[1].spring_rate is not None:
        rate = _same_or_mean(corners[0].spring_rate.value, corners[1].spring_rate.value)
    if corners[0].wheel_rate is not None and corners[1].wheel_rate is not None:
        at_wheel = _same_or_mean(corners[0].wheel_rate.value, corners[1].wheel_rate.value)
        assert at_wheel is not None
        frequency = frequency_on(at_wheel, mass, end, brief)
    if left is right:
        carried = corners[0].mass.value if corners[0].mass is not None else None
    else:
        masses = [c.mass.value for c in corners if c.mass is not None]
        carried = two_wheels(*masses) if len(masses) == 2 else None
    hubs = [None if c.hub_to_arch is None else c.hub_to_arch.value for c in corners]
    geometric = _geometric(left, right)
    band = frequencies_wanted(facts, name)
    low, high = (_rate_for(f, mass, ratio, geometric, end, brief) for f in band)
    return EndReport(
        end=name,
        axle_mass=figure(carried, "kg"),
        hub_to_arch=figure(_same_or_mean(*hubs), "m"),
        track=None if left is right else figure(left.facts.end.track, "m"),
        sprung_mass=figure(mass, "kg"),
        spring_rate=figure(rate, "N/m"),
        motion_ratio=figure(ratio, ""),
        wheel_rate=figure(at_wheel, "N/m"),
        frequency=figure(frequency, "Hz"),
        frequency_low=figure(band[0], "Hz"),
        frequency_high=figure(band[1], "Hz"),
        rate_low=figure(low, "N/m"),
        rate_high=figure(high, "N/m"),
        stop_touched=figure(_touched(left.as_found or left, right.as_found or right), "m"),
        link_length=figure(link_wanted(end, _same_or_mean(left.drop, right.drop)), "m"),
        strip=_strip(mass, ratio, geometric, end, brief) if strips else [],
        **lower_arm(facts, stood, name),
    )


def _touched(left: StandingCorner, right: StandingCorner) -> float | None:
    """Hub to arch at which the stop of an end is touched as found; nothing where its sides have unlike ones."""
    heights = [None if c.stop is None else c.stop.touch_height() for c in (left, right)]
    if heights[0] is None or heights[1] is None or abs(float(heights[0]) - float(heights[1])) > 1e-9:
        return None
    return heights[0]


def _mean_mass(left: StandingCorner, right: StandingCorner) -> float | None:
    """Mean sprung mass of an axle's two wheels, or that of the one wheel."""
    first, second = sprung_mass(left), sprung_mass(right)
    if left is right or first is None or second is None:
        return first if second is not None else None
    return axle_mean_mass(first, second)


def _geometric(left: StandingCorner, right: StandingCorner) -> float:
    """Part of the axle's wheel rate that the slope of its motion ratio gives; 0 for a constant ratio."""
    parts = [c.spring_force * c.ratio_slope for c in (left, right) if c.spring_force is not None and c.ratio_slope]
    value = sum(parts) / len(parts) if parts else 0.0
    return given(
        value,
        "geometric part of the wheel rate",
        "N/m",
        source="spring force times slope, mean of sides",
    )


def _same_or_mean(left: float | None, right: float | None) -> float | None:
    """The value of both sides, or the mean of unlike ones: what heave of the axle feels."""
    if left is None or right is None:
        return None
    if left == right:
        return right if rests_on_assumption(right) else left
    return mean_of_sides(left, right)


def frequency_on(at_wheel: float, mass: float | None, end: EndFacts, brief: Brief) -> float | None:
    """Frequency on the basis the brief chose; nothing where that basis is not known."""
    if mass is None or at_wheel <= 0:
        return None
    if brief.frequency_basis == "wheel rate":
        return ride_frequency(at_wheel, mass)
    return None if end.tyre_rate is None else ride_frequency(ride_rate(at_wheel, end.tyre_rate), mass)


def _rate_for(
    frequency: float | None,
    mass: float | None,
    ratio: float | None,
    geometric: float,
    end: EndFacts,
    brief: Brief,
) -> float | None:
    """Spring rate that gives an axle a frequency; nothing where it is unknown or out of reach."""
    if mass is None or not ratio or frequency is None:
        return None
    rate = rate_for_frequency(frequency, mass)
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
    stood: StandingVehicle,
    corners: dict[Place, CornerReport],
    ends: dict[EndName, EndReport],
    brief: Brief,
    judged: str | None = None,
) -> VehicleReport:
    """Shares of the load, rake, and how front and rear ride together."""
    return VehicleReport(
        judged_under=judged,
        **_damping_wanted(facts, brief),
        **_shares(facts, corners),
        **_rake(facts, stood.corners),
        **_pitch(facts, ends, brief),
        **roll_figures(facts, stood, ends),
    )


def _damping_wanted(facts: Facts, brief: Brief) -> Figures:
    """What the brief wants of damping: its bands, rebound over bump, and how comfort weighs against grip."""
    targets = facts.at.brief.targets
    shown: Figures = {}
    for name, at, band, words in (
        ("damping", targets.damping, brief.damping_band, "low-speed damping wanted"),
        ("hop", targets.damping_high, brief.hop_band, "high-speed damping wanted"),
        ("split", targets.rebound_over_bump, brief.split_band, "rebound over bump wanted"),
    ):
        for edge, typed, value in zip(("low", "high"), edges(at), band, strict=True):
            shown[f"{name}_{edge}"] = figure(wanted(typed, value, words, ""), "")
    shown["split_wanted"] = figure(wanted(targets.split, brief.split_wanted, "rebound over bump aimed at", ""), "")
    weight = wanted(targets.comfort, brief.comfort_weight, "weight of comfort against grip", "")
    return {**shown, "comfort_weight": figure(weight, "")}


def _shares(facts: Facts, corners: dict[Place, CornerReport]) -> Figures:
    found = [corners[p].mass for p in facts.places]
    if any(m is None for m in found):
        return {}
    masses = [m.value for m in found if m is not None]
    if len(masses) == 2:
        front, total = masses[0], two_wheels(*masses)
        return {"total_mass": figure(total, "kg"), "front_fraction": figure(fraction_of(front, total), "")}
    fl, fr, rl, rr = masses
    front, left, cross = two_wheels(fl, fr), two_wheels(fl, rl), two_wheels(fr, rl)
    total = all_wheels(front, two_wheels(rl, rr))
    return {
        "total_mass": figure(total, "kg"),
        "front_fraction": figure(fraction_of(front, total), ""),
        "left_fraction": figure(fraction_of(left, total), ""),
        "cross_fraction": figure(fraction_of(cross, total), ""),
    }


def _rake(facts: Facts, corners: dict[Place, StandingCorner]) -> Figures:
    def mean(values: list[float | None]) -> float | None:
        known = [v for v in values if v is not None]
        if len(known) == 2:
            return mean_of_sides(*known)
        return known[0] if len(known) == 1 else None

    def dropped(end: EndName, places: tuple[Place, ...]) -> float | None:
        drops = [corners[p].drop for p in places]
        return None if None in drops else mean(drops)

    front, rear = (dropped(e, facts.places_at(e)) for e in ENDS)
    if facts.wheelbase is None or front is None or rear is None:
        return {}
    shown = {"rake_change": figure(rake_change_of(front, rear, facts.wheelbase), "rad")}
    # of an end whose sill was read on one side the height there: the other side may drop by another length
    read = {e: tuple(p for p in facts.places_at(e) if facts.corners[p].sill is not None) for e in ENDS}
    before = {e: mean([facts.corners[p].sill for p in read[e]]) for e in ENDS}
    by = {e: dropped(e, read[e]) for e in ENDS}
    if (a := before["front"]) is None or (b := before["rear"]) is None:
        return shown
    if (down := by["front"]) is not None and (back := by["rear"]) is not None:
        shown["rake"] = figure(rake_angle(b, back, a, down, facts.wheelbase), "rad")
        shown["sill_front"] = figure(a - down, "m")
        shown["sill_rear"] = figure(b - back, "m")
    return shown


def _pitch(facts: Facts, ends: dict[EndName, EndReport], brief: Brief) -> Figures:
    front, rear = ends["front"].frequency, ends["rear"].frequency
    shown: Figures = {}
    if front is not None:
        low, high = (
            wanted(at, r, "rear over front wanted", "")
            for at, r in zip(edges(facts.at.brief.targets.frequency_ratio), brief.ratio_band, strict=True)
        )
        shown["flat_low"] = figure(flat_ride_bound(front.value, low), "Hz")
        shown["flat_high"] = figure(flat_ride_bound(front.value, high), "Hz")
    if front is None or rear is None:
        return shown
    shown["frequency_ratio"] = figure(frequency_ratio_of(front.value, rear.value), "")
    if facts.wheelbase is not None and rear.value > front.value:
        shown["flat_speed"] = figure(flat_speed_of(front.value, rear.value, facts.wheelbase), "m/s")
    return shown
