"""Make the application: stores, security, blueprints, and the built front end."""

from collections.abc import Callable
from datetime import date
from pathlib import Path

from flask import Response, send_from_directory
from flask_openapi3 import Info, OpenAPI

from feder.api import errors, logs, security
from feder.api.acts import acts
from feder.api.asked import compressed
from feder.api.bench_runs import bench_runs
from feder.api.cards import cards
from feder.api.codes import Codes
from feder.api.damper_shelf import damper_shelf as dampers
from feder.api.index import index
from feder.api.instruments import instruments
from feder.api.judging import judging
from feder.api.known import Known
from feder.api.log import log
from feder.api.pairing import pairing
from feder.api.plans import plans
from feder.api.prove import prove
from feder.api.questions import questions
from feder.api.recordings import recordings
from feder.api.rooms import Rooms
from feder.api.sags import sags
from feder.api.searches import Searches
from feder.api.settle import settle
from feder.api.sheets import sheets
from feder.api.shelf import shelf
from feder.api.surveys import surveys
from feder.api.terms import terms
from feder.api.uploads import Uploads
from feder.api.vehicles import vehicles
from feder.instruments.hub import Hub
from feder.store.database import open_database
from feder.store.devices import Devices
from feder.store.garage import Garage
from feder.store.instruments import Instruments
from feder.store.log import Log
from feder.store.parts import damper_shelf, spring_shelf
from feder.store.photos import Photos
from feder.store.recordings import Recordings
from feder.store.sheets import Sheets
from feder.store.ticks import Ticks
from feder.units.parse import read_cell

FRONT_END = Path(__file__).parents[1] / "web"
"""Where the front end is built to; a wheel carries it along."""
LONG = "public, max-age=31536000, immutable"


def create_app(
    data: Path,
    *,
    front_end: Path = FRONT_END,
    today: Callable[[], date] = date.today,
    host: str | None = None,
    port: int | None = None,
) -> OpenAPI:
    """An application on the database in `data`, serving the built front end beside its API.

    `host` is the address on the workshop's network at which paired devices may ask, `port` that of both.
    """
    app = OpenAPI(
        __name__,
        info=Info(title="Feder", version="1", description="Documents in, reports out. All values in SI."),
        validation_error_status=422,
        validation_error_model=errors.ErrorBody,
        validation_error_callback=errors.on_validation_error,
        security_schemes={},
        doc_prefix="/api",
        doc_url="/openapi.json",
        doc_ui=True,
        static_folder=None,
    )
    app.json.sort_keys = False  # type: ignore[attr-defined]
    sessions = open_database(data)
    address = None if host is None else f"http://{f'[{host}]' if ':' in host else host}:{port}"
    app.extensions["feder"] = Rooms(
        garage=Garage(sessions),
        shelf=spring_shelf(sessions),
        dampers=damper_shelf(sessions),
        sheets=Sheets(sessions),
        ticks=Ticks(sessions),
        photos=Photos(sessions),
        log=Log(sessions),
        documents=Known(),
        today=today,
        devices=Devices(sessions),
        searches=Searches(),
        codes=Codes(),
        instruments=Instruments(sessions),
        hub=Hub(read_cell),
        recordings=Recordings(sessions),
        uploads=Uploads(),
        address=address,
    )
    security.install(app, host)
    errors.install(app)
    logs.install(app)
    app.after_request(compressed)
    for blueprint in (
        questions,
        acts,
        plans,
        index,
        sags,
        surveys,
        pairing,
        vehicles,
        shelf,
        dampers,
        sheets,
        cards,
        settle,
        log,
        prove,
        instruments,
        bench_runs,
        recordings,
        judging,
        terms,
    ):
        app.register_api(blueprint)
    _serve_front_end(app, front_end)
    return app


def _serve_front_end(app: OpenAPI, folder: Path) -> None:
    def page(path: str = "") -> Response:
        if path.startswith("api/"):
            return errors.refusal(404, "request", "There is nothing at this address")
        if path and (folder / path).is_file():
            answer = send_from_directory(folder, path)
            answer.headers["Cache-Control"] = LONG if path.startswith("assets/") else "no-cache"
            return answer
        if not (folder / "index.html").is_file():
            return Response("The front end is not built yet: run make setup", 503, mimetype="text/plain")
        answer = send_from_directory(folder, "index.html")
        answer.headers["Cache-Control"] = "no-cache"
        return answer

    app.add_url_rule("/", "front_page", page)
    app.add_url_rule("/<path:path>", "front_file", page)
