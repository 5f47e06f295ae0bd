"""One corner as it stands: what is asked of it, and where load, height and adjuster have come."""

from dataclasses import dataclass, fields
from typing import Protocol

from feder.core.document.cursor import Cursor, maybe, number
from feder.core.document.setup import SideSetup, SpringPart
from feder.core.formulas.wheel_heights import hub_to_arch_after
from feder.core.solvers.equilibrium import Curve
from feder.core.standing.damper import damper_at, is_own, left_of
from feder.core.standing.facts import CornerFacts
from feder.core.standing.parts.air import AirFacts
from feder.core.standing.parts.bump_stop import StopFacts
from feder.core.standing.parts.coil import SpringFacts
from feder.core.standing.parts.coil_beside import BesideFacts
from feder.core.standing.parts.oil import OilFacts
from feder.core.standing.parts.torsion_bar import BarFacts


@dataclass(slots=True)
class SeatFacts:
    """Room for the spring: length between the seats with the collar at its datum, at a height."""

    length: float
    height: float


@dataclass
class StandingCorner:
    """One corner as it stands. Travel is from the found height, bump positive."""

    facts: CornerFacts
    at: Cursor
    """Where this corner of this setup stands in the document."""
    side: SideSetup
    spring: SpringFacts | None = None
    bar: BarFacts | None = None
    air: AirFacts | None = None
    stop: StopFacts | None = None
    beside: BesideFacts | OilFacts | None = None
    sprung_mass: float | None = None
    load: float | None = None
    hub_to_arch: float | None = None
    travel: float | None = None
    drop: float | None = None
    spring_load: float | None = None
    """Part of the load that comes to the spring's place: less an anti-roll bar's, and led through a live axle."""
    spring_hub: float | None = None
    """Hub to arch at the spring: that of the wheel, but for a live axle that is rolled."""
    found_hub: float | None = None
    """The same as found, where wheel travel is counted from."""
    motion_ratio: float | None = None
    ratio_slope: float | None = None
    spring_force: float | None = None
    spring_length: float | None = None
    seat: SeatFacts | None = None
    collar: float | None = None
    arm_angle: float | None = None
    free_angle: float | None = None
    found_free_angle: float | None = None
    pressure: float | None = None
    stroke: float | None = None
    as_found: "StandingCorner | None" = None
    """The same corner as found; nothing where this is it."""
    fixed: bool = False
    """Whether the adjuster stands where it was set, whatever the load."""

    @property
    def damper_at(self) -> Cursor:
        """Where the damper that stands here is told; nothing where none is."""
        return damper_at(self.at, (self.as_found or self).at, self.facts.end)

    @property
    def damper_left(self) -> float | None:
        """Share of its curve that its damper still has, where a bounce test said so."""
        return left_of(self.at, (self.as_found or self).at, self.facts.end)

    @property
    def keeps_damper(self) -> bool:
        """Whether the damper found still stands here."""
        return not (self.facts.end.other_suspension or is_own(self.at, (self.as_found or self).at))

    def but(self, **members: object) -> "StandingCorner":
        """The same corner with other members; quicker than a general copy, on the live path.

        Raises `TypeError` for a member that a corner does not have.
        """
        if not members.keys() <= _MEMBERS:
            raise TypeError(f"a corner has no {', '.join(sorted(members.keys() - _MEMBERS))}")
        changed = object.__new__(StandingCorner)
        changed.__dict__.update(self.__dict__, **members)
        return changed


_MEMBERS = frozenset(f.name for f in fields(StandingCorner))


class Springing(Protocol):
    """How one kind of spring stands between load, height and its adjuster."""

    def found(self, corner: StandingCorner) -> StandingCorner:
        """As found: the adjuster that the measured height and load imply."""
        ...

    def set_at(self, corner: StandingCorner) -> float | None:
        """The adjuster where it is set; nothing where a height is asked for instead."""
        ...

    def curve(self, corner: StandingCorner) -> Curve | None:
        """Force over wheel travel from the found height, adjuster set; nothing while something is missing."""
        ...

    def answered(self, corner: StandingCorner) -> StandingCorner:
        """Once height and load are known: spring force, and the adjuster that gives them (or was set)."""
        ...


def asked_height(corner: StandingCorner) -> float | None:
    """Hub to arch asked for in this setup."""
    side, place = corner.side, corner.facts.place
    if not corner.fixed and side.set_by == "height" and side.hub_to_arch is not None:
        return number(corner.at.hub_to_arch, f"{place.words} hub to arch asked for", source="asked for")
    return None if corner.fixed else _dropped(corner)


def _dropped(corner: StandingCorner) -> float | None:
    """Height on a lowering spring where the spring it replaces is not known: as its maker quotes the drop."""
    found, part, side = corner.as_found, corner.side.spring, corner.side
    if found is None or found.hub_to_arch is None or side.set_by != "collar" or side.collar:
        return None
    if not isinstance(part, SpringPart) or part.quoted_drop is None or part.free_length is not None:
        return None
    if corner.facts.end.spring_place != found.facts.end.spring_place:
        return None  # a drop is quoted against the standard spring in its own place
    if found.spring_length is not None:
        return None
    quoted = number(
        corner.at.spring.quoted_drop,
        f"{part.code}, quoted drop",
        source="maker's figure, the spring it replaces not known",
        assumed=True,
    )
    return hub_to_arch_after(found.hub_to_arch, quoted)


def typed_setting(corner: StandingCorner, how: str, member: str, now: float | None) -> float | None:
    """An adjuster as set in the document, or as it stood before the load came."""
    side, place = corner.side, corner.facts.place
    if corner.fixed:
        return now
    if side.set_by != how:
        return None
    source = "by level" if how == "free angle" else "set"
    return maybe(corner.at[member], f"{place.words} {how}", source=source)


def hard_limits(corner: StandingCorner) -> dict[str, float]:
    """Wheel travel from the found height to the hard limits, as a force curve takes them."""
    end, wheel, at_spring = corner.facts.end, corner.facts.hub_to_arch, corner.found_hub
    if wheel is None or at_spring is None:
        return {}
    # a live axle that leaned as found has its damper's limits elsewhere than its tyres'
    bump = [float(at) - float(h) for at, h in ((at_spring, end.solid), (wheel, end.contact)) if h is not None]
    droop = {} if end.droop is None else {"droop": float(at_spring) - float(end.droop)}
    return droop | ({"solid": min(bump)} if bump else {})
