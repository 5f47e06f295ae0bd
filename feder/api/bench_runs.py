"""Runs of benches: begun, and kept as a spring or as a damper's curve on the shelf."""

from typing import Annotated, Literal

from flask import Response
from flask_openapi3 import APIBlueprint
from pydantic import Field

from feder.api.asked import answered
from feder.api.errors import ErrorBody
from feder.api.instruments import InstrumentList, InstrumentPath, all_instruments
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.benches.damping.from_bench import damper_from_run
from feder.core.benches.springs.from_bench import spring_from_run
from feder.core.document.base import LengthM, Name
from feder.core.document.damper import Acts, Click
from feder.core.numbers.errors import FederError
from feder.instruments.kinds import KindName

bench_runs = APIBlueprint(
    "bench_runs", __name__, url_prefix="/api/instruments", abp_responses={404: ErrorBody, 422: ErrorBody}
)


@bench_runs.post("/<int:instrument>/run", responses={200: InstrumentList})
def begin_run(path: InstrumentPath) -> Response:
    """Begin a run of a bench."""
    kept = rooms().instruments.get(path.instrument)
    rooms().hub.run(kept.id, kept.kind)  # type: ignore[arg-type]
    return all_instruments()


class KeepRun(Wire):
    """A run to be kept as a part of the shelf."""

    code: Name
    free_length: LengthM | None = None
    inside_diameter: LengthM | None = None
    clicks: dict[Acts, Click] = Field(default={}, max_length=4)
    """Of a damper the clicks at which it was driven."""
    of: dict[Acts, Annotated[int, Field(ge=1, le=200)]] = Field(default={}, max_length=4)
    """Of a damper how many clicks each knob has in all, where it is known."""


class KeptRun(Wire):
    shelf: Literal["spring", "damper"]
    code: str


@bench_runs.post("/<int:instrument>/keep", responses={201: KeptRun})
def keep_run(path: InstrumentPath, body: KeepRun) -> Response:
    """Put what a run measured on the shelf: a spring, or a damper's curve."""
    kept = rooms().instruments.get(path.instrument)
    kind: KindName = kept.kind  # type: ignore[assignment]
    reader = rooms().hub.running(kept.id, kind)
    points = reader.run() or []
    if not points:
        raise NothingRun
    if kind == "spring_bench":
        part = spring_from_run(
            points, body.code, free_length=body.free_length, inside_diameter=body.inside_diameter
        )
        rooms().shelf.add_one(part)
    else:
        known = next((s for s in rooms().dampers.all() if s.part.code == body.code), None)
        damper = damper_from_run(points, body.code, body.clicks, known.part if known else None, of=body.of)
        if known is None:
            rooms().dampers.add_one(damper)
        else:
            rooms().dampers.put(known.id, damper)
    reader.run_ended()
    return answered(KeptRun(shelf="spring" if kind == "spring_bench" else "damper", code=body.code), 201)


class NothingRun(FederError, ValueError):
    """A run is to be kept that was not made."""

    code = "no run"

    def __init__(self) -> None:
        super().__init__("Nothing was run yet: start a run first", key="run")
