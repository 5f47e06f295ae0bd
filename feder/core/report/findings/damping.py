"""Rules on damping: shares of critical at both speeds, rebound over bump, clicks, and curves that are none."""

from collections.abc import Iterator

from feder.core.practice.thresholds import LEFT_WORN
from feder.core.report.findings.case import Case, share
from feder.core.report.findings.dampers import damper_of
from feder.core.report.findings.damping_reach import damping_at, of_damping
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.clicked import clicks_from_shut, faults_in

KNOBS = ("rebound", "bump", "high_bump", "both")


def damping_target(case: Case) -> Iterator[Finding]:
    """Low-speed damping outside the band wanted; told where a curve is known, or the band was typed."""
    brief, told = case.document.brief, case.document.brief.targets.damping is not None
    low, high = brief.damping_band
    for name, places in case.ends():
        ratios = [(p, r) for p in places if (r := case.report.corners[p].damping_ratio) is not None]
        if not ratios or not (told or case.stood.corners[places[0]].facts.end.clicked is not None):
            continue
        place, worst = max(ratios, key=lambda pair: max(low - float(pair[1].value), float(pair[1].value) - high))
        if low <= worst.value <= high:
            continue
        against = of_damping(damping_at(case.stood.corners[place], worst), (low, high), place.words)
        if against is not None:
            yield against.finding(name)


def hop_target(case: Case) -> Iterator[Finding]:
    """High-speed damping against wheel hop outside its band."""
    low, high = case.document.brief.hop_band
    for name, places in case.ends():
        told = [(p, r) for p in places if (r := case.report.corners[p].damping_high) is not None]
        if not told:
            continue
        place, worst = max(told, key=lambda pair: max(low - float(pair[1].value), float(pair[1].value) - high))
        if low <= worst.value <= high:
            continue
        soft = worst.value < low
        yield Finding(
            rule="hop_damping",
            grade="look",
            place=name,
            station="damping",
            text=f"{place.words.capitalize()}: {{ratio_now}} against wheel hop at high speed, {'below' if soft else 'above'} {{ratio_edge}}",
            numbers={"ratio_now": share(worst.value), "ratio_edge": share(low if soft else high)},
            reason="Below it the wheel patters on rough roads; above it sharp edges come through hard.",
            mend=Mend(text="Clicks alone move it little: the valving beyond the knee does"),
        )


def rebound_over_bump(case: Case) -> Iterator[Finding]:
    """Rebound over bump outside its band, at low or at high speed."""
    low, high = case.document.brief.split_band
    for place, _, report in case.corners():
        for word in ("low", "high"):
            now = getattr(report, f"split_{word}")
            if now is None or low <= now.value <= high:
                continue
            yield Finding(
                rule="rebound_over_bump",
                grade="look",
                place=place.value,
                station="damping",
                text=f"Rebound is {{ratio_now}} times bump at {word} speed; {{ratio_low}} to {{ratio_high}} are usual",
                numbers={"ratio_now": share(now.value), "ratio_low": share(low), "ratio_high": share(high)},
                reason="Far more rebound than bump pumps the body down over a series of bumps; too little lets it be thrown up.",
                mend=Mend(text="Turn one knob against the other"),
            )
            break


def worn_damper(case: Case) -> Iterator[Finding]:
    """A damper that a bounce test found worn, planned with what is left."""
    for place, stood, _ in case.corners():
        left = stood.damper_left
        if left is None or left >= LEFT_WORN:
            continue
        yield Finding(
            rule="worn_damper",
            grade="stop",
            place=place.value,
            station="damping",
            text="Worn: {ratio_left} of the damper's curve is left",
            numbers={"ratio_left": share(left)},
            reason="A worn damper lets wheel and body swing on; on one side alone it pulls the vehicle over bumps.",
            mend=Mend(text="Renew both dampers of the axle"),
        )


def clicks_unlike(case: Case) -> Iterator[Finding]:
    """Knobs of left and right at other clicks."""
    for name, left, right in case.axles():
        one, two = case.side(left), case.side(right)
        unlike = [
            f"{k.replace('_', '-speed ')} {_told(getattr(one, k))} against {_told(getattr(two, k))}"
            for k in KNOBS
            if _count(getattr(one, k)) != _count(getattr(two, k))
        ]
        if unlike and not case.is_found:
            yield Finding(
                rule="clicks_unlike",
                grade="look",
                place=name,
                station="damping",
                text=f"Left and right stand at other clicks: {', '.join(unlike)}",
                numbers={},
                reason="Unlike damping pulls the vehicle to one side over bumps. Of a worn pair replace both.",
                mend=Mend(text="Set both alike, unless the difference is meant"),
            )


def _told(clicks: object) -> str:
    return "none" if clicks is None else str(getattr(clicks, "count", ""))


def _count(clicks: object) -> tuple[object, object] | None:
    return None if clicks is None else (getattr(clicks, "count", None), getattr(clicks, "counted_from", None))


def locked_knob(case: Case) -> Iterator[Finding]:
    """A knob that is left alone, turned against as found."""
    if case.is_found:
        return
    for place, stood, _ in case.corners():
        part, found = damper_of(stood), (stood.as_found or stood).side
        for knob in () if part is None else part.knobs:
            now = clicks_from_shut(part, stood.side, knob.acts)  # type: ignore[arg-type]
            was = clicks_from_shut(part, found, knob.acts)  # type: ignore[arg-type]
            if knob.locked and now is not None and was is not None and now != was:
                yield Finding(
                    rule="locked_knob",
                    grade="look",
                    place=place.value,
                    station="damping",
                    text=f"The {knob.acts.replace('_', ' ')} knob is turned, and is to be left alone: {knob.locked}",
                    numbers={},
                    reason="It was said so of this damper. A seized knob that is forced breaks its needle.",
                    mend=Mend(text="Leave it as found, or say at the damper that it may be turned"),
                )


def no_curve(case: Case) -> Iterator[Finding]:
    """Curves of a damper that cannot be one, and clicks past those that were measured."""
    for place, stood, _ in case.corners():
        part = damper_of(stood)
        for name, why in () if part is None else faults_in(part):
            yield Finding(
                rule="no_damper_curve",
                grade="stop",
                place=place.value,
                station="damping",
                text=f"The curve of {name} is none of a damper: it {why}",
                numbers={},
                reason="Damping is not worked out from it.",
                mend=Mend(text="Put the readings right, or take that curve out"),
            )
            break
        curve = stood.facts.end.clicked
        if curve is not None and curve.beyond:
            yield Finding(
                rule="clicks_not_measured",
                grade="look",
                place=place.value,
                station="damping",
                text=f"The {' and '.join(curve.beyond)} clicks lie past those that were measured",
                numbers={},
                reason="The nearest measured curve stands in, and what follows is marked.",
                mend=Mend(text="Measure it there, or turn back to a click that was measured"),
            )
