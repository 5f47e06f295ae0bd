"""Checks of two-wheelers: rake, sags, preload, riders, and strokes beside travels."""

from collections.abc import Iterator

from feder.core.document.setup import AirSpringPart
from feder.core.practice import plausible as usual
from feder.core.practice.plausible import Range
from feder.core.report.doubts.check import Check, Seen, beside, value_of
from feder.core.standing.facts import side_of


def of_cycle(seen: Seen) -> Iterator[Check]:
    if seen.kind == "car":
        return
    fork = seen.document.vehicle.ends.front.fork
    yield from beside(
        usual.RAKE[seen.kind],
        None if fork is None else fork.rake,
        key="rake",
        place="front",
        station="geometry",
        words="rake",
        text="A rake of {value}: {of} have {low} to {high}",
        reason="It is read from the vertical; the head angle of a bicycle is often told from the floor, 90 degrees less the rake.",
        paths=(("vehicle", "ends", "front", "fork", "rake"),),
    )
    for n, state in enumerate(seen.document.loads):
        for i, item in enumerate(state.items):
            if "rider" in item.name.lower() or len(state.items) == 1:
                yield from beside(
                    usual.RIDER,
                    item.mass,
                    key="rider",
                    place="vehicle",
                    station="survey",
                    words="rider",
                    text=f"{item.name} of {{value}}: {{of}} weigh {{low}} to {{high}}",
                    reason="Weigh the rider in kit; pounds may have been typed for kilograms.",
                    paths=(("loads", n, "items", i, "mass"),),
                )
    for place in seen.places:
        yield from _sags(seen, place.value)
        yield from _stroke(seen, place.value)


def _sags(seen: Seen, place: str) -> Iterator[Check]:
    said = seen.told.sags.get(place)  # type: ignore[call-overload]
    if said is None:
        return
    read, travel = value_of(said.rider_read), value_of(said.travel)
    if read is not None and travel:
        yield from beside(
            usual.RIDER_SAG[seen.kind],
            read / travel,
            key="rider_sag",
            place=place,
            station="survey",
            words="rider sag as read, of the travel",
            text="As read the rider takes {value} of the travel: {of} take {low} to {high}",
            reason="Readings, whole travel or rake is off: a shock's stroke typed as travel, or two readings exchanged.",
            paths=(("vehicle", "ends", place, "travel"),),
        )
    held = value_of(seen.told.corners[place].held_at_droop)  # type: ignore[index]
    if held is not None and seen.kind == "motorcycle":
        yield from beside(
            usual.PRELOAD,
            held,
            key="preload",
            place=place,
            station="survey",
            words="preload as found",
            text="Load, sag and rate would make a preload of {value}: {of} have {low} to {high}",
            reason="It follows from weight, free sag, rate and motion ratio. One of them is off.",
        )


def _stroke(seen: Seen, place: str) -> Iterator[Check]:
    """What the shock's stroke and the motion ratio make of the travel."""
    facts = seen.facts.ends[place]  # type: ignore[index]
    side, end = side_of(seen.document.setups[0], seen.places[0 if place == "front" else 1]), facts.end
    if (
        end.layout not in ("linkage", "twin shock")
        or end.travel is None
        or facts.droop is None
        or facts.solid is None
    ):
        return
    stroke = side.spring.travel if isinstance(side.spring, AirSpringPart) else None
    damper = side.damper
    if stroke is None and damper is not None and damper.extended is not None and damper.shut is not None:
        stroke = damper.extended - damper.shut
    if stroke is None or not facts.spring.known or stroke <= 0:
        return
    made = abs(float(facts.spring.travel(float(facts.droop), float(facts.solid))))
    yield from beside(
        Range(1 - usual.STROKE_OFF, 1 + usual.STROKE_OFF, "", "shocks"),
        made / stroke,
        key="stroke",
        place=place,
        station="travel",
        words="shock's stroke that the travel asks for, over its own",
        text="The travel told would move the shock {value} times its own stroke",
        reason="Travel of the wheel, times the motion ratio, is the shock's stroke. A stroke typed as travel, or the inverse of the "
        "ratio, shows like this.",
        paths=(("vehicle", "ends", place, "travel"),),
    )
