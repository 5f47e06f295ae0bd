"""A corner's air spring as numbers that know their path: force and rate over its stroke."""

from dataclasses import dataclass
from functools import lru_cache

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, maybe, node, number
from feder.core.document.setup import AirSpringPart
from feder.core.formulas.air import (
    chamber_force,
    chamber_rate,
    equalised_pressure,
    net_force,
    net_rate,
    volume_with_spacers,
)
from feder.core.numbers.quantities import ATMOSPHERE
from feder.core.numbers.working import solved, untraced
from feder.core.solvers.force_table import ForceTable, sampled_table

SLOW = 1.0
"""Polytropic exponent of a vehicle at rest: the air keeps the temperature of its surroundings."""


@dataclass(slots=True)
class AirFacts:
    """An air spring: main chamber (spacers taken off), and a negative chamber where it has one."""

    part: AirSpringPart
    area: float
    volume: float
    negative_area: float | None
    negative_volume: float | None
    equalise_at: float

    def _negative(self, pressure: float) -> float | None:
        if self.negative_area is None or self.negative_volume is None:
            return None
        return equalised_pressure(
            pressure,
            self.area,
            self.volume,
            SLOW,
            self.negative_area,
            self.negative_volume,
            self.equalise_at,
            ATMOSPHERE,
        )

    def force(self, pressure: float, stroke: float) -> float:
        """Force along the damper at a pressure (gauge, full extension) and a stroke."""
        force = chamber_force(pressure, self.area, self.volume, stroke, SLOW, ATMOSPHERE)
        negative = self._negative(pressure)
        if negative is None or self.negative_area is None or self.negative_volume is None:
            return force
        against = (negative, self.negative_area, self.negative_volume, -stroke, SLOW, ATMOSPHERE)
        return net_force(force, chamber_force(*against))

    def rate(self, pressure: float, stroke: float) -> float:
        """Tangent rate along the damper."""
        rate = chamber_rate(pressure, self.area, self.volume, stroke, SLOW, ATMOSPHERE)
        negative = self._negative(pressure)
        if negative is None or self.negative_area is None or self.negative_volume is None:
            return rate
        return net_rate(
            rate, chamber_rate(negative, self.negative_area, self.negative_volume, -stroke, SLOW, ATMOSPHERE)
        )

    def pressure_for(self, force: float, stroke: float) -> float:
        """Gauge pressure at full extension at which the spring pushes with a force at a stroke.

        The force of both chambers is a straight line over the pressure, so two points of it give the answer.
        """
        with untraced():
            base, top = self.force(0.0, float(stroke)), self.force(1e6, float(stroke))
            value = (float(force) - base) / (top - base) * 1e6
            off = self.force(max(value, -0.99 * ATMOSPHERE), float(stroke)) - float(force)
        return solved(
            value,
            "pressure",
            "Pa",
            equation="force of the air spring at this stroke = force it has to carry",
            inputs={"force": force, "stroke": stroke, "area": self.area, "volume": self.volume}
            | ({"negative volume": self.negative_volume} if self.negative_volume is not None else {}),
            residual=off,
            source="polytropic law, n = 1",
        )

    def table(self, pressure: float) -> ForceTable:
        """Its force as a table, from full extension to near the end of its stroke."""
        last = min(self.part.travel, 0.97 * float(self.volume) / float(self.area))
        plain = (self.area, self.volume, self.negative_area, self.negative_volume, self.equalise_at)
        return _table(self.part, float(pressure), last, *(None if v is None else float(v) for v in plain))


@lru_cache(maxsize=128)
def _table(part: AirSpringPart, pressure: float, last: float, *chambers: float | None) -> ForceTable:
    """The force of a spring of plain numbers along its stroke; the same while nothing of it changes."""
    plain = AirFacts(part, *chambers)  # type: ignore[arg-type]
    with untraced():
        return sampled_table(lambda x: plain.force(pressure, x), 0.0, last)


def air_facts(at: Cursor, place: Place) -> AirFacts | None:
    """The numbers of a corner's air spring; `at` is the corner in its setup."""
    part = node(at).spring
    if not isinstance(part, AirSpringPart):
        return None
    label, spring = f"{place.words} air spring {part.code}", at.spring
    volume = number(spring.volume, f"{label}, main chamber")
    if part.spacers and part.spacer_volume:
        one = number(spring.spacer_volume, f"{label}, volume of a spacer")
        count = number(spring.spacers, f"{label}, spacers", source="counted", value=float(part.spacers), unit="")
        volume = volume_with_spacers(volume, one, count)
    return AirFacts(
        part,
        number(spring.area, f"{label}, piston area"),
        volume,
        maybe(spring.negative_area, f"{label}, negative area"),
        maybe(spring.negative_volume, f"{label}, negative chamber"),
        number(spring.equalise_at, f"{label}, stroke where both chambers meet"),
    )
