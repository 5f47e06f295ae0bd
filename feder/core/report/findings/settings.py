"""Rules on settings, limits of the plate and known damage."""

from collections.abc import Iterator

from feder.core.document.base import ENDS
from feder.core.document.vehicle import RatioFromSweep
from feder.core.formulas.alignment import scrub, toe_angle
from feder.core.report.findings.case import Case, Rule, figure_of, length, mass
from feder.core.report.shapes import Finding, Mend

SWEEP_RESIDUAL = 0.001
"""How far a pair of a sweep may lie off the curve before it is doubted, m."""
ALIGNMENT_MOVED = 0.005
"""Change of height after which alignment is due, m."""
SCRUB_LOOK = 7.0
"""Sideways slip of one wheel that is asked about, m/km; general practice."""


def known_damage(case: Case) -> Iterator[Finding]:
    survey = case.document.survey
    if survey is not None and survey.damage.strip():
        yield Finding(
            rule="known_damage",
            grade="stop",
            place="vehicle",
            station="survey",
            text=f"Known damage: {' '.join(survey.damage.split())[:100]}",
            reason="Cracked mounts, torn bushes, a weak damper or corroded towers make every number void, and can hurt. Doubtful parts belong with a licensed workshop.",
            mend=Mend(text="Deal with it before anything is planned, then empty the line"),
        )


def plate_exceeded(case: Case) -> Iterator[Finding]:
    """Masses as they stand against the limits of the plate."""
    plate, found = case.document.vehicle.plate, {p: case.report.corners[p].mass for p in case.places}
    if any(m is None for m in found.values()):
        return
    values = {p: m.value for p, m in found.items() if m is not None}
    limits = (
        ("gross", plate.gross, sum(values.values())),
        ("front axle", plate.front_axle, sum(v for p, v in values.items() if p.end == "front")),
        ("rear axle", plate.rear_axle, sum(v for p, v in values.items() if p.end == "rear")),
    )
    for words, limit, now in limits:
        if limit is not None and now > limit:
            yield Finding(
                rule="plate_exceeded",
                grade="stop",
                place="vehicle",
                station="survey",
                text=f"{words.capitalize()}: {{now}}, the plate allows {{limit}}",
                numbers={"now": mass(now), "limit": mass(limit)},
                reason="No spring raises a legal or structural limit. Brakes, tyres and axle are made for the plate's mass.",
                mend=Mend(text="Carry less, or move the load"),
            )


def clicks_past_range(case: Case) -> Iterator[Finding]:
    for place in case.places:
        for words, clicks in (("rebound", case.side(place).rebound), ("bump", case.side(place).bump)):
            if clicks is not None and clicks.of is not None and clicks.count > clicks.of:
                yield Finding(
                    rule="clicks_past_range",
                    grade="look",
                    place=place.value,
                    station="height",
                    text=f"{clicks.count} {words} clicks of {clicks.of}",
                    reason="There are not so many. Perhaps they were counted from the other end, or quarter turns as clicks.",
                    mend=Mend(text="Count again, from one end, and write down which"),
                )


def clicks_from_both_ends(case: Case) -> Iterator[Finding]:
    ways = {
        c.counted_from for p in case.places for c in (case.side(p).rebound, case.side(p).bump) if c is not None
    }
    if len(ways) > 1:
        yield Finding(
            rule="clicks_from_both_ends",
            grade="look",
            place="vehicle",
            station="height",
            text="Clicks are counted from fully closed at one place and from fully open at another",
            reason="The same number then means two settings. Sooner or later somebody turns the wrong way.",
            mend=Mend(text="Count all from the same end"),
        )


def sweep_doubted(case: Case) -> Iterator[Finding]:
    for name in ENDS:
        end = case.facts.ends[name]
        if not isinstance(end.end.spring.ratio, RatioFromSweep):
            continue
        curve = end.spring.curve
        if curve is None:
            yield Finding(
                rule="sweep_without_curve",
                grade="stop",
                place=name,
                station="geometry",
                text="The sweep's pairs give no motion ratio above 0",
                reason="Hub to arch and the distance between the spring's seats must both shrink as the wheel rises, each wheel position once.",
                mend=Mend(text="Check the pairs: the larger hub to arch has the larger distance"),
            )
        elif curve.residual > SWEEP_RESIDUAL:
            yield Finding(
                rule="sweep_scattered",
                grade="look",
                place=name,
                station="geometry",
                text="One pair of the sweep lies {off} off the curve",
                numbers={"off": length(curve.residual)},
                reason="The wheel rate goes with the square of the ratio, so a slip of the tape counts twice.",
                mend=Mend(text="Measure that step again"),
            )


def alignment_due(case: Case) -> Iterator[Finding]:
    """A vehicle that was set down at another height, and no toe written down since."""
    if case.setup.stage not in ("fitted", "settled"):
        return
    moved = [abs(float(r.wheel_travel.value)) for _, _, r in case.corners() if r.wheel_travel is not None]
    unread = [p.words for p in case.places if case.side(p).toe is None]
    if case.document.vehicle.kind == "car" and moved and max(moved) > ALIGNMENT_MOVED and unread:
        yield Finding(
            rule="alignment_due",
            grade="look",
            place="vehicle",
            station="height",
            text=f"The height changed by up to {{moved}} and toe is not written down: {', '.join(unread)}",
            numbers={"moved": length(max(moved))},
            reason="Height changes camber and toe. Toe that is off eats the tyres within weeks.",
            mend=Mend(text="Have it aligned, and type camber and toe"),
        )


def toe_wears(case: Case) -> Iterator[Finding]:
    for place in case.places:
        toe, rim = case.side(place).toe, case.facts.ends[place.end].end.tyre.rim_diameter
        if toe is None or rim is None or abs(toe) >= rim:
            continue
        slip = scrub(toe_angle(toe, rim))
        if abs(slip) > SCRUB_LOOK:
            yield Finding(
                rule="toe_wears",
                grade="look",
                place=place.value,
                station="height",
                text="Toe {toe} on this wheel drags the tyre sideways by {scrub} on every kilometre",
                numbers={"toe": length(toe), "scrub": figure_of(abs(slip), "m/km")},
                reason="Toe eats tyres; moderate camber wears the edge far slower. Look at toe first where a tyre wears.",
                mend=Mend(text="Set toe to the maker's value, then look at camber"),
            )


SETTING_RULES: tuple[Rule, ...] = (
    known_damage,
    plate_exceeded,
    clicks_past_range,
    clicks_from_both_ends,
    sweep_doubted,
    alignment_due,
    toe_wears,
)
