"""Taking what the sag bench says into the setup: preload or pressure, a spring of the shelf, spacers, a lever."""

from collections.abc import Iterator, Sequence

from feder.core.document.base import EndName, Place
from feder.core.document.changes import Change, put
from feder.core.document.document import Document
from feder.core.document.setting import setting
from feder.core.document.setup import AirSpringPart, SpringPart
from feder.core.numbers.errors import OutOfRange
from feder.core.practice.thresholds import GAUGE_STEP, RULE_STEP
from feder.core.report.evaluate import evaluate
from feder.core.standing.facts import index_of, setup_of, side_of


def take_sags(
    document: Document, setup: str, ends: Sequence[EndName], load_state: str | None = None
) -> Iterator[Change]:
    """Preload or pressure that brings the rider sag wanted at these ends, with that load on; none: the rider read.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    report, index = evaluate(document, setup, load_state), index_of(document, setup)
    for end in ends:
        said = report.sags.get(Place(end))
        if said is not None and said.wanted_pressure is not None:
            yield from setting(index, Place(end), pressure=_in_steps(said.wanted_pressure.value, GAUGE_STEP))
        elif said is not None and said.wanted_collar is not None:
            yield from setting(index, Place(end), collar=_in_steps(said.wanted_collar.value, RULE_STEP))


def take_spring(document: Document, setup: str, end: EndName, part: SpringPart, collar: float) -> Iterator[Change]:
    """A spring of the shelf with the preload found for it, in both legs."""
    index = index_of(document, setup)
    yield from setting(index, Place(end), spring=part, second_spring=None, collar=_in_steps(collar, RULE_STEP))


def take_air(document: Document, setup: str, end: EndName, spacers: int, pressure: float) -> Iterator[Change]:
    """So many volume spacers, pumped for them.

    Raises:
        OutOfRange: on `end`: no air spring stands there.
    """
    part = side_of(setup_of(document, setup), Place(end)).spring
    if not isinstance(part, AirSpringPart):
        raise OutOfRange("end", end, "has no air spring")
    made = part.but(spacers=spacers)
    yield from setting(
        index_of(document, setup), Place(end), spring=made, pressure=_in_steps(pressure, GAUGE_STEP)
    )


def take_lever(document: Document, setup: str, place: Place, member: str, value: float) -> Iterator[Change]:
    """One adjuster as it must stand for a lean or a seat height."""
    yield from setting(index_of(document, setup), place, **{member: _in_steps(value, RULE_STEP)})


def _in_steps(value: float, step: float) -> float:
    return round(round(float(value) / step) * step, 9)


def tell_needs(
    document: Document,
    end: EndName,
    rake: float | None = None,
    travel: float | None = None,
    stroke: float | None = None,
    rate: float | None = None,
    pressure: float | None = None,
) -> Iterator[Change]:
    """The few numbers a verdict cannot do without, where they belong."""
    at: list[str | int] = ["vehicle", "ends", end]
    if rake is not None:
        legs = 1 if document.vehicle.kind == "bicycle" else 2
        yield put([*at, "fork"], {"legs": legs, "read": "along the tube", "rake": rake})
    if travel is not None:
        yield put([*at, "travel"], travel)
    if stroke is not None and travel:
        # stroke over wheel travel is the motion ratio on the whole; a leverage curve, measured later, says more
        ratio = {"kind": "ratio", "value": stroke / travel, "convention": "spring per wheel", "how": "estimated"}
        yield put([*at, "spring"], {"ratio": ratio})
    if pressure is not None:
        yield put(["setups", 0, "sides", end, "pressure"], pressure)
    if rate is not None:
        part = {"kind": "coil", "code": "as found", "rate": {"how": "maker", "value": rate}}
        for index, setup in enumerate(document.setups):
            if side_of(setup, Place(end)).spring is None:
                yield put(["setups", index, "sides", end, "spring"], part)
