"""Rules on a spring in its place, fitted or tried: closed coils, thread, coils before another limit, hold at droop."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from feder.core.document.setup import SpringPart
from feder.core.formulas.height import past_thread
from feder.core.practice.thresholds import THREAD_LEFT
from feder.core.report.findings.against import Against
from feder.core.report.findings.case import length
from feder.core.report.shapes import CornerReport, Figure, Mend
from feder.core.standing.corner import StandingCorner

ROUNDING = 1e-9
"""What arithmetic alone may leave, m."""
CHECK_LENGTHS = Mend(text="Check free and solid length; else take a longer or stiffer spring")
MORE_TRAVEL = Mend(text="Take a spring with more travel: longer, or fewer coils of thicker wire")
HOLD_IT = Mend(
    text="Take a softer spring, add a helper, or limit the droop; at this height a longer one changes nothing"
)
HOLD_ON_PERCH = Mend(text="Take a longer spring, add a helper, or limit the droop")
BODY_FIRST = Mend(text="Set the damper body first: shorter by what the bench says; else a helper, or less droop")


@dataclass(frozen=True, slots=True)
class SpringAt:
    """A spring at its corner, at the height asked for: what the rules on its place look at.

    Lengths along the spring, `bind`, `loose` and `other_limit` wheel travel from ride, bump positive.
    """

    length: float | None
    free_length: float | None
    solid_length: float | None
    held: float | None
    bind: float | None
    loose: float | None
    other_limit: float | None
    collar: float | None
    thread: float | None
    ratio: float | None
    apart: bool = False
    """Whether spring and damper stand apart: then the damper's body sets the hold."""
    perched: bool = False
    """Whether its adjuster stands where it was set, so that its own length decides the height."""
    cap: bool = False
    """Whether its adjuster is the cap of a fork."""

    @property
    def adjuster(self) -> str:
        return "cap" if self.cap else "collar"


def spring_at(stood: StandingCorner, report: CornerReport) -> SpringAt:
    """The spring of a corner of a report."""

    def told(figure: Figure | None) -> float | None:
        return None if figure is None else figure.value

    spring, seat = stood.spring, stood.side.seat
    return SpringAt(
        length=stood.spring_length,
        free_length=None if spring is None else spring.free_length,
        solid_length=None if spring is None else spring.solid_length,
        held=told(report.held_at_droop),
        bind=told(report.bind),
        loose=told(report.loose),
        other_limit=other_limit(report),
        collar=told(report.collar),
        thread=None if seat is None else seat.thread,
        ratio=told(report.motion_ratio),
        **kind_of_place(stood),
    )


def slenderness(part: SpringPart) -> float | None:
    """Free length over mean diameter; nothing where either is not told, or a helper stands on it."""
    if not part.free_length or not part.inside_diameter or part.tender_rate is not None:
        return None
    return part.free_length / (part.inside_diameter + (part.wire_diameter or 0.0))


def kind_of_place(stood: StandingCorner) -> dict[str, bool]:
    """What of a corner decides which words and mends its spring gets."""
    layout = stood.facts.end.end.layout
    return {"apart": layout == "divorced", "perched": stood.side.set_by == "collar", "cap": layout == "fork"}


def other_limit(report: CornerReport) -> float | None:
    """Wheel travel to the first limit in bump that is not the spring's own."""
    return min((f.value for f in (report.hard, report.solid, report.contact) if f is not None), default=None)


def solid_above_fitted(at: SpringAt) -> Against | None:
    """The coils touch before the load is carried."""
    solid = at.solid_length
    if solid is None:
        return None
    if at.free_length is not None and solid >= at.free_length:
        words, other = "free length", at.free_length
    elif at.length is not None and solid >= at.length:
        words, other = "length at ride", at.length
    else:
        return None
    return Against(
        rule="solid_above_fitted",
        grade="stop",
        station="springs",
        text=f"Solid length {{solid}} is not below the {words}, {{other}}",
        numbers={"solid": length(solid), "other": length(other)},
        reason="The coils would all touch before the load is carried: metal on metal, and a spring that breaks.",
        mend=CHECK_LENGTHS,
        row="Coils are closed before it carries the load",
    )


