"""Rules on springs: each in its place, the two sides, front against rear, and what they stand on."""

from collections.abc import Callable, Iterator
from dataclasses import replace

from feder.core.document.base import ENDS
from feder.core.document.setup import SideSetup, SpringPart
from feder.core.numbers.quantities import G
from feder.core.numbers.working import untraced
from feder.core.practice.thresholds import (
    DROP_DIFFERS,
    SEATS_TILTED,
    SLENDER,
)
from feder.core.report.findings import spring_fit as fit
from feder.core.report.findings.against import Against
from feder.core.report.findings.case import Case, angle, figure_of, length, share
from feder.core.report.findings.frequencies import band_for, meant_loaded, off_target, rear_over_front
from feder.core.report.findings.spring_fit import SpringAt, spring_at
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.facts import side_of
from feder.core.standing.stand import stand

ON_THE_STOP = "It rides on its bump stops, and their rate is in this frequency: the spring alone gives another. Off the stops first, then the spring."
OFF_THE_STOP = Mend(text="Get it off its stops: see the finding on the stop")


def solid_above_fitted(case: Case) -> Iterator[Finding]:
    yield from _in_place(case, fit.solid_above_fitted)


def binds_first(case: Case) -> Iterator[Finding]:
    yield from _in_place(case, fit.binds_first)


def held_at_droop(case: Case) -> Iterator[Finding]:
    wanted = case.document.brief.held_at_droop
    if not case.is_found:
        yield from _in_place(case, lambda at: fit.held_at_droop(at, wanted))


def _in_place(case: Case, rule: Callable[[SpringAt], Against | None]) -> Iterator[Finding]:
    for place, stood, report in case.corners():
        found = rule(spring_at(stood, report))
        if found is not None:
            yield found.finding(place.value)


def frequency_target(case: Case) -> Iterator[Finding]:
    if case.is_found:
        return
    for name in ENDS:
        band = band_for(case.document, name, loaded=case.load is not None)
        frequency = case.report.ends[name].frequency
        if frequency is None or band is None:
            continue
        found = off_target(frequency.value, band, case.document.brief.use)
        if found is not None:
            squeezed = any(
                r.stop is not None and r.stop.value <= 0 and r.stop_force is not None
                for p, _, r in case.corners()
                if p.end == name
            )
            yield (replace(found, reason=ON_THE_STOP, mend=OFF_THE_STOP) if squeezed else found).finding(name)


def front_to_rear(case: Case) -> Iterator[Finding]:
    ratio = case.report.vehicle.frequency_ratio
    if ratio is None or case.is_found or case.document.vehicle.kind != "car":
        return
    found = rear_over_front(ratio.value, case.document.brief)
    if found is not None and not meant_loaded(case.document, loaded=case.load is not None):
        yield found.finding("vehicle")


def rates_not_at_wheel(case: Case) -> Iterator[Finding]:
    """A rear spring stiffer than the front, but softer at the wheel, or the other way round."""
    front, rear = (case.report.ends[e] for e in ENDS)
    if (
        front.spring_rate is None
        or rear.spring_rate is None
        or front.wheel_rate is None
        or rear.wheel_rate is None
    ):
        return
    at_spring = rear.spring_rate.value - front.spring_rate.value
    at_wheel = rear.wheel_rate.value - front.wheel_rate.value
    if at_spring * at_wheel < 0 and not case.is_found and case.document.vehicle.kind == "car":
        stiffer, softer = ("rear", "front") if at_spring > 0 else ("front", "rear")
        yield Finding(
            rule="compare_at_the_wheel",
            grade="note",
            place="vehicle",
            station="springs",
            text=f"The {stiffer} spring is the stiffer one, the {softer} the stiffer one at the wheel",
            reason="The wheel feels the rate times the motion ratio squared. Compare wheel rates, never spring rates.",
            mend=Mend(text="Read the row at the wheel"),
        )


def unlike_sides(case: Case) -> Iterator[Finding]:
    for name, *sides in case.axles():
        left, right = (case.side(p).spring for p in sides)
        if not isinstance(left, SpringPart) or not isinstance(right, SpringPart):
            continue
        if left.rate.value != right.rate.value:
            yield Finding(
                rule="unlike_sides",
                grade="look",
                place=name,
                station="springs",
                text=f"Left {left.code}, right {right.code}",
                reason="Different rates on one axle roll the body when it heaves. Wanted only for a lopsided load or track.",
                mend=Mend(text="Fit the same spring on both sides, or note why not"),
            )


def springs_swapped(case: Case) -> Iterator[Finding]:
    """Unlike springs as found that changed sides in this setup."""
    found = case.document.setups[0]
    for name, left, right in case.axles():
        was = [_code(side_of(found, p)) for p in (left, right)]
        now = [_code(case.side(p)) for p in (left, right)]
        if None not in was and was[0] != was[1] and now == was[::-1]:
            yield Finding(
                rule="springs_swapped",
                grade="look",
                place=name,
                station="springs",
                text=f"{now[0]} is now left and {now[1]} right; as found it was the other way round",
                reason="Unlike sides are usually meant: for the driver's weight, or a handed part.",
                mend=Mend(text="Check which side each belongs to before it is fitted"),
            )


def _code(side: SideSetup) -> str | None:
    return None if side.spring is None else side.spring.code


