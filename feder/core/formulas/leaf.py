"""Leaf springs, and tyres by their size."""

from typing import NamedTuple

from feder.core.numbers.notes import note
from feder.core.numbers.quantities import (
    Coils,
    Length,
    Metre,
    Modulus,
    NewtonPerMetre,
    NonNegativeForce,
    PositiveRatio,
)
from feder.core.numbers.working import checked, formula

SPRING_STEEL_MODULUS = 206e9
LOADED = 0.97
"""A tyre under its load, against its radius as moulded; general practice."""


@formula(result="rate", source="semi-elliptic leaf spring of uniform strength (standard machine-design text)")
def leaf_spring_rate(
    leaves: Coils, width: Length, thickness: Length, length: Length, modulus: Modulus
) -> NewtonPerMetre:
    """Rate at the middle of a stack of leaves of one thickness, by its eyes."""
    return 8 * leaves * modulus * width * thickness**3 / (3 * length**3)


@formula(result="rate", source="difference of loads over difference of heights")
def rate_of_sag(
    first_load: NonNegativeForce, second_load: NonNegativeForce, first_height: Metre, second_height: Metre
) -> NewtonPerMetre:
    """Rate of a spring from two loads and the heights at which they stood."""
    return (second_load - first_load) / (first_height - second_height)


@checked
def leaf_rate(
    leaves: Coils, width: Length, thickness: Length, length: Length, modulus: Modulus = SPRING_STEEL_MODULUS
) -> NewtonPerMetre:
    """Rate of a semi-elliptic leaf spring, `length` between the eyes, the axle at its middle.

    Holds for a spring of uniform strength. A measured pair of loads and heights stands before it.
    """
    note(
        "leaves as long as the spring, clamps and friction make it stiffer: about 15 % uncertain; better measured"
    )
    return leaf_spring_rate(leaves, width, thickness, length, modulus)


class TyreRadius(NamedTuple):
    """Radius as moulded and, assumed, under its load."""

    radius: Metre
    loaded_radius: Metre


@formula(result="radius", source="size as moulded: half the rim and the height of the side")
def moulded_radius(width: Length, aspect_ratio: PositiveRatio, rim_diameter: Length) -> Metre:
    """Radius of a tyre by its size."""
    return rim_diameter / 2 + aspect_ratio * width


@formula(result="loaded_radius", source="general practice, assumed")
def under_load(radius: Length, loaded_share: PositiveRatio) -> Metre:
    """Radius of a tyre that stands under its load."""
    return radius * loaded_share


@checked
def tyre_radius(width: Length, aspect_ratio: PositiveRatio, rim_diameter: Length) -> TyreRadius:
    """Radius of a tyre from its size: 205 mm, 0.55 and 16 in for a 205/55 R16."""
    radius = moulded_radius(width, aspect_ratio, rim_diameter)
    note("the loaded radius is assumed, 0.97 of the moulded one: measure it on the vehicle")
    return TyreRadius(radius, under_load(radius, LOADED))
