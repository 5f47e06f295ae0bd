"""The sag bench over the wire: shelf, air, travel, what a lean or a seat height takes, the pump elsewhere."""

import csv
import io
import itertools

from flask import Response
from flask_openapi3 import APIBlueprint
from pydantic import Field

from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.calc.refusal import CalcError
from feder.core.benches.sag.air import AirRow, air_rows
from feder.core.benches.sag.curve import TravelCurve, travel_curve
from feder.core.benches.sag.levers import Goal, Lever, levers
from feder.core.benches.sag.shelf import SagCandidate, sag_shelf
from feder.core.document.base import EndName, Place
from feder.core.document.document import Document
from feder.core.formulas.air import outside_at, pressure_elsewhere
from feder.core.numbers.errors import OutOfRange
from feder.core.solvers.ratio import ratio_from_leverage
from feder.units.parse import Unreadable, parse

FREEZING = 273.15
MOST_PAIRS = 200
sags = APIBlueprint("sags", __name__, url_prefix="/api/sag", abp_responses={422: ErrorBody})


class SagQuestion(Wire):
    document: Document
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
    return _json(SagShelfAnswer(rows=rows, on_shelf=len(parts)))


class AirAnswer(Wire):
    rows: list[AirRow]


@sags.post("/air", responses={200: AirAnswer})
def air_by_spacers(body: SagQuestion) -> Response:
    """The air spring of one end by its volume spacers."""
    return _json(AirAnswer(rows=air_rows(body.document, body.setup, Place(body.end))))


class TravelAnswer(Wire):
    curve: TravelCurve | None


@sags.post("/travel", responses={200: TravelAnswer})
def over_travel(body: SagQuestion) -> Response:
    """Leverage, wheel rate and force of one end over its travel."""
    return _json(TravelAnswer(curve=travel_curve(body.document, body.setup, Place(body.end))))


class ReachQuestion(Wire):
    """A goal under a load: lean in rad in a steady bend, or seat height in m."""

    document: Document
    setup: str
    load_state: str | None = None
    goal: Goal
    wanted: float = Field(gt=0, le=3)


class ReachAnswer(Wire):
    levers: list[Lever]


@sags.post("/reach", responses={200: ReachAnswer})
def what_it_takes(body: ReachQuestion) -> Response:
    """How far each adjuster alone must go to meet a goal."""
    return _json(
        ReachAnswer(levers=levers(body.document, body.setup, body.load_state, body.goal, float(body.wanted)))
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
    return _json(ElsewhereAnswer(pressure=found))


class LeverageFile(Wire):
    text: str = Field(max_length=200_000)


class LeverageAnswer(Wire):
    points: list[tuple[float, float]]


@sags.post("/leverage", responses={200: LeverageAnswer})
def leverage_file(body: LeverageFile) -> Response:
    """A leverage curve from CSV: wheel travel from full extension, and leverage or the shock's position there."""
    rows = [
        r for r in csv.reader(io.StringIO(body.text.lstrip("\ufeff")), delimiter=_delimiter(body.text)) if any(r)
    ]
    if not rows or len(rows[0]) < 2:
        raise CalcError("line 1", "the first line must name two columns: travel, and leverage or shock")
    head = [c.strip().lower() for c in rows[0]]
    if not head[0].startswith("travel") or not head[1].startswith(("leverage", "shock")):
        raise CalcError("line 1", "the columns must be named travel, and leverage or shock")
    if not 3 <= len(rows) <= MOST_PAIRS + 1:
        raise CalcError("file", f"must hold 2 to {MOST_PAIRS} lines of numbers")
    pairs = [_pair(row, number, head[1]) for number, row in enumerate(rows[1:], start=2)]
    if head[1].startswith("shock"):
        pairs = _leverages(pairs)
    try:
        ratio_from_leverage(pairs)
    except OutOfRange as error:
        raise CalcError("leverage", f"the curve {error.rule}") from None
    return _json(LeverageAnswer(points=pairs))


def _delimiter(text: str) -> str:
    return max(",;\t", key=text.split("\n", 1)[0].count)


def _pair(row: list[str], number: int, kind: str) -> tuple[float, float]:
    try:
        travel = parse(row[0], "m", "mm").value
        other = parse(row[1], "m", "mm").value if kind.startswith("shock") else float(row[1].replace(",", "."))
    except (Unreadable, ValueError, IndexError):
        raise CalcError(f"line {number}", "must hold two numbers") from None
    return travel, other


def _leverages(pairs: list[tuple[float, float]]) -> list[tuple[float, float]]:
    """Leverage between measured positions: wheel over shock travel of each step, at its middle."""
    made = []
    for (z0, s0), (z1, s1) in itertools.pairwise(pairs):
        if s1 == s0 or z1 == z0:
            raise CalcError("shock", "must move from line to line")
        made.append(((z0 + z1) / 2, abs((z1 - z0) / (s1 - s0))))
    if len(made) < 2:
        raise CalcError("file", "must hold three positions or more")
    return made


def _json(made: Wire) -> Response:
    return Response(made.model_dump_json(), mimetype="application/json")
