"""Coil springs from their wire, and springs in series."""

from math import pi
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import (
    SPRING_STEEL_SHEAR_MODULUS,
    Coils,
    Length,
    Metre,
    Modulus,
    NewtonPerMetre,
    NonNegativeForce,
    Pascal,
    Rate,
    Ratio,
)
from feder.core.numbers.working import checked, formula

SHIGLEY = "helical compression spring, round wire (standard machine-design text)"
INDEX_RANGE = (4.0, 12.0)
"""Spring index outside of which a coil is hard to wind or apt to tangle."""


class CoilRate(NamedTuple):
    """Rate and dimensions of a coil spring; the stress only when a force was given."""

    rate: NewtonPerMetre
    spring_index: Ratio
    solid_length: Metre
    wahl_factor: Ratio | None
    shear_stress: Pascal | None


@formula(result="rate", source=SHIGLEY)
def coil_spring_rate(
    wire_diameter: Length, mean_diameter: Length, active_coils: Coils, shear_modulus: Modulus
) -> NewtonPerMetre:
    """Rate of a coil spring of round wire: the twist of the wire along its active coils."""
    return shear_modulus * wire_diameter**4 / (8 * mean_diameter**3 * active_coils)


@formula(result="spring_index", source=SHIGLEY)
def spring_index_of(wire_diameter: Length, mean_diameter: Length) -> Ratio:
    """Spring index: how tightly the coil is wound."""
    return mean_diameter / wire_diameter


@formula(result="solid_length", source="closed and ground ends: every coil one wire high")
def solid_length_of(wire_diameter: Length, total_coils: Coils) -> Metre:
    """Length with all coils touching, closed and ground ends."""
    return wire_diameter * total_coils


@formula(result="total_coils", source="closed and ground ends: one dead coil at each end")
def closed_end_coils(active_coils: Coils) -> Ratio:
    """All coils of a spring with closed ends."""
    return active_coils + 2


@formula(result="wahl_factor", source="Wahl's correction (standard machine-design text)")
def wahl_factor_of(spring_index: Ratio) -> Ratio:
    """Correction of the shear stress at the inside of the coil."""
    return (4 * spring_index - 1) / (4 * spring_index - 4) + 0.615 / spring_index


@formula(result="shear_stress", source=SHIGLEY)
def coil_shear_stress(
    force: NonNegativeForce, mean_diameter: Length, wahl_factor: Ratio, wire_diameter: Length
) -> Pascal:
    """Shear stress at the inside of the wire under an axial force."""
    return 8 * force * mean_diameter * wahl_factor / (pi * wire_diameter**3)


@checked
def coil_rate(
    wire_diameter: Length,
    mean_diameter: Length,
    active_coils: Coils,
    shear_modulus: Modulus = SPRING_STEEL_SHEAR_MODULUS,
    total_coils: Coils | None = None,
    force: NonNegativeForce | None = None,
) -> CoilRate:
    """Rate, index and solid length of a coil spring, and with a force its shear stress.

    Raises:
        OutOfRange: on `mean_diameter` when the coil is not wider than its wire (index 1 or less).

    Source: helical compression springs in any standard machine-design text.

    Example: ``coil_rate(0.011, 0.071, 6.8).rate`` is 59630 N/m.
    """
    index = spring_index_of(wire_diameter, mean_diameter)
    if index <= 1:
        raise OutOfRange("mean_diameter", mean_diameter, "must be above the wire diameter")
    low, high = INDEX_RANGE
    if not low <= index <= high:
        note(f"spring index {index:.2f} lies outside {low:g} to {high:g}: hard to wind, or apt to tangle")
    if total_coils is None:
        total_coils = closed_end_coils(active_coils)
    elif total_coils < active_coils:
        raise OutOfRange("total_coils", total_coils, "must not be below the active coils")
    wahl = stress = None
    if force is not None:
        wahl = wahl_factor_of(index)
        stress = coil_shear_stress(force, mean_diameter, wahl, wire_diameter)
    return CoilRate(
        rate=coil_spring_rate(wire_diameter, mean_diameter, active_coils, shear_modulus),
        spring_index=index,
        solid_length=solid_length_of(wire_diameter, total_coils),
        wahl_factor=wahl,
        shear_stress=stress,
    )


@formula(result="rate", source="springs in series carry the same force")
def series_rate(rate_1: Rate, rate_2: Rate) -> NewtonPerMetre:
    """Rate of two springs end to end; softer than either."""
    return rate_1 * rate_2 / (rate_1 + rate_2)
