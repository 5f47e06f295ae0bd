"""The shelf: springs that the workshop has or can get."""

from dataclasses import dataclass
from threading import Lock
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session, sessionmaker

from feder.core.document.setup import SpringPart
from feder.core.numbers.errors import FederError
from feder.store.garage import now
from feder.store.tables import PartRow


class NoPart(FederError, LookupError):
    """There is no part with this id."""

    code = "no part"

    def __init__(self, part_id: int) -> None:
        super().__init__("This part is not on the shelf", key="part")
        self.part_id = part_id


class CodeTaken(FederError, ValueError):
    """Another part on the shelf has this code."""

    code = "code taken"

    def __init__(self, name: str) -> None:
        super().__init__(
            f"{name} is on the shelf already: edit that one, or give this one another code", key="code"
        )


@dataclass(frozen=True)
class StoredPart:
    id: int
    part: SpringPart


class Shelf:
    """The workshop's springs. They are kept parsed until the table says that something changed."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions, self._lock = sessions, Lock()
        self._kept: tuple[tuple[Any, ...], list[StoredPart]] | None = None

    def all(self) -> list[StoredPart]:
        """Every spring on the shelf, by code."""
        with self._sessions() as session:
            state = tuple(
                session.execute(
                    select(
                        func.count(), func.max(PartRow.id), func.count(PartRow.deleted), func.max(PartRow.updated)
                    ).select_from(PartRow)
                ).one()
            )
            with self._lock:
                if self._kept is None or self._kept[0] != state:
                    rows = session.scalars(
                        select(PartRow).where(PartRow.deleted.is_(None)).order_by(PartRow.code, PartRow.id)
                    )
                    self._kept = state, [_stored(row) for row in rows]
                return list(self._kept[1])

    def add(self, parts: list[SpringPart]) -> list[StoredPart]:
        """Put parts on the shelf, all or none."""
        with self._sessions.begin() as session:
            rows = [PartRow(code=p.code, document=p.model_dump_json(), deleted=None, updated=now()) for p in parts]
            session.add_all(rows)
            session.flush()
            return [_stored(row) for row in rows]

    def add_one(self, part: SpringPart) -> StoredPart:
        """Put one part on the shelf. Raises `CodeTaken`."""
        with self._sessions.begin() as session:
            _free(session, part.code, None)
            row = PartRow(code=part.code, document=part.model_dump_json(), deleted=None, updated=now())
            session.add(row)
            session.flush()
            return _stored(row)

    def put(self, part_id: int, part: SpringPart) -> StoredPart:
        """Another part in the place of one. Raises `NoPart`, `CodeTaken`."""
        with self._sessions.begin() as session:
            row = session.get(PartRow, part_id)
            if row is None or row.deleted is not None:
                raise NoPart(part_id)
            if row.code != part.code:
                _free(session, part.code, part_id)
            row.code, row.document, row.updated = part.code, part.model_dump_json(), now()
            return _stored(row)

    def take_in(self, parts: list[SpringPart]) -> tuple[list[StoredPart], int]:
        """Parts of a list, all or none: of a code that is there already they stand in its place.

        Gives them as they stand, and how many stand in another's place.
        """
        with self._sessions.begin() as session:
            here = {
                row.code: row
                for row in session.scalars(select(PartRow).where(PartRow.deleted.is_(None)).order_by(PartRow.id))
            }
            before, rows = len(here), []
            for part in parts:
                row = here.setdefault(part.code, PartRow(code=part.code, deleted=None))
                row.document, row.updated = part.model_dump_json(), now()
                rows.append(row)
            session.add_all(rows)
            session.flush()
            made = {row.id: _stored(row) for row in rows}
            return list(made.values()), len(made) - (len(here) - before)

    def delete(self, part_id: int) -> None:
        """Take a part off the shelf; `restore` puts it back."""
        self._mark(part_id, delete=True)

    def restore(self, part_id: int) -> None:
        """Put a part back. Raises `NoPart`, `CodeTaken`."""
        self._mark(part_id, delete=False)

    def _mark(self, part_id: int, delete: bool) -> None:
        with self._sessions.begin() as session:
            row = session.get(PartRow, part_id)
            if row is None:
                raise NoPart(part_id)
            if not delete and row.deleted is not None:
                _free(session, row.code, part_id)
            row.deleted, row.updated = now() if delete else None, now()


def _free(session: Session, code: str, but: int | None) -> None:
    taken = select(PartRow.id).where(PartRow.code == code, PartRow.deleted.is_(None), PartRow.id != (but or 0))
    if session.scalars(taken).first() is not None:
        raise CodeTaken(code)


def _stored(row: PartRow) -> StoredPart:
    return StoredPart(row.id, SpringPart.model_validate_json(row.document))
