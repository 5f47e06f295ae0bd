"""Turning a knob to a click, as its damper counts it."""

from collections.abc import Iterator, Mapping

from feder.core.document.base import EndName, Place
from feder.core.document.changes import Change
from feder.core.document.damper import Acts
from feder.core.document.document import Document
from feder.core.document.setting import setting
from feder.core.numbers.errors import OutOfRange
from feder.core.standing.facts import index_of, places_of, setup_of, side_of


def turn_clicks(
    document: Document, setup: str, end: EndName, clicks: Mapping[Acts, int], place: Place | None = None
) -> Iterator[Change]:
    """Set knobs to clicks counted from shut, at one corner or on both sides of an end.

    Raises:
        OutOfRange: on `clicks`: past a knob's range, or a knob that the damper has not.
    """
    index, made = index_of(document, setup), setup_of(document, setup)
    for p in (place,) if place is not None else places_of(document, end):
        part = side_of(made, p).damper or side_of(document.setups[0], p).damper
        for acts, click in clicks.items():
            knob = None if part is None else next((k for k in part.knobs if k.acts == acts), None)
            if knob is None:
                raise OutOfRange(
                    "clicks", click, f"is for a {acts.replace('_', ' ')} knob, which this damper has not"
                )
            if not 0 <= click <= knob.clicks:
                raise OutOfRange("clicks", click, f"must be 0 to {knob.clicks}: a knob is not forced past its end")
            count = click if knob.counted_from == "fully closed" else knob.clicks - click
            told = {"count": count, "of": knob.clicks, "counted_from": knob.counted_from}
            now = getattr(side_of(made, p), acts)
            yield from setting(index, p, **{acts: told | {"alone": bool(now and now.alone)}})
