"""Issued setup sheets: each has a number of its own, and is kept as it was printed."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import delete, func, literal, select
from sqlalchemy import insert as insert_into
from sqlalchemy import update as change
from sqlalchemy.orm import Session, sessionmaker

from feder.store.garage import NoVehicle, now
from feder.store.tables import SheetRow, VehicleRow


@dataclass(frozen=True, slots=True)
class IssuedSheet:
    """A sheet as it was issued: its setup, number and day, and the page."""

    told: dict[str, Any]
    html: str


class Sheets:
    """The sheets that were issued of each vehicle."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions

    def issued(self, vehicle_id: str) -> int:
        """The highest number issued of a vehicle; 0 where none was."""
        with self._sessions() as session:
            highest = select(func.max(SheetRow.number)).where(SheetRow.vehicle_id == vehicle_id)
            return session.scalar(highest) or 0

    def every(self, vehicle_id: str) -> list[IssuedSheet]:
        """Every sheet issued of a vehicle, as it was printed, the first first."""
        with self._sessions() as session:
            rows = session.scalars(
                select(SheetRow)
                .where(SheetRow.vehicle_id == vehicle_id, SheetRow.html != "")
                .order_by(SheetRow.number)
            )
            return [
                IssuedSheet({"setup": r.setup, "number": r.number, "issued": r.issued.isoformat()}, r.html)
                for r in rows
            ]

    def put_back(self, vehicle_id: str, issued: list[tuple[dict[str, Any], str]]) -> None:
        """Sheets of a vehicle's archive, with their numbers. Raises ValueError, KeyError: one is none."""
        with self._sessions.begin() as session:
            for told, html in issued:
                session.add(
                    SheetRow(
                        vehicle_id=vehicle_id,
                        setup=str(told["setup"])[:40],
                        number=int(told["number"]),
                        issued=datetime.fromisoformat(told["issued"]),
                        html=html,
                    )
                )

    def issue(self, vehicle_id: str, setup: str, make: Callable[[int], str]) -> str:
        """Issue a sheet: `make` gives its page for the number it has, which no other sheet ever gets.

        The number is taken first, in one statement, so that two sheets printed at once differ; where the page
        cannot be made it is given back.

        Raises:
            NoVehicle: there is no such vehicle.
        """
        with self._sessions.begin() as session:
            if session.get(VehicleRow, vehicle_id) is None:
                raise NoVehicle(vehicle_id)
            next_one = (
                select(
                    literal(vehicle_id),
                    literal(setup),
                    func.coalesce(func.max(SheetRow.number), 0) + 1,
                    literal(now()),
                    literal(""),
                )
                .where(SheetRow.vehicle_id == vehicle_id)
                .correlate(None)
            )
            columns = ["vehicle_id", "setup", "number", "issued", "html"]
            row = session.execute(
                insert_into(SheetRow).from_select(columns, next_one).returning(SheetRow.id, SheetRow.number)
            ).one()
        try:
            html = make(int(row.number))
        except BaseException:
            with self._sessions.begin() as session:
                session.execute(delete(SheetRow).where(SheetRow.id == row.id))
            raise
        with self._sessions.begin() as session:
            session.execute(change(SheetRow).where(SheetRow.id == row.id).values(html=html))
        return html
