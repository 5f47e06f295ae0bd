"""The frequency strip on paper."""

from collections.abc import Callable, Iterator
from math import ceil, floor, log

from feder.core.report.shapes import Report
from feder.sheet.svg import path, rect, text
from feder.units.show import figure

LEFT, RIGHT, TOP, BOTTOM = 4.0, 336.0, 30.0, 76.0


def frequency_strip(report: Report, system: str) -> str:
    """Front and rear frequency over the band wanted and the flat-ride zone, as inline SVG."""
    vehicle = report.vehicle
    ends = {name: report.ends[name] for name in ("front", "rear")}
    bands = {
        name: (end.frequency_low.value, end.frequency_high.value)
        for name, end in ends.items()
        if end.frequency_low is not None and end.frequency_high is not None
    }
    values = [edge for band in bands.values() for edge in band]
    for end in ends.values():
        if end.frequency is not None:
            values += [end.frequency.value, end.frequency.was or end.frequency.value]
    if not values:
        return ""
    low, high = min(values) * 0.94, max(values) * 1.08

    def x(frequency: float) -> float:
        return LEFT + log(frequency / low) / log(high / low) * (RIGHT - LEFT)

    parts = [
        '<svg xmlns="http://www.w3.org/2000/svg" width="340" height="112" viewBox="0 0 340 112" role="img" aria-label="Frequency strip">',
        rect(LEFT, TOP, RIGHT - LEFT, BOTTOM - TOP),
        path(f"M{LEFT} {TOP}H{RIGHT}M{LEFT} {BOTTOM}H{RIGHT}", width=1.2),
        *_ticks(low, high, x),
    ]
    if len(set(bands.values())) == 1:
        bands = {"": next(iter(bands.values()))}
    for depth, (name, (low_edge, high_edge)) in zip((12, 24), bands.items(), strict=False):
        parts.append(path(f"M{x(low_edge):.1f} {TOP}v{depth}H{x(high_edge):.1f}v-{depth}"))
        parts.append(text(x(high_edge) - 4, TOP + depth - 2, f"{name} wanted".strip(), size=11.5, anchor="end"))
    if vehicle.flat_low is not None and vehicle.flat_high is not None:
        a, b = x(vehicle.flat_low.value), min(RIGHT, x(vehicle.flat_high.value))
        if a < RIGHT:
            parts += [path(f"M{a:.1f} {BOTTOM - dy}H{b:.1f}", width=0.8) for dy in (3, 7, 11)]
            parts.append(text(min(b + 4, RIGHT - 44), BOTTOM - 3, "flat ride", size=11.5))
    for name, end in ends.items():
        if end.frequency is None:
            continue
        at, rear = x(end.frequency.value), name == "rear"
        if end.frequency.was is not None:
            was = x(end.frequency.was)
            parts.append(path(f"M{was:.1f} {TOP}V{BOTTOM}", width=0.8, dash="4 3" if rear else None))
        rate = f" {figure(end.spring_rate.value, 'N/m', system).removesuffix('.0')}" if end.spring_rate else ""
        words = f"{name}{rate}, {figure(end.frequency.value, 'Hz', system, unit=True)}"
        tip = f"M{at:.1f} {BOTTOM + 4}l7 11h-14z" if rear else f"M{at:.1f} {TOP - 4}l7 -11h-14z"
        parts += [
            path(f"M{at:.1f} {TOP - 4}V{BOTTOM + 4}", width=2, dash="6 3" if rear else None),
            path(tip, fill="#000", width=0),
        ]
        side = 12 if at < 190 else -12
        parts.append(
            text(
                at + side,
                BOTTOM + 17 if rear else TOP - 7,
                words,
                size=14,
                weight=600,
                anchor="start" if side > 0 else "end",
            )
        )
    return "".join([*parts, "</svg>"])


MOST_TICKS = 60


def _step(span: float) -> float:
    """A tenth of a hertz, or as much more as keeps the ticks apart."""
    step, more = 0.1, (2.0, 2.5, 2.0)
    for n in range(40):
        if span / step <= MOST_TICKS:
            break
        step *= more[n % 3]
    return step


def _ticks(low: float, high: float, x: Callable[[float], float]) -> Iterator[str]:
    step = _step(high - low)
    labels = max(1, ceil((high - low) / step / 7))
    for n in range(ceil(low / step), floor(high / step) + 1):
        at, labelled = x(n * step), n % (2 * ceil(labels / 2)) == 0
        yield path(f"M{at:.1f} {TOP}v{5 if labelled else 3}M{at:.1f} {BOTTOM}v-{5 if labelled else 3}", width=0.8)
        if labelled:
            yield text(
                at, (TOP + BOTTOM) / 2 + 6, f"{n * step:.{1 if step < 1 else 0}f}", size=14, anchor="middle"
            )
