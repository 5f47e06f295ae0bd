"""Rules on what was measured: gaps, outliers, readings that cannot both be true, damage and the plate."""

from collections.abc import Iterator
from statistics import median

from feder.core.document.base import Place
from feder.core.practice.thresholds import (
    FRICTION_BAND,
    HEIGHT_OUTLIER,
    HUB_TOLERANCE,
    MASS_OUTLIER,
    READINGS_SCATTER,
    SEAT_DISAGREES,
)
from feder.core.report.findings.case import Case, length, mass
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.readings import readings_of


def hub_off_floor(case: Case) -> Iterator[Finding]:
    """Floor to arch less hub to arch is the hub's height: the same on both sides, and near the tyre's radius."""
    hubs = {p: _hub(case, p) for p in case.places}
    for place, hub in hubs.items():
        radius = case.facts.ends[place.end].end.tyre.radius
        if hub is None:
            continue
        if radius is not None and hub > radius + HUB_TOLERANCE:
            yield _hub_finding(
                place,
                "tyre_in_the_air",
                hub,
                radius,
                "With these readings the tyre hangs {gap} in the air: hub {hub} above the floor, tyre radius {other}",
            )
            continue
        mirror = hubs[place.mirror]
        if mirror is not None and abs(hub - mirror) > HUB_TOLERANCE and hub > mirror:
            yield _hub_finding(
                place,
                "hub_heights_differ",
                hub,
                mirror,
                "The hub stands {gap} higher than on the other side: {hub} against {other}",
            )


def _hub(case: Case, place: Place) -> float | None:
    corner = case.facts.corners[place]
    if corner.floor_to_arch is None or corner.hub_to_arch is None:
        return None
    return corner.floor_to_arch - corner.hub_to_arch


def _hub_finding(place: Place, rule: str, hub: float, other: float, text: str) -> Finding:
    return Finding(
        rule=rule,
        grade="look",
        place=place.value,
        station="survey",
        text=text,
        numbers={"gap": length(hub - other), "hub": length(hub), "other": length(other)},
        reason="Floor to arch less hub to arch is the height of the hub; it depends on the tyre alone. One of the two "
        "readings is off, a pressure is not set, or the floor is not level.",
        mend=Mend(text="Measure both heights again at this corner"),
    )


def side_to_side(case: Case) -> Iterator[Finding]:
    """One height or weight that stands out against its mirror corner."""
    for end, *sides in case.axles():
        left, right = (case.facts.corners[p] for p in sides)
        if left.hub_to_arch is not None and right.hub_to_arch is not None:
            apart = abs(left.hub_to_arch - right.hub_to_arch)
            if apart > HEIGHT_OUTLIER:
                yield Finding(
                    rule="height_outlier",
                    grade="look",
                    place=end,
                    station="survey",
                    text="Hub to arch differs by {apart} from left to right",
                    numbers={"apart": length(apart)},
                    reason="More than a sound vehicle shows. One reading is mistyped, was not taken after rolling, or a "
                    "spring has sagged or broken.",
                    mend=Mend(text="Roll the vehicle back and forth and measure both again"),
                )
        if left.mass is not None and right.mass is not None:
            middle = median([left.mass, right.mass])
            if abs(left.mass - right.mass) > MASS_OUTLIER * middle:
                yield Finding(
                    rule="weight_outlier",
                    grade="look",
                    place=end,
                    station="survey",
                    text="Left and right weigh {left} and {right}",
                    numbers={"left": mass(left.mass), "right": mass(right.mass)},
                    reason="So large a difference is rare. One reading is mistyped, a scale was not level with the "
                    "others, or left and right were swapped with another axle.",
                    mend=Mend(text="Check the scales for level and weigh again"),
                )


def scattered_readings(case: Case) -> Iterator[Finding]:
    for place in case.places:
        for quantity in ("hub_to_arch", "floor_to_arch"):
            values = [r.value for _, r in readings_of(case.document, place, quantity)]
            if len(values) > 1 and max(values) - min(values) > READINGS_SCATTER:
                yield Finding(
                    rule="scattered_readings",
                    grade="look",
                    place=place.value,
                    station="survey",
                    text="Repeated readings lie {spread} apart",
                    numbers={"spread": length(max(values) - min(values))},
                    reason="The bushes hold the body up or down by their twist until the vehicle has been rolled.",
                    mend=Mend(text="Roll the vehicle and read once more from the written-down point"),
                )


def not_prepared(case: Case) -> Iterator[Finding]:
    """Readings taken while the conditions are not ticked."""
    survey = case.document.survey
    if survey is None or not survey.readings:
        return
    ticks = (
        (survey.conditions.level_floor, "level floor"),
        (survey.conditions.pressures_set, "pressures set"),
        (survey.conditions.rolled, "rolled back and forth"),
    )
    missing = [words for done, words in ticks if not done]
    if missing:
        yield Finding(
            rule="not_prepared",
            grade="note",
            place="vehicle",
            station="survey",
            text=f"Not ticked: {', '.join(missing)}",
            reason="Heights read on a slope, at other pressures or before rolling can be off by more than the change planned.",
            mend=Mend(text="Tick what was done, or read again"),
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


def friction_band(case: Case) -> Iterator[Finding]:
    for name in case.facts.ends:
        place = case.facts.places_at(name)[0]
        band = case.report.corners[place].height_band
        if band is not None and band.value > FRICTION_BAND:
            yield Finding(
                rule="friction_band",
                grade="note",
                place=name,
                station="survey",
                text="Friction may hold this end up to {band} off its height, either way",
                numbers={"band": length(band.value)},
                reason="A reading anywhere in that band is right. The mean of one lifted and one pressed is free of it.",
                mend=Mend(text="Lift, let settle, read; press, let settle, read; take the mean"),
            )


def known_damage(case: Case) -> Iterator[Finding]:
    """What was found broken or doubtful, until it is said how it was dealt with; the row itself stays."""
    survey = case.document.survey
    for row in () if survey is None else survey.damages:
        if row.dealt is not None:
            continue
        said = f"{row.part}, {row.state}" if row.state else row.part
        yield Finding(
            rule="known_damage",
            grade="stop",
            place=row.place,
            station="survey",
            text=f"Known damage: {' '.join(said.split())[:100]}",
            reason="Cracked mounts, torn bushes, a weak damper or corroded towers make every number void, and can hurt. Doubtful parts belong with a licensed workshop.",
            mend=Mend(text="Deal with it before anything is planned, then say how and when in its row"),
        )


def plate_exceeded(case: Case) -> Iterator[Finding]:
    """Masses as they stand against the limits of the plate."""
    plate, found = case.document.vehicle.plate, {p: case.report.corners[p].mass for p in case.places}
    if any(m is None for m in found.values()):
        return
    values = {p: m.value for p, m in found.items() if m is not None}
    limits = (
        ("gross", plate.gross, sum(values.values())),
        ("front axle", plate.front_axle, sum(v for p, v in values.items() if p.end == "front")),
        ("rear axle", plate.rear_axle, sum(v for p, v in values.items() if p.end == "rear")),
    )
    for words, limit, now in limits:
        if limit is not None and now > limit:
            yield Finding(
                rule="plate_exceeded",
                grade="stop",
                place="vehicle",
                station="survey",
                text=f"{words.capitalize()}: {{now}}, the plate allows {{limit}}",
                numbers={"now": mass(now), "limit": mass(limit)},
                reason="No spring raises a legal or structural limit. Brakes, tyres and axle are made for the plate's mass.",
                mend=Mend(text="Carry less, or move the load"),
            )
