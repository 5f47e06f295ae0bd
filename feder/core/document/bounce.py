"""Bounce tests as they were read: a corner pushed in its own rhythm and let go."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from feder.core.document.base import LengthM, Model, Name, Place
from feder.core.numbers.quantities import Unit

MOST_READINGS = 1200
Time = Annotated[float, Unit("s"), Field(ge=-1e4, le=1e5)]
Read = Annotated[float, Unit("by its kind"), Field(ge=-1e4, le=1e4)]
Kind = Literal["height", "acceleration"]


class LetGo(Model):
    """One let-go of a logger's file: readings over time, and where the hand let go if that was moved by hand."""

    name: Name = "let-go"
    times: Annotated[tuple[Time, ...], Field(min_length=8, max_length=MOST_READINGS)]
    readings: Annotated[tuple[Read, ...], Field(min_length=8, max_length=MOST_READINGS)]
    release: Time | None = None

    @model_validator(mode="after")
    def _pairs(self) -> "LetGo":
        if len(self.times) != len(self.readings):
            raise ValueError("times and readings must be as many")
        if any(b <= a for a, b in zip(self.times, self.times[1:], strict=False)):
            raise ValueError("times must rise")
        return self


class Bounce(Model):
    """What was read of one corner: let-goes of a logger, and three heights off a film of a ruler."""

    place: Place
    kind: Kind = "height"
    """Of the body over the floor in m, or its acceleration in m/s²."""
    runs: Annotated[tuple[LetGo, ...], Field(max_length=9)] = ()
    rest: LengthM | None = None
    """Floor to arch at rest, then at the bottom where the hand let go, then at the next low."""
    low: LengthM | None = None
    next_low: LengthM | None = None
