"""What the blueprints of one application share: its garage, its shelf, its clock, its paired devices."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import date

from flask import current_app

from feder.api.codes import Codes
from feder.api.known import Known
from feder.api.searches import Searches
from feder.api.uploads import Uploads
from feder.core.document.damper import DamperPart
from feder.core.document.setup import SpringPart
from feder.instruments.hub import Hub
from feder.store.archive import Stores
from feder.store.devices import Devices
from feder.store.garage import Garage
from feder.store.instruments import Instruments
from feder.store.log import Log
from feder.store.parts import Shelf
from feder.store.photos import Photos
from feder.store.recordings import Recordings
from feder.store.sheets import Sheets
from feder.store.ticks import Ticks


@dataclass(frozen=True)
class Rooms:
    """The stores behind one application."""

    garage: Garage
    shelf: Shelf[SpringPart]
    dampers: Shelf[DamperPart]
    sheets: Sheets
    ticks: Ticks
    photos: Photos
    log: Log
    documents: Known
    today: Callable[[], date]
    devices: Devices
    codes: Codes
    searches: Searches
    instruments: Instruments
    hub: Hub
    recordings: Recordings
    uploads: Uploads
    address: str | None = None
    """Where a paired phone finds Feder; nothing while it serves this machine only."""

    @property
    def stores(self) -> Stores:
        """All that keeps something of a vehicle."""
        return Stores(
            self.garage, self.ticks, self.photos, self.log, self.sheets, self.instruments, self.recordings
        )


def rooms() -> Rooms:
    """The stores of the application that answers."""
    found: Rooms = current_app.extensions["feder"]
    return found
