"""What was measured on the vehicle, when and how."""

from typing import Annotated, Any, Literal, get_args

from pydantic import Field, model_validator

from feder.core.document.base import How, Ident, Model, Place, Text
from feder.core.document.bounce import Bounce
from feder.core.document.fitting import Damage
from feder.core.numbers.quantities import Unit

SurveyQuantity = Literal[
    "mass",
    "hub_to_arch",
    "floor_to_arch",
    "sill",
    "extended_lifted",
    "extended_pressed",
    "bike_lifted",
    "bike_pressed",
    "rider_lifted",
    "rider_pressed",
]
SAG_STATES = ("extended", "bike", "rider")
"""Wheel hanging free; the bike alone on its wheels; the rider on it, in the usual kit and posture."""
SAG_PULLS = ("lifted", "pressed")
"""Each reading twice: let down from lifted, and risen from pressed; friction lies between them."""
SAG_QUANTITIES: tuple[SurveyQuantity, ...] = get_args(SurveyQuantity)[4:]
"""The six sag readings in the order in which they are taken."""
UNIT_OF: dict[str, str] = dict.fromkeys(get_args(SurveyQuantity), "m") | {"mass": "kg"}


class Reading(Model):
    """One reading. Several of the same place and quantity are a repeat, and are averaged."""

    place: Place
    quantity: SurveyQuantity
    value: Annotated[float, Unit("by its quantity"), Field(gt=0, le=50_000)]
    how: How = "tape"
    tolerance: Annotated[float, Unit("by its quantity"), Field(gt=0, le=1000)] | None = None


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
    rider: Ident | None = None
    """The load state that sat on a two-wheeler for the readings with rider; the first one where none is told."""
    posture: Literal["seated", "standing"] | None = None


class Survey(Model):
    id: Ident
    setup: Ident | None = None
    """The setup that stood on the wheels; none: the vehicle as found."""
    date: Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")] | None = None
    conditions: Conditions = Conditions()
    readings: Annotated[tuple[Reading, ...], Field(max_length=2000)] = ()
    bounces: Annotated[tuple[Bounce, ...], Field(max_length=8)] = ()
    """Bounce tests, one for each corner."""
    damages: Annotated[tuple[Damage, ...], Field(max_length=60)] = ()
    notes: Text = ""

    @model_validator(mode="before")
    @classmethod
    def _damage_in_rows(cls, data: Any) -> Any:
        """Known damage was one text once: a row for each of its lines."""
        if not isinstance(data, dict) or "damage" not in data:
            return data
        kept = {k: v for k, v in data.items() if k != "damage"}
        lines = [line.strip() for line in str(data["damage"]).splitlines() if line.strip()]
        rows = [
            {"id": f"noted-{n}", "part": line[:80], "state": line[80:280], "noted": data.get("date")}
            for n, line in enumerate(lines, 1)
        ]
        return {**kept, "damages": [*(data.get("damages") or ()), *rows]}
