"""A coil spring on the damper beside a torsion bar: how far it is pressed at a height, and what it pushes with."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, number, quantity
from feder.core.formulas.pushes import beside_force, beside_squeeze
from feder.core.solvers.force_table import ForceTable, linear_table
from feder.core.standing.coupling import Coupling

REACH = 1.0
"""Travel over which a coil is laid out, m."""


@dataclass(frozen=True, slots=True)
class BesideFacts:
    """The helper coil: its rate, and how far it is pressed with the wheel at full droop."""

    rate: float
    hold: float
    droop: float
    damper: Coupling

    def squeeze_at(self, hub: float) -> float | None:
        """How far it is pressed at a height; negative when loose."""
        return beside_squeeze(self.hold, self.damper.travel(self.droop, hub)) if self.damper.known else None

    def start_at(self, hub: float) -> float | None:
        """Deflection of its table at a height."""
        return self.squeeze_at(hub)

    def rate_at(self, hub: float) -> float | None:
        """Its rate along the damper at a height; nothing when loose."""
        return None if self.force_at(hub) is None else self.rate

    @property
    def table(self) -> ForceTable:
        return linear_table(float(self.rate), REACH)

    def inputs(self, word: str) -> dict[str, float]:
        """What it puts into the balance, by name."""
        return {f"{word} coil beside the bar": self.rate, f"{word} coil pressed at full droop": self.hold}

    def force_at(self, hub: float) -> float | None:
        """Its push along the damper at a height; nothing when loose."""
        pressed = self.squeeze_at(hub)
        return None if pressed is None or pressed <= 0 else beside_force(self.rate, pressed)


def beside_facts(at: Cursor, place: Place, damper: Coupling, droop: float | None) -> BesideFacts | None:
    """The helper coil of a corner in a setup; nothing where there is none or full droop is not known."""
    if not at.beside or droop is None:
        return None
    rate = quantity(at.beside.rate, f"{place.words} coil beside the bar, rate")
    assert rate is not None  # the part has one
    hold = number(at.beside.hold, f"{place.words} coil pressed at full droop", source="set")
    return BesideFacts(rate, hold, droop, damper)
