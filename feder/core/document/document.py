"""The whole document, and reading one from a file."""

from typing import Annotated, Literal

from pydantic import Field, ValidationError, model_validator

from feder.core.document.base import Ident, Model, Name, SignedLengthM, Text
from feder.core.document.brief import Brief
from feder.core.document.setup import Setup
from feder.core.document.survey import Survey
from feder.core.document.vehicle import Vehicle


class LoadItem(Model):
    """Something carried: mass, x behind the front axle, y right of the centre line."""

    name: Name
    mass: Annotated[float, Field(gt=0, le=50_000)]
    x: Annotated[float, Field(ge=-10, le=30)]
    y: SignedLengthM = 0.0


class LoadState(Model):
    """A named load on top of the vehicle as weighed."""

    id: Ident
    name: Name
    items: Annotated[tuple[LoadItem, ...], Field(max_length=200)] = ()


class Document(Model):
    """A vehicle file, format 1."""

    format: Literal[1] = 1
    content: Literal["feder vehicle"] = "feder vehicle"
    vehicle: Vehicle
    brief: Brief = Brief()
    surveys: Annotated[tuple[Survey, ...], Field(max_length=200)] = ()
    loads: Annotated[tuple[LoadState, ...], Field(max_length=50)] = ()
    setups: Annotated[tuple[Setup, ...], Field(min_length=1, max_length=200)]
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
        return self

    @property
    def survey(self) -> Survey | None:
        """The survey that anchors the heights: the first."""
        return self.surveys[0] if self.surveys else None


class BadDocument(ValueError):
    """A file that is no vehicle document: each fault with its place, the first one first."""

    def __init__(self, faults: list[dict[str, str]]) -> None:
        super().__init__(f"{faults[0]['place']}: {faults[0]['message']}")
        self.faults = faults


def read_document(text: str | bytes) -> Document:
    """A document from the text of a file.

    Raises:
        BadDocument: not JSON, another format, or any member out of place; nothing is read in part.
    """
    try:
        return Document.model_validate_json(text)
    except ValidationError as error:
        raise BadDocument(faults_of(error)) from None


def faults_of(error: ValidationError) -> list[dict[str, str]]:
    """All faults of a refused document, each with its place in words."""
    return [
        {"place": ".".join(str(part) for part in fault["loc"]) or "file", "message": fault["msg"]}
        for fault in error.errors(include_url=False, include_context=False, include_input=False)
    ]
