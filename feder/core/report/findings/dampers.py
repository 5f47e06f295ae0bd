"""Rules on dampers as parts: body and thread, travel on both sides of ride height, mounts, unlike sides."""

from collections.abc import Iterator

from feder.core.document.cursor import node
from feder.core.document.damper import DamperPart
from feder.core.practice.thresholds import DAMPER_LEFT
from feder.core.report.findings.against import Against
from feder.core.report.findings.case import Case, length
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.corner import StandingCorner
from feder.core.standing.damper import is_own
from feder.core.standing.springing.seat import perched_on_body


def damper_of(stood: StandingCorner) -> DamperPart | None:
    """The damper that stands at a corner; nothing where none was told."""
    at = stood.damper_at
    return node(at) if at else None


def body_beyond_thread(case: Case) -> Iterator[Finding]:
    """A body turned out until less of its thread holds than its maker wants."""
    for place, stood, report in case.corners():
        part, engaged = damper_of(stood), report.thread_engaged
        if part is None or engaged is None or part.least_engaged is None:
            continue
        if engaged.value < part.least_engaged - 1e-6:
            yield Finding(
                rule="body_beyond_thread",
                grade="stop",
                place=place.value,
                station="height",
                text="Only {engaged} of the damper's body hold in its mount; its maker wants {least}",
                numbers={"engaged": length(engaged.value), "least": length(part.least_engaged)},
                reason="A body that holds by too few threads tears out under the first hard bump.",
                mend=Mend(text="Turn the body in, and make the height at the collar or with another damper"),
            )


def body_outside_range(case: Case) -> Iterator[Finding]:
    """A body longer or shorter than it can be turned."""
    for place, stood, report in case.corners():
        part, now = damper_of(stood), report.body_length
        if part is None or now is None:
            continue
        for edge, beyond, words in ((part.body_least, -1.0, "shortest"), (part.body_most, 1.0, "longest")):
            if edge is not None and (now.value - edge) * beyond > 1e-6:
                yield Finding(
                    rule="body_outside_range",
                    grade="stop",
                    place=place.value,
                    station="height",
                    text=f"The damper's body would be {{now}} long; its {words} is {{edge}}",
                    numbers={"now": length(now.value), "edge": length(edge)},
                    reason="It cannot be turned that far.",
                    mend=Mend(text="Turn it within its range; the rest of the height is the collar's"),
                )


def damper_out_of_middle(case: Case) -> Iterator[Finding]:
    """A damper that stands near one end of its stroke at ride while the other end has room; a bike is set by sag."""
    if case.is_found or case.document.vehicle.kind != "car":
        return
    for place, _, report in case.corners():
        if report.droop is None or report.solid is None:
            continue
        droop, bump = -report.droop.value, report.solid.value
        if droop <= 0 or bump <= 0:  # resting on a limit has words of its own
            continue
        if bump < DAMPER_LEFT and droop > 2 * bump:
            yield Finding(
                rule="damper_too_long",
                grade="look",
                place=place.value,
                station="travel",
                text="The damper is long for this height: {bump} of bump travel before it is solid, {droop} of droop",
                numbers={"bump": length(bump), "droop": length(droop)},
                reason="A damper near the end of its stroke lands on its stop on every larger bump.",
                mend=Mend(text="A shorter body or damper, or less drop; then look for the tyre"),
            )
        elif droop < DAMPER_LEFT and bump > 2 * droop:
            yield Finding(
                rule="damper_too_short",
                grade="look",
                place=place.value,
                station="travel",
                text="The damper is short for this height: {droop} of droop travel, {bump} of bump",
                numbers={"bump": length(bump), "droop": length(droop)},
                reason="With little droop the wheel is lifted off the road over crests, and the damper tops out hard.",
                mend=Mend(text="A longer body or damper, or a lower ride height"),
            )


