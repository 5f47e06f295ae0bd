"""Fitting another bar, or a coilover in its place: the height it has now is kept, its splines start anew."""

from collections.abc import Iterator, Sequence

from feder.core.benches.index.bench import index_bench
from feder.core.benches.index.meant import meant_at
from feder.core.document.base import EndName, RateValue
from feder.core.document.changes import Change, patched, put, with_sides
from feder.core.document.document import Document
from feder.core.document.setting import setting
from feder.core.document.setup import SpringPart, TorsionBarPart
from feder.core.report.evaluate import evaluate_plain
from feder.core.standing.facts import index_of, places_of


def fit_bar(document: Document, setup: str, end: EndName, part: TorsionBarPart) -> Iterator[Change]:
    """The changes that fit a bar to both sides of an end."""
    index = index_of(document, setup)
    for place in places_of(document, end):
        yield from setting(index, place, spring=part, index=None)
    meant = meant_at(document, setup, end)
    if meant is None:
        yield from _at_its_height(document, setup, end)
    else:
        fitted = {p: {"spring": part, "index": None} for p in places_of(document, end)}
        yield from set_for_load(with_sides(document, setup, fitted), setup, end, meant)


def coil_for_bar(
    document: Document, setup: str, end: EndName, rate: float, free_length: float | None
) -> Iterator[Change]:
    """The changes that put coilovers in the place of an end's bars."""
    index = index_of(document, setup)
    part = SpringPart(code=f"coilover {rate / 1e3:.0f}", rate=RateValue(value=rate), free_length=free_length)
    for place in places_of(document, end):
        yield from setting(index, place, spring=part, beside=None)
    yield from _at_its_height(document, setup, end)


def set_for_load(document: Document, setup: str, end: EndName, load_state: str | None) -> Iterator[Change]:
    """Both free angles of an end as they are wanted under a load; nothing where one is not known."""
    index = index_of(document, setup)
    angles = {}
    for place in places_of(document, end):
        bench = index_bench(document, setup, place, load_state, count=1)
        if bench is None or bench.free_wanted is None:
            return
        angles[place] = float(bench.free_wanted.value)
    for place, angle in angles.items():
        yield from setting(index, place, free_angle=angle)
    yield put(["setups", index, f"{end}_meant"], load_state)


def kept_meant(document: Document, setup: str, end: EndName, asked: Sequence[Change]) -> Iterator[Change]:
    """What follows a height asked at an end whose heights are meant under a load: its plates set for it again."""
    meant = meant_at(document, setup, end)
    if meant is not None:
        tried, _ = patched(document, document.model_dump(mode="json"), asked)
        yield from set_for_load(tried, setup, end, meant)


def _at_its_height(document: Document, setup: str, end: EndName) -> Iterator[Change]:
    corners = evaluate_plain(document, setup).corners
    for place in places_of(document, end):
        height = corners[place].hub_to_arch
        if height is not None:
            yield from setting(index_of(document, setup), place, hub_to_arch=float(height.value))
