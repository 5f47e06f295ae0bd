"""Springs from the shelf, each tried at one end of a setup: its numbers, its ladder, what speaks against it."""

from collections.abc import Iterator, Sequence
from typing import Literal

from pydantic import BaseModel, ConfigDict

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.document import Document
from feder.core.document.setup import SpringPart
from feder.core.evaluate import evaluate
from feder.core.evaluate.vehicle import LEFT_RIGHT, frequency_on
from feder.core.mount import wheel_rate
from feder.core.report import Figure, Grade, Report, figure
from feder.core.standing.facts import Facts, gather, setup_of, side_of
from feder.core.working import tracing

SAME_DIAMETER = 0.0015
"""Inside diameters that fit the same perch differ by no more than this, m."""


class Objection(BaseModel):
    """The first thing that speaks against a candidate; at which travel it acts, where it acts on the ladder."""

    model_config = ConfigDict(frozen=True)
    rule: str
    grade: Grade
    text: str
    numbers: dict[str, Figure] = {}


class Candidate(BaseModel):
    """One spring, tried. Travels are at the wheel from the ride height asked for, bump positive."""

    model_config = ConfigDict(frozen=True)
    part: SpringPart
    chosen: bool
    wheel_rate: Figure | None = None
    frequency: Figure | None = None
    over_front: Figure | None = None
    spring_length: Figure | None = None
    collar: Figure | None = None
    held_at_droop: Figure | None = None
    bind: Figure | None = None
    loose: Figure | None = None
    sits: Figure | None = None
    """How far from the height asked for the car would sit because the thread ends, up positive."""
    objection: Objection | None = None


RANK = (
    "solid_above_fitted",
    "collar_off_thread",
    "binds_first",
    "loose_at_droop",
    "frequency_target",
    "flat_ride",
    "stiff_front",
    "barely_held",
    "near_thread_end",
)
"""Objections, the worst kind first."""
NEAR_END = 0.006
"""Thread left beside the collar below which there is little to correct with, m."""
Fit = Literal["fits", "all"]


def candidates(
    document: Document,
    setup: str,
    end: EndName,
    parts: Sequence[SpringPart],
    fit: Fit = "fits",
    load_state: str | None = None,
) -> list[Candidate]:
    """Every spring of the shelf tried at one end, softest first.

    `fit` keeps those of the inside diameter that is on the vehicle now (or all, where none is). Heights
    and loads are those of the setup as it stands; each spring is tried on both sides alike.

    Raises:
        UnknownSetup: the document has no such setup or load state.
    """
    report = evaluate(document, setup, load_state)
    with tracing():
        facts = gather(document)
        now = side_of(setup_of(document, setup), LEFT_RIGHT[end][0]).spring
        wanted = now.inside_diameter if now else None
        fitting = [p for p in parts if fit == "all" or _fits(p, wanted)]
        rows = [_tried(facts, report, document, setup, end, part, now) for part in fitting]
    return sorted(rows, key=lambda r: (r.part.rate.value, r.part.free_length or 0.0))


def _fits(part: SpringPart, inside: float | None) -> bool:
    return inside is None or part.inside_diameter is None or abs(part.inside_diameter - inside) <= SAME_DIAMETER


def _tried(
    facts: Facts,
    report: Report,
    document: Document,
    setup: str,
    end: EndName,
    part: SpringPart,
    now: SpringPart | None,
) -> Candidate:
    about, brief = facts.ends[end], document.brief
    mass = report.ends[end].sprung_mass
    at_wheel = wheel_rate(part.rate.value, about.motion_ratio) if about.motion_ratio else None
    frequency = None
    if at_wheel is not None and mass is not None:
        frequency = frequency_on(at_wheel, mass.value, about, brief)
    other = report.ends[ENDS[1 - ENDS.index(end)]].frequency
    over = None
    if frequency is not None and other is not None:
        over = frequency / other.value - 1 if end == "rear" else other.value / frequency - 1
    corners = [_Corner(document, setup, report, place, part) for place in LEFT_RIGHT[end]]
    against = [(o, bad) for c in corners for bad, o in c.objections(brief.held_at_droop)]
    if (aimed := _aim(frequency, over, document, end)) is not None:
        against.append((aimed, 0.0))
    ranked = sorted(against, key=lambda pair: (RANK.index(pair[0].rule), -pair[1]))
    first = ranked[0][0] if ranked else None
    lead = corners[0]
    return Candidate(
        part=part,
        chosen=now is not None
        and (now.code, now.rate.value, now.free_length) == (part.code, part.rate.value, part.free_length),
        wheel_rate=figure(at_wheel, "N/m"),
        frequency=figure(frequency, "Hz"),
        over_front=figure(over, ""),
        spring_length=figure(lead.length, "m"),
        collar=figure(lead.collar, "m"),
        held_at_droop=figure(lead.held, "m"),
        bind=figure(min((c.bind for c in corners if c.bind is not None), default=None), "m"),
        loose=figure(max((c.loose for c in corners if c.loose is not None), default=None), "m"),
        sits=figure(max((c.sits for c in corners), key=abs), "m"),
        objection=first,
    )


