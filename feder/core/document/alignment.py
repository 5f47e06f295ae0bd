"""What sets the alignment of an end."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from feder.core.document.base import Model
from feder.core.numbers.quantities import Unit


class AlignmentAdjuster(Model):
    """What sets camber, caster or toe at an end: how, within which values, and what a turn or a mark gives.

    Camber and caster in rad, toe of one wheel at the rim in m, toe-in positive.
    """

    how: Literal["eccentric", "slots", "plate", "cam bolt", "washers", "adjustable arm", "adjustable rod"]
    sets: Literal["camber", "caster", "toe"]
    least: Annotated[float, Unit("rad, toe: m"), Field(ge=-1.58, le=1.58)] | None = None
    most: Annotated[float, Unit("rad, toe: m"), Field(ge=-1.58, le=1.58)] | None = None
    step: Annotated[float, Unit("rad, toe: m"), Field(gt=0, le=1)] | None = None
    """What one turn, mark or washer gives."""

    @model_validator(mode="after")
    def _range(self) -> "AlignmentAdjuster":
        if self.least is not None and self.most is not None and self.least >= self.most:
            raise ValueError("least must be below most")
        return self
