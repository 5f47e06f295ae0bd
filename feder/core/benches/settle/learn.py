"""What the heights of a set-down vehicle teach about the numbers that foretold them."""

from collections.abc import Sequence
from dataclasses import dataclass, field
from math import sqrt

from feder.core.benches.index.adjusters import at_adjusters
from feder.core.benches.settle.causes import Mishap, causes
from feder.core.document.base import Place
from feder.core.document.changes import Change, put
from feder.core.document.document import Document
from feder.core.numbers.working import tracing
from feder.core.practice.tolerances import BY_HOW
from feder.core.report.evaluate import evaluate_plain, evaluate_whole
from feder.core.report.uncertainty import Uncertain, all_moved, leaves_of, taken_as, uncertain_numbers
from feder.core.solvers.posterior import posterior
from feder.core.standing.readings import readings_of

LIKELY = 1.96
"""Deviations within which 95 of 100 readings lie."""
ORDINARY = 0.05
"""Chance below which readings need explaining."""
MOST_CAUSES, WORTH_A_WORD = 5, 0.01
TOLD = 1.0
"""Deviations by which a number must move before it is offered."""


@dataclass(slots=True)
class Expected:
    """One corner: hub to arch as expected, between which it could well lie, as read, and as foretold now."""

    place: Place
    expected: float
    low: float
    high: float
    read: float
    then: float


@dataclass(slots=True)
class Taught:
    """One number that the heights speak of: what was believed of it, what is more likely, and how sure that is."""

    label: str
    unit: str
    before: float
    sure_before: float
    """Standard uncertainty."""
    after: float
    sure_after: float
    patch: list[Change] = field(default_factory=list)
    """What takes it over into the document, with its uncertainty."""


@dataclass(slots=True)
class Learned:
    """What the readings say of the prediction, corner by corner, and what they teach."""

    rows: list[Expected]
    ordinary: bool
    """Whether readings as far off are nothing out of the way: then nothing needs explaining."""
    chance: float
    taught: list[Taught]
    causes: list[Mishap]
    """What could explain readings farther off than chance, most likely first; none where nothing needs it."""


def learn(document: Document, setup: str) -> Learned | None:
    """What heights read with a setup on the wheels teach; nothing while none was read, or none can be foretold.

    Its adjusters stand where the plan put them; every number of the document behind its heights is a normal
    variable about what was told, with its own uncertainty or the usual one, and so is every reading. A number is
    offered where the readings move it by more than one of its deviations; of readings farther off than chance,
    which a mistake explains better, nothing is learnt.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    survey = document.survey_index(setup)
    if not survey:
        return None
    read: dict[Place, tuple[float, float]] = {}
    for place in document.places:
        values = [r.value for _, r in readings_of(document, place, "hub_to_arch", survey)]
        if values:
            read[place] = sum(values) / len(values), BY_HOW["tape"].size / sqrt(len(values))
    if not read:
        return None
    set_so = at_adjusters(document, setup, evaluate_plain(document, setup))
    plain = set_so.model_dump(mode="json")
    with tracing():
        whole = evaluate_whole(set_so, setup)
        leaves = leaves_of(set_so, whole, evaluate_whole(set_so, set_so.setups[0].id))
    mine = f"surveys.{survey}."  # the readings themselves are no belief
    numbers = [n for n in uncertain_numbers(plain, leaves) if not n.path.startswith(mine)]
    deviations = [n.tolerance / sqrt(n.count) for n in numbers]
    places = list(read)

    def predict(at: Sequence[float]) -> list[float] | None:
        moves = {n: z * d for n, z, d in zip(numbers, at, deviations, strict=True) if z}
        moved = all_moved(set_so, plain, moves) if moves else set_so
        corners = None if moved is None else evaluate_plain(moved, setup).corners
        heights = [] if corners is None else [corners[p].hub_to_arch for p in places]
        return [float(h.value) for h in heights if h is not None] if heights and None not in heights else None

    found = posterior(predict, len(numbers), [r for r, _ in read.values()], [s for _, s in read.values()])
    if found is None:
        return None
    rows = [
        Expected(place, e, e - LIKELY * s, e + LIKELY * s, read[place][0], then)
        for place, e, s, then in zip(places, found.expected, found.spread, found.then, strict=True)
    ]
    taught = [
        _taught(plain, number, z, d, left)
        for number, z, d, left in zip(numbers, found.moved, deviations, found.deviation, strict=True)
        if abs(z) > TOLD and found.ordinary > ORDINARY
    ]
    taught.sort(key=lambda t: -abs(t.after - t.before) / t.sure_before)
    why: list[Mishap] = []
    if found.ordinary <= ORDINARY:
        off = [r - e for (r, _), e in zip(read.values(), found.expected, strict=True)]
        why = [c for c in causes(document, setup, places, off, found.cover) if c.chance >= WORTH_A_WORD][
            :MOST_CAUSES
        ]
    return Learned(rows, found.ordinary > ORDINARY, found.ordinary, taught, why)


def _taught(plain: dict[str, object], number: Uncertain, z: float, deviation: float, left: float) -> Taught:
    """A number as it is more likely, and the changes that take it over."""
    changes = [
        put([int(p) if p.isdigit() else p for p in path.split(".")], value)
        for path, value in taken_as(plain, number, z * deviation, left * deviation)
    ]
    after = number.value * (1 + z * deviation) if number.path.endswith("points") else number.value + z * deviation
    return Taught(number.label, number.unit, number.value, deviation, after, left * deviation, changes)