def _aim(frequency: float | None, over: float | None, document: Document, end: EndName) -> Objection | None:
    """What the brief says against a frequency."""
    brief = document.brief
    low, high = brief.frequency_band
    if frequency is not None and not low <= frequency <= high:
        where = "below" if frequency < low else "above"
        edge = low if frequency < low else high
        return _objection(
            "frequency_target",
            "look",
            f"{{frequency}}, {where} the target of {{edge}}",
            frequency=(frequency, "Hz"),
            edge=(edge, "Hz"),
        )
    if over is None or end == "front":
        return None
    ratio_low, ratio_high = brief.ratio_band
    if brief.pitch_school == "flat ride" and 1 + over < ratio_low:
        return _objection(
            "flat_ride",
            "look",
            "Only {over} over front; flat ride starts at {edge}",
            over=(over, ""),
            edge=(ratio_low - 1, ""),
        )
    if brief.pitch_school == "flat ride" and 1 + over > ratio_high:
        return _objection(
            "flat_ride",
            "look",
            "{over} over front; flat ride ends at {edge}",
            over=(over, ""),
            edge=(ratio_high - 1, ""),
        )
    if brief.pitch_school == "stiff front" and over > 0:
        return _objection("stiff_front", "look", "{over} over front; the front is wanted higher", over=(over, ""))
    return None


def _objection(rule: str, grade: Grade, text: str, **numbers: tuple[float, str]) -> Objection:
    return Objection(
        rule=rule,
        grade=grade,
        text=text,
        numbers={k: Figure(value=float(v), unit=u) for k, (v, u) in numbers.items()},
    )


class _Corner:
    """One spring at one corner, at the height and load of the setup."""

    def __init__(self, document: Document, setup: str, report: Report, place: Place, part: SpringPart) -> None:
        corner = report.corners[place]
        side = side_of(setup_of(document, setup), place)
        self.seat = side.seat
        self.free, self.solid_length = part.free_length, part.solid_length
        self.ratio = ratio = float(corner.motion_ratio.value) if corner.motion_ratio else 0.0
        self.length = self.collar = self.bind = self.loose = self.held = None
        self.sits = 0.0
        ends = [f.value for f in (corner.solid, corner.contact) if f is not None]
        self.other_limit = min(ends, default=None)
        if corner.corner_load is None or not ratio or part.free_length is None:
            return
        self.length = part.free_length - corner.corner_load.value / (ratio * part.rate.value)
        self.loose = (self.length - part.free_length) / ratio
        if part.solid_length is not None:
            self.bind = (self.length - part.solid_length) / ratio
        if corner.droop is not None:
            self.held = part.free_length - self.length + ratio * corner.droop.value
        if corner.seat_length is not None and corner.hub_to_arch is not None:
            self.collar = self._collar(corner.seat_length.value, corner.hub_to_arch.value, report, place, document)
            if self.seat is not None and self.seat.thread is not None and self.collar is not None:
                past = max(0.0, self.collar - self.seat.thread) + min(0.0, self.collar)
                self.sits = -past / ratio

    def _collar(
        self, seat_length: float, hub: float, report: Report, place: Place, document: Document
    ) -> float | None:
        assert self.length is not None
        height = (
            self.seat.hub_to_arch
            if self.seat and self.seat.length is not None and self.seat.hub_to_arch is not None
            else None
        )
        if height is None:
            travel = report.corners[place].wheel_travel
            if travel is None:
                return None
            height = hub + travel.value
        return seat_length - self.ratio * (height - hub) - self.length

    def objections(self, wanted_hold: float) -> Iterator[tuple[float, Objection]]:
        """What speaks against the spring here, each with how bad it is within its kind."""
        length, sits = self.length, self.sits
        if length is None:
            return
        if self.solid_length is not None and self.solid_length >= length:
            yield 0.0, _objection("solid_above_fitted", "stop", "Coils are closed before it carries the load")
        if abs(sits) > 1e-9:
            words = "too long: car sits {off} high" if sits > 0 else "too short: car sits {off} low"
            numbers = {"past": (abs(sits) * self.ratio, "m"), "off": (abs(sits), "m")}
            yield abs(sits), _objection("collar_off_thread", "stop", f"{{past}} {words}", **numbers)
        if self.bind is not None and self.other_limit is not None and self.bind < self.other_limit:
            numbers = {"bind": (self.bind, "m"), "other": (self.other_limit, "m")}
            text = "Coils close at {bind}, before the limit at {other}"
            yield -self.bind, _objection("binds_first", "stop", text, **numbers)
        if self.held is not None and self.held < 0 and self.loose is not None:
            text = "Loose below {loose}: rattles at full droop"
            yield self.loose, _objection("loose_at_droop", "look", text, loose=(self.loose, "m"))
        elif self.held is not None and self.held < wanted_hold - 1e-9:
            numbers = {"held": (self.held, "m"), "wanted": (wanted_hold, "m")}
            text = "Held by only {held} at full droop; {wanted} wanted"
            yield -self.held, _objection("barely_held", "look", text, **numbers)
        if self.collar is not None and self.seat is not None and self.seat.thread is not None:
            left = min(self.collar, self.seat.thread - self.collar)
            if left < NEAR_END:
                where = "below" if self.collar < self.seat.thread / 2 else "above"
                text = f"{{left}} of thread left {where} the collar"
                yield -left, _objection("near_thread_end", "note", text, left=(left, "m"))
