"""A corner's spring in a setup: linear, dual rate or measured, as numbers that know their path."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, maybe, node, number, quantity
from feder.core.document.leaf import LeafPart
from feder.core.document.setup import SideSetup, SpringPart
from feder.core.formulas.height import spring_force_in_room
from feder.core.formulas.motion_ratio import rate_of_both_legs, rate_of_legs, spring_length_under_force
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.working import given, solved
from feder.core.solvers.force_table import ForceTable, dual_rate_table, linear_table, side_by_side, table_from
from feder.core.standing.parts.leaf import leaf_spring_rate_at

LONGEST = 2.0
"""Deflection to which a spring's table is laid out, m."""
UNTOLD_LENGTH = 0.25
UNTOLD = "not told: taken as long as the one found"
"""Of a two-wheeler's springs: only differences of their lengths act, so like springs need no length."""
ALIKE = "the lengths of both are not told: taken as long as the other"
CURVE = "the spring's force table"


@dataclass(slots=True)
class SpringFacts:
    """A spring. `table` is its force over deflection where it is not linear."""

    part: SpringPart | LeafPart
    rate: float
    free_length: float | None
    solid_length: float | None
    table: ForceTable | None = None

    def _read(self, value: float, name: str, unit: str, given_by: dict[str, float]) -> float:
        inputs = {"rate": self.rate, **given_by}
        return solved(
            value, name, unit, equation=CURVE, inputs=inputs, source=f"{self.part.code}, shape-preserving curve"
        )

    def length_under(self, force: float) -> float | None:
        """Length under a force."""
        if self.free_length is None:
            return None
        if self.table is None:
            return spring_length_under_force(self.free_length, force, self.rate)
        pressed = self.table.deflection(float(force), -LONGEST, LONGEST)
        return self._read(
            float(self.free_length) - pressed,
            "spring_length",
            "m",
            {"free length": self.free_length, "force": force},
        )

    def force_at(self, length: float) -> float | None:
        """Force at a length; a loose spring pushes with nothing."""
        if self.free_length is None:
            return None
        if self.table is None:
            return spring_force_in_room(self.rate, self.free_length, length)
        force = self.table.force(float(self.free_length) - float(length))
        return self._read(force, "spring_force", "N", {"free length": self.free_length, "length": length})

    def rate_at(self, length: float | None) -> float | None:
        """Tangent rate at a length: what small movements feel."""
        if self.table is None:
            return self.rate
        if self.free_length is None or length is None:
            return None
        rate = self.table.rate(float(self.free_length) - float(length))
        return self._read(rate, "spring_rate", "N/m", {"free length": self.free_length, "length": length})

    @property
    def curve(self) -> ForceTable:
        """Force over deflection, whatever the kind."""
        return self.table or linear_table(float(self.rate), LONGEST)


def spring_facts(
    at: Cursor, place: Place, legs: float = 1.0, found: SideSetup | None = None
) -> SpringFacts | None:
    """The numbers of a corner's coil spring; of two side by side (fork legs, twin shocks) both together.

    `at` is the corner in its setup, `found` the corner as found, beside which the length of this one counts.
    """
    side: SideSetup = node(at)
    part = side.spring
    if isinstance(part, LeafPart):
        return SpringFacts(part, leaf_spring_rate_at(at.spring, place), None, None)
    if not isinstance(part, SpringPart):
        return None
    label = f"{place.words} spring {part.code}"
    rate, free, solid = _numbers(at.spring, label)
    if place.mirror is place and part.quoted_drop is None:
        free = _beside_found(part, free, found, f"{label}, free length")
    if legs == 1:
        return SpringFacts(part, rate, free, solid, table_of(part))
    other = side.second_spring
    if other is None:
        table = table_of(part)
        return SpringFacts(
            part, rate_of_legs(rate, legs), free, solid, None if table is None else table.scaled(legs)
        )
    label = f"{place.words} second spring {other.code}"
    other_rate, other_free, _ = _numbers(at.second_spring, label)
    if part.free_length is None or other_free is None:
        # of springs that differ it matters which carries first: without both lengths they are taken alike
        late, other_rate = 0.0, number(at.second_spring.rate.value, f"{label}, rate", source=ALIKE, assumed=True)
    else:
        late = float(part.free_length) - float(other_free)  # the shorter one starts to carry later
    both = rate_of_both_legs(rate, other_rate)
    table = None
    if late or part.points or other.points or part.tender_rate or other.tender_rate:
        left, right = (table_of(p) or linear_table(p.rate.value, LONGEST) for p in (part, other))
        table = side_by_side(left, right.shifted(-late))
    return SpringFacts(part, both, free, solid, table)


def _beside_found(part: SpringPart, free: float | None, found: SideSetup | None, label: str) -> float:
    """Free length of a two-wheeler's spring beside the one found: where one of both is not told, assumed."""
    other = None if found is None else found.spring
    told = isinstance(other, SpringPart) and other.free_length is not None
    if free is None:
        length = other.free_length if isinstance(other, SpringPart) else None
        return given(length or UNTOLD_LENGTH, label, "m", source=UNTOLD, assumed=told)
    if found is not None and not told:
        return given(float(free), label, "m", source=f"told, but not of the one found: {UNTOLD}", assumed=True)
    return free


def _numbers(at: Cursor, label: str) -> tuple[float, float | None, float | None]:
    """Rate, free length and solid length."""
    rate = quantity(at.rate, f"{label}, rate")
    assert rate is not None  # every spring part has one
    free = maybe(at.free_length, f"{label}, free length")
    return rate, free, maybe(at.solid_length, f"{label}, solid length")


@lru_cache(maxsize=1024)
def table_of(part: SpringPart) -> ForceTable | None:
    """The force table of a spring that is not linear; nothing for one that is, or whose points are no table."""
    make: Callable[[], ForceTable] | None = None
    points = part.points
    if points is not None and points[0][0] == 0 and points[0][1] > 0:
        return None  # a force at no deflection: counted from elsewhere than from rest
    if points is not None:
        make = lambda: table_from([(-1.0, 0.0), (-0.5, 0.0), *((x, f) for x, f in points)])  # noqa: E731 - tried below
    elif part.tender_rate is not None and part.tender_travel:
        tender, travel = part.tender_rate, part.tender_travel
        make = lambda: dual_rate_table(part.rate.value, tender, travel, LONGEST)  # noqa: E731
    if make is None:
        return None
    try:
        return make()
    except OutOfRange:
        return None


def tried_spring(part: SpringPart, legs: float = 1.0) -> SpringFacts:
    """A spring from the shelf as plain numbers, to be tried; in both legs where there are two."""
    table = table_of(part)
    if table is not None and legs != 1:
        table = table.scaled(legs)
    return SpringFacts(part, part.rate.value * legs, part.free_length, part.solid_length, table)
