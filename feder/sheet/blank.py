"""The blank survey: one A4 page to fill in by pen, in the order in which it is typed in."""

from datetime import date
from pathlib import Path

from jinja2 import Environment, FileSystemLoader

from feder.core.document.document import Document
from feder.core.survey_file import READINGS, SETTINGS, walk_of
from feder.sheet.page import day_shown
from feder.units.show import SHOWN_UNIT, unit_shown

_TEMPLATES = Environment(loader=FileSystemLoader(Path(__file__).parent / "templates"), autoescape=True)
TICKS = (
    "level floor",
    "tyre pressures set",
    "usual fuel; driver or ballast aboard",
    "rolled back and forth before each reading",
    "heights from one written-down point",
)


def blank_html(document: Document, system: str, today: date, fonts: str) -> str:
    """The page as HTML. `fonts` is the address of the font files."""
    rows = []
    for words, (_, unit) in {**READINGS, **SETTINGS}.items():
        kind = "fine length" if words in ("collar", "toe") else None
        text = unit_shown(unit, system, kind)[0] if unit else "clicks"
        rows.append((words, SHOWN_UNIT.get(text, text), words in ("hub to arch", "floor to arch")))
    return _TEMPLATES.get_template("blank.html").render(
        vehicle=document.vehicle,
        places=[p.words for p in walk_of(document)],
        rows=rows,
        ticks=TICKS,
        today=day_shown(today),
        fonts=fonts,
    )
