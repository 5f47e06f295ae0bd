"""A measured road profile as CSV."""

from feder.core.document.road import RoadPiece
from feder.core.files.table import ReadCell, read_table
from feder.core.numbers.errors import BadFile, Fault

MOST_ROWS = 20_000
LEAST_ROWS = 3
SPIKE = 0.5
"""Rise between two neighbouring heights that no road has, m."""


def profile_from_csv(data: str | bytes, read_cell: ReadCell) -> RoadPiece:
    """A profile: `distance` in m, `left` in mm, and `right` in mm where the tracks differ.

    Raises:
        BadFile: with all faults: under three heights or over 20,000, distances that do not rise, a spike.
    """
    table = read_table(data, ["distance", "left", "right"], needed=["distance", "left"], most=MOST_ROWS)
    faults: list[Fault] = []
    points: list[tuple[float, float, float]] = []
    for number, row in table.rows:
        try:
            x = table.read(row, "distance", "m", "m", read_cell)
            left = table.read(row, "left", "m", "mm", read_cell)
            right = left
            if "right" in table.columns and row["right"].strip():
                right = table.read(row, "right", "m", "mm", read_cell)
        except ValueError as error:
            faults.append({"place": f"line {number}", "message": str(error)})
            continue
        before = points[-1] if points else None
        if before is not None and x <= before[0]:
            faults.append({"place": f"line {number}, distance", "message": "must lie behind the one before it"})
        elif before is not None and max(abs(left - before[1]), abs(right - before[2])) > SPIKE:
            faults.append({"place": f"line {number}", "message": "is a spike: no road rises so far at once"})
        points.append((x, left, right))
    if not faults and len(points) < LEAST_ROWS:
        faults = [
            {"place": "file", "message": f"holds {len(points)} heights; a profile needs {LEAST_ROWS} at least"}
        ]
    if not faults and not 0.05 <= points[-1][0] - points[0][0] <= 2000:
        faults = [{"place": "distance", "message": "a profile is 0.05 to 2000 m long"}]
    if faults:
        raise BadFile(faults[:50])
    return RoadPiece(kind="profile", length=points[-1][0] - points[0][0], points=tuple(points))
