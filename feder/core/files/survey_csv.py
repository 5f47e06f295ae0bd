"""The survey as a CSV file, out and in: one line for each reading, in the order of the walk round the vehicle."""

from collections.abc import Callable, Iterator
from typing import Any

from feder.core.document.base import Place
from feder.core.document.changes import Change, put
from feder.core.document.document import Document
from feder.core.files.table import ReadCell, Table, read_table
from feder.core.numbers.errors import BadFile, Fault
from feder.core.standing.facts import side_of

READINGS: dict[str, tuple[str, str]] = {
    "weight": ("mass", "kg"),
    "hub to arch": ("hub_to_arch", "m"),
    "floor to arch": ("floor_to_arch", "m"),
    "sill": ("sill", "m"),
    "extended, lifted": ("extended_lifted", "m"),
    "extended, pressed": ("extended_pressed", "m"),
    "bike alone, lifted": ("bike_lifted", "m"),
    "bike alone, pressed": ("bike_pressed", "m"),
    "rider on, lifted": ("rider_lifted", "m"),
    "rider on, pressed": ("rider_pressed", "m"),
}
"""Words of a reading, its quantity in the survey, its SI unit."""
SETTINGS: dict[str, tuple[str, str]] = {
    "tyre pressure": ("tyre_pressure", "Pa"),
    "collar": ("collar", "m"),
    "rebound clicks": ("rebound", ""),
    "bump clicks": ("bump", ""),
    "camber": ("camber", "rad"),
    "toe": ("toe", "m"),
}
"""What is read of the parts and settings as found: words, member of the corner, SI unit."""
BARE = {"m": "mm", "kg": "kg", "Pa": "bar", "rad": "deg", "": None}
"""Unit of a number that carries none."""
WALK = ("front left", "rear left", "rear right", "front right", "front", "rear")
"""Order of the walk round the vehicle, on screen, on paper and in the file."""
HEADER = ["place", "what", "value"]
MOST_LINES = 3000
RANGES = {"mass": (1, 20_000), "m": (-2, 5), "Pa": (1e4, 2e6), "rad": (-0.4, 0.4), "clicks": (0, 200)}


def survey_rows(document: Document, show: Callable[[float, str], str], index: int = 0) -> Iterator[list[str]]:
    """A survey as rows of a CSV file, header first; `show` writes a number with its unit.

    The first one tells what was set as found too; a later one is a round of a setup, with its readings alone.
    """
    yield HEADER
    survey, found = document.surveys[index] if index < len(document.surveys) else None, document.setups[0]
    places = walk_of(document)
    for words, (quantity, unit) in READINGS.items():
        for place in places:
            for reading in survey.readings if survey else ():
                if reading.place is place and reading.quantity == quantity:
                    yield [place.words, words, show(reading.value, unit)]
    for words, (member, unit) in SETTINGS.items() if index == 0 else ():
        for place in places:
            value = getattr(side_of(found, place), member)
            if value is not None:
                yield [place.words, words, str(value.count) if unit == "" else show(value, unit)]


def walk_of(document: Document) -> list[Place]:
    """The places of a vehicle in the order of the walk."""
    return sorted(document.places, key=lambda p: WALK.index(p.words))


def survey_from_csv(document: Document, data: str | bytes, read_cell: ReadCell, index: int = 0) -> list[Change]:
    """The changes that a survey file makes to a document: its readings replace those of the same place and kind.

    Several lines of one place and kind are repeats. A later survey, a round of a setup, takes readings alone.

    Raises:
        BadFile: any fault; nothing is read in part.
    """
    table = read_table(data, HEADER, needed=HEADER, most=MOST_LINES, free=True)
    faults: list[Fault] = []
    readings: dict[tuple[str, str], list[float]] = {}
    settings: dict[tuple[str, str], float] = {}
    places = {p.words: p for p in document.places}
    for number, row in table.rows:
        if not row["value"].strip():
            continue  # a line not filled in is one not measured
        place, what = places.get(row["place"].strip().lower()), row["what"].strip().lower()
        known = READINGS.get(what) or SETTINGS.get(what)
        if place is None:
            faults.append(_fault(number, "place", f"must be one of {', '.join(places)}"))
        elif known is None:
            faults.append(_fault(number, "what", f"must be one of {', '.join((*READINGS, *SETTINGS))}"))
        else:
            value = _number(table, row, known[1], what, number, read_cell, faults)
            if value is not None and what in READINGS:
                readings.setdefault((place.value, known[0]), []).append(value)
            elif value is not None:
                settings[place.value, known[0]] = value
    if settings and index:
        faults.append(_fault(2, "what", "a round takes weights, heights and sags; the rest belongs to the setup"))
    if index and index >= len(document.surveys):
        faults.append(_fault(2, "place", "there is no such round"))
    if not faults and not readings and not settings:
        faults.append(_fault(2, "place", "the file holds no readings"))
    if faults:
        raise BadFile(faults)
    return _patch(document, readings, settings, index)


def _number(
    table: Table,
    row: dict[str, str],
    unit: str,
    what: str,
    number: int,
    read_cell: ReadCell,
    faults: list[Fault],
) -> float | None:
    try:
        value = table.read(row, "value", unit, BARE[unit], read_cell)
    except ValueError as error:
        faults.append(_fault(number, "value", str(error)))
        return None
    low, high = RANGES.get("clicks" if unit == "" else "mass" if unit == "kg" else unit, (-1e9, 1e9))
    if not low <= value <= high or (what in READINGS and value <= 0):
        faults.append(_fault(number, "value", "is far outside what a vehicle has; check the unit"))
        return None
    if unit == "" and value != int(value):
        faults.append(_fault(number, "value", "must be whole clicks"))
        return None
    return value


def _fault(number: int, column: str, message: str) -> dict[str, str]:
    return {"place": f"line {number}, {column}", "message": message}


def _patch(
    document: Document,
    readings: dict[tuple[str, str], list[float]],
    settings: dict[tuple[str, str], float],
    index: int,
) -> list[Change]:
    steps = []
    if readings:
        survey = document.surveys[index] if index < len(document.surveys) else None
        kept = [
            r.model_dump(mode="json")
            for r in (survey.readings if survey else ())
            if (r.place.value, r.quantity) not in readings
        ]
        for (place, quantity), values in readings.items():
            how = "scales" if quantity == "mass" else "tape"
            kept += [{"place": place, "quantity": quantity, "value": v, "how": how} for v in values]
        path: list[str | int] = ["surveys", index, "readings"]
        whole: Any = kept
        if survey is None:
            path, whole = ["surveys"], [{"id": "first", "readings": kept}]
        steps.append(put(path, whole))
    for (place, member), value in settings.items():
        made: Any = value
        if member in ("rebound", "bump"):
            now = getattr(side_of(document.setups[0], Place(place)), member)
            rest = {} if now is None else {"of": now.of, "counted_from": now.counted_from}
            made = {"count": int(value), **rest}
        steps.append(put(["setups", 0, "sides", place, member], made))
    return steps
