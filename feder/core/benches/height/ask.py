"""Asking for a height or a collar: the changes of the setup, the other side with it where both go together."""

from collections.abc import Iterator, Sequence

from feder.core.document.base import Place
from feder.core.document.changes import Change
from feder.core.document.document import Document
from feder.core.document.setting import setting
from feder.core.numbers.errors import OutOfRange
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.shapes import CornerReport, Figure
from feder.core.standing.facts import index_of, places_of, setup_of, side_of


def ask_height(
    document: Document,
    setup: str,
    place: Place,
    height: float | None = None,
    change: float | None = None,
    *,
    together: bool = False,
) -> Iterator[Change]:
    """Ask for a hub to arch, or for a change of it from as found.

    Where both sides go together a height asked for is that of both; a change moves both alike, their mean by so
    much from as found, so that the difference between them stays.

    Raises:
        OutOfRange: on `height`: neither is told, as found is not known, or a side would come to nothing.
    """
    index, places = index_of(document, setup), places_of(document, place.end) if together else (place,)
    if height is not None:
        wanted = dict.fromkeys(places, height)
    else:
        now, found = (_heights(document, of, places) for of in (setup, document.setups[0].id))
        if change is None or now is None or found is None:
            raise OutOfRange("height", height, "needs a height, or one as found to count the change from")
        move = sum(found.values()) / len(places) + change - sum(now.values()) / len(places)
        wanted = {p: at + move for p, at in now.items()}
    for other, at in wanted.items():
        if at <= 0:
            raise OutOfRange("height", at, "would leave nothing between hub and arch")
        yield from setting(index, other, hub_to_arch=round(at, 5))


def _heights(document: Document, setup: str, places: Sequence[Place]) -> dict[Place, float] | None:
    """Hub to arch at some places; nothing where one is not known."""
    corners = evaluate_plain(document, setup).corners
    told = {p: _told(corners[p].hub_to_arch) for p in places}
    known = {p: at for p, at in told.items() if at is not None}
    return known if len(known) == len(told) else None


def ask_collar(
    document: Document, setup: str, place: Place, collar: float, *, together: bool = False
) -> Iterator[Change]:
    """Set a collar; every other corner keeps the collar it has now, so that only this one is turned.

    Where both sides go together the other one is turned by as much.
    """
    corners, index, at = (
        evaluate_plain(document, setup).corners,
        index_of(document, setup),
        setup_of(document, setup),
    )
    moved = places_of(document, place.end) if together else (place,)
    now = _told(corners[place].collar)
    for other in document.places:
        mine = _told(corners[other].collar)
        if other is place:
            yield from setting(index, other, collar=collar)
        elif other in moved and mine is not None and now is not None:
            yield from setting(index, other, collar=round(mine + collar - now, 5))
        elif side_of(at, other).set_by == "height" and mine is not None and _known(corners[other]):
            yield from setting(index, other, collar=mine)


def _known(corner: CornerReport) -> bool:
    return corner.hub_to_arch is not None


def _told(figure: Figure | None) -> float | None:
    return None if figure is None else float(figure.value)
