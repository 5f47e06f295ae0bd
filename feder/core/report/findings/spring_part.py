"""Rules on what a spring tells of itself: its points, its crossover, its wire and its solid length."""

from collections.abc import Iterator

from feder.core.document.base import Place
from feder.core.document.setup import SpringPart
from feder.core.formulas.coil import coil_rate
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import collecting_notes
from feder.core.numbers.working import untraced
from feder.core.practice.thresholds import AT_CROSSOVER, WIRE_DISAGREES
from feder.core.report.findings.case import Case, figure_of
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.parts.coil import table_of


def _springs(case: Case) -> Iterator[tuple[Place, SpringPart, float | None]]:
    """Each coil spring with the force that one of them carries at ride."""
    for place, stood, report in case.corners():
        part, force = case.side(place).spring, report.spring_force
        if isinstance(part, SpringPart):
            yield place, part, None if force is None else force.value / float(stood.facts.end.legs)


def points_no_table(case: Case) -> Iterator[Finding]:
    """Measured points from which no force over deflection follows."""
    for place, part, _ in _springs(case):
        if part.points is None or table_of(part) is not None:
            continue
        pressed = part.points[0][0] == 0 and part.points[0][1] > 0
        yield Finding(
            rule="points_no_table",
            grade="stop",
            place=place.value,
            station="springs",
            text=f"{part.code}: its points start with a force at no deflection"
            if pressed
            else f"{part.code}: the force of its points falls, or two stand at one deflection",
            reason="No spring does that. Until the points are mended its nominal rate is used instead, all along.",
            mend=Mend(
                text="Count deflection from where it is just touched"
                if pressed
                else "Read the points again, and type them in order"
            ),
        )


def past_its_points(case: Case) -> Iterator[Finding]:
    for place, part, force in _springs(case):
        if part.points is None or force is None or force <= part.points[-1][1]:
            continue
        yield Finding(
            rule="past_its_points",
            grade="look",
            place=place.value,
            station="springs",
            text=f"{part.code} carries {{force}}; its measured points end at {{last}}",
            numbers={"force": figure_of(force, "N"), "last": figure_of(part.points[-1][1], "N")},
            reason="Beyond its last point the curve goes on straight, and a progressive spring does not.",
            mend=Mend(text="Measure it further, to more than the load it carries"),
        )


def rides_at_crossover(case: Case) -> Iterator[Finding]:
    """A dual-rate spring whose tender closes just about at ride."""
    for place, part, force in _springs(case):
        if part.tender_rate is None or not part.tender_travel or force is None:
            continue
        crossover = part.tender_rate * part.tender_travel
        if abs(force / crossover - 1) > AT_CROSSOVER:
            continue
        yield Finding(
            rule="rides_at_crossover",
            grade="look",
            place=place.value,
            station="springs",
            text="It rides where its tender closes: {force} at ride, {crossover} at the crossover",
            numbers={"force": figure_of(force, "N"), "crossover": figure_of(crossover, "N")},
            reason="Upwards it is soft and downwards stiff: no one rate and no one frequency holds there.",
            mend=Mend(text="Take a tender that closes well before ride, or well after it"),
        )


def wire_disagrees(case: Case) -> Iterator[Finding]:
    """A rate beside the one that wire, coil and number of coils make."""
    for place, part, _ in _springs(case):
        wire, inside, coils = part.wire_diameter, part.inside_diameter, part.active_coils
        if wire is None or inside is None or coils is None or part.points or part.tender_rate:
            continue
        try:
            with untraced(), collecting_notes():
                made = float(coil_rate(wire, inside + wire, coils).rate)
        except OutOfRange:
            continue
        if abs(part.rate.value / made - 1) > WIRE_DISAGREES:
            yield Finding(
                rule="wire_disagrees",
                grade="look",
                place=place.value,
                station="springs",
                text=f"{part.code}: its wire makes {{made}}, {{told}} is told",
                numbers={"made": figure_of(made, "N/m"), "told": figure_of(part.rate.value, "N/m")},
                reason="The rate goes with the fourth power of the wire: a tenth of a millimetre is three per cent.",
                mend=Mend(text="Measure wire, coil and active coils again, or press the spring on a bench"),
            )


def solid_not_told(case: Case) -> Iterator[Finding]:
    """Without a solid length nobody knows when the coils close."""
    if case.is_found or case.document.vehicle.kind != "car":
        return
    for place, part, _ in _springs(case):
        if part.solid_length is None:
            yield Finding(
                rule="solid_not_told",
                grade="note",
                place=place.value,
                station="springs",
                text=f"{part.code}: its solid length is not told, so coils closing are in no limit shown",
                reason="A short spring of many coils can close before damper or tyre end the travel.",
                mend=Mend(text="Measure it pressed, or type wire and number of coils: their product is near"),
            )
