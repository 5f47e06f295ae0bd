"""Instruments: connected, started, read, taken off; stand-ins; runs of benches that become parts."""

import json
from collections.abc import Sequence
from datetime import datetime
from typing import Annotated

from flask import Response, make_response
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.asked import answered
from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.benches.damping.from_bench import curve_from_run
from feder.core.benches.springs.from_bench import spring_run
from feder.core.files.table import written
from feder.core.numbers.errors import FederError
from feder.instruments.kinds import KINDS, KNOWN, KindName
from feder.instruments.line import checked_pattern
from feder.instruments.port import BAUDS, checked_port, plain, ports_here
from feder.instruments.reader import Way
from feder.instruments.stand_ins.truth import MADE_UP, Truth, truth_of
from feder.store.instruments import Kept, TakenReading

instruments = APIBlueprint(
    "instruments", __name__, url_prefix="/api/instruments", abp_responses={404: ErrorBody, 422: ErrorBody}
)
VehicleId = Annotated[str, Field(max_length=16)]


class InstrumentReading(BaseModel):
    """The last reading of one name, in SI; the trace holds those before it."""

    name: str
    value: float
    si: str
    steady: bool
    age: float
    trace: list[float]


class BenchRun(BaseModel):
    """A run so far: its pairs in SI, what is read of them, or why nothing is yet."""

    points: list[Annotated[tuple[float, ...], Field(min_length=2, max_length=2)]]
    rate: float | None = None
    error: float | None = None
    r_squared: float | None = None
    curved: bool = False
    waits: str = ""


class Instrument(BaseModel):
    """An instrument as it is now."""

    id: int
    kind: KindName
    words: str
    caution: str
    simulated: bool
    at: str
    """Where it is reached; of a stand-in the vehicle it shows."""
    pattern: str
    way: Way
    trouble: str
    quiet: float | None
    """Seconds since its last line."""
    skipped: int
    recording: int | None
    readings: list[InstrumentReading]
    run: BenchRun | None


class InstrumentList(Wire):
    instruments: list[Instrument]
    missing: list[KindName]
    """Kinds of which none is connected."""


def _run_of(kind: KindName, points: Sequence[tuple[float, float]]) -> BenchRun:
    made = BenchRun(points=list(points))
    try:
        if kind == "spring_bench":
            read = spring_run(points) if points else None
            if read is not None:
                made.rate, made.error, made.r_squared, made.curved = (
                    read.rate,
                    read.error,
                    read.r_squared,
                    read.curved,
                )
        else:
            curve_from_run(points)
    except FederError as error:
        made.waits = error.message
    return made


def _instrument(kept: Kept) -> Instrument:
    kind: KindName = kept.kind  # type: ignore[assignment]
    about, reader = KNOWN[kind], rooms().hub.of(kept.id)
    trouble, quiet, skipped = reader.told() if reader else ("", None, 0)
    run = reader.run() if reader else None
    return Instrument(
        id=kept.id,
        kind=kind,
        words=about.words,
        caution=about.caution,
        simulated=kept.simulated,
        at=kept.stands_for if kept.simulated else plain(kept.url),
        pattern=kept.pattern,
        way=reader.way() if reader else "stopped",
        trouble=trouble,
        quiet=quiet,
        skipped=skipped,
        recording=reader.recording() if reader else None,
        readings=[
            InstrumentReading(
                name=s.name, value=s.value, si=about.reads[s.name], steady=s.steady, age=s.age, trace=list(s.trace)
            )
            for s in (reader.shown() if reader else [])
        ],
        run=None if run is None else _run_of(kind, run),
    )


def all_instruments() -> Response:
    """The answer that most questions here have."""
    made = [_instrument(k) for k in rooms().instruments.all()]
    return answered(
        InstrumentList(instruments=made, missing=[k for k in KINDS if k not in {i.kind for i in made}])
    )


@instruments.get("", responses={200: InstrumentList})
def list_instruments() -> Response:
    """Every instrument with its last readings."""
    return all_instruments()


class PortHere(BaseModel):
    port: str
    says: str


class PortList(Wire):
    ports: list[PortHere]
    bauds: list[int]


@instruments.get("/ports", responses={200: PortList})
def list_ports() -> Response:
    """The serial ports of this machine."""
    return answered(PortList(ports=[PortHere(port=p, says=s) for p, s in ports_here()], bauds=list(BAUDS)))


class NewInstrument(Wire):
    """An instrument to be connected."""

    kind: KindName
    url: str = Field(max_length=200)
    baud: int = 9600
    pattern: str = Field(default="", max_length=120)


@instruments.post("", responses={201: InstrumentList})
def connect(body: NewInstrument) -> Response:
    """Connect an instrument and start it."""
    if body.baud not in BAUDS:
        raise UnknownBaud(body.baud)
    url, pattern = checked_port(body.url), checked_pattern(body.pattern)
    kept = rooms().instruments.add(body.kind, url, body.baud, pattern)
    _start(kept)
    return make_response(all_instruments(), 201)


class UnknownBaud(FederError, ValueError):
    """A serial port does not run at this rate."""

    code = "bad baud"

    def __init__(self, baud: int) -> None:
        super().__init__(f"{baud} baud is no usual rate: {', '.join(map(str, BAUDS))}", key="baud")


