"""Springs from the shelf, each tried at one end of a setup: its numbers, its ladder, what speaks against it."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from heapq import nsmallest
from math import inf, log, sqrt
from typing import Literal

from pydantic import BaseModel, ConfigDict

from feder.core.benches.springs.helper import pairs_for
from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.brief import LOADED_USES
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart
from feder.core.numbers.working import untraced
from feder.core.report.evaluate import evaluated
from feder.core.report.figures.corner import held_at_droop, limits_of
from feder.core.report.figures.rates import corner_wheel_rate
from feder.core.report.figures.vehicle import frequency_on
from feder.core.report.shapes import Figure, Grade, Report, figure
from feder.core.standing.facts import Facts, setup_of, side_of
from feder.core.standing.parts.coil import tried_spring
from feder.core.standing.springing.coil import with_spring
from feder.core.standing.stand import StandingVehicle

MOST_ROWS = 150
"""Springs tried at most: more than anyone reads, and quick enough to answer while a mark is dragged."""
SAME_DIAMETER = 0.0015
"""Inside diameters that fit the same perch differ by no more than this, m."""


class Objection(BaseModel):
    """The first thing that speaks against a candidate; at which travel it acts, where it acts on the ladder."""

    model_config = ConfigDict(frozen=True)
    rule: str
    grade: Grade
    text: str
    numbers: dict[str, Figure] = {}


class Candidate(BaseModel):
    """One spring, tried. Travels are at the wheel from the ride height asked for, bump positive."""

    model_config = ConfigDict(frozen=True)
    part: SpringPart
    chosen: bool
    wheel_rate: Figure | None = None
    frequency: Figure | None = None
    over_front: Figure | None = None
    spring_length: Figure | None = None
    collar: Figure | None = None
    held_at_droop: Figure | None = None
    bind: Figure | None = None
    loose: Figure | None = None
    sits: Figure | None = None
    """How far from the height asked for the car would sit because the thread ends, up positive."""
    objection: Objection | None = None
    pair: SpringPart | None = None
    """This spring with a helper from the shelf that would hold it, where it would be loose at droop."""


RANK = (
    "solid_above_fitted",
    "collar_off_thread",
    "binds_first",
    "loose_at_droop",
    "frequency_target",
    "flat_ride",
    "stiff_front",
    "barely_held",
    "near_thread_end",
)
"""Objections, the worst kind first."""
NEAR_END = 0.006
"""Thread left beside the collar below which there is little to correct with, m."""
Fit = Literal["fits", "all"]


class Filters(BaseModel):
    """What narrows the shelf: bounds on rate, free length and inside diameter, SI."""

    model_config = ConfigDict(frozen=True, extra="forbid", allow_inf_nan=False)
    rate_low: float | None = None
    rate_high: float | None = None
    length_low: float | None = None
    length_high: float | None = None
    inside_low: float | None = None
    inside_high: float | None = None

    def lets(self, part: SpringPart) -> bool:
        """Whether a part lies within; one that does not tell its measure is let through."""
        checks = (
            (part.rate.value, self.rate_low, self.rate_high),
            (part.free_length, self.length_low, self.length_high),
            (part.inside_diameter, self.inside_low, self.inside_high),
        )
        return all(
            v is None or ((low is None or v >= low) and (high is None or v <= high)) for v, low, high in checks
        )


NO_FILTERS = Filters()


def candidates(
    document: Document,
    setup: str,
    end: EndName,
    parts: Sequence[SpringPart],
    fit: Fit = "fits",
    load_state: str | None = None,
    filters: Filters = NO_FILTERS,
) -> list[Candidate]:
    """Every spring of the shelf tried at one end, softest first.

    From a large shelf the `MOST_ROWS` nearest in rate are tried: to the spring that is chosen, or to the middle
    of the target. `fit` keeps those of the inside diameter that is on the vehicle now (or all, where none
    is). Heights and loads are those of the setup as it stands; each spring is tried on both sides alike.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    with untraced():
        facts, stood, report = evaluated(document, setup, load_state)
        fitted = side_of(setup_of(document, setup), facts.places_at(end)[0]).spring
        now = fitted if isinstance(fitted, SpringPart) else None
        wanted = now.inside_diameter if now else None
        bench = _Bench(document, facts, stood, report, end, load_state is not None)
        fitting = [p for p in parts if (fit == "all" or _fits(p, wanted)) and filters.lets(p)]
        rows = [_tried(bench, part, now) for part in _nearest(fitting, _rate_sought(bench, now))]
    rows = [_with_pair(row, parts) for row in rows]
    return sorted(rows, key=lambda r: (r.part.rate.value, r.part.free_length or 0.0))


