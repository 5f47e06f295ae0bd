"""The sheet's table of parts: dampers, what lies at the seats, and what a setup replaces of an end."""

from collections.abc import Callable

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.conversion import EndChange
from feder.core.document.damper import DamperPart
from feder.core.document.document import Document
from feder.core.document.setup import Setup, SideSetup
from feder.core.report.shapes import CornerReport, Figure, Report
from feder.core.standing.facts import side_of
from feder.sheet.table import Table
from feder.units.show import SHOWN_UNIT, figure, unit_shown

KNOB_WORDS = {"rebound": "rebound", "bump": "bump", "high_bump": "high-speed bump", "both": "both ways"}
NOTE = (
    "A charged damper is not opened. Thread engagement, bolts and their torque as the makers say; structural work by a "
    "licensed workshop, with approval where it is asked for."
)


def parts_table(document: Document, setup: Setup, report: Report, system: str) -> Table | None:
    """Parts of a setup by corner; nothing where it tells none."""
    found, places = document.setups[0], document.places
    sides = {p: side_of(setup, p) for p in places}
    dampers = {p: _damper(setup, found, p) for p in places}
    mm = SHOWN_UNIT.get(unit_shown("m", system)[0], unit_shown("m", system)[0])
    rows = []

    def add(words: str, of: Callable[[Place], str]) -> None:
        cells = [of(p) for p in places]
        if any(cell not in ("", "–") for cell in cells):
            rows.append([words, *cells])

    def fine(value: float | None, *, signed: bool = False) -> str:
        return "–" if not value else figure(value, "m", system, kind="fine length", signed=signed)

    def told(value: Figure | None) -> str:
        if value is None:
            return "–"
        shown = figure(value.value, value.unit, system, kind="fine length")
        return ("~" if value.assumed else "") + shown

    def of_damper(read: Callable[[DamperPart], str]) -> Callable[[Place], str]:
        return lambda p: "–" if (part := dampers[p]) is None else read(part)

    def share(value: Figure | None, decimals: int = 2) -> str:
        if value is None:
            return "–"
        return ("~" if value.assumed else "") + figure(value.value, "", system, decimals=decimals)

    add("damper", of_damper(lambda d: d.code))
    add(f"extended, shut, {mm}", of_damper(lambda d: _pair(d, system)))
    add(f"body turned to, {mm}", lambda p: told(report.corners[p].body_length))
    add(f"thread engaged, {mm}", lambda p: told(report.corners[p].thread_engaged))
    add(
        f"body longer than told, {mm}",
        lambda p: "–" if report.corners[p].body_length else fine(sides[p].body, signed=True),
    )
    add("adjusters, clicks", of_damper(_knobs))
    add("planned with what is left, %", lambda p: _left(sides[p], side_of(found, p).damper))
    add("mode", lambda p: sides[p].mode or "–")
    add("damping, body, of critical", lambda p: share(_of_curve(report.corners[p])))
    add("damping, wheel hop", lambda p: share(report.corners[p].damping_high))
    add("rebound over bump, slow", lambda p: share(report.corners[p].split_low, 1))
    add(f"top mount thicker, {mm}", lambda p: fine(sides[p].top_mount, signed=True))
    add(f"seat stack, {mm}", lambda p: _stack(sides[p], side_of(found, p), system))
    add(f"pads at the seat, {mm}", lambda p: fine(sides[p].pads, signed=True))
    add(f"collar by rule, {mm}", lambda p: told(report.corners[p].collar_rule))
    note = " ".join([*(_replaced(setup, e, system) for e in ENDS), NOTE]).strip()
    changed = any(getattr(setup, f"{e}_end") for e in ENDS)
    if not rows and not changed:
        return None
    return Table("Dampers, seats, and what is replaced", ["", *(p.words for p in places)], rows, note)


def _of_curve(corner: CornerReport) -> Figure | None:
    """Damping of the body where it is that of a curve at its clicks; of one coefficient the first page tells it."""
    return None if corner.split_low is None else corner.damping_ratio


def _pair(part: DamperPart, system: str) -> str:
    if part.extended is None and part.shut is None:
        return "–"
    return ", ".join("–" if v is None else figure(v, "m", system) for v in (part.extended, part.shut))


def _knobs(part: DamperPart) -> str:
    if not part.knobs:
        return "none"
    said = [f"{KNOB_WORDS[k.acts]} {k.clicks}" + (f", locked: {k.locked}" if k.locked else "") for k in part.knobs]
    return f"{', '.join(said)}; from {part.knobs[0].counted_from}"


def _stack(side: SideSetup, found: SideSetup, system: str) -> str:
    items = found.stack if side.stack is None else side.stack
    if items is None:
        return "–"
    return (
        ", ".join(f"{i.name} {figure(i.thickness, 'm', system, kind='fine length')}" for i in items) or "nothing"
    )


def _damper(setup: Setup, found: Setup, place: Place) -> DamperPart | None:
    """The damper that stands at a corner; with another suspension in its place the one found is gone."""
    change: EndChange | None = getattr(setup, f"{place.end}_end")
    gone = change is not None and change.is_layout
    return side_of(setup, place).damper or (None if gone else side_of(found, place).damper)


def _left(side: SideSetup, found: DamperPart | None) -> str:
    """The share of its curve that a worn damper is planned with."""
    kept = side.damper is None or side.damper == found
    return "–" if side.curve_left is None or not kept else f"{100 * side.curve_left:.0f}"


def _replaced(setup: Setup, end: EndName, system: str) -> str:
    """What a setup replaces of an end, in words; nothing where that is nothing."""
    change: EndChange | None = getattr(setup, f"{end}_end")
    if change is None:
        return ""

    def mm(value: float) -> str:
        return figure(value, "m", system, unit=True)

    said = []
    if change.layout is not None:
        said.append(f"converted to {change.layout}")
    if change.spring is not None or change.damper is not None:
        said.append("arms, links or mounts")
    if change.limits is not None:
        said.append("travel limits read again")
    if change.tyre is not None and change.tyre.size is not None:
        said.append(f"tyre {change.tyre.size}")
    if change.tyre is not None and change.tyre.radius is not None:
        said.append(f"tyre of radius {mm(change.tyre.radius)}")
    if change.track is not None:
        said.append(f"track {mm(change.track)}")
    if change.joint_spacer is not None:
        said.append(f"ball-joint spacer {mm(change.joint_spacer)}")
    if change.link_length is not None:
        said.append(f"bar links {mm(change.link_length)}")
    if change.bar is not None:
        said.append("another anti-roll bar")
    if change.unsprung_mass is not None:
        said.append(f"unsprung {figure(change.unsprung_mass.value, 'kg', system, unit=True)} a corner")
    return f"{end.capitalize()}: {', '.join(said)}." if said else ""
