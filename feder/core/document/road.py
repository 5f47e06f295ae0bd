"""The road of a trial run: pieces one behind the other, or a manoeuvre; with the speed it is driven at."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from feder.core.document.base import Model
from feder.core.numbers.quantities import Unit

PieceKind = Literal["flat", "bump", "step", "hole", "waves", "sweep", "rough", "profile"]
Sides = Literal["both", "left", "right", "opposite"]
"""Which wheels meet a piece; opposite: what lifts the left ones lowers the right ones."""
ManoeuvreKind = Literal["braking", "driving", "corner", "slalom"]
RoadLength = Annotated[float, Unit("m"), Field(ge=0.05, le=2000)]
Coordinate = Annotated[float, Unit("m"), Field(ge=-1e5, le=1e5)]
HeightsAt = Annotated[tuple[Coordinate, ...], Field(min_length=3, max_length=3)]
"""Distance, height on the left, height on the right, m."""
NEEDS: dict[str, tuple[str, ...]] = {
    "bump": ("height",), "step": ("height",), "hole": ("height",), "waves": ("height", "wave"),
    "sweep": ("height",), "rough": ("road_class",), "profile": ("points",),
}  # fmt: skip
"""What each kind of piece has to tell beside its length."""


class RoadPiece(Model):
    """One piece of road: `height` is a bump's or a step's, a hole's depth, waves' from trough to crest."""

    kind: PieceKind
    length: RoadLength
    height: Annotated[float, Unit("m"), Field(gt=0, le=0.5)] | None = None
    wave: Annotated[float, Unit("m"), Field(ge=0.2, le=200)] | None = None
    """Length of one wave."""
    road_class: Literal["A", "B", "C", "D", "E", "F", "G", "H"] | None = None
    """Of a rough piece, ISO 8608."""
    sides: Sides = "both"
    alike: bool = False
    """Of a rough piece: whether both tracks are the same; else they are as alike as on an isotropic road."""
    points: Annotated[tuple[HeightsAt, ...], Field(min_length=3, max_length=20_000)] | None = None
    """Of a profile: distance, height on the left, height on the right; m."""

    @model_validator(mode="after")
    def _whole(self) -> "RoadPiece":
        missing = [name for name in NEEDS.get(self.kind, ()) if getattr(self, name) is None]
        if missing:
            raise ValueError(f"a piece of kind {self.kind} needs its {missing[0].replace('_', ' ')}")
        if self.kind == "waves" and self.wave is not None and self.length < self.wave:
            raise ValueError("waves: the piece must be as long as one wave at least")
        return self


class Manoeuvre(Model):
    """An acceleration that rises from nothing to `amount`, is held, and goes again; on a flat road."""

    kind: ManoeuvreKind
    amount: Annotated[float, Unit("m/s^2"), Field(gt=0, le=20)]
    seconds: Annotated[float, Unit("s"), Field(ge=0.5, le=20)] = 3.0


class Trial(Model):
    """What both setups are driven over, and how fast. The seed makes a random road the same each time."""

    pieces: Annotated[tuple[RoadPiece, ...], Field(max_length=40)] = ()
    manoeuvre: Manoeuvre | None = None
    speed: Annotated[float, Unit("m/s"), Field(ge=1, le=100)]
    seed: Annotated[int, Field(ge=0, le=1_000_000)] = 7

    @model_validator(mode="after")
    def _driven(self) -> "Trial":
        if not self.pieces and self.manoeuvre is None:
            raise ValueError("pieces: put at least one piece of road together, or choose a manoeuvre")
        return self


class Proving(Model):
    """The trial that setups of this vehicle are driven through, and the road put together for it."""

    road: Annotated[str, Field(max_length=20)] = "bump"
    """Name of the road that is driven: one of those that come with Feder, or "own"."""
    speed: Annotated[float, Unit("m/s"), Field(ge=1, le=100)] = 60 / 3.6
    seed: Annotated[int, Field(ge=0, le=1_000_000)] = 7
    own: Annotated[tuple[RoadPiece, ...], Field(max_length=40)] = ()
    on_sheet: bool = False
    """Whether the setup sheet tells of the run."""
