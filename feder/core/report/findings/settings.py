"""Rules on settings: clicks and alignment."""

from collections.abc import Iterator

from feder.core.document.base import Place
from feder.core.document.changes import put
from feder.core.formulas.alignment import scrub, toe_angle
from feder.core.practice.thresholds import (
    ALIGNMENT_MOVED,
    SCRUB_LIMIT,
)
from feder.core.report.findings.case import Case, figure_of, length
from feder.core.report.findings.dampers import damper_of
from feder.core.report.findings.odd import standing_by, stands
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.facts import side_of

KNOBS = {"rebound": "Rebound", "bump": "Compression", "high_bump": "High-speed compression"}
ALL_KNOBS = {**KNOBS, "both": "Rebound and compression"}


def clicks_past_range(case: Case) -> Iterator[Finding]:
    """Clicks past those that the knob has, by what was told with them or by the damper itself."""
    for place, stood, _ in case.corners():
        part = damper_of(stood)
        for member, words in ALL_KNOBS.items():
            clicks = getattr(case.side(place), member)
            knob = None if part is None else next((k for k in part.knobs if k.acts == member), None)
            if clicks is None:
                continue
            most = clicks.of if clicks.of is not None else None if knob is None else knob.clicks
            if most is not None and clicks.count > most:
                yield Finding(
                    rule="clicks_past_range",
                    grade="look",
                    place=place.value,
                    station="height",
                    text=f"{words}: {clicks.count} clicks of {most}",
                    reason="There are not so many. Perhaps they were counted from the other end, or quarter turns as clicks.",
                    mend=Mend(text="Count again, from one end, and write down which"),
                )


def clicks_other_end(case: Case) -> Iterator[Finding]:
    """Left and right of an axle make up the knob's whole range: one was counted from the other end."""
    for name, left, right in case.axles():
        for member, words in ALL_KNOBS.items():
            one, two = getattr(case.side(left), member), getattr(case.side(right), member)
            if one is None or two is None or one.of is None or one.of != two.of or one.count == two.count:
                continue
            if one.counted_from != two.counted_from or one.count + two.count != one.of:
                continue
            if stands(case.document, "clicks_other_end", name, one.count - two.count):
                continue
            path: list[str | int] = ["setups", case.setup_index, "sides", right.value, member, "count"]
            yield Finding(
                rule="clicks_other_end",
                grade="look",
                place=name,
                station="damping",
                text=f"{words}: {one.count} of {one.of} on the left, {two.count} on the right; counted from the other end that is "
                f"{one.count} too",
                reason="Both make up the whole range: one side was counted from fully closed, the other from fully open.",
                mend=Mend(text=f"Make the right one {one.count}", patch=[put(path, one.count)]),
                stand_by=[standing_by(case.document, ("clicks_other_end", name, one.count - two.count))],
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
            reason="The same number then means two settings. Sooner or later somebody turns the wrong way. Either end is a good datum: "
            "shut repeats better, open cannot harm the needle.",
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
    """A vehicle that was set down at another height, and no toe read since; a plan's toe is only what is wanted."""
    if case.setup.stage not in ("fitted", "settled") or case.document.vehicle.kind != "car":
        return
    moved = [abs(float(r.wheel_travel.value)) for _, _, r in case.corners() if r.wheel_travel is not None]
    unread = [p.words for p in case.places if not _toe_read(case, p)]
    if moved and max(moved) > ALIGNMENT_MOVED and unread:
        yield Finding(
            rule="alignment_due",
            grade="look",
            place="vehicle",
            station="height",
            text=f"The height changed by up to {{moved}} and toe was not read since: {', '.join(unread)}",
            numbers={"moved": length(max(moved))},
            reason="Height changes camber and toe. Toe that is off eats the tyres within weeks.",
            mend=Mend(text="Have it aligned, and type camber and toe of the read-out under Settle"),
        )


def _toe_read(case: Case, place: Place) -> bool:
    """Whether toe was read with this setup on the wheels, or typed otherwise than the setup it came of has it."""
    for index in case.document.rounds_of(case.setup.id):
        wheel = case.document.surveys[index].wheel(place)
        if wheel is not None and (wheel.toe is not None or wheel.toe_angle is not None):
            return True
    parent = next((s for s in case.document.setups if s.id == case.setup.parent), None)
    toe = case.side(place).toe
    return toe is not None and (parent is None or toe != side_of(parent, place).toe)


def toe_wears(case: Case) -> Iterator[Finding]:
    """Running straight, the wheels of an axle share its total toe, and each slips half of it sideways."""
    for name, left, right in case.axles():
        toes, rim = [case.side(p).toe for p in (left, right)], case.facts.ends[name].end.tyre.rim_diameter
        if rim is None or toes[0] is None or toes[1] is None:
            continue
        half = (toes[0] + toes[1]) / 2
        if abs(half) >= rim:
            continue
        slip = abs(float(scrub(toe_angle(half, rim))))
        if slip > SCRUB_LIMIT:
            yield Finding(
                rule="toe_wears",
                grade="look",
                place=name,
                station="height",
                text="Toe {toe} on each wheel drags the tyres sideways by {scrub}; {limit} is the limit",
                numbers={
                    "toe": length(half),
                    "scrub": figure_of(slip, "m/km"),
                    "limit": figure_of(float(SCRUB_LIMIT), "m/km"),
                },
                reason="Toe eats tyres; moderate camber wears the edge far slower. Look at toe first where a tyre wears.",
                mend=Mend(text="Set toe to the maker's value, then look at camber"),
            )
