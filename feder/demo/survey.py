"""The survey of a made-up car, from a table of its readings; heights by tape, weights by scales."""

from collections.abc import Mapping

from feder.core.document.base import PLACES, Place
from feder.core.document.survey import Conditions, Reading, Survey, SurveyQuantity

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
