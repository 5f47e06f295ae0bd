"""A kit's perches side by side: no ring, one ring, two, and what each does to the collar and its reach."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document
from feder.core.document.setup import SideSetup, StackItem
from feder.core.report.evaluate import evaluate
from feder.core.report.shapes import Figure
from feder.core.standing.facts import places_of, setup_of, side_of

RING = "ring"
MOST_RINGS = 2


@dataclass(frozen=True, slots=True)
class RingWay:
    """One arrangement of the perch at a corner, its height kept or its collar, as the setup is set."""

    rings: int
    chosen: bool
    stack: tuple[StackItem, ...]
    hub_to_arch: Figure | None
    collar: Figure | None
    reach_low: Figure | None
    reach_high: Figure | None
    held_at_droop: Figure | None


def ring_ways(document: Document, setup: str, place: Place, thickness: float) -> list[RingWay]:
    """The corner with no, one and two rings of a thickness in its stack, the rest as it is; both sides alike.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    here, found = side_of(setup_of(document, setup), place), side_of(document.setups[0], place)
    now = _stack(here, found)
    rest = tuple(item for item in now if item.name != RING)
    ways = []
    for rings in range(MOST_RINGS + 1):
        stack = (*rest, *(StackItem(name=RING, thickness=thickness) for _ in range(rings)))
        tried = with_sides(document, setup, {p: {"stack": stack} for p in places_of(document, place.end)})
        corner = evaluate(tried, setup).corners[place]
        ways.append(
            RingWay(
                rings,
                stack == now,
                stack,
                corner.hub_to_arch,
                corner.collar,
                corner.reach_low,
                corner.reach_high,
                corner.held_at_droop,
            )
        )
    return ways


def _stack(side: SideSetup, found: SideSetup) -> tuple[StackItem, ...]:
    told = found.stack if side.stack is None else side.stack
    return told or ()
