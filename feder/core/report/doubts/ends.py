"""Checks of what is typed of an end: tyre, masses, ratios, limits, stop, bar and arm."""

from collections.abc import Iterator

from feder.core.document.vehicle import End, RatioAssumed
from feder.core.practice import plausible as usual
from feder.core.practice.plausible import Range
from feder.core.report.doubts.check import Check, Path, Seen, beside
from feder.core.standing.facts import EndFacts

RATES = "Units of rates are mixed up easily: 1 kgf/mm is 9.81 N/mm, 1 N/mm is 5.71 lbf/in."


def of_ends(seen: Seen) -> Iterator[Check]:
    """What was typed of both ends."""
    for name, _ in seen.ends():
        facts = seen.facts.ends[name]
        at: Path = ("vehicle", "ends", name)
        for rule in (_tyre, _ratios, _travel, _stop, _roll, _torsion):
            yield from rule(seen, name, at, facts)


def _tyre(seen: Seen, name: str, at: Path, facts: EndFacts) -> Iterator[Check]:
    yield from beside(
        usual.TYRE_RATE[seen.kind],
        facts.tyre_rate,
        key="tyre_rate",
        place=name,
        station="geometry",
        words="tyre rate",
        text="A tyre of {value}: {of} have {low} to {high}",
        reason=f"A tyre stands many times stiffer than the spring behind it. {RATES}",
        paths=((*at, "tyre", "rate", "value"),),
        powers=(("tyre rate", 1.0),),
    )
    yield from beside(
        usual.TYRE_RADIUS[seen.kind],
        facts.end.tyre.radius,
        key="tyre_radius",
        place=name,
        station="geometry",
        words="loaded radius",
        text="A loaded radius of {value}: {of} have {low} to {high}",
        reason="It is read from the hub down to the floor: half the tyre, less what the load squeezes it.",
        paths=((*at, "tyre", "radius"),),
        powers=(("radius", 1.0),),
    )


def _ratios(seen: Seen, name: str, at: Path, facts: EndFacts) -> Iterator[Check]:
    layout, places = facts.end.layout, seen.facts.places_at(name)  # type: ignore[arg-type]
    hub = seen.facts.corners[places[0]].hub_to_arch
    if layout in usual.SPRING_RATIO and not isinstance(facts.end.spring.ratio, RatioAssumed):
        yield from beside(
            usual.SPRING_RATIO[layout],
            _ratio_at(facts, hub),
            key="spring_ratio",
            place=name,
            station="geometry",
            words="motion ratio of the spring",
            text="The spring moves {value} times as far as its wheel; {of} have {low} to {high}",
            reason="Above 1 the spring would move further than its wheel: the inverse was typed, or two columns were exchanged. "
            "The wheel rate goes with its square, so the error is squared too.",
            paths=((*at, "spring", "ratio"),),
        )
    if facts.end.damper is not None and layout in usual.DAMPER_RATIO:
        ratio = facts.damper.ratio(hub) if facts.damper.known else None
        yield from beside(
            usual.DAMPER_RATIO[layout],
            ratio,
            key="damper_ratio",
            place=name,
            station="geometry",
            words="motion ratio of the damper",
            text="The damper moves {value} times as far as its wheel; {of} have {low} to {high}",
            reason="Above 1 a damper moves further than its wheel: it would have to stand behind the wheel on its arm. "
            "The inverse was typed, or two columns were exchanged.",
            paths=((*at, "damper", "ratio"),),
        )
        further = Range(0.0, usual.MOVES_FURTHER, "", "dampers between pivot and wheel")
        if ratio is not None and float(ratio) <= usual.DAMPER_RATIO[layout].high:
            yield from beside(
                further,
                ratio,
                key="damper_further",
                place=name,
                station="geometry",
                words="motion ratio of the damper",
                text="The damper moves {value} times as far as its wheel: only one behind its wheel does",
                reason="A damper between pivot and wheel moves less than the wheel. Above 1 the inverse may have been typed.",
                grade="note",
                paths=((*at, "damper", "ratio"),),
            )


def _ratio_at(facts: EndFacts, hub: float | None) -> float | None:
    return facts.spring.ratio(hub) if facts.spring.known else None


