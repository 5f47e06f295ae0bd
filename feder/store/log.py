"""The log of each setup: entries as rows of their own, from which any earlier state is built again."""

import json
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session, sessionmaker

from feder.core.benches.log.chain import patch_between, rebuilt, setup_from
from feder.core.benches.log.changed import ChangedRow, Effect
from feder.core.document.changes import Change
from feder.core.document.entry import Entry
from feder.core.document.setup import Setup
from feder.core.numbers.errors import FederError
from feder.store.garage import NoVehicle, now
from feder.store.tables import EntryRow, VehicleRow

WHOLE_EVERY = 50
"""Entries after which the whole setup is kept once more."""


class NoEntry(FederError, LookupError):
    """There is no such entry in this log."""

    code = "no entry"

    def __init__(self) -> None:
        super().__init__("This entry is not in the log; it may have been taken back", key="entry")


@dataclass(frozen=True, slots=True)
class Logged:
    """An entry as it stands in the log."""

    number: int
    entry: Entry
    changes: list[ChangedRow]
    expected: list[Effect]


class Log:
    """The logs of every setup of the workshop."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions

    def page(self, vehicle_id: str, setup: str, before: int | None = None, most: int = 50) -> list[Logged]:
        """The newest entries, or those before a number; the oldest of them first."""
        with self._sessions() as session:
            asked = select(EntryRow).where(*_of(vehicle_id, setup), EntryRow.hidden.is_(False))
            if before is not None:
                asked = asked.where(EntryRow.number < before)
            rows = session.scalars(asked.order_by(EntryRow.number.desc()).limit(most))
            return [_logged(r) for r in rows][::-1]

    def count(self, vehicle_id: str, setup: str) -> int:
        """How many entries there are to be seen."""
        with self._sessions() as session:
            asked = select(func.count()).where(*_of(vehicle_id, setup), EntryRow.hidden.is_(False))
            return session.scalar(asked) or 0

    def first(self, vehicle_id: str, setup: str) -> str | None:
        """The name of the first entry of a log."""
        with self._sessions() as session:
            asked = select(EntryRow.entry).where(*_of(vehicle_id, setup)).order_by(EntryRow.number).limit(1)
            return session.scalar(asked)

    def last_state(self, vehicle_id: str, setup: str) -> Setup | None:
        """The setup as the newest entry left it; nothing before the first."""
        with self._sessions() as session:
            newest = session.scalar(select(func.max(EntryRow.number)).where(*_of(vehicle_id, setup)))
            return None if newest is None else _state(session, vehicle_id, setup, newest)

    def state_at(self, vehicle_id: str, entry: str) -> Setup:
        """The setup as an entry left it.

        Raises:
            NoEntry: there is no such entry.
        """
        with self._sessions() as session:
            row = _row(session, vehicle_id, entry)
            return _state(session, vehicle_id, row.setup, row.number)

    def around(self, vehicle_id: str, entry: str) -> tuple[Setup | None, Setup]:
        """The setup as the entry before one left it, nothing before the first, and as this one did.

        Raises:
            NoEntry: there is no such entry.
        """
        with self._sessions() as session:
            row = _row(session, vehicle_id, entry)
            earlier = select(func.max(EntryRow.number)).where(
                *_of(vehicle_id, row.setup), EntryRow.number < row.number
            )
            before = session.scalar(earlier)
            was = None if before is None else _state(session, vehicle_id, row.setup, before)
            return was, _state(session, vehicle_id, row.setup, row.number)

    def states_at(self, vehicle_id: str, entries: Sequence[str]) -> dict[str, Setup]:
        """The setups as some entries left them; entries that are not there are left out."""
        with self._sessions() as session:
            asked = select(EntryRow).where(EntryRow.vehicle_id == vehicle_id, EntryRow.entry.in_(list(entries)))
            return {r.entry: _state(session, vehicle_id, r.setup, r.number) for r in session.scalars(asked)}

    def odometers(self, vehicle_id: str, entries: Sequence[str]) -> dict[str, float]:
        """What the odometer showed at some entries, where it was told."""
        with self._sessions() as session:
            asked = select(EntryRow).where(EntryRow.vehicle_id == vehicle_id, EntryRow.entry.in_(list(entries)))
            read = [Entry.model_validate_json(r.written) for r in session.scalars(asked)]
            return {e.id: e.odometer for e in read if e.odometer is not None}

    def write(
        self,
        vehicle_id: str,
        setup: Setup,
        entry: Entry,
        changes: Sequence[ChangedRow],
        expected: Sequence[Effect] = (),
    ) -> int:
        """Write an entry with the setup as it stands now; the same entry sent twice is written once. Its number.

        Raises:
            NoVehicle: there is no such vehicle.
        """
        try:
            with self._sessions.begin() as session:
                if session.get(VehicleRow, vehicle_id) is None:
                    raise NoVehicle(vehicle_id)
                known = session.scalar(
                    select(EntryRow).where(EntryRow.vehicle_id == vehicle_id, EntryRow.entry == entry.id)
                )
                if known is not None:
                    known.written, known.hidden = entry.model_dump_json(), False
                    return known.number
                newest = session.scalar(select(func.max(EntryRow.number)).where(*_of(vehicle_id, setup.id)))
                before = None if newest is None else _state(session, vehicle_id, setup.id, newest)
                number = (newest or 0) + 1
                whole = before is None or number % WHOLE_EVERY == 0
                session.add(
                    EntryRow(
                        vehicle_id=vehicle_id,
                        setup=setup.id,
                        entry=entry.id,
                        number=number,
                        written=entry.model_dump_json(),
                        patch=json.dumps([c.model_dump(mode="json") for c in patch_between(before, setup)]),
                        changes=json.dumps(
                            {"rows": [_plain(c) for c in changes], "expected": [_plain(e) for e in expected]}
                        ),
                        whole=setup.model_dump_json() if whole else None,
                        said=now(),
                        hidden=False,
                    )
                )
                return number
        except IntegrityError:  # sent twice at once: the other one was first
            return self._number(vehicle_id, entry.id)

    def _number(self, vehicle_id: str, entry: str) -> int:
        with self._sessions() as session:
            return _row(session, vehicle_id, entry).number

    def amend(self, vehicle_id: str, entry: Entry) -> None:
        """Write the words of an entry anew; what was changed stays.

        Raises:
            NoEntry: there is no such entry.
        """
        with self._sessions.begin() as session:
            _row(session, vehicle_id, entry.id).written = entry.model_dump_json()

    def take_back(self, vehicle_id: str, entry: str) -> None:
        """Take an entry back: the newest is gone, of an older one the words.

        Raises:
            NoEntry: there is no such entry.
        """
        with self._sessions.begin() as session:
            row = _row(session, vehicle_id, entry)
            newest = session.scalar(select(func.max(EntryRow.number)).where(*_of(vehicle_id, row.setup)))
            if row.number == newest:
                session.delete(row)
            else:
                row.hidden = True

    def every(self, vehicle_id: str) -> list[dict[str, Any]]:
        """Every row of a vehicle's logs as plain data, for keeping elsewhere."""
        with self._sessions() as session:
            rows = session.scalars(
                select(EntryRow).where(EntryRow.vehicle_id == vehicle_id).order_by(EntryRow.setup, EntryRow.number)
            )
            return [
                {
                    "setup": r.setup,
                    "number": r.number,
                    "hidden": r.hidden,
                    "written": json.loads(r.written),
                    "patch": json.loads(r.patch),
                    "changes": json.loads(r.changes),
                }
                for r in rows
            ]

    def put_back(self, vehicle_id: str, rows: Sequence[dict[str, Any]]) -> None:
        """Rows as `every` told them, into the log of another vehicle. Raises as `checked_rows`."""
        made = [
            EntryRow(
                vehicle_id=vehicle_id,
                setup=row.setup,
                entry=row.entry.id,
                number=row.number,
                written=row.entry.model_dump_json(),
                patch=json.dumps([c.model_dump(mode="json") for c in row.patch]),
                changes=row.changes,
                whole=row.state if row.number % WHOLE_EVERY == 0 else None,
                said=now(),
                hidden=row.hidden,
            )
            for row in checked_rows(rows)
        ]
        with self._sessions.begin() as session:
            session.add_all(made)


