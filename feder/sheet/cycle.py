"""The sheet of a two-wheeler: sags, preload turns, clicks with their datum, oil, pressure, spacers, lean."""

from math import cos, sin

from feder.core.document.base import ENDS, EndName, Place
from feder.core.document.document import Document
from feder.core.document.setup import AirSpringPart, Clicks, Setup, SideSetup
from feder.core.report.evaluate import evaluate
from feder.core.report.shapes import CornerReport, Figure, Report, SagReport
from feder.core.standing.carried import rider_of
from feder.core.standing.facts import gather, side_of
from feder.sheet.svg import PATTERNS, path, rect, text
from feder.sheet.table import Table
from feder.units.show import SHOWN_UNIT, figure, unit_shown

CAUTIONS = (
    "Fork caps and shock springs hold energy: bike strapped, wheel off the floor.",
    "Let all air out before an air spring is opened; charged dampers to a workshop.",
    "Torque from the maker; bars to both stops, no cable tight, before it is ridden.",
)
PSI = 6894.757
WIDTH, HEIGHT = 300, 470
Cells = tuple[str, str, str, str]
"""Words, as found, this setup, unit."""


def wheel_rows(document: Document, setup: Setup, report: Report, system: str) -> dict[str, list[Cells]]:
    """The rows of both ends; nothing is left out that the setup tells."""
    found = document.setups[0]
    return {e: _end_rows(document, setup, found, report, e, system) for e in ENDS}


def _end_rows(
    document: Document, setup: Setup, found: Setup, report: Report, end: EndName, system: str
) -> list[Cells]:
    place = Place(end)
    side, was = side_of(setup, place), side_of(found, place)
    first, sags, corner = setup.id == found.id, report.sags[place], report.corners[place]
    fork = getattr(document.vehicle.ends, end).layout == "fork"
    rows: list[Cells | None] = [
        _sag(
            "rider sag",
            sags.rider_sag_along,
            sags.rider_read_along,
            sags.rider_measured_along,
            system,
            first=first,
        ),
        _sag(
            "bike alone", sags.free_sag_along, sags.free_read_along, sags.free_measured_along, system, first=first
        ),
        _two("sag of the travel", sags.rider_fraction, system, 0),
        ("spring", "", _spring(side), ""),
        None if first or _spring(was) == _spring(side) else ("was", "", _spring(was), ""),
        _two("wheel rate", corner.wheel_rate, system),
        _two("frequency", corner.frequency, system),
        _two("damping", corner.damping_ratio, system),
        *_setting_rows(side, was, sags, corner, system, first=first, fork=fork),
        _typed("tubes over clamp", was.clamp, side.clamp, system, first=first),
        _typed("shock, extended", was.shock_length, side.shock_length, system, first=first),
        *_damper(was, side, first=first),
        _knob("rebound", was.rebound, side.rebound, first=first),
        _knob("compression", was.bump, side.bump, first=first),
        _knob("high-speed comp.", was.high_bump, side.high_bump, first=first),
        _pressure("tyre, cold", was.tyre_pressure, side.tyre_pressure, system, first=first),
    ]
    return [r for r in rows if r is not None]


def _setting_rows(
    side: SideSetup,
    was: SideSetup,
    sags: SagReport,
    corner: CornerReport,
    system: str,
    *,
    first: bool,
    fork: bool,
) -> list[Cells | None]:
    if isinstance(side.spring, AirSpringPart):
        spacers = was.spring.spacers if isinstance(was.spring, AirSpringPart) else None
        return [
            *_pump(corner.pressure),
            ("spacers", "" if first else _count(spacers), str(side.spring.spacers), ""),
        ]
    part = "cap" if fork else "collar"
    return [
        _two(f"{part} in", corner.collar, system, kind="fine length"),
        _two(f"{part}, turns", corner.collar_turns, system, 1),
        _two("preload", sags.preload, system, 1),
        _typed("spring spacers", was.fork_spacer, side.fork_spacer, system, first=first) if fork else None,
        _typed("oil level", was.oil_level, side.oil_level, system, first=first) if fork else None,
        _oil(was, side, system, first=first) if fork else None,
    ]


def _oil(was: SideSetup, side: SideSetup, system: str, *, first: bool) -> Cells | None:
    """Oil of a leg: how much, and its grade."""

    def told(of: SideSetup) -> str:
        much = "" if of.oil_quantity is None else figure(of.oil_quantity, "m^3", system, unit=True)
        return ", ".join(t for t in (much, of.oil_grade) if t) or "–"

    if told(was) == told(side) == "–":
        return None
    return ("oil in a leg", "" if first else told(was), told(side), "")


