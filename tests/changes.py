"""Change one corner or one end of a document."""


def with_side(document, setup, place, **members):
    """The document with some members of one corner of one setup changed."""
    at = [s.id for s in document.setups].index(setup)
    sides = document.setups[at].sides
    side = getattr(sides, place).model_copy(update=members)
    changed = document.setups[at].model_copy(update={"sides": sides.model_copy(update={place: side})})
    setups = list(document.setups)
    setups[at] = changed
    return document.model_copy(update={"setups": tuple(setups)})


def with_end(document, end, **members):
    """The document with some members of one end changed."""
    ends = document.vehicle.ends
    changed = ends.model_copy(update={end: getattr(ends, end).model_copy(update=members)})
    return document.model_copy(update={"vehicle": document.vehicle.model_copy(update={"ends": changed})})
