"""What a rule looks at: the document, the setup, how it stands, and the figures of its report."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from feder.core.document.base import EndName, Place
from feder.core.document.document import Document, LoadState
from feder.core.document.setup import Setup, SideSetup
from feder.core.numbers.working import rests_on_assumption
from feder.core.report.shapes import CornerReport, Figure, Finding, Report
from feder.core.standing.corner import StandingCorner
from feder.core.standing.facts import Facts, side_of
from feder.core.standing.stand import StandingVehicle


@dataclass(frozen=True)
class Case:
    document: Document
    setup: Setup
    facts: Facts
    stood: StandingVehicle
    report: Report
    load: LoadState | None = None
    found: Report | None = None
    """The figures as found, where this is another setup."""

    @property
    def places(self) -> tuple[Place, ...]:
        return self.facts.places

    def axles(self) -> Iterator[tuple[EndName, Place, Place]]:
        """Each end with its left and right place; none on two wheels."""
        for name in self.facts.ends:
            places = self.facts.places_at(name)
            if len(places) == 2:
                yield name, places[0], places[1]

    def ends(self) -> Iterator[tuple[EndName, tuple[Place, ...]]]:
        """Each end with its places."""
        for name in self.facts.ends:
            yield name, self.facts.places_at(name)

    @property
    def is_found(self) -> bool:
        return self.setup.id == self.document.setups[0].id

    @property
    def setup_index(self) -> int:
        return self.document.setups.index(self.setup)

    def side(self, place: Place) -> SideSetup:
        return side_of(self.setup, place)

    def corners(self) -> Iterator[tuple[Place, StandingCorner, CornerReport]]:
        for place in self.places:
            yield place, self.stood.corners[place], self.report.corners[place]


Rule = Callable[[Case], Iterator[Finding]]


def length(value: float) -> Figure:
    """A length as a figure of a finding."""
    return _figure(value, "m")


def mass(value: float) -> Figure:
    return _figure(value, "kg")


def share(value: float) -> Figure:
    return _figure(value, "")


def hertz(value: float) -> Figure:
    return _figure(value, "Hz")


def angle(value: float) -> Figure:
    return _figure(value, "rad")


def figure_of(value: float, unit: str) -> Figure:
    """Any other number as a figure of a finding."""
    return _figure(value, unit)


def _figure(value: float, unit: str) -> Figure:
    return Figure(value=float(value), unit=unit, assumed=rests_on_assumption(value))
