"""The one pure function: a document, a setup and a load state in, a report out."""

from copy import copy
from typing import TypeVar

from feder.core.document.base import ENDS, Place
from feder.core.document.document import Document, LoadState
from feder.core.document.setup import Setup
from feder.core.formulas.sag import mass_on_both, place_by_share, share_on_rear
from feder.core.numbers.errors import UnknownSetup
from feder.core.numbers.working import is_tracing, tracing, untraced
from feder.core.report.figures.corner import corner_report
from feder.core.report.figures.measured import tell_measured, tell_measured_sags
from feder.core.report.figures.roll import tell_stops_met
from feder.core.report.figures.sags import sag_report
from feder.core.report.figures.steering import steering_report
from feder.core.report.figures.vehicle import end_report, vehicle_report
from feder.core.report.findings.case import Case
from feder.core.report.findings.frequencies import judged_under
from feder.core.report.findings.rules import findings_of
from feder.core.report.progress import stations
from feder.core.report.shapes import (
    CornerReport,
    EndReport,
    Figure,
    Report,
    SagReport,
    SteeringReport,
    VehicleReport,
    figure,
)
from feder.core.report.waits import waits_of
from feder.core.standing.carried import carried_in, rider_of, sum_of_masses
from feder.core.standing.facts import Facts, gather, parts_as_found, setup_of
from feder.core.standing.kept import Kept
from feder.core.standing.stand import StandingVehicle, stand


def evaluate(document: Document, setup: str, load_state: str | None = None, against: str | None = None) -> Report:
    """Everything Feder can say of a setup under a load state, compared with another setup.

    Every figure is a number that knows its working (`feder.core.working.trail`). What the document does
    not hold stays empty; it is never filled in. All faults come as findings, none stops the rest.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    with tracing():
        case = judged_case(document, setup, load_state, against)
        found, report = findings_of(case), case.report
        return report.but(
            against=against,
            load_state=load_state,
            findings=found,
            stations=stations(case, found),
            waits=waits_of(case),
        )


def judged_case(
    document: Document,
    setup: str,
    load_state: str | None = None,
    against: str | None = None,
    *,
    strips: bool = True,
) -> Case:
    """What the rules look at of a setup. Raises what `evaluate` raises."""
    facts, load = gather(document), _load_state(document, load_state)
    stood, report = _evaluated(facts, setup, load, strips=strips)
    if document.vehicle.kind != "car":
        report = _on_two_wheels(facts, setup, load, stood, report)
    if against is not None:
        report = _beside(report, _other(document, against, load_state))
    return Case(document, setup_of(document, setup), facts, stood, report, load, _as_found(facts, setup, load))


def _as_found(facts: Facts, setup: str, load: LoadState | None) -> Report | None:
    """The figures as found and as weighed, which rules lay beside those of another setup, or under a load."""
    found = facts.document.setups[0].id
    with untraced():
        return None if setup == found and load is None else evaluate_whole(facts.document, found)


def _on_two_wheels(
    facts: Facts, setup: str, load: LoadState | None, stood: StandingVehicle, report: Report
) -> Report:
    """The report with its sags, those of bike alone and of the rider together, and its steering."""
    alone = (stood, report) if load is None else _evaluated(facts, setup, None, strips=False)
    rider = load if load is not None else rider_of(facts.document)
    ridden = None if rider is None else (stood, report)
    if rider is not None and load is None:
        ridden = _evaluated(facts, setup, rider, strips=False)
    found = facts.document.setups[0].id
    first = alone[0] if setup == found else stand(facts, facts.document.setups[0], None)
    sags = {}
    for place in facts.places:
        corner = None if ridden is None else ridden[1].corners[place]
        on = None if ridden is None or ridden[0].trouble else ridden[0].corners[place].load
        sags[place] = sag_report(
            alone[0].corners[place],
            first.corners[place],
            alone[1].corners[place],
            corner_report(first.corners[place], facts.document.brief).wheel_rate,
            corner,
            on,
            facts.document.brief,
            as_read=rider == rider_of(facts.document),
        )
    tell_measured_sags(facts, setup, sags)
    steering = steering_report(facts, setup, stood)
    if steering is not None:
        _who_sits(steering, sags, facts)
    return report.but(sags=sags, steering=steering)


def _who_sits(steering: SteeringReport, sags: dict[Place, SagReport], facts: Facts) -> None:
    """The rider's mass and place by the sags, beside the mass that the load state tells."""
    loads = [s.rider_load.value for s in sags.values() if s.rider_read is not None and s.rider_load is not None]
    if len(loads) == 2 and loads[0] + loads[1] > 0:
        steering.rider_by_sags = figure(mass_on_both(*loads), "kg")
        share = share_on_rear(*loads)
        steering.rider_rear = figure(share, "")
        if facts.wheelbase is not None and share > 0:
            steering.rider_at = figure(place_by_share(share, facts.wheelbase), "m")
    carried = carried_in(facts, rider_of(facts.document))
    if carried:
        steering.rider_told = figure(sum_of_masses(carried), "kg")


