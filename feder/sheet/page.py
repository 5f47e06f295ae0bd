"""The setup sheet: A4 from a document and its report, a second page where needed; screen, print, PDF alike."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import date

from markupsafe import Markup

from feder.core.document.base import ENDS, PLACES
from feder.core.document.brief import Brief
from feder.core.document.document import Document
from feder.core.document.setup import Setup, SideSetup, SpringPart
from feder.core.report.evaluate import evaluate
from feder.core.report.shapes import CornerReport, Figure, Report
from feder.core.standing.facts import setup_of, side_of
from feder.sheet.cycle_page import cycle_html
from feder.sheet.drawing import plan_view
from feder.sheet.more import further, overloads
from feder.sheet.pages import pages_of
from feder.sheet.paper import TEMPLATES, cautions_of, conditions_of, day_shown, foot_of, short, show
from feder.sheet.strip import frequency_strip
from feder.units.show import SHOWN_UNIT, figure, unit_shown


@dataclass(frozen=True)
class Row:
    """One line of a corner: words, as found, this setup, unit; `lead` rows are printed large."""

    words: str
    found: str
    now: str
    unit: str = ""
    lead: bool = False
    rule: bool = False
    measured: str = ""
    """What was read with the setup on the wheels; printed where else there is room for a pen."""


def sheet_html(
    document: Document,
    setup_id: str,
    system: str,
    number: int,
    today: date,
    fonts: str,
    code: Markup | None = None,
) -> str:
    """The page as HTML. `number` counts issued sheets, `fonts` is the address of the font files; `code` opens it.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    setup = setup_of(document, setup_id)
    if document.vehicle.kind != "car":
        return cycle_html(document, setup, system, number, today, fonts, code)
    found = document.setups[0]
    is_found = setup.id == found.id
    report = evaluate(document, setup.id, against=None if is_found else found.id)
    corners = {
        p: _rows(document, report.corners[p], side_of(setup, p), side_of(found, p), is_found, system)
        for p in PLACES
    }
    survey = document.survey
    return TEMPLATES.get_template("sheet.html").render(
        vehicle=document.vehicle,
        setup=setup,
        is_found=is_found,
        others=[s.name for s in document.setups if s.stage == setup.stage and s.id != setup.id],
        surveyed=day_shown(date.fromisoformat(survey.date)) if survey and survey.date else None,
        conditions=conditions_of(document),
        number=number,
        today=day_shown(today),
        corners={p.value: rows for p, rows in corners.items()},
        weights={p.value: _weight(report.corners[p], system) for p in PLACES},
        drawing=Markup(
            plan_view(document, report, system, _totals(report, system), _below(document, report, system))
        ),
        strip=Markup(frequency_strip(report, system)),
        targets=_targets(document, report, setup, system),
        cautions=cautions_of(report, system, overloads=overloads(document, setup.id, system)),
        notes=[short(line) for line in (setup.note, document.notes) if line],
        foot=foot_of(report, system),
        more=pages_of(further(document, setup, report, system)),
        fonts=fonts,
        code=code,
    )


def _was(value: Figure | None, system: str, *, kind: str | None = None) -> str:
    if value is None or value.was is None:
        return ""
    return ("~" if value.was_assumed else "") + figure(value.was, value.unit, system, kind=kind)


def _weight(corner: CornerReport, system: str) -> str:
    """What the scale showed with this setup, or what it is to carry."""
    return show(corner.mass_measured or corner.mass, system, unit=True)


