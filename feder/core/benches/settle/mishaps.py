"""Mistakes that leave a vehicle off its heights: what each does to every corner, and the reading that tells it."""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass

from feder.core.benches.settle.heights import stands
from feder.core.benches.settle.usual import usual
from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document, LoadItem, LoadState
from feder.core.document.setup import Setup, SideSetup, SpringPart
from feder.core.document.survey import Decided
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.carried import rider_of
from feder.core.standing.facts import places_of, setup_of, side_of

Heights = Sequence[float]
Effect = Callable[[float], list[float] | None]
"""What a size of a mistake does to all readings."""
TAPE, TURNS, NOT_HOME, PADS, HUNG, SCRUBBED, PERSON, FUEL = (
    usual(m) for m in ("tape", "turns", "not_home", "pads", "hung", "scrubbed", "person", "fuel")
)
ONCE = ((1.0, 1.0),)
CODES = "the codes on the springs"
PROBE, PROBED = 30.0, "probe-of-a-load"


@dataclass(frozen=True, slots=True)
class Kind:
    """A mistake that can be of several sizes: what each does to all readings, and the reading that tells."""

    words: str
    place: str
    unit: str
    sizes: tuple[tuple[float, float], ...]
    effect: Callable[[float], list[float] | None]
    decides: str
    about: Decided
    at: Place | None
    tells: Callable[[float], float]
    """What the deciding reading shows for a size of it."""


@dataclass(frozen=True)
class Case:
    """A vehicle that was set down: what stands on it, and what was read."""

    document: Document
    setup: str
    places: Sequence[Place]
    read: Mapping[Place, float]
    set_so: Document
    survey: int | None = None
    """The round in which it was read."""

    def side(self, place: Place) -> SideSetup:
        return side_of(setup_of(self.set_so, self.setup), place)

    def turns(self, place: Place) -> float | None:
        """Where a collar stands, in turns from its datum."""
        side = self.side(place)
        pitch = side.seat.pitch if side.seat is not None else None
        return None if side.collar is None or not pitch else side.collar / pitch

    def hanging(self, place: Place) -> float | None:
        told: float | None = getattr(self.document.vehicle.ends, place.end).limits.droop
        return told

    def total(self) -> float | None:
        """What is put on the scale to tell who and what was aboard: the whole car, or of two wheels the rider."""
        if self.document.vehicle.kind != "car":
            rider = rider_of(self.document)
            return None if rider is None else sum(i.mass for i in rider.items)
        masses = [c.mass for c in evaluate_plain(self.document, self.setup).corners.values()]
        return None if None in masses else sum(float(m.value) for m in masses if m is not None)

    def otherwise(self, about: Decided, place: Place | None) -> float | None:
        """What a deciding reading shows if it was another cause."""
        if about == "mass":
            return self.total()
        if about == "mark":
            return 1.0
        if place is None:
            return None
        if about == "hanging":
            return self.hanging(place)
        return self.turns(place) if about == "collar" else self.read.get(place)


def kinds_of(case: Case, shelf: Sequence[SpringPart]) -> Iterator[Kind]:
    base = _heights(case.set_so, case.setup, case.places)
    if base is None:
        return

    def changed(members: dict[Place, dict[str, object]]) -> list[float] | None:
        now = _heights(with_sides(case.set_so, case.setup, members), case.setup, case.places)
        return None if now is None else [b - a for a, b in zip(base, now, strict=True)]

    for place in case.places:
        yield from _at_one_corner(case, place, changed)
    for end in ENDS:
        yield from _at_one_end(case, end, changed, shelf)
    swap = _exchanged(case.document, setup_of(case.set_so, case.setup), case.places)
    if swap:
        moved = changed(swap)
        words = "front and rear springs exchanged"
        yield Kind(words, "vehicle", "", ONCE, always(moved), CODES, "mark", Place.FRONT_LEFT, not_so)
    yield from _other_loads(case, base)


Changed = Callable[[dict[Place, dict[str, object]]], list[float] | None]


def not_so(_: float) -> float:
    return 0.0


def _scaled(changed: Changed, members: dict[Place, dict[str, object]], size: float) -> Effect:
    """The effect of a change of one size, taken as straight."""
    one = changed(members)
    return lambda by: None if one is None else [v * by / size for v in one]


def _at_one_corner(case: Case, place: Place, changed: Changed) -> Iterator[Kind]:
    side, read = case.side(place), case.read[place]
    again = f"hub to arch at {place.words}, read again by another hand"
    yield Kind(
        "misread by a whole centimetre, or half of one", place.value, "m", TAPE,
        shifted([p is place for p in case.places]), again, "again", place, lambda size: read - size,
    )  # fmt: skip
    if not isinstance(side.spring, SpringPart) or side.collar is None:
        return
    pitch, turns = (side.seat.pitch if side.seat is not None else None), case.turns(place)
    if pitch and turns is not None:
        one = _scaled(changed, {place: {"collar": side.collar + pitch}}, 1.0)
        counted = "turns of the collar from its datum, counted again"
        yield Kind(
            "collar miscounted", place.value, "turn", TURNS, one, counted, "collar", place, lambda n: turns + n
        )
    raised = _scaled(changed, {place: {"collar": side.collar + 0.005}}, 0.005)
    hanging = case.hanging(place)
    if getattr(case.document.vehicle.ends, place.end).layout == "strut":
        foot = "hub to arch with the wheel hanging" if hanging else "the strut's foot against its mark"
        yield Kind(
            "strut not home in its foot", place.value, "m", NOT_HOME, raised, foot,
            "hanging" if hanging else "mark", place, (lambda h: hanging + h) if hanging else not_so,
        )  # fmt: skip
    pads = "the pads, with the wheel hanging"
    yield Kind("a pad left out, or one too many", place.value, "m", PADS, raised, pads, "mark", place, not_so)


