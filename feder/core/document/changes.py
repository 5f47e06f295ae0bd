"""A document with part of one setup changed, for trying things: what-if never touches the document itself."""

from collections.abc import Callable, Mapping
from typing import Any

from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.numbers.frozen import Frozen


class PatchStep(Frozen):
    """Set one member of the document: path from its root, new value."""

    path: list[str | int]
    value: Any = None


def with_sides(document: Document, setup: str, members: Mapping[Place, Mapping[str, Any]]) -> Document:
    """The document with some members of some corners of one setup changed."""
    return with_setup(document, setup, lambda s: sides_changed(s, members))


def sides_changed(setup: Setup, members: Mapping[Place, Mapping[str, Any]]) -> Setup:
    """The setup with some members of some of its corners changed."""
    sides = {p.value: getattr(setup.sides, p.value).but(**m) for p, m in members.items()}
    return setup.but(sides=setup.sides.but(**sides))


def with_setup(document: Document, setup: str, change: Callable[[Setup], Setup]) -> Document:
    """The document with one setup put through a function."""
    setups = tuple(change(s) if s.id == setup else s for s in document.setups)
    return document.but(setups=setups)
