"""Rules on the sag of two-wheelers: preload first, and whether the spring is the right one."""

from collections.abc import Iterator

from feder.core.document.base import EndName
from feder.core.findings.case import Case, Rule, length
from feder.core.report import CornerReport, Finding, Mend
from feder.core.sag import sag_diagnosis
from feder.core.working import untraced

WIDE = (0.0, 10.0)


def sag_verdict(case: Case) -> Iterator[Finding]:
    """Rider sag out of its band asks for preload; in its band, free sag judges the spring."""
    if case.unloaded is None:
        return
    for place in case.places:
        rider, free = case.report.corners[place], case.unloaded.corners[place]
        bands = _bands(case, place.end, rider)
        if rider.sag is None or free.sag is None or bands is None:
            continue
        rider_band, free_band = bands
        with untraced():
            said = sag_diagnosis(float(rider.sag.value), float(free.sag.value), list(rider_band), list(free_band))
        if said.verdict == "preload first":
            yield _preload_first(place.value, float(rider.sag.value), rider_band)
        elif said.verdict != "fits":
            soft = said.verdict == "too soft"
            yield Finding(
                rule="spring_too_soft" if soft else "spring_too_stiff",
                grade="look",
                place=place.value,
                station="springs",
                text="Free sag {free} with the rider sag right; {low} to {high} wanted",
                numbers={
                    "free": length(free.sag.value),
                    "low": length(free_band[0]),
                    "high": length(free_band[1]),
                },
                reason="Much preload holds up a spring that is too soft: the bike alone hardly settles. Preload moves the start, "
                "not the rate."
                if soft
                else "So little preload was needed that the spring is too stiff: the bike alone settles too far.",
                mend=Mend(text="Take a stiffer spring with less preload" if soft else "Take a softer spring"),
            )


def _bands(
    case: Case, end: EndName, corner: CornerReport
) -> tuple[tuple[float, float], tuple[float, float]] | None:
    travel = None if corner.travel_in_all is None else float(corner.travel_in_all.value)
    brief = case.document.brief
    rider = brief.sag_band(end, "rider", travel)
    return None if rider is None else (rider, brief.sag_band(end, "free", travel) or WIDE)


def _preload_first(place: str, sag: float, band: tuple[float, float]) -> Finding:
    deep = sag > band[1]
    return Finding(
        rule="preload_first",
        grade="look",
        place=place,
        station="height",
        text="Rider sag {sag}; {low} to {high} wanted",
        numbers={"sag": length(sag), "low": length(band[0]), "high": length(band[1])},
        reason="Only when rider sag is right does free sag say whether the spring is.",
        mend=Mend(text="Add preload" if deep else "Take preload off"),
    )


def ends_out_of_balance(case: Case) -> Iterator[Finding]:
    """One end above its sag band, the other below: the bike is tilted."""
    if case.unloaded is None:
        return
    off = {}
    for place in case.places:
        sag, bands = case.report.corners[place].sag, _bands(case, place.end, case.report.corners[place])
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


SAG_RULES: tuple[Rule, ...] = (sag_verdict, ends_out_of_balance)
"""Rules that need the bike with its rider beside the bike alone."""
