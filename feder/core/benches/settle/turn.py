"""What to turn on a vehicle that stands off its heights: all corners together, turning weighed against scatter."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING

from feder.core.benches.settle.heights import Basis, Read, stands
from feder.core.benches.settle.knobs import Effects, Knob, effects, moved, tried
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.practice.thresholds import LEVEL_ENOUGH
from feder.core.practice.tolerances import BY_HOW

if TYPE_CHECKING:
    from numpy import ndarray

USUAL_MOVE = 0.012
"""How far a corner is usually turned, as its own height alone would rise, m: more is the less likely wanted."""
LEAST_LEFT = 0.0007
"""What is left at a corner, as read, however often it was read, m."""
SMALL_TURN = 0.25
"""Turns below which a collar is left alone."""
SMALL_MOVE = 5e-4
"""The same at the wheel, where there are no turns, m."""


@dataclass(slots=True)
class Turn:
    """One corner: where its adjuster stands and where it goes, and where the corner stands then."""

    place: Place
    kind: str
    unit: str
    now: float
    then: float
    move: float
    """Up positive, in the knob's unit."""
    turns: float | None
    low: float | None
    high: float | None
    assumed: bool
    held: bool
    """Whether it may not be turned."""
    small: bool
    """Whether it is too little to be worth a hand."""
    stands_then: float | None
    bounded: bool = False
    """Whether the thread ends before what was wanted."""


def what_to_turn(
    document: Document,
    setup: str,
    basis: Basis,
    load: str | None,
    knobs: Mapping[Place, Knob],
    read: Mapping[Place, Read],
    wanted: Mapping[Place, float],
    held: Collection[Place] = (),
) -> list[Turn]:
    """The moves that bring the readings to what is wanted, by adjusters that may be turned.

    Minimises sum(miss^2)/scatter^2 + sum(move^2)/usual^2, a move counted as what it alone does to its own corner:
    warp is far softer than roll, and all four collars together would chase the tape. What stands near enough is
    left, if all of it does; a move too small for a hand is left out and the others found anew. `document` has
    its adjusters set.
    """
    import numpy as np

    places = [p for p in document.places if p in read and p in wanted]
    free = [p for p in knobs if p not in held and p in read]
    effect = effects_of(document, setup, basis, load, knobs)
    if effect is None or not places:
        return []
    rows = [effect.places.index(p) for p in places]
    miss = np.array([wanted[p] - read[p].value for p in places])
    scatter = np.array([read[p].scatter for p in places])
    moves: dict[Place, float] = {}
    bounded: set[Place] = set()
    if any(abs(m) > near_enough(float(s)) for m, s in zip(miss, scatter, strict=True)):
        moves, bounded = _fewest(knobs, free, effect, rows, places, miss, scatter)
    then = {}
    if moves:
        foretold = stands(document, setup, basis, load)
        after = stands(moved(document, setup, knobs, moves), setup, basis, load)
        then = {p: read[p].value + after[p] - foretold[p] for p in places if p in after and p in foretold}
    return [
        _turn(
            knobs[p], moves.get(p, 0.0), p in held, then.get(p, read[p].value if p in read else None), p in bounded
        )
        for p in knobs
    ]


def near_enough(scatter: float) -> float:
    """What is left alone: 2 mm of one reading; read more often, a smaller rest is no longer the tape's."""
    return min(LEVEL_ENOUGH, max(LEAST_LEFT, LEVEL_ENOUGH * scatter / BY_HOW["tape"].size))


def effects_of(
    document: Document, setup: str, basis: Basis, load: str | None, knobs: Mapping[Place, Knob]
) -> Effects | None:
    """What each knob does to what is read; for heights as read, sags as sags."""
    if basis == "hub_to_arch" and load is None:
        return effects(document, setup, knobs)
    import numpy as np

    places = tuple(document.places)
    made = np.zeros((len(places), len(knobs)))
    for i, place in enumerate(knobs):
        step = tried(knobs[place])
        high, low = (
            stands(moved(document, setup, knobs, {place: s * step}), setup, basis, load) for s in (1.0, -1.0)
        )
        if set(high) != set(places) or set(low) != set(places):
            return None
        made[:, i] = [(high[p] - low[p]) / (2 * step) for p in places]
    return Effects(tuple(knobs), places, made, np.zeros_like(made))


