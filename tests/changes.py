"""Change one corner or one end of a document."""

from feder.core.document.base import Place
from feder.core.document.changes import with_sides


def with_side(document, setup, place, **members):
    """The document with some members of one corner of one setup changed."""
    return with_sides(document, setup, {Place(place): members})


def with_end(document, end, **members):
    """The document with some members of one end changed."""
    ends = document.vehicle.ends
    changed = ends.model_copy(update={end: getattr(ends, end).model_copy(update=members)})
    return document.model_copy(update={"vehicle": document.vehicle.model_copy(update={"ends": changed})})
