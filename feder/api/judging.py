"""Questions about mistakes: causes of what is found, a number just typed, and everything looked for."""

from typing import Annotated

from flask import Response
from flask_openapi3 import APIBlueprint
from pydantic import Field

from feder.api.asked import AboutDocument, answered
from feder.api.errors import ErrorBody
from feder.api.wire import Wire
from feder.core.causes.told import Judgement, Question, judgement, question
from feder.core.causes.watched import UsualRange, Watched, usual_ranges, watched

judging = APIBlueprint("judging", __name__, url_prefix="/api", abp_responses={422: ErrorBody})
Pointer = Annotated[str, Field(max_length=200, pattern=r"^(/[^/]+)+$")]


class JudgeQuestion(AboutDocument):
    setup: str
    load_state: str | None = None


class JudgeAnswer(Wire):
    judged: Judgement


@judging.post("/judge", responses={200: JudgeAnswer})
def judge(body: JudgeQuestion) -> Response:
    """The mistakes that explain what is found in a setup, and what its load states stop."""
    made = judgement(body.document, body.setup, body.load_state)
    return answered(JudgeAnswer.model_construct(judged=made))


class FreshQuestion(AboutDocument):
    """The places (JSON pointers) that were just typed."""

    setup: str
    paths: Annotated[list[Pointer], Field(min_length=1, max_length=40)]


class FreshAnswer(Wire):
    question: Question | None


@judging.post("/fresh", responses={200: FreshAnswer})
def fresh(body: FreshQuestion) -> Response:
    """What is asked of numbers just typed: nothing where nothing looks odd with them."""
    places = [tuple(int(p) if p.isdigit() else p for p in path.split("/")[1:]) for path in body.paths]
    return answered(FreshAnswer.model_construct(question=question(body.document, body.setup, places)))


class WatchedAnswer(Wire):
    rules: list[Watched]
    ranges: list[UsualRange]


@judging.get("/watched", responses={200: WatchedAnswer})
def all_watched() -> Response:
    """Every rule with its reason, and every usual range that numbers are held against."""
    return answered(WatchedAnswer.model_construct(rules=list(watched()), ranges=list(usual_ranges())))
