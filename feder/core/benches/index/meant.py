"""The load state under which the heights of an end on torsion bars are meant."""

from feder.core.document.base import EndName
from feder.core.document.document import Document
from feder.core.standing.facts import setup_of


def meant_at(document: Document, setup: str, end: EndName) -> str | None:
    """The load state an end's plates are set for; none where it is as weighed, or that state is gone."""
    told: str | None = getattr(setup_of(document, setup), f"{end}_meant")
    return told if any(s.id == told for s in document.loads) else None


def load_words(document: Document, load_state: str | None) -> str:
    """A load state in words."""
    return next((s.name for s in document.loads if s.id == load_state), "as weighed")
