"""Rules on what was measured: gaps, outliers, readings that cannot both be true."""

from collections.abc import Iterator
from statistics import median

from feder.core.document.base import Place
from feder.core.report.findings.case import Case, Rule, length, mass
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.facts import readings_of

HUB_TOLERANCE = 0.004
"""Hub heights of one axle, or hub and tyre radius, that differ by more than this are asked about, m."""
OUTLIER = 0.015
"""A side-to-side difference of hub to arch beyond which one of the two is likely mistyped, m."""
SCATTER = 0.004
"""Spread of repeated readings that asks for another, m."""
MASS_OUTLIER = 0.25
"""Share by which left and right weights of an axle may differ before one is doubted."""


def unsprung_above_corner(case: Case) -> Iterator[Finding]:
    for place in case.places:
        corner = case.facts.corners[place]
        heavy = corner.end.unsprung_mass
        if corner.mass is not None and heavy is not None and heavy >= corner.mass:
            yield Finding(
                rule="unsprung_above_corner",
                grade="stop",
                place=place.value,
                station="geometry",
                text="Unsprung mass {unsprung} is not below the weight here, {mass}",
                numbers={"unsprung": mass(heavy), "mass": mass(corner.mass)},
                reason="Nothing would be left to ride on the spring. One of the two is mistyped, or the unsprung mass is "
                "that of the whole axle; it is wanted per corner.",
                mend=Mend(text="Check the weight and the unsprung mass per corner"),
            )


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
            if apart > OUTLIER:
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
            if len(values) > 1 and max(values) - min(values) > SCATTER:
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


SURVEY_RULES: tuple[Rule, ...] = (
    unsprung_above_corner,
    hub_off_floor,
    side_to_side,
    scattered_readings,
    not_prepared,
)
