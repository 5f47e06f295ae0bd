"""Recordings of wheel travel: sent, looked at, read with progress, held against a setup."""

from datetime import datetime
from typing import IO, Annotated

from flask import Response, request
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.asked import AboutDocument, answered
from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.uploads import Upload
from feder.api.wire import Wire
from feder.core.benches.prove.recorded import RecordingRead, read_against
from feder.core.benches.prove.vehicle import vehicle_of
from feder.core.document.base import Place
from feder.core.document.bounce import LetGo
from feder.core.files.logger_csv import let_go_of
from feder.core.files.recording_csv import HEAD_BYTES, Chosen, Recorded, from_lines, read_recording, recording_head
from feder.core.numbers.errors import OutOfRange
from feder.store.recordings import KeptRecording
from feder.units.parse import read_cell

recordings = APIBlueprint(
    "recordings", __name__, url_prefix="/api/recordings", abp_responses={404: ErrorBody, 422: ErrorBody}
)


class UploadShown(Wire):
    """A file on its way in: bytes here, lines read, and the recording that came of it or what is wrong."""

    id: str
    size: int
    rows: int
    done: bool
    trouble: str
    recording: int | None


def _upload(found: Upload) -> Response:
    return answered(
        UploadShown(
            id=found.id,
            size=found.size,
            rows=found.rows,
            done=found.done,
            trouble=found.trouble,
            recording=found.recording,
        )
    )


@recordings.post("/files", responses={200: UploadShown})
def begin() -> Response:
    """Begin to send a file."""
    return _upload(rooms().uploads.begin())


class FilePath(BaseModel):
    file: str = Field(max_length=40)


class PieceQuery(BaseModel):
    at: int = Field(ge=0, le=2**40)


@recordings.put("/files/<string:file>", responses={200: UploadShown})
def piece(path: FilePath, query: PieceQuery) -> Response:
    """One piece of it, from a byte on."""
    return _upload(rooms().uploads.append(path.file, query.at, request.get_data()))


@recordings.get("/files/<string:file>", responses={200: UploadShown})
def progress(path: FilePath) -> Response:
    """How far it has come."""
    return _upload(rooms().uploads.of(path.file))


@recordings.delete("/files/<string:file>", responses={200: UploadShown})
def drop(path: FilePath) -> Response:
    """Stop, and forget it."""
    found = rooms().uploads.of(path.file)
    rooms().uploads.drop(path.file)
    return _upload(found)


class ColumnShown(BaseModel):
    name: str
    unit: str


class Preview(Wire):
    """The head of a file: columns, first lines, and which are guessed."""

    columns: list[ColumnShown]
    sample: list[list[str]]
    time: int | None
    places: dict[Place, int]


class PreviewQuery(BaseModel):
    two_wheels: bool = False


@recordings.get("/files/<string:file>/preview", responses={200: Preview})
def preview(path: FilePath, query: PreviewQuery) -> Response:
    """What its head says."""
    head = recording_head(rooms().uploads.head(path.file, HEAD_BYTES), two_wheels=query.two_wheels)
    return answered(
        Preview(
            columns=[ColumnShown(name=n, unit=u) for n, u in zip(head.columns, head.units, strict=True)],
            sample=[list(row) for row in head.sample],
            time=head.time,
            places=head.places,
        )
    )


class ReadFile(Wire):
    """Which columns are read, what they mean, and of what the recording is."""

    vehicle: str = Field(max_length=16)
    setup: str = Field(max_length=40)
    name: str = Field(default="recording", max_length=120)
    places: dict[Place, Annotated[int, Field(ge=0, le=63)]]
    time: Annotated[int, Field(ge=0, le=63)] | None = None
    rate: Annotated[float, Field(ge=10, le=100_000)] | None = None
    unit: str = Field(default="mm", max_length=12)
    time_unit: str = Field(default="s", max_length=12)
    bump_positive: bool = True
    from_standing: bool = False


@recordings.post("/files/<string:file>/read", responses={200: UploadShown})
def read(path: FilePath, body: ReadFile) -> Response:
    """Begin to read it; the answers to come say how far it is."""
    stores = rooms()
    stores.garage.text(body.vehicle)
    told = {k: getattr(body, k) for k in ("places", "time", "rate", "unit", "time_unit", "bump_positive")}

    def work(found: Upload, file: IO[bytes]) -> int:
        def heard(rows: int) -> bool:
            found.rows = rows
            return not found.ends.is_set()

        made = read_recording(file, Chosen(**told), read_cell, heard)
        return stores.recordings.add(
            body.vehicle, body.setup, body.name, made, from_standing=body.from_standing
        ).id

    return _upload(stores.uploads.read(path.file, work))


