"""Rules on settings: clicks and alignment."""

from collections.abc import Iterator

from feder.core.document.changes import put
from feder.core.formulas.alignment import scrub, toe_angle
from feder.core.practice.thresholds import (
    ALIGNMENT_MOVED,
    SCRUB_LOOK,
)
from feder.core.report.findings.case import Case, figure_of, length
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.facts import side_of

KNOBS = {"rebound": "Rebound", "bump": "Compression", "high_bump": "High-speed compression"}


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


def knob_left_alone(case: Case) -> Iterator[Finding]:
    """An adjuster that its maker means for extreme use stands elsewhere than as found."""
    if case.is_found:
        return
    for place in case.places:
        side, found = case.side(place), side_of(case.document.setups[0], place)
        for member, words in KNOBS.items():
            now, was = getattr(side, member), getattr(found, member)
            if now is None or was is None or not (now.alone or was.alone) or now.count == was.count:
                continue
            yield Finding(
                rule="knob_left_alone",
                grade="look",
                place=place.value,
                station="height",
                text=f"{words} went from {was.count} to {now.count} clicks, a knob best left alone",
                reason="Its maker means it for extreme use. Springs, sag and the other knobs come first.",
                mend=Mend(
                    text="Back to where it was",
                    patch=[put(["setups", case.setup_index, "sides", place.value, member, "count"], was.count)],
                ),
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
