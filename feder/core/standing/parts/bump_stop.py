"""A corner's bump stop: the shaft that shows at a height, what stands on it, and what it pushes back with."""

from dataclasses import dataclass, field
from functools import lru_cache

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number
from feder.core.document.damper import DamperStop
from feder.core.document.vehicle import BumpStopPart
from feder.core.formulas.damper_body import both_changes, shaft_with_body
from feder.core.formulas.pushes import shaft_after
from feder.core.formulas.travel import stop_gap
from feder.core.formulas.wheel_heights import hub_to_arch_after
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.working import given, solved
from feder.core.solvers.force_table import ForceTable, stop_table
from feder.core.standing.coupling import Coupling
from feder.core.standing.damper import UNTOLD_LENGTH, damper_at, is_own, length_change, turned
from feder.core.standing.facts import EndFacts

STOP_CARRIED = "the stop as found is taken to stand on this damper too"


@dataclass(frozen=True, slots=True)
class Squeeze:
    """The stop at one height, along one damper: its gap (negative when squeezed), force and rate."""

    gap: float
    force: float | None = None
    rate: float | None = None


@dataclass(slots=True)
class StopFacts:
    """A bump stop. `shaft` shows at the height `hub_to_arch`; `table` is its force where that is known."""

    part: BumpStopPart | DamperStop
    length: float
    packer: float
    shaft: float
    hub_to_arch: float
    damper: Coupling
    table: ForceTable | None
    compressible: Cursor
    """Where the share of its length by which it squeezes stands in the document."""
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


def stop_facts(end: EndFacts, side: Cursor, found: Cursor, place: Place) -> StopFacts | None:
    """The bump stop as it stands in a setup: trimmed and packed, or as it came, on the damper that stands there.

    A damper's own stop stands before the one of the end; its shaft shows at full extension.
    """
    at = damper_at(side, found, end)
    if at and node(at).stop is not None:
        return None if end.droop is None else _own_stop(end, at.stop, side, place)
    of_end, name = end.at.bump_stop, place.end
    part: BumpStopPart | None = node(of_end)
    if part is None:
        return None
    shaft = number(of_end.shaft, f"{name} shaft that shows")
    change = _untold_change(end, side, found, place)
    if change:
        shaft = shaft_with_body(shaft, change)
    return StopFacts(
        part,
        *_trimmed(of_end, side, place, f"{name} bump stop, length"),
        shaft,
        number(of_end.hub_to_arch, f"{name} hub to arch with that shaft"),
        end.damper,
        None if part.points is None else _table(part.points),
        of_end.compressible,
    )


def _trimmed(stop: Cursor, side: Cursor, place: Place, label: str) -> tuple[float, float]:
    """Length of the stop and of the packers under it."""
    if side.stop:
        return (
            number(side.stop.length, f"{place.words} bump stop, length"),
            number(side.stop.packer, f"{place.words} packers", source="set"),
        )
    return number(stop.length, label), given(0.0, "packers", "m", source="none named")


def _own_stop(end: EndFacts, at: Cursor, side: Cursor, place: Place) -> StopFacts:
    part: DamperStop = node(at)
    shaft = number(at.shaft, f"{place.words} shaft that shows at full extension")
    assert end.droop is not None
    return StopFacts(
        part,
        *_trimmed(at, side, place, f"{place.words} damper's own stop, length"),
        shaft,
        end.droop,
        end.damper,
        None if part.points is None else _table(part.points),
        at.compressible,
    )


def _untold_change(end: EndFacts, side: Cursor, found: Cursor, place: Place) -> float | None:
    """How much less of the shaft shows with the stop as found on a damper turned longer, or on another one."""
    change = turned(side, place)
    if not is_own(side, found):
        return change
    other = length_change(side, found, place, "shut")
    if other is None:
        other = given(0.0, "another damper", "m", source=UNTOLD_LENGTH, assumed=True)
    untold = given(
        float(other), f"{place.words} damper, shut, than as found", "m", source=STOP_CARRIED, assumed=True
    )
    return untold if change is None else both_changes(untold, change)


@lru_cache(maxsize=256)
def _table(points: tuple[tuple[float, ...], ...]) -> ForceTable | None:
    try:
        return stop_table([(squeeze, force) for squeeze, force in points])
    except OutOfRange:
        return None
