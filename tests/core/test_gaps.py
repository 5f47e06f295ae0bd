"""Each thing the demo vehicles tell, left out one at a time: all that can be answered still is, and nothing is made up."""

from dataclasses import fields, is_dataclass
from datetime import date
from itertools import islice
from math import isfinite

import pytest

from feder.core.benches.index.bench import index_bench
from feder.core.benches.index.chart import index_chart, other_bars
from feder.core.benches.loads.plan import load_plan
from feder.core.benches.sag.air import air_rows
from feder.core.benches.sag.curve import travel_curve
from feder.core.benches.sag.levers import levers
from feder.core.benches.sag.shelf import sag_shelf
from feder.core.benches.springs.candidates import candidates
from feder.core.benches.travel.stop import stop_bench
from feder.core.causes.told import judgement
from feder.core.document.base import ENDS
from feder.core.report.compare import compare
from feder.core.report.evaluate import evaluate_plain
from feder.core.report.explain import figures_of
from feder.core.report.outline import outline_of
from feder.demo.bramble import bramble
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.springs import demo_spring
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from feder.sheet.page import sheet_html
from tests.core.test_robust import WHOLE, changed, leaves

VEHICLES = {made().vehicle.name: made for made in (nettle, sedge, bramble, tansy, teasel, magpie, finch)}
PARTS = [demo_spring(60, 180, 60), demo_spring(50, 180, 100)]


def gaps(plain, every=1):
    """The document with one member of it left out, for each `every`th member that may be."""
    told = (
        p for p in leaves(plain) if p[0] in ("vehicle", "surveys", "setups", "loads", "brief") and p not in WHOLE
    )
    for path in islice(told, 0, None, every):
        document = changed([(path, None)], plain)
        if document is not None and len(document.setups) > 1:
            yield path, document


def numbers(value):
    """Every number in an answer."""
    if isinstance(value, float):
        yield float(value)
    elif isinstance(value, list | tuple):
        for item in value:
            yield from numbers(item)
    elif is_dataclass(value):
        for member in fields(value):
            yield from numbers(getattr(value, member.name))
    elif hasattr(value, "model_fields_set"):
        yield from numbers(list(value.__dict__.values()))


def benches(document, setup):
    """Every bench's answer, as far as the vehicle has one."""
    two = document.vehicle.kind != "car"
    state = document.loads[0].id if document.loads else None
    for place in document.places:
        arm = getattr(document.vehicle.ends, place.end).layout == "torsion arm"
        yield stop_bench(document, setup, place)
        if two:
            yield from (travel_curve(document, setup, place), *sag_shelf(document, setup, place, PARTS))
            yield from air_rows(document, setup, place)
        elif arm and place.is_left:
            yield from (index_bench(document, setup, place), *index_chart(document, setup, place))
            yield from other_bars(document, setup, place)
    if two:
        yield from levers(document, setup, state, "seat", 0.8)
    else:
        yield from load_plan(document, setup)
        for end in ENDS:
            yield from candidates(document, setup, end, PARTS, "all")


@pytest.mark.parametrize("name", VEHICLES)
def test_one_gap_shuts_nothing_that_does_not_rest_on_it(name):
    document = VEHICLES[name]()
    setup = document.setups[1].id
    # a fifth of the gaps by their report; the benches and the sheet, which take longer, by some of them
    stride = 10 if document.vehicle.kind == "car" else 30
    for n, (path, gap) in enumerate(gaps(document.model_dump(mode="json"), 5)):
        now = next((s.id for s in gap.setups if s.id == setup), gap.setups[-1].id)
        load = gap.loads[0].id if gap.loads and n % 4 else None
        report = evaluate_plain(gap, now, load)
        assert all(isfinite(f.value) for f in figures_of(report).values()), path
        if n % stride == 0:
            assert all(map(isfinite, numbers(list(benches(gap, now))))), path
            assert outline_of(gap).wheelbase > 0
            html = sheet_html(gap, now, "metric", 1, date(2026, 6, 14), "fonts")
            assert "None" not in html, path
            compare(gap, gap.setups[0].id, now, None)
            judgement(gap, now, load)
