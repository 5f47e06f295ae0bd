"""The glossary: what the words mean, and where they are measured."""

from flask import Response
from flask_openapi3 import APIBlueprint

from feder.api.asked import answered
from feder.api.wire import Wire
from feder.core.practice.terms import Term
from feder.core.practice.terms import terms as every_term

terms = APIBlueprint("terms", __name__, url_prefix="/api")


class TermsAnswer(Wire):
    terms: list[Term]


@terms.get("/terms", responses={200: TermsAnswer})
def glossary() -> Response:
    """Every term in the order of the job."""
    return answered(TermsAnswer(terms=list(every_term())))
