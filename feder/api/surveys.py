"""The survey as a file: CSV out, CSV in as changes to the document, and the blank page for the pen."""

from flask import Response
from flask_openapi3 import APIBlueprint
from pydantic import Field

from feder.api.asked import AboutDocument, answered
from feder.api.errors import ErrorBody
from feder.api.questions import System
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.calc.refusal import CalcError
from feder.core.document.changes import Change
from feder.core.document.vehicle import RatioFromSweep
from feder.core.files.survey_csv import survey_from_csv, survey_rows
from feder.core.files.table import written
from feder.core.numbers.errors import OutOfRange
from feder.core.solvers.ratio import SweepFit, sweep_fit
from feder.sheet.blank import blank_html
from feder.sheet.blank_round import blank_round_html
from feder.units.parse import read_cell
from feder.units.show import figure

surveys = APIBlueprint("surveys", __name__, url_prefix="/api/survey", abp_responses={422: ErrorBody})


class SurveyQuestion(AboutDocument):
    system: System = "metric"
    survey: int = Field(0, ge=0, le=1000, description="Which one: the first is as found, later ones are rounds.")


@surveys.post("/file")
def survey_file(body: SurveyQuestion) -> Response:
    """The readings as a CSV file in the reader's units."""

    def show(value: float, unit: str) -> str:
        return figure(value, unit, body.system, unit=True, decimals=2).replace("−", "-").replace("°", "deg")

    return Response(written(survey_rows(body.document, show, body.survey)), mimetype="text/csv")


class SurveyFile(AboutDocument):
    text: str = Field(max_length=500_000)
    survey: int = Field(0, ge=0, le=1000)


class SurveyPatch(Wire):
    patch: list[Change]


@surveys.post("/read", responses={200: SurveyPatch})
def read_survey(body: SurveyFile) -> Response:
    """The changes that a survey file makes; refused whole when a line is at fault."""
    steps = survey_from_csv(body.document, body.text, read_cell, body.survey)
    return answered(SurveyPatch(patch=steps))


class BlankQuestion(AboutDocument):
    system: System = "metric"
    setup: str | None = Field(None, description="The setup that stands on the wheels; none: the survey as found.")


@surveys.post("/blank")
def blank(body: BlankQuestion) -> Response:
    """The walk round the vehicle, or a round of a setup, as a page to fill in by pen."""
    today, fonts = rooms().today(), "/api/sheet/fonts"
    if body.setup is None:
        made = blank_html(body.document, body.system, today, fonts)
    else:
        made = blank_round_html(body.document, body.setup, body.system, today, fonts)
    return Response(made, mimetype="text/html")


class SweepQuestion(Wire):
    sweep: RatioFromSweep


class SweepAnswer(Wire):
    fit: SweepFit


@surveys.post("/sweep", responses={200: SweepAnswer})
def sweep(body: SweepQuestion) -> Response:
    """The motion ratio along a springless sweep, and how far each pair lies off its curve."""
    try:
        fit = sweep_fit([(p[0], p[1]) for p in body.sweep.points])
    except OutOfRange as error:
        raise CalcError("sweep", error.rule) from None
    return answered(SweepAnswer(fit=fit))
