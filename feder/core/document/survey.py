"""What was measured on the vehicle, when and how."""

from typing import Annotated, Literal

from pydantic import Field

from feder.core.document.base import How, Ident, Model, Place, Text

SurveyQuantity = Literal["mass", "hub_to_arch", "floor_to_arch", "sill"]
UNIT_OF: dict[str, str] = {"mass": "kg", "hub_to_arch": "m", "floor_to_arch": "m", "sill": "m"}


class Reading(Model):
    """One reading. Several of the same place and quantity are a repeat, and are averaged."""

    place: Place
    quantity: SurveyQuantity
    value: Annotated[float, Field(gt=0, le=50_000)]
    how: How = "tape"
    tolerance: Annotated[float, Field(gt=0, le=1000)] | None = None


class Conditions(Model):
    """What was true while measuring; each is ticked before the first reading."""

    level_floor: bool = False
    pressures_set: bool = False
    rolled: bool = False
    ballast: Text = ""
    """Who or what sat in the vehicle."""
    fuel: Text = ""
    reference: Text = ""
    """The written-down point from which heights are read."""


class Survey(Model):
    id: Ident
    date: Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")] | None = None
    conditions: Conditions = Conditions()
    readings: Annotated[tuple[Reading, ...], Field(max_length=2000)] = ()
    damage: Text = ""
    notes: Text = ""
