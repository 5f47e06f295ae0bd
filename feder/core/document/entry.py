"""An entry of the log: what was changed and why, what was felt, and what the day was like."""

from typing import Annotated, Literal

from pydantic import Field

from feder.core.document.base import Ident, Model, Place, PressurePa

Felt = Literal["much worse", "worse", "no difference", "better", "much better"]
FELT: tuple[Felt, ...] = ("much worse", "worse", "no difference", "better", "much better")
"""Five rungs, against the entry before."""
WORDS = ("turns in", "lazy", "drives out", "nervous", "follows", "busy", "calm", "hops", "flat", "floats")
"""Words offered for what is felt; any others may be written."""


class WheelPressure(Model):
    """Tyre pressures of one wheel, gauge."""

    place: Place
    cold: PressurePa | None = None
    hot: PressurePa | None = None


class Entry(Model):
    """What a hand writes into the log. What was changed is found by itself, from the setup as it stands."""

    id: Ident
    at: Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$")]
    """Day and time, as the clock on the wall showed it."""
    odometer: Annotated[float, Field(ge=0, le=1e10)] | None = None
    """m."""
    why: Annotated[str, Field(max_length=500)] = ""
    felt: Felt | None = None
    words: Annotated[tuple[Annotated[str, Field(min_length=1, max_length=40)], ...], Field(max_length=12)] = ()
    surface: Literal["dry", "damp", "wet", "snow", "gravel", "mud"] | None = None
    weather: Annotated[str, Field(max_length=80)] = ""
    air: Annotated[float, Field(ge=-60, le=70)] | None = None
    """Of the air, deg C."""
    pressures: Annotated[tuple[WheelPressure, ...], Field(max_length=4)] = ()
    time: Annotated[float, Field(gt=0, le=1e6)] | None = None
    """Of the lap or the stage, s."""
    where: Annotated[str, Field(max_length=80)] = ""