def _damper(was: SideSetup, side: SideSetup, *, first: bool) -> list[Cells]:
    """The damper or cartridge by its code; another one than found has a row of its own, as a spring has."""
    now = side.damper or was.damper
    if now is None:
        return []
    found = "–" if was.damper is None else was.damper.code
    return [("damper", "", now.code, ""), *([] if first or found == now.code else [("was", "", found, "")])]


def _unit(si: str, system: str, kind: str | None = None) -> str:
    name = unit_shown(si, system, kind)[0]
    return SHOWN_UNIT.get(name, name)


def _two(
    words: str, value: Figure | None, system: str, decimals: int | None = None, kind: str | None = None
) -> Cells | None:
    if value is None:
        return (words, "", "–", "")
    if words == "sag of the travel":
        return (words, "" if value.was is None else f"{value.was * 100:.0f}", f"{value.value * 100:.0f}", "%")
    inches = value.unit == "m" and unit_shown("m", system)[0] == "in"
    places = None if decimals is None else decimals + (1 if inches else 0)
    mark = "~" if value.assumed else ""
    now = mark + figure(value.value, value.unit, system, kind=kind, decimals=places)
    before = (
        ""
        if value.was is None
        else ("~" if value.was_assumed else "") + figure(value.was, value.unit, system, kind=kind, decimals=places)
    )
    unit = "" if value.unit in ("", "turn") else _unit(value.unit, system, kind)
    return (words, before, now, unit)


def _sag(
    words: str, now: Figure | None, read: Figure | None, measured: Figure | None, system: str, *, first: bool
) -> Cells | None:
    """A sag: as found what the tape showed, and of a plan what is computed, or was read with it on the wheels."""
    shown = (read or now) if first else (measured or now)
    row = _two(words if measured is None or first else f"{words}, read", shown, system, 1)
    if row is None or first:
        return row
    found = _two(words, read, system, 1)
    before = found[2] if found is not None and read is not None else row[1]
    return (row[0], before, row[2], row[3])


def _typed(words: str, was: float | None, now: float | None, system: str, *, first: bool) -> Cells | None:
    if was is None and now is None:
        return None
    before = "" if first else "–" if was is None else figure(was, "m", system)
    return (words, before, "–" if now is None else figure(now, "m", system), _unit("m", system))


def _pressure(words: str, was: float | None, now: float | None, system: str, *, first: bool) -> Cells | None:
    if was is None and now is None:
        return None
    decimals = 0 if unit_shown("Pa", system)[0] == "psi" else 1
    told = ["–" if v is None else figure(v, "Pa", system, decimals=decimals) for v in (was, now)]
    return (words, "" if first else told[0], told[1], _unit("Pa", system))


def _pump(value: Figure | None) -> list[Cells | None]:
    """Pressure in both units that pumps show."""
    if value is None:
        return [("pressure", "", "–", "bar")]
    mark = "~" if value.assumed else ""
    rows: list[Cells | None] = []
    for unit, size, places in (("bar", 1e5, 1), ("psi", PSI, 0)):
        before = "" if value.was is None else f"{value.was / size:.{places}f}"
        rows.append(("pressure" if unit == "bar" else "", before, f"{mark}{value.value / size:.{places}f}", unit))
    return rows


def _count(value: int | None) -> str:
    return "–" if value is None else str(value)


def _spring(side: SideSetup) -> str:
    if side.spring is None:
        return "–"
    other = side.second_spring
    return side.spring.code if other is None else f"{side.spring.code} + {other.code}"


def _knob(words: str, was: Clicks | None, now: Clicks | None, *, first: bool) -> Cells | None:
    if now is None:
        return None
    of = f"of {now.of}" if now.of else ""
    alone = ", leave" if now.alone else ""
    way = " open" if now.counted_from == "fully open" else ""
    before = "" if first else _count(None if was is None else was.count)
    return (words, before, str(now.count), f"{of}{way}{alone}")