def collar_off_thread(at: SpringAt) -> Against | None:
    """The collar that the height asks for must lie on its thread."""
    if at.collar is None or at.thread is None or not at.ratio:
        return None
    past = past_thread(float(at.collar), at.thread)
    if abs(past) <= ROUNDING:
        return None
    words, sits, spring = ("above the top", "low", "short") if past > 0 else ("below the bottom", "high", "long")
    off = abs(past) / at.ratio
    figures = {"past": length(abs(past)), "off": length(off)}
    return Against(
        rule="collar_off_thread",
        grade="stop",
        station="height",
        text=f"The {at.adjuster} would stand {{past}} {words} of its thread: it sits {{off}} {sits}",
        numbers=figures,
        reason="Spring length and collar range together decide which heights can be set. The height given is right when "
        "left and right move alike.",
        mend=_other_length(at, longer=past > 0),
        row=f"{{past}} too {spring}: sits {{off}} {sits}",
        row_numbers=figures,
        worse=off,
    )


def _other_length(at: SpringAt, *, longer: bool) -> Mend:
    """What cures a thread that ends: another spring, or where one can lie on it, a spacer."""
    if at.cap:
        return Mend(
            text="Put a longer spacer on the springs" if longer else "Cut the spacer on the springs shorter"
        )
    return Mend(text="Take a longer spring, or a spacer under it" if longer else "Take a shorter spring")


def binds_first(at: SpringAt) -> Against | None:
    """The coils close before damper or tyre end the travel."""
    if at.bind is None or at.other_limit is None or not 0 < at.bind < at.other_limit:
        return None
    figures = {"bind": length(at.bind), "other": length(at.other_limit)}
    return Against(
        rule="binds_first",
        grade="stop",
        station="springs",
        text="Coils close at {bind}, before the other limit at {other}",
        numbers=figures,
        reason="A spring that goes solid stops the wheel metal on metal and takes a set or breaks.",
        mend=MORE_TRAVEL,
        row="Coils close at {bind}, before the limit at {other}",
        row_numbers=figures,
        worse=-at.bind,
    )


def held_at_droop(at: SpringAt, wanted: float) -> Against | None:
    """A spring that comes loose at full droop, or is held by less than wanted."""
    if at.held is None or at.held >= wanted - ROUNDING:
        return None
    loose = at.held < 0
    figures = {"loose": length(-at.held)} if loose else {"held": length(at.held), "wanted": length(wanted)}
    row = "Held by only {held} at full droop; {wanted} wanted"
    row_numbers, worse = figures, -at.held
    if loose and at.loose is not None:
        row, row_numbers, worse = (
            "Loose below {loose}: rattles at full droop",
            {"loose": length(at.loose)},
            at.loose,
        )
    return Against(
        rule="loose_at_droop" if loose else "barely_held",
        grade="look",
        station="height" if at.apart else "springs",
        text="Loose by {loose} at full droop" if loose else "Held by only {held} at full droop; {wanted} wanted",
        numbers=figures,
        reason="A spring that comes loose rattles and may not seat again. A helper spring or less droop holds it; "
        "preload changes where it starts, not its rate. One school holds it by a few millimetres, the other lets it hang free on a "
        "helper: the brief says how much is wanted.",
        mend=BODY_FIRST if at.apart else HOLD_ON_PERCH if at.perched else HOLD_IT,
        row=row,
        row_numbers=row_numbers,
        worse=float(worse),
    )


def near_thread_end(at: SpringAt) -> Against | None:
    """Little thread is left beside the collar to correct with."""
    if at.collar is None or at.thread is None:
        return None
    left = min(at.collar, at.thread - at.collar)
    if left >= THREAD_LEFT:
        return None
    where = "below" if at.collar < at.thread / 2 else "above"
    return Against(
        rule="near_thread_end",
        grade="note",
        station="height",
        text=f"{{left}} of thread left {where} the {at.adjuster}",
        numbers={"left": length(left)},
        reason=f"After fitting the height is corrected by the {at.adjuster}, and there is little to correct with.",
        mend=Mend(text=f"Take a spring that puts the {at.adjuster} nearer to the middle"),
        row=f"{{left}} of thread left {where} the {at.adjuster}",
        row_numbers={"left": length(left)},
        worse=-left,
    )


OF_A_SPRING: tuple[Callable[[SpringAt], Against | None], ...] = (
    solid_above_fitted,
    collar_off_thread,
    binds_first,
    near_thread_end,
)


def of_spring(at: SpringAt, wanted_hold: float) -> Iterator[Against]:
    """Everything that speaks against a spring in its place."""
    for found in (*(rule(at) for rule in OF_A_SPRING), held_at_droop(at, wanted_hold)):
        if found is not None:
            yield found
