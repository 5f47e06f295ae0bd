"""Ways to a cross weight: which adjusters to turn by how much, and the first thing against each."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from feder.core.benches.settle.knobs import Effects, Knob, moved, standing
from feder.core.document.base import PLACES, Place
from feder.core.document.document import Document
from feder.core.practice.thresholds import LEVEL_ENOUGH
from feder.core.report.evaluate import evaluate_plain

if TYPE_CHECKING:
    from numpy import ndarray

HEIGHT_COUNTS, TURN_COUNTS = 1e-3, 0.02
"""A height off by so much, m, weighs as much as a move that would alone raise its corner by so much."""
HEIGHTS = "heights first"
TURNS = "least turning"


@dataclass(slots=True)
class PadRow:
    """One corner on the scales: what the pad showed, its adjuster, and how it stands."""

    place: Place
    mass: float | None
    readings: int
    knob: str | None
    unit: str
    now: float | None
    lead: float | None
    low: float | None
    high: float | None
    held: bool
    height: float | None
    """As read in this round, else as foretold."""
    height_read: bool
    wanted: float | None


@dataclass(slots=True)
class WayMove:
    """One corner in one way to the target."""

    place: Place
    move: float
    turns: float | None
    mass_then: float
    height_then: float | None
    height_off: float | None
    """Then less wanted."""


@dataclass(slots=True)
class Way:
    """One way to the target: which corners turn, how much in all, and the first thing against it."""

    words: str
    corners: list[Place]
    moves: list[WayMove]
    turns: float | None
    """In all, where every corner that is turned counts turns."""
    travel: float
    """Of all collars together, as their own corners alone would rise, m."""
    worst_height: float | None
    cross_then: float
    grade: Literal["", "note", "look", "stop"] = ""
    against: str = ""
    against_place: Place | None = None
    against_value: float | None = None


@dataclass(frozen=True)
class Weighed:
    """A weighed vehicle, bars unhooked: what its adjusters do, and where it stands."""

    document: Document
    free: Document
    setup: str
    knobs: Mapping[Place, Knob]
    effect: Effects
    base: "tuple[ndarray, ndarray]"
    masses: Sequence[float]
    rows: Sequence[PadRow]
    target: float

    def off(self) -> "ndarray":
        """Heights less those wanted, before anything is turned."""
        import numpy as np

        return np.array([(r.height or 0.0) - (r.wanted or r.height or 0.0) for r in self.rows])

    def cross_slope(self) -> "ndarray":
        """Change of the cross weight for one unit of each knob."""
        loads = self.effect.loads
        made: ndarray = (loads[1] + loads[2]) / sum(self.masses)
        return made

    def own(self, place: Place) -> float:
        """What one unit of a knob does to its own corner's height with the load it carries kept."""
        i, j = PLACES.index(place), self.effect.knobs.index(place)
        return max(abs(float(self.effect.heights[i, j])), 1e-12)

    @property
    def missing(self) -> float:
        cross = (self.masses[1] + self.masses[2]) / sum(self.masses)
        return self.target - cross


def ways_to(stand: Weighed, held: Collection[Place]) -> list[Way]:
    """The ways to the target that the adjusters which may be turned leave open; the best in heights first."""
    free = [p for p in stand.knobs if p not in held]
    front, rear = ([p for p in free if p.end == e] for e in ("front", "rear"))
    tries: list[tuple[str, list[Place], bool]] = []
    if len(rear) == 2:
        tries.append(("Rears", rear, True))
    if len(front) == 2:
        tries.append(("Fronts", front, True))
    if len(free) == 4:
        tries += [("All four", free, True), ("All four", free, False)]
    elif len(free) == 3:
        tries += [("All three", free, True), ("All three", free, False)]
    elif len(free) == 1 or (len(free) == 2 and len(front) == 1):
        tries.append(("All that may be turned", free, True))
    made = []
    for words, corners, heights in tries:
        moves = _solved(stand, corners, heights=heights)
        if moves is not None:
            made.append(_way(stand, f"{words}, {HEIGHTS if heights else TURNS}", corners, moves))
    grades = {"": 0, "note": 1, "look": 2, "stop": 3}
    return sorted(made, key=lambda w: (grades[w.grade] if w.grade != "note" else 0, w.worst_height or 0.0))


def _solved(stand: Weighed, corners: Sequence[Place], *, heights: bool) -> dict[Place, float] | None:
    """Moves that bring the cross weight to its target: heights kept as near as may be, or least turning."""
    import numpy as np

    columns = [stand.effect.knobs.index(p) for p in corners]
    slope = stand.cross_slope()[columns]
    if not np.any(np.abs(slope) > 1e-12):
        return None
    curb = np.diag([(stand.own(p) / TURN_COUNTS) ** 2 for p in corners])
    pull = np.zeros(len(corners))
    if heights:
        tall = stand.effect.heights[:, columns] / HEIGHT_COUNTS
        curb = curb + tall.T @ tall
        pull = -tall.T @ (stand.off() / HEIGHT_COUNTS)
    size = len(corners)
    whole = np.zeros((size + 1, size + 1))
    whole[:size, :size], whole[:size, size], whole[size, :size] = curb, slope, slope
    # in units of their own, so that the two halves of the matrix are of one size
    scale = np.sqrt(np.abs(np.diag(curb)))
    whole[:size, :size] /= np.outer(scale, scale)
    whole[:size, size] /= scale
    whole[size, :size] /= scale
    got = np.linalg.solve(whole, np.append(pull / scale, stand.missing))[:size] / scale
    moves = dict(zip(corners, (float(v) for v in got), strict=True))
    return _corrected(stand, corners, moves, slope)


