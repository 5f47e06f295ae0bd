"""Turns taken: the changes that set adjusters anew on the vehicle that stands, and untick what a turn undoes."""

from collections.abc import Iterator, Mapping

from feder.core.benches.settle.knobs import knobs_of
from feder.core.document.base import Place
from feder.core.document.changes import Change, put
from feder.core.document.document import Document
from feder.core.document.setting import setting
from feder.core.numbers.errors import OutOfRange
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.facts import index_of, side_of


def take_turns(document: Document, setup: str, to: Mapping[Place, float], survey: int | None) -> Iterator[Change]:
    """Set the adjusters of some corners; what was wanted stays wanted, and the others keep where they stand.

    The round they were read in has to be rolled again before it is read again.

    Raises:
        OutOfRange: on `to` with a corner that has no adjuster.
    """
    at, index = document.setups[index_of(document, setup)], index_of(document, setup)
    report = evaluate_plain(document, setup)
    knobs = knobs_of(document, setup, report)
    for place in to:
        if place not in knobs:
            raise OutOfRange("to", place, "has nothing that can be turned")
    for place in document.places:
        height = report.corners[place].hub_to_arch
        if side_of(at, place).hub_to_arch is None and height is not None and document.vehicle.kind == "car":
            yield put(("setups", index, "sides", place.value, "hub_to_arch"), round(float(height.value), 5))
    for place, knob in knobs.items():
        side, told = side_of(at, place), to.get(place, knob.now)
        if place not in to and side.set_by != "height":
            continue
        collar = report.corners[place].collar
        if knob.kind == "body" and collar is not None and side.set_by == "height":
            yield from setting(index, place, collar=float(collar.value))
        yield from setting(index, place, **{knob.member: round(told, 6)})
    if survey is not None and 0 < survey < len(document.surveys):
        yield put(("surveys", survey, "conditions", "rolled"), False)
