"""Each bench asked again and again with one thing left out that it may rest on: it answers, or says what is missing."""

from contextlib import suppress
from math import isfinite

import pytest

from feder.core.benches.acts import AskCollar, AskHeight, TakeLever, TakeSags, changes_of
from feder.core.benches.index.bench import index_bench
from feder.core.benches.index.bolt import bolt_answer
from feder.core.benches.index.chart import index_chart
from feder.core.benches.index.check import check_reading
from feder.core.benches.index.sure import height_sure
from feder.core.benches.index.turn import turn_effect
from feder.core.benches.loads.plan import load_plan, rank_by_loads, spacer_instead
from feder.core.benches.sag.air import air_rows
from feder.core.benches.sag.levers import levers
from feder.core.benches.sag.shelf import sag_shelf
from feder.core.benches.settle.setdown import set_down as set_down_bench
from feder.core.benches.springs.candidates import candidates
from feder.core.benches.travel.stop import stop_bench
from feder.core.benches.weights.bench import corner_weights
from feder.core.document.base import Place
from feder.core.numbers.errors import FederError
from feder.demo.bramble import bramble
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.springs import demo_spring
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from tests.changes import set_down
from tests.core.test_gaps import numbers
from tests.core.test_robust import WHOLE, changed, leaves

PARTS = [demo_spring(60, 180, 60), demo_spring(50, 180, 100)]
REAR, FRONT = Place.REAR_LEFT, Place.FRONT_LEFT


def index_of_tansy(document, setup):
    bench = index_bench(document, setup, REAR, "market")
    yield bench
    if bench is None:
        return
    for reading in (0.35, 0.6):
        yield from check_reading(document, bench, 1, 1, reading, 0.5)
    yield turn_effect(document, setup, REAR, 0.01, "market")
    yield height_sure(document, setup, REAR, 0.5)
    yield from index_chart(document, setup, REAR, span=0.02)


def bolt_of_teasel(document, setup):
    bench = index_bench(document, setup, FRONT)
    yield bench
    if bench is not None and bench.bolt is not None and bench.change is not None:
        yield bolt_answer(document, setup, FRONT, bench.change)
    yield turn_effect(document, setup, FRONT, None)


def loads_of_bramble(document, setup):
    yield from load_plan(document, setup)
    yield from rank_by_loads(document, setup, "rear", PARTS)
    for state in document.loads:
        yield spacer_instead(document, setup, "rear", state.id)


def heights_of_nettle(document, setup):
    yield set_down_bench(document, setup)
    yield corner_weights(document, setup)
    yield stop_bench(document, setup, REAR)
    yield from candidates(document, setup, "rear", PARTS, "all")
    for act in (
        AskHeight(act="ask height", place=REAR, change=-0.01, together=True),
        AskHeight(act="ask height", place=REAR, height=0.36),
        AskCollar(act="ask collar", place=REAR, collar=0.004, together=True),
    ):
        list(changes_of(document, setup, act))


def sags_of_a_bike(document, setup):
    state = document.loads[0].id if document.loads else None
    for place in document.places:
        yield from (*sag_shelf(document, setup, place, PARTS), *air_rows(document, setup, place))
    for goal, wanted in (("seat", 0.8), ("lean", 0.7)):
        yield from levers(document, setup, state, goal, wanted)
    list(changes_of(document, setup, TakeSags(act="take sags", ends=["front", "rear"])))
    list(changes_of(document, setup, TakeLever(act="take lever", place=Place.REAR, member="collar", value=0.004)))


MEASURED = set_down(
    nettle(), "plan", dict.fromkeys(("front_left", "front_right", "rear_left", "rear_right"), 0.355)
)
CASES = {
    "index": (tansy(), index_of_tansy, ("rear", "rear_left", "rear_right"), 5),
    "bolt": (teasel(), bolt_of_teasel, ("front", "front_left", "front_right"), 1),
    "loads": (bramble(), loads_of_bramble, ("rear", "rear_left", "rear_right"), 3),
    "heights": (MEASURED, heights_of_nettle, ("rear", "rear_left", "rear_right"), 11),
    "sags": (magpie(), sags_of_a_bike, ("front", "rear"), 5),
    "air": (finch(), sags_of_a_bike, ("front", "rear"), 3),
}


def gaps_of(document, where, every):
    """The document with one member left out, for each `every`th member that tells of these ends and corners."""
    plain, count = document.model_dump(mode="json"), 0
    for path in leaves(plain):
        about = ({"ends", "sides"} & set(path[:4]) and set(where) & set(path)) or path[0] in (
            "brief",
            "bars",
            "loads",
        )
        about = about or (len(path) == 2 and path[0] == "vehicle") or path[0] == "surveys"
        if not about or path in WHOLE:
            continue
        node = plain
        for key in path:
            node = node[key]
        if node in (None, [], {}, ""):
            continue
        count += 1
        if count % every:
            continue
        gap = changed([(path, None)], plain)
        if gap is not None and len(gap.setups) > 1:
            yield path, gap


@pytest.mark.parametrize("name", CASES)
def test_a_bench_answers_whatever_one_thing_is_missing(name):
    document, ask, where, stride = CASES[name]
    setup = document.setups[1].id
    assert list(ask(document, setup))
    for path, gap in gaps_of(document, where, stride):
        if setup not in [s.id for s in gap.setups]:
            continue
        # a refusal in words is an answer; anything else that is raised is not
        with suppress(FederError):
            assert all(map(isfinite, numbers(list(ask(gap, setup))))), path
