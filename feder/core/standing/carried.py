"""What a load state carries, as numbers that know their path; a place not told is its middle, assumed."""

from dataclasses import dataclass

from feder.core.document.cursor import Cursor, number
from feder.core.document.document import Document, LoadState
from feder.core.formulas.masses import two_wheels
from feder.core.standing.facts import Facts

UNTOLD = "not told: the middle of the vehicle"


@dataclass(frozen=True, slots=True)
class Carried:
    """One thing: its mass, how far behind the front axle and how far right of the centre line it lies."""

    name: str
    mass: float
    x: float
    y: float


def carried_in(facts: Facts, state: LoadState | None, by_sags: float | None = None) -> list[Carried]:
    """The things of a load state; nothing without a state or a wheelbase.

    `by_sags` is where the sag readings say a two-wheeler's rider sits: it stands for places not told.
    """
    if state is None or facts.wheelbase is None:
        return []
    single_track = facts.document.vehicle.kind != "car"
    middle, items = float(facts.wheelbase) / 2, facts.at.loads[facts.document.loads.index(state)].items
    named = [i.name for i in state.items]
    names = [n if named.count(n) == 1 else f"{n}, thing {k + 1}" for k, n in enumerate(named)]
    made = []
    for i, (item, name) in enumerate(zip(state.items, names, strict=True)):
        at = items[i]
        if item.x is None and by_sags is not None:
            x = by_sags
        else:
            x = _place(at.x, middle, f"{name} behind the front axle")
        y = _place(at.y, 0.0, f"{name} right of the middle", single_track=single_track)
        made.append(Carried(name, number(at.mass, f"{name} mass"), x, y))
    return made


def _place(at: Cursor, middle: float, label: str, *, single_track: bool = False) -> float:
    if at:
        return number(at, label)
    source = "single track" if single_track else UNTOLD
    return number(at, label, source=source, assumed=not single_track, value=middle)


def carried_inputs(carried: list[Carried]) -> dict[str, float]:
    """What the balance is told of the load, by name."""
    found: dict[str, float] = {}
    for c in carried:
        found[f"{c.name} mass"] = c.mass
        found[f"{c.name} behind the front axle"] = c.x
        found[f"{c.name} right of the middle"] = c.y
    return found


def sum_of_masses(carried: list[Carried]) -> float:
    """Mass of all that a load state carries."""
    total = carried[0].mass
    for thing in carried[1:]:
        total = two_wheels(total, thing.mass)
    return total


def rider_of(document: Document) -> LoadState | None:
    """The load state that is a two-wheeler's rider: as the survey tells, or the first that carries anything."""
    told = None if document.survey is None else document.survey.conditions.rider
    carrying = [s for s in document.loads if s.items]
    return next((s for s in carrying if s.id == told), carrying[0] if carrying else None)
