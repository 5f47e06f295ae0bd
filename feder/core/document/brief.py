"""The brief: what the vehicle is for, what is wrong, and the targets that follow."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from feder.core.document.base import Model, ShortLengthM, Text

Use = Literal["comfort road", "sporty road", "fast road, track days", "circuit", "load carrier"]

FREQUENCY_BANDS: dict[str, tuple[float, float]] = {
    "comfort road": (1.0, 1.3),
    "sporty road": (1.3, 1.7),
    "fast road, track days": (1.7, 2.3),
    "circuit": (2.0, 2.8),
    "load carrier": (1.2, 1.6),
}
"""Wheel-rate frequency in Hz by use; general practice, a starting point to edit."""
FLAT_RIDE = (1.05, 1.20)
"""Rear over front frequency at which pitch dies out; general practice."""
HELD_AT_DROOP = 0.003
"""Compression that keeps a spring seated at full droop, m; general practice."""


class Band(Model):
    """A range wanted, low to high."""

    low: Annotated[float, Field(gt=0, le=1e4)]
    high: Annotated[float, Field(gt=0, le=1e4)]

    @model_validator(mode="after")
    def _ordered(self) -> "Band":
        if self.low > self.high:
            raise ValueError("low must not be above high")
        return self


class Targets(Model):
    """Targets that replace the starting points of the use; nothing means the starting point holds."""

    frequency: Band | None = None
    frequency_ratio: Band | None = None
    held_at_droop: ShortLengthM | None = None


class Brief(Model):
    use: Use = "fast road, track days"
    complaint: Text = ""
    keep: Text = ""
    """What may not be given up."""
    pitch_school: Literal["flat ride", "stiff front"] = "flat ride"
    stop_school: Literal["not touched", "as springs"] = "not touched"
    frequency_basis: Literal["wheel rate", "with tyre"] = "wheel rate"
    targets: Targets = Targets()

    @property
    def frequency_band(self) -> tuple[float, float]:
        band = self.targets.frequency
        return (band.low, band.high) if band else FREQUENCY_BANDS[self.use]

    @property
    def ratio_band(self) -> tuple[float, float]:
        band = self.targets.frequency_ratio
        return (band.low, band.high) if band else FLAT_RIDE

    @property
    def held_at_droop(self) -> float:
        return HELD_AT_DROOP if self.targets.held_at_droop is None else self.targets.held_at_droop
