"""What could explain heights farther off than chance: mistakes, each with its own pattern over the corners."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from math import exp, log

from feder.core.benches.index.adjusters import at_adjusters
from feder.core.document.base import ENDS, Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.shapes import Figure
from feder.core.standing.facts import places_of, setup_of, side_of

Heights = Sequence[float]
TAPE = (
    (0.010, 0.5),
    (-0.010, 0.5),
    (0.020, 0.2),
    (-0.020, 0.2),
    (0.030, 0.1),
    (-0.030, 0.1),
    (0.005, 0.3),
    (-0.005, 0.3),
)
"""Whole centimetres are misread, or halves of one; with how usual each is against the others."""
NOT_HOME = tuple((0.001 * h, exp(-(((h - 6) / 3) ** 2) / 2)) for h in range(2, 13))
PADS = tuple((s * 0.001 * h, exp(-(((h - 7.5) / 2.5) ** 2) / 2)) for h in range(3, 13) for s in (-1, 1))
TURNS = tuple((float(s * n), 1 / n) for n in range(1, 11) for s in (-1, 1))
ONCE = ((1.0, 1.0),)
CODES = "the codes on the springs"
SCRUBBED = tuple((0.001 * h, exp(-(((h - 5) / 2.5) ** 2) / 2)) for h in range(2, 13))


@dataclass(slots=True)
class Mishap:
    """One explanation: in words, how likely against the others, and the reading that decides."""

    words: str
    place: str
    amount: Figure | None
    chance: float
    decides: str


@dataclass(frozen=True, slots=True)
class _Kind:
    """A mistake that can be of several sizes: what one metre (or turn) of it does to all readings."""

    words: str
    place: str
    unit: str
    sizes: tuple[tuple[float, float], ...]
    effect: Callable[[float], list[float] | None]
    decides: str


def causes(
    document: Document, setup: str, places: Sequence[Place], off: Heights, cover: Sequence[Sequence[float]]
) -> list[Mishap]:
    """Mistakes ranked by how well they explain readings `off` from what was expected, most likely first.

    `cover` is the covariance of the readings as expected. Every mistake starts alike; a size of it weighs by how
    usual it is. The most likely size is told.
    """
    import numpy as np

    inverse = np.linalg.inv(np.array(cover))
    miss = np.array(off)
    found: list[tuple[float, _Kind, float]] = []
    for kind in _kinds(document, setup, places):
        whole = sum(weight for _, weight in kind.sizes)
        scores = []
        for size, weight in kind.sizes:
            moved = kind.effect(size)
            if moved is not None:
                left = miss - np.array(moved)
                scores.append((log(weight / whole) - float(left @ inverse @ left) / 2, size))
        if scores:
            best = max(scores)
            total = best[0] + log(sum(exp(s - best[0]) for s, _ in scores))
            found.append((total, kind, best[1]))
    if not found:
        return []
    top = max(score for score, _, _ in found)
    norm = sum(exp(score - top) for score, _, _ in found)
    ranked = sorted(found, key=lambda f: -f[0])
    return [
        Mishap(
            kind.words,
            kind.place,
            None if not kind.unit else Figure(size, kind.unit),
            exp(score - top) / norm,
            kind.decides,
        )
        for score, kind, size in ranked
    ]


def _kinds(document: Document, setup: str, places: Sequence[Place]) -> Iterator[_Kind]:
    set_so = at_adjusters(document, setup, evaluate_plain(document, setup))
    base = _heights(set_so, setup, places)
    if base is None:
        return

    def changed(members: dict[Place, dict[str, object]]) -> list[float] | None:
        now = _heights(with_sides(set_so, setup, members), setup, places)
        return None if now is None else [b - a for a, b in zip(base, now, strict=True)]

    def scaled(members: dict[Place, dict[str, object]], size: float) -> Callable[[float], list[float] | None]:
        """The effect of a change of one size, taken as straight."""
        one = changed(members)
        return lambda by: None if one is None else [v * by / size for v in one]

    at = setup_of(set_so, setup)
    for place in places:
        side = side_of(at, place)
        yield _Kind(
            "misread by a whole centimetre, or half of one", place.value, "m", TAPE,
            _at([p is place for p in places]),
            f"hub to arch at {place.words}, read again by another hand",
        )  # fmt: skip
        if isinstance(side.spring, SpringPart) and side.collar is not None:
            pitch = side.seat.pitch if side.seat is not None else None
            if pitch:
                one = scaled({place: {"collar": side.collar + pitch}}, 1.0)
                again = "the collar, counted again from its datum"
                yield _Kind("collar miscounted", place.value, "turn", TURNS, one, again)
            raised = scaled({place: {"collar": side.collar + 0.005}}, 0.005)
            if getattr(document.vehicle.ends, place.end).layout == "strut":
                foot = "the strut's foot against its mark"
                yield _Kind("strut not home in its foot", place.value, "m", NOT_HOME, raised, foot)
            pads = "the pads, with the wheel hanging"
            yield _Kind("a pad left out, or one too many", place.value, "m", PADS, raised, pads)
    for end in ENDS:
        here = places_of(document, end)
        if len(here) == 2 and all(p in places for p in here):
            yield _Kind(
                "not rolled: the tyres hold it up", end, "m", SCRUBBED,
                _at([p in here for p in places]), "heights again, rolled back and forth",
            )  # fmt: skip
            left, right = (side_of(at, p).spring for p in here)
            if left != right:
                swap = changed({here[0]: {"spring": right}, here[1]: {"spring": left}})
                yield _Kind("left and right springs exchanged", end, "", ONCE, _always(swap), CODES)
    cross = _exchanged(document, at, places)
    if cross:
        swap = changed(cross)
        yield _Kind("front and rear springs exchanged", "vehicle", "", ONCE, _always(swap), CODES)


def _always(effect: list[float] | None) -> Callable[[float], list[float] | None]:
    """A mistake of one size."""
    return lambda _: effect


def _at(which: Sequence[bool]) -> Callable[[float], list[float] | None]:
    """A mistake that shifts some readings and leaves the others."""
    return lambda by: [by if x else 0.0 for x in which]


def _exchanged(document: Document, at: object, places: Sequence[Place]) -> dict[Place, dict[str, object]]:
    """Front springs in the place of the rear ones and the other way round, where both are coils that differ."""
    moves: dict[Place, dict[str, object]] = {}
    if len(document.places) != 4 or len(places) != 4:
        return moves
    for front, rear in (
        (Place.FRONT_LEFT, Place.REAR_LEFT),
        (Place.FRONT_RIGHT, Place.REAR_RIGHT),
    ):
        one, two = side_of(at, front).spring, side_of(at, rear).spring  # type: ignore[arg-type]
        if not isinstance(one, SpringPart) or not isinstance(two, SpringPart) or one == two:
            return {}
        moves |= {front: {"spring": two}, rear: {"spring": one}}
    return moves


def _heights(document: Document, setup: str, places: Sequence[Place]) -> list[float] | None:
    corners = evaluate_plain(document, setup).corners
    heights = [corners[p].hub_to_arch for p in places]
    return None if None in heights else [float(h.value) for h in heights if h is not None]
