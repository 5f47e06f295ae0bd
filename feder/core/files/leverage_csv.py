"""A linkage's leverage curve from a CSV file: wheel travel, and leverage or the shock's position there."""

import itertools

from feder.core.files.table import ReadCell, Table, read_table
from feder.core.numbers.errors import BadFile, OutOfRange
from feder.core.solvers.ratio import ratio_from_leverage

MOST_PAIRS = 200
WORDS = "the columns must be named travel, and leverage or shock"


def leverage_from_csv(data: str | bytes, read_cell: ReadCell) -> list[tuple[float, float]]:
    """Pairs of wheel travel from full extension (m) and wheel over shock travel there.

    Of positions of the shock the leverage of each step is taken, at its middle.

    Raises:
        BadFile: columns or numbers that cannot be read, or pairs that are no curve.
    """
    table = read_table(data, ("travel", "leverage or shock"), most=MOST_PAIRS, free=True)
    names = table.columns
    if len(names) < 2 or not names[0].startswith("travel") or not names[1].startswith(("leverage", "shock")):
        raise BadFile([{"place": "line 1", "message": WORDS}])
    if len(table.rows) < 2:
        raise BadFile([{"place": "file", "message": f"must hold 2 to {MOST_PAIRS} lines of numbers"}])
    pairs = [_pair(table, number, row, read_cell) for number, row in table.rows]
    if names[1].startswith("shock"):
        pairs = _leverages(pairs)
    try:
        ratio_from_leverage(pairs)
    except OutOfRange as error:
        raise BadFile([{"place": "leverage", "message": f"the curve {error.rule}"}]) from None
    return pairs


def _pair(table: Table, number: int, row: dict[str, str], read_cell: ReadCell) -> tuple[float, float]:
    travel, other = table.columns[:2]
    unit, bare = ("m", "mm") if other.startswith("shock") else ("", None)
    try:
        return table.read(row, travel, "m", "mm", read_cell), table.read(row, other, unit, bare, read_cell)
    except ValueError:
        raise BadFile([{"place": f"line {number}", "message": "must hold two numbers"}]) from None


def _leverages(pairs: list[tuple[float, float]]) -> list[tuple[float, float]]:
    made = []
    for (z0, s0), (z1, s1) in itertools.pairwise(pairs):
        if s1 == s0 or z1 == z0:
            raise BadFile([{"place": "shock", "message": "must move from line to line"}])
        made.append(((z0 + z1) / 2, abs((z1 - z0) / (s1 - s0))))
    if len(made) < 2:
        raise BadFile([{"place": "file", "message": "must hold three positions or more"}])
    return made
