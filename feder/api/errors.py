"""Every error leaves in one JSON shape: {"error": {"key", "message", "faults"}}."""

from flask import Flask, Response, jsonify, make_response
from pydantic import BaseModel, ValidationError
from werkzeug.exceptions import HTTPException

from feder.api.wire import Wire
from feder.calc.refusal import CalcError
from feder.core.document.document import BadDocument, faults_of
from feder.core.files.shelf_csv import BadShelfFile
from feder.core.files.survey_csv import BadSurveyFile
from feder.core.numbers.errors import OutOfRange, UnknownSetup
from feder.store.garage import NoVehicle
from feder.store.parts import NoPart


class Fault(BaseModel):
    """One fault: where, and what is wrong there."""

    place: str
    message: str


class ErrorDetail(BaseModel):
    """What went wrong: the key or place at fault, one sentence, and all faults of a document."""

    key: str
    message: str
    faults: list[Fault] = []


class ErrorBody(Wire):
    error: ErrorDetail


def refusal(status: int, key: str, message: str, faults: list[dict[str, str]] | None = None) -> Response:
    """An error answer."""
    body = {"error": {"key": key, "message": message, "faults": faults or []}}
    return make_response(jsonify(body), status)


def on_validation_error(error: ValidationError) -> Response:
    """A request whose body is no document or no question: all its faults, the first one in the sentence."""
    faults = faults_of(error)
    first = faults[0]
    return refusal(422, first["place"], f"{first['place']}: {first['message']}", faults)


def install(app: Flask) -> None:
    """Answer the errors of the rooms below in that shape."""

    @app.errorhandler(CalcError)
    def _calc(error: CalcError) -> Response:
        return refusal(422, error.key, error.message)

    @app.errorhandler(BadDocument)
    def _document(error: BadDocument) -> Response:
        return refusal(422, error.faults[0]["place"], f"The file was refused whole. {error}", error.faults)

    @app.errorhandler(BadSurveyFile)
    @app.errorhandler(BadShelfFile)
    def _file(error: BadShelfFile | BadSurveyFile) -> Response:
        return refusal(422, error.faults[0]["place"], f"The file was refused whole. {error}", error.faults)

    @app.errorhandler(OutOfRange)
    def _range(error: OutOfRange) -> Response:
        return refusal(422, error.key, f"The numbers do not go together: {error}")

    @app.errorhandler(UnknownSetup)
    def _setup(error: UnknownSetup) -> Response:
        return refusal(422, "setup", str(error))

    @app.errorhandler(NoVehicle)
    def _vehicle(error: NoVehicle) -> Response:
        return refusal(404, "vehicle", "This vehicle is not in the garage; it may have been deleted")

    @app.errorhandler(NoPart)
    def _part(error: NoPart) -> Response:
        return refusal(404, "part", "This part is not on the shelf")

    @app.errorhandler(HTTPException)
    def _http(error: HTTPException) -> Response:
        message = {413: "The file or request is too large", 404: "There is nothing at this address"}.get(
            error.code or 500, error.description or error.name
        )
        return refusal(error.code or 500, "request", message)
