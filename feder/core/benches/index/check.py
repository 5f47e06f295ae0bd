"""What the level shows of the unloaded plate, judged: the right pair, or which mistake it tells of."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import pi, radians
from typing import Literal

from feder.core.benches.index.bench import IndexBench
from feder.core.document.document import Document
from feder.core.document.vehicle import PlateAdjuster, TorsionArm
from feder.core.formulas.splines import spline_words

Verdict = Literal[
    "good",
    "adjust",
    "one spline off",
    "moved the other way",
    "one end the other way",
    "counts exchanged",
    "one end forgotten",
    "nothing moved",
    "sides swapped",
    "level turned",
    "not zeroed",
    "not read before",
    "off",
]
SHOWN = radians(0.05)
"""Half the last digit that a level shows: what is printed as the edge of the window is within it."""


@dataclass(slots=True)
class Explanation:
    """One reading of what the level shows: verdict, words, and how far it still misses, rad."""

    verdict: Verdict
    says: str
    left: float


def check_reading(
    document: Document, bench: IndexBench, inner: int, outer: int, reading: float, other: float | None = None
) -> list[Explanation]:
    """Explanations of a level reading of the plate after a pair of moves, the likeliest first.

    `other` is what the plate of the other side should show. The level is held as when the arm was read: zeroed on
    the chassis, wheel end down positive. Each explanation must hit the reading within the window.
    """
    if bench.free_found is None or bench.splines is None:
        return []
    n_in, n_out = bench.splines
    found = float(bench.free_found.value)
    expected, window = found + (inner / n_in - outer / n_out) * 2 * pi, bench.window + SHOWN
    arm: TorsionArm = getattr(document.vehicle.ends, bench.place.end).arm
    off = reading - expected
    if abs(off) <= window:
        rest = " The rest is the adjuster's." if arm.adjuster is not None else ""
        return [Explanation("good", f"This is the pair.{rest}", off)]
    possible = [*_miscounted(bench, arm, inner, outer, found), *_misread(arm, expected)]
    if other is not None and abs(other - expected) > window:
        swapped = "This is what the other side should show: the bars or the sides are swapped."
        possible.append(("sides swapped", swapped, other))
    hits = [Explanation(v, says, reading - at) for v, says, at in possible if abs(reading - at) <= window]
    hits.sort(key=lambda e: (abs(e.left), ORDER.index(e.verdict)))
    adjusted = _adjusted(arm.adjuster, bench, expected, reading)
    if adjusted is not None:
        hits = [adjusted, *hits]
    if not bench.read:
        hits.append(Explanation("not read before", NOT_READ, off))
    if hits:
        return hits
    missing = (
        "No single mistake explains it. If the vehicle stands otherwise than when the chassis was read, zero the "
        "level on it again; else put both ends back to their marks, read the plate, and count again."
    )
    return [Explanation("off", missing, off)]


Possible = Iterator[tuple[Verdict, str, float]]
ORDER: list[Verdict] = [
    "not zeroed",
    "level turned",
    "nothing moved",
    "one end forgotten",
    "counts exchanged",
    "sides swapped",
    "moved the other way",
    "one end the other way",
    "one spline off",
]
NOT_READ = (
    "The plate was not read before it was moved, so this is held against a computed angle: a bar a tenth softer "
    "or stiffer than its figure shows as a spline or two. Count from the marks, or put it back and read it first."
)


def _miscounted(bench: IndexBench, arm: TorsionArm, inner: int, outer: int, found: float) -> Possible:
    """Moves other than the pair, with the reading each would give."""
    n_in, n_out = bench.splines or (1, 1)
    side: Literal["left", "right"] = "left" if bench.place.is_left else "right"
    motion: Literal["trailing", "leading"] = "leading" if arm.motion == "leading" else "trailing"

    def at(i: int, o: int) -> float:
        return found + (i / n_in - o / n_out) * 2 * pi

    for by in (1, -1):
        yield (
            "one spline off",
            f"At the inner end: turn back, {spline_words(-by, 0, side, motion)}.",
            at(inner + by, outer),
        )
        yield (
            "one spline off",
            f"At the outer end: turn back, {spline_words(0, by, side, motion)}.",
            at(inner, outer - by),
        )
    if not inner and not outer:
        return
    yield "nothing moved", "This is what it showed before: neither end has been moved.", found
    yield "moved the other way", MIRRORED, at(-inner, -outer)
    if inner and outer:
        yield (
            "one end forgotten",
            f"The plate has not been moved: {spline_words(0, outer, side, motion)}.",
            at(inner, 0),
        )
        yield (
            "one end forgotten",
            f"The bar has not been moved: {spline_words(inner, 0, side, motion)}.",
            at(0, outer),
        )
        exchanged = "The two counts were exchanged: the bar's went into the plate. Start again from the marks."
        way = 1 if inner * outer > 0 else -1
        yield "counts exchanged", exchanged, at(way * outer, way * inner)
        yield "one end the other way", "The bar went the wrong way; the plate is right.", at(-inner, outer)
        yield "one end the other way", "The plate went the wrong way; the bar is right.", at(inner, -outer)


MIRRORED = "The moves were made the way of the other side; do them the other way round from the marks."


def _misread(arm: TorsionArm, expected: float) -> Possible:
    """The right moves, with the level wrongly held."""
    turned = "The level was turned round: its sign is the other one. Turn it and read again."
    yield "level turned", turned, -expected
    if arm.chassis:
        zero = "The chassis' own angle is in it: zero the level on the chassis and read again."
        yield "not zeroed", zero, expected + arm.chassis
        both = "The level was turned round, and the chassis' own angle is in it: zero it there, then turn it."
        yield "level turned", both, -(expected + arm.chassis)


def _adjusted(
    adjuster: PlateAdjuster | None, bench: IndexBench, expected: float, reading: float
) -> Explanation | None:
    """What the adjuster makes up by itself, where it reaches from the reading to the angle wanted."""
    if adjuster is None or bench.plate_wanted is None:
        return None
    left = float(bench.plate_wanted.value) - reading
    if not -adjuster.down <= left <= adjuster.up:
        return None
    way = "up" if left > 0 else "down"
    turns = "" if not adjuster.per_turn else f" by {abs(left) / adjuster.per_turn:.1f} turns"
    return Explanation("adjust", f"The adjuster covers it: turn it {way}{turns}.", left)
