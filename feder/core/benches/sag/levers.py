"""What it takes: how far each adjuster alone must go for a lean at which parts touch, or for a seat height."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Literal

from feder.core.document.base import Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document
from feder.core.document.setup import SideSetup
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.shapes import Report, SteeringReport
from feder.core.solvers.root import Lost, crossing
from feder.core.standing.facts import setup_of, side_of

Goal = Literal["lean", "seat"]
FARTHEST = 0.060
"""Move of an adjuster up to which an answer is looked for, m."""
CLOSE = 1e-5
MET: dict[Goal, float] = {"lean": 0.0009, "seat": 0.0005}
"""Half the last digit in which each goal is told, rad and m."""


@dataclass(slots=True)
class Lever:
    """One adjuster alone: its move, and what else it does. `amount` is nothing where it cannot reach the goal."""

    words: str
    place: Place
    member: str
    amount: float | None
    value: float | None
    """Where the adjuster then stands."""
    turns: float | None
    met: bool = False
    """Whether the goal is reached already."""
    farthest: float | None = None
    """The goal's value at the end of what the adjuster can do, where it does not reach it; rad or m."""
    ends: str = ""
    """What ends its way there."""
    lean: float | None = None
    seat: float | None = None
    rake: float | None = None
    trail: float | None = None
    free_sag: float | None = None
    """Sags as they are read."""
    rider_sag: float | None = None


LEVERS: tuple[tuple[str, Place, str, float], ...] = (
    ("preload at the rear", Place.REAR, "collar", 1.0),
    ("preload at the front", Place.FRONT, "collar", 1.0),
    ("shock eye to eye", Place.REAR, "shock_length", 1.0),
    ("tubes above the clamp", Place.FRONT, "clamp", -1.0),
)
"""Words, place, member of the setup, and the sense that lifts the chassis."""


def levers(document: Document, setup: str, load_state: str | None, goal: Goal, wanted: float) -> list[Lever]:
    """Each adjuster alone, moved until the goal is met under a load: lean in rad in a steady bend, or seat in m.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    now = steering_under(document, setup, load_state)
    rows = []
    for words, place, member, lifts in LEVERS:
        start = _start(document, setup, load_state, place, member)
        if start is None or _of(now, goal) is None:
            continue
        rows.append(_lever(document, setup, load_state, (goal, wanted), (words, place, member, lifts), start))
    return rows


def steering_under(document: Document, setup: str, load_state: str | None) -> SteeringReport | None:
    """The steering of a setup under a load, as plain numbers."""
    return evaluate_plain(document, setup, load_state).steering


def _of(said: SteeringReport | None, goal: Goal) -> float | None:
    figure = None if said is None else said.lean_ridden if goal == "lean" else said.seat_height
    return None if figure is None else float(figure.value)


def _start(document: Document, setup: str, load_state: str | None, place: Place, member: str) -> float | None:
    side: SideSetup = side_of(setup_of(document, setup), place)
    if member != "collar":
        value: float | None = getattr(side, member)
        return value
    figure = evaluate_plain(document, setup, None).corners[place].collar
    return None if figure is None else float(figure.value)


def _lever(
    document: Document,
    setup: str,
    load_state: str | None,
    aim: tuple[Goal, float],
    lever: tuple[str, Place, str, float],
    start: float,
) -> Lever:
    words, place, member, lifts = lever
    goal, wanted = aim

    def tried(by: float) -> Report | None:
        changes: dict[str, Any] = {member: start + by}
        if member == "collar":
            changes["set_by"] = "collar"
        if member == "shock_length" and start + by <= 0:
            return None
        return evaluate_plain(with_sides(document, setup, {place: changes}), setup, load_state)

    def off(by: float) -> float | None:
        made = tried(by)
        found = None if made is None else _of(made.steering, goal)
        return None if found is None else found - wanted

    here = off(0.0)
    if here is not None and (here >= -MET[goal] if goal == "lean" else abs(here) <= MET[goal]):
        return Lever(words, place, member, None, None, None, met=True)
    far, ends = _reach(document, setup, place, member, start, lifts * (1 if here is not None and here < 0 else -1))
    by = _solved(off, here, far)
    row = Lever(words, place, member, by, None if by is None else start + by, None)
    if by is None:
        last = tried(far)
        row.farthest, row.ends = None if last is None else _of(last.steering, goal), ends
    made = None if by is None else tried(by)
    if made is None or made.steering is None or by is None:
        return row
    seat = side_of(setup_of(document, setup), place).seat
    if member == "collar" and seat is not None and seat.pitch:
        row.turns = by / seat.pitch
    said = made.steering
    row.lean, row.seat = _of(said, "lean"), _of(said, "seat")
    row.rake = None if said.rake is None else float(said.rake.value)
    row.trail = None if said.trail is None else float(said.trail.value)
    sags = made.sags.get(place)
    if sags is not None:
        row.free_sag = None if sags.free_sag_along is None else float(sags.free_sag_along.value)
        row.rider_sag = None if sags.rider_sag_along is None else float(sags.rider_sag_along.value)
    return row


def _reach(
    document: Document, setup: str, place: Place, member: str, start: float, way: float
) -> tuple[float, str]:
    """The farthest move of an adjuster one way, and what ends it there."""
    far, ends = FARTHEST * way, f"no more than {FARTHEST * 1e3:.0f} mm are tried"
    if member == "shock_length":
        return far, ends
    seat = side_of(setup_of(document, setup), place).seat
    top = seat.thread if member == "collar" and seat is not None else None
    if start + far < 0:
        return -start, "no preload is left" if member == "collar" else "the tubes are level with the clamp"
    if top is not None and start + far > top:
        return max(0.0, top - start), "its thread ends"
    return far, ends


def _solved(off: Callable[[float], float | None], here: float | None, far: float) -> float | None:
    """Move at which the goal is met, up to the farthest; nothing where it is not reached."""
    there = None if here is None or not far else off(far)
    if here is None or there is None or here * there > 0:
        return None

    def falls(share: float) -> float:
        value = off(share * far)
        if value is None:
            raise Lost
        return value if here > 0 else -value

    try:
        return crossing(falls, 0.0, 1.0, 0.1 * CLOSE / FARTHEST) * far
    except Lost:
        return None
