"""The load plan: one setup in every load state, and what a spacer under the same spring would do instead."""

from dataclasses import dataclass, field
from typing import Literal

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart
from feder.core.practice.thresholds import SLENDER
from feder.core.report.evaluate import evaluate, evaluate_plain
from feder.core.report.findings.frequencies import meant_loaded
from feder.core.report.findings.spring_fit import slenderness
from feder.core.report.shapes import Figure, Report
from feder.core.solvers.root import Lost, crossing
from feder.core.standing.facts import setup_of, side_of

EMPTY = "as weighed"
LONGEST_SPACER = 0.15
"""Spacer beyond which none is looked for, m."""
SPACER_CLOSE = 1e-6
"""How near its height is found, m."""


@dataclass(slots=True)
class LoadedEnd:
    """One axle in one load state: means of its wheels, travel from the height it then has; SI.

    Its figures are those of the report under that state, their working with them: of the axle under ``ends``,
    travel under the corner `stop_at` or `limit_at` that has least of it.
    """

    end: EndName
    axle_mass: Figure | None = None
    axle_limit: float | None = None
    hub_to_arch: Figure | None = None
    change: Figure | None = None
    """Change of hub to arch against the vehicle as weighed, up positive."""
    frequency: Figure | None = None
    stop: Figure | None = None
    """Wheel travel left to the bump stop; negative when it is squeezed."""
    stop_at: Place | None = None
    first_limit: Literal["T", "S", "B", "H"] | None = None
    bump_travel: Figure | None = None
    limit_at: Place | None = None


@dataclass(slots=True)
class LoadRow:
    """A load state: total mass against the plate, rake, and both ends."""

    id: str | None
    name: str
    total_mass: Figure | None = None
    gross_limit: float | None = None
    rake_change: Figure | None = None
    centre: tuple[float, float] | None = None
    """Centre of mass: behind the front axle, and right of the centre line, m."""
    ends: list[LoadedEnd] = field(default_factory=list)
    trouble: str | None = None


def load_plan(document: Document, setup: str) -> list[LoadRow]:
    """The setup as weighed and in each load state of the document.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    base = evaluate(document, setup)
    rows = [_row(document, None, EMPTY, base, base)]
    for state in document.loads:
        rows.append(_row(document, state.id, state.name, evaluate(document, setup, state.id), base))
    return rows


def _row(document: Document, state: str | None, name: str, report: Report, base: Report) -> LoadRow:
    plate = document.vehicle.plate
    limits = {"front": plate.front_axle, "rear": plate.rear_axle}
    return LoadRow(
        id=state,
        name=name,
        total_mass=report.vehicle.total_mass,
        gross_limit=plate.gross,
        rake_change=report.vehicle.rake_change,
        centre=_centre(document, report),
        ends=[_end(end, report, base, limits[end]) for end in ENDS],
        trouble=report.equilibrium,
    )


def _centre(document: Document, report: Report) -> tuple[float, float] | None:
    """Where the centre of mass is, from what the four wheels carry."""
    base, ends = document.vehicle.wheelbase, document.vehicle.ends
    tracks = {"front": ends.front.track, "rear": ends.rear.track}
    masses = {p: c.mass.value for p, c in report.corners.items() if c.mass is not None}
    if base is None or None in tracks.values() or len(masses) < len(document.places) or not sum(masses.values()):
        return None
    total = sum(masses.values())
    behind = sum(m for p, m in masses.items() if p.end == "rear") * base.value
    right = sum(m * (-1 if p.is_left else 1) * (tracks[p.end] or 0.0) / 2 for p, m in masses.items())
    return float(behind / total), float(right / total)


def _end(end: EndName, report: Report, base: Report, limit: float | None) -> LoadedEnd:
    corners = {p: c for p, c in report.corners.items() if p.end == end}
    axle, was = report.ends[end], base.ends[end].hub_to_arch
    now, change = axle.hub_to_arch, None
    if now is not None and was is not None:
        change = Figure(float(now.value) - float(was.value), "m", now.assumed or was.assumed)
    stops = [(c.stop, p) for p, c in corners.items() if c.stop is not None]
    stop, stop_at = min(stops, key=lambda pair: pair[0].value, default=(None, None))
    bumps = [(c.bump_travel, p) for p, c in corners.items() if c.bump_travel is not None]
    bump, limit_at = min(bumps, key=lambda pair: pair[0].value, default=(None, None))
    return LoadedEnd(
        end=end,
        axle_mass=axle.axle_mass,
        axle_limit=limit,
        hub_to_arch=now,
        change=change,
        frequency=axle.frequency,
        stop=stop if len(stops) == len(corners) else None,
        stop_at=stop_at,
        first_limit=None if limit_at is None else corners[limit_at].first_limit,
        bump_travel=bump,
        limit_at=limit_at,
    )


def _value(figure: Figure | None) -> float | None:
    return None if figure is None else float(figure.value)


@dataclass(slots=True)
class Instead:
    """A spacer (or a spring as much longer) of the same rate at an end that lifts its loaded height back.

    `spacer` is its thickness at the spring. Frequency and travel are those under the load, with and without it;
    `droop_hold` is how far the spring is then pressed at full droop.
    """

    spacer: float
    frequency_without: float | None
    frequency: float | None
    stop_without: float | None
    stop: float | None
    empty_rise: float | None
    """How much higher this end then stands as weighed."""


def spacer_instead(document: Document, setup: str, end: EndName, state: str) -> Instead | None:
    """What a spacer would do instead of a stiffer spring; nothing while collars are not known.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    empty, loaded = evaluate_plain(document, setup), evaluate_plain(document, setup, state)
    wanted, now = _value(empty.ends[end].hub_to_arch), _value(loaded.ends[end].hub_to_arch)
    places = [p for p in document.places if p.end == end]
    collars = [empty.corners[p].collar for p in places]
    springs = [side_of(setup_of(document, setup), p).spring for p in places]
    if wanted is None or now is None or any(c is None for c in collars):
        return None
    if not all(isinstance(s, SpringPart) for s in springs):
        return None

    def with_spacer(by: float) -> Document:
        moves = {}
        for place in document.places:
            collar = empty.corners[place].collar
            if collar is not None:
                lifted = float(collar.value) + (by if place.end == end else 0.0)
                moves[place] = {"set_by": "collar", "collar": lifted}
        return with_sides(document, setup, moves)

    def missing(by: float) -> float:
        reached = _value(evaluate_plain(with_spacer(by), setup, state).ends[end].hub_to_arch)
        if reached is None:
            raise Lost
        return wanted - reached

    try:
        spacer = crossing(missing, 0.0, LONGEST_SPACER, SPACER_CLOSE)
    except Lost:
        return None
    if spacer >= LONGEST_SPACER:
        return None
    lifted = with_spacer(spacer)
    after, before = evaluate_plain(lifted, setup, state), _end(end, loaded, empty, None)
    there, at_rest = _end(end, after, empty, None), _end(end, evaluate_plain(lifted, setup), empty, None)
    return Instead(
        spacer=spacer,
        frequency_without=_value(before.frequency),
        frequency=_value(there.frequency),
        stop_without=_value(before.stop),
        stop=_value(there.stop),
        empty_rise=_value(at_rest.change),
    )


