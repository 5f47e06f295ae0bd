"""Live questions about an unsaved document: evaluate, candidates, working, quantity, calc."""

import json
from typing import Annotated

from flask import Response, request
from flask_openapi3 import APIBlueprint
from pydantic import AfterValidator, BaseModel, Field

from feder.api.asked import AboutDocument, answered
from feder.api.errors import ErrorBody, refusal
from feder.api.evaluated import EvaluateAnswer, Look, evaluated
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.calc.answer import answer, listing
from feder.calc.refusal import CalcError
from feder.core.benches.springs.candidates import Candidate, Filters, Fit, candidates
from feder.core.benches.springs.choose import perched
from feder.core.document.base import EndName
from feder.core.report.explain import explain
from feder.core.report.uncertainty import Uncertainty, uncertainty
from feder.units.parse import Unreadable, parse_with_tolerance
from feder.units.show import showing
from feder.units.systems import known_system
from feder.units.table import BY_SI

questions = APIBlueprint("questions", __name__, url_prefix="/api", abp_responses={422: ErrorBody})
System = Annotated[
    str,
    AfterValidator(known_system),
    Field(
        max_length=160,
        description="metric, inch or kgf; behind it what has a unit of its own: metric;pressure=psi",
    ),
]


class EvaluateQuestion(AboutDocument, Look):
    """The setup asked about, and how it is looked at."""

    setup: str


@questions.post("/evaluate", responses={200: EvaluateAnswer})
def evaluate_document(body: EvaluateQuestion) -> Response:
    """Every figure and finding of a setup."""
    return answered(evaluated(body.known, body.setup, body))


class StateAnswer(Wire):
    state: str


@questions.post("/state", responses={200: StateAnswer})
def state_of(body: AboutDocument) -> Response:
    """What the content of a document is called: the same for the same content, whatever was left to defaults."""
    return answered(StateAnswer(state=body.known.state))


class CandidatesQuestion(AboutDocument):
    setup: str
    end: EndName
    fit: Fit = "fits"
    load_state: str | None = None
    filters: Filters = Filters()


class CandidatesAnswer(Wire):
    rows: list[Candidate]
    on_shelf: int
    perched: bool
    """Whether the end stands on its standard perch, where the spring's own length decides the height."""


@questions.post("/candidates", responses={200: CandidatesAnswer})
def shelf_candidates(body: CandidatesQuestion) -> Response:
    """The shelf's springs, each tried at one end."""
    parts = [stored.part for stored in rooms().shelf.all()]
    rows = candidates(body.document, body.setup, body.end, parts, body.fit, body.load_state, body.filters)
    made = CandidatesAnswer.model_construct(
        rows=rows, on_shelf=len(parts), perched=perched(body.document, body.setup, body.end)
    )
    return answered(made)


class WorkingQuestion(AboutDocument):
    """One path into the report, such as corners.front_left.wheel_rate."""

    setup: str
    load_state: str | None = None
    path: str = Field(max_length=120)
    system: System = "metric"


class WorkingLine(BaseModel):
    """One line of working; numbers put in are in the system's units, `value` is SI."""

    name: str
    symbol: str
    meaning: str
    formula: str
    substituted: str
    value: float
    unit: str
    source: str
    assumed: bool
    given: bool
    solved: bool
    document_path: str | None


class WorkingAnswer(Wire):
    lines: list[WorkingLine]


@questions.post("/working", responses={200: WorkingAnswer})
def working_of(body: WorkingQuestion) -> Response:
    """How one figure of the report came about, first cause first."""
    lines = explain(body.document, body.setup, body.path, showing(body.system), body.load_state)
    made = WorkingAnswer(lines=[WorkingLine(**line) for line in lines])
    return answered(made)


class UncertaintyQuestion(AboutDocument):
    """One path into the report, such as corners.front_left.collar."""

    setup: str
    load_state: str | None = None
    path: str = Field(max_length=120)


class UncertaintyAnswer(Wire):
    found: Uncertainty


@questions.post("/uncertainty", responses={200: UncertaintyAnswer})
def uncertainty_of(body: UncertaintyQuestion) -> Response:
    """Standard uncertainty of one figure, and the share of each number it rests on."""
    found = uncertainty(body.document, body.setup, body.path, body.load_state)
    return answered(UncertaintyAnswer(found=found))


class QuantityQuestion(BaseModel):
    """Text as typed; `unit` is the SI unit wanted, `bare` the unit of a number that carries none."""

    text: str = Field(max_length=200)
    unit: str = Field(max_length=12)
    bare: str | None = Field(default=None, max_length=12)
    low: float | None = None
    high: float | None = None


class QuantityAnswer(Wire):
    value: float
    note: str | None = None
    tolerance: float | None = None
    """What was typed behind it as its tolerance, in the same unit."""


@questions.post("/quantity", responses={200: QuantityAnswer})
def read_quantity(body: QuantityQuestion) -> Response:
    """The SI value of a quantity as typed."""
    if body.unit not in BY_SI:
        raise CalcError("unit", "is no SI unit of Feder")
    try:
        read, tolerance = parse_with_tolerance(body.text, body.unit, body.bare)
    except Unreadable as error:
        return refusal(422, "text", f"This {error}", code=error.code)
    if (body.low is not None and read.value < body.low) or (body.high is not None and read.value > body.high):
        return refusal(422, "text", "This is far outside what a vehicle has; check the unit")
    return answered(QuantityAnswer(value=read.value, note=read.note, tolerance=tolerance))


class CalcPath(BaseModel):
    name: str = Field(max_length=60)


@questions.post("/calc/<string:name>")
def calc(path: CalcPath) -> Response:
    """One function of the core, as `feder calc` answers it; the body holds its keys."""
    try:
        inputs = json.loads(request.get_data() or b"{}")
    except (ValueError, RecursionError):
        raise CalcError("inputs", "the body is not JSON") from None
    if not isinstance(inputs, dict):
        raise CalcError("inputs", "must be an object of keys and values")
    return Response(json.dumps(answer(path.name, inputs)), mimetype="application/json")


@questions.get("/calc")
def calc_list() -> Response:
    """Every function with its keys, units, defaults and results."""
    return Response(json.dumps(listing()), mimetype="application/json")
