"""The one pure function: a document, a setup and a load state in, a report out."""

from feder.core.document.base import ENDS
from feder.core.document.document import Document, LoadState
from feder.core.errors import UnknownSetup
from feder.core.evaluate.corner import corner_report
from feder.core.evaluate.progress import stations
from feder.core.evaluate.roll import reach_stops
from feder.core.evaluate.vehicle import end_report, vehicle_report
from feder.core.findings import Case, findings_of
from feder.core.report import CornerReport, EndReport, Figure, Report, VehicleReport
from feder.core.standing.facts import Facts, gather, setup_of
from feder.core.standing.stand import VehicleStand, stand
from feder.core.working import tracing, untraced


def evaluate(document: Document, setup: str, load_state: str | None = None, against: str | None = None) -> Report:
    """Everything Feder can say of a setup under a load state, compared with another setup.

    Every figure is a number that knows its working (`feder.core.working.trail`). What the document does
    not hold stays empty; it is never filled in. All faults come as findings, none stops the rest.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    with tracing():
        facts = gather(document)
        load = _load_state(document, load_state)
        main = _evaluated(facts, setup, load)
        if against is not None:
            with untraced():  # only the values are told, nobody asks how they came about
                other = _evaluated(facts, against, load)[1]
            _compare(main[1], other)
        stood, report = main
        case = Case(document, setup_of(document, setup), facts, stood, report, load, *_beside(facts, setup, load))
        found = findings_of(case)
        return report.model_copy(
            update={
                "against": against,
                "load_state": load_state,
                "findings": found,
                "stations": stations(case, found),
            }
        )


def _beside(facts: Facts, setup: str, load: LoadState | None) -> tuple[Report | None, Report | None]:
    """Reports that some rules lay beside this one: as found (torsion bars), and without the load (sag)."""
    found, layouts = facts.document.setups[0].id, [end.end.layout for end in facts.ends.values()]
    with untraced():
        as_found = _evaluated(facts, found, None)[1] if "torsion arm" in layouts and setup != found else None
        loaded = load is not None and facts.document.vehicle.kind != "car"
        return as_found, _evaluated(facts, setup, None)[1] if loaded else None


def evaluate_plain(document: Document, setup: str, load_state: str | None = None) -> Report:
    """The same figures as plain numbers, without working, marks, findings, strips or stations: to try a number."""
    with untraced():
        facts = gather(document)
        return _evaluated(facts, setup, _load_state(document, load_state), strips=False)[1]


def evaluated(document: Document, setup: str, load_state: str | None) -> tuple[Facts, VehicleStand, Report]:
    """Facts, standing and figures of a setup, for trying other parts in it."""
    facts = gather(document)
    return facts, *_evaluated(facts, setup, _load_state(document, load_state))


def _load_state(document: Document, load_state: str | None) -> LoadState | None:
    if load_state is None:
        return None
    for state in document.loads:
        if state.id == load_state:
            return state
    raise UnknownSetup(f"there is no load state {load_state!r}")


def _evaluated(
    facts: Facts, setup_id: str, load: LoadState | None, *, strips: bool = True
) -> tuple[VehicleStand, Report]:
    setup, brief = setup_of(facts.document, setup_id), facts.document.brief
    stood = stand(facts, setup, load)
    corners = {p: corner_report(stood.corners[p], brief) for p in facts.places}
    ends = {e: end_report(e, facts, stood, corners, brief, strips=strips) for e in ENDS}
    vehicle = vehicle_report(facts, stood, corners, ends, brief)
    reach_stops(facts, stood, corners, vehicle.roll_gradient)
    report = Report(
        setup=setup_id,
        against=None,
        load_state=None,
        corners=corners,
        ends=ends,
        vehicle=vehicle,
        findings=[],
        stations=[],
        equilibrium=stood.trouble,
    )
    return stood, report


def _compare(report: Report, other: Report) -> None:
    """Write beside each figure what it was in the other report."""
    pairs: list[tuple[CornerReport | EndReport | VehicleReport, CornerReport | EndReport | VehicleReport]] = [
        *((report.corners[p], other.corners[p]) for p in report.corners),
        *((report.ends[e], other.ends[e]) for e in ENDS),
        (report.vehicle, other.vehicle),
    ]
    for mine, theirs in pairs:
        for name in mine.__slots__:
            value = getattr(mine, name)
            if type(value) is Figure and type(was := getattr(theirs, name)) is Figure:
                value.was = float(was.value)
