"""The middle of the sheet: the car seen from above between the travel ladders of its four corners."""

from math import ceil, floor

from feder.core.document.base import PLACES, Place
from feder.core.document.document import Document
from feder.core.report.shapes import CornerReport, Report
from feder.sheet.svg import PATTERNS, path, rect, text
from feder.units.show import figure

WIDTH, HEIGHT = 290, 545
_X = {True: 30.0, False: WIDTH - 30.0}
_TOP = {"front": 84.0, "rear": 352.0}
_SPAN = 128.0
TAG = 13.0


def plan_view(
    document: Document, report: Report, system: str, totals: list[tuple[str, str]], below: list[str]
) -> str:
    """The drawing as inline SVG. `totals` stand on the roof, `below` under the tail."""
    parts = [
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}" height="{HEIGHT}" viewBox="0 0 {WIDTH} {HEIGHT}" '
        f'role="img" aria-label="The four corners, the car seen from above, nose up">{PATTERNS}',
        text(WIDTH / 2, 14, "from above, nose up", anchor="middle"),
        '<path d="M145 20l6 12h-12z" fill="#000"/>',
        *_car(document),
        *[_total(i, words, value) for i, (words, value) in enumerate(totals)],
        *[text(WIDTH / 2, 496 + 17 * i, line, anchor="middle") for i, line in enumerate(below)],
    ]
    low, high = _range(report)
    parts += [part for place in PLACES for part in _ladder(place, report.corners[place], low, high, system)]
    return "".join([*parts, "</svg>"])


def _total(i: int, words: str, value: str) -> str:
    y = 266 + 20 * i
    return (
        rect(100, y - 15, 92, 19)
        + text(136, y, words, size=14, anchor="end")
        + text(142, y, value, size=15, weight=600)
    )


def _car(document: Document) -> list[str]:
    """Body, glass and wheels; its tracks to their proportion."""
    tracks = [document.vehicle.ends.front.track or 1.42, document.vehicle.ends.rear.track or 1.42]
    front, rear = 150.0, 386.0
    half = 57.0  # as wide as the ladders leave room for
    nose, tail = front - 62, rear + 52
    left, right = 145 - half, 145 + half
    out = [
        path(
            f"M{left + 14} {nose + 8}Q145 {nose - 12} {right - 14} {nose + 8}Q{right} {nose + 14} {right} {nose + 46}"
            f"V{tail - 26}Q{right} {tail} {right - 20} {tail}H{left + 20}Q{left} {tail} {left} {tail - 26}"
            f"V{nose + 46}Q{left} {nose + 14} {left + 14} {nose + 8}Z",
            width=1.4,
            fill="#fff",
        ),
        path(
            f"M{left + 12} {front + 44}Q145 {front + 26} {right - 12} {front + 44}L{right - 18} {front + 84}H{left + 18}Z",
            width=0.6,
        ),
        path(
            f"M{left + 18} {rear + 8}H{right - 18}L{right - 12} {rear + 34}Q145 {rear + 42} {left + 12} {rear + 34}Z",
            width=0.6,
        ),
        path(
            f"M145 {nose - 22}V{tail + 10}M{left - 8} {front}H{right + 8}M{left - 8} {rear}H{right + 8}",
            width=0.6,
            dash="10 3 2 3",
        ),
    ]
    for y, track in ((front, tracks[0]), (rear, tracks[1])):
        reach = track / max(tracks) * (half - 7)
        out += [rect(145 + s * reach - 7.5, y - 22, 15, 44, fill="#000") for s in (-1, 1)]
    return out


def _range(report: Report) -> tuple[float, float]:
    limits = [(c.droop, c.hard, c.solid, c.contact) for c in report.corners.values()]
    values = [f.value for corner in limits for f in corner if f is not None]
    return min([-0.06, *values]) - 0.008, max([0.06, *values]) + 0.008


def _ladder(place: Place, corner: CornerReport, low: float, high: float, system: str) -> list[str]:
    x, top = _X[place.is_left], _TOP[place.end]
    side = 1 if place.is_left else -1

    def y(travel: float) -> float:
        return top + (high - travel) / (high - low) * _SPAN

    bump = [
        (f.value, letter)
        for f, letter in ((corner.hard, "H"), (corner.solid, "S"), (corner.contact, "T"), (corner.bind, "B"))
        if f is not None
    ]
    if corner.droop is None or not bump:
        return [
            path(f"M{x - 9} {top}V{top + _SPAN}M{x + 9} {top}V{top + _SPAN}", dash="4 4"),
            text(x, top + _SPAN / 2, "?", anchor="middle", size=16),
        ]
    end, droop = min(bump)[0], corner.droop.value
    out = [
        rect(x - 9, top, 18, y(end) - top, fill="url(#s-hatch)"),
        rect(x - 9, y(droop), 18, top + _SPAN - y(droop), fill="url(#s-hatch)"),
        rect(x - 9, y(end), 18, y(droop) - y(end), fill="#fff"),
    ]
    if corner.stop is not None and corner.stop.value < end:
        out.append(rect(x - 9, y(end), 18, y(corner.stop.value) - y(end), fill="url(#s-dots)"))
        out.append(
            text(
                x + side * 14,
                y(corner.stop.value) + 10,
                figure(corner.stop.value, "m", system),
                size=12,
                anchor="start" if side > 0 else "end",
            )
        )
    for rung in range(floor(droop * 100) + 1, ceil(end * 100)):  # one for each centimetre between the ends
        out.append(path(f"M{x - 9} {y(rung / 100):.1f}h18", width=0.4))
    out += [
        path(f"M{x - 9} {y(end):.1f}V{y(droop):.1f}M{x + 9} {y(end):.1f}V{y(droop):.1f}", width=1.1),
        path(f"M{x - 12} {y(droop):.1f}h24M{x - 12} {y(end):.1f}h24", width=3),
        path(f"M{x - side * 11} {y(0):.1f}l{-side * 11} -7v14z", fill="#000", width=0),
        path(f"M{x - 9} {y(0):.1f}h18", width=1),
    ]
    if corner.wheel_travel is not None and abs(corner.wheel_travel.value) > 5e-4:
        out.append(
            path(
                f"M{x - side * 11} {y(-corner.wheel_travel.value):.1f}l{-side * 10} -6v12z",
                width=0.8,
                dash="2 1.5",
            )
        )
    labels = sorted([(t, s) for t, s in bump if s != "B" or t == end])
    placed = -1e9
    for travel, letter in labels:
        at = min(y(travel), placed - 16) if placed > -1e8 else y(travel)
        placed = at
        out += _tag(x, at, side, letter, figure(travel, "m", system), first=travel == end)
    return [*out, *_tag(x, y(droop), side, "D", figure(droop, "m", system), first=True)]


def _tag(x: float, y: float, side: int, letter: str, value: str, *, first: bool) -> list[str]:
    left = x + 14 if side > 0 else x - 14 - TAG
    return [
        rect(left, y - TAG / 2, TAG, TAG, fill="#000" if first else "#fff", stroke="#000", width=0.8),
        text(
            left + TAG / 2, y + 4.3, letter, size=12, weight=600, anchor="middle", fill="#fff" if first else "#000"
        ),
        text(
            left + TAG + 3 if side > 0 else left - 3,
            y + 4.8,
            value,
            size=14,
            weight=500,
            anchor="start" if side > 0 else "end",
        ),
    ]
