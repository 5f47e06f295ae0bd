"""What a setup replaces of an end, carried into the setups that follow from it."""

from collections.abc import Iterator

from feder.core.document.base import EndName
from feder.core.document.changes import Change, put
from feder.core.document.document import Document
from feder.core.standing.facts import setup_of


def later_setups(document: Document, setup: str) -> list[int]:
    """Where the setups stand that follow from this one, by their parents."""
    follow, found = {setup}, []
    for i, other in enumerate(document.setups):
        if other.parent in follow and other.id != setup:
            follow.add(other.id)
            found.append(i)
    return found


def carry_end(document: Document, setup: str, end: EndName) -> Iterator[Change]:
    """The changes that give what a setup replaces of an end to every setup that follows from it."""
    change = getattr(setup_of(document, setup), f"{end}_end")
    plain = None if change is None else change.model_dump(mode="json")
    for i in later_setups(document, setup):
        yield put(["setups", i, f"{end}_end"], plain)