def _corrected(
    stand: Weighed, corners: Sequence[Place], moves: dict[Place, float], slope: "ndarray"
) -> dict[Place, float]:
    """The moves stretched until the balance of the whole vehicle, not its slope, reaches the target."""
    import numpy as np

    for _ in range(3):
        after = standing(moved(stand.free, stand.setup, stand.knobs, moves), stand.setup, PLACES)
        if after is None:
            return moves
        masses = np.array(stand.masses) + after[1] - stand.base[1]
        left = stand.target - float((masses[1] + masses[2]) / masses.sum())
        if abs(left) < 1e-6:
            break
        step = left * slope / float(slope @ slope)
        moves = {p: moves[p] + float(s) for p, s in zip(corners, step, strict=True)}
    return moves


def _way(stand: Weighed, words: str, corners: list[Place], moves: dict[Place, float]) -> Way:
    after = standing(moved(stand.free, stand.setup, stand.knobs, moves), stand.setup, PLACES) or stand.base
    rows, turns = [], 0.0
    counted = all(stand.knobs[p].lead for p in corners)
    for i, (place, row) in enumerate(zip(PLACES, stand.rows, strict=True)):
        move = moves.get(place, 0.0)
        lead = stand.knobs[place].lead if place in stand.knobs else None
        height = None if row.height is None else row.height + float(after[0][i] - stand.base[0][i])
        rows.append(
            WayMove(
                place,
                move,
                move / lead if lead else None,
                stand.masses[i] + float(after[1][i] - stand.base[1][i]),
                height,
                None if height is None or row.wanted is None else height - row.wanted,
            )
        )
        turns += abs(move / lead) if lead else 0.0
    masses = [r.mass_then for r in rows]
    off = [abs(r.height_off) for r in rows if r.height_off is not None]
    way = Way(
        words, corners, rows, turns if counted else None,
        sum(abs(m) * stand.own(p) for p, m in moves.items()), max(off, default=None),
        (masses[1] + masses[2]) / sum(masses),
    )  # fmt: skip
    _judge(stand, way, moves)
    return way


def _judge(stand: Weighed, way: Way, moves: dict[Place, float]) -> None:
    """The first thing against a way, worst first: past the thread, loose at droop, off its height."""

    def say(grade: Literal["note", "look", "stop"], words: str, place: Place, value: float) -> None:
        if not way.grade:
            way.grade, way.against, way.against_place, way.against_value = grade, words, place, value

    for place, move in moves.items():
        knob = stand.knobs[place]
        then = knob.now + move
        if knob.high is not None and then > knob.high + 1e-6:
            say("stop", "the thread ends above", place, then - knob.high)
        if knob.low is not None and then < knob.low - 1e-6:
            say("stop", "the thread ends below", place, knob.low - then)
    told = evaluate_plain(moved(stand.free, stand.setup, stand.knobs, moves), stand.setup).corners
    least = stand.document.brief.held_at_droop
    holds = [(float(c.held_at_droop.value), p) for p, c in told.items() if c.held_at_droop is not None]
    loose = [(h, p) for h, p in holds if h < least - 1e-6 and p in moves and moves[p] < 0]
    if loose and min(loose)[0] < 0:
        say("stop", "the spring is loose at full droop", min(loose)[1], min(loose)[0])
    off = [(abs(r.height_off), r) for r in way.moves if r.height_off is not None]
    if off and max(v for v, _ in off) > LEVEL_ENOUGH + 1e-6:
        worst = max(off, key=lambda o: o[0])[1]
        say("look", "the arch stays off its height", worst.place, worst.height_off or 0.0)
    if loose:
        say("note", "the spring is held by less than wanted at droop", min(loose)[1], min(loose)[0])


def cross_range(stand: Weighed, held: Collection[Place]) -> tuple[float | None, float | None]:
    """Least and most cross weight within thread, hold at droop and 2 mm of height, as far as a small move says."""
    import numpy as np
    from scipy.optimize import linprog

    free = [p for p in stand.knobs if p not in held]
    if not free:
        return None, None
    columns = [stand.effect.knobs.index(p) for p in free]
    slope, off = stand.cross_slope()[columns], stand.off()
    tall = stand.effect.heights[:, columns]
    room = np.full(4, LEVEL_ENOUGH)
    room = np.maximum(room, np.abs(off))  # what stands further off already may at least stay there
    own = np.array([stand.own(p) for p in free])
    bounds = []
    droop = evaluate_plain(stand.free, stand.setup).corners
    for place in free:
        knob, low, high = stand.knobs[place], -0.1, 0.1
        scale = stand.own(place)
        if knob.low is not None:
            low = max(low, (knob.low - knob.now) * scale)
        if knob.high is not None:
            high = min(high, (knob.high - knob.now) * scale)
        hold = droop[place].held_at_droop
        if knob.unit == "m" and hold is not None:
            low = max(low, -max(float(hold.value), 0.0) * scale)
        bounds.append((min(low, 0.0), max(high, 0.0)))
    above = np.vstack([tall / own, -tall / own])
    limits = np.concatenate([room - off, room + off])
    cross = (stand.masses[1] + stand.masses[2]) / sum(stand.masses)
    ends: list[float | None] = []
    for sign in (1.0, -1.0):
        found = linprog(sign * slope / own, A_ub=above, b_ub=limits, bounds=bounds, method="highs")
        ends.append(None if not found.success else cross + float(slope / own @ found.x))
    return ends[0], ends[1]
