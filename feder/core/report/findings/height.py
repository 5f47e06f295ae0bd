"""Rules on height and travel: what a height costs, whether the collar reaches it, and what is met first."""

from collections.abc import Iterator

from feder.core.document.base import ENDS
from feder.core.document.changes import PatchStep
from feder.core.numbers.quantities import G
from feder.core.report.findings.case import Case, Rule, length, share
from feder.core.report.shapes import Finding, Mend

LOST_LOOK = 0.35
"""Share of bump travel lost to a drop beyond which it is asked about; general practice."""
UNEQUAL_COLLARS = 0.0035
"""Difference of collars on one axle that asks for a reason, m."""
SEAT_DISAGREES = 0.003
"""Difference between typed and inferred seat length as found that is asked about, m."""
CROSS_MOVED = 0.01
"""Change of cross weight that is told, as a share of the total."""


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
                    mend=Mend(text="Ask for a higher ride height"),
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
                mend=Mend(text="Ask for a higher ride height, or trim the stop"),
            )
        if report.droop is not None and report.droop.value >= 0:
            yield Finding(
                rule="topped_out",
                grade="stop",
                place=place.value,
                station="height",
                text="The damper is topped out at this height",
                reason="The wheel cannot follow the road downwards, and the damper is pulled against its end.",
                mend=Mend(text="Ask for a lower ride height, or a longer damper body"),
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


def drop_costs(case: Case) -> Iterator[Finding]:
    for place, _, report in case.corners():
        lost = report.lost_fraction
        if lost is not None and report.bump_travel is not None and lost.value > LOST_LOOK:
            yield Finding(
                rule="drop_costs",
                grade="look",
                place=place.value,
                station="travel",
                text="The drop takes {lost} of the bump travel; {left} remain",
                numbers={"lost": share(lost.value), "left": length(report.bump_travel.value)},
                reason="Less bump travel meets the stops sooner; a stiffer spring makes up for some of it.",
                mend=Mend(text="Lower it less, or make room: shorter damper, trimmed stop"),
            )


def tyre_before_stop(case: Case) -> Iterator[Finding]:
    for place, _, report in case.corners():
        if (
            report.contact is not None
            and report.solid is not None
            and 0 < report.contact.value < report.solid.value
        ):
            yield Finding(
                rule="tyre_before_solid",
                grade="stop",
                place=place.value,
                station="travel",
                text="The tyre meets the arch at {contact}, before the damper is solid at {solid}",
                numbers={"contact": length(report.contact.value), "solid": length(report.solid.value)},
                reason="The tyre would be cut by the arch or the liner before the stop takes the load.",
                mend=Mend(text="A longer bump stop or a packer must act first, or the arch needs room"),
            )


def collar_reach(case: Case) -> Iterator[Finding]:
    """The collar that a height asks for must lie on its thread."""
    for place, stood, report in case.corners():
        seat, collar, ratio = case.side(place).seat, report.collar, report.motion_ratio
        if seat is None or seat.thread is None or collar is None or ratio is None or stood.hub_to_arch is None:
            continue
        over, under = collar.value - seat.thread, -collar.value
        if over <= 1e-9 and under <= 1e-9:
            continue
        past, words = (over, "above the top") if over > 0 else (under, "below the bottom")
        sits = "low" if over > 0 else "high"
        reach = stood.hub_to_arch + (under if under > 0 else -over) / ratio.value
        path: list[str | int] = ["setups", case.setup_index, "sides", place.value, "hub_to_arch"]
        by_height = case.side(place).set_by == "height"
        yield Finding(
            rule="collar_off_thread",
            grade="stop",
            place=place.value,
            station="height",
            text=f"The collar would stand {{past}} {words} of its thread: the car sits {{off}} {sits}",
            numbers={"past": length(past), "off": length(past / ratio.value)},
            reason="Spring length and collar range together decide which heights can be set. The height given is right when "
            "left and right move alike.",
            mend=Mend(
                text="Take a shorter spring" if sits == "high" else "Take a longer spring",
                patch=[PatchStep(path=path, value=float(reach))] if by_height and reach > 0 else None,
            ),
        )


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


def unequal_collars(case: Case) -> Iterator[Finding]:
    for name, *sides in case.axles():
        left, right = (case.report.corners[p].collar for p in sides)
        if left is None or right is None or case.is_found:
            continue
        apart = abs(left.value - right.value)
        if apart > UNEQUAL_COLLARS:
            yield Finding(
                rule="unequal_collars",
                grade="note",
                place=name,
                station="height",
                text="Collars stand {apart} apart from left to right",
                numbers={"apart": length(apart)},
                reason="It follows from the weights and heights found. Start from the same count on both sides, then correct after rolling.",
                mend=Mend(text="Check weights and heights of this axle once more"),
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


def seat_disagrees(case: Case) -> Iterator[Finding]:
    """As found, a typed seat length must agree with what load, spring and collar say."""
    if not case.is_found:
        return
    for place, stood, _ in case.corners():
        side, seat, ratio = stood.side, stood.seat, stood.motion_ratio
        if side.seat is None or side.collar is None or seat is None or stood.collar is None or not ratio:
            continue
        apart = abs(stood.collar - side.collar)
        if apart > SEAT_DISAGREES:
            yield Finding(
                rule="seat_disagrees",
                grade="look",
                place=place.value,
                station="survey",
                text="Seat length, spring and load put the collar {apart} away from where it was read",
                numbers={"apart": length(apart)},
                reason="As found, the load fixes how long the spring is. One of seat length, rate, free length, collar, ratio or weight is off.",
                mend=Mend(text="Read the collar and the seat length again"),
            )


HEIGHT_RULES: tuple[Rule, ...] = (
    cannot_stand,
    rests_on_limit,
    tyre_before_stop,
    collar_reach,
    collar_not_permitted,
    inner_wheel_lifts,
    drop_costs,
    heights_off_plane,
    cross_moved,
    unequal_collars,
    collar_unknown,
    seat_disagrees,
)
