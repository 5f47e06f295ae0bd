"""What a corner is set by: of height and adjuster the one set last stands, the other is computed."""

from collections.abc import Iterator
from typing import Any, Literal

from feder.core.document.base import Place
from feder.core.document.changes import Change, put

SetBy = Literal["height", "collar", "free angle", "pressure", "rider sag"]
SETS: dict[str, SetBy] = {
    "hub_to_arch": "height",
    "collar": "collar",
    "free_angle": "free angle",
    "pressure": "pressure",
    "rider_sag": "rider sag",
}
"""Members of a corner that set it, and what it is then set by."""


def setting(index: int, place: Place, /, **members: Any) -> Iterator[Change]:
    """The changes that set members of one corner of a setup; one that sets the corner says so."""
    for member, value in members.items():
        if member in SETS and value is not None:
            yield put(["setups", index, "sides", place.value, "set_by"], SETS[member])
        yield put(["setups", index, "sides", place.value, member], value)