def _with_pair(row: Candidate, shelf: Sequence[SpringPart]) -> Candidate:
    """The row with the shortest helper that would keep its spring seated, where it would be loose."""
    if row.held_at_droop is None or row.held_at_droop.value >= 0 or row.part.tender_rate is not None:
        return row
    pairs = pairs_for(row.part, -row.held_at_droop.value, shelf)
    return row.model_copy(update={"pair": pairs[0]}) if pairs else row


def _rate_sought(bench: "_Bench", now: SpringPart | None) -> float | None:
    """Rate about which the shelf is searched: the chosen spring's, or the middle of what the target asks."""
    if now is not None:
        return now.rate.value
    low, high = bench.report.ends[bench.end].rate_low, bench.report.ends[bench.end].rate_high
    return None if low is None or high is None else sqrt(low.value * high.value)


def _nearest(parts: list[SpringPart], rate: float | None) -> list[SpringPart]:
    """The parts nearest in rate, as a ratio."""
    if len(parts) <= MOST_ROWS or rate is None:
        return parts[:MOST_ROWS]
    return nsmallest(MOST_ROWS, parts, key=lambda part: abs(log(part.rate.value / rate)))


def _fits(part: SpringPart, inside: float | None) -> bool:
    return inside is None or part.inside_diameter is None or abs(part.inside_diameter - inside) <= SAME_DIAMETER


@dataclass(frozen=True)
class _Bench:
    """Where springs are tried: one end of a setup as it stands."""

    document: Document
    facts: Facts
    stood: StandingVehicle
    report: Report
    end: EndName
    loaded: bool


def _tried(bench: _Bench, part: SpringPart, now: SpringPart | None) -> Candidate:
    about, brief = bench.facts.ends[bench.end], bench.document.brief
    mass = bench.report.ends[bench.end].sprung_mass
    corners = [_Corner(bench, place, part) for place in bench.facts.places_at(bench.end)]
    rates = [c.wheel_rate for c in corners if c.wheel_rate is not None]
    at_wheel = sum(rates) / len(rates) if len(rates) == len(corners) else None
    frequency = None
    if at_wheel is not None and mass is not None:
        frequency = frequency_on(at_wheel, mass.value, about, brief)
    other = bench.report.ends[ENDS[1 - ENDS.index(bench.end)]].frequency
    over = None
    if frequency is not None and other is not None:
        over = frequency / other.value - 1 if bench.end == "rear" else other.value / frequency - 1
    against = [(o, bad) for c in corners for bad, o in c.objections(brief.held_at_droop)]
    if (aimed := _aim(frequency, over, bench.document, bench.end, bench.loaded)) is not None:
        against.append((aimed, 0.0))
    ranked = sorted(against, key=lambda pair: (RANK.index(pair[0].rule), -pair[1]))
    lead = corners[0]
    same = now is not None and (now.code, now.rate.value, now.free_length)
    return Candidate(
        part=part,
        chosen=same == (part.code, part.rate.value, part.free_length),
        wheel_rate=figure(at_wheel, "N/m"),
        frequency=figure(frequency, "Hz"),
        over_front=figure(over, ""),
        spring_length=figure(lead.length, "m"),
        collar=figure(lead.collar, "m"),
        held_at_droop=figure(lead.held, "m"),
        bind=figure(min((c.bind for c in corners if c.bind is not None), default=None), "m"),
        loose=figure(max((c.loose for c in corners if c.loose is not None), default=None), "m"),
        sits=figure(max((c.sits for c in corners), key=abs), "m"),
        objection=ranked[0][0] if ranked else None,
    )


