"""The setup sheet: A4 from a document and its report, a second page where needed; screen, print, PDF alike."""

import re
from collections.abc import Callable
from dataclasses import dataclass
from datetime import date
from pathlib import Path

from jinja2 import Environment, FileSystemLoader, select_autoescape
from markupsafe import Markup

from feder.core.document.base import PLACES
from feder.core.document.document import Document
from feder.core.document.setup import Setup, SideSetup, SpringPart
from feder.core.evaluate import evaluate
from feder.core.report import CornerReport, Figure, Finding, Report
from feder.core.standing.facts import setup_of, side_of
from feder.sheet.drawing import plan_view
from feder.sheet.more import second_page
from feder.sheet.strip import frequency_strip
from feder.units.show import SHOWN_UNIT, figure, unit_shown

FONTS = Path(__file__).parent / "fonts"
_TEMPLATES = Environment(
    loader=FileSystemLoader(Path(__file__).parent / "templates"),
    autoescape=select_autoescape(),
    trim_blocks=True,
    lstrip_blocks=True,
)
MONTHS = [
    "January",
    "February",
    "March",
    "April",
    "May",
    "June",
    "July",
    "August",
    "September",
    "October",
    "November",
    "December",
]
MOST_CAUTIONS = 8
MOST_NOTE = 190
FIXED_CAUTIONS = (
    "Springs hold energy: stands, compressor, no one below.",
    "Bushes tight only at ride height; torque from the maker.",
    "Align after 200 km; local rules may want an inspection.",
)


@dataclass(frozen=True)
class Row:
    """One line of a corner: words, as found, this setup, unit; `lead` rows are printed large."""

    words: str
    found: str
    now: str
    unit: str = ""
    lead: bool = False
    rule: bool = False


def sheet_html(document: Document, setup_id: str, system: str, number: int, today: date, fonts: str) -> str:
    """The page as HTML. `number` counts issued sheets, `fonts` is the address of the font files.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    setup = setup_of(document, setup_id)
    found = document.setups[0]
    is_found = setup.id == found.id
    report = evaluate(document, setup.id, against=None if is_found else found.id)
    corners = {
        p: _rows(document, report.corners[p], side_of(setup, p), side_of(found, p), is_found, system)
        for p in PLACES
    }
    survey = document.survey
    return _TEMPLATES.get_template("sheet.html").render(
        vehicle=document.vehicle,
        setup=setup,
        is_found=is_found,
        others=[s.name for s in document.setups if s.stage == setup.stage and s.id != setup.id],
        surveyed=day_shown(date.fromisoformat(survey.date)) if survey and survey.date else None,
        conditions=_conditions(document),
        number=number,
        today=day_shown(today),
        corners={p.value: rows for p, rows in corners.items()},
        weights={p.value: _show(report.corners[p].mass, system, unit=True) for p in PLACES},
        drawing=Markup(
            plan_view(document, report, system, _totals(report, system), _below(document, report, system))
        ),
        strip=Markup(frequency_strip(report, system)),
        targets=_targets(document, report, setup, system),
        cautions=_cautions(document, report, system),
        notes=[_short(line) for line in (setup.note, document.notes) if line],
        foot=_foot(report, system),
        more=second_page(document, setup, report, system),
        fonts=fonts,
    )


def _show(
    value: Figure | None, system: str, *, unit: bool = False, kind: str | None = None, decimals: int | None = None
) -> str:
    if value is None:
        return "–"
    return ("~" if value.assumed else "") + figure(
        value.value, value.unit, system, kind=kind, unit=unit, decimals=decimals
    )


def _was(value: Figure | None, system: str, *, kind: str | None = None) -> str:
    if value is None or value.was is None:
        return ""
    return ("~" if value.assumed else "") + figure(value.was, value.unit, system, kind=kind)


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
        return Row(words, _was(value, system, kind=kind), _show(value, system, kind=kind), text, lead, rule)

    pressure = 0 if system == "inch" else 1
    was = found.spring
    rate = figure(was.rate.value, "N/m", system) if isinstance(was, SpringPart) else was.code if was else "–"
    spring_found = "" if is_found else rate
    return [
        two("floor to arch", corner.floor_to_arch, "", lead=True),
        two("hub to arch", corner.hub_to_arch, "", lead=True),
        Row("spring", spring_found, code(side), rule=True),
        two("wheel rate", corner.wheel_rate, unit("N/m")),
        two("frequency", corner.frequency, "Hz" if document.brief.frequency_basis == "wheel rate" else "Hz, tyre"),
        two("damping", corner.damping_ratio, "of critical"),
        *_adjuster(corner, system, unit, two),
        Row("rebound, bump", _else(is_found, _clicks(found)[0]), *_clicks(side), rule=True),
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


def _adjuster(
    corner: CornerReport, system: str, unit: Callable[..., str], two: Callable[..., Row]
) -> tuple[Row, Row, Row, Row]:
    """What this corner's spring is set by: plate angles of a torsion bar, else collar and hold."""
    if corner.angular_rate is not None:
        stress = None if corner.shear_stress is None else corner.shear_stress.value / 1e6
        return (
            two("plate, unloaded", corner.free_angle, unit("rad"), rule=True),
            two("arm, loaded", corner.arm_angle, unit("rad")),
            Row("plate turned by", "", _show(corner.free_angle_change, system), unit("rad")),
            Row("bar stress, ride", "", "–" if stress is None else f"{stress:.0f}", "MPa"),
        )
    return (
        Row("collar", "", _show(corner.collar, system, kind="fine length"), f"{unit('m')} up", rule=True),
        Row("turns up", "", _show(corner.collar_turns, system), ""),
        two("held at droop", corner.held_at_droop, unit("m"), kind="fine length"),
        two("preload", corner.preload_force, unit("N")),
    )


