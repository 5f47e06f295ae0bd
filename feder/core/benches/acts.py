"""Acts: what a person does on a bench, as the changes of the document that it makes. One model an act."""

from collections.abc import Iterable
from math import pi
from typing import Annotated, Literal

from pydantic import Field

from feder.core.benches.damping.turn import turn_clicks
from feder.core.benches.geometry.carry import carry_end
from feder.core.benches.height.ask import ask_collar, ask_height
from feder.core.benches.height.body import set_body, take_body
from feder.core.benches.index.fit import coil_for_bar, fit_bar, kept_meant, set_for_load
from feder.core.benches.sag.take import take_air, take_lever, take_sags, take_spring, tell_needs
from feder.core.benches.settle.take import take_turns
from feder.core.benches.springs.choose import Sides, choose_spring, keep_found, perch
from feder.core.document.base import EndName, LengthM, Place, PressurePa, RateNpm, SignedLengthM
from feder.core.document.changes import Change
from feder.core.document.damper import Acts
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart, TorsionBarPart
from feder.core.numbers.errors import OutOfRange
from feder.core.numbers.frozen import Frozen

Changes = Iterable[Change]


class ChooseSpring(Frozen):
    """A spring from the shelf, at one end."""

    act: Literal["choose spring"]
    end: EndName
    part: SpringPart
    sides: Sides = "both"

    def changes(self, document: Document, setup: str) -> Changes:
        return choose_spring(document, setup, self.end, self.part, self.sides)


class OnPerch(Frozen):
    """An end set on the perch as it came, or back to its height."""

    act: Literal["perch"]
    end: EndName
    on: bool

    def changes(self, document: Document, setup: str) -> Changes:
        return perch(document, setup, self.end, on=self.on)


class KeepFound(Frozen):
    """The spring as found stays."""

    act: Literal["keep found"]
    end: EndName

    def changes(self, document: Document, setup: str) -> Changes:
        return keep_found(document, setup, self.end)


class TakeBody(Frozen):
    """The damper body as long as the hold at full droop asks for."""

    act: Literal["take body"]
    place: Place
    together: bool = False

    def changes(self, document: Document, setup: str) -> Changes:
        return take_body(document, setup, self.place, together=self.together)


class SetBody(Frozen):
    """The damper body turned to a length."""

    act: Literal["set body"]
    place: Place
    length: LengthM
    together: bool = False

    def changes(self, document: Document, setup: str) -> Changes:
        return set_body(document, setup, self.place, self.length, together=self.together)


class CarryEnd(Frozen):
    """What a setup replaces of an end, in the setups that follow from it too."""

    act: Literal["carry end"]
    end: EndName

    def changes(self, document: Document, setup: str) -> Changes:
        return carry_end(document, setup, self.end)


class TurnClicks(Frozen):
    """Knobs turned to clicks, counted from shut."""

    act: Literal["turn clicks"]
    end: EndName
    place: Place | None = None
    clicks: dict[Acts, int] = Field(max_length=4)

    def changes(self, document: Document, setup: str) -> Changes:
        return turn_clicks(document, setup, self.end, self.clicks, self.place)


class FitBar(Frozen):
    """Another torsion bar."""

    act: Literal["fit bar"]
    end: EndName
    part: TorsionBarPart

    def changes(self, document: Document, setup: str) -> Changes:
        return fit_bar(document, setup, self.end, self.part)


class CoilForBar(Frozen):
    """Coilovers in the place of torsion bars."""

    act: Literal["coil for bar"]
    end: EndName
    rate: RateNpm
    free_length: LengthM | None = None

    def changes(self, document: Document, setup: str) -> Changes:
        return coil_for_bar(document, setup, self.end, self.rate, self.free_length)


class SetForLoad(Frozen):
    """Both plates of an end for the height under a load."""

    act: Literal["set for load"]
    end: EndName
    load_state: str | None

    def changes(self, document: Document, setup: str) -> Changes:
        return set_for_load(document, setup, self.end, self.load_state)