class Simulated(Wire):
    """Stand-ins to be started: of which kinds, and the vehicle they show; none: a made-up one."""

    kinds: list[KindName] = Field(max_length=len(KINDS))
    vehicle: VehicleId | None = None


@instruments.post("/simulate", responses={201: InstrumentList})
def simulate(body: Simulated) -> Response:
    """Start stand-ins of Feder's own."""
    truth, words = _truth(body.vehicle)
    for kind in dict.fromkeys(body.kinds):
        kept = rooms().instruments.add(kind, "", 9600, "", words, json.dumps(truth))
        _start(kept)
    return make_response(all_instruments(), 201)


def _truth(vehicle: str | None) -> tuple[Truth, str]:
    if vehicle is None:
        return MADE_UP, "a made-up car"
    document = rooms().garage.get(vehicle).document
    return truth_of(document), f"as {document.vehicle.name}"


def _start(kept: Kept) -> None:
    kind: KindName = kept.kind  # type: ignore[assignment]
    rooms().hub.start(kept.id, kind, kept.url, kept.baud, kept.pattern, kept.truth)


class InstrumentPath(BaseModel):
    instrument: int = Field(ge=0, le=2**31)


@instruments.post("/<int:instrument>/start", responses={200: InstrumentList})
def start(path: InstrumentPath) -> Response:
    """Start an instrument that was stopped."""
    _start(rooms().instruments.get(path.instrument))
    return all_instruments()


@instruments.post("/<int:instrument>/stop", responses={200: InstrumentList})
def stop(path: InstrumentPath) -> Response:
    """Stop an instrument; its last reading stays."""
    rooms().instruments.get(path.instrument)
    rooms().hub.stop(path.instrument)
    return all_instruments()


@instruments.delete("/<int:instrument>", responses={200: InstrumentList})
def remove(path: InstrumentPath) -> Response:
    """Forget an instrument."""
    rooms().hub.forget(path.instrument)
    rooms().instruments.remove(path.instrument)
    return all_instruments()


class TestedLine(BaseModel):
    """A line as it came, and what is wrong with it."""

    line: str
    wrong: str


class Tested(Wire):
    lines: list[TestedLine]


@instruments.get("/<int:instrument>/test", responses={200: Tested})
def tested(path: InstrumentPath) -> Response:
    """The last lines of an instrument, as they came."""
    rooms().instruments.get(path.instrument)
    reader = rooms().hub.of(path.instrument)
    lines = [] if reader is None else reader.lines()
    return answered(Tested(lines=[TestedLine(line=text, wrong=wrong) for text, wrong in lines]))


class HeldAt(Wire):
    """Where instruments are held now: only stand-ins need to be told."""

    at: str = Field(max_length=60, pattern=r"^[a-z_ ]*$")
    kind: KindName


@instruments.post("/at", responses={200: InstrumentList})
def held_at(body: HeldAt) -> Response:
    """Tell stand-ins of a kind where they are held."""
    for kept in rooms().instruments.all():
        if kept.kind == body.kind:
            rooms().hub.held_at(kept.id, body.at)
    return all_instruments()


class TakeReading(Wire):
    """A reading to be taken: of which name, and what it is for, as its field says."""

    name: str = Field(max_length=40)
    about: str = Field(max_length=120)
    vehicle: VehicleId | None = None


class TakenAnswer(Wire):
    value: float
    si: str
    raw: list[float]
    spread: float


@instruments.post("/<int:instrument>/take", responses={200: TakenAnswer})
def take(path: InstrumentPath, body: TakeReading) -> Response:
    """Take a steady reading; its raw readings are kept."""
    kept = rooms().instruments.get(path.instrument)
    kind: KindName = kept.kind  # type: ignore[assignment]
    made = rooms().hub.running(kept.id, kind).taken(body.name)
    si = KNOWN[kind].reads[made.name]
    rooms().instruments.took(body.vehicle, KNOWN[kind].words, body.about, made.value, si, made.raw)
    return answered(TakenAnswer(value=made.value, si=si, raw=list(made.raw), spread=made.spread))


class TakenRow(BaseModel):
    id: int
    instrument: str
    about: str
    value: float
    si: str
    raw: list[float]
    at: datetime


class TakenList(Wire):
    taken: list[TakenRow]


class TakenQuery(BaseModel):
    vehicle: VehicleId | None = None


def _row(r: TakenReading) -> TakenRow:
    return TakenRow(
        id=r.id, instrument=r.instrument, about=r.about, value=r.value, si=r.si, raw=list(r.raw), at=r.at
    )


@instruments.get("/taken", responses={200: TakenList})
def list_taken(query: TakenQuery) -> Response:
    """What was taken off instruments, the last first, with its raw readings."""
    return answered(TakenList(taken=[_row(r) for r in rooms().instruments.taken(query.vehicle)]))


@instruments.get("/taken.csv")
def taken_csv(query: TakenQuery) -> Response:
    """The same as CSV, in SI."""
    rows: list[list[object]] = [["taken", "instrument", "of", "value", "unit", "raw readings"]]
    rows += [
        [r.at.isoformat(), r.instrument, r.about, f"{r.value:.9g}", r.si, " ".join(f"{x:.9g}" for x in r.raw)]
        for r in rooms().instruments.taken(query.vehicle)
    ]
    head = {"Content-Disposition": 'attachment; filename="readings.csv"'}
    text = written(rows)
    return Response(text, mimetype="text/csv", headers=head)
