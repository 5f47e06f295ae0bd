"""The sag bench over the wire: shelf, air, travel, what a lean or a seat height takes, the pump elsewhere."""

from flask import Response
from flask_openapi3 import APIBlueprint
from pydantic import Field

from feder.api.asked import AboutDocument, answered
from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.benches.sag.air import AirRow, air_rows
from feder.core.benches.sag.curve import TravelCurve, travel_curve
from feder.core.benches.sag.levers import Goal, Lever, levers
from feder.core.benches.sag.shelf import SagCandidate, sag_shelf
from feder.core.document.base import EndName, Place
from feder.core.files.leverage_csv import leverage_from_csv
from feder.core.formulas.air import outside_at, pressure_elsewhere
from feder.units.parse import read_cell

FREEZING = 273.15
sags = APIBlueprint("sags", __name__, url_prefix="/api/sag", abp_responses={422: ErrorBody})


class SagQuestion(AboutDocument):
    setup: str
    end: EndName


class SagShelfQuestion(SagQuestion):
    all_diameters: bool = False


class SagShelfAnswer(Wire):
    rows: list[SagCandidate]
    on_shelf: int


@sags.post("/shelf", responses={200: SagShelfAnswer})
def shelf_for_sag(body: SagShelfQuestion) -> Response:
    """The shelf's coil springs at one end, each preloaded for the rider sag wanted."""
    parts = [stored.part for stored in rooms().shelf.all()]
    rows = sag_shelf(body.document, body.setup, Place(body.end), parts, all_diameters=body.all_diameters)
    return answered(SagShelfAnswer(rows=rows, on_shelf=len(parts)))


class AirAnswer(Wire):
    rows: list[AirRow]


@sags.post("/air", responses={200: AirAnswer})
def air_by_spacers(body: SagQuestion) -> Response:
    """The air spring of one end by its volume spacers."""
    return answered(AirAnswer(rows=air_rows(body.document, body.setup, Place(body.end))))


class TravelAnswer(Wire):
    curve: TravelCurve | None


@sags.post("/travel", responses={200: TravelAnswer})
def over_travel(body: SagQuestion) -> Response:
    """Leverage, wheel rate and force of one end over its travel."""
    return answered(TravelAnswer(curve=travel_curve(body.document, body.setup, Place(body.end))))


class LeversQuestion(AboutDocument):
    """A goal under a load: lean in rad in a steady bend, or seat height in m."""

    setup: str
    load_state: str | None = None
    goal: Goal
    wanted: float = Field(gt=0, le=3)


class LeversAnswer(Wire):
    levers: list[Lever]


@sags.post("/levers", responses={200: LeversAnswer})
def what_it_takes(body: LeversQuestion) -> Response:
    """How far each adjuster alone must go to meet a goal."""
    return answered(
        LeversAnswer(levers=levers(body.document, body.setup, body.load_state, body.goal, float(body.wanted)))
    )


class ElsewhereQuestion(Wire):
    """Gauge pressure in Pa, temperatures in degrees Celsius, heights over the sea in m."""

    pressure: float = Field(ge=0, le=1e8)
    temperature: float = Field(ge=-40, le=60)
    new_temperature: float = Field(ge=-40, le=60)
    altitude: float = Field(ge=-450, le=9000)
    new_altitude: float = Field(ge=-450, le=9000)


class ElsewhereAnswer(Wire):
    pressure: float


@sags.post("/elsewhere", responses={200: ElsewhereAnswer})
def pumped_elsewhere(body: ElsewhereQuestion) -> Response:
    """What the gauge of a sealed chamber shows at another temperature and height."""
    found = pressure_elsewhere(
        body.pressure,
        body.temperature + FREEZING,
        body.new_temperature + FREEZING,
        outside_at(body.altitude),
        outside_at(body.new_altitude),
    )
    return answered(ElsewhereAnswer(pressure=found))


class LeverageFile(Wire):
    text: str = Field(max_length=200_000)


class LeverageAnswer(Wire):
    points: list[tuple[float, float]]


@sags.post("/leverage", responses={200: LeverageAnswer})
def leverage_file(body: LeverageFile) -> Response:
    """A leverage curve from CSV: wheel travel from full extension, and leverage or the shock's position there."""
    return answered(LeverageAnswer(points=leverage_from_csv(body.text, read_cell)))
