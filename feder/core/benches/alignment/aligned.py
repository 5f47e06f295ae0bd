"""What a read-out shows of each wheel and axle, led to angles against the centre line."""

from dataclasses import dataclass, field
from math import asin

from feder.core.document.base import EndName, Place
from feder.core.document.document import Document
from feder.core.document.setup import Setup, Within
from feder.core.document.survey import Survey
from feder.core.document.vehicle import Tyre
from feder.core.formulas.alignment import scrub, thrust_angle, toe_as_angle, toe_at_rim
from feder.core.practice.thresholds import CAMBER_OFF, CASTER_OFF, TOE_OFF
from feder.core.standing.facts import places_of, side_of

USUAL_RIM = 0.4
"""Rim on which a wanted toe in mm is taken where none was told, m; marked."""


@dataclass(slots=True)
class Angles:
    """Toe of one wheel as an angle, camber and caster; nothing where one was not read."""

    toe: float | None = None
    camber: float | None = None
    caster: float | None = None
    across: float | None = None
    """The same toe at the rim, m."""


@dataclass(slots=True)
class AlignedWheel:
    """One wheel: before, now and wanted, and what of it is off. `rim` leads its toe angles to mm at the rim."""

    place: Place
    before: Angles
    now: Angles
    wanted: Angles
    rim: float | None
    rim_assumed: bool
    within: Angles = field(default_factory=Angles)
    """How far each may lie from what is wanted, as told or by the practice; `within_told` holds only the told."""
    within_told: Angles = field(default_factory=Angles)
    toe_off: bool = False
    camber_off: bool = False
    caster_off: bool = False
    scrub: float | None = None
    """Of this wheel's toe as read, were it held so; running straight the axle shares."""


@dataclass(slots=True)
class AlignedEnd:
    """One axle: what it does running straight."""

    end: EndName
    total: float | None = None
    """Toe of both wheels together, rad."""
    total_wanted: float | None = None
    across: float | None = None
    across_wanted: float | None = None
    """Both totals at the rims, m."""
    scrub: float | None = None
    """Each wheel, at half the total, m/km; `scrub_wanted` of the toe that is wanted."""
    scrub_wanted: float | None = None
    cross_camber: float | None = None
    cross_caster: float | None = None
    """Left less right."""
    eats: bool = False
    wanted_eats: bool = False


def is_aligned(survey: Survey) -> bool:
    return any(v is not None for w in survey.wheels for v in (w.toe, w.toe_angle, w.camber, w.caster))


def rim_of(document: Document, at: Setup, end: EndName) -> tuple[float, bool]:
    """Diameter of the rim at which toe is measured, and whether it had to be assumed."""
    change = getattr(at, f"{end}_end")
    tyres: list[Tyre] = [
        t for t in (change.tyre if change else None, getattr(document.vehicle.ends, end).tyre) if t
    ]
    told = next((t.rim_diameter for t in tyres if t.rim_diameter is not None), None)
    return (USUAL_RIM, True) if told is None else (told, False)


def found_angles(document: Document, first: Setup, place: Place) -> Angles:
    """As found: what the first setup tells of a wheel."""
    side, (rim, _) = side_of(first, place), rim_of(document, first, place.end)
    return Angles(_angle(side.toe, rim), side.camber, side.caster)


def _angle(toe: float | None, rim: float) -> float | None:
    return None if toe is None or abs(toe) > rim else asin(toe / rim)


def read_angles(document: Document, at: Setup, now: Survey | None, place: Place) -> Angles:
    """A wheel of the round, its front toe led from the thrust line to the centre line where it was read so."""
    told = None if now is None else now.wheel(place)
    if told is None or now is None:
        return Angles()
    toe = told.toe_angle if told.toe_angle is not None else _toe(document, at, now, place)
    if toe is not None and now.against == "thrust line" and place.end == "front":
        left, right = (_rear(document, at, now, p) for p in places_of(document, "rear"))
        if left is None or right is None:
            return Angles(None, told.camber, told.caster)
        toe += (1 if place.is_left else -1) * float(thrust_angle(left, right))
    return Angles(toe, told.camber, told.caster)


def _rear(document: Document, at: Setup, now: Survey, place: Place) -> float | None:
    told = now.wheel(place)
    if told is None:
        return None
    return told.toe_angle if told.toe_angle is not None else _toe(document, at, now, place)


def _toe(document: Document, at: Setup, now: Survey, place: Place) -> float | None:
    told, (rim, _) = now.wheel(place), rim_of(document, at, place.end)
    return None if told is None or told.toe is None else float(toe_as_angle(told.toe, rim))


def wheel_of(document: Document, place: Place, before: Angles, now: Angles, at: Setup) -> AlignedWheel:
    side, (rim, assumed) = side_of(at, place), rim_of(document, at, place.end)
    wanted = Angles(_angle(side.toe, rim), side.camber, side.caster)

    told = side.within or Within()
    asked = Angles(_angle(told.toe, rim), told.camber, told.caster)
    within = Angles(
        asked.toe or TOE_OFF / rim, asked.camber or float(CAMBER_OFF), asked.caster or float(CASTER_OFF)
    )
    for angles in (before, now, wanted, within, asked):
        angles.across = None if angles.toe is None else float(toe_at_rim(angles.toe, rim))

    def off(of: str) -> bool:
        read, want = getattr(now, of), getattr(wanted, of)
        return read is not None and want is not None and abs(read - want) > getattr(within, of) + 1e-9

    return AlignedWheel(
        place,
        before,
        now,
        wanted,
        rim,
        assumed,
        within,
        asked,
        off("toe"),
        off("camber"),
        off("caster"),
        None if now.toe is None else float(scrub(now.toe)),
    )
