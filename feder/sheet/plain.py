"""The sheet for machines: every figure of a setup beside as found, as JSON in SI and as CSV for spreadsheets."""

from typing import Any

from feder.core.document.document import Document
from feder.core.files.table import written
from feder.core.numbers.nomenclature import TERMS
from feder.core.report.compare import compare
from feder.core.report.evaluate import evaluate
from feder.core.standing.facts import setup_of
from feder.units.show import unit_shown

FORMAT = "feder-sheet-1"


def sheet_plain(document: Document, setup_id: str, number: int, today: str) -> dict[str, Any]:
    """The sheet as plain data: SI throughout, each figure with its path in the report.

    Raises:
        UnknownSetup: the document has no such setup.
    """
    setup, found = setup_of(document, setup_id), document.setups[0]
    against = None if setup.id == found.id else found.id
    report = evaluate(document, setup.id, against=against)
    return {
        "format": FORMAT,
        "vehicle": document.vehicle.name,
        "setup": {"id": setup.id, "name": setup.name, "stage": setup.stage},
        "sheet": number,
        "date": today,
        "figures": [
            {
                "path": d.path,
                "figure": _words(d.path),
                "place": _place(d.path),
                "unit": d.unit,
                "value": None if d.second is None else float(d.second.value),
                "found": None if against is None or d.first is None else float(d.first.value),
                "estimated": bool(d.second is not None and d.second.assumed),
            }
            for d in compare(document, found.id, setup.id).differences
        ],
        "cautions": [
            {"grade": f.grade, "station": f.station, "place": f.place, "rule": f.rule, "text": f.text}
            for f in report.findings
        ],
        "settings": setup.model_dump(mode="json", exclude_defaults=True),
    }


def sheet_csv(document: Document, setup_id: str, system: str, number: int, today: str) -> str:
    """The figures of a sheet as CSV in the units of a system: a point for the decimals, a dot for nothing else."""
    told = sheet_plain(document, setup_id, number, today)
    rows: list[list[object]] = [["figure", "place", "value", "as found", "change", "unit", "estimated", "path"]]
    for f in told["figures"]:
        unit, factor, _ = unit_shown(f["unit"], system)
        value, found = (None if f[k] is None else f[k] / factor for k in ("value", "found"))
        change = None if value is None or found is None else value - found
        cells = ["" if v is None else f"{v:.6g}" for v in (value, found, change)]
        rows.append([f["figure"], f["place"], *cells, unit, "yes" if f["estimated"] else "", f["path"]])
    return written(rows)


def _words(path: str) -> str:
    name = path.rsplit(".", 1)[-1]
    return TERMS[name][1] if name in TERMS else name.replace("_", " ")


def _place(path: str) -> str:
    parts = path.split(".")
    return parts[1].replace("_", " ") if len(parts) == 3 else "vehicle"
