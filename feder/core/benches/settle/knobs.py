"""What can be turned at the corners of a vehicle that stands, and what each of them moves."""

from collections.abc import Mapping
from dataclasses import dataclass
from math import radians
from typing import TYPE_CHECKING, Literal

from feder.core.benches.index.adjusters import at_adjusters
from feder.core.document.base import Place
from feder.core.document.changes import with_sides
from feder.core.document.conversion import EndChange
from feder.core.document.document import Document
from feder.core.document.setup import AirSpringPart, Seat, Setup, SpringPart
from feder.core.document.vehicle import End
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.shapes import CornerReport, Report
from feder.core.standing.facts import setup_of, side_of

if TYPE_CHECKING:
    from numpy import ndarray

KnobKind = Literal["collar", "body", "cap", "splines", "adjuster", "bolt", "pressure"]
TRIED = {"m": 2e-3, "rad": radians(0.5)}
"""How far a knob is moved to see what it does; a pressure by a share of itself."""
TRIED_SHARE = 0.03


@dataclass(frozen=True, slots=True)
class Knob:
    """One adjuster of a corner, where it stands, and how far it goes. More of it lifts the corner.

    `lead` is what one turn (or the finest move of the splines) moves; nothing where it is set without turns.
    """

    place: Place
    kind: KnobKind
    member: str
    unit: str
    now: float
    lead: float | None
    low: float | None = None
    high: float | None = None
    assumed: bool = False


def knobs_of(document: Document, setup: str, report: Report) -> dict[Place, Knob]:
    """The height adjuster of each corner that has one and whose setting is known."""
    at, found = setup_of(document, setup), {}
    middles = _plates_as_planned(document, setup, at)
    for place, corner in report.corners.items():
        knob = _knob(document, at, place, corner, middles.get(place))
        if knob is not None:
            found[place] = knob
    return found


def _plates_as_planned(document: Document, setup: str, at: Setup) -> dict[Place, float]:
    """The free angles that the heights wanted ask for: from there a plate's adjuster has its way up and down."""
    turned = {
        p: {"set_by": "height"}
        for p in document.places
        if (s := side_of(at, p)).set_by == "free angle" and s.hub_to_arch is not None
    }
    if not turned:
        return {}
    corners = evaluate_plain(with_sides(document, setup, turned), setup).corners
    return {p: float(f.value) for p in turned if (f := corners[p].free_angle) is not None}


def _knob(document: Document, at: Setup, place: Place, corner: CornerReport, middle: float | None) -> Knob | None:
    end, side = _end(document, at, place), side_of(at, place)
    if corner.free_angle is not None:
        now, arm, mark = float(corner.free_angle.value), end.arm, corner.free_angle.assumed
        if arm is not None and arm.bolt is not None:
            return Knob(place, "bolt", "free_angle", "rad", now, arm.bolt.lead / arm.bolt.lever, assumed=mark)
        if arm is not None and arm.adjuster is not None:
            plate, base = arm.adjuster, now if middle is None else middle
            ends = base - plate.down, base + plate.up
            return Knob(place, "adjuster", "free_angle", "rad", now, plate.per_turn, *ends, mark)
        return Knob(place, "splines", "free_angle", "rad", now, None, assumed=mark)
    if isinstance(side.spring, AirSpringPart):
        told = corner.pressure
        if told is None:
            return None
        return Knob(place, "pressure", "pressure", "Pa", float(told.value), None, 0.0, None, told.assumed)
    if corner.collar is None or not isinstance(side.spring, SpringPart):
        return None
    if side.body is not None and end.layout in ("strut", "wishbone"):  # its height is set by the body's length
        return Knob(place, "body", "body", "m", side.body, None, assumed=corner.collar.assumed)
    kind: KnobKind = "cap" if end.layout in ("fork", "twin shock", "linkage") else "collar"
    seat = side.seat or side_of(document.setups[0], place).seat
    if kind == "collar" and (seat is None or (seat.pitch is None and seat.thread is None)):
        return None  # a fixed perch: nothing there can be turned
    low, high = _thread(seat)
    pitch = None if seat is None else seat.pitch
    return Knob(place, kind, "collar", "m", float(corner.collar.value), pitch, low, high, corner.collar.assumed)


def _thread(seat: Seat | None) -> tuple[float | None, float | None]:
    """Lowest and highest setting that the thread has, or its maker permits."""
    if seat is None:
        return None, None
    lows = [
        v for v in (0.0 if seat.datum == "bottom of the thread" else None, seat.permitted_low) if v is not None
    ]
    highs = [v for v in (seat.thread, seat.permitted_high) if v is not None]
    return max(lows, default=None), min(highs, default=None)


def _end(document: Document, at: Setup, place: Place) -> End:
    """The end as this setup has it."""
    end: End = getattr(document.vehicle.ends, place.end)
    change: EndChange | None = getattr(at, f"{place.end}_end")
    return end if change is None or change.layout is None else end.but(layout=change.layout)


def on_adjusters(document: Document, setup: str) -> Document:
    """The document with every corner of a setup set by its adjuster: what is turned at one then moves them all."""
    return at_adjusters(document, setup, evaluate_plain(document, setup))


def moved(set_so: Document, setup: str, knobs: Mapping[Place, Knob], by: Mapping[Place, float]) -> Document:
    """The document with some adjusters moved from where they stand."""
    told = {p: {knobs[p].member: knobs[p].now + move} for p, move in by.items() if move and p in knobs}
    return with_sides(set_so, setup, told)


@dataclass(frozen=True, slots=True)
class Effects:
    """What a small move of each knob does: heights and loads of all places over the knobs, in their order."""

    knobs: tuple[Place, ...]
    places: tuple[Place, ...]
    heights: "ndarray"
    """Hub to arch, m for one unit of the knob."""
    loads: "ndarray"
    """Mass on the wheel, kg for one unit of the knob."""


def effects(set_so: Document, setup: str, knobs: Mapping[Place, Knob]) -> Effects | None:
    """What each knob does to every corner; nothing while the vehicle cannot stand so."""
    import numpy as np

    places = tuple(set_so.places)
    base = standing(set_so, setup, places)
    if base is None:
        return None
    heights, loads = np.zeros((len(places), len(knobs))), np.zeros((len(places), len(knobs)))
    for i, place in enumerate(knobs):
        step = tried(knobs[place])
        sides = [standing(moved(set_so, setup, knobs, {place: s * step}), setup, places) for s in (1.0, -1.0)]
        if sides[0] is None or sides[1] is None:
            return None
        heights[:, i] = (sides[0][0] - sides[1][0]) / (2 * step)
        loads[:, i] = (sides[0][1] - sides[1][1]) / (2 * step)
    return Effects(tuple(knobs), places, heights, loads)


def tried(knob: Knob) -> float:
    """How far a knob is moved to see what it does."""
    return TRIED.get(knob.unit) or max(knob.now, 1e5) * TRIED_SHARE


def standing(document: Document, setup: str, places: tuple[Place, ...]) -> "tuple[ndarray, ndarray] | None":
    """Hub to arch and mass on the wheel of each place; nothing where one of them is not known."""
    import numpy as np

    corners = evaluate_plain(document, setup).corners
    heights, masses = [corners[p].hub_to_arch for p in places], [corners[p].mass for p in places]
    if None in heights:
        return None
    loads = [0.0 if m is None else float(m.value) for m in masses]
    return np.array([float(h.value) for h in heights if h is not None]), np.array(loads)
