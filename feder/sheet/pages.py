"""The tables behind the first page, laid on as many pages as they need, so that none runs off the paper."""

from math import ceil

from feder.sheet.table import Table

ROOM = 960
"""Height in px between the heading and the foot of a page."""
WIDTH, FIRST = 714, 0.24
"""Width of a table in px, and the share of its first column."""
LETTER = 7.4
"""Width in px that a letter is given; most are narrower."""
LINE = 18


def pages_of(tables: list[Table]) -> list[list[Table]]:
    """The tables in their order, a new page begun where the next one does not fit; a table is never parted."""
    pages: list[list[Table]] = []
    left = 0.0
    for table in tables:
        height = height_of(table)
        if not pages or height > left:
            pages.append([])
            left = ROOM
        pages[-1].append(table)
        left -= height
    return pages


def height_of(table: Table) -> float:
    """Height of a table in px, told rather too high than too low."""
    widths = (
        [WIDTH * FIRST, *([WIDTH * (1 - FIRST) / (len(table.columns) - 1)] * (len(table.columns) - 1))]
        if len(table.columns) > 1
        else [WIDTH]
    )

    def lines(cells: list[str]) -> int:
        return max((lines_of(cell, width) for cell, width in zip(cells, widths, strict=False)), default=1)

    head = 52 + LINE * lines(table.columns) if table.columns else 52
    rows = sum(7 + LINE * lines(row) for row in table.rows)
    note = 8 + LINE * lines_of(table.note, WIDTH) if table.note else 0
    return head + rows + note + table.drawn


def lines_of(words: str, width: float) -> int:
    """Lines that words take in a column, broken between words."""
    room, count, used = max(1, int(width / LETTER)), 1, 0
    for word in words.split():
        if used and used + 1 + len(word) > room:
            count, used = count + 1, 0
        used += len(word) + (1 if used else 0)
        count += ceil(used / room) - 1 if used > room else 0
    return count
