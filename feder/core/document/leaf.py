"""A leaf spring between axle and frame."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from feder.core.document.base import LengthM, Name, RateValue, Text, Tolerant
from feder.core.numbers.quantities import Unit

SignedNumber = Annotated[float, Unit("m, load: N"), Field(ge=-10, le=1e7)]
YOUNGS_MODULUS = 206e9
"""Spring steel, Pa."""
HeightAndLoad = Annotated[tuple[SignedNumber, ...], Field(min_length=2, max_length=2)]
"""Frame over axle in m, and the load on the spring there in N."""


class LeafPart(Tolerant):
    """A leaf spring by its rate, by two loads and the heights they gave, or by its leaves.

    What was measured stands before what was typed, and that before what the dimensions say.
    """

    kind: Literal["leaf"] = "leaf"
    code: Name
    rate: RateValue | None = None
    sagged: Annotated[tuple[HeightAndLoad, ...], Field(min_length=2, max_length=2)] | None = None
    leaves: Annotated[int, Field(ge=1, le=30)] | None = None
    width: LengthM | None = None
    thickness: LengthM | None = None
    length: LengthM | None = None
    """Between the eyes, along the spring."""
    modulus: Annotated[float, Unit("Pa"), Field(gt=1e9, le=1e12)] = YOUNGS_MODULUS
    note: Text = ""

    @model_validator(mode="after")
    def _some_rate(self) -> "LeafPart":
        sized = None not in (self.leaves, self.width, self.thickness, self.length)
        if self.rate is None and self.sagged is None and not sized:
            raise ValueError("rate is needed, or two loads with their heights, or the leaves' dimensions")
        if self.sagged is not None:
            (high, light), (low, heavy) = self.sagged
            if (high - low) * (heavy - light) <= 0:
                raise ValueError("sagged: the greater load must stand lower")
        return self
