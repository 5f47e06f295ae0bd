"""The survey of a made-up car, from a table of its readings; heights by tape, weights by scales."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from feder.core.document.base import PLACES, Place
from feder.core.document.survey import SAG_QUANTITIES, Conditions, Reading, Survey, SurveyQuantity

Readings = tuple[tuple[SurveyQuantity, Mapping[Place, float]], ...]


def survey_of(ident: str, date: str, read: Readings, *, ballast: str, fuel: str) -> Survey:
    """A survey taken on a level floor, at set pressures, rolled back and forth."""
    return Survey(
        id=ident,
        date=date,
        conditions=Conditions(
            level_floor=True,
            pressures_set=True,
            rolled=True,
            ballast=ballast,
            fuel=fuel,
            reference="lower edge of the arch lip, straight above the hub",
        ),
        readings=tuple(
            Reading(place=p, quantity=q, value=values[p], how="scales" if q == "mass" else "tape")
            for q, values in read
            for p in PLACES
        ),
    )


@dataclass(frozen=True)
class Wheel:
    """What was read at a wheel of a two-wheeler: scale, and six heights in the order of the sag walk."""

    mass: float
    read: tuple[float, float, float, float, float, float]


def sags_of(
    ident: str,
    date: str,
    front: Wheel,
    rear: Wheel,
    *,
    ballast: str,
    fuel: str,
    rider: str,
    posture: Literal["seated", "standing"] = "seated",
) -> Survey:
    """The survey of a two-wheeler: weight and six sag readings of each wheel, extended, bike alone, rider on."""
    readings = []
    for place, wheel in ((Place.FRONT, front), (Place.REAR, rear)):
        readings.append(Reading(place=place, quantity="mass", value=wheel.mass, how="scales"))
        for quantity, value in zip(SAG_QUANTITIES, wheel.read, strict=True):
            readings.append(Reading(place=place, quantity=quantity, value=value))
    return Survey(
        id=ident,
        date=date,
        conditions=Conditions(
            level_floor=True,
            pressures_set=True,
            rolled=True,
            ballast=ballast,
            fuel=fuel,
            rider=rider,
            posture=posture,
            reference="front along the tube, seal to clamp; rear straight up from the axle to tape on the tail",
        ),
        readings=tuple(readings),
    )
