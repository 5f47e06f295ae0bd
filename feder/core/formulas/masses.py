"""Masses and loads at the wheels: what the scale shows, what rides on the springs, and shares of it."""

from feder.core.numbers.quantities import G, Kilogram, Mass, Newton, NonNegativeMass, Ratio
from feder.core.numbers.working import formula


@formula(result="corner_load", source="weight of the sprung mass")
def load_of_mass(sprung_mass: Mass) -> Newton:
    """Sprung load on a corner."""
    return sprung_mass * G


@formula(result="sprung_mass", source="weight of the sprung mass, solved for the mass")
def mass_of_load(corner_load: Newton) -> Kilogram:
    """Sprung mass on a corner, from its load."""
    return corner_load / G


@formula(result="corner_mass", source="definition: sprung plus unsprung mass")
def scale_mass(sprung_mass: Mass, unsprung_mass: NonNegativeMass) -> Kilogram:
    """What the scale shows under a wheel."""
    return sprung_mass + unsprung_mass


@formula(result="part_fraction", source="definition")
def fraction_of(part_mass: Mass, total_mass: Mass) -> Ratio:
    """Share of the mass on the wheels counted."""
    return part_mass / total_mass


@formula(result="part_mass", source="sum of two wheels")
def two_wheels(first_mass: Mass, second_mass: Mass) -> Kilogram:
    """Mass on two wheels."""
    return first_mass + second_mass


@formula(result="total_mass", source="sum of two pairs of wheels")
def all_wheels(front_mass: Mass, rear_mass: Mass) -> Kilogram:
    """Mass on all wheels."""
    return front_mass + rear_mass
