"""What the level shows of the unloaded plate, judged: the right pair, or which mistake it tells of."""

from dataclasses import dataclass
from math import pi
from typing import Literal

from feder.core.benches.index.bench import IndexBench
from feder.core.document.document import Document
from feder.core.formulas.splines import spline_words

Verdict = Literal[
    "good", "one spline off", "moved the other way", "sides swapped", "level turned", "not zeroed", "off"
]


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
    moved = (inner / n_in - outer / n_out) * 2 * pi
    expected, window = found + moved, bench.window
    off = reading - expected
    if abs(off) <= window * (1 + 1e-9):
        return [Explanation("good", "This is the pair; the rest is the adjuster's.", off)]
    side = "left" if bench.place.is_left else "right"
    arm = getattr(document.vehicle.ends, bench.place.end).arm
    motion = "leading" if arm.motion == "leading" else "trailing"
    possible: list[tuple[Verdict, str, float]] = []
    for by in (1, -1):
        back_in, back_out = spline_words(-by, 0, side, motion), spline_words(0, by, side, motion)
        possible.append(
            ("one spline off", f"At the inner end: turn back, {back_in}.", expected + by * 2 * pi / n_in)
        )
        possible.append(
            ("one spline off", f"At the outer end: turn back, {back_out}.", expected + by * 2 * pi / n_out)
        )
    mirrored = "The moves were made the way of the other side; do them the other way round from the marks."
    possible.append(("moved the other way", mirrored, found - moved))
    turned = "The level was turned round: its sign is the other one. Turn it and read again."
    possible.append(("level turned", turned, -expected))
    if other is not None and abs(other - expected) > window:
        swapped = "This is what the other side should show: the bars or the sides are swapped."
        possible.append(("sides swapped", swapped, other))
    if arm.chassis:
        zero = "The chassis' own angle is in it: zero the level on the chassis and read again."
        possible.append(("not zeroed", zero, expected + arm.chassis))
    hits = [Explanation(v, says, reading - at) for v, says, at in possible if abs(reading - at) <= window]
    order = {"not zeroed": 0, "level turned": 1, "sides swapped": 2, "moved the other way": 3, "one spline off": 4}
    hits.sort(key=lambda e: (abs(e.left), order.get(e.verdict, 9)))
    if hits:
        return hits
    missing = "No single mistake explains it. Put both ends back to their marks, read the plate, and count again."
    return [Explanation("off", missing, off)]
