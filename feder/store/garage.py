"""Vehicles: list, read, save with a revision, copy, delete and bring back."""

import secrets
from dataclasses import dataclass
from datetime import UTC, datetime

from sqlalchemy import func, select, update
from sqlalchemy.orm import Session, sessionmaker

from feder.core.document.document import Document, read_document
from feder.store.tables import SheetRow, VehicleRow


class NoVehicle(LookupError):
    """There is no vehicle with this id."""


class StaleSave(Exception):
    """The vehicle was saved elsewhere since; `stored` is what stands now."""

    def __init__(self, stored: "Stored") -> None:
        super().__init__("saved elsewhere since")
        self.stored = stored


@dataclass(frozen=True)
class Stored:
    """A vehicle as stored: its document and the count of its saves."""

    id: str
    revision: int
    updated: datetime
    document: Document


class Garage:
    """The workshop's vehicles."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions

    def all(self) -> list[Stored]:
        """Every vehicle that was not deleted, the one touched last first."""
        with self._sessions() as session:
            rows = session.scalars(
                select(VehicleRow)
                .where(VehicleRow.deleted.is_(None))
                .order_by(VehicleRow.updated.desc(), VehicleRow.id)
            )
            return [_stored(row) for row in rows]

    def get(self, vehicle_id: str) -> Stored:
        with self._sessions() as session:
            return _stored(_row(session, vehicle_id))

    def add(self, document: Document) -> Stored:
        """A new vehicle from a document."""
        with self._sessions.begin() as session:
            row = VehicleRow(
                id=secrets.token_hex(6),
                name=document.vehicle.name,
                kind=document.vehicle.kind,
                document=document.model_dump_json(),
                revision=1,
                updated=now(),
                deleted=None,
            )
            session.add(row)
            session.flush()
            return _stored(row)

    def save(self, vehicle_id: str, revision: int, document: Document) -> Stored:
        """Save over `revision`. Raises `StaleSave` when another save came between, and keeps that one."""
        with self._sessions.begin() as session:
            done = session.execute(
                update(VehicleRow)
                .where(VehicleRow.id == vehicle_id, VehicleRow.revision == revision, VehicleRow.deleted.is_(None))
                .values(
                    name=document.vehicle.name,
                    kind=document.vehicle.kind,
                    document=document.model_dump_json(),
                    revision=revision + 1,
                    updated=now(),
                )
                .returning(VehicleRow.revision)
            ).first()
            stored = _stored(_row(session, vehicle_id))
            if done is None:
                raise StaleSave(stored)
            return stored

    def delete(self, vehicle_id: str) -> None:
        """Put a vehicle aside; `restore` brings it back."""
        with self._sessions.begin() as session:
            _row(session, vehicle_id).deleted = now()

    def restore(self, vehicle_id: str) -> Stored:
        with self._sessions.begin() as session:
            row = _row(session, vehicle_id, deleted=True)
            row.deleted = None
            return _stored(row)

    def sheets_issued(self, vehicle_id: str) -> int:
        """How many setup sheets of this vehicle were issued."""
        with self._sessions() as session:
            count = session.scalar(select(func.max(SheetRow.number)).where(SheetRow.vehicle_id == vehicle_id))
            return count or 0

    def issue_sheet(self, vehicle_id: str, setup: str, number: int, html: str) -> None:
        """Keep a sheet as it was printed."""
        with self._sessions.begin() as session:
            _row(session, vehicle_id)
            session.add(SheetRow(vehicle_id=vehicle_id, setup=setup, number=number, issued=now(), html=html))


def now() -> datetime:
    return datetime.now(UTC).replace(tzinfo=None)


def _row(session: Session, vehicle_id: str, deleted: bool = False) -> VehicleRow:
    row = session.get(VehicleRow, vehicle_id)
    if row is None or (row.deleted is not None and not deleted):
        raise NoVehicle(vehicle_id)
    return row


def _stored(row: VehicleRow) -> Stored:
    return Stored(row.id, row.revision, row.updated, read_document(row.document))
