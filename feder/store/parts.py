"""The shelf: springs that the workshop has or can get."""

from dataclasses import dataclass

from sqlalchemy import select
from sqlalchemy.orm import Session, sessionmaker

from feder.core.document.setup import SpringPart
from feder.store.garage import now
from feder.store.tables import PartRow


class NoPart(LookupError):
    """There is no part with this id."""


@dataclass(frozen=True)
class StoredPart:
    id: int
    part: SpringPart


class Shelf:
    """The workshop's springs."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions

    def all(self) -> list[StoredPart]:
        with self._sessions() as session:
            rows = session.scalars(
                select(PartRow).where(PartRow.deleted.is_(None)).order_by(PartRow.code, PartRow.id)
            )
            return [_stored(row) for row in rows]

    def add(self, parts: list[SpringPart]) -> list[StoredPart]:
        """Put parts on the shelf, all or none."""
        with self._sessions.begin() as session:
            rows = [PartRow(code=p.code, document=p.model_dump_json(), deleted=None) for p in parts]
            session.add_all(rows)
            session.flush()
            return [_stored(row) for row in rows]

    def delete(self, part_id: int) -> None:
        self._mark(part_id, delete=True)

    def restore(self, part_id: int) -> None:
        self._mark(part_id, delete=False)

    def _mark(self, part_id: int, delete: bool) -> None:
        with self._sessions.begin() as session:
            row = session.get(PartRow, part_id)
            if row is None:
                raise NoPart(part_id)
            row.deleted = now() if delete else None


def _stored(row: PartRow) -> StoredPart:
    return StoredPart(row.id, SpringPart.model_validate_json(row.document))
