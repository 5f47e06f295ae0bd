"""Prove: two setups over the same road, why they differ, other speeds, clicks looked for, and files of both."""

from flask import Response, request
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.asked import AboutDocument, answered, file_name
from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.searches import Search
from feder.api.wire import Wire
from feder.core.benches.prove.bench import AtSpeed, Trialled, Why, at_speeds, trialled, whys
from feder.core.benches.prove.roads import KnownRoad, roads_for, trial_of
from feder.core.benches.prove.run import run
from feder.core.benches.prove.search import search
from feder.core.benches.prove.shown import SearchShown, shown
from feder.core.benches.prove.springs import SpringDriven, springs_driven
from feder.core.benches.prove.traces_csv import traces_csv
from feder.core.benches.prove.vehicle import vehicle_of
from feder.core.document.base import EndName
from feder.core.document.road import RoadPiece
from feder.core.document.vehicle import VehicleKind
from feder.core.files.road_csv import profile_from_csv
from feder.core.standing.facts import setup_of
from feder.units.parse import read_cell

prove = APIBlueprint("prove", __name__, url_prefix="/api/prove", abp_responses={422: ErrorBody})


class RunQuestion(AboutDocument):
    """A setup and the one it is held against, over the road that the document tells."""

    setup: str
    against: str
    load_state: str | None = None


class RunAnswer(Wire):
    run: Trialled


@prove.post("/run", responses={200: RunAnswer})
def run_of(body: RunQuestion) -> Response:
    """Both setups driven: traces, figures, verdict and findings."""
    made = trialled(body.document, body.setup, body.against, trial_of(body.document), body.load_state)
    return answered(RunAnswer.model_construct(run=made))


class WhysAnswer(Wire):
    whys: list[Why]


@prove.post("/whys", responses={200: WhysAnswer})
def whys_of(body: RunQuestion) -> Response:
    """Of each figure that changed the one thing that, put back, undoes most of it."""
    made = whys(body.document, body.setup, body.against, trial_of(body.document), body.load_state)
    return answered(WhysAnswer(whys=made))


class SpeedsAnswer(Wire):
    speeds: list[AtSpeed]


@prove.post("/speeds", responses={200: SpeedsAnswer})
def speeds_of(body: RunQuestion) -> Response:
    """Comfort and grip of both setups at other speeds."""
    made = at_speeds(body.document, body.setup, body.against, trial_of(body.document), body.load_state)
    return answered(SpeedsAnswer(speeds=made))


class SpringsQuestion(AboutDocument):
    setup: str
    end: EndName
    load_state: str | None = None


class SpringsAnswer(Wire):
    springs: list[SpringDriven]


@prove.post("/springs", responses={200: SpringsAnswer})
def springs_of(body: SpringsQuestion) -> Response:
    """The spring in hand and the nearest of the shelf over the same road."""
    parts = [stored.part for stored in rooms().shelf.all()]
    made = springs_driven(body.document, body.setup, body.end, parts, trial_of(body.document), body.load_state)
    return answered(SpringsAnswer(springs=made))


@prove.post("/traces.csv")
def traces_of(body: RunQuestion) -> Response:
    """All traces of both runs as a file."""
    document, trial = body.document, trial_of(body.document)
    runs = []
    for known in (body.setup, body.against):
        runs.append((setup_of(document, known).name, run(vehicle_of(document, known, body.load_state), trial)))
    told = f"road and speed, to be driven again: {trial.model_dump_json(exclude_defaults=True)}"
    name = file_name(f"{document.vehicle.name} run")
    head = {"Content-Disposition": f'attachment; filename="{name}.csv"'}
    return Response(traces_csv(runs, told), mimetype="text/csv", headers=head)


class RoadsQuery(BaseModel):
    kind: VehicleKind = "car"


class RoadsAnswer(Wire):
    roads: list[KnownRoad]


@prove.get("/roads", responses={200: RoadsAnswer})
def roads_of(query: RoadsQuery) -> Response:
    """The roads that come with Feder, for a kind of vehicle."""
    return answered(RoadsAnswer(roads=list(roads_for(query.kind))))


class ProfileAnswer(Wire):
    piece: RoadPiece


@prove.post("/profile", responses={200: ProfileAnswer})
def profile_of() -> Response:
    """A measured profile read from a CSV file, sent as it is; nothing is stored."""
    return answered(ProfileAnswer(piece=profile_from_csv(request.get_data(), read_cell)))


class SearchQuestion(AboutDocument):
    setup: str
    load_state: str | None = None
    comfort: float | None = Field(default=None, ge=0, le=1, description="Weight of comfort; none: the brief's.")


class SearchAnswer(Wire):
    id: str
    search: SearchShown


@prove.post("/search", responses={200: SearchAnswer})
def search_begun(body: SearchQuestion) -> Response:
    """Begin to look for clicks; a search that still runs is stopped."""
    document, trial = body.document, trial_of(body.document)
    comfort = document.brief.comfort_weight if body.comfort is None else body.comfort

    def work(made: Search) -> None:
        def heard(progress: object) -> None:
            made.progress = progress  # type: ignore[assignment]

        search(document, body.setup, trial, comfort, made.stop, heard, body.load_state)

    return _told(rooms().searches.start(comfort, work))


class SearchPath(BaseModel):
    id: str = Field(max_length=40)


@prove.get("/search/<string:id>", responses={200: SearchAnswer})
def search_of(path: SearchPath) -> Response:
    """How far a search has come, with its answer so far."""
    return _told(rooms().searches.of(path.id))


@prove.post("/search/<string:id>/stop", responses={200: SearchAnswer})
def search_stopped(path: SearchPath) -> Response:
    """Stop a search; what it has found so far stays."""
    found = rooms().searches.of(path.id)
    found.stop.set()
    return _told(found)


def _told(found: Search) -> Response:
    return answered(SearchAnswer.model_construct(id=found.id, search=shown(found.progress, found.comfort)))
