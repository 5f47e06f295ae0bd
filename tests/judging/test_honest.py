"""Nobody is accused for nothing: honest vehicles, and honest readings taken again, raise hardly anything."""

import pytest

from feder.core.causes.evidence import FOLLOWS, WEIGHTS
from feder.demo.bramble import bramble
from feder.demo.finch import finch
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.demo.tansy import tansy
from feder.demo.teasel import teasel
from tests.judging.hands import told
from tests.judging.honest import honest_car, honest_cycle, read_again

DEMOS = (nettle, sedge, bramble, tansy, teasel, magpie, finch)


def accusing(rule: str) -> bool:
    """Whether a rule says that something typed or read is wrong, and not how a setup drives."""
    return rule.startswith(("odd_", "cause_")) or (rule in WEIGHTS and rule not in FOLLOWS)


def accused(document, setup="found"):
    return {(t.rule, t.place) for t in told(document, setup) if t.grade != "note" and accusing(t.rule)}


@pytest.mark.parametrize(("make", "count"), [(honest_car, 120), (honest_cycle, 80)])
def test_an_honest_vehicle_is_not_accused(make, count):
    """One in a hundred may be, by chance of its readings: of so many, two."""
    found = {seed: said for seed in range(count) if (said := accused(make(seed)))}
    assert len(found) <= 2, found


@pytest.mark.parametrize("make", DEMOS)
def test_readings_taken_again_with_usual_scatter_accuse_nothing(make):
    document = make()
    before = accused(document)
    found = {seed: said for seed in range(15) if (said := accused(read_again(document, seed)) - before)}
    assert len(found) <= 1, found