def _short(words: str) -> str:
    """Notes as long as the page has room for; the rest stays on the screen."""
    line = " ".join(words.split())
    return line if len(line) <= MOST_NOTE else f"{line[:MOST_NOTE].rsplit(' ', 1)[0]} … (more on the screen)"


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
        ("total", _show(v.total_mass, system, unit=True)),
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
    tracks = [vehicle.ends.front.track, vehicle.ends.rear.track]
    if all(tracks):
        front, rear = (figure(t, "m", system) for t in tracks)
        lines.append(f"track {front} front, {rear} rear")
    if rake is not None:
        was = f", was {_rake(rake.was, system)}" if rake.was is not None else ""
        lines.append(_rake(rake.value, system) + was)
    return lines


def _targets(document: Document, report: Report, setup: Setup, system: str) -> list[tuple[str, str]]:
    brief, v = document.brief, report.vehicle
    basis = "on wheel rate alone" if brief.frequency_basis == "wheel rate" else "with the tyre"
    rows: list[tuple[str, str]] = [("use", brief.use)]
    if brief.frequency_band is not None:
        low, high = brief.frequency_band
        rows.append(("frequency", f"{low:.1f}–{high:.1f} Hz, {basis}"))
    if v.frequency_ratio is not None:
        a, b = ((r - 1) * 100 for r in brief.ratio_band)
        over = figure((v.frequency_ratio.value - 1) * 100, "", system, decimals=0)
        school = f"({a:.0f}–{b:.0f})" if brief.pitch_school == "flat ride" else "(front wanted higher)"
        flat = f", flat at {_show(v.flat_speed, system, unit=True)}" if v.flat_speed else ""
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


def _conditions(document: Document) -> str:
    survey = document.survey
    if survey is None:
        return ""
    c = survey.conditions
    ticks = [
        w
        for done, w in ((c.level_floor, "level floor"), (c.pressures_set, "pressures set"), (c.rolled, "rolled"))
        if done
    ]
    return "; ".join(w for w in (", ".join(ticks), c.ballast, c.fuel) if w)


def filled(finding: Finding, system: str) -> str:
    """A finding's sentence with its numbers in the reader's units."""

    def one(match: re.Match[str]) -> str:
        number = finding.numbers.get(match[1])
        if number is None:
            return match[1]
        mark = "~" if number.assumed else ""
        if number.unit == "":
            return mark + (
                figure(number.value, "", system)
                if "ratio" in match[1]
                else f"{number.value * 100:.0f} %".replace("-", "−")
            )
        small = number.unit == "m" and abs(number.value) < 0.02
        shown = figure(number.value, number.unit, system, kind="fine length" if small else None, unit=True)
        return mark + re.sub(r"\.0+(?= |$)", "", shown)

    return re.sub(r"\{(\w+)\}", one, finding.text)


def _cautions(document: Document, report: Report, system: str) -> list[str]:
    lines = []
    survey = document.survey
    if survey and survey.damage:
        lines.append(f"Known damage, to be dealt with first: {survey.damage}"[:120])
    seen: dict[str, list[str]] = {}
    for f in report.findings:
        if f.grade in ("stop", "look"):
            seen.setdefault(filled(f, system), []).append(f.place)
    lines += [f"{_places(places)}{words}." for words, places in seen.items()]
    if any(_assumed(c) for c in report.corners.values()):
        lines.append("Figures with ~ rest on an estimate.")
    room = MOST_CAUTIONS - len(FIXED_CAUTIONS)
    if len(lines) > room:
        lines = [*lines[: room - 1], f"And {len(lines) - room + 1} more on the screen."]
    return [*lines, *FIXED_CAUTIONS]


def _places(places: list[str]) -> str:
    words = [p.replace("_", " ") for p in places if p != "vehicle"]
    return f"{', '.join(words).capitalize()}: " if words else ""


def _assumed(corner: CornerReport) -> bool:
    shown = (corner.wheel_rate, corner.frequency, corner.damping_ratio, corner.collar, corner.mass)
    return any(f is not None and f.assumed for f in shown)


def _foot(report: Report, system: str) -> str:
    units = ", ".join(SHOWN_UNIT.get(u, u) for u in (unit_shown(si, system)[0] for si in ("m", "N/m", "kg")))
    ratios = [f"{r.value:.2f} {e}" for e in ("front", "rear") if (r := report.ends[e].motion_ratio) is not None]
    said = f"; motion ratio spring / wheel {', '.join(ratios)}" if ratios else ""
    return f"{units}; rates and travel at the wheel{said}"


def day_shown(day: date) -> str:
    """A date as it is written on paper."""
    return f"{day.day} {MONTHS[day.month - 1]} {day.year}"
