"""Room for a coil spring between its seats: as typed, as found, and with what a setup changes of it."""

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number
from feder.core.document.vehicle import Layout
from feder.core.formulas.damper_body import seat_with_body
from feder.core.formulas.height import seat_with_pads, seat_with_spacer, seat_with_stack, stack_with
from feder.core.numbers.working import given
from feder.core.standing.corner import SeatFacts
from feder.core.standing.damper import is_own, turned

PERCH_CARRIED = "where this damper carries the spring is not told: as on the one found"


def found_collar(at: Cursor, place: Place) -> float:
    """The collar as read as found; a fixed perch counts as zero."""
    read = at.collar
    source = "typed in" if read else "fixed perch: zero"
    return number(read, f"{place.words} collar as found", source=source, value=node(read) or 0.0)


def typed_seat(at: Cursor, place: Place) -> SeatFacts | None:
    """The seat as typed in a setup."""
    seat = at.seat
    if not seat or not seat.length or not seat.hub_to_arch:
        return None
    return SeatFacts(
        number(seat.length, f"{place.words} seat length, collar at datum"),
        number(seat.hub_to_arch, f"{place.words} hub to arch at that length"),
    )


def perched_on_body(layout: Layout) -> bool:
    """Whether the spring stands on the damper's body: its perch then moves with it."""
    return layout in ("strut", "wishbone")


def turned_seat(seat: SeatFacts | None, at: Cursor, place: Place, layout: Layout) -> SeatFacts | None:
    """The seat as typed in a setup, which holds with the damper's body as told: a perch on it moves with it."""
    if seat is None or not node(at).body or not perched_on_body(layout):
        return seat
    longer = number(at.body, f"{place.words} damper's body longer than told", source="set")
    return SeatFacts(seat_with_body(seat.length, longer), seat.height)


def spaced_seat(
    seat: SeatFacts | None, at: Cursor, found: Cursor, place: Place, layout: Layout
) -> SeatFacts | None:
    """The seat as found, with another spacer on a fork's springs, or on a damper whose body carries the perch."""
    if seat is not None and perched_on_body(layout):
        if is_own(at, found):
            length = given(float(seat.length), "seat length as found", "m", source=PERCH_CARRIED, assumed=True)
            seat = SeatFacts(length, seat.height)
        longer = turned(at, place)
        seat = seat if not longer else SeatFacts(seat_with_body(seat.length, longer), seat.height)
    now, was = at.fork_spacer, found.fork_spacer
    if seat is None or not now or not was or node(now) == node(was):
        return seat
    label = f"{place.words} spacers on the springs"
    fitted = number(now, label, source="set")
    before = number(was, f"{label} as found", source="tape")
    return SeatFacts(seat_with_spacer(seat.length, fitted, before), seat.height)


def padded_seat(seat: SeatFacts | None, at: Cursor, place: Place, found: Cursor | None = None) -> SeatFacts | None:
    """The seat with what a setup puts between it and the spring; it lifts the body as a collar does.

    `found` is the corner as found, where the seat is the one found: what lay there then is in it already.
    """
    if seat is None:
        return seat
    length = seat.length
    if at.stack and (found is None or node(at.stack) != node(found.stack)):
        was = given(0.0, f"{place.words} stack as found", "m", source="none named")
        if found is not None and node(found.stack):
            was = _stack(found, f"{place.words} as found")
        now = _stack(at, place.words) if node(at.stack) else given(0.0, "stack", "m", source="nothing between")
        length = seat_with_stack(length, now, was)
    if node(at).pads:
        length = seat_with_pads(length, number(at.pads, f"{place.words} pads at the seat", source="set"))
    return seat if length is seat.length else SeatFacts(length, seat.height)


def _stack(side: Cursor, words: str) -> float:
    """Thickness of all that lies between spring and seat."""
    items = node(side.stack)
    total = number(side.stack[0].thickness, f"{words} {items[0].name}", source="by calliper")
    for i, item in enumerate(items[1:], 1):
        total = stack_with(total, number(side.stack[i].thickness, f"{words} {item.name}", source="by calliper"))
    return total
