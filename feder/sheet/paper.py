"""What every sheet shares: templates and fonts, dates, figures as text, cautions, notes and the line at the foot."""

import re
from collections.abc import Sequence
from datetime import date
from pathlib import Path

from jinja2 import Environment, FileSystemLoader, select_autoescape

from feder.core.document.document import Document
from feder.core.report.shapes import CornerReport, Figure, Finding, Report
from feder.units.show import SHOWN_UNIT, figure, unit_shown

FONTS = Path(__file__).parent / "fonts"
TEMPLATES = Environment(
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


def show(
    value: Figure | None, system: str, *, unit: bool = False, kind: str | None = None, decimals: int | None = None
) -> str:
    if value is None:
        return "–"
    return ("~" if value.assumed else "") + figure(
        value.value, value.unit, system, kind=kind, unit=unit, decimals=decimals
    )


def short(words: str) -> str:
    """Notes as long as the page has room for; the rest stays on the screen."""
    line = " ".join(words.split())
    return line if len(line) <= MOST_NOTE else f"{line[:MOST_NOTE].rsplit(' ', 1)[0]} … (more on the screen)"


def conditions_of(document: Document) -> str:
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
    return in_words(finding.text, finding.numbers, system)


def in_words(text: str, numbers: dict[str, Figure], system: str) -> str:
    """A sentence with its numbers in the reader's units: "{held}" becomes "0.5 mm"."""

    def one(match: re.Match[str]) -> str:
        number = numbers.get(match[1])
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

    return re.sub(r"\{(\w+)\}", one, text)


def cautions_of(
    report: Report, system: str, fixed: tuple[str, ...] = FIXED_CAUTIONS, overloads: Sequence[str] = ()
) -> list[str]:
    """What to heed with this setup: overloads of the plate, stops and looks; as many as there is room for."""
    lines = [*overloads]
    seen: dict[str, list[str]] = {}
    for f in report.findings:
        if f.grade in ("stop", "look"):
            seen.setdefault(filled(f, system), []).append(f.place)
    lines += [f"{_placed(places, words)}." for words, places in seen.items()]
    if any(_assumed(c) for c in report.corners.values()):
        lines.append("Figures with ~ rest on an estimate.")
    room = MOST_CAUTIONS - len(fixed)
    if len(lines) > room:
        lines = [*lines[: room - 1], f"And {len(lines) - room + 1} more on the screen."]
    return [*lines, *fixed]


def _placed(places: list[str], said: str) -> str:
    """A finding's words behind its places, but where they begin with a place themselves."""
    words = [p.replace("_", " ") for p in places if p != "vehicle"]
    if not words or any(said.lower().startswith(w) for w in words):
        return said
    return f"{', '.join(words).capitalize()}: {said}"


def _assumed(corner: CornerReport) -> bool:
    shown = (corner.wheel_rate, corner.frequency, corner.damping_ratio, corner.collar, corner.mass)
    return any(f is not None and f.assumed for f in shown)


def foot_of(report: Report, system: str) -> str:
    units = ", ".join(SHOWN_UNIT.get(u, u) for u in (unit_shown(si, system)[0] for si in ("m", "N/m", "kg")))
    ratios = [f"{r.value:.2f} {e}" for e in ("front", "rear") if (r := report.ends[e].motion_ratio) is not None]
    said = f"; motion ratio spring / wheel {', '.join(ratios)}" if ratios else ""
    return f"{units}; rates and travel at the wheel{said}"


def day_shown(day: date) -> str:
    """A date as it is written on paper."""
    return f"{day.day} {MONTHS[day.month - 1]} {day.year}"
