"""Rules on parts and their places: load bands, swapped or mirrored parts, and what preload and indexing cannot do."""

from collections.abc import Iterator

from feder.core.document.base import Place
from feder.core.document.setup import SideSetup, SpringPart, TorsionBarPart
from feder.core.report.findings.case import Case, Rule, angle, figure_of, length, share
from feder.core.report.shapes import Finding, Mend
from feder.core.standing.facts import side_of

PRELOAD_MOVED = 0.002
"""Change of a collar with the spring kept that is worth a word, m."""
PLATE_OFF = 0.0175
"""Difference of a plate's reading from its computed angle that is told, rad: one degree."""
INDEXED = 0.005
"""Change of a free angle with the bar kept that is worth a word, rad."""
PRESSURE_DISAGREES = 0.10
"""Share by which a pressure read may differ from the one that load and height imply."""


def load_band_exceeded(case: Case) -> Iterator[Finding]:
    for place, stood, report in case.corners():
        part, force = case.side(place).spring, report.spring_force
        if not isinstance(part, SpringPart) or part.most_load is None or force is None:
            continue
        each = force.value / float(stood.facts.end.legs)
        if each > part.most_load:
            yield Finding(
                rule="load_band_exceeded",
                grade="stop",
                place=place.value,
                station="springs",
                text=f"{part.code} carries {{force}}; its maker's load band ends at {{most}}",
                numbers={"force": figure_of(each, "N"), "most": figure_of(part.most_load, "N")},
                reason="Beyond its band a spring takes a set or breaks, whatever travel is left.",
                mend=Mend(text="Take a spring made for this load, or carry less"),
            )


def springs_swapped(case: Case) -> Iterator[Finding]:
    """Unlike springs as found that changed sides in this setup."""
    found = case.document.setups[0]
    for name, left, right in case.axles():
        was = [_code(side_of(found, p)) for p in (left, right)]
        now = [_code(case.side(p)) for p in (left, right)]
        if None not in was and was[0] != was[1] and now == was[::-1]:
            yield Finding(
                rule="springs_swapped",
                grade="look",
                place=name,
                station="springs",
                text=f"{now[0]} is now left and {now[1]} right; as found it was the other way round",
                reason="Unlike sides are usually meant: for the driver's weight, or a handed part.",
                mend=Mend(text="Check which side each belongs to before it is fitted"),
            )


def _code(side: SideSetup) -> str | None:
    return None if side.spring is None else side.spring.code


def bar_on_wrong_side(case: Case) -> Iterator[Finding]:
    for place in case.places:
        part = case.side(place).spring
        if not isinstance(part, TorsionBarPart) or part.handed is None:
            continue
        here = "left" if place.is_left else "right"
        if part.handed != here:
            yield Finding(
                rule="bar_on_wrong_side",
                grade="stop",
                place=place.value,
                station="springs",
                text=f"{part.code} is marked {part.handed} and stands on the {here}",
                reason="A torsion bar is pre-stressed one way. Wound the other way it takes a set and may break.",
                mend=Mend(text="Read the mark on the end of both bars, and keep left on the left"),
            )


def preload_not_stiffer(case: Case) -> Iterator[Finding]:
    """The collar was moved and the linear spring kept: the start of the travel moves, the rate does not."""
    for name, places in _ends(case):
        lead = places[0]
        side, stood, report = case.side(lead), case.stood.corners[lead], case.report.corners[lead]
        was = side_of(case.document.setups[0], lead)
        part = side.spring
        if case.is_found or not isinstance(part, SpringPart) or part != was.spring or report.collar is None:
            continue
        moved = float(report.collar.value) - float(was.collar or 0.0)
        if abs(moved) < PRELOAD_MOVED or stood.spring is None or stood.spring.table is not None:
            continue
        yield Finding(
            rule="preload_not_stiffer",
            grade="note",
            place=name,
            station="height",
            text=f"Collar {'up' if moved > 0 else 'down'} by {{moved}} with the same spring: the rate stays {{rate}}",
            numbers={"moved": length(abs(moved)), "rate": figure_of(stood.spring.rate, "N/m")},
            reason="Preload moves the height, and the force at which the travel starts. A linear spring's rate is its own.",
            mend=Mend(text="For a stiffer spring take one of another rate"),
        )


