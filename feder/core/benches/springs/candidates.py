"""Springs from the shelf, each tried at one end of a setup: its numbers, its ladder, what speaks against it."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from heapq import nsmallest
from math import log, sqrt
from typing import Literal

from pydantic import BaseModel, ConfigDict

from feder.core.benches.springs.damped import against_damping, damped
from feder.core.benches.springs.fit import fits_place, same_spring
from feder.core.benches.springs.helper import pairs_for
from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart
from feder.core.formulas.height import past_thread
from feder.core.numbers.working import tracing, untraced
from feder.core.report.evaluate import evaluated
from feder.core.report.figures.corner import held_at_droop, limits_of
from feder.core.report.figures.rates import corner_wheel_rate
from feder.core.report.figures.vehicle import frequency_on
from feder.core.report.findings.against import Against
from feder.core.report.findings.dampers import damper_of, of_mount, stands_on_damper
from feder.core.report.findings.frequencies import band_for, off_target, rear_over_front
from feder.core.report.findings.spring_fit import SpringAt, kind_of_place, of_spring, other_limit
from feder.core.report.shapes import Figure, Grade, Report, Shape
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import Facts, setup_of, side_of
from feder.core.standing.parts.coil import tried_spring
from feder.core.standing.springing.coil import with_spring
from feder.core.standing.stand import StandingVehicle

MOST_ROWS = 150
"""Springs tried at most: more than anyone reads, and quick enough to answer while a mark is dragged."""


class Objection(Shape):
    """The first thing that speaks against a candidate; at which travel it acts, where it acts on the ladder."""

    rule: str
    grade: Grade
    text: str
    numbers: dict[str, Figure] = {}
    side: Place | None = None
    """The side it is of; nothing where it speaks of both."""


class Candidate(Shape):
    """One spring, tried. Travels are at the wheel from the ride height asked for, bump positive."""

    part: SpringPart
    chosen: bool
    wheel_rate: Figure | None = None
    frequency: Figure | None = None
    over_front: Figure | None = None
    damping: Figure | None = None
    """Low-speed damping at the clicks of the setup, as a share of critical; the mean of both sides."""
    side: Place | None = None
    """The side these numbers are of, the worse one; nothing where both are alike."""
    spring_length: Figure | None = None
    collar: Figure | None = None
    held_at_droop: Figure | None = None
    bind: Figure | None = None
    loose: Figure | None = None
    sits: Figure | None = None
    """How far from the height asked for the car would sit because the thread ends, up positive."""
    objection: Objection | None = None
    best: bool = True
    """Whether no other spring of the same rate has less against it: the one that a rate asked for means."""
    pair: SpringPart | None = None
    """This spring with a helper from the shelf that would hold it, where it would be loose at droop."""


RANK = (
    "solid_above_fitted",
    "collar_off_thread",
    "binds_first",
    "loose_at_droop",
    "mount_carries_no_spring",
    "frequency_target",
    "flat_ride",
    "stiff_front",
    "barely_held",
    "damper_out_of_reach",
    "near_thread_end",
    "under_damped",
    "over_damped",
)
"""Objections, the worst kind first."""
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
    is). Heights and loads are those of the setup as it stands, as weighed; each spring is tried on both sides
    alike. With a load state the wheel rate, the frequency and what is said of it are those under that load, at
    the height at which the setup's own springs carry it.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    with tracing():
        marks = _marks(evaluated(document, setup, load_state)[2], end)
    with untraced():
        facts, stood, report = evaluated(document, setup, None)
        carried = _Carried(stood, report, loaded=False)
        if load_state is not None:
            carried = _Carried(*evaluated(document, setup, load_state)[1:], loaded=True)
        fitted = side_of(setup_of(document, setup), facts.places_at(end)[0]).spring
        now = fitted if isinstance(fitted, SpringPart) else None
        wanted = now.inside_diameter if now else None
        bench = _Bench(document, facts, stood, report, end, carried, marks)
        fitting = [p for p in parts if (fit == "all" or fits_place(p, wanted)) and filters.lets(p)]
        rows = [_tried(bench, part, now) for part in _nearest(fitting, _rate_sought(bench, now))]
    rows = [_with_pair(row, parts) for row in rows]
    return _best_marked(sorted(rows, key=lambda r: (r.part.rate.value, r.part.free_length or 0.0)))


_WEIGHT: dict[Grade, int] = {"note": 1, "look": 2, "stop": 3}


def _best_marked(rows: list[Candidate]) -> list[Candidate]:
    """Of springs of one rate the one with least against it is the best, the shortest among equals."""
    least: dict[float, tuple[int, int]] = {}
    for i, row in enumerate(rows):
        mine = (0 if row.objection is None else _WEIGHT[row.objection.grade], i)
        least[row.part.rate.value] = min(mine, least.get(row.part.rate.value, mine))
    return [row.but(best=least[row.part.rate.value][1] == i) for i, row in enumerate(rows)]


def _with_pair(row: Candidate, shelf: Sequence[SpringPart]) -> Candidate:
    """The row with the shortest helper that would keep its spring seated, where it would be loose."""
    if row.held_at_droop is None or row.held_at_droop.value >= 0 or row.part.tender_rate is not None:
        return row
    pairs = pairs_for(row.part, -row.held_at_droop.value, shelf)
    return row.but(pair=pairs[0]) if pairs else row


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


@dataclass(frozen=True)
class _Bench:
    """Where springs are tried: one end of a setup as it stands."""

    document: Document
    facts: Facts
    stood: StandingVehicle
    report: Report
    end: EndName
    carried: "_Carried"
    marks: "_Marks"


@dataclass(frozen=True)
class _Carried:
    """The setup as it stands where frequencies are judged: as weighed, or under a load."""

    stood: StandingVehicle
    report: Report
    loaded: bool


@dataclass(frozen=True)
class _Marks:
    """What of the end rests on an estimate: springs are tried as plain numbers, and take their marks from here."""

    ratio: bool
    mass: bool
    height: bool
    other: bool
    """Frequency of the other end."""
    damping: bool


def _marks(report: Report, end: EndName) -> _Marks:
    def assumed(*figures: Figure | None) -> bool:
        return any(f is not None and f.assumed for f in figures)

    mine, other = report.ends[end], report.ends[ENDS[1 - ENDS.index(end)]]
    hubs = [c.hub_to_arch for p, c in report.corners.items() if p.end == end]
    damped = [c.damping_ratio for p, c in report.corners.items() if p.end == end]
    return _Marks(
        ratio=assumed(mine.motion_ratio),
        mass=assumed(mine.sprung_mass),
        height=assumed(*hubs),
        other=assumed(other.frequency),
        damping=assumed(*damped),
    )


def _tried(bench: _Bench, part: SpringPart, now: SpringPart | None) -> Candidate:
    places = bench.facts.places_at(bench.end)
    about, brief = bench.stood.corners[places[0]].facts.end, bench.document.brief
    ends = bench.carried.report.ends
    mass = ends[bench.end].sprung_mass
    corners = [_Corner(bench, place, part) for place in places]
    rates = [r for c in corners if (r := c.wheel_rate) is not None]
    at_wheel = sum(rates) / len(rates) if len(rates) == len(corners) else None
    frequency = None
    if at_wheel is not None and mass is not None:
        frequency = frequency_on(at_wheel, mass.value, about, brief)
    other = ends[ENDS[1 - ENDS.index(bench.end)]].frequency
    over = None
    if frequency is not None and other is not None:
        over = frequency / other.value - 1 if bench.end == "rear" else other.value / frequency - 1
    lead = max(corners, key=lambda c: c.trouble(brief.held_at_droop))  # of equals the first
    own = list(lead.against(brief.held_at_droop))
    against = [*own, *_aim(frequency, over, bench), *_mounted(corners)]
    marks = bench.marks
    at_ratio = marks.ratio or part.rate.assumed
    ridden = at_ratio or marks.mass
    ratio = damped([(c.damped_now, c.wheel_rate_now, c.wheel_rate) for c in corners])
    damping = _marked(ratio, "", ridden or marks.damping)
    if damping is not None:
        against += against_damping(corners[0].carried, damping, brief)
    ranked = sorted(against, key=lambda o: (RANK.index(o.rule), -o.worse))
    unlike = any(c.figures != lead.figures for c in corners)
    standing = ridden or marks.height
    return Candidate(
        part=part,
        chosen=now is not None and same_spring(part, now),
        wheel_rate=_marked(at_wheel, "N/m", at_ratio),
        frequency=_marked(frequency, "Hz", ridden),
        over_front=_marked(over, "", ridden or marks.other),
        damping=damping,
        side=lead.place if unlike else None,
        spring_length=_marked(lead.at.length, "m", standing),
        collar=_marked(lead.at.collar, "m", standing),
        held_at_droop=_marked(lead.at.held, "m", standing),
        bind=_marked(lead.at.bind, "m", standing),
        loose=_marked(lead.at.loose, "m", standing),
        sits=_marked(lead.sits, "m", standing),
        objection=_objection(ranked[0], lead.place if unlike and ranked[0] in own else None) if ranked else None,
    )


def _marked(value: float | None, unit: str, assumed: bool) -> Figure | None:
    return None if value is None else Figure(float(value), unit, assumed)


def _aim(frequency: float | None, over: float | None, bench: "_Bench") -> Iterator[Against]:
    """What the brief says against a frequency."""
    document = bench.document
    band = band_for(document, bench.end, loaded=bench.carried.loaded)
    off = None if frequency is None or band is None else off_target(frequency, band, document.brief.use)
    pitch = None if over is None or bench.end == "front" else rear_over_front(1 + over, document.brief)
    yield from (found for found in (off, pitch) if found is not None)


def _mounted(corners: "Sequence[_Corner]") -> Iterator[Against]:
    """What speaks against any coil spring where it would stand."""
    for corner in corners:
        against = of_mount(damper_of(corner.carried)) if stands_on_damper(corner.carried) else None
        if against is not None:
            yield against
            return


def _objection(against: Against, side: Place | None) -> Objection:
    """The few words of a rule that speaks."""
    numbers = dict(against.row_numbers)
    return Objection(rule=against.rule, grade=against.grade, text=against.row, numbers=numbers, side=side)


def _with_part(now: StandingCorner, part: SpringPart) -> StandingCorner:
    """A corner with another spring, at the height and load at which it stands."""
    return with_spring(now.but(side=now.side.but(spring=part)), tried_spring(part, now.facts.end.legs))


class _Corner:
    """One spring at one corner, at the height and load of the setup."""

    def __init__(self, bench: _Bench, place: Place, part: SpringPart) -> None:
        self.place, now = place, bench.stood.corners[place]
        stood = _with_part(now, part)
        seat, limits, ratio = now.side.seat, limits_of(stood), float(stood.motion_ratio or 1.0)
        carried = _with_part(bench.carried.stood.corners[place], part) if bench.carried.loaded else stood
        rate = None if carried.spring is None else carried.spring.rate_at(carried.spring_length)
        self.wheel_rate = corner_wheel_rate(carried, rate)
        self.carried, told = carried, bench.carried.report.corners[place]
        self.wheel_rate_now, self.damped_now = told.wheel_rate, told.damping_ratio
        self.at = SpringAt(
            length=stood.spring_length,
            free_length=part.free_length,
            solid_length=part.solid_length,
            held=held_at_droop(stood),
            bind=limits.get("bind"),
            loose=limits.get("loose"),
            other_limit=other_limit(bench.report.corners[place]),
            collar=stood.collar,
            thread=None if seat is None else seat.thread,
            ratio=ratio,
            **kind_of_place(now),
        )
        self.sits = 0.0
        if self.at.thread is not None and stood.collar is not None:
            self.sits = -past_thread(stood.collar, self.at.thread) / ratio

    @property
    def figures(self) -> tuple[int | None, ...]:
        """What a row shows of it, to a tenth of a millimetre."""
        shown = (self.at.length, self.at.collar, self.at.held, self.at.bind, self.at.loose)
        return tuple(None if v is None else round(float(v) * 1e4) for v in shown)

    def trouble(self, wanted_hold: float) -> tuple[int, float]:
        """How much speaks against the spring here: the kind of its worst objection, and how far that goes."""
        return max(((-RANK.index(o.rule), o.worse) for o in self.against(wanted_hold)), default=(-len(RANK), 0.0))

    def against(self, wanted_hold: float) -> Iterator[Against]:
        """What speaks against the spring here."""
        return iter(()) if self.at.length is None else of_spring(self.at, wanted_hold)
