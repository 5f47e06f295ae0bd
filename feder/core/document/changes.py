"""A document with something changed: what-if never touches the document itself. Changes travel as JSON Patch."""

from collections.abc import Callable, Mapping, Sequence
from typing import Any, Literal

from jsonpatch import JsonPatch, JsonPatchException
from jsonpointer import JsonPointerException

from feder.core.document.base import Place
from feder.core.document.document import Document, document_of
from feder.core.document.setup import Setup
from feder.core.numbers.errors import FederError
from feder.core.numbers.frozen import Frozen


class Change(Frozen):
    """One operation of a JSON Patch (RFC 6902): `path` is a JSON pointer from the document's root."""

    op: Literal["add", "replace", "remove"]
    path: str
    value: Any = None


class BadPatch(FederError, ValueError):
    """A patch that does not fit the document it is meant for."""

    code = "bad patch"


def put(path: Sequence[str | int], value: Any) -> Change:
    """The change that sets one member, or replaces one entry of a list."""
    pointer = "".join(f"/{str(part).replace('~', '~0').replace('/', '~1')}" for part in path)
    return Change(op="replace" if isinstance(path[-1], int) else "add", path=pointer, value=value)


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


def in_its_place(document: Document, setup: str, other: Setup) -> Document:
    """The document with another state of a setup in its place."""
    return with_setup(document, setup, lambda _: other.but(id=setup))


def patched(document: Document, plain: dict[str, Any], patch: Sequence[Change]) -> tuple[Document, dict[str, Any]]:
    """A document and its plain data after a patch. Parts that it does not touch stay the very same objects.

    Raises:
        BadPatch: an operation whose place is not there.
        BadDocument: what comes out is no document.
    """
    operations = [c.model_dump(exclude={"value"} if c.op == "remove" else None) for c in patch]
    made = _opened(plain, [c.path for c in patch])
    try:
        made = JsonPatch(operations).apply(made, in_place=True)
    except (JsonPatchException, JsonPointerException, TypeError) as error:
        raise BadPatch(f"patch: {error}", key="patch") from None
    if not isinstance(made, dict):
        raise BadPatch("patch: leaves no document", key="patch")
    parts: dict[str, Any] = {k: getattr(document, k) if plain.get(k) is v else v for k, v in made.items()}
    before, after = plain.get("setups"), made.get("setups")
    if isinstance(before, list) and isinstance(after, list) and after is not before:
        old = {id(data): setup for data, setup in zip(before, document.setups, strict=True)}
        parts["setups"] = [old.get(id(data), data) for data in after]
    return document_of(parts), made


def _opened(plain: dict[str, Any], pointers: Sequence[str]) -> dict[str, Any]:
    """A copy that may be changed at these places: only what lies on the way there is copied."""
    root: dict[str, Any] = dict(plain)
    fresh = {id(root)}
    for pointer in pointers:
        node: Any = root
        for part in pointer.split("/")[1:]:
            part = part.replace("~1", "/").replace("~0", "~")
            key: Any = int(part) if isinstance(node, list) and part.isdigit() else part
            try:
                child = node[key]
            except (KeyError, IndexError, TypeError):
                break
            if isinstance(child, dict | list) and id(child) not in fresh:
                child = node[key] = child.copy()
                fresh.add(id(child))
            node = child
    return root