@dataclass(frozen=True, slots=True)
class _Row:
    """A row of a log from elsewhere, looked through."""

    setup: str
    number: int
    hidden: bool
    entry: Entry
    patch: list[Change]
    changes: str
    state: str
    """The setup after it, as JSON."""


def checked_rows(rows: Sequence[dict[str, Any]]) -> list[_Row]:
    """Rows of a log from elsewhere, each change tried in its turn.

    Raises:
        ValueError, KeyError, TypeError: a row is none.
        BadDocument: a change that leaves no setup.
    """
    made, states = [], dict[str, object]()
    for told in rows:
        patch, setup = [Change.model_validate(c) for c in told["patch"]], str(told["setup"])[:40]
        states[setup] = rebuilt(states.get(setup), [patch])
        kept = json.dumps({"rows": told["changes"]["rows"], "expected": told["changes"]["expected"]})
        _changes(kept)
        state = setup_from(states[setup]).model_dump_json()
        entry = Entry.model_validate(told["written"])
        made.append(_Row(setup, int(told["number"]), bool(told["hidden"]), entry, patch, kept, state))
    return made


def _of(vehicle_id: str, setup: str) -> tuple[Any, Any]:
    return EntryRow.vehicle_id == vehicle_id, EntryRow.setup == setup


def _row(session: Session, vehicle_id: str, entry: str) -> EntryRow:
    row = session.scalar(select(EntryRow).where(EntryRow.vehicle_id == vehicle_id, EntryRow.entry == entry))
    if row is None:
        raise NoEntry
    return row


def _state(session: Session, vehicle_id: str, setup: str, number: int) -> Setup:
    """The setup after an entry, from the newest whole one before it and the patches since."""
    start = session.scalar(
        select(func.max(EntryRow.number)).where(
            *_of(vehicle_id, setup), EntryRow.number <= number, EntryRow.whole.is_not(None)
        )
    )
    rows = session.scalars(
        select(EntryRow)
        .where(*_of(vehicle_id, setup), EntryRow.number >= (start or 0), EntryRow.number <= number)
        .order_by(EntryRow.number)
    ).all()
    state: object = None
    for row in rows:
        if row.whole is not None:
            state = json.loads(row.whole)
        else:
            state = rebuilt(state, [[Change.model_validate(c) for c in json.loads(row.patch)]])
    return setup_from(state)


def _plain(row: ChangedRow | Effect) -> dict[str, Any]:
    return {name: getattr(row, name) for name in row.__slots__}


def _changes(text: str) -> tuple[list[ChangedRow], list[Effect]]:
    told = json.loads(text)
    return [ChangedRow(**r) for r in told["rows"]], [Effect(**e) for e in told["expected"]]


def _logged(row: EntryRow) -> Logged:
    changes, expected = _changes(row.changes)
    return Logged(row.number, Entry.model_validate_json(row.written), changes, expected)
