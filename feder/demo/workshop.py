"""Furnish an empty database with the made-up workshop."""

from feder.demo.nettle import nettle
from feder.demo.springs import demo_springs
from feder.store.garage import Garage
from feder.store.parts import Shelf


def furnish(garage: Garage, shelf: Shelf) -> None:
    """Put the demo vehicles and springs in, where there are none yet."""
    if not shelf.all():
        shelf.add(demo_springs())
    if not garage.all():
        garage.add(nettle())
