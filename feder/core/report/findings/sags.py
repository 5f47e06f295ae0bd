"""Rules on the sag of two-wheelers: preload first, and whether the spring is the right one."""

from collections.abc import Iterator
from itertools import pairwise

from feder.core.document.base import Place
from feder.core.document.brief import Pair
from feder.core.document.changes import PatchStep
from feder.core.document.survey import SAG_STATES
from feder.core.formulas.sag import WIDE, judged
from feder.core.numbers.working import untraced
from feder.core.report.findings.case import Case, Rule, angle, length, mass
from feder.core.report.shapes import Finding, Mend, SagReport
from feder.core.standing.facts import side_of

READ = {"extended": "Fully extended", "bike": "Bike alone", "rider": "Rider on"}
KNOBS = {"rebound": "Rebound", "bump": "Compression", "high_bump": "High-speed compression"}
RIDER_DISAGREES = 0.08
"""Share by which sags and scale may disagree about the rider."""
MUCH_FRICTION = 0.2
"""Friction as a share of rider sag from which it hides the spring."""


def sag_verdict(case: Case) -> Iterator[Finding]:
    """Rider sag out of its band asks for preload; in its band, free sag judges the spring."""
    for place in case.places:
        sags, bands = case.report.sags.get(place), _bands(case, place)
        if sags is None or sags.rider_sag is None or sags.free_sag is None or bands is None:
            continue
        rider_band, free_band = bands
        with untraced():
            said = judged(float(sags.rider_sag.value), float(sags.free_sag.value), bands)
        if said == "preload first":
            yield _preload_first(place.value, sags, rider_band)
        elif said != "fits":
            soft = said == "too soft"
            yield Finding(
                rule="spring_too_soft" if soft else "spring_too_stiff",
                grade="look",
                place=place.value,
                station="springs",
                text="Free sag {free} with the rider sag right; {low} to {high} wanted",
                numbers={
                    "free": length(sags.free_sag.value),
                    "low": length(free_band[0]),
                    "high": length(free_band[1]),
                },
                reason="Much preload holds up a spring that is too soft: the bike alone hardly settles. Preload moves the start, "
                "not the rate."
                if soft
                else "So little preload was needed that the spring is too stiff: the bike alone settles too far.",
                mend=Mend(text="Take a stiffer spring with less preload" if soft else "Take a softer spring"),
            )


def _bands(case: Case, place: Place) -> tuple[Pair, Pair] | None:
    """Rider and free sag wanted at a wheel."""
    sags = case.report.sags.get(place)
    if sags is None or sags.rider_low is None or sags.rider_high is None:
        return None
    free = WIDE
    if sags.free_low is not None and sags.free_high is not None:
        free = (float(sags.free_low.value), float(sags.free_high.value))
    return (float(sags.rider_low.value), float(sags.rider_high.value)), free


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
        numbers={"sag": length(sag), "low": length(band[0]), "high": length(band[1])},
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
        sags, bands = case.report.sags.get(place), _bands(case, place)
        sag = None if sags is None else sags.rider_sag
        if sag is None or bands is None:
            return
        low, high = bands[0]
        off[place.end] = 1 if sag.value > high else -1 if sag.value < low else 0
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


def sags_out_of_order(case: Case) -> Iterator[Finding]:
    """A wheel with more load on it cannot hang lower: two readings are swapped or mistyped."""
    for place in case.places:
        reads = case.facts.ends[place.end].sags
        heights = [(state, h) for state in SAG_STATES if (h := reads.of(state)) is not None]
        for (state, before), (other, after) in pairwise(heights):
            if after > before:
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


def rider_disagrees(case: Case) -> Iterator[Finding]:
    """What the sags carry, beside the rider's mass as told."""
    said = case.report.steering
    if said is None or said.rider_by_sags is None or said.rider_told is None or case.load is not None:
        return
    by_sags, told = said.rider_by_sags, said.rider_told
    if abs(by_sags.value / told.value - 1) > RIDER_DISAGREES:
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
                numbers={"both": length(2 * said.rider_friction.value)},
                reason="So much friction hides the spring: tight seals or bushes, a bent axle or tube, a fork clamped askew.",
                mend=Mend(text="Free the fork or linkage first, then read again"),
            )


def leans_too_little(case: Case) -> Iterator[Finding]:
    said, wanted = case.report.steering, case.document.brief.targets.lean
    if said is None or said.lean_ridden is None or wanted is None or said.lean_ridden.value >= wanted:
        return
    yield Finding(
        rule="leans_too_little",
        grade="look",
        place="vehicle",
        station="height",
        text=f"The {said.lean_part} touches at {{lean}}; {{wanted}} wanted",
        numbers={"lean": angle(said.lean_ridden.value), "wanted": angle(wanted)},
        reason="Sag takes lean away; in a bend the springs carry more, by one over the cosine of the lean.",
        mend=Mend(
            text="Preload for this load, a stiffer spring, or a longer shock: see what it takes under Height"
        ),
    )


def knob_left_alone(case: Case) -> Iterator[Finding]:
    """An adjuster that its maker means for extreme use stands elsewhere than as found."""
    if case.is_found:
        return
    for place in case.places:
        side, found = case.side(place), side_of(case.document.setups[0], place)
        for member, words in KNOBS.items():
            now, was = getattr(side, member), getattr(found, member)
            if now is None or was is None or not (now.alone or was.alone) or now.count == was.count:
                continue
            yield Finding(
                rule="knob_left_alone",
                grade="look",
                place=place.value,
                station="height",
                text=f"{words} went from {was.count} to {now.count} clicks, a knob best left alone",
                reason="Its maker means it for extreme use. Springs, sag and the other knobs come first.",
                mend=Mend(
                    text="Back to where it was",
                    patch=[
                        PatchStep(
                            path=["setups", case.setup_index, "sides", place.value, member, "count"],
                            value=was.count,
                        )
                    ],
                ),
            )


SAG_RULES: tuple[Rule, ...] = (
    sags_out_of_order,
    rider_disagrees,
    much_friction,
    sag_verdict,
    ends_out_of_balance,
    leans_too_little,
    knob_left_alone,
)
"""Rules on two wheels."""
