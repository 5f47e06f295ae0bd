"""The sheet behind its first page: bump stops, lowering springs and bars, load states, roll; only what this setup has."""

from feder.core.benches.index.bench import IndexBench, MoveRow, index_bench
from feder.core.benches.index.meant import load_words, meant_at
from feder.core.benches.loads.plan import LoadedEnd, LoadRow, load_plan
from feder.core.document.base import ENDS, PLACES, Place
from feder.core.document.document import Document
from feder.core.document.setup import BarSetting, IndexMoves, Setup, SpringPart
from feder.core.report.shapes import Figure, Report
from feder.core.standing.facts import gather, side_of
from feder.core.standing.stand import stand
from feder.sheet.curves import curves_table
from feder.sheet.parts import parts_table
from feder.sheet.read import read_table
from feder.sheet.run import run_table
from feder.sheet.table import Table
from feder.units.show import SHOWN_UNIT, figure, unit_shown

LIMIT_WORDS = {"T": "tyre", "S": "damper", "B": "coils", "H": "stop hard"}


def further(document: Document, setup: Setup, report: Report, system: str) -> list[Table]:
    """The tables this setup needs beyond the first page; none for a plain one."""
    if document.vehicle.kind != "car":  # the first page of a two-wheeler tells the rest
        cycle = (
            parts_table(document, setup, report, system),
            curves_table(document, setup, system),
            run_table(document, setup, system),
        )
        return [t for t in cycle if t is not None]
    tables = (
        read_table(document, setup, report, system),
        parts_table(document, setup, report, system),
        curves_table(document, setup, system),
        _stops(document, setup, report, system),
        _springs(document, setup, report, system),
        _bars(document, setup, system),
        _loads(document, setup, system),
        _roll(document, setup, report, system),
        run_table(document, setup, system),
    )
    return [t for t in tables if t is not None]


def _show(
    value: Figure | None,
    system: str,
    kind: str | None = None,
    decimals: int | None = None,
    *,
    signed: bool = False,
) -> str:
    if value is None:
        return "–"
    shown = figure(value.value, value.unit, system, kind=kind, decimals=decimals, signed=signed)
    return ("~" if value.assumed else "") + shown


def _unit(si: str, system: str, kind: str | None = None) -> str:
    name = unit_shown(si, system, kind)[0]
    return SHOWN_UNIT.get(name, name)


def _stops(document: Document, setup: Setup, report: Report, system: str) -> Table | None:
    """Bump stops: what is cut, what is packed, and when they are met."""
    stood = stand(gather(document), setup, None).corners
    supplied = {p: float(s.part.length) if (s := stood[p].stop) else None for p in PLACES}
    if not any(supplied.values()):
        return None
    mm = _unit("m", system, "fine length")

    def row(words: str, of: "dict[Place, str]") -> list[str]:
        return [words, *(of[p] for p in PLACES)]

    def fine(value: float | None) -> str:
        return figure(value, "m", system, kind="fine length")

    def corner(name: str, kind: str | None = "fine length", decimals: int | None = None) -> dict[Place, str]:
        return {p: _show(getattr(report.corners[p], name), system, kind, decimals) for p in PLACES}

    trims = {p: side_of(setup, p).stop for p in PLACES}
    length = {p: t.length if (t := trims[p]) else supplied[p] for p in PLACES}
    works = {
        p: f"{_show(c.stop_shortest, system, 'fine length')} to {_show(c.stop_longest, system, 'fine length')}"
        if (c := report.corners[p]).stop_longest
        else "–"
        for p in PLACES
    }
    rows = [
        row(f"stop as supplied, {mm}", {p: fine(supplied[p]) for p in PLACES}),
        row(
            f"cut to, {mm}",
            {p: "not cut" if length[p] == supplied[p] and length[p] else fine(length[p]) for p in PLACES},
        ),
        row(
            f"packer, {mm}",
            {
                p: fine(t.packer) if (t := trims[p]) and t.packer else "none" if supplied[p] else "–"
                for p in PLACES
            },
        ),
        row(f"lengths that work, {mm}", works),
        row(f"gap at ride, {mm}", corner("stop_gap")),
        row("met in a corner of, g", corner("stop_cornering", None, 2)),
        row("met in braking, or driving off, g", corner("stop_braking", None, 2)),
        row("bump travel lost to the drop", {p: _percent(report.corners[p].lost_fraction) for p in PLACES}),
    ]
    note = "Cut square with a sharp knife, on the bench, spring and damper unloaded; measure what is left."
    return Table("Bump stops and packers", ["", *(p.words for p in PLACES)], rows, note)


def _percent(value: Figure | None) -> str:
    if value is None:
        return "–"
    return ("~" if value.assumed else "") + figure(value.value * 100, "", "metric", decimals=0) + " %"


