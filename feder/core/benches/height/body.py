"""The damper body's length: as typed, or as the hold of a spring at full droop asks for."""

from collections.abc import Iterator

from feder.core.document.base import Place
from feder.core.document.changes import Change
from feder.core.document.document import Document
from feder.core.document.setting import setting
from feder.core.numbers.errors import OutOfRange
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.facts import index_of, places_of, setup_of, side_of


def take_body(document: Document, setup: str, place: Place, *, together: bool = False) -> Iterator[Change]:
    """Set the body so that the spring of a corner is held at full droop as the brief wants.

    Where both sides go together they get one length: that of the side which asks for the shorter one, so that
    neither is held by less.

    Raises:
        OutOfRange: on `body`: the length does not follow, as the hold or a motion ratio is not known.
    """
    index, corners = index_of(document, setup), evaluate_plain(document, setup).corners
    places = places_of(document, place.end) if together else (place,)
    wanted = []
    for p in places:
        change, now = corners[p].body_change, side_of(setup_of(document, setup), p).body or 0.0
        if change is None:
            raise OutOfRange("body", now, "needs the hold at full droop, and both motion ratios")
        wanted.append(now + float(change.value))
    for p in places:
        yield from setting(index, p, body=round(min(wanted), 4))


def set_body(
    document: Document, setup: str, place: Place, length: float, *, together: bool = False
) -> Iterator[Change]:
    """Turn a damper's body to a length, on both sides where they go together.

    Raises:
        OutOfRange: on `length`: the damper that stands there does not tell the length at which its own hold.
    """
    index, made = index_of(document, setup), setup_of(document, setup)
    for p in places_of(document, place.end) if together else (place,):
        part = side_of(made, p).damper or side_of(document.setups[0], p).damper
        if part is None or part.body is None:
            raise OutOfRange("length", length, "needs the body's length at which the damper's lengths hold")
        yield from setting(index, p, body=round(length - part.body, 6))