def dampers_unlike(case: Case) -> Iterator[Finding]:
    """Left and right with other dampers, bodies or mounts."""
    for name, left, right in case.axles():
        one, two = case.stood.corners[left], case.stood.corners[right]
        first, second = (None if p is None else p.code for p in (damper_of(one), damper_of(two)))
        unlike = []
        if first != second:
            unlike.append(f"{first or 'the one found'} and {second or 'the one found'}")
        if (one.side.body or 0.0) != (two.side.body or 0.0):
            unlike.append("unlike bodies")
        if (one.side.top_mount or 0.0) != (two.side.top_mount or 0.0):
            unlike.append("unlike top mounts")
        if unlike and not case.is_found:
            yield Finding(
                rule="dampers_unlike",
                grade="look",
                place=name,
                station="travel",
                text=f"Left and right dampers differ: {', '.join(unlike)}",
                numbers={},
                reason="Unlike dampers hold the axle's sides differently: it pulls over bumps, and droops unevenly.",
                mend=Mend(text="Set both alike, unless the difference is meant"),
            )


def damper_lengths_untold(case: Case) -> Iterator[Finding]:
    """Another damper whose lengths beside the one found are not known: its limits are guesses."""
    if case.is_found:
        return
    for place, stood, _ in case.corners():
        found = stood.as_found
        if found is None or not is_own(stood.at, found.at):
            continue
        now, was = stood.side.damper, found.side.damper
        told = [p is not None and p.extended is not None and p.shut is not None for p in (now, was)]
        limits = _limits_told(case, place.end)
        if all(told) or limits:
            continue
        whose = "of this one" if told[1] else "of the one found" if told[0] else "of this one and of the one found"
        yield Finding(
            rule="damper_lengths_untold",
            grade="look",
            place=place.value,
            station="travel",
            text="Another damper is fitted; its limits are taken as found, because lengths are not told",
            numbers={},
            reason=f"Extended and shut length {whose} say how far droop and bump move.",
            mend=Mend(text="Measure both dampers extended and shut, between the same mounts"),
        )


def _limits_told(case: Case, end: str) -> bool:
    change = getattr(case.setup, f"{end}_end")
    limits = None if change is None else change.limits
    return limits is not None and limits.droop is not None and limits.solid is not None


def of_mount(part: DamperPart | None) -> Against | None:
    """What speaks against a spring on a damper."""
    if part is None or part.carries_spring is not False:
        return None
    return Against(
        rule="mount_carries_no_spring",
        grade="stop",
        station="geometry",
        text="The spring stands on a damper whose mounts are not meant to carry one",
        reason="Its eye, its shaft and what they are bolted to then bear the whole corner; they tear.",
        mend=Mend(text="A damper made to carry a spring, with its mounts reinforced by a licensed workshop"),
        row="the damper it stands on is not made to carry a spring",
    )


def stands_on_damper(stood: StandingCorner) -> bool:
    """Whether a coil spring at a corner stands on its damper."""
    layout = stood.facts.end.end.layout
    return stood.spring is not None and (perched_on_body(layout) or layout == "torsion arm")


def mount_carries_no_spring(case: Case) -> Iterator[Finding]:
    """A damper whose mounts were not made to carry a spring, with one on it."""
    for place, stood, _ in case.corners():
        layout, found = stood.facts.end.end.layout, stood.as_found
        part = damper_of(stood)
        if not stands_on_damper(stood) or case.is_found:
            continue
        against = of_mount(part)
        if against is not None:
            yield against.finding(place.value)
        elif (
            found is not None
            and found.facts.end.end.layout != layout
            and (part is None or part.carries_spring is None)
        ):
            yield Finding(
                rule="mount_to_be_asked",
                grade="stop",
                place=place.value,
                station="geometry",
                text="The spring now stands where only a damper stood: whether the mounts may carry it is not told",
                numbers={},
                reason="Damper mounts of such an end were made for pulls, not for the weight of the corner.",
                mend=Mend(text="Ask the maker of the vehicle or a licensed workshop, and say so at the damper"),
            )