def _springs(document: Document, setup: Setup, report: Report, system: str) -> Table | None:
    """What the first page has no room for: quoted drops, second springs, spacers, measured heights."""
    rows = []

    def add(words: str, of: "dict[Place, str]") -> None:
        if any(v not in ("–", "") for v in of.values()):
            rows.append([words, *(of[p] for p in PLACES)])

    sides = {p: side_of(setup, p) for p in PLACES}
    coils = {p: s.spring if isinstance(s.spring, SpringPart) else None for p, s in sides.items()}
    if any(c is not None and c.quoted_drop for c in coils.values()):
        mm = _unit("m", system)
        add(
            f"drop its maker quotes, {mm}",
            {p: figure(c.quoted_drop, "m", system) if (c := coils[p]) else "–" for p in PLACES},
        )
        add(f"body drops by, {mm}", {p: _show(report.corners[p].drop, system) for p in PLACES})
    add(
        f"helper rate, {_unit('N/m', system)}",
        {p: figure(c.tender_rate, "N/m", system) if (c := coils[p]) and c.tender_rate else "–" for p in PLACES},
    )
    add(
        f"wheel further out, {_unit('m', system)}",
        {p: figure(s.spacer, "m", system) if (s := sides[p]).spacer else "–" for p in PLACES},
    )
    add(
        f"hub to arch, measured off computed, {_unit('m', system)}",
        {p: _show(report.corners[p].hub_off, system, signed=True) for p in PLACES},
    )
    return Table("Springs, spacers, after fitting", ["", *(p.words for p in PLACES)], rows) if rows else None


def _bars(document: Document, setup: Setup, system: str) -> Table | None:
    """Torsion bars: the free plate angle, the moves of each side in its own words, what the level must show."""
    meant = {e: meant_at(document, setup.id, e) for e in ENDS}
    benches = {p: index_bench(document, setup.id, p, meant[p.end]) for p in document.places}
    if setup.id == document.setups[0].id or not any(benches.values()):
        return None
    kept = {p: b for p, b in benches.items() if b is not None}

    def row(words: str, of: dict[Place, str]) -> list[str]:
        return [words, *(of.get(p, "–") for p in PLACES)]

    def angle(value: float | Figure | None) -> str:
        return _show(
            value if isinstance(value, Figure) else None if value is None else Figure(value, "rad"), system
        )

    chosen = {p: _chosen(b, side_of(setup, p).index) for p, b in kept.items()}
    moved = {p: r for p, r in chosen.items() if r is not None}
    degree = _unit("rad", system)
    rows = [
        row("bar", {p: getattr(side_of(setup, p).spring, "code", "–") for p in kept}),
        row(f"free plate before, {degree}", {p: angle(b.free_found) for p, b in kept.items()}),
        row(f"free plate wanted, {degree}", {p: angle(b.plate_wanted) for p, b in kept.items()}),
        row("height meant", {p: load_words(document, b.load) for p, b in kept.items()}),
    ]
    if any(not b.set_so for b in kept.values()):
        rows.append(row("plates set for it", {p: "yes" if b.set_so else "not set yet" for p, b in kept.items()}))
    if moved:
        fits = {p: r.grade not in ("look", "stop") for p, r in moved.items()}
        if not all(fits.values()):
            rows.append(
                row(
                    "pair taken", {p: "fits" if fits[p] else f"off by {_off(r, system)}" for p, r in moved.items()}
                )
            )
        rows += [
            row("moves, from outside", {p: r.words for p, r in moved.items()}),
            row(f"level must show, {degree}", {p: angle(r.free_angle) for p, r in moved.items()}),
            row(
                f"good from, to, {degree}",
                {
                    p: f"{angle(r.free_angle - kept[p].window)} to {angle(r.free_angle + kept[p].window)}"
                    for p, r in moved.items()
                },
            ),
            row(
                "adjuster, turns",
                {p: f"{r.turns:+.1f}" for p, r in moved.items() if r.turns is not None and r.reachable},
            ),
        ]
    shown = {p: read for p in kept if (read := side_of(setup, p).plate_set) is not None}
    if shown:
        rows.append(row(f"level showed, {degree}", {p: angle(v) for p, v in shown.items()}))
    bolts = {p: b.bolt for p, b in kept.items() if b.bolt is not None}
    if bolts:
        rows.append(row("bolt, turns tighter", {p: _show(b.turns, system, decimals=1) for p, b in bolts.items()}))
        rows.append(
            row(
                f"height by one turn of it alone, {_unit('m', system, 'fine length')}",
                {p: _show(b.height_per_turn, system, "fine length") for p, b in bolts.items()},
            )
        )
        rows.append(
            row(
                f"height by one turn of both, {_unit('m', system, 'fine length')}",
                {p: _show(b.height_of_both, system, "fine length") for p, b in bolts.items()},
            )
        )
    note = "Level zeroed on the chassis, the same way round, on the unloaded plate. Mark both ends first; use the maker's puller; the wound bar drives the hub down."
    return Table("Torsion bars", ["", *(p.words for p in PLACES)], rows, note)


