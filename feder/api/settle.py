"""Settling in: set down, corner weights, alignment, and what heights teach."""

from flask import Response
from flask_openapi3 import APIBlueprint
from pydantic import Field

from feder.api.asked import AboutDocument, answered
from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.benches.alignment.bench import AlignmentBench, alignment
from feder.core.benches.settle.heights import Basis
from feder.core.benches.settle.learn import Learned, learn
from feder.core.benches.settle.setdown import SetDown, set_down
from feder.core.benches.weights.bench import CornerWeights, corner_weights
from feder.core.document.base import Place
from feder.core.document.changes import in_its_place
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.document.survey import WheelRound
from feder.core.files.alignment_csv import alignment_from_csv, alignment_rows
from feder.core.files.table import written
from feder.core.practice.thresholds import CROSS_WANTED
from feder.core.standing.facts import setup_of

settle = APIBlueprint("settle", __name__, url_prefix="/api", abp_responses={422: ErrorBody})


class RoundQuestion(AboutDocument):
    """One round of readings with a setup on the wheels; none: its newest."""

    setup: str
    survey: int | None = Field(default=None, ge=0, le=1000, description="Where it stands among the surveys.")
    held: list[Place] = Field(default=[], max_length=4, description="Corners that may not be turned.")
    vehicle_id: str = Field("", max_length=16, description="Whose log says how the setup stood in earlier rounds.")


class SetDownQuestion(RoundQuestion):
    basis: Basis | None = None


class SetDownAnswer(Wire):
    set_down: SetDown
    as_it_stood: bool
    """Whether settings were changed since that round: it is told as it stood then."""


@settle.post("/setdown", responses={200: SetDownAnswer})
def set_down_of(body: SetDownQuestion) -> Response:
    """What a round says of a vehicle that stands again, and what to turn."""
    newest = set_down(body.document, body.setup, body.survey, body.held, body.basis)
    document = as_it_stood(body.document, body.setup, newest.round, body.vehicle_id)
    if document is body.document:
        return answered(SetDownAnswer(set_down=newest, as_it_stood=False))
    found = set_down(document, body.setup, newest.round, body.held, body.basis)
    return answered(SetDownAnswer(set_down=found, as_it_stood=True))


class LearnAnswer(Wire):
    learned: Learned | None
    """Nothing while no height was read with the setup on the wheels, or none can be foretold."""


@settle.post("/learn", responses={200: LearnAnswer})
def learn_from_heights(body: RoundQuestion) -> Response:
    """What the heights of the set-down vehicle teach about the numbers that foretold them."""
    stood = stood_in(body.document, body.setup, body.vehicle_id)
    shelf = [stored.part for stored in rooms().shelf.all()]
    document = as_it_stood(body.document, body.setup, body.survey, body.vehicle_id)
    return answered(LearnAnswer(learned=learn(document, body.setup, body.survey, stood, shelf)))


class WeightsQuestion(RoundQuestion):
    target: float = Field(float(CROSS_WANTED), ge=0.4, le=0.6)


class WeightsAnswer(Wire):
    weights: CornerWeights
    as_it_stood: bool
    """Whether settings were changed since that round: it is told as it stood then."""


@settle.post("/weights", responses={200: WeightsAnswer})
def weights_of(body: WeightsQuestion) -> Response:
    """What the scales say, and the ways to the cross weight wanted."""
    stood = stood_in(body.document, body.setup, body.vehicle_id)
    newest = corner_weights(body.document, body.setup, body.survey, body.held, body.target, stood)
    document = as_it_stood(body.document, body.setup, newest.round, body.vehicle_id)
    if document is body.document:
        return answered(WeightsAnswer(weights=newest, as_it_stood=False))
    found = corner_weights(document, body.setup, newest.round, body.held, body.target, stood)
    return answered(WeightsAnswer(weights=found, as_it_stood=True))


class AlignmentAnswer(Wire):
    alignment: AlignmentBench


@settle.post("/alignment", responses={200: AlignmentAnswer})
def alignment_of(body: RoundQuestion) -> Response:
    """What a read-out says, whose fault it is, and what to turn."""
    return answered(AlignmentAnswer(alignment=alignment(body.document, body.setup, body.survey)))


class ReadOutText(Wire):
    """A read-out as a CSV text."""

    text: str = Field(max_length=100_000)


class ReadOutAnswer(Wire):
    wheels: list[WheelRound]


@settle.post("/alignment/file", responses={200: ReadOutAnswer})
def read_out(body: ReadOutText) -> Response:
    """The wheels of a read-out file, to be looked at before they are taken."""
    return answered(ReadOutAnswer(wheels=alignment_from_csv(body.text)))


class ReadOutQuestion(AboutDocument):
    survey: int = Field(ge=0, le=1000)


@settle.post("/alignment/csv")
def read_out_file(body: ReadOutQuestion) -> Response:
    """The read-out of a round as a CSV file, such as can be read again."""
    surveys = body.document.surveys
    wheels = surveys[body.survey].wheels if body.survey < len(surveys) else ()
    return Response(written(alignment_rows(wheels)), mimetype="text/csv")


def as_it_stood(document: Document, setup: str, survey: int | None, vehicle_id: str) -> Document:
    """The document with a setup as it stood in a round; the very same one where nothing was set anew."""
    state = stood_in(document, setup, vehicle_id).get(survey) if survey else None
    if state is None or state.sides == setup_of(document, setup).sides:
        return document
    return in_its_place(document, setup, state)


def stood_in(document: Document, setup: str, vehicle_id: str) -> dict[int, Setup]:
    """How a setup stood in each of its rounds, by the entry of the log after which each was read.

    A round that tells none was read before the first change: as it was fitted.
    """
    if not vehicle_id:
        return {}
    found = rooms().log
    first = found.first(vehicle_id, setup)
    entries = {i: document.surveys[i].entry or first for i in document.rounds_of(setup)}
    states = found.states_at(vehicle_id, [e for e in entries.values() if e is not None])
    return {i: states[e] for i, e in entries.items() if e in states}
