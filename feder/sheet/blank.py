"""The blank survey: one A4 page to fill in by pen, in the order in which it is typed in."""

from datetime import date
from pathlib import Path

from jinja2 import Environment, FileSystemLoader

from feder.core.document.document import Document
from feder.core.document.survey import SAG_QUANTITIES
from feder.core.files.survey_csv import READINGS, SETTINGS, walk_of
from feder.sheet.paper import day_shown
from feder.units.show import SHOWN_UNIT, unit_shown

TEMPLATES = Environment(loader=FileSystemLoader(Path(__file__).parent / "templates"), autoescape=True)
TICKS = (
    "level floor",
    "tyre pressures set",
    "usual fuel; driver or ballast aboard",
    "rolled back and forth before each reading",
    "heights from one written-down point",
)
TICKS_OF_TWO = (
    "level floor, bike strapped or held upright",
    "tyre pressures set",
    "usual fuel; rider in all that is worn",
    "both ends bounced before each reading",
    "two points written down: seal to clamp, axle to tail",
)


ARM_ROWS = (
    ("level on the chassis", "°", False),
    ("level along the arm", "°", False),
    ("free plate, wheel hanging", "°", False),
)
"""What is read at a torsion arm; its bar has no collar."""


def blank_html(document: Document, system: str, today: date, fonts: str) -> str:
    """The page as HTML. `fonts` is the address of the font files."""
    rows, two_wheels = [], document.vehicle.kind != "car"
    ends = (document.vehicle.ends.front, document.vehicle.ends.rear)
    for words, (quantity, unit) in {**READINGS, **SETTINGS}.items():
        if words in READINGS and (quantity in SAG_QUANTITIES) != two_wheels and quantity != "mass":
            continue
        kind = "fine length" if words in ("collar", "toe") else None
        text = unit_shown(unit, system, kind)[0] if unit else "clicks"
        if words == "collar" and not two_wheels and all(e.layout == "torsion arm" for e in ends):
            continue
        rows.append((words, SHOWN_UNIT.get(text, text), words in ("hub to arch", "floor to arch")))
        if words == "sill" and any(e.layout == "torsion arm" for e in ends):
            rows += ARM_ROWS
    return TEMPLATES.get_template("blank.html").render(
        vehicle=document.vehicle,
        places=[p.words for p in walk_of(document)],
        rows=rows,
        ticks=TICKS_OF_TWO if two_wheels else TICKS,
        today=day_shown(today),
        fonts=fonts,
    )
