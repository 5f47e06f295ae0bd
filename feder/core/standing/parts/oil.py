"""The air over the oil of a fork: closed at full extension, it is pressed as the leg goes in, and pushes back."""

from dataclasses import dataclass
from functools import lru_cache

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number
from feder.core.formulas.air import area_of_bore, chamber_force, chamber_rate, volume_over_oil
from feder.core.numbers.quantities import ATMOSPHERE
from feder.core.numbers.working import untraced
from feder.core.solvers.force_table import ForceTable, sampled_table
from feder.core.standing.coupling import Coupling
from feder.core.standing.facts import EndFacts
from feder.core.standing.parts.air import SLOW

BLED = 0.0
"""Gauge pressure over the oil at full extension, the legs bled there, Pa."""


@dataclass(frozen=True, slots=True)
class OilFacts:
    """Air over the oil of one leg: area it pushes on, volume at full extension, and where that is."""

    area: float
    volume: float
    stroke: float
    droop: float
    tube: Coupling

    def slid_at(self, hub: float) -> float:
        """How far the tube has slid in from full extension at a height."""
        return self.tube.travel(self.droop, hub)

    def force_at(self, hub: float) -> float | None:
        """Push of one leg along its tube at a height; nothing beyond full extension or past the oil."""
        slid = self.slid_at(hub)
        if slid <= 0 or slid >= self.stroke:
            return None
        return chamber_force(BLED, self.area, self.volume, slid, SLOW, ATMOSPHERE)

    def start_at(self, hub: float) -> float | None:
        """Deflection of its table at a height."""
        return self.slid_at(hub)

    def rate_at(self, hub: float) -> float | None:
        """Tangent rate of one leg along its tube at a height."""
        slid = self.slid_at(hub)
        if slid <= 0 or slid >= self.stroke:
            return None
        return chamber_rate(BLED, self.area, self.volume, slid, SLOW, ATMOSPHERE)

    def inputs(self, word: str) -> dict[str, float]:
        """What it puts into the balance, by name."""
        return {f"{word} air over the oil": self.volume, f"{word} area of a tube": self.area}

    @property
    def table(self) -> ForceTable:
        """Its push along the tube, from full extension to the end of the travel."""
        return _table(float(self.area), float(self.volume), float(self.stroke))


@lru_cache(maxsize=64)
def _table(area: float, volume: float, stroke: float) -> ForceTable:
    with untraced():
        return sampled_table(lambda x: chamber_force(BLED, area, volume, x, SLOW, ATMOSPHERE), 0.0, stroke)


def oil_facts(at: Cursor, place: Place, end: EndFacts) -> OilFacts | None:
    """The air over the oil of a fork in a setup; nothing where level, bore or travel is not known."""
    fork, droop, level = end.end.fork, end.droop, node(at).oil_level
    if end.end.layout != "fork" or fork is None or fork.bore is None or droop is None or not level:
        return None
    if end.solid is None or end.solid >= droop or not end.spring.known:
        return None
    bore = number(end.at.fork.bore, f"{place.end} tube, inside", source="by calliper")
    read = number(at.oil_level, f"{place.words} oil level", source="measured, leg pushed together")
    area = area_of_bore(bore)
    stroke = end.spring.travel(droop, end.solid)
    return OilFacts(area, volume_over_oil(read, stroke, area), float(stroke), droop, end.spring)
