"""The one pure function: a document, a setup and a load state in, a report out."""

from feder.core.document.base import ENDS, PLACES
from feder.core.document.document import Document, LoadState
from feder.core.errors import UnknownSetup
from feder.core.evaluate.corner import corner_report
from feder.core.evaluate.progress import stations
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
        case = Case(document, setup_of(document, setup), facts, stood, report)
        found = findings_of(case)
        return report.model_copy(
            update={
                "against": against,
                "load_state": load_state,
                "findings": found,
                "stations": stations(case, found),
            }
        )


def evaluate_plain(document: Document, setup: str, load_state: str | None = None) -> Report:
    """The same figures as plain numbers, without working, marks, findings or stations: for trying a number."""
    with untraced():
        facts = gather(document)
        return _evaluated(facts, setup, _load_state(document, load_state))[1]


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


def _evaluated(facts: Facts, setup_id: str, load: LoadState | None) -> tuple[VehicleStand, Report]:
    setup, brief = setup_of(facts.document, setup_id), facts.document.brief
    stood = stand(facts, setup, load)
    corners = {p: corner_report(stood.corners[p], brief) for p in PLACES}
    ends = {e: end_report(e, facts, stood, corners, brief) for e in ENDS}
    report = Report(
        setup=setup_id,
        against=None,
        load_state=None,
        corners=corners,
        ends=ends,
        vehicle=vehicle_report(facts, stood, corners, ends, brief),
        findings=[],
        stations=[],
        equilibrium=stood.trouble,
    )
    return stood, report


def _compare(report: Report, other: Report) -> None:
    """Write beside each figure what it was in the other report."""
    pairs: list[tuple[CornerReport | EndReport | VehicleReport, CornerReport | EndReport | VehicleReport]] = [
        *((report.corners[p], other.corners[p]) for p in PLACES),
        *((report.ends[e], other.ends[e]) for e in ENDS),
        (report.vehicle, other.vehicle),
    ]
    for mine, theirs in pairs:
        for name in mine.__slots__:
            value = getattr(mine, name)
            if type(value) is Figure and type(was := getattr(theirs, name)) is Figure:
                value.was = float(was.value)
