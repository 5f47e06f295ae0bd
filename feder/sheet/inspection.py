"""The inspection note: what was changed, with parts, heights, track and loads, for whoever has to look at it."""

from datetime import date

from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.report.evaluate import evaluate
from feder.core.report.shapes import Figure, Report
from feder.core.standing.facts import setup_of, side_of
from feder.sheet.paper import TEMPLATES, day_shown, show
from feder.sheet.table import Table
from feder.units.show import SHOWN_UNIT, figure, unit_shown


def inspection_html(
    document: Document, after: str, before: str | None, system: str, today: date, fonts: str
) -> str:
    """The note as a page.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    old, new = setup_of(document, before or document.setups[0].id), setup_of(document, after)
    was, now = evaluate(document, old.id), evaluate(document, new.id)
    return TEMPLATES.get_template("inspection.html").render(
        vehicle=document.vehicle,
        before=old.name,
        after=new.name,
        fitted_on=day_shown(date.fromisoformat(new.fitted_on)) if new.fitted_on else "",
        odometer="" if new.odometer is None else figure(new.odometer, "m", system, kind="distance", unit=True),
        today=day_shown(today),
        tables=[
            t
            for t in (
                _parts(document, old, new),
                _heights(document, was, now, system),
                _loads(document, now, system),
            )
            if t.rows
        ],
        fonts=fonts,
    )


def _unit(si: str, system: str) -> str:
    name = unit_shown(si, system)[0]
    return SHOWN_UNIT.get(name, name)


def _parts(document: Document, old: Setup, new: Setup) -> Table:
    rows = []
    for place in document.places:
        one, two = side_of(old, place), side_of(new, place)
        for name in ("spring", "damper"):
            codes = [getattr(getattr(s, name), "code", None) for s in (one, two)]
            found = getattr(getattr(side_of(document.setups[0], place), name), "code", None)
            first, second = (c or found or "–" for c in codes)
            rows.append([f"{name}, {place.words}", first, "the same" if first == second else second])
    return Table("Parts, by their codes", ["", old.name, new.name], rows)


def _heights(document: Document, was: Report, now: Report, system: str) -> Table:
    mm, rows = _unit("m", system), []
    for place in document.places:
        for name, words in (("floor_to_arch", "floor to arch"), ("hub_to_arch", "hub to arch")):
            one, two = getattr(was.corners[place], name), getattr(now.corners[place], name)
            read = getattr(
                now.corners[place], {"floor_to_arch": "floor_measured", "hub_to_arch": "hub_measured"}[name]
            )
            if two is not None:
                rows.append(
                    [f"{words}, {place.words}, {mm}", show(one, system), show(two, system), show(read, system)]
                )
    for end in ("front", "rear"):
        one, two = was.ends[end].track, now.ends[end].track
        if two is not None:
            rows.append([f"track, {end}, {mm}", show(one, system), show(two, system), "–"])
    return Table("Heights and track", ["", "before", "worked out", "read"], rows)


def _loads(document: Document, now: Report, system: str) -> Table:
    plate, kg = document.vehicle.plate, _unit("kg", system)

    def row(words: str, value: Figure | None, limit: float | None) -> list[str]:
        return [f"{words}, {kg}", show(value, system), figure(limit, "kg", system, decimals=0)]

    rows = [
        row("front axle", now.ends["front"].axle_mass, plate.front_axle),
        row("rear axle", now.ends["rear"].axle_mass, plate.rear_axle),
        row("in all", now.vehicle.total_mass, plate.gross),
    ]
    return Table(
        "Loads as weighed, against the plate", ["", "as weighed", "plate"], [r for r in rows if r[1] != "–"]
    )
