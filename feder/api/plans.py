"""Questions that weigh a plan: its loads, and two setups against each other."""

from flask import Response
from flask_openapi3 import APIBlueprint
from pydantic import Field

from feder.api.asked import AboutDocument, answered
from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.benches.loads.bands import BandRank, rank_bands
from feder.core.benches.loads.plan import Instead, LoadRank, LoadRow, load_plan, rank_by_loads, spacer_instead
from feder.core.document.base import EndName
from feder.core.report.compare import Comparison, compare

plans = APIBlueprint("plans", __name__, url_prefix="/api", abp_responses={422: ErrorBody})


class LoadsQuestion(AboutDocument):
    setup: str


class LoadsAnswer(Wire):
    rows: list[LoadRow]


@plans.post("/loads", responses={200: LoadsAnswer})
def loads(body: LoadsQuestion) -> Response:
    """The setup as weighed and in every load state."""
    made = LoadsAnswer(rows=load_plan(body.document, body.setup))
    return answered(made)


class LoadedEndQuestion(AboutDocument):
    setup: str
    end: EndName
    load_state: str | None = None


class RankAnswer(Wire):
    ranks: list[LoadRank]
    bands: list[BandRank]
    """Of load springs known by band and lift alone."""
    instead: Instead | None


@plans.post("/loads/rank", responses={200: RankAnswer})
def rank(body: LoadedEndQuestion) -> Response:
    """The shelf ranked by its worst load state, and what a spacer would do instead in one of them."""
    parts = [stored.part for stored in rooms().shelf.all()]
    instead = None
    if body.load_state is not None:
        instead = spacer_instead(body.document, body.setup, body.end, body.load_state)
    made = RankAnswer(
        ranks=rank_by_loads(body.document, body.setup, body.end, parts),
        bands=rank_bands(body.document, body.setup, body.end),
        instead=instead,
    )
    return answered(made)


class CompareQuestion(AboutDocument):
    first: str
    second: str
    about: str | None = Field(default=None, max_length=120)


class CompareAnswer(Wire):
    found: Comparison


@plans.post("/compare", responses={200: CompareAnswer})
def compare_setups(body: CompareQuestion) -> Response:
    """Every figure of two setups, and what caused the difference of one."""
    found = compare(body.document, body.first, body.second, body.about)
    return answered(CompareAnswer(found=found))
