"""Furnish an empty database with the made-up workshop."""

from feder.demo.bramble import bramble
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.springs import demo_springs
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from feder.store.garage import Garage
from feder.store.parts import Shelf


def furnish(garage: Garage, shelf: Shelf) -> None:
    """Put the demo vehicles and springs in, where there are none yet."""
    if not shelf.all():
        shelf.add(demo_springs())
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
