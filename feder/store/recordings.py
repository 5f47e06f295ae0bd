"""Recordings of wheel travel: rows of their own, packed in pieces, so that a vehicle stays as quick as before."""

import json
import zlib
from dataclasses import dataclass
from datetime import datetime

import numpy as np
from sqlalchemy import select
from sqlalchemy.orm import Session, sessionmaker

from feder.core.document.base import Place
from feder.core.files.recording_csv import Recorded
from feder.core.numbers.errors import FederError
from feder.store.garage import NoVehicle, now
from feder.store.tables import RecordingPartRow, RecordingRow, VehicleRow

PART = 1_000_000
"""Sets of readings packed together."""


class NoRecording(FederError, LookupError):
    """There is no such recording."""

    code = "no recording"

    def __init__(self) -> None:
        super().__init__("This recording is not here any more", key="recording")


@dataclass(frozen=True, slots=True)
class KeptRecording:
    """A recording as it is listed."""

    id: int
    setup: str
    name: str
    places: tuple[Place, ...]
    rate: float
    seconds: float
    from_standing: bool
    at: datetime


class Recordings:
    """The recordings of every vehicle."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions

    def add(
        self,
        vehicle_id: str,
        setup: str,
        name: str,
        made: Recorded,
        *,
        from_standing: bool,
        at: datetime | None = None,
    ) -> KeptRecording:
        """Keep a recording, all of it or none. Raises `NoVehicle`."""
        count = made.travel.shape[1]
        told = {
            "places": [p.value for p in made.places], "step": made.step, "count": count, "gaps": made.gaps,
            "from_standing": from_standing,
        }  # fmt: skip
        with self._sessions.begin() as session:
            if session.get(VehicleRow, vehicle_id) is None:
                raise NoVehicle(vehicle_id)
            row = RecordingRow(
                vehicle_id=vehicle_id, setup=setup, name=name[:120], told=json.dumps(told), read=None,
                at=at or now(), deleted=None,
            )  # fmt: skip
            session.add(row)
            session.flush()
            for number, start in enumerate(range(0, count, PART)):
                piece = np.ascontiguousarray(made.travel[:, start : start + PART], dtype="<f4")
                data = zlib.compress(piece.tobytes(), 1)
                session.add(RecordingPartRow(recording_id=row.id, number=number, data=data))
                session.flush()
            return _kept(row)

    def of(self, vehicle_id: str) -> list[KeptRecording]:
        """The recordings of a vehicle, the last first."""
        with self._sessions() as session:
            rows = session.scalars(
                select(RecordingRow)
                .where(RecordingRow.vehicle_id == vehicle_id, RecordingRow.deleted.is_(None))
                .order_by(RecordingRow.id.desc())
            )
            return [_kept(row) for row in rows]

    def get(self, vehicle_id: str, recording: int) -> tuple[KeptRecording, Recorded]:
        """A recording whole. Raises `NoRecording`."""
        with self._sessions() as session:
            row = session.get(RecordingRow, recording)
            if row is None or row.vehicle_id != vehicle_id or row.deleted is not None:
                raise NoRecording
            told = json.loads(row.told)
            parts = session.scalars(
                select(RecordingPartRow.data)
                .where(RecordingPartRow.recording_id == recording)
                .order_by(RecordingPartRow.number)
            )
            count = len(told["places"])
            pieces = [np.frombuffer(zlib.decompress(d), dtype="<f4").reshape(count, -1) for d in parts]
            kept = _kept(row)
            travel = np.concatenate(pieces, axis=1)
        return kept, Recorded(kept.places, told["step"], travel, told["gaps"])

    def remove(self, vehicle_id: str, recording: int, *, back: bool = False) -> None:
        """Put a recording away, or bring it back. Raises `NoRecording`."""
        with self._sessions.begin() as session:
            row = session.get(RecordingRow, recording)
            if row is None or row.vehicle_id != vehicle_id:
                raise NoRecording
            row.deleted = None if back else now()


def _kept(row: RecordingRow) -> KeptRecording:
    told = json.loads(row.told)
    return KeptRecording(
        row.id,
        row.setup,
        row.name,
        tuple(Place(p) for p in told["places"]),
        1 / told["step"],
        told["count"] * told["step"],
        told["from_standing"],
        row.at,
    )
