"""Rules on the spring at its place: captive, solid, within the target, front against rear."""

from collections.abc import Iterator

from feder.core.document.base import ENDS
from feder.core.document.brief import LOADED_USES
from feder.core.document.setup import SpringPart
from feder.core.report.findings.case import Case, Rule, angle, hertz, length, share
from feder.core.report.shapes import Finding, Mend

SLENDER = 4.0
"""Free length over mean diameter beyond which a spring between plain seats may bow; general practice."""
TILTED = 0.035
"""Angle between the seats at ride that is asked about, rad; general practice."""
DROP_DIFFERS = 0.005
"""Difference between quoted and computed drop that is asked about, m."""


def solid_above_fitted(case: Case) -> Iterator[Finding]:
    for place, stood, _ in case.corners():
        spring, fitted = stood.spring, stood.spring_length
        if spring is None:
            continue
        if (
            spring.solid_length is not None
            and spring.free_length is not None
            and spring.solid_length >= spring.free_length
        ):
            yield _solid(place.value, spring.solid_length, spring.free_length, "free length")
        elif spring.solid_length is not None and fitted is not None and spring.solid_length >= fitted:
            yield _solid(place.value, spring.solid_length, fitted, "length at ride")


def _solid(place: str, solid: float, other: float, words: str) -> Finding:
    return Finding(
        rule="solid_above_fitted",
        grade="stop",
        place=place,
        station="springs",
        text=f"Solid length {{solid}} is not below the {words}, {{other}}",
        numbers={"solid": length(solid), "other": length(other)},
        reason="The coils would all touch before the load is carried: metal on metal, and a spring that breaks.",
        mend=Mend(text="Check free and solid length; else take a longer or stiffer spring"),
    )


def binds_first(case: Case) -> Iterator[Finding]:
    for place, _, report in case.corners():
        bind = report.bind
        others = [f.value for f in (report.solid, report.contact) if f is not None]
        if bind is not None and bind.value > 0 and others and bind.value < min(others):
            yield Finding(
                rule="binds_first",
                grade="stop",
                place=place.value,
                station="springs",
                text="Coils close at {bind}, before the other limit at {other}",
                numbers={"bind": length(bind.value), "other": length(min(others))},
                reason="A spring that goes solid stops the wheel metal on metal and takes a set or breaks.",
                mend=Mend(text="Take a spring with more travel: longer, or fewer coils of thicker wire"),
            )


def held_at_droop(case: Case) -> Iterator[Finding]:
    wanted = case.document.brief.held_at_droop
    for place, _, report in case.corners():
        held = report.held_at_droop
        if held is None or case.is_found:
            continue
        loose = held.value < 0
        if loose or held.value < wanted - 1e-9:
            text = (
                "Loose by {loose} at full droop" if loose else "Held by only {held} at full droop; {wanted} wanted"
            )
            yield Finding(
                rule="loose_at_droop" if loose else "barely_held",
                grade="look",
                place=place.value,
                station="springs",
                text=text,
                numbers={"loose": length(-held.value)}
                if loose
                else {"held": length(held.value), "wanted": length(wanted)},
                reason="A spring that comes loose rattles and may not seat again. A helper spring or less droop holds it; "
                "preload changes where it starts, not its rate.",
                mend=Mend(text="Take a longer spring, add a helper, or limit the droop"),
            )


def _meant_loaded(case: Case) -> bool:
    """Whether the targets are meant with the load on, and this report is without."""
    return case.document.brief.use in LOADED_USES and case.load is None and bool(case.document.loads)


def frequency_target(case: Case) -> Iterator[Finding]:
    band = case.document.brief.frequency_band
    if case.is_found or band is None or _meant_loaded(case):
        return
    low, high = band
    for name in ENDS:
        frequency = case.report.ends[name].frequency
        if frequency is None or low <= frequency.value <= high:
            continue
        yield Finding(
            rule="frequency_target",
            grade="look",
            place=name,
            station="springs",
            text="{frequency} lies outside the target, {low} to {high}",
            numbers={"frequency": hertz(frequency.value), "low": hertz(low), "high": hertz(high)},
            reason=f"The target is the starting point for {case.document.brief.use}; general practice, yours to edit.",
            mend=Mend(text="Take another spring, or move the target in the brief"),
        )


def front_to_rear(case: Case) -> Iterator[Finding]:
    """Rear over front against the school chosen in the brief."""
    ratio = case.report.vehicle.frequency_ratio
    if ratio is None or case.is_found or case.document.vehicle.kind != "car" or _meant_loaded(case):
        return
    brief = case.document.brief
    low, high = brief.ratio_band
    over = ratio.value - 1
    if brief.pitch_school == "flat ride" and not low <= ratio.value <= high:
        yield Finding(
            rule="flat_ride",
            grade="look",
            place="vehicle",
            station="springs",
            text="Rear {over} over front; flat ride wants {low} to {high}",
            numbers={"over": share(over), "low": share(low - 1), "high": share(high - 1)},
            reason="The rear meets a bump later. Only when it is somewhat quicker does it catch up, and pitch dies out.",
            mend=Mend(text="Take a stiffer or softer rear spring, or choose the other school in the brief"),
        )
    if brief.pitch_school == "stiff front" and ratio.value > 1:
        yield Finding(
            rule="stiff_front",
            grade="look",
            place="vehicle",
            station="springs",
            text="Rear {over} over front; the brief asks for the front higher",
            numbers={"over": share(over)},
            reason="A higher front frequency buys response and traction on smooth ground, and gives up flat ride.",
            mend=Mend(text="Take a stiffer front spring, or choose flat ride in the brief"),
        )


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


def may_bow(case: Case) -> Iterator[Finding]:
    """A long thin spring, or one between seats that are not parallel, leans on its damper."""
    for place, _, _ in case.corners():
        part, seat = case.side(place).spring, case.side(place).seat
        if not isinstance(part, SpringPart) or case.facts.ends[place.end].end.layout == "fork":
            continue  # a fork guides its springs in the tube
        if part.free_length and part.inside_diameter and part.tender_rate is None:
            mean = part.inside_diameter + (part.wire_diameter or 0.0)
            slender = part.free_length / mean
            if slender > SLENDER:
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
        if seat is not None and seat.tilt is not None and seat.tilt > TILTED:
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


SPRING_RULES: tuple[Rule, ...] = (
    solid_above_fitted,
    binds_first,
    held_at_droop,
    frequency_target,
    front_to_rear,
    rates_not_at_wheel,
    unlike_sides,
    may_bow,
    quoted_drop_differs,
)
