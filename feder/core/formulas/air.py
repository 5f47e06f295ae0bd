"""Air springs and the push of a gas charge. Pressures are gauge; the air itself feels the atmosphere too."""

from math import pi
from typing import NamedTuple

from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.notes import note
from feder.core.numbers.quantities import (
    ATMOSPHERE,
    AbsolutePressure,
    Altitude,
    Area,
    CubicMetre,
    Exponent,
    GaugePressure,
    Length,
    Metre,
    Newton,
    NewtonPerMetre,
    NonNegativeLength,
    Pascal,
    Ratio,
    SquareMetre,
    Temperature,
    Volume,
)
from feder.core.numbers.working import checked, formula

POLYTROPE = "polytropic law (p + p_atm)·Vⁿ = constant"


class AirSpring(NamedTuple):
    """Force of an air spring at a stroke, and its tangent rate there."""

    force: Newton
    rate: NewtonPerMetre


@formula(result="force", source=POLYTROPE)
def chamber_force(
    pressure: GaugePressure, area: Area, volume: Volume, travel: Metre, exponent: Exponent, atmosphere: Pascal
) -> Newton:
    """Push of one chamber whose volume shrinks by area times travel (grows, with a negative travel)."""
    return ((pressure + atmosphere) * (volume / (volume - area * travel)) ** exponent - atmosphere) * area


@formula(result="rate", source=POLYTROPE + ", differentiated")
def chamber_rate(
    pressure: GaugePressure, area: Area, volume: Volume, travel: Metre, exponent: Exponent, atmosphere: Pascal
) -> NewtonPerMetre:
    """Tangent rate of one chamber."""
    grown: Volume = volume - area * travel
    return exponent * area**2 * (pressure + atmosphere) / grown * (volume / grown) ** exponent


@formula(
    result="negative_pressure", source="both chambers at one pressure at the port, polytropic to full extension"
)
def equalised_pressure(
    pressure: GaugePressure,
    area: Area,
    volume: Volume,
    exponent: Exponent,
    negative_area: Area,
    negative_volume: Volume,
    equalise_at: Metre,
    atmosphere: Pascal,
) -> Pascal:
    """Gauge pressure of a self-equalising negative chamber at full extension."""
    at_port: Pascal = (pressure + atmosphere) * (volume / (volume - area * equalise_at)) ** exponent
    return at_port * ((negative_volume + negative_area * equalise_at) / negative_volume) ** exponent - atmosphere


@formula(result="volume", source="spacers take up room in the chamber")
def volume_with_spacers(volume: Volume, spacer_volume: Volume, spacers: Ratio) -> CubicMetre:
    """Volume of a chamber with spacers in it."""
    return volume - spacer_volume * spacers


@formula(result="area", source="area of a circle")
def area_of_bore(bore: Length) -> SquareMetre:
    """Area of a tube's inside."""
    return pi * bore**2 / 4


@formula(result="volume", source="what the leg slides in comes out of the air over its oil")
def volume_over_oil(oil_level: Length, slide: Length, area: Area) -> CubicMetre:
    """Air over the oil of one fork leg at full extension, from its level with the leg pushed together.

    The room that the spring takes above the oil is left out.
    """
    return area * (oil_level + slide)


@formula(result="force", source="the negative chamber pulls against the positive one")
def net_force(force: Newton, spring_force: Newton) -> Newton:
    """Positive less negative chamber."""
    return force - spring_force


@formula(result="rate", source="both chambers resist the stroke")
def net_rate(rate_1: NewtonPerMetre, rate_2: NewtonPerMetre) -> NewtonPerMetre:
    """Sum of the two chambers' rates."""
    return rate_1 + rate_2


@checked
def air_spring(
    pressure: GaugePressure,
    area: Area,
    volume: Volume,
    travel: NonNegativeLength,
    exponent: Exponent = 1.0,
    negative_pressure: GaugePressure | None = None,
    negative_area: Area | None = None,
    negative_volume: Volume | None = None,
    equalise_at: NonNegativeLength | None = None,
) -> AirSpring:
    """Force and rate of an air spring with or without a negative chamber.

    Pressures and volumes are those at full extension, one exponent for both chambers: 1 for sag, about
    1.3 for fast strokes. A negative chamber that equalises itself is equal at its port (`equalise_at`), not
    at full extension.

    Raises:
        OutOfRange: on `travel` past the chamber, on `equalise_at` past it or beside `negative_pressure`,
            on whichever of the negative chamber's inputs is missing.
    """
    if area * travel >= volume:
        raise OutOfRange("travel", travel, "is past the end of the chamber")
    force = chamber_force(pressure, area, volume, travel, exponent, ATMOSPHERE)
    rate = chamber_rate(pressure, area, volume, travel, exponent, ATMOSPHERE)
    at_start: float = pressure * area
    if any(v is not None for v in (negative_pressure, negative_area, negative_volume, equalise_at)):
        if equalise_at is not None and negative_pressure is not None:
            raise OutOfRange("equalise_at", equalise_at, "takes the place of negative_pressure; give one of them")
        if negative_area is None:
            raise OutOfRange("negative_area", None, "is missing; a negative chamber needs it")
        if negative_volume is None:
            raise OutOfRange("negative_volume", None, "is missing; a negative chamber needs it")
        if equalise_at is not None:
            if area * equalise_at >= volume:
                raise OutOfRange("equalise_at", equalise_at, "is past the end of the chamber")
            negative_pressure = equalised_pressure(
                pressure, area, volume, exponent, negative_area, negative_volume, equalise_at, ATMOSPHERE
            )
        if negative_pressure is None:
            raise OutOfRange("negative_pressure", None, "is missing; give it, or equalise_at")
        against = (negative_pressure, negative_area, negative_volume, -travel, exponent, ATMOSPHERE)
        force = net_force(force, chamber_force(*against))
        rate = net_rate(rate, chamber_rate(*against))
        at_start -= negative_pressure * negative_area
    if at_start < 0:
        note("at full extension the spring draws itself in: it shortens until the chambers balance")
    return AirSpring(force, rate)


@formula(result="force", source="gas pressure on the rod's cross-section")
def gas_force(pressure: GaugePressure, rod_diameter: Length) -> Newton:
    """Push of a gas-charged damper, carried like a spring."""
    return pressure * pi * rod_diameter**2 / 4


@formula(
    result="new_pressure",
    source="sealed air of one volume: (p + p_atm)/T stays",
)
def pressure_elsewhere(
    pressure: GaugePressure,
    temperature: Temperature,
    new_temperature: Temperature,
    outside: AbsolutePressure,
    new_outside: AbsolutePressure,
) -> Pascal:
    """What the gauge of a sealed chamber shows at another temperature and another height over the sea."""
    return (pressure + outside) * new_temperature / temperature - new_outside


@formula(result="outside", source="standard atmosphere below 11 km (ISO 2533)")
def outside_at(altitude: Altitude) -> Pascal:
    """Pressure of the air at a height over the sea."""
    return ATMOSPHERE * (1 - 2.25577e-5 * altitude) ** 5.25588
