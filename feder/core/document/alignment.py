"""What sets the alignment of an end."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from feder.core.document.base import AngleRad, LengthM, Model, SignedLengthM
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


class ToeRod(Model):
    """What sets the toe of a wheel: a tie rod or link, the lever it turns the wheel by, and its thread.

    A turnbuckle's lead is the sum of both pitches; the lever runs from the wheel's turning axis to the rod.
    """

    arm: LengthM
    lead: Annotated[float, Unit("m"), Field(gt=0, le=0.02)]
    behind: bool
    """Whether the rod's joint lies behind the axis: longer then turns the wheel in."""


class AtHeight(Model):
    """Camber and toe of one wheel at a height; both as the read-out shows them."""

    hub_to_arch: LengthM
    camber: AngleRad | None = None
    toe: SignedLengthM | None = None
