"""Rules on two wheels: readings, preload first, whether the spring is right, air, balance and lean."""

from collections.abc import Iterator
from itertools import pairwise
from math import hypot, sqrt

from feder.core.document.base import Place
from feder.core.document.brief import Pair
from feder.core.document.document import LoadState
from feder.core.document.setup import SpringPart
from feder.core.document.survey import SAG_PULLS, SAG_STATES
from feder.core.formulas.sag import WIDE, judged
from feder.core.numbers.quantities import G
from feder.core.numbers.working import untraced
from feder.core.practice.thresholds import (
    MUCH_FRICTION,
    PRELOAD_DISAGREES,
    PRESSURE_DISAGREES,
    RIDER_DISAGREES,
    RULE_STEP,
)
from feder.core.practice.tolerances import BY_HOW, BY_UNIT
from feder.core.report.figures.sags import Bands, bands_of
from feder.core.report.figures.steering import steering_report
from feder.core.report.findings.case import Case, angle, figure_of, length, mass
from feder.core.report.shapes import Figure, Finding, Mend, SagReport
from feder.core.standing.corner import StandingCorner
from feder.core.standing.readings import readings_of, sure, sureness
from feder.core.standing.stand import stand

PRELOAD_READ = 1e-3
"""How sure a preload is that was measured as the difference of two lengths, m."""
LEAN_STEP = 0.0009
"""Half the last digit in which a lean is told, rad."""
READ = {"extended": "Fully extended", "bike": "Bike alone", "rider": "Rider on"}


def sags_out_of_order(case: Case) -> Iterator[Finding]:
    """A wheel with more load on it cannot hang lower: two readings are swapped or mistyped."""
    for place in case.places:
        reads, said = case.facts.ends[place.end].sags, case.report.sags.get(place)
        factor = 1.0 if said is None else said.read_factor
        heights = [(state, h / factor) for state in SAG_STATES if (h := reads.of(state)) is not None]
        for (state, before), (other, after) in pairwise(heights):
            scatter = hypot(_sureness(case, place, state), _sureness(case, place, other))
            if after > before + sure(2 * len(case.places)) * scatter:
                yield Finding(
                    rule="sags_out_of_order",
                    grade="stop",
                    place=place.value,
                    station="survey",
                    text=f"{READ[other]} reads longer than {READ[state].lower()}: {{after}} over {{before}}",
                    numbers={"after": length(after), "before": length(before)},
                    reason="Load can only push the wheel in. Two readings are swapped, mistyped, or of different points.",
                    mend=Mend(text="Read both again from the same two points"),
                )


def _sureness(case: Case, place: Place, state: str) -> float:
    """How sure the mean of a lifted and a pressed reading is."""
    sures = [s for pull in SAG_PULLS if (s := sureness(case.document, place, f"{state}_{pull}")) > 0]
    return hypot(*sures) / len(sures) if sures else 0.0


def pressed_over_lifted(case: Case) -> Iterator[Finding]:
    """Let down from lifted a wheel hangs lower than risen from pressed: pressed cannot read longer."""
    every: list[tuple[float, float]] = []
    by_place = {}
    for place in case.places:
        pairs = by_place[place] = _pulls(case, place)
        every += pairs
    told = (
        {"vehicle": every}
        if _backwards(every)
        else {p.value: pairs for p, pairs in by_place.items() if _backwards(pairs)}
    )
    for where, pairs in told.items():
        apart = -sum(d for d, _ in pairs) / len(pairs)
        yield Finding(
            rule="pressed_over_lifted",
            grade="look",
            place=where,
            station="survey",
            text="Pressed reads {apart} longer than lifted, in the mean",
            numbers={"apart": length(apart)},
            reason="Friction holds the wheel where it came from: let down from lifted it stays out, risen from pressed it stays in. "
            "The two columns were exchanged.",
            mend=Mend(text="Exchange lifted and pressed, or read them again"),
        )


def _pulls(case: Case, place: Place) -> list[tuple[float, float]]:
    """Lifted less pressed of each state, and how sure that is."""
    found = []
    for state in SAG_STATES:
        means = []
        for pull in SAG_PULLS:
            read = [r.value for _, r in readings_of(case.document, place, f"{state}_{pull}")]
            means.append(sum(read) / len(read) if read else None)
        if means[0] is not None and means[1] is not None:
            sures = [sureness(case.document, place, f"{state}_{pull}") for pull in SAG_PULLS]
            found.append((means[0] - means[1], hypot(*sures)))
    return found


def _backwards(pairs: list[tuple[float, float]]) -> bool:
    """Whether the mean of such differences lies below 0 by more than it scatters."""
    if not pairs:
        return False
    return sum(d for d, _ in pairs) < -sure(3) * hypot(*(s for _, s in pairs))


