"""The shelf's dampers as a CSV file, in and out."""

from collections.abc import Iterator
from typing import Any, get_args

from feder.core.document.damper import Acts, CurveRow, DamperPart
from feder.core.files.curve_text import clicks_of, curves_of, curves_text, points_of, points_text
from feder.core.files.parts_csv import Columns
from feder.core.files.table import ReadCell

KNOBS: tuple[Acts, ...] = get_args(Acts)
STOP = ("length", "shaft", "compressible")
FAMILY = ("rebound_shut", "rebound_open", "bump_shut", "bump_open", "knee", "high_share")
YES, NO = ("yes", "true", "1"), ("no", "false", "0")
PLAIN = (
    "code",
    "extended",
    "shut",
    "mounts",
    "body",
    "body_least",
    "body_most",
    "engaged",
    "least_engaged",
    "rod_diameter",
    "gas_pressure",
    "note",
)


def _damper(members: dict[str, Any]) -> DamperPart:
    """A damper of a line: its knobs and its stop by their columns."""
    told = {k: v for k, v in members.items() if k in PLAIN}
    if "coefficient" in members:
        told["coefficient"] = {"value": members["coefficient"], "how": "maker"}
    told["knobs"] = [_knob(members, acts) for acts in KNOBS if f"{acts}_clicks" in members]
    stop = {name: members[f"stop_{name}"] for name in STOP if f"stop_{name}" in members}
    if "stop_points" in members:
        stop["points"] = points_of(members["stop_points"])
    if stop:
        told["stop"] = stop
    family = {name: members[f"family_{name}"] for name in FAMILY if f"family_{name}" in members}
    if family:
        told["family"] = family
    if "curves" in members:
        told["rows"] = [{**clicks_of(name), "points": p} for name, p in curves_of(members["curves"])]
    if "modes" in members:
        told["modes"] = [{"name": name, "points": p} for name, p in curves_of(members["modes"])]
    carries = str(members.get("carries_spring", "")).lower()
    if carries:
        told["carries_spring"] = True if carries in YES else False if carries in NO else carries
    return DamperPart.model_validate(told)


def _knob(members: dict[str, Any], acts: Acts) -> dict[str, Any]:
    """A knob of a line: counted as all of them are, unless it says otherwise."""
    knob = {"acts": acts, "clicks": members[f"{acts}_clicks"], "locked": members.get(f"{acts}_locked", "")}
    counted = members.get(f"{acts}_from", members.get("counted_from"))
    return knob | ({"counted_from": counted} if counted else {})


def _clicks(row: CurveRow) -> str:
    """The clicks of a measured curve, as its name."""
    return " ".join(f"{acts} {click}" for acts in KNOBS if (click := getattr(row, acts)) is not None)


def _told(part: DamperPart) -> dict[str, Any]:
    told: dict[str, Any] = {name: getattr(part, name) for name in PLAIN}
    told["coefficient"] = None if part.coefficient is None else part.coefficient.value
    told |= {f"{k.acts}_clicks": k.clicks for k in part.knobs}
    told["counted_from"] = part.knobs[0].counted_from if part.knobs else None
    told |= {f"{k.acts}_locked": k.locked for k in part.knobs}
    told |= {f"{k.acts}_from": k.counted_from for k in part.knobs if k.counted_from != told["counted_from"]}
    told |= {} if part.stop is None else {f"stop_{name}": getattr(part.stop, name) for name in STOP}
    told["stop_points"] = points_text(part.stop.points) if part.stop and part.stop.points else None
    told["curves"] = curves_text((_clicks(row), row.points) for row in part.rows) or None
    told["modes"] = curves_text((mode.name, mode.points) for mode in part.modes) or None
    told |= {} if part.family is None else {f"family_{name}": getattr(part.family, name) for name in FAMILY}
    told["carries_spring"] = None if part.carries_spring is None else YES[0] if part.carries_spring else NO[0]
    return told


DAMPERS = Columns(
    {
        "code": None,
        "extended": "m",
        "shut": "m",
        "mounts": None,
        "body": "m",
        "body_least": "m",
        "body_most": "m",
        "engaged": "m",
        "least_engaged": "m",
        "rod_diameter": "m",
        "gas_pressure": "Pa",
        "carries_spring": None,
        "coefficient": "N*s/m",
        **{f"{acts}_clicks": "" for acts in KNOBS},
        "counted_from": None,
        **{f"{acts}_{what}": None for acts in KNOBS for what in ("from", "locked")},
        **{f"stop_{name}": "" if name == "compressible" else "m" for name in STOP},
        **{f"family_{n}": {"knee": "m/s", "high_share": ""}.get(n, "N*s/m") for n in FAMILY},
        "stop_points": None,
        "curves": None,
        "modes": None,
        "note": None,
    },
    ("code",),
    _damper,
    _told,
)


def dampers_from_csv(data: str | bytes, read_cell: ReadCell) -> list[DamperPart]:
    """Dampers from a CSV file. Raises `BadFile`."""
    return DAMPERS.read(data, read_cell)


def damper_rows(parts: list[DamperPart]) -> Iterator[list[str]]:
    """Dampers as rows of a CSV file."""
    return DAMPERS.rows(parts)