def _at_one_end(case: Case, end: EndName, changed: Changed, shelf: Sequence[SpringPart]) -> Iterator[Kind]:
    here = places_of(case.document, end)
    if len(here) != 2 or not all(p in case.places for p in here):
        return
    both, read = shifted([p in here for p in case.places]), case.read[here[0]]
    rolled = "heights again, rolled back and forth"
    yield Kind(
        "not rolled: the tyres hold it up", end, "m", SCRUBBED, both, rolled, "rolled", here[0],
        lambda size: read - size,
    )  # fmt: skip
    hung = "the bushes' bolts, slackened and done up again at ride height"
    yield Kind(
        "bushes tightened hanging: they hold it up until they settle", end, "m", HUNG, both, hung, "mark", here[0],
        not_so,
    )  # fmt: skip
    left, right = (case.side(p).spring for p in here)
    if left != right:
        swap = changed({here[0]: {"spring": right}, here[1]: {"spring": left}})
        words = "left and right springs exchanged"
        yield Kind(words, end, "", ONCE, always(swap), CODES, "mark", here[0], not_so)
    if isinstance(left, SpringPart) and left == right:
        for part in neighbours(left, shelf):
            other = changed({p: {"spring": part} for p in here})
            words = f"the neighbouring spring {part.code} in the place of {left.code}"
            yield Kind(words, end, "", ONCE, always(other), CODES, "mark", here[0], not_so)


def neighbours(part: SpringPart, shelf: Sequence[SpringPart]) -> list[SpringPart]:
    """Springs of the shelf that could be taken for one: of its diameter, near it in rate and length."""
    length = part.free_length
    if length is None:
        return []
    near = [
        s
        for s in shelf
        if s.code != part.code
        and s.free_length is not None
        and (
            s.inside_diameter is None
            or part.inside_diameter is None
            or abs(s.inside_diameter - part.inside_diameter) < 2e-3
        )
        and abs(s.rate.value / part.rate.value - 1) < 0.3
        and abs(s.free_length - length) < 0.03
    ]
    near.sort(key=lambda s: abs(s.rate.value / part.rate.value - 1) + abs((s.free_length or 0.0) - length) * 10)
    return near[:3]


def _other_loads(case: Case, base: Heights) -> Iterator[Kind]:
    """The vehicle lighter or heavier than when it was weighed: somebody in or out of it, another level of fuel."""
    wheelbase, total = case.document.vehicle.wheelbase, case.total()
    if wheelbase is None or total is None or len(case.places) != 4:
        return
    for words, x, y, sizes in (
        ("somebody in the left seat who was not weighed, or missing there", 0.5, -0.36, PERSON),
        ("somebody in the right seat who was not weighed, or missing there", 0.5, 0.36, PERSON),
        ("fuel or luggage not as weighed", 0.9, 0.0, FUEL),
    ):
        item = LoadItem(name="probe", mass=PROBE, x=x * wheelbase.value, y=y)
        tried = case.set_so.but(loads=(*case.set_so.loads, LoadState(id=PROBED, name="probe", items=(item,))))
        now = _heights(tried, case.setup, case.places, PROBED)
        if now is not None:
            one = [(b - a) / PROBE for a, b in zip(base, now, strict=True)]
            yield Kind(
                words, "vehicle", "kg", sizes, _times(one), "what it weighs in all", "mass", None,
                lambda size: total + size,
            )  # fmt: skip


def _times(one: Heights) -> Effect:
    return lambda by: [v * by for v in one]


def always(effect: list[float] | None) -> Effect:
    """A mistake of one size."""
    return lambda _: effect


def shifted(which: Sequence[bool]) -> Effect:
    """A mistake that shifts some readings and leaves the others."""
    return lambda by: [by if x else 0.0 for x in which]


def _exchanged(document: Document, at: Setup, places: Sequence[Place]) -> dict[Place, dict[str, object]]:
    """Front springs in the place of the rear ones and the other way round, where both are coils that differ."""
    moves: dict[Place, dict[str, object]] = {}
    if len(document.places) != 4 or len(places) != 4:
        return moves
    for front, rear in (
        (Place.FRONT_LEFT, Place.REAR_LEFT),
        (Place.FRONT_RIGHT, Place.REAR_RIGHT),
    ):
        one, two = side_of(at, front).spring, side_of(at, rear).spring
        if not isinstance(one, SpringPart) or not isinstance(two, SpringPart) or one == two:
            return {}
        moves |= {front: {"spring": two}, rear: {"spring": one}}
    return moves


def _heights(
    document: Document, setup: str, places: Sequence[Place], load: str | None = None
) -> list[float] | None:
    heights = stands(document, setup, "hub_to_arch", load)
    return [heights[p] for p in places] if all(p in heights for p in places) else None
