"""Devices paired with this workshop: a phone or tablet that may ask over the workshop's network."""

import hashlib
import secrets
from dataclasses import dataclass
from datetime import UTC, datetime

from sqlalchemy import select
from sqlalchemy.orm import Session, sessionmaker

from feder.core.numbers.errors import FederError
from feder.store.tables import DeviceRow


@dataclass(frozen=True, slots=True)
class Device:
    """A paired device: its id, the name it was given, since when, and when it last asked."""

    id: int
    name: str
    paired: datetime
    seen: datetime


class NoDevice(FederError, LookupError):
    """There is no such device."""

    code = "no device"

    def __init__(self, device: int) -> None:
        super().__init__("This device is not paired any more", key="device")
        self.device = device


class Devices:
    """The paired devices. Of a device's token only its hash is kept."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions

    def all(self) -> list[Device]:
        """Every device, the newest first."""
        with self._sessions() as session:
            rows = session.scalars(select(DeviceRow).order_by(DeviceRow.id.desc()))
            return [Device(r.id, r.name, r.paired, r.seen) for r in rows]

    def add(self, name: str) -> str:
        """Pair a device; the token it shall show from now on."""
        token, now = secrets.token_urlsafe(32), _now()
        with self._sessions.begin() as session:
            session.add(DeviceRow(name=name, token=_hash(token), paired=now, seen=now))
        return token

    def knows(self, token: str) -> bool:
        """Whether a token is that of a paired device; it is then seen now."""
        with self._sessions.begin() as session:
            row = session.scalar(select(DeviceRow).where(DeviceRow.token == _hash(token)))
            if row is None:
                return False
            if (_now() - row.seen).total_seconds() > 60:  # not a write with every question
                row.seen = _now()
            return True

    def remove(self, device: int) -> None:
        """Forget a device. Raises `NoDevice`."""
        with self._sessions.begin() as session:
            row = session.get(DeviceRow, device)
            if row is None:
                raise NoDevice(device)
            session.delete(row)


def _hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


def _now() -> datetime:
    return datetime.now(UTC).replace(tzinfo=None)
