"""Several changes in one entry: which of them did how much of what, one taken over at a time."""

from dataclasses import dataclass
from typing import Final

from feder.core.benches.settle.knobs import on_adjusters
from feder.core.document.base import ENDS, Place
from feder.core.document.changes import in_its_place
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.report.compare import Cause, causes_of, changes_between
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.explain import figures_of
from feder.core.report.shapes import Figure
from feder.core.standing.facts import places_of

BEFORE, AFTER = "state-before-the-entry", "state-after-the-entry"
CORNER: Final = {
    "hub_to_arch": "hub to arch",
    "frequency": "ride frequency",
    "damping_ratio": "damping ratio",
    "bump_travel": "bump travel",
}
"""What is felt or seen of an end, by the name of its figure at a corner."""
ON_TWO: Final = {
    "rider_sag": "rider sag",
    "frequency": "ride frequency",
    "damping_ratio": "damping ratio",
    "bump_travel": "bump travel",
}
LEAST: Final = {"m": 5e-4}
"""What moves less is left out; of other units a hundredth of itself."""


@dataclass(slots=True)
class Moved:
    """One figure that the entry moved, and what each change alone does to it, the largest first."""

    words: str
    place: Place | None
    before: Figure
    after: Figure
    by: list[Cause]
    rest: float
    """What the changes do together beyond the sum of each alone."""


FELT: Final = ("clicks and modes", "dampers", "tyre pressures", "wheel alignment", "bump stops")
"""Changes of which only the drive tells where no figure moves."""


@dataclass(slots=True)
class Apart:
    """What an entry moved, and the changes that moved none of it: of these only a drive tells, one put back."""

    moved: list[Moved]
    silent: list[str]


def apart(document: Document, setup: str, before: Setup, after: Setup) -> Apart:
    """What moved between two states of a setup, and which change did how much of it.

    Adjusters stand as they were turned: a softer spring lets the end down, though a height had been asked for.
    """
    states = []
    for name, state in ((BEFORE, before), (AFTER, after)):
        stood = on_adjusters(in_its_place(document, setup, state), setup)
        states.append(next(s for s in stood.setups if s.id == setup).but(id=name))
    both = document.but(setups=(*document.setups, *states))
    one, two = (figures_of(evaluate_plain(both, name)) for name in (BEFORE, AFTER))
    names = CORNER if document.vehicle.kind == "car" else ON_TWO
    moved = []
    for end in ENDS:
        for place in places_of(document, end):
            for name, words in names.items():
                group = "sags" if name == "rider_sag" else "corners"
                path = f"{group}.{place.value}.{name}"
                if path in one and path in two and _tells(one[path], two[path]):
                    by = causes_of(both, BEFORE, AFTER, path)
                    rest = float(two[path].value) - float(one[path].value) - sum(c.effect for c in by)
                    moved.append(Moved(words, place, one[path], two[path], by, rest))
    loud = {c.words for m in moved for c in m.by}
    silent = [w for w in changes_between(both, BEFORE, AFTER) if w not in loud and w.partition(" ")[2] in FELT]
    return Apart(_alike(document, moved), silent)


def _tells(one: Figure, two: Figure) -> bool:
    least = LEAST.get(one.unit, 0.01 * abs(float(one.value)))
    return abs(float(two.value) - float(one.value)) > least


def _alike(document: Document, moved: list[Moved]) -> list[Moved]:
    """Left and right as one where they moved alike."""
    kept: list[Moved] = []
    for row in moved:
        twin = next((k for k in kept if k.words == row.words and k.place and k.place.end == row.place.end), None)  # type: ignore[union-attr]
        gone = float(row.after.value) - float(row.before.value)
        if twin is not None and document.vehicle.kind == "car":
            other = float(twin.after.value) - float(twin.before.value)
            if abs(gone - other) <= LEAST.get(row.after.unit, 0.01 * abs(float(row.after.value))):
                continue
        kept.append(row)
    return kept
