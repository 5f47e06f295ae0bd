"""Rules on what was measured: gaps, outliers, readings that cannot both be true, damage and the plate."""

from collections.abc import Iterator
from math import hypot, sqrt
from statistics import median

from feder.core.document.base import Place
from feder.core.document.setup import SpringPart
from feder.core.practice.thresholds import (
    FRICTION_BAND,
    HEIGHT_OUTLIER,
    HUB_TOLERANCE,
    MASS_OUTLIER,
    MASSES_SCATTER,
    MORE_REPEATS,
    READINGS_SCATTER,
    SEAT_DISAGREES,
)
from feder.core.practice.tolerances import BY_HOW, BY_UNIT
from feder.core.report.findings.case import Case, length, mass
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.corner import StandingCorner
from feder.core.standing.readings import readings_of, scatter_of, sure, sureness

HUBS = (
    "Floor to arch less hub to arch is the height of the hub; it depends on the tyre alone. One of the two readings is off, "
    "a pressure is not set, or the floor is not level."
)
READ_TO = {"mass": 1.0, "height": 1e-3}
"""How finely scales and tape are read, kg and m: two readings are each off by up to half of it."""
RADIUS_SURE = 0.002
"""How sure a loaded radius is, m: a tape, and a tyre that is never quite round."""


def hub_off_floor(case: Case) -> Iterator[Finding]:
    """Floor to arch less hub to arch is the hub's height: the same on both sides, and near the tyre's radius."""
    hubs = {p: hub for p in case.places if (hub := _hub(case, p)) is not None}
    for place, hub in hubs.items():
        radius = case.facts.ends[place.end].end.tyre.radius
        mine = _sure(case, place)
        if radius is not None and hub - radius > max(HUB_TOLERANCE, sure(len(hubs)) * hypot(mine, RADIUS_SURE)):
            yield _hub_finding(
                place,
                (hub, radius),
                rule="tyre_in_the_air",
                reason=HUBS,
                text="With these readings the tyre hangs {gap} in the air: hub {hub} above the floor, tyre radius {other}",
            )
            continue
        other = hubs.get(place.mirror)
        if other is None or abs(hub - other) <= max(
            HUB_TOLERANCE, sure(len(hubs) // 2) * hypot(mine, _sure(case, place.mirror))
        ):
            continue
        if _further_off(case, hubs, place):
            yield _hub_finding(
                place,
                (hub, other),
                rule="hub_heights_differ",
                reason=HUBS,
                text=f"The hub stands {{gap}} {'higher' if hub > other else 'lower'} than on the other side: {{hub}} against {{other}}",
            )


def _further_off(case: Case, hubs: dict[Place, float], place: Place) -> bool:
    """Whether this side is the one that lies further off: from the tyre's radius, or else from the other end's hubs."""
    radius = case.facts.ends[place.end].end.tyre.radius
    elsewhere = [h for p, h in hubs.items() if p.end != place.end]
    if radius is None and len(elsewhere) < 2:
        return hubs[place] > hubs[place.mirror]
    meant = radius if radius is not None else sum(elsewhere) / len(elsewhere)
    mine, other = abs(hubs[place] - meant), abs(hubs[place.mirror] - meant)
    return mine > other or (mine == other and hubs[place] > hubs[place.mirror])


def _hub(case: Case, place: Place) -> float | None:
    corner = case.facts.corners[place]
    if corner.floor_to_arch is None or corner.hub_to_arch is None:
        return None
    return float(corner.floor_to_arch) - float(corner.hub_to_arch)


def _sure(case: Case, place: Place) -> float:
    """How sure a hub's height over the floor is."""
    return hypot(*(sureness(case.document, place, q) for q in ("floor_to_arch", "hub_to_arch")))


def _hub_finding(place: Place, heights: tuple[float, float], *, rule: str, text: str, reason: str) -> Finding:
    hub, other = heights
    return Finding(
        rule=rule,
        grade="look",
        place=place.value,
        station="survey",
        text=text,
        numbers={"gap": length(abs(hub - other)), "hub": length(hub), "other": length(other)},
        reason=reason,
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
    """Repeats of one reading that lie further apart than such readings scatter."""
    repeats = {
        (place, quantity): found
        for place in case.places
        for quantity in ("hub_to_arch", "floor_to_arch", "mass")
        if len(found := [r for _, r in readings_of(case.document, place, quantity)]) > 1
    }
    for (place, quantity), found in repeats.items():
        values, weighed = [r.value for r in found], quantity == "mass"
        allowed = max(scatter_of(r) for r in found) * (
            sure(len(repeats)) * sqrt(2) + MORE_REPEATS * (len(found) - 2)
        )
        allowed += READ_TO["mass" if weighed else "height"]
        spread = max(values) - min(values)
        if spread <= max(MASSES_SCATTER if weighed else READINGS_SCATTER, allowed):
            continue
        yield Finding(
            rule="scattered_readings",
            grade="look",
            place=place.value,
            station="survey",
            text=f"Repeated {'weights' if weighed else quantity.replace('_', ' ')} lie {{spread}} apart",
            numbers={"spread": mass(spread) if weighed else length(spread)},
            reason="A scale that is not level with the others, or bushes that hold the body by their twist: the mean of such "
            "readings is none. One of them is mistyped, or the vehicle was not rolled."
            if weighed
            else "The bushes hold the body up or down by their twist until the vehicle has been rolled.",
            mend=Mend(
                text="Roll the vehicle on and off the scales and weigh once more"
                if weighed
                else "Roll the vehicle and read once more from the written-down point"
            ),
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
    found = case.report if case.is_found else case.found
    for place, now, _ in case.corners():
        stood = now.as_found or now
        side, seat, ratio = stood.side, stood.seat, stood.motion_ratio
        if (
            found is None
            or side.seat is None
            or side.collar is None
            or seat is None
            or not ratio
            or stood.collar is None
        ):
            continue
        apart = abs(float(stood.collar) - side.collar)
        if apart > max(SEAT_DISAGREES, sure(len(case.places)) * squeeze_sure(stood)):
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


def squeeze_sure(stood: StandingCorner) -> float:
    """How sure the spring's squeeze by load over rate is, with seat and collar read by tape."""
    part, force = stood.side.spring, stood.spring_force
    if not isinstance(part, SpringPart) or force is None:
        return 0.0
    rate = part.rate.tolerance or (BY_HOW.get(part.rate.how) or BY_UNIT["N/m"]).of(part.rate.value)
    squeezed = float(force) / part.rate.value
    return hypot(
        squeezed * rate / part.rate.value, squeezed * BY_UNIT[""].size, BY_HOW["tape"].size, BY_HOW["tape"].size
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