def _chosen(bench: IndexBench, index: IndexMoves | None) -> MoveRow | None:
    """The pair of moves taken; where none was, the nearest one."""
    taken = next((row for row in bench.rows if row.chosen), None)
    return taken if index is not None else bench.rows[0] if bench.rows else None


def _off(row: MoveRow, system: str) -> str:
    return "no rest" if row.off is None else figure(abs(row.off), "m", system, unit=True)


def _loads(document: Document, setup: Setup, system: str) -> Table | None:
    """Every load state: masses against the plate, and both ends."""
    if not document.loads:
        return None
    kg, mm = _unit("kg", system), _unit("m", system)
    columns = [
        "",
        f"all, {kg}",
        *(f"{e} {w}" for e in ENDS for w in (f"axle, {kg}", f"height, {mm}", "Hz", f"to stop, {mm}", "first met")),
    ]
    rows = [
        [row.name, _mass(row.total_mass, row.gross_limit, system), *_both(row, system)]
        for row in load_plan(document, setup.id)
    ]
    plate = document.vehicle.plate
    limits = [
        f"{words} {figure(v, 'kg', system, unit=True, decimals=0)}"
        for words, v in (("gross", plate.gross), ("front axle", plate.front_axle), ("rear axle", plate.rear_axle))
        if v is not None
    ]
    carried = [
        f"{state.name}: "
        + ", ".join(f"{i.name} {figure(i.mass, 'kg', system, unit=True, decimals=0)}" for i in state.items)
        for state in document.loads
    ]
    said = f"On the plate: {', '.join(limits)}. " if limits else ""
    note = f"{said}Heights are hub to arch; loaded, their change. {'; '.join(carried)}."
    return Table("Load states", columns, rows, note if len(note) < 620 else note[:600].rsplit(" ", 1)[0] + " …")


def overloads(document: Document, setup: str, system: str) -> list[str]:
    """Each limit of the plate that a load state breaks, in words; the vehicle as weighed is a finding of its own."""
    lines = []
    for row in load_plan(document, setup):
        checks = [("in all", row.total_mass, row.gross_limit)]
        checks += [(f"{e.end} axle", e.axle_mass, e.axle_limit) for e in row.ends]
        for words, carried, limit in checks:
            if row.id is not None and carried is not None and limit is not None and carried.value > limit:
                told = _show(carried, system, decimals=0)
                allowed = figure(limit, "kg", system, unit=True, decimals=0)
                lines.append(f"{row.name}: {words} {told}, the plate allows {allowed}.")
    return lines


def _mass(value: Figure | None, limit: float | None, system: str) -> str:
    over = value is not None and limit is not None and value.value > limit
    return _show(value, system, decimals=0) + (" over" if over else "")


def _both(row: LoadRow, system: str) -> list[str]:
    return [text for end in row.ends for text in _end(end, row.id is None, system)]


def _end(end: LoadedEnd, empty: bool, system: str) -> list[str]:
    height = _show(end.hub_to_arch, system) if empty else _show(end.change, system, signed=True)
    met = "–" if end.first_limit is None else f"{LIMIT_WORDS[end.first_limit]} {_show(end.bump_travel, system)}"
    squeezed = end.stop is not None and end.stop.value < 0
    return [
        _mass(end.axle_mass, end.axle_limit, system),
        height,
        _show(end.frequency, system),
        "squeezed" if squeezed else _show(end.stop, system),
        met,
    ]


def _roll(document: Document, setup: Setup, report: Report, system: str) -> Table | None:
    """Roll of this setup beside as found, and how the bars are hooked."""
    v = report.vehicle
    if v.roll_gradient is None:
        return None

    def two(words: str, value: Figure | None, unit: str, decimals: int | None = None) -> list[str]:
        was = (
            "" if value is None or value.was is None else figure(value.was, value.unit, system, decimals=decimals)
        )
        return [words, was, _show(value, system, None, decimals), unit]

    share = v.front_transfer
    was = "" if share is None or share.was is None else f"{share.was * 100:.1f}"
    rows = [
        two("roll at the springs", v.roll_gradient, _unit("rad/g", system)),
        two("front roll stiffness", v.front_roll_stiffness, _unit("N*m/rad", system)),
        two("rear roll stiffness", v.rear_roll_stiffness, _unit("N*m/rad", system)),
        [
            "front share of load moved across",
            was,
            "–" if share is None else ("~" if share.assumed else "") + f"{share.value * 100:.1f}",
            "%",
        ],
    ]
    bars = [(e, getattr(document.vehicle.ends, e).bar, getattr(setup, f"{e}_bar")) for e in ENDS]
    rows += [[f"{e} anti-roll bar", "", _hooked(setting), ""] for e, bar, setting in bars if bar is not None]
    return Table("Roll", ["", "as found", setup.name, ""], rows)


def _hooked(setting: BarSetting | None) -> str:
    if setting is not None and not setting.hooked:
        return "unhooked"
    return (setting.hole if setting else None) or "hole as found"