class AskHeight(Frozen):
    """A hub to arch, or a change of it from as found."""

    act: Literal["ask height"]
    place: Place
    height: LengthM | None = None
    change: SignedLengthM | None = None
    together: bool = False

    def changes(self, document: Document, setup: str) -> Changes:
        asked = list(ask_height(document, setup, self.place, self.height, self.change, together=self.together))
        return [*asked, *kept_meant(document, setup, self.place.end, asked)]


class AskCollar(Frozen):
    """A collar, the others kept where they stand."""

    act: Literal["ask collar"]
    place: Place
    collar: SignedLengthM
    together: bool = False

    def changes(self, document: Document, setup: str) -> Changes:
        return ask_collar(document, setup, self.place, self.collar, together=self.together)


class TakeSags(Frozen):
    """Preload or pressure for the rider sag wanted."""

    act: Literal["take sags"]
    ends: Annotated[tuple[EndName, ...], Field(max_length=2)]
    load_state: str | None = None

    def changes(self, document: Document, setup: str) -> Changes:
        return take_sags(document, setup, self.ends, self.load_state)


class TakeSagSpring(Frozen):
    """A spring of the shelf with the preload found for it."""

    act: Literal["take sag spring"]
    end: EndName
    part: SpringPart
    collar: SignedLengthM

    def changes(self, document: Document, setup: str) -> Changes:
        return take_spring(document, setup, self.end, self.part, self.collar)


class TakeAir(Frozen):
    """Volume spacers with the pressure for them."""

    act: Literal["take air"]
    end: EndName
    spacers: Annotated[int, Field(ge=0, le=20)]
    pressure: PressurePa

    def changes(self, document: Document, setup: str) -> Changes:
        return take_air(document, setup, self.end, self.spacers, self.pressure)


class TakeLever(Frozen):
    """One adjuster as it must stand for a lean or a seat height."""

    act: Literal["take lever"]
    place: Place
    member: Literal["collar", "shock_length", "clamp"]
    value: SignedLengthM

    def changes(self, document: Document, setup: str) -> Changes:
        return take_lever(document, setup, self.place, self.member, self.value)


class TellNeeds(Frozen):
    """The few numbers that the verdict of an end waits for."""

    act: Literal["tell needs"]
    end: EndName
    rake: Annotated[float, Field(ge=0, le=1.58)] | None = None
    head_angle: bool = False
    """Whether that is told from the horizontal, as a bicycle's head angle is."""
    travel: LengthM | None = None
    stroke: LengthM | None = None
    rate: RateNpm | None = None
    pressure: PressurePa | None = None

    def changes(self, document: Document, setup: str) -> Changes:
        rake = pi / 2 - self.rake if self.rake is not None and self.head_angle else self.rake
        return tell_needs(document, self.end, rake, self.travel, self.stroke, self.rate, self.pressure)


class TakeTurns(Frozen):
    """Adjusters of the vehicle that stands turned to new settings; what was wanted stays wanted."""

    act: Literal["take turns"]
    to: dict[Place, Annotated[float, Field(ge=-5, le=1e8)]] = Field(min_length=1, max_length=4)
    """Where each goes: collar or body in m, plate in rad, pressure in Pa."""
    survey: int | None = Field(default=None, ge=0, le=1000)
    """The round it was read in."""

    def changes(self, document: Document, setup: str) -> Changes:
        return take_turns(document, setup, self.to, self.survey)


Act = Annotated[
    ChooseSpring
    | OnPerch
    | KeepFound
    | TakeBody
    | SetBody
    | CarryEnd
    | TurnClicks
    | FitBar
    | CoilForBar
    | SetForLoad
    | AskHeight
    | AskCollar
    | TakeSags
    | TakeSagSpring
    | TakeAir
    | TakeLever
    | TellNeeds
    | TakeTurns,
    Field(discriminator="act"),
]


def changes_of(document: Document, setup: str, act: Act) -> list[Change]:
    """The changes that an act makes to a setup.

    Raises:
        UnknownSetup: the document has no such setup.
        OutOfRange: the act names a place that this vehicle has not, or cannot be done.
    """
    place = getattr(act, "place", None)
    if place is not None and place not in document.places:
        raise OutOfRange("place", place, f"is none of this {document.vehicle.kind}'s")
    return list(act.changes(document, setup))
