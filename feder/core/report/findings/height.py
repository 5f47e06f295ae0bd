"""Rules on height: whether the vehicle stands so, what it rests on, and whether the collar reaches it."""

from collections.abc import Iterator
from dataclasses import replace

from feder.core.document.base import ENDS, Place
from feder.core.document.changes import Change, put
from feder.core.document.setup import Setup, SpringPart
from feder.core.formulas.height import past_thread
from feder.core.numbers.working import untraced
from feder.core.practice.thresholds import (
    CROSS_MOVED,
    PRELOAD_MOVED,
    STOP_CUT,
    UNEQUAL_COLLARS,
)
from feder.core.report.findings.case import Case, figure_of, length, share
from feder.core.report.findings.spring_fit import collar_off_thread, spring_at
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.facts import side_of
from feder.core.standing.stand import stand


def cannot_stand(case: Case) -> Iterator[Finding]:
    if case.report.equilibrium:
        yield Finding(
            rule="cannot_stand",
            grade="stop",
            place="vehicle",
            station="height",
            text=f"The vehicle cannot stand so: {case.report.equilibrium}",
            reason="Heights and collars are found from the balance of the whole vehicle; here there is none.",
            mend=Mend(text="Check collars, spring rates and heights of this setup"),
        )


def rests_on_limit(case: Case) -> Iterator[Finding]:
    """At ride height the wheel is already past a limit."""
    for place, _, report in case.corners():
        for name, words in (
            ("solid", "the damper is solid"),
            ("contact", "the tyre meets the arch"),
            ("bind", "the coils are closed"),
        ):
            figure = getattr(report, name)
            if figure is not None and figure.value <= 0:
                yield Finding(
                    rule=f"rests_on_{name}",
                    grade="stop",
                    place=place.value,
                    station="height",
                    text=f"At this height {words}: {{past}} past it",
                    numbers={"past": length(-figure.value)},
                    reason="No bump travel is left; the body would ride on metal or rubber.",
                    mend=Mend(text=_higher(case, place)),
                )
        if report.stop is not None and report.stop.value <= 0 and (report.solid is None or report.solid.value > 0):
            third = case.document.brief.stop_school == "as springs"
            yield Finding(
                rule="rests_on_stop",
                grade="note" if third else "stop",
                place=place.value,
                station="height",
                text="At ride height the bump stop is squeezed by {past} of wheel travel",
                numbers={"past": length(-report.stop.value)},
                reason=_on_the_stop(third, known=report.stop_force is not None),
                mend=Mend(text=_off_the_stop(case, place)),
            )
        alone = case.load is None and len(case.places) == 2  # what a bike does without its rider, free sag judges
        if report.droop is not None and report.droop.value >= 0 and not alone:
            yield Finding(
                rule="topped_out",
                grade="stop",
                place=place.value,
                station="height",
                text="The damper is topped out at this height",
                reason="The wheel cannot follow the road downwards, and the damper is pulled against its end.",
                mend=Mend(
                    text="A softer or shorter spring, or a longer damper"
                    if _fixed(case, place)
                    else "Ask for a lower ride height, or a longer damper body"
                ),
            )


def _fixed(case: Case, place: Place) -> bool:
    """Whether no height can be asked for: the spring's own length decides it, or what is carried does, or it is as found."""
    return (
        case.load is not None
        or case.is_found
        or (case.side(place).set_by == "collar" and not case.side(place).collar)
    )


def _higher(case: Case, place: Place) -> str:
    if case.load is not None:
        return "Carry less, or take a stiffer spring for this load"
    if _fixed(case, place):
        return "Take a longer or stiffer spring"
    return "Ask for a higher ride height" if case.side(place).set_by == "height" else "Set it higher"


def _off_the_stop(case: Case, place: Place) -> str:
    """A way off the stop; it is trimmed only where its bench leaves something to trim."""
    stood, report = case.stood.corners[place], case.report.corners[place]
    shortest = None if report.stop_shortest is None else report.stop_shortest.value
    trims = stood.stop is not None and shortest is not None and float(stood.stop.length) > shortest + STOP_CUT
    return _higher(case, place) + (
        ", or trim the stop as its bench says" if trims and report.contact is not None else ""
    )


