"""The page of a two-wheeler's sheet."""

from datetime import date

from markupsafe import Markup

from feder.core.document.base import WHEELS
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.standing.carried import rider_of
from feder.sheet.cycle import (
    CAUTIONS,
    cycle_drawing,
    load_table,
    rider_report,
    sag_targets,
    steering_rows,
    wheel_rows,
)
from feder.sheet.more import further
from feder.sheet.pages import pages_of
from feder.sheet.paper import TEMPLATES, cautions_of, conditions_of, day_shown, foot_of, short, show


def cycle_html(
    document: Document,
    setup: Setup,
    system: str,
    number: int,
    today: date,
    fonts: str,
    code: Markup | None = None,
) -> str:
    """The sheet of a two-wheeler: the same paper, its middle of another kind."""
    report, survey, rider = rider_report(document, setup), document.survey, rider_of(document)
    return TEMPLATES.get_template("cycle.html").render(
        vehicle=document.vehicle,
        setup=setup,
        is_found=setup.id == document.setups[0].id,
        others=[s.name for s in document.setups if s.stage == setup.stage and s.id != setup.id],
        surveyed=day_shown(date.fromisoformat(survey.date)) if survey and survey.date else None,
        conditions=conditions_of(document),
        number=number,
        today=day_shown(today),
        wheels=wheel_rows(document, setup, report, system),
        weights={p.value: show(report.corners[p].mass, system, unit=True) for p in WHEELS},
        drawing=Markup(cycle_drawing(document, report, system)),
        steering=steering_rows(report, system),
        rider="alone" if rider is None else rider.name,
        targets=sag_targets(document, report, system),
        loads=load_table(document, setup, system),
        cautions=cautions_of(report, system, CAUTIONS),
        notes=[short(line) for line in (setup.note, document.notes) if line],
        foot=foot_of(report, system),
        more=pages_of(further(document, setup, report, system)),
        fonts=fonts,
        code=code,
    )
