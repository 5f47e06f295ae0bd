"""Each mistake is named first, and a near neighbour of it is not accused."""

import pytest

from feder.core.report.evaluate import evaluate
from feder.demo.finch import finch
from tests.judging.hands import REAR, reads, renamed, told
from tests.judging.mistakes import MISTAKES, PULLS, seated


@pytest.mark.parametrize("mistake", MISTAKES, ids=lambda m: m.how)
def test_a_mistake_is_named_first_and_its_neighbour_is_not_accused(mistake):
    honest = mistake.honest()
    before = {(t.rule, t.place) for t in told(honest, mistake.setup, mistake.load)}
    said = told(mistake.made(honest), mistake.setup, mistake.load)
    new = [t for t in said if (t.rule, t.place) not in before] or said
    assert new, "nothing is told"
    assert new[0].rule in mistake.rules, new
    assert new[0].place == mistake.place, new
    near = mistake.near(honest)
    assert not [
        t for t in told(near, mistake.setup, mistake.load) if t.rule in mistake.rules and t.place == mistake.place
    ]


def test_lifted_and_pressed_in_each_others_place_is_a_finding_too():
    found = {(f.rule, f.place) for f in evaluate(renamed(finch(), PULLS), "found").findings}
    assert ("pressed_over_lifted", "vehicle") in found


def test_a_load_that_was_not_weighed_is_a_finding_where_no_cause_is_asked_for():
    document = reads(seated(), "mass", lambda v: v - 75, REAR)
    found = [f for f in evaluate(document, "found").findings if f.rule == "weighed_otherwise"]
    assert [f.place for f in found] == ["rear"]
    # 75 kg each, but for the rounding of the collars to a tenth of a millimetre
    assert found[0].numbers["apart"].value == pytest.approx(150, abs=2)
