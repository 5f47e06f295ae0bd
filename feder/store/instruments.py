"""The workshop's instruments as they were connected, and what was taken off them."""

import json
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session, sessionmaker

from feder.core.numbers.errors import FederError
from feder.store.garage import NoVehicle, now
from feder.store.tables import InstrumentRow, TakenRow, VehicleRow

MOST = 24
"""Instruments that a workshop keeps."""
LISTED = 500


class NoInstrument(FederError, LookupError):
    """There is no such instrument."""

    code = "no instrument"

    def __init__(self) -> None:
        super().__init__("This instrument is not here any more", key="instrument")


class TooMany(FederError, ValueError):
    """More instruments than a workshop keeps."""

    code = "too many"

    def __init__(self) -> None:
        super().__init__(f"{MOST} instruments are kept at most: remove one first", key="instrument")


@dataclass(frozen=True, slots=True)
class Kept:
    """An instrument as it was connected; a stand-in has no address, and tells what it stands for."""

    id: int
    kind: str
    url: str
    baud: int
    pattern: str
    stands_for: str
    truth: str | None

    @property
    def simulated(self) -> bool:
        return self.truth is not None


@dataclass(frozen=True, slots=True)
class TakenReading:
    """A reading taken off an instrument: of what, its value in SI, its raw readings."""

    id: int
    instrument: str
    about: str
    value: float
    si: str
    raw: tuple[float, ...]
    at: datetime


class Instruments:
    """Every instrument of the workshop, and the log of what was taken off them."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions

    def all(self) -> list[Kept]:
        """Every instrument, the first first."""
        with self._sessions() as session:
            return [_kept(row) for row in session.scalars(select(InstrumentRow).order_by(InstrumentRow.id))]

    def get(self, instrument: int) -> Kept:
        """One instrument. Raises `NoInstrument`."""
        with self._sessions() as session:
            row = session.get(InstrumentRow, instrument)
            if row is None:
                raise NoInstrument
            return _kept(row)

    def add(
        self, kind: str, url: str, baud: int, pattern: str, stands_for: str = "", truth: str | None = None
    ) -> Kept:
        """Keep an instrument. Raises `TooMany`."""
        with self._sessions.begin() as session:
            if len(session.scalars(select(InstrumentRow.id)).all()) >= MOST:
                raise TooMany
            row = InstrumentRow(kind=kind, url=url, baud=baud, pattern=pattern, stands_for=stands_for, truth=truth)
            session.add(row)
            session.flush()
            return _kept(row)

    def remove(self, instrument: int) -> None:
        """Forget an instrument; what was taken off it stays. Raises `NoInstrument`."""
        with self._sessions.begin() as session:
            row = session.get(InstrumentRow, instrument)
            if row is None:
                raise NoInstrument
            session.delete(row)

    def took(
        self, vehicle_id: str | None, instrument: str, about: str, value: float, si: str, raw: tuple[float, ...]
    ) -> TakenReading:
        """Keep what was taken. Raises `NoVehicle`."""
        with self._sessions.begin() as session:
            if vehicle_id is not None and session.get(VehicleRow, vehicle_id) is None:
                raise NoVehicle(vehicle_id)
            row = TakenRow(
                vehicle_id=vehicle_id, instrument=instrument, about=about, value=value, si=si,
                raw=json.dumps(raw), at=now(),
            )  # fmt: skip
            session.add(row)
            session.flush()
            return _taken(row)

    def every(self, vehicle_id: str) -> list[dict[str, Any]]:
        """All that was taken of a vehicle as it is written to a file, the first first."""
        with self._sessions() as session:
            rows = session.scalars(select(TakenRow).where(TakenRow.vehicle_id == vehicle_id).order_by(TakenRow.id))
            return [_written(_taken(row)) for row in rows]

    def put_back(self, vehicle_id: str, rows: list[dict[str, Any]]) -> None:
        """Readings of a vehicle's archive. Raises ValueError, KeyError, TypeError: one is none."""
        with self._sessions.begin() as session:
            for row in rows:
                session.add(
                    TakenRow(
                        vehicle_id=vehicle_id,
                        instrument=str(row["instrument"])[:40],
                        about=str(row["about"])[:120],
                        value=float(row["value"]),
                        si=str(row["si"])[:12],
                        raw=json.dumps([float(v) for v in row["raw"]]),
                        at=datetime.fromisoformat(row["at"]),
                    )
                )

    def taken(self, vehicle_id: str | None = None) -> list[TakenReading]:
        """What was taken, the last first: of one vehicle, or all of it."""
        with self._sessions() as session:
            asked = select(TakenRow).order_by(TakenRow.id.desc()).limit(LISTED)
            if vehicle_id is not None:
                asked = asked.where(TakenRow.vehicle_id == vehicle_id)
            return [_taken(row) for row in session.scalars(asked)]


def _written(row: TakenReading) -> dict[str, Any]:
    return {
        "instrument": row.instrument, "about": row.about, "value": row.value, "si": row.si,
        "raw": list(row.raw), "at": row.at.isoformat(),
    }  # fmt: skip


def _kept(row: InstrumentRow) -> Kept:
    return Kept(row.id, row.kind, row.url, row.baud, row.pattern, row.stands_for, row.truth)


def _taken(row: TakenRow) -> TakenReading:
    return TakenReading(row.id, row.instrument, row.about, row.value, row.si, tuple(json.loads(row.raw)), row.at)
