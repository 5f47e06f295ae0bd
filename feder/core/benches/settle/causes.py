"""What could explain heights farther off than chance: mistakes, each with its own pattern over the corners."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import exp, log, sqrt
from typing import TYPE_CHECKING

from feder.core.benches.index.adjusters import at_adjusters
from feder.core.benches.settle.mishaps import Case, Heights, Kind, kinds_of
from feder.core.benches.settle.mishaps_two import kinds_on_two
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart
from feder.core.document.survey import Check, Decided
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.shapes import Figure

if TYPE_CHECKING:
    import numpy as np


@dataclass(slots=True)
class Decider:
    """The reading that parts a cause from the others: what it will be if it was this one, and if it was not."""

    about: Decided
    place: Place | None
    words: str
    unit: str
    if_so: float
    if_not: float | None
    read: float | None = None
    """What was read of it, if it was."""


@dataclass(slots=True)
class Mishap:
    """One explanation: in words, how likely against the others, its pattern, and the reading that decides."""

    words: str
    place: str
    amount: Figure | None
    chance: float
    decides: str
    pattern: dict[Place, float]
    """What it does to each reading, m."""
    leaves: float
    """Root mean square of what it leaves unexplained, m."""
    decider: Decider | None = None


SCATTER: dict[Decided, float] = {
    "hanging": 2e-3, "collar": 0.25, "again": 2e-3, "rolled": 2e-3, "mass": 3.0, "mark": 0.25,
}  # fmt: skip
"""How far the deciding readings scatter."""
UNITS: dict[Decided, str] = {
    "hanging": "m",
    "collar": "turn",
    "again": "m",
    "rolled": "m",
    "mass": "kg",
    "mark": "",
}


@dataclass(frozen=True, slots=True)
class Ruled:
    """What the readings say once mistakes are weighed against none: how likely none is, and the ranking."""

    nothing: float
    causes: list[Mishap]


def causes(
    document: Document,
    setup: str,
    read: Mapping[Place, float],
    expected: Mapping[Place, float],
    cover: Sequence[Sequence[float]],
    checks: Sequence[Check] = (),
    shelf: Sequence[SpringPart] = (),
    survey: int | None = None,
) -> Ruled:
    """Mistakes ranked by how well they explain readings off what was expected, most likely first.

    `cover` is the covariance of the readings as expected. No mistake at all is as likely beforehand as all of them
    together, which all start alike; a size of one weighs by how usual it is. A deciding reading that was taken
    weighs with its own scatter. The most likely size is told.
    """
    import numpy as np

    places = list(read)
    inverse = np.linalg.inv(np.array(cover))
    miss = np.array([read[p] - expected[p] for p in places])
    case = Case(
        document, setup, places, read, at_adjusters(document, setup, evaluate_plain(document, setup)), survey
    )
    kinds = list((kinds_of if document.vehicle.kind == "car" else kinds_on_two)(case, shelf))

    def misfit(left: "np.ndarray") -> float:
        return -float(left @ inverse @ left) / 2

    def told(kind: Kind | None, size: float) -> float:
        """How well a mistake foretells the deciding readings that were taken."""
        whole = 0.0
        for check in checks:
            mine = kind is not None and kind.about == check.about and kind.at == check.place
            value = kind.tells(size) if kind is not None and mine else case.otherwise(check.about, check.place)
            if value is not None:
                whole -= ((check.value - value) / SCATTER[check.about]) ** 2 / 2
        return whole

    found: list[tuple[float, Kind, float]] = []
    for kind in kinds:
        whole, scores = sum(weight for _, weight in kind.sizes), []
        for size, weight in kind.sizes:
            moved = kind.effect(size)
            if moved is not None:
                scores.append((log(weight / whole) + misfit(miss - np.array(moved)) + told(kind, size), size))
        if scores:
            best = max(scores)
            found.append((best[0] + log(sum(exp(s - best[0]) for s, _ in scores)), kind, best[1]))
    if not found:
        return Ruled(1.0, [])
    none = log(len(found)) + misfit(miss) + told(None, 0.0)
    top = max(none, *(score for score, _, _ in found))
    norm = exp(none - top) + sum(exp(score - top) for score, _, _ in found)
    ranked = sorted(found, key=lambda f: -f[0])
    return Ruled(
        exp(none - top) / norm,
        [_mishap(case, kind, size, exp(score - top) / norm, list(miss), checks) for score, kind, size in ranked],
    )


def _mishap(case: Case, kind: Kind, size: float, chance: float, miss: Heights, checks: Sequence[Check]) -> Mishap:
    moved = kind.effect(size) or [0.0] * len(miss)
    left = [m - v for m, v in zip(miss, moved, strict=True)]
    taken = next((c.value for c in checks if c.about == kind.about and c.place == kind.at), None)
    return Mishap(
        kind.words,
        kind.place,
        None if not kind.unit else Figure(size, kind.unit),
        chance,
        kind.decides,
        dict(zip(case.places, (float(v) for v in moved), strict=True)),
        sqrt(sum(v * v for v in left) / len(left)),
        Decider(
            kind.about,
            kind.at,
            kind.decides,
            UNITS[kind.about],
            kind.tells(size),
            case.otherwise(kind.about, kind.at),
            taken,
        ),
    )
