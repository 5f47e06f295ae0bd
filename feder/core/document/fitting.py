"""What a job card must know of a vehicle: what hangs on an end, fasteners, damage, the workshop's own steps."""

from typing import Annotated, Literal

from pydantic import Field

from feder.core.document.base import EndName, Ident, Model, Name, Place
from feder.core.numbers.quantities import Unit

Day = Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")]
Held = Literal["pinch clamp", "two bolts", "fork"]
"""How the foot of a strut is held by its knuckle."""
Line = Annotated[str, Field(max_length=200)]


class Hangs(Model):
    """What hangs on an end and must come off before its parts do; asked once. Nothing: not told yet."""

    brake_hose: bool | None = None
    wheel_lead: bool | None = None
    """Lead of a wheel-speed sensor."""
    level_rod: bool | None = None
    bar_link: bool | None = None
    """Link of the anti-roll bar, on the strut or the arm that comes down."""
    damper_cable: bool | None = None
    """Cable or mode plug of an electronic damper."""
    drive_shaft: bool | None = None
    reservoir: bool | None = None
    """A reservoir on a line of its own."""
    held: Held | None = None
    mount_handed: bool | None = None
    """Whether the top mount has a direction, or is of one side."""
    bushes: Annotated[int, Field(ge=0, le=12)] | None = None
    """Rubber bushes of one side's arms that are tightened at ride height."""
    damper_bush: bool | None = None
    """Whether the damper's lower eye is in rubber, tightened at ride height."""


class Fastener(Model):
    """One kind of fastener of an end: torque by the maker, whether it is used once, where the new ones are.

    Without a torque the field stays blank: it comes from the vehicle's or the kit's maker alone.
    """

    end: EndName
    kind: Name
    torque: Annotated[float, Unit("N*m"), Field(gt=0, le=2000)] | None = None
    angle: Annotated[float, Unit("rad"), Field(ge=0, le=12.5664)] | None = None
    """Turned on after the torque, at most two turns."""
    said_by: Literal["vehicle's maker", "kit's maker"] = "vehicle's maker"
    single_use: bool | None = None
    count: Annotated[int, Field(ge=1, le=60)] | None = None
    """At one side, where it is another one than usual."""
    here: Literal["here", "in the kit", "to buy", "reused"] | None = None
    tool: Annotated[str, Field(max_length=60)] = ""


class Damage(Model):
    """Something found broken, worn or doubtful. What was done about it is added; the row itself stays."""

    id: Ident
    place: Place | Literal["vehicle"] = "vehicle"
    part: Name
    state: Line = ""
    noted: Day | None = None
    dealt: Literal["new one", "repaired", "sound after all"] | None = None
    dealt_on: Day | None = None
    dealt_by: Annotated[str, Field(max_length=80)] = ""


class OwnStep(Model):
    """A step of the workshop's own on the card of this vehicle, after another one of its group."""

    id: Ident
    group: Annotated[str, Field(max_length=20)]
    after: Annotated[str, Field(max_length=80)] = ""
    """Key of the step before it; empty: the first of its group."""
    words: Annotated[str, Field(min_length=1, max_length=200)]
    caution: Line = ""


class OwnWords(Model):
    """Other words for a step of the card."""

    step: Annotated[str, Field(max_length=80)]
    words: Annotated[str, Field(min_length=1, max_length=200)]


class OwnPlace(Model):
    """Another place for a step of the card: behind another one of its group."""

    step: Annotated[str, Field(max_length=80)]
    after: Annotated[str, Field(max_length=80)] = ""
    """Empty: the first of its group."""


class OwnCard(Model):
    """What the workshop made of the card of this vehicle; it holds for every setup that is fitted."""

    own: Annotated[tuple[OwnStep, ...], Field(max_length=60)] = ()
    words: Annotated[tuple[OwnWords, ...], Field(max_length=200)] = ()
    places: Annotated[tuple[OwnPlace, ...], Field(max_length=200)] = ()
    hidden: Annotated[tuple[Annotated[str, Field(max_length=80)], ...], Field(max_length=200)] = ()