def rider_disagrees(case: Case) -> Iterator[Finding]:
    """What the sags carry, beside the rider's mass as told."""
    said = case.report.steering
    if said is None or said.rider_by_sags is None or said.rider_told is None or case.load is not None:
        return
    by_sags, told = said.rider_by_sags, said.rider_told
    if abs(by_sags.value - told.value) > max(
        RIDER_DISAGREES * told.value, sure(1) * _rider_sure(case, by_sags.value)
    ):
        yield Finding(
            rule="rider_disagrees",
            grade="look",
            place="vehicle",
            station="survey",
            text="The sags carry a rider of {sags}; {told} is told",
            numbers={"sags": mass(by_sags.value), "told": mass(told.value)},
            reason="Spring rate, motion ratio, a reading or the rider's mass is off; feet on the floor show like this too.",
            mend=Mend(
                text="Weigh the rider in kit, read rider sag again with both feet up, check the spring's rate"
            ),
        )


def _rider_sure(case: Case, rider: float) -> float:
    """How sure the mass by the sags is: readings of two states at each wheel, and the rates that carry it."""
    parts = [rider * BY_UNIT["N/m"].size / sqrt(2)]
    for place in case.places:
        rate = case.report.corners[place].wheel_rate
        if rate is not None:
            parts.append(float(rate.value) * hypot(*(_sureness(case, place, s) for s in ("bike", "rider"))) / G)
    return hypot(*parts)


def much_friction(case: Case) -> Iterator[Finding]:
    for place in case.places:
        said = case.report.sags.get(place)
        if said is None or said.rider_friction is None or said.rider_read is None:
            continue
        if said.rider_friction.value > MUCH_FRICTION * said.rider_read.value > 0:
            yield Finding(
                rule="much_friction",
                grade="look",
                place=place.value,
                station="survey",
                text="Lifted and pressed differ by {both} with the rider on",
                numbers={"both": length(2 * (said.rider_friction_along or said.rider_friction).value)},
                reason="So much friction hides the spring: tight seals or bushes, a bent axle or tube, a fork clamped askew.",
                mend=Mend(text="Free the fork or linkage first, then read again"),
            )


def pressure_disagrees(case: Case) -> Iterator[Finding]:
    """As found, the pressure read must agree with what load and height say."""
    if not case.is_found:
        return
    for place, stood, report in case.corners():
        read, implied = case.side(place).pressure, report.pressure
        if stood.air is None or read is None or implied is None or not read:
            continue
        heavy, sprung = stood.facts.mass, stood.sprung_mass
        scales = 0.0 if heavy is None or not sprung else sureness(case.document, place, "mass") / float(sprung)
        if abs(implied.value / read - 1) > max(PRESSURE_DISAGREES, sure(len(case.places)) * scales):
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


def preload_disagrees(case: Case) -> Iterator[Finding]:
    """As found, the preload told must agree with what load, sag and rate make of it."""
    if not case.is_found or len(case.places) != 2:
        return
    for place, stood, report in case.corners():
        side, made = case.side(place), report.held_at_droop
        fork = stood.facts.end.end.layout == "fork"
        told = side.preload if side.preload is not None or fork else side.collar
        if told is None or made is None or stood.facts.mass is None:
            continue
        if abs(told - made.value) <= max(
            PRELOAD_DISAGREES, sure(len(case.places)) * _preload_sure(case, place, stood)
        ):
            continue
        yield Finding(
            rule="preload_disagrees",
            grade="look",
            place=place.value,
            station="survey",
            text="Load, sag and rate make a preload of {made}; {told} is told",
            numbers={"made": length(made.value), "told": length(told)},
            reason="Weight, a sag, the spring's rate or the preload is off: sags asked for will be off with it.",
            mend=Mend(text="Measure the spring free and in place at full extension; weigh the end again"),
        )


def _preload_sure(case: Case, place: Place, stood: StandingCorner) -> float:
    """How sure the preload is that load, sag and rate make: the squeeze by its rate, and two sags along the spring."""
    part, force, ratio = stood.side.spring, stood.spring_force, stood.motion_ratio
    if not isinstance(part, SpringPart) or force is None or ratio is None:
        return 0.0
    squeezed = float(force) / float(stood.facts.end.legs) / part.rate.value
    rate = part.rate.tolerance or (BY_HOW.get(part.rate.how) or BY_UNIT["N/m"]).of(part.rate.value)
    sags = hypot(*(_sureness(case, place, s) for s in ("extended", "bike"))) * float(ratio)
    heavy, sprung = sureness(case.document, place, "mass"), stood.sprung_mass
    scales = 0.0 if not sprung else squeezed * heavy / float(sprung)
    return hypot(squeezed * rate / part.rate.value, squeezed * BY_UNIT[""].size, sags, scales, PRELOAD_READ)


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


