"""Rules on travel: what a drop costs, what is met first, and arms past level."""

from collections.abc import Iterator

from feder.core.document.base import Place
from feder.core.document.vehicle import End
from feder.core.practice.thresholds import (
    LOST_LOOK,
    POINTS_UP,
    STOP_CUT,
)
from feder.core.report.findings.case import Case, angle, length, share
from feder.core.report.shapes import Finding, Mend


def tyre_before_stop(case: Case) -> Iterator[Finding]:
    for place, _, report in case.corners():
        if (
            report.contact is not None
            and report.solid is not None
            and 0 < report.contact.value < report.solid.value
            and (report.hard is None or report.contact.value < report.hard.value)
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


def wheels_further_out(case: Case) -> Iterator[Finding]:
    """A wheel that stands further out meets the arch elsewhere than where it was read."""
    for place, stood, _ in case.corners():
        out, end = stood.side.spacer, stood.facts.end
        if not out or case.is_found:
            continue
        unread = end.contact is None
        yield Finding(
            rule="wheels_further_out",
            grade="look",
            place=place.value,
            station="travel",
            text="The wheel stands {out} further out; where the tyre meets the arch "
            + ("was never read" if unread else "was read without it"),
            numbers={"out": length(out)},
            reason="Further out the tyre comes under the lip or the liner sooner than where it was found."
            + (" Say under Geometry which way the arm lies." if _lies_untold(end.end) else ""),
            mend=Mend(text="Read tyre to arch again with these wheels on, springs out"),
        )


def _lies_untold(end: End) -> bool:
    return end.layout == "divorced" and end.arm_lies is None


def stop_cut_by_eye(case: Case) -> Iterator[Finding]:
    """A stop cut shorter where nobody read how far the wheel may come: the solid damper alone decides then."""
    if case.is_found or case.document.vehicle.kind != "car":
        return
    for place, stood, report in case.corners():
        stop, part = stood.stop, stood.facts.end.end.bump_stop
        cut = None if stop is None or part is None else part.length - float(stop.length)
        if cut is None or cut <= STOP_CUT or report.contact is not None:
            continue
        yield Finding(
            rule="stop_cut_by_eye",
            grade="look",
            place=place.value,
            station="travel",
            text="The stop is cut by {cut}, and where the tyre meets the arch was not read",
            numbers={"cut": length(cut)},
            reason="A stop's length is decided by what the wheel meets first, tyre or metal, with the springs out. Until the tyre is read, "
            "the solid damper alone decides, and a shorter stop may let the tyre into the arch.",
            mend=Mend(text="Read hub to arch where the tyre meets the arch, springs out, wheel turned"),
        )


def drop_costs(case: Case) -> Iterator[Finding]:
    for place, _, report in case.corners():
        lost = report.lost_fraction
        remains = 0.0 if report.bump_travel is None else report.bump_travel.value
        if lost is not None and lost.value > LOST_LOOK and remains > 0:  # resting on a limit has words of its own
            yield Finding(
                rule="drop_costs",
                grade="look",
                place=place.value,
                station="travel",
                text="The drop takes {lost} of the bump travel; {left} remain",
                numbers={"lost": share(lost.value), "left": length(remains)},
                reason="Less bump travel meets the stops sooner; a stiffer spring makes up for some of it.",
                mend=Mend(text=_room(case, place)),
            )


def _room(case: Case, place: Place) -> str:
    """What makes room in bump: nothing that another rule forbids."""
    stood, report = case.stood.corners[place], case.report.corners[place]
    ways = [
        "Carry less, or a stiffer spring for this load" if case.load is not None else "Lower it less",
        "a shorter damper",
    ]
    spare = (
        None
        if stood.stop is None or report.stop_shortest is None
        else float(stood.stop.length) - report.stop_shortest.value
    )
    if spare is not None and spare > STOP_CUT and report.contact is not None:
        ways.append("a stop trimmed by no more than what its bench says")
    return ", or ".join(ways) if len(ways) == 2 else f"{', '.join(ways[:-1])}, or {ways[-1]}"


def stop_too_short(case: Case) -> Iterator[Finding]:
    for place, stood, report in case.corners():
        stop, shortest, longest = stood.stop, report.stop_shortest, report.stop_longest
        if stop is None or shortest is None or longest is None or stop.length >= shortest.value - STOP_CUT:
            continue
        yield Finding(
            rule="stop_too_short",
            grade="stop",
            place=place.value,
            station="travel",
            text="The bump stop is {now} long; below {shortest} the tyre or metal is met before it holds",
            numbers={"now": length(stop.length), "shortest": length(shortest.value)},
            reason="A stop squeezes to about half its length. Cut shorter, it lets the tyre into the arch or the damper onto metal."
            + (
                ""
                if shortest.value <= longest.value
                else " No length works here: less drop, a packer or a harder stop does."
            ),
            mend=Mend(
                text="Keep it longer, or put a packer under it"
                + ("" if case.load is not None else ", or lower the vehicle less")
            ),
        )


def arm_points_up(case: Case) -> Iterator[Finding]:
    """A lower arm whose outer end stands above its inner one."""
    for name in case.facts.ends:
        now, spacer = case.report.ends[name].lower_arm_angle, case.report.ends[name].joint_spacer
        if now is not None and spacer is not None and now.value > POINTS_UP:
            yield Finding(
                rule="arm_points_up",
                grade="look",
                place=name,
                station="travel",
                text="The lower arms point up, by {now}; a spacer of {spacer} at the ball joint would level them",
                numbers={"now": angle(now.value), "spacer": length(spacer.value)},
                reason="Past level the roll centre drops fast, the track narrows as the wheel rises, and toe changes more.",
                mend=Mend(text="Lower it less, or fit the spacer or ball joint the maker of the vehicle permits"),
            )
