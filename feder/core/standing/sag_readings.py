"""What was read of a two-wheeler's sag: extended, bike alone, rider on, each lifted and pressed, at the wheel."""

from dataclasses import dataclass

from feder.core.document.base import Place
from feder.core.document.cursor import Cursor, node, number
from feder.core.document.survey import SAG_STATES
from feder.core.document.vehicle import End
from feder.core.formulas.sag import friction_of, mean_reading, solid_from_travel, wheel_of_tube
from feder.core.standing.readings import mean_of_readings

WORDS = {"extended": "fully extended", "bike": "bike alone", "rider": "rider on"}


@dataclass(frozen=True, slots=True)
class SagReads:
    """Heights of a wheel's mark over its axle, straight up, in the three states; frictions as wheel travel."""

    heights: dict[str, float]
    frictions: dict[str, float]

    def of(self, state: str) -> float | None:
        return self.heights.get(state)


NONE = SagReads({}, {})


def sag_reads(document: Cursor, place: Place, end: Cursor, survey: int = 0) -> SagReads:
    """The sag readings of one wheel in a survey. A fork read along its tube is led to the wheel by its rake."""
    if place.mirror is not place or len(node(document).surveys) <= survey:
        return NONE
    rake = rake_read_along(end, place)
    heights: dict[str, float] = {}
    frictions: dict[str, float] = {}
    for state in SAG_STATES:
        lifted, pressed = (_one(document, survey, place, state, pull) for pull in ("lifted", "pressed"))
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


def rake_read_along(at: Cursor, place: Place) -> float | None:
    """The rake of a fork whose sag is read along its tube; nothing where it is read straight up."""
    end: End = node(at)
    if end.layout != "fork" or end.fork is None or end.fork.read == "vertical":
        return None
    return number(at.fork.rake, f"{place.end} rake")


def solid_of_travel(at: Cursor, place: Place, droop: float | None) -> float | None:
    """Height at which an end's whole travel is used up."""
    end: End = node(at)
    if end.travel is None or droop is None:
        return None
    whole = number(at.travel, f"{place.end} travel")
    if end.layout == "fork" and end.fork is not None:
        whole = wheel_of_tube(whole, number(at.fork.rake, f"{place.end} rake"))
    return None if whole >= droop else solid_from_travel(droop, whole)


def _one(document: Cursor, survey: int, place: Place, state: str, pull: str) -> float | None:
    """One reading, or the mean of its repeats."""
    return mean_of_readings(document, survey, place, f"{state}_{pull}", f"{place.words} {WORDS[state]}, {pull}")
