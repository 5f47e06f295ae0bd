"""Furnish an empty database with the made-up workshop."""

from feder.core.benches.log.changed import changed, expected_of
from feder.core.document.damper import DamperPart
from feder.core.document.setup import SpringPart
from feder.demo.bramble import bramble
from feder.demo.dampers import demo_dampers
from feder.demo.finch import finch
from feder.demo.sedge import sedge
from feder.demo.settled import Settled, settled_magpie, settled_nettle, settled_tansy
from feder.demo.springs import demo_springs
from feder.demo.teasel import teasel
from feder.store.garage import Garage
from feder.store.log import Log
from feder.store.parts import Shelf


def furnish(garage: Garage, springs: Shelf[SpringPart], dampers: Shelf[DamperPart], log: Log) -> None:
    """Put the demo vehicles with their logs, springs and dampers in, where there are none yet."""
    if not springs.all():
        springs.add(demo_springs())
    if not dampers.all():
        dampers.add(demo_dampers())
    if not garage.listed():
        for made in (
            teasel(),
            settled_tansy(),
            bramble(),
            finch(),
            settled_magpie(),
            sedge(),
            settled_nettle(),
        ):  # the last one added stands first
            settled = made if isinstance(made, Settled) else Settled(made)
            stored = garage.add(settled.document)
            _write(log, stored.id, settled)


def _write(log: Log, vehicle_id: str, settled: Settled) -> None:
    """The entries of a vehicle's log, each with what was changed since the one before."""
    before = settled.document.setups[0]
    for number, (setup, entry) in enumerate(settled.entries):
        rows = changed(settled.document, setup.id, before, setup)
        effects = expected_of(settled.document, setup.id, before, setup) if number else []
        log.write(vehicle_id, setup, entry, rows, effects)
        before = setup