@dataclass(slots=True)
class LoadRank:
    """A spring of the shelf in all load states: how far past its stops, and off its target, in the worst."""

    part: SpringPart
    worst: str
    past_stop: float
    off: float
    """Distance of the worst state's frequency from the band wanted, Hz; 0 within it."""
    frequencies: list[Figure | None] = field(default_factory=list)
    changes: list[Figure | None] = field(default_factory=list)
    against: str = ""
    """What else speaks against it: its load band, its most load, or that it may bow."""


MOST_RANKED = 16
"""Springs ranked at most: each is balanced in every load state."""


def rank_by_loads(document: Document, setup: str, end: EndName, parts: list[SpringPart]) -> list[LoadRank]:
    """The shelf's springs nearest in rate, ranked by their worst state: stops first, then distance from the band.

    The height as weighed is kept: each spring gets the collar that gives it.
    """
    at = side_of(setup_of(document, setup), next(p for p in document.places if p.end == end)).spring
    if isinstance(at, SpringPart):
        middle = at.rate.value
        parts = sorted(parts, key=lambda p: max(p.rate.value / middle, middle / p.rate.value))
    rows = [_rank(document, setup, end, part) for part in parts[:MOST_RANKED]]
    return sorted(rows, key=lambda r: (r.past_stop, bool(r.against), r.off, r.part.rate.value))


def _rank(document: Document, setup: str, end: EndName, part: SpringPart) -> LoadRank:
    fitted = with_sides(document, setup, {p: {"spring": part} for p in document.places if p.end == end})
    tried = load_plan(fitted, setup)
    worst, past, off = tried[0].name, 0.0, 0.0
    ends = [next(e for e in row.ends if e.end == end) for row in tried]
    for row, at in zip(tried, ends, strict=True):
        if meant_loaded(document, loaded=row.id is not None):
            continue
        band = document.brief.frequency_band(end)
        beyond = max(0.0, -(_value(at.stop) or 0.0))
        apart, frequency = 0.0, _value(at.frequency)
        if band is not None and frequency is not None:
            apart = max(0.0, band[0] - frequency, frequency - band[1])
        if (beyond, apart) > (past, off):
            worst, past, off = row.name, beyond, apart
    return LoadRank(
        part,
        worst,
        past,
        off,
        [e.frequency for e in ends],
        [e.change for e in ends],
        against=_against(fitted, setup, end, part),
    )


def _against(document: Document, setup: str, end: EndName, part: SpringPart) -> str:
    """What its maker or its shape says against a spring here, in words; empty where nothing does."""
    slender = slenderness(part)
    if slender is not None and slender > SLENDER:
        return "may bow: too long for its width"
    empty = evaluate_plain(document, setup).corners
    for state in document.loads:
        loaded = evaluate_plain(document, setup, state.id).corners
        for place in (p for p in document.places if p.end == end):
            now, before = _value(loaded[place].spring_force), _value(empty[place].spring_force)
            if now is None or before is None:
                continue
            if part.most_load is not None and now > part.most_load:
                return f"past its most load, {state.name}"
            if part.added_to is not None and not (part.added_from or 0.0) <= now - before <= part.added_to:
                return f"outside its load band, {state.name}"
    return ""