def _other(document: Document, against: str, load_state: str | None) -> Report:
    """The figures of the setup compared with; kept, since a drag leaves them as they are."""
    parts = (*parts_as_found(document), setup_of(document, against))
    return _COMPARED.of(parts, (load_state,), lambda: evaluate_whole(document, against, load_state))


_COMPARED: Kept[Report] = Kept()


def evaluate_plain(document: Document, setup: str, load_state: str | None = None) -> Report:
    """The same figures as plain numbers, without working, marks, findings, strips or stations: to try a number."""
    with untraced():
        return evaluate_whole(document, setup, load_state)


def evaluate_whole(document: Document, setup: str, load_state: str | None = None) -> Report:
    """Every figure, traced where it is asked for so; without findings, strips and stations."""
    facts, load = gather(document), _load_state(document, load_state)
    stood, report = _evaluated(facts, setup, load, strips=False)
    if document.vehicle.kind == "car":
        return report
    return _on_two_wheels(facts, setup, load, stood, report)


def evaluated(document: Document, setup: str, load_state: str | None) -> tuple[Facts, StandingVehicle, Report]:
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


_KEPT: Kept[tuple[StandingVehicle, Report]] = Kept(64)


def _evaluated(
    facts: Facts, setup_id: str, load: LoadState | None, *, strips: bool = True
) -> tuple[StandingVehicle, Report]:
    """How a setup stands, and its figures; kept, and so never written to."""
    document, setup = facts.document, setup_of(facts.document, setup_id)
    parts, key = (*parts_as_found(document), setup, load), (document.setups.index(setup), strips, is_tracing())
    return _KEPT.of(parts, key, lambda: _worked_out(facts, setup, load, strips=strips))


def _worked_out(
    facts: Facts, setup: Setup, load: LoadState | None, *, strips: bool
) -> tuple[StandingVehicle, Report]:
    brief, judged = facts.document.brief, judged_under(facts.document)
    stood = stand(facts, setup, load)
    corners = {p: corner_report(stood.corners[p], brief) for p in facts.places}
    ends = {e: end_report(e, facts, stood, corners, brief, strips=strips) for e in ENDS}
    vehicle = vehicle_report(facts, stood, corners, ends, brief, None if judged is None else judged.id)
    if load is None:
        tell_measured(facts, setup, corners)
    tell_stops_met(facts, stood, corners, vehicle.roll_gradient)
    report = Report(
        setup=setup.id,
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


def _beside(report: Report, other: Report) -> Report:
    """The report with what each figure was in the other one."""
    steering = report.steering
    if steering is not None and other.steering is not None:
        steering = _with_was(steering, other.steering)
    return report.but(
        corners={p: _with_was(c, other.corners[p]) for p, c in report.corners.items()},
        ends={e: _with_was(report.ends[e], other.ends[e]) for e in ENDS},
        vehicle=_with_was(report.vehicle, other.vehicle),
        sags={p: _with_was(s, other.sags[p]) for p, s in report.sags.items()},
        steering=steering,
    )


Part = TypeVar("Part", CornerReport, EndReport, VehicleReport, SagReport, SteeringReport)


def _with_was(mine: Part, theirs: Part) -> Part:
    made = copy(mine)
    for name in mine.__slots__:
        value = getattr(mine, name)
        if type(value) is Figure and type(was := getattr(theirs, name)) is Figure:
            setattr(made, name, Figure(value.value, value.unit, value.assumed, float(was.value), was.assumed))
    return made
