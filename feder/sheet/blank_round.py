"""The blank page of a round: what is wanted and how it is set printed, what is read left for the pen."""

from dataclasses import dataclass
from datetime import date

from feder.core.benches.settle.heights import Basis, wanted_in
from feder.core.benches.settle.knobs import Knob, knobs_of
from feder.core.document.base import Place
from feder.core.document.document import Document
from feder.core.document.setup import SideSetup
from feder.core.files.survey_csv import walk_of
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.facts import setup_of, side_of
from feder.sheet.blank import TEMPLATES
from feder.sheet.paper import day_shown
from feder.units.show import SHOWN_UNIT, figure, unit_shown

TICKS = (
    "level floor; tyre pressures set",
    "driver, fuel and load as planned",
    "rolled back and forth before each reading",
    "for the scales: bars off their links, pads level",
)
TICKS_OF_TWO = (
    "level floor; tyre pressures set",
    "rider in all that is worn, fuel as planned",
    "both ends bounced before each reading",
    "read once after lifting, once after pressing",
)
ANGLES = (
    ("toe", "m", "fine length", None),
    ("camber", "rad", None, 1),
    ("caster", "rad", None, 1),
)


@dataclass(frozen=True, slots=True)
class BlankRow:
    """A line of the page: its words, its unit, and what is printed at each corner; nothing leaves room for the pen."""

    words: str
    unit: str
    values: tuple[str, ...]
    printed: bool = False


def blank_round_html(document: Document, setup: str, system: str, today: date, fonts: str) -> str:
    """The page as HTML. `fonts` is the address of the font files.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    places, two, at = walk_of(document), document.vehicle.kind != "car", setup_of(document, setup)
    report = evaluate_plain(document, setup)
    basis: Basis = "rider_sag" if two else "hub_to_arch"
    wanted = wanted_in(document, setup, basis, report, None)
    knobs = knobs_of(document, setup, report)

    def line(words: str, si: str, kind: str | None = None, values: dict[Place, str] | None = None) -> BlankRow:
        text = unit_shown(si, system, kind)[0] if si else ""
        told = tuple((values or {}).get(p, "") for p in places)
        return BlankRow(words, SHOWN_UNIT.get(text, text), told, values is not None)

    def shown(
        values: dict[Place, float], si: str, kind: str | None, decimals: int | None = None
    ) -> dict[Place, str]:
        return {p: figure(v, si, system, kind=kind, decimals=decimals) for p, v in values.items()}

    rows = [line("rider sag wanted" if two else "hub to arch wanted", "m", "fine length",
                 shown(wanted, "m", "fine length"))]  # fmt: skip
    read = (
        ("extended", "rider on, lifted", "rider on, pressed")
        if two
        else ("hub to arch read", "again, after rolling")
    )
    rows += [line(words, "m") for words in read]
    if knobs:
        rows.append(BlankRow("set now", "", tuple(_set(knobs.get(p), system) for p in places), printed=True))
        rows.append(BlankRow("turned to", "", ("",) * len(places)))
    if not two:
        rows.append(line("scale", "kg"))
        for member, si, kind, decimals in ANGLES:
            asked = {p: v for p in places if (v := _told(side_of(at, p), member)) is not None}
            way = ", in +" if member == "toe" else ""
            if asked:
                rows.append(line(f"{member} wanted{way}", si, kind, shown(asked, si, kind, decimals)))
            rows.append(line(f"{member} read{way}", si, kind))
    rows += [line("tyre, cold", "Pa"), line("tyre, hot", "Pa")]
    return TEMPLATES.get_template("blank_round.html").render(
        vehicle=document.vehicle, setup=at.name, places=[p.words for p in places], rows=rows,
        ticks=TICKS_OF_TWO if two else TICKS, today=day_shown(today), fonts=fonts,
    )  # fmt: skip


def _told(side: SideSetup, member: str) -> float | None:
    value: float | None = getattr(side, member)
    return value


def _set(knob: Knob | None, system: str) -> str:
    """Where the adjuster of a corner stands."""
    if knob is None:
        return ""
    kind = "fine length" if knob.unit == "m" else None
    decimals = 1 if knob.unit == "rad" else None
    mark = "~" if knob.assumed else ""
    return f"{knob.kind} {mark}{figure(knob.now, knob.unit, system, unit=True, kind=kind, decimals=decimals)}"