def _aim(
    frequency: float | None, over: float | None, document: Document, end: EndName, loaded: bool
) -> Objection | None:
    """What the brief says against a frequency."""
    brief = document.brief
    low, high = brief.frequency_band or (0.0, inf)
    if brief.use in LOADED_USES and document.loads and not loaded:
        low, high = 0.0, inf  # the band of a load carrier is meant loaded
    if frequency is not None and not low <= frequency <= high:
        where = "below" if frequency < low else "above"
        edge = low if frequency < low else high
        return _objection(
            "frequency_target",
            "look",
            f"{{frequency}}, {where} the target of {{edge}}",
            frequency=(frequency, "Hz"),
            edge=(edge, "Hz"),
        )
    if over is None or end == "front":
        return None
    ratio_low, ratio_high = brief.ratio_band
    if brief.pitch_school == "flat ride" and 1 + over < ratio_low:
        return _objection(
            "flat_ride",
            "look",
            "Only {over} over front; flat ride starts at {edge}",
            over=(over, ""),
            edge=(ratio_low - 1, ""),
        )
    if brief.pitch_school == "flat ride" and 1 + over > ratio_high:
        return _objection(
            "flat_ride",
            "look",
            "{over} over front; flat ride ends at {edge}",
            over=(over, ""),
            edge=(ratio_high - 1, ""),
        )
    if brief.pitch_school == "stiff front" and over > 0:
        return _objection("stiff_front", "look", "{over} over front; the front is wanted higher", over=(over, ""))
    return None


def _objection(rule: str, grade: Grade, text: str, **numbers: tuple[float, str]) -> Objection:
    return Objection(
        rule=rule,
        grade=grade,
        text=text,
        numbers={k: Figure(value=float(v), unit=u) for k, (v, u) in numbers.items()},
    )


class _Corner:
    """One spring at one corner, at the height and load of the setup: the same rules as the report's."""

    def __init__(self, bench: _Bench, place: Place, part: SpringPart) -> None:
        now = bench.stood.corners[place]
        side = now.side.model_copy(update={"spring": part})
        stood = with_spring(now.but(side=side), tried_spring(part, now.facts.end.legs))
        report = bench.report.corners[place]
        self.ratio = float(stood.motion_ratio or 1.0)
        self.seat, self.solid_length = now.side.seat, part.solid_length
        self.length, self.collar = stood.spring_length, stood.collar
        rate = None if stood.spring is None else stood.spring.rate_at(stood.spring_length)
        self.wheel_rate = corner_wheel_rate(stood, rate)
        limits = limits_of(stood)
        self.bind, self.loose = limits.get("bind"), limits.get("loose")
        self.held = held_at_droop(stood)
        ends = [f.value for f in (report.solid, report.contact) if f is not None]
        self.other_limit = min(ends, default=None)
        self.sits = 0.0
        if self.seat is not None and self.seat.thread is not None and self.collar is not None:
            past = max(0.0, self.collar - self.seat.thread) + min(0.0, self.collar)
            self.sits = -past / self.ratio

    def objections(self, wanted_hold: float) -> Iterator[tuple[float, Objection]]:
        """What speaks against the spring here, each with how bad it is within its kind."""
        length, sits = self.length, self.sits
        if length is None:
            return
        if self.solid_length is not None and self.solid_length >= length:
            yield 0.0, _objection("solid_above_fitted", "stop", "Coils are closed before it carries the load")
        if abs(sits) > 1e-9:
            words = "too long: car sits {off} high" if sits > 0 else "too short: car sits {off} low"
            numbers = {"past": (abs(sits) * self.ratio, "m"), "off": (abs(sits), "m")}
            yield abs(sits), _objection("collar_off_thread", "stop", f"{{past}} {words}", **numbers)
        if self.bind is not None and self.other_limit is not None and self.bind < self.other_limit:
            numbers = {"bind": (self.bind, "m"), "other": (self.other_limit, "m")}
            text = "Coils close at {bind}, before the limit at {other}"
            yield -self.bind, _objection("binds_first", "stop", text, **numbers)
        if self.held is not None and self.held < 0 and self.loose is not None:
            text = "Loose below {loose}: rattles at full droop"
            yield self.loose, _objection("loose_at_droop", "look", text, loose=(self.loose, "m"))
        elif self.held is not None and self.held < wanted_hold - 1e-9:
            numbers = {"held": (self.held, "m"), "wanted": (wanted_hold, "m")}
            text = "Held by only {held} at full droop; {wanted} wanted"
            yield -self.held, _objection("barely_held", "look", text, **numbers)
        if self.collar is not None and self.seat is not None and self.seat.thread is not None:
            left = min(self.collar, self.seat.thread - self.collar)
            if left < NEAR_END:
                where = "below" if self.collar < self.seat.thread / 2 else "above"
                text = f"{{left}} of thread left {where} the collar"
                yield -left, _objection("near_thread_end", "note", text, left=(left, "m"))
