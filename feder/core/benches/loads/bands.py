"""Load springs known by band and lift alone, ranked by the load that each load state adds to one spring."""

from dataclasses import dataclass, field

from feder.core.document.base import EndName
from feder.core.document.document import Document
from feder.core.document.load_spring import BandSpring
from feder.core.numbers.working import untraced
from feder.core.report.evaluate import evaluate
from feder.core.report.shapes import Figure, Report
from feder.core.standing.facts import gather


@dataclass(slots=True)
class BandRank:
    """One load spring: how far the worst load state lies outside its band, and what speaks against it."""

    part: BandSpring
    outside: float
    """N on one spring; 0 where every load state lies within."""
    worst: str
    """Name of the load state farthest outside."""
    against: str
    added: list[Figure | None] = field(default_factory=list)
    """What each load state adds to one spring of this end, the more loaded side."""


def rank_bands(document: Document, setup: str, end: EndName) -> list[BandRank]:
    """The load springs at hand for an end, the one whose band holds all load states first.

    A load state adds to a spring what it adds to the wheels, whatever spring carries it: the springs of the setup
    stand in.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    parts = [p for p in document.load_springs if p.end == end]
    if not parts:
        return []
    with untraced():
        empty = evaluate(document, setup)
        loaded = [(state.name, evaluate(document, setup, state.id)) for state in document.loads]
        legs = gather(document).ends[end].legs
    added = [(name, _added(empty, report, end, legs), _most(report, end, legs)) for name, report in loaded]
    return sorted(
        (_rank(part, added) for part in parts), key=lambda r: (bool(r.against), r.outside, r.part.added_to)
    )


def _added(empty: Report, loaded: Report, end: EndName, legs: float) -> Figure | None:
    """What a load state adds to one spring of an end, on the side where it adds more."""
    found = [
        Figure((float(now.value) - float(was.value)) / legs, "N", now.assumed or was.assumed)
        for place, corner in loaded.corners.items()
        if place.end == end and (now := corner.spring_force) and (was := empty.corners[place].spring_force)
    ]
    return max(found, key=lambda f: f.value) if found else None


def _most(loaded: Report, end: EndName, legs: float) -> float | None:
    found = [
        float(c.spring_force.value) / legs for p, c in loaded.corners.items() if p.end == end and c.spring_force
    ]
    return max(found, default=None)


def _rank(part: BandSpring, added: list[tuple[str, Figure | None, float | None]]) -> BandRank:
    outside, worst, against = 0.0, "", ""
    for name, figure, most in added:
        if figure is None:
            continue
        off = max(0.0, part.added_from - figure.value, figure.value - part.added_to)
        if off > outside:
            outside, worst = off, name
            against = f"{'above' if figure.value > part.added_to else 'below'} its band, {name}"
        if part.most_load is not None and most is not None and most > part.most_load:
            against = against or f"past its most load, {name}"
    return BandRank(part, outside, worst, against, [figure for _, figure, _ in added])