def _on_the_stop(third: bool, *, known: bool) -> str:
    """Why a stop squeezed at rest matters, under either school."""
    counted = (
        "Its force is counted in the height, the rate and the frequency shown."
        if known
        else "The stop's force is not counted in the height or the rate shown; the vehicle stands higher and stiffer. "
        "Type its squeeze and force to count it."
    )
    return (
        counted
        if third
        else f"Riding on the stops, the wheel rate is not the spring's, and the ride is harsh. {counted}"
    )


def collar_reach(case: Case) -> Iterator[Finding]:
    """The collar that a height asks for must lie on its thread; the nearest height that does is offered."""
    for place, stood, report in case.corners():
        if case.is_found and case.side(place).collar is not None:
            continue  # as found it was read: whether the rest agrees with it is asked elsewhere
        at = spring_at(stood, report)
        found = collar_off_thread(at)
        if found is None:
            continue
        yield replace(found, mend=Mend(text=found.mend.text, patch=_within_thread(case, place))).finding(
            place.value
        )


def _within_thread(case: Case, place: Place) -> list[Change] | None:
    """The heights of this end at which both collars lie on their threads, moved alike from those asked for."""
    sides = case.facts.places_at(place.end)
    moves, asked = [], {}
    for p in sides:
        at, hub = spring_at(case.stood.corners[p], case.report.corners[p]), case.side(p).hub_to_arch
        if (
            case.side(p).set_by != "height"
            or hub is None
            or at.collar is None
            or at.thread is None
            or not at.ratio
        ):
            return None
        asked[p] = hub
        moves.append(past_thread(float(at.collar), at.thread) / float(at.ratio))
    down, up = max(moves), min(moves)
    if down > 0 > up:
        return None  # one is too high on its thread, the other too low: no height alike cures both
    move = down if down > 0 else up
    if min(asked.values()) - move <= 0:
        return None
    return [
        put(["setups", case.setup_index, "sides", p.value, "hub_to_arch"], float(hub - move))
        for p, hub in asked.items()
    ]


def collar_not_permitted(case: Case) -> Iterator[Finding]:
    """The part of the thread that the kit's maker permits."""
    for place, _, report in case.corners():
        seat, collar = case.side(place).seat, report.collar
        if seat is None or collar is None:
            continue
        for edge, beyond, words in (
            (seat.permitted_low, -1.0, "below"),
            (seat.permitted_high, 1.0, "above"),
        ):
            if edge is not None and (collar.value - edge) * beyond > 1e-6:
                yield Finding(
                    rule="collar_not_permitted",
                    grade="stop",
                    place=place.value,
                    station="height",
                    text=f"The collar stands {{past}} {words} what its maker permits",
                    numbers={"past": length(abs(collar.value - edge))},
                    reason="Outside it the damper may run out of travel or the thread out of engagement, and the part's approval ends.",
                    mend=Mend(text="Stay within the permitted part, or take another spring"),
                )


def heights_off_plane(case: Case) -> Iterator[Finding]:
    if case.stood.twist > 0.001:
        yield Finding(
            rule="heights_off_plane",
            grade="look",
            place="vehicle",
            station="height",
            text="The four heights asked for lie up to {twist} off one plane",
            numbers={"twist": length(case.stood.twist)},
            reason="The body is rigid: four corners cannot take any four heights. The nearest plane is shown.",
            mend=Mend(text="Ask for heights that change alike from left to right at both ends"),
        )


def cross_moved(case: Case) -> Iterator[Finding]:
    cross = case.report.vehicle.cross_fraction
    found = [case.facts.corners[p].mass for p in case.places]
    if cross is None or len(found) != 4 or None in found or case.is_found:
        return
    fl, fr, rl, rr = (float(m) for m in found if m is not None)
    was = (fr + rl) / (fl + fr + rl + rr)
    if abs(cross.value - was) > CROSS_MOVED:
        yield Finding(
            rule="cross_moved",
            grade="look",
            place="vehicle",
            station="height",
            text="These heights or collars move cross weight from {was} to {now}",
            numbers={"was": share(was), "now": share(cross.value)},
            reason="Raising one corner alone puts load on its diagonal. The vehicle then turns better one way than the other.",
            mend=Mend(text="Move left and right alike, or set it by corner weights"),
        )


