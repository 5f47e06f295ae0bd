"""Every error leaves in one JSON shape: {"error": {"code", "key", "message", "faults"}}."""

import logging
import traceback

from flask import Flask, Response, jsonify, make_response
from pydantic import BaseModel, ValidationError
from werkzeug.exceptions import HTTPException

from feder.api.wire import Wire
from feder.core.document.document import faults_of
from feder.core.numbers.errors import FederError

log = logging.getLogger("feder.api")
STATUS = {
    "no vehicle": 404,
    "no part": 404,
    "no device": 404,
    "no photo": 404,
    "no entry": 404,
    "no instrument": 404,
    "no recording": 404,
    "no upload": 404,
    "not steady": 409,
    "not running": 409,
    "stale": 409,
    "unknown base": 409,
    "code taken": 409,
    "no pdf": 503,
}
"""HTTP status by an error's code; whatever else is refused is 422."""
FIRST = {
    "bad document": "The file was refused whole. ",
    "bad file": "The file was refused whole. ",
    "out of range": "The numbers do not go together: ",
}
"""What stands before an error's own sentence."""


class FaultShown(BaseModel):
    """One fault: where, and what is wrong there."""

    place: str
    message: str


class ErrorDetail(BaseModel):
    """What went wrong: its code, the key or place at fault, one sentence, and all faults of a document."""

    code: str = "refused"
    key: str
    message: str
    faults: list[FaultShown] = []


class ErrorBody(Wire):
    error: ErrorDetail


def refusal(
    status: int, key: str, message: str, faults: list[dict[str, str]] | None = None, code: str = "refused"
) -> Response:
    """An error answer."""
    body = {"error": {"code": code, "key": key, "message": message, "faults": faults or []}}
    return make_response(jsonify(body), status)


def on_validation_error(error: ValidationError) -> Response:
    """A request whose body is no document or no question: all its faults, the first one in the sentence."""
    faults = faults_of(error)
    first = faults[0]
    return refusal(422, first["place"], f"{first['place']}: {first['message']}", faults, "bad request")


def answer_of(error: FederError) -> Response:
    """The answer to anything that Feder refuses."""
    message = FIRST.get(error.code, "") + error.message
    return refusal(STATUS.get(error.code, 422), error.key, message, error.faults, error.code)


def install(app: Flask) -> None:
    """Answer every error in that shape; what nobody foresaw is logged without a word of what was asked."""
    app.register_error_handler(FederError, answer_of)

    @app.errorhandler(HTTPException)
    def _http(error: HTTPException) -> Response:
        message = {413: "The file or request is too large", 404: "There is nothing at this address"}.get(
            error.code or 500, error.description or error.name
        )
        return refusal(error.code or 500, "request", message, code="http")

    @app.errorhandler(Exception)
    def _unforeseen(error: Exception) -> Response:
        # the message may quote a document: only the kind and the place are told
        log.error("%s\n%s", type(error).__name__, "".join(traceback.format_tb(error.__traceback__)))
        words = "Feder stumbled over this. What you typed is kept; the place is in its log"
        return refusal(500, "request", words, code="unforeseen")
