"""Furnish an empty database with the made-up workshop."""

from feder.core.document.damper import DamperPart
from feder.core.document.setup import SpringPart
from feder.demo.bramble import bramble
from feder.demo.dampers import demo_dampers
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.springs import demo_springs
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from feder.store.garage import Garage
from feder.store.parts import Shelf


def furnish(garage: Garage, springs: Shelf[SpringPart], dampers: Shelf[DamperPart]) -> None:
    """Put the demo vehicles, springs and dampers in, where there are none yet."""
    if not springs.all():
        springs.add(demo_springs())
    if not dampers.all():
        dampers.add(demo_dampers())
    if not garage.listed():
        for vehicle in (
            teasel(),
            tansy(),
            bramble(),
            finch(),
            magpie(),
            sedge(),
            nettle(),
        ):  # the last one added stands first
            garage.add(vehicle)