def steering_rows(report: Report, system: str) -> list[Cells]:
    """How it stands: steering, seat, lean."""
    said = report.steering
    if said is None:
        return []
    part = f"leans, {said.lean_part}" if said.lean_part else "leans"
    rows = [
        _two("rake", said.rake, system, 1),
        _two("trail", said.trail, system, 0),
        _two("wheelbase", said.wheelbase, system, 0),
        _two("rear arm", said.swingarm, system, 1),
        _two("seat", said.seat_height, system, 0),
        _two(part, said.lean, system, 1),
        _two("in a bend", said.lean_ridden, system, 1),
    ]
    return [r for r in rows if r is not None and r[2] != "–"]


def load_table(document: Document, setup: Setup, system: str) -> Table | None:
    """Sags, lean and seat in every load state."""
    rows = []
    for state in document.loads:
        if not state.items:
            continue
        report = evaluate(document, setup.id, state.id)
        said = report.steering
        sags = [_cell(report.sags[Place(e)].rider_sag_along, system, 1) for e in ENDS]
        left = [_cell(report.corners[Place(e)].bump_travel, system, 0) for e in ENDS]
        lean, seat = (None, None) if said is None else (said.lean_ridden, said.seat_height)
        total = _cell(report.vehicle.total_mass, system, 0)
        rows.append([state.name, total, *sags, *left, _cell(lean, system, 1), _cell(seat, system, 0)])
    if not rows:
        return None
    mm = _unit("m", system)
    columns = [
        "",
        f"all, {_unit('kg', system)}",
        f"front sag, {mm}",
        "rear sag",
        "left, front",
        "left, rear",
        "leans, °",
        "seat",
    ]
    note = "Sags as they are read. The bend is steady: springs carry more by 1/cos(lean)."
    return Table("Load states", columns, rows, note)


def _cell(value: Figure | None, system: str, decimals: int) -> str:
    row = _two("", value, system, decimals)
    return "–" if row is None else row[2]


def rider_report(document: Document, setup: Setup) -> Report:
    """The report of the sheet: with the rider on where one is told, beside as found."""
    found, rider = document.setups[0].id, rider_of(document)
    return evaluate(document, setup.id, None if rider is None else rider.id, None if setup.id == found else found)


def cycle_drawing(document: Document, report: Report, system: str) -> str:
    """Two ladders with the sag bands, over a sketch of wheels, fork and rear arm, as inline SVG."""
    parts = [
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}" height="{HEIGHT}" viewBox="0 0 {WIDTH} {HEIGHT}" '
        f'role="img" aria-label="Sag of both wheels, and how the bike stands">{PATTERNS}',
        text(WIDTH / 2, 14, "sag at the wheel, rider on", anchor="middle"),
    ]
    ends = {e: (report.corners[Place(e)], report.sags[Place(e)]) for e in ENDS}
    values = [f.value for c, _ in ends.values() for f in (c.droop, c.solid) if f is not None]
    low, high = min([-0.05, *values]) - 0.006, max([0.08, *values]) + 0.006
    for x, (end, (corner, sags)) in zip((70.0, 200.0), ends.items(), strict=True):
        parts.append(text(x, 34, end, size=15, weight=600, anchor="middle"))
        parts += _ladder(x, corner, sags, low, high, system)
    return "".join([*parts, *_sketch(document, report, system), "</svg>"])


def _ladder(x: float, corner: CornerReport, sags: SagReport, low: float, high: float, system: str) -> list[str]:
    top, span = 44.0, 220.0

    def y(travel: float) -> float:
        return top + (high - travel) / (high - low) * span

    if corner.droop is None or corner.solid is None or corner.sag is None:
        return [
            path(f"M{x - 11} {top}V{top + span}M{x + 11} {top}V{top + span}", dash="4 4"),
            text(x, top + 110, "?", anchor="middle", size=16),
        ]
    solid, droop, base = float(corner.solid.value), float(corner.droop.value), float(corner.sag.value)
    out = [
        rect(x - 11, top, 22, y(solid) - top, fill="url(#s-hatch)"),
        rect(x - 11, y(droop), 22, top + span - y(droop), fill="url(#s-hatch)"),
        path(f"M{x - 11} {y(solid):.1f}V{y(droop):.1f}M{x + 11} {y(solid):.1f}V{y(droop):.1f}", width=1.1),
        path(f"M{x - 15} {y(droop):.1f}h30M{x - 15} {y(solid):.1f}h30", width=3),
        path(f"M{x - 13} {y(0):.1f}l-12 -7v14z", fill="#000", width=0),
        text(x + 20, y(solid) + 5, figure(solid, "m", system), size=14),
        text(x + 20, y(droop) + 5, figure(droop, "m", system), size=14),
    ]
    for words, a, b in (("rider", sags.rider_low, sags.rider_high), ("alone", sags.free_low, sags.free_high)):
        if a is None or b is None:
            continue
        up, down = y(float(b.value) - base), y(float(a.value) - base)
        out.append(path(f"M{x + 12} {up:.1f}h7V{down:.1f}h-7", width=1))
        out.append(text(x + 23, (up + down) / 2 + 4, words, size=12))
    if sags.free_sag is not None:
        at = y(float(sags.free_sag.value) - base)
        out.append(f'<circle cx="{x}" cy="{at:.1f}" r="5.5" fill="#fff" stroke="#000" stroke-width="1.8"/>')
    return out


