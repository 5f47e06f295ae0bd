"""Roll of a car: stiffness of both axles, roll gradient, front share of the load moved, and when a stop is met."""

from typing import Any

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.cursor import node, number
from feder.core.formulas.masses import all_wheels, fraction_of, two_wheels
from feder.core.formulas.roll import LoadTransfer, axle_roll_stiffness, load_transfer, roll_arm_of, roll_gradient
from feder.core.formulas.travel import braking_to_stop, cornering_to_stop
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.numbers.working import given
from feder.core.report.figures.rates import sprung_mass
from feder.core.report.shapes import CornerReport, EndReport, Figure, figure
from feder.core.standing.facts import EndFacts, Facts
from feder.core.standing.stand import StandingVehicle

Figures = dict[str, Any]


def roll_figures(facts: Facts, stood: StandingVehicle, ends: dict[EndName, EndReport]) -> Figures:
    """Roll stiffnesses and, with the heights of centre of gravity and roll centres, what 1 g does."""
    if len(facts.places) != 4:
        return {}
    front, rear = (_stiffness(facts, stood, ends, name) for name in ENDS)
    shown: Figures = {
        "front_roll_stiffness": figure(front, "N*m/rad"),
        "rear_roll_stiffness": figure(rear, "N*m/rad"),
    }
    masses = _masses(facts, stood)
    if front is None or rear is None or masses is None:
        return shown
    mass, share = masses
    arm = _arm(facts, stood, share)
    if arm is None or arm <= 0:
        return shown
    try:
        shown["roll_gradient"] = figure(roll_gradient(mass, arm, front, rear), "rad/g")
    except OutOfRange:
        return shown
    moved = transfer(facts, stood, mass, share, front, rear)
    if moved is not None:
        shown["front_transfer"] = figure(moved.front_fraction, "")
        shown["front_moved"], shown["rear_moved"] = figure(moved.front_total, "N"), figure(moved.rear_total, "N")
    return shown


def _stiffness(
    facts: Facts, stood: StandingVehicle, ends: dict[EndName, EndReport], name: EndName
) -> float | None:
    """Roll stiffness of an axle, its springs at the wheel or at the base of a live axle."""
    places = [p for p in facts.places if p.end == name]
    end, rate = stood.corners[places[0]].facts.end, ends[name].wheel_rate
    if rate is None or end.track is None or rate.value <= 0:
        return None
    base = _base(end)
    if base is None:
        return None
    bar = end.bar_rate
    if bar is None:
        bar = given(0.0, f"{name} bar", "N/m", source="none, or unhooked")
    one = given(1.0, "bar rate is at the wheel already", "", source="definition")
    return axle_roll_stiffness(rate.value, base, bar, one, end.track)


def _base(end: EndFacts) -> float | None:
    """Distance between the places where springs and stops act: the track, or the base on a live axle."""
    if end.end.layout != "live axle":
        return end.track
    return None if end.end.spring_base is None else number(end.at.spring_base, f"{end.name} spring base")


def _masses(facts: Facts, stood: StandingVehicle) -> tuple[float, float] | None:
    """Sprung mass of the car and its front share."""
    found = [sprung_mass(stood.corners[p]) for p in facts.places]
    if any(m is None for m in found):
        return None
    fl, fr, rl, rr = (m for m in found if m is not None)
    front = two_wheels(fl, fr)
    total = all_wheels(front, two_wheels(rl, rr))
    return total, fraction_of(front, total)


def _heights(facts: Facts, stood: StandingVehicle) -> tuple[float, float, float] | None:
    """Heights of the sprung centre of gravity and of both roll centres."""
    front, rear = (stood.corners[facts.places_at(e)[0]].facts.end.at.roll_centre for e in ENDS)
    height = cg_height(facts)
    if height is None or not front or not rear:
        return None
    return height, number(front, "front roll centre"), number(rear, "rear roll centre")


def cg_height(facts: Facts) -> float | None:
    """Height of the sprung mass's centre of gravity."""
    at = facts.at.vehicle.sprung_cg_height
    if not at:
        return None
    label, told = "height of the sprung centre of gravity", node(at)
    return number(at.value, label, assumed=told.assumed)


def _arm(facts: Facts, stood: StandingVehicle, share: float) -> float | None:
    heights = _heights(facts, stood)
    return None if heights is None else roll_arm_of(heights[0], share, heights[1], heights[2])


def transfer(
    facts: Facts,
    stood: StandingVehicle,
    mass: float,
    share: float,
    front: float,
    rear: float,
    lateral_g: float = 1.0,
) -> LoadTransfer | None:
    """Load moved at a cornering; nothing while a height or a mass is missing."""
    heights = _heights(facts, stood)
    ends = {e: stood.corners[facts.places_at(e)[0]].facts.end for e in facts.ends}
    f, r = ends["front"], ends["rear"]
    if heights is None or f.track is None or r.track is None or f.unsprung_mass is None or r.unsprung_mass is None:
        return None
    if f.tyre_radius is None or r.tyre_radius is None:
        return None
    g = given(lateral_g, "cornering", "", source="chosen for the comparison")
    try:
        with collecting_notes():
            return load_transfer(
                g,
                mass,
                share,
                heights[0],
                heights[1],
                heights[2],
                front,
                rear,
                f.track,
                r.track,
                two_wheels(f.unsprung_mass, f.unsprung_mass),
                two_wheels(r.unsprung_mass, r.unsprung_mass),
                f.tyre_radius,
                r.tyre_radius,
            )
    except OutOfRange:
        return None


def tell_stops_met(
    facts: Facts, stood: StandingVehicle, corners: dict[Place, CornerReport], gradient: Figure | None
) -> None:
    """Write into each corner the cornering and the braking at which its stop is met."""
    masses, height, base = (
        _masses(facts, stood) if len(facts.places) == 4 else None,
        cg_height(facts),
        facts.wheelbase,
    )
    for place, report in corners.items():
        left = report.stop or report.solid
        base_between = _base(stood.corners[place].facts.end)
        if left is None or left.value <= 0:
            continue
        if gradient is not None and base_between is not None:
            report.stop_cornering = figure(cornering_to_stop(left.value, gradient.value, base_between), "")
        rate = report.wheel_rate
        if masses is not None and height is not None and base is not None and rate is not None and rate.value > 0:
            report.stop_braking = figure(braking_to_stop(left.value, rate.value, base, masses[0], height), "")