def _fewest(
    knobs: Mapping[Place, Knob],
    free: Sequence[Place],
    effect: Effects,
    rows: Sequence[int],
    places: Sequence[Place],
    miss: "ndarray",
    scatter: "ndarray",
) -> tuple[dict[Place, float], set[Place]]:
    """Moves of the corners that are off; another one joins where what is left elsewhere is more than its share."""
    import numpy as np

    leave = np.array([near_enough(float(s)) for s in scatter])
    off = sorted(free, key=lambda p: -abs(float(miss[places.index(p)])))
    turned = [p for p in off if abs(float(miss[places.index(p)])) > leave[places.index(p)]] or off[:1]
    while True:
        moves, bounded = _found(knobs, turned, effect, rows, miss, scatter)
        then = sum(
            (effect.heights[rows, effect.knobs.index(p)] * v for p, v in moves.items()), np.zeros(len(rows))
        )
        left = np.abs(miss - then)
        others = [p for p in off if p not in turned]
        if not others or not np.any(left > leave):
            return moves, bounded
        turned.append(max(others, key=lambda p: float(left[places.index(p)])))


def _found(
    knobs: Mapping[Place, Knob],
    free: Sequence[Place],
    effect: Effects,
    rows: Sequence[int],
    miss: "ndarray",
    scatter: "ndarray",
) -> tuple[dict[Place, float], set[Place]]:
    """Moves of the free knobs: the too small ones held, those past the thread at its end, the rest anew."""
    import numpy as np

    still, fixed = list(free), dict[Place, float]()
    bounded: set[Place] = set()
    while still:
        columns = [effect.knobs.index(p) for p in still]
        slopes = effect.heights[np.ix_(rows, columns)]
        own = np.array([_own(effect, p) for p in still])
        left = miss - sum(
            (effect.heights[rows, effect.knobs.index(p)] * v for p, v in fixed.items()), np.zeros(len(rows))
        )
        weighed = slopes.T @ np.diag(scatter**-2.0)
        curb = np.diag((own / USUAL_MOVE) ** 2)
        got = np.linalg.solve(weighed @ slopes + curb, weighed @ left)
        moves = dict(zip(still, (float(v) for v in got), strict=True))
        past = {p: end for p, v in moves.items() if (end := _end(knobs[p], v)) is not None}
        if past:
            bounded |= set(past)
            fixed |= past
            still = [p for p in still if p not in past]
            continue
        small = [p for p, v in moves.items() if _small(knobs[p], v, _own(effect, p))]
        if small:
            least = min(small, key=lambda p: abs(moves[p] * _own(effect, p)))
            still = [p for p in still if p != least]
            continue
        return fixed | moves, bounded
    return fixed, bounded


def _own(effect: Effects, place: Place) -> float:
    """What a knob does to its own corner were the others held: its own slope, at least a share of it."""
    own = abs(float(effect.heights[effect.places.index(place), effect.knobs.index(place)]))
    return max(own, 1e-12)


def _end(knob: Knob, move: float) -> float | None:
    """How far it goes to the end of its thread, where the move leads past it."""
    if knob.high is not None and knob.now + move > knob.high + 1e-9:
        return max(0.0, knob.high - knob.now)
    if knob.low is not None and knob.now + move < knob.low - 1e-9:
        return min(0.0, knob.low - knob.now)
    return None


def _small(knob: Knob, move: float, own: float) -> bool:
    if knob.lead and knob.unit == "m":
        return abs(move) / knob.lead < SMALL_TURN
    return abs(move) * own < SMALL_MOVE


def _turn(knob: Knob, move: float, held: bool, then: float | None, bounded: bool) -> Turn:
    turns = None if knob.lead is None else move / knob.lead
    return Turn(
        knob.place, knob.kind, knob.unit, knob.now, knob.now + move, move, turns, knob.low, knob.high,
        knob.assumed, held, not move, then, bounded,
    )  # fmt: skip
