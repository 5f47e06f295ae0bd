"""Ticks of job cards: each saved by itself, so that two at one card lose none of each other's."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from sqlalchemy import func, select
from sqlalchemy.orm import Session, sessionmaker

from feder.store.garage import NoVehicle, now
from feder.store.tables import TickRow, VehicleRow

State = Literal["done", "off", "sound", "not sound", "open"]
"""Done, put off, a part judged, or open again."""


@dataclass(frozen=True, slots=True)
class Tick:
    """What holds of a step: its state, by whom and when, and the mark of what it told to do then."""

    step: str
    state: State
    mark: str
    who: str
    reason: str
    at: datetime


class Ticks:
    """The ticks of every card of the workshop."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions

    def of(self, vehicle_id: str, setup: str) -> list[Tick]:
        """What holds now of each step of a card that was ever touched and is not open again."""
        with self._sessions() as session:
            newest = (
                select(func.max(TickRow.id))
                .where(TickRow.vehicle_id == vehicle_id, TickRow.setup == setup)
                .group_by(TickRow.step)
            )
            rows = session.scalars(select(TickRow).where(TickRow.id.in_(newest)).order_by(TickRow.id))
            return [_tick(r) for r in rows if r.state != "open"]

    def said(
        self,
        vehicle_id: str,
        setup: str,
        step: str,
        state: State,
        mark: str,
        who: str = "",
        reason: str = "",
        at: datetime | None = None,
    ) -> None:
        """Keep what was said of a step; nothing said before is lost.

        Raises:
            NoVehicle: there is no such vehicle.
        """
        with self._sessions.begin() as session:
            if session.get(VehicleRow, vehicle_id) is None:
                raise NoVehicle(vehicle_id)
            session.add(
                TickRow(
                    vehicle_id=vehicle_id,
                    setup=setup,
                    step=step,
                    state=state,
                    mark=mark,
                    who=who,
                    reason=reason,
                    at=at or now(),
                )
            )

    def every(self, vehicle_id: str) -> list[tuple[str, Tick]]:
        """All that was ever said of a vehicle's cards, each with its setup, the first first."""
        with self._sessions() as session:
            rows = session.scalars(select(TickRow).where(TickRow.vehicle_id == vehicle_id).order_by(TickRow.id))
            return [(r.setup, _tick(r)) for r in rows]


def _tick(row: TickRow) -> Tick:
    return Tick(row.step, row.state, row.mark, row.who, row.reason, row.at)  # type: ignore[arg-type]
