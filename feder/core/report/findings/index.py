"""Rules on torsion bars: handed bars, angles that disagree, and what indexing cannot do."""

from collections.abc import Iterator

from feder.core.document.setup import TorsionBarPart
from feder.core.numbers.working import untraced
from feder.core.practice.thresholds import (
    INDEXED,
    PLATE_OFF,
)
from feder.core.report.findings.case import Case, angle, share
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.facts import side_of


def bar_on_wrong_side(case: Case) -> Iterator[Finding]:
    for place in case.places:
        part = case.side(place).spring
        if not isinstance(part, TorsionBarPart) or part.handed is None:
            continue
        here = "left" if place.is_left else "right"
        if part.handed != here:
            yield Finding(
                rule="bar_on_wrong_side",
                grade="stop",
                place=place.value,
                station="springs",
                text=f"{part.code} is marked {part.handed} and stands on the {here}",
                reason="A torsion bar is pre-stressed one way. Wound the other way it takes a set and may break.",
                mend=Mend(text="Read the mark on the end of both bars, and keep left on the left"),
            )


def indexing_not_stiffer(case: Case) -> Iterator[Finding]:
    for name, places in case.ends():
        lead = places[0]
        report, part = case.report.corners[lead], case.side(lead).spring
        was = side_of(case.document.setups[0], lead).spring
        turned, rate = report.free_angle_change, report.angular_rate
        if case.is_found or not isinstance(part, TorsionBarPart) or part != was or turned is None or rate is None:
            continue
        if abs(turned.value) < INDEXED:
            continue
        now, then = report.wheel_rate, rate_as_found(case, lead.value)
        numbers = {"turned": angle(abs(turned.value))}
        if now is not None and then:
            numbers["change"] = share(abs(now.value / then - 1))
        told = " (at the wheel {change}, through the arm's angle)" if "change" in numbers else ""
        yield Finding(
            rule="indexing_not_stiffer",
            grade="note",
            place=name,
            station="height",
            text=f"Indexed by {{turned}}: the height moves, the bar's rate does not{told}",
            numbers=numbers,
            reason="A bar's rate follows from its diameter and length. Where its splines stand only sets where it starts.",
            mend=Mend(text="For a stiffer end take a thicker bar"),
        )


def rate_as_found(case: Case, place: str) -> float | None:
    """Wheel rate of a torsion arm as found, for the comparison."""
    found = case.found
    figure = None if found is None else {p.value: r for p, r in found.corners.items()}[place].wheel_rate
    return None if figure is None else float(figure.value)


def plate_reads_otherwise(case: Case) -> Iterator[Finding]:
    """The free plate angle that the level showed, against what weight, height, arm and bar make of it."""
    found = case.report if case.is_found else case.found
    for place, stood, _ in case.corners():
        read = side_of(case.document.setups[0], place).free_angle
        made = None if found is None else found.corners[place].free_angle
        if stood.bar is None or read is None or made is None or abs(read - made.value) < PLATE_OFF:
            continue
        yield Finding(
            rule="plate_reads_otherwise",
            grade="look",
            place=place.value,
            station="height",
            text="The free plate reads {read}; weight, height, arm and bar make {made}",
            numbers={"read": angle(read), "made": angle(made.value)},
            reason="Moves are counted from the reading, the angle wanted comes from the numbers: one of them is off, "
            "and the height will be off by as much.",
            mend=Mend(
                text="Read the plate again with the level zeroed; then check bar diameter, arm length and weight"
            ),
        )


def slack_at_droop(case: Case) -> Iterator[Finding]:
    """A bar that is unwound before its wheel hangs at full droop."""
    for place, stood, _ in case.corners():
        arm, droop, free = stood.facts.end.arm, stood.facts.end.droop, stood.free_angle
        if case.is_found or arm is None or stood.bar is None or droop is None or free is None:
            continue
        with untraced():
            hanging = arm.angle_at(place, droop)
        if hanging is None or hanging <= free:
            continue
        yield Finding(
            rule="slack_at_droop",
            grade="look",
            place=place.value,
            station="height",
            text="At full droop the bar is slack, by {slack}",
            numbers={"slack": angle(hanging - free)},
            reason="An unwound bar lets the plate knock on its ledge, and nothing pushes the wheel down any more.",
            mend=Mend(text="Limit the droop, index it higher, or take a thinner bar at the same height"),
        )


def unlike_bars(case: Case) -> Iterator[Finding]:
    """Bars of other size left and right."""
    for name, *sides in case.axles():
        left, right = (case.side(p).spring for p in sides)
        if not isinstance(left, TorsionBarPart) or not isinstance(right, TorsionBarPart):
            continue
        if _size(left) != _size(right):
            yield Finding(
                rule="unlike_bars",
                grade="look",
                place=name,
                station="springs",
                text=f"Left {left.code}, right {right.code}: they differ in size or rate",
                reason="Different rates on one axle roll the body when it heaves. Wanted only for a lopsided load.",
                mend=Mend(text="Measure both bars; fit the same on both sides, or note why not"),
            )


def _size(part: TorsionBarPart) -> tuple[object, ...]:
    rate = None if part.angular_rate is None else part.angular_rate.value
    return part.diameter, part.bore, part.effective_length, part.shear_modulus, rate


def arm_out_of_reach(case: Case) -> Iterator[Finding]:
    for place, stood, _ in case.corners():
        if stood.facts.end.end.arm is None or stood.bar is None:
            continue
        if stood.hub_to_arch is not None and stood.arm_angle is None:
            yield Finding(
                rule="arm_out_of_reach",
                grade="stop",
                place=place.value,
                station="height",
                text="The arm cannot reach this height",
                reason="Its end moves on a circle; beyond its length there is no angle that gives the height.",
                mend=Mend(text="Ask for a height nearer to the one found, or check the arm's length and angle"),
            )
