"""What was read of a two-wheeler's sag: extended, bike alone, rider on, each lifted and pressed, at the wheel."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.survey import SAG_STATES
from feder.core.document.vehicle import End
from feder.core.formulas.sag import friction_of, mean_reading, solid_from_travel, wheel_of_tube
from feder.core.numbers.working import given
from feder.core.standing.how import HOW_WORDS

WORDS = {"extended": "fully extended", "bike": "bike alone", "rider": "rider on"}


@dataclass(frozen=True, slots=True)
class SagReads:
    """Heights of a wheel's mark over its axle, straight up, in the three states; frictions as wheel travel."""

    heights: dict[str, float]
    frictions: dict[str, float]

    def of(self, state: str) -> float | None:
        return self.heights.get(state)


NONE = SagReads({}, {})


def sag_reads(document: Document, place: Place, end: End) -> SagReads:
    """The sag readings of one wheel. A fork read along its tube is led to the wheel by its rake."""
    if place.mirror is not place or document.survey is None:
        return NONE
    rake = rake_read_along(end, place)
    heights: dict[str, float] = {}
    frictions: dict[str, float] = {}
    for state in SAG_STATES:
        lifted, pressed = (_one(document, place, state, pull) for pull in ("lifted", "pressed"))
        if lifted is not None and pressed is not None:
            read = mean_reading(lifted, pressed)
            friction = friction_of(lifted, pressed)
            frictions[state] = friction if rake is None else wheel_of_tube(friction, rake)
        else:
            single = lifted if lifted is not None else pressed
            if single is None:
                continue
            read = single
        heights[state] = read if rake is None else wheel_of_tube(read, rake)
    return SagReads(heights, frictions)


def rake_read_along(end: End, place: Place) -> float | None:
    """The rake of a fork whose sag is read along its tube; nothing where it is read straight up."""
    if end.layout != "fork" or end.fork is None or end.fork.read == "vertical":
        return None
    path = f"vehicle.ends.{place.end}.fork.rake"
    return given(end.fork.rake, f"{place.end} rake", "rad", path=path, source="typed in")


def solid_of_travel(end: End, place: Place, droop: float | None) -> float | None:
    """Height at which an end's whole travel is used up."""
    if end.travel is None or droop is None:
        return None
    path = f"vehicle.ends.{place.end}.travel"
    whole = given(end.travel, f"{place.end} travel", "m", path=path, source="typed in")
    if end.layout == "fork" and end.fork is not None:
        rake = given(
            end.fork.rake,
            f"{place.end} rake",
            "rad",
            path=f"vehicle.ends.{place.end}.fork.rake",
            source="typed in",
        )
        whole = wheel_of_tube(whole, rake)
    return None if whole >= droop else solid_from_travel(droop, whole)


def _one(document: Document, place: Place, state: str, pull: str) -> float | None:
    """One reading, or the mean of its repeats."""
    survey = document.survey
    found = [
        (i, r)
        for i, r in enumerate(survey.readings if survey else ())
        if r.place is place and r.quantity == f"{state}_{pull}"
    ]
    if not found:
        return None
    mean = sum(r.value for _, r in found) / len(found)
    how = HOW_WORDS[found[0][1].how] if len(found) == 1 else f"mean of {len(found)} readings"
    return given(
        mean,
        f"{place.words} {WORDS[state]}, {pull}",
        "m",
        path=f"surveys.0.readings.{found[0][0]}.value",
        source=how,
        assumed=any(r.how == "estimated" for _, r in found),
    )