def indexing_not_stiffer(case: Case) -> Iterator[Finding]:
    for name, places in _ends(case):
        lead = places[0]
        report, part = case.report.corners[lead], case.side(lead).spring
        was = side_of(case.document.setups[0], lead).spring
        turned, rate = report.free_angle_change, report.angular_rate
        if case.is_found or not isinstance(part, TorsionBarPart) or part != was or turned is None or rate is None:
            continue
        if abs(turned.value) < INDEXED:
            continue
        now, then = report.wheel_rate, rate_as_found(case, lead.value)
        numbers = {"turned": angle(abs(turned.value))}
        if now is not None and then:
            numbers["change"] = share(abs(now.value / then - 1))
        told = " (at the wheel {change}, through the arm's angle)" if "change" in numbers else ""
        yield Finding(
            rule="indexing_not_stiffer",
            grade="note",
            place=name,
            station="height",
            text=f"Indexed by {{turned}}: the height moves, the bar's rate does not{told}",
            numbers=numbers,
            reason="A bar's rate follows from its diameter and length. Where its splines stand only sets where it starts.",
            mend=Mend(text="For a stiffer end take a thicker bar"),
        )


def plate_reads_otherwise(case: Case) -> Iterator[Finding]:
    """The free plate angle that the level showed, against what weight, height, arm and bar make of it."""
    found = case.report if case.is_found else case.found
    for place, stood, _ in case.corners():
        read = side_of(case.document.setups[0], place).free_angle
        made = None if found is None else found.corners[place].free_angle
        if stood.bar is None or read is None or made is None or abs(read - made.value) < PLATE_OFF:
            continue
        yield Finding(
            rule="plate_reads_otherwise",
            grade="look",
            place=place.value,
            station="height",
            text="The free plate reads {read}; weight, height, arm and bar make {made}",
            numbers={"read": angle(read), "made": angle(made.value)},
            reason="Moves are counted from the reading, the angle wanted comes from the numbers: one of them is off, "
            "and the height will be off by as much.",
            mend=Mend(
                text="Read the plate again with the level zeroed; then check bar diameter, arm length and weight"
            ),
        )


def damper_mounts_loaded(case: Case) -> Iterator[Finding]:
    """A coil beside a torsion bar, or in its place, stands on mounts that were made for a damper."""
    for place, stood, _ in case.corners():
        hub = stood.spring_hub
        if stood.facts.end.end.layout != "torsion arm" or hub is None:
            continue
        force = stood.spring_force if stood.beside is None else stood.beside.force_at(hub)
        if force is None:
            continue
        yield Finding(
            rule="damper_mounts_loaded",
            grade="look",
            place=place.value,
            station="springs",
            text="A coil stands with {force} on the damper's mounts at ride",
            numbers={"force": figure_of(force, "N")},
            reason="They were made for a damper that pushes back for moments, not for a spring that stands on them always.",
            mend=Mend(text="Have mounts and body looked at by a licensed workshop, or take a thicker bar instead"),
        )


def rate_as_found(case: Case, place: str) -> float | None:
    """Wheel rate of a torsion arm as found, for the comparison."""
    found = case.found
    figure = None if found is None else {p.value: r for p, r in found.corners.items()}[place].wheel_rate
    return None if figure is None else float(figure.value)


def _ends(case: Case) -> Iterator[tuple[str, tuple[Place, ...]]]:
    for name in case.facts.ends:
        yield name, case.facts.places_at(name)


def pressure_disagrees(case: Case) -> Iterator[Finding]:
    """As found, the pressure read must agree with what load and height say."""
    if not case.is_found:
        return
    for place, stood, report in case.corners():
        read, implied = case.side(place).pressure, report.pressure
        if stood.air is None or read is None or implied is None or not read:
            continue
        if abs(implied.value / read - 1) > PRESSURE_DISAGREES:
            yield Finding(
                rule="pressure_disagrees",
                grade="look",
                place=place.value,
                station="survey",
                text="Load and height ask for {implied}; {read} was read",
                numbers={"implied": figure_of(implied.value, "Pa"), "read": figure_of(read, "Pa")},
                reason="Weight, height, chamber or gauge is off; pumping at another travel, or a leak, shows like this too.",
                mend=Mend(text="Read pressure and height again, the wheel off the floor for the pressure"),
            )


def air_out_of_reach(case: Case) -> Iterator[Finding]:
    for place, stood, report in case.corners():
        if (
            stood.air is None
            or report.stroke is None
            or report.spring_force is None
            or report.pressure is not None
        ):
            continue
        yield Finding(
            rule="air_out_of_reach",
            grade="stop",
            place=place.value,
            station="height",
            text="No pressure carries this load at a stroke of {stroke}",
            numbers={"stroke": length(report.stroke.value)},
            reason="The stroke lies past the end of the chamber, or the load is so small that the spring would have to pull.",
            mend=Mend(text="Check height, chamber volume and the height at full extension"),
        )


PART_RULES: tuple[Rule, ...] = (
    load_band_exceeded,
    springs_swapped,
    bar_on_wrong_side,
    preload_not_stiffer,
    indexing_not_stiffer,
    plate_reads_otherwise,
    damper_mounts_loaded,
    pressure_disagrees,
    air_out_of_reach,
)