def may_bow(case: Case) -> Iterator[Finding]:
    """A long thin spring, or one between seats that are not parallel, leans on its damper."""
    for place, _, _ in case.corners():
        part, seat = case.side(place).spring, case.side(place).seat
        if not isinstance(part, SpringPart) or case.facts.ends[place.end].end.layout == "fork":
            continue  # a fork guides its springs in the tube
        slender = fit.slenderness(part)
        if slender is not None and slender > SLENDER:
            yield Finding(
                rule="may_bow",
                grade="look",
                place=place.value,
                station="springs",
                text="The spring is {ratio} times as long as it is wide",
                numbers={"ratio": share(slender)},
                reason="Beyond about four times its mean diameter a spring between plain seats bows sideways and rubs.",
                mend=Mend(text="Take a shorter or wider spring, or guide it"),
            )
        if seat is not None and seat.tilt is not None and seat.tilt > SEATS_TILTED:
            yield Finding(
                rule="seats_tilted",
                grade="look",
                place=place.value,
                station="springs",
                text="The spring's seats stand {tilt} out of parallel",
                numbers={"tilt": angle(seat.tilt)},
                reason="One side of the spring is pressed more than the other: it bows, and it bends the damper's rod.",
                mend=Mend(text="Set the seats parallel at ride height, or use a seat that swivels"),
            )


def quoted_drop_differs(case: Case) -> Iterator[Finding]:
    """A lowering spring on the standard perches: what its maker quotes against what its numbers give."""
    for place, _, report in case.corners():
        part, drop = case.side(place).spring, report.drop
        if (
            not isinstance(part, SpringPart)
            or part.quoted_drop is None
            or part.free_length is None
            or drop is None
        ):
            continue
        on_perch = case.side(place).set_by == "collar" and not case.side(place).collar
        if on_perch and abs(float(drop.value) - part.quoted_drop) > DROP_DIFFERS:
            yield Finding(
                rule="quoted_drop_differs",
                grade="look",
                place=place.value,
                station="springs",
                text="Rate and free length give a drop of {drop}; its maker quotes {quoted}",
                numbers={"drop": length(drop.value), "quoted": length(part.quoted_drop)},
                reason="A quoted drop holds for the maker's car at its weight, and for a new standard spring, not a sagged one.",
                mend=Mend(text="Trust neither alone: check rate, free length and weights"),
            )


def load_band_exceeded(case: Case) -> Iterator[Finding]:
    for place, stood, report in case.corners():
        part, force = case.side(place).spring, report.spring_force
        if not isinstance(part, SpringPart) or part.most_load is None or force is None:
            continue
        each = force.value / float(stood.facts.end.legs)
        if each > part.most_load:
            yield Finding(
                rule="load_band_exceeded",
                grade="stop",
                place=place.value,
                station="springs",
                text=f"{part.code} carries {{force}}; its maker allows {{most}}",
                numbers={"force": figure_of(each, "N"), "most": figure_of(part.most_load, "N")},
                reason="Beyond its most load a spring takes a set or breaks, whatever travel is left.",
                mend=Mend(text="Take a spring made for this load, or carry less"),
            )


def added_load_outside(case: Case) -> Iterator[Finding]:
    """A load spring under more or less load than the band for which its maker means it."""
    if case.load is None:
        return
    with untraced():
        empty = stand(case.facts, case.setup, None).corners
    for place, stood, report in case.corners():
        part, force, before = case.side(place).spring, report.spring_force, empty[place].spring_force
        if not isinstance(part, SpringPart) or force is None or before is None or part.added_to is None:
            continue
        added = (force.value - float(before)) / float(stood.facts.end.legs)
        low, high = part.added_from or 0.0, part.added_to
        if low <= added <= high:
            continue
        over = added > high
        yield Finding(
            rule="added_load_outside",
            grade="look",
            place=place.value,
            station="springs",
            text=f"{case.load.name} adds {{added}} to {part.code}; its maker means it for {{low}} to {{high}}",
            numbers={k: figure_of(v, "N") for k, v in (("added", added), ("low", low), ("high", high))},
            reason="With more it sags and bottoms, with less it rides high and hard."
            if over
            else "With less than its band it rides high and hard, and the axle may hang on its dampers.",
            mend=Mend(text="Take a spring for this load" if over else "Take a softer load spring, or none"),
        )


def damper_mounts_loaded(case: Case) -> Iterator[Finding]:
    """A coil beside a torsion bar, or in its place, stands on mounts that were made for a damper."""
    for place, stood, _ in case.corners():
        hub = stood.spring_hub
        if stood.facts.end.end.layout != "torsion arm" or hub is None:
            continue
        force = stood.spring_force if stood.beside is None else stood.beside.force_at(hub)
        if force is None:
            continue
        yield Finding(
            rule="damper_mounts_loaded",
            grade="look",
            place=place.value,
            station="springs",
            text="A coil stands with {force} on the damper's mounts at ride",
            numbers={"force": figure_of(force, "N")},
            reason="They were made for a damper that pushes back for moments, not for a spring that stands on them always.",
            mend=Mend(text="Have mounts and body looked at by a licensed workshop, or take a thicker bar instead"),
        )


def inner_wheel_lifts(case: Case) -> Iterator[Finding]:
    """Load moved at the cornering of 1 g against what the inner wheels carry."""
    vehicle = case.report.vehicle
    for name, left, right in case.axles():
        masses = [case.report.corners[p].mass for p in (left, right)]
        moved = vehicle.front_moved if name == "front" else vehicle.rear_moved
        if moved is None or masses[0] is None or masses[1] is None:
            continue
        inner = min(masses[0].value, masses[1].value) * G
        if moved.value > inner:
            yield Finding(
                rule="inner_wheel_lifts",
                grade="look",
                place=name,
                station="springs",
                text="The inner wheel is off the floor from {lateral_ratio} g of cornering",
                numbers={"lateral_ratio": share(inner / moved.value)},
                reason="Springs and bar of this axle take more of the roll than its inner wheel has load to give.",
                mend=Mend(text="Soften this axle's bar or springs, or stiffen the other's"),
            )
