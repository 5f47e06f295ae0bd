"""A guess: one mistake that somebody may have made, as the change that would take it back."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from typing import Any

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.changes import Change, put
from feder.core.document.document import Document
from feder.core.document.setup import Setup, SideSetup
from feder.core.document.vehicle import End
from feder.core.report.shapes import Figure, Station

Path = tuple[str | int, ...]


@dataclass(frozen=True, slots=True)
class Guess:
    """One mistake and what would take it back.

    `family` says which kinds of evidence it could explain; `cost` how rare it is beside others; `value` is the number
    in doubt, so that whoever stands by it is not asked again. Where the true number is not known, `offered` is false:
    the change is tried, never made.
    """

    rule: str
    family: str
    place: str
    station: Station
    text: str
    act: str
    change: tuple[Change, ...]
    value: float
    numbers: dict[str, Figure] = field(default_factory=dict)
    offered: bool = True
    cost: float = 0.3
    asks: float = 0.0
    """Evidence that it must explain at least, where it says much at once."""
    paths: tuple[Path, ...] = ()
    short: str = ""
    """Its act in few words, beside others; else the act itself."""
    factor: tuple[str, float] | None = None
    """Where it multiplies: what checks call the number, and by how much."""

    def pointer(self) -> str:
        """Where the number in doubt stands, for whoever stands by it."""
        return "/".join(map(str, self.paths[0])) if self.paths else f"{self.rule} {self.place}"


@dataclass(frozen=True, slots=True)
class Typed:
    """The document whose numbers are doubted, and the setup in hand."""

    document: Document
    setup: Setup

    @property
    def kind(self) -> str:
        return self.document.vehicle.kind

    @property
    def index(self) -> int:
        return self.document.setups.index(self.setup)

    def setups(self) -> tuple[tuple[int, Setup], ...]:
        """As found, and the setup in hand where it is another."""
        first = (0, self.document.setups[0])
        return (first,) if self.index == 0 else (first, (self.index, self.setup))

    def end(self, name: EndName) -> End:
        found: End = getattr(self.document.vehicle.ends, name)
        return found

    def ends(self) -> Iterable[tuple[EndName, End, Path]]:
        for name in ENDS:
            yield name, self.end(name), ("vehicle", "ends", name)

    def places_at(self, name: EndName) -> tuple[Place, ...]:
        return tuple(p for p in self.document.places if p.end == name)

    def side(self, setup: Setup, place: Place) -> SideSetup:
        found: SideSetup = getattr(setup.sides, place.value)
        return found

    def readings(self, quantity: str, places: Sequence[Place]) -> list[tuple[Path, float, Place]]:
        """Readings as found of a quantity: where each value stands, what it is, and of which place."""
        survey = self.document.survey
        return [
            (("surveys", 0, "readings", i, "value"), r.value, r.place)
            for i, r in enumerate(() if survey is None else survey.readings)
            if r.quantity == quantity and r.place in places
        ]


def changed(values: Iterable[tuple[Path, Any]]) -> tuple[Change, ...]:
    """The changes that set some members; numbers as somebody would type them."""
    return tuple(put(list(path), rounded(value) if isinstance(value, float) else value) for path, value in values)


def rounded(value: float) -> float:
    """To five digits."""
    return float(f"{value:.5g}")


def number(value: float, unit: str) -> Figure:
    return Figure(float(value), unit)
