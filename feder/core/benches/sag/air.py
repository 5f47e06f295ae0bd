"""An air spring of a two-wheeler by its volume spacers: pressure for the sag wanted, and the end of the stroke."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.changes import with_sides
from feder.core.document.document import Document
from feder.core.document.setup import AirSpringPart
from feder.core.formulas.air import air_spring
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.working import untraced
from feder.core.practice.usual import FAST_EXPONENT
from feder.core.report.evaluate import evaluate
from feder.core.report.shapes import SagReport
from feder.core.standing.facts import gather, setup_of
from feder.core.standing.stand import stand

MOST_SPACERS = 6


@dataclass(slots=True)
class AirRow:
    """One count of spacers; `free_sag` as it is read.

    `slow` and `fast` are forces at the wheel at full travel, isothermal and quick.
    """

    spacers: int
    chosen: bool
    pressure: float | None
    free_sag: float | None
    slow: float | None
    fast: float | None
    times: float | None
    """Force at full travel in a fast stroke, over what the wheel carries with the rider on."""
    middle_rate: float | None
    """Rate at the wheel at half its travel, N/m."""


def air_rows(document: Document, setup: str, place: Place) -> list[AirRow]:
    """Each count of spacers the chamber has room for, pumped for the rider sag wanted.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    index = next((i for i, s in enumerate(document.setups) if s.id == setup), None)
    part = None if index is None else getattr(document.setups[index].sides, place.value).spring
    if not isinstance(part, AirSpringPart):
        evaluate(document, setup)
        return []
    rows = []
    for count in range(MOST_SPACERS + 1 if part.spacer_volume else 1):
        if part.volume - count * part.spacer_volume <= part.area * part.travel:
            break
        filled = part.but(spacers=count)
        tried = with_sides(document, setup, {place: {"spring": filled}})
        said = evaluate(tried, setup).sags.get(place)
        rows.append(_row(tried, setup, place, filled, said, chosen=count == part.spacers))
    return rows


def _row(
    document: Document, setup: str, place: Place, part: AirSpringPart, said: SagReport | None, *, chosen: bool
) -> AirRow:
    made = AirRow(part.spacers, chosen, None, None, None, None, None, None)
    if said is None or said.wanted_pressure is None:
        return made
    made.pressure = float(said.wanted_pressure.value)
    made.free_sag = None if said.free_then_along is None else float(said.free_then_along.value)
    with untraced():
        facts = gather(document)
        corner = stand(facts, setup_of(document, setup), None).corners[place]
        end = corner.facts.end
        if end.droop is None or end.solid is None:
            return made
        stroke, ratio = float(end.spring.travel(end.droop, end.solid)), end.spring.ratio(end.solid)
        if not ratio:
            return made
        slow, fast = (pushed(part, made.pressure, stroke, n) for n in (1.0, FAST_EXPONENT))
        made.slow, made.fast = (None if f is None else f * float(ratio) for f in (slow, fast))
        if made.fast is not None and said.ridden_load is not None:
            made.times = made.fast / float(said.ridden_load.value)
        middle = (float(end.droop) + float(end.solid)) / 2
        half = _spring(part, made.pressure, float(end.spring.travel(end.droop, middle)), 1.0)
        at_half, slope = end.spring.ratio(middle), end.spring.slope(middle)
        if half is not None and at_half:
            made.middle_rate = half[1] * float(at_half) ** 2 + half[0] * float(slope or 0.0)
    return made


def pushed(part: AirSpringPart, pressure: float, stroke: float, exponent: float) -> float | None:
    """Force along the damper at a stroke; nothing past the end of the chamber."""
    found = _spring(part, pressure, stroke, exponent)
    return None if found is None else found[0]


def _spring(part: AirSpringPart, pressure: float, stroke: float, exponent: float) -> tuple[float, float] | None:
    volume = part.volume - part.spacers * part.spacer_volume
    negative = {}
    if part.negative_area is not None:
        negative = {
            "negative_area": part.negative_area,
            "negative_volume": part.negative_volume,
            "equalise_at": part.equalise_at,
        }
    try:
        found = air_spring(pressure, part.area, volume, stroke, exponent, **negative)
    except OutOfRange:
        return None
    return float(found.force), float(found.rate)
