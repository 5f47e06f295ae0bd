"""Every mend that is offered as one tap is tried on every document that raised it: it raises nothing worse."""

import pytest

from feder.core.causes.told import ORDER, judgement
from feder.core.document.changes import patched
from feder.core.report.evaluate import evaluate
from feder.demo.nettle import nettle
from tests.core.test_findings import CASES
from tests.judging.mistakes import MISTAKES


def offered(document, setup, load=None):
    """Each mend by one tap, with the rule and place that it mends."""
    judged = judgement(document, setup, load)
    for finding in evaluate(document, setup, load).findings:
        if any((t.rule, t.place) == (finding.rule, finding.place) for t in judged.tried):
            yield finding.rule, finding.place, finding.grade, finding.mend.patch
    for cause in judged.causes:
        if cause.finding.mend.patch:
            yield cause.finding.rule, cause.finding.place, cause.finding.grade, cause.finding.mend.patch
            for other in cause.others:
                yield f"or: {other.text}", cause.finding.place, cause.finding.grade, other.patch


def told(document, setup, load=None):
    """What is told, by rule and end, with its grade."""
    return {(f.rule, f.place.split("_")[0]): ORDER[f.grade] for f in evaluate(document, setup, load).findings}


def tried(document, setup, load=None):
    plain, count = document.model_dump(mode="json"), 0
    before = told(document, setup, load)
    for rule, place, grade, patch in offered(document, setup, load):
        after = told(patched(document, plain, patch)[0], setup, load)
        raised = {key for key, worse in after.items() if worse < before.get(key, 3) and worse <= ORDER[grade]}
        assert not raised, (rule, place, raised)
        assert (rule, place.split("_")[0]) not in after, (rule, place)
        count += 1
    return count


@pytest.mark.parametrize("rule", CASES)
def test_a_mend_offered_for_a_rule_raises_nothing_worse(rule):
    tried(CASES[rule][1](nettle()), "plan")


def test_mends_offered_for_mistakes_raise_nothing_worse():
    """Most mistakes are taken back by one tap."""
    taken_back = [m.how for m in MISTAKES if tried(m.made(m.honest()), m.setup, m.load)]
    assert len(taken_back) > 60


def test_a_mend_that_would_lead_into_something_as_grave_is_not_offered():
    """The height that brings the collars back on their threads lies on the solid dampers."""
    low = CASES["rests_on_solid"][1](nettle())
    off = [f for f in evaluate(low, "plan").findings if f.rule == "collar_off_thread"]
    assert off
    assert all(f.mend.patch for f in off)
    assert not [t for t in judgement(low, "plan").tried if t.rule == "collar_off_thread"]
