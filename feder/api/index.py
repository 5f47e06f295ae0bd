"""The index bench over the wire: moves of the splines, the level's reading judged, the chart, other bars."""

from collections.abc import Sequence
from math import degrees

from flask import Response
from flask_openapi3 import APIBlueprint
from pydantic import Field

from feder.api.asked import AboutDocument, answered
from feder.api.errors import ErrorBody
from feder.api.wire import Wire
from feder.calc.refusal import CalcError
from feder.core.benches.index.bench import IndexBench, index_bench
from feder.core.benches.index.chart import ChartRow, OtherBar, index_chart, other_bars
from feder.core.benches.index.check import Explanation, check_reading
from feder.core.benches.index.meant import load_words
from feder.core.benches.index.sure import height_sure
from feder.core.document.base import Place
from feder.core.files.table import written
from feder.core.formulas.torsion import arm_length_of_readings
from feder.core.practice.thresholds import LEAST_TURN
from feder.core.report.uncertainty import Uncertainty

index = APIBlueprint("index", __name__, url_prefix="/api/index", abp_responses={422: ErrorBody})


class IndexQuestion(AboutDocument):
    setup: str
    place: Place
    load_state: str | None = None


class IndexAnswer(Wire):
    bench: IndexBench | None
    others: list[OtherBar]


@index.post("", responses={200: IndexAnswer})
def ask_bench(body: IndexQuestion) -> Response:
    """The index bench of a corner, and what the other bars at hand would do there."""
    bench = index_bench(body.document, body.setup, body.place, body.load_state)
    others = other_bars(body.document, body.setup, body.place)
    return answered(IndexAnswer(bench=bench, others=others))


class CheckQuestion(IndexQuestion):
    inner: int = Field(ge=-400, le=400)
    outer: int = Field(ge=-400, le=400)
    reading: float = Field(ge=-3.2, le=3.2)
    other: float | None = Field(default=None, ge=-3.2, le=3.2)
    """What the plate of the other side should show, rad."""


class CheckAnswer(Wire):
    found: list[Explanation]


@index.post("/check", responses={200: CheckAnswer})
def check(body: CheckQuestion) -> Response:
    """What the level shows of the unloaded plate after a pair of moves, judged."""
    bench = index_bench(body.document, body.setup, body.place, body.load_state, count=1)
    found = []
    if bench is not None:
        found = check_reading(body.document, bench, body.inner, body.outer, body.reading, body.other)
    return answered(CheckAnswer(found=found))


class ChartAnswer(Wire):
    rows: list[ChartRow]


class ArmQuestion(Wire):
    """Two readings of one plate: its angle on the chassis, wheel end down positive, and hub to arch, SI."""

    first_angle: float = Field(ge=-1.4, le=1.4)
    first_height: float = Field(gt=0, le=3)
    second_angle: float = Field(ge=-1.4, le=1.4)
    second_height: float = Field(gt=0, le=3)


class ArmAnswer(Wire):
    length: float


@index.post("/arm", responses={200: ArmAnswer})
def arm(body: ArmQuestion) -> Response:
    """Effective arm length from two readings."""
    if abs(body.second_angle - body.first_angle) < LEAST_TURN:
        raise CalcError("second_angle", "the plate must turn by two degrees or more between the readings")
    rise = body.second_height - body.first_height
    length = arm_length_of_readings(rise, body.first_angle, body.second_angle)
    if not 0.05 <= length <= 1.5:
        raise CalcError("second_height", f"the readings make an arm of {length * 1e3:.0f} mm; read both again")
    return answered(ArmAnswer(length=length))


class SureQuestion(IndexQuestion):
    free_angle: float = Field(ge=-1.5, le=3.0)


class SureAnswer(Wire):
    found: Uncertainty


@index.post("/sure", responses={200: SureAnswer})
def sure(body: SureQuestion) -> Response:
    """The height after loading with the plate at an angle, and how sure it is."""
    found = height_sure(body.document, body.setup, body.place, body.free_angle, body.load_state)
    return answered(SureAnswer(found=found))


@index.post("/chart", responses={200: ChartAnswer})
def chart(body: IndexQuestion) -> Response:
    """The index chart of this vehicle at one corner."""
    made = ChartAnswer(rows=index_chart(body.document, body.setup, body.place, body.load_state))
    return answered(made)


@index.post("/chart.csv")
def chart_file(body: IndexQuestion) -> Response:
    """The same as a CSV file, angles in degrees, heights in mm, rates in N/mm."""
    words = load_words(body.document, body.load_state)
    head = ["inner", "outer", "change deg", "plate deg", f"hub to arch mm, {words}", "wheel rate N/mm"]
    rows: list[Sequence[object]] = [head]
    for r in index_chart(body.document, body.setup, body.place, body.load_state):
        hub = "" if r.hub_to_arch is None else f"{r.hub_to_arch * 1e3:.1f}"
        rate = "" if r.wheel_rate is None else f"{r.wheel_rate / 1e3:.2f}"
        rows.append([r.inner, r.outer, f"{degrees(r.change):.2f}", f"{degrees(r.free_angle):.2f}", hub, rate])
    return Response(written(rows), mimetype="text/csv")
