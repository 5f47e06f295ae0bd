"""Vehicles: list, read, save with a revision, copy, delete and bring back."""

import logging
import secrets
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass
from datetime import UTC, datetime

from sqlalchemy import select, update
from sqlalchemy.orm import Session, sessionmaker

from feder import VERSION
from feder.core.document.document import Document, read_document
from feder.core.numbers.errors import FederError
from feder.core.report.summary import summary_of
from feder.store.tables import VehicleRow

log = logging.getLogger(__name__)


class NoVehicle(FederError, LookupError):
    """There is no vehicle with this id."""

    code = "no vehicle"

    def __init__(self, vehicle_id: str) -> None:
        super().__init__("This vehicle is not in the garage; it may have been deleted", key="vehicle")
        self.vehicle_id = vehicle_id


class StaleSave(FederError):
    """The vehicle was saved elsewhere since; `stored` is what stands now."""

    code = "stale"

    def __init__(self, stored: "Stored") -> None:
        message = "This vehicle was saved elsewhere since; choose which version stays"
        super().__init__(message, key="revision")
        self.stored = stored


@dataclass(frozen=True)
class Stored:
    """A vehicle as stored: its document and the count of its saves."""

    id: str
    revision: int
    updated: datetime
    document: Document


@dataclass(frozen=True)
class Listed:
    """A vehicle as the garage lists it: its summary as JSON, or why none could be made."""

    id: str
    name: str
    updated: datetime
    summary: str | None
    trouble: str | None = None


class Garage:
    """The workshop's vehicles, each with its summary, made once for a revision by one version of the rules."""

    def __init__(self, sessions: sessionmaker[Session], version: str = VERSION) -> None:
        self._sessions, self._version = sessions, version

    def listed(self) -> list[Listed]:
        """Every vehicle not deleted, the one touched last first; one that cannot be read shuts none else."""
        with self._sessions() as session:
            rows = session.execute(
                select(VehicleRow.id, VehicleRow.name, VehicleRow.updated, VehicleRow.revision)
                .add_columns(VehicleRow.summary, VehicleRow.summary_of)
                .where(VehicleRow.deleted.is_(None))
                .order_by(VehicleRow.updated.desc(), VehicleRow.id)
            ).all()
        return [
            Listed(r.id, r.name, r.updated, r.summary)
            if r.summary is not None and r.summary_of == self._mark(r.revision)
            else self._made_anew(r.id, r.name, r.updated)
            for r in rows
        ]

    def _mark(self, revision: int) -> str:
        return f"{revision} {self._version}"

    def _made_anew(self, vehicle_id: str, name: str, updated: datetime) -> Listed:
        """A summary that was never made, or by other rules; made now, and kept."""
        try:
            stored = self.get(vehicle_id)
            summary = summary_of(stored.document).model_dump_json()
        except FederError as error:
            return Listed(vehicle_id, name, updated, None, error.message)
        except Exception as error:
            log.error("a vehicle could not be summarised: %s", type(error).__name__)
            return Listed(vehicle_id, name, updated, None, "Its numbers do not go together; open it to see which")
        with self._sessions.begin() as session:
            session.execute(
                update(VehicleRow)
                .where(VehicleRow.id == vehicle_id, VehicleRow.revision == stored.revision)
                .values(summary=summary, summary_of=self._mark(stored.revision))
            )
        return Listed(vehicle_id, name, updated, summary)

    def all(self) -> list[Stored]:
        """Every vehicle that was not deleted, whole, the one touched last first."""
        return [self.get(listed.id) for listed in self.listed()]

    def readable(self) -> Iterator[Stored]:
        """Every vehicle that was not deleted and can be read, whole."""
        for listed in self.listed():
            with suppress(FederError):
                yield self.get(listed.id)

    def get(self, vehicle_id: str) -> Stored:
        """A vehicle whole. Raises `NoVehicle`, or `BadDocument` for a row that is none of this Feder's."""
        with self._sessions() as session:
            return _stored(_row(session, vehicle_id))

    def text(self, vehicle_id: str) -> tuple[str, str]:
        """Name and document of a vehicle as the database holds them, readable or not."""
        with self._sessions() as session:
            row = _row(session, vehicle_id)
            return row.name, row.document

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
            return Stored(row.id, row.revision, row.updated, document)

    def save(self, vehicle_id: str, revision: int, document: Document) -> int:
        """Save over `revision`; gives the new one. Raises `StaleSave` when another save came between."""
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
            if done is None:
                raise StaleSave(_stored(_row(session, vehicle_id)))
            return int(done[0])

    def delete(self, vehicle_id: str) -> None:
        """Put a vehicle aside; `restore` brings it back."""
        with self._sessions.begin() as session:
            _row(session, vehicle_id).deleted = now()

    def restore(self, vehicle_id: str) -> Stored:
        """Bring a vehicle back."""
        with self._sessions.begin() as session:
            row = _row(session, vehicle_id, deleted=True)
            row.deleted = None
            return _stored(row)


def now() -> datetime:
    """This moment, UTC, as the database keeps it."""
    return datetime.now(UTC).replace(tzinfo=None)


def _row(session: Session, vehicle_id: str, deleted: bool = False) -> VehicleRow:
    row = session.get(VehicleRow, vehicle_id)
    if row is None or (row.deleted is not None and not deleted):
        raise NoVehicle(vehicle_id)
    return row


def _stored(row: VehicleRow) -> Stored:
    return Stored(row.id, row.revision, row.updated, read_document(row.document))
