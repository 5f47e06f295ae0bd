"""A walk through the document that knows where it is: a number's path comes from the walk, not from typed text.

``cursor(document).vehicle.ends["front"].track`` stands at that member. What stands there is `node`, the way there
`path`; `number` makes of it a number that knows both, its unit read from the member's own annotation.
"""

from typing import Any

from pydantic import BaseModel

from feder.core.document.base import HOW_WORDS, Quantity
from feder.core.numbers.quantities import Unit
from feder.core.numbers.working import given, is_tracing, metadata


class Cursor:
    """A place in the document. A member that is not there is refused at once (`AttributeError`)."""

    __slots__ = ("_above", "_key", "_node")

    def __init__(self, node: Any, above: "Cursor | None" = None, key: str = "") -> None:
        self._node, self._above, self._key = node, above, key

    def __getattr__(self, member: str) -> "Cursor":
        return Cursor(getattr(self._node, member), self, member)

    def __getitem__(self, key: int | str) -> "Cursor":
        """An entry of a list by its number, or a member by its name."""
        node = self._node
        return Cursor(node[key] if isinstance(key, int) else getattr(node, key), self, str(key))

    def __str__(self) -> str:
        return path(self)

    def __bool__(self) -> bool:
        """Whether anything stands here."""
        return self._node is not None


def cursor(root: BaseModel) -> Cursor:
    """At the root of a document."""
    return Cursor(root)


def node(at: Cursor) -> Any:
    """What stands at a place."""
    return at._node


def above(at: Cursor) -> Cursor:
    """The place that holds a place. Raises `LookupError` at the root."""
    if at._above is None:
        raise LookupError("nothing stands above the root")
    return at._above


def root(at: Cursor) -> Cursor:
    """The root of the document that a place belongs to."""
    while at._above is not None:
        at = at._above
    return at


def path(at: Cursor) -> str:
    """The way to a place, from the root: ``vehicle.ends.front.track``."""
    keys = []
    while at._above is not None:
        keys.append(at._key)
        at = at._above
    return ".".join(reversed(keys))


_UNITS: dict[Any, dict[str, str]] = {}


def _units(model: Any) -> dict[str, str]:
    if model not in _UNITS:
        _UNITS[model] = units_of(model) if issubclass(model, BaseModel) else {}
    return _UNITS[model]


def units_of(model: type[BaseModel]) -> dict[str, str]:
    """The unit of each number among a model's members."""
    found = {}
    for name, info in model.model_fields.items():
        units = [m for m in (*info.metadata, *metadata(info.annotation)) if isinstance(m, Unit)]
        if units:
            found[name] = units[0].text
    return found


def number(
    at: Cursor,
    label: str,
    *,
    source: str = "typed in",
    assumed: bool = False,
    value: float | None = None,
    unit: str | None = None,
) -> float:
    """The number at a place, as one that knows where it stands and how it was got.

    `value` stands in for what the document does not hold (an assumption, a mean of repeats), `unit` for a member
    whose unit depends on another.
    """
    told: float = at._node if value is None else value
    if unit is None and is_tracing():
        above = at._above
        unit = "" if above is None else _units(type(above._node)).get(at._key, "")
    return given(told, label, unit or "", place=at, source=source, assumed=assumed)


def maybe(at: Cursor, label: str, *, source: str = "typed in") -> float | None:
    """The number at a place, or nothing where none was told."""
    return number(at, label, source=source) if at else None


def quantity(at: Cursor, label: str) -> float | None:
    """A quantity that says how it was got, or nothing where none was told."""
    if not at:
        return None
    told: Quantity = at._node
    return number(at.value, label, source=HOW_WORDS[told.how], assumed=told.assumed)
