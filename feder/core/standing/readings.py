"""The readings of a survey: one, or the mean of its repeats, as a number that knows its path."""

from collections.abc import Sequence
from math import sqrt
from statistics import NormalDist

from feder.core.document.base import HOW_WORDS, Place
from feder.core.document.cursor import Cursor, node, number
from feder.core.document.document import Document
from feder.core.document.survey import UNIT_OF, Reading
from feder.core.practice.thresholds import SURE
from feder.core.practice.tolerances import BY_HOW, BY_UNIT

_NORMAL = NormalDist()


def mean_of_readings(document: Cursor, survey: int, place: Place, quantity: str, label: str) -> float | None:
    """One reading of a survey, or the mean of its repeats, with the first one's place."""
    found = readings_of(node(document), place, quantity, survey)
    if not found:
        return None
    return number(
        document.surveys[survey].readings[found[0][0]].value,
        label,
        source=HOW_WORDS[found[0][1].how] if len(found) == 1 else f"mean of {len(found)} readings",
        assumed=any(r.how == "estimated" for _, r in found),
        value=sum(r.value for _, r in found) / len(found),
        unit=UNIT_OF[quantity],
    )


def readings_of(document: Document, place: Place, quantity: str, survey: int = 0) -> Sequence[tuple[int, Reading]]:
    """The readings of one quantity at one place in a survey, with their index in it."""
    if len(document.surveys) <= survey:
        return ()
    readings = document.surveys[survey].readings
    return [(i, r) for i, r in enumerate(readings) if r.place is place and r.quantity == quantity]


def sure(comparisons: int) -> float:
    """Standard deviations by which readings must disagree, where so many pairs of them are compared at once.

    Alone it is three; of many pairs one lies further apart by chance, and nobody is to be accused for that.
    """
    by_chance = 2 * (1 - _NORMAL.cdf(float(SURE)))
    return _NORMAL.inv_cdf(1 - by_chance / 2 / max(comparisons, 1))


def scatter_of(reading: Reading) -> float:
    """Standard uncertainty of one reading: its own, or the usual one by how it was got."""
    if reading.tolerance is not None:
        return reading.tolerance
    usual = BY_HOW.get(reading.how) or BY_UNIT[UNIT_OF[reading.quantity]]
    return usual.of(reading.value)


def sureness(document: Document, place: Place, quantity: str, survey: int = 0) -> float:
    """Standard uncertainty of one reading, or of the mean of its repeats; 0 where there is none."""
    found = [scatter_of(r) for _, r in readings_of(document, place, quantity, survey)]
    return sqrt(sum(s * s for s in found)) / len(found) if found else 0.0
