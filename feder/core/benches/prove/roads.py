"""The roads that come with Feder, and the trial that a document asks for."""

from dataclasses import dataclass

from feder.core.document.document import Document
from feder.core.document.road import Manoeuvre, ManoeuvreKind, RoadPiece, Trial
from feder.core.numbers.errors import OutOfRange

OWN = "own"


@dataclass(frozen=True, slots=True)
class KnownRoad:
    """A road by name: pieces, or a manoeuvre on a flat one; its words on the screen, and what is in it."""

    name: str
    words: str
    told: str
    pieces: tuple[RoadPiece, ...] = ()
    manoeuvre: Manoeuvre | None = None


def _flat(length: float) -> RoadPiece:
    return RoadPiece(kind="flat", length=length)


def _rough(words: str, road_class: str) -> KnownRoad:
    piece = RoadPiece(kind="rough", length=100, road_class=road_class)  # type: ignore[arg-type]
    return KnownRoad(
        f"rough_{road_class.lower()}", f"rough {road_class}", f"100 m of a {words} road, class {road_class}",
        (_flat(5), piece, _flat(5)),
    )  # fmt: skip


def _moved(kind: ManoeuvreKind, amount: float, seconds: float) -> Manoeuvre:
    return Manoeuvre(kind=kind, amount=amount, seconds=seconds)


ROADS: tuple[KnownRoad, ...] = (
    KnownRoad(
        "bump", "bump", "one rounded bump, 50 mm × 3 m",
        (_flat(5), RoadPiece(kind="bump", length=3, height=0.05), _flat(30)),
    ),
    KnownRoad(
        "step", "step", "a kerb of 40 mm, climbed by both wheels",
        (_flat(5), RoadPiece(kind="step", length=30, height=0.04)),
    ),
    KnownRoad(
        "hole", "hole", "a hole, 40 mm × 0.8 m, under the left wheels",
        (_flat(5), RoadPiece(kind="hole", length=0.8, height=0.04, sides="left"), _flat(30)),
    ),
    KnownRoad(
        "waves", "waves", "six waves of 9 m, 50 mm high",
        (_flat(5), RoadPiece(kind="waves", length=54, height=0.05, wave=9), _flat(20)),
    ),
    KnownRoad(
        "cross_waves", "cross waves", "six waves of 9 m, 40 mm high, left against right",
        (_flat(5), RoadPiece(kind="waves", length=54, height=0.04, wave=9, sides="opposite"), _flat(20)),
    ),
    KnownRoad(
        "sweep", "sweep", "waves from 20 m down to 0.7 m, 12 mm high",
        (_flat(5), RoadPiece(kind="sweep", length=120, height=0.012), _flat(10)),
    ),
    _rough("good", "B"),
    _rough("middling", "C"),
    _rough("bad", "D"),
    KnownRoad("braking", "braking", "0.7 g for 2.5 s", (), _moved("braking", 6.9, 2.5)),
    KnownRoad("driving", "driving off", "0.35 g for 2.5 s", (), _moved("driving", 3.4, 2.5)),
    KnownRoad("corner", "corner", "entered to 0.6 g in 0.3 s", (), _moved("corner", 5.9, 3)),
    KnownRoad("slalom", "slalom", "0.5 g, one swing in 2 s", (), _moved("slalom", 4.9, 6)),
)  # fmt: skip
"""Two wheels lean into a bend: of the manoeuvres they have braking and driving off alone."""
FOR_CARS = ("hole", "cross_waves", "corner", "slalom")
ON_TWO_WHEELS = KnownRoad(
    "hole", "hole", "a hole, 40 mm × 0.8 m",
    (_flat(5), RoadPiece(kind="hole", length=0.8, height=0.04), _flat(30)),
)  # fmt: skip


def roads_for(kind: str) -> tuple[KnownRoad, ...]:
    """The roads that a kind of vehicle is driven over."""
    if kind == "car":
        return ROADS
    return (*(r for r in ROADS if r.name not in FOR_CARS), ON_TWO_WHEELS)


def trial_of(document: Document) -> Trial:
    """The trial that a document asks for.

    Raises:
        OutOfRange: on `road`: one that is not known, or an own one of which no piece is told.
    """
    told = document.proving
    if told.road == OWN:
        if not told.own:
            raise OutOfRange("road", OWN, "has no pieces yet: add a bump, a rough piece or a profile to it")
        return Trial(pieces=told.own, speed=told.speed, seed=told.seed)
    found = next((r for r in roads_for(document.vehicle.kind) if r.name == told.road), None)
    if found is None:
        raise OutOfRange("road", told.road, "is no road that Feder knows; choose another")
    return Trial(pieces=found.pieces, manoeuvre=found.manoeuvre, speed=told.speed, seed=told.seed)
