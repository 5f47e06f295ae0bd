"""Coil springs of the shelf tried at one end of a two-wheeler: preloaded for the rider sag wanted, then judged."""

from dataclasses import dataclass

from feder.core.benches.springs.fit import fits_place, same_spring
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart
from feder.core.formulas.height import past_thread, turns_of
from feder.core.formulas.masses import mass_of_load
from feder.core.formulas.ride import ride_frequency
from feder.core.formulas.sag import WIDE, Verdict, judged
from feder.core.numbers.working import untraced
from feder.core.practice.thresholds import THREAD_LEFT_ON_A_BIKE
from feder.core.report.evaluate import evaluate
from feder.core.report.figures.corner import held_at_droop
from feder.core.report.figures.rates import corner_wheel_rate
from feder.core.report.figures.sags import Bands, bands_of
from feder.core.report.shapes import Figure, Grade, Report, SagReport
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import gather, setup_of
from feder.core.standing.one_end import height_under, set_for_load
from feder.core.standing.parts.coil import tried_spring
from feder.core.standing.springing.coil import COIL
from feder.core.standing.stand import stand

MOST_ROWS = 12


@dataclass(slots=True)
class SagCandidate:
    """A spring at this end: collar for the rider sag wanted (or where its thread ends), sags, objection."""

    part: SpringPart
    chosen: bool
    rider_sag: float
    free_sag: float
    preload: float | None
    collar: float
    turns: float | None
    frequency: float | None
    verdict: Verdict
    grade: Grade | None
    says: str
    numbers: dict[str, Figure]


def sag_shelf(
    document: Document, setup: str, place: Place, parts: list[SpringPart], *, all_diameters: bool = False
) -> list[SagCandidate]:
    """The springs nearest to the rate wanted that fit where the present one stands, softest first.

    Nothing while sags, loads or target of this end are not known.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    report = evaluate(document, setup)
    said = report.sags.get(place)
    with untraced():
        facts = gather(document)
        stood = stand(facts, setup_of(document, setup), None).corners[place]
        now = stood.side.spring
        if said is None or not isinstance(now, SpringPart):
            return []
        inside = None if all_diameters else now.inside_diameter
        fit = [p for p in parts if fits_place(p, inside) and p.free_length is not None]
        wanted = said.wanted_rate.value if said.wanted_rate is not None else now.rate.value
        fit.sort(key=lambda p: abs(p.rate.value / wanted - 1))
        if now.free_length is not None and not any(same_spring(p, now) for p in fit[:MOST_ROWS]):
            fit.insert(0, now)
        rows = [_tried(stood, p, now, said, report) for p in fit[:MOST_ROWS]]
    return sorted((r for r in rows if r is not None), key=lambda r: r.part.rate.value)


def _tried(
    stood: StandingCorner, part: SpringPart, now: SpringPart, said: SagReport, report: Report
) -> SagCandidate | None:
    end = stood.facts.end
    if said.target is None or said.ridden_load is None or said.bike_load is None or end.droop is None:
        return None
    ridden, alone = float(said.ridden_load.value), float(said.bike_load.value)
    if ridden <= 0:  # nothing stands on the spring: the readings do not go together
        return None
    fitted = stood.but(side=stood.side.but(spring=part), spring=tried_spring(part, end.legs), fixed=False)
    set_for = set_for_load(fitted, ridden, float(end.droop) - float(said.target.value), COIL)
    if set_for is None or set_for.collar is None:
        return None
    seat = stood.side.seat
    thread = None if seat is None or not said.collar_told else seat.thread
    past = 0.0 if thread is None else past_thread(set_for.collar, thread)
    then = height_under(set_for, alone, COIL)  # bike alone, were the rider's sag as wanted: that judges the spring
    kept = set_for.collar - past
    set_for = set_for.but(collar=kept)
    heights = [height_under(set_for, load, COIL) for load in (ridden, alone)]
    if heights[0] is None or heights[1] is None or then is None:
        return None
    rider, free = float(end.droop) - float(heights[0]), float(end.droop) - float(heights[1])
    stands = set_for.but(
        hub_to_arch=heights[0], spring_hub=heights[0], motion_ratio=end.spring.ratio(heights[0]), fixed=True
    )
    stands = COIL.answered(stands)
    rate = corner_wheel_rate(
        stands, None if stands.spring is None else stands.spring.rate_at(stands.spring_length)
    )
    bands = bands_of(said) or (WIDE, WIDE)
    verdict = judged((bands[0][0] + bands[0][1]) / 2, float(end.droop) - float(then), bands)
    preload = held_at_droop(stands)
    grade, text, numbers = _against(said, part, stands, past, rider, free, preload, verdict, bands, thread)
    return SagCandidate(
        part=part,
        chosen=same_spring(part, now),
        rider_sag=rider,
        free_sag=free,
        preload=preload,
        collar=kept,
        turns=None if seat is None or not seat.pitch or not said.collar_told else turns_of(kept, seat.pitch),
        frequency=None if rate is None or rate <= 0 else ride_frequency(rate, mass_of_load(ridden)),
        verdict=verdict,
        grade=grade,
        says=text,
        numbers={k: Figure(float(v), "m") for k, v in numbers.items()},
    )


def _against(
    said: SagReport,
    part: SpringPart,
    stands: StandingCorner,
    past: float,
    rider: float,
    free: float,
    preload: float | None,
    verdict: Verdict,
    bands: Bands,
    thread: float | None,
) -> tuple[Grade | None, str, dict[str, float]]:
    """The first thing against a spring, worst first; sags as they are read."""
    read = said.read_factor
    length = stands.spring_length
    if part.solid_length is not None and length is not None and length <= part.solid_length:
        return "stop", "Coils are closed with the rider on", {}
    if abs(past) > 1e-6:
        where = "ends {past} early" if past > 0 else "has no room for {past} less"
        return "look", f"Thread {where}: rider at {{rider}}", {"past": abs(past), "rider": rider / read}
    if verdict == "too soft":
        return (
            "look",
            "Bike alone at {free}, under {edge}: too soft",
            {"free": free / read, "edge": bands[1][0] / read},
        )
    if verdict == "too stiff":
        return (
            "look",
            "Bike alone at {free}, over {edge}: too stiff",
            {"free": free / read, "edge": bands[1][1] / read},
        )
    if preload is not None and preload < 0:
        return "look", "Loose by {loose} at full extension", {"loose": -preload}
    if thread is not None and stands.collar is not None and thread - stands.collar < THREAD_LEFT_ON_A_BIKE:
        return "note", "{left} of thread left above the collar", {"left": thread - stands.collar}
    return None, "", {}