def _rows(
    document: Document, corner: CornerReport, side: SideSetup, found: SideSetup, is_found: bool, system: str
) -> list[Row]:
    def unit(si: str, kind: str | None = None) -> str:
        text = unit_shown(si, system, kind)[0]
        return SHOWN_UNIT.get(text, text)

    def plain(
        value: float | None, si: str, kind: str | None = None, decimals: int | None = None, signed: bool = False
    ) -> str:
        return figure(value, si, system, kind=kind, decimals=decimals, signed=signed)

    def code(part: SideSetup) -> str:
        return part.spring.code if part.spring else "–"

    def two(
        words: str,
        value: Figure | None,
        text: str,
        kind: str | None = None,
        lead: bool = False,
        rule: bool = False,
    ) -> Row:
        return Row(words, _was(value, system, kind=kind), show(value, system, kind=kind), text, lead, rule)

    pressure = 0 if unit_shown("Pa", system)[0] == "psi" else 1
    was = found.spring
    rate = figure(was.rate.value, "N/m", system) if isinstance(was, SpringPart) else was.code if was else "–"
    spring_found = "" if is_found else rate
    return [
        replace(
            two("floor to arch", corner.floor_to_arch, "", lead=True),
            measured=_read(corner.floor_measured, system),
        ),
        replace(
            two("hub to arch", corner.hub_to_arch, "", lead=True), measured=_read(corner.hub_measured, system)
        ),
        Row("spring", spring_found, code(side), rule=True),
        two("wheel rate", corner.wheel_rate, unit("N/m")),
        two("frequency", corner.frequency, "Hz" if document.brief.frequency_basis == "wheel rate" else "Hz, tyre"),
        two("damping", corner.damping_ratio, "of critical"),
        *_adjuster(corner, system, unit, two),
        Row("reb., bump", _else(is_found, _clicks(found)[0]), *_clicks(side), rule=True),
        Row(
            "tyre, cold",
            _else(is_found, plain(found.tyre_pressure, "Pa", decimals=pressure)),
            plain(side.tyre_pressure, "Pa", decimals=pressure),
            unit("Pa"),
            rule=True,
        ),
        Row(
            "camber",
            _else(is_found, plain(found.camber, "rad", decimals=1)),
            plain(side.camber, "rad", decimals=1),
            "°",
        ),
        Row("toe", _else(is_found, _toe(found.toe, system)), _toe(side.toe, system), unit("m")),
    ]


def _read(measured: Figure | None, system: str) -> str:
    return "" if measured is None else show(measured, system)


def _adjuster(
    corner: CornerReport, system: str, unit: Callable[..., str], two: Callable[..., Row]
) -> tuple[Row, Row, Row, Row]:
    """What this corner's spring is set by: plate angles of a torsion bar, else collar and hold."""
    if corner.angular_rate is not None:
        stress = None if corner.shear_stress is None else corner.shear_stress.value / 1e6
        return (
            two("plate, unloaded", corner.free_angle, unit("rad"), rule=True),
            two("arm, loaded", corner.arm_angle, unit("rad")),
            Row("plate turned by", "", show(corner.free_angle_change, system), unit("rad")),
            Row("bar stress, ride", "", "–" if stress is None else f"{stress:.0f}", "MPa"),
        )
    return (
        Row("collar", "", show(corner.collar, system, kind="fine length"), f"{unit('m')} up", rule=True),
        Row("turns up", "", show(corner.collar_turns, system), ""),
        two("held at droop", corner.held_at_droop, unit("m"), kind="fine length"),
        two("preload", corner.preload_force, unit("N")),
    )


def _else(is_found: bool, text: str) -> str:
    return "" if is_found else text


def _clicks(side: SideSetup) -> tuple[str, str]:
    """Rebound and bump clicks in one, with their range and the way they are counted."""
    known = [c for c in (side.rebound, side.bump) if c is not None]
    if not known:
        return "–", ""
    counts = ", ".join("–" if c is None else str(c.count) for c in (side.rebound, side.bump))
    ways = {"out" if c.counted_from == "fully closed" else "in" for c in known}
    ranges = {c.of for c in known}
    of = f"of {ranges.pop()} " if len(ranges) == 1 and None not in ranges else ""
    return counts, of + (ways.pop() if len(ways) == 1 else "")