def unequal_collars(case: Case) -> Iterator[Finding]:
    for name, *sides in case.axles():
        left, right = (case.report.corners[p].collar for p in sides)
        if left is None or right is None or case.is_found:
            continue
        apart = abs(left.value - right.value)
        typed = all(case.side(p).set_by == "collar" for p in sides)
        if apart > UNEQUAL_COLLARS:
            yield Finding(
                rule="unequal_collars",
                grade="look" if typed and case.setup.stage == "plan" else "note",
                place=name,
                station="height",
                text="Collars are set {apart} apart from left to right"
                if typed
                else "Collars stand {apart} apart from left to right",
                numbers={"apart": length(apart)},
                reason="Unequal collars roll the body and load one diagonal. Wanted only by the scales, with a reason written down."
                if typed
                else "It follows from the weights and heights found. Start from the same count on both sides, then correct after rolling.",
                mend=Mend(
                    text="Start from the same count on both sides, then correct after rolling"
                    if typed
                    else "Check weights and heights of this axle once more"
                ),
            )


def collar_unknown(case: Case) -> Iterator[Finding]:
    if case.is_found:
        return
    for name in ENDS:
        waiting = [
            p.words
            for p, _, r in case.corners()
            if p.end == name and r.spring_length is not None and r.collar is None
        ]
        if waiting:
            yield Finding(
                rule="collar_unknown",
                grade="note",
                place=name,
                station="height",
                text="The spring's length at ride is known, the collar that gives it is not",
                reason="The collar follows from the seat length: the distance between the spring seats with the collar at its datum.",
                mend=Mend(text="Measure the seat length with the damper at full length, and type it under Height"),
            )


def stack_leaves_no_room(case: Case) -> Iterator[Finding]:
    """So much between the seats that the spring would be solid with its collar at the bottom."""
    for place, stood, report in case.corners():
        side, spring, seat = case.side(place), stood.spring, report.seat_length
        if case.is_found or spring is None or spring.solid_length is None or seat is None:
            continue
        if (side.stack or side.pads) and seat.value <= spring.solid_length:
            yield Finding(
                rule="stack_leaves_no_room",
                grade="stop",
                place=place.value,
                station="height",
                text="What lies at the seat leaves {room} for the spring, which is solid at {solid}",
                numbers={"room": length(seat.value), "solid": length(spring.solid_length)},
                reason="The coils would be closed before anything stands on them.",
                mend=Mend(text="Take something out of the stack, or fit a shorter spring"),
            )


def preload_not_stiffer(case: Case) -> Iterator[Finding]:
    """The collar was moved and the linear spring kept: the start of the travel moves, the rate does not."""
    for name, places in case.ends():
        lead = places[0]
        side, stood, report = case.side(lead), case.stood.corners[lead], case.report.corners[lead]
        parent = next((s for s in case.document.setups if s.id == case.setup.parent), case.document.setups[0])
        was = side_of(parent, lead)
        part = side.spring
        if case.is_found or not isinstance(part, SpringPart) or part != was.spring or report.collar is None:
            continue
        moved = float(report.collar.value) - _collar_of(case, parent, lead)
        if abs(moved) < PRELOAD_MOVED or stood.spring is None or stood.spring.table is not None:
            continue
        cap = stood.facts.end.end.layout == "fork"
        way = ("Cap in" if moved > 0 else "Cap out") if cap else f"Collar {'up' if moved > 0 else 'down'}"
        yield Finding(
            rule="preload_not_stiffer",
            grade="note",
            place=name,
            station="height",
            text=f"{way} by {{moved}} with the same spring: the rate stays {{rate}}",
            numbers={"moved": length(abs(moved)), "rate": figure_of(stood.spring.rate, "N/m")},
            reason="Preload moves the height, and the force at which the travel starts. A linear spring's rate is its own.",
            mend=Mend(text="For a stiffer spring take one of another rate"),
        )


def _collar_of(case: Case, setup: Setup, place: Place) -> float:
    """Where the collar stood in the setup that this one came of: as set, or as its height asked for."""
    told = side_of(setup, place).collar
    if setup.id == case.document.setups[0].id or side_of(setup, place).set_by == "collar":
        return float(told or 0.0)
    with untraced():
        stood = stand(case.facts, setup, None).corners[place].collar
    return float(told or 0.0) if stood is None else float(stood)