def _travel(seen: Seen, name: str, at: Path, facts: EndFacts) -> Iterator[Check]:
    """Travel both ways from where the vehicle stood as found."""
    if seen.kind != "car":
        yield from beside(
            usual.TRAVEL[seen.kind],
            facts.end.travel,
            key="travel",
            place=name,
            station="travel",
            words="whole travel",
            text="A whole travel of {value}: {of} have {low} to {high}",
            reason="It is that of the wheel, or along the tube of a fork; a shock's stroke is a fraction of it.",
            paths=((*at, "travel"),),
        )
        return
    hubs = [h for p in seen.facts.places_at(name) if (h := seen.facts.corners[p].hub_to_arch) is not None]  # type: ignore[arg-type]
    if not hubs:
        return
    hub = sum(map(float, hubs)) / len(hubs)
    for key, limit, sign, ranges, words in (
        ("droop_travel", facts.droop, 1.0, usual.DROOP_TRAVEL, "droop"),
        ("bump_travel", facts.solid, -1.0, usual.BUMP_TRAVEL, "bump travel"),
    ):
        if limit is None:
            continue
        travel = sign * (float(limit) - hub)
        member = "droop" if key == "droop_travel" else "solid"
        yield from beside(
            ranges["car"],
            travel,
            key=key,
            place=name,
            station="geometry",
            words=f"{words} as found",
            text=f"{words.capitalize()} of {{value}} from where it stood: {{of}} have {{low}} to {{high}}",
            reason="Hub to arch as found and that at the limit are read from the same two points, springs out. One of them is off.",
            paths=((*at, "limits", member),),
        )


def _stop(seen: Seen, name: str, at: Path, facts: EndFacts) -> Iterator[Check]:
    part = facts.end.bump_stop
    if part is None or seen.kind != "car":
        return
    lead = seen.facts.places_at(name)[0]  # type: ignore[arg-type]
    told = seen.told.corners[lead].stop_gap
    gap = min(part.shaft - part.length, part.shaft if told is None else float(told.value))
    yield from beside(
        usual.STOP_GAP,
        gap,
        key="stop_gap",
        place=name,
        station="travel",
        words="gap to the stop as found",
        text="The stop would be squeezed by {value} already where its shaft was read, or as found",
        reason="Stop longer than the shaft that shows: the two were exchanged, or the shaft was read at another height.",
        paths=((*at, "bump_stop", "length"), (*at, "bump_stop", "shaft")),
        shown=-gap,
        shown_unit="m",
    )


def _roll(seen: Seen, name: str, at: Path, facts: EndFacts) -> Iterator[Check]:
    if seen.kind == "car":
        yield from beside(
            usual.ROLL_CENTRE["car"],
            facts.end.roll_centre,
            key="roll_centre",
            place=name,
            station="geometry",
            words="roll centre",
            text="A roll centre {value} over the floor: {of} have {low} to {high}",
            reason="It lies near the floor with wishbones and struts, near the hubs with a live axle.",
            paths=((*at, "roll_centre"),),
        )
    yield from beside(
        usual.FRICTION[seen.kind],
        facts.friction,
        key="friction",
        place=name,
        station="geometry",
        words="friction",
        text="Friction of {value} at one wheel: {of} have {low} to {high}",
        reason="It is half of what the wheel takes more in rising than in settling.",
        paths=((*at, "friction", "value"),),
    )


def _torsion(seen: Seen, name: str, at: Path, facts: EndFacts) -> Iterator[Check]:
    arm, end = facts.end.arm, facts.end
    if arm is None or end.layout != "torsion arm":
        return
    yield from beside(
        usual.ARM_LENGTH,
        arm.length,
        key="arm_length",
        place=name,
        station="geometry",
        words="arm",
        text="An arm of {value}: {of} have {low} to {high}",
        reason="It is read from the bar's axis to the wheel centre.",
        paths=((*at, "arm", "length"),),
    )
    yield from beside(
        usual.ARM_BELOW,
        arm.angle - (arm.chassis or 0.0),
        key="arm_below",
        place=name,
        station="geometry",
        words="arm below the chassis",
        text="The arm stands {value} below the chassis: {of} stand {low} to {high}",
        reason="Level readings of arm and chassis, wheel lower positive, taken the same way round.",
        paths=((*at, "arm", "angle"),),
    )
    for place in seen.facts.places_at(name):  # type: ignore[arg-type]
        report = seen.told.corners[place]
        if report.free_angle is None or report.arm_angle is None:
            continue
        yield from beside(
            usual.WOUND,
            float(report.free_angle.value) - float(report.arm_angle.value),
            key="wound",
            place=place.value,
            station="springs",
            words="winding of the bar as found",
            text="As found the bar would be wound by {value}: {of} are wound {low} to {high}",
            reason="Load times arm, over the bar's rate, is how far it is wound. Diameter, length, arm or weight is off.",
            powers=(("diameter", -4.0), ("length", 1.0), ("mass", 1.0)),
        )


def unsprung_range(seen: Seen, end: End) -> Range:
    """Share of unsprung mass that such an end has."""
    if seen.kind != "car":
        return usual.UNSPRUNG_SHARE[seen.kind]
    return usual.UNSPRUNG_SHARE["live axle" if end.layout == "live axle" else "car"]
