"""What was read once it stood: the newest heights, weights and read-out of the setup, in columns of its corners."""

from feder.core.document.base import PLACES
from feder.core.document.document import Document
from feder.core.document.setup import Setup
from feder.core.report.shapes import Figure, Report
from feder.sheet.table import Table
from feder.units.show import SHOWN_UNIT, figure, unit_shown

ROWS: tuple[tuple[str, str, str, str | None, int | None], ...] = (
    ("hub to arch", "hub_measured", "m", None, None),
    ("floor to arch", "floor_measured", "m", None, None),
    ("scale", "mass_measured", "kg", None, 1),
    ("toe of the wheel, in +", "toe_measured", "m", "fine length", None),
    ("camber", "camber_measured", "rad", None, 1),
    ("caster", "caster_measured", "rad", None, 1),
)


def read_table(document: Document, setup: Setup, report: Report, system: str) -> Table | None:
    """The newest readings with this setup on the wheels; none where nothing was read."""
    rows = []
    for words, name, si, kind, decimals in ROWS:
        told: list[Figure | None] = [getattr(report.corners[p], name) for p in PLACES]
        if any(told):
            unit = unit_shown(si, system, kind)[0]
            shown = [
                "–" if f is None else figure(f.value, f.unit, system, kind=kind, decimals=decimals) for f in told
            ]
            rows.append([f"{words}, {SHOWN_UNIT.get(unit, unit)}", *shown])
    if not rows:
        return None
    masses = [report.corners[p].mass_measured for p in PLACES]
    note = ""
    if None not in masses:
        fl, fr, rl, rr = (float(m.value) for m in masses if m is not None)
        note = f"Cross weight (front right and rear left) {(fr + rl) / (fl + fr + rl + rr) * 100:.1f} %. "
    newest = document.surveys[document.rounds_of(setup.id)[-1]]
    note += f"Newest round {newest.date or 'without a date'}."
    return Table("Read once it stood", ["", *(p.words for p in PLACES)], rows, note=note)
