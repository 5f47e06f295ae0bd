"""The line protocol: one reading in a line, its name, value, unit, and whether it is steady; and other ways."""

import re
from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache
from math import isfinite

from feder.core.files.table import ReadCell
from feder.core.numbers.errors import FederError
from feder.instruments.kinds import CORNERS, KNOWN, WHEELS, KindName, bare_of

LONGEST = 200
"""Characters of a line; a longer one is no reading."""
STEADY = {"steady": True, "moving": False, "st": True, "us": False, "s": True, "d": False}
OWN = "{name} {value} {unit} {state}"
"""Feder's own way: `front_left 312.5 kg steady`; unit and state may be left out."""
UNIT = r"(?P<unit>[A-Za-z°µ\"″/²^·*%0-9]{1,12})"
PARTS = {
    "name": r"(?P<name>[A-Za-z][A-Za-z0-9_.-]{0,39})",
    "value": r"(?P<value>[+\-−]?\s{0,8}\d{1,9}(?:[.,]\d{0,9})?)",
    "unit": UNIT,
    "state": r"(?P<state>[A-Za-z]{1,12})",
    "*": r".{0,60}?",
}
PATTERN_LONGEST, PATTERN_PARTS, PATTERN_SKIPS = 120, 8, 2
"""Two skips are enough; many beside each other could be parted in more ways than anybody waits for."""


class BadLine(FederError, ValueError):
    """A line is no reading of this kind of instrument; the sentence says why."""

    code = "bad line"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="line")


class BadPattern(FederError, ValueError):
    """A line pattern cannot be used; the sentence says why."""

    code = "bad pattern"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="pattern")


@dataclass(frozen=True, slots=True)
class Reading:
    """One reading: what of, its value in SI, the unit it came in, and whether the device calls it steady."""

    name: str
    value: float
    unit: str
    steady: bool | None


@lru_cache(maxsize=64)
def _compiled(pattern: str) -> re.Pattern[str]:
    if not pattern.strip():
        rests = r"(?:\s{1,8}(?P<state>steady|moving))?\s*"
        return re.compile(
            PARTS["name"] + r"\s{0,8}[ =:]\s{0,8}" + PARTS["value"] + rf"(?:\s{{0,8}}{UNIT})??{rests}"
        )
    if len(pattern) > PATTERN_LONGEST:
        raise BadPattern(f"is longer than {PATTERN_LONGEST} characters")
    pieces = re.split(r"(\{[^}]*\})", pattern.strip())
    if sum(p.startswith("{") for p in pieces) > PATTERN_PARTS:
        raise BadPattern(f"has more than {PATTERN_PARTS} parts in braces")
    if pieces.count("{*}") > PATTERN_SKIPS:
        raise BadPattern(f"has more than {PATTERN_SKIPS} of {{*}}")
    made, known = "", set()
    for piece in pieces:
        if not piece.startswith("{"):
            made += r"\s{0,8}".join(re.escape(word) for word in re.split(r"\s+", piece))
            continue
        part = piece[1:-1]
        if part not in PARTS:
            raise BadPattern(f"knows {{name}}, {{value}}, {{unit}}, {{state}} and {{*}}; {piece} is none of them")
        if part != "*" and part in known:
            raise BadPattern(f"has {piece} twice")
        known.add(part)
        made += (r"\s{0,4}" if part == "unit" else "") + PARTS[part]
    if "value" not in known:
        raise BadPattern("needs {value}, where the number stands")
    return re.compile(made + r"\s*")


def checked_pattern(pattern: str) -> str:
    """A line pattern as it may be kept. Raises `BadPattern`."""
    _compiled(pattern)
    return pattern.strip()


def reader_of(kind: KindName, pattern: str, read_cell: ReadCell) -> Callable[[str], Reading | None]:
    """What reads the lines of an instrument: a reading, or nothing of an empty line and a comment.

    `pattern` says how a device speaks that has its own way: `{name}`, `{value}`, `{unit}` and `{state}` stand
    where those are, `{*}` for anything between; without a name the line is of the only quantity
    that the kind reads.

    Raises (when called): BadLine: the line is no reading of this kind.
    Raises: BadPattern: the pattern cannot be used.
    """
    form, about = _compiled(pattern), KNOWN[kind]
    only = next(iter(about.reads)) if len(about.reads) == 1 else None

    @lru_cache(maxsize=64)
    def factor(unit: str, si: str) -> float:
        try:
            return read_cell(f"1 {unit}", si, None)
        except FederError:
            raise BadLine(f"is in {unit}, which is no unit of {_quantity(si)}") from None

    def read(line: str) -> Reading | None:
        text = line.strip()
        if not text or text.startswith("#"):
            return None
        if len(text) > LONGEST:
            raise BadLine(f"is longer than {LONGEST} characters")
        found = form.fullmatch(text)
        if found is None:
            raise BadLine("does not fit the pattern: name, value, unit")
        parts = found.groupdict()
        name = _name(parts.get("name"), only)
        if name not in about.reads:
            known = ", ".join(about.reads)
            raise BadLine(f"{'names nothing' if name is None else f'is of {name}'}; of {about.words}: {known}")
        value = float(re.sub(r"\s", "", parts["value"]).replace("−", "-").replace(",", "."))
        unit, si = parts.get("unit") or "", about.reads[name]
        state = STEADY.get((parts.get("state") or "").lower())
        unit = unit or bare_of(kind, name)
        made = value * factor(unit, si)
        if not isfinite(made) or abs(made) > 1e7:
            raise BadLine("is beyond what any such instrument reads")
        return Reading(name, made, unit, state)

    return read


def _name(told: str | None, only: str | None) -> str | None:
    if told is None:
        return only
    plain = told.lower().replace("-", "_").replace(".", "_")
    return {"fl": CORNERS[0], "fr": CORNERS[1], "rl": CORNERS[2], "rr": CORNERS[3], "f": WHEELS[0]}.get(
        plain, plain
    )


def _quantity(si: str) -> str:
    return {"kg": "mass", "m": "length", "rad": "angle", "N": "force", "Pa": "pressure", "m/s": "speed"}.get(
        si, "time"
    )
