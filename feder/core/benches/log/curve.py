"""How each axle settles: readings over distance, led to the settings of today, and what is to come."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import exp, log, sqrt

from feder.core.benches.settle.heights import load_aboard, read_in, stands, wanted_in
from feder.core.benches.settle.knobs import effects, knobs_of, on_adjusters
from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.changes import in_its_place
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.practice.tolerances import BY_HOW
from feder.core.report.evaluate import evaluate_plain
from feder.core.solvers.settle import settling
from feder.core.standing.facts import places_of, setup_of, side_of

FLAT_LEFT, FLAT_AFTER = 1e-3, 200e3
"""Flat: so much is left to come, and so far since the first reading, m."""
STEPS = 48
AHEAD = 1.25
SAME_SHIFT = 5e-5


@dataclass(slots=True)
class SettlePoint:
    """One reading of an axle: distance since fitting, mean height as read, and led to today's settings."""

    survey: int
    distance: float
    read: float
    reduced: float
    date: str | None
    moved: float | None = None
    """Read here less read at the point before."""


@dataclass(slots=True)
class CurvePoint:
    """A place on a fitted curve: distance since fitting, and hub to arch."""

    distance: float
    height: float


@dataclass(slots=True)
class SettlePiece:
    """A stretch of road with the same settings: the fitted height along it, as it stood then."""

    start: float
    heights: list[CurvePoint]


@dataclass(slots=True)
class SettlingEnd:
    """One axle on its way."""

    end: EndName
    points: list[SettlePoint]
    wanted: float | None
    settled: float
    sure: float
    remaining: float
    constant: float
    flat: bool
    flat_at: float | None
    """Distance since fitting at which it counts as flat; nothing where it does already, or was read too seldom."""
    pieces: list[SettlePiece]
    ahead: list[CurvePoint]
    """The curve beyond the last reading."""
    off: float | None = None
    """Settled height less the wanted one."""
    turns: float | None = None
    """The one correction of both collars then, up positive; `move` in m, each with how sure it is."""
    turns_sure: float | None = None
    move: float | None = None
    move_sure: float | None = None
    left_out: int = 0
    """Readings on other springs or without a distance."""


@dataclass(slots=True)
class Settling:
    """Every axle that was read at least once with a known distance."""

    fitted_at: float | None
    last: float | None
    """Distance since fitting of the last reading."""
    ends: list[SettlingEnd]
    waits: str
    """What it waits for, in words; nothing where it does not."""


def settling_of(
    document: Document,
    setup: str,
    stood: Mapping[int, Setup] | None = None,
    since: Mapping[int, float] | None = None,
) -> Settling:
    """How each axle settles, from all rounds of a setup that count.

    `stood` says how the setup stood in each round, `since` what the odometer showed when it was set so.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    at = setup_of(document, setup)
    if document.vehicle.kind != "car":
        return Settling(
            None, None, [], "Settling is followed at the four corners of a car; sags tell it on two wheels"
        )
    rounds = [i for i in document.rounds_of(setup) if i and not document.surveys[i].set_aside]
    told = [document.surveys[i].odometer for i in rounds]
    known = [o for o in told if o is not None]
    start = at.odometer if at.odometer is not None else (min(known) if known else None)
    if start is None:
        return Settling(None, None, [], "What the odometer showed when it was fitted, and at each reading")
    now = stands(on_adjusters(document, setup), setup, "hub_to_arch")
    shifts: dict[int, dict[Place, float]] = {}
    for i in rounds:
        state = (stood or {}).get(i)
        if state is not None:
            was = in_its_place(document, setup, state)
            then = stands(on_adjusters(was, setup), setup, "hub_to_arch")
            shifts[i] = {p: now[p] - then[p] for p in now if p in then}
        else:
            shifts[i] = dict.fromkeys(now, 0.0)
    wanted = wanted_in(document, setup, "hub_to_arch", evaluate_plain(document, setup), None)
    begins = {i: max(0.0, o - start) for i, o in (since or {}).items()}
    made = Settling(start, None, [], "")
    for end in ENDS:
        points, out = _points(document, at, end, rounds, shifts, start, stood or {})
        if points:
            made.ends.append(_end(document, setup, end, points, out, wanted, shifts, begins))
            made.last = max(made.last or 0.0, points[-1].distance)
    return made


def _points(
    document: Document,
    at: Setup,
    end: EndName,
    rounds: Sequence[int],
    shifts: Mapping[int, Mapping[Place, float]],
    start: float,
    stood: Mapping[int, Setup],
) -> tuple[list[SettlePoint], int]:
    """Readings of both sides on today's springs, in the order of the road; and how many were left out."""
    points, out, places = [], 0, places_of(document, end)
    for i in rounds:
        survey, read = document.surveys[i], read_in(document, i, "hub_to_arch")
        if not all(p in read for p in places):
            continue
        state = stood.get(i, at)
        same = all(side_of(state, p).spring == side_of(at, p).spring for p in places)
        usable = survey.odometer is not None and survey.odometer >= start and load_aboard(document, i) is None
        if not same or not usable or not all(p in shifts[i] for p in places):
            out += 1
            continue
        mean = sum(read[p].value for p in places) / len(places)
        shift = sum(shifts[i][p] for p in places) / len(places)
        points.append(SettlePoint(i, (survey.odometer or 0.0) - start, mean, mean + shift, survey.date))
    points.sort(key=lambda p: p.distance)
    for before, point in pairwise(points):
        point.moved = point.read - before.read
    return points, out