class RecordingShown(BaseModel):
    """A recording as it is listed."""

    id: int
    setup: str
    name: str
    places: list[Place]
    rate: float
    seconds: float
    at: datetime


class RecordingList(Wire):
    recordings: list[RecordingShown]


def _shown(kept: KeptRecording) -> RecordingShown:
    return RecordingShown(
        id=kept.id,
        setup=kept.setup,
        name=kept.name,
        places=list(kept.places),
        rate=kept.rate,
        seconds=kept.seconds,
        at=kept.at,
    )


def _list(vehicle: str) -> Response:
    return answered(RecordingList(recordings=[_shown(k) for k in rooms().recordings.of(vehicle)]))


class VehicleQuery(BaseModel):
    vehicle: str = Field(max_length=16)


@recordings.get("", responses={200: RecordingList})
def listed(query: VehicleQuery) -> Response:
    """The recordings of a vehicle, the last first."""
    return _list(query.vehicle)


class RecordingPath(BaseModel):
    recording: int = Field(ge=0, le=2**31)


@recordings.delete("/<int:recording>", responses={200: RecordingList})
def remove(path: RecordingPath, query: VehicleQuery) -> Response:
    """Put a recording away."""
    rooms().recordings.remove(query.vehicle, path.recording)
    return _list(query.vehicle)


@recordings.post("/<int:recording>/back", responses={200: RecordingList})
def back(path: RecordingPath, query: VehicleQuery) -> Response:
    """Bring a recording back that was put away."""
    rooms().recordings.remove(query.vehicle, path.recording, back=True)
    return _list(query.vehicle)


class AgainstQuestion(AboutDocument):
    """The setup that was on the vehicle when it was recorded."""

    vehicle: str = Field(max_length=16)
    setup: str = Field(max_length=40)
    load_state: str | None = None


class AgainstAnswer(Wire):
    read: RecordingRead


@recordings.post("/<int:recording>/against", responses={200: AgainstAnswer})
def against(path: RecordingPath, body: AgainstQuestion) -> Response:
    """What a recording says, on the travel of a setup."""
    kept, made = rooms().recordings.get(body.vehicle, path.recording)
    vehicle = vehicle_of(body.document, body.setup, body.load_state)
    read = read_against(made.places, made.step, made.travel, made.gaps, vehicle, from_standing=kept.from_standing)
    return answered(AgainstAnswer.model_construct(read=read))


class RecordedQuestion(Wire):
    """What a travel logger recorded is kept for a vehicle and its setup."""

    vehicle: str = Field(max_length=16)
    setup: str = Field(max_length=40)
    name: str = Field(default="recording", max_length=120)


class LoggerPath(BaseModel):
    instrument: int = Field(ge=0, le=2**31)


class Recording(Wire):
    recording: bool


@recordings.post("/logger/<int:instrument>/start", responses={200: Recording})
def record(path: LoggerPath) -> Response:
    """Begin to record off a travel logger."""
    kept = rooms().instruments.get(path.instrument)
    rooms().hub.running(kept.id, "logger").record()
    return answered(Recording(recording=True))


@recordings.post("/logger/<int:instrument>/keep", responses={200: RecordingList})
def keep(path: LoggerPath, body: RecordedQuestion) -> Response:
    """End a recording and keep it."""
    kept = rooms().instruments.get(path.instrument)
    rows = rooms().hub.running(kept.id, "logger").recorded()
    made: Recorded = from_lines(rows)
    rooms().recordings.add(body.vehicle, body.setup, body.name, made, from_standing=False)
    return _list(body.vehicle)


class LetGoQuestion(Wire):
    """The corner at which the body was pushed and let go."""

    place: Place


class LetGoAnswer(Wire):
    run: LetGo


@recordings.post("/logger/<int:instrument>/let-go", responses={200: LetGoAnswer})
def let_go(path: LoggerPath, body: LetGoQuestion) -> Response:
    """End a recording and read it as a let-go of a corner: as far as its wheel hangs out the body is higher."""
    kept = rooms().instruments.get(path.instrument)
    made = from_lines(rooms().hub.running(kept.id, "logger").recorded())
    if body.place not in made.places:
        raise OutOfRange("place", body.place, "the logger has no channel of this wheel")
    travel = made.travel[made.places.index(body.place)]
    times = [i * made.step for i in range(travel.size)]
    return answered(LetGoAnswer(run=let_go_of(times, [-float(v) for v in travel], "off the logger")))
