"""What a rule looks at: the document, the setup, how it stands, and the figures of its report."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from feder.core.document.base import PLACES, Place
from feder.core.document.document import Document
from feder.core.document.setup import Setup, SideSetup
from feder.core.report import CornerReport, Figure, Finding, Report
from feder.core.standing.corner import CornerStand
from feder.core.standing.facts import Facts, side_of
from feder.core.standing.stand import VehicleStand
from feder.core.working import rests_on_assumption


@dataclass(frozen=True)
class Case:
    document: Document
    setup: Setup
    facts: Facts
    stood: VehicleStand
    report: Report

    @property
    def is_found(self) -> bool:
        return self.setup.id == self.document.setups[0].id

    @property
    def setup_index(self) -> int:
        return self.document.setups.index(self.setup)

    def side(self, place: Place) -> SideSetup:
        return side_of(self.setup, place)

    def corners(self) -> Iterator[tuple[Place, CornerStand, CornerReport]]:
        for place in PLACES:
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


def _figure(value: float, unit: str) -> Figure:
    return Figure(value=float(value), unit=unit, assumed=rests_on_assumption(value))