def _toe(toe: float | None, system: str) -> str:
    if toe is None:
        return "–"
    way = "" if toe == 0 else "in " if toe > 0 else "out "
    return way + figure(abs(toe), "m", system, kind="fine length")


def _totals(report: Report, system: str) -> list[tuple[str, str]]:
    v = report.vehicle

    def share(value: Figure | None) -> str:
        return "–" if value is None else f"{value.value * 100:.1f} %"

    return [
        ("total", show(v.total_mass, system, unit=True)),
        ("front", share(v.front_fraction)),
        ("left", share(v.left_fraction)),
        ("cross", share(v.cross_fraction)),
    ]


def _rake(value: float, system: str) -> str:
    if abs(value) < 5e-5:
        return "level"
    return f"{figure(abs(value), 'rad', system, unit=True).replace(' °', '°')} {'nose down' if value > 0 else 'nose up'}"


def _below(document: Document, report: Report, system: str) -> list[str]:
    vehicle, rake = document.vehicle, report.vehicle.rake
    lines = []
    if vehicle.wheelbase is not None:
        lines.append(f"wheelbase {figure(vehicle.wheelbase.value, 'm', system, unit=True)}")
    tracks = [report.ends[e].track for e in ENDS]
    if all(tracks):
        front, rear = (show(t, system) for t in tracks)
        lines.append(f"track {front} front, {rear} rear")
    if rake is not None:
        was = f", was {_rake(rake.was, system)}" if rake.was is not None else ""
        lines.append(_rake(rake.value, system) + was)
    return lines


def _frequencies(brief: Brief, basis: str) -> list[str]:
    """The frequency wanted, each end by itself where they are not the same."""
    front, rear = (brief.frequency_band(end) for end in ENDS)
    told = [("", front)] if front == rear else [("front ", front), ("rear ", rear)]
    return [f"{end}{band[0]:.1f}–{band[1]:.1f} Hz, {basis}" for end, band in told if band is not None]


def _targets(document: Document, report: Report, setup: Setup, system: str) -> list[tuple[str, str]]:
    brief, v = document.brief, report.vehicle
    basis = "on wheel rate alone" if brief.frequency_basis == "wheel rate" else "with the tyre"
    rows: list[tuple[str, str]] = [("use", brief.use)]
    rows += [("frequency", words) for words in _frequencies(brief, basis)]
    if v.frequency_ratio is not None:
        a, b = ((r - 1) * 100 for r in brief.ratio_band)
        over = figure((v.frequency_ratio.value - 1) * 100, "", system, decimals=0)
        school = f"({a:.0f}–{b:.0f})" if brief.pitch_school == "flat ride" else "(front wanted higher)"
        flat = f", flat at {show(v.flat_speed, system, unit=True)}" if v.flat_speed else ""
        rows.append(("pitch", f"rear {over} % over front {school}{flat}"))
    rows.append(
        (
            "bump stops",
            "not touched in normal use" if brief.stop_school == "not touched" else "used as third springs",
        )
    )
    lost = {
        e: [c.lost_fraction.value for p, c in report.corners.items() if p.end == e and c.lost_fraction]
        for e in ("front", "rear")
    }
    if lost["front"] and lost["rear"]:
        rows.append(
            (
                "drop costs",
                f"{max(lost['front']) * 100:.0f} % front, {max(lost['rear']) * 100:.0f} % rear of bump travel",
            )
        )
    datums = {s.seat.datum for p in PLACES if (s := side_of(setup, p)).seat is not None}
    rows.append(
        ("collars", f"up from the {datums.pop()}" if len(datums) == 1 else "from the datum of each corner")
    )
    ways = {c.counted_from for p in PLACES for c in (side_of(setup, p).rebound, side_of(setup, p).bump) if c}
    if len(ways) == 1:
        rows.append(("clicks", f"counted from {ways.pop()}"))
    return rows
