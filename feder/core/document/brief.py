"""The brief: what the vehicle is for, what is wrong, and the targets that follow."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from feder.core.document.base import EndName, Model, ShortLengthM, Text
from feder.core.numbers.quantities import Unit
from feder.core.practice.targets import (
    COMFORT_WEIGHTS,
    DAMPING_BANDS,
    FLAT_RIDE,
    FREQUENCY_BANDS,
    HOP_BAND,
    SAG_BANDS,
    SAG_SHARES,
    SPLIT,
    SPLIT_BAND,
)
from feder.core.practice.usual import HELD_AT_DROOP

Pair = tuple[float, float]

Use = Literal[
    "comfort road",
    "sporty road",
    "fast road, track days",
    "circuit",
    "load carrier",
    "road motorcycle",
    "track motorcycle",
    "off-road motorcycle",
    "cross-country",
    "trail",
    "enduro and downhill",
]


class Band(Model):
    """A range wanted, low to high."""

    low: Annotated[float, Unit("by its target"), Field(gt=0, le=1e4)]
    high: Annotated[float, Unit("by its target"), Field(gt=0, le=1e4)]

    @model_validator(mode="after")
    def _ordered(self) -> "Band":
        if self.low > self.high:
            raise ValueError("low must not be above high")
        return self


class Targets(Model):
    """Targets that replace the starting points of the use; nothing means the starting point holds."""

    frequency: Band | None = None
    """Of both ends, where an end has none of its own."""
    front_frequency: Band | None = None
    rear_frequency: Band | None = None
    frequency_ratio: Band | None = None
    front_rider_sag: Band | None = None
    """Sags of a two-wheeler in m, as they are read: along the tube of a fork, or at the wheel."""
    rear_rider_sag: Band | None = None
    front_rider_wanted: ShortLengthM | None = None
    """Rider sag aimed at, where it is not the middle of the band."""
    rear_rider_wanted: ShortLengthM | None = None
    front_free_sag: Band | None = None
    rear_free_sag: Band | None = None
    held_at_droop: ShortLengthM | None = None
    damping: Band | None = None
    """Low-speed damping of the body, as a share of critical."""
    damping_high: Band | None = None
    """High-speed damping against wheel hop."""
    rebound_over_bump: Band | None = None
    split: Annotated[float, Unit(""), Field(gt=0, le=10)] | None = None
    """Rebound over bump aimed at."""
    comfort: Annotated[float, Unit(""), Field(ge=0, le=1)] | None = None
    """Weight of comfort against grip where damping is judged on a road: 0 grip alone, 1 comfort alone."""
    lean: Annotated[float, Unit("rad"), Field(gt=0, le=1.4)] | None = None
    """Lean a motorcycle should reach in a bend before anything touches, as loaded, rad."""


class Brief(Model):
    use: Use = "fast road, track days"
    complaint: Text = ""
    keep: Text = ""
    """What may not be given up."""
    pitch_school: Literal["flat ride", "stiff front"] = "flat ride"
    stop_school: Literal["not touched", "as springs"] = "not touched"
    frequency_basis: Literal["wheel rate", "with tyre"] = "wheel rate"
    sag_written: Literal["length", "share"] | None = None
    """Whether sag is told in mm or as a share of the travel; nothing: as usual for the use."""
    targets: Targets = Targets()

    def frequency_band(self, end: EndName) -> Pair | None:
        """Frequency wanted at an end, Hz; two-wheelers are set by sag and have none unless it is typed."""
        typed: Band | None = getattr(self.targets, f"{end}_frequency")
        band = typed or self.targets.frequency
        return (band.low, band.high) if band else FREQUENCY_BANDS.get(self.use)

    def sag_band(
        self, end: EndName, load: Literal["rider", "free"], travel: float | None, factor: float = 1.0
    ) -> Pair | None:
        """Sag wanted at an end, m at the wheel; of a bicycle it is a share of the travel.

        Bands are meant as the sag is read; `factor` leads a reading along a fork tube to the wheel.
        """
        typed: Band | None = getattr(self.targets, f"{end}_{load}_sag")
        low, high = (typed.low, typed.high) if typed is not None else (None, None)
        if typed is None and self.use in SAG_BANDS:
            low, high = SAG_BANDS[self.use][f"{end} {load}"]
        if low is not None and high is not None:
            return low * factor, high * factor
        if self.use not in SAG_SHARES or load == "free" or travel is None:
            return None
        low, high = SAG_SHARES[self.use]
        return low * travel, high * travel

    def sag_wanted(self, end: EndName, band: Pair, factor: float = 1.0) -> float:
        """Rider sag aimed at, m at the wheel: as typed, or the middle of its band."""
        typed: float | None = getattr(self.targets, f"{end}_rider_wanted")
        return typed * factor if typed else (band[0] + band[1]) / 2

    @property
    def damping_band(self) -> Pair:
        """Low-speed damping wanted: mean of bump and rebound, as a share of the body's critical damping."""
        band = self.targets.damping
        return (band.low, band.high) if band else DAMPING_BANDS[self.use]

    @property
    def hop_band(self) -> Pair:
        """High-speed damping wanted, against wheel hop."""
        band = self.targets.damping_high
        return (band.low, band.high) if band else HOP_BAND

    @property
    def split_band(self) -> Pair:
        """Rebound over bump, from and to."""
        band = self.targets.rebound_over_bump
        return (band.low, band.high) if band else SPLIT_BAND

    @property
    def split_wanted(self) -> float:
        return SPLIT if self.targets.split is None else self.targets.split

    @property
    def ratio_band(self) -> tuple[float, float]:
        band = self.targets.frequency_ratio
        return (band.low, band.high) if band else FLAT_RIDE

    @property
    def held_at_droop(self) -> float:
        return HELD_AT_DROOP if self.targets.held_at_droop is None else self.targets.held_at_droop

    @property
    def comfort_weight(self) -> float:
        """Weight of comfort against grip, from grip alone (0) to comfort alone (1)."""
        return COMFORT_WEIGHTS[self.use] if self.targets.comfort is None else self.targets.comfort
