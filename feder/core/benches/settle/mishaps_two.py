"""Mistakes that leave a two-wheeler off its sags: what each does to both wheels, and the reading that tells it."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from feder.core.benches.settle.heights import stands
from feder.core.benches.settle.mishaps import (
    CODES,
    ONCE,
    TAPE,
    TURNS,
    Case,
    Effect,
    Kind,
    always,
    neighbours,
    not_so,
    shifted,
)
from feder.core.benches.settle.usual import usual
from feder.core.document.base import Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document, LoadItem
from feder.core.document.setup import AirSpringPart, SpringPart
from feder.core.document.survey import SurveyQuantity
from feder.core.standing.carried import rider_of
from feder.core.standing.readings import readings_of

WAYS: tuple[SurveyQuantity, ...] = ("rider_lifted", "rider_pressed")
KIT, STICKS, GAUGE = (usual(m) for m in ("kit", "sticks", "gauge"))
"""What a rider wears or carries who was weighed without it, kg; half of what friction holds between a sag read
after lifting and one after pressing; share of a pressure that the pump or another gauge takes away or adds."""


@dataclass(frozen=True)
class _Two:
    """The bike as set, with its sags as foretold."""

    case: Case
    base: dict[Place, float]

    def effect(self, tried: Document) -> list[float] | None:
        """What another document does to the sags."""
        now = stands(tried, self.case.setup, "rider_sag")
        places = self.case.places
        return [now[p] - self.base[p] for p in places] if all(p in now for p in places) else None

    def side(self, place: Place, **members: object) -> list[float] | None:
        return self.effect(with_sides(self.case.set_so, self.case.setup, {place: members}))


def kinds_on_two(case: Case, shelf: Sequence[SpringPart]) -> Iterator[Kind]:
    """What could explain the sags of a round, each with its sizes and the reading that decides."""
    base = stands(case.set_so, case.setup, "rider_sag")
    if not all(p in base for p in case.places):
        return
    two = _Two(case, base)
    for place in case.places:
        yield from _at_a_wheel(two, place)
        yield from _in_a_wheel(two, place, shelf)
    yield from _of_the_rider(two)


def _at_a_wheel(two: _Two, place: Place) -> Iterator[Kind]:
    """The reading itself: misread, or taken one way only."""
    case, read = two.case, two.case.read[place]
    here = shifted([p is place for p in case.places])
    again = f"{place.words} sag, read again by another hand"
    yield Kind(
        "misread by a whole centimetre, or half of one", place.value, "m", TAPE, here, again, "again", place,
        lambda size: read - size,
    )  # fmt: skip
    ways = [q for q in WAYS if case.survey is not None and readings_of(case.document, place, q, case.survey)]
    if len(ways) == 1:
        # let down gently it stays up and the sag reads short; let up gently it stays down
        sign, other = (-1, "after pressing too") if ways[0] == "rider_lifted" else (1, "after lifting too")
        yield Kind(
            "friction holds it: read one way only", place.value, "m",
            tuple((sign * h, weight) for h, weight in STICKS), here,
            f"{place.words} sag again, {other}: the mean of both", "rolled", place, lambda size: read - size,
        )  # fmt: skip


def _in_a_wheel(two: _Two, place: Place, shelf: Sequence[SpringPart]) -> Iterator[Kind]:
    """What stands in it: preload, pressure, another spring."""
    case, side = two.case, two.case.side(place)
    spring = side.spring
    if isinstance(spring, AirSpringPart):
        if side.pressure:
            tried = two.side(place, pressure=side.pressure * 0.9)
            sags = _by(tried, 1 / 0.9 - 1)  # it sags as one over its pressure
            yield Kind(
                "pressure lost with the pump, or another gauge", place.value, "", GAUGE,
                lambda share: sags(1 / (1 + share) - 1), "the pressure, read again with the same pump", "mark",
                place, not_so,
            )  # fmt: skip
        return
    if not isinstance(spring, SpringPart) or side.collar is None:
        return
    pitch, turns = (side.seat.pitch if side.seat is not None else None), case.turns(place)
    if pitch and turns is not None:
        one = two.side(place, collar=side.collar + pitch)
        can = tuple((n, weight) for n, weight in TURNS if turns + n >= 0)  # a cap does not go below slack
        counted = "turns of preload from slack, counted again"
        yield Kind(
            "preload miscounted", place.value, "turn", can, _by(one, 1.0), counted, "collar", place,
            lambda n: turns + n,
        )  # fmt: skip
    for part in neighbours(spring, shelf):
        words = f"the neighbouring spring {part.code} in the place of {spring.code}"
        other = two.side(place, spring=part)
        yield Kind(words, place.value, "", ONCE, always(other), CODES, "mark", place, not_so)


def _by(one: list[float] | None, size: float) -> Effect:
    """An effect taken as straight from what one size of it does."""
    return lambda by: None if one is None else [v * by / size for v in one]


def _of_the_rider(two: _Two) -> Iterator[Kind]:
    """The rider heavier or lighter than told: weighed without what is worn, or carrying something else."""
    case = two.case
    state = rider_of(case.document)
    if state is None:
        return
    heaviest = max(state.items, key=lambda i: i.mass)
    told = sum(i.mass for i in state.items)

    def by(kg: float) -> Document:
        items: tuple[LoadItem, ...] = tuple(i.but(mass=i.mass + kg) if i is heaviest else i for i in state.items)
        return case.set_so.but(
            loads=tuple(s.but(items=items) if s.id == state.id else s for s in case.set_so.loads)
        )

    one = two.effect(by(5.0))
    if one is None or max(map(abs, one)) < 1e-5:
        return  # the rider's weight follows from the sags as found: what the scale said moves nothing
    yield Kind(
        "the rider not as weighed: without what is worn, or with more", "vehicle", "kg", KIT, _by(one, 5.0),
        "the rider on the scale, in all that is worn", "mass", None, lambda kg: told + kg,
    )  # fmt: skip
