"""Change one corner or one end of a document."""

from feder.core.benches.acts import changes_of
from feder.core.document.base import Place
from feder.core.document.changes import patched, with_sides
from feder.core.document.survey import Reading, Survey


def with_side(document, setup, place, **members):
    """The document with some members of one corner of one setup changed."""
    return with_sides(document, setup, {Place(place): members})


def with_end(document, end, **members):
    """The document with some members of one end changed."""
    ends = document.vehicle.ends
    changed = ends.model_copy(update={end: getattr(ends, end).model_copy(update=members)})
    return document.model_copy(update={"vehicle": document.vehicle.model_copy(update={"ends": changed})})


def set_down(document, setup, heights, quantity="hub_to_arch"):
    """The document with readings taken while a setup stood on the wheels, in a survey of their own."""
    readings = tuple(Reading(place=p, quantity=quantity, value=v) for p, v in heights.items())
    made = Survey(id=f"set-down-{len(document.surveys)}", setup=setup, readings=readings)
    return document.but(surveys=(*document.surveys, made))


def applied(document, setup, act):
    """The document after an act of a bench."""
    return patched(document, document.model_dump(mode="json"), changes_of(document, setup, act))[0]