def _sketch(document: Document, report: Report, system: str) -> list[str]:
    """Wheels, fork line and rear arm to scale, with rake and trail written at them."""
    ends, said = document.vehicle.ends, report.steering
    base = document.vehicle.wheelbase
    known = gather(document).ends
    radii = [known["front"].tyre_radius, known["rear"].tyre_radius]
    if base is None or radii[0] is None or radii[1] is None or said is None or said.rake is None:
        return []
    front, rear, rake = float(radii[0]), float(radii[1]), float(said.rake.value)
    scale, floor = min(133.0, (WIDTH - 24) / (base.value + front + rear)), 440.0
    left = (WIDTH - (base.value - front + rear) * scale) / 2

    def at(x: float, height: float) -> str:
        return f"{left + x * scale:.1f} {floor - height * scale:.1f}"

    out = [path(f"M8 {floor}H{WIDTH - 8}", width=1.4)]
    for x, radius in ((0.0, front), (base.value, rear)):
        out.append(
            f'<circle cx="{left + x * scale:.1f}" cy="{floor - radius * scale:.1f}" r="{radius * scale:.1f}" '
            'fill="none" stroke="#000" stroke-width="2.2"/>'
        )
    tall = 0.62
    out.append(path(f"M{at(0, front)}L{at(tall * sin(rake), front + tall * cos(rake))}", width=2.2))
    out.append(path(f"M{at(0, 0)}V{floor - 0.9 * scale:.1f}", width=0.6, dash="4 3"))
    arm = ends.rear.swingarm
    if arm is not None and said.swingarm is not None:
        angle = float(said.swingarm.value)
        out.append(
            path(
                f"M{at(base.value, rear)}L{at(base.value - arm.length * cos(angle), rear + arm.length * sin(angle))}",
                width=2.2,
            )
        )
    words = [f"rake {figure(said.rake.value, 'rad', system, unit=True, decimals=1).replace(' °', '°')}"]
    if said.trail is not None:
        words.append(f"trail {figure(said.trail.value, 'm', system, unit=True)}")
    if said.wheelbase is not None:
        words.append(f"wheelbase {figure(said.wheelbase.value, 'm', system, unit=True)}")
    out.append(text(WIDTH / 2, floor + 18, ", ".join(words), anchor="middle"))
    return out


def sag_targets(document: Document, report: Report, system: str) -> list[tuple[str, str]]:
    """Use, sags wanted as they are read, posture and who sat on it."""
    rows: list[tuple[str, str]] = [("use", document.brief.use)]
    for end in ENDS:
        said = report.sags[Place(end)]
        bands = []
        for words, low, high in (
            ("rider", said.rider_low, said.rider_high),
            ("alone", said.free_low, said.free_high),
        ):
            if low is not None and high is not None:
                a, b = (figure(v.value / said.read_factor, "m", system) for v in (low, high))
                bands.append(f"{words} {a}–{b}")
        if bands:
            rows.append((f"{end} sag", f"{', '.join(bands)} {_unit('m', system)}"))
    rider, survey = rider_of(document), document.survey
    if rider is not None:
        total = sum(i.mass for i in rider.items)
        posture = survey.conditions.posture if survey is not None else None
        rows.append(
            (
                "rider on",
                f"{rider.name}, {figure(total, 'kg', system, unit=True, decimals=0)}{f', {posture}' if posture else ''}",
            )
        )
    rows.append(("clicks", "counted from fully closed, but where open is said"))
    said_lean = document.brief.targets.lean
    if said_lean is not None:
        rows.append(("lean wanted", figure(said_lean, "rad", system, unit=True, decimals=0).replace(" °", "°")))
    return rows