def sag_verdict(case: Case) -> Iterator[Finding]:
    """Rider sag out of its band asks for preload; in its band, free sag judges the spring."""
    for place in case.places:
        sags, bands = case.report.sags.get(place), _bands_at(case, place)
        if sags is None or sags.rider_sag is None or sags.free_sag is None or bands is None:
            continue
        rider_band, free_band = bands
        with untraced():
            said = judged(_edge(sags.rider_sag, rider_band), _edge(sags.free_sag, free_band), bands)
        if said == "preload first":
            yield _preload_first(place.value, sags, rider_band)
        elif said != "fits" and free_band != WIDE:
            soft = said == "too soft"
            yield Finding(
                rule="spring_too_soft" if soft else "spring_too_stiff",
                grade="look",
                place=place.value,
                station="springs",
                text="Free sag {free} with the rider sag right; {low} to {high} wanted",
                numbers={
                    "free": length((sags.free_sag_along or sags.free_sag).value),
                    "low": length(free_band[0] / sags.read_factor),
                    "high": length(free_band[1] / sags.read_factor),
                },
                reason="Much preload holds up a spring that is too soft: the bike alone hardly settles. Preload moves the start, "
                "not the rate."
                if soft
                else "So little preload was needed that the spring is too stiff: the bike alone settles too far.",
                mend=Mend(text="Take a stiffer spring with less preload" if soft else "Take a softer spring"),
            )


def _edge(sag: Figure, band: Pair) -> float:
    """A sag that lies on an edge of its band, as near as any reading, is on it."""
    value = float(sag.value)
    return next((edge for edge in band if abs(value - edge) < RULE_STEP / 2), value)


def _bands_at(case: Case, place: Place) -> Bands | None:
    sags = case.report.sags.get(place)
    return None if sags is None else bands_of(sags)


def _preload_first(place: str, sags: SagReport, band: Pair) -> Finding:
    assert sags.rider_sag is not None
    sag = sags.rider_sag.value
    deep, air = sag > band[1], sags.wanted_pressure is not None
    return Finding(
        rule="preload_first",
        grade="look",
        place=place,
        station="height",
        text="Rider sag {sag}; {low} to {high} wanted",
        numbers={
            "sag": length((sags.rider_sag_along or sags.rider_sag).value),
            "low": length(band[0] / sags.read_factor),
            "high": length(band[1] / sags.read_factor),
        },
        reason="Only when rider sag is right does free sag say whether the spring is.",
        mend=Mend(
            text=("More" if deep else "Less") + " pressure"
            if air
            else "Add preload"
            if deep
            else "Take preload off"
        ),
    )


def ends_out_of_balance(case: Case) -> Iterator[Finding]:
    """One end above its sag band, the other below: the bike is tilted."""
    off = {}
    for place in case.places:
        sags, bands = case.report.sags.get(place), _bands_at(case, place)
        sag = None if sags is None else sags.rider_sag
        if sag is None or bands is None:
            return
        low, high = bands[0]
        at = _edge(sag, (low, high))
        off[place.end] = 1 if at > high else -1 if at < low else 0
    if off.get("front", 0) * off.get("rear", 0) < 0:
        deep = "front" if off["front"] > 0 else "rear"
        gains = (
            "steepens the rake and shortens the trail"
            if deep == "front"
            else "slackens the rake and lengthens the trail"
        )
        yield Finding(
            rule="ends_out_of_balance",
            grade="look",
            place="vehicle",
            station="height",
            text=f"The {deep} sits low and the other end high",
            reason=f"That {gains}: the bike steers {'quicker and less steadily' if deep == 'front' else 'slower and runs wide'}.",
            mend=Mend(text="Set both ends' rider sag as a pair"),
        )


def leans_too_little(case: Case) -> Iterator[Finding]:
    """The worst load state is told in every view: what touches two-up is no less so while the bike stands alone."""
    wanted, now = case.document.brief.targets.lean, case.report.steering
    if wanted is None or now is None or now.lean_ridden is None:
        return
    states: list[LoadState | None] = [s for s in case.document.loads if s.items and s != case.load]
    found = [(now, case.load)]
    with untraced():
        for state in states or [None]:
            stood = case.stood if state is None else stand(case.facts, case.setup, state)
            said = steering_report(case.facts, case.setup.id, stood)
            if said is not None and said.lean_ridden is not None:
                found.append((said, state))
    worst, state = min(found, key=lambda pair: pair[0].lean_ridden.value if pair[0].lean_ridden else wanted)
    if worst.lean_ridden is None or worst.lean_ridden.value >= wanted - LEAN_STEP:
        return
    who = f"{state.name}: the" if state is not None else "The"
    yield Finding(
        rule="leans_too_little",
        grade="look",
        place="vehicle",
        station="height",
        text=f"{who} {worst.lean_part} touches at {{lean}}; {{wanted}} wanted",
        numbers={"lean": angle(worst.lean_ridden.value), "wanted": angle(wanted)},
        reason="Sag takes lean away; in a bend the springs carry more, by one over the cosine of the lean.",
        mend=Mend(
            text="Preload for this load, a stiffer spring, or a longer shock: see what it takes under Height"
        ),
    )
