"""The shelves: springs and dampers that the workshop has or can get."""

from dataclasses import dataclass
from threading import Lock
from typing import Any, Generic, Protocol, Self, TypeVar

from sqlalchemy import func, select
from sqlalchemy.orm import Session, sessionmaker

from feder.core.document.damper import DamperPart
from feder.core.document.setup import SpringPart
from feder.core.numbers.errors import FederError
from feder.store.garage import now
from feder.store.tables import DamperRow, OnShelf, PartRow


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


class Coded(Protocol):
    """A part that has a code and is kept as JSON."""

    @property
    def code(self) -> str: ...

    def model_dump_json(self) -> str: ...

    @classmethod
    def model_validate_json(cls, json_data: str) -> Self: ...


Part = TypeVar("Part", bound=Coded)


@dataclass(frozen=True)
class StoredPart(Generic[Part]):
    id: int
    part: Part


class Shelf(Generic[Part]):
    """Parts of one kind. They are kept parsed until the table says that something changed."""

    def __init__(self, sessions: sessionmaker[Session], table: type[OnShelf], kind: type[Part]) -> None:
        self._sessions, self._lock = sessions, Lock()
        self._table, self._kind = table, kind
        self._kept: tuple[tuple[Any, ...], list[StoredPart[Part]]] | None = None

    def all(self) -> list[StoredPart[Part]]:
        """Every part on the shelf, by code."""
        with self._sessions() as session:
            state = tuple(
                session.execute(
                    select(
                        func.count(),
                        func.max(self._table.id),
                        func.count(self._table.deleted),
                        func.max(self._table.updated),
                    ).select_from(self._table)
                ).one()
            )
            with self._lock:
                if self._kept is None or self._kept[0] != state:
                    rows = session.scalars(
                        select(self._table)
                        .where(self._table.deleted.is_(None))
                        .order_by(self._table.code, self._table.id)
                    )
                    self._kept = state, [self._stored(row) for row in rows]
                return list(self._kept[1])

    def add(self, parts: list[Part]) -> list[StoredPart[Part]]:
        """Put parts on the shelf, all or none."""
        with self._sessions.begin() as session:
            rows = [
                self._table(code=p.code, document=p.model_dump_json(), deleted=None, updated=now()) for p in parts
            ]
            session.add_all(rows)
            session.flush()
            return [self._stored(row) for row in rows]

    def add_one(self, part: Part) -> StoredPart[Part]:
        """Put one part on the shelf. Raises `CodeTaken`."""
        with self._sessions.begin() as session:
            self._free(session, part.code, None)
            row = self._table(code=part.code, document=part.model_dump_json(), deleted=None, updated=now())
            session.add(row)
            session.flush()
            return self._stored(row)

    def put(self, part_id: int, part: Part) -> StoredPart[Part]:
        """Another part in the place of one. Raises `NoPart`, `CodeTaken`."""
        with self._sessions.begin() as session:
            row = session.get(self._table, part_id)
            if row is None or row.deleted is not None:
                raise NoPart(part_id)
            if row.code != part.code:
                self._free(session, part.code, part_id)
            row.code, row.document, row.updated = part.code, part.model_dump_json(), now()
            return self._stored(row)

    def take_in(self, parts: list[Part]) -> tuple[list[StoredPart[Part]], int]:
        """Parts of a list, all or none: of a code that is there already they stand in its place.

        Gives them as they stand, and how many stand in another's place.
        """
        with self._sessions.begin() as session:
            here = {
                row.code: row
                for row in session.scalars(
                    select(self._table).where(self._table.deleted.is_(None)).order_by(self._table.id)
                )
            }
            before, rows = len(here), []
            for part in parts:
                row = here.setdefault(part.code, self._table(code=part.code, deleted=None))
                row.document, row.updated = part.model_dump_json(), now()
                rows.append(row)
            session.add_all(rows)
            session.flush()
            made = {row.id: self._stored(row) for row in rows}
            return list(made.values()), len(made) - (len(here) - before)

    def delete(self, part_id: int) -> None:
        """Take a part off the shelf; `restore` puts it back."""
        self._mark(part_id, delete=True)

    def restore(self, part_id: int) -> None:
        """Put a part back. Raises `NoPart`, `CodeTaken`."""
        self._mark(part_id, delete=False)

    def _mark(self, part_id: int, delete: bool) -> None:
        with self._sessions.begin() as session:
            row = session.get(self._table, part_id)
            if row is None:
                raise NoPart(part_id)
            if not delete and row.deleted is not None:
                self._free(session, row.code, part_id)
            row.deleted, row.updated = now() if delete else None, now()

    def _free(self, session: Session, code: str, but: int | None) -> None:
        table = self._table
        taken = select(table.id).where(table.code == code, table.deleted.is_(None), table.id != (but or 0))
        if session.scalars(taken).first() is not None:
            raise CodeTaken(code)

    def _stored(self, row: OnShelf) -> StoredPart[Part]:
        return StoredPart(row.id, self._kind.model_validate_json(row.document))


def spring_shelf(sessions: sessionmaker[Session]) -> Shelf[SpringPart]:
    """The workshop's springs."""
    return Shelf(sessions, PartRow, SpringPart)


def damper_shelf(sessions: sessionmaker[Session]) -> Shelf[DamperPart]:
    """The workshop's dampers."""
    return Shelf(sessions, DamperRow, DamperPart)