def _end(
    document: Document,
    setup: str,
    end: EndName,
    points: list[SettlePoint],
    out: int,
    wanted: Mapping[Place, float],
    shifts: Mapping[int, Mapping[Place, float]],
    begins: Mapping[int, float],
) -> SettlingEnd:
    places = places_of(document, end)
    scatter = BY_HOW["tape"].size / sqrt(len(places))
    found = settling([(p.distance, p.reduced) for p in points], scatter)
    settled, constant, last = float(found.settled_height), float(found.distance_constant), points[-1].distance
    amount = float(found.remaining) * exp(last / constant)

    def at(distance: float) -> float:
        return settled + amount * exp(-distance / constant)

    flat = abs(float(found.remaining)) < FLAT_LEFT and last - points[0].distance >= FLAT_AFTER
    flat_at = None
    if not flat:
        by_left = 0.0 if abs(amount) <= FLAT_LEFT else constant * log(abs(amount) / FLAT_LEFT)
        flat_at = max(by_left, points[0].distance + FLAT_AFTER)
    aims = [wanted[p] for p in places if p in wanted]
    aim = sum(aims) / len(aims) if len(aims) == len(places) else None
    until = max(last * AHEAD, flat_at or 0.0, last + 50e3)
    made = SettlingEnd(
        end, points, aim, settled, float(found.standard_error), float(found.remaining), constant, flat,
        flat_at,
        _pieces(points, places, shifts, begins, at),
        [CurvePoint(d, at(d)) for d in _spread(last, until)], left_out=out,
    )  # fmt: skip
    if aim is not None:
        made.off = settled - aim
        _correct(document, setup, places, made)
    return made


def _pieces(
    points: Sequence[SettlePoint],
    places: Sequence[Place],
    shifts: Mapping[int, Mapping[Place, float]],
    begins: Mapping[int, float],
    at: Callable[[float], float],
) -> list[SettlePiece]:
    """The curve as it stood then, stepped where the settings were changed."""
    held = [sum(shifts[p.survey][q] for q in places) / len(places) for p in points]
    starts = [(0.0, held[0])]
    for i in range(1, len(points)):
        if abs(held[i] - held[i - 1]) > SAME_SHIFT:
            low, high = points[i - 1].distance, points[i].distance
            starts.append((min(high, max(low, begins.get(points[i].survey, low))), held[i]))
    ends = [begin for begin, _ in starts[1:]] + [points[-1].distance]
    return [
        SettlePiece(begin, [CurvePoint(d, at(d) - shift) for d in _spread(begin, end)])
        for (begin, shift), end in zip(starts, ends, strict=True)
    ]


def _spread(low: float, high: float) -> list[float]:
    return [low + (high - low) * i / STEPS for i in range(STEPS + 1)]


def _correct(document: Document, setup: str, places: Sequence[Place], made: SettlingEnd) -> None:
    """The one correction once it is flat: both collars alike, by what both together do to their axle."""
    set_so = on_adjusters(document, setup)
    knobs = knobs_of(document, setup, evaluate_plain(document, setup))
    if made.off is None or any(p not in knobs for p in places):
        return
    effect = effects(set_so, setup, {p: knobs[p] for p in places})
    if effect is None:
        return
    rows = [effect.places.index(p) for p in places]
    slope = float(effect.heights[rows].sum() / len(places))
    if abs(slope) < 1e-12:
        return
    made.move, made.move_sure = -made.off / slope, made.sure / abs(slope)
    lead = knobs[places[0]].lead
    if lead:
        made.turns, made.turns_sure = made.move / lead, made.move_sure / lead
