"""One reader for every CSV file: its encoding, delimiter, decimal comma and units, whatever program wrote it."""

import csv
import io
import re
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

from feder.core.numbers.errors import BadFile

ReadCell = Callable[[str, str, str | None], float]
"""Reads a cell: its text, the SI unit wanted, and the unit of a number that carries none."""
DELIMITERS = (";", "\t", ",")
UNIT_IN_HEAD = re.compile(r"^(.*?)\s*(?:\[([^\]]*)\]|\(([^)]*)\))\s*$")
BARE_NUMBER = re.compile(r"^[-+−\d\s.,/eE]+$")
DECIMAL_COMMA = re.compile(r"^\s*[-+−]?\d+,\d+")
THOUSANDS = re.compile(r"^\s*[-+−]?[1-9]\d{0,2},\d{3}(?!\d)")
"""1,234 may be a thousand or little more than one: it is left as it is, and refused where it is read."""


@dataclass(frozen=True)
class Table:
    """A file's rows by column name, each with its line number; `units` are those that its head names."""

    columns: tuple[str, ...]
    units: dict[str, str]
    rows: tuple[tuple[int, dict[str, str]], ...]
    comma: bool
    """Whether numbers have a decimal comma."""

    def read(self, row: dict[str, str], column: str, unit: str, bare: str | None, read_cell: ReadCell) -> float:
        """The number in a cell, in SI. Raises `ValueError` with what is wrong."""
        text = row[column]
        if self.comma and DECIMAL_COMMA.match(text) and not THOUSANDS.match(text):
            text = text.replace(",", ".", 1)
        if column in self.units and BARE_NUMBER.match(text):
            text = f"{text} {self.units[column]}"
        return read_cell(text, unit, bare)


def text_of(data: str | bytes) -> str:
    """The text of a file: UTF-8 with or without its mark, UTF-16, or the Windows code page of older programs.

    Raises:
        BadFile: it is no text.
    """
    if isinstance(data, str):
        return data.lstrip("\ufeff")
    if data.startswith((b"\xff\xfe", b"\xfe\xff")):
        encodings: Sequence[str] = ("utf-16",)
    else:
        encodings = ("utf-8-sig", "cp1252")
    if b"\0" in data and encodings[0] != "utf-16":
        raise BadFile([{"place": "file", "message": "is not text"}])
    for encoding in encodings:
        try:
            return data.decode(encoding)
        except UnicodeDecodeError:
            continue
    raise BadFile([{"place": "file", "message": "is not text in UTF-8"}])


def read_table(
    data: str | bytes, names: Sequence[str], *, needed: Sequence[str] = (), most: int, free: bool = False
) -> Table:
    """A CSV file with a head of column names; lines that are empty are passed over.

    `names` are the columns known, `needed` those that must be there; `free` lets others pass. A name may carry its
    unit, in brackets: ``rate [N/mm]``.

    Raises:
        BadFile: no head, a column that is not known or is missing, or more than `most` rows.
    """
    text = text_of(data)
    first = text.split("\n", 1)[0]
    delimiter = max(DELIMITERS, key=first.count)
    try:
        lines = list(csv.reader(io.StringIO(text, newline=""), delimiter=delimiter))
    except csv.Error as error:
        raise BadFile([{"place": "file", "message": f"is no table: {error}"}]) from None
    if not lines:
        raise BadFile(
            [{"place": "line 1", "message": f"the first line must name the columns: {', '.join(names)}"}]
        )
    columns, units = _head(lines[0])
    unknown = [] if free else [c for c in columns if c not in names]
    missing = [n for n in needed if n not in columns]
    if unknown or missing:
        words = f"unknown column {unknown[0]!r}" if unknown else f"column {missing[0]!r} is missing"
        raise BadFile([{"place": "line 1", "message": f"{words}; known are {', '.join(names)}"}])
    rows = tuple(_rows(lines[1:], columns))
    if len(rows) > most:
        raise BadFile([{"place": f"line {rows[most][0]}", "message": f"more than {most} lines in one file"}])
    return Table(columns, units, rows, comma=delimiter != ",")


def _head(cells: Sequence[str]) -> tuple[tuple[str, ...], dict[str, str]]:
    columns, units = [], {}
    for cell in cells:
        name, unit = cell.strip(), None
        if found := UNIT_IN_HEAD.match(name):
            name, unit = found[1], found[2] or found[3]
        name = name.lower().replace("_", " ").strip()
        columns.append(name)
        if unit:
            units[name] = unit.strip()
    return tuple(columns), units


def _rows(lines: Sequence[Sequence[str]], columns: Sequence[str]) -> Iterator[tuple[int, dict[str, str]]]:
    for number, line in enumerate(lines, start=2):
        if any(cell.strip() for cell in line):
            padded = [plain(cell) for cell in [*line, *[""] * len(columns)][: len(columns)]]
            yield number, dict(zip(columns, padded, strict=True))


FORMULA = ("=", "+", "-", "@", "\t", "\r", "'")
NUMBER = re.compile(r"^[-+]?[\d.,]+([eE][-+]?\d+)?$")


def safe(text: str) -> str:
    """A text that no table program takes for a formula: marked with an apostrophe, which reading takes off."""
    return f"'{text}" if text[:1] in FORMULA and not NUMBER.match(text) else text


def plain(text: str) -> str:
    """A cell's text as it was before `safe`."""
    return text[1:] if text[:1] == "'" and text[1:2] in FORMULA else text


def written(rows: Iterator[Sequence[object]] | Sequence[Sequence[object]]) -> str:
    """Rows as the text of a CSV file."""
    out = io.StringIO()
    told = ([safe(cell) if isinstance(cell, str) else cell for cell in row] for row in rows)
    csv.writer(out, lineterminator="\n").writerows(told)
    return out.getvalue()
