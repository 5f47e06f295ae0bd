"""A corner's bump stop: the shaft that shows at a height, what stands on it, and what it pushes back with."""

from dataclasses import dataclass, field
from functools import lru_cache

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number
from feder.core.document.vehicle import BumpStopPart
from feder.core.formulas.damper_body import shaft_with_body
from feder.core.formulas.pushes import shaft_after
from feder.core.formulas.travel import stop_gap
from feder.core.formulas.wheel_heights import hub_to_arch_after
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.working import given, solved
from feder.core.solvers.force_table import ForceTable, stop_table
from feder.core.standing.coupling import Coupling


@dataclass(frozen=True, slots=True)
class Squeeze:
    """The stop at one height, along one damper: its gap (negative when squeezed), force and rate."""

    gap: float
    force: float | None = None
    rate: float | None = None


@dataclass(slots=True)
class StopFacts:
    """A bump stop. `shaft` shows at the height `hub_to_arch`; `table` is its force where that is known."""

    part: BumpStopPart
    length: float
    packer: float
    shaft: float
    hub_to_arch: float
    damper: Coupling
    table: ForceTable | None
    _read: dict[float, Squeeze] = field(default_factory=dict)

    def touch_height(self) -> float | None:
        """Hub to arch at which the stop is touched."""
        if not self.damper.known:
            return None
        gap = stop_gap(self.shaft, self.packer, self.length)
        return hub_to_arch_after(self.hub_to_arch, self.damper.wheel_travel(self.hub_to_arch, gap))

    def shaft_at(self, hub: float) -> float:
        """Damper shaft that shows at a height."""
        return shaft_after(self.shaft, self.damper.travel(self.hub_to_arch, hub))

    def at_gap(self, hub: float) -> float:
        """Gap between stop and damper body at a height; negative when squeezed."""
        return stop_gap(self.shaft_at(hub), self.packer, self.length)

    def at(self, hub: float) -> Squeeze | None:
        """The stop at a height; nothing while the damper's motion ratio is not known."""
        if not self.damper.known:
            return None
        if float(hub) not in self._read:
            self._read[float(hub)] = self._at(hub)
        return self._read[float(hub)]

    def _at(self, hub: float) -> Squeeze:
        gap = stop_gap(self.shaft_at(hub), self.packer, self.length)
        if self.table is None or gap >= 0:
            return Squeeze(gap)
        pressed = -float(gap)
        return Squeeze(
            gap,
            _from_table(self.table.force(pressed), "stop_force", "N", gap),
            _from_table(self.table.rate(pressed), "push_rate", "N/m", gap),
        )


def _from_table(value: float, name: str, unit: str, gap: float) -> float:
    table = "the stop's force table"
    return solved(value, name, unit, equation=table, inputs={"gap": gap}, source="measured points")


def stop_facts(of_end: Cursor, side: Cursor, place: Place, damper: Coupling) -> StopFacts | None:
    """The bump stop as it stands in a setup: trimmed and packed, or as it came.

    `of_end` is the stop as it came, of the vehicle's end, `side` the corner in its setup.
    """
    part: BumpStopPart | None = node(of_end)
    if part is None:
        return None
    end = place.end
    if side.stop:
        length = number(side.stop.length, f"{place.words} bump stop, length")
        packer = number(side.stop.packer, f"{place.words} packers", source="set")
    else:
        length = number(of_end.length, f"{end} bump stop, length")
        packer = given(0.0, "packers", "m", source="none named")
    shaft = number(of_end.shaft, f"{end} shaft that shows")
    if node(side).body:
        longer = number(side.body, f"{place.words} damper longer than as found", source="set")
        shaft = shaft_with_body(shaft, longer)
    return StopFacts(
        part,
        length,
        packer,
        shaft,
        number(of_end.hub_to_arch, f"{end} hub to arch with that shaft"),
        damper,
        None if part.points is None else _table(part.points),
    )


@lru_cache(maxsize=256)
def _table(points: tuple[tuple[float, ...], ...]) -> ForceTable | None:
    try:
        return stop_table([(squeeze, force) for squeeze, force in points])
    except OutOfRange:
        return None
