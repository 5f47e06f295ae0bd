"""What a person does on a bench: asked as an act, answered as the changes of the document that it makes."""

from flask import Response, request
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.asked import AboutDocument, answered
from feder.api.errors import ErrorBody
from feder.api.evaluated import EvaluateAnswer, Look, evaluated
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.benches.acts import Act, changes_of
from feder.core.benches.damping.bounce import BounceBench, bounce_bench
from feder.core.benches.damping.clicks import DampingBench, damping_bench
from feder.core.benches.height.rings import RingWay, ring_ways
from feder.core.benches.travel.stop import StopBench, stop_bench
from feder.core.document.base import EndName, Place
from feder.core.document.bounce import Kind
from feder.core.document.changes import Change
from feder.core.document.damper import CurveRow
from feder.core.files.curves_csv import curves_from_csv
from feder.core.files.logger_csv import LoggerFile, logger_file
from feder.units.parse import read_cell

acts = APIBlueprint("acts", __name__, url_prefix="/api", abp_responses={409: ErrorBody, 422: ErrorBody})


class ActQuestion(AboutDocument):
    """An act on one setup, and how that is looked at then."""

    setup: str
    act: Act
    look: Look | None = None


class ActAnswer(Wire):
    """The changes, the state of the document with them, and its reports where they were asked for."""

    patch: list[Change]
    state: str
    evaluated: EvaluateAnswer | None


@acts.post("/act", responses={200: ActAnswer})
def do(body: ActQuestion) -> Response:
    """The changes that an act makes; nothing is stored."""
    changes = changes_of(body.document, body.setup, body.act)
    made = rooms().documents.changed(body.known.state, changes)
    reports = None if body.look is None else evaluated(made, body.setup, body.look)
    return answered(ActAnswer.model_construct(patch=changes, state=made.state, evaluated=reports))


class StopQuestion(AboutDocument):
    setup: str
    place: Place


class StopAnswer(Wire):
    bench: StopBench | None


@acts.post("/stop", responses={200: StopAnswer})
def stop(body: StopQuestion) -> Response:
    """The bump stop of a corner: at any length it may be cut to, and on packers."""
    return answered(StopAnswer(bench=stop_bench(body.document, body.setup, body.place)))


class RingQuestion(AboutDocument):
    setup: str
    place: Place
    thickness: float = Field(gt=0, le=0.1, description="Of one ring, in m.")


class RingAnswer(Wire):
    ways: list[RingWay]


@acts.post("/rings", responses={200: RingAnswer})
def rings(body: RingQuestion) -> Response:
    """A corner's perch with no, one and two rings of a thickness."""
    return answered(RingAnswer(ways=ring_ways(body.document, body.setup, body.place, body.thickness)))


class DampingQuestion(AboutDocument):
    setup: str
    end: EndName
    place: Place | None = None
    load_state: str | None = None


class DampingAnswer(Wire):
    bench: DampingBench | None


@acts.post("/damping", responses={200: DampingAnswer})
def damping(body: DampingQuestion) -> Response:
    """The knobs of an end's dampers, what each click gives, and its curves."""
    return answered(
        DampingAnswer(bench=damping_bench(body.document, body.setup, body.end, body.place, body.load_state))
    )


class BounceQuestion(AboutDocument):
    setup: str
    place: Place
    stood: str | None = Field(None, description="The setup that stands on the wheels; none: as found.")


class BounceAnswer(Wire):
    bench: BounceBench


@acts.post("/bounce", responses={200: BounceAnswer})
def bounce(body: BounceQuestion) -> Response:
    """Bounce tests of every corner, and of one in full."""
    return answered(BounceAnswer(bench=bounce_bench(body.document, body.setup, body.place, body.stood)))


class LoggerQuery(BaseModel):
    """Which columns of a logger's file are read; what is left out is guessed from its head."""

    name: str = Field("", max_length=200)
    time: str = Field("", max_length=200)
    reading: str = Field("", max_length=200)
    kind: Kind | None = None


class LoggerAnswer(Wire):
    file: LoggerFile


@acts.post("/logger", responses={200: LoggerAnswer})
def logger(query: LoggerQuery) -> Response:
    """A logger's file as it is understood, and the let-go in it; nothing is stored."""
    told = logger_file(request.get_data(), read_cell, **query.model_dump())
    return answered(LoggerAnswer(file=told))


class CurvesAnswer(Wire):
    rows: list[CurveRow]


@acts.post("/curves", responses={200: CurvesAnswer})
def curves() -> Response:
    """Curves of a damper from a bench's CSV file; nothing is stored."""
    return answered(CurvesAnswer(rows=curves_from_csv(request.get_data(), read_cell)))
