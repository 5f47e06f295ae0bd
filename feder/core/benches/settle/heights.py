"""How a vehicle stands once set down: as foretold, as read in a round, and as it is wanted."""

from dataclasses import dataclass
from math import sqrt
from typing import Literal

from feder.core.document.base import Place
from feder.core.document.cursor import cursor
from feder.core.document.document import Document
from feder.core.formulas.wheel_heights import sag_height_of
from feder.core.numbers.working import untraced
from feder.core.practice.tolerances import BY_HOW
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.shapes import Report
from feder.core.standing.facts import gather, setup_of, side_of
from feder.core.standing.readings import readings_of
from feder.core.standing.sag_readings import sag_reads
from feder.core.standing.stand import stand

Basis = Literal["hub_to_arch", "floor_to_arch", "rider_sag"]
"""What is read: of a car from hub or floor to the arch, of a two-wheeler its sag with the rider on."""


@dataclass(frozen=True, slots=True)
class Read:
    """The mean of what was read at a place in a round, and its standard uncertainty."""

    value: float
    scatter: float
    count: int


def basis_of(document: Document, survey: int) -> Basis:
    """What a round was read by: hub to arch, unless there is nothing but the floor to go by."""
    if document.vehicle.kind != "car":
        return "rider_sag"
    told = document.surveys[survey]
    return "floor_to_arch" if told.has("floor_to_arch") and not told.has("hub_to_arch") else "hub_to_arch"


def read_in(document: Document, survey: int, basis: Basis) -> dict[Place, Read]:
    """What was read at each place in a round; places without a reading are left out."""
    if basis == "rider_sag":
        return _sags_read(document, survey)
    found = {}
    for place in document.places:
        readings = [r for _, r in readings_of(document, place, basis, survey)]
        if readings:
            values = [r.value for r in readings]
            single = max(r.tolerance or BY_HOW["tape"].size for r in readings)
            found[place] = Read(sum(values) / len(values), single / sqrt(len(values)), len(values))
    return found


def _sags_read(document: Document, survey: int) -> dict[Place, Read]:
    """Sags with the rider on in a round; where extended was not read again, from extended as found."""
    facts, found = gather(document), {}
    with untraced():
        for place in document.places:
            end = facts.ends[place.end]
            reads = sag_reads(cursor(document), place, end.at, survey)
            height, top = reads.of("rider"), reads.of("extended") or end.droop
            if height is None or top is None:
                continue
            count = sum(len(readings_of(document, place, q, survey)) for q in ("rider_lifted", "rider_pressed"))
            tape = BY_HOW["tape"].size
            found[place] = Read(float(sag_height_of(top, height)), tape * sqrt(1 / count + 0.5), count)
    return found


def load_aboard(document: Document, survey: int | None) -> str | None:
    """The load state that was aboard in a round and is still known."""
    told = None if survey is None else document.surveys[survey].load
    return told if told is not None and any(s.id == told for s in document.loads) else None


def stands(document: Document, setup: str, basis: Basis, load: str | None = None) -> dict[Place, float]:
    """Where each place stands as foretold; places of which it is not known are left out."""
    if basis == "hub_to_arch":  # heights alone: the rest of a report is not worked out
        with untraced():
            return hubs_of(document, setup, load)
    return stands_in(evaluate_plain(document, setup, load), basis)


def hubs_of(document: Document, setup: str, load: str | None) -> dict[Place, float]:
    """Hub to arch of each place, without the report round it."""
    state = next((s for s in document.loads if s.id == load), None)
    stood = stand(gather(document), setup_of(document, setup), state)
    return {p: float(c.hub_to_arch) for p, c in stood.corners.items() if c.hub_to_arch is not None}


def stands_in(report: Report, basis: Basis) -> dict[Place, float]:
    """The same of a report that is there already."""
    if basis == "rider_sag":
        return {p: float(s.rider_sag.value) for p, s in report.sags.items() if s.rider_sag is not None}
    figures = {p: getattr(c, basis) for p, c in report.corners.items()}
    return {p: float(f.value) for p, f in figures.items() if f is not None}


def wanted_in(
    document: Document, setup: str, basis: Basis, foretold: Report, load: str | None
) -> dict[Place, float]:
    """Where each place is wanted: at the height asked for, else where the setup puts it; sags by their target."""
    where = stands_in(foretold, basis)
    if basis == "rider_sag":
        return {
            p: float(s.target.value) if s.target is not None else where[p]
            for p, s in foretold.sags.items()
            if p in where
        }
    at = setup_of(document, setup)
    asked = {p: h for p in document.places if (h := side_of(at, p).hub_to_arch) is not None and load is None}
    if basis == "hub_to_arch":
        return where | asked
    hubs = stands_in(foretold, "hub_to_arch")
    return {p: w + asked[p] - hubs[p] if p in asked and p in hubs else w for p, w in where.items()}
