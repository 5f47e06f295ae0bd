"""The whole document, and reading one from a file."""

from typing import Annotated, Any, Literal

from pydantic import Field, ValidationError, model_validator
from pydantic_core import from_json

from feder.core.document.base import PLACES, WHEELS, Ident, Model, Name, Place, SignedLengthM, Text
from feder.core.document.brief import Brief
from feder.core.document.fitting import Fastener, OwnCard
from feder.core.document.load_spring import BandSpring
from feder.core.document.road import Proving
from feder.core.document.setup import Setup, TorsionBarPart
from feder.core.document.survey import Survey
from feder.core.document.upgrade import upgraded
from feder.core.document.vehicle import CAR_LAYOUTS, Vehicle
from feder.core.numbers.errors import BadFile
from feder.core.numbers.quantities import Unit


class LoadItem(Model):
    """Something carried: mass, x behind the front axle, y right of the centre line.

    Where its place was not told, the middle of wheelbase and track is assumed, and marked.
    """

    name: Name
    mass: Annotated[float, Unit("kg"), Field(gt=0, le=50_000)]
    x: Annotated[float, Unit("m"), Field(ge=-10, le=30)] | None = None
    y: SignedLengthM | None = None


class LoadState(Model):
    """A named load on top of the vehicle as weighed."""

    id: Ident
    name: Name
    items: Annotated[tuple[LoadItem, ...], Field(max_length=200)] = ()


class StoodBy(Model):
    """A number that looked odd and was looked at again: it is so, and is not asked about while it stays."""

    rule: Annotated[str, Field(min_length=1, max_length=60)]
    place: Annotated[str, Field(min_length=1, max_length=120)]
    value: Annotated[float, Unit("as its rule tells it"), Field(ge=-1e12, le=1e12)]


class Document(Model):
    """A vehicle file, format 2."""

    format: Literal[2] = 2
    content: Literal["feder vehicle"] = "feder vehicle"
    vehicle: Vehicle
    brief: Brief = Brief()
    surveys: Annotated[tuple[Survey, ...], Field(max_length=200)] = ()
    loads: Annotated[tuple[LoadState, ...], Field(max_length=50)] = ()
    bars: Annotated[tuple[TorsionBarPart, ...], Field(max_length=50)] = ()
    """Torsion bars at hand for this vehicle; springs that fit many stand on the workshop's shelf."""
    load_springs: Annotated[tuple[BandSpring, ...], Field(max_length=50)] = ()
    """Load springs at hand for this vehicle of which only band and lift are known."""
    setups: Annotated[tuple[Setup, ...], Field(min_length=1, max_length=200)]
    fasteners: Annotated[tuple[Fastener, ...], Field(max_length=80)] = ()
    card: OwnCard = OwnCard()
    proving: Proving = Proving()
    stood_by: Annotated[tuple[StoodBy, ...], Field(max_length=200)] = ()
    notes: Text = ""

    @model_validator(mode="after")
    def _consistent(self) -> "Document":
        for what, ids in (
            ("setup", [s.id for s in self.setups]),
            ("survey", [s.id for s in self.surveys]),
            ("load state", [s.id for s in self.loads]),
        ):
            if len(set(ids)) != len(ids):
                raise ValueError(f"two of the {what}s have the same id")
        known: set[str] = set()
        for setup in self.setups:
            if setup.parent is not None and setup.parent not in known:
                raise ValueError(f"setup {setup.id}: its parent {setup.parent} does not stand before it")
            known.add(setup.id)
        if self.setups[0].stage != "as found":
            raise ValueError("the first setup must be the one as found")
        if self.surveys and self.surveys[0].setup is not None:
            raise ValueError("the first survey must be the one as found")
        lost = [s.setup for s in self.surveys if s.setup is not None and s.setup not in known]
        if lost:
            raise ValueError(f"surveys: there is no setup {lost[0]}")
        kinds = [(f.end, f.kind) for f in self.fasteners]
        if len(set(kinds)) != len(kinds):
            raise ValueError("fasteners: two rows are of the same kind at one end")
        car = self.vehicle.kind == "car"
        for name, end in (("front", self.vehicle.ends.front), ("rear", self.vehicle.ends.rear)):
            if (end.layout in CAR_LAYOUTS) != car:
                raise ValueError(f"vehicle.ends.{name}.layout: a {self.vehicle.kind} has no {end.layout}")
        read = [r.place for s in self.surveys for r in s.readings] + [
            w.place for s in self.surveys for w in s.wheels
        ]
        strange = [place.value for place in read if place not in self.places]
        if strange:
            raise ValueError(f"surveys: a {self.vehicle.kind} has no {strange[0].replace('_', ' ')}")
        return self

    @property
    def places(self) -> tuple[Place, ...]:
        """The places of this vehicle: four corners, or two wheels."""
        return PLACES if self.vehicle.kind == "car" else WHEELS

    @property
    def survey(self) -> Survey | None:
        """The survey that anchors the heights: the first, as found."""
        return self.surveys[0] if self.surveys else None

    def survey_index(self, setup: str, quantity: str | None = None) -> int | None:
        """Where a setup's newest survey stands, or the newest with a quantity; as found, the one that anchors."""
        if setup == self.setups[0].id:
            return 0 if self.surveys else None
        rounds = self.rounds_of(setup)
        return next((i for i in reversed(rounds) if quantity is None or self.surveys[i].has(quantity)), None)

    def rounds_of(self, setup: str) -> tuple[int, ...]:
        """Where the surveys of a setup on the wheels stand, the first round first."""
        return tuple(i for i, s in enumerate(self.surveys) if s.setup == setup)


KINDS = ("coil", "torsion bar", "air")


class BadDocument(BadFile):
    """A file that is no vehicle document: each fault with its place, the first one first."""

    code = "bad document"


def read_document(text: str | bytes) -> Document:
    """A document from the text of a file, of this or any earlier format.

    Raises:
        BadDocument: not JSON, a newer format, or any member out of place; nothing is read in part.
    """
    try:
        data = from_json(text)
    except ValueError as error:
        raise BadDocument([{"place": "file", "message": f"is not JSON: {error}"}]) from None
    if not isinstance(data, dict):
        raise BadDocument([{"place": "file", "message": "must be one object"}])
    try:
        whole = upgraded(data)
    except BadFile as error:
        raise BadDocument(error.faults) from None
    return document_of(whole)


def document_of(data: Any) -> Document:
    """A document from its plain data, parts that are models already taken as they are. Raises `BadDocument`."""
    try:
        return Document.model_validate(data)
    except ValidationError as error:
        raise BadDocument(faults_of(error)) from None


def faults_of(error: ValidationError) -> list[dict[str, str]]:
    """All faults of a refused document, each with its place in words."""
    return [
        {"place": _place(fault["loc"]), "message": fault["msg"]}
        for fault in error.errors(include_url=False, include_context=False, include_input=False)
    ]


def _place(loc: tuple[int | str, ...]) -> str:
    """Where a fault lies, without the kind that a choice of kinds puts after its member."""
    parts = [
        part for before, part in zip(("", *loc), loc, strict=False) if before != "spring" or part not in KINDS
    ]
    return ".".join(map(str, parts)) or "file"
